using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>What follows from a room's use, so that whoever names a room sees it at once.</summary>
/// <param name="What">The consequence.</param>
/// <param name="Section">The section that says so.</param>
public sealed record RoomConsequence(string What, Citation Section)
{
    /// <summary>What the book asks of a room of a use: receptacles, lighting, circuits, protection, alarms.</summary>
    public static IEnumerable<RoomConsequence> Of(RoomUse use, CodeBook book, Schools schools) =>
        All(use, book, schools).Where(c => book.Asks(c.Section));

    private static IEnumerable<RoomConsequence> All(RoomUse use, CodeBook book, Schools schools)
    {
        if (WallSpaces.Covers(use))
        {
            yield return new($"no point of its walls farther than {book.Outlets.WallReach} from a receptacle",
                book.Cite(RuleId.WallReceptacles));
        }

        foreach (var own in Receptacles(use, book, schools))
        {
            yield return own;
        }

        var outlet = new Outlet(use, false, true, false, false, use == RoomUse.Kitchen, false, false, book.Supply.ToNeutral, new Amps(20),
            null);
        if (book.Protection.Afci(outlet) is { } afci)
        {
            var lights = book.Protection.Afci(outlet with { Receptacle = false, Lighting = true }) is not null;
            yield return new($"its {book.Supply.ToNeutral} {(lights ? "outlets" : "receptacles")} are AFCI protected", afci.Cite);
        }

        if (book.Protection.Gfci(outlet) is { } gfci)
        {
            yield return new($"{(use == RoomUse.Kitchen && !book.Protection.GuardsEveryKitchenReceptacle ? "its counter receptacles are"
                : "its receptacles are")} GFCI protected", gfci.Cite);
        }

        if (use is not (RoomUse.Closet or RoomUse.Pantry or RoomUse.Sauna or RoomUse.Greenhouse or RoomUse.CrawlSpace))
        {
            yield return new(use is RoomUse.Kitchen or RoomUse.Bath or RoomUse.Laundry
                ? "a lamp worked by a wall switch, no switched receptacle instead" : "a lighting outlet worked by a wall switch",
                book.Cite(RuleId.Lighting));
        }

        if (use is RoomUse.Bath or RoomUse.Closet or RoomUse.Stair)
        {
            yield return new("no panel may stand in it",
                use switch
                {
                    RoomUse.Closet => book.Cite(RuleId.NotInClosets),
                    RoomUse.Bath => book.Cite(RuleId.NotInBathrooms),
                    _ => book.Cite(RuleId.NotOverStairs)
                });
        }
    }

    private static IEnumerable<RoomConsequence> Receptacles(RoomUse use, CodeBook book, Schools schools) => use switch
    {
        RoomUse.Kitchen => [new($"counters {book.Outlets.NarrowestCounter} or wider: no point farther than {book.Outlets.CounterReach} "
            + "from a receptacle", book.Cite(RuleId.CounterReceptacles)),
            new($"two or more {book.Division.CountersOf(schools)} {book.Division.CounterWord} circuits, nothing else on them",
                book.Cite(RuleId.SmallApplianceCircuits))],
        RoomUse.Dining or RoomUse.Pantry when book.Division.ReceptaclesOfCounterCircuit is null =>
            [new("its receptacles are on the small-appliance circuits", book.Cite(RuleId.KitchenOnSmallAppliance))],
        RoomUse.Bath => [new($"a receptacle within {book.Outlets.BasinReach} of each basin", book.Cite(RuleId.BasinReceptacle)),
            new($"its receptacles on a {book.Division.Receptacles} circuit of their own", book.Cite(RuleId.BathCircuit))],
        RoomUse.Laundry => [new($"at least one receptacle, on a {book.Division.Receptacles} circuit of its own",
            book.Cite(RuleId.LaundryReceptacle, RuleId.LaundryCircuit))],
        RoomUse.Garage => [new($"a receptacle for each vehicle bay, on a {book.Division.Receptacles} circuit",
            book.Cite(RuleId.GarageReceptacle, RuleId.GarageCircuit)),
            new("carbon monoxide alarms outside the bedrooms of the house", book.Cite(RuleId.CarbonMonoxideWhere))],
        RoomUse.Utility when book.Has(RuleId.UtilityRoomReceptacle) => [new($"a receptacle, on a {book.Division.Receptacles} circuit of "
            + "its own", book.Cite(RuleId.UtilityRoomReceptacle, RuleId.UtilityRoomCircuit))],
        RoomUse.UnfinishedBasement => [new("a receptacle in each unfinished part", book.Cite(RuleId.BasementReceptacle))],
        RoomUse.Hall => [new($"a receptacle when it is {book.Outlets.HallFrom} or longer", book.Cite(RuleId.HallReceptacle))],
        RoomUse.Entry => [new("over 60 ft²: a receptacle on each wall of 3 ft or more", book.Cite(RuleId.FoyerReceptacles))],
        RoomUse.Bedroom => [new("a smoke alarm in it and one outside its door", book.Cite(RuleId.SmokeAlarms))],
        RoomUse.Stair => [new("six risers or more: a switch at each level", book.Cite(RuleId.LightingAtEntries))],
        RoomUse.Closet => [new("lamps clear of the shelves", book.Cite(RuleId.ClosetLight))],
        RoomUse.Greenhouse =>
            [new($"a damp place: {book.Conductors.Suffix(Jacket.Underground)} cable or conductors in pipe, covers for damp places",
                book.Cite(RuleId.NotInWet, RuleId.DampReceptacle))],
        _ => [],
    };
}
