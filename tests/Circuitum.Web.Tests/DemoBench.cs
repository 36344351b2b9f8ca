using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Data;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

/// <summary>The demo's bench without a server, for what reads it.</summary>
internal static class DemoBench
{
    /// <summary>The demo, planned once.</summary>
    public static Plan Plan { get; } = Planner.Plan(Demo.Read());

    /// <summary>The bench at a stage with something selected.</summary>
    public static BenchView View(string on, Stage stage) => new(new(new("demo"),
        Timeline.Of([new(1, RevisionKind.Start, 0, default, "crew", "Load the demo house")]), Plan), stage, null, on);
}
