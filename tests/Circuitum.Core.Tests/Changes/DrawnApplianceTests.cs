using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using static Circuitum.Tests.Support.Houses;

namespace Circuitum.Core.Tests;

/// <summary>A drawn appliance is a load: its outlet comes with it, follows it, goes with it, and is missed where it is not there.</summary>
public sealed class DrawnApplianceTests
{
    private static readonly RoomId Kitchen = new("kitchen");

    private static readonly Job House = Row(("kitchen", RoomUse.Kitchen, 16), ("utility", RoomUse.Utility, 10));

    private static Fixture Drawn(FixtureKind kind, int inches = 60, int wall = 1) =>
        new() { Kind = kind, Wall = wall, Offset = inches.Inches(), Width = 30.Inches(), Depth = 26.Inches() };

    private static Job Do(JobChange change, Job job) => change.On(job) is { Job: { } done } ? done
        : throw new InvalidOperationException(change.On(job).Refusal);

    // By the library's typical plates and the sizes on the truck. A range of 12 kW counts 8 kW (Table 220.55), 33.3 A: by school 50 A. A
    // dryer's cord has a plug of 30 A. At 125 %: 4500 × 1.25 / 240 = 23.4 A, 30 A; 6000 × 1.25 / 240 = 31.25 A, 40 A.
    [Theory]
    [InlineData(FixtureKind.Range, DeviceKind.ApplianceReceptacle, 240, 50)]
    [InlineData(FixtureKind.Dryer, DeviceKind.ApplianceReceptacle, 240, 30)]
    [InlineData(FixtureKind.WaterHeater, DeviceKind.Equipment, 240, 30)]
    [InlineData(FixtureKind.SaunaHeater, DeviceKind.Equipment, 240, 40)]
    [InlineData(FixtureKind.Dishwasher, DeviceKind.Single, 120, 20)]
    [InlineData(FixtureKind.Refrigerator, DeviceKind.Single, 120, 20)]
    public void Drawing_it_puts_its_outlet_on_a_circuit(FixtureKind kind, DeviceKind device, int volts, int amps)
    {
        var job = Do(new AddFixture(Kitchen, Drawn(kind)), House);
        var box = Assert.Single(job.Boxes);
        Assert.Equal(device, box.Devices.Single().Kind);
        Assert.True(box.Devices.Single().Plate!.Assumed);
        Assert.Equal(volts, box.Devices.Single().Plate!.Volts.Value);
        Assert.InRange(box.Offset.Inches, 60 - 36, 90 + 36);
        var plan = Planner.Plan(job);
        Assert.Equal(amps, plan.CircuitOf(box.Id)!.Sized.Breaker.Value.Value);
        Assert.DoesNotContain(plan.Tags, t => t.Headline.Contains("has no outlet", StringComparison.Ordinal));
        Assert.Contains("with its outlet", new AddFixture(Kitchen, Drawn(kind)).On(House).Phrase, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(FixtureKind.Sink)]
    [InlineData(FixtureKind.Counter)]
    [InlineData(FixtureKind.Bed)]
    [InlineData(FixtureKind.Washer)]
    public void What_takes_no_current_of_its_own_brings_none(FixtureKind kind) =>
        Assert.Empty(Do(new AddFixture(Kitchen, Drawn(kind)), House).Boxes);

    [Fact]
    public void A_gas_range_brings_none_and_asks_for_an_alarm()
    {
        var job = Do(new AddFixture(Kitchen, Drawn(FixtureKind.Range) with { BurnsFuel = true }), House);
        Assert.Empty(job.Boxes);
        Assert.DoesNotContain(Planner.Plan(job).Tags, t => t.Headline.Contains("range has no outlet", StringComparison.Ordinal));
    }

    [Fact] // a job drawn before, or whose outlet was taken out: red, and one button mends it
    public void One_that_is_fed_by_nothing_is_red_and_its_button_feeds_it()
    {
        var job = Do(new AddFixture(Kitchen, Drawn(FixtureKind.Range)), House);
        job = Do(new DeleteBox(job.Boxes[0].Id), job);
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Headline == "kitchen: the range has no outlet.");
        Assert.Equal(Severity.Red, tag.Severity);
        Assert.Equal(Subject.Fixture(Kitchen, 1), tag.Subject);
        Assert.Contains("12,000 VA", tag.Arithmetic, StringComparison.Ordinal);
        var mended = Do(Assert.Single(tag.Fixes).Change, job);
        Assert.DoesNotContain(Planner.Plan(mended).Tags, t => t.Headline == tag.Headline);
        Assert.Equal(Core.Jobs.Appliance.Range, Assert.Single(mended.Boxes).Devices.Single().Plate!.Appliance);
    }

