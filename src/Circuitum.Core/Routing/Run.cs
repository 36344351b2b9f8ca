using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>What a cable does.</summary>
public enum RunKind
{
    /// <summary>Panel to the circuit's first box.</summary>
    HomeRun,

    /// <summary>Constant feed from box to box.</summary>
    Jumper,

    /// <summary>Switch to lamp, and on to the next lamp of the same switch.</summary>
    SwitchLeg,

    /// <summary>Between three- and four-way switches.</summary>
    Traveler,

    /// <summary>From a lamp that takes the feed to its switch and back.</summary>
    SwitchLoop,

    /// <summary>Between alarms, or from an outdoor unit back to its indoor head, with a signal conductor.</summary>
    Interconnect,

    /// <summary>Panel to panel.</summary>
    Feeder,
}

/// <summary>What a kind of run is there for.</summary>
public static class RunPurposes
{
    /// <summary>The purpose that its id says.</summary>
    public static RunPurpose PurposeOf(this RunKind kind) => kind switch
    {
        RunKind.SwitchLeg => RunPurpose.Leg,
        RunKind.SwitchLoop => RunPurpose.Loop,
        RunKind.Traveler => RunPurpose.Travelers,
        RunKind.Interconnect => RunPurpose.Signal,
        _ => RunPurpose.Feed,
    };
}

/// <summary>An end of a run.</summary>
/// <param name="Place">Where it is.</param>
/// <param name="Name">As labelled.</param>
/// <param name="Box">The box, or null at a panel.</param>
/// <param name="Panel">The panel, or null at a box.</param>
public sealed record RunEnd(Place Place, string Name, BoxId? Box, PanelId? Panel)
{
    /// <summary>Stable id of the end, as files write it.</summary>
    public string Id => Box?.Value ?? "panel-" + Panel;

    /// <summary>The end as the ids of runs name it.</summary>
    public string End => Box is { } box ? RunId.EndOf(box) : RunId.EndOf(Panel!.Value);
}

/// <summary>One length of cable from end to end.</summary>
/// <param name="Id">Its ends and its purpose.</param>
/// <param name="Circuit">The circuit.</param>
/// <param name="Kind">What it does.</param>
/// <param name="From">The end nearer the panel.</param>
/// <param name="To">The other end.</param>
/// <param name="Upstream">The run that feeds it; null for a home run or feeder.</param>
/// <param name="Carries">Its insulated conductors, 2 to 4, by what they are there for.</param>
/// <param name="Way">Its way through the frame.</param>
/// <param name="Length">Footage to cut, whole feet.</param>
public sealed record Run(RunId Id, CircuitKey Circuit, RunKind Kind, RunEnd From, RunEnd To, RunId? Upstream,
    ImmutableArray<Carried> Carries, Way Way, Figure<Length> Length)
{
    /// <summary>Insulated conductors in it.</summary>
    public int Conductors => Carries.Length;

    /// <summary>Current-carrying conductors in it.</summary>
    public int CurrentCarrying => Routing.CurrentCarrying.In(Carries, Kind == RunKind.SwitchLoop);

    /// <summary>Number of the control group it serves, in the circuit's list; null for constant feed.</summary>
    public int? Group { get; init; }

    /// <summary>It goes from the second end of its id to the first.</summary>
    public bool IsBackwards => Id.One != From.End;

    /// <summary>A person drew its way.</summary>
    public bool IsPinned { get; init; }

    /// <summary>The home run of another circuit in whose cable its conductors come as far as the box it begins at; null for one that begins
    /// at its panel.</summary>
    public RunId? RidesIn { get; init; }

    /// <summary>The circuit whose conductors its cable takes along; null for a cable of one circuit.</summary>
    public CircuitKey? TakesAlong { get; init; }

    /// <summary>What it is pulled in.</summary>
    public Jacket Jacket { get; init; }

    /// <summary>Id of the pipe it is pulled in; null for cable in the frame or in the earth.</summary>
    public Id<Pipe>? Pipe { get; init; }
}

/// <summary>A circuit with its runs, home run first, in the order they are fed, and what its switches work.</summary>
public sealed record RoutedCircuit(Circuit Circuit, ImmutableArray<Run> Runs, ImmutableArray<ControlGroup> Groups)
{
    /// <summary>Footage of the whole circuit.</summary>
    public Length Footage => Runs.Select(r => r.Length.Value).Total();

    /// <summary>The home run or feeder; null on a circuit without boxes.</summary>
    public Run? HomeRun => Runs.FirstOrDefault();
}
