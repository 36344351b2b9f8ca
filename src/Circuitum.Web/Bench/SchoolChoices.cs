using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>A question on which crews differ, with its answers; the first is the default.</summary>
/// <param name="Field">Name of its field.</param>
/// <param name="Words">The question in short.</param>
/// <param name="Value">The answer of a crew.</param>
/// <param name="Answers">Answers with their words.</param>
public sealed record SchoolChoice(string Field, string Words, Func<Schools, Enum> Value, IReadOnlyList<(Enum Answer, string Words)> Answers);

/// <summary>A list of schools to choose from, as a job, a room or a circuit shows it.</summary>
/// <param name="View">The bench.</param>
/// <param name="Choices">The questions.</param>
/// <param name="Now">What holds now.</param>
/// <param name="Own">What the room or circuit has of its own; null for the job's own list, where every question has an answer.</param>
public sealed record SchoolsView(BenchView View, IReadOnlyList<SchoolChoice> Choices, Schools Now, Func<string, Enum?>? Own);

/// <summary>The schools in the words of the trade.</summary>
public static class SchoolChoices
{
    private static readonly SchoolChoice Lighting = new("lighting", "Lights and receptacles", s => s.Lighting, [(LightsAndReceptacles.Apart, "apart: lights 15 A, receptacles 20 A"), (LightsAndReceptacles.ApartBedrooms15, "apart, bedroom receptacles 15 A"), (LightsAndReceptacles.Together, "together, room by room")]);
    private static readonly SchoolChoice Bedrooms = new("bedrooms", "Bedrooms", s => s.Bedrooms, [(BedroomSharing.NeighboursShare, "neighbours may share"), (BedroomSharing.OneEach, "one circuit each")]);
    private static readonly SchoolChoice KitchenLightsWith = new("kitchenLights", "Kitchen lights", s => s.KitchenLights, [(KitchenLights.Apart, "not with the dishwasher"), (KitchenLights.WithDishwasher, "with the dishwasher while half the rating holds")]);
    private static readonly SchoolChoice Dishwasher = new("dishwasher", "Dishwasher and disposer", s => s.Dishwasher, [(DishwasherAndDisposer.OneWhereItFits, "one circuit where the sum fits"), (DishwasherAndDisposer.OneEach, "one each")]);
    private static readonly SchoolChoice Refrigerator = new("refrigerator", "Refrigerator", s => s.Refrigerator, [(RefrigeratorCircuit.OnSmallAppliance, "on a small-appliance circuit"), (RefrigeratorCircuit.Alone, "alone")]);
    private static readonly SchoolChoice Baths = new("baths", "Bath receptacles", s => s.Baths, [(BathReceptacles.MayShare, "baths may share one 20 A"), (BathReceptacles.OneEach, "one each"), (BathReceptacles.Whole, "one for each whole bath, light and fan on it")]);
    private static readonly SchoolChoice HomeRun = new("homeRun", "Home run size", s => s.HomeRun, [(HomeRunSize.Own, "the circuit's own"), (HomeRunSize.OneLarger, "one size larger")]);
    private static readonly SchoolChoice Gfci = new("gfci", "GFCI", s => s.Gfci, [(GfciWay.Breaker, "at the breaker"), (GfciWay.FirstReceptacle, "first receptacle, the rest on its load side"), (GfciWay.EachPlace, "one at each place"), (GfciWay.LeastCost, "whichever costs least")]);
    private static readonly SchoolChoice Afci = new("afci", "AFCI", s => s.Afci, [(AfciWay.Breaker, "combination breaker"), (AfciWay.FirstOutlet, "first-outlet device where allowed")]);

