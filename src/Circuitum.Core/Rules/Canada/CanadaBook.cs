using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>The Canadian method: the supply and the sizes of the United States, with tables, places and circuits of its own.</summary>
internal sealed class CanadaBook : CodeBook
{
    // Table 13, to 400 A.
    private static readonly int[] Standard = [15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300,
        350, 400];

    public CanadaBook(Edition edition, ImmutableArray<Amendment> amendments)
    {
        Edition = edition;
        Amendments = amendments;
        Boxes = new CanadaBoxes(this);
        Burial = new CanadaBurial(this);
        Division = new CanadaDivision(Supply);
        Protection = new CanadaProtection(this);
    }

    /// <inheritdoc/>
    public override Edition Edition { get; }

    /// <inheritdoc/>
    public override Measure Measure => Measure.Metres;

    /// <inheritdoc/>
    public override string Called => "code";

    /// <inheritdoc/>
    public override string Says(CrewNumber<HouseRules> number) => number.Field switch
    {
        "receptacleReach" => $"at most {Outlets.WallReach}",
        "counterReach" => $"at most {Outlets.CounterReach}",
        "boreHeight" => $"hole’s edge {Asked.Millimetres(32)} from the face",
        "makeUpAtBox" => $"{Asked.Millimetres(150)} free conductor",
        "fastenedNearBox" => $"within {Asked.Millimetres(300)} of a box",
        "fastenedAlong" => $"at most {Asked.Millimetres(1500)}",
        "trenchMargin" => $"cover over a raceway {Asked.Millimetres(450)}",
        "leastFeeder" => "no less than its load",
        "outletsPerCircuit" => $"at most {Division.MostOutlets}",
        "largestFill" => "100 %, continuous load × 1.25",
        "dropTarget" => $"{MostDrop!.Value.Branch} in a branch circuit, {MostDrop!.Value.Together} together",
        "cablesPerHole" => "no rule for holes; bundles are adjusted",
        _ => "no rule",
    };

    /// <summary>Refrigerators are alone, a 15 A receptacle has 15 A before it, and no half of a rating is kept for lights.</summary>
    public override bool Leaves(School school) => school.Field is not ("refrigerator" or "fifteenOnTwenty" or "kitchenLights");

    /// <summary>Receptacles are on 15 A.</summary>
    public override string Means(string answer) => answer.Replace("20 A", Division.Receptacles.ToString(), StringComparison.Ordinal);

    /// <inheritdoc/>
    public override SupplySystem Supply => SupplySystem.SplitPhase;

    /// <inheritdoc/>
    public override ConductorRules Conductors { get; } = new CanadaConductors();

    /// <inheritdoc/>
    public override BoxRules Boxes { get; }

    /// <inheritdoc/>
    public override BurialRules Burial { get; }

    /// <inheritdoc/>
    public override OutletRules Outlets { get; } = new CanadaOutlets();

    /// <inheritdoc/>
    public override DivisionRules Division { get; }

    /// <inheritdoc/>
    public override ProtectionRules Protection { get; }

    /// <inheritdoc/>
    public override DemandRules Demand { get; } = new CanadaDemand();

    /// <inheritdoc/>
    public override FramingRules Framing { get; } = new CanadaFraming();

    /// <inheritdoc/>
    public override ServiceRules Service { get; } = new CanadaService();

    /// <inheritdoc/>
    public override ImmutableArray<Amps> StockedRatings => OnTheTruck;

    /// <summary>Table 13.</summary>
    public override ImmutableArray<Amps> StandardRatings { get; } = [.. Standard.Select(r => new Amps(r))];

    /// <summary>8-102: 3 per cent in the branch circuit or the feeder, 5 together.</summary>
    public override (Percent Branch, Percent Together)? MostDrop => (new(3), new(5));

    /// <inheritdoc/>
    public override bool Has(RuleId rule) => Clauses.Has(rule);

    /// <inheritdoc/>
    public override Citation Cite(RuleId rule) => Clauses.Of(rule);

    /// <inheritdoc/>
    public override Citation Cite(params ImmutableArray<RuleId> rules) =>
        new(rules, string.Join(", ", rules.Select(r => Clauses.Of(r).Text).Distinct()));

    /// <summary>14-104 with the next size of Table 13; taken as strictly as receptacles for what is plugged in ask everywhere.</summary>
    public override bool Protects(Amps rating, Amps ampacity, bool portableReceptacles) =>
        rating <= ampacity || (!portableReceptacles && StandardAtLeast(ampacity) is Amps next && rating <= next);
}
