using Circuitum.Core.Boards;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests.Boards;

public sealed class FaultsOfBoardTests
{
    private static readonly (Ohms Phase, Ohms Earth) Planned = (new(.203m), new(.203m));

    [Theory]
    [InlineData("0.2, 0.21, 0.2", "as planned")]
    [InlineData("0.36, 0.2, 0.2", "the phase reads 0.36 Ω where 0.203 Ω is planned: a loose joint")] // above 0.203 × 1.5 + 0.05 = 0.3545
    [InlineData("0.35, 0.2, 0.2", "as planned")]
    [InlineData("0.2, open, 0.2", "the neutral is cut: every socket still works")]
    [InlineData("0.2, 0.2, OPEN", "the earth is cut")]
    [InlineData("0.2, 0.2, 0.07", "the earth reads 0.07 Ω where 0.203 Ω is planned: joined across")] // below 0.203 × 0.6 − 0.05 = 0.0718
    [InlineData("0.2, 0.2, 0.08", "as planned")]
    public void Ohms_find_what_no_dead_socket_shows(string read, string says) =>
        Assert.StartsWith(says, Assert.Single(RingReading.Parse(read).Against(Planned.Phase, Planned.Earth)), StringComparison.Ordinal);

    [Theory]
    [InlineData("")]
    [InlineData("0.2")]
    [InlineData("0.2, 0.2")]
    [InlineData("0.2, 0.2, x")]
    [InlineData("-1, 0.2, 0.2")]
    [InlineData("0.2, 0.2, 0.2, 0.2")]
    public void What_is_no_reading_is_told(string text) =>
        Assert.Contains("0.18, 0.18, 0.19", Assert.Throws<FormatException>(() => RingReading.Parse(text)).Message,
            StringComparison.Ordinal);

    [Fact] // whichever of thirteen circuits it is, it is found, in ⌈log₂ 13⌉ = 4 answers or fewer
    public void The_circuit_that_opens_a_device_is_found_by_halves()
    {
        var section = Briefs.Planned([.. Enumerable.Range(1, 13).Select(i => $"room {i}, {i} m: water heater 2 kW")])
            .Boards.Single().Sections.SelectMany(s => s.Ways).ToList();
        var all = new BoardSection('A', 30, new(new(63), Core.Reasons.Because.Of("")), Core.Reasons.Because.Of(""), [.. section]);
        foreach (var faulty in all.Ways)
        {
            var answers = "";
            var at = TripFinder.After(all, answers);
            Assert.Equal(4, at.Steps);
            while (at.Asks.Length > 0)
            {
                // The device opens when the faulty circuit is among those that are put on.
                var on = at.Asks.Split("put on ")[1].Split(" only")[0].Split(", ");
                answers += on.Contains(faulty.Numbers) ? 't' : 'h';
                at = TripFinder.After(all, answers);
            }

            Assert.InRange(answers.Length, 3, 4);
            Assert.Equal(faulty, Assert.Single(at.Left));
        }
    }

    [Fact]
    public void A_circuit_of_many_points_is_parted_in_its_middle() =>
        Assert.Contains("part its conductors at 1.5, in the middle of 8 points", TripFinder.After(
            Briefs.Planned("hall, 8 m: 8 twin sockets").Boards[0].Sections[0], "").Found, StringComparison.Ordinal);

    [Theory]
    [InlineData("x")]
    [InlineData("tttttttttttth")]
    public void Other_answers_are_refused(string answers) =>
        Assert.Throws<FormatException>(() => TripFinder.After(Briefs.Planned("hall, 8 m: 8 twin sockets").Boards[0].Sections[0], answers));
}
