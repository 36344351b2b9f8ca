using System.Globalization;
using System.Text;
using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Formats.Drawings;
using Circuitum.Formats.Dxf;
using Circuitum.Formats.JobFile;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Formats.Tests;

public sealed class DxfTests
{
    private static Job Demo { get; } =
        JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json")));

    private static byte[] Dxf(string entities, string header = "", string blocks = "") => Encoding.UTF8.GetBytes(string.Join('\n',
        [.. Section("HEADER", header), .. Section("BLOCKS", blocks), .. Section("ENTITIES", entities), "  0", "EOF", ""]));

    private static string[] Section(string name, string body) =>
        ["  0", "SECTION", "  2", name, .. body.Split(' ', StringSplitOptions.RemoveEmptyEntries), "  0", "ENDSEC"];

    private static string Refused(byte[] bytes) => Assert.Throws<DrawingException>(() => DrawingFiles.Read(bytes)).Message;

    private static DrawnLine Line(FlatDrawing drawing) => Assert.Single(Assert.Single(drawing.Layers).Lines);

    [Theory]
    [InlineData("ground")]
    [InlineData("upper")]
    public void A_level_written_and_read_back_has_the_same_rooms_and_boxes(string level)
    {
        var plan = Planner.Plan(Demo);
        var drawing = DxfReader.Read(Encoding.UTF8.GetBytes(DxfWriter.Write(plan, new(level))));
        var rooms = DrawnRooms.Of(drawing, "ROOMS", DrawnOn.Centre);
        var framed = plan.House.Structures[0].Levels.First(l => l.Level.Id.Value == level);
        Assert.Equal(framed.Rooms.Select(r =>
            (r.Room.Id, r.Room.Name, r.Room.Use, Corners: string.Join(' ', Shapes.Usual(r.Room.Corners)))),
            rooms.Select(r => (r.Id, r.Name, r.Use, Corners: string.Join(' ', r.Corners))));
        var boxes = DrawnRooms.Boxes(drawing).ToDictionary(b => b.Id);
        var mine = Demo.Boxes.Where(b => framed.Rooms.Any(r => r.Room.Id == b.Room)).ToList();
        Assert.Equal(mine.Count, boxes.Count);
        Assert.All(mine, b => Assert.Equal(Text(b), Text(boxes[b.Id])));
    }

    [Fact]
    public void Every_level_of_random_houses_comes_back() => RandomHouses.Jobs.Sample(job =>
    {
        var plan = Planner.Plan(job);
        var drawing = DxfReader.Read(Encoding.UTF8.GetBytes(DxfWriter.Write(plan, new("ground"))));
        Assert.Equal(job.Structures[0].Levels[0].Rooms.Select(r => string.Join(' ', r.Corners)),
            DrawnRooms.Of(drawing, "rooms", DrawnOn.Centre).Select(r => string.Join(' ', r.Corners)));
        Assert.Equal(job.Boxes.Select(Text).Order(StringComparer.Ordinal), DrawnRooms.Boxes(drawing).Select(Text)
            .Order(StringComparer.Ordinal));
    }, iter: 60);

    private static string Text(Box box) => System.Text.Json.JsonSerializer.Serialize(box, JobJson.Options);

    [Fact]
    public void Boxes_walls_and_home_runs_are_on_layers_of_their_names()
    {
        var drawing = DxfReader.Read(Encoding.UTF8.GetBytes(DxfWriter.Write(Planner.Plan(Demo), new("ground"))));
        Assert.All(new[] { "WALLS", "ROOMS", "OPENINGS", "FIXTURES", "BOXES", "PANELS", "HOME-RUNS", "CABLES" },
            name => Assert.Contains(drawing.Layers, l => l.Name == name && l.Lines.Length > 0));
        Assert.Contains(drawing.Layers.First(l => l.Name == "HOME-RUNS").Texts, t => t.Words.StartsWith("HR A", StringComparison.Ordinal));
    }

