using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Outlets that a place must have, and what does not stand for them.</summary>
public sealed class RequiredOutletTests
{
    private static bool Owed(Job job, string rule) => Planner.Plan(job).Tags.Any(t => t.Rule == rule && t.Severity == Severity.Red);

    private static Fixture On(FixtureKind kind, int wall, int offset, int width, int depth = 22) =>
        new() { Kind = kind, Wall = wall, Offset = offset.Inches(), Width = width.Inches(), Depth = depth.Inches() };

    private static Job One(RoomUse use, int feet, params Fixture[] fixtures) => Houses.House(
        [Houses.Rectangle("room", use, Length.Zero, Length.Zero, feet.Feet(), 12.Feet()) with { Fixtures = [.. fixtures] }]);

    private static Opening Opening(string id, OpeningKind kind, int wall, int offset, int width) =>
        new() { Id = new(id), Kind = kind, Wall = wall, Offset = offset.Inches(), Width = width.Inches() };

    [Fact] // 210.52(F): the laundry's receptacle is one of 125 V
    public void A_dryers_receptacle_is_not_the_laundrys()
    {
        var dryer = One(RoomUse.Laundry, 10).With(Houses.Appliance("dryer", "room", 1, 30,
            Houses.Plate(Appliance.Dryer, 240, 5600) with { Cord = true, Neutral = true }, DeviceKind.ApplianceReceptacle));
        Assert.True(Owed(dryer, "210.52(F)"));
        Assert.False(Owed(dryer.With(Houses.On("r", "room", 1, 60)), "210.52(F)"));
    }

    // A den with a slider in its north wall, 60 to 96 in along, on a second storey or not; a receptacle outdoors in that wall.
    private static Job Balcony(bool? deck, bool upstairs, int? receptacle)
    {
        Room Den(string id) => Houses.Rectangle(id, RoomUse.Den, Length.Zero, Length.Zero, 24.Feet(), 12.Feet());
        var job = Houses.House([Den("room")]);
        var level = job.Structures[0].Levels[0];
        var open = level with
        {
            Rooms = [Den("room") with { Openings = [Opening("d", OpeningKind.Slider, 1, 60, 36) with { Deck = deck }] }],
        };
        var under = level with { Id = new("under"), Name = "Under", Rooms = [Den("below")] };
        return (job with { Structures = [job.Structures[0] with { Levels = upstairs ? [under, open] : [open] }] })
            .With(receptacle is int at ? [Houses.On("x", "room", 1, at) with { Outside = true }] : []);
    }

    [Theory] // RuleId.DeckReceptacle: within 96 in of the middle of the door, which is at 78; a door above grade leads somewhere
    [InlineData(true, false, null, true)]
    [InlineData(true, false, 171, false)]
    [InlineData(true, false, 176, true)]
    [InlineData(null, false, null, false)]
    [InlineData(null, true, null, true)]
    [InlineData(false, true, null, false)]
    [InlineData(null, true, 40, false)]
    public void A_balcony_or_deck_has_a_receptacle(bool? deck, bool upstairs, int? receptacle, bool owed) =>
        Assert.Equal(owed, Owed(Balcony(deck, upstairs, receptacle), "210.52(E)(3)"));

    [Fact]
    public void It_is_laid_out_beside_the_door()
    {
        var tag = Assert.Single(Planner.Plan(Balcony(null, true, null)).Tags, t => t.Rule == "210.52(E)(3)");
        var after = Assert.Single(tag.Fixes).Change.On(Balcony(null, true, null)).Job!;
        Assert.False(Owed(after, "210.52(E)(3)"));
        Assert.True(Assert.Single(after.Boxes).Outside);
    }

    [Theory] // 210.52(G): in addition to those for specific equipment
    [InlineData(RoomUse.UnfinishedBasement, "210.52(G)(3)")]
    [InlineData(RoomUse.Garage, "210.52(G)(1)")]
    public void A_machines_own_receptacle_stands_for_no_other(RoomUse use, string rule)
    {
        var own = One(use, 12).With(Houses.Appliance("m", "room", 1, 30,
            Houses.Plate(Appliance.Freezer, 120, 500) with { Cord = true }, DeviceKind.Single));
        Assert.True(Owed(own, rule));
        Assert.False(Owed(own.With(Houses.On("r", "room", 1, 60)), rule));
    }

