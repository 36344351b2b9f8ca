using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>The demo jobs that ship with the program: loaded once, and back to their first state when asked.</summary>
public sealed class Demo(JobRevisions revisions)
{
    // The first plan of a process takes long, whatever it is of: it is made beside the starting, and is the demo's own where the demo
    // stands as it ships.
    private static readonly Lazy<Task<Plan>> Beside = new(() => Task.Run(() => Planner.Plan(Read())));
    private static readonly Lazy<string> Shipped = new(() => JobFiles.Write(Read()));

    /// <summary>Begins the first plan, before anything else is made ready.</summary>
    public static void Begin() => _ = Beside.Value;

    /// <summary>The plan of a document where it is the first demo as it ships; null for any other.</summary>
    public static Task<Plan>? PlanOf(JobKey key, string document) => key == Key && document == Shipped.Value ? Beside.Value : null;

    /// <summary>The key of the first.</summary>
    public static JobKey Key => new("demo");

    /// <summary>Every demo's key and file, the first last: it stands at the head of a list of what was touched last.</summary>
    public static IReadOnlyList<(JobKey Key, string File)> All { get; } =
        [(new("demo-villa"), "saltbush"), (new("demo-basement"), "tarn-hollow"), (new("demo-crawl"), "quarrel-bend"), (Key, "fernhollow")];

    /// <summary>Puts the demos on the list of a new database, and those that came since on the list of an old one.</summary>
    public async Task LoadOnceAsync()
    {
        foreach (var (key, _) in All)
        {
            if (await revisions.NewestAsync(key) == 0)
            {
                var job = Read(key);
                await revisions.StartAsync("Circuitum", "Load the demo house", job.Name, JobFiles.Write(job), key);
            }
        }
    }

    /// <summary>The first demo as it ships.</summary>
    public static Core.Jobs.Job Read() => Read(Key);

    /// <summary>A demo as it ships.</summary>
    /// <exception cref="InvalidOperationException">No demo has that key.</exception>
    public static Core.Jobs.Job Read(JobKey key)
    {
        using var file = File.OpenRead(Path.Combine(AppContext.BaseDirectory, "demo",
            $"{All.First(d => d.Key == key).File}.circuitum.json"));
        return JobFiles.Read(file);
    }
}
