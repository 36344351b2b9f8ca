using System.Text;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Formats.JobFile;
using Circuitum.Inspector;

namespace Circuitum.Formats.Tests.Inspection;

/// <summary>What is handed out for a job, as the inspector reads it.</summary>
internal static class WrittenPapers
{
    public static Papers Of(Job job)
    {
        var files = PlanFolder.Of(Planner.Plan(job)).ToDictionary(f => f.Name);
        string Text(string name) => Encoding.UTF8.GetString(files[name].Write());
        return Papers.Read(JobFiles.Write(job), Text("plan.json"), Text("schedule.csv"), Text("pull-list.csv"), Text("material.csv"),
            Text("home-runs.csv"));
    }
}
