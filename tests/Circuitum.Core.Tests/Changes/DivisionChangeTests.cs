using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Boxes taken from circuit to circuit by hand: what is moved stays, everything else stays where it was.</summary>
public sealed class DivisionChangeTests
{
    // Two bedrooms with five receptacles each, so that the crew's cap of six makes two circuits.
    private static readonly Job Bedrooms = Houses.Row(("one", RoomUse.Bedroom, 16), ("two", RoomUse.Bedroom, 16)).With(
        [.. Enumerable.Range(0, 5)
            .SelectMany(i => new[] { Houses.On($"a{i}", "one", 1, 20 + (30 * i)), Houses.On($"b{i}", "two", 1, 20 + (30 * i)) }),
        Houses.Ceiling("lamp", "one", 60, 60), Houses.Switch("sw", "one", 3, 20, DeviceKind.Switch, "lamp")]) with
    { HouseRules = new() { OutletsPerCircuit = 6 } };

    private static string Circuits(Job job) =>
        string.Join(" | ", Planner.Plan(job).Circuits.Select(c =>
            string.Concat(c.Circuit.Boxes.Select(b => b.Value).Order(StringComparer.Ordinal))).Order(StringComparer.Ordinal));

    private static CircuitKey Of(Job job, string box) => Planner.Plan(job).CircuitOf(new(box))!.Circuit.Key;

    private static Job Done(Job job, JobChange change) => change.On(job).Job ?? throw new InvalidOperationException(change.On(job).Refusal);

    private static string Refused(Job job, JobChange change) => change.On(job).Refusal!;

    [Fact]
    public void The_planner_keeps_each_bedroom_whole() => Assert.Equal("a0a1a2a3a4 | b0b1b2b3b4 | lampsw", Circuits(Bedrooms));

    [Fact]
    public void A_moved_box_goes_alone_and_is_held()
    {
        var moved = Done(Bedrooms, new MoveToCircuit(new("a4"), Of(Bedrooms, "b0")));
        Assert.Equal("a0a1a2a3 | a4b0b1b2b3b4 | lampsw", Circuits(moved));
        Assert.Equal(new BoxPin(new("a4"), Of(Bedrooms, "b0")), Assert.Single(moved.Pins.Boxes));
    }

    [Fact]
    public void A_lamp_takes_its_switch_along()
    {
        var moved = Done(Bedrooms, new MoveToCircuit(new("lamp"), Of(Bedrooms, "a0")));
        Assert.Equal((Of(Bedrooms, "a0"), Of(Bedrooms, "a0")), (Of(moved, "lamp"), Of(moved, "sw")));
    }

    [Fact]
    public void Split_boxes_get_a_circuit_and_a_merge_takes_it_back()
    {
        var split = Done(Bedrooms, new SplitCircuit([new("a0"), new("a1")]));
        Assert.Equal("a0a1 | a2a3a4 | b0b1b2b3b4 | lampsw", Circuits(split));
        var merged = Done(split, new MergeCircuits(Of(split, "a0"), Of(split, "a4")));
        Assert.Equal("a0a1a2a3a4 | b0b1b2b3b4 | lampsw", Circuits(merged));
    }

    [Fact] // 10 outlets of 6: kept, because a person said so, and tagged amber by the crew's own cap
    public void A_merge_over_the_crews_cap_is_kept_and_tagged()
    {
        var plan = Planner.Plan(Done(Bedrooms, new MergeCircuits(Of(Bedrooms, "a0"), Of(Bedrooms, "b0"))));
        Assert.Contains(plan.Tags, t => t.Severity == Severity.Amber && t.Arithmetic.StartsWith("10 > 6", StringComparison.Ordinal));
    }

