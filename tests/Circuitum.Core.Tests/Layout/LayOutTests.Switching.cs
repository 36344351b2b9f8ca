using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

// Switches, lamps, wants and what is listed for its place.
public sealed partial class LayOutTests
{
    [Fact] // three ways into a room: two three-ways and a four-way, one at each
    public void A_switch_stands_at_every_entrance_and_the_set_is_typed()
    {
        var family = Houses.Rectangle("family", RoomUse.Family, Length.Zero, Length.Zero, 20.Feet(), 14.Feet());
        var kitchen = Houses.Rectangle("kitchen", RoomUse.Kitchen, 20.Feet(), Length.Zero, 10.Feet(), 14.Feet()) with
        { Openings = [new() { Id = new("k"), Kind = OpeningKind.Cased, Wall = 4, Offset = 110.Inches(), Width = 40.Inches() }] };
        var hall = Houses.Rectangle("hall", RoomUse.Hall, Length.Zero, 14.Feet(), 30.Feet(), 4.Feet()) with
        { Openings = [Door("h", 1, 60), Door("h2", 1, 180)] };
        var job = Laid(Houses.House([family, kitchen, hall]) with { Panels = [Houses.Panel("kitchen") with { Wall = 2 }] });
        var lamp = Assert.Single(job.Boxes, b => b.Room.Value == "family" && b.Devices[0].Kind == DeviceKind.Lamp);
        Assert.Equal([DeviceKind.ThreeWay, DeviceKind.ThreeWay, DeviceKind.FourWay], job.Boxes.SelectMany(b => b.Devices)
            .Where(d => d.Controls.Contains(lamp.Id)).Select(d => d.Kind).Order());
        Assert.Empty(Tags(job, "switching"));
    }

    [Fact]
    public void The_switch_stands_on_the_strike_side()
    {
        // Hinged at the near jamb, so the strike is at 60 + 32; six inches on is 98.
        var room = Inside("den", RoomUse.Den, 14.Feet(), 12.Feet()) with { Openings = [Door("d", 3, 60)] };
        var box = Assert.Single(Laid(Houses.House([room])).Boxes, b => !b.Outside && b.Devices[0].Kind.IsSwitch());
        Assert.Equal(3, box.Wall);
        Assert.InRange(box.Offset.Inches, 94m, 104m);
    }

    [Fact]
    public void A_want_gets_its_receptacle_and_a_circuit_of_its_own_where_asked()
    {
        var want = new Want
        {
            Id = new("w"),
            Kind = WantKind.Freezer,
            Room = new("utility"),
            Wall = 1,
            Offset = 40.Inches(),
            Width = 30.Inches(),
            Individual = true
        };
        var job = Houses.House([Inside("utility", RoomUse.Utility, 14.Feet(), 10.Feet())]) with { Wants = [want] };
        Assert.Equal("want:w", Assert.Single(Tags(job, "want")).Subject.ToString());
        var laid = Laid(job);
        var box = Assert.Single(laid.Boxes, b => b.Devices[0].Plate is not null);
        Assert.InRange(box.Offset.Inches, 40, 70);
        Assert.Equal([box.Id], Planner.Plan(laid).CircuitOf(box.Id)!.Circuit.Boxes.AsEnumerable());
        Assert.Empty(Tags(laid, "want"));
    }

    [Fact]
    public void A_floor_receptacle_serves_before_glass_to_the_floor()
    {
        var room = Inside("family", RoomUse.Family, 30.Feet(), 12.Feet()) with
        {
            Openings = [new() { Id = new("glass"), Kind = OpeningKind.Window, Wall = 1, Offset = 30.Inches(), Width = 20.Feet(),
                Sill = 2.Inches() }]
        };
        var job = Laid(Houses.House([room]));
        Assert.Contains(job.Boxes, b => b.Mount == Mount.Floor);
        Assert.All(Planner.Plan(job).Survey.Coverage, s => Assert.True(s.Served));
    }

