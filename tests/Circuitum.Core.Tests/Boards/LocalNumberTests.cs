using Circuitum.Core.Boards;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Tests.Support;

namespace Circuitum.Core.Tests.Boards;

/// <summary>Numbers of the metric method that an authority sets otherwise: in force, cited by its name, within limits, and read back as
/// written.</summary>
public sealed class LocalNumberTests
{
    [Theory] // nine sockets: eight and one by the method; all on one ring where ten are allowed, four and five by seven at most
    [InlineData(8, new[] { 8, 1 })]
    [InlineData(9, new[] { 9 })]
    [InlineData(7, new[] { 7, 2 })]
    public void Sockets_on_a_ring(int most, int[] points) => Assert.Equal(points.Order(),
        Briefs.Planned($"sockets on a ring: {most}, by the authority", "hall, 5 m: 9 twin sockets").Ways()
            .Select(w => w.Circuit.Points.Length).Order());

    [Theory] // both sides of it
    [InlineData(5, CircuitUse.Radial)]
    [InlineData(4, CircuitUse.Ring)]
    public void Sockets_on_a_radial(int most, CircuitUse use) => Assert.Equal(use, Assert.Single(
        Briefs.Planned($"sockets on a radial: {most}, by the authority", "hall, 5 m: 5 twin sockets").Ways()).Circuit.Use);

    [Theory] // 8 × 250 = 2000 W by the method; 2250 W in one where 2400 are allowed
    [InlineData("", 2)]
    [InlineData("watts of lighting: 2400, by the authority", 1)]
    public void Watts_of_lighting(string line, int circuits) =>
        Assert.Equal(circuits, Briefs.Planned(line, "hall, 5 m: 9 lamps 250 W").Of(CircuitUse.Lighting).Count);

    [Theory]
    [InlineData("units looped: 2, by the authority", new[] { 2, 1 })]
    [InlineData("units looped: 3, by the authority", new[] { 3 })]
    public void Units_looped(string line, int[] units) => Assert.Equal(units.Order(), Briefs.Planned(line, "hall, 5 m: 3 splits 1 kW")
        .Of(CircuitUse.Cooling).Select(w => w.Circuit.Points.Length).Order());

    [Theory] // four units on a board for everything are allowed, and with a most of three they have their own
    [InlineData("units on a board: 4, by the authority", 1)]
    [InlineData("units on a board: 3, by the authority", 2)]
    public void Units_on_a_board(string line, int boards) => Assert.Equal(boards,
        Briefs.Planned(line, "hall, 5 m: 2 splits 1 kW, 2 lamps", "study, 8 m: 2 splits 1 kW").Boards.Length);

    [Theory] // three rings: two residual-current devices where two stand behind one
    [InlineData("rings behind one device: 3, by the authority", 1)]
    [InlineData("rings behind one device: 2, by the authority", 2)]
    public void Rings_behind_one_device(string line, int devices) => Assert.Equal(devices, Briefs.Planned(line,
        "hall, 5 m: 24 twin sockets, lamp").Boards[0].Sections.Count(s => s.Ways.Any(w => w.Circuit.Use == CircuitUse.Ring)));

    [Fact] // 20 water heaters are 20 ways: two boards where twelve is the most
    public void Ways_of_a_board()
    {
        string[] rooms = [.. Enumerable.Range(1, 20).Select(i => $"room {i}, {i} m: water heater 1000 W")];
        Assert.Single(Briefs.Planned(rooms).Boards);
        Assert.Equal([10, 10], Briefs.Planned(["ways of a board: 12, by the authority", .. rooms]).Boards.Select(b => b.Used));
    }

    [Fact] // 12 × 4.6 kW are 12 × 20 A, 80 A on each phase; two boards of 40 A where 63 A is the most
    public void Incomer_of_a_board()
    {
        string[] rooms = [.. Enumerable.Range(1, 12).Select(i => $"room {i}, {i} m: water heater 4600 W")];
        Assert.Equal([80m], Briefs.Planned(rooms).Boards.Select(b => b.Incomer.Value.Value));
        Assert.Equal([40m, 40m], Briefs.Planned(["incomer of a board: 63, by the authority", .. rooms])
            .Boards.Select(b => b.Incomer.Value.Value));
    }

