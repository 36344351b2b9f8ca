using System.Collections.Immutable;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Pages;

/// <summary>What to buy and what to bore, counted from the paths, with the allowances behind it and a bound on the footage.</summary>
public sealed class MaterialModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The list.</summary>
    public ImmutableArray<MaterialLine> Lines { get; private set; } = [];

    /// <summary>Holes for whoever sets insulated panels.</summary>
    public ImmutableArray<PreDrilledHole> PreDrilled { get; private set; } = [];

    /// <summary>Planned footage of the circuits that a bound is known for, along the ways with sag and ends.</summary>
    public Length Measured { get; private set; }

    /// <summary>Less than which no plan of these circuits takes.</summary>
    public Length Bound { get; private set; }

    /// <inheritdoc/>
    protected override Task ReadAsync()
    {
        var plan = Open.Plan;
        (Lines, PreDrilled) = (Hardware.Of(plan), PreDrill.Of(plan));
        var bounds = FootageBound.Of([.. plan.Circuits.Select(c => c.Routed)], plan.House, plan.Job);
        (Measured, Bound) = (bounds.Select(b => b.Measured).Total(), bounds.Select(b => b.Bound).Total());
        return Task.CompletedTask;
    }
}