    [Fact] // 210.52(G)(1): "with electric power"
    public void A_detached_garage_without_power_owes_nothing()
    {
        var job = Houses.WithShed(null);
        var shed = job.Structures[1];
        var garage = job with
        {
            Structures = [job.Structures[0], shed with
            {
                Levels = [shed.Levels[0] with
                {
                    Rooms = [shed.Levels[0].Rooms[0] with { Use = RoomUse.Garage, Openings = [Opening("d", OpeningKind.Door, 1, 20, 36)] }],
                }],
            }],
        };
        Assert.False(Owed(garage, "210.52(G)(1)"));
        Assert.False(Owed(garage, "210.70(A)(2)"));
        // 210.70(A)(2)(2): with power, a light outside its door; other outbuildings are not named.
        var fed = garage.With(Houses.On("r", "shop", 1, 60));
        Assert.True(Owed(fed, "210.70(A)(2)"));
        Assert.False(Owed(Houses.WithShed(null).With(Houses.On("r", "shop", 1, 60)), "210.70(A)(2)"));
    }

    [Theory] // 210.52(H): along the middle, round corners: 7-1/2 + 7-1/2 = 15 ft; a straight one of 9 ft is short
    [InlineData(true, true)]
    [InlineData(false, false)]
    public void A_hall_is_measured_round_its_corners(bool turned, bool owed)
    {
        Point At(decimal x, decimal y) => new(Length.FromInches(x), Length.FromInches(y));
        // Inside 9 × 9 ft over all and 3 ft wide: half a partition less each way.
        var (wide, half) = (36 + 6.5m, 108 + 6.5m);
        var hall = Houses.Rectangle("room", RoomUse.Hall, Length.Zero, Length.Zero, 1.Feet(), 1.Feet()) with
        {
            Corners = turned ? [At(0, 0), At(half, 0), At(half, wide), At(wide, wide), At(wide, half), At(0, half)]
                : [At(0, 0), At(half, 0), At(half, wide), At(0, wide)],
        };
        Assert.Equal(owed, Owed(Houses.House([hall]) with { Panels = [Houses.Panel("room") with { Wall = 1, Offset = 50.Inches() }] },
            "210.52(H)"));
    }

    [Fact]
    public void A_straight_passage_is_as_long_as_it_is()
    {
        Point At(int x, int y) => new(x.Feet(), y.Feet());
        Assert.Equal(14.Feet(), Outline.CentreLine([At(0, 0), At(14, 0), At(14, 4), At(0, 4)]));
        Assert.Equal(9.Feet(), Outline.CentreLine([At(0, 0), At(9, 0), At(9, 9), At(0, 9)]));
        // Three legs of a T, 3 ft wide: 12 along the bar and 6 more down from it.
        Assert.Equal(18.Feet(), Outline.CentreLine(
            [At(0, 0), At(12, 0), At(12, 3), At(8, 3), At(8, 9), At(5, 9), At(5, 3), At(0, 3)]));
    }

    [Theory] // 210.52(D): at most 12 in below the basin's top, taken at 36 in
    [InlineData(14, true)]
    [InlineData(23, true)]
    [InlineData(24, false)]
    [InlineData(44, false)]
    public void The_basins_receptacle_is_near_its_top(int height, bool owed) =>
        Assert.Equal(owed, Owed(One(RoomUse.Bath, 10, On(FixtureKind.Vanity, 1, 40, 30)).With(
            Houses.On("r", "room", 1, 80) with { Height = height.Inches() }), "210.52(D)"));

    [Fact] // 210.52(F), 210.11(C)(2), 210.8(A)(10): a washer in a hall's closet makes a laundry area of it
    public void A_washer_in_a_closet_is_a_laundry()
    {
        var job = Houses.House([Houses.Rectangle("hall", RoomUse.Hall, Length.Zero, Length.Zero, 8.Feet(), 12.Feet()),
            Houses.Rectangle("closet", RoomUse.Closet, 8.Feet(), Length.Zero, 6.Feet(), 12.Feet()) with
            { Fixtures = [On(FixtureKind.Washer, 1, 10, 30, 28)] }]);
        Assert.True(Owed(job, "210.52(F)"));
        var with = job.With(Houses.On("w", "closet", 1, 25), Houses.On("far", "closet", 3, 20), Houses.On("h", "hall", 1, 40));
        var plan = Planner.Plan(with);
        Assert.False(Owed(with, "210.52(F)"));
        Assert.Equal((Circuits.CircuitKind.Laundry, 20m),
            (plan.CircuitOf(new("w"))!.Circuit.Kind, plan.CircuitOf(new("w"))!.Breaker.Value));
        Assert.Equal("210.8(A)(10)", plan.CircuitOf(new("w"))!.Outlets[new("w")].Gfci?.Section);
        // Eight feet off it is the closet's own, and so is the hall's.
        Assert.True(plan.CircuitOf(new("far"))!.Circuit.IsGeneral);
        Assert.True(plan.CircuitOf(new("h"))!.Circuit.IsGeneral);
    }

