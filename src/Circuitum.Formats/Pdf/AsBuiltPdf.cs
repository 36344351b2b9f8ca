using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Pricing;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Formats.Drawings;
using Circuitum.Formats.Dxf;
using Circuitum.Formats.Offers;
using PdfSharp.Drawing;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>A photograph of the book.</summary>
/// <param name="Of">What is on it: the north wall of Kitchen.</param>
/// <param name="Told">Who took it and when, and the note.</param>
/// <param name="File">Its name in the archive.</param>
/// <param name="Picture">The picture; null where it is lost, and for those that the book does not show.</param>
public sealed record BookPhotograph(string Of, string Told, string File, byte[]? Picture);

/// <summary>A change order or an estimate that was written.</summary>
/// <param name="Number">Its number in the job.</param>
/// <param name="Written">The day.</param>
/// <param name="Offer">What is on it.</param>
public sealed record BookOffer(int Number, DateOnly Written, Offer Offer);

/// <summary>What a house was wired with, for whoever opens its walls one day.</summary>
/// <param name="Plan">The plan as it stands.</param>
/// <param name="Record">What was done by it.</param>
/// <param name="Revision">Which revision it is.</param>
/// <param name="Written">The day the book was made.</param>
public sealed record AsBuiltBook(Plan Plan, SiteRecord Record, int Revision, DateOnly Written)
{
    /// <summary>Its photographs, in the order they are shown.</summary>
    public ImmutableArray<BookPhotograph> Photographs { get; init; } = [];

    /// <summary>Its papers, by number.</summary>
    public ImmutableArray<BookOffer> Offers { get; init; } = [];
}

/// <summary>The as-built book as one PDF on Letter pages: panels, floors as pulled, cables, protective devices, tests, spare ways, changes
/// and photographs.</summary>
public static class AsBuiltPdf
{
    /// <summary>Most photographs in the PDF; the archive has all of them.</summary>
    public const int MostPhotographs = 200;

    /// <summary>The book.</summary>
    public static byte[] Write(AsBuiltBook book)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"As-built book, {book.Plan.Job.Name}";
        var pages = new Pages(document, $"As-built book, {book.Plan.Job.Name}");
        var sheets = new Sheets(pages, book);
        pages.Turn();
        sheets.Front();
        pages.Finish();
        SchedulePdf.AddTo(document, book.Plan, new() { Stamp = $"as built, revision {book.Revision}, {Day(book.Written)}" });
        foreach (var level in book.Plan.House.Levels.Where(l => !l.Rooms.IsEmpty))
        {
            pages.Turn();
            sheets.Floor(level);
            pages.Finish();
        }

        pages.Turn();
        sheets.Cables();
        sheets.Devices();
        sheets.Tests();
        sheets.Spares();
        sheets.Changes();
        sheets.Photographs();
        pages.Finish();
        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    private static string Day(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Day(Instant at) => Day(DateOnly.FromDateTime(DateTimeOffset.FromUnixTimeMilliseconds(at.UnixMilliseconds)
        .UtcDateTime));

    private sealed class Sheets(Pages to, AsBuiltBook book)
    {
        private static readonly double[] CableColumns = [0, 50, 126, 360, 416];
        private static readonly double[] DeviceColumns = [0, 46, 206, 296];
        private static readonly double[] TestColumns = [0, 70, 150];
        private readonly Plan plan = book.Plan;
        private readonly SiteRecord record = book.Record;

        private Measure Measure => plan.Job.Schools.Measure;

        public void Front()
        {
            to.Say("As-built book", 22, bold: true);
            to.Say(plan.Job.Name, 15, bold: true);
            to.Say($"{plan.Job.Edition.Words()} · revision {book.Revision} of the plan · made {Day(book.Written)}", 10);
            to.Y += 6;
            var pulled = SiteProgress.Pulled(plan, record);
            var done = record.Standing.Where(e => e.Step == SiteStep.Pulled).Select(e => e.When).ToList();
            foreach (var line in new[]
            {
                $"Service {plan.Service.Panel.Rating}; {string.Join("; ", plan.Panels.Select(p =>
                    $"panel {p.Panel.Id} in {p.Where}, {p.Panel.Rating}, {p.Circuits.Length} circuits, {p.Left} spaces left"))}.",
                $"{pulled.Done} of {pulled.All} cables are written down as pulled"
                    + (done.Count == 0 ? "." : $", from {Day(done.Min())} to {Day(done.Max())}."),
                pulled.Done == pulled.All ? "" : "What is not written down as pulled is drawn as it was planned: it may lie otherwise.",
            }.Where(l => l.Length > 0))
            {
                to.Say(line, 11);
            }

