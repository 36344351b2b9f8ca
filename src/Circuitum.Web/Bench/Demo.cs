using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>The demo job that ships with the program: loaded once, and back to its first state when asked.</summary>
public sealed class Demo(JobRevisions revisions)
{
    /// <summary>Its key.</summary>
    public static JobKey Key => new("demo");

    /// <summary>Puts the demo on the list of a new database.</summary>
    public async Task LoadOnceAsync()
    {
        if ((await revisions.OfAsync(Key)).Count == 0)
        {
            var job = Read();
            await revisions.StartAsync("Circuitum", "Load the demo house", job.Name, JobFiles.Write(job), isDemo: true);
        }
    }

    /// <summary>The demo as it ships.</summary>
    public static Core.Jobs.Job Read()
    {
        using var file = File.OpenRead(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json"));
        return JobFiles.Read(file);
    }
}