    [Fact] // what is not power is on a layer of its own, and comes back as no box
    public void Low_voltage_is_on_its_own_layer_and_is_no_box()
    {
        var job = JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "tarn-hollow.circuitum.json")));
        var drawing = DxfReader.Read(Encoding.UTF8.GetBytes(DxfWriter.Write(Planner.Plan(job), new("ground"))));
        Assert.Contains(Assert.Single(drawing.Layers, l => l.Name == "LOW-VOLTAGE").Texts, t => t.Words == "LV10 thermostat");
        Assert.Equal(job.Levels.First(l => l.Id.Value == "ground").Rooms.Sum(r => job.Boxes.Count(b => b.Room == r.Id)),
            DrawnRooms.Boxes(drawing).Length);
    }

    [Theory]
    [InlineData(1, 120, 120)]
    [InlineData(2, 10, 120)]
    [InlineData(4, 3048, 120)]
    [InlineData(5, 304.8, 120)]
    [InlineData(6, 3.048, 120)]
    public void Units_of_the_header_are_turned_into_inches(int unit, double length, int inches)
    {
        var line = Line(DxfReader.Read(Dxf(string.Create(CultureInfo.InvariantCulture, $"0 LINE 8 A 10 0 20 0 11 {length} 21 0"),
            $"9 $INSUNITS 70 {unit}")));
        Assert.Equal(inches.Inches(), line.Points[1].X - line.Points[0].X);
    }

    [Fact]
    public void Y_upward_becomes_Y_south() =>
        Assert.Equal(new(Length.Zero, (-24).Inches()), Line(DxfReader.Read(Dxf("0 LINE 8 A 10 0 20 0 11 0 21 24"))).Points[1]);

    [Fact]
    public void Polylines_of_both_kinds_arcs_and_circles_are_read()
    {
        var drawing = DxfReader.Read(
            Dxf("0 LWPOLYLINE 8 L 90 3 70 1 10 0 20 0 10 10 20 0 10 10 20 10 0 POLYLINE 8 P 66 1 70 1 0 VERTEX 8 P 10 0 20 0 0 VERTEX 8 "
                + "P 10 5 20 0 0 VERTEX 8 P 10 5 20 5 0 SEQEND 0 CIRCLE 8 C 10 0 20 0 40 6 0 ARC 8 R 10 0 20 0 40 6 50 0 51 90"));
        Assert.Equal(["L", "P", "C", "R"], drawing.Layers.Select(l => l.Name));
        Assert.Equal([3, 3, 37, 10], drawing.Layers.Select(l => l.Lines[0].Points.Length));
        Assert.Equal([true, true, true, false], drawing.Layers.Select(l => l.Lines[0].Closed));
        Assert.Equal((Length.Zero, (-6).Inches()), (drawing.Layers[3].Lines[0].Points[^1].X, drawing.Layers[3].Lines[0].Points[^1].Y));
    }

    [Fact] // a bulge of 1 is half a circle: from (0,0) to (10,0) it reaches 5 below
    public void A_bulge_is_an_arc()
    {
        var line = Line(DxfReader.Read(Dxf("0 LWPOLYLINE 8 L 90 2 70 0 10 0 20 0 42 1 10 10 20 0")));
        Assert.Equal(5m, line.Points.Max(p => p.Y.Inches), 1);
    }

    [Fact] // turned a quarter, twice as large, at (100, 0): the block's (10, 0) lands at (100, 20), which is 20 north
    public void A_block_is_laid_where_it_is_placed()
    {
        var drawing = DxfReader.Read(Dxf("0 INSERT 8 DOORS 2 D 10 100 20 0 41 2 42 2 50 90",
            blocks: "0 BLOCK 8 0 2 D 10 0 20 0 0 LINE 8 0 10 0 20 0 11 10 21 0 0 ENDBLK"));
        Assert.Equal("DOORS", Assert.Single(drawing.Layers).Name);
        Assert.Equal(new(100.Inches(), (-20).Inches()), Line(drawing).Points[1]);
    }

    [Fact]
    public void Texts_lose_their_formatting() =>
        Assert.Equal("Bedroom 2",
            Assert.Single(DxfReader.Read(Dxf("0 LINE 8 T 10 0 20 0 11 1 21 1 0 MTEXT 8 T 10 0 20 0 1 {\\fArial|b0;Bedroom\\P2}")).Layers[
                0].Texts).Words);

    [Fact]
    public void A_block_that_holds_itself_is_told() =>
        Assert.Contains("holds itself",
            Refused(Dxf("0 INSERT 8 A 2 X 10 0 20 0",
                blocks: "0 BLOCK 2 X 10 0 20 0 0 INSERT 8 A 2 Y 10 0 20 0 0 ENDBLK 0 BLOCK 2 Y 10 0 20 0 0 INSERT 8 A 2 X 10 0 20 0 0 "
                + "ENDBLK")), StringComparison.Ordinal);

    [Fact] // ten blocks, each of ten of the next: ten thousand million lines if they were laid out
    public void Blocks_in_blocks_that_would_never_end_are_stopped_in_time()
    {
        var blocks = string.Join(' ',
            Enumerable.Range(0, 10)
            .Select(i => $"0 BLOCK 2 B{i} 10 0 20 0 "
                + $"{string.Concat(Enumerable.Repeat(i == 9 ? "0 LINE 8 A 10 0 20 0 11 1 21 1 "
                    : $"0 INSERT 8 A 2 B{i + 1} 10 0 20 0 ", 10))}0 ENDBLK"));
        // Ten to the tenth lines: were they not counted before they are drawn, this would not come back.
        Assert.Contains("once its blocks are in their places", Refused(Dxf("0 INSERT 8 A 2 B0 10 0 20 0", blocks: blocks)),
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("0 INSERT 8 A 2 X 10 0 20 0 70 30000 71 30000", "copies of a block")]
    [InlineData("0 INSERT 8 A 2 GONE 10 0 20 0", "“GONE” is not in the drawing")]
    [InlineData("0 LINE 8 A 10 zero 20 0 11 1 21 1", "“zero” is no number for code 10")]
    [InlineData("0 LINE 8 A 10 1e300 20 0 11 1 21 1", "more than 20 miles off")]
    [InlineData("0 LINE 8 A 10 NaN 20 0 11 1 21 1", "“NaN” is no number")]
    [InlineData("8 A 0 LINE", "before any entity")]
    public void What_is_wrong_with_an_entity_is_told_with_its_line(string entities, string says) =>
        Assert.Contains(says, Refused(Dxf(entities, blocks: "0 BLOCK 2 X 10 0 20 0 0 LINE 8 A 10 0 20 0 11 1 21 1 0 ENDBLK")),
            StringComparison.Ordinal);

    [Fact]
    public void Unknown_units_are_told() =>
        Assert.Contains("units are number 20", Refused(Dxf("0 LINE 8 A 10 0 20 0 11 1 21 1", "9 $INSUNITS 70 20")),
            StringComparison.Ordinal);

    [Fact]
    public void A_binary_file_a_picture_and_an_empty_one_are_told()
    {
        Assert.Contains("Save the drawing as ASCII DXF", Refused([65, 66, 67, 13, 10, 26, 0, 1, 2, 3]), StringComparison.Ordinal);
        Assert.Contains("Save the drawing as ASCII DXF", Refused([0x89, 0x50, 0x4E, 0x47, 0, 0, 0, 13]), StringComparison.Ordinal);
        Assert.Contains("empty", Refused([]), StringComparison.Ordinal);
        Assert.Contains("no ASCII DXF", Refused(Encoding.UTF8.GetBytes("a plan of a house\nin words\n")), StringComparison.Ordinal);
        Assert.Contains("larger than 5 MB", Refused(new byte[(5 * 1024 * 1024) + 1]), StringComparison.Ordinal);
    }

    [Fact]
    public void Cut_anywhere_a_file_gives_a_drawing_or_one_message() => Gen.Int[0, 20_000].Sample(at =>
    {
        var whole = Encoding.UTF8.GetBytes(DxfWriter.Write(Planner.Plan(Demo), new("upper")));
        try
        {
            DrawingFiles.Read(whole[..Math.Min(at * 7, whole.Length)]);
        }
        catch (DrawingException)
        {
            // One message is what is asked for.
        }
    }, iter: 40);

    // A bedroom of 12 × 10 and a bath of 8 × 10, inside faces 4-1/2 in apart: the wall between lies midway, the others a half of 6-1/2 in
    // outside.
    private static readonly string TwoRooms =
        "0 LWPOLYLINE 8 A-ROOM 90 4 70 1 10 0 20 0 10 144 20 0 10 144 20 120 10 0 20 120 0 LWPOLYLINE 8 A-ROOM 90 4 70 1 10 148.5 20 0 "
        + "10 244.5 20 0 10 244.5 20 120 10 148.5 20 120 0 TEXT 8 A-NAME 10 60 20 60 40 6 1 BEDROOM 0 TEXT 8 A-NAME 10 200 20 60 40 6 1 "
        + "BATH";

    [Fact]
    public void Rooms_drawn_on_inside_faces_keep_their_inside_sizes_and_share_the_wall()
    {
        var rooms = DrawnRooms.Of(DxfReader.Read(Dxf(TwoRooms)), "a-room", DrawnOn.Inside);
        Assert.Equal([("BEDROOM", RoomUse.Bedroom), ("BATH", RoomUse.Bath)], rooms.Select(r => (r.Name, r.Use)));
        var house = Framing.Frame(Houses.House(rooms));
        Assert.Equal([(12.Feet(), 10.Feet()), (8.Feet(), 10.Feet())], house.Rooms.Select(r => (r.ClearWidth, r.ClearDepth)));
        Assert.Single(house.Structures[0].Levels[0].Walls, w => w.Rooms.Length == 2);
    }

    [Fact]
    public void A_layer_without_outlines_is_answered_with_those_that_have()
    {
        var drawing = DxfReader.Read(Dxf(TwoRooms));
        Assert.Contains("Layers that have: A-ROOM (2)",
            Assert.Throws<DrawingException>(() => DrawnRooms.Of(drawing, "WALLS", DrawnOn.Inside)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Walls_at_an_angle_and_impossible_sizes_are_told()
    {
        Assert.Contains("at an angle",
            Assert.Throws<DrawingException>(() =>
                DrawnRooms.Of(DxfReader.Read(Dxf("0 LWPOLYLINE 8 A 90 4 70 1 10 0 20 0 10 144 20 40 10 144 20 120 10 0 20 120")), "A",
                    DrawnOn.Centre)).Message, StringComparison.Ordinal);
        Assert.Contains("scale it from a known length",
            Assert.Throws<DrawingException>(() =>
                DrawnRooms.Of(DxfReader.Read(Dxf("0 LWPOLYLINE 8 A 90 4 70 1 10 0 20 0 10 4 20 0 10 4 20 3 10 0 20 3")), "A",
                    DrawnOn.Centre)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_kept_drawing_is_the_drawing_and_lies_where_it_is_laid()
    {
        var drawing = DxfReader.Read(Dxf(TwoRooms));
        var again = DrawingFiles.Open(DrawingFiles.Write(drawing));
        Assert.Equal(DrawingFiles.Write(drawing), DrawingFiles.Write(again));
        var (a, b) = DrawingFiles.Laid(again, new(10.Feet(), 20.Feet()), 40.Feet(), 30.Feet()).Bounds();
        Assert.Equal((new Point(10.Feet(), 20.Feet()), new Point(50.Feet(), 50.Feet())), (a, b));
        Assert.StartsWith("<svg", DrawingFiles.Svg(drawing), StringComparison.Ordinal);
    }
}
