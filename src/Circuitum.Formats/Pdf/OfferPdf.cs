using System.Globalization;
using Circuitum.Core.Pricing;
using Circuitum.Core.Units;
using Circuitum.Formats.Offers;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>An estimate or a change order on Letter pages, black and white, with lines to sign.</summary>
public static class OfferPdf
{
    private const double Margin = 48;
    private const double Wide = (8.5 * 72) - (2 * Margin);
    private const double Bottom = (11 * 72) - 54;

    /// <summary>The offer.</summary>
    /// <param name="offer">What is on it.</param>
    /// <param name="number">Its number in the job.</param>
    /// <param name="written">The day it was written.</param>
    /// <param name="who">Who wrote it.</param>
    public static byte[] Write(Offer offer, int number, DateOnly written, string who)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"{Title(offer)} {number}, {offer.Job}";
        new Sheets(document, offer, number).Write(written, who);
        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    /// <summary>Estimate, or Change order.</summary>
    public static string Title(Offer offer) => offer.Kind == OfferKind.Estimate ? "Estimate" : "Change order";

    private sealed class Sheets(PdfDocument document, Offer offer, int number)
    {
        private readonly string sign = offer.Terms.Sign;
        private XGraphics g = null!;
        private double y;
        private int pages;

        public void Write(DateOnly written, string who)
        {
            Turn();
            Say($"{Title(offer)} {number}", 20, bold: true);
            Say(offer.Job, 12, bold: true);
            Say($"{written.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)} · written by {who} · revision {offer.Revision} of the plan"
                + (offer.From is { } from ? $", against revision {from}" : ""), 9.5);
            if (offer.Reason.Length > 0)
            {
                Say($"Asked for: {offer.Reason}", 11);
            }

            y += 4;
            Facts();
            Sum();
            Floors();
            Lines();
            Signed();
            Finish();
        }

        private void Facts()
        {
            foreach (var fact in offer.Facts)
            {
                var lines = PrintFonts.Lines(g, fact.Says, PrintFonts.Of(10), Wide - 90).ToList();
                Room(lines.Count * 13);
                g.DrawString(fact.What, PrintFonts.Of(10), XBrushes.Black, new XPoint(Margin, y + 11));
                for (var i = 0; i < lines.Count; i++)
                {
                    g.DrawString(lines[i], PrintFonts.Of(10, bold: true), XBrushes.Black, new XPoint(Margin + 90, y + 11 + (i * 13)));
                }

                y += lines.Count * 13;
            }

            y += 8;
        }

        private void Sum()
        {
            Room(150);
            Rule(1.2);
            foreach (var (what, amount) in OfferFiles.SumOf(offer))
            {
                var bold = what is "Total" or "Given back";
                Right(amount.In(sign), bold ? 13 : 10.5, bold, Margin + Wide, y + 13);
                g.DrawString(what, PrintFonts.Of(bold ? 13 : 10.5, bold), XBrushes.Black, new XPoint(Margin, y + 13));
                y += bold ? 20 : 16;
            }

            Rule(.6);
            if (offer.Unpriced is { Length: > 0 } unpriced)
            {
                Say(unpriced.Length == 1 ? "1 line has no price and is not in the total." :
                    $"{unpriced.Length} lines have no price and are not in the total.", 10.5, bold: true);
            }

            if (offer.Terms.Words.Length > 0)
            {
                Say(offer.Terms.Words, 9.5);
            }
        }

        private void Floors()
        {
            foreach (var floor in offer.Floors)
            {
                Room(250);
                Head($"{floor.Name}: what changes (+ comes, ~ changes, − goes)");
                Draw(floor, 210);
            }
        }

        private void Draw(OfferFloor floor, double high)
        {
            var corners = floor.Rooms.SelectMany(r => r.Corners).Concat(floor.Marks.Select(m => m.At)).ToList();
            Length left = corners.Min(c => c.X), top = corners.Min(c => c.Y);
            double across = Math.Max(1, (double)(corners.Max(c => c.X) - left).Feet), deep = Math.Max(1, (double)(corners.Max(c => c.Y)
                - top).Feet);
            var scale = Math.Min(Wide * .62 / across, high / deep);
            var origin = y;
            XPoint At(Point p) => new(Margin + ((double)(p.X - left).Feet * scale), origin + ((double)(p.Y - top).Feet * scale));
            foreach (var room in floor.Rooms)
            {
                g.DrawPolygon(new XPen(XColors.Gray, .7), [.. room.Corners.Select(At)]);
                var points = room.Corners.Select(At).ToList();
                var (width, small) = (points.Max(p => p.X) - points.Min(p => p.X), PrintFonts.Of(6.5));
                if (g.MeasureString(room.Name, small).Width < width - 4)
                {
                    g.DrawString(room.Name, small, XBrushes.Gray, new XPoint(points.Min(p => p.X) + 3, points.Min(p => p.Y) + 8));
                }
            }

            // Each mark has a number, and its name stands beside the drawing.
            var (list, at) = (Margin + (Wide * .66), origin + 8);
            foreach (var (mark, i) in floor.Marks.Take(MostMarks).Select((m, i) => (m, i + 1)))
            {
                var point = At(mark.At);
                g.DrawEllipse(new XPen(XColors.Black, 1), XBrushes.White, point.X - 5.5, point.Y - 5.5, 11, 11);
                var font = PrintFonts.Of(6.5, bold: true);
                var text = i.ToString(CultureInfo.InvariantCulture);
                g.DrawString(text, font, XBrushes.Black, new XPoint(point.X - (g.MeasureString(text, font).Width / 2), point.Y + 2.3));
                var line = PrintFonts.Lines(g, $"{i} {mark.Kind} {mark.Name}", PrintFonts.Of(8), Wide * .34).First();
                g.DrawString(line, PrintFonts.Of(8), XBrushes.Black, new XPoint(list, at));
                at += 10;
            }

            if (floor.Marks.Length > MostMarks)
            {
                g.DrawString($"… and {floor.Marks.Length - MostMarks} more", PrintFonts.Of(8), XBrushes.Black, new XPoint(list, at));
                at += 10;
            }

            y = Math.Max(origin + (deep * scale), at) + 10;
        }

