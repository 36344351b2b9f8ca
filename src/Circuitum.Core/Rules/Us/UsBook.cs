using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>One edition of the model code of the United States with the job's amendments: the only room where editions are told
/// apart.</summary>
internal sealed class UsBook : CodeBook
{
    private static readonly int[] Standard = [15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300,
        350, 400];

    /// <summary>The exception of 210.8(F) for listed HVAC equipment runs out on this day, 2023 edition.</summary>
    private static readonly DateOnly HvacExceptionEnds = new(2026, 9, 1);

    public UsBook(Edition edition, ImmutableArray<Amendment> amendments, DateOnly? permitted)
    {
        Edition = edition;
        Amendments = amendments;
        ExceptsListedHvac = edition == Edition.Y2023 && permitted < HvacExceptionEnds;
        StandardRatings = [.. (edition >= Edition.Y2023 ? Standard.Prepend(10) : Standard).Select(r => new Amps(r))];
        Boxes = new UsBoxes(this);
        Burial = new UsBurial(this);
        Outlets = new UsOutlets(edition);
        Division = new UsDivision(Supply);
        Protection = new UsProtection(this);
        Demand = new UsDemand(edition);
        Service = new UsService(edition);
    }

    /// <inheritdoc/>
    public override Edition Edition { get; }

    /// <inheritdoc/>
    public override Measure Measure => Measure.Feet;

    /// <inheritdoc/>
    public override string Called => "model code";

    /// <inheritdoc/>
    public override string Says(CrewNumber<HouseRules> number) => number.Book;

    /// <inheritdoc/>
    public override SupplySystem Supply => SupplySystem.SplitPhase;

    /// <inheritdoc/>
    public override ConductorRules Conductors { get; } = new UsConductors();

    /// <inheritdoc/>
    public override BoxRules Boxes { get; }

    /// <inheritdoc/>
    public override BurialRules Burial { get; }

    /// <inheritdoc/>
    public override OutletRules Outlets { get; }

    /// <inheritdoc/>
    public override DivisionRules Division { get; }

    /// <inheritdoc/>
    public override ProtectionRules Protection { get; }

    /// <inheritdoc/>
    public override DemandRules Demand { get; }

    /// <inheritdoc/>
    public override FramingRules Framing { get; } = new UsFraming();

    /// <inheritdoc/>
    public override ServiceRules Service { get; }

    /// <inheritdoc/>
    public override ImmutableArray<Amps> StockedRatings => OnTheTruck;

    /// <summary>240.6(A); 10 A from 2023.</summary>
    public override ImmutableArray<Amps> StandardRatings { get; }

    /// <summary>True while listed HVAC equipment outdoors needs no GFCI by the exception of 210.8(F): 2023, permitted before it
    /// ends.</summary>
    public bool ExceptsListedHvac { get; }

    /// <inheritdoc/>
    public override Citation Cite(RuleId rule) => Citations.Of(rule, Edition);

    /// <inheritdoc/>
    public override Citation Cite(params ImmutableArray<RuleId> rules) =>
        new(rules, string.Join(", ", rules.Select(r => Citations.Of(r, Edition).Text)));

    /// <inheritdoc/>
    public override bool Has(RuleId rule) => Citations.Has(rule, Edition);

    /// <summary>210.19 and 215.2 have it in notes only.</summary>
    public override (Percent Branch, Percent Together)? MostDrop => null;

    /// <summary>240.4, with the next standard size up of 240.4(B).</summary>
    public override bool Protects(Amps rating, Amps ampacity, bool portableReceptacles) =>
        rating <= ampacity || (!portableReceptacles && rating.Value <= 800 && StandardAtLeast(ampacity) is Amps next && rating <= next);
}
