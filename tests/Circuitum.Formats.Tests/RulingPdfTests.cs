using System.Text.RegularExpressions;
using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Core.Rulings;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Svg;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Formats.Tests;

/// <summary>Prints and drawings of circuits.</summary>
public sealed class RulingPdfTests
{
    private static readonly Plan Demo =
        Planner.Plan(JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json"))));

    private static int Pages(byte[] pdf) => Regex.Count(System.Text.Encoding.Latin1.GetString(pdf), @"/Type\s*/Page\b");

    [Fact]
    public void Every_ruling_of_the_demo_is_one_page()
    {
        foreach (var landed in Demo.Panels.SelectMany(p => p.Circuits))
        {
            Assert.All(CircuitRulings.Topics(landed),
                topic => Assert.Equal(1, Pages(RulingPdf.Write(Demo, CircuitRulings.On(Demo, landed, topic)))));
        }

        Assert.All(Demo.Tags, tag => Assert.Equal(1, Pages(RulingPdf.Write(Demo, TagRulings.On(Demo, tag)))));
    }

    [Fact] // two hundred lines cannot fit: the sheet says how many are left, and still ends with what governs
    public void A_ruling_with_too_many_lines_is_still_one_page()
    {
        var landed = Demo.Landed(new("kitchen-appliances-1"))!;
        var ruling = CircuitRulings.On(Demo, landed, RulingTopic.Protection);
        var pdf = RulingPdf.Write(Demo,
            ruling with { Lines = [.. Enumerable.Range(0, 200).Select(i => new RulingLine($"Outlet {i}", "AFCI", "210.12(A)"))] });
        Assert.Equal(1, Pages(pdf));
    }

    [Fact]
    public void A_division_laid_beside_itself_moves_nothing() =>
        RandomHouses.Jobs.Sample(job => Assert.Empty(DivisionDrawing.Moved(Planner.Plan(job), Planner.Plan(job))), iter: 20);

    [Fact]
    public void Boxes_on_another_circuit_are_filled_and_every_chain_has_its_number()
    {
        var moved = Planner.Plan(new Core.Changes.MoveToCircuit(new("f-r2"), new("grandmother-receptacles")).On(Demo.Job).Job!);
        Assert.Equal([new("f-r2")], DivisionDrawing.Moved(Demo, moved));
        var drawing = DivisionDrawing.Draw(moved, Demo, new("ground"));
        Assert.Equal(1, Regex.Count(drawing, "bead moved"));
        Assert.Equal(Regex.Count(drawing, "class=\"chain\""), Regex.Count(drawing, "chain-number"));
    }
}
