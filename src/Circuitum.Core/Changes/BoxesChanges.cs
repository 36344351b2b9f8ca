using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Moves several boxes together: along their walls, or east and south where they hang on ceilings or stand on floors.</summary>
public sealed record NudgeBoxes(ImmutableArray<BoxId> Boxes, Length By) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var chosen = Boxes.Select(b => Find(job, b)).ToList();
        phrase = $"Move {chosen.Count} box{(chosen.Count == 1 ? "" : "es")} {By.Abs()}";
        return chosen.Aggregate(job,
            (j, b) => With(j, b.Mount == Mount.Wall ? b with { Offset = b.Offset + By } : b with { X = b.X + By }));
    }
}

/// <summary>Takes several boxes out.</summary>
public sealed record DeleteBoxes(ImmutableArray<BoxId> Boxes) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var chosen = Boxes.Select(b => Find(job, b)).ToList();
        phrase = $"Delete {chosen.Count} boxes";
        return chosen.Aggregate(job, (j, b) => DeleteBox.Without(j with { Boxes = j.Boxes.RemoveAll(x => x.Id == b.Id) }, b.Id));
    }
}

/// <summary>Sets the height of several boxes; null is the crew's.</summary>
public sealed record SetHeights(ImmutableArray<BoxId> Boxes, Length? Height) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var chosen = Boxes.Select(b => Find(job, b)).ToList();
        phrase = $"Set {chosen.Count} boxes at {(Height is Length h ? h.ToString() : "the crew's height")}";
        return chosen.Aggregate(job, (j, b) => With(j, b with { Height = Height }));
    }
}

/// <summary>Copies a room's boxes to another room, told from the same corners; what has no wall or floor there is left out.</summary>
/// <param name="From">The room copied.</param>
/// <param name="To">The room that gets them.</param>
/// <param name="Mirrored">True to lay them out as in a mirror: from each wall's other end, and walls in the other order.</param>
public sealed record CopyBoxes(RoomId From, RoomId To, bool Mirrored) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var house = Framing.Frame(job);
        HouseChange.Find(job, From);
        HouseChange.Find(job, To);
        FramedRoom from = house.Room(From), to = house.Room(To);
        var source = job.Boxes.Where(b => b.Room == From).ToList();
        var used = job.Boxes.Select(b => b.Id.Value).ToHashSet();
        var names = new Dictionary<BoxId, BoxId>();
        foreach (var box in source)
        {
            var id = Ids.Numbered($"{To}-b", used);
            used.Add(id);
            names[box.Id] = new(id);
        }

        var placed = source.Select(b => Placed(b, from, to)).OfType<Box>().ToList();
        var copies = placed.Select(b => b with
        {
            Id = names[b.Id],
            Name = null,
            Devices = [.. b.Devices.Select(d =>
                d with { Controls = [.. d.Controls.Where(c => placed.Exists(p => p.Id == c)).Select(c => names[c])] })],
        }).ToList();
        if (copies.Count == 0)
        {
            throw new ChangeRefusedException($"{from.Room.Name} has no box that fits into {to.Room.Name}.");
        }

        phrase = $"Copy {copies.Count} of {source.Count} boxes of {from.Room.Name} to {to.Room.Name}{(Mirrored ? ", mirrored" : "")}";
        return job with { Boxes = [.. job.Boxes, .. copies] };
    }

    private Box? Placed(Box box, FramedRoom from, FramedRoom to)
    {
        if (box.Mount != Mount.Wall)
        {
            var x = Mirrored ? to.ClearWidth - box.X : box.X;
            return x >= Length.Zero && Outline.Contains(to.Inside, to.NorthWest.By(x, box.Y)) ? box with { Room = To, X = x } : null;
        }

        // In a mirror the east wall becomes the west one; the walls between keep their place and are told from their other end.
        var count = from.Sides.Length;
        var wall = Mirrored ? ((count + 1 - box.Wall) % count) + 1 : box.Wall;
        if (wall > to.Sides.Length)
        {
            return null;
        }

        var offset = Mirrored ? to.Sides[wall - 1].Clear - box.Offset : box.Offset;
        return offset >= Length.Zero && offset <= to.Sides[wall - 1].Clear ? box with { Room = To, Wall = wall, Offset = offset } : null;
    }
}

