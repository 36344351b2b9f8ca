using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

/// <summary>A contradiction in a job: the place and what to do.</summary>
/// <param name="Where">Path in the job, for example boxes[12] “k-range”.</param>
/// <param name="What">What is wrong and how to mend it.</param>
public sealed record JobProblem(string Where, string What)
{
    /// <inheritdoc/>
    public override string ToString() => $"{Printed.Told(Where)}: {Printed.Told(What)}";
}

/// <summary>Finds what makes a job impossible to plan. A job without problems can be planned; whether it is lawful is for the
/// checks.</summary>
public static partial class JobProblems
{
    private static Length Longest => JobLimits.Farthest;

    // A job never changes, and is asked about by the change that made it and again by its plan.
    private static readonly ConditionalWeakTable<Job, StrongBox<JobProblem?>> Known = [];

    /// <summary>The first contradiction found, or null.</summary>
    public static JobProblem? First(Job job) => Known.GetValue(job, j => new(Found(j, CodeBook.For(j)))).Value;

    /// <summary>The first contradiction found by a book that is not the job's own, or null.</summary>
    public static JobProblem? First(Job job, CodeBook book) => book.Edition == job.Edition ? First(job) : Found(job, book);

    private static JobProblem? Found(Job job, CodeBook book) => Find(job, book).FirstOrDefault() ?? Clear(job).FirstOrDefault();

    // Measured inside: only a job that can be framed has inside walls.
    private static IEnumerable<JobProblem> Clear(Job job)
    {
        var house = House.Framing.Frame(job);
        foreach (var box in job.Boxes.Where(b => b.Mount == Mount.Wall))
        {
            var side = house.Room(box.Room).Sides[box.Wall - 1];
            if (box.Offset > side.Clear)
            {
                yield return new($"“{box.Name ?? box.Id.Value}”", $"{box.Offset} is past the end of its wall, which is {side.Clear} clear");
            }
        }

        foreach (var outlet in job.LowVoltage.Where(o => o.Mount == Mount.Wall))
        {
            var side = house.Room(outlet.Room).Sides[outlet.Wall - 1];
            if (outlet.Offset > side.Clear)
            {
                yield return new($"“{outlet.Name ?? outlet.Id.Value}”",
                    $"{outlet.Offset} is past the end of its wall, which is {side.Clear} clear");
            }
        }
    }

    // Contradictions that need no framing to be seen, in the order of the job.
    private static IEnumerable<JobProblem> Find(Job job, CodeBook book) =>
        Sizes(job).Concat(JobTexts.Find(job)).Concat(Duplicates(job)).Concat(Numbers(job)).Concat(Structures(job)).Concat(Members(job))
            .Concat(Boards(job)).Concat(BoxProblems(job, book)).Concat(LowVoltage(job)).Concat(References(job));

    private static IEnumerable<JobProblem> Sizes(Job job)
    {
        if (job.Name.Trim().Length is 0 or > 60)
        {
            yield return new("name", "give the job a name of 1 to 60 characters");
        }

        if (!Enum.IsDefined(job.Edition))
        {
            yield return new("rules", $"choose a book: {Editions.Keys}");
        }

        if (job.Structures.Length is 0 or > 6)
        {
            yield return new("structures", "a job has 1 to 6 buildings");
        }

        foreach (var (where, what, count, most) in Counts(job))
        {
            if (count > most)
            {
                yield return new(where,
                    string.Create(CultureInfo.InvariantCulture, $"at most {most} {what} to a job; this one has {count}"));
            }
        }

        foreach (var box in job.Boxes)
        {
            if (box.Devices.FirstOrDefault(d => d.Controls.Length > JobLimits.ToASwitch) is { } device)
            {
                yield return new($"boxes “{box.Id}”",
                    $"one switch works at most {JobLimits.ToASwitch} boxes; this one works {device.Controls.Length}");
            }
        }

        if (job.Boxes.SelectMany(b => b.Devices).SelectMany(d => d.Controls).GroupBy(c => c)
            .FirstOrDefault(g => g.Count() > JobLimits.ToASwitch) is { } often)
        {
            yield return new($"boxes “{often.Key}”", $"at most {JobLimits.ToASwitch} places work one lamp; this one has {often.Count()}");
        }
    }

