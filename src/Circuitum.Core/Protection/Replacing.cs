using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>A receptacle of 125 V that stands and is to be replaced.</summary>
/// <param name="Outlet">Where it stands and what it serves; the circuit's rating is its breaker, 15 or 20 A.</param>
/// <param name="Grounded">A ground is in the box: a conductor, or the armor or pipe that serves as one.</param>
/// <param name="Height">Floor to its contacts.</param>
/// <param name="Gauge">Its conductors, 14 AWG or larger.</param>
/// <param name="Metal">Of its conductors.</param>
/// <param name="Free">How far they come out of the wall of the box.</param>
public sealed record StandingReceptacle(Outlet Outlet, bool Grounded, Length Height, Gauge Gauge, Metal Metal, Length Free);

/// <summary>One thing that the new receptacle must be or have.</summary>
/// <param name="What">What is asked.</param>
/// <param name="Answer">How it is answered.</param>
/// <param name="Ways">Each of the ways that are allowed; none where the answer is the way.</param>
/// <param name="Cite">The rule; null where nothing is asked.</param>
public sealed record ReplacementNeed(string What, string Answer, ImmutableArray<string> Ways, Citation? Cite);

/// <summary>What replaces it.</summary>
/// <param name="Needs">What it must be, the ground first.</param>
/// <param name="Cautions">What is wrong with what stands there, to be mended first.</param>
public sealed record Replacement(ImmutableArray<ReplacementNeed> Needs, ImmutableArray<string> Cautions);

/// <summary>Replaces a receptacle that stands: today’s protection comes with the new one, and yesterday’s wiring stays.</summary>
public static class Replacing
{
    // 406.12 exception 1: more than 5-1/2 ft above the floor.
    private static readonly Length OutOfReach = Length.FromInches(66);

    // 300.14: from where they come out of the sheath or the pipe.
    private static readonly Length LeastFree = Length.FromInches(6);

    /// <summary>What the new receptacle must be, and what is to be mended first.</summary>
    /// <param name="stands">The receptacle.</param>
    /// <param name="book">The book of the day it is replaced.</param>
    /// <exception cref="ArgumentException">The book has no such rules here.</exception>
    public static Replacement Of(StandingReceptacle stands, CodeBook book)
    {
        if (!book.Has(RuleId.ReplacedOnGround))
        {
            throw new ArgumentException("What this book asks of a receptacle that is replaced is not known here.", nameof(book));
        }

        Need? ground = book.Protection.Gfci(stands.Outlet), arc = book.Protection.Afci(stands.Outlet);
        return new([Ground(stands, ground, book), GroundFault(ground, book), ArcFault(arc, ground, book), Tamper(stands, book),
            Weather(stands, book), Rating(stands, book)], [.. Cautions(stands, book)]);
    }

    private static ReplacementNeed Ground(StandingReceptacle stands, Need? groundFault, CodeBook book) => stands.Grounded
        ? new("Ground", "a grounding receptacle, its screw on the ground in the box", [], book.Cite(RuleId.ReplacedOnGround))
        : new("Ground", "none in the box: one of four ways",
            [
                groundFault is null ? "a two-slot receptacle again" : "a two-slot receptacle again, protected by a GFCI before it",
                "a GFCI receptacle, marked “No Equipment Ground”; no ground conductor goes on from it",
                "a grounding receptacle behind a GFCI, marked “GFCI Protected” and “No Equipment Ground”; no ground conductor from one to "
                    + "the next",
                $"a ground brought to it, to the panel’s bar, the electrode or its conductor ({book.Cite(RuleId.GroundBrought)}); then a "
                    + "grounding receptacle",
            ], book.Cite(RuleId.ReplacedWithoutGround));

    private static ReplacementNeed GroundFault(Need? need, CodeBook book) => need is null
        ? new("GFCI", "not asked at this place", [], null)
        : new("GFCI", $"needed: {need.Reason}",
            [
                "a GFCI receptacle", "the load side of a GFCI receptacle before it",
                "a GFCI breaker, where the box has no room for the device",
            ], need.Cite.And(book.Cite(RuleId.ReplacedGroundFault)));

    private static ReplacementNeed ArcFault(Need? need, Need? groundFault, CodeBook book) => need is null
        ? new("AFCI", "not asked at this place", [], null)
        : new("AFCI", $"needed: {need.Reason}",
            [
                groundFault is null ? "an outlet branch-circuit AFCI receptacle" : "a receptacle that is AFCI and GFCI in one",
                "a receptacle behind such a one", "a combination AFCI breaker",
            ], need.Cite.And(book.Cite(RuleId.ReplacedArcFault)));

    private static ReplacementNeed Tamper(StandingReceptacle stands, CodeBook book) => stands.Height > OutOfReach
        ? new("Tamper-resistant", "not asked: more than 5'-6\" up", [], book.Cite(RuleId.TamperException))
        : new("Tamper-resistant", stands.Grounded ? "yes" : "yes; a two-slot one need not be", [],
            book.Cite(RuleId.TamperResistant).And(book.Cite(RuleId.ReplacedTamper)));

    private static ReplacementNeed Weather(StandingReceptacle stands, CodeBook book) => !stands.Outlet.Outdoors
        ? new("Weather-resistant", "not asked indoors", [], null)
        : new("Weather-resistant", "yes, with a cover good while in use", [],
            book.Cite(RuleId.WetListed).And(book.Cite(RuleId.ReplacedWeather)));

    private static ReplacementNeed Rating(StandingReceptacle stands, CodeBook book) => new("Rating", stands.Outlet.Rating.Value <= 15
        ? "15 A" : "15 A, or 20 A; 20 A where a single one is alone on the circuit", [], book.Cite(RuleId.ReceptacleRating));

    private static IEnumerable<string> Cautions(StandingReceptacle stands, CodeBook book)
    {
        if (!book.SuitsSmallConductor(stands.Outlet.Rating, stands.Gauge, stands.Metal)
            || book.Conductors.Ampacity(stands.Gauge, stands.Metal, Column.C60) is null)
        {
            yield return $"{stands.Gauge} {(stands.Metal == Metal.Copper ? "copper" : "aluminum")} may not stay on a breaker of "
                + $"{stands.Outlet.Rating} ({book.Cite(RuleId.SmallConductors)}): a smaller breaker first, whatever else is done.";
        }

        if (stands.Metal == Metal.Aluminium)
        {
            yield return $"Aluminum: a receptacle marked CO/ALR ({book.Cite(RuleId.AluminiumDevices)}). GFCI and AFCI receptacles are for "
                + "copper: a copper tail, joined by a connector listed for both.";
        }

        if (stands.Free < LeastFree)
        {
            yield return $"{stands.Free} of free conductor: {LeastFree} are asked, 3\" of it outside a small opening "
                + $"({book.Cite(RuleId.FreeConductor)}). Lengthen each by a tail, and count the box again.";
        }
    }
}
