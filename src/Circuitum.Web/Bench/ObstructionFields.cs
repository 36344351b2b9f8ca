using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>An obstruction as typed.</summary>
public sealed record ObstructionFields
{
    /// <summary>What it is.</summary>
    public string? Name { get; init; }

    /// <summary>Kind.</summary>
    public string Kind { get; init; } = "";

    /// <summary>North-west corner on the plan, east.</summary>
    public string X { get; init; } = "";

    /// <summary>And south.</summary>
    public string Y { get; init; } = "";

    /// <summary>East to west.</summary>
    public string Width { get; init; } = "";

    /// <summary>North to south.</summary>
    public string Depth { get; init; } = "";

    /// <summary>The obstruction.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Obstruction Read()
    {
        var kind = Entry.Choice<ObstructionKind>(Kind);
        var words = Words.Of(kind);
        return new(string.IsNullOrWhiteSpace(Name) ? char.ToUpperInvariant(words[0]) + words[1..] : Name.Trim(), kind,
            new(Length.Parse(X), Length.Parse(Y)), Length.Parse(Width), Length.Parse(Depth));
    }
}
