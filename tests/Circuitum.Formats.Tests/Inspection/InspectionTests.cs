using System.Globalization;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Tests.Golden;
using Circuitum.Inspector;
using Circuitum.Tests.Support;

namespace Circuitum.Formats.Tests.Inspection;

/// <summary>An inspector who reads only what the program writes, and works it out by his own tables and geometry, finds nothing that is
/// wrong
/// and untold. <c>./test inspector 2000</c> takes so many houses instead of 200.</summary>
[Trait("Category", "Inspector")]
public sealed class InspectionTests
{
    private static int Houses => int.Parse(Environment.GetEnvironmentVariable("HOUSES") ?? "200", CultureInfo.InvariantCulture);

    [Theory] // every edition and school in turn; basements, upper storeys, sheds, second panels, wet bars
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void It_finds_nothing_in_houses_as_people_build_them(int quarter)
    {
        for (var number = quarter + 1; number <= Houses; number += 4)
        {
            var found = Inspector.Inspection.Of(WrittenPapers.Of(BuiltHouses.Number(number)));
            Assert.True(found.Count == 0, $"house {number}: {string.Join("; ", found.Select(f => f.What))}");
        }
    }

    private static Job Canadian(int number, CounterReceptacles counters = CounterReceptacles.TwoWire)
    {
        var house = BuiltHouses.Number(number) with { Edition = Edition.Canada2021 };
        house = house with { Schools = house.Schools with { Counters = counters } };
        return LayOut.Everything.On(house).Job ?? house;
    }

    [Theory] // the other family, by its own tables; counters on two wires and on three
    [InlineData(CounterReceptacles.TwoWire)]
    [InlineData(CounterReceptacles.Split)]
    public void It_finds_nothing_in_houses_laid_out_by_the_Canadian_method(CounterReceptacles counters)
    {
        var found = Enumerable.Range(1, Houses / 5).SelectMany(number => Inspector.Inspection
            .Of(WrittenPapers.Of(Canadian(number, counters)))
            .Select(f => $"house {number}, {f.Check}: {f.What}")).ToList();
        Assert.True(found.Count == 0, string.Join('\n', found));
    }

    public static TheoryData<string> PlantedThere => [.. PlantedFaults.Canadian.Select(f => f.Name)];

    [Theory, MemberData(nameof(PlantedThere))]
    public void It_finds_what_is_planted_against_the_Canadian_method(string name)
    {
        var fault = PlantedFaults.Canadian.First(f => f.Name == name);
        var papers = WrittenPapers.Of(Canadian(fault.House));
        fault.Plant(papers);
        Assert.Contains(Inspector.Inspection.Of(papers), f => f.Check == fault.Check);
    }

    [Theory] // three pairs of circuits that a person put in one cable, in each of 24 houses
    [InlineData(TwoCircuits.Multiwire)]
    [InlineData(TwoCircuits.FourWire)]
    public void It_finds_nothing_where_any_two_circuits_share_a_cable(TwoCircuits way)
    {
        for (var number = 1; number <= 24; number++)
        {
            var plan = Planner.Plan(BuiltHouses.Number(number));
            var job = plan.Circuits.Where(c => c.Circuit is { UsualRating: not null, Poles: 1, GoesWith: null }
                    && c.Circuit.Boxes.Length > 0)
                .GroupBy(c => (c.Circuit.Panel, c.Breaker)).SelectMany(g => g.OrderBy(c => c.Circuit.Key.Value, StringComparer.Ordinal)
                    .Chunk(2)).Where(p => p.Length == 2).Take(3)
                .Aggregate(plan.Job, (j, p) => new PinTogether(p[0].Circuit.Key, p[1].Circuit.Key, way).On(j).Job!);
            var found = Inspector.Inspection.Of(WrittenPapers.Of(job));
            Assert.True(found.Count == 0, $"house {number}: {string.Join("; ", found.Select(f => f.What))}");
        }
    }

    [Fact] // cable for the ground joined to the house's own where it leaves, in every house with an outbuilding
    public void It_finds_nothing_where_two_cables_are_joined_at_the_wall()
    {
        var joined = 0;
        for (var number = 1; number <= Houses; number += 4)
        {
            var plan = Planner.Plan(BuiltHouses.WithoutPanelInShed(number));
            if (plan.Circuits.SelectMany(c => c.Runs).Select(r => InsideCable.Of(plan, r)).OfType<InsideCable>().FirstOrDefault()
                is not { } offer)
            {
                continue;
            }

            joined++;
            var found = Inspector.Inspection.Of(WrittenPapers.Of(offer.Joint.On(plan.Job).Job!));
            Assert.True(found.Count == 0, $"house {number}: {string.Join("; ", found.Select(f => f.What))}");
        }

        Assert.True(joined > 9, $"{joined} houses");
    }

