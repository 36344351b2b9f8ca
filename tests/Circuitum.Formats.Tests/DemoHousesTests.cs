using System.Globalization;
using Circuitum.Core.Boards;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Xlsx;
using MiniExcelLibs;

namespace Circuitum.Formats.Tests;

/// <summary>The houses that ship: what a foreman would not have to change.</summary>
public sealed class DemoHousesTests(Xunit.Abstractions.ITestOutputHelper output)
{
    private static Plan Of(string name) => Planner.Plan(JobFiles.Read(
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", $"{name}.circuitum.json"))));

    public static TheoryData<string> Houses => ["fernhollow", "quarrel-bend", "tarn-hollow"];

    [Theory, MemberData(nameof(Houses))]
    public void No_member_is_bored_that_may_not_be(string name)
    {
        var plan = Of(name);
        Assert.DoesNotContain(plan.Holes.All, h => h.Spot.Kind == MemberKind.Joist
            && plan.House.Structures[h.Spot.Structure] is var s && h.Spot.Level > 0
            && s.Levels[h.Spot.Level - 1].Level.CeilingJoists.Kind is JoistKind.RoofTruss or JoistKind.OpenWeb);
    }

    [Theory, MemberData(nameof(Houses))] // 408.4: the door names every room of a circuit, without “more” and without “(1)”
    public void The_door_leaves_nothing_out(string name) => Assert.DoesNotContain(Of(name).Panels.SelectMany(p => p.Circuits),
        c => c.Description.Contains("more", StringComparison.Ordinal) || c.Description.Contains('('));

    [Theory, MemberData(nameof(Houses))]
    public void No_lamp_and_no_receptacle_has_a_breaker_alone(string name)
    {
        var plan = Of(name);
        Assert.DoesNotContain(plan.Circuits, c => c.Circuit.IsGeneral && c.Circuit.Boxes.Count(b => !plan.Survey[b].SwitchesOnly) == 1
            && !c.Circuit.Boxes.Any(b => plan.Survey[b].Plates.Any()));
    }

    [Theory, MemberData(nameof(Houses))] // two or three things worth finding, and no more
    public void A_few_tags_are_worth_finding(string name) =>
        Assert.InRange(Of(name).Tags.Count(t => t.Severity == Severity.Red), 2, 6);

    [Theory, MemberData(nameof(Houses))] // the least that any tree over the same boxes takes is below what was planned, and not by much
    public void Footage_is_above_its_bound_and_near_it(string name)
    {
        var plan = Of(name);
        var bounds = FootageBound.Of([.. plan.Circuits.Select(c => c.Routed)], plan.House, plan.Job);
        Assert.All(bounds, b => Assert.True(b.Bound <= b.Measured));
        decimal least = bounds.Sum(b => b.Bound.Feet), planned = bounds.Sum(b => b.Measured.Feet);
        output.WriteLine($"{name}: {planned:0} ft planned, no less than {least:0} ft, {(planned / least) - 1:P1} above");
        Assert.InRange(planned / least, 1, 1.25m);
    }

    [Fact] // 20 × 11 m; 6000 W ÷ 230 V is 26.09 A, above the 25 A of a water heater; nine units have a board of their own
    public void The_villa_has_two_boards_and_three_tags_worth_finding()
    {
        var plan = Of("saltbush");
        Assert.DoesNotContain(plan.Tags, t => t.Severity == Severity.Red);
        Assert.InRange(plan.Service.List.Area.Value * .3048m * .3048m, 215, 232);
        var boards = PointsOfHouse.Boards(plan)!;
        Assert.Equal((true, 45m), (boards.Brief.Fed.ThreePhase, boards.Brief.Fed.Ambient.Degrees));
        Assert.Equal([0, 9], boards.Boards.Select(b => b.Ways.SelectMany(w => w.Circuit.Points)
            .Count(p => p.Point.Kind == PointKind.SplitUnit)));
        Assert.Equal(["A socket stands 2.99 m from the bath or shower of Bath.", "A socket stands 2.19 m from the bath or shower of Main "
            + "bath.", "The water heater cannot be fed so."],
            BoardChecks.Of(boards).Where(t => t.Severity == Severity.Red).Select(t => t.Headline));
        Assert.Contains(BoardChecks.Of(boards), t => t.Arithmetic.Contains("26.09 A", StringComparison.Ordinal));
    }

    [Fact] // 10 × 12 ft, 60 ft behind, lights and two receptacles: 212 VA
    public void The_shed_of_Quarrel_Bend_is_fed_in_12()
    {
        var plan = Of("quarrel-bend");
        var shed = Assert.Single(plan.Circuits, c => c.Circuit.Boxes.Any(b => plan.Survey[b].Place.Structure == 1));
        Assert.Equal("12-2 UF", shed.Sized.Cable);
        Assert.InRange(shed.Sized.Breaker.Value.Value, 15, 20);
        // Nothing of it lies in the 50 °C attic of the house.
        Assert.DoesNotContain(shed.Runs.SelectMany(r => r.Way.Legs), l => l.Ambient.Degrees > 40);
    }

    [Theory] // inside sizes as they stand in the plan that was typed, within 2 in
    [InlineData("garage", 20 * 12, 22 * 12)]
    [InlineData("kitchen", 13 * 12, 12 * 12)]
    [InlineData("dining", 11 * 12, 12 * 12)]
    [InlineData("living", 18 * 12, 15 * 12)]
    [InlineData("main", 14 * 12, 15 * 12)]
    [InlineData("bed-2", 11 * 12, 11 * 12)]
    [InlineData("bed-3", 11 * 12, 126)]
    [InlineData("hall", 42, 240)]
    [InlineData("bath", 96, 60)]
    public void Quarrel_Bend_is_as_large_as_it_is_meant(string room, int width, int depth)
    {
        var framed = Of("quarrel-bend").House.Room(new(room));
        Assert.InRange(framed.ClearWidth.Inches, width - 2, width + 2);
        Assert.InRange(framed.ClearDepth.Inches, depth - 2, depth + 2);
    }

    [Theory, MemberData(nameof(Houses))] // the workbook's sheets and the list are sums of the same places
    public void Material_by_box_by_room_and_by_phase_is_one_list(string name)
    {
        var plan = Of(name);
        using var stream = new MemoryStream(MaterialXlsx.Write(plan));
        List<IDictionary<string, object>> Sheet(string sheet) =>
            [.. stream.Query(useHeaderRow: true, sheetName: sheet).Cast<IDictionary<string, object>>()];
        var (byPhase, byRoom, byBox) = (Sheet("By phase"), Sheet("By room"), Sheet("By box"));
        Assert.Equal(plan.Survey.Boxes.Length, byBox.Count);
        foreach (var line in byPhase.Where(l => l["how_counted"] is "boxes" or "devices"))
        {
            Assert.Equal(Convert.ToInt32(line["quantity"], CultureInfo.InvariantCulture), byRoom.Where(r => Equals(r["item"], line["item"]))
                .Sum(r => Convert.ToInt32(r["quantity"], CultureInfo.InvariantCulture)));
        }

        var rows = CsvFiles.MaterialByBox(plan).TrimEnd('\n').Split('\n');
        Assert.Equal(plan.Survey.Boxes.Length + 1, rows.Length);
    }
}
