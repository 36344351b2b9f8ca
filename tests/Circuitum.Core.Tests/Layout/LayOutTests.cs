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

/// <summary>Laying out by rule on small houses, with places worked by hand.</summary>
public sealed partial class LayOutTests
{
    // Clear inside along the north wall; 6-1/2 in more on the centre lines.
    private static Room Inside(string id, RoomUse use, Length width, Length depth, params Fixture[] fixtures) =>
        Houses.Rectangle(id, use, Length.Zero, Length.Zero, width + Houses.Outer, depth + Houses.Outer) with { Fixtures = [.. fixtures] };

    private static Fixture On(FixtureKind kind, int wall, int offset, int width, int depth = 25) =>
        new() { Kind = kind, Wall = wall, Offset = offset.Inches(), Width = width.Inches(), Depth = depth.Inches() };

    private static Opening Door(string id, int wall, int offset, int width = 32) =>
        new() { Id = new(id), Kind = OpeningKind.Door, Wall = wall, Offset = offset.Inches(), Width = width.Inches() };

    private static Job Laid(Job job)
    {
        var outcome = LayOut.Everything.On(job);
        Assert.Null(outcome.Refusal);
        return outcome.Job!;
    }

    private static IEnumerable<Box> Receptacles(Job job) => job.Boxes.Where(b => b.Devices.Any(d => d.Kind.IsGeneralReceptacle()));

    private static List<Tag> Tags(Job job, string rule) => [.. Planner.Plan(job).Tags.Where(t => t.Rule == rule)];

    // Cabinets take all walls but a stretch of the north one.
    private static Job Stretch(int inches)
    {
        var room = Inside("den", RoomUse.Den, 20.Feet(), 14.Feet(), On(FixtureKind.Cabinet, 1, 0, 24, 1),
            On(FixtureKind.Cabinet, 1, 24 + inches, 240 - 24 - inches, 1), On(FixtureKind.Cabinet, 2, 0, 168, 1),
            On(FixtureKind.Cabinet, 3, 0, 240, 1), On(FixtureKind.Cabinet, 4, 0, 168, 1));
        return Houses.House([room]) with { Panels = [Houses.Panel("den") with { Wall = 3 }] };
    }

    [Theory] // case 22 and its neighbours
    [InlineData(23, 0)]
    [InlineData(24, 1)]
    [InlineData(143, 1)]
    [InlineData(144, 1)]
    [InlineData(145, 2)]
    public void A_wall_space_gets_the_fewest_receptacles_that_serve_it(int inches, int count)
    {
        var job = Laid(Stretch(inches));
        Assert.Equal(count, Receptacles(job).Count());
        Assert.All(Planner.Plan(job).Survey.Coverage, s => Assert.True(s.Served));
    }

    [Fact]
    public void Twelve_feet_have_their_one_receptacle_at_the_middle() =>
        Assert.Equal((24 + 72).Inches(), Assert.Single(Receptacles(Laid(Stretch(144)))).Offset);

    // 10 ft: anywhere from 4 to 6 ft serves; the stud at 64 in from the wall's start, 60-3/4 from the inside corner, has a box at 62-5/8
    [Fact]
    public void Where_there_is_a_choice_the_box_stands_on_a_stud()
    {
        var box = Assert.Single(Receptacles(Laid(Stretch(120))));
        var centre = box.Offset + Length.FromInches(3.25m);
        Assert.Contains((centre.Inches % 16) - 1.875m, new[] { 0m, -3.75m, 12.25m });
    }

    [Fact] // the crew's 4 ft asks for two where the book asks for one
    public void A_denser_reach_of_the_crew_is_kept_and_tagged_amber()
    {
        var job = Stretch(120) with { HouseRules = new() { ReceptacleReach = 4.Feet() } };
        Assert.Equal(2, Receptacles(Laid(job)).Count());
        var sparse = job.With(Houses.On("mine", "den", 1, 84));
        Assert.Equal(Severity.Amber, Assert.Single(Tags(sparse, "receptacle reach")).Severity);
        Assert.Empty(Tags(sparse, "210.52(A)(1)"));
    }

    private static Job Counter(int inches, Edition edition = Edition.Y2020, params Fixture[] more) =>
        Houses.House([Inside("kitchen", RoomUse.Kitchen, 16.Feet(), 14.Feet(),
            [On(FixtureKind.Counter, 1, 0, inches), On(FixtureKind.Range, 1, inches, 30), .. more])]) with
        { Edition = edition, Panels = [Houses.Panel("kitchen") with { Wall = 3 }] };

    [Theory] // case 24 and its neighbours
    [InlineData(11, 0)]
    [InlineData(12, 1)]
    [InlineData(48, 1)]
    [InlineData(49, 2)]
    [InlineData(84, 2)]
    [InlineData(97, 3)]
    public void A_counter_gets_a_receptacle_within_24_inches_of_every_point(int inches, int count)
    {
        var job = Laid(Counter(inches));
        Assert.Equal(count, Receptacles(job).Count(b => b.ServesCounter));
        Assert.Empty(Tags(job, "210.52(C)(1)"));
    }

