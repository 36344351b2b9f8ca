using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>Pages that are filled from the top: what has no room goes on to the next, and every page says what it belongs to.
/// </summary>
/// <param name="document">Where they go.</param>
/// <param name="foot">What stands at the foot of each, its number after it.</param>
/// <param name="paper">Letter, or A4: what fits the one fits the other, which is narrower by a sixth of an inch a side and higher.</param>
internal sealed class Pages(PdfDocument document, string foot, Paper paper = Paper.Letter)
{
    /// <summary>White on all sides, in points.</summary>
    public const double Margin = 48;

    /// <summary>Between the margins.</summary>
    public const double Wide = (8.5 * 72) - (2 * Margin);

    private readonly double high = Papers.SizeOf(paper).Height.Point;
    private int pages;

    private double Bottom => high - 54;

    /// <summary>The page that is open.</summary>
    public XGraphics G { get; private set; } = null!;

    /// <summary>Where the next thing begins.</summary>
    public double Y { get; set; }

    /// <summary>What is left of the page that is open.</summary>
    public double Left => Bottom - Y;

    /// <summary>Words as wide as the page.</summary>
    public void Say(string text, double size, bool bold = false)
    {
        var font = PrintFonts.Of(size, bold);
        foreach (var line in PrintFonts.Lines(G, Set(text), font, Wide).ToList())
        {
            Room(size * 1.3);
            Y += size * 1.28;
            G.DrawString(line, font, XBrushes.Black, new XPoint(Margin, Y));
        }

        Y += size * .3;
    }

    /// <summary>The head of a part, underlined.</summary>
    public void Head(string text)
    {
        Y += 8;
        Say(text, 10, bold: true);
        Rule(.6);
    }

    /// <summary>A line in columns: each from its left edge to the next one's, as many lines high as its longest words take.</summary>
    /// <param name="lefts">Left edges from the margin.</param>
    /// <param name="cells">As many texts.</param>
    /// <param name="bold">The first row of a table.</param>
    public void Cells(double[] lefts, string[] cells, bool bold = false)
    {
        var font = PrintFonts.Of(9, bold);
        var lines = cells.Select((c, i) => PrintFonts.Lines(G, Set(c), font, (i + 1 < lefts.Length ? lefts[i + 1] : Wide) - lefts[i] - 6)
            .ToList()).ToList();
        var tall = lines.Max(l => l.Count) * 11;
        Room(tall + 2);
        for (var i = 0; i < cells.Length; i++)
        {
            for (var j = 0; j < lines[i].Count; j++)
            {
                G.DrawString(lines[i][j], font, XBrushes.Black, new XPoint(Margin + lefts[i], Y + 9 + (j * 11)));
            }
        }

        Y += tall + 2;
    }

    // The letters of a print have no arrow.
    private static string Set(string text) => text.Replace("→", "to", StringComparison.Ordinal);

    /// <summary>Words that end at a right edge, on a baseline.</summary>
    public void Right(string text, double size, bool bold, double right, double baseline)
    {
        var font = PrintFonts.Of(size, bold);
        G.DrawString(text, font, XBrushes.Black, new XPoint(right - G.MeasureString(text, font).Width, baseline));
    }

    /// <summary>A line across the page.</summary>
    public void Rule(double weight)
    {
        G.DrawLine(new XPen(XColors.Black, weight), Margin, Y + 2, Margin + Wide, Y + 2);
        Y += 4;
    }

    /// <summary>A new page where what comes next has no room on this one.</summary>
    public void Room(double high)
    {
        if (Y + high > Bottom)
        {
            Finish();
            Turn();
        }
    }

    /// <summary>Opens a page.</summary>
    public void Turn()
    {
        var page = document.AddPage();
        (page.Width, page.Height) = Papers.SizeOf(paper);
        G = XGraphics.FromPdfPage(page);
        Y = Margin;
        pages++;
    }

    /// <summary>Closes the page that is open.</summary>
    public void Finish()
    {
        G.DrawString($"{foot} · page {pages}", PrintFonts.Of(8), XBrushes.Gray, new XPoint(Margin, high - 30));
        G.Dispose();
    }
}
