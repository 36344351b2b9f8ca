using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>How far a cord reaches into the next room: from 2020 the 6 ft of 210.8 are measured through doorways as well; they stop at a
/// floor, a wall, a ceiling or a fixed barrier only.</summary>
internal static class ThroughDoorways
{
    private const int Steps = 8;

    /// <summary>Sinks, tubs and showers of the next rooms that a receptacle in a wall reaches by the shortest way through a
    /// doorway.</summary>
    public static ImmutableArray<FixtureKind> Reach(FramedHouse house, FramedRoom room, Box box, Length near)
    {
        if (box.Mount != Mount.Wall || box.Outside || !box.Devices.Any(d => d.Kind.IsReceptacle()))
        {
            return [];
        }

        var face = room.Sides[box.Wall - 1].At(box.Offset);
        return
        [
            .. Doorways.Of(house, room).Where(d => d.Other is not null)
                .SelectMany(d => d.Other!.Room.Fixtures.Where(f => IsWet(f.Kind))
                    .Where(f => Through(d, face, d.Other!.Footprint(f)) <= near).Select(f => f.Kind))
                .Distinct(),
        ];
    }

    private static bool IsWet(FixtureKind kind) =>
        kind is FixtureKind.Sink or FixtureKind.Vanity or FixtureKind.Tub or FixtureKind.Shower;

    // By the best of some places across the opening.
    private static Length Through(Doorway way, Point from, (Point NorthWest, Point SouthEast) to) =>
        Enumerable.Range(0, Steps + 1).Select(i => way.Side.At(way.Opening.From + ((way.Opening.To - way.Opening.From) * i / Steps)))
            .Min(p => from.At(Length.Zero).StraightTo(p.At(Length.Zero)) + p.At(Length.Zero)
                .StraightTo(Outline.Nearest(to, p).At(Length.Zero)));
}
