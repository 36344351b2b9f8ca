using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Training;

/// <summary>Small made-up houses to practise in: a room or two, few boxes, and a panel.</summary>
internal static class PracticeHouses
{
    /// <summary>A bedroom with outlets in a row along its north wall, the panel at its west end.</summary>
    /// <param name="outlets">How many, 2 to 10.</param>
    public static Job Bedroom(int outlets) => Room("bedroom", "Bedroom", RoomUse.Bedroom, 12 + (outlets * 5)) with
    {
        Schools = new() { Lighting = LightsAndReceptacles.ApartBedrooms15 },
        Boxes = [.. Enumerable.Range(1, outlets).Select(i => OnWall($"r{i}", $"Outlet {i}", "bedroom", 30 + (i * 56), DeviceKind.Duplex))],
    };

    /// <summary>A bath with two outlets: the first protects the second.</summary>
    public static Job Bath => Room("bath", "Bath", RoomUse.Bath, 20) with
    {
        Schools = new() { Gfci = GfciWay.FirstReceptacle },
        Boxes = [OnWall("a", "Basin outlet", "bath", 60, DeviceKind.Duplex), OnWall("b", "Far outlet", "bath", 130, DeviceKind.Duplex)],
    };

    /// <summary>A den with a lamp and a switch.</summary>
    /// <param name="feed">Whether the feed comes to the switch or to the lamp.</param>
    public static Job Lamp(LightingFeed feed) => Room("den", "Den", RoomUse.Den, 20) with
    {
        Schools = new() { Feed = feed },
        Boxes = [Ceiling("l", "Lamp", DeviceKind.Lamp), Switches("s", "Switch", 30, "l", DeviceKind.Switch)],
    };

    /// <summary>A hall with a lamp that is worked from two places, or from three.</summary>
    /// <param name="between">A four-way stands between.</param>
    public static Job Hall(bool between) => Room("den", "Hall", RoomUse.Hall, 24) with
    {
        Boxes =
        [
            Ceiling("l", "Hall lamp", DeviceKind.Lamp),
            Switches("s", "First switch", 30, "l", DeviceKind.ThreeWay),
            .. between ? new[] { Switches("m", "Middle switch", 130, "l", DeviceKind.FourWay) } : [],
            Switches("t", "Last switch", 240, "l", DeviceKind.ThreeWay),
        ],
    };

    /// <summary>A den with a fan and its light, each with a switch of its own in one box.</summary>
    public static Job Fan => Room("den", "Den", RoomUse.Den, 20) with
    {
        Boxes = [Ceiling("f", "Fan", DeviceKind.CeilingFan), Switches("s", "Switches", 30, "f", DeviceKind.Switch, DeviceKind.FanControl)],
    };

    /// <summary>A utility room with a water heater across both legs.</summary>
    public static Job WaterHeater => Room("shop", "Utility room", RoomUse.Utility, 16) with
    {
        Boxes =
        [
            new()
            {
                Id = new("it"), Name = "Water heater", Room = new("shop"), Wall = 1, Offset = 60.Inches(),
                Devices = [EquipmentLibrary.Fed(EquipmentLibrary.Typical(Appliance.WaterHeater))],
            },
        ],
    };

    /// <summary>A den, and 30 ft off a shed with panel G and an outlet in it.</summary>
    public static Job Shed
    {
        get
        {
            var house = Room("den", "Den", RoomUse.Den, 20);
            var shed = house.Structures[0] with
            {
                Id = new("shed"),
                Name = "Shed",
                Accessory = true,
                Origin = new(50.Feet(), Length.Zero),
                Underfloor = Underfloor.Slab,
                Levels =
                [
                    house.Structures[0].Levels[0] with
                    {
                        Id = new("shed-level"), FloorJoists = null, Rooms = [Rectangle("shop", "Workshop", RoomUse.Utility, 12)],
                    },
                ],
            };
            return house with
            {
                Structures = [house.Structures[0], shed],
                Trenches = [new(new("t"), new("house"), new("shed"), [new(20.Feet(), 6.Feet()), new(50.Feet(), 6.Feet())], 24.Inches())],
                Panels = [house.Panels[0], Panel("shop") with { Id = new("G"), Rating = 60.Amps(), Spaces = 12, FedFrom = new("A") }],
                Boxes = [OnWall("w", "Workbench outlet", "shop", 60, DeviceKind.Duplex)],
            };
        }
    }

    private static readonly Edition Newest = Editions.Newest(RuleFamily.UnitedStates);

    private static Job Room(string id, string name, RoomUse use, int feet) => new()
    {
        Name = name,
        Edition = Newest,
        Structures =
        [
            new()
            {
                Id = new("house"), Name = "House", Origin = new(Length.Zero, Length.Zero), Underfloor = Underfloor.CrawlSpace,
                Levels =
                [
                    new()
                    {
                        Id = new("ground"), Name = "Ground", CeilingHeight = 8.Feet(), AtticAbove = true,
                        Rooms = [Rectangle(id, name, use, feet)],
                        FloorJoists = new(JoistRun.NorthSouth, 16.Inches(), 10.Inches()),
                        CeilingJoists = new(JoistRun.NorthSouth, 24.Inches(), 6.Inches()),
                    },
                ],
            },
        ],
        Panels = [Panel(id)],
    };

    private static Room Rectangle(string id, string name, RoomUse use, int feet) => new()
    {
        Id = new(id),
        Name = name,
        Use = use,
        Corners = [new(Length.Zero, Length.Zero), new(feet.Feet(), Length.Zero), new(feet.Feet(), 12.Feet()), new(Length.Zero, 12.Feet())],
    };

    private static Panel Panel(string room) =>
        new() { Id = new("A"), Room = new(room), Wall = 4, Offset = 72.Inches(), Rating = 200.Amps(), Spaces = 40 };

    private static Box OnWall(string id, string name, string room, int inches, DeviceKind kind) =>
        new() { Id = new(id), Name = name, Room = new(room), Wall = 1, Offset = inches.Inches(), Devices = [new() { Kind = kind }] };

    private static Box Ceiling(string id, string name, DeviceKind kind) =>
        new()
        {
            Id = new(id),
            Name = name,
            Room = new("den"),
            Mount = Mount.Ceiling,
            X = 120.Inches(),
            Y = 60.Inches(),
            Devices = [new() { Kind = kind }],
        };

    private static Box Switches(string id, string name, int inches, string lamp, params DeviceKind[] kinds) =>
        new()
        {
            Id = new(id),
            Name = name,
            Room = new("den"),
            Wall = 1,
            Offset = inches.Inches(),
            Devices = [.. kinds.Select(k => new Device { Kind = k, Controls = [new(lamp)] })],
        };
}
