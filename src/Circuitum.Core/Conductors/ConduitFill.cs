using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using System.Collections.Immutable;

namespace Circuitum.Core.Conductors;

/// <summary>So many conductors of one size.</summary>
/// <param name="Count">1 to 60.</param>
/// <param name="Gauge">THHN/THWN-2.</param>
public sealed record PulledConductors(int Count, Gauge Gauge);

/// <summary>What a pipe holds and how it pulls.</summary>
/// <param name="Trade">Trade size; null when none to 2 in is large enough.</param>
/// <param name="Fill">Share of its area.</param>
/// <param name="Jams">Three conductors of one size may wedge side by side at a bend: pipe to conductor from 2.8 to 3.2.</param>
/// <param name="Turns">Bends in all, degrees.</param>
/// <param name="TooManyTurns">More than 360° between pull points.</param>
/// <param name="Pulling">How hard the pull is, in words.</param>
/// <param name="Why">The sum.</param>
public sealed record ConduitSum(string? Trade, Percent Fill, bool Jams, int Turns, bool TooManyTurns, string Pulling, Because Why);

/// <summary>Sizes a raceway by fill, and looks at its bends.</summary>
public static class ConduitFill
{
    /// <summary>The smallest pipe that may hold these conductors, Chapter 9 Tables 1, 4 and 5.</summary>
    /// <param name="kind">The pipe.</param>
    /// <param name="conductors">At least one.</param>
    /// <param name="bends">Degrees of each bend, 1 to 180.</param>
    /// <param name="length">Of the pull.</param>
    /// <param name="book">The rules.</param>
    /// <param name="atLeast">The least trade size wanted; as small as it may be when null.</param>
    public static ConduitSum Size(ConduitKind kind, ImmutableArray<PulledConductors> conductors, ImmutableArray<int> bends, Length length,
        CodeBook book, string? atLeast = null)
    {
        var count = conductors.Sum(c => c.Count);
        var area = new SquareInches(conductors.Sum(c => c.Count * book.Conductors.ConductorArea(c.Gauge).Value));
        var most = book.Conductors.RacewayFill(count);
        var why = Because.Of("Why this pipe");
        foreach (var c in conductors)
        {
            why = why.Book($"{c.Count} × {c.Gauge} of {book.Conductors.ConductorArea(c.Gauge)}",
                new SquareInches(c.Count * book.Conductors.ConductorArea(c.Gauge).Value).ToString(), book.Cite(RuleId.ConductorAreas));
        }

        why = why.Book($"{count} conductor{(count == 1 ? "" : "s")} may fill", most.ToString(), book.Cite(RuleId.PipeFill));
        var turns = bends.Sum();
        var pulling = Pulling(length, turns);
        if (atLeast is not null)
        {
            why = why.Pin("held by a person, for what may be pulled later", $"{atLeast} in or larger");
        }

        foreach (var (trade, whole) in book.Conductors.Conduit(kind).SkipWhile(c => atLeast is not null && c.Trade != atLeast))
        {
            var room = new SquareInches(whole.Value * most.Value / 100);
            if (room.Value >= area.Value)
            {
                var fill = new Percent(area.Value / whole.Value * 100);
                why = why.Book($"{trade} in {NameOf(kind)}: {most} of {whole}", $"{room} ≥ {area}", book.Cite(RuleId.PipeAreas));
                var jams = Jam(conductors, whole, book);
                if (jams is decimal ratio)
                {
                    why = why.Plan("inside of the pipe to one conductor, three of a size",
                        $"{ratio:0.00}{(ratio is >= 2.8m and <= 3.2m ? ", where three wedge side by side: take the next size" : "")}");
                }

                return new(trade, fill, jams is >= 2.8m and <= 3.2m, turns, turns > Raceway.MostDegrees, pulling,
                    why.Book("bends between pull points", $"{turns}° of {Raceway.MostDegrees}°",
                        book.Cite(RuleId.PlasticBends, RuleId.TubingBends)));
            }
        }

        return new(null, new(0), false, turns, turns > Raceway.MostDegrees, pulling,
            why.Book($"no {NameOf(kind)} to 2 in is large enough", area.ToString(), book.Cite(RuleId.PipeAreas)));
    }

    /// <summary>How hard a pull is by length and bends: a rule of thumb in words, no calculation of tension.</summary>
    /// <param name="length">Of the pipe.</param>
    /// <param name="degrees">Bends in all, 0 or more.</param>
    public static string Pulling(Length length, int degrees) => (length.Feet + (degrees * .5m)) switch
    {
        <= 100 => "easy: pulled by hand",
        <= 200 => "fair: lubricant and a helper feeding",
        <= 300 => "hard: lubricant, a rope, and a pull point would help",
        _ => "very hard: set a pull point",
    };

    /// <summary>A pipe in words.</summary>
    /// <param name="kind">The pipe.</param>
    /// <param name="asBought">Schedule 40 is what PVC means.</param>
    public static string NameOf(ConduitKind kind, bool asBought = false) =>
        kind switch { ConduitKind.Pvc80 => "PVC schedule 80", ConduitKind.Emt => "EMT", _ => asBought ? "PVC" : "PVC schedule 40" };

    // Diameters from the areas: the ratio of the roots. Three conductors of one size wedge; of four or more it is very unlikely (Chapter 9
    // Table 1, informational note 2).
    private static decimal? Jam(ImmutableArray<PulledConductors> conductors, SquareInches whole, CodeBook book) =>
        conductors is [{ Count: 3 } three]
        ? (decimal)Math.Sqrt((double)(whole.Value / book.Conductors.ConductorArea(three.Gauge).Value)) : null;
}
