using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Everything people decide about one job. A plan is computed from it and from nothing else.</summary>
public sealed record Job
{
    /// <summary>What the crew calls the job, at most 60 characters.</summary>
    public required string Name { get; init; }

    /// <summary>The book it is planned by: the adopted edition of a family of rules.</summary>
    public required Edition Edition { get; init; }

    /// <summary>The day the permit was granted, where a rule has a date; null while it is not known, and then the stricter side of the date
    /// is planned.</summary>
    public DateOnly? Permitted { get; init; }

    /// <summary>Local changes to the book, in force for this job.</summary>
    public ImmutableArray<Amendment> Amendments { get; init; } = [];

    /// <summary>How the crew works where the book leaves a choice.</summary>
    public Schools Schools { get; init; } = new();

    /// <summary>The crew's own numbers.</summary>
    public HouseRules HouseRules { get; init; } = new();

    /// <summary>What the crew weighs a division by.</summary>
    public Aims Aims { get; init; } = new();

    /// <summary>What the crew pays for protection.</summary>
    public DevicePrices Prices { get; init; } = new();

    /// <summary>Rooms that go by schools of their own.</summary>
    public ImmutableArray<RoomSchools> RoomSchools { get; init; } = [];

    /// <summary>Circuits that go by schools of their own.</summary>
    public ImmutableArray<CircuitSchools> CircuitSchools { get; init; } = [];

    /// <summary>Buildings, the house first.</summary>
    public required ImmutableArray<Structure> Structures { get; init; }

    /// <summary>Paths between buildings.</summary>
    public ImmutableArray<Trench> Trenches { get; init; } = [];

    /// <summary>Pipes that home runs and feeders are pulled in.</summary>
    public ImmutableArray<Pipe> Pipes { get; init; } = [];

    /// <summary>The service.</summary>
    public Service Service { get; init; } = new();

    /// <summary>How its metric boards are fed, where the house is planned by the metric method as well; null where it is not.</summary>
    public MetricFeed? Metric { get; init; }

    /// <summary>Boards; exactly one is fed by the service.</summary>
    public required ImmutableArray<Panel> Panels { get; init; }

    /// <summary>Boxes and what is in them.</summary>
    public ImmutableArray<Box> Boxes { get; init; } = [];

    /// <summary>What will stand there and wants a receptacle.</summary>
    public ImmutableArray<Want> Wants { get; init; } = [];

    /// <summary>Outlets of low voltage.</summary>
    public ImmutableArray<LowVoltageOutlet> LowVoltage { get; init; } = [];

    /// <summary>Where low voltage goes home to.</summary>
    public ImmutableArray<LowVoltageHome> LowVoltageHomes { get; init; } = [];

    /// <summary>Spaces whose numbers are written on studs and cables: they stay until re-landing is asked for. None while the panel is
    /// still planned.</summary>
    public ImmutableArray<WrittenSpace> Written { get; init; } = [];

    /// <summary>What lies in the house already, by the record on site.</summary>
    public Built Built { get; init; } = Built.None;

    /// <summary>Choices that the planner works around.</summary>
    public Pins Pins { get; init; } = new();

    /// <summary>Divisions kept under a name.</summary>
    public ImmutableArray<Division> Divisions { get; init; } = [];

    /// <summary>Name of the kept division that the plan follows; null for the planner's own.</summary>
    public string? Follows { get; init; }

    /// <summary>Facts still waited for.</summary>
    public ImmutableArray<Hold> Holds { get; init; } = [];

    /// <summary>When what is done is covered, one day at most for each closing.</summary>
    public ImmutableArray<ClosingDay> Closings { get; init; } = [];

    /// <summary>What the crew looks at before a closing beside what the plan asks for.</summary>
    public ImmutableArray<CrewLine> CrewLines { get; init; } = [];
}

/// <summary>What a local authority may change.</summary>
public enum AmendedRule
{
    /// <summary>Outlets on one general circuit; a number. Not in the model code.</summary>
    OutletsPerGeneralCircuit,

    /// <summary>AFCI not adopted in kitchens and laundry areas.</summary>
    NoAfciInKitchenAndLaundry,

    /// <summary>No GFCI ahead of outdoor condensing units (210.8(F)).</summary>
    NoGfciForCondensers,
}

/// <summary>A named override of the book.</summary>
/// <param name="Rule">What it changes.</param>
/// <param name="Value">The number, where the rule takes one (1 to 40 outlets).</param>
/// <param name="By">Whose amendment it is, as it should be cited.</param>
public sealed record Amendment(AmendedRule Rule, int? Value, string By);

/// <summary>A fact still waited for; planning goes on with what the job says meanwhile.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Subject">What waits, as kind:id.</param>
/// <param name="What">The fact, for example: data plate of the heat pump.</param>
/// <param name="Who">Who will bring it.</param>
/// <param name="By">When, as people say it: before board, by Friday.</param>
public sealed record Hold(Id<Hold> Id, string Subject, string What, string Who, string By)
{
    /// <summary>The field that waits; null when it is the thing as a whole.</summary>
    public HoldField? Field { get; init; }

    /// <summary>Cable left there beyond the crew's own slack until it has come, 0 to 20 ft at a box.</summary>
    public Length Slack { get; init; }
}

/// <summary>Fields that can wait for a fact.</summary>
public enum HoldField
{
    /// <summary>Where it stands.</summary>
    Place,

    /// <summary>How high.</summary>
    Height,

    /// <summary>How large.</summary>
    Size,

    /// <summary>What it draws.</summary>
    Load,

    /// <summary>The data plate.</summary>
    Plate,
}
