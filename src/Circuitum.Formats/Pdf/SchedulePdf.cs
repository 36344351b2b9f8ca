using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>What stands on a printed schedule beside the plan.</summary>
public sealed record ScheduleSheet
{
    /// <summary>The sheet.</summary>
    public Paper Paper { get; init; }

    /// <summary>Only this panel; all when null.</summary>
    public PanelId? Panel { get; init; }

    /// <summary>When and from which revision, and who: one line.</summary>
    public string Stamp { get; init; } = "";

    /// <summary>Address of the panel on the local network, for the code on the sheet; null puts the schedule's own text into the
    /// code.</summary>
    public string? Address { get; init; }
}

/// <summary>The panel schedule as it hangs in the door, black and white.</summary>
public static class SchedulePdf
{
    private const double Spine = 20;

    // White between codes: a reader takes one at a time.
    private const double CodeGap = 20;

    /// <summary>The cautions that stand on the first page of every print.</summary>
    public const string Caution =
        "Electricity kills and burns. Open, lock and tag the supply, then prove it dead with a tester that was itself proved on a live "
        + "source. "
        + "Lugs ahead of the main stay live. The adopted code and the local authority decide; this plan is an aid and can be wrong. "
            + "Licensed work where the law says so.";

    /// <summary>A PDF with a page for each panel.</summary>
    public static byte[] Write(Plan plan, ScheduleSheet? sheet = null)
    {
        var asked = sheet ?? new();
        using var document = new PdfDocument();
        document.Info.Title = $"Panel schedule, {plan.Job.Name}";
        AddTo(document, plan, asked);
        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    /// <summary>Its pages at the end of another document.</summary>
    internal static void AddTo(PdfDocument document, Plan plan, ScheduleSheet asked)
    {
        foreach (var panel in plan.Panels.Where(p => asked.Panel is null || p.Panel.Id == asked.Panel))
        {
            var page = document.AddPage();
            (page.Width, page.Height) = Papers.SizeOf(asked.Paper);
            using var graphics = XGraphics.FromPdfPage(page);
            new Door(graphics, plan, panel, asked, page.Width.Point, page.Height.Point).Draw();
        }
    }

    /// <summary>The schedule in plain lines, as the codes on the sheet hold it where there is no network: as many texts as it takes, each
    /// short enough for a code.</summary>
    public static ImmutableArray<string> Texts(Plan plan, PanelSchedule panel)
    {
        var head = $"{plan.Job.Name}, panel {panel.Panel.Id}";
        // Room for its number: “, 2 of 4”.
        var parts = new List<string>();
        var room = 0;
        foreach (var line in ScheduleComparison.LinesOf([panel])
            .Select(l => $"\n{string.Join('/', l.Space.Taking(l.Poles ?? 1))} "
                + $"{l.Breaker?.Figure}A {l.Description}"))
        {
            var bytes = Encoding.UTF8.GetByteCount(line);
            if (parts.Count == 0 || room < bytes)
            {
                parts.Add("");
                room = QrDrawing.MostBytes - Encoding.UTF8.GetByteCount(head) - 10;
            }

            parts[^1] += line;
            room -= bytes;
        }

        return parts.Count < 2 ? [head + string.Concat(parts)] : [.. parts.Select((p, i) => $"{head}, {i + 1} of {parts.Count}{p}")];
    }

    // One page: its measures follow from the sheet and from the number of rows.
    private sealed class Door(XGraphics g, Plan plan, PanelSchedule panel, ScheduleSheet sheet, double width, double height)
    {
        private readonly double margin = sheet.Paper == Paper.Door ? 20 : 36;
        private readonly double scale = sheet.Paper == Paper.Door ? .74 : 1;

        private double Half => (width - (2 * margin) - Spine) / 2;

        public void Draw()
        {
            XFont title = Font(15, bold: true), plain = Font(9), small = Font(7);
            g.DrawString($"Panel {panel.Panel.Id} · {panel.Where}", title, XBrushes.Black, new XPoint(margin, margin + (10 * scale)));
            var fed = panel.Panel.FedFrom is { } from ? $"fed from panel {from}, {FedFromSpace(from)}; neutral and ground apart"
                : plan.Job.BondsAt(panel.Panel) ? "fed from the service; neutral and ground bonded here"
                : "fed from the disconnect; neutral and ground apart";
            var head = width - (2 * margin);
            var y = Wrapped($"{plan.Job.Name} · {plan.Job.Edition.Words()} · {panel.Panel.Rating} "
                + $"{(panel.Panel.Listing.MainLugs ? "main lugs" : "main breaker")} · {panel.Panel.Spaces} spaces, {panel.Left} left · "
                + $"{fed}", plain, margin, margin + (24 * scale), head);
            y = sheet.Stamp.Length > 0 ? Wrapped(sheet.Stamp, plain, margin, y, head) : y;
            var rows = panel.Panel.Spaces / 2;
            // A whole schedule makes a dense code: a third of a millimetre to a square is what a phone still reads off paper.
            var code = sheet.Address is null ? 112 : 64 * scale;
            ImmutableArray<string> codes = sheet.Address is { } address ? [address] : Texts(plan, panel);
            // Beside the words one code; several have a line of their own under them, where the sheet is wide enough.
            var several = codes.Length > 1;
            if (several && (codes.Length * (code + CodeGap)) - CodeGap > head)
            {
                codes = [];
            }

            double top = y - (4 * scale), foot = code + ((several ? 52 : 12) * scale),
                rowHeight = Math.Min(26 * scale, (height - top - margin - foot) / rows);
            var spine = margin + Half;
            g.DrawRectangle(new XPen(XColors.Black, 1.4), margin, top, width - (2 * margin), rows * rowHeight);
            for (var row = 1; row <= rows; row++)
            {
                var at = top + ((row - 1) * rowHeight);
                Centre(SpaceNumbers.LegOf(row * 2).ToString(), Font(Math.Min(7.5, rowHeight * .6)), spine + (Spine / 2),
                    at + (rowHeight / 2));
                Cell((row * 2) - 1, margin, at, rowHeight, left: true);
                Cell(row * 2, spine + Spine, at, rowHeight, left: false);
            }

            g.DrawLine(XPens.Black, spine, top, spine, top + (rows * rowHeight));
            g.DrawLine(XPens.Black, spine + Spine, top, spine + Spine, top + (rows * rowHeight));
            var under = top + (rows * rowHeight);
            var told = codes.Length switch
            {
                0 => "",
                1 => sheet.Address is null ? " The code holds this schedule."
                : " The code opens this panel on the local network.",
                _ => " The codes hold this schedule."
            };
            head -= codes.Length == 1 ? code + 10 : 0;
            var below = Wrapped(
                $"Connected: leg A {panel.On(Leg.A)}, leg B {panel.On(Leg.B)}, {panel.Apart} apart. "
                + $"{string.Concat(panel.Circuits.Where(c => c.OnLugs).Select(c => $"On the feed-through lugs: {c.Description}. "))}AF "
                + $"arc-fault, GF ground-fault breaker; test monthly.{told}", plain, margin, under + (13 * scale), head);
            below = Wrapped(Caution, small, margin, below, head);
            foreach (var (text, i) in codes.Select((t, i) => (t, i)))
            {
                QrDrawing.Draw(g, text, several ? margin + (i * (code + CodeGap)) : width - margin - code, several ? below - (4 * scale)
                    : under + 8, code);
            }
        }

        private string FedFromSpace(PanelId from) =>
            plan.Panels.First(p => p.Panel.Id == from).Circuits.FirstOrDefault(c => c.Feeds == panel.Panel.Id) is { } feeder
            ? feeder.OnLugs ? "feed-through lugs" : $"space {feeder.SpaceText}" : "none";

        // Number, amperes, words: in this order, so that text taken from the page reads as the list does.
        private void Cell(int space, double x, double y, double rowHeight, bool left)
        {
            var there = panel.In(space).ToList();
            if (there.Count == 0 || there.Exists(o => o.Space.Number == space))
            {
                g.DrawLine(new XPen(XColors.Black, .6), x, y, x + Half, y);
            }

            // The halves of a tandem breaker share the row and have numbers of their own.
            var halves = there.Exists(o => o.Space.IsHalf);
            var numbered = halves ? new PanelSpace(space).Halves : [space];
            var rowOf = rowHeight / (halves ? 2 : 1);
            foreach (var (number, i) in numbered.Select((n, i) => (n, i)))
            {
                var at = y + (i * rowOf);
                Centre(number.ToString(), Font(Math.Min(9.5, rowOf * .75), bold: true), left ? x + (11 * scale) : x + Half - (11 * scale),
                    at + (rowOf / 2));
                var occupant = there.Find(o => !halves || o.Space == number);
                if (occupant is null)
                {
                    g.DrawString("spare", Font(Math.Min(8, rowOf * .6)), XBrushes.Gray,
                        new XPoint(TextAt(x, left), at + (rowOf / 2) + (3 * scale)));
                }
                else if (occupant.Space.Number == space)
                {
                    Words(occupant, x, at, rowOf, left);
                }
            }
        }

        private double TextAt(double x, bool left) => left ? x + (24 * scale) : x + (30 * scale);

        private void Words(Occupant occupant, double x, double y, double rowHeight, bool left)
        {
            var tall = rowHeight * occupant.Poles;
            double textAt = TextAt(x, left), room = Half - (56 * scale), ampsAt = left ? x + Half - (14 * scale) : x + (14 * scale);
            Centre(occupant.Rating.Value.ToString("0.#", CultureInfo.InvariantCulture), Font(Math.Min(11, rowHeight * .8), bold: true),
                ampsAt, y + (tall / 2));
            var details = occupant.Landed is null ? "stood there before" : Details(occupant.Landed);
            // Two lines of words where they need them and there is height; smaller letters, down to what is still read, before that.
            var size = Math.Min(8.5, rowHeight * .62);
            var lines = Lines(occupant.Description, size, room, tall);
            var lineHeight = Font(lines.Size, true).Size * 1.12;
            var withDetails = tall >= ((lines.Text.Count + 1) * lineHeight) + 1;
            var block = (lines.Text.Count + (withDetails ? .9 : 0)) * lineHeight;
            var baseline = y + ((tall - block) / 2) + (lineHeight * .8);
            foreach (var line in lines.Text)
            {
                g.DrawString(line, Font(lines.Size, bold: true), XBrushes.Black, new XPoint(textAt, baseline));
                baseline += lineHeight;
            }

            if (withDetails)
            {
                g.DrawString(details, Fitting(details, Math.Min(7, rowHeight * .5), room, false), XBrushes.Black,
                    new XPoint(textAt, baseline));
            }
        }

        private string Details(Landed landed)
        {
            var sized = landed.Sized;
            var mark = landed.Mark is { Length: > 0 } m ? $" · {m}" : "";
            return $"{sized.Cable} · home run {sized.Routed.HomeRun?.Length.Value.Cut(plan.Job.Schools.Measure) ?? "none"} · "
                + $"{(landed.BringsPower ? "brings power" : landed.Load.Connected)}{mark}";
        }

        private (double Size, List<string> Text) Lines(string words, double size, double room, double tall)
        {
            for (var at = size; at >= 5.5; at -= .25)
            {
                var font = Font(at, bold: true);
                List<string> lines = [.. PrintFonts.Lines(g, words, font, room)];
                if (lines.Count == 1 || (lines.Count == 2 && tall >= font.Size * 2.3 && at >= Math.Min(size, 7)))
                {
                    return (at, lines);
                }
            }

            return (5.5, [words]);
        }

        private XFont Fitting(string text, double size, double room, bool bold)
        {
            while (size > 4.5 && g.MeasureString(text, Font(size, bold)).Width > room)
            {
                size -= .25;
            }

            return Font(size, bold);
        }

        private void Centre(string text, XFont font, double x, double y)
        {
            var size = g.MeasureString(text, font);
            g.DrawString(text, font, XBrushes.Black, new XPoint(x - (size.Width / 2), y + (font.Size * .36)));
        }

        private double Wrapped(string text, XFont font, double x, double y, double room)
        {
            foreach (var line in PrintFonts.Lines(g, text, font, room))
            {
                g.DrawString(line, font, XBrushes.Black, new XPoint(x, y));
                y += font.Size * 1.3;
            }

            return y;
        }

        // Letters keep their size on the smaller sheet as far as they are read: 5 points at least.
        private XFont Font(double size, bool bold = false) =>
            PrintFonts.Of(Math.Max(5, size * (sheet.Paper == Paper.Door ? .82 : 1)), bold);
    }
}