    private static IEnumerable<(string Where, string What, int Count, int Most)> Counts(Job job)
    {
        var levels = job.Levels.ToList();
        var rooms = job.Rooms.ToList();
        yield return ("boxes", "boxes", job.Boxes.Length, JobLimits.Boxes);
        yield return ("boxes", "devices", job.Boxes.Sum(b => b.Devices.Length), JobLimits.Devices);
        yield return ("structures", "rooms", rooms.Count, JobLimits.Rooms);
        yield return ("structures", "corners of rooms", rooms.Sum(r => r.Corners.Length), JobLimits.Corners);
        yield return ("structures", "openings", rooms.Sum(r => r.Openings.Length), JobLimits.Openings);
        yield return ("structures", "fixtures", rooms.Sum(r => r.Fixtures.Length), JobLimits.Fixtures);
        yield return ("structures", "walls built otherwise", rooms.Sum(r => r.Builds.Length), JobLimits.Corners);
        yield return ("structures", "obstructions", levels.Sum(l => l.Obstructions.Length), JobLimits.OnALevel);
        yield return ("structures", "kept bays", levels.Sum(l => l.Reservations.Length), JobLimits.OnALevel);
        yield return ("structures", "spare chases", levels.Sum(l => l.Chases.Length), JobLimits.OnALevel);
        yield return ("panels", "panels", job.Panels.Length, JobLimits.Panels);
        yield return ("trenches", "trenches", job.Trenches.Length, JobLimits.Trenches);
        yield return ("pipes", "pipes", job.Pipes.Length, JobLimits.Pipes);
        yield return ("wants", "wants", job.Wants.Length, JobLimits.Asked);
        yield return ("holds", "holds", job.Holds.Length, JobLimits.Asked);
        yield return ("lowVoltage", "outlets of low voltage", job.LowVoltage.Length, JobLimits.Asked);
        yield return ("lowVoltageHomes", "cans and shelves", job.LowVoltageHomes.Length, JobLimits.Panels);
        yield return ("closings", "closings", job.Closings.Length, Enum.GetValues<Closing>().Length);
        yield return ("crewLines", "lines of the crew's own", job.CrewLines.Length, JobLimits.CrewLines);
        yield return ("amendments", "amendments", job.Amendments.Length, JobLimits.Amendments);
        yield return ("pins.individual", "boxes held for a circuit of their own", job.Pins.Individual.Length, JobLimits.Individual);
        yield return ("built.runs", "pulled runs", job.Built.Runs.Length, JobLimits.Devices);
        yield return ("boxes", "pieces of equipment", job.Boxes.Count(b => b.Devices.Any(d => d.Plate is not null)), JobLimits.Individual);
        yield return ("roomSchools", "rooms with ways of their own", job.RoomSchools.Length, JobLimits.Rooms);
        foreach (var (where, count) in new (string, int)[]
        {
            ("circuitSchools", job.CircuitSchools.Length), ("written", job.Written.Length), ("built.landed", job.Built.Landed.Length),
            ("pins.spaces", job.Pins.Spaces.Length),
                ("pins.breakers", job.Pins.Breakers.Length),
            ("pins.cables", job.Pins.Cables.Length), ("pins.panels", job.Pins.Panels.Length),
                ("pins.descriptions", job.Pins.Descriptions.Length), ("pins.families", job.Pins.Families.Length),
                ("pins.together", job.Pins.Together.Length),
            ("pins.ways", job.Pins.Ways.Length), ("divisions", job.Divisions.Select(d => d.Circuits.Length).DefaultIfEmpty().Max()),
                ("panels", job.Panels.Sum(p => p.Taken.Length)),
        })
        {
            yield return (where, "of these", count, JobLimits.Boxes);
        }
    }

