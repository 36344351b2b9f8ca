using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags on boxes: spacing, openings, lighting outlets, fill.</summary>
internal static class BoxChecks
{
    private static readonly Length BoxHalf = Length.FromInches(1.25m);

    public static IEnumerable<Tag> Check(Checked plan) => Spacing(plan).Concat(InOpenings(plan)).Concat(Lighting(plan)).Concat(ThreeWays(plan)).Concat(Fill(plan));

    private static IEnumerable<Tag> Spacing(Checked plan)
    {
        var used = plan.Job.Boxes.Select(b => b.Id.Value).ToHashSet();
        return plan.Survey.Coverage.Where(s => !s.Served).Select(space => TooFar(plan, space, used));
    }

    private static Tag TooFar(Checked plan, WallSpace space, HashSet<string> used)
    {
        var room = plan.House.Room(space.Room).Room;
        var (gap, middle) = WorstGap(space);
        return new Tag(Severity.Red, Stage.Boxes, Subject.Room(space.Room), "210.52(A)(1)",
            $"{room.Name}: a point on the wall is farther than 6 ft from a receptacle.",
            space.Receptacles.IsEmpty
                ? $"This wall space of {space.Clear} has none; 2 ft or wider needs at least {space.Least}."
                : $"{gap} along the floor line, at most {WallSpace.Reach}; this wall space of {space.Clear} needs at least {space.Least}, it has {space.Receptacles.Length}.")
        {
            Fixes = [new Fix("Add a receptacle there", new AddBox(Receptacle(used, space, middle)))],
        };
    }

    // The farthest point and where a receptacle serves it best.
    private static (Length Gap, Length At) WorstGap(WallSpace space)
    {
        if (space.Receptacles.IsEmpty)
        {
            return (space.Clear, space.Clear / 2);
        }

        var gaps = new List<(Length Gap, Length At)>();
        if (!space.Closed)
        {
            Length first = space.Receptacles[0], last = space.Clear - space.Receptacles[^1];
            gaps.Add((first, Length.Min(first, WallSpace.Reach)));
            gaps.Add((last, space.Clear - Length.Min(last, WallSpace.Reach)));
        }

        for (var i = 1; i < space.Receptacles.Length; i++)
        {
            gaps.Add(((space.Receptacles[i] - space.Receptacles[i - 1]) / 2, (space.Receptacles[i] + space.Receptacles[i - 1]) / 2));
        }

        if (space.Closed)
        {
            var round = space.Receptacles[0] + space.Clear - space.Receptacles[^1];
            var at = space.Receptacles[^1] + (round / 2);
            gaps.Add((round / 2, at > space.Clear ? at - space.Clear : at));
        }

        return gaps.OrderByDescending(g => g.Gap).First();
    }

    private static Box Receptacle(HashSet<string> used, WallSpace space, Length at)
    {
        var piece = space.Pieces[0];
        var left = at;
        foreach (var next in space.Pieces)
        {
            piece = next;
            if (left <= next.To - next.From)
            {
                break;
            }

            left -= next.To - next.From;
        }

        var number = Enumerable.Range(1, used.Count + 1).First(n => !used.Contains($"{space.Room}-r{n}"));
        return new() { Id = new($"{space.Room}-r{number}"), Room = space.Room, Wall = piece.Wall, Offset = Clear(piece, piece.From + left), Devices = [new() { Kind = DeviceKind.Duplex }] };
    }

    // To the inch, and as far from the piece's ends as a box nailed to a corner or jamb stud stands.
    private static Length Clear(WallPiece piece, Length at)
    {
        var off = Length.Min(Length.FromInches(3), (piece.To - piece.From) / 2);
        return Length.Max(piece.From + off, Length.Min(piece.To - off, at.Nearest(Length.FromInches(1))));
    }

