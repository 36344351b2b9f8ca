using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Nothing is set where another thing stands already: it is refused, and the stretch that is free is told.</summary>
internal static class FreePlace
{
    // Things drawn by hand touch; what overlaps by less than this is drawing.
    private static readonly Length Touch = Length.FromInches(.5m);

    // Two boxes whose middles are nearer than this are in each other's way: a device box is 2 in wide and more.
    private static readonly Length Boxes = Length.FromInches(2);

    /// <summary>The opening, where its stretch of wall has no other one.</summary>
    /// <exception cref="ChangeRefusedException">Another one stands there.</exception>
    public static void For(Job job, Room room, Opening opening)
    {
        if (opening.Wall < 1 || opening.Wall > room.Corners.Length)
        {
            return;
        }

        var side = Framing.Frame(job).Room(room.Id).Sides[opening.Wall - 1];
        var others = side.Openings.Where(o => o.Opening.Id != opening.Id).ToList();
        if (others.Find(o => Length.Min(o.To, opening.Offset + opening.Width) - Length.Max(o.From, opening.Offset) > Touch) is { } there)
        {
            throw new ChangeRefusedException(
                $"The {Words.Of(there.Opening.Kind)} is there already, from {Ends(room, side, there.From, there.To)}. "
                + Told(room, side, Stretches.Free((Length.Zero, side.Clear), others.Select(o => (o.From, o.To))), opening.Width,
                    Words.Of(opening.Kind)));
        }
    }

    /// <summary>The fixture, where nothing stands that it did not meet before and that does not take it in.</summary>
    /// <param name="job">The job before it is set or moved.</param>
    /// <param name="room">Its room.</param>
    /// <param name="fixture">As it will be.</param>
    /// <param name="was">As it was; null for a new one.</param>
    /// <exception cref="ChangeRefusedException">It would land on another.</exception>
    public static void For(Job job, Room room, Fixture fixture, Fixture? was)
    {
        if (fixture.Wall is { } n && (n < 1 || n > room.Corners.Length))
        {
            return;
        }

        var framed = Framing.Frame(job).Room(room.Id);
        var others = room.Fixtures.Where(f => !ReferenceEquals(f, was) && !Takes(f.Kind, fixture.Kind)).ToList();
        if (others.Find(f => Meets(framed, f, fixture) && (was is null || !Meets(framed, f, was))) is not { } there)
        {
            return;
        }

        var says = $"The {Words.Of(there.Kind)} stands there already. ";
        if (fixture.Wall is not { } wall)
        {
            throw new ChangeRefusedException(says + $"Set the {Words.Of(fixture.Kind)} beside it.");
        }

        // Whatever stands as near to the wall as it would itself.
        var side = framed.Sides[wall - 1];
        var taken = others.Where(f => Meets(framed, f, fixture with { Offset = Length.Zero, Width = side.Clear }))
            .Select(f => framed.Footprint(f)).Select(f => (A: side.Offset(f.NorthWest), B: side.Offset(f.SouthEast)))
            .Select(f => (Length.Min(f.A, f.B), Length.Max(f.A, f.B)));
        throw new ChangeRefusedException(says + Told(room, side, Stretches.Free((Length.Zero, side.Clear), taken), fixture.Width,
            Words.Of(fixture.Kind)));
    }

    /// <summary>The box, where no other of its height is on the wall.</summary>
    /// <exception cref="ChangeRefusedException">One is.</exception>
    public static void For(Job job, Box box)
    {
        if (job.Boxes.FirstOrDefault(b => b.Id != box.Id && b.Room == box.Room && b.Mount == box.Mount && b.Outside == box.Outside
            && b.Height == box.Height && AtSwitchHeight(b) == AtSwitchHeight(box) && Apart(b, box) < Boxes) is { } there)
        {
            var room = job.Rooms.First(r => r.Id == box.Room);
            throw new ChangeRefusedException($"{there.Name ?? BoxNames.For(there, room)} is there already. Set this one a hand to a "
                + "side, or add its device to that box on its card.");
        }
    }

    private static Length Apart(Box a, Box b) => a.Mount != Mount.Wall ? new Point(a.X, a.Y).SquareTo(new(b.X, b.Y))
        : a.Wall == b.Wall ? (a.Offset - b.Offset).Abs() : Length.FromFeet(100);

    private static bool AtSwitchHeight(Box box) => box.Devices.Any(d => d.Kind.IsSwitch());

    private static bool Meets(FramedRoom room, Fixture a, Fixture b)
    {
        var (p, q) = (room.Footprint(a), room.Footprint(b));
        return Length.Min(p.SouthEast.X, q.SouthEast.X) - Length.Max(p.NorthWest.X, q.NorthWest.X) > Touch
            && Length.Min(p.SouthEast.Y, q.SouthEast.Y) - Length.Max(p.NorthWest.Y, q.NorthWest.Y) > Touch;
    }

    // Counters take in what is built into them and what stands under them, a table its bench; hatches and shelves are over all of it.
    private static bool Takes(FixtureKind a, FixtureKind b) => Over(a) || Over(b) || In(a, b) || In(b, a)
        || (a, b) is (FixtureKind.Table, FixtureKind.Bench) or (FixtureKind.Bench, FixtureKind.Table);

    private static bool Over(FixtureKind kind) => kind is FixtureKind.AtticHatch or FixtureKind.AtticLadder or FixtureKind.Shelf;

    private static bool In(FixtureKind host, FixtureKind guest) =>
        host is FixtureKind.Counter or FixtureKind.Island or FixtureKind.Peninsula or FixtureKind.Vanity
        && guest is FixtureKind.Counter or FixtureKind.Peninsula or FixtureKind.Sink or FixtureKind.Range or FixtureKind.Dishwasher
            or FixtureKind.Refrigerator or FixtureKind.Cabinet or FixtureKind.Washer or FixtureKind.Dryer or FixtureKind.Table;

    private static string Told(Room room, RoomSide side, IReadOnlyList<(Length From, Length To)> free, Length width, string what)
    {
        List<(Length From, Length To)> fits = [.. (room.RunsBackward(side.Number) ? free.Reverse() : free)
            .Where(f => f.To - f.From >= width)];
        var wall = $"The {room.SideOf(side.Number)} wall of {room.Name}";
        return fits.Count == 0 ? $"{wall} has no {width} free for a {what}; the longest free stretch is "
                + $"{free.Select(f => f.To - f.From).DefaultIfEmpty(Length.Zero).Max()}."
            : $"{wall} is free {string.Join(", ", fits.Take(3).Select(f => Ends(room, side, f.From, f.To)))}, from its "
                + $"{(side.AlongX ? "west" : "north")} end.";
    }

    // 4'-0" to 9'-0", from the wall's west or north end.
    private static string Ends(Room room, RoomSide side, Length from, Length to) =>
        room.RunsBackward(side.Number) ? $"{side.Clear - to} to {side.Clear - from}" : $"{from} to {to}";
}
