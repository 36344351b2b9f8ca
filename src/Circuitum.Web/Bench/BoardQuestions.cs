using Circuitum.Core.Boards;

namespace Circuitum.Web.Bench;

/// <summary>What is asked of metric boards beside their plan: which circuit opens a section's device, and what a reading of a ring's ends
/// says. The answers so far come with each asking.</summary>
/// <param name="Here">The address of the page that is asked.</param>
/// <param name="Answers">The section that is searched, and the answers: “Board A/C/th”; null while nobody asked.</param>
/// <param name="Typed">What stands in a field.</param>
public sealed record BoardQuestions(string Here, string? Answers, Func<string, string> Typed)
{
    private const int MostLong = 60;

    /// <summary>The questions of a page. Answers that nobody's button sends are passed over: the boards stand all the same.</summary>
    /// <param name="here">The address of the page.</param>
    /// <param name="find">The answers as they were sent.</param>
    /// <param name="typed">What stands in a field.</param>
    public static BoardQuestions Of(string here, string? find, Func<string, string> typed) => new(here,
        find is { Length: > 0 and < MostLong } && After(find) is { Length: <= TripFinder.MostAnswers } sent
            && sent.All(a => a is 't' or 'h') ? find : null, typed);

    /// <summary>Where the search for what opens a section's device stands; null while nobody asked.</summary>
    public TripFinder? Finding(MetricBoard board, BoardSection section) =>
        Answers is { } sent && sent.StartsWith(AskedOf(board, section), StringComparison.Ordinal)
            ? TripFinder.After(section, After(sent)) : null;

    /// <summary>The answers so far, for the next button.</summary>
    public string SoFar => Answers is null ? "" : After(Answers);

    /// <summary>How a section is told by its button, the answers after it.</summary>
    public static string AskedOf(MetricBoard board, BoardSection section) => $"{board.Name}/{section.Letter}/";

    /// <summary>The name of the field for the reading of a ring.</summary>
    public static string EndsField(MetricBoard board, BoardWay way) => $"ends {board.Name} {way.Number}";

    /// <summary>What was typed for a ring's ends.</summary>
    public string EndsTyped(MetricBoard board, BoardWay way) => Typed(EndsField(board, way));

    /// <summary>What the reading of a ring says, or why it is none; nothing where nothing was typed.</summary>
    public IReadOnlyList<string> EndsSay(MetricBoard board, BoardWay way)
    {
        if (EndsTyped(board, way) is not { Length: > 0 } typed || way.Sized.RingEnds is not { } ends)
        {
            return [];
        }

        try
        {
            return RingReading.Parse(typed).Against(ends.Phase, ends.Earth);
        }
        catch (FormatException e)
        {
            return [e.Message];
        }
    }

    private static string After(string sent) => sent[(sent.LastIndexOf('/') + 1)..];
}
