using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>The numbers of the house rules, in the order the page shows them. Lengths are limited in inches.</summary>
public static class HouseRuleNumbers
{
    /// <summary>All of them.</summary>
    public static ImmutableArray<CrewNumber<HouseRules>> All { get; } =
    [
        Length("receptacleReach", "Farthest point of a wall from a receptacle", r => r.ReceptacleReach,
            (r, v) => r with { ReceptacleReach = v }, 24, 72) with { Book = "at most 6 ft", Places = true, Cites = [RuleId.WallReach] },
        Length("counterReach", "Farthest point of a counter from a receptacle", r => r.CounterReach, (r, v) => r with { CounterReach = v },
            12, 24) with { Book = "at most 24 in", Places = true, Cites = [RuleId.CounterReach] },
        Length("receptacleHeight", "Receptacles, bottom at", r => r.ReceptacleHeight, (r, v) => r with { ReceptacleHeight = v }, 0, 66)
            with { Book = "counts up to 5-1/2 ft", Places = true, Cites = [RuleId.HighReceptacle] },
        Length("switchHeight", "Switches at", r => r.SwitchHeight, (r, v) => r with { SwitchHeight = v }, 12, 80)
            with { Book = "handle at most 6 ft 7 in", Places = true, Cites = [RuleId.SwitchHeight] },
        Length("counterHeight", "Counter receptacles at", r => r.CounterHeight, (r, v) => r with { CounterHeight = v }, 30, 60)
            with { Book = "at most 20 in above the counter", Places = true, Cites = [RuleId.CounterHeight] },
        Length("switchFromJamb", "Strike jamb to a switch's middle", r => r.SwitchFromJamb, (r, v) => r with { SwitchFromJamb = v }, 4, 24)
            with { Places = true },
        Length("canSpacing", "Can to can, half of it from the walls", r => r.CanSpacing, (r, v) => r with { CanSpacing = v }, 24, 120)
            with { Places = true },
        Length("boreHeight", "Studs bored at", r => r.BoreHeight, (r, v) => r with { BoreHeight = v }, 6, 72)
            with { Book = "hole’s edge 1-1/4 in from the face", Cites = [RuleId.HoleEdge] },
        Length("makeUpAtBox", "Cable made up in a box", r => r.MakeUpAtBox, (r, v) => r with { MakeUpAtBox = v }, 6, 48)
            with { Book = "6 in free conductor", Cites = [RuleId.FreeConductor] },
        Length("slackAtBox", "Slack behind a box", r => r.SlackAtBox, (r, v) => r with { SlackAtBox = v }, 0, 60),
        Length("atPanel", "Cable left at a panel", r => r.AtPanel, (r, v) => r with { AtPanel = v }, 12, 240),
        Count("spareSpaces", "Spaces left free in a panel", r => r.SpareSpaces, (r, v) => r with { SpareSpaces = v }, 0, 40),
        Share("sag", "Sag and going round", r => r.Sag, (r, v) => r with { Sag = v }, 0, 30),
        Share("waste", "Cable bought beyond what is cut", r => r.Waste, (r, v) => r with { Waste = v }, 0, 30),
        Length("fastenedNearBox", "First staple from a box", r => r.FastenedNearBox, (r, v) => r with { FastenedNearBox = v }, 3, 12)
            with { Book = "12 in; 8 in at a box without clamps", Cites = [RuleId.CableSupport, RuleId.CableAtBox] },
        Length("fastenedAlong", "Staple to staple", r => r.FastenedAlong, (r, v) => r with { FastenedAlong = v }, 12, 54)
            with { Book = "at most 4-1/2 ft", Cites = [RuleId.CableSupport] },
        Length("trenchMargin", "Trench beyond the least cover", r => r.TrenchMargin, (r, v) => r with { TrenchMargin = v }, 0, 24)
            with { Book = "cover over PVC 18 in", Cites = [RuleId.BurialCover] },
        Count("cablesPerHole", "Cables in one hole", r => r.CablesPerHole, (r, v) => r with { CablesPerHole = v }, 1, 9)
            with { Book = "derated above two", Cites = [RuleId.CableAmpacity] },
        Count("leastFeeder", "Smallest feeder inside a building, A", r => r.LeastFeeder, (r, v) => r with { LeastFeeder = v }, 0, 200)
            with { Book = "no less than its load", Cites = [RuleId.FeederConductors] },
        Count("outletsPerCircuit", "Outlets on a general circuit", r => r.OutletsPerCircuit, (r, v) => r with { OutletsPerCircuit = v }, 4,
            30) with { Book = "none in the model code; local caps apply" },
        Share("largestFill", "Largest fill of a general circuit", r => r.LargestFill, (r, v) => r with { LargestFill = v }, 40, 100)
            with { Book = "100 %, continuous load × 1.25", Cites = [RuleId.ContinuousLoad] },
        Length("lowVoltageApart", "Low voltage from power beside it", r => r.LowVoltageApart, (r, v) => r with { LowVoltageApart = v }, 2,
            24) with { Book = "2 in; none from cable", Cites = [RuleId.LowVoltageFromPower] },
        Share("dropTarget", "Voltage drop at the far end", r => r.DropTarget, (r, v) => r with { DropTarget = v }, 1, 8)
            with { Book = "advice: 3 %", Cites = [RuleId.VoltageDropNote] },
    ];

    private static CrewNumber<HouseRules> Length(string field, string words, Func<HouseRules, Length> get,
        Func<HouseRules, Length, HouseRules> with, decimal least, decimal most) =>
        new(field, words, NumberKind.Length, r => get(r).Inches, (r, v) => with(r, Units.Length.FromInches(v)), least, most);

    private static CrewNumber<HouseRules> Share(string field, string words, Func<HouseRules, Percent> get,
        Func<HouseRules, Percent, HouseRules> with, decimal least, decimal most) =>
        new(field, words, NumberKind.Share, r => get(r).Value, (r, v) => with(r, new(v)), least, most);

    private static CrewNumber<HouseRules> Count(string field, string words, Func<HouseRules, int> get,
        Func<HouseRules, int, HouseRules> with, int least, int most) =>
        new(field, words, NumberKind.Count, r => get(r), (r, v) => with(r, (int)v), least, most);
}
