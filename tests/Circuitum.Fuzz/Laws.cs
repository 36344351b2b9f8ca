using System.Text;
using System.Xml;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Formats;
using Circuitum.Formats.JobFile;

namespace Circuitum.Fuzz;

/// <summary>What holds of every job that is taken, whatever was done to it.</summary>
internal static class Laws
{
    /// <summary>It reads back to the same job, can be planned, and every drawing of it is XML.</summary>
    public static Plan Hold(Job job)
    {
        Assert.Equal(JobFiles.Write(job), JobFiles.WriteWhole(job));
        Assert.Equal(JobFiles.Write(job), JobFiles.Write(JobFiles.Read(JobFiles.Write(job))));
        var plan = Planner.Plan(job);
        foreach (var drawing in PlanFolder.Of(plan).Where(d => d.Name.EndsWith(".svg", StringComparison.Ordinal)))
        {
            IsXml(Encoding.UTF8.GetString(drawing.Write()));
        }

        return plan;
    }

    /// <summary>Every document of it can be written.</summary>
    public static void Write(Plan plan)
    {
        foreach (var document in PlanFolder.Of(plan))
        {
            // A house without a box or a cable has no label for one.
            Assert.True(document.Write().Length > 0 || (document.Name.EndsWith("-labels.txt", StringComparison.Ordinal)
                && (plan.Survey.Boxes.IsEmpty || plan.Takeoff.Pulls.IsEmpty)), $"{document.Name} is empty");
        }

        foreach (var box in plan.Job.Boxes)
        {
            Assert.NotNull(plan.WiringOf(box.Id));
        }
    }

    public static void IsXml(string text)
    {
        using var reader = XmlReader.Create(new StringReader(text), new() { DtdProcessing = DtdProcessing.Prohibit });
        while (reader.Read())
        {
            // Every node is looked at: what is no XML throws.
        }
    }
}
