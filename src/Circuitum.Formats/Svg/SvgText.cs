using System.Globalization;
using System.Security;
using System.Text;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Writes SVG in inches of the house, text escaped.</summary>
internal sealed class SvgText
{
    private readonly StringBuilder text = new();

    public static string N(decimal inches) => decimal.Round(inches, 2).ToString("0.##", CultureInfo.InvariantCulture);

    public static string N(Length length) => N(length.Inches);

    public static string Escape(string value) => SecurityElement.Escape(value);

    public SvgText Raw(string svg)
    {
        text.Append(svg);
        return this;
    }

    public SvgText Open(string element, params (string Name, string Value)[] attributes) => Tag(element, attributes, ">");

    public SvgText Empty(string element, params (string Name, string Value)[] attributes) => Tag(element, attributes, "/>");

    public SvgText Close(string element) => Raw($"</{element}>");

    public SvgText Line(Point a, Point b, string css) => Empty("line", ("class", css), ("x1", N(a.X)), ("y1", N(a.Y)), ("x2", N(b.X)), ("y2", N(b.Y)));

    public SvgText Rect(Point a, Point b, string css) => Empty("rect", ("class", css), ("x", N(Length.Min(a.X, b.X))), ("y", N(Length.Min(a.Y, b.Y))),
        ("width", N((a.X - b.X).Abs())), ("height", N((a.Y - b.Y).Abs())));

    public SvgText Words(string words, decimal x, decimal y, string css, string anchor = "middle") =>
        Open("text", ("class", css), ("x", N(x)), ("y", N(y)), ("text-anchor", anchor)).Raw(Escape(words)).Close("text");

    public override string ToString() => text.ToString();

    private SvgText Tag(string element, (string Name, string Value)[] attributes, string end)
    {
        text.Append('<').Append(element);
        foreach (var (name, value) in attributes)
        {
            if (value.Length > 0)
            {
                text.Append(' ').Append(name).Append("=\"").Append(Escape(value)).Append('"');
            }
        }

        text.Append(end);
        return this;
    }
}
