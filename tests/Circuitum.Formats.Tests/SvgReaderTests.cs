using System.Text;
using Circuitum.Core.Units;
using Circuitum.Formats.Drawings;

namespace Circuitum.Formats.Tests;

public sealed class SvgReaderTests
{
    private static FlatDrawing Read(string inner) =>
        DrawingFiles.Read(Encoding.UTF8.GetBytes($"<svg xmlns=\"http://www.w3.org/2000/svg\">{inner}</svg>"));

    private static string Refused(string text) =>
        Assert.Throws<DrawingException>(() => DrawingFiles.Read(Encoding.UTF8.GetBytes(text))).Message;

    private static Point[] Points(string inner) => [.. Assert.Single(Assert.Single(Read(inner).Layers).Lines).Points];

    private static Point At(int x, int y) => new(x.Inches(), y.Inches());

    [Fact] // 96 units to the inch
    public void A_rect_has_four_corners_in_inches() =>
        Assert.Equal([At(1, 2), At(3, 2), At(3, 5), At(1, 5)], Points("<rect x='96' y='192' width='192' height='288'/>"));

    [Fact]
    public void Groups_with_an_id_are_layers_and_move_what_is_in_them()
    {
        var layer = Assert.Single(
            Read("<g id='rooms' transform='translate(96 0) scale(2)'><line x1='0' y1='0' x2='48' y2='0'/></g>").Layers);
        Assert.Equal("rooms", layer.Name);
        Assert.Equal([At(1, 0), At(2, 0)], layer.Lines[0].Points.ToArray());
    }

    [Fact]
    public void A_quarter_turn_about_a_point() =>
        Assert.Equal([At(1, 0), At(1, 1)], Points("<line transform='rotate(90 96 0)' x1='96' y1='0' x2='192' y2='0'/>"));

    [Theory]
    [InlineData("M0 0H96V96H0Z")]
    [InlineData("m0,0 h96 v96 h-96 z")]
    [InlineData("M0 0L96 0 96 96L0 96z")]
    public void Paths_of_the_same_square(string d) =>
        Assert.Equal([At(0, 0), At(1, 0), At(1, 1), At(0, 1), At(0, 0)], Points($"<path d='{d}'/>"));

    [Fact]
    public void A_curve_ends_where_it_says() => Assert.Equal(At(2, 0), Points("<path d='M0 0C0 96 192 96 192 0'/>")[^1]);

    [Fact]
    public void What_stands_in_definitions_is_not_drawn() =>
        Assert.Single(Read("<defs><rect width='9' height='9'/></defs><rect width='96' height='96'/>").Layers[0].Lines);

    [Theory]
    [InlineData("<html></html>", "not with <svg>")]
    [InlineData("<svg><g>", "broken or cut off")]
    [InlineData("<!DOCTYPE svg [<!ENTITY a 'aaaa'>]><svg>&a;</svg>", "document type declaration")]
    [InlineData("<svg xmlns='http://www.w3.org/2000/svg'><rect x='a' width='1' height='1'/></svg>", "is no number")]
    [InlineData("<svg xmlns='http://www.w3.org/2000/svg'><line x2='1e30' y2='0'/></svg>", "20 miles")]
    public void A_bad_file_gets_one_message(string text, string says) => Assert.Contains(says, Refused(text), StringComparison.Ordinal);

    [Fact]
    public void Groups_too_deep_are_told() =>
        Assert.Contains("64 deep",
            Refused($"<svg>{string.Concat(Enumerable.Repeat("<g>", 80))}<line/>{string.Concat(Enumerable.Repeat("</g>", 80))}</svg>"),
            StringComparison.Ordinal);
}
