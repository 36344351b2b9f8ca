using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Two small-appliance circuits that go the same way: two cables, one with a shared neutral, one with two neutrals.</summary>
public sealed class SharedCableTests
{
    // A kitchen 30 ft from the panel, four counter receptacles on its far wall.
    private static Job Kitchen(TwoCircuits school, int boxes = 4)
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 30), ("kitchen", RoomUse.Kitchen, 16));
        return job.With([.. Enumerable.Range(0, boxes)
            .Select(i => Houses.On($"k{i}", "kitchen", 2, 20 + (i * 20)) with { ServesCounter = true })]) with
        { Schools = new() { TwoCircuits = school, Way = CableWay.Overhead } };
    }

    private static (Plan Plan, WiredCircuit Lead, WiredCircuit Guest) Shared(TwoCircuits school)
    {
        var plan = Planner.Plan(Kitchen(school));
        var lead = plan.Circuits.Single(c => c.HomeRun?.TakesAlong is not null);
        return (plan, lead, plan.Circuits.Single(c => c.Circuit.Key == lead.HomeRun!.TakesAlong));
    }

    [Theory]
    [InlineData(TwoCircuits.Multiwire, "12-3", 2)]
    [InlineData(TwoCircuits.FourWire, "12-2-2", 4)]
    public void One_cable_brings_both_as_far_as_the_first_box(TwoCircuits school, string cable, int carrying)
    {
        var (plan, lead, guest) = Shared(school);
        var home = lead.HomeRun!;
        Assert.Equal((cable, carrying), (lead.CableOf(home), home.CurrentCarrying));
        var goesOn = guest.HomeRun!;
        Assert.Equal((home.Id, home.To.Box), (goesOn.RidesIn, goesOn.From.Box));
        // One home run less is pulled from the panel.
        Assert.Single(plan.Takeoff.Pulls, p => p.From == "Panel A");
        Assert.True(plan.Footage < Planner.Plan(Kitchen(TwoCircuits.TwoWire)).Footage);
    }

    [Theory] // Table 310.15(C)(1): 12-2-2 has four of its own: 48 °C, 30 × .82 × .8 = 19.68 A, under 20 A with several receptacles → 10
    [InlineData(TwoCircuits.Multiwire, "12")]
    [InlineData(TwoCircuits.FourWire, "10")]
    public void A_cable_of_four_current_carrying_conductors_is_adjusted_by_itself(TwoCircuits school, string gauge)
    {
        var job = Kitchen(school);
        var hot = Planner.Plan(job with
        {
            Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { AmbientAbove = new(48) }] }],
        });
        var lead = hot.Circuits.Single(c => c.HomeRun?.TakesAlong is not null);
        Assert.Equal(gauge, lead.Sized.Gauge.Value.ToString());
        Assert.Equal(gauge, hot.Circuits.Single(c => c.Circuit.Key == lead.HomeRun!.TakesAlong).Sized.Gauge.Value.ToString());
    }

    [Theory] // 12-3 in, two 12-2 out, a receptacle: 7 × 2.25 + 4.50 + 2.25 = 22.50; 12-2-2: 24.75 (case 4), a square with a ring
    [InlineData(TwoCircuits.Multiwire, 22.50, 22.50)]
    [InlineData(TwoCircuits.FourWire, 24.75, 30.3)]
    public void The_box_where_they_part_holds_them(TwoCircuits school, double volume, double box)
    {
        var (plan, lead, _) = Shared(school);
        var apart = lead.Boxes[lead.HomeRun!.To.Box!.Value];
        Assert.Equal((decimal)volume, apart.Volume.Value.Value);
        Assert.Equal((decimal)box, apart.Given?.Value);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "314.16");
    }

    [Fact] // stamped 22.5 by a person: too small for 24.75; a two-gang of 32 with a blank would do as well as the square
    public void A_box_that_was_bought_too_small_is_told_with_what_would_do()
    {
        var (plan, lead, _) = Shared(TwoCircuits.FourWire);
        var parts = lead.HomeRun!.To.Box!.Value;
        var small = Planner.Plan(new SetVolume(parts, new(22.5m)).On(plan.Job).Job!);
        var tag = Assert.Single(small.Tags, t => t.Rule == "314.16");
        Assert.Contains(tag.Fixes, f => f.Label == "Take a box of 30.30 in³, a 4 in square with a ring");
        var fix = Assert.Single(tag.Fixes, f => f.Label == "Take a 2-gang box of 32.00 in³, one place blank");
        Assert.DoesNotContain(Planner.Plan(fix.Change.On(small.Job).Job!).Tags, t => t.Rule == "314.16");
    }

    [Theory]
    [InlineData(TwoCircuits.Multiwire)]
    [InlineData(TwoCircuits.FourWire)]
    public void The_conductors_of_the_other_circuit_pass_on_and_touch_nothing_of_this_one_but_a_shared_neutral(TwoCircuits school)
    {
        var (plan, lead, guest) = Shared(school);
        var home = lead.HomeRun!;
        var onward = guest.HomeRun!;
        var wiring = plan.WiringOf(home.To.Box!.Value)!;
        Assert.Same(wiring.At(home, Carried.OtherHot), wiring.At(onward, Carried.Hot));
        Assert.Empty(wiring.At(home, Carried.OtherHot)!.Terminals);
        var shared = school == TwoCircuits.Multiwire;
        Assert.Equal(shared, ReferenceEquals(wiring.At(home, Carried.Neutral), wiring.At(onward, Carried.Neutral)));
        Assert.Equal(JointBy.Splice, wiring.At(home, Carried.Neutral)!.By);
    }

    [Fact] // 300.13(B): the neutral of a multiwire circuit does not go through a device, whatever the crew's joints
    public void A_shared_neutral_is_pigtailed_by_every_school()
    {
        var job = Kitchen(TwoCircuits.Multiwire, 6) with
        { Schools = new() { TwoCircuits = TwoCircuits.Multiwire, Way = CableWay.Overhead, Joints = JointSchool.FeedThrough } };
        var plan = Planner.Plan(job);
        var joints = plan.Circuits.SelectMany(c => c.Circuit.Boxes).Select(b => plan.WiringOf(b)!).SelectMany(w => w.Joints).ToList();
        Assert.Contains(joints, j => j.By == JointBy.Device);
        Assert.DoesNotContain(joints.Where(j => j.By == JointBy.Device), j => j.Ends.Any(e => e.Conductor.Carries == Carried.Neutral));
    }

    [Fact]
    public void Labels_say_which_pair_is_whose()
    {
        var (plan, lead, guest) = Shared(TwoCircuits.FourWire);
        string mine = Labels.NumberOf(plan, lead.Circuit.Key), theirs = Labels.NumberOf(plan, guest.Circuit.Key);
        Assert.Contains(Labels.Of(plan, LabelKind.Cables), l => l.Big.StartsWith($"HR {mine}", StringComparison.Ordinal)
            && l.Lines.Contains($"{mine}: black and white · {theirs}: red and white with red"));
    }

    [Fact] // the guest's drop counts the shared cable: at its first box it has lost over both lengths
    public void Volts_are_lost_in_the_shared_cable_too()
    {
        var (_, lead, guest) = Shared(TwoCircuits.FourWire);
        var sized = guest.Sized;
        var run = sized.Routed.HomeRun!;
        var lost = Conductors.VoltageDrop.Of(sized.Through[run.Id], Gauge.Awg12, run.Length.Value + lead.HomeRun!.Length.Value,
            Books.Us2020);
        Assert.Equal(decimal.Round(120 - lost.Value, 6), decimal.Round(sized.VoltsAt[run.To.Box!.Value].Value, 6));
    }

    [Fact] // the way of the guest begins in the other's cable and passes the box where they part
    public void A_trace_goes_by_the_box_where_they_part()
    {
        var (_, lead, guest) = Shared(TwoCircuits.FourWire);
        var stations = Trace.To(guest, null, "Panel A");
        var home = lead.HomeRun!;
        Assert.Equal((home.To.Box, "12-2-2", home.Length.Value), (stations[1].Box, stations[1].Cable, stations[1].By!.Length.Value));
        Assert.Equal(home.To.Name, stations[2].By!.From.Name);
        var lost = Conductors.VoltageDrop.Of(stations[1].Through, Gauge.Awg12, home.Length.Value, Books.Us2020);
        Assert.Equal(decimal.Round(120 - lost.Value, 6), decimal.Round(stations[1].Left.Value, 6));
    }

    [Fact]
    public void The_three_schools_are_weighed_beside_each_other()
    {
        var plan = Planner.Plan(Kitchen(TwoCircuits.TwoWire));
        var one = plan.Circuits.First(c => c.Circuit.GoesWith is not null).Circuit;
        var ways = Routes.Together(plan.House, plan.Survey, one, plan.Circuits.Single(c => c.Circuit.Key == one.GoesWith).Circuit,
            plan.Job, plan.Book).ToDictionary(w => w.School);
        Assert.Equal(plan.Footage, ways[TwoCircuits.TwoWire].Footage);
        Assert.Null(ways[TwoCircuits.TwoWire].Apart);
        Assert.Equal((22.50m, 22.50m), (ways[TwoCircuits.Multiwire].Volume!.Value.Value, ways[TwoCircuits.Multiwire].Box!.Value.Value));
        Assert.Equal((24.75m, 30.3m), (ways[TwoCircuits.FourWire].Volume!.Value.Value, ways[TwoCircuits.FourWire].Box!.Value.Value));
        foreach (var school in new[] { TwoCircuits.Multiwire, TwoCircuits.FourWire })
        {
            Assert.Equal(Planner.Plan(Kitchen(school)).Footage, ways[school].Footage);
        }
    }

    [Fact] // the two of a shared neutral land side by side; dragged apart they cannot be tied, and re-landing mends it
    public void Two_that_share_a_neutral_stay_where_they_can_be_tied()
    {
        var job = Kitchen(TwoCircuits.Multiwire, 6);
        var plan = Planner.Plan(job);
        var pair = plan.Panels[0].Circuits.Where(c => c.SharesNeutralWith is not null).ToList();
        Assert.Equal((2, 2), (pair.Count, Math.Abs(pair[0].Space!.Value.Number - pair[1].Space!.Value.Number)));
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "210.4(B), 240.15(B)");
        var apart = Panels.Moving.To(plan.Panels, pair[0].Key, 30).On(job).Job!;
        Assert.Single(Planner.Plan(apart).Tags, t => t.Rule == "210.4(B), 240.15(B)");
        Assert.DoesNotContain(Planner.Plan(new Reland().On(apart).Job!).Tags, t => t.Rule == "210.4(B), 240.15(B)");
    }

    // Two bedrooms far from the panel: six receptacles and a lamp with its switch in each.
    private static Job Bedrooms(params TogetherPin[] together)
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 40), ("one", RoomUse.Bedroom, 14), ("two", RoomUse.Bedroom, 14));
        return job.With([.. new[] { "one", "two" }.SelectMany(room => Enumerable.Range(0, 4)
            .Select(i => Houses.On($"{room}-{i}", room, 2, 16 + (i * 36))).Append(Houses.Ceiling($"{room}-lamp", room, 60, 60)))]) with
        {
            Pins = new()
            {
                Boxes = [.. new[] { "one", "two" }.SelectMany(room => Enumerable.Range(0, 4).Select(i => $"{room}-{i}")
                    .Append($"{room}-lamp")
                    .Select(box => new BoxPin(new(box), new($"bed-{room}"))))],
                Together = [.. together],
            },
            Schools = new() { Way = CableWay.Overhead },
        };
    }

    [Theory]
    [InlineData(TwoCircuits.Multiwire, "12-3")]
    [InlineData(TwoCircuits.FourWire, "12-2-2")]
    public void Any_two_circuits_go_in_one_cable_where_a_person_says_so(TwoCircuits way, string cable)
    {
        CircuitKey one = new("bed-one"), two = new("bed-two");
        var apart = Planner.Plan(Bedrooms());
        var plan = Planner.Plan(new PinTogether(one, two, way).On(apart.Job).Job!);
        var lead = Assert.Single(plan.Circuits, c => c.HomeRun?.TakesAlong is not null);
        Assert.Equal(cable, lead.CableOf(lead.HomeRun!));
        Assert.Equal(2, apart.Takeoff.Pulls.Count(p => p.From == "Panel A"));
        Assert.Single(plan.Takeoff.Pulls, p => p.From == "Panel A");
        Assert.True(plan.Footage < apart.Footage);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "pin");
        Assert.Equal(apart.Tags.Count(t => t.Severity == Severity.Red), plan.Tags.Count(t => t.Severity == Severity.Red));
        Assert.Equal(way == TwoCircuits.Multiwire ? two : null, plan.Circuits.Single(c => c.Circuit.Key == one).Circuit.SharesNeutralWith);
        var freed = Planner.Plan(new PinTogether(two, one, null).On(plan.Job).Job!);
        Assert.Equal(apart.Footage, freed.Footage);
    }

    [Fact]
    public void A_kitchen_whose_school_shares_is_parted_where_a_person_says_so()
    {
        var school = Planner.Plan(Kitchen(TwoCircuits.Multiwire));
        var keys = school.Circuits.Where(c => c.Circuit.GoesWith is not null).Select(c => c.Circuit.Key).ToList();
        var parted = Planner.Plan(new PinTogether(keys[0], keys[1], TwoCircuits.TwoWire).On(school.Job).Job!);
        Assert.Equal(Planner.Plan(Kitchen(TwoCircuits.TwoWire)).Footage, parted.Footage);
        Assert.All(parted.Circuits, c => Assert.Null(c.Circuit.SharesNeutralWith));
    }

    [Fact] // 14-2-2 cannot bring a circuit of 20 A: the cable is of 12 as far as they part, the rest of the one of 15 A stays 14
    public void The_cable_of_two_ratings_is_of_the_larger_conductor()
    {
        CircuitKey one = new("bed-one"), two = new("bed-two");
        foreach (var twenty in new[] { one, two })
        {
            var job = Bedrooms(new TogetherPin(one, two, TwoCircuits.FourWire));
            var fifteen = twenty == one ? two : one;
            var plan = Planner.Plan(job with { Pins = job.Pins with { Breakers = [new(twenty, new(20)), new(fifteen, new(15))] } });
            var lead = Assert.Single(plan.Circuits, c => c.HomeRun?.TakesAlong is not null);
            Assert.Equal("12-2-2", lead.CableOf(lead.HomeRun!));
            Assert.Equal("14", plan.Circuits.Single(c => c.Circuit.Key == fifteen).Sized.Gauge.Value.ToString());
        }
    }

    [Fact]
    public void Legs_that_would_have_two_ratings_stay_apart_and_it_is_told()
    {
        CircuitKey one = new("bed-one"), two = new("bed-two");
        var job = Bedrooms(new TogetherPin(one, two, TwoCircuits.Multiwire));
        var plan = Planner.Plan(job with { Pins = job.Pins with { Breakers = [new(two, new(15))] } });
        var tag = Assert.Single(plan.Tags, t => t.Rule == "pin");
        Assert.Contains("20 A and 15 A", tag.Arithmetic);
        Assert.All(plan.Circuits, c => Assert.Null(c.HomeRun!.TakesAlong));
        Assert.DoesNotContain(Planner.Plan(tag.Fixes[0].Change.On(plan.Job).Job!).Tags, t => t.Rule == "pin");
    }

    [Fact]
    public void A_circuit_goes_with_one_other_and_never_with_itself()
    {
        CircuitKey one = new("bed-one"), two = new("bed-two"), three = new("bed-three");
        var job = Bedrooms(new TogetherPin(one, two, TwoCircuits.Multiwire));
        Assert.Equal(new TogetherPin(two, three, TwoCircuits.FourWire),
            Assert.Single(new PinTogether(two, three, TwoCircuits.FourWire).On(job).Job!.Pins.Together));
        Assert.Contains("Choose another circuit", new PinTogether(one, one, TwoCircuits.FourWire).On(job).Refusal);
        Assert.Contains("not with itself", Problems.JobProblems.First(Bedrooms(new TogetherPin(one, one, default)))!.ToString());
    }

    /// <summary>Two circuits of one panel by lot, in one cable by choice: nobody changes circuit, every box still has its volts and its
    /// conductors joined, and nothing new is red but boxes that are too small for two cables more.</summary>
    [Theory]
    [MemberData(nameof(Pairs))]
    public void Pairs_by_lot_make_a_plan_that_keeps_its_rules(int house, TwoCircuits way)
    {
        var apart = Planner.Plan(BuiltHouses.Number(house));
        var pairs = apart.Circuits.Where(c => c.Circuit is { Kind: not CircuitKind.Feeder, Poles: 1, GoesWith: null, BringsPower: false }
                && c.Circuit.Boxes.Length > 0 && c.HomeRun is { Jacket: Jacket.Nonmetallic })
            .GroupBy(c => (c.Circuit.Panel, c.Breaker))
            .SelectMany(g => g.OrderBy(c => c.Circuit.Key.Value, StringComparer.Ordinal).Chunk(2))
            .Where(p => p.Length == 2 && (way == TwoCircuits.FourWire || p.All(c => c.Circuit.UsualRating is not null))).Take(3).ToList();
        Assert.NotEmpty(pairs);
        var job = pairs.Aggregate(apart.Job, (j, p) => new PinTogether(p[0].Circuit.Key, p[1].Circuit.Key, way).On(j).Job!);
        var plan = Planner.Plan(job);
        Assert.Equal(apart.Circuits.Select(c => (c.Circuit.Key, string.Join(' ', c.Circuit.Boxes))),
            plan.Circuits.Select(c => (c.Circuit.Key, string.Join(' ', c.Circuit.Boxes))));
        foreach (var pair in pairs)
        {
            var both = pair.Select(p => plan.Circuits.Single(c => c.Circuit.Key == p.Circuit.Key)).ToList();
            var shared = both.Exists(c => c.HomeRun!.TakesAlong is not null);
            Assert.True(shared || way == TwoCircuits.FourWire);
            foreach (var c in both.Where(_ => shared))
            {
                Assert.All(c.Circuit.Boxes, b => Assert.True(c.Sized.VoltsAt.ContainsKey(b)));
                Assert.True(both.First(l => l.HomeRun!.TakesAlong is not null).Sized.HomeRunGauge >= c.Sized.Gauge.Value);
                foreach (var run in c.Sized.Routed.Runs)
                {
                    foreach (var end in new[] { run.From, run.To }.Where(e => e.Box is not null))
                    {
                        Assert.All(run.Carries, carries => Assert.NotNull(plan.WiringOf(end.Box!.Value)!.At(run, carries)));
                    }
                }
            }
        }

        var before = apart.Tags.Where(t => t.Severity == Severity.Red).Select(t => (t.Rule, t.Headline)).ToHashSet();
        Assert.Empty(plan.Tags.Where(t => t.Severity == Severity.Red && !before.Contains((t.Rule, t.Headline)) && t.Rule != "314.16")
            .Select(t => $"{t.Rule} {t.Headline} {t.Arithmetic}"));
    }

    /// <summary>Twelve houses, both ways.</summary>
    public static TheoryData<int, TwoCircuits> Pairs
    {
        get
        {
            var data = new TheoryData<int, TwoCircuits>();
            for (var house = 1; house <= 12; house++)
            {
                data.Add(house, TwoCircuits.Multiwire);
                data.Add(house, TwoCircuits.FourWire);
            }

            return data;
        }
    }
}
