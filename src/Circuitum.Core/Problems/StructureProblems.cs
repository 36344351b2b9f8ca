using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

// What is wrong with buildings, levels, rooms, openings and fixtures.
public static partial class JobProblems
{
    private static IEnumerable<JobProblem> Structures(Job job)
    {
        foreach (var structure in job.Structures)
        {
            if (structure.Levels.Length is 0 or > 5)
            {
                yield return new($"structures “{structure.Id}”", "a building has 1 to 5 levels");
            }

            if (structure.Levels.All(l => l.Rooms.IsEmpty))
            {
                yield return new($"structures “{structure.Id}”", "a building needs at least one room");
            }

            if (structure.Origin.X.Abs() > Longest || structure.Origin.Y.Abs() > Longest)
            {
                yield return new($"structures “{structure.Id}”.origin", $"lies more than {Limit.Feet(1000)} away");
            }

            foreach (var level in structure.Levels)
            {
                if (level.CeilingHeight < Length.FromFeet(6) || level.CeilingHeight > Length.FromFeet(20))
                {
                    yield return new($"levels “{level.Id}”.ceilingHeight",
                        $"must lie from {Limit.Feet(6, 20)}; it is {level.CeilingHeight}");
                }

                if (level.AmbientAbove.Degrees is < -40 or > 85 || level.AmbientBelow.Degrees is < -40 or > 85)
                {
                    yield return new($"levels “{level.Id}”", "the ambient above and below must lie from −40 to 85 °C");
                }

                if (level.Name.Trim().Length is 0 or > 40)
                {
                    yield return new($"levels “{level.Id}”.name", "give the level a name of 1 to 40 characters");
                }

                if (level.Underlay is { } underlay
                    && (underlay.Width < Length.FromFeet(1) || underlay.Depth < Length.FromFeet(1) || underlay.Width > Longest
                        || underlay.Depth > Longest
                    || underlay.Corner.X.Abs() > Longest || underlay.Corner.Y.Abs() > Longest || !Fingerprint().IsMatch(underlay.Drawing)
                    || underlay.Name.Length is 0 or > 60))
                {
                    yield return new($"levels “{level.Id}”.underlay",
                        $"a drawing from {Limit.Feet(1, 1000)} wide and deep, named by its fingerprint of 64 hexadecimal digits");
                }

                foreach (var joists in new[] { level.FloorJoists, level.CeilingJoists }.OfType<Joists>())
                {
                    if (joists.Spacing < Length.FromInches(8) || joists.Spacing > Length.FromInches(48)
                        || joists.Depth < Length.FromInches(3) || joists.Depth > Length.FromInches(24))
                    {
                        yield return new($"levels “{level.Id}” joists", $"spacing {Limit.Inches(8, 48)}, depth {Limit.Inches(3, 24)}");
                    }
                }

                foreach (var problem in level.Obstructions.Where(o => o.Width <= Length.Zero || o.Depth <= Length.Zero || o.Width > Longest
                    || o.Depth > Longest || o.Corner.X.Abs() > Longest || o.Corner.Y.Abs() > Longest))
                {
                    yield return new($"levels “{level.Id}” obstruction “{problem.Name}”",
                        $"width and depth must be longer than nothing, and it lies within {Limit.Feet(1000)}");
                }

                foreach (var problem in Outlines(level).Concat(level.Rooms.SelectMany(Contents)).Concat(KeptWays(level)))
                {
                    yield return problem;
                }
            }
        }

        foreach (var trench in job.Trenches)
        {
            if (trench.Path.Length is < 2 or > Trench.MostPoints || trench.Depth < Length.FromInches(6)
                || trench.Depth > Length.FromInches(48))
            {
                yield return new($"trenches “{trench.Id}”", $"a trench has 2 to 40 points and {Limit.Inches(6, 48)} of cover");
            }

            if (trench.Path.Any(p => p.X.Abs() > Longest || p.Y.Abs() > Longest))
            {
                yield return new($"trenches “{trench.Id}”", $"a corner of it lies more than {Limit.Feet(1000)} away");
            }

            if (trench.DataPipe is { } apart && (apart < Length.Zero || apart > Length.FromInches(48)))
            {
                yield return new($"trenches “{trench.Id}”.dataPipe", $"lies {Limit.Inches(0, 48)} from the power; it is {apart}");
            }
        }
    }

    /// <summary>The first thing wrong with the outlines of rooms, whatever is on their walls; null when they can be framed.</summary>
    internal static JobProblem? FirstOfOutlines(Job job) => Sizes(job).Concat(Duplicates(job)).Concat(job.Levels.SelectMany(Outlines))
        .FirstOrDefault();

