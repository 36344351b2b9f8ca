using System.Diagnostics;
using System.Text;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Svg;
using Circuitum.Formats.Xlsx;
using Circuitum.Tests.Support;
using MiniExcelLibs;

namespace Circuitum.Formats.Tests;

/// <summary>The schedule on paper, as a workbook and read back; and one that somebody typed, held against the plan.</summary>
public sealed class ScheduleTests
{
    private static readonly Job Fernhollow =
        JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json")));
    private static readonly Plan Demo = Planner.Plan(Fernhollow);

    // One wall of machines with long names: as many as fit the panel.
    private static Plan Long(int spaces)
    {
        var room = Houses.Row(("workshop", RoomUse.Utility, 200));
        return Planner.Plan((room with { Panels = [Houses.Panel("workshop", spaces)] }).With([.. Enumerable.Range(1, spaces - 2).Select(i =>
            Houses.Appliance($"m{i}", "workshop", 1, 20 + (i * 24),
                Houses.Plate(Appliance.Other, 120, 600 + i)
                with { Individual = true, Name = $"Dust collector and bench grinder no. {i}" }))]));
    }

    public static TheoryData<Paper, string> Sheets => new()
    {
        { Paper.Letter, "demo" }, { Paper.A4, "demo" }, { Paper.Door, "demo" }, { Paper.Letter, "42" }, { Paper.A4, "42" },
            { Paper.Letter, "84" }, { Paper.A4, "84" }, { Paper.Door, "42" }, { Paper.A4, "three" },
    };

    private static Plan PlanOf(string what) => what switch
    {
        "demo" => Demo,
        "three" => Planner.Plan(Fernhollow with
        {
            Panels = Fernhollow.Panels.Add(Fernhollow.Panels[0] with
            {
                Id = new("B"),
                Wall = 4,
                FedFrom = new("A"),
                Spaces = 12,
                Rating = 100.Amps(),
                Listing = new()
            })
        }),
        _ => Long(int.Parse(what, System.Globalization.CultureInfo.InvariantCulture)),
    };

    [Theory] // each breaker's amperes and words, taken off the page again, are those of the CSV, whatever the sheet
    [MemberData(nameof(Sheets))]
    public void What_is_printed_reads_as_the_list_does(Paper paper, string what)
    {
        var plan = PlanOf(what);
        var text = PdfText.Tight(PdfText.Of(SchedulePdf.Write(plan, new() { Paper = paper })));
        var rows = CsvFiles.Schedule(plan).TrimEnd('\n').Split('\n').Skip(1).ToList();
        Assert.Equal(plan.Panels.Sum(p => p.Circuits.Length), rows.Count);
        foreach (var landed in plan.Panels.SelectMany(p => p.Circuits))
        {
            var amps = landed.Breaker.Value.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture);
            Assert.Contains(PdfText.Tight($"{landed.Space}{amps}{landed.Description}"), text, StringComparison.Ordinal);
            Assert.Contains(rows,
                r => r.Contains(landed.Description.Replace("\"", "\"\"", StringComparison.Ordinal), StringComparison.Ordinal));
        }

