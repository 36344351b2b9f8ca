using System.Collections.Immutable;
using Circuitum.Core.Reasons;

namespace Circuitum.Web.QuickSums;

/// <summary>One thing a quick sum asks.</summary>
/// <param name="Name">Its name in an address.</param>
/// <param name="Words">The question.</param>
/// <param name="Usual">What stands there to start with.</param>
/// <param name="Answers">The answers to choose from, value and words; empty for something typed.</param>
public sealed record SumField(string Name, string Words, string Usual, ImmutableArray<(string Value, string Words)> Answers);

/// <summary>What came out.</summary>
/// <param name="Figures">Named figures, the main one first.</param>
/// <param name="Why">How.</param>
/// <param name="Warnings">What the book or the trade would say about it.</param>
public sealed record SumAnswer(ImmutableArray<(string Name, string Value)> Figures, Because Why, ImmutableArray<string> Warnings);

/// <summary>A sum for the moment when nobody wants to open a job.</summary>
/// <param name="Name">Its name in an address.</param>
/// <param name="Title">What it finds.</param>
/// <param name="Fields">What it asks.</param>
/// <param name="Work">Works it out from what was typed; a <see cref="FormatException"/> names what cannot be read.</param>
public sealed record QuickSum(string Name, string Title, ImmutableArray<SumField> Fields, Func<Typed, SumAnswer> Work);

/// <summary>What was typed, by field; what is not sent is as usual.</summary>
public sealed class Typed(QuickSum sum, Func<string, string?> sent)
{
    /// <summary>The text of a field.</summary>
    public string this[string name] => sent(name) is { Length: > 0 and <= 200 } text ? text.Trim()
        : sum.Fields.First(f => f.Name == name).Usual;
}