    /// <summary>Every school of a job that the bench knows.</summary>
    public static IReadOnlyList<SchoolChoice> OfJob { get; } =
    [
        Lighting, Bedrooms, KitchenLightsWith, Dishwasher,
        new("dishwasherRun", "A dishwasher's load", s => s.DishwasherRun, [(DishwasherRun.NotContinuous, "not continuous"), (DishwasherRun.Continuous, "continuous, long programmes")]),
        Refrigerator, Baths,
        new("twoCircuits", "Two circuits to one place", s => s.TwoCircuits, [(TwoCircuits.TwoWire, "two 2-wire cables"), (TwoCircuits.Multiwire, "multiwire, shared neutral"), (TwoCircuits.FourWire, "one 4-wire cable, two neutrals, where it saves")]),
        Gfci, Afci,
        new("fifteenOnTwenty", "15 A receptacles on 20 A", s => s.FifteenOnTwenty, [(FifteenOnTwenty.WhereTwoOrMore, "where there are two or more"), (FifteenOnTwenty.AlwaysMatch, "always match")]),
        HomeRun,
        new("range", "Range", s => s.Range, [(RangeCircuit.Usual50, "the usual 50 A on 6-3"), (RangeCircuit.SmallestThatCarries, "the smallest that carries it")]),
        new("subpanel", "A subpanel holds", s => s.Subpanel, [(SubpanelHolds.EverythingNear, "everything near it"), (SubpanelHolds.LightsAndReceptacles, "lights and receptacles, heavy appliances at the main")]),
        new("way", "Cables run", s => s.Way, [(CableWay.LeastLabour, "studs, overhead or below, least labour"), (CableWay.Overhead, "overhead and down, always"), (CableWay.FromBelow, "from below where there is a crawl space or basement")]),
        new("lay", "Neat or short", s => s.Lay, [(CableLay.Squared, "squared turns"), (CableLay.Shortest, "least footage, straight across")]),
        new("branches", "A box may feed two ways", s => s.Branches, [(FeedBranches.WhereThereIsRoom, "where it has room and it saves"), (FeedBranches.Never, "one in, one out")]),
        new("measure", "Cable is measured in", s => s.Measure, [(Measure.Feet, "feet, cut to the next foot"), (Measure.Metres, "metres, cut to the next tenth")]),
        new("landing", "Breakers are landed", s => s.Landing, [(LandingSchool.LargeAtTop, "large two-poles at the top, then least leg difference"), (LandingSchool.LeastDifference, "least leg difference at the top, two-poles below"), (LandingSchool.ByArea, "by area of the house")]),
        new("balance", "Legs balanced by", s => s.Balance, [(LegView.Connected, "everything connected"), (LegView.Demand, "demand"), (LegView.Evening, "an evening while people cook"), (LegView.Night, "a night with the car charging")]),
        new("spares", "Spare spaces", s => s.Spares, [(SpareSpaces.Last, "last"), (SpareSpaces.Spread, "spread among the one-poles")]),
        new("grounds", "Small grounds at the bar", s => s.Grounds, [(SmallGrounds.AsLabelAllows, "as many under a screw as the label allows"), (SmallGrounds.OneEach, "one each")]),
        new("column", "Cables down one bay", s => s.Column, [(CableColumn.Stackers, "in stackers, spaced"), (CableColumn.Ties, "tied behind a staple, in contact"), (CableColumn.StapleOverStaple, "staple over staple, spaced")]),
        new("feederMetal", "Feeders in pipe", s => s.FeederMetal, [(FeederMetal.Copper, "copper"), (FeederMetal.Aluminium, "aluminium, terminals listed for it")]),
        new("joints", "Joints at devices", s => s.Joints, [(JointSchool.Pigtail, "pigtail everything"), (JointSchool.FeedThrough, "through the device where two cables meet"), (JointSchool.AsNeeded, "pigtail only where needed")]),
        new("feed", "Feed to lighting", s => s.Feed, [(LightingFeed.SwitchFirst, "switch first"), (LightingFeed.LightFirst, "light first, loop with a neutral")]),
    ];

    /// <summary>The list of one circuit.</summary>
    public static SchoolsView Of(BenchView view, CircuitKey circuit)
    {
        var own = view.Plan.Job.CircuitSchools.FirstOrDefault(c => c.Circuit == circuit);
        return new(view, [HomeRun, Gfci, Afci], view.Plan.Job.SchoolsOn(circuit), field => field switch { "homeRun" => own?.HomeRun, "gfci" => own?.Gfci, _ => own?.Afci });
    }

    /// <summary>The list of one room.</summary>
    public static SchoolsView Of(BenchView view, Room room)
    {
        var own = view.Plan.Job.RoomSchools.FirstOrDefault(r => r.Room == room.Id);
        return new(view, OfRoom(room.Use), view.Plan.Job.SchoolsIn(room.Id), field => field switch
        {
            "lighting" => own?.Lighting, "bedrooms" => own?.Bedrooms, "kitchenLights" => own?.KitchenLights, "dishwasher" => own?.Dishwasher, "refrigerator" => own?.Refrigerator, _ => own?.Baths,
        });
    }

    private static IReadOnlyList<SchoolChoice> OfRoom(RoomUse use) => [.. new[] { (Lighting, true), (Bedrooms, use == RoomUse.Bedroom), (KitchenLightsWith, use == RoomUse.Kitchen), (Dishwasher, use == RoomUse.Kitchen), (Refrigerator, use is RoomUse.Kitchen or RoomUse.Pantry), (Baths, use == RoomUse.Bath) }.Where(c => c.Item2).Select(c => c.Item1)];
}

/// <summary>Schools as chosen; what is not sent stays as it is.</summary>
public sealed record SchoolFields
{
    /// <summary>Lights and receptacles.</summary>
    public string? Lighting { get; init; }

    /// <summary>Bedrooms.</summary>
    public string? Bedrooms { get; init; }

    /// <summary>Kitchen lights.</summary>
    public string? KitchenLights { get; init; }

    /// <summary>Dishwasher and disposer.</summary>
    public string? Dishwasher { get; init; }

    /// <summary>A dishwasher's load.</summary>
    public string? DishwasherRun { get; init; }

    /// <summary>Refrigerator.</summary>
    public string? Refrigerator { get; init; }

    /// <summary>Bath receptacles.</summary>
    public string? Baths { get; init; }

    /// <summary>Two circuits to one place.</summary>
    public string? TwoCircuits { get; init; }

    /// <summary>GFCI.</summary>
    public string? Gfci { get; init; }

