using System.Collections.Immutable;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Tests.Support;

/// <summary>Houses as people build them, by number: rooms off a hall, baths beside bedrooms, a garage set back so that the outline has a
/// notch, on crawl space, slab or a basement with a walk-out, one storey or two, some with a second wing, a wet bar, a shed. The same
/// number
/// gives the same house.</summary>
internal static class BuiltHouses
{
    /// <summary>House number 1 and on, laid out by the rules and with its machines.</summary>
    public static Job Number(int number)
    {
        var draw = new Draw((uint)number);
        var main = Storey(draw, "g", number % 3 == 0);
        var ground = Level("ground", "Ground", main);
        var levels = new List<Level> { ground };
        var under = (Underfloor)(number % 3);
        if (number % 3 == 2)
        {
            under = Underfloor.Slab;
            levels.Insert(0, Basement(draw, main));
        }

        if (number % 3 == 0)
        {
            levels.Add(Level("upper", "Upper", Storey(draw, "u", true, main)));
        }

        levels[^1] = levels[^1] with { AtticAbove = true, AmbientAbove = new(30 + (10 * (number % 3))) };
        var panelRoom = main.Exists(r => r.Use == RoomUse.Garage) ? "g-garage" : "g-laundry";
        var job = new Job
        {
            Name = $"Built house {number}",
            Edition = (Edition)(2017 + (3 * (number / 2 % 3))),
            Schools = CrewSchools.Number(number),
            Structures = [new() { Id = new("house"), Name = "House", Origin = new(Length.Zero, Length.Zero), Underfloor = under,
                Levels = [.. levels] }],
            Panels = [new() { Id = new("A"), Room = new(panelRoom), Wall = 2, Offset = 60.Inches(), Rating = 200.Amps(), Spaces = 60 }],
        };
        job = Taken(job, number % 4 == 1 ? Shed(job) : job);
        job = Taken(job, number % 4 == 3 ? job with { Panels = job.Panels.Add(Second(job)) } : job);
        job = Machines(job, draw, number);
        return LayOut.Everything.On(job).Job ?? job;
    }

