using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Data;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Bench;

/// <summary>The demo job that ships with the program: loaded once, and back to its first state when asked.</summary>
public sealed class Demo(JobRevisions revisions)
{
    // The first plan of a process takes long, whatever it is of: it is made beside the starting, and is the demo's own where the demo
    // stands as it ships.
    private static readonly Lazy<Task<Plan>> Beside = new(() => Task.Run(() => Planner.Plan(Read())));
    private static readonly Lazy<string> Shipped = new(() => JobFiles.Write(Read()));

    /// <summary>Begins the first plan, before anything else is made ready.</summary>
    public static void Begin() => _ = Beside.Value;

    /// <summary>The plan of a document where it is the demo as it ships; null for any other.</summary>
    public static Task<Plan>? PlanOf(JobKey key, string document) => key == Key && document == Shipped.Value ? Beside.Value : null;

    /// <summary>Its key.</summary>
    public static JobKey Key => new("demo");

    /// <summary>Puts the demo on the list of a new database.</summary>
    public async Task LoadOnceAsync()
    {
        if ((await revisions.OfAsync(Key)).Count == 0)
        {
            await revisions.StartAsync("Circuitum", "Load the demo house", Read().Name, Shipped.Value, isDemo: true);
        }
    }

    /// <summary>The demo as it ships.</summary>
    public static Core.Jobs.Job Read()
    {
        using var file = File.OpenRead(Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json"));
        return JobFiles.Read(file);
    }
}
