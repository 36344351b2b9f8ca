using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

public sealed class WallSpaceTests
{
    private static readonly OutletRules Asked = CodeBook.For(Edition.Y2020).Outlets;

    private static WallSpace Space(Length clear, params Length[] receptacles) =>
        new(new("r"), clear, [new(1, Length.Zero, clear)], [.. receptacles], false)
        {
            Within = Asked.WallReach,
            AskedFrom = Asked.NarrowestWall,
        };

    [Fact]
    public void Twelve_feet_between_two_doors_are_served_by_one_receptacle_only_at_the_middle()
    {
        var twelve = 12.Feet();
        Assert.Equal(1, Space(twelve).Least);
        Assert.True(Space(twelve, 6.Feet()).Served);
        Assert.False(Space(twelve, 6.Feet() + 1.Inches()).Served);
        Assert.False(Space(twelve, 6.Feet() - 1.Inches()).Served);
    }

    [Fact]
    public void An_inch_more_asks_for_two()
    {
        var clear = Length.FromFeet(12, 1);
        Assert.Equal(2, Space(clear).Least);
        Assert.False(Space(clear, clear / 2).Served);
        Assert.True(Space(clear, 6.Feet(), 7.Feet()).Served);
    }

    [Fact]
    public void Under_two_feet_none_is_needed_at_two_feet_one_is()
    {
        Assert.Equal(0, Space(23.Inches()).Least);
        Assert.True(Space(23.Inches()).Served);
        Assert.Equal(1, Space(24.Inches()).Least);
        Assert.False(Space(24.Inches()).Served);
    }

    [Fact] // 12 × 11 ft inside is 46 ft round; less the door of 2'-8": 43'-4"
    public void A_bedroom_with_one_door_near_its_corner_has_one_floor_line_and_needs_four()
    {
        var room = Houses.Rectangle("bed", RoomUse.Bedroom, Length.Zero, Length.Zero, 12.Feet() + Houses.Outer,
            11.Feet() + Houses.Outer) with
        {
            Openings = [new() { Id = new("door"), Kind = OpeningKind.Door, Wall = 1, Offset = 6.Inches(), Width = 32.Inches() }],
        };
        var framed = Framing.Frame(Houses.House([room])).Room(new("bed"));
        Assert.Equal((12.Feet(), 11.Feet()), (framed.ClearWidth, framed.ClearDepth));
        var space = Assert.Single(WallSpaces.Split(framed, Asked));
        Assert.Equal(Length.FromFeet(43, 4), space.Clear);
        Assert.Equal(4, space.Least);
        Assert.False(space.Closed);
    }

    [Fact]
    public void A_window_does_not_break_the_floor_line_a_cabinet_does()
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 12.Feet(), 12.Feet());
        var window = room with
        {
            Openings = [new() { Id = new("w"), Kind = OpeningKind.Window, Wall = 1, Offset = 24.Inches(), Width = 48.Inches() }]
        };
        Assert.True(Assert.Single(WallSpaces.Split(Framing.Frame(Houses.House([window])).Room(new("den")), Asked)).Closed);
        var cabinet = room with
        {
            Fixtures = [new() { Kind = FixtureKind.Cabinet, Wall = 1, Offset = 24.Inches(), Width = 48.Inches(), Depth = 24.Inches() }]
        };
        Assert.False(Assert.Single(WallSpaces.Split(Framing.Frame(Houses.House([cabinet])).Room(new("den")), Asked)).Closed);
    }

    [Fact]
    public void Too_high_a_receptacle_a_counter_one_and_an_appliances_own_do_not_count()
    {
        var job = Houses.Row(("den", RoomUse.Den, 12)).With(
            Houses.On("high", "den", 1, 20) with { Height = 65.Inches() },
            Houses.On("counter", "den", 1, 40) with { ServesCounter = true },
            Houses.Appliance("freezer", "den", 1, 60, Houses.Plate(Appliance.Freezer, 120, 500), DeviceKind.Duplex),
            Houses.On("low", "den", 1, 80) with { Height = 64.Inches() });
        Assert.Equal([80.Inches()], Assert.Single(Planner.Plan(job).Survey.Coverage).Receptacles.ToArray());
    }

    [Fact]
    public void The_tag_on_a_bare_wall_offers_a_receptacle_and_taking_the_offers_clears_it()
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 14));
        var acts = 0;
        for (Plan plan; (plan = Planner.Plan(job)).Tags.FirstOrDefault(t => t.Rule == "210.52(A)(1)") is { } tag; acts++)
        {
            Assert.Equal(Severity.Red, tag.Severity);
            Assert.InRange(acts, 0, 12);
            var outcome = tag.Fixes[0].Change.On(job);
            Assert.Null(outcome.Refusal);
            job = outcome.Job!;
        }

        // 13'-5 1/2" × 11'-5 1/2" inside: 49'-10" round, which five receptacles can just serve.
        Assert.InRange(job.Boxes.Length, 5, 8);
    }

    [Fact] // brute force: every inch of the line measured to its nearest receptacle
    public void Farthest_agrees_with_walking_the_wall_inch_by_inch()
    {
        Gen.Select(Gen.Int[24, 400], Gen.Int[0, 400].Array[1, 6]).Sample((clear, at) =>
        {
            var places = at.Select(a => Math.Min(a, clear)).Order().ToArray();
            var walked = Enumerable.Range(0, (clear * 2) + 1).Max(half => places.Min(p => Math.Abs(p - (half / 2m))));
            Assert.Equal(walked, Space(clear.Inches(), [.. places.Select(p => p.Inches())]).Farthest.Inches);
        });
    }
}