    [Fact] // two ranges and one outlet: the one that has none near it is missed
    public void Of_two_the_one_without_is_told()
    {
        var job = Do(new AddFixture(Kitchen, Drawn(FixtureKind.Range, 20)), House);
        job = Do(new AddFixture(Kitchen, Drawn(FixtureKind.Range, 120)), job);
        Assert.Equal(2, job.Boxes.Length);
        job = Do(new DeleteBox(job.Boxes.OrderBy(b => b.Offset).First().Id), job);
        Assert.Equal(Subject.Fixture(Kitchen, 1), Assert.Single(Planner.Plan(job).Tags, t => t.Headline.Contains("range has",
            StringComparison.Ordinal)).Subject);
    }

    [Fact] // moved by 2 ft along its wall, then to another wall: its outlet keeps its distance from the near end
    public void Its_outlet_follows_it()
    {
        var job = Do(new AddFixture(Kitchen, Drawn(FixtureKind.Dryer, 40)), House);
        var from = job.Boxes[0].Offset - 40.Inches();
        job = Do(new SetFixture(Kitchen, 1, Drawn(FixtureKind.Dryer, 64)), job);
        Assert.Equal(64.Inches() + from, Assert.Single(job.Boxes).Offset);
        job = Do(new SetFixture(Kitchen, 1, Drawn(FixtureKind.Dryer, 50, 3)), job);
        Assert.Equal((3, 50.Inches() + from), (Assert.Single(job.Boxes).Wall, job.Boxes[0].Offset));
    }

    [Fact]
    public void Its_outlet_goes_with_it_until_its_plate_is_read()
    {
        var job = Do(new AddFixture(Kitchen, Drawn(FixtureKind.Range)), House);
        Assert.Empty(Do(new DeleteFixture(Kitchen, 1), job).Boxes);
        var read = Do(new SetLoad(job.Boxes[0].Id, 0, new(11500)), job);
        Assert.False(read.Boxes[0].Devices[0].Plate!.Assumed);
        Assert.Single(Do(new DeleteFixture(Kitchen, 1), read).Boxes);
    }

    [Fact] // equipment was placed first: drawing the thing it is for brings no second
    public void What_is_there_is_enough()
    {
        var job = House.With(Appliance("range", "kitchen", 3, 40, EquipmentLibrary.Typical(Core.Jobs.Appliance.Range),
            DeviceKind.ApplianceReceptacle));
        Assert.Single(Do(new AddFixture(Kitchen, Drawn(FixtureKind.Range)), job).Boxes);
    }

    [Fact] // a duplex behind the refrigerator is its receptacle
    public void A_receptacle_behind_a_refrigerator_feeds_it()
    {
        var job = House.With(On("r", "kitchen", 1, 75));
        Assert.Single(Do(new AddFixture(Kitchen, Drawn(FixtureKind.Refrigerator)), job).Boxes);
        Assert.Equal(2, Do(new AddFixture(Kitchen, Drawn(FixtureKind.Refrigerator, 120)), job).Boxes.Length);
    }

    [Fact]
    public void One_that_stands_free_is_fed_from_the_floor()
    {
        var job = Do(new AddFixture(Kitchen, new()
        {
            Kind = FixtureKind.Range,
            X = 60.Inches(),
            Y = 40.Inches(),
            Width = 30.Inches(),
            Depth = 26.Inches()
        }), House);
        Assert.Equal((Mount.Floor, 75.Inches(), 53.Inches()), (Assert.Single(job.Boxes).Mount, job.Boxes[0].X, job.Boxes[0].Y));
    }
}
