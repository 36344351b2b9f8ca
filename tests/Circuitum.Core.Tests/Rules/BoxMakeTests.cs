using Circuitum.Core.Changes;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Tags;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Boxes by how they are made, and houses wired in armored cable.</summary>
public sealed class BoxMakeTests
{
    // Box a: two 12-2 and a duplex, 4 × 2.25 + 2 × 2.25 + 2.25 = 15.75; box b: one 12-2, 2 × 2.25 + 4.5 + 2.25 = 11.25.
    private static Job Two => Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));

    private static int Quantity(Plan plan, string item) => Hardware.Of(plan).Where(m => m.Item == item).Sum(m => m.Quantity);

    [Theory] // Table 314.16(A): device boxes 12.5, 14 and 18 a gang, octagons 15.5 and 21.5, squares 21, 30.3 and 42
    [InlineData(BoxMake.Square, 1, 21.00, 21.0)]
    [InlineData(BoxMake.Square, 2, 21.25, 30.3)]
    [InlineData(BoxMake.Square, 2, 30.50, 42.0)]
    [InlineData(BoxMake.Square, 2, 42.25, null)]
    [InlineData(BoxMake.Square, 3, 37.50, 37.5)]
    [InlineData(BoxMake.Square, 3, 54.00, 54.0)]
    [InlineData(BoxMake.Square, 3, 54.25, null)]
    [InlineData(BoxMake.Square, 0, 15.50, 15.5)]
    [InlineData(BoxMake.Square, 0, 15.75, 21.5)]
    [InlineData(BoxMake.Square, 0, 21.75, 30.3)]
    [InlineData(BoxMake.MetalDevice, 1, 12.50, 12.5)]
    [InlineData(BoxMake.MetalDevice, 1, 14.25, 18.0)]
    [InlineData(BoxMake.MetalDevice, 1, 18.25, null)]
    [InlineData(BoxMake.MetalDevice, 2, 28.25, 36.0)]
    [InlineData(BoxMake.MetalDevice, 0, 21.75, null)]
    [InlineData(BoxMake.CutIn, 1, 20.25, null)]
    public void The_smallest_of_its_make_is_taken(BoxMake make, int gangs, double needed, double? box) =>
        Assert.Equal((decimal?)box, UsualBoxes.Taken(make, gangs, new((decimal)needed))?.Value);

    [Fact]
    public void Metal_squares_take_a_connector_for_each_cable_and_a_tail_each()
    {
        var plan = Planner.Plan(Two with { Schools = new() { Boxes = BoxMake.Square } });
        Assert.Equal(2, Quantity(plan, "4 in square box 1-1/2 deep with a one-gang ring, 21.00 in³"));
        Assert.Equal(3, Quantity(plan, "Cable connectors at metal boxes"));
        Assert.Equal(2, Quantity(plan, "Grounding tails for metal boxes"));
        Assert.Equal(1, Quantity(plan, "Cable connectors at panels"));
        Assert.Equal(3, Quantity(plan, "Staples near boxes"));
    }

    [Fact] // the clamps inside take one conductor more: 18.00 and 13.50
    public void Device_boxes_of_metal_count_their_clamps()
    {
        var plan = Planner.Plan(Two with { Schools = new() { Boxes = BoxMake.MetalDevice } });
        Assert.Equal(1, Quantity(plan, "Metal device box 3-1/2 deep, 18.00 in³"));
        Assert.Equal(1, Quantity(plan, "Metal device box 2-3/4 deep, 14.00 in³"));
        Assert.Equal(0, Quantity(plan, "Cable connectors at metal boxes"));
    }

    [Fact] // a home run of 10: 2 × 2.5 + 2 × 2.25 + 2 × 2.5 + 2.5, and 2.5 for the clamps = 19.5, and 18 is the largest; a square needs 17
    public void A_device_box_too_small_gives_way_to_a_square()
    {
        var job = Two with { Schools = new() { Boxes = BoxMake.MetalDevice, HomeRun = HomeRunSize.OneLarger } };
        var wired = Planner.Plan(job).Circuits.SelectMany(c => c.Boxes.Values).Single(b => b.Out.Length == 1);
        Assert.Equal((BoxMake.Square, 17m, 21m), (wired.Make, wired.Needed.Value, wired.Given!.Value.Value));
    }

    [Fact]
    public void One_box_may_be_made_otherwise_than_the_others()
    {
        var job = new SetBoxMake(new("b"), BoxMake.CutIn).On(Two).Job!;
        var plan = Planner.Plan(job);
        Assert.Equal(1, Quantity(plan, "1-gang cut-in box, 14.00 in³"));
        Assert.Equal(1, Quantity(plan, "1-gang box, 18.00 in³"));
        Assert.All(new SetBoxMake(new("b"), null).On(job).Job!.Boxes, b => Assert.Null(b.Make));
    }

    [Fact] // a stamped volume belongs to the box that had it
    public void Another_make_drops_the_stamp()
    {
        var stamped = new SetVolume(new("b"), new(22.5m)).On(Two).Job!;
        Assert.Null(new SetBoxMake(new("b"), BoxMake.Square).On(stamped).Job!.Boxes[1].Volume);
    }

    [Fact] // both ends of two cables; the green ground; straps, not staples
    public void Armored_cable_everywhere_brings_its_boxes_and_fittings()
    {
        var plan = Planner.Plan(Two with { Schools = new() { Cable = CableKind.Armoured } });
        Assert.Equal(["12-2 MC"], plan.Takeoff.Cables.Select(c => c.Cable));
        Assert.Equal(2, Quantity(plan, "4 in square box 1-1/2 deep with a one-gang ring, 21.00 in³"));
        Assert.Equal(4, Quantity(plan, "MC connectors"));
        Assert.Equal(0, Quantity(plan, "Cable connectors at metal boxes"));
        Assert.Equal(0, Quantity(plan, "Cable connectors at panels"));
        Assert.Equal(3, Quantity(plan, "Straps for armored cable near boxes"));
        Assert.DoesNotContain(Hardware.Of(plan), m => m.Item.StartsWith("Staples", StringComparison.Ordinal));
        var grounds = MakeUpGuide.Of(plan.Panels[0], plan.Job, plan.Book).Steps.SelectMany(s => s.Lines).Select(l => l.What);
        Assert.Contains("12 green", grounds);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "314.3");
    }

    [Fact] // 314.3
    public void Plastic_that_a_person_chose_for_armored_cable_is_red_until_it_is_metal()
    {
        var job = new SetBoxMake(new("b"), BoxMake.NailOn).On(Two with { Schools = new() { Cable = CableKind.Armoured } }).Job!;
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "314.3");
        Assert.Equal(Severity.Red, tag.Severity);
        Assert.DoesNotContain(Planner.Plan(tag.Fixes[0].Change.On(job).Job!).Tags, t => t.Rule == "314.3");
    }

    [Theory] // 334.80 counts sealed holes of nonmetallic cable; of armored cable only lengths together are counted, 310.15(C)(1)
    [InlineData(Jacket.Nonmetallic, 15)]
    [InlineData(Jacket.Armoured, 20)]
    public void Five_cables_in_a_sealed_hole(Jacket jacket, int amps) => Assert.Equal(amps,
        Ampacities.InCable(Gauge.Awg12, 5, 10, new(30), Books.Us2020, "hole 7", jacket).Value.Value);

    [Fact] // 30 × .5 = 15
    public void Five_armored_cables_that_lie_together_are_adjusted() => Assert.Equal(15m, Ampacities.InCable(Gauge.Awg12, 5, 10, new(30),
        Books.Us2020, "along joists", Jacket.Armoured, Length.FromInches(25)).Value.Value);

    [Fact]
    public void Houses_in_armored_cable_hold_no_plastic_and_every_box_holds_what_enters() => RandomHouses.Small.Sample(job =>
    {
        var plan = Planner.Plan(job with
        {
            Schools = job.Schools with { Cable = CableKind.Armoured, Boxes = BoxMake.NailOn },
            Boxes = [.. job.Boxes.Select(b => b with { Volume = null })],
        });
        Assert.DoesNotContain(plan.Circuits.SelectMany(c => c.Runs), r => r.Jacket == Jacket.Nonmetallic);
        Assert.All(plan.Circuits.SelectMany(c => c.Boxes.Values), b => Assert.True(b.Make.IsMetal()));
        foreach (var (id, box) in plan.Circuits.SelectMany(c => c.Boxes))
        {
            Assert.True(box.Given?.Value >= box.Needed.Value
                || plan.Tags.Any(t => t.Subject == Subject.Box(id) && t.Rule == plan.Book.Cite(RuleId.BoxFill).ToString()));
        }

        Assert.DoesNotContain(plan.Tags, t => t.Rule == "314.3");
    }, iter: 60);
}
