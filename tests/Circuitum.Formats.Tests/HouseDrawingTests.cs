using System.Globalization;
using System.Text.Json;
using System.Xml.Linq;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Formats.Svg;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Formats.Tests;

/// <summary>What whoever draws a house sees and takes hold of: 20 by 12 ft on centre lines, a bath of 8 ft to its east.</summary>
public sealed class HouseDrawingTests
{
    private static readonly Job Job = Made();

    private static Job Made()
    {
        var den = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
        {
            Openings = [new() { Id = new("door"), Kind = OpeningKind.Door, Wall = 3, Offset = 24.Inches(), Width = 32.Inches() }],
            Fixtures = [new() { Kind = FixtureKind.Bench, Wall = 1, Offset = 20.Inches(), Width = 60.Inches(), Depth = 20.Inches() },
                new() { Kind = FixtureKind.Table, X = 90.Inches(), Y = 60.Inches(), Width = 40.Inches(), Depth = 30.Inches() }],
        };
        var job = Houses.House([den, Houses.Rectangle("bath", RoomUse.Bath, 20.Feet(), Length.Zero, 8.Feet(), 12.Feet())]);
        var level = job.Structures[0].Levels[0] with
        {
            Obstructions = [new("Duct", ObstructionKind.Duct, new(10.Inches(), 100.Inches()), 60.Inches(), 12.Inches())],
            Reservations = [new() { Id = new("bays"), For = "drain", Room = new("den"), Wall = 2, Offset = 30.Inches(),
                Width = 32.Inches() }],
            Chases = [new() { Id = new("chase"), For = "later", Room = new("den"), Wall = 2, Offset = 100.Inches() }],
            Underlay = new(new('a', 64), "plan.dxf", new(Length.Zero, Length.Zero), 40.Feet(), 30.Feet()),
        };
        return job with
        {
            Structures = [job.Structures[0]
                with { Levels = [level,
                    level with { Id = new("upper"), Name = "Upper", Rooms = [], Obstructions = [], Reservations = [], Chases = [],
                        Underlay = null }] }],
            Wants = [new() { Id = new("desk"), Kind = WantKind.Desk, Room = new("den"), Wall = 3, Offset = 100.Inches(),
                Width = 48.Inches() }],
        };
    }

    private static XElement Draw(Stage stage, string level = "ground", Subject? selected = null, Job? job = null) =>
        XDocument.Parse(PlanDrawing.Draw(Planner.Plan(job ?? Job), new(level), new()
        {
            Stage = stage,
            Standalone = false,
            Selected = selected,
            Link = s => $"/at?on={s}",
            Underlay = hash => $"/drawing/{hash}.svg",
        })).Root!;

    private static IEnumerable<XElement> Of(XElement drawing, string css) => drawing.Descendants()
        .Where(e => ((string?)e.Attribute("class"))?.Split(' ').Contains(css) == true);

    private static string A(XElement e, string name) => (string?)e.Attribute(name) ?? "";

    [Fact]
    public void Every_wall_can_be_taken_hold_of_and_says_which_way_is_out()
    {
        var sides = Of(Draw(Stage.House), "side").ToList();
        Assert.Equal(8, sides.Count);
        Assert.Equal(["0 -1", "1 0", "0 1", "-1 0"], sides.Where(s => A(s, "data-room") == "den").Select(s => A(s, "data-normal")));
        var north = sides.First(s => A(s, "data-key") == "den.1");
        // 144 less a half of 6-1/2 in at both ends.
        Assert.Equal(("wall", "137.5"), (A(north, "data-drag"), A(north, "data-span")));
        Assert.Contains("Wall 1 of den", A(north, "aria-label"), StringComparison.Ordinal);
    }

