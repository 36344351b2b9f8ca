using Circuitum.Core.Jobs;
using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Core.Rulings;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>A ruling sheet: one decision argued on one Letter page, black and white.</summary>
public static class RulingPdf
{
    private const double Margin = 48;
    private const double Width = (8.5 * 72) - (2 * Margin);
    private const double Foot = 11 * 72 - 120;

    /// <summary>The sheet as a PDF of one page. What does not fit is told as so many more lines, never cut off unsaid.</summary>
    public static byte[] Write(Plan plan, Ruling ruling)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"Ruling sheet, {plan.Job.Name}: {ruling.Question}";
        var page = document.AddPage();
        page.Width = XUnit.FromInch(8.5);
        page.Height = XUnit.FromInch(11);
        using (var graphics = XGraphics.FromPdfPage(page))
        {
            new Sheet(graphics).Write(plan, ruling);
        }

        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    private sealed class Sheet(XGraphics g)
    {
        private double y = Margin;

        public void Write(Plan plan, Ruling ruling)
        {
            var permit = plan.Job.Permitted is { } day
                ? $" · permit of {day.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)}" : "";
            Say($"{plan.Job.Name} · {plan.Job.Edition.Words()}{permit}", 9.5);
            Say(ruling.About, 9.5);
            y += 6;
            Say(ruling.Question, 17, bold: true);
            y += 2;
            Rule(1.4);
            Say(ruling.Answer, 12.5, bold: true);
            // The end of the sheet is kept for what governs, so that long lists give way to it.
            var after = Height(ruling.Governs.Says, 10) + (ruling.Quoted is { } q ? Height(q.Says, 10) + 44 : 0) + Height(ruling.Local, 10)
                + 100;
            var sum = ruling.Sum.Steps.Length;
            if (!ruling.Lines.IsEmpty)
            {
                Head("What is counted");
                List(ruling.Lines.Select(l => (l.What, l.Value, l.Note)).ToList(), Foot - after - (Math.Min(sum, 12) * 15));
            }

            Head("The sum");
            List([.. ruling.Sum.Steps.Select(s => (s.Text, s.Value, s.Cite))], Foot - after);
            Head("What governs");
            Say(ruling.Governs.Section, 11, bold: true);
            Say(ruling.Governs.Says, 10);
            if (ruling.Quoted is { } quoted)
            {
                Head("Often quoted here, and why it does not govern");
                Say(quoted.Section, 11, bold: true);
                Say(quoted.Says, 10);
            }

            Head("Local");
            Say(ruling.Local, 10);
            y = (11 * 72) - 92;
            Rule(.6);
            g.DrawString("Gone through with ______________________________   on ________________   adopted code read: ________________",
                PrintFonts.Of(8.5), XBrushes.Black, new XPoint(Margin, y + 14));
            y += 24;
            Say(SchedulePdf.Caution, 7.5);
        }

        // Three columns: what, how much, how taken or by what.
        private void List(IReadOnlyList<(string What, string Value, string Note)> rows, double until)
        {
            double value = Width * .46, note = Width * .66;
            XFont plain = PrintFonts.Of(9.5), bold = PrintFonts.Of(9.5, bold: true);
            for (var i = 0; i < rows.Count; i++)
            {
                var (whatWidth, noteWidth) = (rows[i].Value.Length == 0 ? note - 10 : value - 10, Width - note);
                var whats = PrintFonts.Lines(g, rows[i].What, plain, whatWidth).ToList();
                var notes = PrintFonts.Lines(g, rows[i].Note, plain, noteWidth).ToList();
                var values = PrintFonts.Lines(g, rows[i].Value, bold, note - value - 10).ToList();
                var height = Math.Max(whats.Count, Math.Max(notes.Count, values.Count)) * 12;
                if (y + height > until && rows.Count - i > 1 && i > 3)
                {
                    g.DrawString($"… and {rows.Count - i} more, in the plan.", plain, XBrushes.Black, new XPoint(Margin, y + 10));
                    y += 15;
                    return;
                }

                Column(whats, plain, Margin);
                Column(values, bold, Margin + value);
                Column(notes, plain, Margin + note);
                y += height + 3;
                g.DrawLine(new XPen(XColors.LightGray, .5), Margin, y - 1, Margin + Width, y - 1);
            }
        }

        private void Column(List<string> lines, XFont font, double x)
        {
            for (var i = 0; i < lines.Count; i++)
            {
                g.DrawString(lines[i], font, XBrushes.Black, new XPoint(x, y + 10 + (i * 12)));
            }
        }

        private void Head(string text)
        {
            y += 9;
            Say(text, 9.5);
            Rule(.6);
        }

        private void Say(string text, double size, bool bold = false)
        {
            var font = PrintFonts.Of(size, bold);
            foreach (var line in PrintFonts.Lines(g, text, font, Width))
            {
                y += size * 1.28;
                g.DrawString(line, font, XBrushes.Black, new XPoint(Margin, y));
            }

            y += size * .3;
        }

        private double Height(string text, double size) => PrintFonts.Lines(g, text, PrintFonts.Of(size), Width).Count() * size * 1.28;

        private void Rule(double weight)
        {
            y += 2;
            g.DrawLine(new XPen(XColors.Black, weight), Margin, y, Margin + Width, y);
            y += 2;
        }
    }
}
