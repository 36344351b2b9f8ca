using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>What a panel's bars and its cabinet take.</summary>
/// <param name="Neutrals">Terminals of the neutral bar: one for each neutral (408.41) and for the tail of each protective breaker, whose
/// circuit's neutral then lands on the breaker.</param>
/// <param name="Tails">How many of them are tails.</param>
/// <param name="Grounds">Equipment grounds, one from each cable.</param>
/// <param name="GroundScrews">Terminals they take, small ones as many to a screw as the bar's label and the crew allow.</param>
/// <param name="Cables">Cables that come in.</param>
public sealed record Terminals(int Neutrals, int Tails, int Grounds, int GroundScrews, int Cables)
{
    /// <summary>Counts a panel's terminals.</summary>
    public static Terminals Of(PanelSchedule schedule, Schools schools, CodeBook book)
    {
        var circuits = schedule.Circuits.Select(c => c.Wired).Where(c => c.HomeRun is not null).ToList();
        // Conductors that come in another circuit's cable bring no cable and no ground; a shared neutral is one neutral.
        var cables = circuits.Where(c => c.HomeRun!.RidesIn is null).ToList();
        // One two-pole device for both circuits of a multiwire pair has one tail.
        var tails = circuits.Count(c => c.Mark.Length > 0 && (c.Circuit.SharesNeutralWith is not { } with
            || string.CompareOrdinal(c.Circuit.Key.Value, with.Value) < 0));
        var neutrals = circuits.Count(c => c.Mark.Length == 0 && !c.Circuit.ByLugs && HasNeutral(c) && !RidesOnSharedNeutral(c, circuits));
        // What stood there has a cable and a ground each; a neutral where it is of one pole, a range or a dryer.
        var before = schedule.Panel.Taken;
        neutrals += before.Count(t => t.Poles == 1 || t.Use is TakenUse.Cooking or TakenUse.Dryer);
        var all = cables.Count + before.Length;
        var small = cables.Count(c => IsSmall(GroundOf(c)))
            + before.Count(t => IsSmall(book.Conductors.EquipmentGround(t.Rating, Metal.Copper)));
        var each = PerScrew(schedule.Panel, schools);
        var screws = ((small + each - 1) / each) + all - small;
        return new(neutrals + tails, tails, all, screws, all);
    }

    /// <summary>Small grounds that go under one screw: as many as the bar's label allows, or one by the crew's school.</summary>
    public static int PerScrew(Panel panel, Schools schools) => schools.Grounds == SmallGrounds.OneEach ? 1
        : panel.Listing.GroundsUnderScrew;

    /// <summary>Its home run brings a neutral.</summary>
    public static bool HasNeutral(WiredCircuit circuit) => circuit.HomeRun is { } run && run.Carries.Contains(Carried.Neutral);

    private static bool RidesOnSharedNeutral(WiredCircuit circuit, List<WiredCircuit> circuits) => circuit.HomeRun!.RidesIn is RunId cable
        && circuits.Exists(c => c.HomeRun!.Id == cable && !c.HomeRun.Carries.Contains(Carried.OtherNeutral));

    /// <summary>The equipment ground that its home run brings: as large as a cable's conductors to 10 AWG, beyond as Table 250.122 asks for
    /// its breaker; as sized where it is pulled loose.</summary>
    public static Gauge GroundOf(WiredCircuit circuit) => circuit.Sized is var sized && sized.Ground is { } loose ? loose
        : IsSmall(sized.HomeRunGauge) ? sized.HomeRunGauge : circuit.Book.Conductors.EquipmentGround(sized.Breaker.Value, Metal.Copper);

    /// <summary>True for a ground of 14 to 10 AWG, of which a bar's label may allow several under a screw.</summary>
    public static bool IsSmall(Gauge ground) => ground <= Gauge.Awg10;
}
