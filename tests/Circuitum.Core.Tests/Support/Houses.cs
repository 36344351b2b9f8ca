using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Tests.Support;

/// <summary>Small houses for tests: rooms in a row from west to east, all of one depth, on a crawl space under an attic.</summary>
internal static class Houses
{
    /// <summary>Inside size of a room of given centre-line size with the outer walls all round is 6-1/2 in less each way.</summary>
    public static readonly Length Outer = Length.FromInches(6.5m);

    public static Job Row(params (string Id, RoomUse Use, int Feet)[] rooms)
    {
        var west = Length.Zero;
        var framed = ImmutableArray.CreateBuilder<Room>();
        foreach (var (id, use, feet) in rooms)
        {
            framed.Add(Rectangle(id, use, west, Length.Zero, Length.FromFeet(feet), Length.FromFeet(12)));
            west += Length.FromFeet(feet);
        }

        return House(framed.ToImmutable()) with { Panels = [Panel(rooms[0].Id)] };
    }

    public static Job House(ImmutableArray<Room> rooms) => new()
    {
        Name = "Test house",
        Edition = Edition.Y2020,
        Structures =
        [
            new()
            {
                Id = new("house"), Name = "House", Origin = new(Length.Zero, Length.Zero), Underfloor = Underfloor.CrawlSpace,
                Levels =
                [
                    new()
                    {
                        Id = new("ground"), Name = "Ground", CeilingHeight = 8.Feet(), AtticAbove = true, Rooms = rooms,
                        FloorJoists = new(JoistRun.NorthSouth, 16.Inches(), 10.Inches()),
                            CeilingJoists = new(JoistRun.NorthSouth, 24.Inches(), 6.Inches()),
                    },
                ],
            },
        ],
        Panels = [Panel(rooms[0].Id.Value)],
    };

    public static Room Rectangle(string id, RoomUse use, Length x, Length y, Length width, Length depth) => new()
    {
        Id = new(id),
        Name = id,
        Use = use,
        Corners = [new(x, y), new(x + width, y), new(x + width, y + depth), new(x, y + depth)],
    };

    public static Panel Panel(string room, int spaces = 42) =>
        new() { Id = new("A"), Room = new(room), Wall = 4, Offset = 72.Inches(), Rating = 200.Amps(), Spaces = spaces };

    public static Box On(string id, string room, int wall, int inches, DeviceKind kind = DeviceKind.Duplex) =>
        new() { Id = new(id), Room = new(room), Wall = wall, Offset = inches.Inches(), Devices = [new() { Kind = kind }] };

    public static Box Ceiling(string id, string room, int x, int y, DeviceKind kind = DeviceKind.Lamp) =>
        new() { Id = new(id), Room = new(room), Mount = Mount.Ceiling, X = x.Inches(), Y = y.Inches(), Devices = [new() { Kind = kind }] };

    public static Box Switch(string id, string room, int wall, int inches, DeviceKind kind, params string[] controls) =>
        new()
        {
            Id = new(id),
            Room = new(room),
            Wall = wall,
            Offset = inches.Inches(),
            Devices = [new() { Kind = kind, Controls = [.. controls.Select(c => new BoxId(c))] }]
        };

    public static Box Appliance(string id, string room, int wall, int inches, Nameplate plate, DeviceKind kind = DeviceKind.Equipment) =>
        new() { Id = new(id), Room = new(room), Wall = wall, Offset = inches.Inches(), Devices = [new() { Kind = kind, Plate = plate }] };

    public static Nameplate Plate(Appliance appliance, int volts, decimal load) =>
        new() { Appliance = appliance, Name = appliance.ToString(), Volts = new(volts), Load = new(load) };

    /// <summary>A utility room of 60 ft with machines along its first wall, each on a circuit of its own without protection in its breaker,
    /// and panel A.</summary>
    public static Job Shop(int spaces, PanelListing listing, params (string Id, int Volts, int Load)[] machines) =>
        (Row(("shop", RoomUse.Utility, 60)) with { Panels = [Panel("shop", spaces) with { Listing = listing }] })
        .With([.. machines.Select((m, i) =>
            Appliance(m.Id, "shop", 1, 20 + (i * 20),
                Plate(Core.Jobs.Appliance.Other, m.Volts, m.Load) with { Individual = true, Name = m.Id }))]);

    /// <summary>A den of 20 ft, and 50 ft east of it a shed of 12 by 12 ft at the end of a straight trench 24 in deep; with panel G in it
    /// when asked.</summary>
    public static Job WithShed(Panel? panel)
    {
        var house = Row(("den", RoomUse.Den, 20));
        var shed = house.Structures[0] with
        {
            Id = new("shed"),
            Name = "Shed",
            Accessory = true,
            Origin = new(70.Feet(), Length.Zero),
            Underfloor = Underfloor.Slab,
            Levels = [house.Structures[0].Levels[0] with { Id = new("shed-level"), FloorJoists = null,
                Rooms = [Rectangle("shop", RoomUse.Utility, Length.Zero, Length.Zero, 12.Feet(), 12.Feet())] }],
        };
        return house with
        {
            Structures = [house.Structures[0], shed],
            Trenches = [new(new("t"), new("house"), new("shed"), [new(20.Feet(), 6.Feet()), new(70.Feet(), 6.Feet())], 24.Inches())],
            Panels = panel is null ? house.Panels : [house.Panels[0], panel],
        };
    }

    /// <summary>Panel G of 60 A in that shed, fed from the house.</summary>
    public static Panel ShedPanel => Panel("shop", 12) with { Id = new("G"), Rating = 60.Amps(), FedFrom = new("A") };

    public static Job With(this Job job, params Box[] boxes) => job with { Boxes = [.. job.Boxes, .. boxes] };
}