    [Fact]
    public void Openings_fixtures_and_panels_slide_along_their_walls_and_what_stands_free_moves_freely()
    {
        var drawing = Draw(Stage.House);
        var door = drawing.Descendants().First(e => A(e, "data-drag") == "opening");
        // East to west along the south wall; 234-1/2 in clear less its width.
        Assert.Equal(("door", "-1 0", "24", "202.5"),
            (A(door, "data-key"), A(door, "data-dir"), A(door, "data-offset"), A(door, "data-clear")));
        var fixtures = drawing.Descendants().Where(e => A(e, "data-drag") == "fixture").ToDictionary(e => A(e, "data-key"));
        Assert.Equal("1 0", A(fixtures["den.1"], "data-dir"));
        Assert.Equal(("", "90", "60"), (A(fixtures["den.2"], "data-dir"), A(fixtures["den.2"], "data-x"), A(fixtures["den.2"], "data-y")));
        Assert.Equal("0 -1", A(drawing.Descendants().First(e => A(e, "data-drag") == "panel"), "data-dir"));
        var duct = drawing.Descendants().First(e => A(e, "data-drag") == "obstruction");
        Assert.Equal(("ground.1", "10", "100"), (A(duct, "data-key"), A(duct, "data-x"), A(duct, "data-y")));
    }

    [Fact]
    public void Kept_bays_chases_wants_and_the_drawing_underneath_are_shown()
    {
        var drawing = Draw(Stage.House);
        Assert.Single(Of(drawing, "kept"));
        Assert.Single(Of(drawing, "chase-ring"));
        Assert.Single(Of(drawing, "chase-cord"));
        Assert.Single(Of(drawing, "wanted"));
        var under = Assert.Single(Of(drawing, "underlay"));
        Assert.Equal(($"/drawing/{new string('a', 64)}.svg", "480", "360"), (A(under, "href"), A(under, "width"), A(under, "height")));
        Assert.Empty(Of(Draw(Stage.Circuits), "kept-bays"));
    }

    [Fact]
    public void A_storey_that_is_not_drawn_yet_shows_the_one_below()
    {
        var drawing = Draw(Stage.House, "upper");
        Assert.Equal(2, Of(drawing, "below").Count());
        Assert.Empty(Of(drawing, "side"));
    }

    [Theory]
    [InlineData("wall:den.1", "chosen-wall")]
    [InlineData("room:den", "chosen-room")]
    public void What_is_selected_is_lit(string subject, string css) =>
        Assert.Single(Of(Draw(Stage.House, selected: Subject.TryParse(subject)), css));

    [Theory]
    [InlineData("opening:door")]
    [InlineData("fixture:den.2")]
    [InlineData("obstruction:ground.1")]
    [InlineData("want:desk")]
    [InlineData("bays:bays")]
    [InlineData("chase:chase")]
    public void A_selected_part_is_chosen_and_can_be_reached_by_the_keyboard(string subject)
    {
        var chosen = Assert.Single(Of(Draw(Stage.House, selected: Subject.TryParse(subject)), "chosen"));
        Assert.Equal("0", A(chosen, "tabindex"));
        Assert.EndsWith(subject, A(chosen, "href"), StringComparison.Ordinal);
    }

    // The length of lines of a class, in inches.
    private static double Inches(XElement drawing, string css) =>
        Of(drawing, css).Sum(l => Math.Abs(N(l, "x2") - N(l, "x1")) + Math.Abs(N(l, "y2") - N(l, "y1")));

    private static double N(XElement e, string name) => double.Parse(A(e, name), CultureInfo.InvariantCulture);

    [Fact] // a receptacle at 60 in of the north wall serves 6 ft each way: 57-1/4 back to the corner… round it, and 72 on
    public void Coverage_lights_what_each_receptacle_serves_and_what_none_does()
    {
        var bare = Draw(Stage.Boxes);
        Assert.Empty(Of(bare, "served"));
        // Inside, 234-1/2 + 137-1/4 twice, less the door; the shared wall is thinner by a half.
        var space = Planner.Plan(Job).Survey.Coverage.First(s => s.Room.Value == "den");
        Assert.Equal((double)space.Clear.Inches, Inches(bare, "unserved"), 1);
        var drawing = Draw(Stage.Boxes, job: Job.With(Houses.On("r", "den", 1, 60)));
        Assert.Equal(144, Inches(drawing, "served"), 1);
        Assert.Equal((double)space.Clear.Inches - 144, Inches(drawing, "unserved"), 1);
        Assert.NotEmpty(Of(drawing, "unserved-far"));
    }

