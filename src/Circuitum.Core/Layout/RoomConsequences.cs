using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>What follows from a room's use, so that whoever names a room sees it at once.</summary>
/// <param name="What">The consequence.</param>
/// <param name="Section">The section that says so.</param>
public sealed record RoomConsequence(string What, string Section)
{
    /// <summary>What the book asks of a room of a use: receptacles, lighting, circuits, protection, alarms.</summary>
    public static IEnumerable<RoomConsequence> Of(RoomUse use, CodeBook book)
    {
        if (WallSpaces.Covers(use))
        {
            yield return new("no point of its walls farther than 6 ft from a receptacle", "210.52(A)");
        }

        foreach (var own in Receptacles(use))
        {
            yield return own;
        }

        var outlet = new Outlet(use, false, true, false, false, use == RoomUse.Kitchen, false, false, new Volts(120), new Amps(20), null);
        if (book.AfciFor(outlet) is { } afci)
        {
            yield return new("its 120 V outlets are AFCI protected", afci.Section);
        }

        if (book.GfciFor(outlet) is { } gfci)
        {
            yield return new($"{(use == RoomUse.Kitchen && !book.GuardsEveryKitchenReceptacle ? "its counter receptacles are" : "its receptacles are")} GFCI protected", gfci.Section);
        }

        if (use is not (RoomUse.Closet or RoomUse.Pantry or RoomUse.Sauna or RoomUse.Greenhouse or RoomUse.CrawlSpace))
        {
            yield return new(use is RoomUse.Kitchen or RoomUse.Bath or RoomUse.Laundry ? "a lamp worked by a wall switch, no switched receptacle instead" : "a lighting outlet worked by a wall switch", "210.70(A)");
        }

        if (use is RoomUse.Bath or RoomUse.Closet or RoomUse.Stair)
        {
            yield return new("no panel may stand in it", use switch { RoomUse.Closet => "240.24(D)", RoomUse.Bath => "240.24(E)", _ => "240.24(F)" });
        }
    }

    private static IEnumerable<RoomConsequence> Receptacles(RoomUse use) => use switch
    {
        RoomUse.Kitchen => [new("counters 12 in or wider: no point farther than 24 in from a receptacle", "210.52(C)"), new("two or more 20 A small-appliance circuits, nothing else on them", "210.11(C)(1)")],
        RoomUse.Dining or RoomUse.Pantry => [new("its receptacles are on the small-appliance circuits", "210.52(B)(1)")],
        RoomUse.Bath => [new("a receptacle within 3 ft of each basin", "210.52(D)"), new("its receptacles on a 20 A circuit of their own", "210.11(C)(3)")],
        RoomUse.Laundry => [new("at least one receptacle, on a 20 A circuit of its own", "210.52(F), 210.11(C)(2)")],
        RoomUse.Garage => [new("a receptacle for each vehicle bay, on a 20 A circuit", "210.52(G)(1), 210.11(C)(4)"), new("carbon monoxide alarms outside the bedrooms of the house", "R315.2")],
        RoomUse.UnfinishedBasement => [new("a receptacle in each unfinished part", "210.52(G)(3)")],
        RoomUse.Hall => [new("a receptacle when it is 10 ft or longer", "210.52(H)")],
        RoomUse.Entry => [new("over 60 ft²: a receptacle on each wall of 3 ft or more", "210.52(I)")],
        RoomUse.Bedroom => [new("a smoke alarm in it and one outside its door", "R314.3")],
        RoomUse.Stair => [new("six risers or more: a switch at each level", "210.70(A)(2)")],
        RoomUse.Closet => [new("lamps clear of the shelves", "410.16")],
        RoomUse.Greenhouse => [new("a damp place: UF cable or conductors in pipe, covers for damp places", "334.12(B), 406.9")],
        _ => [],
    };
}