    private static IEnumerable<JobProblem> Duplicates(Job job)
    {
        var ids = job.Structures.Select(s => ("structures", s.Id.Value))
            .Concat(job.Levels.Select(l => ("levels", l.Id.Value)))
            .Concat(job.Rooms.Select(r => ("rooms", r.Id.Value)))
            .Concat(job.Rooms.SelectMany(r => r.Openings).Select(o => ("openings", o.Id.Value)))
            .Concat(job.Levels.SelectMany(l => l.Reservations).Select(r => ("reservations", r.Id.Value)))
            .Concat(job.Levels.SelectMany(l => l.Chases).Select(c => ("chases", c.Id.Value)))
            .Concat(job.Closings.Select(c => ("closings", c.Closing.ToString())))
            .Concat(job.CrewLines.Select(l => ("crewLines", l.Id.Value)))
            .Concat(job.Wants.Select(w => ("wants", w.Id.Value)))
            .Concat(job.LowVoltage.Select(o => ("lowVoltage", o.Id.Value)))
            .Concat(job.LowVoltageHomes.Select(h => ("lowVoltageHomes", h.Id.Value)))
            .Concat(job.Panels.Select(p => ("panels", p.Id.Value)))
            .Concat(job.Boxes.Select(b => ("boxes", b.Id.Value)))
            .Concat(job.Trenches.Select(t => ("trenches", t.Id.Value)))
            .Concat(job.Pipes.Select(p => ("pipes", p.Id.Value)))
            .Concat(job.Holds.Select(h => ("holds", h.Id.Value)));
        var seen = new HashSet<(string, string)>();
        foreach (var (kind, id) in ids)
        {
            if (!Id().IsMatch(id))
            {
                yield return new($"{kind} “{id}”", "an id is 1 to 40 letters, digits and dashes");
            }
            else if (!seen.Add((kind, id)))
            {
                yield return new($"{kind} “{id}”", "this id is used twice; give each its own");
            }
        }
    }

    private static IEnumerable<JobProblem> Numbers(Job job)
    {
        var numbers = HouseRuleNumbers.All.Select(n => ($"houseRules.{n.Field}", n.Problem(job.HouseRules)))
            .Concat(AimNumbers.All.Select(n => ($"aims.{n.Field}", n.Problem(job.Aims))))
            .Concat(PriceNumbers.All.Select(n => ($"prices.{n.Field}", n.Problem(job.Prices))));
        foreach (var (name, problem) in numbers)
        {
            if (problem is not null)
            {
                yield return new(name, problem);
            }
        }

        foreach (var amendment in job.Amendments.Where(a => a.Rule == AmendedRule.OutletsPerGeneralCircuit
            && a.Value is not (>= 1 and <= 40)))
        {
            yield return new($"amendments “{amendment.By}”", "outlets per general circuit needs a value from 1 to 40");
        }
    }