    // Joists and studs by their spacing: what is bored is looked for among them, so a field of a thousand feet framed at 8 in is no house.
    private static IEnumerable<JobProblem> Members(Job job)
    {
        long members = 0;
        foreach (var level in job.Levels.Where(l => l.Rooms.Any(r => !r.Corners.IsEmpty)))
        {
            var corners = level.Rooms.SelectMany(r => r.Corners).ToList();
            foreach (var joists in new[] { level.FloorJoists, level.CeilingJoists }.OfType<Joists>())
            {
                var across = joists.Run == JoistRun.NorthSouth ? corners.Max(c => c.X) - corners.Min(c => c.X)
                    : corners.Max(c => c.Y) - corners.Min(c => c.Y);
                members += across.Sixtyfourths / Math.Max(1, joists.Spacing.Sixtyfourths);
            }

            foreach (var room in level.Rooms)
            {
                for (var wall = 1; wall <= room.Corners.Length; wall++)
                {
                    var spacing = room.Builds.FirstOrDefault(b => b.Wall == wall)?.Spacing ?? Length.FromInches(16);
                    members += Span(room, wall).Sixtyfourths / Math.Max(1, spacing.Sixtyfourths);
                }
            }
        }

        if (members > JobLimits.Members)
        {
            yield return new("structures",
                $"at most {JobLimits.Members} joists and studs to a job; by their spacing this one has {members}");
        }
    }

    private static IEnumerable<JobProblem> Outlines(Level level)
    {
        var sound = true;
        foreach (var problem in level.Rooms.SelectMany(OutlineProblems))
        {
            sound = false;
            yield return problem;
        }

        if (sound && Overlapping(level) is var (one, other))
        {
            yield return new($"rooms “{other.Id}”", $"“{other.Name}” and “{one.Name}” take the same floor; move a wall of one of them");
        }
    }

    // From west to east: a room can only share floor with those that begin before it ends.
    private static (Room One, Room Other)? Overlapping(Level level)
    {
        var rooms = level.Rooms.Select(r =>
            (Room: r, West: r.Corners.Min(c => c.X), East: r.Corners.Max(c => c.X), North: r.Corners.Min(c => c.Y),
                South: r.Corners.Max(c => c.Y))).OrderBy(r => r.West).ToList();
        for (var i = 0; i < rooms.Count; i++)
        {
            for (var j = i + 1; j < rooms.Count && rooms[j].West < rooms[i].East; j++)
            {
                if (rooms[j].North < rooms[i].South && rooms[i].North < rooms[j].South
                    && House.Shapes.Overlap(rooms[i].Room.Corners, rooms[j].Room.Corners))
                {
                    return (rooms[i].Room, rooms[j].Room);
                }
            }
        }

        return null;
    }

    // Bays kept for other trades and spare chases.
    private static IEnumerable<JobProblem> KeptWays(Level level)
    {
        var rooms = level.Rooms.GroupBy(r => r.Id).ToDictionary(g => g.Key, g => g.First());
        foreach (var kept in level.Reservations)
        {
            if (kept.For.Trim().Length is 0 or > 40)
            {
                yield return new($"reservations “{kept.Id}”", "say in 1 to 40 characters what the bays are kept for");
            }

            if (kept.Width < Length.FromInches(1) || kept.Width > Length.FromFeet(20))
            {
                yield return new($"reservations “{kept.Id}”",
                    $"kept bays are {Limit.Inches(1)} to {Limit.Feet(20)} wide");
            }

            foreach (var problem in OnWall($"reservations “{kept.Id}”", rooms, kept.Room, kept.Wall, kept.Offset))
            {
                yield return problem;
            }
        }

        foreach (var chase in level.Chases)
        {
            if (chase.For.Trim().Length is 0 or > 40)
            {
                yield return new($"chases “{chase.Id}”", "say in 1 to 40 characters what the chase is for");
            }

            foreach (var problem in OnWall($"chases “{chase.Id}”", rooms, chase.Room, chase.Wall, chase.Offset))
            {
                yield return problem;
            }
        }
    }