    // West to east: living, dining, kitchen, laundry; a hall; then bedrooms with closets and a bath; the garage at the east end, set back.
    // A storey that stands on another keeps its outline and its stair.
    private static List<Room> Storey(Draw draw, string at, bool stair, List<Room>? below = null)
    {
        int north = 12 + draw.Below(4), hall = 4, south = 11 + draw.Below(4);
        int living = 14 + draw.Below(6), dining = 10 + draw.Below(3), kitchen = 12 + draw.Below(4), laundry = 8 + draw.Below(3);
        if (below is not null)
        {
            (living, dining, kitchen, laundry) = (Width(below, 0), Width(below, 1), Width(below, 2), Width(below, 3));
            north = (int)(below[0].Corners[2].Y - below[0].Corners[0].Y).Feet;
            south = (int)(below.First(r => r.Id.Value == "g-bath").Corners[2].Y.Feet - north - hall);
        }

        int x1 = living, x2 = x1 + dining, x3 = x2 + kitchen, x4 = x3 + laundry, y1 = north, y2 = north + hall, y3 = y2 + south;
        var up = below is not null;
        var rooms = new List<Room>
        {
            Of(at + "-living", up ? RoomUse.Bedroom : RoomUse.Family, 0, 0, x1, y1, Door(3, 30), Window(1, 40, 60, 30),
                Window(4, 30, 48, 30)),
            Of(at + "-dining", up ? RoomUse.Den : RoomUse.Dining, x1, 0, x2, y1, up ? Door(3, 20) : Cased(3, 24, 48),
                up || draw.Below(2) == 0 ? Window(1, 24, 48, 30) : Slider(1, 24, 72)),
            Of(at + "-kitchen", up ? RoomUse.Bedroom : RoomUse.Kitchen, x2, 0, x3, y1, Door(3, 16), Window(1, 40, 36, 42)),
            Of(at + "-laundry", up ? RoomUse.Bath : RoomUse.Laundry, x3, 0, x4, y2, new Opening { Id = new("o"), Kind = OpeningKind.Door,
                Wall = 4, Offset = 10.Inches(), Width = 30.Inches() }),
            up ? Of(at + "-hall", RoomUse.Hall, 0, y1, x3, y2)
                : Of(at + "-hall", RoomUse.Hall, 0, y1, x3, y2, Door(4, 4) with { Width = 34.Inches() }),
        };
        var bath = 6 + draw.Below(3);
        int west = up ? Width(below!, "g-bed2") : 10 + draw.Below(4);
        bath = up ? Width(below!, "g-bath") : bath;
        var third = up ? Width(below!, "g-bed3") : 10 + draw.Below(3);
        rooms.AddRange(WithCloset(at + "-bed2", 0, y2, west, y3));
        rooms.Add(Of(at + "-bath", RoomUse.Bath, west, y2, west + bath, y3, Door(1, 12)));
        rooms.AddRange(WithCloset(at + "-bed3", west + bath, y2, west + bath + third, y3));
        var stairAt = west + bath + third;
        var main = stairAt;
        if (stair)
        {
            main += 4;
            rooms.Add(Of(at + "-stair", RoomUse.Stair, stairAt, y2, main, y3, Cased(1, 4, 34)));
        }

        rooms.AddRange(WithCloset(at + "-main", main, y2, x4, y3));
        if (!up && draw.Below(4) > 0)
        {
            int back = 2 + draw.Below(4), wide = 20 + draw.Below(5), deep = Math.Max(22, y2);
            rooms.Add(Of(at + "-garage", RoomUse.Garage, x4, back, x4 + wide, back + deep, new Opening
            {
                Id = new("bay"),
                Kind = OpeningKind.GarageDoor,
                Wall = 3,
                Offset = 18.Inches(),
                Width = 192.Inches()
            }));
        }

        return [.. rooms.Select(r => Furnished(r, draw, up))];
    }

    private static Room Furnished(Room room, Draw draw, bool up)
    {
        var (wide, deep) = ((int)(room.Corners[1].X - room.Corners[0].X).Feet * 12, (int)room.Corners[^2].Y.Feet * 12);
        return room.Use switch
        {
            RoomUse.Kitchen => room with
            {
                Fixtures = [Fixture(FixtureKind.Counter, 1, 0, wide - 14, 25), Fixture(FixtureKind.Sink, 1, 42, 33, 22),
                    Fixture(FixtureKind.Dishwasher, 1, 78, 24, 24), Fixture(FixtureKind.Range, 2, 50, 30, 26),
                    Fixture(FixtureKind.Counter, 2, 82, 30, 25), Fixture(FixtureKind.Refrigerator, 4, 20, 36, 30),
                    .. draw.Below(2) == 0 ? new[] { new Fixture { Kind = FixtureKind.Island, X = 50.Inches(), Y = 64.Inches(),
                        Width = 60.Inches(), Depth = 30.Inches() } } : []],
            },
            RoomUse.Bath => room with
            {
                Fixtures = [Fixture(FixtureKind.Vanity, 2, 36, 36, 21), Fixture(FixtureKind.Tub, 4, up ? 20 : 60, 60, 30)],
            },
            RoomUse.Laundry => room with
            {
                Fixtures = [Fixture(FixtureKind.Washer, 1, 4, 28, 30), Fixture(FixtureKind.Dryer, 1, 34, 28, 30),
                    Fixture(FixtureKind.Sink, 1, 66, 20, 20)],
            },
            RoomUse.Bedroom when room.Corners.Length > 4 => room with { Fixtures = [Fixture(FixtureKind.Bed, 6, 24, 60, 80)] },
            RoomUse.Family when draw.Below(2) == 0 => room with { Fixtures = [Fixture(FixtureKind.Fireplace, 4, 84, 48, 20)] },
            // A wet bar: a counter and a sink in a room for living.
            RoomUse.Family => room with
            {
                Fixtures = [Fixture(FixtureKind.Counter, 2, 10, 72, 25), Fixture(FixtureKind.Sink, 2, 30, 20, 20)],
            },
            RoomUse.Stair => room with { Fixtures = [Fixture(FixtureKind.Stair, 2, 30, Math.Max(60, deep / 4), 40)] },
            _ => room,
        };
    }

