using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Draws a way that was chosen: every leg of it, and every member it passes.</summary>
internal sealed class WayDrawing(FramedHouse house, WallWeb[][] webs, Cavity?[][] cavities, Risers risers, Chases chases,
    Aside aside, SlabPipes slab)
{
    private readonly ILookup<(bool AlongX, Length Line), Wall>[][] wallsOn = [.. house.Structures.Select(s =>
        s.Levels.Select(l => l.Walls.ToLookup(w => (w.AlongX, w.AlongX ? w.Start.Y : w.Start.X))).ToArray())];

    /// <summary>A way through bored studs, by a way along the walls of one level.</summary>
    public Way AlongStuds(Place a, Place b, WebWay web)
    {
        var level = house.Structures[a.Structure].Levels[a.Level];
        var build = new WayBuilder();
        var at = a.At;
        foreach (var next in webs[a.Structure][a.Level].Turns(web).Append(b.At.Plan))
        {
            var wall = WallUnder(level, at.Plan, next);
            var z = chases.RunZ(a.Structure, a.Level, wall?.Index);
            build.Go(Space.StudBay, at, at.Plan.At(z), Indoors);
            build.Go(wall?.Frame.Framing == WallFraming.InsulatedPanel ? Space.Chase : Space.Studs, at.Plan.At(z), next.At(z), Indoors);
            if (wall is not null)
            {
                Bore(build, level, wall, at.Plan, next, z);
            }

            at = next.At(z);
        }

        build.Go(Space.StudBay, at, b.At, Indoors);
        return build.Done(new Length(web.Cost) + chases.ToBore(a) + chases.ToBore(b));
    }

    private Wall? WallUnder(FramedLevel level, Point from, Point to)
    {
        var lines = wallsOn[level.Structure][level.Index];
        return lines[(true, from.Y)].Concat(lines[(false, from.X)]).FirstOrDefault(w => Along(w, from) && Along(w, to));
    }

    private static void Bore(WayBuilder build, FramedLevel level, Wall wall, Point from, Point to, Length z)
    {
        if (wall.Frame.Framing == WallFraming.InsulatedPanel)
        {
            // Two panels that meet are joined by an access hole at the corner.
            foreach (var (end, number) in new[] { (Length.Zero, 0), (wall.Run, 1) }.Where(e => wall.At(e.Item1) == from
                || wall.At(e.Item1) == to))
            {
                build.Pass(new(MemberKind.Corner, level.Structure, level.Index, wall.Index, number, false), wall.At(end).At(z), true,
                    Indoors);
            }

            return;
        }

        int first = wall.Bay(Length.Min(wall.Along(from), wall.Along(to))) + 1,
            last = wall.Bay(Length.Max(wall.Along(from), wall.Along(to)));
        for (var stud = first; stud <= last; stud++)
        {
            build.Pass(new(MemberKind.Stud, level.Structure, level.Index, wall.Index, stud, false), wall.At(wall.Frame.Spacing * stud)
                .At(z), wall.Exterior, Indoors);
        }
    }

    private static bool Along(Wall wall, Point p) => wall.AlongX
        ? p.Y == wall.Start.Y && p.X >= wall.Start.X && p.X <= wall.End.X
        : p.X == wall.Start.X && p.Y >= wall.Start.Y && p.Y <= wall.End.Y;

    /// <summary>A way out of one wall, through cavities and risers, into another, by the places that a person wants it to pass.</summary>
    public Way ThroughCavities(Place a, Place b, int start, int end, Length cost, ImmutableArray<Point> via)
    {
        var build = new WayBuilder();
        var here = cavities[a.Structure];
        var at = aside.Exit(a, start);
        Leave(build, a, start, entering: false);
        foreach (var next in via)
        {
            // A place in the open air is no way for cable, whoever wants it.
            build.Blocked |= !here[start]!.Covers(next);
            Cross(build, here[start]!, at, next);
            at = next;
        }

        for (int from = start, step = Math.Sign(end - start); from != end; from += step)
        {
            int storey = Math.Min(from, from + step);
            var riser = risers.Riser(a.Structure, storey, at, aside.Exit(b, end));
            Cross(build, here[from]!, at, riser.At);
            build.Go(Space.StudBay, riser.At.At(here[from]!.Z), riser.At.At(here[from + step]!.Z), Indoors);
            foreach (var top in riser.IsInWall ? new[] { false, true } : [])
            {
                var beside = here[top ? storey + 1 : storey]!;
                build.Pass(new(MemberKind.Plate, a.Structure, storey, riser.Wall, riser.Number, top), riser.At.At(beside.Z), true,
                    beside.Ambient);
            }

            at = riser.At;
        }

        Cross(build, here[end]!, at, aside.Exit(b, end));
        Leave(build, b, end, entering: true);
        return build.Done(cost);
    }

    // Up or down the box's own bay, through its plate.
    private void Leave(WayBuilder build, Place place, int number, bool entering)
    {
        var cavity = cavities[place.Structure][number]!;
        if (slab.Stub(place, number) is { } stub)
        {
            // Its sole plate is cut around the pipe; the top one is bored.
            slab.Draw(build, place, stub, cavity.Z, entering);
            build.Pass(new(MemberKind.Plate, place.Structure, place.Level, stub.Wall.Index, stub.Wall.Bay(stub.Along), true),
                stub.At.At(cavity.Z), true, cavity.Ambient);
            return;
        }

        var turn = aside.Exit(place, number).At(cavity.Z);
        List<Point3> stops = [place.At];
        var step = aside.Step(place, number);
        build.Blocked |= aside.HasNone(place, number);
        if (step is { } sideways)
        {
            stops.AddRange([place.At.Plan.At(sideways.Z), turn.Plan.At(sideways.Z)]);
        }

        var panel = chases.HasAny ? chases.InPanel(place) : null;
        if (panel is not null && turn.Plan != place.At.Plan)
        {
            var z = chases.ChaseZ(place, panel) ?? place.At.Z;
            stops.AddRange([place.At.Plan.At(z), turn.Plan.At(z)]);
        }

        stops.Add(turn);
        if (entering)
        {
            stops.Reverse();
        }

        for (var i = 0; i + 1 < stops.Count; i++)
        {
            var along = step is not null && stops[i].Z == stops[i + 1].Z;
            build.Go(panel is not null ? Space.Chase : along ? Space.Studs : Space.StudBay, stops[i], stops[i + 1], Indoors);
            if (along && step is { Wall: var bored })
            {
                Bore(build, house.Structures[place.Structure].Levels[place.Level], bored, stops[i].Plan, stops[i + 1].Plan, stops[i].Z);
            }
        }

        if (place.Wall is int index)
        {
            var wall = house.Structures[place.Structure].Levels[place.Level].Walls[index];
            build.Pass(new(MemberKind.Plate, place.Structure, place.Level, index, wall.Bay(wall.Along(turn.Plan)), number > place.Level),
                turn, true, cavity.Ambient);
        }
    }

    private static void Cross(WayBuilder build, Cavity cavity, Point from, Point to)
    {
        var corners = cavity.Corners(from, to);
        build.Blocked |= corners is null;
        corners ??= [from, new(to.X, from.Y), to];
        for (var i = 0; i + 1 < corners.Count; i++)
        {
            Point a = corners[i], b = corners[i + 1];
            build.Go(cavity.IsAttic ? Space.Attic : Space.Joists, a.At(cavity.Z), b.At(cavity.Z), cavity.Ambient);
            if (!cavity.IsBored || !cavity.CrossesJoists(a, b))
            {
                continue;
            }

            int low = Math.Min(cavity.Index(a), cavity.Index(b)), high = Math.Max(cavity.Index(a), cavity.Index(b));
            for (var joist = low + 1; joist <= high; joist++)
            {
                var at = cavity.MeetsJoist(joist, a, b);
                build.Pass(new(MemberKind.Joist, cavity.Structure, cavity.Number, joist, cavity.Lane(at), false), at.At(cavity.Z), false,
                    cavity.Ambient);
            }
        }
    }

    private static Celsius Indoors => new(30);
}