    private static IEnumerable<JobProblem> OutlineProblems(Room room)
    {
        var where = $"rooms “{room.Id}”";
        if (room.Name.Trim().Length is 0 or > 40)
        {
            yield return new(where + ".name", "give the room a name of 1 to 40 characters");
        }

        var corners = room.Corners;
        if (corners.Length is < 4 or > 40)
        {
            yield return new(where + ".corners", $"a room has 4 to 40 corners; this one has {corners.Length}");
            yield break;
        }

        for (var i = 0; i < corners.Length; i++)
        {
            Point a = corners[i], b = corners[(i + 1) % corners.Length], c = corners[(i + 2) % corners.Length];
            if (a.X.Abs() > Longest || a.Y.Abs() > Longest)
            {
                yield return new($"{where}.corners[{i}]", $"lies more than {Limit.Feet(1000)} away");
            }

            if (a.X != b.X && a.Y != b.Y)
            {
                yield return new($"{where} wall {i + 1}", "runs at an angle; this version frames square corners only");
                yield break;
            }

            if (a.SquareTo(b) < Length.FromInches(12))
            {
                yield return new($"{where} wall {i + 1}", $"is {a.SquareTo(b)} long; walls are at least {Limit.Feet(1)}");
                yield break;
            }

            if ((a.X == b.X) == (b.X == c.X))
            {
                yield return new($"{where} wall {i + 1}", "does not turn at its end; leave that corner out");
                yield break;
            }
        }

        if (TwiceArea(corners) <= 0)
        {
            yield return new(where + ".corners", "go round clockwise on the plan, starting at the north-west");
        }

        if (CrossesItself(corners))
        {
            yield return new(where + ".corners", "the outline crosses itself");
        }

        foreach (var build in room.Builds)
        {
            if (build.Wall < 1 || build.Wall > corners.Length)
            {
                yield return new($"{where} builds", $"wall {build.Wall} is not there; the room has walls 1 to {corners.Length}");
            }
            else if (build.Spacing < Length.FromInches(8) || build.Spacing > Length.FromInches(48))
            {
                yield return new($"{where} builds, wall {build.Wall}",
                    $"spacing must lie from {Limit.Inches(8, 48)}; it is {build.Spacing}");
            }
            else if (build.ChaseHeights.Length > 6 || build.ChaseHeights.Any(h => h < Length.Zero || h > Length.FromFeet(20)))
            {
                yield return new($"{where} builds, wall {build.Wall}", $"at most 6 chases, each from {Limit.Feet(0, 20)} high");
            }
            else if (build.FirstChase is { } first && (first < Length.Zero || first > Length.FromFeet(8)))
            {
                yield return new($"{where} builds, wall {build.Wall}",
                    $"the first upright chase lies from {Limit.Feet(0, 8)}; it is {first}");
            }
            else if (build.ChaseWidth is { } width && (width < Length.FromInches(.75m) || width > Length.FromInches(4)))
            {
                yield return new($"{where} builds, wall {build.Wall}", $"a chase is from {Limit.Inches(.75m, 4)} wide; it is {width}");
            }
        }
    }

    private static IEnumerable<JobProblem> Contents(Room room)
    {
        var where = $"rooms “{room.Id}”";
        var corners = room.Corners;
        foreach (var opening in room.Openings)
        {
            var at = $"{where} opening “{opening.Id}”";
            if (opening.Wall < 1 || opening.Wall > corners.Length)
            {
                yield return new(at, $"wall {opening.Wall} is not there; the room has walls 1 to {corners.Length}");
            }
            else if (opening.Offset < Length.Zero || opening.Width < Length.FromInches(12) || opening.Width > Length.FromFeet(20)
                || opening.Offset + opening.Width > Span(room, opening.Wall))
            {
                yield return new(at, $"does not fit on wall {opening.Wall}, which is {Span(room, opening.Wall)} on its center line");
            }
        }

        foreach (var fixture in room.Fixtures)
        {
            if (fixture.Wall is int wall && (wall < 1 || wall > corners.Length))
            {
                yield return new($"{where} fixture {fixture.Kind}", $"wall {wall} is not there; the room has walls 1 to {corners.Length}");
            }
            else if (fixture.Width <= Length.Zero || fixture.Depth <= Length.Zero || fixture.Offset < Length.Zero
                || fixture.Width > Longest || fixture.Depth > Longest
                || fixture.Offset > Longest || fixture.X.Abs() > Longest || fixture.Y.Abs() > Longest)
            {
                yield return new($"{where} fixture {fixture.Kind}",
                    $"width and depth must be longer than nothing, the offset not negative, and it stands within {Limit.Feet(1000)}");
            }
        }
    }

    [GeneratedRegex("^[0-9a-f]{64}$", RegexOptions.CultureInvariant)]
    private static partial Regex Fingerprint();

    private static Length Span(Room room, int wall) => room.Corners[wall - 1].SquareTo(room.Corners[wall % room.Corners.Length]);

    private static long TwiceArea(IReadOnlyList<Point> corners)
    {
        var sum = 0L;
        for (var i = 0; i < corners.Count; i++)
        {
            Point a = corners[i], b = corners[(i + 1) % corners.Count];
            sum += ((long)a.X.Sixtyfourths * b.Y.Sixtyfourths) - ((long)b.X.Sixtyfourths * a.Y.Sixtyfourths);
        }

        return sum;
    }

    private static bool CrossesItself(IReadOnlyList<Point> corners)
    {
        for (var i = 0; i < corners.Count; i++)
        {
            for (var j = i + 2; j < corners.Count; j++)
            {
                if (i == 0 && j == corners.Count - 1)
                {
                    continue;
                }

                if (Touch(corners[i], corners[i + 1], corners[j], corners[(j + 1) % corners.Count]))
                {
                    return true;
                }
            }
        }

        return false;
    }

    private static bool Touch(Point a, Point b, Point c, Point d) =>
        Length.Min(a.X, b.X) <= Length.Max(c.X, d.X) && Length.Min(c.X, d.X) <= Length.Max(a.X, b.X)
        && Length.Min(a.Y, b.Y) <= Length.Max(c.Y, d.Y) && Length.Min(c.Y, d.Y) <= Length.Max(a.Y, b.Y);
}
