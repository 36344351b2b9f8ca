using Circuitum.Core.Jobs;

namespace Circuitum.Web.Bench;

/// <summary>What is said after an act, whichever page it came from: one wording for one outcome.</summary>
/// <param name="Status">The status of the answer.</param>
/// <param name="Said">The quiet line.</param>
/// <param name="CanGoAhead">It was kept back for a rule it breaks, and can be asked for all the same.</param>
public sealed record ActAnswer(int Status, Said Said, bool CanGoAhead = false)
{
    /// <summary>Rooms whose kept sizes stand in its way; freed, it can be done.</summary>
    public IReadOnlyList<RoomId> Frees { get; init; } = [];

    /// <summary>What is said of an outcome; null where there is no such job.</summary>
    public static ActAnswer? Of(Outcome outcome) => outcome switch
    {
        Outcome.Changed changed => new(StatusCodes.Status200OK, new(changed.Phrase, changed.Followed)),
        Outcome.Refused refused => Refusal(refused.Sentence) with { Frees = refused.Frees },
        Outcome.Vetoed vetoed => Refusal(vetoed.Sentence) with { CanGoAhead = true },
        Outcome.Overtaken overtaken => Overtaken(overtaken.Latest),
        _ => null,
    };

    /// <summary>Nothing was done, and why.</summary>
    public static ActAnswer Refusal(string sentence) => new(StatusCodes.Status422UnprocessableEntity, new(sentence, [], Refused: true));

    /// <summary>Somebody else was first.</summary>
    public static ActAnswer Overtaken(Data.Revision latest) => new(StatusCodes.Status409Conflict,
        new($"Not saved: {latest.Who} was first with revision {latest.Number}, “{latest.Phrase}”.", ["Nothing of yours is lost."],
            Refused: true));
}
