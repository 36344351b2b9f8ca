using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>An unbroken stretch of floor line or counter and the receptacles that serve it, 210.52(A) and (C).</summary>
/// <param name="Room">The room.</param>
/// <param name="Clear">Its length round its corners.</param>
/// <param name="Pieces">Where it runs: wall number, from and to along that wall.</param>
/// <param name="Receptacles">Distances of receptacles from its start, in order.</param>
/// <param name="Closed">It runs right round the room without a break.</param>
public sealed record WallSpace(RoomId Room, Length Clear, ImmutableArray<WallPiece> Pieces, ImmutableArray<Length> Receptacles, bool Closed)
{
    /// <summary>A counter's wall line, not a floor line.</summary>
    public bool Counter { get; init; }

    /// <summary>The boxes at those distances, in the same order.</summary>
    public ImmutableArray<BoxId> By { get; init; } = [];

    /// <summary>No point may be farther than this from a receptacle, as the book says it.</summary>
    public required Asked Within { get; init; }

    /// <summary>Narrower stretches need none, as the book says it.</summary>
    public required Asked AskedFrom { get; init; }

    /// <summary>No point may be farther than this from a receptacle.</summary>
    public Length Reach => Within.Length;

    /// <summary>Narrower stretches need none.</summary>
    public Length Narrowest => AskedFrom.Length;

    /// <summary>Fewest receptacles that could serve it.</summary>
    public int Least => Clear < Narrowest ? 0 : (Clear.Sixtyfourths + (2 * Reach.Sixtyfourths) - 1) / (2 * Reach.Sixtyfourths);

    /// <summary>The farthest any point of it lies from a receptacle; its whole length when there is none.</summary>
    public Length Farthest
    {
        get
        {
            if (Receptacles.IsEmpty)
            {
                return Clear;
            }

            var worst = Closed
                ? (Receptacles[0] + Clear - Receptacles[^1]) / 2
                : Length.Max(Receptacles[0], Clear - Receptacles[^1]);
            for (var i = 1; i < Receptacles.Length; i++)
            {
                worst = Length.Max(worst, (Receptacles[i] - Receptacles[i - 1]) / 2);
            }

            return worst;
        }
    }

    /// <summary>The line cut into what each receptacle serves and what none does.</summary>
    public IEnumerable<(Length From, Length To, bool Served)> Stretches()
    {
        var at = Length.Zero;
        var places = Closed && !Receptacles.IsEmpty
            ? Receptacles.Prepend(Receptacles[^1] - Clear).Append(Receptacles[0] + Clear).ToList()
            : [.. Receptacles];
        for (var i = 0; i < places.Count; i++)
        {
            var from = Length.Max(at, places[i] - Reach);
            var to = Length.Min(Clear, places[i] + Reach);
            to = i + 1 < places.Count ? Length.Min(to, (places[i] + places[i + 1]) / 2) : to;
            if (to <= at)
            {
                continue;
            }

            if (from > at)
            {
                yield return (at, from, false);
            }

            yield return (from, to, true);
            at = to;
        }

        if (at < Clear)
        {
            yield return (at, Clear, false);
        }
    }

    /// <summary>The wall and the offset on it of a place on the line.</summary>
    public (int Wall, Length Offset) At(Length along)
    {
        foreach (var piece in Pieces)
        {
            if (along <= piece.To - piece.From)
            {
                return (piece.Wall, piece.From + along);
            }

            along -= piece.To - piece.From;
        }

        return (Pieces[^1].Wall, Pieces[^1].To);
    }

    /// <summary>True when the rule is met.</summary>
    public bool Served => Clear < Narrowest || (!Receptacles.IsEmpty && Farthest <= Reach);
}

/// <summary>Part of a wall space on one wall.</summary>
/// <param name="Wall">Wall number of the room.</param>
/// <param name="From">From the inside corner at the wall's start.</param>
/// <param name="To">From the same corner.</param>
public sealed record WallPiece(int Wall, Length From, Length To);

/// <summary>Measures wall spaces along the floor line.</summary>
public static class WallSpaces
{
    /// <summary>Rooms named in 210.52(A), or similar.</summary>
    public static bool Covers(RoomUse use) => use is RoomUse.Kitchen or RoomUse.Family or RoomUse.Dining or RoomUse.Den or RoomUse.Bedroom
        or RoomUse.FinishedBasement;

    /// <summary>The wall spaces of a room with the receptacles that count: not above 5-1/2 ft, not counter receptacles, not an appliance's
    /// own.</summary>
    public static ImmutableArray<WallSpace> Measure(FramedRoom room, IEnumerable<Box> boxesOfRoom, OutletRules rules)
    {
        var spaces = Split(room, rules);
        var boxes = boxesOfRoom.Where(Counts).ToList();
        return [.. spaces.Select(s => Serve(s, boxes.SelectMany(b => Distance(room, s, b).Select(d => (d, b.Id)))))];
    }

    /// <summary>The space with the receptacles at their distances.</summary>
    internal static WallSpace Serve(WallSpace space, IEnumerable<(Length At, BoxId Box)> receptacles)
    {
        var sorted = receptacles.OrderBy(r => r.At).ThenBy(r => r.Box.Value, StringComparer.Ordinal).ToList();
        return space with { Receptacles = [.. sorted.Select(r => r.At)], By = [.. sorted.Select(r => r.Box)] };
    }