    [Fact]
    public void An_individual_circuit_for_one_box_and_back()
    {
        var alone = Done(Bedrooms, new MakeIndividual(new("a2"), true));
        Assert.Equal("a2", string.Join(' ', Planner.Plan(alone).CircuitOf(new("a2"))!.Circuit.Boxes));
        Assert.Equal(Circuits(Bedrooms), Circuits(Done(alone, new MakeIndividual(new("a2"), false))));
    }

    [Fact]
    public void A_box_placed_after_a_division_by_hand_joins_where_it_weighs_least()
    {
        var moved = Done(Bedrooms, new MoveToCircuit(new("a4"), Of(Bedrooms, "b0")));
        var more = moved.With(Houses.On("a9", "one", 1, 10));
        Assert.Equal("a0a1a2a3a9 | a4b0b1b2b3b4 | lampsw", Circuits(more));
    }

    [Fact]
    public void A_box_that_is_taken_out_leaves_the_kept_division()
    {
        var moved = Done(Bedrooms, new MoveToCircuit(new("a4"), Of(Bedrooms, "b0")));
        var fewer = Done(moved, new DeleteBox(new("a4")));
        Assert.Equal("a0a1a2a3 | b0b1b2b3b4 | lampsw", Circuits(fewer));
        Assert.Null(JobProblems.First(fewer));
    }

    [Fact]
    public void Freeing_the_boxes_and_following_the_planner_again_undoes_it_all()
    {
        var moved = Done(Bedrooms, new MoveToCircuit(new("a4"), Of(Bedrooms, "b0")));
        var freed = Done(Done(moved, new FreeCircuit(Of(moved, "b0"))), new FollowDivision(null));
        Assert.Equal(Circuits(Bedrooms), Circuits(freed));
    }

    [Fact]
    public void What_cannot_be_is_refused_with_the_reason()
    {
        var job = Bedrooms.With(Houses.Appliance("dryer", "two", 3, 60, Houses.Plate(Appliance.Dryer, 240, 5600) with { Cord = true },
            DeviceKind.ApplianceReceptacle));
        Assert.Contains("works at 240 V and that circuit is of 120 V", Refused(job, new MoveToCircuit(new("dryer"), Of(job, "a0"))),
            StringComparison.Ordinal);
        Assert.Contains("on that circuit already", Refused(Bedrooms, new MoveToCircuit(new("a1"), Of(Bedrooms, "a0"))),
            StringComparison.Ordinal);
        Assert.Contains("not in the plan any more", Refused(Bedrooms, new MoveToCircuit(new("a1"), new("gone"))), StringComparison.Ordinal);
        Assert.Contains("leave it some", Refused(Bedrooms, new SplitCircuit([.. Enumerable.Range(0, 5).Select(i => new BoxId($"a{i}"))])),
            StringComparison.Ordinal);
        Assert.Contains("one circuit at a time", Refused(Bedrooms, new SplitCircuit([new("a0"), new("b0")])), StringComparison.Ordinal);
        Assert.Contains("with itself", Refused(Bedrooms, new MergeCircuits(Of(Bedrooms, "a0"), Of(Bedrooms, "a0"))),
            StringComparison.Ordinal);
    }

    [Fact] // a box that a person holds on another family's circuit does not take that circuit over
    public void A_held_stranger_leaves_a_circuit_its_kind()
    {
        var job = Houses.Row(("bath", RoomUse.Bath, 8), ("laundry", RoomUse.Laundry, 8), ("bed", RoomUse.Bedroom, 12)).With(
            Houses.On("basin", "bath", 1, 30), Houses.On("washer", "laundry", 1, 30), Houses.On("r1", "bed", 1, 30),
            Houses.On("r2", "bed", 1, 90)) with
        { Pins = new() { Boxes = [new(new("basin"), new("laundry"))] } };
        var split = Done(job, new SplitCircuit([new("r2")]));
        Assert.Equal(CircuitKind.Laundry, Planner.Plan(split).CircuitOf(new("basin"))!.Circuit.Kind);
        Assert.Equal(Of(split, "washer"), Of(split, "basin"));
    }