    [Fact]
    public void Four_feet_of_counter_have_theirs_at_the_middle() =>
        Assert.Equal(24.Inches(), Assert.Single(Receptacles(Laid(Counter(48))), b => b.ServesCounter).Offset);

    [Fact]
    public void A_sink_breaks_a_counter_and_a_corner_does_not()
    {
        var broken = CounterSpaces.Split(Framing.Frame(Counter(96, Edition.Y2020, On(FixtureKind.Sink, 1, 30, 33))).Room(new("kitchen")),
            CodeBook.For(Edition.Y2020).Outlets);
        Assert.Equal([30m, 33m], broken.Select(s => s.Clear.Inches).Order());
        // From the west wall, 30 in of its south end, round the corner and 60 in along the north wall: 25 in of depth and an inch belong to
        // the turn.
        var turned = CounterSpaces.Split(
            Framing.Frame(Houses.House(
                [Inside("kitchen", RoomUse.Kitchen, 16.Feet(), 14.Feet(), On(FixtureKind.Counter, 1, 0, 60),
                    On(FixtureKind.Counter, 4, 168 - 25 - 30, 30))])).Room(new("kitchen")), CodeBook.For(Edition.Y2020).Outlets);
        Assert.Equal(60 + 30 + 25, Assert.Single(turned).Clear.Inches);
    }

    [Theory] // 24 × 12 in in 2017: one; 2020: from 12 in of width one for 9 ft², one more for each 18 ft² or part; 2023: none
    [InlineData(23, 12, 0, 1, 0)]
    [InlineData(20, 20, 0, 1, 0)]
    [InlineData(20, 11, 0, 0, 0)]
    [InlineData(24, 12, 1, 1, 0)]
    [InlineData(36, 36, 1, 1, 0)]
    [InlineData(37, 36, 1, 2, 0)]
    [InlineData(108, 36, 1, 2, 0)]
    [InlineData(109, 36, 1, 3, 0)]
    public void Islands_by_edition(int width, int depth, int y2017, int y2020, int y2023)
    {
        foreach (var (edition, owed) in new[] { (Edition.Y2017, y2017), (Edition.Y2020, y2020), (Edition.Y2023, y2023) })
        {
            Assert.Equal(owed, CodeBook.For(edition).Outlets.OfIsland(width.Inches(), depth.Inches()));
            var island = new Fixture
            {
                Kind = FixtureKind.Island,
                X = 30.Inches(),
                Y = 70.Inches(),
                Width = width.Inches(),
                Depth = depth.Inches()
            };
            var job = Laid(Counter(11, edition, island));
            Assert.Equal(owed, job.Boxes.Count(b => b.Mount == Mount.Floor && b.ServesCounter));
            Assert.DoesNotContain(Tags(job, "210.52(C)(2)"), t => t.Severity == Severity.Red);
        }
    }

    [Fact]
    public void A_basin_gets_a_receptacle_within_3_feet_and_out_of_the_tubs_3_feet()
    {
        var job = Laid(Houses.House(
            [Inside("bath", RoomUse.Bath, 9.Feet(), 8.Feet(), On(FixtureKind.Vanity, 1, 6, 36, 21), On(FixtureKind.Tub, 3, 0, 60, 30))])
            with
        { Panels = [Houses.Panel("bath") with { Wall = 2 }] });
        var box = Assert.Single(Receptacles(job));
        Assert.Equal(44.Inches(), box.Height);
        Assert.Empty(Tags(job, "210.52(D)"));
        Assert.Empty(Tags(job, "406.9(C)"));
    }

    [Theory] // 406.9(C) is of 2020: 35 in from the tub it is tagged, 36 in not, in 2017 never
    [InlineData(Edition.Y2020, 95, true)]
    [InlineData(Edition.Y2020, 96, false)]
    [InlineData(Edition.Y2017, 95, false)]
    public void A_receptacle_near_a_tub(Edition edition, int offset, bool tagged)
    {
        var job = Houses.House([Inside("bath", RoomUse.Bath, 14.Feet(), 8.Feet(), On(FixtureKind.Tub, 1, 0, 60, 30))])
            .With(Houses.On("r", "bath", 1, offset)) with
        { Edition = edition };
        Assert.Equal(tagged, Tags(job, "406.9(C)").Count > 0);
    }

    [Theory]
    [InlineData(119, 0)]
    [InlineData(120, 1)]
    public void A_hall_of_ten_feet_gets_one(int inches, int count) =>
        Assert.Equal(count, Receptacles(
            Laid(Houses.House([Inside("hall", RoomUse.Hall, inches.Inches(), 4.Feet())]) with
            { Panels = [Houses.Panel("hall") with { Offset = 24.Inches() }] })).Count());