            var open = record.Corrections().ToList();
            to.Head(open.Count == 0 ? "Nothing is open" : "Still to be mended");
            foreach (var correction in open)
            {
                to.Say($"{SiteNames.Of(plan, correction.Subject)}: {correction.Note} ({correction.Who}, {Day(correction.When)})", 10);
            }

            to.Head("In this book");
            to.Say("Panels as they are landed. Each floor with its boxes and cables. Every cable with its ends, who pulled it and when. "
                + "What opens on a fault, what it protects and when it was tested. Spare ways. Changes and why. Photographs of "
                + "open walls.", 10);
            to.Y += 8;
            to.Say(SchedulePdf.Caution, 8);
        }

        // The floor as its drawing file has it; cables drawn by the record, the rest of the drawing lighter.
        public void Floor(FramedLevel level)
        {
            var building = plan.House.Structures.Length > 1 ? $"{plan.House.Structures[level.Structure].Structure.Name}, " : "";
            to.Say($"{building}{level.Level.Name}", 15, bold: true);
            to.Say("Cable: a full line is written down as pulled, a dashed one is as planned. North is up.", 9);
            var drawing = DxfReader.Read(Encoding.UTF8.GetBytes(DxfWriter.Write(plan, level.Level.Id)));
            // As large as its walls allow, with what hangs on them outside; a trench that leads away leaves the page.
            var (northWest, southEast) = (drawing with { Layers = [.. drawing.Layers.Where(l => l.Name is "WALLS")] }).Bounds();
            (northWest, southEast) = (northWest.By(-Outside, -Outside), southEast.By(Outside, Outside));
            double across = Feet(southEast.X - northWest.X), deep = Feet(southEast.Y - northWest.Y);
            var (top, scale) = (to.Y + 6, Math.Min(Pages.Wide / Math.Max(1, across), (to.Left - 12) / Math.Max(1, deep)));
            XPoint At(Point p) => new(Pages.Margin + (Feet(p.X - northWest.X) * scale), top + (Feet(p.Y - northWest.Y) * scale));
            var whole = to.G.Save();
            to.G.IntersectClip(new XRect(Pages.Margin, top, across * scale, deep * scale));
            foreach (var layer in drawing.Layers.Where(l => l.Name is not ("CABLES" or "HOME-RUNS")))
            {
                var pen = layer.Name is "WALLS" ? new XPen(XColors.Black, 1.1)
                    : layer.Name is "BOXES" or "PANELS" ? new XPen(XColors.Black, .7) : new XPen(XColors.Gray, .4);
                foreach (var line in layer.Lines)
                {
                    Draw(line.Closed ? [.. line.Points, line.Points[0]] : line.Points, pen, At);
                }

                foreach (var text in layer.Texts.Where(_ => layer.Name == "PANELS"))
                {
                    to.G.DrawString(text.Words, PrintFonts.Of(6.5, true), XBrushes.Black, At(text.At));
                }
            }

            foreach (var room in level.Rooms)
            {
                var (middle, font) = (At(room.Middle), PrintFonts.Of(7));
                to.G.DrawString(room.Room.Name, font, XBrushes.Gray,
                    new XPoint(middle.X - (to.G.MeasureString(room.Room.Name, font).Width / 2), middle.Y + 2.5));
            }

            foreach (var run in plan.Circuits.SelectMany(c => c.Runs).Where(r => r.From.Place.Structure == level.Structure
                && (r.From.Place.Level == level.Index || r.To.Place.Level == level.Index)))
            {
                var pen = record.Pulled.Contains(run.Id) ? new XPen(XColors.Black, .9)
                    : new XPen(XColors.DimGray, .6) { DashStyle = XDashStyle.Dash };
                Draw([.. run.Way.OnPlan(run.To.Place.At.Plan)], pen, At);
            }

            // The number beside each box is the one on its circuit's breaker.
            foreach (var box in plan.Survey.Boxes.Where(b => b.Place.Structure == level.Structure && b.Place.Level == level.Index))
            {
                if (plan.CircuitOf(box.Box.Id) is { } circuit)
                {
                    var at = At(box.Place.At.Plan);
                    to.G.DrawString(Labels.NumberOf(plan, circuit.Circuit.Key), PrintFonts.Of(5.5, true), XBrushes.Black,
                        new XPoint(at.X + 3, at.Y - 2));
                }
            }

            to.G.Restore(whole);
            to.Y = top + (deep * scale);
        }

        private static Length Outside { get; } = Length.FromFeet(2);

        private void Draw(ImmutableArray<Point> points, XPen pen, Func<Point, XPoint> at)
        {
            if (points.Length > 1)
            {
                to.G.DrawLines(pen, [.. points.Select(at)]);
            }
        }

        private static double Feet(Length length) => (double)length.Feet;

        public void Cables()
        {
            to.Head("Every cable");
            to.Cells(CableColumns, ["Circuit", "Cable", "From, to", "Length", "Pulled by"], bold: true);
            foreach (var line in plan.Takeoff.Pulls)
            {
                var entry = record.Of(Subject.Run(line.Run), SiteStep.Pulled);
                to.Cells(CableColumns, [Labels.NumberOf(plan, line.Circuit), line.Cable, $"{line.From} → {line.To}",
                    entry?.Used is { } used ? $"{used.Cut(Measure)} used" : line.Length.Cut(Measure),
                    entry is null ? "not written down" : $"{entry.Who}, {Day(entry.When)}"]);
            }

            OtherLines();
            var gone = record.Standing.Where(e => e.Step == SiteStep.Pulled && e.Subject.AsRun is { } id && plan.FindRun(id) is null)
                .ToList();
            if (gone.Count > 0)
            {
                to.Head("Pulled by an earlier plan, and in no plan now");
                foreach (var entry in gone)
                {
                    to.Say($"{entry.As?.Name ?? entry.Subject.Id}, {entry.As?.What}: {entry.Who}, {Day(entry.When)}", 9);
                }
            }
        }

        private void OtherLines()
        {
            var lines = OtherWork.TrenchesAndPipes(plan).AddRange(OtherWork.LowVoltage(plan));
            if (lines.IsEmpty)
            {
                return;
            }

            to.Head("Trenches, pipes and low voltage");
            to.Cells(CableColumns, ["Number", "What", "From, to", "Length", "Done by"], bold: true);
            foreach (var line in lines)
            {
                var done = SiteSteps.Of(line.Subject.Kind).Select(s => record.Of(line.Subject, s)).OfType<SiteEntry>()
                    .Select(e => $"{e.Step.Words()}: {e.Who}, {Day(e.When)}").ToList();
                to.Cells(CableColumns, [line.Number, line.What, line.Name, line.Long.Cut(Measure),
                    done.Count == 0 ? "not written down" : string.Join("; ", done)]);
            }
        }

        public void Devices()
        {
            to.Head("What opens on a fault");
            to.Cells(DeviceColumns, ["Circuit", "Where", "Tested", "Goes dead with it"], bold: true);
            foreach (var life in DeviceLives.Of(plan, record))
            {
                to.Cells(DeviceColumns, [life.Number, $"{life.Name}, {life.What}", life.Trouble is { } trouble
                    ? $"would not latch, {Day(trouble.When)}" : life.LastTested is { } last ? $"{Day(last.When)}, {last.Who}" : "never",
                    string.Join(", ", life.Protects)]);
            }
        }

        public void Tests()
        {
            var tests = record.Standing.Where(e => e.Step is SiteStep.Tested or SiteStep.Torqued or SiteStep.Searched or SiteStep.Metered
                || (e.Step == SiteStep.Passed && e.Note.Length > 0)).ToList();
            to.Head(tests.Count == 0 ? "No test is written down" : "Tests and readings");
            foreach (var entry in tests)
            {
                to.Cells(TestColumns, [Day(entry.When), entry.Step.Words(), $"{SiteNames.Of(plan, entry.Subject)} · {entry.Who}"
                    + (entry.Reading is { } reading ? $" · {reading.Words}" : "")
                    + (entry.Note.Length > 0 ? $" · {entry.Note}" : "")]);
            }
        }

        public void Spares()
        {
            to.Head("Left for later");
            foreach (var panel in plan.Panels)
            {
                to.Say($"Panel {panel.Panel.Id}: {panel.Left} spaces.", 10);
            }

            foreach (var level in plan.House.Levels)
            {
                string In(RoomId room, int wall) => SiteNames.Of(plan, Subject.Wall(room, wall));
                foreach (var chase in level.Level.Chases)
                {
                    to.Say($"A way through the plates for {chase.For}, in {In(chase.Room, chase.Wall)}, {chase.Offset} along"
                        + (chase.Cord ? ", with a cord in it." : "."), 10);
                }

                foreach (var kept in level.Level.Reservations)
                {
                    to.Say($"Bays kept for {kept.For}, in {In(kept.Room, kept.Wall)}, from {kept.Offset}, {kept.Width} wide.", 10);
                }
            }
        }

        public void Changes()
        {
            var changes = book.Offers.Where(o => o.Offer.Kind == OfferKind.ChangeOrder).ToList();
            to.Head(changes.Count == 0 ? "No change order was written" : "Changes, and why");
            foreach (var change in changes)
            {
                to.Say($"Change order {change.Number}, {Day(change.Written)}: revision {change.Offer.From} to {change.Offer.Revision}. "
                    + (change.Offer.Reason.Length > 0 ? change.Offer.Reason : "No reason was written."), 10);
            }
        }

        public void Photographs()
        {
            var shown = book.Photographs.Take(MostPhotographs).ToList();
            to.Head(shown.Count == 0 ? "No photograph was taken" : "Photographs");
            if (book.Photographs.Length > shown.Count)
            {
                to.Say($"{shown.Count} of {book.Photographs.Length}; all of them are in the archive.", 10);
            }

            foreach (var row in shown.Chunk(2))
            {
                to.Room(Tall + 30);
                foreach (var (photograph, i) in row.Select((p, i) => (p, i)))
                {
                    Photograph(photograph, Pages.Margin + (i * ((Pages.Wide / 2) + 6)));
                }

                to.Y += Tall + 30;
            }
        }

        private const double Tall = 180;

        private void Photograph(BookPhotograph photograph, double left)
        {
            var room = (Pages.Wide / 2) - 6;
            // A kind of picture that a PDF has no room for is told by the name of its file.
            if (photograph.Picture is not { } bytes || Picture(bytes) is not { } picture)
            {
                to.G.DrawRectangle(new XPen(XColors.Gray, .5), left, to.Y, room, Tall - 12);
                to.G.DrawString($"In the archive: {photograph.File}", PrintFonts.Of(7), XBrushes.Black, new XPoint(left + 6, to.Y + 20));
            }
            else
            {
                using (picture)
                {
                    var scale = Math.Min(room / picture.PointWidth, (Tall - 12) / picture.PointHeight);
                    to.G.DrawImage(picture, left, to.Y, picture.PointWidth * scale, picture.PointHeight * scale);
                }
            }

            var under = to.Y + Tall;
            foreach (var (line, bold) in new[] { (photograph.Of, true), (photograph.Told, false) })
            {
                var font = PrintFonts.Of(8, bold);
                to.G.DrawString(PrintFonts.Lines(to.G, line, font, room).FirstOrDefault() ?? "", font, XBrushes.Black,
                    new XPoint(left, under));
                under += 10;
            }
        }

        private static XImage? Picture(byte[] bytes)
        {
            try
            {
                return XImage.FromStream(new MemoryStream(bytes));
            }
            catch (Exception e) when (e is InvalidOperationException or NotSupportedException or ArgumentException)
            {
                return null;
            }
        }
    }
}
