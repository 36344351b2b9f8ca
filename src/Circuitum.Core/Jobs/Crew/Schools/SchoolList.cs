using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Every school in the words of the trade.</summary>
public static class SchoolList
{
    /// <summary>All of them, in the order they are asked.</summary>
    public static ImmutableArray<School> All { get; } =
    [
        Ask("lighting", "Lights and receptacles", s => s.Lighting, (s, a) => s with { Lighting = a },
            [(LightsAndReceptacles.Apart, "apart: lights 15 A, receptacles 20 A"),
                (LightsAndReceptacles.ApartBedrooms15, "apart, bedroom receptacles 15 A"),
                (LightsAndReceptacles.Together, "together, room by room")])
            .InRooms(r => r.Lighting, (r, a) => r with { Lighting = (LightsAndReceptacles?)a }),
        Ask("bedrooms", "Bedrooms", s => s.Bedrooms, (s, a) => s with { Bedrooms = a },
            [(BedroomSharing.NeighboursShare, "neighbors may share"), (BedroomSharing.OneEach, "one circuit each")])
            .InRooms(r => r.Bedrooms, (r, a) => r with { Bedrooms = (BedroomSharing?)a }, use => use == RoomUse.Bedroom),
        Ask("kitchenLights", "Kitchen lights", s => s.KitchenLights, (s, a) => s with { KitchenLights = a },
            [(KitchenLights.Apart, "not with the dishwasher"),
                (KitchenLights.WithDishwasher, "with the dishwasher while half the rating holds")])
            .InRooms(r => r.KitchenLights, (r, a) => r with { KitchenLights = (KitchenLights?)a }, use => use == RoomUse.Kitchen),
        Ask("dishwasher", "Dishwasher and disposer", s => s.Dishwasher, (s, a) => s with { Dishwasher = a },
            [(DishwasherAndDisposer.OneWhereItFits, "one circuit where the sum fits"), (DishwasherAndDisposer.OneEach, "one each")])
            .InRooms(r => r.Dishwasher, (r, a) => r with { Dishwasher = (DishwasherAndDisposer?)a }, use => use == RoomUse.Kitchen),
        Ask("disposerSwitch", "A disposer is worked by", s => s.DisposerSwitch, (s, a) => s with { DisposerSwitch = a },
            [(DisposerSwitch.OnTheWall, "a wall switch over the counter"), (DisposerSwitch.OnTheSink, "a button on the sink, no box")]),
        Ask("dishwasherRun", "A dishwasher's load", s => s.DishwasherRun, (s, a) => s with { DishwasherRun = a },
            [(DishwasherRun.NotContinuous, "not continuous"), (DishwasherRun.Continuous, "continuous, long programmes")]),
        Ask("motorQuarter", "A motor beside other loads", s => s.MotorQuarter, (s, a) => s with { MotorQuarter = a },
            [(MotorQuarter.Added, "a quarter more for the largest"), (MotorQuarter.LeftOut, "by its plate, as many inspectors take it")]),
        Ask("refrigerator", "Refrigerator", s => s.Refrigerator, (s, a) => s with { Refrigerator = a },
            [(RefrigeratorCircuit.OnSmallAppliance, "on a small-appliance circuit"), (RefrigeratorCircuit.Alone, "alone")])
            .InRooms(r => r.Refrigerator, (r, a) => r with { Refrigerator = (RefrigeratorCircuit?)a }, use => use is RoomUse.Kitchen
                or RoomUse.Pantry),
        Ask("baths", "Bath receptacles", s => s.Baths, (s, a) => s with { Baths = a },
            [(BathReceptacles.MayShare, "baths may share one 20 A"), (BathReceptacles.OneEach, "one each"),
                (BathReceptacles.Whole, "one for each whole bath, light and fan on it")])
            .InRooms(r => r.Baths, (r, a) => r with { Baths = (BathReceptacles?)a }, use => use == RoomUse.Bath),
        Ask("twoCircuits", "Two circuits to one place", s => s.TwoCircuits, (s, a) => s with { TwoCircuits = a },
            [(TwoCircuits.TwoWire, "two 2-wire cables"), (TwoCircuits.Multiwire, "multiwire, shared neutral"),
                (TwoCircuits.FourWire, "one 4-wire cable, two neutrals, where it saves")]),
        Ask("counters", "Counter receptacles", s => s.Counters, (s, a) => s with { Counters = a },
            [(CounterReceptacles.TwoWire, "20 A with T-slots, two wires"), (CounterReceptacles.Split, "15 A and split, three wires")]),
        Ask("gfci", "GFCI", s => s.Gfci, (s, a) => s with { Gfci = a },
            [(GfciWay.Breaker, "at the breaker"), (GfciWay.FirstReceptacle, "first receptacle, the rest on its load side"),
                (GfciWay.EachPlace, "one at each place"), (GfciWay.LeastCost, "whichever costs least")])
            .OnCircuits(c => c.Gfci, (c, a) => c with { Gfci = (GfciWay?)a }),
        Ask("afci", "AFCI", s => s.Afci, (s, a) => s with { Afci = a },
            [(AfciWay.Breaker, "combination breaker"), (AfciWay.FirstOutlet, "first-outlet device where allowed")])
            .OnCircuits(c => c.Afci, (c, a) => c with { Afci = (AfciWay?)a }),
        Ask("fifteenOnTwenty", "15 A receptacles on 20 A", s => s.FifteenOnTwenty, (s, a) => s with { FifteenOnTwenty = a },
            [(FifteenOnTwenty.WhereTwoOrMore, "where there are two or more"), (FifteenOnTwenty.AlwaysMatch, "always match")]),
        Ask("cable", "Branch circuits in", s => s.Cable, (s, a) => s with { Cable = a },
            [(CableKind.Nonmetallic, "nonmetallic-sheathed cable"), (CableKind.Armoured, "armored cable everywhere, metal boxes")]),
        Ask("boxes", "Boxes", s => s.Boxes, (s, a) => s with { Boxes = a },
            [(BoxMake.NailOn, "nonmetallic, nailed on"), (BoxMake.Square, "metal: 4 in squares, octagons, gang boxes"),
                (BoxMake.MetalDevice, "metal device boxes with clamps"), (BoxMake.CutIn, "cut in, where walls are closed")]),
        Ask("homeRun", "Home run size", s => s.HomeRun, (s, a) => s with { HomeRun = a },
            [(HomeRunSize.Own, "the circuit's own"), (HomeRunSize.OneLarger, "one size larger")])
            .OnCircuits(c => c.HomeRun, (c, a) => c with { HomeRun = (HomeRunSize?)a }),
        Ask("range", "Range", s => s.Range, (s, a) => s with { Range = a },
            [(RangeCircuit.Usual50, "the usual 50 A on 6-3"), (RangeCircuit.SmallestThatCarries, "the smallest that carries it")]),
        Ask("subpanel", "A subpanel holds", s => s.Subpanel, (s, a) => s with { Subpanel = a },
            [(SubpanelHolds.EverythingNear, "everything near it"),
                (SubpanelHolds.LightsAndReceptacles, "lights and receptacles, heavy appliances at the main")]),
        Ask("way", "Cables run", s => s.Way, (s, a) => s with { Way = a },
            [(CableWay.LeastLabour, "studs, overhead or below, least labor"), (CableWay.Overhead, "overhead and down, always"),
                (CableWay.FromBelow, "from below where there is a crawl space or basement")]),
        Ask("lay", "Neat or short", s => s.Lay, (s, a) => s with { Lay = a },
            [(CableLay.Squared, "squared turns"), (CableLay.Shortest, "least footage, straight across")]),
        Ask("branches", "A box may feed two ways", s => s.Branches, (s, a) => s with { Branches = a },
            [(FeedBranches.WhereThereIsRoom, "where it has room and it saves"), (FeedBranches.Never, "one in, one out")]),
        Ask("measure", "Cable is measured in", s => s.Measure, (s, a) => s with { Measure = a },
            [(Measure.Feet, "feet, cut to the next foot"), (Measure.Metres, "meters, cut to the next tenth")]),
        Ask("drawn", "The house is drawn in", s => s.Drawn, (s, a) => s with { Drawn = a },
            [(Measure.Feet, "feet and inches"), (Measure.Metres, "meters and millimeters")]),
        Ask("landing", "Breakers are landed", s => s.Landing, (s, a) => s with { Landing = a },
            [(LandingSchool.LargeAtTop, "large two-poles at the top, then least leg difference"),
                (LandingSchool.LeastDifference, "least leg difference at the top, two-poles below"),
                (LandingSchool.ByArea, "by area of the house")]),
        Ask("balance", "Legs balanced by", s => s.Balance, (s, a) => s with { Balance = a },
            [(LegView.Connected, "everything connected"), (LegView.Demand, "demand"), (LegView.Evening, "an evening while people cook"),
                (LegView.Night, "a night with the car charging")]),
        Ask("spares", "Spare spaces", s => s.Spares, (s, a) => s with { Spares = a },
            [(SpareSpaces.Last, "last"), (SpareSpaces.Spread, "spread among the one-poles")]),
        Ask("grounds", "Small grounds at the bar", s => s.Grounds, (s, a) => s with { Grounds = a },
            [(SmallGrounds.AsLabelAllows, "as many under a screw as the label allows"), (SmallGrounds.OneEach, "one each")]),
        Ask("column", "Cables down one bay", s => s.Column, (s, a) => s with { Column = a },
            [(CableColumn.Stackers, "in stackers, spaced"), (CableColumn.Ties, "tied behind a staple, those of one hole in contact"),
                (CableColumn.StapleOverStaple, "staple over staple, spaced")]),
        Ask("feeders", "Feeders inside a building", s => s.Feeders, (s, a) => s with { Feeders = a },
            [(FeederWay.Cable, "in cable of four wires"), (FeederWay.Pipe, "in a pipe of their own")]),
        Ask("feederMetal", "Metal of feeders", s => s.FeederMetal, (s, a) => s with { FeederMetal = a },
            [(FeederMetal.Copper, "copper"), (FeederMetal.Aluminium, "aluminum, terminals listed for it")]),
        Ask("joints", "Joints at devices", s => s.Joints, (s, a) => s with { Joints = a },
            [(JointSchool.Pigtail, "pigtail everything"), (JointSchool.FeedThrough, "through the device where two cables meet"),
                (JointSchool.AsNeeded, "pigtail only where needed")]),
        Ask("feed", "Feed to lighting", s => s.Feed, (s, a) => s with { Feed = a },
            [(LightingFeed.SwitchFirst, "switch first"), (LightingFeed.LightFirst, "light first, loop with a neutral")]),
    ];

    /// <summary>Those that a room may answer otherwise.</summary>
    public static ImmutableArray<School> OfRooms { get; } = [.. All.Where(s => s.OfRoom is not null)];

    /// <summary>Those that a circuit may answer otherwise.</summary>
    public static ImmutableArray<School> OfCircuits { get; } = [.. All.Where(s => s.OfCircuit is not null)];

    private static School Ask<T>(string field, string words, Func<Schools, T> of, Func<Schools, T, Schools> with,
        ImmutableArray<(T Answer, string Words)> answers)
        where T : struct, Enum =>
            new(field, words, s => of(s), (s, a) => with(s, (T)a), [.. answers.Select(a => ((Enum)a.Answer, a.Words))]);
}
