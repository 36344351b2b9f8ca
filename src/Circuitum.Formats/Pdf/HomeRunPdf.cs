using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>The home-run list on paper: what is pulled to each space, a box to tick beside it, black and white.</summary>
public static class HomeRunPdf
{
    private const double Margin = 36;
    private const double Row = 17;

    // Left edges of the columns: tick, number, breaker, what, cable, length, to.
    private static readonly double[] Columns = [0, 18, 54, 102, 316, 378, 418];

    /// <summary>The list of one panel, or of all, on Letter or A4; as many pages as it takes.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="sheet">Paper, panel and stamp.</param>
    public static byte[] Write(Plan plan, ScheduleSheet? sheet = null)
    {
        var asked = sheet ?? new();
        using var document = new PdfDocument();
        document.Info.Title = $"Home runs, {plan.Job.Name}";
        foreach (var panel in plan.Panels.Where(p => asked.Panel is null || p.Panel.Id == asked.Panel))
        {
            new Pages(document, plan, panel, asked).Write();
        }

        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    private sealed class Pages(PdfDocument document, Plan plan, PanelSchedule panel, ScheduleSheet sheet)
    {
        private XGraphics? g;
        private double width;
        private double foot;
        private double y;

        public void Write()
        {
            var lines = HomeRuns.Of(plan, panel);
            NewPage(first: true);
            foreach (var line in lines)
            {
                if (y + Row > foot)
                {
                    NewPage(first: false);
                }

                Line(line);
            }

            Totals(lines);
            g!.Dispose();
        }

        private void NewPage(bool first)
        {
            g?.Dispose();
            var page = document.AddPage();
            (page.Width, page.Height) = Papers.SizeOf(sheet.Paper == Paper.Door ? Paper.Letter : sheet.Paper);
            g = XGraphics.FromPdfPage(page);
            (width, foot, y) = (page.Width.Point - (2 * Margin), page.Height.Point - Margin - 56, Margin + 12);
            g.DrawString($"Home runs of panel {panel.Panel.Id} · {panel.Where}{(first ? "" : ", continued")}", PrintFonts.Of(15, true),
                XBrushes.Black, new XPoint(Margin, y));
            y += 14;
            Say($"{plan.Job.Name} · {plan.Job.Edition.Words()} · every cable numbered at both ends · {sheet.Stamp}".TrimEnd(' ', '·'),
                9);
            y += 12;
            Cells(["", "No.", "Breaker", "What", "Cable", "Cut", "First box, room"], 8, true);
            y += 5;
            g.DrawLine(new XPen(XColors.Black, 1.2), Margin, y, Margin + width, y);
            var under = page.Height.Point - Margin - 40;
            foreach (var text in PrintFonts.Lines(g, SchedulePdf.Caution, PrintFonts.Of(7), width))
            {
                g.DrawString(text, PrintFonts.Of(7), XBrushes.Black, new XPoint(Margin, under));
                under += 9;
            }
        }

        private void Line(HomeRunLine line)
        {
            var sized = line.Landed.Sized;
            var mark = line.Landed.Mark;
            y += 12;
            g!.DrawRectangle(new XPen(XColors.Black, .8), Margin + 1, y - 8, 9, 9);
            Cells(["", line.Number,
                $"{line.Landed.Breaker.Figure}{(line.Landed.OnLugs ? " main" : "")}"
                + $"{(mark.Length > 0 ? " " + mark : "")}", line.Landed.Description, line.Cable,
                line.Length == Length.Zero ? "–" : line.Length.Cut(plan.Job.Schools.Measure),
                    $"{(line.Landed.Feeds is not null ? line.Room
                        : line.Room.Length == 0 || line.To.Contains(line.Room, StringComparison.OrdinalIgnoreCase)
                    ? line.To : $"{line.To}, {line.Room}")}"
                + $"{(line.Beside.Length > 0 ? "; " + line.Beside : "")}"], 9, false);
            y += Row - 12;
            g.DrawLine(new XPen(XColors.Gray, .4), Margin, y, Margin + width, y);
        }

        // What the reel gives: by cable.
        private void Totals(IReadOnlyList<HomeRunLine> lines)
        {
            var totals = lines.Where(l => l.Length > Length.Zero).GroupBy(l => l.Cable).OrderBy(t => t.Key, StringComparer.Ordinal)
                .Select(t => $"{t.Key}: {t.Count()}, {t.Select(l => l.Length).Total().Cut(plan.Job.Schools.Measure)}").ToList();
            if (y + 30 > foot)
            {
                NewPage(first: false);
            }

            y += 16;
            foreach (var text in PrintFonts.Lines(g!, $"Together {lines.Count} home runs. {string.Join(" · ", totals)}",
                PrintFonts.Of(9, true), width))
            {
                g!.DrawString(text, PrintFonts.Of(9, true), XBrushes.Black, new XPoint(Margin, y));
                y += 12;
            }
        }

        private void Cells(string[] cells, double size, bool bold)
        {
            for (var i = 0; i < cells.Length; i++)
            {
                var room = (i + 1 < Columns.Length ? Columns[i + 1] : width) - Columns[i] - 5;
                var font = PrintFonts.Of(size, bold || i == 1);
                // Smaller letters before anything is cut off.
                while (font.Size > 5 && g!.MeasureString(cells[i], font).Width > room)
                {
                    font = PrintFonts.Of(font.Size - .25, bold || i == 1);
                }

                g!.DrawString(cells[i], font, XBrushes.Black, new XPoint(Margin + Columns[i], y));
            }
        }

        private void Say(string text, double size)
        {
            g!.DrawString(text, PrintFonts.Of(size), XBrushes.Black, new XPoint(Margin, y));
            y += size * 1.3;
        }
    }
}
