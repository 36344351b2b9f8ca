using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>The point list of a house that is drawn: what stands in its rooms, and the conduit from its first panel, up to the ceiling,
/// square over it and down.</summary>
public static class PointsOfHouse
{
    private const string Outdoors = "outdoors";
    private static readonly Length LeastWay = Length.FromMetres(.5m);

    /// <summary>The brief as a list; without rooms where nothing is laid out yet.</summary>
    public static BoardBrief Of(Plan plan) => Read(plan, null);

    /// <summary>Why a house has too many points for a list; null where it has not.</summary>
    public static string? TooMany(Plan plan)
    {
        var stands = Stands(plan);
        var boxes = plan.Survey.Boxes.Select(b => (b.Box.Outside, b.Room.Room.Id, Points: Points(b, plan).Count(), Box: b))
            .Where(b => b.Points > 0).ToList();
        var rooms = boxes.Where(b => !b.Outside).Select(b => b.Id).Distinct().Count()
            + boxes.Where(b => b.Outside).Select(b => Nearest(stands, [b.Box], plan.House)).Distinct().Count();
        return rooms > BoardText.MostRooms ? $"{rooms} rooms have points, and {BoardText.MostRooms} is the most: plan the buildings apart."
            : boxes.Sum(b => b.Points) is > BoardText.MostPoints and var points
                ? $"There are {points} points, and {BoardText.MostPoints} is the most: plan the buildings apart." : null;
    }

    /// <summary>The boards of a house as its job feeds them; null where nothing is laid out yet.</summary>
    /// <param name="plan">The house.</param>
    /// <param name="gone">Ends the search for ways.</param>
    public static BoardPlan? Boards(Plan plan, CancellationToken gone = default) => Placed(plan, gone) is { Rooms.IsEmpty: false } brief
        ? BoardPlanner.Plan(brief with { Fed = plan.Job.Metric ?? new() }) : null;

    /// <summary>The brief with every point, the board and the switches where they stand: conduit is measured along its ways.</summary>
    /// <param name="plan">The house.</param>
    /// <param name="gone">Ends the search for ways.</param>
    public static BoardBrief Placed(Plan plan, CancellationToken gone = default)
    {
        var places = plan.Survey.Boxes;
        // Lamps that more than one switch works are switched two-way.
        var often = places.SelectMany(b => b.Box.Devices.Where(d => d.Kind.IsSwitch()).SelectMany(d => d.Controls)).GroupBy(c => c)
            .Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet();
        BriefSwitch? Switch(PlacedBox box)
        {
            ImmutableArray<ImmutableArray<BoxId>> gangs = [.. box.Box.Devices
                .Where(d => d.Kind.IsSwitch() && d.Kind != DeviceKind.Disconnect && !d.Controls.IsEmpty).Select(d => d.Controls)];
            return gangs.IsEmpty ? null : new(box.Place, box.Name, gangs, gangs.Count(g => g.Any(often.Contains)));
        }

        var ways = new ConduitWays(plan.House, plan.Job, [.. Stands(plan).Select(s => s.At)], gone);
        return Read(plan, ways) with { Ways = ways, Switches = [.. places.Select(Switch).OfType<BriefSwitch>()] };
    }

    private static BoardBrief Read(Plan plan, ConduitWays? ways)
    {
        var stands = Stands(plan);
        var storeys = plan.House.Levels.Select((l, i) => (l, i)).ToDictionary(x => (x.l.Structure, x.l.Index), x => x.i);
        var rooms = new List<BriefRoom>();
        var boxes = plan.Survey.Boxes.Where(b => Points(b, plan).Any()).ToList();
        foreach (var room in plan.House.Rooms)
        {
            Add(rooms, room.Room.Name, boxes.FindAll(b => b.Room.Room.Id == room.Room.Id && !b.Box.Outside), false);
        }

        foreach (var garden in boxes.FindAll(b => b.Box.Outside).GroupBy(b => Nearest(stands, [b], plan.House)).OrderBy(g => g.Key))
        {
            Add(rooms, Outdoors, [.. garden], true);
        }

        return new()
        {
            Name = Clean(plan.Job.Name, "House"),
            Rooms = [.. rooms],
            BoardPlace = stands[0].Room,
            Stands = stands,
        };

        void Add(List<BriefRoom> to, string name, List<PlacedBox> here, bool outdoors)
        {
            if (here.Count == 0 || to.Count == BoardText.MostRooms)
            {
                return;
            }

            var board = Nearest(stands, here, plan.House);
            var from = stands[board].At;
            var called = Clean(name, "room");
            for (var n = 2; to.Exists(r => r.Name.Equals(called, StringComparison.OrdinalIgnoreCase)); n++)
            {
                called = Clean($"{name} {n}", $"room {n}");
            }

            to.Add(new(called, Length.Max(LeastWay, here.Min(b => Way(from, b.Place, plan.House))), outdoors,
                [.. here.OrderBy(b => Way(from, b.Place, plan.House)).SelectMany(b => Points(b, plan)
                    .Select(p => ways is null ? p : p with { At = b.Place, Box = b.Box.Id, OffBath = OffBath(b) })).OrderBy(p => p.Kind)])
            { Storey = ways is null || outdoors ? 0 : storeys[(here[0].Place.Structure, here[0].Place.Level)], Board = board });
        }
    }

