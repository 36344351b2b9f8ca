using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Where on a wall a box of some height can stand: beside studs, clear of openings, kept bays, panels and other boxes.</summary>
internal sealed class StudPlaces(FramedLevel level, FramedRoom room, Length height, IReadOnlyList<(Box Box, Length Height)> boxes,
    IReadOnlyList<Panel> panels)
{
    // Half of a 1-1/2 in stud and half of a 2-1/4 in box: its centre when nailed to a stud.
    private static readonly Length BesideStud = Length.FromInches(1.875m);

    // A corner stud and half a box.
    private static readonly Length FromCorner = Length.FromInches(2.625m);

    // Trimmer, king stud and half a box.
    private static readonly Length FromJamb = Length.FromInches(4.125m);

    // A box is 4 in high and 2-1/2 in wide.
    private static readonly Length BoxHigh = Length.FromInches(4);
    private static readonly Length BoxWide = Length.FromInches(2.5m);
    private static readonly Length Step = Length.FromInches(3);

    /// <summary>Stretches of a wall, within two ends, where a box can stand.</summary>
    public List<(Length From, Length To)> Free(RoomSide side, Length from, Length to)
    {
        var taken = side.Openings.Where(o => Blocks(o)).Select(o => (From: o.From - FromJamb, To: o.To + FromJamb))
            .Concat(Kept(side)).Concat(InTubs(side)).Concat(panels.Where(p => p.Room == room.Room.Id && p.Wall == side.Number)
                .Select(p => (From: p.Offset - Length.FromInches(9), To: p.Offset + Length.FromInches(9))))
            .Concat(boxes.Where(b => b.Box.Mount == Mount.Wall && b.Box.Wall == side.Number && b.Box.Room == room.Room.Id && !b.Box.Outside
                && (b.Height - height).Abs() < BoxHigh)
                .Select(b => (From: b.Box.Offset - (BoxWide * Math.Max(1, b.Box.Devices.Length)),
                    To: b.Box.Offset + (BoxWide * Math.Max(1, b.Box.Devices.Length)))))
            .OrderBy(t => t.From).ToList();
        Length low = Length.Max(from, FromCorner), high = Length.Min(to, side.Clear - FromCorner);
        // Beside a doorway the jamb's studs, beside a cabinet only the box itself.
        low = side.Openings.Any(o => o.To == from) ? from + FromJamb : from > Length.Zero ? Length.Max(low, from + (BoxWide / 2)) : low;
        high = side.Openings.Any(o => o.From == to) ? to - FromJamb : to < side.Clear ? Length.Min(high, to - (BoxWide / 2)) : high;
        var free = new List<(Length, Length)>();
        foreach (var (a, b) in taken)
        {
            if (a > low)
            {
                free.Add((low, Length.Min(a, high)));
            }

            low = Length.Max(low, b);
        }

        if (low <= high)
        {
            free.Add((low, high));
        }

        return [.. free.Where(f => f.Item1 <= f.Item2)];
    }

    /// <summary>The places of a line on which boxes could stand, with what is against each.</summary>
    public List<Stand> Along(WallSpace space, Length reach)
    {
        var spots = new Dictionary<Length, int>();
        var before = Length.Zero;
        var ends = new List<Length>();
        var stretches = new List<(Length Start, WallPiece Piece, RoomSide Side, List<(Length From, Length To)> Free)>();
        foreach (var piece in space.Pieces)
        {
            var side = room.Sides[piece.Wall - 1];
            var free = Free(side, piece.From, piece.To);
            stretches.Add((before, piece, side, free));
            ends.AddRange(free.SelectMany(f => new[] { f.From, f.To }).Select(f => before + f - piece.From));
            before += piece.To - piece.From;
        }

        var critical = Covering.Critical(space.Clear, reach, space.Receptacles, ends).ToHashSet();
        foreach (var (start, piece, side, free) in stretches)
        {
            var studs = Beside(side).ToHashSet();
            var steps = Enumerable.Range(0, (piece.To - piece.From).Sixtyfourths / Step.Sixtyfourths)
                .Select(i => piece.From.Nearest(Length.FromInches(1)) + (Step * i));
            var here = critical.Select(c => c - start + piece.From).Where(c => c >= piece.From && c <= piece.To);
            foreach (var at in studs.Concat(steps).Concat(here).Concat(free.SelectMany(f => new[] { f.From, f.To }))
                .Where(at => at >= piece.From && at <= piece.To && free.Exists(f => at >= f.From && at <= f.To)))
            {
                var along = start + at - piece.From;
                var against = (studs.Contains(at) ? 0 : 1) + (BehindDoor(side, at) ? 2 : 0) + (BehindEquipment(side, at) ? 20 : 0);
                spots[along] = Math.Min(against, spots.GetValueOrDefault(along, int.MaxValue));
            }
        }

        return [.. spots.Select(s => new Stand(s.Key, s.Value))];
    }

    /// <summary>The free place of a wall nearest to a wish, beside a stud where one is within half a bay; null when the wall has
    /// none.</summary>
    public Length? Nearest(RoomSide side, Length wish, Length from, Length to)
    {
        var free = Free(side, Length.Max(from, Length.Zero), Length.Min(to, side.Clear));
        bool IsFree(Length at) => free.Exists(f => at >= f.From && at <= f.To);
        var stud = Beside(side).Where(IsFree).OrderBy(at => (at - wish).Abs()).Cast<Length?>().FirstOrDefault();
        var any = free.Select(f => Length.Max(f.From, Length.Min(f.To, wish))).OrderBy(at => (at - wish).Abs()).Cast<Length?>()
            .FirstOrDefault();
        return stud is Length s && any is Length a && (s - wish).Abs() <= (a - wish).Abs() + Length.FromInches(8) ? s : any;
    }

    // The walls of a tub or shower: nothing stands in its space.
    private IEnumerable<(Length From, Length To)> InTubs(RoomSide side)
    {
        foreach (var tub in room.Tubs)
        {
            var (northWest, southEast) = room.Footprint(tub);
            var beside = Outline.Nearest((northWest, southEast), side.Start);
            if ((side.AlongX ? beside.Y - side.Start.Y : beside.X - side.Start.X).Abs() < Length.FromInches(1))
            {
                Length a = side.Offset(northWest), b = side.Offset(southEast);
                yield return (Length.Min(a, b) - (BoxWide / 2), Length.Max(a, b) + (BoxWide / 2));
            }
        }
    }

    // Studs of every wall that this side is made of, either face of each; jambs and corners have studs too.
    private IEnumerable<Length> Beside(RoomSide side)
    {
        foreach (var wall in level.Walls.Where(w => w.Rooms.Contains(room.Room.Id) && w.AlongX == side.AlongX
            && (w.AlongX ? w.Start.Y - side.Start.Y : w.Start.X - side.Start.X).Abs() <= side.HalfThickness + Length.FromInches(2.5m)))
        {
            for (var stud = wall.Frame.Spacing; stud < wall.Run; stud += wall.Frame.Spacing)
            {
                var at = side.Offset(wall.At(stud));
                yield return at - BesideStud;
                yield return at + BesideStud;
            }
        }

        yield return FromCorner;
        yield return side.Clear - FromCorner;
        foreach (var opening in side.Openings)
        {
            yield return opening.From - FromJamb;
            yield return opening.To + FromJamb;
        }
    }

    private bool Blocks(SideOpening opening) => opening.Opening.Kind != OpeningKind.Window
        || (opening.Opening.Sill < height + BoxHigh + Length.FromInches(1.5m) && height < Length.FromInches(84));

    private IEnumerable<(Length From, Length To)> Kept(RoomSide side) =>
        level.Walls.Where(w => w.Rooms.Contains(room.Room.Id) && w.AlongX == side.AlongX
            && (w.AlongX ? w.Start.Y - side.Start.Y : w.Start.X - side.Start.X).Abs() <= side.HalfThickness + Length.FromInches(2.5m))
            .SelectMany(w => w.Reserved.Select(r => (A: side.Offset(w.At(r.From)), B: side.Offset(w.At(r.To)))))
            .Select(r => (Length.Min(r.A, r.B), Length.Max(r.A, r.B)));

    // A leaf that stands open covers its width of wall on the hinge side, or of the wall that its hinge stands beside.
    private bool BehindDoor(RoomSide side, Length at)
    {
        foreach (var on in room.Sides)
        {
            foreach (var (door, from, to) in on.Openings.Where(o => o.Opening.Kind == OpeningKind.Door)
                .Select(o => (o.Opening, o.From, o.To)))
            {
                if (door.SwingsOut == room.Room.Openings.Any(o => o.Id == door.Id))
                {
                    continue;
                }

                var own = room.Room.Openings.Any(o => o.Id == door.Id);
                var atStart = (door.Hinge == Hinge.Start) == own;
                var near = Length.FromInches(12);
                if (on.Number == side.Number && (atStart ? at < from && at > from - door.Width : at > to && at < to + door.Width))
                {
                    return true;
                }

                var before = ((on.Number + room.Sides.Length - 2) % room.Sides.Length) + 1;
                var after = (on.Number % room.Sides.Length) + 1;
                if ((atStart && from <= near && side.Number == before && at > side.Clear - door.Width)
                    || (!atStart && on.Clear - to <= near && side.Number == after && at < door.Width))
                {
                    return true;
                }
            }
        }

        return false;
    }

    private bool BehindEquipment(RoomSide side, Length at) =>
        room.Room.Fixtures.Any(f => f.Wall == side.Number && at >= f.Offset && at <= f.Offset + f.Width
        && f.Kind is FixtureKind.WaterHeater or FixtureKind.AirHandler or FixtureKind.SaunaHeater or FixtureKind.Toilet);
}
