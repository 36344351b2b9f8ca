using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Receptacles for whoever services heating and cooling: within 25 ft on the same level, 210.63.</summary>
internal static class EquipmentReach
{
    private static readonly Length Reach = Length.FromFeet(25);

    /// <summary>Heating and cooling equipment.</summary>
    public static bool IsEquipment(Box box) => box.Devices.Any(d => d.Plate is { Appliance: Appliance.HeatPump or Appliance.AirHandler });

    /// <summary>True for a receptacle that serves a unit: not another machine's own, outdoors where the unit is.</summary>
    public static bool Serves(FramedHouse house, Box unit, Box box, Func<Box, Point> at) =>
        house.Room(unit.Room) is var room && house.Room(box.Room) is var other && other.Structure == room.Structure
        && other.Level == room.Level && (!unit.Outside || box.Outside)
        && box.Devices.Any(d => d.Plate is null && d.Kind.IsGeneralReceptacle()) && Between(unit, box, at) <= Reach;

    /// <summary>The nearest to each unit: the one that the rule asks for.</summary>
    public static FrozenSet<BoxId> Nearest(FramedHouse house, ImmutableArray<Box> boxes, HouseRules rules)
    {
        Point At(Box box) => Surveying.Stands(house, box, rules);
        return boxes.Where(IsEquipment).Select(unit => boxes.Where(b => Serves(house, unit, b, At))
                .OrderBy(b => Between(unit, b, At)).ThenBy(b => b.Id.Value, StringComparer.Ordinal).FirstOrDefault())
            .OfType<Box>().Select(b => b.Id).ToFrozenSet();
    }

    private static Length Between(Box a, Box b, Func<Box, Point> at) => at(a).At(Length.Zero).StraightTo(at(b).At(Length.Zero));
}
