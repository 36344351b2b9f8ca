using System.Xml.Linq;
using Circuitum.Core.Boards;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Svg;

namespace Circuitum.Formats.Tests;

/// <summary>What a metric board is drawn, printed and listed as.</summary>
public sealed class BoardFileTests
{
    private static readonly BoardPlan Plan = BoardPlanner.Plan(BoardText.Read("""
        # Test & Co <house>
        ambient: 30 °C
        board: hall
        hall, 8 m: 2 lamps, 8 twin sockets
        kitchen, 9 m: cooker 7.2 kW
        """));

    [Fact] // a lamp's circuit of 200 W, a ring of 3200 W, a cooker of 7200 W on two poles
    public void The_schedule_has_a_line_for_each_way()
    {
        var lines = BoardCsv.Schedule(Plan).TrimEnd('\n').Split('\n');
        Assert.Equal(BoardCsv.ScheduleColumns, lines[0]);
        Assert.Equal(4, lines.Length);
        Assert.StartsWith("Board A,A,100,25,1,L", lines[1], StringComparison.Ordinal);
        Assert.Contains(",1,B,10,2.5,2.5,20,12,\"lighting, 2 points\",hall,1.1 1.2,200,0.87,24,", lines[1], StringComparison.Ordinal);
        Assert.Contains(",1,B,32,4,4,20,44,ring of 8 sockets,hall,1.3 1.4 1.5 1.6 1.7 1.8 1.9 1.10,3200,13.91,32,1.07", lines[2],
            StringComparison.Ordinal);
        Assert.Contains(",3–4,", lines[3], StringComparison.Ordinal);
        Assert.Contains(",2,B,32,6,6,20,9,cooker,kitchen,2.1,7200,31.3,41,.", lines[3].Replace(",0.", ",.", StringComparison.Ordinal),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Points_are_listed_by_their_numbers()
    {
        var lines = BoardCsv.Points(Plan).TrimEnd('\n').Split('\n');
        Assert.Equal(12, lines.Length);
        Assert.StartsWith("1.1,hall,lamp,100,yes,Board A,1,10,L", lines[1], StringComparison.Ordinal);
        Assert.StartsWith("2.1,kitchen,cooker,7200,no,Board A,3–4,32,L", lines[^1], StringComparison.Ordinal);
    }

    [Fact] // main 4, RCD 4, 1, RCD 4, 1, RCD 4, 2: twenty modules on one rail, with names as XML may hold them
    public void A_board_is_drawn_as_it_stands()
    {
        var svg = XElement.Parse(MetricBoardDrawing.Draw(Plan.Boards[0], Plan));
        var words = svg.Descendants().Where(e => e.Name.LocalName == "text").Select(e => e.Value).ToList();
        Assert.Equal(["RCD A", "RCD B", "RCD C"], words.Where(w => w.StartsWith("RCD", StringComparison.Ordinal)));
        Assert.Contains("B32", words);
        Assert.Contains("3–4", words);
        Assert.Equal("0 0 668 122", svg.Attribute("viewBox")!.Value);
        // Seven devices with a handle each.
        Assert.Equal(7, svg.Descendants().Count(e => e.Attribute("fill-opacity")?.Value == ".8"));
    }

    [Fact]
    public void A_full_board_takes_another_rail()
    {
        var rooms = Enumerable.Range(1, 20).Select(i => $"room {i}, {i} m: water heater 2 kW");
        var plan = BoardPlanner.Plan(BoardText.Read(string.Join('\n', rooms)));
        Assert.Contains("viewBox=\"0 0 668 240\"", MetricBoardDrawing.Draw(plan.Boards[0], plan), StringComparison.Ordinal);
    }

    [Fact]
    public void The_sheet_says_what_hangs_in_the_door()
    {
        var text = PdfText.Of(BoardPdf.Write(Plan));
        foreach (var said in new[] { "Test & Co <house>", "Gulf metric method", "Incomer 32 A, 4 poles",
            "residual-current device 40 A, 30 mA", "ring of 8 sockets", "ends of the ring 0.203 Ω", "1.10 hall twin socket",
            "PVC conduit 20 mm", "Electricity kills" })
        {
            Assert.Contains(said, text.ReplaceLineEndings(" "), StringComparison.Ordinal);
        }
    }

    [Fact]
    public void The_villa_prints_with_its_sub_main_and_what_is_to_be_looked_at()
    {
        var text = PdfText.Of(BoardPdf.Write(BoardPlanner.Plan(BoardText.Read(Villa.Text)))).ReplaceLineEndings(" ");
        Assert.Contains("Sub-main board: incomer", text, StringComparison.Ordinal);
        Assert.Contains("Board B: cooling", text, StringComparison.Ordinal);
        Assert.Contains("To be looked at", text, StringComparison.Ordinal);
        Assert.Contains("26.09 A", text, StringComparison.Ordinal);
    }
}