    private static Fixture Fixture(FixtureKind kind, int wall, int offset, int width, int depth) =>
        new() { Kind = kind, Wall = wall, Offset = offset.Inches(), Width = width.Inches(), Depth = depth.Inches() };

    private static IEnumerable<Room> WithCloset(string id, int x0, int y0, int x1, int y1)
    {
        Point P(decimal x, decimal y) => new(Length.FromInches(x * 12), Length.FromInches(y * 12));
        var (cut, deep) = (x1 - 5, y1 - 2.5m);
        yield return new()
        {
            Id = new(id),
            Name = id[2..],
            Use = RoomUse.Bedroom,
            Corners = [P(x0, y0), P(x1, y0), P(x1, deep), P(cut, deep), P(cut, y1), P(x0, y1)],
            Openings = [new() { Id = new(id + "-door"), Kind = OpeningKind.Door, Wall = 1, Offset = 10.Inches(), Width = 30.Inches() },
                new() { Id = new(id + "-w"), Kind = OpeningKind.Window, Wall = 5, Offset = 20.Inches(), Width = Math.Min(48, ((cut - x0)
                    * 12) - 30)
                    .Inches(), Sill = 30.Inches() },
                new() { Id = new(id + "-cl"), Kind = OpeningKind.Slider, Wall = 3, Offset = 8.Inches(), Width = 40.Inches() }],
        };
        yield return new()
        {
            Id = new(id + "-closet"),
            Name = id[2..] + " closet",
            Use = RoomUse.Closet,
            Corners = [P(cut, deep), P(x1, deep), P(x1, y1), P(cut, y1)],
            Fixtures = [Fixture(FixtureKind.Shelf, 3, 1, 50, 12)],
        };
    }

    private static Level Basement(Draw draw, List<Room> above)
    {
        int x = (int)above.First(r => r.Id.Value == "g-laundry").Corners[1].X.Feet, y = (int)above.First(r => r.Id.Value == "g-bath")
            .Corners[2].Y.Feet, cut = 14 + draw.Below(8);
        return Level("basement", "Basement",
            [
                Of("b-shop", RoomUse.UnfinishedBasement, 0, 0, cut, y),
                Of("b-den", RoomUse.FinishedBasement, cut, 0, x - 4, y, Door(3, 60), Window(3, 110, 48, 40), Door(4, 60)),
                Of("b-stair", RoomUse.Stair, x - 4, 0, x, y, Cased(4, 60, 34)),
            ]) with
        { Basement = true, CeilingHeight = 90.Inches() };
    }

    private static Level Level(string id, string name, List<Room> rooms) => new()
    {
        Id = new(id),
        Name = name,
        CeilingHeight = 97.Inches(),
        Rooms = [.. rooms],
        FloorJoists = new(JoistRun.NorthSouth, 16.Inches(), 11.Inches()),
        CeilingJoists = new(JoistRun.NorthSouth, 24.Inches(), 8.Inches()),
    };

    private static Room Of(string id, RoomUse use, int x0, int y0, int x1, int y1, params Opening[] openings) =>
        Houses.Rectangle(id, use, x0.Feet(), y0.Feet(), (x1 - x0).Feet(), (y1 - y0).Feet()) with
        { Name = id[2..], Openings = [.. openings.Select((o, i) => o with { Id = new($"{id}-{o.Id}-{i}") })] };

    private static Opening Door(int wall, int offset) =>
        new() { Id = new("door"), Kind = OpeningKind.Door, Wall = wall, Offset = offset.Inches(), Width = 32.Inches() };