    [Fact] // 7'-9" × 7'-9" is 60.06 ft², 7'-8" × 7'-9" 59.4
    public void A_foyer_over_60_square_feet_gets_one_to_each_wall_of_3_feet()
    {
        Room Foyer(int width) => Inside("foyer", RoomUse.Entry, width.Inches(), 93.Inches()) with
        { Openings = [Door("front", 3, 30), Door("in", 1, 30), Door("side", 2, 30), Door("other", 4, 30)] };
        Assert.DoesNotContain(Receptacles(Laid(Houses.House([Foyer(92)]))), b => !b.Outside);
        Assert.Equal(4, Receptacles(Laid(Houses.House([Foyer(93)]))).Count(b => !b.Outside));
    }

    [Theory]
    [InlineData(96, 1)]
    [InlineData(143, 1)]
    [InlineData(144, 2)]
    public void A_garage_gets_one_for_each_bay(int door, int bays)
    {
        var room = Inside("garage", RoomUse.Garage, 22.Feet(), 22.Feet()) with
        { Openings = [new() { Id = new("g"), Kind = OpeningKind.GarageDoor, Wall = 3, Offset = 20.Inches(), Width = door.Inches() }] };
        var boxes = Receptacles(Laid(Houses.House([room]))).Where(b => !b.Outside).ToList();
        Assert.Equal(bays, boxes.Count);
        Assert.All(boxes, b => Assert.True(b.Height <= 66.Inches()));
    }

    [Fact]
    public void Outdoors_front_and_back_get_one_each_and_lights_at_their_doors()
    {
        var job = Laid(Houses.House([Inside("entry", RoomUse.Entry, 7.Feet(), 8.Feet()) with { Openings = [Door("front", 3, 20)] }]));
        var outside = job.Boxes.Where(b => b.Outside).ToList();
        Assert.Equal([1, 3], outside.Where(b => b.Devices[0].Kind == DeviceKind.Duplex).Select(b => b.Wall).Order());
        var lamp = Assert.Single(outside, b => b.Devices[0].Kind == DeviceKind.OutdoorLight);
        Assert.Contains(job.Boxes.SelectMany(b => b.Devices), d => d.Controls.Contains(lamp.Id));
    }

    [Theory] // 25 ft from the unit at 24 in: 300 in farther is 324
    [InlineData(324, 0)]
    [InlineData(325, 1)]
    public void HVAC_equipment_has_a_receptacle_within_25_feet(int at, int tags)
    {
        var job = Houses.House([Inside("utility", RoomUse.Utility, 30.Feet(), 10.Feet())]).With(
            Houses.Appliance("ah", "utility", 1, 24, Houses.Plate(Appliance.AirHandler, 240, 2400)), Houses.On("r", "utility", 1, at));
        Assert.Equal(tags, Tags(job, "210.63").Count);
        Assert.Empty(Tags(tags == 0 ? job : Laid(job), "210.63"));
    }

    private static Job Bedrooms(bool garage, bool fuel)
    {
        var hall = Houses.Rectangle("hall", RoomUse.Hall, Length.Zero, Length.Zero, 20.Feet(), 4.Feet()) with
        { Openings = [Door("d1", 3, 20), Door("d2", 3, 150)] };
        var one = Houses.Rectangle("bed-1", RoomUse.Bedroom, Length.Zero, 4.Feet(), 10.Feet(), 10.Feet());
        var two = Houses.Rectangle("bed-2", RoomUse.Bedroom, 10.Feet(), 4.Feet(), 10.Feet(), 10.Feet());
        var more = garage ? new[] { Houses.Rectangle("garage", RoomUse.Garage, 20.Feet(), Length.Zero, 20.Feet(), 14.Feet()) } : [];
        var job = Houses.House([hall, one, two, .. more]);
        return job with
        {
            Structures = [job.Structures[0] with { FuelBurning = fuel }],
            Panels = [Houses.Panel("hall") with { Offset = 24.Inches() }]
        };
    }

    [Theory]
    [InlineData(false, false, DeviceKind.SmokeAlarm)]
    [InlineData(true, false, DeviceKind.SmokeCoAlarm)]
    [InlineData(false, true, DeviceKind.SmokeCoAlarm)]
    public void Alarms_in_each_bedroom_and_outside_them_carbon_monoxide_where_it_applies(bool garage, bool fuel, DeviceKind inHall)
    {
        var job = Laid(Bedrooms(garage, fuel));
        var alarms = job.Boxes.Where(b => b.Devices.Any(d => d.Kind.IsAlarm())).ToDictionary(b => b.Room.Value, b => b.Devices[0].Kind);
        Assert.Equal(new Dictionary<string, DeviceKind>
        { ["bed-1"] = DeviceKind.SmokeAlarm, ["bed-2"] = DeviceKind.SmokeAlarm, ["hall"] = inHall }, alarms);
    }
}