    // 210.11(B), by our measure: nine receptacles carry 1620 VA, 67.5 % of 2400; more than twice four (720), not more than twice five (900)
    [Theory]
    [InlineData(4, true)]
    [InlineData(5, false)]
    public void A_load_that_is_shared_unevenly_is_tagged(int fewer, bool tagged)
    {
        var job = Houses.Row(("one", RoomUse.Bedroom, 30), ("two", RoomUse.Bedroom, 16))
            .With([.. Enumerable.Range(0, 9).Select(i => Houses.On($"a{i}", "one", 1, 20 + (30 * i))),
                .. Enumerable.Range(0, fewer).Select(i => Houses.On($"b{i}", "two", 1, 20 + (30 * i)))]) with
        {
            Schools = new() { Bedrooms = BedroomSharing.OneEach },
        };
        Assert.Equal(tagged, Planner.Plan(job).Tags.Any(t => t is { Rule: "210.11(B)", Severity: Severity.Amber }));
    }

    [Fact] // a second panel in room two: by school near it, home to the main, or where a person wants it
    public void A_circuit_is_fed_from_the_panel_that_is_asked_for()
    {
        var job = Bedrooms with
        {
            Panels = [Houses.Panel("one"),
            new() { Id = new("B"), Room = new("two"), Wall = 2, Offset = 72.Inches(), Rating = 60.Amps(), Spaces = 12,
                FedFrom = new("A") }]
        };
        Assert.Equal(("A", "B"), (Panel(job, "a0"), Panel(job, "b0")));
        Assert.Equal("A", Panel(Done(job, new PinPanel(Of(job, "b0"), new("A"))), "b0"));
        Assert.Contains("not in this job any more", Refused(job, new PinPanel(Of(job, "b0"), new("Z"))), StringComparison.Ordinal);
        static string Panel(Job job, string box) => Planner.Plan(job).CircuitOf(new(box))!.Circuit.Panel.Value;
    }

    [Fact]
    public void The_effect_tells_load_footage_darkness_and_rules_before_it_is_done()
    {
        var effect = new DivisionEffect(Planner.Plan(Bedrooms),
            Planner.Plan(Done(Bedrooms, new MoveToCircuit(new("a4"), Of(Bedrooms, "b0")))));
        // 180 VA / 120 V = 1.5 A: 7.5 → 6 and 7.5 → 9
        Assert.Equal([(7.5m, 6m), (7.5m, 9m)], effect.Circuits.Select(c => (c.Before!.Value.Value, c.After!.Value.Value)).Order());
        Assert.Equal(effect.Before.Footage, effect.Footage.Before);
        Assert.NotEqual(effect.Footage.Before, effect.Footage.After);
        Assert.Equal((1, 1), effect.Dark);
        Assert.False(effect.BreaksRules);
        var merged = new DivisionEffect(effect.Before,
            Planner.Plan(Done(Bedrooms, new MergeCircuits(Of(Bedrooms, "a0"), Of(Bedrooms, "b0")))));
        Assert.Contains(merged.Circuits, c => c is { Before: not null, After: null });
    }

    [Fact] // 210.11(C)(2): the laundry circuit has no other outlets
    public void An_effect_that_breaks_a_rule_says_so()
    {
        var job = Houses.Row(("laundry", RoomUse.Laundry, 8), ("bed", RoomUse.Bedroom, 12))
            .With(Houses.On("washer", "laundry", 1, 30), Houses.On("r1", "bed", 1, 30), Houses.On("r2", "bed", 1, 90));
        var effect = new DivisionEffect(Planner.Plan(job), Planner.Plan(Done(job, new MoveToCircuit(new("r1"), Of(job, "washer")))));
        Assert.True(effect.BreaksRules);
        Assert.Contains(effect.Come, t => t.Rule == "210.11(C)(2)");
    }
}
