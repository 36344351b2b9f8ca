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
    private const double Margin = Pages.Margin;
    private const double Wide = Pages.Wide;

    /// <summary>The offer.</summary>
    /// <param name="offer">What is on it.</param>
    /// <param name="number">Its number in the job.</param>
    /// <param name="written">The day it was written.</param>
    /// <param name="who">Who wrote it.</param>
    public static byte[] Write(Offer offer, int number, DateOnly written, string who)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"{Title(offer)} {number}, {offer.Job}";
        new Sheets(new(document, $"{Title(offer)} {number}, {offer.Job}"), offer, number).Write(written, who);
        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    /// <summary>Estimate, or Change order.</summary>
    public static string Title(Offer offer) => offer.Kind == OfferKind.Estimate ? "Estimate" : "Change order";

    private sealed class Sheets(Pages to, Offer offer, int number)
    {
        private readonly string sign = offer.Terms.Sign;

        public void Write(DateOnly written, string who)
        {
            to.Turn();
            to.Say($"{Title(offer)} {number}", 20, bold: true);
            to.Say(offer.Job, 12, bold: true);
            to.Say($"{written.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)} · written by {who} · revision {offer.Revision} of the "
                + "plan"
                + (offer.From is { } from ? $", against revision {from}" : ""), 9.5);
            if (offer.Reason.Length > 0)
            {
                to.Say($"Asked for: {offer.Reason}", 11);
            }

            to.Y += 4;
            Facts();
            Sum();
            Floors();
            Lines();
            Signed();
            to.Finish();
        }

        private void Facts()
        {
            foreach (var fact in offer.Facts)
            {
                var lines = PrintFonts.Lines(to.G, fact.Says, PrintFonts.Of(10), Wide - 90).ToList();
                to.Room(lines.Count * 13);
                to.G.DrawString(fact.What, PrintFonts.Of(10), XBrushes.Black, new XPoint(Margin, to.Y + 11));
                for (var i = 0; i < lines.Count; i++)
                {
                    to.G.DrawString(lines[i], PrintFonts.Of(10, bold: true), XBrushes.Black, new XPoint(Margin + 90, to.Y + 11 + (i * 13)));
                }

                to.Y += lines.Count * 13;
            }

            to.Y += 8;
        }

        private void Sum()
        {
            to.Room(150);
            to.Rule(1.2);
            foreach (var (what, amount) in OfferFiles.SumOf(offer))
            {
                var bold = what is "Total" or "Given back";
                to.Right(amount.In(sign), bold ? 13 : 10.5, bold, Margin + Wide, to.Y + 13);
                to.G.DrawString(what, PrintFonts.Of(bold ? 13 : 10.5, bold), XBrushes.Black, new XPoint(Margin, to.Y + 13));
                to.Y += bold ? 20 : 16;
            }

            to.Rule(.6);
            if (offer.Unpriced is { Length: > 0 } unpriced)
            {
                to.Say(unpriced.Length == 1 ? "1 line has no price and is not in the total." :
                    $"{unpriced.Length} lines have no price and are not in the total.", 10.5, bold: true);
            }

            if (offer.Terms.Words.Length > 0)
            {
                to.Say(offer.Terms.Words, 9.5);
            }
        }

        private void Floors()
        {
            foreach (var floor in offer.Floors)
            {
                to.Room(250);
                to.Head($"{floor.Name}: what changes (+ comes, ~ changes, − goes)");
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
            var origin = to.Y;
            XPoint At(Point p) => new(Margin + ((double)(p.X - left).Feet * scale), origin + ((double)(p.Y - top).Feet * scale));
            foreach (var room in floor.Rooms)
            {
                to.G.DrawPolygon(new XPen(XColors.Gray, .7), [.. room.Corners.Select(At)]);
                var points = room.Corners.Select(At).ToList();
                var (width, small) = (points.Max(p => p.X) - points.Min(p => p.X), PrintFonts.Of(6.5));
                if (to.G.MeasureString(room.Name, small).Width < width - 4)
                {
                    to.G.DrawString(room.Name, small, XBrushes.Gray, new XPoint(points.Min(p => p.X) + 3, points.Min(p => p.Y) + 8));
                }
            }

            // Each mark has a number, and its name stands beside the drawing.
            var (list, at) = (Margin + (Wide * .66), origin + 8);
            foreach (var (mark, i) in floor.Marks.Take(MostMarks).Select((m, i) => (m, i + 1)))
            {
                var point = At(mark.At);
                to.G.DrawEllipse(new XPen(XColors.Black, 1), XBrushes.White, point.X - 5.5, point.Y - 5.5, 11, 11);
                var font = PrintFonts.Of(6.5, bold: true);
                var text = i.ToString(CultureInfo.InvariantCulture);
                to.G.DrawString(text, font, XBrushes.Black,
                    new XPoint(point.X - (to.G.MeasureString(text, font).Width / 2), point.Y + 2.3));
                var line = PrintFonts.Lines(to.G, $"{i} {mark.Kind} {mark.Name}", PrintFonts.Of(8), Wide * .34).First();
                to.G.DrawString(line, PrintFonts.Of(8), XBrushes.Black, new XPoint(list, at));
                at += 10;
            }

            if (floor.Marks.Length > MostMarks)
            {
                to.G.DrawString($"… and {floor.Marks.Length - MostMarks} more", PrintFonts.Of(8), XBrushes.Black, new XPoint(list, at));
                at += 10;
            }

            to.Y = Math.Max(origin + (deep * scale), at) + 10;
        }

        private const int MostMarks = 20;

        private void Lines()
        {
            foreach (var group in offer.Lines.GroupBy(l => l.Group))
            {
                to.Room(70);
                to.Head(char.ToUpperInvariant(group.Key[0]) + group.Key[1..]);
                foreach (var line in group)
                {
                    Line(line);
                }

                to.Right(group.Aggregate(Money.Zero, (sum, l) => sum + l.Material).In(sign), 10, true, Margin + Wide, to.Y + 11);
                var hours = new LaborHours(group.Sum(l => l.Work.Value));
                to.Right(hours.ToString(), 10, true, Margin + (Wide * .84), to.Y + 11);
                to.Y += 18;
            }
        }

        private void Line(OfferLine line)
        {
            var font = PrintFonts.Of(9);
            var names = PrintFonts.Lines(to.G, line.Item, font, Wide * .5).ToList();
            to.Room((names.Count * 11) + 2);
            for (var i = 0; i < names.Count; i++)
            {
                to.G.DrawString(names[i], font, XBrushes.Black, new XPoint(Margin, to.Y + 9 + (i * 11)));
            }

            to.Right($"{line.Quantity.ToString("#,0", CultureInfo.InvariantCulture).Replace('-', '−')} {line.Unit}", 9, false,
                Margin + (Wide * .62), to.Y + 9);
            to.Right(line.Price is { } price ? price.In(sign) : "no price", 9, line.Price is null, Margin + (Wide * .73), to.Y + 9);
            to.Right(line.Work.ToString(), 9, false, Margin + (Wide * .84), to.Y + 9);
            to.Right(line.Price is null ? "" : line.Material.In(sign), 9, false, Margin + Wide, to.Y + 9);
            to.Y += (names.Count * 11) + 2;
        }

        private void Signed()
        {
            to.Room(96);
            to.Y += 26;
            foreach (var whom in new[] { "For the owner", "For the electrician" })
            {
                to.G.DrawString($"{whom} ______________________________________   on ____________________", PrintFonts.Of(9.5),
                    XBrushes.Black, new XPoint(Margin, to.Y));
                to.Y += 28;
            }

            to.Say(SchedulePdf.Caution, 7.5);
        }
    }
}
