using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules.Canada;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Rules.Us;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>The rules a job is planned by: one edition of one family of books, with the job's amendments. Stages ask it, and never which it
/// is.</summary>
public abstract class CodeBook
{
    /// <summary>The edition.</summary>
    public abstract Edition Edition { get; }

    /// <summary>What the book measures in.</summary>
    public abstract Measure Measure { get; }

    /// <summary>On whose word the crew's own number of outlets on a circuit stands: where a book has a number of its own, that is
    /// another.</summary>
    public Citation OwnCap => Division.MostOutlets is null ? Cite(RuleId.OutletCap) : "house rule: outlets per circuit";

    /// <summary>What people call it, after “the”: model code.</summary>
    public abstract string Called { get; }

    /// <summary>True where a number of the crew's has a meaning under this book.</summary>
    /// <param name="number">The number.</param>
    public virtual bool Leaves(CrewNumber<HouseRules> number) => true;

    /// <summary>What the book says of a number of the crew's.</summary>
    /// <param name="number">The number.</param>
    public abstract string Says(CrewNumber<HouseRules> number);

    /// <summary>Its houses go to metric boards in conduit: circuits, ways and panels of cable are not shown of them.</summary>
    public virtual bool FeedsBoards => false;

    /// <summary>Local overrides in force.</summary>
    public ImmutableArray<Amendment> Amendments { get; protected init; } = [];

    /// <summary>True where the book leaves a way of working to the crew; what it settles itself is not asked.</summary>
    /// <param name="school">The way of working.</param>
    public virtual bool Leaves(School school) => school.Field != "counters" || Division.SplitCounters is not null;

    /// <summary>An answer of the crew's as it is meant under this book: its ratings are the book's.</summary>
    /// <param name="answer">The answer in words.</param>
    public virtual string Means(string answer) => answer;

    /// <summary>What the service brings.</summary>
    public abstract SupplySystem Supply { get; }

    /// <summary>Conductors and raceways.</summary>
    public abstract ConductorRules Conductors { get; }

    /// <summary>The volume of boxes.</summary>
    public abstract BoxRules Boxes { get; }

    /// <summary>What lies in the ground.</summary>
    public abstract BurialRules Burial { get; }

    /// <summary>Where outlets are.</summary>
    public abstract OutletRules Outlets { get; }

    /// <summary>What shares a breaker.</summary>
    public abstract DivisionRules Division { get; }

    /// <summary>Arc-fault and ground-fault protection.</summary>
    public abstract ProtectionRules Protection { get; }

    /// <summary>What runs at once.</summary>
    public abstract DemandRules Demand { get; }

    /// <summary>What may be bored, by the building code beside it.</summary>
    public abstract FramingRules Framing { get; }

    /// <summary>Services, and feeders of whole dwellings.</summary>
    public abstract ServiceRules Service { get; }

    /// <summary>Standard ratings of overcurrent devices to 400 A, small to large.</summary>
    public abstract ImmutableArray<Amps> StandardRatings { get; }

    /// <summary>Those that the trade keeps on the truck, small to large; the standard ones between them are lawful and ordered where a
    /// nameplate asks.</summary>
    public virtual ImmutableArray<Amps> StockedRatings => StandardRatings;

    /// <summary>What is on the truck where panels are of the American kind.</summary>
    private protected static ImmutableArray<Amps> OnTheTruck { get; } =
        [.. new[] { 15, 20, 30, 40, 50, 60, 70, 80, 90, 100, 125, 150, 200 }.Select(r => new Amps(r))];

    /// <summary>The book for a job.</summary>
    public static CodeBook For(Job job) => For(job.Edition, job.Amendments, job.Permitted);

    /// <summary>An edition with amendments, and the day of the permit where it is known.</summary>
    /// <exception cref="ArgumentException">No book of that name is kept here.</exception>
    public static CodeBook For(Edition edition, ImmutableArray<Amendment> amendments = default, DateOnly? permitted = null) =>
        edition.Family() switch
        {
            RuleFamily.UnitedStates => new UsBook(edition, amendments.IsDefault ? [] : amendments, permitted),
            RuleFamily.Canada => new CanadaBook(edition, amendments.IsDefault ? [] : amendments),
            RuleFamily.Gulf => new GulfBook(edition, amendments.IsDefault ? [] : amendments),
            _ => throw new ArgumentException($"There is no book {edition}.", nameof(edition)),
        };

    /// <summary>True where this book has such a rule, or the trade keeps it as good practice: what it does not know it asks of
    /// nobody.</summary>
    public abstract bool Has(RuleId rule);

    /// <summary>True where something is asked on a word that holds here: a rule of this book, or a word of the crew's own.</summary>
    public bool Asks(Citation cite) => cite.Ids.IsEmpty || cite.Ids.Any(Has);

    /// <summary>True where a house that is laid out by rule gets what this asks for, whether a tag hangs where it is missing or
    /// not.</summary>
    public virtual bool Proposes(Citation cite) => Asks(cite);

    /// <summary>The share of the supply's volts that may be lost: where it is a rule, in the branch circuit, and from the service to the
    /// farthest outlet together; null where it is advice.</summary>
    public abstract (Percent Branch, Percent Together)? MostDrop { get; }

    /// <summary>How a rule is cited here: the section of this edition.</summary>
    /// <exception cref="ArgumentException">The edition has no such rule.</exception>
    public abstract Citation Cite(RuleId rule);

    /// <summary>How rules are cited together.</summary>
    /// <exception cref="ArgumentException">The edition has no such rule.</exception>
    public abstract Citation Cite(params ImmutableArray<RuleId> rules);

    /// <summary>The amendment of a rule, or null.</summary>
    public Amendment? Amended(AmendedRule rule) => Amendments.FirstOrDefault(a => a.Rule == rule);

    /// <summary>How an amendment is cited: as its authority wants it, for the rule that it changes.</summary>
    public static Citation Cite(Amendment amendment) => new([amendment.Rule switch
    {
        AmendedRule.NoAfciInKitchenAndLaundry => RuleId.ArcFaultPlaces,
        AmendedRule.NoGfciForCondensers => RuleId.GroundFaultHardWired,
        _ => RuleId.OutletCap,
    }], amendment.By);

    /// <summary>Smallest standard rating not below a current; null above 400 A.</summary>
    public Amps? StandardAtLeast(Amps current) => StandardRatings.Select(r => (Amps?)r).FirstOrDefault(r => r >= current);

    /// <summary>Largest standard rating not above a current; null below the smallest.</summary>
    public Amps? StandardAtMost(Amps current) => StandardRatings.Select(r => (Amps?)r).LastOrDefault(r => r <= current);

    /// <summary>True when a device of this rating protects conductors of this ampacity, with the next standard size up
    /// unless the circuit feeds more than one receptacle for portable cord-and-plug loads.</summary>
    public abstract bool Protects(Amps rating, Amps ampacity, bool portableReceptacles);

    /// <summary>True when a breaker is no larger than a small conductor may have; always true of larger conductors.</summary>
    public bool SuitsSmallConductor(Amps rating, Gauge gauge, Metal metal) =>
        Conductors.SmallConductorLimit(gauge, metal) is not Amps limit || rating <= limit;
}
