using System.Collections.Immutable;
using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>Labels as strips to cut: two columns on a Letter page, black and white, a dotted line between.</summary>
public static class LabelPdf
{
    private const double Margin = 36;
    private const double Across = ((8.5 * 72) - (2 * Margin)) / 2;
    private const double Strip = 48;
    private const double Top = Margin + 34;
    private const int Down = 13;

    /// <summary>Strips on one page.</summary>
    public const int PerPage = Down * 2;

    /// <summary>The strips of one kind, as many pages as they need.</summary>
    public static byte[] Write(Plan plan, LabelKind kind) => Write(plan, Labels.Of(plan, kind),
        $"labels of {kind.ToString().ToLowerInvariant()}");

    /// <summary>Strips as they are handed in.</summary>
    /// <param name="plan">Whose they are.</param>
    /// <param name="labels">The strips.</param>
    /// <param name="title">What they are: labels of what is pulled next.</param>
    public static byte[] Write(Plan plan, ImmutableArray<Label> labels, string title)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"{plan.Job.Name}: {title}";
        for (var first = 0; first < Math.Max(1, labels.Length); first += PerPage)
        {
            var page = document.AddPage();
            page.Width = XUnit.FromInch(8.5);
            page.Height = XUnit.FromInch(11);
            using var g = XGraphics.FromPdfPage(page);
            g.DrawString($"{plan.Job.Name} · {title} · {Math.Min(first + 1, labels.Length)} to "
                + $"{Math.Min(first + PerPage, labels.Length)} of {labels.Length} · cut on the dots", PrintFonts.Of(8.5), XBrushes.Black,
                new XPoint(Margin, Margin));
            if (first == 0)
            {
                var y = Margin + 10;
                foreach (var line in PrintFonts.Lines(g, SchedulePdf.Caution, PrintFonts.Of(6.5), 2 * Across))
                {
                    g.DrawString(line, PrintFonts.Of(6.5), XBrushes.Black, new XPoint(Margin, y));
                    y += 8;
                }
            }

            for (var i = first; i < Math.Min(first + PerPage, labels.Length); i++)
            {
                var at = i - first;
                Draw(g, labels[i], Margin + (at % 2 * Across), Top + (at / 2 * Strip));
            }
        }

        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    private static void Draw(XGraphics g, Label label, double x, double y)
    {
        g.DrawRectangle(new XPen(XColors.Black, .5) { DashStyle = XDashStyle.Dot }, x, y, Across, Strip);
        var big = PrintFonts.Of(17, bold: true);
        while (big.Size > 9 && g.MeasureString(label.Big, big).Width > Across * .38)
        {
            big = PrintFonts.Of(big.Size - 1, bold: true);
        }

        g.DrawString(label.Big, big, XBrushes.Black, new XPoint(x + 6, y + 22));
        g.DrawString(Fit(g, $"at {label.Where}", 7, Across * .38), PrintFonts.Of(7), XBrushes.Black, new XPoint(x + 6, y + 38));
        var down = y + 13;
        foreach (var line in label.Lines.SelectMany(l => PrintFonts.Lines(g, l, PrintFonts.Of(8.5), Across * .56)).Take(4))
        {
            g.DrawString(Fit(g, line, 8.5, Across * .57), PrintFonts.Of(8.5), XBrushes.Black, new XPoint(x + (Across * .42), down));
            down += 10.5;
        }
    }

    // One word longer than the strip is shortened with a mark, never cut off unsaid.
    private static string Fit(XGraphics g, string text, double size, double width)
    {
        while (text.Length > 2 && g.MeasureString(text, PrintFonts.Of(size)).Width > width)
        {
            text = text[..^2] + "…";
        }

        return text;
    }
}
