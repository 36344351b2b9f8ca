using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>What people decide about the service, as it is typed.</summary>
public sealed record ServiceFields
{
    /// <summary>Method it is sized by.</summary>
    public string Method { get; init; } = "";

    /// <summary>Allowance.</summary>
    public string? Future { get; init; }

    /// <summary>Whether the outdoor unit heats.</summary>
    public bool OutdoorUnitHeats { get; init; }

    /// <summary>Separately controlled space heaters.</summary>
    public string? HeatingControls { get; init; }

    /// <summary>Metal of the conductors.</summary>
    public string Metal { get; init; } = "";

    /// <summary>Measured peak.</summary>
    public string? MeasuredPeak { get; init; }

    /// <summary>A service that stood before.</summary>
    public bool Existing { get; init; }

    /// <summary>Footing steel.</summary>
    public bool FootingSteel { get; init; }

    /// <summary>Rods.</summary>
    public string Rods { get; init; } = "";

    /// <summary>One rod measured at 25 ohm.</summary>
    public bool RodMeasured { get; init; }

    /// <summary>Water pipe in the earth.</summary>
    public bool WaterPipe { get; init; }

    /// <summary>Gas pipe.</summary>
    public bool GasPipe { get; init; }

    /// <summary>Surge protection.</summary>
    public bool SurgeProtection { get; init; }

    /// <summary>Outdoor disconnect.</summary>
    public bool OutdoorDisconnect { get; init; }

    /// <summary>Intersystem bonding.</summary>
    public bool IntersystemBonding { get; init; }

    /// <summary>Generator.</summary>
    public string Generator { get; init; } = "";

    /// <summary>Its inlet.</summary>
    public string? Inlet { get; init; }

    /// <summary>The service.</summary>
    /// <exception cref="FormatException">Something typed is no number; the message quotes it.</exception>
    public Service Read() => new()
    {
        Method = Entry.Choice<LoadMethod>(Method),
        Future = string.IsNullOrWhiteSpace(Future) ? default : Entry.VoltAmps(Future),
        OutdoorUnitHeats = OutdoorUnitHeats,
        HeatingControls = string.IsNullOrWhiteSpace(HeatingControls) ? null : Entry.Count(HeatingControls),
        Metal = Entry.Choice<FeederMetal>(Metal),
        MeasuredPeak = string.IsNullOrWhiteSpace(MeasuredPeak) ? null : Entry.Amps(MeasuredPeak),
        Existing = Existing,
        FootingSteel = FootingSteel,
        Rods = Entry.Count(Rods),
        RodMeasured = RodMeasured,
        WaterPipe = WaterPipe,
        GasPipe = GasPipe,
        SurgeProtection = SurgeProtection,
        OutdoorDisconnect = OutdoorDisconnect,
        IntersystemBonding = IntersystemBonding,
        Generator = Entry.Choice<GeneratorWay>(Generator),
        Inlet = string.IsNullOrWhiteSpace(Inlet) ? null : Entry.Amps(Inlet),
    };
}

/// <summary>The service: both methods side by side, line by line, and what it needs.</summary>
public sealed class LoadModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The service as planned.</summary>
    public ServicePlan Plan => Open.Plan.Service;

    /// <summary>What people decide about it.</summary>
    public Service Service => Open.Plan.Job.Service;

    /// <summary>The sums shown side by side.</summary>
    public IEnumerable<(string Name, LoadSum Sum)> Sums => new (string, LoadSum?)[]
    {
        ("Standard method, Part III", Plan.Standard), (Service.Existing ? "Optional method, existing dwelling (220.83)" : "Optional method (220.82)", Plan.Optional), ("By measured demand (220.87)", Plan.Measured),
    }.Where(s => s.Item2 is not null).Select(s => (s.Item1, s.Item2!));

    /// <summary>Sets the service.</summary>
    public Task<IActionResult> OnPostServiceAsync(ServiceFields fields, int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetService(fields.Read())));

    /// <inheritdoc/>
    protected override Task ReadAsync() => Task.CompletedTask;
}
