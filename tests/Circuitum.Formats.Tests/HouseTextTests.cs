using System.Text.Json;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Tests.Golden;

namespace Circuitum.Formats.Tests;

/// <summary>A house written as text and read again is the same house: of the demos, of the forty golden houses, in feet and in
/// meters.</summary>
public sealed class HouseTextTests
{
    private static readonly string[] Demos = ["fernhollow", "one-room", "quarrel-bend", "tarn-hollow", "saltbush"];

    public static TheoryData<string> Houses => [.. Demos.Concat(Enumerable.Range(1, GoldenHouses.Count).Select(n => $"{n}"))];

    private static Job JobOf(string name) => Demos.Contains(name)
        ? JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", $"{name}.circuitum.json")))
        : GoldenHouses.Number(int.Parse(name, System.Globalization.CultureInfo.InvariantCulture));

    private static Job Started(Job job, string text) => StartFromText.Start(new()
    {
        Name = job.Name,
        Edition = job.Edition,
        Schools = job.Schools,
        Storeys = 2,
        Foundation = Underfloor.Basement,
    }, text);

    [Theory, MemberData(nameof(Houses))]
    public void What_is_written_is_read_as_the_same_house(string name)
    {
        foreach (var measure in Enum.GetValues<Measure>())
        {
            var job = JobOf(name) is var drawn ? drawn with { Schools = drawn.Schools with { Measure = measure } } : null!;
            var text = HouseText.Write(job);
            // What a new job measures in is its book's.
            var again = Started(job, text) with { Schools = job.Schools };
            Assert.Equal(Plain(job), Plain(again));
            Assert.Equal(text, HouseText.Write(again));
        }
    }

    // Boxes, circuits, ids of everything: a text that was not touched touches nothing.
    [Theory, MemberData(nameof(Houses))]
    public void Reading_it_onto_its_own_job_changes_nothing(string name)
    {
        var job = JobOf(name);
        var outcome = new DrawHouse(job.Levels.First().Id, HouseText.Write(job)).On(job);
        Assert.Null(outcome.Refusal);
        var (before, after) = (Ordered(job), Ordered(outcome.Job!));
        Assert.Equal(JobFiles.Write(before), JobFiles.Write(after));
    }

    [Fact] // what no demo and no golden house has
    public void Every_fact_comes_back()
    {
        var job = JobOf("tarn-hollow");
        job = job with
        {
            Structures = [.. job.Structures.Select((s, i) => s with
            {
                FuelBurning = i % 2 == 0,
                DampUnderfloor = s.Underfloor != Underfloor.Slab,
                Levels = [.. s.Levels.Select((l, n) => l with
                {
                    NeverFinished = n == 0,
                    Basement = n == 0,
                    AmbientBelow = new(-5),
                    Rooms = [.. l.Rooms.Select((r, k) => r with
                    {
                        KeepsWidth = k % 2 == 0,
                        KeepsDepth = k % 3 == 0,
                        Openings = [.. r.Openings.Select((o, m) => o with { Deck = m % 2 == 0, Hinge = Hinge.End, Sill = new(77) })],
                        Fixtures = [.. r.Fixtures.Select(f => f with { Electric = true, BurnsFuel = k % 2 == 0 })],
                    })],
                })],
            })],
        };
        Assert.Equal(Plain(job), Plain(Started(job, HouseText.Write(job))));
    }

    [Fact]
    public void Names_that_look_like_the_text_itself_come_back()
    {
        var names = new[] { "Bath #2", "a, b", "Bed \"north\"", "level 2", "building", "- dash", "Kitchen as den", "11 x 12",
            "door 2-8 north", "Büro für Öl", "‘x’", "panel", "# no", "\"", "to be", "as" };
        var job = JobOf("fernhollow");
        var rooms = job.Rooms.Select(r => r.Id).ToList();
        for (var i = 0; i < names.Length; i++)
        {
            job = new NameRoom(rooms[i], names[i]).On(job).Job ?? throw new InvalidOperationException(names[i]);
        }

        Assert.Equal(Plain(job), Plain(Started(job, HouseText.Write(job))));
    }

    // A job of another name, its boxes laid out by rule, plans as the house it was written from.
    [Fact]
    public void What_is_read_can_be_laid_out_and_planned()
    {
        var job = Started(JobOf("tarn-hollow"), HouseText.Write(JobOf("tarn-hollow")));
        Assert.Null(JobProblems.First(job));
        var plan = Planner.Plan(LayOut.Everything.On(job).Job!);
        Assert.NotEmpty(plan.Circuits);
    }

    // The house without ids, and with what has no order of its own in the order of the rooms.
    private static string Plain(Job job)
    {
        var rooms = job.Rooms.Select((r, i) => (r.Id, New: new RoomId($"r{i}"))).ToDictionary(r => r.Id, r => r.New);
        var structures = Ordered(job).Structures.Select((s, i) => s with
        {
            Id = new($"s{i}"),
            Levels = [.. s.Levels.Select(l => l with
            {
                Id = new($"l{i}"),
                Underlay = null,
                Rooms = [.. l.Rooms.Select(r => r with
                {
                    Id = rooms[r.Id],
                    Openings = [.. r.Openings.Select(o => o with { Id = new("o") })],
                })],
                Reservations = [.. l.Reservations.Select(r => r with { Id = new("k"), Room = rooms[r.Room] })],
                Chases = [.. l.Chases.Select(c => c with { Id = new("c"), Room = rooms[c.Room] })],
            })],
        });
        var ends = job.Structures.Select((s, i) => (s.Id, New: new StructureId($"s{i}"))).ToDictionary(s => s.Id, s => s.New);
        return JsonSerializer.Serialize(new
        {
            Structures = structures,
            Trenches = job.Trenches.Select(t => t with { Id = new("t"), From = ends[t.From], To = ends[t.To] }),
            Panels = job.Panels.OrderBy(p => p.Id.Value, StringComparer.Ordinal).Select(p => new
            {
                p.Id.Value,
                Room = rooms[p.Room],
                p.Wall,
                p.Offset,
                p.Top,
                p.Rating,
                p.Spaces,
                p.FedFrom,
                p.ByLugs,
                p.Existing,
            }),
        });
    }

    private static Job Ordered(Job job)
    {
        var places = job.Rooms.Select((r, i) => (r.Id, i)).ToDictionary(r => r.Id, r => r.i);
        return job with
        {
            Structures = [.. job.Structures.Select(s => s with
            {
                Levels = [.. s.Levels.Select(l => l with
                {
                    Reservations = [.. l.Reservations.OrderBy(r => places[r.Room])],
                    Chases = [.. l.Chases.OrderBy(c => places[c.Room])],
                })],
            })],
        };
    }
}
