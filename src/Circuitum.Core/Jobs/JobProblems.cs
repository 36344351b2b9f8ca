using System.Text.RegularExpressions;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>A contradiction in a job: the place and what to do.</summary>
/// <param name="Where">Path in the job, for example boxes[12] “k-range”.</param>
/// <param name="What">What is wrong and how to mend it.</param>
public sealed record JobProblem(string Where, string What)
{
    /// <inheritdoc/>
    public override string ToString() => $"{Where}: {What}";
}

/// <summary>Finds what makes a job impossible to plan. A job without problems can be planned; whether it is lawful is for the checks.</summary>
public static partial class JobProblems
{
    /// <summary>Most boxes one job may hold.</summary>
    public const int MostBoxes = 5000;

    private static readonly Length Longest = Length.FromFeet(1000);

    /// <summary>The first contradiction found, or null.</summary>
    public static JobProblem? First(Job job) => Find(job).FirstOrDefault() ?? Clear(job).FirstOrDefault();

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
    }

    /// <summary>Contradictions that need no framing to be seen, in the order of the job.</summary>
    private static IEnumerable<JobProblem> Find(Job job) =>
        Sizes(job).Concat(Duplicates(job)).Concat(Numbers(job)).Concat(Structures(job)).Concat(Boards(job)).Concat(BoxProblems(job)).Concat(References(job));

    private static IEnumerable<JobProblem> Sizes(Job job)
    {
        if (job.Name.Trim().Length is 0 or > 60)
        {
            yield return new("name", "give the job a name of 1 to 60 characters");
        }

        if (!Enum.IsDefined(job.Edition))
        {
            yield return new("edition", "choose 2017, 2020 or 2023");
        }

        if (job.Structures.Length is 0 or > 6)
        {
            yield return new("structures", "a job has 1 to 6 buildings");
        }

        if (job.Boxes.Length > MostBoxes)
        {
            yield return new("boxes", $"at most {MostBoxes} boxes to a job; this one has {job.Boxes.Length}");
        }

        if (job.Structures.Sum(s => s.Levels.Sum(l => l.Rooms.Length)) > 600)
        {
            yield return new("structures", "at most 600 rooms to a job");
        }
    }

    private static IEnumerable<JobProblem> Duplicates(Job job)
    {
        var ids = job.Structures.Select(s => ("structures", s.Id.Value))
            .Concat(job.Structures.SelectMany(s => s.Levels).Select(l => ("levels", l.Id.Value)))
            .Concat(job.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms).Select(r => ("rooms", r.Id.Value)))
            .Concat(job.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms).SelectMany(r => r.Openings).Select(o => ("openings", o.Id)))
            .Concat(job.Panels.Select(p => ("panels", p.Id.Value)))
            .Concat(job.Boxes.Select(b => ("boxes", b.Id.Value)))
            .Concat(job.Trenches.Select(t => ("trenches", t.Id)))
            .Concat(job.Holds.Select(h => ("holds", h.Id)));
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
        var h = job.HouseRules;
        foreach (var (name, value, low, high) in new (string, decimal, decimal, decimal)[]
        {
            ("houseRules.receptacleHeight", h.ReceptacleHeight.Inches, 0, 66),
            ("houseRules.switchHeight", h.SwitchHeight.Inches, 12, 80),
            ("houseRules.counterHeight", h.CounterHeight.Inches, 30, 60),
            ("houseRules.boreHeight", h.BoreHeight.Inches, 6, 72),
            ("houseRules.makeUpAtBox", h.MakeUpAtBox.Inches, 6, 48),
            ("houseRules.slackAtBox", h.SlackAtBox.Inches, 0, 60),
            ("houseRules.atPanel", h.AtPanel.Inches, 12, 240),
            ("houseRules.sag", h.Sag.Value, 0, 30),
            ("houseRules.cablesPerHole", h.CablesPerHole, 1, 9),
            ("houseRules.outletsPerCircuit", h.OutletsPerCircuit, 4, 30),
            ("houseRules.largestFill", h.LargestFill.Value, 40, 100),
            ("houseRules.dropTarget", h.DropTarget.Value, 1, 8),
        })
        {
            if (value < low || value > high)
            {
                yield return new(name, $"must lie from {low} to {high}; it is {value:0.##}");
            }
        }

        foreach (var amendment in job.Amendments.Where(a => a.Rule == AmendedRule.OutletsPerGeneralCircuit && a.Value is not (>= 1 and <= 40)))
        {
            yield return new($"amendments “{amendment.By}”", "outlets per general circuit needs a value from 1 to 40");
        }
    }

    private static IEnumerable<JobProblem> Structures(Job job)
    {
        foreach (var structure in job.Structures)
        {
            if (structure.Levels.Length is 0 or > 5)
            {
                yield return new($"structures “{structure.Id}”", "a building has 1 to 5 levels");
            }

            foreach (var level in structure.Levels)
            {
                if (level.Rooms.IsEmpty)
                {
                    yield return new($"levels “{level.Id}”", "a level needs at least one room");
                }

                if (level.CeilingHeight < Length.FromFeet(6) || level.CeilingHeight > Length.FromFeet(20))
                {
                    yield return new($"levels “{level.Id}”.ceilingHeight", $"must lie from 6 to 20 ft; it is {level.CeilingHeight}");
                }

                if (level.AmbientAbove.Degrees is < -40 or > 85)
                {
                    yield return new($"levels “{level.Id}”.ambientAbove", "must lie from −40 to 85 °C");
                }

                foreach (var joists in new[] { level.FloorJoists, level.CeilingJoists }.OfType<Joists>())
                {
                    if (joists.Spacing < Length.FromInches(8) || joists.Spacing > Length.FromInches(48) || joists.Depth < Length.FromInches(3) || joists.Depth > Length.FromInches(24))
                    {
                        yield return new($"levels “{level.Id}” joists", "spacing 8 to 48 in, depth 3 to 24 in");
                    }
                }

                foreach (var problem in level.Obstructions.Where(o => o.Width <= Length.Zero || o.Depth <= Length.Zero || o.Width > Longest || o.Depth > Longest))
                {
                    yield return new($"levels “{level.Id}” obstruction “{problem.Name}”", "width and depth must be longer than nothing");
                }

                foreach (var problem in level.Rooms.SelectMany(RoomProblems))
                {
                    yield return problem;
                }
            }
        }

        foreach (var trench in job.Trenches)
        {
            if (trench.Path.Length is < 2 or > 40 || trench.Depth < Length.FromInches(6) || trench.Depth > Length.FromInches(48))
            {
                yield return new($"trenches “{trench.Id}”", "a trench has 2 to 40 points and 6 to 48 in of cover");
            }
        }
    }

    private static IEnumerable<JobProblem> RoomProblems(Room room)
    {
        var where = $"rooms “{room.Id}”";
        if (room.Name.Trim().Length is 0 or > 40)
        {
            yield return new(where + ".name", "give the room a name of 1 to 40 characters");
        }

        var corners = room.Corners;
        if (corners.Length is < 4 or > 40)
        {
            yield return new(where + ".corners", $"a room has 4 to 40 corners; this one has {corners.Length}");
            yield break;
        }

        for (var i = 0; i < corners.Length; i++)
        {
            Point a = corners[i], b = corners[(i + 1) % corners.Length], c = corners[(i + 2) % corners.Length];
            if (a.X.Abs() > Longest || a.Y.Abs() > Longest)
            {
                yield return new($"{where}.corners[{i}]", "lies more than 1000 ft away");
            }

            if (a.X != b.X && a.Y != b.Y)
            {
                yield return new($"{where} wall {i + 1}", "runs at an angle; this version frames square corners only");
                yield break;
            }

            if (a.SquareTo(b) < Length.FromInches(12))
            {
                yield return new($"{where} wall {i + 1}", $"is {a.SquareTo(b)} long; walls are at least 1 ft");
                yield break;
            }

            if ((a.X == b.X) == (b.X == c.X))
            {
                yield return new($"{where} wall {i + 1}", "does not turn at its end; leave that corner out");
                yield break;
            }
        }

        if (TwiceArea(corners) <= 0)
        {
            yield return new(where + ".corners", "go round clockwise on the plan, starting at the north-west");
        }

        if (CrossesItself(corners))
        {
            yield return new(where + ".corners", "the outline crosses itself");
        }

        foreach (var opening in room.Openings)
        {
            var at = $"{where} opening “{opening.Id}”";
            if (opening.Wall < 1 || opening.Wall > corners.Length)
            {
                yield return new(at, $"wall {opening.Wall} is not there; the room has walls 1 to {corners.Length}");
            }
            else if (opening.Offset < Length.Zero || opening.Width < Length.FromInches(12) || opening.Width > Length.FromFeet(20)
                || opening.Offset + opening.Width > Span(room, opening.Wall))
            {
                yield return new(at, $"does not fit on wall {opening.Wall}, which is {Span(room, opening.Wall)} on its centre line");
            }
        }

        foreach (var fixture in room.Fixtures)
        {
            if (fixture.Wall is int wall && (wall < 1 || wall > corners.Length))
            {
                yield return new($"{where} fixture {fixture.Kind}", $"wall {wall} is not there; the room has walls 1 to {corners.Length}");
            }
            else if (fixture.Width <= Length.Zero || fixture.Depth <= Length.Zero || fixture.Offset < Length.Zero || fixture.Width > Longest || fixture.Depth > Longest)
            {
                yield return new($"{where} fixture {fixture.Kind}", "width and depth must be longer than nothing, the offset not negative");
            }
        }
    }

    private static IEnumerable<JobProblem> Boards(Job job)
    {
        if (job.Panels.Count(p => p.FedFrom is null) != 1)
        {
            yield return new("panels", "exactly one panel is fed by the service; the others name fedFrom");
        }

        var rooms = job.RoomsById();
        var panels = job.Panels.Select(p => p.Id).ToHashSet();
        foreach (var panel in job.Panels)
        {
            var where = $"panels “{panel.Id}”";
            if (panel.FedFrom is PanelId from && (!panels.Contains(from) || from == panel.Id || FeedsItself(job, panel)))
            {
                yield return new(where + ".fedFrom", $"“{from}” is no panel that can feed this one");
            }

            if (panel.Spaces is < 4 or > 84 || panel.Spaces % 2 != 0)
            {
                yield return new(where + ".spaces", "an even number from 4 to 84");
            }

            if (panel.Rating.Value is < 30 or > 400)
            {
                yield return new(where + ".rating", "must lie from 30 to 400 A");
            }

            if (panel.Top < Length.FromFeet(3) || panel.Top > Length.FromFeet(8))
            {
                yield return new(where + ".top", "must lie from 3 to 8 ft");
            }

            foreach (var problem in OnWall(where, rooms, panel.Room, panel.Wall, panel.Offset))
            {
                yield return problem;
            }
        }
    }

    private static IEnumerable<JobProblem> BoxProblems(Job job)
    {
        var rooms = job.RoomsById();
        var boxes = job.Boxes.Select(b => b.Id).ToHashSet();
        for (var i = 0; i < job.Boxes.Length; i++)
        {
            var box = job.Boxes[i];
            var where = $"boxes[{i}] “{box.Id}”";
            if (!rooms.TryGetValue(box.Room, out var room))
            {
                yield return new(where + ".room", $"room “{box.Room}” is not in the house");
                continue;
            }

            if (box.Mount == Mount.Wall)
            {
                foreach (var problem in OnWall(where, rooms, box.Room, box.Wall, box.Offset))
                {
                    yield return problem;
                }
            }
            else if (!Inside(room, box.X, box.Y))
            {
                yield return new(where, $"X {box.X}, Y {box.Y} lies outside “{room.Name}”");
            }

            if (box.Height is Length height && (height < Length.Zero || height > Length.FromFeet(20)))
            {
                yield return new(where + ".height", $"must lie from 0 to 20 ft; it is {height}");
            }

            if (box.Volume is CubicInches volume && volume.Value is < 4 or > 400)
            {
                yield return new(where + ".volume", "must lie from 4 to 400 in³");
            }

            if (box.Devices.Length is 0 or > 6)
            {
                yield return new(where + ".devices", "a box has 1 to 6 devices");
            }

            foreach (var device in box.Devices)
            {
                foreach (var problem in DeviceProblems(where, device, boxes))
                {
                    yield return problem;
                }
            }
        }
    }

    private static IEnumerable<JobProblem> DeviceProblems(string where, Device device, HashSet<BoxId> boxes)
    {
        if (device.Load is VoltAmps load && load.Value is < 0 or > 50_000)
        {
            yield return new($"{where} {device.Kind}", "load must lie from 0 to 50 000 VA");
        }

        foreach (var target in device.Controls.Where(c => !boxes.Contains(c)))
        {
            yield return new($"{where} {device.Kind}", $"controls “{target}”, which is no box of this job");
        }

        if (device.Kind is DeviceKind.Equipment or DeviceKind.ApplianceReceptacle && device.Plate is null)
        {
            yield return new($"{where} {device.Kind}", "needs a nameplate");
        }

        if (device.Plate is not { } plate)
        {
            yield break;
        }

        if (plate.Volts.Value is not (120 or 240))
        {
            yield return new($"{where} “{plate.Name}”", $"volts must be 120 or 240; it is {plate.Volts.Value}");
        }

        if (plate.Load.Value is < 1 or > 50_000)
        {
            yield return new($"{where} “{plate.Name}”", "load must lie from 1 to 50 000 VA");
        }

        if (plate.Name.Trim().Length is 0 or > 40)
        {
            yield return new($"{where} {device.Kind}", "the nameplate needs a name of 1 to 40 characters");
        }

        if (plate.Mca is not null != plate.Mocp is not null || plate.Mca is Amps mca && (mca.Value is <= 0 or > 400 || plate.Mocp!.Value < mca || plate.Mocp.Value.Value > 400))
        {
            yield return new($"{where} “{plate.Name}”", "give MCA and MOCP together, MOCP not below MCA, both up to 400 A");
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

        foreach (var pin in job.Pins.Spaces.Where(p => p.Space is < 1 or > 84))
        {
            yield return new($"pins.spaces “{pin.Circuit}”", "a space lies from 1 to 84");
        }

        foreach (var pin in job.Pins.Breakers.Where(p => p.Rating.Value is < 10 or > 400))
        {
            yield return new($"pins.breakers “{pin.Circuit}”", "a breaker lies from 10 to 400 A");
        }

        var structures = job.Structures.Select(s => s.Id).ToHashSet();
        foreach (var trench in job.Trenches.Where(t => !structures.Contains(t.From) || !structures.Contains(t.To) || t.From == t.To))
        {
            yield return new($"trenches “{trench.Id}”", "joins two different buildings of this job");
        }

        var home = job.Structures.SelectMany(s => s.Levels.SelectMany(l => l.Rooms.Select(r => (r.Id, Structure: s.Id)))).GroupBy(x => x.Id).ToDictionary(x => x.Key, x => x.First().Structure);
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
            if (!job.Panels.Any(p => home.TryGetValue(p.Room, out var at) && at == structure.Id))
            {
                yield return new($"structures “{structure.Id}”", "has no panel; put one in a room of it");
            }
        }

        foreach (var hold in job.Holds.Where(h => Reasons.Subject.TryParse(h.Subject) is null))
        {
            yield return new($"holds “{hold.Id}”", "its subject is written like box:k-range");
        }
    }

    private static IEnumerable<JobProblem> OnWall(string where, Dictionary<RoomId, Room> rooms, RoomId id, int wall, Length offset)
    {
        if (!rooms.TryGetValue(id, out var room))
        {
            yield return new(where + ".room", $"room “{id}” is not in the house");
        }
        else if (wall < 1 || wall > room.Corners.Length)
        {
            yield return new(where + ".wall", $"wall {wall} is not there; “{room.Name}” has walls 1 to {room.Corners.Length}");
        }
        else if (offset < Length.Zero || offset > Span(room, wall))
        {
            yield return new(where + ".offset", $"{offset} is not on wall {wall} of “{room.Name}”, which is {Span(room, wall)} on its centre line");
        }
    }

    private static bool FeedsItself(Job job, Panel panel)
    {
        var at = panel;
        for (var steps = 0; at?.FedFrom is PanelId from; steps++)
        {
            if (steps > job.Panels.Length)
            {
                return true;
            }

            at = job.Panels.FirstOrDefault(p => p.Id == from);
        }

        return false;
    }

    private static Length Span(Room room, int wall) => room.Corners[wall - 1].SquareTo(room.Corners[wall % room.Corners.Length]);

    private static bool Inside(Room room, Length x, Length y)
    {
        var at = new Point(room.Corners.Min(c => c.X) + x, room.Corners.Min(c => c.Y) + y);
        return House.Outline.Contains(room.Corners, at);
    }

    private static long TwiceArea(IReadOnlyList<Point> corners)
    {
        var sum = 0L;
        for (var i = 0; i < corners.Count; i++)
        {
            Point a = corners[i], b = corners[(i + 1) % corners.Count];
            sum += ((long)a.X.Sixtyfourths * b.Y.Sixtyfourths) - ((long)b.X.Sixtyfourths * a.Y.Sixtyfourths);
        }

        return sum;
    }

    private static bool CrossesItself(IReadOnlyList<Point> corners)
    {
        for (var i = 0; i < corners.Count; i++)
        {
            for (var j = i + 2; j < corners.Count; j++)
            {
                if (i == 0 && j == corners.Count - 1)
                {
                    continue;
                }

                if (Touch(corners[i], corners[i + 1], corners[j], corners[(j + 1) % corners.Count]))
                {
                    return true;
                }
            }
        }

        return false;
    }

    private static bool Touch(Point a, Point b, Point c, Point d) =>
        Length.Min(a.X, b.X) <= Length.Max(c.X, d.X) && Length.Min(c.X, d.X) <= Length.Max(a.X, b.X)
        && Length.Min(a.Y, b.Y) <= Length.Max(c.Y, d.Y) && Length.Min(c.Y, d.Y) <= Length.Max(a.Y, b.Y);

    private static Dictionary<RoomId, Room> RoomsById(this Job job)
    {
        var rooms = new Dictionary<RoomId, Room>();
        foreach (var room in job.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms))
        {
            rooms.TryAdd(room.Id, room);
        }

        return rooms;
    }

    [GeneratedRegex("^[A-Za-z0-9][A-Za-z0-9-]{0,39}$", RegexOptions.CultureInvariant)]
    private static partial Regex Id();
}
