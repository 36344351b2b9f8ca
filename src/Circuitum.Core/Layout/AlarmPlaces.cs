using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Where a smoke alarm cries without a fire: over cooking, and at the door of a bath that steams.</summary>
internal static class AlarmPlaces
{
    /// <summary>What no kind of smoke alarm may be nearer to cooking than: 6 ft, R314.3.1.</summary>
    public static Length OffCooking { get; } = Length.FromFeet(6);

    /// <summary>From the door of a bath with a tub or shower: 3 ft, R314.3.</summary>
    public static Length OffBaths { get; } = Length.FromFeet(3);

    /// <summary>The range that a place on the ceiling is too near to, in its room or through a doorway; null for none.
    /// </summary>
    public static Fixture? NearRange(FramedHouse house, FramedRoom room, Point at) =>
        Doorways.Of(house, room).Select(d => d.Other).OfType<FramedRoom>().Prepend(room).SelectMany(r => r.Room.Fixtures
            .Where(f => f.Kind == FixtureKind.Range && r.Off(f, at) < OffCooking)).FirstOrDefault();

    /// <summary>The bath whose door a place on the ceiling is too near to; null for none.</summary>
    public static FramedRoom? NearBath(FramedHouse house, FramedRoom room, Point at) => Doorways.Of(house, room)
        .FirstOrDefault(d => d.Other is { Room.Use: RoomUse.Bath } bath
            && bath.Tubs.Any()
            && Outline.StraightTo(d.Side.At(d.Opening.From), d.Side.At(d.Opening.To), at) < OffBaths)?.Other;
}