    /// <summary>The stretches themselves, broken by doorways, fireplaces and fixed cabinets.</summary>
    public static ImmutableArray<WallSpace> Split(FramedRoom room, OutletRules rules)
    {
        var pieces = new List<WallPiece?>();
        foreach (var side in room.Sides)
        {
            var breaks = side.Openings.Where(o => o.Opening.Kind != OpeningKind.Window).Select(o => Open(side, o))
                .Concat(room.Room.Fixtures.Where(f => f.Wall == side.Number && Fixed(f.Kind, room.Room.Use))
                    .Select(f => (From: f.Offset, To: f.Offset + f.Width)))
                .Concat(Mirrored(room, side))
                .OrderBy(b => b.From);
            var at = Length.Zero;
            foreach (var (from, to) in breaks)
            {
                if (from > at)
                {
                    pieces.Add(new(side.Number, at, Length.Min(from, side.Clear)));
                }

                pieces.Add(null);
                at = Length.Max(at, to);
            }

            if (at < side.Clear)
            {
                pieces.Add(new(side.Number, at, side.Clear));
            }
        }

        return Join(room.Room.Id, pieces, rules.WallReach, rules.NarrowestWall);
    }

    // A cabinet run that turns a corner stands against the next wall by its depth.
    private static IEnumerable<(Length From, Length To)> Mirrored(FramedRoom room, RoomSide side)
    {
        foreach (var fixture in room.Room.Fixtures.Where(f => f.Wall is not null && Fixed(f.Kind, room.Room.Use)))
        {
            var on = room.Sides[fixture.Wall!.Value - 1];
            var next = room.Sides[on.Number % room.Sides.Length];
            var before = room.Sides[(on.Number + room.Sides.Length - 2) % room.Sides.Length];
            if (next.Number == side.Number && fixture.Offset + fixture.Width >= on.Clear)
            {
                yield return (Length.Zero, fixture.Depth);
            }

            if (before.Number == side.Number && fixture.Offset == Length.Zero)
            {
                yield return (side.Clear - fixture.Depth, side.Clear);
            }
        }
    }

    /// <summary>Pieces in the order of the walls, with a null at every break, as stretches that run round corners.</summary>
    internal static ImmutableArray<WallSpace> Join(RoomId room, List<WallPiece?> pieces, Asked within, Asked from)
    {
        WallSpace Space(ImmutableArray<WallPiece> run, bool closed) => new(room, run.Select(p => p.To - p.From).Total(), run, [], closed)
        {
            Within = within,
            AskedFrom = from,
        };
        var firstBreak = pieces.IndexOf(null);
        if (firstBreak < 0)
        {
            return [Space([.. pieces.OfType<WallPiece>()], closed: true)];
        }

        var spaces = ImmutableArray.CreateBuilder<WallSpace>();
        var run = new List<WallPiece>();
        for (var i = 1; i <= pieces.Count; i++)
        {
            if (pieces[(firstBreak + i) % pieces.Count] is { } piece)
            {
                run.Add(piece);
            }
            else if (run.Count > 0)
            {
                spaces.Add(Space([.. run], closed: false));
                run.Clear();
            }
        }

        return spaces.ToImmutable();
    }

    // A floor receptacle counts within 18 in of the wall, 210.52(A)(3).
    private static IEnumerable<Length> Distance(FramedRoom room, WallSpace space, Box box)
    {
        if (box.Mount == Mount.Wall)
        {
            return Distance(space, box.Wall, box.Offset);
        }

        var at = room.NorthWest.By(box.X, box.Y);
        return room.Sides.Where(s => (s.AlongX ? at.Y - s.Start.Y : at.X - s.Start.X).Abs() <= Length.FromInches(18))
            .SelectMany(s => Distance(space, s.Number, s.Offset(at))).Take(1);
    }

    internal static IEnumerable<Length> Distance(WallSpace space, int wall, Length offset)
    {
        var before = Length.Zero;
        foreach (var piece in space.Pieces)
        {
            if (piece.Wall == wall && offset >= piece.From && offset <= piece.To)
            {
                yield return before + offset - piece.From;
                yield break;
            }

            before += piece.To - piece.From;
        }
    }

    private static bool Counts(Box box) => box.Mount is Mount.Wall or Mount.Floor && !box.Outside && !box.ServesCounter
        && (box.Height is not Length height || height + BoxSpace.Contacts <= Length.FromInches(66))
        && box.Devices.Any(d => d.Plate is null && d.Kind.IsGeneralReceptacle());

    // A slider to the outside is half glass that is fixed, which is wall space; which half is not asked. Before a closet both halves slide.
    private static (Length From, Length To) Open(RoomSide side, SideOpening opening) =>
        opening.Opening.Kind == OpeningKind.Slider && side.Exterior
        ? ((opening.From + opening.To) / 2, opening.To) : (opening.From, opening.To);

    /// <summary>Breaks the floor line: fixed cabinets without a work surface and what is built in, 210.52(A)(2)(1). The counters of
    /// kitchens,
    /// pantries and dining rooms are measured by themselves; a desk or a bar elsewhere is wall space.</summary>
    internal static bool Fixed(FixtureKind kind, RoomUse use) => kind is FixtureKind.Cabinet or FixtureKind.Fireplace or FixtureKind.Range
        or FixtureKind.Refrigerator or FixtureKind.Dishwasher or FixtureKind.Tub or FixtureKind.Shower or FixtureKind.Stair
        or FixtureKind.Peninsula || (kind is FixtureKind.Counter or FixtureKind.Vanity && CounterSpaces.Covers(use));
}