    [Fact] // a box in the floor of every living room, kitchen and garage of fifty houses, on whatever they stand
    public void No_cable_hangs_through_a_room_where_boxes_stand_in_floors()
    {
        for (var number = 1; number <= Houses; number += 4)
        {
            var job = BuiltHouses.Number(number);
            var found = Inspector.Inspection.Of(WrittenPapers.Of(job with
            {
                Boxes = [.. job.Boxes, .. job.Structures[0].Levels.SelectMany(l => l.Rooms)
                    .Where(r => r.Use is RoomUse.Family or RoomUse.Kitchen or RoomUse.Garage).Select((r, i) => new Box
                    {
                        Id = new($"in-floor-{i}"),
                        Room = r.Id,
                        Mount = Mount.Floor,
                        X = Length.FromFeet(6),
                        Y = Length.FromFeet(6),
                        Devices = [new() { Kind = DeviceKind.Duplex }],
                    })],
            }));
            Assert.True(found.Count == 0, $"house {number}: {string.Join("; ", found.Select(f => f.What))}");
        }
    }

    [Fact] // rooms by lot, frames of steel, foam and masonry, machines in odd places
    public void It_finds_nothing_in_the_golden_houses()
    {
        var found = Enumerable.Range(1, GoldenHouses.Count).SelectMany(number => Inspector.Inspection.Of(WrittenPapers.Of(
            GoldenHouses.Number(number))).Select(f => $"house {number}, {f.Check}: {f.What}")).ToList();
        Assert.True(found.Count == 0, string.Join('\n', found));
    }

    public static TheoryData<string> Planted => [.. PlantedFaults.All.Select(f => f.Name)];

    [Theory, MemberData(nameof(Planted))]
    public void It_finds_every_fault_that_is_planted(string name)
    {
        var fault = PlantedFaults.All.First(f => f.Name == name);
        var papers = WrittenPapers.Of(BuiltHouses.Number(fault.House));
        fault.Plant(papers);
        Assert.Contains(Inspector.Inspection.Of(papers), f => f.Check == fault.Check);
    }

    [Theory]
    [InlineData("fernhollow")]
    [InlineData("quarrel-bend")]
    [InlineData("tarn-hollow")]
    public void It_finds_nothing_in_the_demos(string name) => Assert.Equal([], Inspector.Inspection.Of(WrittenPapers.Of(
        JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", $"{name}.circuitum.json"))))).Select(f => f.What));

    [Fact]
    public void It_knows_nothing_of_the_program() => Assert.DoesNotContain(typeof(Papers).Assembly.GetReferencedAssemblies(),
        a => a.Name!.StartsWith("Circuitum", StringComparison.Ordinal));

    [Fact] // what is red is what was put there: a service too small for its machines, a panel too full
    public void Laying_out_by_the_rules_leaves_no_red_tag_of_its_own_making()
    {
        string[] drawn = ["220.40, 230.42", "408.54"];
        for (var number = 1; number <= 120; number++)
        {
            var red = Planner.Plan(BuiltHouses.Number(number)).Tags.Where(t => t.Severity == Severity.Red && !drawn.Contains(t.Rule))
                .ToList();
            Assert.True(red.Count == 0, $"house {number}: {string.Join("; ", red.Select(t => $"{t.Rule} {t.Headline}"))}");
        }
    }

    [Fact] // each of what the rules turn on is in some house
    public void The_houses_have_what_the_rules_turn_on()
    {
        var jobs = Enumerable.Range(1, 24).Select(BuiltHouses.Number).ToList();
        Assert.All(Core.Jobs.Editions.Of(Core.Jobs.RuleFamily.UnitedStates), e => Assert.Contains(jobs, j => j.Edition == e));
        Assert.Contains(jobs, j => j.Structures[0].Levels.Any(l => l.Basement == true));
        Assert.Contains(jobs, j => j.Structures[0].Levels.Length == 2 && j.Structures[0].Levels.All(l => l.Basement != true));
        Assert.Contains(jobs, j => j.Structures.Length == 2);
        Assert.Contains(jobs, j => j.Panels.Any(p => p.Id.Value == "B"));
        Assert.Contains(jobs, j => j.Boxes.Any(b => b.Id.Value == "m-heatpump"));
        Assert.True(jobs.Average(j => j.Boxes.Length) > 90);
    }

    [Fact] // three outlets of a kind and more in one building: none of them has a breaker alone, unless a rule leaves it no company
    public void No_lamp_and_no_receptacle_has_a_breaker_alone_where_another_takes_it()
    {
        for (var number = 1; number <= 60; number++)
        {
            var plan = Planner.Plan(BuiltHouses.Number(number));
            foreach (var kind in new[] { CircuitKind.Lighting, CircuitKind.Receptacles })
            {
                foreach (var building in plan.Circuits.Where(c => c.Circuit.Kind == kind)
                    .GroupBy(c => plan.Survey[c.Circuit.Boxes[0]].Place.Structure).Where(b => b.Count() > 1))
                {
                    Assert.All(building, c => Assert.True(c.Circuit.Load.Items.Length > 1, $"house {number}: {c.Circuit.Key}"));
                }
            }
        }
    }
}