    [Fact]
    public void What_is_lit_agrees_with_the_check_whatever_stands_where() => Gen.Select(Gen.Int[1, 4], Gen.Int[4, 130]).Array[1, 6]
        .Sample(places =>
    {
        var job = Job.With([.. places.Select((p, i) => Houses.On($"r{i}", "den", p.Item1, p.Item2))]);
        var space = Planner.Plan(job).Survey.Coverage.First(s => s.Room.Value == "den");
        var drawing = Draw(Stage.Boxes, job: job);
        Assert.Equal((double)space.Clear.Inches, Inches(drawing, "served") + Inches(drawing, "unserved"), 0);
        Assert.Equal(space.Served, !Of(drawing, "unserved").Any());
    }, iter: 60);

    [Fact]
    public void What_the_browser_needs_to_draw_coverage_anew_is_written_with_it()
    {
        var group = Draw(Stage.Boxes, job: Job.With(Houses.On("r", "den", 1, 60))).Descendants().First(e => A(e, "id") == "coverage");
        var space = Assert.Single(JsonDocument.Parse(A(group, "data-spaces")).RootElement.EnumerateArray());
        Assert.Equal("den", space.GetProperty("room").GetString());
        Assert.Equal(72, space.GetProperty("reach").GetDouble());
        Assert.False(space.GetProperty("closed").GetBoolean());
        Assert.Equal("r", space.GetProperty("at")[0][0].GetString());
        Assert.Equal(5, space.GetProperty("pieces").GetArrayLength());
    }

    // The north wall’s outer face lies 3-1/4 in north of its center line; the pad begins 36 in beyond and is 36 in deep.
    [Fact]
    public void A_unit_on_a_pad_stands_off_its_wall()
    {
        var unit = Houses.Appliance("m", "den", 1, 60, Houses.Plate(Appliance.HeatPump, 240, 4000)) with
        {
            Outside = true,
            OnPad = 36.Inches(),
        };
        var drawing = Draw(Stage.Boxes, job: Job.With(unit));
        var pad = Assert.Single(Of(drawing, "pad"), p => p.Name.LocalName == "rect");
        Assert.Equal(("-75.25", "36"), (A(pad, "y"), A(pad, "height")));
        var top = decimal.Parse(A(drawing, "viewBox").Split(' ')[1], System.Globalization.CultureInfo.InvariantCulture);
        Assert.True(top <= -75.25m, $"{top}");
    }

    [Fact]
    public void In_a_file_each_kind_of_thing_is_on_a_layer_of_its_name()
    {
        var drawing = XDocument.Parse(PlanDrawing.Draw(Planner.Plan(Job.With(Houses.On("r", "den", 1, 60))), new("ground"), new())).Root!;
        Assert.Equal(["rooms", "walls", "fixtures", "home-runs", "cables", "panels", "boxes", "names"],
            drawing.Elements().Where(e => e.Name.LocalName == "g" && A(e, "id").Length > 0).Select(e => A(e, "id")));
        Assert.Single(drawing.Elements().First(e => A(e, "id") == "home-runs").Elements());
        Assert.Empty(Of(drawing, "side"));
    }

    [Theory]
    [InlineData(DeviceKind.HalfSwitched, "½")]
    [InlineData(DeviceKind.AfciReceptacle, "A")]
    [InlineData(DeviceKind.GfciReceptacle, "G")]
    [InlineData(DeviceKind.Timer, "T")]
    [InlineData(DeviceKind.OccupancySensor, "OS")]
    [InlineData(DeviceKind.Disconnect, "DS")]
    public void A_kind_is_told_by_its_letter(DeviceKind kind, string letter) =>
        Assert.Contains(Of(Draw(Stage.Boxes, job: Job.With(Houses.On("r", "den", 1, 60, kind))), "subscript"), e => e.Value == letter);
}