    [Fact]
    public void A_box_in_bays_kept_for_another_trade_is_tagged_and_laying_out_goes_around_them()
    {
        var job = Houses.House([Inside("den", RoomUse.Den, 14.Feet(), 12.Feet())]);
        job = new ReserveBays(new()
        {
            Id = new("bays-1"),
            For = "the drain",
            Room = new("den"),
            Wall = 1,
            Offset = 60.Inches(),
            Width = 32.Inches()
        }).On(job).Job!;
        Assert.Equal("box:mine", Assert.Single(Tags(job.With(Houses.On("mine", "den", 1, 70)), "kept bays")).Subject.ToString());
        Assert.Empty(Tags(Laid(job), "kept bays"));
    }

    [Fact] // a 12 × 10 ft room at 5 ft: 12/5 = 2.4 → 2 across, 2 down: 6 ft and 5 ft apart, half of it from the walls
    public void Rows_of_cans_are_even_and_half_a_space_from_the_walls()
    {
        var outcome = new PlaceCans(new("den"), 5.Feet()).On(Houses.House([Inside("den", RoomUse.Den, 12.Feet(), 10.Feet())]));
        Assert.Equal("Place 4 cans in den, 6'-0\" by 5'-0\" apart", outcome.Phrase);
        Assert.Equal([(36m, 30m), (108m, 30m), (36m, 90m), (108m, 90m)], outcome.Job!.Boxes.Select(b => (b.X.Inches, b.Y.Inches)));
    }

    [Fact]
    public void A_floor_mark_is_two_measures_from_the_nearest_walls()
    {
        var plan = Planner.Plan(Houses.House([Inside("den", RoomUse.Den, 12.Feet(), 10.Feet())])
            .With(Houses.Ceiling("fan", "den", 100, 40, DeviceKind.CeilingFan)));
        var mark = Assert.Single(FloorMarks.Of(plan.Survey));
        Assert.Equal((1, 40.Inches()), mark.First);
        Assert.Equal((2, 44.Inches()), mark.Second);
    }

    [Fact]
    public void Boxes_are_centred_copied_mirrored_and_moved_together()
    {
        var job = Houses.Row(("one", RoomUse.Den, 12), ("two", RoomUse.Den, 12))
            .With(Houses.On("a", "one", 1, 30), Houses.Ceiling("l", "one", 40, 40),
                Houses.Switch("s", "one", 2, 50, DeviceKind.Switch, "l"));
        var clear = Framing.Frame(job).Room(new("one"));
        Assert.Equal(clear.Sides[0].Clear / 2, new CentreBox(new("a"), CentreOn.Wall, 0).On(job).Job!.Boxes[0].Offset);
        Assert.Equal(clear.ClearWidth / 2, new CentreBox(new("l"), CentreOn.Room, 0).On(job).Job!.Boxes[1].X);
        var copied = new CopyBoxes(new("one"), new("two"), false).On(job).Job!;
        Assert.Equal([30.Inches(), 50.Inches()], copied.Boxes.Skip(3).Where(b => b.Mount == Mount.Wall).Select(b => b.Offset));
        var copiedSwitch = copied.Boxes[^1];
        Assert.Equal(copied.Boxes[^2].Id, Assert.Single(copiedSwitch.Devices[0].Controls));
        var mirrored = new CopyBoxes(new("one"), new("two"), true).On(job).Job!;
        // North stays north, told from its other end; the switch of the east wall is on the west one.
        Assert.Equal((1, Framing.Frame(job).Room(new("two")).Sides[0].Clear - 30.Inches()),
            (mirrored.Boxes[3].Wall, mirrored.Boxes[3].Offset));
        Assert.Equal(4, mirrored.Boxes[^1].Wall);
        var moved = new NudgeBoxes([new("a"), new("s")], 16.Inches()).On(job).Job!;
        Assert.Equal([46.Inches(), 66.Inches()], moved.Boxes.Where(b => b.Mount == Mount.Wall).Select(b => b.Offset));
        Assert.Equal(["a"], new DeleteBoxes([new("l"), new("s")]).On(job).Job!.Boxes.Select(b => b.Id.Value));
    }

