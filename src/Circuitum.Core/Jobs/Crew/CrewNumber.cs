using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>What a number of the crew's counts.</summary>
public enum NumberKind
{
    /// <summary>A length, kept in inches.</summary>
    Length,

    /// <summary>A share, in per cent.</summary>
    Share,

    /// <summary>A whole number.</summary>
    Count,

    /// <summary>The crew's money.</summary>
    Money,
}

/// <summary>A number of the crew's, declared once: the page, the form, the limits and the schema of the job file follow from it.</summary>
/// <typeparam name="TSet">The set it is one of: house rules, aims, prices.</typeparam>
/// <param name="Field">Its name in a form and in a job file.</param>
/// <param name="Words">What it says.</param>
/// <param name="Kind">What it counts.</param>
/// <param name="Get">Its value in a set, in inches, per cent, or as it is.</param>
/// <param name="With">A set with another value of it.</param>
/// <param name="Least">The least it may be.</param>
/// <param name="Most">The most it may be.</param>
public sealed record CrewNumber<TSet>(string Field, string Words, NumberKind Kind, Func<TSet, decimal> Get, Func<TSet, decimal, TSet> With,
    decimal Least, decimal Most)
{
    /// <summary>What the book says of it.</summary>
    public string Book { get; init; } = "no rule";

    /// <summary>Where the book says it; none where it says nothing.</summary>
    public ImmutableArray<RuleId> Cites { get; init; } = [];

    /// <summary>It says where boxes are set, whatever carries power to them; others are of cable and its panels.</summary>
    public bool Places { get; init; }

    /// <summary>Its value in a set, as people write it.</summary>
    public string Show(TSet set) => Text(Get(set));

    /// <summary>Its limits in words: from 0" to 2'-0".</summary>
    public string Limits => $"from {Text(Least)} to {Text(Most)}";

    /// <summary>What is wrong with its value in a set; null where it lies within its limits.</summary>
    public string? Problem(TSet set) => Get(set) is var value && (value < Least || value > Most)
        ? $"must lie {Limits}; it is {Text(value)}" : null;

    private string Text(decimal value) => Kind switch
    {
        NumberKind.Length => Length.FromInches(value).ToString(),
        NumberKind.Share => new Percent(value).ToString(),
        NumberKind.Money => new Money(value).ToString(),
        _ => value.ToString("0", CultureInfo.InvariantCulture),
    };
}
