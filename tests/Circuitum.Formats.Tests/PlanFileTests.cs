using System.Globalization;
using System.Text.Json;
using System.Xml.Linq;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.PlanFile;
using Circuitum.Formats.Svg;
using Circuitum.Tests.Support;
using CsCheck;
using CsvHelper;

namespace Circuitum.Formats.Tests;

public sealed class PlanFileTests
{
    private static readonly Plan Demo =
        Planner.Plan(JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json"))));

    private static List<string[]> Rows(string csv)
    {
        using var parser = new CsvParser(new StringReader(csv), CultureInfo.InvariantCulture);
        var rows = new List<string[]>();
        while (parser.Read())
        {
            rows.Add(parser.Record!);
        }

        return rows;
    }

    [Fact]
    public void A_plan_is_the_same_on_every_run_and_in_any_order_of_its_boxes_bit_for_bit() =>
        Gen.Select(RandomHouses.Jobs, Gen.Int).Sample((job, seed) =>
        {
            var once = PlanFiles.Write(Planner.Plan(job));
            Assert.Equal(once, PlanFiles.Write(Planner.Plan(job)));
            var boxes = job.Boxes.ToArray();
            new Random(seed).Shuffle(boxes);
            Assert.Equal(once, PlanFiles.Write(Planner.Plan(job with { Boxes = [.. boxes] })));
        }, iter: 60);

    [Fact]
    public void The_demos_plan_does_not_depend_on_the_order_of_its_boxes() =>
        Assert.Equal(PlanFiles.Write(Demo), PlanFiles.Write(Planner.Plan(Demo.Job with { Boxes = [.. Demo.Job.Boxes.Reverse()] })));

    [Fact]
    public void Every_breaker_is_a_line_of_the_schedule_with_its_figures()
    {
        var rows = Rows(CsvFiles.Schedule(Demo));
        Assert.Equal("panel,space,poles,circuit,description,breaker_amps,breaker_kind,cable,conductor_awg,home_run_ft,load_va,leg",
            string.Join(',', rows[0]));
        Assert.Equal(Demo.Circuits.Length, rows.Count - 1);
        var dryer = Assert.Single(rows, r => r[3] == "l-dryer");
        Assert.Equal(["2", "l-dryer", "Dryer, laundry", "30", "GF", "10-3", "10"], dryer[2..9]);
        Assert.Equal(["5600", "AB"], dryer[10..]);
        // The circuit's own record says the same space and footage.
        Assert.Equal((Demo.Landed(new("l-dryer"))!.SpaceText,
            Demo.Landed(new("l-dryer"))!.HomeRun!.Length.Value.WholeFeetUp.ToString(CultureInfo.InvariantCulture)), (dryer[1], dryer[9]));
    }

    [Fact]
    public void All_home_runs_of_the_pull_list_agree_with_the_panel()
    {
        var schedule = Rows(CsvFiles.Schedule(Demo)).Skip(1).ToDictionary(r => r[3], r => (Space: r[0] + r[1], Feet: r[9], Cable: r[7]));
        var home = Rows(CsvFiles.PullList(Demo)).Skip(1).Where(r => r[2] is "home run" or "feeder").ToList();
        Assert.Equal(schedule.Count, home.Count);
        Assert.All(home, r =>
        {
            var (space, feet, cable) = schedule[r[1]];
            Assert.Equal((feet, cable), (r[6], r[3]));
            Assert.StartsWith($"HR {space} ", r[7], StringComparison.Ordinal);
        });
    }

    [Fact]
    public void Material_adds_up_to_the_pull_list()
    {
        var pulled = Rows(CsvFiles.PullList(Demo)).Skip(1).GroupBy(r => r[3])
            .ToDictionary(g => g.Key, g => g.Sum(r => int.Parse(r[6], CultureInfo.InvariantCulture)));
        var exact = Planner.Plan(Demo.Job with { HouseRules = Demo.Job.HouseRules with { Waste = new(0) } });
        var material = Rows(CsvFiles.Material(exact)).Skip(1).ToLookup(r => r[0], r => int.Parse(r[2], CultureInfo.InvariantCulture));
        // Cable goes by its name; the feeder's loose conductors are bought by the foot of each: two hots and a neutral of its length, and a
        // ground.
        Assert.All(pulled.Where(p => !p.Key.Contains('×', StringComparison.Ordinal)), p => Assert.Equal(p.Value, material[p.Key].Single()));
        var feeder = pulled.Single(p => p.Key.Contains('×', StringComparison.Ordinal)).Value;
        Assert.Equal((feeder * 3, feeder), (material["6 THWN-2"].Single(), material["10 THWN-2, green"].Single()));
    }

    [Theory] // a spreadsheet would run what begins so
    [InlineData("=1+1")]
    [InlineData("@now")]
    [InlineData("+cmd")]
    public void A_name_that_looks_like_a_formula_is_written_as_text(string name)
    {
        var job = Houses.Row(("den", RoomUse.Den, 12)).With(Houses.On("b", "den", 1, 30) with { Name = name });
        var cells = Rows(CsvFiles.PullList(Planner.Plan(job))).SelectMany(r => r);
        Assert.DoesNotContain(cells, c => c.Length > 0 && "=@+-".Contains(c[0], StringComparison.Ordinal));
        Assert.Contains(cells, c => c.Contains(name, StringComparison.Ordinal));
    }

    [Fact]
    public void Every_decided_figure_of_the_plan_file_has_its_reasons()
    {
        using var plan = JsonDocument.Parse(PlanFiles.Write(Demo));
        var circuits = plan.RootElement.GetProperty("panels").EnumerateArray().SelectMany(p => p.GetProperty("circuits").EnumerateArray())
            .ToList();
        Assert.Equal(Demo.Circuits.Length, circuits.Count);
        Assert.All(circuits, c => Assert.All(c.GetProperty("because").EnumerateObject(), why =>
        {
            Assert.NotEqual(0, why.Value.GetArrayLength());
            Assert.All(why.Value.EnumerateArray(), step => Assert.NotEqual("", step.GetProperty("text").GetString()));
        }));
        Assert.All(circuits.SelectMany(c => c.GetProperty("runs").EnumerateArray()),
            r => Assert.NotEqual(0, r.GetProperty("because").GetArrayLength()));
        Assert.Equal(Demo.Tags.Length, plan.RootElement.GetProperty("tags").GetArrayLength());
    }

    [Fact]
    public void Every_conductor_cites_the_book_a_plate_or_a_pin() => Assert.All(Demo.Circuits, c =>
        Assert.Contains(c.Sized.Gauge.Why.Steps, s => s.From is Source.Book or Source.Job or Source.Pin && s.Value.Length > 0));

    [Theory]
    [InlineData("ground")]
    [InlineData("upper")]
    [InlineData("orchids")]
    public void A_drawing_is_well_formed_names_its_rooms_and_shows_every_box_of_its_level(string level)
    {
        var svg = XDocument.Parse(PlanDrawing.Draw(Demo, new(level), new() { Stage = Stage.Runs }));
        var framed = Demo.House.Structures.SelectMany(s => s.Levels).Single(l => l.Level.Id.Value == level);
        var boxes = Demo.Survey.Boxes.Count(b => b.Place.Structure == framed.Structure && b.Place.Level == framed.Index);
        Assert.Equal(boxes, svg.Descendants()
            .Count(e => ((string?)e.Attribute("class"))?.StartsWith("on-plan box", StringComparison.Ordinal) == true));
        var words = svg.Descendants().Where(e => e.Name.LocalName == "text").Select(e => e.Value).ToHashSet();
        Assert.Empty(framed.Rooms.Where(r => r.ClearWidth.Feet > 5 && r.ClearDepth.Feet > 5).Select(r => r.Room.Name).Except(words));
    }

    [Fact] // labels that never collide: every room name and circuit number keeps its own place
    public void No_two_labels_of_a_drawing_overlap()
    {
        foreach (var level in new[] { "ground", "upper", "orchids" })
        {
            var texts = XDocument.Parse(PlanDrawing.Draw(Demo, new(level), new() { Stage = Stage.Circuits })).Descendants()
                .Where(e => e.Name.LocalName == "text" && ((string?)e.Attribute("class")) is "room-name" or "number")
                .Select(e => (e.Value, X: (double)e.Attribute("x")!, Y: (double)e.Attribute("y")!, Half: e.Value.Length * 2.0)).ToList();
            for (var i = 0; i < texts.Count; i++)
            {
                for (var j = 0; j < i; j++)
                {
                    var apart = Math.Abs(texts[i].X - texts[j].X) >= texts[i].Half + texts[j].Half
                        || Math.Abs(texts[i].Y - texts[j].Y) >= 7;
                    Assert.True(apart, $"{level}: “{texts[i].Value}” and “{texts[j].Value}” at {texts[i].X}, {texts[i].Y}");
                }
            }
        }
    }

    [Fact]
    public void A_name_with_markup_is_drawn_as_text()
    {
        var room = Houses.Rectangle("den", RoomUse.Den, Core.Units.Length.Zero, Core.Units.Length.Zero, Core.Units.Length.FromFeet(20),
            Core.Units.Length.FromFeet(12)) with
        { Name = "<script>alert(1)</script>" };
        var svg = PlanDrawing.Draw(Planner.Plan(Houses.House([room])), new("ground"), new());
        Assert.DoesNotContain("<script", svg, StringComparison.Ordinal);
        Assert.Contains(XDocument.Parse(svg).Descendants(), e => e.Value == room.Name);
    }

    [Fact]
    public void The_door_schedule_has_a_page_for_each_panel_and_its_fonts_inside()
    {
        var pdf = SchedulePdf.Write(Demo);
        var text = System.Text.Encoding.Latin1.GetString(pdf);
        Assert.StartsWith("%PDF-", text, StringComparison.Ordinal);
        Assert.Equal(2, System.Text.RegularExpressions.Regex.Count(text, @"/Type\s*/Page\b"));
        Assert.Contains("/FontFile2", text, StringComparison.Ordinal);
        Assert.Equal(2, System.Text.RegularExpressions.Regex.Count(text, @"/MediaBox\s*\[\s*0 0 612 792\s*\]"));
    }

    [Fact]
    public void A_plan_is_handed_out_as_these_files()
    {
        var files = PlanFolder.Of(Demo).ToList();
        Assert.Equal(["schedule.csv", "schedule.pdf", "schedule.xlsx", "home-runs.csv", "home-runs.pdf", "pull-list.csv", "material.csv",
            "material-by-box.csv", "material.xlsx", "cable-labels.pdf", "box-labels.pdf", "space-labels.pdf", "cable-labels.txt",
                "box-labels.txt", "space-labels.txt", "tags.csv",
            "plan.json", "house.txt", "ground.dxf", "ground.svg", "upper.dxf", "upper.svg", "orchids.dxf",
            "orchids.svg"], files.Select(f => f.Name));
        Assert.All(files, f => Assert.NotEmpty(f.Write()));
    }

    [Fact]
    public void Edition_2023_puts_GFCI_on_the_range_and_2017_takes_it_off_the_dryer()
    {
        string Mark(Edition edition, string circuit) => Planner.Plan(Demo.Job with { Edition = edition }).Landed(new(circuit))!.Mark;
        Assert.Equal(("", "GF"), (Mark(Edition.Y2017, "l-dryer"), Mark(Edition.Y2020, "l-dryer")));
        Assert.Equal("GF", Mark(Edition.Y2023, "k-range"));
        Assert.Equal(("GF", ""), (Mark(Edition.Y2020, "heat-pump"), Mark(Edition.Y2023, "heat-pump"))); // permitted 2026-05-18
    }
}
