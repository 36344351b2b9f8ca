using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Pipes that conductors are pulled in.</summary>
public enum ConduitKind
{
    /// <summary>Rigid PVC, schedule 40.</summary>
    Pvc40,

    /// <summary>Rigid PVC, schedule 80.</summary>
    Pvc80,

    /// <summary>Electrical metallic tubing.</summary>
    Emt,
}

/// <summary>A pipe that the home runs or feeders of one circuit or several are pulled in, from their panel as far as each goes; or one
/// between two boxes, for what goes from one to the other.</summary>
public sealed record Pipe
{
    /// <summary>Circuits that one pipe may take in a job.</summary>
    public const int MostCircuits = 9;

    /// <summary>Stable id, as written on the pipe: P1.</summary>
    public required Id<Pipe> Id { get; init; }

    /// <summary>What it is made of.</summary>
    public ConduitKind Kind { get; init; }

    /// <summary>The circuits in it, with <see cref="Runs"/> 1 to 9; a circuit's home run lies in one pipe at most.</summary>
    public required ImmutableArray<CircuitKey> Circuits { get; init; }

    /// <summary>Runs from box to box in it; a run lies in one pipe at most.</summary>
    public ImmutableArray<RunId> Runs { get; init; } = [];

    /// <summary>The least trade size that a person wants, in, for what may be pulled later: 3/4; as large as it must be when null.
    /// </summary>
    public string? AtLeast { get; init; }

    /// <summary>What was set or done along it.</summary>
    public ImmutableArray<PipeStop> Stops { get; init; } = [];

    /// <summary>True when cable is pulled in it with its jacket on, not loose conductors.</summary>
    public bool Jacketed { get; init; }

    /// <summary>True when both ends of every conductor in it are marked for 75 °C, 110.14(C).</summary>
    public bool Marked75 { get; init; }
}

/// <summary>What pipes hold.</summary>
public static class PipeContents
{
    /// <summary>Nothing is pulled in it.</summary>
    public static bool IsEmpty(this Pipe pipe) => pipe.Circuits.IsEmpty && pipe.Runs.IsEmpty;
}

/// <summary>A place along a pipe.</summary>
/// <param name="Kind">What is there.</param>
/// <param name="Along">From the panel, 0 to 1000 ft along the longest run in it.</param>
public sealed record PipeStop(PipeStopKind Kind, Length Along);

/// <summary>What can be along a pipe.</summary>
public enum PipeStopKind
{
    /// <summary>A box that stays reachable: conductors are pulled there, and may be spliced.</summary>
    PullBox,

    /// <summary>Conductors joined between boxes.</summary>
    Splice,
}
