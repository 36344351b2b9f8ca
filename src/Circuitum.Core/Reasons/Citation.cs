using System.Collections.Immutable;

namespace Circuitum.Core.Reasons;

/// <summary>On whose word a figure stands: rules of the book, or words of the crew's own (a house rule, a school, a local
/// amendment).</summary>
/// <param name="Ids">The rules; none for words of the crew's own.</param>
/// <param name="Text">As it is printed: the sections of the edition in force, or those words.</param>
public sealed record Citation(ImmutableArray<RuleId> Ids, string Text)
{
    /// <summary>Nothing is cited: a sum.</summary>
    public static Citation None { get; } = new([], "");

    /// <summary>Words of the crew's own: no rule of the book.</summary>
    public static implicit operator Citation(string words) => new([], words);

    /// <summary>What tells it from others, whatever the edition: its rules, or the words of the crew's own.</summary>
    public string Key => Ids.IsEmpty ? Text : string.Join('+', Ids);

    /// <summary>True when one of the rules is this one.</summary>
    public bool Cites(RuleId rule) => Ids.Contains(rule);

    /// <summary>Both: a figure that stands on two words.</summary>
    public Citation And(Citation other) => new(Ids.AddRange(other.Ids), $"{Text}, {other.Text}");

    /// <summary>This citation with what it is cited for, or the column of its table: “Table 300.5, column 3”.</summary>
    public Citation With(string detail) => this with { Text = $"{Text}, {detail}" };

    /// <summary>Another word first, then this one: “manufacturer, R315”.</summary>
    public Citation Beside(string words) => this with { Text = $"{words}, {Text}" };

    /// <summary>This citation after words of the crew's own: “school: refrigerator; 210.52(B)(1)”.</summary>
    public Citation After(string words) => this with { Text = $"{words}; {Text}" };

    /// <summary>Value equality over the rules, so that plans can be compared.</summary>
    public bool Equals(Citation? other) => other is not null && Text == other.Text && Ids.SequenceEqual(other.Ids);

    /// <inheritdoc/>
    public override int GetHashCode() => Text.GetHashCode(StringComparison.Ordinal);

    /// <inheritdoc/>
    public override string ToString() => Text;
}
