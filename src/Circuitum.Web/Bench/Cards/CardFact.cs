using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Web.Bench.Cards;

/// <summary>A line of facts on a card: “Cable: 12-2, home run 24 ft”.</summary>
/// <param name="What">What it is.</param>
/// <param name="Text">What it comes to; the words that lead on where it leads on.</param>
public sealed record CardFact(string What, string Text)
{
    /// <summary>Words before them.</summary>
    public string Before { get; init; } = "";

    /// <summary>Words after them.</summary>
    public string After { get; init; } = "";

    /// <summary>What the words lead to; null where they lead nowhere.</summary>
    public Subject? To { get; init; }

    /// <summary>The stage that they lead to; null for the one that is shown.</summary>
    public Stage? On { get; init; }

    /// <summary>The section that it follows from.</summary>
    public Citation? Cites { get; init; }
}

/// <summary>Lines of facts as a card shows them.</summary>
/// <param name="View">The bench they are shown on.</param>
/// <param name="Facts">The lines.</param>
public sealed record FactsView(BenchView View, ImmutableArray<CardFact> Facts);