    [Theory] // 210.50(C): within 6 ft of the washer, which ends at 40 in
    [InlineData(100, false)]
    [InlineData(130, true)]
    public void A_laundrys_receptacle_is_near_its_washer(int inches, bool owed) =>
        Assert.Equal(owed, Owed(One(RoomUse.Laundry, 14, On(FixtureKind.Washer, 1, 10, 30, 28)).With(Houses.On("r", "room", 1, inches)),
            "210.50(C)"));

    [Theory] // 406.9(C), exception: a bath of 5 × 5 ft has no wall that is 3 ft from its tub; one of 5 × 11 ft has, by the basin too
    [InlineData(5, Severity.Amber)]
    [InlineData(11, Severity.Red)]
    public void A_small_bath_has_no_other_place(int feet, Severity severity)
    {
        var room = Houses.Rectangle("room", RoomUse.Bath, Length.Zero, Length.Zero, 5.Feet() + Houses.Outer,
            feet.Feet() + Houses.Outer) with
        {
            // The tub across the south end, the basin at the north end of the west wall.
            Fixtures = [On(FixtureKind.Tub, 3, 0, 60, 30), On(FixtureKind.Vanity, 4, feet == 5 ? 36 : 100, 20, 18)],
        };
        var job = (Houses.House([room]) with { Panels = [Houses.Panel("room") with { Offset = 30.Inches() }] })
            .With(Houses.On("r", "room", 2, feet == 5 ? 15 : 80) with { Height = 44.Inches() });
        Assert.Equal(severity, Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "406.9(C)").Severity);
    }

    [Fact] // 600 baths: where some wall within 3 ft of a basin is 3 ft off tub and shower, laying out takes such a wall
    public void A_basins_receptacle_is_laid_out_off_the_tub_wherever_it_can_be()
    {
        var could = 0;
        for (var seed = 1; seed <= 600; seed++)
        {
            var draw = new Draw((uint)seed);
            int wide = 60 + (6 * draw.Below(16)), deep = 60 + (6 * draw.Below(16)), tubWall = 1 + draw.Below(4), wall = 1 + draw.Below(4);
            int Clear(int w) => w % 2 == 1 ? wide : deep;
            if (wall == tubWall || Clear(tubWall) < 60)
            {
                continue;
            }

            var room = Houses.Rectangle("room", RoomUse.Bath, Length.Zero, Length.Zero, Length.FromInches(wide) + Houses.Outer,
                Length.FromInches(deep) + Houses.Outer) with
            {
                Fixtures = [On(FixtureKind.Tub, tubWall, draw.Below(2) * (Clear(tubWall) - 60), 60, 30),
                    On(FixtureKind.Vanity, wall, draw.Below(Clear(wall) - 24), 24, 18)],
            };
            var bath = Houses.House([room, Houses.Rectangle("hall", RoomUse.Hall, Length.FromInches(wide) + Houses.Outer, Length.Zero,
                12.Feet(), 12.Feet())]) with
            { Panels = [Houses.Panel("hall")] };
            var framed = House.Framing.Frame(bath).Room(new("room"));
            var (tub, basin) = (framed.Footprint(room.Fixtures[0]), framed.Footprint(room.Fixtures[1]));
            if (House.Shapes.Overlap(House.Shapes.Box(tub.Item1, tub.Item2), House.Shapes.Box(basin.Item1, basin.Item2))
                || Changes.LayOut.Everything.On(bath).Job is not { } laid)
            {
                continue;
            }

            could++;
            Assert.True(!Planner.Plan(laid).Tags.Any(t => t.Rule == "406.9(C)" && t.Severity == Severity.Red), $"bath {seed}");
        }

        Assert.InRange(could, 200, 600);
    }

    [Theory] // 210.70(C): where something is stored or serviced
    [InlineData(RoomUse.Utility, false, true)]
    [InlineData(RoomUse.CrawlSpace, false, false)]
    [InlineData(RoomUse.CrawlSpace, true, true)]
    public void A_room_with_equipment_has_a_light(RoomUse use, bool pump, bool owed)
    {
        var job = Houses.House([Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 12.Feet(), 12.Feet()),
            Houses.Rectangle("room", use, 12.Feet(), Length.Zero, 12.Feet(), 12.Feet())]);
        Assert.Equal(owed, Owed(pump ? job.With(Houses.Appliance("p", "room", 1, 30,
            Houses.Plate(Appliance.SumpPump, 120, 900) with { Cord = true }, DeviceKind.Single)) : job, "210.70(C)"));
    }

    [Theory] // 210.52(A)(2)(1): what has a work surface breaks no wall line of a habitable room; a cabinet without one does
    [InlineData(FixtureKind.Counter, true)]
    [InlineData(FixtureKind.Cabinet, false)]
    public void A_built_in_desk_is_wall_space(FixtureKind kind, bool owed)
    {
        // All walls but the desk's are taken by cabinets.
        var job = One(RoomUse.Den, 10, On(kind, 1, 0, 96), On(FixtureKind.Cabinet, 1, 96, 18, 1), On(FixtureKind.Cabinet, 2, 0, 138, 1),
            On(FixtureKind.Cabinet, 3, 0, 114, 1), On(FixtureKind.Cabinet, 4, 0, 138, 1));
        Assert.Equal(owed, Owed(job, "210.52(A)(1)"));
    }

    [Fact] // 210.52(A)(2)(2): the fixed panel of a slider is wall space: 4 ft of 8, and 3 beside it
    public void Half_a_slider_is_wall_space()
    {
        var room = Houses.Rectangle("room", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        {
            Openings = [Opening("s", OpeningKind.Slider, 1, 36, 96)],
            Fixtures = [On(FixtureKind.Cabinet, 4, 0, 138, 1)],
        };
        var spaces = Planner.Plan(Houses.House([room])).Survey.Coverage;
        Assert.Contains(spaces, s => s.Clear == 84.Inches() || s.Clear == 83.Inches());
    }

    // A basement level below a ground level with the entry and a door at the back.
    private static Job OnBasement(params Opening[] walkOut)
    {
        var job = Houses.Row(("den", RoomUse.Den, 12));
        var ground = job.Structures[0].Levels[0];
        var below = ground with
        {
            Id = new("below"),
            Name = "Basement",
            Rooms = [Houses.Rectangle("cellar", RoomUse.UnfinishedBasement, Length.Zero, Length.Zero, 24.Feet(), 24.Feet()) with
            { Openings = [.. walkOut] }],
            FloorJoists = null,
            AtticAbove = false,
        };
        var above = ground with
        {
            Rooms =
            [
                Houses.Rectangle("entry", RoomUse.Entry, Length.Zero, Length.Zero, 24.Feet(), 12.Feet()) with
                { Openings = [Opening("front", OpeningKind.Door, 1, 60, 36)] },
                Houses.Rectangle("den", RoomUse.Den, Length.Zero, 12.Feet(), 24.Feet(), 12.Feet()) with
                { Openings = [Opening("back", OpeningKind.Door, 3, 60, 36)] },
            ],
            FloorJoists = ground.CeilingJoists,
        };
        return job with
        {
            Structures = [job.Structures[0] with { Underfloor = Underfloor.Slab, Levels = [below, above] }],
            Panels = [Houses.Panel("cellar")],
        };
    }

    [Fact] // 210.52(E)(1), 210.70(A)(2)(2): at grade, which is not the basement
    public void A_house_on_a_basement_has_its_outlets_at_grade()
    {
        var tags = Planner.Plan(OnBasement()).Tags;
        Assert.Equal(2, tags.Count(t => t.Rule == "210.52(E)(1)"));
        Assert.Equal(["den", "entry"], tags.Where(t => t.Rule == "210.70(A)(2)").Select(t => t.Subject.Id).Order());
        // A walk-out's door is at grade too.
        var out_ = Planner.Plan(OnBasement(Opening("out", OpeningKind.Door, 2, 60, 36))).Tags;
        Assert.Contains(out_, t => t.Rule == "210.70(A)(2)" && t.Subject.Id == "cellar");
        Assert.Contains(out_, t => t.Rule == "210.52(E)(1)" && t.Headline.Contains("front", StringComparison.Ordinal)
            && t.Subject.Id == "entry");
    }

    [Theory] // 220.12, 220.11, 220.5(C): 24 × 24 ft on centres, 24-6-1/2 over all, twice, or once where it can never be finished
    [InlineData(false, 2)]
    [InlineData(true, 1)]
    public void An_unfinished_basement_counts_unless_it_can_never_be_finished(bool never, int levels)
    {
        var job = OnBasement();
        var levelsOf = job.Structures[0].Levels;
        var area = Planner.Plan(job with
        {
            Structures = [job.Structures[0] with { Levels = [levelsOf[0] with { NeverFinished = never }, levelsOf[1]] }],
        }).Survey.FloorArea.Value;
        var over = (decimal)Math.Pow(24 + (6.5 / 12), 2);
        Assert.InRange(area, (levels * over) - 3, (levels * over) + 3);
    }
}
