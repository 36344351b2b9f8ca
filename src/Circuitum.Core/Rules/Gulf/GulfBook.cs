using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>The Gulf metric method as a book: houses of 230 and 400 V whose points go in conduit to boards. What those boards take is said
/// by <see cref="MetricRules"/>; it asks nothing of walls, and its outlets stand where the crew puts them.</summary>
internal sealed class GulfBook : CodeBook
{
    public GulfBook(Edition edition, ImmutableArray<Amendment> amendments)
    {
        Edition = edition;
        Amendments = amendments;
    }

    /// <inheritdoc/>
    public override Edition Edition { get; }

    /// <inheritdoc/>
    public override Measure Measure => Measure.Metres;

    /// <inheritdoc/>
    public override string Called => "method";

    /// <inheritdoc/>
    public override bool FeedsBoards => true;

    /// <inheritdoc/>
    public override string Says(CrewNumber<HouseRules> number) => "no rule";

    /// <summary>Only what the house is drawn and measured in is asked; it settles the rest, or has no such thing.</summary>
    public override bool Leaves(School school) => false;

    /// <summary>Where boxes are set; what boards are fed by is said on them.</summary>
    public override bool Leaves(CrewNumber<HouseRules> number) => number.Places;

    /// <inheritdoc/>
    public override SupplySystem Supply { get; } = new(MetricRules.ToNeutral, MetricRules.Between, ThreePhase: true);

    /// <inheritdoc/>
    public override ConductorRules Conductors { get; } = new GulfConductors();

    /// <inheritdoc/>
    public override BoxRules Boxes { get; } = new GulfBoxes();

    /// <inheritdoc/>
    public override BurialRules Burial { get; } = new GulfBurial();

    /// <inheritdoc/>
    public override OutletRules Outlets { get; } = new GulfOutlets();

    /// <inheritdoc/>
    public override DivisionRules Division { get; } = new GulfDivision();

    /// <inheritdoc/>
    public override ProtectionRules Protection { get; } = new GulfProtection();

    /// <inheritdoc/>
    public override DemandRules Demand { get; } = new GulfDemand();

    /// <inheritdoc/>
    public override FramingRules Framing { get; } = new GulfFraming();

    /// <inheritdoc/>
    public override ServiceRules Service { get; } = new GulfService();

    /// <summary>Those of the boards, and of the sub-mains before them.</summary>
    public override ImmutableArray<Amps> StandardRatings { get; } = [.. MetricRules.Ratings, new(160), new(200), new(250)];

    /// <summary>To the farthest point, the sub-main with it.</summary>
    public override (Percent Branch, Percent Together)? MostDrop => (MetricRules.MostDrop, MetricRules.MostDrop);

    /// <summary>Rules of a house of cable are not its: what it asks is said on its boards.</summary>
    public override bool Has(RuleId rule) => false;

    /// <summary>Sockets, lamps and switches where crews usually set them.</summary>
    public override bool Proposes(Citation cite) => cite.Ids.IsEmpty || cite.Ids.Any(id => id is RuleId.WallReach or RuleId.WallReceptacles
        or RuleId.CounterReach or RuleId.CounterReceptacles or RuleId.DrawnAppliance or RuleId.LaundryReceptacle or RuleId.GarageReceptacle
        or RuleId.OutdoorReceptacles or RuleId.HallReceptacle or RuleId.Lighting or RuleId.LightingAtEntries or RuleId.LightingStorage
        or RuleId.SmokeAlarms);

    /// <inheritdoc/>
    public override Citation Cite(RuleId rule) => new([rule], "as the crew does it");

    /// <inheritdoc/>
    public override Citation Cite(params ImmutableArray<RuleId> rules) => new(rules, "as the crew does it");

    /// <summary>Ib ≤ In ≤ Iz.</summary>
    public override bool Protects(Amps rating, Amps ampacity, bool portableReceptacles) => rating <= ampacity;
}
