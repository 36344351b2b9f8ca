using PdfSharp.Drawing;
using PdfSharp.Fonts;

namespace Circuitum.Formats.Pdf;

/// <summary>The two cuts that prints are set in, shipped inside the program.</summary>
internal static class PrintFonts
{
    private const string Family = "Atkinson Hyperlegible Next";
    private static readonly Lock SetUp = new();

    /// <summary>A font of this size in points.</summary>
    public static XFont Of(double size, bool bold = false)
    {
        lock (SetUp)
        {
            GlobalFontSettings.FontResolver ??= new EmbeddedFonts();
        }

        return new(Family, size, bold ? XFontStyleEx.Bold : XFontStyleEx.Regular);
    }

    /// <summary>The lines of a text that fit a width.</summary>
    public static IEnumerable<string> Lines(XGraphics g, string text, XFont font, double width) =>
        WordWrap.Lines(text.Split(' '), line => g.MeasureString(line, font).Width <= width);

    private sealed class EmbeddedFonts : IFontResolver
    {
        public byte[]? GetFont(string faceName)
        {
            using var stream = typeof(PrintFonts).Assembly.GetManifestResourceStream(faceName)!;
            using var copy = new MemoryStream();
            stream.CopyTo(copy);
            return copy.ToArray();
        }

        public FontResolverInfo? ResolveTypeface(string familyName, bool isBold, bool isItalic) =>
            new(isBold ? "AtkinsonHyperlegibleNext_600SemiBold.ttf" : "AtkinsonHyperlegibleNext_400Regular.ttf");
    }
}