    [Theory] // 14 kW on one phase are 60.9 A behind 63 A; half of it runs, 30.4 A, and an incomer is no smaller than that breaker
    [InlineData("incomer of a board: 40, by the authority", true)]
    [InlineData("incomer of a board: 63, by the authority", false)]
    public void An_incomer_above_the_local_limit_is_told(string line, bool told) => Assert.Equal(told, BoardChecks.Of(Briefs.Planned(line,
        "supply: one phase", "demand: other 50 %", "hall, 5 m: kiln 14 kW")).Any(t => t.Headline == "Its incomer has 63 A."
            && t.Cite.Text == "the authority"));

    [Fact] // 20 A over 60 m of 4 mm²: 11 × 20 × 60 ÷ 1000 = 13.2 V of 230 are 5.74 %; within 6 %, and larger by 4 %
    public void Lost_to_a_point()
    {
        const string Room = "hall, 60 m: water heater 4600 W";
        Assert.Equal(6m, Assert.Single(Briefs.Planned(Room).Ways()).Sized.Size.Value.Value);
        var local = Assert.Single(Briefs.Planned("lost to a point: 6, by the authority", Room).Ways());
        Assert.Equal(4m, local.Sized.Size.Value.Value);
        Assert.Contains(local.Sized.Size.Why.Steps, s => s.Word.Text == "the authority");
    }

    [Fact]
    public void A_local_number_is_cited_by_whose_it_is()
    {
        var ring = Briefs.Planned("sockets on a ring: 10, by Clause 4 of the port", "hall, 5 m: 9 twin sockets").Of(CircuitUse.Ring)[0];
        var step = ring.Sized.Rated.Breaker.Why.Steps[^1];
        Assert.Equal(("a ring of at most 10 sockets", "Clause 4 of the port"), (step.Text, step.Word.Text));
    }

    [Theory] // both ends of each, and the first beyond
    [InlineData("sockets on a radial", 1, 12)]
    [InlineData("sockets on a ring", 2, 20)]
    [InlineData("rings behind one device", 1, 12)]
    [InlineData("units looped", 1, 6)]
    [InlineData("units on a board", 1, 24)]
    [InlineData("ways of a board", 12, 72)]
    [InlineData("incomer of a board", 40, 125)]
    [InlineData("watts of lighting", 1200, 3600)]
    [InlineData("lost to a point", 1, 8)]
    public void Limits_are_kept(string words, int least, int most)
    {
        foreach (var value in new[] { least, most })
        {
            var fed = BoardText.Feed($"{words}: {value}, by the authority");
            Assert.Equal((value, "the authority"), (Assert.Single(fed.Amendments).Value, fed.Amendments[0].By));
            Assert.Equal(value, fed.Most(fed.Amendments[0].Number));
        }

        foreach (var value in new[] { least - 1, most + 1 })
        {
            Assert.Contains($"{words} must lie from {least} to {most}; it is {value}.", Assert.Throws<FormatException>(() =>
                BoardText.Feed($"{words}: {value}, by the authority")).Message, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("sockets on a ring: 10", "by whose rule it is")]
    [InlineData("sockets on a ring: many, by the authority", "write sockets on a ring: 8, by whose rule it is")]
    [InlineData("incomer of a board: 70, by the authority", "is one of 40, 50, 63, 80, 100, 125 A; it is 70")]
    public void What_is_no_local_number_is_told(string line, string says) =>
        Assert.Contains(says, Assert.Throws<FormatException>(() => BoardText.Feed(line)).Message, StringComparison.Ordinal);

    [Fact] // in a job and in a list: written, read, the same; the last word of a number holds
    public void They_are_read_back_as_they_are_written()
    {
        var fed = BoardText.Feed("lost to a point: 3 %, by B\nsockets on a ring: 10 by A\nsockets on a ring: 9, by C");
        Assert.Equal("sockets on a ring: 9, by C\nlost to a point: 3, by B\n",
            BoardText.Lines(fed)[BoardText.Lines(fed).IndexOf("sockets", StringComparison.Ordinal)..]);
        Assert.Equal(BoardText.Lines(fed), BoardText.Lines(BoardText.Feed(BoardText.Lines(fed))));
        var brief = BoardText.Read("sockets on a ring: 9, by C\nhall, 5 m: lamp");
        Assert.Equal(BoardText.Write(brief), BoardText.Write(BoardText.Read(BoardText.Write(brief))));
    }
}
