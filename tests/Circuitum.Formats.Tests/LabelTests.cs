using System.Text.RegularExpressions;
using System.Xml.Linq;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Wiring;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Svg;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Formats.Tests;

/// <summary>Labels for the printer, and the picture of a box.</summary>
public sealed class LabelTests
{
    private static readonly Plan Demo =
        Planner.Plan(JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json"))));

    private static int Pages(byte[] pdf) => Regex.Count(System.Text.Encoding.Latin1.GetString(pdf), @"/Type\s*/Page\b");

    [Theory] // twenty-six strips to a page
    [InlineData(LabelKind.Cables)]
    [InlineData(LabelKind.Boxes)]
    [InlineData(LabelKind.Spaces)]
    public void Strips_fill_as_many_pages_as_they_need(LabelKind kind)
    {
        var count = Labels.Of(Demo, kind).Length;
        Assert.Equal((count + LabelPdf.PerPage - 1) / LabelPdf.PerPage, Pages(LabelPdf.Write(Demo, kind)));
    }

    [Fact] // 142 runs have 284 ends, 140 boxes a mark each
    public void Every_end_and_every_box_has_its_label()
    {
        Assert.Equal(Demo.Takeoff.Pulls.Length * 2, Labels.Of(Demo, LabelKind.Cables).Length);
        Assert.Equal(Demo.Survey.Boxes.Length, Labels.Of(Demo, LabelKind.Boxes).Length);
        // Spaces read as the schedule does.
        Assert.Equal(Demo.Panels.SelectMany(p => p.Circuits).Select(c => c.Description), Labels.Of(Demo, LabelKind.Spaces)
            .Select(l => l.Lines[0]));
    }

    [Fact]
    public void The_printers_text_is_plain_and_fits_its_tape()
    {
        var text = LabelText.Write(Demo, LabelKind.Cables);
        Assert.Equal(Labels.Of(Demo, LabelKind.Cables).Length, text.Split('\f').Length);
        Assert.All(text.Split('\f').SelectMany(b => b.Split('\n')), line => Assert.InRange(line.Length, 0, LabelText.Width));
        Assert.All(text, c => Assert.True(c is '\f' or '\n' or (>= ' ' and <= '~')));
        Assert.Contains("HR A1/3\n3 x 6 + 10 G to Panel G\n", text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_word_longer_than_the_tape_is_broken_not_lost()
    {
        var job = Demo.Job with { Boxes = [.. Demo.Job.Boxes.Select((b, i) => i == 0 ? b with { Name = new string('W', 40) } : b)] };
        var text = LabelText.Write(Planner.Plan(job), LabelKind.Boxes);
        Assert.Contains(new string('W', 32) + "\n" + new string('W', 8), text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_job_without_boxes_prints_an_empty_sheet()
    {
        var bare = Planner.Plan(Houses.Row(("den", RoomUse.Den, 20)));
        Assert.Equal(1, Pages(LabelPdf.Write(bare, LabelKind.Cables)));
        Assert.Equal("", LabelText.Write(bare, LabelKind.Cables));
    }

    [Fact] // whatever is in a box, its picture is well formed and draws every conductor once from its cable
    public void A_picture_draws_every_conductor() => SwitchedRooms.Jobs.Sample(job =>
    {
        var plan = Planner.Plan(job);
        foreach (var box in plan.Survey.Boxes)
        {
            var wiring = plan.WiringOf(box.Box.Id)!;
            var svg = XDocument.Parse(BoxWiringDrawing.Draw(wiring, box,
                wiring.Cables.ToDictionary(c => c.Letter, c => ("14-2", "14", c.In ? c.Run.From.Name : c.Run.To.Name)), standalone: true));
            XNamespace ns = "http://www.w3.org/2000/svg";
            var letters = svg.Descendants(ns + "text").Where(t => (string?)t.Attribute("class") == "letters")
                .Select(t => t.Value.TrimEnd('*')).ToList();
            Assert.Equal(wiring.Cables.SelectMany(c => Conductor.In(c.Run)).Select(c => c.Letters), letters);
            Assert.Equal(wiring.Cables.Length,
                svg.Descendants(ns + "rect").Count(r => ((string?)r.Attribute("class"))!.StartsWith("jacket", StringComparison.Ordinal)));
        }
    }, iter: 30);

    [Fact]
    public void The_material_list_escapes_and_adds_up()
    {
        var csv = Csv.CsvFiles.Material(Demo);
        Assert.StartsWith("item,unit,quantity,for,phase\n", csv, StringComparison.Ordinal);
        Assert.Equal(Hardware.Of(Demo).Length + 1, csv.TrimEnd('\n').Split('\n').Length);
        // Conservation: what is cut by cable is what the pull list cuts.
        Assert.Equal(Demo.Takeoff.Pulls.Sum(p => p.Length.WholeFeetUp), Demo.Takeoff.Cables.Sum(c => c.Length.WholeFeetUp));
        var cut = Hardware.Of(Demo).Where(m => m.For.Contains(" ft cut", StringComparison.Ordinal))
            .Sum(m => int.Parse(Regex.Match(m.For, @" ([\d,]+) ft cut").Groups[1].Value, System.Globalization.NumberStyles.AllowThousands,
                System.Globalization.CultureInfo.InvariantCulture));
        Assert.Equal(Demo.Takeoff.Pulls.Where(p => p.Kind != RunKind.Feeder).Sum(p => p.Length.WholeFeetUp), cut);
    }

    [Fact] // out of the house, 90° down into the trench, along it, 90° up
    public void The_demos_pipe_is_dug_to_its_rule_with_the_crews_margin()
    {
        var pipe = Assert.Single(PipeSheets.Of(Demo)).Pipe;
        Assert.Equal("3/4 in PVC", pipe.Size.Value);
        var buried = pipe.Raceway.Pulls.MaxBy(p => p.Bends.Count(b => b.At.Contains("trench", System.StringComparison.Ordinal)))!;
        Assert.InRange(buried.Degrees, 180, 360);
        var trench = Assert.Single(Trenching.Of(Demo));
        Assert.Equal((trench.Trench.Depth.Inches < 18 ? 18 : trench.Trench.Depth.Inches) + 2, trench.Cover.Value.Inches);
    }
}
