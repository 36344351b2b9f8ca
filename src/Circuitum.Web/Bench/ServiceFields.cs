using Circuitum.Core.Jobs;

namespace Circuitum.Web.Bench;

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

    /// <summary>Heating or cooling is added to it.</summary>
    public bool NewClimate { get; init; }

    /// <summary>Floor area that is not drawn.</summary>
    public string? ExistingArea { get; init; }

    /// <summary>What is drawn was there when the peak was measured.</summary>
    public bool DrawnWasMeasured { get; init; }

    /// <summary>Footing steel.</summary>
    public bool FootingSteel { get; init; }

    /// <summary>Rods.</summary>
    public string Rods { get; init; } = "";

    /// <summary>One rod measured at 25 ohm.</summary>
    public bool RodMeasured { get; init; }

    /// <summary>Water pipe in the earth.</summary>
    public bool WaterPipe { get; init; }

    /// <summary>Metal water pipe in the house.</summary>
    public bool MetalWater { get; init; }

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

    /// <summary>The panel behind the transfer switch.</summary>
    public string? TransferPanel { get; init; }

    /// <summary>Bonded at the outdoor disconnect.</summary>
    public bool BondedAtDisconnect { get; init; }

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
        NewClimate = NewClimate,
        ExistingArea = string.IsNullOrWhiteSpace(ExistingArea) ? default : Entry.SquareFeet(ExistingArea),
        DrawnWasMeasured = DrawnWasMeasured,
        FootingSteel = FootingSteel,
        Rods = Entry.Count(Rods),
        RodMeasured = RodMeasured,
        WaterPipe = WaterPipe,
        MetalWater = MetalWater,
        GasPipe = GasPipe,
        SurgeProtection = SurgeProtection,
        OutdoorDisconnect = OutdoorDisconnect,
        IntersystemBonding = IntersystemBonding,
        Generator = Entry.Choice<GeneratorWay>(Generator),
        TransferPanel = string.IsNullOrEmpty(TransferPanel) ? null : new PanelId(TransferPanel),
        BondedAtDisconnect = BondedAtDisconnect,
        Inlet = string.IsNullOrWhiteSpace(Inlet) ? null : Entry.Amps(Inlet),
    };
}
