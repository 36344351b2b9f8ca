using Circuitum.Core.Boards;
using Circuitum.Core.Site;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Metric boards on site: what is done, what a tester says, and what the plan has no more.</summary>
public sealed class BoardSiteTests
{
    private static readonly BoardPlan Plan = Briefs.Planned("hall, 8 m: 6 LEDs 12 W, 8 twin sockets", "bath, 12 m: water heater 4.5 kW");

    private static BoardLine Line(BoardSite site, CircuitUse use) => site.Lines.First(l => l.Way?.Circuit.Use == use);

    private static BoardEntry Did(BoardLine line, BoardStep step, string reading = "", int at = 0, EntryId? back = null) =>
        new(new(Guid.NewGuid()), line.Subject, step, new(at), "ana", line.Words, reading, back);

    private static BoardSite After(params BoardEntry[] entries) => BoardSite.Of(Plan, entries);

    [Fact] // five steps of a circuit, six of a ring, one of a device
    public void Every_circuit_has_its_steps_and_every_device_one()
    {
        var site = After();
        Assert.Equal(6, Line(site, CircuitUse.Ring).Steps.Length);
        Assert.Equal(5, Line(site, CircuitUse.Lighting).Steps.Length);
        Assert.Equal(Plan.Boards.Sum(b => b.Sections.Length), site.Lines.Count(l => l.Way is null));
        Assert.Equal(0, site.Done);
        var whole = Plan.Boards.SelectMany(b => b.Sections).Count() + Plan.Ways().Sum(w => w.Sized.RingEnds is null ? 5 : 6);
        Assert.Equal(whole, site.All);
    }

    [Fact]
    public void A_step_is_done_until_it_is_taken_back()
    {
        var ring = Line(After(), CircuitUse.Ring);
        var laid = Did(ring, BoardStep.Conduit);
        Assert.Equal(1, After(laid).Done);
        Assert.Equal(0, After(laid, Did(ring, BoardStep.Conduit, at: 1, back: laid.Id)).Done);
        // Written down twice by two who share a phone, it is one entry.
        Assert.Equal(1, After(laid, laid).Done);
    }

    [Fact] // conduit 8 m + 7 × 4 m + 8 m back = 44 m of 4 mm²: 44 × 4.61 mΩ = 0.203 Ω end to end; a quarter, 0.051, to the middle
    public void The_earth_of_a_ring_is_a_quarter_of_its_ends()
    {
        var ring = Line(After(), CircuitUse.Ring).Way!.Sized;
        Assert.Equal(4m, ring.Earth.Value);
        var round = ring.Circuit.Conduit.Metres * 4.61m / 1000;
        Assert.Equal(decimal.Round(round / 4, 4), decimal.Round(BoardReading.Planned(ring).Value, 4));
    }

    [Fact] // 12 m of 4 mm²: 12 × 4.61 mΩ = 0.0553 Ω; half as much again and 0.05 for the leads: to 0.133
    public void The_earth_of_a_radial_is_read_to_its_end()
    {
        var heater = Line(After(), CircuitUse.WaterHeater).Way!.Sized;
        Assert.Equal(.0553m, decimal.Round(BoardReading.Planned(heater).Value, 4));
        Assert.Empty(BoardReading.Wrong(BoardStep.Continuity, heater, "0.13"));
        Assert.Contains("a loose joint", Assert.Single(BoardReading.Wrong(BoardStep.Continuity, heater, "0.14")), StringComparison.Ordinal);
        Assert.Contains("does not come back", Assert.Single(BoardReading.Wrong(BoardStep.Continuity, heater, "open")),
            StringComparison.Ordinal);
    }

    [Theory] // IEC 60364-6 table 6A: 1 MΩ; IEC 61008-1: 300 ms
    [InlineData(BoardStep.Insulation, "1", false)]
    [InlineData(BoardStep.Insulation, "0.99", true)]
    [InlineData(BoardStep.Insulation, ">999", false)]
    [InlineData(BoardStep.Trips, "300", false)]
    [InlineData(BoardStep.Trips, "300.5", true)]
    [InlineData(BoardStep.Trips, "holds", true)]
    public void Both_sides_of_what_a_tester_may_show(BoardStep step, string reading, bool wrong) =>
        Assert.Equal(wrong, BoardReading.Wrong(step, null, reading).Length > 0);

    [Theory]
    [InlineData(BoardStep.Insulation, "good")]
    [InlineData(BoardStep.Trips, "-5")]
    [InlineData(BoardStep.Continuity, "0,24 maybe")]
    [InlineData(BoardStep.Ends, "0.2")]
    public void What_is_no_reading_is_refused_with_one_that_is(BoardStep step, string text) => Assert.Contains("write",
        Assert.Throws<FormatException>(() => BoardReading.Wrong(step, Line(After(), CircuitUse.Ring).Way!.Sized, text)).Message,
        StringComparison.Ordinal);

