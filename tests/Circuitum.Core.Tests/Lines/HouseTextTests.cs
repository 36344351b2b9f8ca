using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>A house as text: each kind of line by numbers worked by hand, what is refused in whose words, and what a text leaves
/// alone.</summary>
public sealed class HouseTextTests
{
    // Two rooms that share the wall at 13-5 1/2: exterior walls are 6-1/2 in thick, the one between is 4-1/2 in.
    private const string Two = """
        building House at 0-0 east, 0-0 south, slab
        level Ground, ceiling 9-0, above roof trusses 0-5 1/2 deep 2-0 on center north south, attic above, 50 °C above
        Kitchen as kitchen, on centers 13-5 1/2 x 12-6 1/2 at 0-0 east, 0-0 south
        - door 2-8 east at 1-0, hinged south, swings out
        - window 5-0 south at 4-0, sill 3-6
        - range 2-6 x 2-2 west at 3-0, burns fuel
        - island 6-0 x 3-0 at 3-6 east, 4-6 south
        - keep 1-4 north at 8-0 for drain
        - spare way west at 7-0 for screen, no cord
        - panel A 150 A 30 spaces west at 10-0, top 5-6
        Hall as hall, on centers 8-0 x 12-6 1/2 at 13-5 1/2 east, 0-0 south
        - north built of metal studs, 2-0 on center
        """;

    private static readonly NewJob Answers = new() { Name = "Text", Edition = Editions.Newest(RuleFamily.UnitedStates) };

    private static Job Start(string text) => StartFromText.Start(Answers, text);

    private static string Refused(string text) => Assert.Throws<ChangeRefusedException>(() => Start(text)).Message;

    [Fact]
    public void A_house_stands_as_its_text_says()
    {
        var job = Start(Two);
        var level = Assert.Single(Assert.Single(job.Structures).Levels);
        Assert.Equal((Underfloor.Slab, 9.Feet(), null), (job.Structures[0].Underfloor, level.CeilingHeight, level.FloorJoists));
        Assert.Equal(new Joists(JoistRun.NorthSouth, 24.Inches(), Length.FromInches(5.5m)) { Kind = JoistKind.RoofTruss },
            level.CeilingJoists);
        Assert.Equal((true, new Celsius(50)), (level.AtticAbove, level.AmbientAbove));
        var kitchen = level.Rooms[0];
        Assert.Equal(new Point(Length.FromInches(161.5m), Length.FromInches(150.5m)), kitchen.Corners[2]);

        // Inside: half of an exterior wall, 3-1/4 in, and half of the partition, 2-1/4 in, off 13'-5 1/2"; 12'-6 1/2" less 6-1/2 in.
        var framed = Framing.Frame(job).Room(kitchen.Id);
        Assert.Equal((13.Feet(), 12.Feet()), (framed.ClearWidth, framed.ClearDepth));

        // The east wall is read from the north, as it runs; the south wall runs west, so 4-0 from its west end is 13 − 4 − 5 = 4 ft from
        // its start.
        var (door, window) = (kitchen.Openings[0], kitchen.Openings[1]);
        Assert.Equal((2, 1.Feet(), Hinge.End, true), (door.Wall, door.Offset, door.Hinge, door.SwingsOut));
        Assert.Equal((3, 4.Feet(), 5.Feet(), 42.Inches()), (window.Wall, window.Offset, window.Width, window.Sill));

        // The west wall runs north: 3-0 from its north end is 12 − 3 − 2.5 ft from its start.
        var (range, island) = (kitchen.Fixtures[0], kitchen.Fixtures[1]);
        Assert.Equal((4, 78.Inches(), true), (range.Wall!.Value, range.Offset, range.BurnsFuel));
        Assert.Equal((null, 42.Inches(), 54.Inches()), (island.Wall, island.X, island.Y));
        var (kept, spare) = (Assert.Single(level.Reservations), Assert.Single(level.Chases));
        Assert.Equal((1, 8.Feet(), 16.Inches(), "drain"), (kept.Wall, kept.Offset, kept.Width, kept.For));
        Assert.Equal((4, 5.Feet(), "screen", false), (spare.Wall, spare.Offset, spare.For, spare.Cord));
        var panel = Assert.Single(job.Panels);
        Assert.Equal((4, 2.Feet(), 150.Amps(), 30, 66.Inches()), (panel.Wall, panel.Offset, panel.Rating, panel.Spaces, panel.Top));
        Assert.Equal((1, WallFraming.MetalStud, 24.Inches()), level.Rooms[1].Builds.Select(b => (b.Wall, b.Framing, b.Spacing)).Single());
    }

