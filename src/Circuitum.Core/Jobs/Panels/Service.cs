using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What people decide about the service: its method, what is allowed for, and what earth and safety it has.</summary>
public sealed record Service
{
    /// <summary>The method that the service is sized by; both are shown.</summary>
    public LoadMethod Method { get; init; }

    /// <summary>Allowed for what may come, 0 to 100,000 VA, at 100 per cent.</summary>
    public VoltAmps Future { get; init; }

    /// <summary>True when the outdoor unit heats as well as cools; the air handler's elements are then its supplement.</summary>
    public bool OutdoorUnitHeats { get; init; } = true;

    /// <summary>Separately controlled space heaters, 1 to 60; null counts one for each heater drawn.</summary>
    public int? HeatingControls { get; init; }

    /// <summary>Metal of the service conductors.</summary>
    public FeederMetal Metal { get; init; } = FeederMetal.Aluminium;

    /// <summary>Highest demand of a year that was measured where a service exists, 10 to 400 A at 240 V (220.87); null when nothing was
    /// measured.</summary>
    public Amps? MeasuredPeak { get; init; }

    /// <summary>True for a dwelling that had its service before, whose load is known by survey (220.83).</summary>
    public bool Existing { get; init; }

    /// <summary>True when heating or cooling is added to a service that stood before: it is then counted at 100 per cent by itself
    /// (220.83(B)).</summary>
    public bool NewClimate { get; init; }

    /// <summary>Floor area of a dwelling that stood before and is not drawn, 0 to 20,000 ft².</summary>
    public SquareFeet ExistingArea { get; init; }

    /// <summary>True when what is drawn was there when the year's peak was measured; else it comes on top of it.</summary>
    public bool DrawnWasMeasured { get; init; }

    /// <summary>True when the footing's steel is brought out as an electrode: told before the pour (250.50, 250.52(A)(3)).</summary>
    public bool FootingSteel { get; init; }

    /// <summary>Ground rods, 0 to 6.</summary>
    public int Rods { get; init; } = 2;

    /// <summary>True when one rod was measured at 25 ohm or less, so that a second is not needed (250.53(A)(2)).</summary>
    public bool RodMeasured { get; init; }

    /// <summary>True when metal water pipe of 10 ft or more lies in the earth (250.52(A)(1)).</summary>
    public bool WaterPipe { get; init; }

    /// <summary>True when water pipe inside the house is metal, in the earth or not: it is bonded (250.104(A)).</summary>
    public bool MetalWater { get; init; } = true;

    /// <summary>True when metal gas pipe is in the house (250.104(B)).</summary>
    public bool GasPipe { get; init; }

    /// <summary>True when surge protection is planned at the service (230.67).</summary>
    public bool SurgeProtection { get; init; } = true;

    /// <summary>True when an emergency disconnect is planned outdoors (230.85).</summary>
    public bool OutdoorDisconnect { get; init; } = true;

    /// <summary>True when a bridge for the bonding of telephone and antenna is planned (250.94).</summary>
    public bool IntersystemBonding { get; init; } = true;

    /// <summary>How a generator may feed the house.</summary>
    public GeneratorWay Generator { get; init; }

    /// <summary>Rating of the generator's inlet that is meant, 15 to 100 A; once it is drawn, its plate says it.</summary>
    public Amps? Inlet { get; init; }

    /// <summary>The panel behind the transfer switch; null while nobody has said.</summary>
    public PanelId? TransferPanel { get; init; }

    /// <summary>True when the outdoor disconnect is the service disconnect: neutral and ground are bonded there, and the panel on the
    /// service is fed by four wires with the two apart.</summary>
    public bool BondedAtDisconnect { get; init; }
}

/// <summary>Ways to reckon a dwelling's load.</summary>
public enum LoadMethod
{
    /// <summary>Part III.</summary>
    Standard,

    /// <summary>Part IV, 220.82.</summary>
    Optional,
}

/// <summary>How a generator may feed the house.</summary>
public enum GeneratorWay
{
    /// <summary>Not at all.</summary>
    None,

    /// <summary>A breaker for the inlet, held by an interlock so that it and the main are never both on.</summary>
    Interlock,

    /// <summary>A panel of its own behind a transfer switch.</summary>
    TransferPanel,
}