    /// <summary>AFCI.</summary>
    public string? Afci { get; init; }

    /// <summary>15 A receptacles on 20 A.</summary>
    public string? FifteenOnTwenty { get; init; }

    /// <summary>Home run size.</summary>
    public string? HomeRun { get; init; }

    /// <summary>Range.</summary>
    public string? Range { get; init; }

    /// <summary>A subpanel.</summary>
    public string? Subpanel { get; init; }

    /// <summary>Where cables run.</summary>
    public string? Way { get; init; }

    /// <summary>Neat or short.</summary>
    public string? Lay { get; init; }

    /// <summary>Whether a box may feed two ways.</summary>
    public string? Branches { get; init; }

    /// <summary>What comes first where breakers are landed.</summary>
    public string? Landing { get; init; }

    /// <summary>Spare spaces.</summary>
    public string? Spares { get; init; }

    /// <summary>What the legs are balanced by.</summary>
    public string? Balance { get; init; }

    /// <summary>Small grounds.</summary>
    public string? Grounds { get; init; }

    /// <summary>What cable is measured in.</summary>
    public string? Measure { get; init; }

    /// <summary>How cables down one bay are held.</summary>
    public string? Column { get; init; }

    /// <summary>Metal of feeders.</summary>
    public string? FeederMetal { get; init; }

    /// <summary>How joints are made.</summary>
    public string? Joints { get; init; }

    /// <summary>Feed to lighting.</summary>
    public string? Feed { get; init; }

    /// <summary>A job's schools with what was chosen.</summary>
    /// <exception cref="FormatException">An answer is not on its list.</exception>
    public Schools Read(Schools now) => now with
    {
        Lighting = Own<LightsAndReceptacles>(Lighting) ?? now.Lighting,
        Bedrooms = Own<BedroomSharing>(Bedrooms) ?? now.Bedrooms,
        KitchenLights = Own<KitchenLights>(KitchenLights) ?? now.KitchenLights,
        Dishwasher = Own<DishwasherAndDisposer>(Dishwasher) ?? now.Dishwasher,
        DishwasherRun = Own<DishwasherRun>(DishwasherRun) ?? now.DishwasherRun,
        Refrigerator = Own<RefrigeratorCircuit>(Refrigerator) ?? now.Refrigerator,
        Baths = Own<BathReceptacles>(Baths) ?? now.Baths,
        TwoCircuits = Own<TwoCircuits>(TwoCircuits) ?? now.TwoCircuits,
        Gfci = Own<GfciWay>(Gfci) ?? now.Gfci,
        Afci = Own<AfciWay>(Afci) ?? now.Afci,
        FifteenOnTwenty = Own<FifteenOnTwenty>(FifteenOnTwenty) ?? now.FifteenOnTwenty,
        HomeRun = Own<HomeRunSize>(HomeRun) ?? now.HomeRun,
        Range = Own<RangeCircuit>(Range) ?? now.Range,
        Subpanel = Own<SubpanelHolds>(Subpanel) ?? now.Subpanel,
        Way = Own<CableWay>(Way) ?? now.Way,
        Lay = Own<CableLay>(Lay) ?? now.Lay,
        Branches = Own<FeedBranches>(Branches) ?? now.Branches,
        Measure = Own<Measure>(Measure) ?? now.Measure,
        Landing = Own<LandingSchool>(Landing) ?? now.Landing,
        Balance = Own<LegView>(Balance) ?? now.Balance,
        Spares = Own<SpareSpaces>(Spares) ?? now.Spares,
        Grounds = Own<SmallGrounds>(Grounds) ?? now.Grounds,
        Column = Own<CableColumn>(Column) ?? now.Column,
        FeederMetal = Own<FeederMetal>(FeederMetal) ?? now.FeederMetal,
        Joints = Own<JointSchool>(Joints) ?? now.Joints,
        Feed = Own<LightingFeed>(Feed) ?? now.Feed,
    };

    /// <summary>What a room has of its own; an empty answer goes by the job's.</summary>
    /// <exception cref="FormatException">An answer is not on its list.</exception>
    public RoomSchools OfRoom(RoomId room) => new()
    {
        Room = room, Lighting = Own<LightsAndReceptacles>(Lighting), Bedrooms = Own<BedroomSharing>(Bedrooms), KitchenLights = Own<KitchenLights>(KitchenLights),
        Dishwasher = Own<DishwasherAndDisposer>(Dishwasher), Refrigerator = Own<RefrigeratorCircuit>(Refrigerator), Baths = Own<BathReceptacles>(Baths),
    };

    /// <summary>What a circuit has of its own; an empty answer goes by the job's.</summary>
    /// <exception cref="FormatException">An answer is not on its list.</exception>
    public CircuitSchools OfCircuit(CircuitKey circuit) => new() { Circuit = circuit, HomeRun = Own<HomeRunSize>(HomeRun), Gfci = Own<GfciWay>(Gfci), Afci = Own<AfciWay>(Afci) };

    private static T? Own<T>(string? answer) where T : struct, Enum => string.IsNullOrEmpty(answer) ? null : Entry.Choice<T>(answer);
}