        Assert.All(plan.Panels, p => Assert.Contains(PdfText.Tight($"Panel {p.Panel.Id} · {p.Where}"), text, StringComparison.Ordinal));
    }

    [Fact]
    public void A_sheet_says_when_and_from_what_it_was_printed()
    {
        var text = PdfText.Of(SchedulePdf.Write(Demo, new() { Panel = new("G"), Stamp = "Revision 12 · printed 2026-11-25 · M. Ash" }));
        Assert.Contains("Revision 12 · printed 2026-11-25 · M. Ash", text, StringComparison.Ordinal);
        Assert.Contains("fed from panel A, space 1/3", text.ReplaceLineEndings(" "), StringComparison.Ordinal);
        Assert.DoesNotContain("Panel A ·", text, StringComparison.Ordinal);
    }

    // A panel with a tandem breaker in the plan, one that stood there, a feeder on its lugs, and one circuit too many.
    private static Plan Crowded()
    {
        var job = Houses.Row(("shop", RoomUse.Utility, 60), ("den", RoomUse.Den, 12))
            .With([.. Enumerable.Range(1, 6)
                .Select(i => Houses.Appliance($"m{i}", "shop", 1, 20 + (i * 30),
                    Houses.Plate(Appliance.Other, 120, 900 + i) with { Individual = true, Name = $"Machine {i}" }))]);
        var panel = Houses.Panel("shop", 4) with
        {
            Listing = new() { FeedThrough = true, TandemSpaces = [1, 4] },
            Taken = [new(new(1, SpaceHalf.Upper), 1, 15.Amps(), "Old hall", new(300)),
                new(new(1, SpaceHalf.Lower), 1, 15.Amps(), "Old porch", new(100))],
        };
        return Planner.Plan(job with
        {
            Panels = [panel, Houses.Panel("den", 8) with { Id = new("B"), Wall = 2, FedFrom = new("A"), ByLugs = true }],
            Pins = new() { Panels = [.. Enumerable.Range(1, 6).Select(i => new PanelPin(new($"m{i}"), new("A")))] }
        });
    }

    [Fact] // four machines in three spaces, two of them in 4a and 4b; two find none; the feeder is on the lugs
    public void Halves_lugs_and_what_stood_there_are_in_every_list()
    {
        var plan = Crowded();
        var csv = CsvFiles.Schedule(plan);
        var spaces = csv.TrimEnd('\n').Split('\n').Skip(1).Where(l => l.StartsWith("A,", StringComparison.Ordinal))
            .Select(l => l.Split(',')[1]).ToList();
        Assert.Equal(["1a", "1b", "2", "3", "4a", "4b", "lugs", "none", "none"], spaces.Order(StringComparer.Ordinal));
        Assert.Contains("A,1a,1,,Old hall,15,", csv, StringComparison.Ordinal);
        // Out and in again, nothing differs.
        Assert.Empty(ScheduleComparison.Of(Read(csv), ScheduleComparison.LinesOf(plan.Panels)));
        var text = PdfText.Tight(PdfText.Of(SchedulePdf.Write(plan)));
        Assert.Contains(PdfText.Tight("1a 15 Old hall"), text, StringComparison.Ordinal);
        foreach (var half in plan.Panels[0].Circuits.Where(c => c.Space is { IsHalf: true }))
        {
            Assert.Contains(PdfText.Tight($"{half.Space} 20 {half.Description}"), text, StringComparison.Ordinal);
        }

        Assert.Contains(PdfText.Tight("On the feed-through lugs: Panel B, den."), text, StringComparison.Ordinal);
        Assert.Contains(PdfText.Tight("fed from panel A, feed-through lugs"), text, StringComparison.Ordinal);
        using var stream = new MemoryStream(ScheduleXlsx.Write(plan));
        Assert.Equal(spaces, stream.Query(useHeaderRow: true, sheetName: "Panel A").Cast<IDictionary<string, object>>()
            .Select(r => r["space"].ToString()!));
    }

    [Fact] // in and out of a job file: 14a is a text, 14 a number
    public void A_half_of_a_space_is_kept_in_the_job_file()
    {
        var job = Crowded().Job with { Written = [new(new("m1"), new("A"), new(4, SpaceHalf.Lower)), new(new("m2"), new("A"), 3)] };
        var file = JobFiles.Write(job);
        Assert.Contains("\"space\": \"4b\"", file, StringComparison.Ordinal);
        Assert.Contains("\"space\": 3", file, StringComparison.Ordinal);
        var back = JobFiles.Read(file);
        Assert.Equal(job.Written.AsEnumerable(), back.Written);
        Assert.Equal(job.Panels[0].Taken.AsEnumerable(), back.Panels[0].Taken);
        Assert.Equal(file, JobFiles.Write(back));
        Assert.Contains("A space is written 14",
            Assert.Throws<JobFileException>(() => JobFiles.Read(file.Replace("\"4b\"", "\"4c\"", StringComparison.Ordinal))).Message,
            StringComparison.Ordinal);
    }

    [Fact] // 82 lines of about 60 letters: more than one code holds; every line is in one of them, whole
    public void A_long_schedule_is_in_several_codes()
    {
        var plan = Long(84);
        var texts = SchedulePdf.Texts(plan, plan.Panels[0]);
        Assert.InRange(texts.Length, 2, 4);
        Assert.All(texts, t => Assert.InRange(Encoding.UTF8.GetByteCount(t), 1, 1400));
        Assert.Equal(plan.Panels[0].Circuits.Select(c => $"{c.Space} 20A {c.Description}").Order(StringComparer.Ordinal),
            texts.SelectMany(t => t.Split('\n').Skip(1)).Order(StringComparer.Ordinal));
        Assert.All(texts.Select((t, i) => (t, i)),
            x => Assert.StartsWith($"Test house, panel A, {x.i + 1} of {texts.Length}\n", x.t, StringComparison.Ordinal));
        Assert.Contains(PdfText.Tight("The codes hold this schedule."), PdfText.Tight(PdfText.Of(SchedulePdf.Write(plan))),
            StringComparison.Ordinal);
    }

    [Theory] // bonded on the service alone: three wires come, or four
    [InlineData("A", false, "3 wires from the service", "bonded here")]
    [InlineData("A", true, "4 wires from the disconnect", "apart")]
    [InlineData("B", false, "4 wires from panel A", "apart")]
    public void The_bars_are_drawn_as_they_are_bonded(string panel, bool ahead, string wires, string bonded)
    {
        var plan = Crowded();
        var schedule = plan.Panels.First(p => p.Panel.Id.Value == panel);
        var drawing = System.Xml.Linq.XDocument.Parse(BarsDrawing.Draw(schedule,
            plan.Job with { Service = new() { BondedAtDisconnect = ahead } }, plan.Book)).Root!;
        Assert.Equal($"Bars of panel {panel}: neutral and ground {bonded}, {wires}", drawing.Attribute("aria-label")!.Value);
        // A circle for each terminal taken, and the screw where they are bonded.
        var terminals = Core.Panels.Terminals.Of(schedule, plan.Job.Schools, Books.Us2020);
        Assert.Equal(terminals.Neutrals + terminals.GroundScrews + (bonded == "apart" ? 0 : 1),
            drawing.Elements().Count(e => e.Name.LocalName == "circle"));
    }

    [Theory] // the same circuits, spaces, breakers and words as the schedule; the lengths are the runs' own
    [InlineData("demo", Paper.Letter)]
    [InlineData("demo", Paper.A4)]
    [InlineData("84", Paper.Letter)]
    [InlineData("three", Paper.A4)]
    public void The_home_run_list_agrees_with_the_schedule(string what, Paper paper)
    {
        var plan = PlanOf(what);
        var text = PdfText.Tight(PdfText.Of(HomeRunPdf.Write(plan, new() { Paper = paper, Stamp = "Revision 7" })));
        foreach (var panel in plan.Panels)
        {
            var lines = HomeRuns.Of(plan, panel);
            Assert.Equal(panel.Circuits.Select(c => ($"{panel.Panel.Id}{c.SpaceText}", c.Description)),
                lines.Select(l => (l.Number, l.Landed.Description)));
            Assert.All(lines, l =>
                Assert.Contains(PdfText.Tight($"{l.Number}{l.Landed.Breaker.Value:0.#}{l.Landed.Mark}{l.Landed.Description}{l.Cable}"),
                    text,
                    StringComparison.Ordinal));
            Assert.Contains(PdfText.Tight($"Together {lines.Length} home runs."), text, StringComparison.Ordinal);
            Assert.Equal(plan.Circuits.Where(c => c.Circuit.Panel == panel.Panel.Id).Select(c => c.HomeRun!).Where(r => r.RidesIn is null)
                .Sum(r => r.Length.Value.Sixtyfourths), lines.Sum(l => l.Length.Sixtyfourths));
        }

        Assert.Contains("Revision7", text, StringComparison.Ordinal);
        Assert.Contains(PdfText.Tight("prove it dead with a tester"), text, StringComparison.Ordinal);
        // And as CSV: a line each, under the same numbers.
        var rows = CsvFiles.HomeRunList(plan).TrimEnd('\n').Split('\n').Skip(1).Select(r => r.Split(',')[0]);
        Assert.Equal(plan.Panels.SelectMany(p => HomeRuns.Of(plan, p)).Select(l => l.Number), rows);
    }

    [Fact] // small enough for one code of a third of a millimetre a square on 112 points
    public void The_code_holds_the_whole_schedule_of_the_demo()
    {
        var text = Assert.Single(SchedulePdf.Texts(Demo, Demo.Panels[0]));
        Assert.Equal(Demo.Panels[0].Circuits.Length + 1, text.Split('\n').Length);
        Assert.InRange(Encoding.UTF8.GetByteCount(text), 1, 1400);
        Assert.Contains("5/7 50A Induction range, kitchen", text, StringComparison.Ordinal);
    }

    [Fact]
    public void The_workbook_has_a_sheet_for_each_panel_and_runs_nothing()
    {
        var job = Fernhollow;
        var landed = Demo.Panels[0].Circuits[3];
        job = new Describe(landed.Key, "=cmd|' /C calc'!A0 kitchen", landed.Planned).On(job).Job!;
        var bytes = ScheduleXlsx.Write(Planner.Plan(job));
        using var stream = new MemoryStream(bytes);
        Assert.Equal(["Panel A", "Panel G"], stream.GetSheetNames());
        var rows = stream.Query(useHeaderRow: true, sheetName: "Panel A").Cast<IDictionary<string, object>>().ToList();
        Assert.Equal(Demo.Panels[0].Circuits.Length, rows.Count);
        Assert.Contains(rows, r => r["description"].ToString()!.StartsWith("=cmd", StringComparison.Ordinal));
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(bytes));
        foreach (var entry in zip.Entries.Where(e => e.FullName.Contains("worksheets/", StringComparison.Ordinal)))
        {
            using var reader = new StreamReader(entry.Open());
            Assert.DoesNotContain("<x:f>", reader.ReadToEnd(), StringComparison.Ordinal);
        }
    }

    private static IReadOnlyList<ScheduleLine> Read(string text) => ScheduleReader.Read(Encoding.UTF8.GetBytes(text), new("A"));

    [Fact] // out and in again: nothing differs
    public void The_plans_own_list_is_no_difference()
    {
        var lines = Read(CsvFiles.Schedule(Demo));
        Assert.Equal(Demo.Panels.Sum(p => p.Circuits.Length), lines.Count);
        Assert.Empty(ScheduleComparison.Of(lines, ScheduleComparison.LinesOf(Demo.Panels)));
    }

    [Fact]
    public void Semicolons_a_byte_order_mark_and_other_cases_are_read()
    {
        var line = Assert.Single(Read("\uFEFFSpace;Description;Breaker_Amps\r\n1/3; Range ;50 A\r\n5;spare;\r\n;nothing;\r\n"));
        Assert.Equal(new ScheduleLine(new("A"), 1, 2, "Range", 50.Amps()), line);
    }

    [Theory]
    [InlineData("", "is empty")]
    [InlineData("slot,what\n1,range\n", "names no column “space”")]
    [InlineData("space,what\n1,range\n", "names no column “description”")]
    [InlineData("space,description\nfirst,range\n", "Line 2: “first” is no space")]
    [InlineData("space,description\n85,range\n", "Line 2: “85” is no space")]
    [InlineData("space,description\n3,range\n5,dryer\n3,pump\n", "Line 4: space 3 of panel A stands in line 2 already")]
    [InlineData("space,description,poles\n3,range,3\n", "is no number of poles")]
    [InlineData("space,description,breaker_amps\n3,range,=1+1\n", "“=1+1” is no breaker")]
    [InlineData("space,description\n3,spare\n", "names no breaker")]
    [InlineData("space,description\n3,\0\n", "no CSV text")]
    public void A_wrong_sheet_is_told_with_its_line(string text, string says) =>
        Assert.Contains(says, Assert.Throws<FormatException>(() => Read(text)).Message, StringComparison.Ordinal);

    [Fact]
    public void A_sheet_too_large_or_too_long_is_refused()
    {
        Assert.Contains("512 KB", Assert.Throws<FormatException>(() => ScheduleReader.Read(new byte[10 * 1024 * 1024], new("A"))).Message,
            StringComparison.Ordinal);
        var many = "space,description,panel\n" + string.Concat(Enumerable.Range(0, 501).Select(i => $"{(i % 84) + 1},load,P{i / 84}\n"));
        Assert.Contains("more than 500", Assert.Throws<FormatException>(() => Read(many)).Message, StringComparison.Ordinal);
    }

    [Fact] // formulas stay text
    public void A_formula_is_a_description_like_another() =>
        Assert.Equal("=HYPERLINK(\"x\")", Assert.Single(Read("space,description\n1,\"=HYPERLINK(\"\"x\"\")\"\n")).Description);

    private static ScheduleLine L(int space, string words, int amps = 20, int poles = 1) => new(new("A"), space, poles, words, amps.Amps());

    [Fact] // moved, renamed, missing, more, and another breaker, each once
    public void Differences_are_told_by_kind()
    {
        ScheduleLine[] plan = [L(1, "Range", 50, 2), L(2, "Bath receptacles"), L(4, "Den lights", 15), L(6, "Pump")];
        ScheduleLine[] sheet = [L(1, "range", 40, 2), L(8, "Bath receptacles"), L(4, "Kids"), L(10, "Sauna", 30)];
        var told = ScheduleComparison.Of(sheet, plan);
        Assert.Equal(
            [(ScheduleChange.Rated, 1), (ScheduleChange.Moved, 2), (ScheduleChange.Renamed, 4), (ScheduleChange.Rated, 4),
                (ScheduleChange.Missing, 6), (ScheduleChange.Extra, 10)],
            told.Select(d => (d.Change, d.Space)));
        Assert.Equal(("40 A, two poles", "50 A, two poles"), (told[0].Sheet, told[0].Plan));
        Assert.Equal(("space 8: Bath receptacles", "space 2"), (told[1].Sheet, told[1].Plan));
    }

    [Fact] // a sheet held against itself differs in nothing; whatever is taken off it is missing, once each
    public void What_is_taken_off_a_sheet_is_missing()
    {
        var plan = ScheduleComparison.LinesOf(Demo.Panels);
        var random = new Random(4);
        for (var i = 0; i < 40; i++)
        {
            var sheet = plan.Where(_ => random.Next(4) > 0).ToList();
            var told = ScheduleComparison.Of(sheet, plan);
            Assert.Equal(plan.Length - sheet.Count, told.Length);
            Assert.All(told, d => Assert.Equal(ScheduleChange.Missing, d.Change));
        }
    }
}