    private static IEnumerable<JobProblem> References(Job job)
    {
        var boxes = job.Boxes.Select(b => b.Id).ToHashSet();
        foreach (var pin in job.Pins.Boxes.Where(p => !boxes.Contains(p.Box)))
        {
            yield return new($"pins.boxes “{pin.Box}”", "is no box of this job");
        }

        foreach (var twice in job.Pins.Boxes.GroupBy(p => p.Box).Where(g => g.Count() > 1))
        {
            yield return new($"pins.boxes “{twice.Key}”", "is pinned twice");
        }

        foreach (var pin in job.Pins.Ways.Where(p => p.Via.Length is < 1 or > 12))
        {
            yield return new($"pins.ways “{pin.Run}”", "a way is held by 1 to 12 places");
        }

        foreach (var pin in job.Pins.Ways.Where(p => p.Via.Any(v => v.X.Abs() > Longest || v.Y.Abs() > Longest)))
        {
            yield return new($"pins.ways “{pin.Run}”", $"a place on a way lies within {Limit.Feet(1000)} of the building's corner");
        }

        foreach (var twice in job.Pins.Ways.GroupBy(p => p.Run).Where(g => g.Count() > 1))
        {
            yield return new($"pins.ways “{twice.Key}”", "is pinned twice");
        }

        foreach (var pin in job.Pins.Spaces.Where(p => p.Space.Number is < 1 or > PanelSpace.Most))
        {
            yield return new($"pins.spaces “{pin.Circuit}”", "a space lies from 1 to 84");
        }

        foreach (var pin in job.Pins.Breakers.Where(p => p.Rating.Value is < 10 or > 400))
        {
            yield return new($"pins.breakers “{pin.Circuit}”", "a breaker lies from 10 to 400 A");
        }

        foreach (var pin in job.Pins.Together.Where(p => p.One == p.Other))
        {
            yield return new($"pins.together “{pin.One}”", "a circuit goes with another one, not with itself");
        }

        foreach (var box in job.Pins.Individual.Where(b => !boxes.Contains(b)))
        {
            yield return new($"pins.individual “{box}”", "is no box of this job");
        }

        var panels = job.Panels.Select(p => p.Id).ToHashSet();
        foreach (var pin in job.Pins.Panels.Where(p => !panels.Contains(p.Panel)))
        {
            yield return new($"pins.panels “{pin.Circuit}”", $"there is no panel “{pin.Panel}” in this job");
        }

        foreach (var problem in DivisionProblems.Find(job))
        {
            yield return problem;
        }

        var structures = job.Structures.Select(s => s.Id).ToHashSet();
        foreach (var trench in job.Trenches.Where(t => !structures.Contains(t.From) || !structures.Contains(t.To) || t.From == t.To))
        {
            yield return new($"trenches “{trench.Id}”", "joins two different buildings of this job");
        }

        foreach (var problem in PanelProblems.Find(job))
        {
            yield return problem;
        }

        foreach (var problem in ServiceProblems.Find(job.Service).Concat(job.Metric is { } fed ? MetricProblems.Find(fed) : []))
        {
            yield return problem;
        }

        foreach (var problem in PipeProblems.Find(job))
        {
            yield return problem;
        }

        var home = job.Structures.SelectMany(s => s.Levels.SelectMany(l => l.Rooms.Select(r => (r.Id, Structure: s.Id))))
            .GroupBy(x => x.Id).ToDictionary(x => x.Key, x => x.First().Structure);
        foreach (var panel in job.Panels.Where(p => p.FedFrom is not null && home.ContainsKey(p.Room)))
        {
            var feeding = job.Panels.FirstOrDefault(p => p.Id == panel.FedFrom);
            if (feeding is not null && home.TryGetValue(feeding.Room, out var from) && from != home[panel.Room]
                && !job.Trenches.Any(t => t.From == from && t.To == home[panel.Room]))
            {
                yield return new($"panels “{panel.Id}”", $"no trench joins “{from}” to “{home[panel.Room]}”");
            }
        }

        foreach (var structure in job.Structures)
        {
            // One branch circuit may feed an outbuilding without a panel (225.30): by a trench from a building that has one.
            bool HasPanel(StructureId id) => job.Panels.Any(p => home.TryGetValue(p.Room, out var at) && at == id);
            if (!HasPanel(structure.Id) && !job.Trenches.Any(t => t.To == structure.Id && HasPanel(t.From)))
            {
                yield return new($"structures “{structure.Id}”", "has no panel; put one in a room of it, or lead a trench to it");
            }
        }

        var rooms = job.RoomsById();
        foreach (var want in job.Wants)
        {
            if (want.Name is not null && want.Name.Trim().Length is 0 or > 40)
            {
                yield return new($"wants “{want.Id}”", "its name has 1 to 40 characters");
            }

            if (want.Width < Length.FromInches(1) || want.Width > Length.FromFeet(20))
            {
                yield return new($"wants “{want.Id}”", $"is {Limit.Inches(1)} to {Limit.Feet(20)} wide");
            }

            foreach (var problem in OnWall($"wants “{want.Id}”", rooms, want.Room, want.Wall, want.Offset))
            {
                yield return problem;
            }
        }

        foreach (var hold in job.Holds.Where(h => h.What.Trim().Length is 0 or > 80 || h.Who.Length > 40 || h.By.Length > 40))
        {
            yield return new($"holds “{hold.Id}”", "say in 1 to 80 characters what is waited for; who and by when in 40 each");
        }

        foreach (var hold in job.Holds.Where(h => h.Slack < Length.Zero || h.Slack > Length.FromFeet(20)
            || (h.Slack > Length.Zero && !h.Subject.StartsWith("box:", StringComparison.Ordinal))))
        {
            yield return new($"holds “{hold.Id}”", $"leaves {Limit.Feet(0, 20)} more cable, at a box");
        }

        foreach (var hold in job.Holds.Where(h => Subject.TryParse(h.Subject) is null))
        {
            yield return new($"holds “{hold.Id}”", "its subject is written like box:k-range");
        }
    }

    private static Dictionary<RoomId, Room> RoomsById(this Job job)
    {
        var rooms = new Dictionary<RoomId, Room>();
        foreach (var room in job.Rooms)
        {
            rooms.TryAdd(room.Id, room);
        }

        return rooms;
    }

    [GeneratedRegex("^[A-Za-z0-9][A-Za-z0-9-]{0,39}$", RegexOptions.CultureInvariant)]
    private static partial Regex Id();
}
