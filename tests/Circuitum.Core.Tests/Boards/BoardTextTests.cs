using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests.Boards;

public sealed class BoardTextTests
{
    [Fact] // a list of before said nothing of its family, and is read all the same
    public void A_list_names_the_family_of_its_rules()
    {
        var brief = BoardText.Read("hall, 8 m: 4 lamps");
        Assert.Contains("\nrules: gulf-metric\n", BoardText.Write(brief), StringComparison.Ordinal);
        Assert.Contains("rules of another family", Assert.Throws<FormatException>(() =>
            BoardText.Read("rules: canada-2021\nhall, 8 m: 4 lamps")).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_list_is_read_as_it_is_written_on_paper()
    {
        var brief = BoardText.Read("""
            # Villa Test
            supply: single-phase
            ambient: 45
            circuits in a conduit: 3
            points apart: 3.5 m
            board: hall, outdoors
            demand: lighting 66 %, water heating 50%

            // the rooms
            kitchen, 14 m: 8 LEDs 18 W, 6 twins, 15 A socket, 2 15A sockets, Cooker 7.2 kW, AC 2400W
            garden, 8.5 m, outdoors: 3 x lamps, garden pump 1.5 kW
            """);
        Assert.Equal(("Villa Test", false, 45m, 3, 3.5m, true, "hall"), (brief.Name, brief.Fed.ThreePhase, brief.Fed.Ambient.Degrees,
            brief.Fed.Together,
            decimal.Round(brief.Apart.Metres, 2), brief.Fed.BoardOutdoors, brief.BoardPlace));
        Assert.Equal((66m, 50m), (brief.Fed.ShareOf(DemandGroup.Lighting).Value, brief.Fed.ShareOf(DemandGroup.Water).Value));
        var kitchen = brief.Rooms[0];
        Assert.Equal((14m, 8, 6, 3), (decimal.Round(kitchen.FromBoard.Metres, 2), kitchen.Points.Count(p => p.Kind == PointKind.Led),
            kitchen.Points.Count(p => p.Kind == PointKind.TwinSocket), kitchen.Points.Count(p => p.Kind == PointKind.Socket15)));
        Assert.Equal([(PointKind.Cooker, 7200m), (PointKind.SplitUnit, 2400m)],
            kitchen.Points[^2..].Select(p => (p.Kind, p.Watts.Value)));
        Assert.Equal((18m, false), (kitchen.Points[0].Watts.Value, kitchen.Points[0].Assumed));
        Assert.Equal((400m, true), (kitchen.Points[8].Watts.Value, kitchen.Points[8].Assumed));
        Assert.True(brief.Rooms[1].Outdoors);
        Assert.Equal(["lamp", "lamp", "lamp", "garden pump"], brief.Rooms[1].Points.Select(p => p.Name));
    }

    [Theory] // as somebody types it: capitals, and blanks around the colon; a room may begin with the word of a setting
    [InlineData("SUPPLY : One phase\nboard room, 5 m: lamp")]
    [InlineData("Supply:one phase\nboard room, 5 m: lamp")]
    public void Settings_are_read_however_they_are_typed(string text)
    {
        var brief = BoardText.Read(text);
        Assert.False(brief.Fed.ThreePhase);
        Assert.Equal("board room", Assert.Single(brief.Rooms).Name);
    }

    [Fact] // every number that an authority may set is a line of the list, in capitals too
    public void Every_local_number_is_a_line() => Assert.All(Enum.GetValues<MetricNumber>(), n =>
    {
        var (words, least, _) = MetricAmendment.Limits(n);
        Assert.Equal([new(n, least, "the port")],
            BoardText.Feed($"{words.ToUpperInvariant()} : {least}, by the port").Amendments.AsEnumerable());
    });

    [Theory]
    [InlineData("", "There is no room yet")]
    [InlineData("hall 3 m lamps", "Line 1: “hall 3 m lamps” is no room")]
    [InlineData("hall, 3 m:", "“hall” has no points")]
    [InlineData("hall, 3: lamp", "“3” is no length of conduit; write 12 m")]
    [InlineData("hall, 0 m: lamp", "“0 m” is no length")]
    [InlineData("hall, 301 m: lamp", "to 300 m")]
    [InlineData("hall, 3 m: 0 lamps", "from 1 to 60")]
    [InlineData("hall, 3 m: 61 lamps", "from 1 to 60")]
    [InlineData("hall, 3 m: fountain", "“fountain” is not known; with its watts it is equipment of its own: fountain 750 W")]
    [InlineData("hall, 3 m: cooker", "“cooker” needs its watts")]
    [InlineData("hall, 3 m: lamp 0 W", "from 1 W to 50,000 W")]
    [InlineData("hall, 3 m: cooker 50.1 kW", "from 1 W to 50,000 W")]
    [InlineData("hall, 3 m: 12", "“12” is no point")]
    [InlineData("hall, 3 m: lamp three phases", "only cookers, water heaters, splits and equipment of its own")]
    [InlineData("hall, 3 m: lamp\nHall, 4 m: lamp", "Line 2: “Hall” is there already")]
    [InlineData("hall, 3 m, inside: lamp", "is no room with its points")]
    [InlineData("supply: two phases", "Line 1: “two phases” is no supply")]
    [InlineData("ambient: 61", "from 10 to 60")]
    [InlineData("circuits in a conduit: 21", "from 1 to 20")]
    [InlineData("lamps on a circuit: 3", "from 4 to 60")]
    [InlineData("lamps on a circuit: 61", "from 4 to 60")]
    [InlineData("demand: lamps 50 %", "“lamps 50 %” is no share")]
    [InlineData("demand: lighting 0 %", "is no share")]
    [InlineData("demand: lighting 101 %", "is no share")]
    public void What_is_not_understood_is_told_with_a_line_that_would_be(string text, string says) =>
        Assert.Contains(says, Assert.Throws<FormatException>(() => BoardText.Read(text)).Message, StringComparison.Ordinal);

    [Fact]
    public void Sixty_rooms_and_six_hundred_points_are_the_most()
    {
        string Rooms(int count, int points) => string.Join('\n', Enumerable.Range(1, count).Select(i => $"room {i}, 3 m: {points} lamps"));
        Assert.Equal(60, BoardText.Read(Rooms(60, 10)).Rooms.Length);
        Assert.Contains("more than 60 rooms", Assert.Throws<FormatException>(() => BoardText.Read(Rooms(61, 1))).Message,
            StringComparison.Ordinal);
        Assert.Contains("more than 600 points", Assert.Throws<FormatException>(() => BoardText.Read(Rooms(60, 11))).Message,
            StringComparison.Ordinal);
        Assert.Contains("20000 is the most", Assert.Throws<FormatException>(() => BoardText.Read(new string('a', 20_001))).Message,
            StringComparison.Ordinal);
    }

    [Fact] // a line of blanks and digits must not be tried in every way there is
    public void A_long_line_is_refused_at_once() =>
        Assert.Throws<FormatException>(() => BoardText.Read("hall, 3 m: " + string.Concat(Enumerable.Repeat("a ", 9000))));

    [Fact]
    public void What_is_written_reads_the_same() => Briefs.Any.Sample(brief =>
    {
        var again = BoardText.Read(BoardText.Write(brief));
        Assert.Equal(BoardText.Write(brief), BoardText.Write(again));
        Assert.Equal((brief.Fed.Ambient, brief.Fed.Together, brief.Fed.ThreePhase, brief.BoardPlace),
            (again.Fed.Ambient, again.Fed.Together, again.Fed.ThreePhase, again.BoardPlace));
        Assert.Equal(brief.Rooms.SelectMany(r => r.Points), again.Rooms.SelectMany(r => r.Points));
        Assert.Equal(brief.Rooms.Select(r => (r.Name, r.FromBoard, r.Outdoors)), again.Rooms.Select(r => (r.Name, r.FromBoard,
            r.Outdoors)));
    });
}