    [Fact]
    public void A_section_is_put_on_when_all_behind_it_is_connected_and_read()
    {
        var site = After();
        var heater = Line(site, CircuitUse.WaterHeater);
        var behind = site.Lines.Where(l => l.Section == heater.Section && l.Way is not null).ToList();
        List<BoardEntry> done = [.. behind.SelectMany(l => l.Steps.Select(s => Did(l, s.Step, s.Step switch
        {
            BoardStep.Continuity => "0.05",
            BoardStep.Insulation => "200",
            BoardStep.Ends => "0.2, 0.2, 0.2",
            _ => "",
        })))];
        Assert.Equal(behind.Sum(l => l.Steps.Length), site.BeforeOn(heater.Section).Length);
        Assert.Empty(After([.. done]).BeforeOn(heater.Section));
        var wet = done.ConvertAll(e => e.Subject == heater.Subject && e.Step == BoardStep.Insulation ? e with { Reading = "0.2" } : e);
        Assert.Equal($"way {heater.Way!.Numbers}: insulation read and wrong", Assert.Single(After([.. wet]).BeforeOn(heater.Section)));
    }

    [Fact] // a heater of 5 kW draws 21.7 A: 25 A where 20 A was connected; rooms before it change nothing
    public void What_the_plan_has_otherwise_now_is_told()
    {
        var heater = Line(After(), CircuitUse.WaterHeater);
        var laid = Did(heater, BoardStep.Connected);
        var larger = Briefs.Planned("hall, 8 m: 6 LEDs 12 W, 8 twin sockets", "bath, 12 m: water heater 5 kW");
        var state = Line(BoardSite.Of(larger, [laid]), CircuitUse.WaterHeater).Steps.Single(s => s.Step == BoardStep.Connected);
        Assert.Contains("B20", state.Otherwise, StringComparison.Ordinal);
        var gone = BoardSite.Of(Briefs.Planned("hall, 8 m: 6 LEDs 12 W, 8 twin sockets"), [laid]);
        Assert.Equal(laid, Assert.Single(gone.Gone));
        Assert.Equal(0, gone.Done);
    }

    [Fact]
    public void The_order_in_which_facts_come_is_of_no_matter() => Gen.Select(Gen.Int[0, 4].Array[1, 12], Gen.Bool.Array[12], Gen.Int)
        .Sample((steps, takes, seed) =>
        {
            var ring = Line(After(), CircuitUse.Ring);
            var entries = new List<BoardEntry>();
            for (var i = 0; i < steps.Length; i++)
            {
                var step = (BoardStep)steps[i];
                var did = Did(ring, step, step == BoardStep.Continuity ? "0.1" : step == BoardStep.Ends ? "0.2, 0.2, 0.2" : "", i);
                entries.Add(did);
                if (takes[i])
                {
                    entries.Add(did with { Id = new(Guid.NewGuid()), At = new(i + 100), TakesBack = did.Id });
                }
            }

            string Told(IEnumerable<BoardEntry> all) => string.Join(';', BoardSite.Of(Plan, all).Lines.SelectMany(l => l.Steps)
                .Select(s => s.Done?.Id.ToString()));
            Assert.Equal(Told(entries), Told(entries.OrderBy(e => HashCode.Combine(e.Id, seed))));
        }, iter: 200);

    [Fact] // 30 water heaters of 4.6 kW are 600 A ÷ 3 = 200 A a phase: two boards, each with a feeder; 5 m of 35 mm² earthed by 16 mm²:
           // 5 × 1.15 mΩ = 0.006 Ω, half as much again and 0.05 for the leads: to 0.058
    public void A_board_behind_a_sub_main_is_on_when_its_feeder_is_read()
    {
        var plan = Briefs.Planned([.. Enumerable.Range(1, 30).Select(i => $"room {i}, {i} m: water heater 4.6 kW")]);
        Assert.True(plan.Boards.Length > 1);
        var site = BoardSite.Of(plan, []);
        var feeder = site.Lines.First(l => l.Feeder is not null);
        Assert.Equal(plan.Boards.Length, site.Lines.Count(l => l.Feeder is not null));
        Assert.Equal([BoardStep.Conduit, BoardStep.DrawnIn, BoardStep.Connected, BoardStep.Continuity, BoardStep.Insulation],
            feeder.Steps.Select(s => s.Step));
        Assert.InRange(BoardReading.Planned(feeder.Feeder!).Value, .0057m, .0058m);
        Assert.Empty(feeder.Wrong(BoardStep.Continuity, "0.058"));
        Assert.Contains("a loose joint", Assert.Single(feeder.Wrong(BoardStep.Continuity, "0.07")), StringComparison.Ordinal);
        // Every section of its board waits for it, and none of another.
        Assert.All(feeder.Board.Sections, s => Assert.Contains("the feeder: conduit to lay", site.BeforeOn(s)));
        var laid = BoardSite.Of(plan, [.. feeder.Steps.Select(s => Did(feeder, s.Step, s.Step switch
        {
            BoardStep.Continuity => "0.02",
            BoardStep.Insulation => "200",
            _ => "",
        }))]);
        Assert.Equal(5, laid.Done);
        Assert.All(feeder.Board.Sections, s => Assert.DoesNotContain(laid.BeforeOn(laid.Lines.First(l => l.Section.Letter == s.Letter
            && l.Board.Name == feeder.Board.Name).Section), w => w.StartsWith("the feeder", StringComparison.Ordinal)));
        Assert.Contains(laid.BeforeOn(plan.Boards[1].Sections[0]), w => w.StartsWith("the feeder", StringComparison.Ordinal));
    }
}