    [Theory]
    [InlineData(1, "switch")]
    [InlineData(2, "three-way switch|three-way switch")]
    [InlineData(4, "three-way switch|four-way switch|four-way switch|three-way switch")]
    public void A_group_of_n_places_gets_two_three_ways_and_the_rest_four_ways(int places, string kinds)
    {
        var job = Houses.Row(("den", RoomUse.Den, 14)).With(Houses.Ceiling("l", "den", 40, 40));
        for (var i = 0; i < places; i++)
        {
            job = job.With(Houses.Switch($"s{i}", "den", i + 1, 40, DeviceKind.Switch));
            job = new SetControls(new($"s{i}"), 0, [new("l")]).On(job).Job!;
        }

        Assert.Equal(kinds, string.Join('|', job.Boxes.Skip(1).Select(b => Words.Of(b.Devices[0].Kind))));
        if (places > 1)
        {
            // One place less, and the set is made anew.
            var fewer = new SetControls(new("s0"), 0, []).On(job).Job!;
            Assert.DoesNotContain(Planner.Plan(fewer).Tags,
                t => t.Rule == "switching" && t.Headline.Contains("do not make a set", StringComparison.Ordinal));
        }
    }

    [Fact] // switch first: home run to the switch, 14-2 leg to the lamp; light first: home run to the lamp, a loop of three conductors
    public void The_feed_comes_to_the_switch_or_to_the_light_by_school()
    {
        var job = Houses.Row(("den", RoomUse.Den, 14))
            .With(Houses.Ceiling("l", "den", 40, 40), Houses.Switch("s", "den", 1, 40, DeviceKind.Switch, "l"));
        var switchFirst = Planner.Plan(job).CircuitOf(new("l"))!.Runs;
        Assert.Equal([("s", 2), ("l", 2)], switchFirst.Select(r => (r.To.Box!.Value.Value, r.Conductors)));
        var lightFirst = Planner.Plan(job with { Schools = new() { Feed = LightingFeed.LightFirst } }).CircuitOf(new("l"))!.Runs;
        Assert.Equal([("l", 2), ("s", 3)], lightFirst.Select(r => (r.To.Box!.Value.Value, r.Conductors)));
    }

    [Fact]
    public void A_disconnect_is_on_the_circuit_of_its_equipment()
    {
        var job = Houses.Row(("utility", RoomUse.Utility, 14))
            .With(Houses.Appliance("hp", "utility", 1, 60,
                Houses.Plate(Appliance.HeatPump, 240, 4100) with { Mca = new(21), Mocp = new(35) }) with
            { Outside = true },
                Houses.Switch("ds", "utility", 1, 90, DeviceKind.Disconnect, "hp") with { Outside = true });
        var plan = Planner.Plan(job);
        Assert.Same(plan.CircuitOf(new("hp")), plan.CircuitOf(new("ds")));
        Assert.Equal(240, plan.CircuitOf(new("ds"))!.Circuit.Load.Volts.Value);
    }

    [Theory]
    [InlineData(false, 64, true, false)] // 406.12: above 5-1/2 ft it need not be; the contacts are 2 in above the box's bottom
    [InlineData(false, 65, false, false)]
    [InlineData(true, 24, true, true)] // 406.9(B)
    public void What_kind_of_receptacle_is_owed(bool outside, int height, bool tamper, bool weather)
    {
        var plan = Planner.Plan(Houses.Row(("den", RoomUse.Den, 14))
            .With(Houses.On("r", "den", 1, 40) with { Outside = outside, Height = height.Inches() }));
        var listing = Core.Protection.ReceptacleListing.For(plan.Survey[new("r")], plan.CircuitOf(new("r"))!.Protected, plan.Job.Schools)!;
        Assert.Equal((tamper, weather, weather), (listing.TamperResistant, listing.WeatherResistant, listing.InUseCover));
    }

    [Fact]
    public void Every_use_tells_what_follows_from_it() =>
        Assert.All(Enum.GetValues<RoomUse>(),
            use => Assert.All(RoomConsequence.Of(use, CodeBook.For(Edition.Y2020), new()), c => Assert.NotEmpty(c.Section.Text)));
}
