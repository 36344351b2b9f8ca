using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

public sealed class BoxFillTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Y2020);
    private static readonly EnteringCable TwelveTwo = new(Gauge.Awg12, 2);
    private static readonly EnteringCable FourteenTwo = new(Gauge.Awg14, 2);

    [Fact] // 4 × 2.00 + 2 × 2.00 + 1 × 2.00
    public void Receptacle_with_14_2_in_and_out_needs_14_in_and_fits_an_18()
    {
        var needed = Books.Us2020.Boxes.Count([FourteenTwo, FourteenTwo], 1).Value;
        Assert.Equal(14.00m, needed.Value);
        Assert.Equal(18m, UsualBoxes.Smallest(BoxMake.NailOn, 1, needed)!.Value.Value);
    }

    [Fact] // 2 × 2.25 + 2 × 2.00 + 2 × 2.25 + 2.25
    public void A_12_2_coming_in_counts_yoke_and_grounds_at_the_larger_size() =>
        Assert.Equal(15.25m, Books.Us2020.Boxes.Count([TwelveTwo, FourteenTwo], 1).Value.Value);

    [Fact] // 6 × 2.25 + 2 × 2.25 + 2.25: over 18 and 20
    public void Three_12_2_and_a_receptacle_ask_for_the_22_and_a_half()
    {
        var needed = Books.Us2020.Boxes.Count([TwelveTwo, TwelveTwo, TwelveTwo], 1).Value;
        Assert.Equal(20.25m, needed.Value);
        Assert.Equal(22.5m, UsualBoxes.Smallest(BoxMake.NailOn, 1, needed)!.Value.Value);
    }

    [Fact] // 314.16(B)(4), (5): a flush receptacle of 30 A takes two gangs, four volumes: 3 × 2.5 + 4 × 2.5 + 2.5 = 20.0
    public void A_dryers_receptacle_is_two_gangs_wide()
    {
        var plate = Houses.Plate(Appliance.Dryer, 240, 5600) with { Cord = true, Neutral = true };
        var job = Houses.Row(("laundry", RoomUse.Laundry, 12)).With(
            Houses.Appliance("dryer", "laundry", 1, 30, plate, DeviceKind.ApplianceReceptacle) with { Volume = new(18) });
        var plan = Planner.Plan(job);
        Assert.Equal(20.0m, plan.CircuitOf(new("dryer"))!.Boxes[new("dryer")].Volume.Value.Value);
        Assert.Contains(plan.Tags, t => t.Rule == "314.16" && t.Severity == Severity.Red);
    }

    [Fact] // a range on 6-3 with its 10 ground: 3 × 5 + 4 × 5 + 2.5 = 37.5
    public void A_ranges_ground_counts_by_its_own_size()
    {
        var plate = Houses.Plate(Appliance.Range, 240, 12_000) with { Cord = true, Neutral = true };
        var job = Houses.Row(("kitchen", RoomUse.Kitchen, 12)).With(
            Houses.Appliance("range", "kitchen", 1, 30, plate, DeviceKind.ApplianceReceptacle));
        Assert.Equal(37.5m, Planner.Plan(job).CircuitOf(new("range"))!.Boxes[new("range")].Volume.Value.Value);
    }

    [Fact] // 8 × 2.25 + 4.50 + 2.25
    public void A_four_wire_cable_pushes_a_receptacle_into_a_two_gang()
    {
        var needed = Books.Us2020.Boxes.Count([new(Gauge.Awg12, 4), TwelveTwo, TwelveTwo], 1).Value;
        Assert.Equal(24.75m, needed.Value);
        Assert.Null(UsualBoxes.Smallest(BoxMake.NailOn, 1, needed));
        Assert.Equal(32m, UsualBoxes.Smallest(BoxMake.NailOn, 2, needed)!.Value.Value);
    }

    [Theory] // 2.00 × 1.25 from 2020; one for all before
    [InlineData(Edition.Y2017, 5, 1)]
    [InlineData(Edition.Y2020, 4, 1)]
    [InlineData(Edition.Y2020, 5, 1.25)]
    [InlineData(Edition.Y2023, 6, 1.5)]
    [InlineData(Edition.Y2023, 0, 0)]
    public void Grounds_beyond_four_count_a_quarter_each_from_2020(Edition edition, int grounds, double volumes) =>
        // Each cable of 14-2 brings two conductors of 2.00 in³ and a ground.
        Assert.Equal((4 * grounds) + (2 * (decimal)volumes),
            CodeBook.For(edition).Boxes.Count([.. Enumerable.Repeat(new EnteringCable(Gauge.Awg14, 2), grounds)], 0).Value.Value);

    [Theory]
    [InlineData("14", 2.00)]
    [InlineData("12", 2.25)]
    [InlineData("10", 2.50)]
    [InlineData("8", 3.00)]
    [InlineData("6", 5.00)]
    public void Volumes_are_those_of_table_314_16_B(string gauge, double volume) =>
        Assert.Equal((decimal)volume, Books.Us2020.Boxes.Volume(Gauge.Parse(gauge))!.Value.Value);

    [Fact]
    public void Above_6_AWG_the_table_has_no_volume() => Assert.Null(Books.Us2020.Boxes.Volume(Gauge.Awg4));

    [Theory] // both sides of the first size
    [InlineData(18.00, 18.0)]
    [InlineData(18.25, 20.0)]
    [InlineData(22.50, 22.5)]
    [InlineData(22.75, null)]
    public void The_smallest_one_gang_that_holds_it_is_taken(double needed, double? box) =>
        Assert.Equal((decimal?)box, UsualBoxes.Smallest(BoxMake.NailOn, 1, new((decimal)needed))?.Value);

    [Theory] // Table 314.16(A): 4 × 2-1/8 in square 30.3 in³, 4-11/16 × 2-1/8 in 42.0; a ring has two gangs at most
    [InlineData(1, 22.50, 22.5)]
    [InlineData(1, 24.75, 30.3)]
    [InlineData(1, 30.50, 42.0)]
    [InlineData(1, 42.25, null)]
    [InlineData(2, 34.00, 34.0)]
    [InlineData(2, 34.25, 42.0)]
    [InlineData(3, 45.25, null)]
    [InlineData(0, 22.25, 30.3)]
    public void Where_the_usual_boxes_end_a_metal_square_with_a_ring_is_taken(int gangs, double needed, double? box) =>
        Assert.Equal((decimal?)box, UsualBoxes.Taken(BoxMake.NailOn, gangs, new((decimal)needed))?.Value);
}
