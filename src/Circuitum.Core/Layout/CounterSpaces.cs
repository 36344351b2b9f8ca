using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Measures counters along their wall line, 210.52(C).</summary>
public static class CounterSpaces
{
    /// <summary>Usual height of a counter's top.</summary>
    public static Length Top { get; } = Length.FromInches(36);

    /// <summary>A receptacle stands at most this far above the counter, 210.52(C)(3) (2017 (C)(5)).</summary>
    public static Length Highest { get; } = Length.FromInches(20);

    /// <summary>Rooms whose counters the section names.</summary>
    public static bool Covers(RoomUse use) => use is RoomUse.Kitchen or RoomUse.Pantry or RoomUse.Dining;

    /// <summary>The counter spaces of a room with the receptacles that serve them.</summary>
    public static ImmutableArray<WallSpace> Measure(FramedRoom room, IEnumerable<Box> boxesOfRoom, OutletRules rules)
    {
        var spaces = Split(room, rules);
        return spaces.IsEmpty ? spaces : Served(spaces, boxesOfRoom.Where(Counts).ToList());
    }

    /// <summary>The stretches themselves: broken by a range, a refrigerator, a sink and full-height cabinets; a counter that turns a corner
    /// runs on.</summary>
    public static ImmutableArray<WallSpace> Split(FramedRoom room, OutletRules rules)
    {
        if (!room.Room.Fixtures.Any(f => f.Kind == FixtureKind.Counter && f.Wall is not null))
        {
            return [];
        }

        var pieces = new List<WallPiece?>();
        foreach (var side in room.Sides)
        {
            var at = Length.Zero;
            foreach (var (from, to) in Open(room, side))
            {
                if (from > at)
                {
                    pieces.Add(null);
                }

                pieces.Add(new(side.Number, from, to));
                at = to;
            }

            if (at < side.Clear)
            {
                pieces.Add(null);
            }
        }

        return [.. WallSpaces.Join(room.Room.Id, pieces, rules.CounterReach, rules.NarrowestCounter).Select(s =>
            s with { Counter = true })];
    }

    private static ImmutableArray<WallSpace> Served(ImmutableArray<WallSpace> spaces, List<Box> boxes) =>
        [.. spaces.Select(s =>
            WallSpaces.Serve(s, boxes.SelectMany(b => WallSpaces.Distance(s, b.Wall, b.Offset).Select(d => (d, b.Id)))))];

    private static bool Counts(Box box) => box.Mount == Mount.Wall && !box.Outside && box.ServesCounter
        && (box.Height is not Length height || (height >= Top && height + BoxSpace.Contacts <= Top + Highest))
        && box.Devices.Any(d => d.Plate is null && d.Kind.IsGeneralReceptacle());

    // What of a wall has counter before it and nothing that breaks it.
    private static IEnumerable<(Length From, Length To)> Open(FramedRoom room, RoomSide side)
    {
        var on = room.Room.Fixtures.Where(f => f.Wall == side.Number).ToList();
        var counters = on.Where(f => f.Kind == FixtureKind.Counter)
            .Select(f => (From: f.Offset, To: Length.Min(f.Offset + f.Width, side.Clear))).Concat(Turning(room, side)).OrderBy(c => c.From)
            .ToList();
        var breaks = on.Where(f => f.Kind is FixtureKind.Range or FixtureKind.Refrigerator or FixtureKind.Sink or FixtureKind.Cabinet)
            .Select(f => (From: f.Offset, To: f.Offset + f.Width))
            .Concat(side.Openings.Where(o => o.Opening.Kind != OpeningKind.Window).Select(o => (o.From, o.To)))
            .OrderBy(b => b.From).ToList();
        var at = Length.Zero;
        foreach (var counter in counters)
        {
            var from = Length.Max(at, counter.From);
            foreach (var gap in breaks.Where(b => b.To > from && b.From < counter.To))
            {
                if (gap.From > from)
                {
                    yield return (from, gap.From);
                }

                from = Length.Max(from, gap.To);
            }

            if (from < counter.To)
            {
                yield return (from, counter.To);
            }

            at = Length.Max(at, counter.To);
        }
    }

    // The corner behind a counter that turns: the next wall's line by the depth of the counter on this one.
    private static IEnumerable<(Length From, Length To)> Turning(FramedRoom room, RoomSide side)
    {
        var inch = Length.FromInches(1);
        var mine = room.Room.Fixtures.Where(f => f.Wall == side.Number && f.Kind == FixtureKind.Counter).ToList();
        var before = room.Sides[(side.Number + room.Sides.Length - 2) % room.Sides.Length];
        var after = room.Sides[side.Number % room.Sides.Length];
        foreach (var counter in room.Room.Fixtures.Where(f => f.Kind == FixtureKind.Counter && f.Wall is not null))
        {
            if (counter.Wall == before.Number && counter.Offset + counter.Width >= before.Clear - inch
                && mine.Exists(m => m.Offset <= counter.Depth + inch))
            {
                yield return (Length.Zero, counter.Depth + inch);
            }

            if (counter.Wall == after.Number && counter.Offset <= inch
                && mine.Exists(m => m.Offset + m.Width >= side.Clear - counter.Depth - inch))
            {
                yield return (side.Clear - counter.Depth - inch, side.Clear);
            }
        }
    }
}
