using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>A house as text, <c>.house.txt</c>: buildings, storeys, rooms by the center lines of their walls, and under each room what is
/// on its walls and in it. <see cref="DrawHouse"/> reads it back as it was written.</summary>
public static partial class HouseText
{
    /// <summary>Each kind of line that such a text has, as it is written, and what it says.</summary>
    public static ImmutableArray<(string Line, string Says)> Examples { get; } =
    [
        ("building House at 0-0 east, 0-0 south, crawl space", "a building: where it lies on the site, what it stands on; damp, apart "
            + "(an outbuilding) and burns fuel where they hold"),
        ("level Ground, ceiling 8-1, floor sawn joists 0-9 1/4 deep 1-4 on center north south, above roof trusses 0-5 1/2 deep 2-0 on "
            + "center north south, attic above, 50 °C above", "a level, with what is below and above it"),
        ("beam 20-0 x 0-6 at 3-0 east, 4-0 south called Ridge beam", "what cable goes around: a beam, shaft, chimney, stair opening, "
            + "duct or plumbing wall, east to west first; or what it goes through where no room is, a breezeway or an open roof"),
        ("Kitchen as kitchen, on centers 13-5 1/2 x 12-5 1/2 at 0-0 east, 0-0 south", "a room of four walls, from its north-west "
            + "corner; “width kept” and “depth kept” where its inside sizes are"),
        ("- window 5-0 north at 4-0, sill 3-6", "an opening in the north wall of the room above"),
        ("- door 2-8 south at 1-0, hinged west, swings out", "a door; outside, “onto a deck” or “no deck” may be said"),
        ("- range 2-6 x 2-2 west at 3-0", "a thing on a wall, along it first; electric and burns fuel where they hold"),
        ("- island 6-0 x 3-0 at 3-6 east, 4-6 south", "a thing that stands free, from the room’s north-west corner inside"),
        ("- keep 1-4 west at 8-0 for drain", "stud bays kept for another trade"),
        ("- spare way west at 7-0 for screen, with a cord", "a way left open through the plates"),
        ("- panel A 200 A 42 spaces north at 11-0, top 6-0", "a panel, to its middle; “fed from A” for another’s"),
        ("Hall as hall, on centers from 13-5 1/2 east, 0-0 south: 8-0 east, 12-5 1/2 south, 4-0 west, 8-0 north, 4-0 west, 4-5 1/2 north",
            "a room of more walls, walked clockwise until it closes"),
        ("- wall 3 built of 2x6, 1-4 on center", "how a wall is framed: 2x4, 2x6, metal studs, masonry or insulated panel; "
            + "of panels too “chases at 1-2 and 3-8, first chase at 0-8, chases 0-1 1/2 wide”"),
        ("trench 2-0 deep from House to Shed by 10-0 east 20-0 south; 10-0 east 60-0 south", "a trench between two buildings"),
    ];

