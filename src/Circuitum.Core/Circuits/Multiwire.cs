using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Pairs circuits that go the same way: two that a person put together, and of the rest two small-appliance circuits of one panel
/// by the crew's school. They share a neutral, a cable, or nothing.</summary>
public static class Multiwire
{
    /// <summary>The circuits, pairs naming each other. An odd one stays by itself.</summary>
    internal static List<Circuit> Pair(List<Circuit> circuits, Job job, CodeBook book)
    {
        var paired = circuits.ToList();
        void Join(Circuit one, Circuit other, TwoCircuits school, bool chosen)
        {
            paired[paired.IndexOf(one)] = With(one, other, school, chosen, book);
            paired[paired.IndexOf(other)] = With(other, one, school, chosen, book);
        }

        foreach (var pin in job.Pins.Together)
        {
            if (WhyNot(pin, paired, job) is null)
            {
                Join(paired.Find(c => c.Key == pin.One)!, paired.Find(c => c.Key == pin.Other)!, pin.As, true);
            }
        }

        foreach (var group in circuits.Where(c => c.Kind == CircuitKind.SmallAppliance && MayShare(c) && paired.Contains(c))
            .GroupBy(c => c.Panel))
        {
            foreach (var pair in group.OrderBy(c => c.Key.Value, StringComparer.Ordinal).Chunk(2).Where(p => p.Length == 2))
            {
                Join(pair[0], pair[1], job.Schools.TwoCircuits, false);
            }
        }

        return paired;
    }

    /// <summary>Why two circuits that a person put together stay apart; null when they can go together. One that is not in the plan is told
    /// as any other choice without its circuit is.</summary>
    /// <param name="pin">The choice.</param>
    /// <param name="circuits">All circuits.</param>
    /// <param name="job">The job.</param>
    public static string? WhyNot(TogetherPin pin, IReadOnlyCollection<Circuit> circuits, Job job)
    {
        if (circuits.FirstOrDefault(c => c.Key == pin.One) is not { } one
            || circuits.FirstOrDefault(c => c.Key == pin.Other) is not { } other)
        {
            return "one of them is not in the plan now";
        }

        return one.Panel != other.Panel ? "they are fed from two panels"
            : !MayShare(one) || !MayShare(other)
                ? "only two branch circuits of one pole go in one cable"
            : (one.GoesWith ?? pin.Other) != pin.Other || (other.GoesWith ?? pin.One) != pin.One
                ? "one of them goes with another circuit already"
            : pin.As != TwoCircuits.Multiwire ? null
            : (Rating(one, job), Rating(other, job)) is not (Amps a, Amps b)
                ? "the breaker of one follows from its nameplate, and the legs of one multiwire circuit have one rating: hold the breakers"
            : a != b ? $"their breakers are of {a} and {b}: the legs of one multiwire circuit open together, behind one rating" : null;
    }

    /// <summary>A branch circuit of one pole that carries something: two of one panel may come in one cable. A feeder has no
    /// boxes.</summary>
    public static bool MayShare(Circuit circuit) => circuit.Poles == 1 && !circuit.Boxes.IsEmpty && !circuit.BringsPower;

    private static Amps? Rating(Circuit circuit, Job job) =>
        job.Pins.Breakers.FirstOrDefault(p => p.Circuit == circuit.Key)?.Rating ?? circuit.UsualRating;

    private static Circuit With(Circuit one, Circuit other, TwoCircuits school, bool chosen, CodeBook book)
    {
        var source = chosen ? "held by a person" : "crew's way: two circuits to one place";
        return (one with
        {
            GoesWith = other.Key,
            GoesAs = school,
        }) switch
        {
            var pair when school == TwoCircuits.Multiwire => pair with
            {
                SharesNeutralWith = other.Key,
                Why = one.Why.House($"shares its neutral with {other.Key.Words}", "two legs, opened together",
                    book.Cite(RuleId.Multiwire).After(source)),
            },
            var pair when school == TwoCircuits.FourWire && chosen => pair with
            {
                Why = one.Why.Pin($"in one cable with {other.Key.Words}", "two hots, two neutrals"),
            },
            var pair => pair,
        };
    }
}