    private static IEnumerable<Tag> InOpenings(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.Box.Mount == Mount.Wall))
        {
            var side = box.Room.Sides[box.Box.Wall - 1];
            foreach (var opening in side.Openings.Where(o => box.Box.Offset + BoxHalf > o.From && box.Box.Offset - BoxHalf < o.To))
            {
                var sill = opening.Opening.Kind == OpeningKind.Window ? opening.Opening.Sill : Length.Zero;
                if (box.Height + Length.FromInches(4) > sill && box.Height < Length.FromInches(82))
                {
                    yield return new(Severity.Red, Stage.Boxes, Subject.Box(box.Box.Id), "framing", $"{box.Name} stands in a {Words.Of(opening.Opening.Kind)}.",
                        $"The opening runs from {opening.From} to {opening.To}; the box is at {box.Box.Offset}, {box.Height} up. Move it clear of the jamb.");
                }
            }
        }
    }

    // 210.70(A)(1) and (2): a switched lighting outlet in habitable rooms, kitchens, baths, halls, stairs, laundries, garages.
    private static IEnumerable<Tag> Lighting(Checked plan)
    {
        var controlled = plan.Survey.Boxes.SelectMany(b => b.Box.Devices).SelectMany(d => d.Controls).ToHashSet();
        var byRoom = plan.Survey.Boxes.ToLookup(b => b.Box.Room);

        // One lamp lights a stair through its storeys.
        IEnumerable<FramedRoom> Lit(FramedRoom room) => room.Room.Use == RoomUse.Stair
            ? plan.House.Rooms.Where(r => r.Structure == room.Structure && r.Room.Use == RoomUse.Stair && Outline.Contains(r.Room.Corners, room.Middle))
            : [room];
        foreach (var room in plan.House.Rooms.Where(r => r.Room.Use is not (RoomUse.Closet or RoomUse.Pantry or RoomUse.Sauna or RoomUse.Utility or RoomUse.Greenhouse or RoomUse.CrawlSpace or RoomUse.Mudroom or RoomUse.Entry)))
        {
            if (!Lit(room).Any(r => byRoom[r.Room.Id].Any(b => !b.Box.Outside && controlled.Contains(b.Box.Id))))
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Room(room.Room.Id), "210.70(A)", $"{room.Room.Name} has no switched lighting outlet.",
                    "At least one lighting outlet worked by a wall switch. Place a lamp and name it in a switch.");
            }
        }
    }

    private static IEnumerable<Tag> ThreeWays(Checked plan)
    {
        var groups = new Dictionary<BoxId, List<(PlacedBox Box, DeviceKind Kind)>>();
        foreach (var (box, device) in plan.Survey.Boxes.SelectMany(b => b.Box.Devices.Select(d => (b, d))).Where(x => x.d.Kind.IsSwitch() && x.d.Controls.Length > 0))
        {
            var lamp = device.Controls.MinBy(c => c.Value, StringComparer.Ordinal);
            if (!groups.TryGetValue(lamp, out var list))
            {
                groups[lamp] = list = [];
            }

            list.Add((box, device.Kind));
        }

        foreach (var (lamp, switches) in groups.OrderBy(g => g.Key.Value, StringComparer.Ordinal))
        {
            var threeWays = switches.Count(s => s.Kind == DeviceKind.ThreeWay);
            var wanted = switches.Count == 1 ? 0 : 2;
            if (threeWays != wanted || switches.Count(s => s.Kind == DeviceKind.FourWay) != Math.Max(0, switches.Count - 2))
            {
                yield return new(Severity.Amber, Stage.Boxes, Subject.Box(switches[0].Box.Box.Id), "switching", $"The switches of {plan.Survey[lamp].Name} do not make a set.",
                    $"{switches.Count} places need {wanted} three-way and {Math.Max(0, switches.Count - 2)} four-way switches; there are {threeWays} three-way and {switches.Count(s => s.Kind == DeviceKind.FourWay)} four-way.");
            }
        }
    }

    private static IEnumerable<Tag> Fill(Checked plan)
    {
        foreach (var (id, wired) in plan.Circuits.SelectMany(c => c.Boxes).OrderBy(b => b.Key.Value, StringComparer.Ordinal))
        {
            var name = plan.Survey[id].Name;
            if (wired.Given is null)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(id), "314.16", $"{name}: no usual box of this size holds what enters.",
                    $"{wired.Volume.Value} needed. Use one gang more, or take a cable to another box.");
            }
            else if (wired.Volume.Value.Value > wired.Given.Value.Value)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(id), "314.16", $"{name} is overfull.", $"{wired.Volume.Value} needed, {wired.Given} stamped. Use a deeper box.");
            }
        }
    }
}