    // The one that the service feeds comes first.
    private static ImmutableArray<BoardStand> Stands(Plan plan) => [.. plan.Job.Panels.OrderBy(p => p.FedFrom is null ? 0 : 1)
        .Select(p => new BoardStand(p.Id.Value, Clean(plan.House.Room(p.Room).Room.Name, ""), Surveying.PlacePanel(plan.House, p)))];

    // A room is fed from a board of its own building, of its own storey where one stands there, with the least way to what is in it; a
    // building without one from the first.
    private static int Nearest(ImmutableArray<BoardStand> stands, List<PlacedBox> boxes, FramedHouse house) => Enumerable
        .Range(0, stands.Length).Where(i => i == 0 || stands[i].At.Structure == boxes[0].Place.Structure)
        .OrderBy(i => stands[i].At.Structure == boxes[0].Place.Structure ? 0 : 1)
        .ThenBy(i => Math.Abs(stands[i].At.Level - boxes[0].Place.Level))
        .ThenBy(i => boxes.Sum(b => Way(stands[i].At, b.Place, house).Sixtyfourths)).First();

    // From the face of its wall, straight across the floor of its room.
    private static Length? OffBath(PlacedBox box) => box.Room.Tubs.Select(t => (Length?)box.Room.Off(t,
        box.Box.Mount == Mount.Wall ? box.Room.Sides[box.Box.Wall - 1].At(box.Box.Offset) : box.Place.At.Plan)).Min();

    private static Length Way(Place from, Place to, FramedHouse house)
    {
        // Over the ceiling of the level it stands on; from another level by its own height.
        var level = house.Levels.First(l => l.Structure == to.Structure && l.Index == to.Level);
        var top = Length.Max(level.Ceiling, Length.Max(from.At.Z, to.At.Z));
        return from.At.Plan.SquareTo(to.At.Plan) + (top - from.At.Z) + (top - to.At.Z);
    }

    private static IEnumerable<BriefPoint> Points(PlacedBox box, Plan plan) =>
        box.Box.Devices.Select(d => Point(d, plan.Book)).OfType<BriefPoint>();

    private static BriefPoint? Point(Device device, CodeBook book) => device switch
    {
        { Plate: { } plate } when plate.Appliance.BringsPower() => null,
        { Plate: { } plate } => Equipment(plate, book),
        { Kind: DeviceKind.Single } => Usual(PointKind.Socket),
        _ when device.Kind.IsGeneralReceptacle() => Usual(PointKind.TwinSocket),
        _ when device.Kind.IsLight() => device.Load is { } load ? Own(PointKind.Led, load) : Usual(PointKind.Led),
        _ when device.Kind.IsFan() => device.Load is { } load ? Own(PointKind.Lamp, load) : Usual(PointKind.Lamp),
        _ => null,
    };

    // What is plugged in shares sockets there as here, but for what takes more than a plug carries.
    private static BriefPoint Equipment(Nameplate plate, CodeBook book)
    {
        var three = book.Supply.OverThreePhases(plate.Volts);
        BriefPoint Own(PointKind kind) => new(kind, BoardText.Word(kind), Within(plate.Load), false, three);
        return plate.Appliance switch
        {
            Appliance.Range or Appliance.Cooktop or Appliance.Oven => Own(PointKind.Cooker),
            Appliance.WaterHeater or Appliance.TanklessHeater => Own(PointKind.WaterHeater),
            Appliance.HeatPump or Appliance.AirHandler => Own(PointKind.SplitUnit),
            _ when plate.Cord && !book.Supply.IsAcross(plate.Volts) => Usual(PointKind.TwinSocket),
            _ => Own(PointKind.Fixed) with { Name = Clean(Letters(plate.Name), "equipment") },
        };
    }

    private static BriefPoint Usual(PointKind kind) => new(kind, BoardText.Word(kind), BoardText.Usual(kind)!.Value, true, false);

    private static BriefPoint Own(PointKind kind, VoltAmps load) => new(kind, BoardText.Word(kind), Within(load), false, false);

    private static Watts Within(VoltAmps load) => new(decimal.Clamp(decimal.Round(load.Value, 3), 1, 50_000));

    // As the list can be read back: no comma, colon or digit inside a name of equipment.
    private static string Letters(string name) => string.Concat(name.Where(c => char.IsLetter(c) || c == ' ')).Trim();

    private static string Clean(string name, string otherwise)
    {
        var plain = string.Concat(name.Where(c => !char.IsControl(c) && c is not (':' or ',' or '#' or '/'))).Trim();
        return plain.Length == 0 ? otherwise : plain[..Math.Min(plain.Length, 40)].Trim();
    }
}
