using System.Text;
using Circuitum.Core;
using Circuitum.Core.Lines;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Takeoff;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Dxf;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.PlanFile;
using Circuitum.Formats.Svg;
using Circuitum.Formats.Xlsx;

namespace Circuitum.Formats;

/// <summary>A file to hand out, written when it is asked for.</summary>
public sealed record PlanDocument(string Name, Func<byte[]> Write);

/// <summary>Everything a plan is handed out as.</summary>
public static class PlanFolder
{
    /// <summary>The lists, the door schedule, the plan with its reasons, and a drawing of each level.</summary>
    public static IEnumerable<PlanDocument> Of(Plan plan)
    {
        yield return Text("schedule.csv", () => CsvFiles.Schedule(plan));
        yield return new("schedule.pdf", () => SchedulePdf.Write(plan));
        yield return new("schedule.xlsx", () => ScheduleXlsx.Write(plan));
        yield return Text("home-runs.csv", () => CsvFiles.HomeRunList(plan));
        yield return new("home-runs.pdf", () => HomeRunPdf.Write(plan));
        yield return Text("pull-list.csv", () => CsvFiles.PullList(plan));
        yield return Text("material.csv", () => CsvFiles.Material(plan));
        yield return Text("material-by-box.csv", () => CsvFiles.MaterialByBox(plan));
        yield return new("material.xlsx", () => MaterialXlsx.Write(plan));
        if (!PreDrill.Of(plan).IsEmpty)
        {
            yield return Text("pre-drill.csv", () => CsvFiles.PreDrilled(plan));
        }

        if (!plan.LowVoltage.Outlets.IsEmpty)
        {
            yield return Text("low-voltage.csv", () => CsvFiles.LowVoltage(plan));
        }

        yield return new("cable-labels.pdf", () => LabelPdf.Write(plan, LabelKind.Cables));
        yield return new("box-labels.pdf", () => LabelPdf.Write(plan, LabelKind.Boxes));
        yield return new("space-labels.pdf", () => LabelPdf.Write(plan, LabelKind.Spaces));
        yield return Text("cable-labels.txt", () => LabelText.Write(plan, LabelKind.Cables));
        yield return Text("box-labels.txt", () => LabelText.Write(plan, LabelKind.Boxes));
        yield return Text("space-labels.txt", () => LabelText.Write(plan, LabelKind.Spaces));
        yield return Text("tags.csv", () => CsvFiles.Tags(plan));
        yield return Text("plan.json", () => PlanFiles.Write(plan));
        yield return Text("house.txt", () => HouseText.Write(plan.Job));
        foreach (var level in plan.House.Levels.Where(l => !l.Rooms.IsEmpty))
        {
            yield return Text($"{level.Level.Id}.dxf", () => DxfWriter.Write(plan, level.Level.Id));
            yield return Text($"{level.Level.Id}.svg", () => PlanDrawing.Draw(plan, level.Level.Id, new() { Stage = Stage.Runs }));
        }
    }

    private static PlanDocument Text(string name, Func<string> write) => new(name, () => Encoding.UTF8.GetBytes(write()));
}
