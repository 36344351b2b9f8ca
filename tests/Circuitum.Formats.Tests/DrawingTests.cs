using System.Globalization;
using System.Xml.Linq;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Formats.Svg;
using Circuitum.Tests.Support;

namespace Circuitum.Formats.Tests;

/// <summary>What a drawing shows of a plan, on a house of one room, 20 by 12 ft on centre lines.</summary>
public sealed class DrawingTests
{
    private static readonly Room Den = Houses.Rectangle("den", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet()) with
    {
        Openings =
        [
            new() { Id = new("door"), Kind = OpeningKind.Door, Wall = 3, Offset = 24.Inches(), Width = 32.Inches() },
            new() { Id = new("window"), Kind = OpeningKind.Window, Wall = 1, Offset = 100.Inches(), Width = 48.Inches() },
        ],
        Fixtures = [new() { Kind = FixtureKind.Sink, Wall = 2, Offset = 20.Inches(), Width = 30.Inches(), Depth = 20.Inches() }],
    };

    private static readonly Plan Plan = Planner.Plan(Houses.House([Den])
        .With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 2, 100), Houses.Ceiling("lamp", "den", 100, 60),
            Houses.Switch("s", "den", 3, 70, DeviceKind.ThreeWay, "lamp")) with
    {
        Holds = [new(new("h"), "box:a", "its height", "the owner", "soon")],
    });

    private static XElement Draw(DrawingView view) => XDocument.Parse(PlanDrawing.Draw(Plan, new("ground"), view)).Root!;

    private static IEnumerable<XElement> Of(XElement drawing, string css) => drawing.Descendants()
        .Where(e => ((string?)e.Attribute("class"))?.Split(' ').Contains(css) == true);

    private static double N(XElement e, string name) => double.Parse((string)e.Attribute(name)!, CultureInfo.InvariantCulture);

    [Fact] // 240 × 144 in with 26 in round it, 14 more below for the scale
    public void It_is_to_scale_in_inches() => Assert.Equal("-26 -26 292 210", (string?)Draw(new()).Attribute("viewBox"));

    [Fact] // inside face 3-1/4 in, offset 60, standing 6 in off the wall
    public void A_box_stands_at_its_offset()
    {
        var hit = Of(Draw(new() { Link = s => $"/{s}" }), "box").Single(e => (string?)e.Attribute("data-box") == "a").Elements().First();
        Assert.Equal((63.25, 9.25), (N(hit, "cx"), N(hit, "cy")));
    }

    [Fact] // the door swings a quarter of a circle of its own width; the window shows three panes' lines
    public void Doors_swing_and_windows_are_glazed()
    {
        var drawing = Draw(new());
        Assert.Contains("A32 32 0 0", (string?)Assert.Single(Of(drawing, "swing")).Attribute("d"), StringComparison.Ordinal);
        Assert.Equal(3, Of(drawing, "glass").Count());
        Assert.Equal(4, Of(drawing, "jamb").Count());
    }

    [Theory] // cables are not drawn before circuits are asked about
    [InlineData(Stage.House, 0)]
    [InlineData(Stage.Boxes, 0)]
    [InlineData(Stage.Circuits, 4)]
    [InlineData(Stage.Runs, 4)]
    public void Cables_are_drawn_from_circuits_on(Stage stage, int cables) =>
        Assert.Equal(cables, Of(Draw(new() { Stage = stage }), "cable").Count());

    [Fact]
    public void A_selected_circuit_is_lit_in_its_jackets_colour_with_an_ink_casing_and_the_rest_go_quiet()
    {
        var key = Plan.CircuitOf(new("a"))!.Circuit.Key;
        var drawing = Draw(new() { Stage = Stage.Circuits, Selected = Subject.Circuit(key) });
        Assert.Contains("has-lit", (string?)drawing.Attribute("class"), StringComparison.Ordinal);
        Assert.Equal(2, Of(drawing, "lit").Count());
        Assert.All(Of(drawing, "lit"), e => Assert.Contains("jacket-12", (string?)e.Attribute("class"), StringComparison.Ordinal));
        Assert.Equal(Of(drawing, "lit").Count(), Of(drawing, "casing").Count());
        Assert.Equal(2, Of(drawing, "quiet").Count());
        Assert.Equal(2, Of(drawing, "on-circuit").Count());
    }

    [Fact]
    public void A_selected_run_is_drawn_last_and_marked()
    {
        var run = Plan.CircuitOf(new("a"))!.Runs[0];
        var drawing = Draw(new() { Stage = Stage.Runs, Selected = Subject.Run(run.Id) });
        Assert.Equal(run.Id.ToString(), (string?)Of(drawing, "lit").Last().Attribute("data-run"));
        Assert.Single(Of(drawing, "chosen"));
    }

    [Fact]
    public void Switches_carry_their_subscript_and_tags_their_shape()
    {
        var drawing = Draw(new() { Stage = Stage.Boxes });
        Assert.Equal("3", Assert.Single(Of(drawing, "subscript")).Value);
        Assert.Single(drawing.Descendants(), e => (string?)e.Attribute("href") == "#tag-hold");
        Assert.Contains(drawing.Descendants(), e => (string?)e.Attribute("id") == "tag-hold");
    }

    [Fact]
    public void A_wall_space_out_of_reach_is_lit_on_Boxes_only()
    {
        Assert.NotEmpty(Of(Draw(new() { Stage = Stage.Boxes }), "unserved"));
        Assert.Empty(Of(Draw(new() { Stage = Stage.House }), "unserved"));
    }

    [Fact]
    public void Dimensions_are_clear_lengths_and_only_on_demand()
    {
        Assert.Empty(Of(Draw(new()), "dimension"));
        Assert.Equal(["19'-5 1/2\"", "11'-5 1/2\"", "19'-5 1/2\"", "11'-5 1/2\""], Of(Draw(new() { Dimensions = true }), "dimension")
            .Select(e => e.Value));
    }

    [Fact]
    public void On_paper_there_are_no_links_and_the_style_goes_along()
    {
        var paper = Draw(new());
        Assert.DoesNotContain(paper.Descendants(), e => e.Name.LocalName == "a");
        Assert.Contains(paper.Elements(), e => e.Name.LocalName == "style");
        var screen = Draw(new() { Standalone = false, Link = s => $"/{s}" });
        Assert.Equal(5, screen.Descendants().Count(e => e.Name.LocalName == "a")); // four boxes and the panel
        Assert.DoesNotContain(screen.Elements(), e => e.Name.LocalName == "style");
    }

    [Theory]
    [InlineData("14", "14")]
    [InlineData("12", "12")]
    [InlineData("10", "10")]
    [InlineData("8", "8")]
    [InlineData("4", "8")]
    public void Jackets_are_coloured_by_size_and_alike_from_8_up(string gauge, string jacket) =>
        Assert.Equal(jacket, PlanDrawing.Jacket(Gauge.Parse(gauge)));
}
