using System.Globalization;
using System.Security;
using System.Text;
using Circuitum.Core.Units;

namespace Circuitum.Formats.Svg;

/// <summary>Writes SVG in inches of the house, text escaped.</summary>
internal sealed class SvgText
{
    private readonly StringBuilder text = new();

    public static string N(decimal inches) => Hundredths((long)Math.Round((double)inches * 100));

    public static string N(Length length) => Hundredths((long)Math.Round(length.Sixtyfourths * (100 / 64.0)));

    /// <summary>The text as XML may hold it: marked characters written as entities, what is no character of XML left out (XML 1.0,
    /// 2.2).</summary>
    public static string Escape(string value) => SecurityElement.Escape(IsWhole(value) ? value : string.Concat(Whole(value)));

    private static bool IsWhole(string value)
    {
        foreach (var c in value)
        {
            if (c < ' ' || c >= '\uFFFE' || char.IsSurrogate(c))
            {
                return false;
            }
        }

        return true;
    }

    private static IEnumerable<string> Whole(string value) => value.EnumerateRunes()
        .Where(r => r.Value is 9 or 10 or 13 or (>= 0x20 and < 0xFFFE) or >= 0x10000 && r != Rune.ReplacementChar)
        .Select(r => r.ToString());

    public SvgText Raw(string svg)
    {
        text.Append(svg);
        return this;
    }

    public SvgText Open(string element, params (string Name, string Value)[] attributes) => Tag(element, attributes, ">");

    public SvgText Empty(string element, params (string Name, string Value)[] attributes) => Tag(element, attributes, "/>");

    public SvgText Close(string element) => Raw($"</{element}>");

    public SvgText Line(Point a, Point b, string css) =>
        Empty("line", ("class", css), ("x1", N(a.X)), ("y1", N(a.Y)), ("x2", N(b.X)), ("y2", N(b.Y)));

    public SvgText Rect(Point a, Point b, string css) =>
        Empty("rect", ("class", css), ("x", N(Length.Min(a.X, b.X))), ("y", N(Length.Min(a.Y, b.Y))),
        ("width", N((a.X - b.X).Abs())), ("height", N((a.Y - b.Y).Abs())));

    public SvgText Words(string words, decimal x, decimal y, string css, string anchor = "middle") =>
        Open("text", ("class", css), ("x", N(x)), ("y", N(y)), ("text-anchor", anchor)).Raw(Escape(words)).Close("text");

    public override string ToString() => text.ToString();

    // A drawing writes thousands of numbers: by hand this is several times faster than by a format.
    private static string Hundredths(long hundredths)
    {
        var (whole, part) = Math.DivRem(Math.Abs(hundredths), 100);
        var sign = hundredths < 0 ? "-" : "";
        return part == 0 ? string.Create(CultureInfo.InvariantCulture, $"{sign}{whole}")
            : part % 10 == 0 ? string.Create(CultureInfo.InvariantCulture, $"{sign}{whole}.{part / 10}")
            : string.Create(CultureInfo.InvariantCulture, $"{sign}{whole}.{part:00}");
    }

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
