using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Tags;

/// <summary>What a check hangs on a subject.</summary>
/// <param name="Severity">Red, amber or hold.</param>
/// <param name="Stage">Where it is counted.</param>
/// <param name="Subject">What it hangs on.</param>
/// <param name="Cite">Rule of the book, or the house rule.</param>
/// <param name="Headline">What is wrong, one sentence.</param>
/// <param name="Arithmetic">The sum, and what to do.</param>
public sealed record Tag(Severity Severity, Stage Stage, Subject Subject, Citation Cite, string Headline, string Arithmetic)
{
    /// <summary>The citation as it is printed.</summary>
    public string Rule => Cite.Text;

    /// <summary>Changes that would clear it; may be empty.</summary>
    public ImmutableArray<Fix> Fixes { get; init; } = [];
}