    private static Opening Slider(int wall, int offset, int width) =>
        new() { Id = new("slider"), Kind = OpeningKind.Slider, Wall = wall, Offset = offset.Inches(), Width = width.Inches() };

    private static Opening Cased(int wall, int offset, int width) =>
        new() { Id = new("cased"), Kind = OpeningKind.Cased, Wall = wall, Offset = offset.Inches(), Width = width.Inches() };

    private static Opening Window(int wall, int offset, int width, int sill) => new()
    { Id = new("win"), Kind = OpeningKind.Window, Wall = wall, Offset = offset.Inches(), Width = width.Inches(), Sill = sill.Inches() };

    private static int Width(List<Room> rooms, int index) => (int)(rooms[index].Corners[1].X - rooms[index].Corners[0].X).Feet;

    private static int Width(List<Room> rooms, string id) => Width(rooms, rooms.FindIndex(r => r.Id.Value == id));

    // A subpanel at the other end of the house.
    private static Panel Second(Job job) => job.Panels[0] with
    {
        Id = new("B"),
        Room = job.Rooms.First(r => r.Use == RoomUse.Family).Id,
        Wall = 3,
        Offset = 90.Inches(),
        Spaces = 24,
        Rating = 100.Amps(),
        FedFrom = new("A"),
    };

    private static Job Shed(Job job)
    {
        var shed = Houses.WithShed(Houses.ShedPanel).Structures[1] with { Origin = new(90.Feet(), (-40).Feet()) };
        return job with
        {
            Structures = job.Structures.Add(shed),
            Trenches = [new(new("t"), new("house"), shed.Id, [new(20.Feet(), Length.Zero), new(20.Feet(), (-34).Feet()),
                new(90.Feet(), (-34).Feet())], 24.Inches())],
            Panels = job.Panels.Add(Houses.ShedPanel),
        };
    }

    /// <summary>One of those with a shed, 1, 5, 9 and on, fed by a branch circuit from the house.</summary>
    public static Job WithoutPanelInShed(int number)
    {
        var job = Number(number);
        return job with { Panels = job.Panels.RemoveAll(p => p.Id == Houses.ShedPanel.Id) };
    }

    private static Job Machines(Job job, Draw draw, int number)
    {
        Job With(Job j, string room, int wall, int offset, Appliance kind)
        {
            var plate = EquipmentLibrary.Typical(kind);
            return Taken(j, j.With(Houses.Appliance($"m-{kind}".ToLowerInvariant(), room, wall, offset, plate,
                EquipmentLibrary.Fed(plate).Kind)));
        }

        job = With(job, "g-kitchen", 2, 64, Appliance.Range);
        job = With(job, "g-kitchen", 1, 88, Appliance.Dishwasher);
        job = With(job, "g-kitchen", 1, 70, Appliance.Disposer);
        job = With(job, "g-kitchen", 4, 34, Appliance.Refrigerator);
        job = With(job, "g-laundry", 1, 44, Appliance.Dryer);
        job = With(job, "g-laundry", 2, 100, Appliance.WaterHeater);
        job = With(job, "g-laundry", 3, 30, Appliance.AirHandler);
        job = With(job, "g-garage", 2, 30, Appliance.VehicleCharger);
        job = With(job, "g-garage", 2, 120, Appliance.Freezer);
        job = With(job, "b-shop", 4, 30, Appliance.SumpPump);
        job = With(job, "b-shop", 4, 90, Appliance.Pump);
        if (number % 2 == 0)
        {
            job = Taken(job, job.With(Houses.Appliance("m-heatpump", "g-living", 4, 70, EquipmentLibrary.All.First(p =>
                p.Appliance == Appliance.HeatPump)) with
            { Outside = true, Height = 24.Inches() }));
        }

        return draw.Below(3) == 0 ? With(job, "g-living", 3, 100, Appliance.SpaceHeater) : job;
    }

    private static Job Taken(Job before, Job after) => JobProblems.First(after) is null ? after : before;
}