/// <summary>Puts a box on the middle of something.</summary>
public sealed record CentreBox(BoxId Box, CentreOn Target, int Number) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var room = Framing.Frame(job).Room(box.Room);
        var (what, at) = Middle(room, box);
        phrase = $"Center {Called(job, box)} on {what}";
        if (box.Mount != Mount.Wall)
        {
            return With(job, box with { X = at.X - room.NorthWest.X, Y = at.Y - room.NorthWest.Y });
        }

        var side = room.Sides[box.Wall - 1];
        return With(job, box with { Offset = Length.Max(Length.Zero, Length.Min(side.Clear, side.Offset(at))) });
    }

    private (string What, Point At) Middle(FramedRoom room, Box box)
    {
        switch (Target)
        {
            case CentreOn.Room:
                return ("the room", room.Centre);
            case CentreOn.Wall when box.Mount == Mount.Wall:
                return ("its wall", room.Sides[box.Wall - 1].At(room.Sides[box.Wall - 1].Clear / 2));
            case CentreOn.Fixture when Number >= 1 && Number <= room.Room.Fixtures.Length:
                var (a, b) = room.Footprint(room.Room.Fixtures[Number - 1]);
                return ($"the {Words.Of(room.Room.Fixtures[Number - 1].Kind)}", new((a.X + b.X) / 2, (a.Y + b.Y) / 2));
            case CentreOn.Opening:
                var windows = room.Sides.SelectMany(s => s.Openings.Select(o => (Side: s, Opening: o))).ToList();
                return Number >= 1 && Number <= windows.Count
                    ? ($"the {Words.Of(windows[Number - 1].Opening.Opening.Kind)}",
                        windows[Number - 1].Side.At((windows[Number - 1].Opening.From + windows[Number - 1].Opening.To) / 2))
                    : throw new ChangeRefusedException($"{room.Room.Name} has {windows.Count} openings; there is no number {Number}.");
            default:
                throw new ChangeRefusedException("There is nothing of that kind to center it on.");
        }
    }
}

/// <summary>What a box can be centred on.</summary>
public enum CentreOn
{
    /// <summary>The room, or the larger part of an L.</summary>
    Room,

    /// <summary>Its own wall.</summary>
    Wall,

    /// <summary>A fixture of the room: an island, a sink, a vanity.</summary>
    Fixture,

    /// <summary>A window or door.</summary>
    Opening,
}

/// <summary>Rows of cans over a room's largest rectangle: evenly spaced, half a space from the walls.</summary>
/// <param name="Room">The room.</param>
/// <param name="Spacing">Wanted from can to can, 2 to 10 ft; the nearest that divides the room evenly is taken.</param>
public sealed record PlaceCans(RoomId Room, Length Spacing) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        HouseChange.Find(job, Room);
        if (Spacing < Length.FromFeet(2) || Spacing > Length.FromFeet(10))
        {
            throw new ChangeRefusedException($"Cans stand {Limit.Feet(2, 10)} apart; {Spacing} was asked.");
        }

        var room = Framing.Frame(job).Room(Room);
        var (a, b) = Outline.Largest(room.Inside);
        int across = Count(b.X - a.X), down = Count(b.Y - a.Y);
        var used = job.Boxes.Select(x => x.Id.Value).ToHashSet();
        var cans = new List<Box>();
        for (var row = 0; row < down; row++)
        {
            for (var i = 0; i < across; i++)
            {
                var id = Ids.Numbered($"{Room}-can", used);
                used.Add(id);
                var at = a.By((b.X - a.X) * ((2 * i) + 1) / (2 * across), (b.Y - a.Y) * ((2 * row) + 1) / (2 * down));
                cans.Add(new()
                {
                    Id = new(id),
                    Room = Room,
                    Mount = Mount.Ceiling,
                    X = at.X - room.NorthWest.X,
                    Y = at.Y - room.NorthWest.Y,
                    Devices = [new() { Kind = DeviceKind.Can }]
                });
            }
        }

        phrase = $"Place {cans.Count} cans in {room.Room.Name}, {((b.X - a.X) / across).Taped(Length.FromInches(.25m))} by "
            + $"{((b.Y - a.Y) / down).Taped(Length.FromInches(.25m))} apart";
        var grown = job with { Boxes = [.. job.Boxes, .. cans] };
        // The room's own switches work them too.
        var lamps = job.Boxes.Where(x => x.Room == Room && !x.Outside && x.Devices.Any(d => d.Kind.IsLight())).Select(x => x.Id)
            .ToHashSet();
        return grown with
        {
            Boxes = [.. grown.Boxes.Select(x => x.Devices.Any(d => Works(d, lamps))
                ? x with { Devices =
                    [.. x.Devices.Select(d => Works(d, lamps) ? d with { Controls = [.. d.Controls, .. cans.Select(c => c.Id)] } : d)] }
                : x)],
        };
    }

    private static bool Works(Device device, HashSet<BoxId> lamps) => Switching.IsPlace(device.Kind) && device.Controls.Any(lamps.Contains);

    private int Count(Length clear) => Math.Max(1, (int)Math.Round(clear.Sixtyfourths / (double)Spacing.Sixtyfourths));
}
