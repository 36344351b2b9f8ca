using System.Collections.Immutable;

namespace Circuitum.Core.Jobs;

/// <summary>A division of the job's boxes into circuits, kept under a name.</summary>
public sealed record Division
{
    /// <summary>The name that changes by hand are kept under.</summary>
    public const string ByHand = "By hand";

    /// <summary>The name that circuits are kept under as they were when a person looked at them; the program keeps it, not a
    /// person.</summary>
    public const string AsSeen = "As seen";

    /// <summary>Most divisions a job keeps for a person.</summary>
    public const int Most = 12;

    /// <summary>Its name, 1 to 40 characters, once in a job.</summary>
    public required string Name { get; init; }

    /// <summary>Its circuits.</summary>
    public required ImmutableArray<KeptCircuit> Circuits { get; init; }

    /// <summary>Value equality over the circuits, so that what was written and read again is the same.</summary>
    public bool Equals(Division? other) => other is not null && Name == other.Name && Circuits.SequenceEqual(other.Circuits);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Name, Circuits.Length);
}

/// <summary>The boxes of one circuit of a kept division.</summary>
public sealed record KeptCircuit(CircuitKey Key, ImmutableArray<BoxId> Boxes)
{
    /// <summary>Value equality over the boxes.</summary>
    public bool Equals(KeptCircuit? other) => other is not null && Key == other.Key && Boxes.SequenceEqual(other.Boxes);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Key, Boxes.Length);
}