    [Theory] // said of one storey, and said again as it was
    [InlineData("cable overhead", CableWay.Overhead)]
    [InlineData("cable from below", CableWay.FromBelow)]
    [InlineData("cable by least labor", CableWay.LeastLabour)]
    public void A_storey_says_the_way_of_its_cable(string words, CableWay way)
    {
        var job = Start(Two.Replace("attic above", $"attic above, {words}", StringComparison.Ordinal));
        Assert.Equal(way, job.Levels.Single().Way);
        Assert.Equal(way, Start(HouseText.Write(job)).Levels.Single().Way);
        Assert.Null(Start(Two).Levels.Single().Way);
    }

    [Fact] // an L: walls in order, each so far to a side
    public void An_outline_is_walked_and_closes()
    {
        const string Ell = "level Ground, ceiling 8-0\nDen as den, on centers from 2-0 west, 0-0 south: 10-0 east, 4-0 south, 4-0 west, "
            + "6-0 south, 6-0 west, ";
        Assert.Equal([(-2, 0), (8, 0), (8, 4), (4, 4), (4, 10), (-2, 10)],
            Start(Ell + "10-0 north").Rooms.Single().Corners.Select(c => ((int)c.X.Feet, (int)c.Y.Feet)));
        Assert.Contains("The walls of Den do not close: the last one ends 6\" too far south.", Refused(Ell + "9-6 north"),
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("- door 2-8 east at 1-0", "Line 1, “- door 2-8 east at 1-0”: A line with a dash belongs to the room above it")]
    [InlineData(Two + "\n- door 2-8 wall 9 at 1-0", "Hall has no wall 9.")]
    [InlineData(Two + "\n- chandelier 2-8 x 1-0 east at 1-0", "“chandelier” is none of counter, island")]
    [InlineData(Two + "\n- door 2-8 east at 1-0, hinged west", "That wall has a north and a south end; it cannot be hinged west.")]
    [InlineData(Two + "\n- door 2-8 east at 1-0, painted red", "“painted red” is no fact of an opening")]
    [InlineData(Two + "\n- door of oak", "This is not understood of a room.")]
    [InlineData(Two + "\ntrench 2-0 deep from House to Barn by 1-0 east 1-0 south; 1-0 east 9-0 south", "There is no building Barn.")]
    [InlineData("level Ground, ceiling 8-0, of gold\n", "“of gold” is no fact of a level")]
    [InlineData("Den as palace, on centers 9-0 x 9-0 at 0-0 east, 0-0 south", "“palace” is none of kitchen, dining")]
    [InlineData("building House at 0-0 east, 0-0 south, on stilts", "“on stilts” is none of slab, crawl space, basement.")]
    public void What_is_not_understood_is_refused_by_its_line(string text, string says) =>
        Assert.Contains(says, Refused(text), StringComparison.Ordinal);

    [Fact]
    public void A_side_with_two_walls_asks_which()
    {
        const string Ell = "level Ground, ceiling 8-0\nDen as den, on centers from 0-0 east, 0-0 south: 10-0 east, 4-0 south, 4-0 west, "
            + "6-0 south, 6-0 west, 10-0 north\n- window 3-0 east at 1-0";
        Assert.Contains("Den has several walls to the east: say “wall 2” or “wall 4”.", Refused(Ell), StringComparison.Ordinal);
    }

    [Fact] // only lines as they are said: the ground level of the answers, the panel where one hangs most often
    public void A_job_starts_with_what_is_said_over_a_paper_plan()
    {
        var job = Start("""
            living 16 x 14      # the first room stands by itself
            garage 12 x 20 east of living
            door 2-8 living to garage
            """);
        Assert.Equal(["Living", "Garage"], job.Rooms.Select(r => r.Name));
        var garage = Framing.Frame(job).Rooms.Single(r => r.Room.Name == "Garage");
        Assert.Equal((12.Feet(), 20.Feet()), (garage.ClearWidth, garage.ClearDepth));
        var panel = Assert.Single(job.Panels);
        Assert.Equal((garage.Room.Id, 200.Amps(), 42), (panel.Room, panel.Rating, panel.Spaces));
        Assert.Contains("Line 2, “pool east of living”", Refused("living 16 x 14\npool east of living"), StringComparison.Ordinal);
    }

    [Fact] // what the text says is changed, and what stands on a wall stays where it stood on it
    public void A_changed_line_changes_its_room_and_no_other()
    {
        var job = Start(Two).With(Houses.On("b1", "hall", 3, 24), Houses.On("b2", "kitchen", 4, 12));
        var wider = new DrawHouse(job.Levels.First().Id, HouseText.Write(job)
            .Replace("Hall as hall, on centers 8-0 x", "Hall as hall, on centers 9-0 x", StringComparison.Ordinal)).On(job).Job!;
        Assert.Equal(job.Rooms.First().Corners.AsEnumerable(), wider.Rooms.First().Corners.AsEnumerable());
        Assert.Equal(9.Feet(), wider.Rooms.Last().Corners[1].X - wider.Rooms.Last().Corners[0].X);
        // The hall's south wall begins at its east end, which is 1 ft farther from the box now.
        Assert.Equal([("b1", 3, 36.Inches()), ("b2", 4, 12.Inches())], wider.Boxes.Select(b => (b.Id.Value, b.Wall, b.Offset)));
        Assert.Equal(job.Rooms.SelectMany(r => r.Openings).Select(o => o.Id), wider.Rooms.SelectMany(r => r.Openings).Select(o => o.Id));
    }

    [Fact] // the outline alone: its door, range and framing are not spoken of
    public void A_room_without_a_line_below_it_keeps_what_is_in_it()
    {
        var job = Start(Two + "\n- toilet 1-6 x 2-4 south at 1-0");
        var outline = HouseText.Write(job).Split('\n').Where(l => l.StartsWith("Kitchen as", StringComparison.Ordinal)
            || l.StartsWith("Hall as", StringComparison.Ordinal));
        var again = new DrawHouse(job.Levels.First().Id, string.Join('\n', outline)).On(job).Job!;
        Assert.Equal(HouseText.Write(job), HouseText.Write(again));

        // With one line below it the text is all there is: the window and the range go.
        var bare = new DrawHouse(job.Levels.First().Id, outline.First() + "\n- door 2-8 east at 1-0").On(job).Job!;
        Assert.Equal(OpeningKind.Door, Assert.Single(bare.Rooms.First().Openings).Kind);
        Assert.Empty(bare.Rooms.First().Fixtures);
        Assert.Equal(job.Rooms.Last().Builds.AsEnumerable(), bare.Rooms.Last().Builds.AsEnumerable());
    }

    [Fact] // panels as they were made: where their first chase is, and how wide; said again word by word
    public void Insulated_panels_are_read_as_they_are_made_and_written_so()
    {
        const string said = "- north built of insulated panel, 2-0 on center, chases at 1-2 and 3-8, first chase at 0-8, "
            + "chases 0-1 1/4 wide";
        var job = Start(Two.Replace("- north built of metal studs, 2-0 on center", said, StringComparison.Ordinal));
        var build = Assert.Single(job.Rooms.Last().Builds);
        Assert.Equal((8.Inches(), Length.FromInches(1.25m)), (build.FirstChase, build.ChaseWidth));
        Assert.Equal([14.Inches(), 44.Inches()], build.ChaseHeights.AsEnumerable());
        Assert.Contains(said, HouseText.Write(job), StringComparison.Ordinal);
    }

    [Fact] // a notch is cut out of the hall: its other wall numbers bring no framing of before along
    public void A_room_with_other_walls_is_framed_as_its_text_says()
    {
        var job = Start(Two);
        var notched = new DrawHouse(job.Levels.First().Id,
            "Hall as hall, on centers from 13-5 1/2 east, 0-0 south: 8-0 east, 8-6 1/2 south, 4-0 west, 4-0 south, 4-0 west, "
            + "12-6 1/2 north\n- west built of 2x6, 1-4 on center\n"
            + HouseText.Write(job)[HouseText.Write(job).IndexOf("Kitchen as", StringComparison.Ordinal)..].Split("\n\n")[0]).On(job);
        Assert.Null(notched.Refusal);
        Assert.Equal((6, WallFraming.Wood2x6), notched.Job!.Rooms.Last().Builds.Select(b => (b.Wall, b.Framing)).Single());
    }

    [Fact]
    public void A_text_that_is_too_long_is_refused_before_it_is_read()
    {
        Assert.Equal("Line 2 has 1,001 characters; a line has at most 1,000.", Refused("kitchen 12 x 12\n" + new string('"', 1001)));
        Assert.Contains("at most 200,000 characters", Refused(new string('x', 200_001)), StringComparison.Ordinal);
        Assert.Contains("2,000 lines are read at once; these are 2,001.", Refused(new string('\n', 2000)), StringComparison.Ordinal);
        Assert.Contains("400 lines may be said at once", Refused(Two + string.Concat(Enumerable.Repeat("\nfurnish all", 401))),
            StringComparison.Ordinal);
    }

    [Fact] // where it is said the panel hangs there, whatever room is likelier
    public void A_panel_that_is_said_hangs_where_it_is_said()
    {
        var job = Start("living 16 x 14\ngarage 12 x 20 east of living\npanel north of living at 2-0");
        Assert.Equal(("Living", 2.Feet()), (job.Rooms.First(r => r.Id == job.Panels[0].Room).Name, job.Panels[0].Offset));
    }

    [Fact]
    public void A_beam_alone_is_put_beside_those_that_are_there()
    {
        var job = Start(Two);
        foreach (var (line, count) in new[] { ("beam 20-0 x 0-6 at 1-0 east, 4-0 south called Ridge", 1),
            ("duct 2-0 x 1-0 at 5-0 east, 1-0 south called Return", 2),
            ("open roof 8-0 x 5-0 at 30-0 east, 4-0 south called Link", 3) })
        {
            job = SayLines.Of(job.Levels.First().Id, line).On(job).Job!;
            Assert.Equal(count, job.Levels.First().Obstructions.Length);
        }

        Assert.Equal(new("Link", ObstructionKind.OpenRoof, new(30.Feet(), 4.Feet()), 8.Feet(), 5.Feet()),
            job.Levels.First().Obstructions[2]);
        Assert.Equal(new("Ridge", ObstructionKind.Beam, new(1.Feet(), 4.Feet()), 20.Feet(), 6.Inches()),
            job.Levels.First().Obstructions[0]);
    }

    [Fact] // a room alone, pasted into a house that stands
    public void A_room_of_a_text_joins_a_house()
    {
        var job = Start(Two);
        var outcome = SayLines.Of(job.Levels.First().Id, "Bath as bath, on centers 6-0 x 12-6 1/2 at 21-5 1/2 east, 0-0 south\n"
            + "- toilet 1-6 x 2-4 south at 1-0\ndoor hall to bath").On(job);
        Assert.Null(outcome.Refusal);
        Assert.Equal("Draw the house by its text: 1 room, 0 openings, 1 thing, 1 line said", outcome.Phrase);
        Assert.Equal(["Kitchen", "Hall", "Bath"], outcome.Job!.Rooms.Select(r => r.Name));
        Assert.Equal(OpeningKind.Door, outcome.Job!.Rooms.Skip(1).SelectMany(r => r.Openings).Single().Kind);
    }

    [Fact]
    public void Every_example_is_read()
    {
        var text = string.Join('\n', HouseText.Examples.Select(e => e.Line)).Replace("trench",
            "building Shed at 9-0 east, 60-0 south, slab, apart\nlevel Shed, ceiling 8-0\n"
            + "Shed as utility, on centers 9-0 x 9-0 at 0-0 east, 0-0 south\ntrench", StringComparison.Ordinal);
        var job = Start(text);
        Assert.Equal(["Kitchen", "Hall", "Shed"], job.Rooms.Select(r => r.Name));
        Assert.Equal((1, 2, 1), (job.Trenches.Length, job.Rooms.SelectMany(r => r.Openings).Count(), job.Panels.Length));
    }

    // Kinds are written by their word: each comes back as itself.
    [Fact]
    public void Every_kind_of_thing_is_read_as_itself()
    {
        foreach (var kind in Enum.GetValues<FixtureKind>())
        {
            var job = Start(Two + $"\n- {Words.Of(kind)} 1-0 x 1-0 at 1-0 east, 1-0 south, electric");
            Assert.Equal((kind, true), (job.Rooms.Last().Fixtures.Single().Kind, job.Rooms.Last().Fixtures.Single().Electric));
        }

        foreach (var use in Enum.GetValues<RoomUse>())
        {
            Assert.Equal(use, Start($"level Ground, ceiling 8-0\nX as {Words.Of(use)}, on centers 9-0 x 9-0 at 0-0 east, 0-0 south").Rooms
                .Single().Use);
        }
    }

    // Pieces of the text itself, cut and put together by lot: read or refused in a sentence, never half done, never an exception.
    [Fact]
    public void Any_text_is_read_or_refused()
    {
        var job = Start(Two);
        var pieces = Two.Split('\n').Concat(HouseText.Examples.Select(e => e.Line)).Concat(HouseLine.Examples).ToArray();
        Gen.Select(Gen.Int[0, pieces.Length - 1], Gen.Int[0, pieces.Length - 1], Gen.Int[0, 80], Gen.Int[0, 80]).Array[1, 6].Sample(lots =>
        {
            var text = string.Join('\n', lots.Select(l => pieces[l.Item1][..Math.Min(l.Item3, pieces[l.Item1].Length)]
                + pieces[l.Item2][Math.Min(l.Item4, pieces[l.Item2].Length)..]));
            var outcome = new DrawHouse(job.Levels.First().Id, text).On(job);
            Assert.True(outcome.Job is not null || outcome.Refusal is { Length: > 0 }, text);
        }, iter: 3000);
    }
}
