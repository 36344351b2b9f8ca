using System.Collections.Immutable;

namespace Circuitum.Web.Help;

/// <summary>One page of help: a stage, or something used on all of them.</summary>
/// <param name="Name">In its address.</param>
/// <param name="Title">Its heading.</param>
/// <param name="Says">What it is for, in a sentence or two.</param>
/// <param name="Picture">A picture under /help, or null.</param>
/// <param name="Steps">How it is used, in the order a person goes.</param>
/// <param name="Terms">Words, keys or lines with what they mean; may be empty.</param>
public sealed record HelpTopic(string Name, string Title, string Says, string? Picture, ImmutableArray<string> Steps,
    ImmutableArray<(string Term, string Means)> Terms)
{
    /// <summary>The lines of the topic that hold every word asked for, whatever their case; its title and sentence count for
    /// each.</summary>
    public IEnumerable<string> Found(ImmutableArray<string> words) =>
        Steps.Concat(Terms.Select(t => $"{t.Term}: {t.Means}")).Prepend(Says)
            .Where(line => words.All(w => $"{Title} {line}".Contains(w, StringComparison.OrdinalIgnoreCase)));
}