    /// <summary>The house of a job. Lengths are exact: feet and inches, or meters to a tenth of a millimeter where the job is
    /// metric.</summary>
    public static string Write(Job job)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"# {job.Name.Replace('#', ' ')}: the house as text.\n")
            .Append("# Rooms stand on the center lines of their walls, east and south of the building's reference point; what is on a\n")
            .Append("# wall is measured inside, from its west or its north end. What follows a # is left out when this is read.\n");
        var house = Framing.Frame(job);
        foreach (var structure in job.Structures)
        {
            Building(text, job, structure);
            foreach (var level in structure.Levels)
            {
                Storey(text, job, level);
                foreach (var room in level.Rooms)
                {
                    new RoomText(text, job, level, house.Room(room.Id)).Write();
                }
            }
        }

        foreach (var trench in job.Trenches)
        {
            var ends = new[] { trench.From, trench.To }.Select(id => Name(job.Structures.First(s => s.Id == id).Name)).ToList();
            text.Append(CultureInfo.InvariantCulture, $"\ntrench {Of(job, trench.Depth)} deep from {ends[0]} to {ends[1]} by ")
                .AppendJoin("; ", trench.Path.Select(p => At(job, p).Replace(", ", " ", StringComparison.Ordinal)))
                .Append(trench.DataPipe is { } apart ? $", data pipe {Of(job, apart)} apart" : "")
                .Append(trench.UnderDrive ? ", under the drive" : "").Append('\n');
        }

        return text.ToString();
    }

    private static void Building(StringBuilder text, Job job, Structure structure) => text
        .Append(CultureInfo.InvariantCulture, $"\nbuilding {Name(structure.Name)} at {At(job, structure.Origin)}, ")
        .Append(Words.Plain(structure.Underfloor)).Append(structure.DampUnderfloor ? ", damp" : "")
        .Append(structure.Accessory ? ", apart" : "").Append(structure.FuelBurning ? ", burns fuel" : "").Append('\n');

    private static void Storey(StringBuilder text, Job job, Level level)
    {
        text.Append(CultureInfo.InvariantCulture, $"\nlevel {Name(level.Name)}, ceiling {Of(job, level.CeilingHeight)}")
            .Append(level.FloorJoists is { } floor ? $", floor {Of(job, floor)}" : "")
            .Append(CultureInfo.InvariantCulture, $", above {Of(job, level.CeilingJoists)}").Append(level.AtticAbove ? ", attic above" : "")
            .Append(Ambient(level.AmbientAbove, "above")).Append(Ambient(level.AmbientBelow, "below"))
            .Append(level.Basement switch { true => ", below grade", false => ", above grade", _ => "" })
            .Append(level.NeverFinished ? ", never finished" : "").Append(level.Way is { } way ? $", {WayWords(way)}" : "").Append('\n');
        foreach (var over in level.Obstructions)
        {
            text.Append(CultureInfo.InvariantCulture,
                $"{Words.Plain(over.Kind)} {Of(job, over.Width)} x {Of(job, over.Depth)} at {At(job, over.Corner)} ")
                .Append(CultureInfo.InvariantCulture, $"called {Name(over.Name)}\n");
        }
    }

    /// <summary>The way cable takes on a storey: cable overhead.</summary>
    internal static string WayWords(CableWay way) => way switch
    {
        CableWay.Overhead => "cable overhead",
        CableWay.FromBelow => "cable from below",
        _ => "cable by least labor",
    };

    // What is usual is not said.
    private static string Ambient(Celsius ambient, string where) => ambient == new Celsius(30) ? ""
        : string.Create(CultureInfo.InvariantCulture, $", {ambient.Degrees} °C {where}");

    private static string Of(Job job, Joists joists) =>
        $"{Words.Of(joists.Kind)} {Of(job, joists.Depth)} deep {Of(job, joists.Spacing)} on center {Words.Plain(joists.Run)}";

    /// <summary>A length that is read back the same: 13-4 1/2, or 4.0767 m.</summary>
    internal static string Of(Job job, Length length)
    {
        if (job.Schools.Measure == Measure.Metres || job.Schools.Drawn == Measure.Metres)
        {
            return string.Create(CultureInfo.InvariantCulture, $"{length.Metres:0.####} m");
        }

        var size = length.Abs();
        var feet = size.Sixtyfourths / Length.FromFeet(1).Sixtyfourths;
        var inches = (size - Length.FromFeet(feet)).ToString().TrimEnd('"');
        return $"{(length < Length.Zero ? "-" : "")}{feet}-{(inches.Contains('/') && !inches.Contains(' ') ? $"0 {inches}" : inches)}";
    }

    /// <summary>A place on the plan: 14-3 1/2 east, 2-0 north.</summary>
    internal static string At(Job job, Point place) => $"{Of(job, place.X.Abs())} {(place.X < Length.Zero ? "west" : "east")}, "
        + $"{Of(job, place.Y.Abs())} {(place.Y < Length.Zero ? "north" : "south")}";

    /// <summary>A name, in quotation marks where it could be taken for something else.</summary>
    internal static string Name(string name) => Plain().IsMatch(name) ? name
        : $"\"{name.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";

    // One word, or several that none of the lines' own words is.
    [GeneratedRegex(@"^(?!(?:building|level|trench|panel|keep|spare) )(?!.*\b(?:as|at|to|by|for|called)\b)"
        + @"\p{L}[\p{L}\p{N}'’./&+-]*(?: [\p{L}\p{N}'’./&+-]+)*$", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Plain();

    // One room with what is on its walls and in it.
    private sealed record RoomText(StringBuilder Text, Job Job, Level Level, FramedRoom Framed)
    {
        private Room Room => Framed.Room;

        public void Write()
        {
            var corners = Room.Corners;
            var box = corners.Length == 4 && corners.AsSpan().SequenceEqual(Shapes.Box(corners[0], corners[2]).AsSpan());
            Text.Append(CultureInfo.InvariantCulture, $"\n{Name(Room.Name)} as {Words.Plain(Room.Use)}, on centers ")
                .Append(box ? $"{Of(corners[1].X - corners[0].X)} x {Of(corners[3].Y - corners[0].Y)} at {At(corners[0])}"
                    : $"from {At(corners[0])}: {string.Join(", ", corners.Select(Leg))}")
                .Append(Room.KeepsWidth ? ", width kept" : "").Append(Room.KeepsDepth ? ", depth kept" : "")
                .Append(CultureInfo.InvariantCulture, $"   # inside {Of(Framed.ClearWidth)} x {Of(Framed.ClearDepth)}\n");
            foreach (var build in Room.Builds)
            {
                Line($"{Wall(build.Wall)} built of {WallWords.Of(build.Framing)}, {Of(build.Spacing)} on center"
                    + (build.ChaseHeights.IsEmpty ? "" : $", chases at {string.Join(" and ", build.ChaseHeights.Select(Of))}")
                    + (build.FirstChase is { } first ? $", first chase at {Of(first)}" : "")
                    + (build.ChaseWidth is { } wide ? $", chases {Of(wide)} wide" : ""));
            }

            foreach (var opening in Room.Openings)
            {
                Line($"{Words.Plain(opening.Kind)} {Of(opening.Width)} {On(opening.Wall, opening.Offset, opening.Width)}"
                    + (opening.Sill == Length.FromInches(36) ? "" : $", sill {Of(opening.Sill)}")
                    + (opening.Hinge == Hinge.Start ? "" : $", hinged {WallWords.End(Room, opening.Wall)}")
                    + (opening.SwingsOut ? ", swings out" : "")
                    + (opening.Deck switch { true => ", onto a deck", false => ", no deck", _ => "" }));
            }

            foreach (var thing in Room.Fixtures)
            {
                Line($"{Words.Plain(thing.Kind)} {Of(thing.Width)} x {Of(thing.Depth)} "
                    + (thing.Wall is { } wall ? On(wall, thing.Offset, thing.Width) : $"at {At(new(thing.X, thing.Y))}")
                    + (thing.Electric ? ", electric" : "") + (thing.BurnsFuel ? ", burns fuel" : ""));
            }

            foreach (var kept in Level.Reservations.Where(r => r.Room == Room.Id))
            {
                Line($"keep {Of(kept.Width)} {On(kept.Wall, kept.Offset, kept.Width)} for {Name(kept.For)}");
            }

            foreach (var way in Level.Chases.Where(c => c.Room == Room.Id))
            {
                Line($"spare way {On(way.Wall, way.Offset, Length.Zero)} for {Name(way.For)}, {(way.Cord ? "with a" : "no")} cord");
            }

            foreach (var panel in Job.Panels.Where(p => p.Room == Room.Id))
            {
                Line(string.Create(CultureInfo.InvariantCulture, $"panel {panel.Id} {panel.Rating.Value} A {panel.Spaces} spaces ")
                    + $"{On(panel.Wall, panel.Offset, Length.Zero)}, top {Of(panel.Top)}"
                    + (panel.FedFrom is { } from ? $", fed from {from}{(panel.ByLugs ? " by lugs" : "")}" : "")
                    + (panel.Existing ? ", existing" : ""));
            }
        }

        private void Line(string line) => Text.Append("- ").Append(line).Append('\n');

        private string Leg(Point from, int corner)
        {
            var to = Room.Corners[(corner + 1) % Room.Corners.Length];
            return from.Y == to.Y ? $"{Of((to.X - from.X).Abs())} {(to.X < from.X ? "west" : "east")}"
                : $"{Of((to.Y - from.Y).Abs())} {(to.Y < from.Y ? "north" : "south")}";
        }

        private string Wall(int wall) => WallWords.Of(Room, wall);

        private string On(int wall, Length offset, Length width) =>
            $"{Wall(wall)} at {Of(WallWords.FromEnd(Framed.Sides[wall - 1], Room, offset, width))}";

        private string Of(Length length) => HouseText.Of(Job, length);

        private string At(Point place) => HouseText.At(Job, place);
    }
}

/// <summary>Walls as a house's text names them: by their side where a room has one there, by their number where it has several.</summary>
internal static class WallWords
{
    private static readonly ImmutableArray<(WallFraming Framing, string Word)> Framings =
    [
        (WallFraming.Wood2x4, "2x4"), (WallFraming.Wood2x6, "2x6"), (WallFraming.MetalStud, "metal studs"),
        (WallFraming.MasonryFurred, "masonry"), (WallFraming.InsulatedPanel, "insulated panel"),
    ];

    /// <summary>What a wall is made of.</summary>
    public static string Of(WallFraming framing) => Framings.First(f => f.Framing == framing).Word;

    /// <summary>Every word for it, and what it means.</summary>
    public static IEnumerable<(WallFraming Framing, string Word)> All => Framings;

    /// <summary>north, or wall 5.</summary>
    public static string Of(Room room, int wall) => Enumerable.Range(1, room.Corners.Length)
        .Count(w => room.Facing(w) == room.Facing(wall)) == 1 ? room.SideOf(wall)!
        : string.Create(CultureInfo.InvariantCulture, $"wall {wall}");

    /// <summary>The compass word of a wall's far end: what is hinged there is not hinged at the wall's start.</summary>
    public static string End(Room room, int wall) => room.Facing(wall) switch
    {
        PlanSide.North => "east",
        PlanSide.East => "south",
        PlanSide.South => "west",
        _ => "north",
    };

    /// <summary>A place along a wall from its west or north end; and, asked with what it answered, from the wall's start again.</summary>
    public static Length FromEnd(RoomSide side, Room room, Length offset, Length width) =>
        room.RunsBackward(side.Number) ? side.Clear - offset - width : offset;
}
