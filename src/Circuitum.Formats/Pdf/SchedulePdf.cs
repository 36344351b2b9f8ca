using Circuitum.Core;
using Circuitum.Core.Panels;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>The panel schedule as it hangs in the door, Letter, black and white.</summary>
public static class SchedulePdf
{
    private const double Margin = 36;
    private const double Spine = 22;

    /// <summary>The cautions that stand on the first page of every print.</summary>
    public const string Caution = "Electricity kills and burns. Open, lock and tag the supply, then prove it dead with a tester that was itself proved on a live source. "
        + "Lugs ahead of the main stay live. The adopted code and the local authority decide; this plan is an aid and can be wrong. Licensed work where the law says so.";

    /// <summary>A PDF with a page for each panel.</summary>
    public static byte[] Write(Plan plan)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"Panel schedule, {plan.Job.Name}";
        foreach (var panel in plan.Panels)
        {
            var page = document.AddPage();
            page.Width = XUnit.FromInch(8.5);
            page.Height = XUnit.FromInch(11);
            using var graphics = XGraphics.FromPdfPage(page);
            Page(graphics, plan, panel, page.Width.Point, page.Height.Point);
        }

        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    private static void Page(XGraphics g, Plan plan, PanelSchedule panel, double width, double height)
    {
        XFont title = Font(15, bold: true), plain = Font(9), small = Font(7.5);
        g.DrawString($"Panel {panel.Panel.Id} · {panel.Where}", title, XBrushes.Black, new XPoint(Margin, Margin + 12));
        var fed = panel.Panel.FedFrom is { } from ? $"fed from panel {from}" : "on the service: neutral and ground bonded here";
        g.DrawString($"{plan.Job.Name} · {(int)plan.Job.Edition} edition · {panel.Panel.Rating} · {panel.Panel.Spaces} spaces, {panel.Left} left · {fed}", plain, XBrushes.Black, new XPoint(Margin, Margin + 28));
        var rows = panel.Panel.Spaces / 2;
        double top = Margin + 42, rowHeight = Math.Min(24, (height - top - 110) / rows), half = (width - (2 * Margin) - Spine) / 2;
        var spine = Margin + half;
        g.DrawRectangle(new XPen(XColors.Black, 1.4), Margin, top, width - (2 * Margin), rows * rowHeight);
        for (var row = 1; row <= rows; row++)
        {
            var y = top + ((row - 1) * rowHeight);
            Centre(g, SpaceNumbers.LegOf(row * 2).ToString(), small, spine + (Spine / 2), y + (rowHeight / 2));
            Cell(g, panel, (row * 2) - 1, Margin, y, half, rowHeight, left: true);
            Cell(g, panel, row * 2, spine + Spine, y, half, rowHeight, left: false);
        }

        g.DrawLine(XPens.Black, spine, top, spine, top + (rows * rowHeight));
        g.DrawLine(XPens.Black, spine + Spine, top, spine + Spine, top + (rows * rowHeight));
        var foot = top + (rows * rowHeight) + 16;
        g.DrawString($"Connected: leg A {panel.On(Leg.A)}, leg B {panel.On(Leg.B)}, {panel.Apart} apart. AF arc-fault, GF ground-fault breaker.", plain, XBrushes.Black, new XPoint(Margin, foot));
        Wrapped(g, Caution, small, Margin, foot + 14, width - (2 * Margin));
    }

    private static void Cell(XGraphics g, PanelSchedule panel, int space, double x, double y, double width, double height, bool left)
    {
        var landed = panel.BySpace.GetValueOrDefault(space);
        var upper = landed is null || landed.Space == space;
        if (upper)
        {
            g.DrawLine(new XPen(XColors.Black, .6), x, y, x + width, y);
        }

        var tall = landed?.Wired.Circuit.Poles == 2 && upper ? height * 2 : height;
        double numberAt = left ? x + 12 : x + width - 12, ampsAt = left ? x + width - 16 : x + 16;
        Centre(g, space.ToString(System.Globalization.CultureInfo.InvariantCulture), Font(9.5, bold: true), numberAt, y + (height / 2));
        if (landed is null)
        {
            g.DrawString("spare", Font(8), XBrushes.Gray, new XPoint(left ? x + 28 : x + 40, y + (height / 2) + 3));
            return;
        }

        if (!upper)
        {
            return;
        }

        var sized = landed.Wired.Protected.Sized;
        Centre(g, sized.Breaker.Value.Value.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture), Font(11, bold: true), ampsAt, y + (tall / 2));
        var textAt = left ? x + 28 : x + 34;
        var room = width - 66;
        g.DrawString(Fitted(g, landed.Description, Font(8.5, bold: true), room), Font(8.5, bold: true), XBrushes.Black, new XPoint(textAt, y + (tall / 2) - 1.5));
        var feet = sized.Routed.HomeRun?.Length.Value.WholeFeetUp ?? 0;
        var mark = landed.Wired.Protected.Mark is { Length: > 0 } m ? $" · {m}" : "";
        g.DrawString(Fitted(g, $"{sized.Cable} · home run {feet} ft · {landed.Wired.Circuit.Load.Connected}{mark}", Font(7), room), Font(7), XBrushes.Black, new XPoint(textAt, y + (tall / 2) + 7.5));
    }

    private static string Fitted(XGraphics g, string text, XFont font, double width)
    {
        while (text.Length > 4 && g.MeasureString(text, font).Width > width)
        {
            text = text[..^2] + "…";
        }

        return text;
    }

    private static void Centre(XGraphics g, string text, XFont font, double x, double y)
    {
        var size = g.MeasureString(text, font);
        g.DrawString(text, font, XBrushes.Black, new XPoint(x - (size.Width / 2), y + (font.Size * .36)));
    }

    private static void Wrapped(XGraphics g, string text, XFont font, double x, double y, double width)
    {
        foreach (var line in PrintFonts.Lines(g, text, font, width))
        {
            g.DrawString(line, font, XBrushes.Black, new XPoint(x, y));
            y += font.Size * 1.3;
        }
    }

    private static XFont Font(double size, bool bold = false) => PrintFonts.Of(size, bold);
}
