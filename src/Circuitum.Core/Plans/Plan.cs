using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.Demand;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Plans;

/// <summary>A wiring plan: everything computed from one job.</summary>
public sealed record Plan(
    Job Job,
    CodeBook Book,
    FramedHouse House,
    Survey Survey,
    ImmutableArray<WiredCircuit> Circuits,
    Holes Holes,
    ImmutableArray<PanelSchedule> Panels,
    ServicePlan Service,
    ImmutableArray<Tag> Tags,
    Takeoffs Takeoff)
{
    private readonly FrozenDictionary<BoxId, WiredCircuit> circuitOf = Circuits.SelectMany(c => c.Circuit.Boxes.Select(b => (b, c)))
        .ToFrozenDictionary(x => x.b, x => x.c);
    private readonly FrozenDictionary<CircuitKey, Landed> landedOf = Panels.SelectMany(p => p.Circuits).ToFrozenDictionary(l => l.Key);

    private readonly FrozenDictionary<RunId, (WiredCircuit, Run)> runOf = Circuits.SelectMany(c => c.Runs.Select(r => (c, r)))
        .ToFrozenDictionary(x => x.r.Id);

    /// <summary>What is not power: outlets, ways home and holes of their own.</summary>
    public LowVoltagePlan LowVoltage { get; init; } = LowVoltagePlan.None;

    /// <summary>Footage of all cable of power.</summary>
    public Length Footage => Takeoff.Total;

    /// <summary>The job as every change begins from it: where space numbers are written, those of circuits that came since are written
    /// too.</summary>
    public Job Kept => Job.Written.IsEmpty ? Job : Job with
    {
        Written = [.. Job.Written, .. Panels.SelectMany(p => p.AsWritten).Where(s => Job.Written.All(w => w.Circuit != s.Circuit))],
    };

    /// <summary>Its circuits as they are kept once a person has looked at them.</summary>
    public ImmutableArray<KeptCircuit> Standing => Changes.Standing.Of(Circuits.Select(c => c.Circuit));

    /// <summary>The circuit of a box, or null for an unknown box.</summary>
    public WiredCircuit? CircuitOf(BoxId box) => circuitOf.GetValueOrDefault(box);

    /// <summary>The make-up of a box by the crew's joints, or null for an unknown box.</summary>
    public BoxWiring? WiringOf(BoxId box) => CircuitOf(box)?.Wiring(Survey[box], Job.Schools.Joints);

    /// <summary>A run with its circuit, or null for an unknown id.</summary>
    public (WiredCircuit Circuit, Run Run)? FindRun(RunId id) => runOf.TryGetValue(id, out var found) ? found
        : id.Purpose is RunPurpose.Any or RunPurpose.AnyTravelers ? runOf.Where(r => id.IsMeantFor(r.Key)).OrderBy(r => r.Key.Purpose)
        .Select(r => ((WiredCircuit, Run)?)r.Value).FirstOrDefault() : null;

    /// <summary>A circuit in its space, or null for an unknown key.</summary>
    public Landed? Landed(CircuitKey key) => landedOf.GetValueOrDefault(key);
}
