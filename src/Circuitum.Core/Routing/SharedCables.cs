using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>One way to bring two circuits to one place, with what it costs.</summary>
/// <param name="School">Two cables, a shared neutral, or two neutrals in one cable.</param>
/// <param name="Footage">Of both circuits together.</param>
/// <param name="Apart">Where the two part; null when each has a cable of its own.</param>
/// <param name="Volume">What that box would hold, 314.16; null when they part nowhere.</param>
/// <param name="Box">The smallest usual box of its gangs that holds it; null when none does.</param>
public sealed record TogetherWay(TwoCircuits School, Length Footage, RunEnd? Apart, CubicInches? Volume, CubicInches? Box);

/// <summary>Brings two circuits that go the same way to their boxes, in two cables or in one as far as the first box.</summary>
internal sealed class SharedCables(Survey survey, RunEnd panel, Wayfinder finder, Job job, CodeBook book)
{
    /// <summary>Both circuits as they go together. A shared neutral needs one cable (300.3(B)); two neutrals share one only where that
    /// saves footage, and where such a cable is made: not for the ground, and what is loose in a pipe has no sheath to share.</summary>
    public (RoutedCircuit One, RoutedCircuit Other) Pull(Circuit one, Circuit other, TwoCircuits school)
    {
        RoutedCircuit first = Route(one).Pull(), second = Route(other).Pull();
        if (school == TwoCircuits.TwoWire || first.HomeRun is null || second.HomeRun is null)
        {
            return (first, second);
        }

        (RoutedCircuit One, RoutedCircuit Other) a = (Lead(first, other, school), Route(other).Pull(first.HomeRun)),
            b = (Route(one).Pull(second.HomeRun), Lead(second, one, school));
        Length Of((RoutedCircuit One, RoutedCircuit Other) pair) => pair.One.Footage + pair.Other.Footage;
        var best = Of(a) <= Of(b) ? a : b;
        var lead = best.One.HomeRun!.TakesAlong is not null ? best.One : best.Other;
        return school == TwoCircuits.FourWire && (Of(best) >= first.Footage + second.Footage
            || lead.HomeRun!.Jacket is not (Jacket.Nonmetallic or Jacket.Armoured)) ? (first, second) : best;
    }

    /// <summary>The three schools beside each other.</summary>
    public IEnumerable<TogetherWay> Weigh(Circuit one, Circuit other) => Enum.GetValues<TwoCircuits>().Select(school =>
    {
        var (first, second) = Pull(one, other, school);
        var footage = first.Footage + second.Footage;
        var lead = new[] { first, second }.FirstOrDefault(r => r.HomeRun?.TakesAlong is not null);
        if (lead?.HomeRun is not { } home || home.To.Box is not BoxId apart)
        {
            return new TogetherWay(school, footage, null, null, null);
        }

        // Not known yet: as large as a counter's.
        Amps Usual(Circuit circuit) => book.Division.Small(circuit.UsualRating ?? book.Division.Counters);
        var gauge = book.Conductors.LeastFor(Usual(one) >= Usual(other) ? Usual(one) : Usual(other));
        var cables = lead.Runs.Where(r => r.To.Box == apart || r.From.Box == apart)
            .Select(r => new EnteringCable(gauge, r.Conductors)).Append(new(gauge, 2)).ToList();
        var volume = survey[apart].Needed(cables, book).Value;
        return new TogetherWay(school, footage, home.To, volume, UsualBoxes.Taken(survey[apart].Make, survey[apart].Gangs, volume));
    });

    private CircuitRoute Route(Circuit circuit) => new(circuit, survey, panel, finder, job, book);

    private static RoutedCircuit Lead(RoutedCircuit routed, Circuit other, TwoCircuits school)
    {
        var home = routed.HomeRun! with
        {
            Carries = school == TwoCircuits.Multiwire ? [Carried.Hot, Carried.OtherHot, Carried.Neutral]
                : [Carried.Hot, Carried.Neutral, Carried.OtherHot, Carried.OtherNeutral],
            TakesAlong = other.Key,
        };
        return routed with { Runs = routed.Runs.SetItem(0, home) };
    }
}
