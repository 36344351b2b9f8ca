using System.Collections.Immutable;

namespace Circuitum.Core.Boards;

/// <summary>Which circuit opens a residual-current device: by halves, then by halves along its points. One fault is taken for
/// granted; it is told when the answers do not fit that.</summary>
/// <param name="Asks">What to do next and then look at; empty when it is found.</param>
/// <param name="Found">What it comes to so far, in words.</param>
/// <param name="Left">Circuits that may still be it.</param>
/// <param name="Steps">Answers still needed to come down to one circuit, at most.</param>
public sealed record TripFinder(string Asks, string Found, ImmutableArray<BoardWay> Left, int Steps)
{
    /// <summary>Most answers that are read.</summary>
    public const int MostAnswers = 12;

    /// <summary>Where the search stands after these answers.</summary>
    /// <param name="section">The section whose device opens.</param>
    /// <param name="answers">One letter each: t where it opened again, h where it held.</param>
    /// <exception cref="FormatException">There are other letters, or too many.</exception>
    public static TripFinder After(BoardSection section, string answers)
    {
        if (answers.Length > MostAnswers || answers.Any(a => a is not ('t' or 'h')))
        {
            throw new FormatException($"Answers are t where it opened and h where it held, {MostAnswers} at most.");
        }

        var left = section.Ways;
        foreach (var answer in answers)
        {
            if (left.Length == 1)
            {
                break;
            }

            var half = Half(left);
            left = answer == 't' ? left[..half] : left[half..];
        }

        if (left.Length == 1)
        {
            return new("", $"Way {left[0].Numbers}: {left[0].Circuit.Words}, {string.Join(", ", left[0].Circuit.Rooms)}. {Along(left[0])}",
                left, 0);
        }

        return new($"All breakers of section {section.Letter} off. Reset the device, then put on {Numbers(left[..Half(left)])} only, one "
            + "after the other. Does it open?", $"{left.Length} circuits may be it: ways {Numbers(left)}.", left, Answers(left.Length));
    }

    private static int Half(ImmutableArray<BoardWay> ways) => (ways.Length + 1) / 2;

    private static int Answers(int ways) => ways <= 1 ? 0 : 1 + Answers((ways + 1) / 2);

    // Locked off and proved dead: what is plugged in goes first, then the conductors are parted in the middle.
    private static string Along(BoardWay way)
    {
        var points = way.Circuit.Points;
        var first = "Lock it off and prove it dead. Unplug and isolate what it feeds, and try again: if it holds, one of those leaks.";
        return points.Length == 1 ? $"{first} If not, measure its conductors to earth: the conduit is the place."
            : $"{first} If not, part its conductors at {points[points.Length / 2].Mark}, in the middle of {points.Length} points, and "
                + "measure to earth both ways; go on in the half that leaks.";
    }

    private static string Numbers(ImmutableArray<BoardWay> ways) => string.Join(", ", ways.Select(w => w.Numbers));
}