        private const int MostMarks = 20;

        private void Lines()
        {
            foreach (var group in offer.Lines.GroupBy(l => l.Group))
            {
                Room(70);
                Head(char.ToUpperInvariant(group.Key[0]) + group.Key[1..]);
                foreach (var line in group)
                {
                    Line(line);
                }

                Right(group.Aggregate(Money.Zero, (sum, l) => sum + l.Material).In(sign), 10, true, Margin + Wide, y + 11);
                var hours = new LaborHours(group.Sum(l => l.Work.Value));
                Right(hours.ToString(), 10, true, Margin + (Wide * .84), y + 11);
                y += 18;
            }
        }

        private void Line(OfferLine line)
        {
            var font = PrintFonts.Of(9);
            var names = PrintFonts.Lines(g, line.Item, font, Wide * .5).ToList();
            Room((names.Count * 11) + 2);
            for (var i = 0; i < names.Count; i++)
            {
                g.DrawString(names[i], font, XBrushes.Black, new XPoint(Margin, y + 9 + (i * 11)));
            }

            Right($"{line.Quantity.ToString("#,0", CultureInfo.InvariantCulture).Replace('-', '−')} {line.Unit}", 9, false,
                Margin + (Wide * .62), y + 9);
            Right(line.Price is { } price ? price.In(sign) : "no price", 9, line.Price is null, Margin + (Wide * .73), y + 9);
            Right(line.Work.ToString(), 9, false, Margin + (Wide * .84), y + 9);
            Right(line.Price is null ? "" : line.Material.In(sign), 9, false, Margin + Wide, y + 9);
            y += (names.Count * 11) + 2;
        }

        private void Signed()
        {
            Room(96);
            y += 26;
            foreach (var whom in new[] { "For the owner", "For the electrician" })
            {
                g.DrawString($"{whom} ______________________________________   on ____________________", PrintFonts.Of(9.5), XBrushes.Black,
                    new XPoint(Margin, y));
                y += 28;
            }

            Say(SchedulePdf.Caution, 7.5);
        }

        private void Head(string text)
        {
            y += 8;
            Say(text, 10, bold: true);
            Rule(.6);
        }

        private void Say(string text, double size, bool bold = false)
        {
            var font = PrintFonts.Of(size, bold);
            foreach (var line in PrintFonts.Lines(g, text, font, Wide).ToList())
            {
                Room(size * 1.3);
                y += size * 1.28;
                g.DrawString(line, font, XBrushes.Black, new XPoint(Margin, y));
            }

            y += size * .3;
        }

        private void Right(string text, double size, bool bold, double right, double baseline)
        {
            var font = PrintFonts.Of(size, bold);
            g.DrawString(text, font, XBrushes.Black, new XPoint(right - g.MeasureString(text, font).Width, baseline));
        }

        private void Rule(double weight)
        {
            g.DrawLine(new XPen(XColors.Black, weight), Margin, y + 2, Margin + Wide, y + 2);
            y += 4;
        }

        // A new page where what comes next has no room on this one.
        private void Room(double high)
        {
            if (y + high > Bottom)
            {
                Finish();
                Turn();
            }
        }

        private void Turn()
        {
            var page = document.AddPage();
            (page.Width, page.Height) = (XUnit.FromInch(8.5), XUnit.FromInch(11));
            g = XGraphics.FromPdfPage(page);
            y = Margin;
            pages++;
        }

        private void Finish()
        {
            g.DrawString($"{Title(offer)} {number}, {offer.Job} · page {pages}", PrintFonts.Of(8), XBrushes.Gray,
                new XPoint(Margin, (11 * 72) - 30));
            g.Dispose();
        }
    }
}
