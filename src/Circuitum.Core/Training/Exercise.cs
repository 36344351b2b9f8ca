using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Training;

/// <summary>Something to practise: a small house, a task, and a check that is the house switched on.</summary>
/// <param name="Id">Its name in an address.</param>
/// <param name="Title">What it is called in the list.</param>
/// <param name="House">The house.</param>
/// <param name="Task">What to do, in a sentence or two.</param>
/// <param name="Caution">What to mind when it is a real house.</param>
/// <param name="Hints">What helps, one after the other.</param>
public abstract record Exercise(string Id, string Title, Job House, string Task, string Caution, ImmutableArray<string> Hints)
{
    /// <summary>Another one comes with another seed.</summary>
    public virtual bool ByLot => false;
}

/// <summary>Something to choose.</summary>
/// <param name="Words">What it says.</param>
/// <param name="IsRight">It is so, as the plan or the network has it.</param>
public sealed record Choice(string Words, bool IsRight);

/// <summary>A question with what it is about, and what can be chosen.</summary>
/// <param name="Asked">What is asked, with the figures of this house.</param>
/// <param name="Choices">What can be chosen, at least one of them right.</param>
/// <param name="Because">How it comes out, told afterwards.</param>
public sealed record Question(string Asked, ImmutableArray<Choice> Choices, ImmutableArray<string> Because);

/// <summary>A box of the plan is pressed.</summary>
public sealed record PressExercise(string Id, string Title, Job House, string Task, string Caution, ImmutableArray<string> Hints)
    : Exercise(Id, Title, House, Task, Caution, Hints)
{
    /// <summary>How the house stands while somebody looks.</summary>
    public required HouseState Stands { get; init; }

    /// <summary>Whether a box is the one that is asked for.</summary>
    public required Func<HouseNetwork, BoxId, bool> IsRight { get; init; }
}

/// <summary>A box is made up by hand.</summary>
public sealed record MakeUpExercise(string Id, string Title, Job House, string Task, string Caution, ImmutableArray<string> Hints)
    : Exercise(Id, Title, House, Task, Caution, Hints)
{
    /// <summary>Which.</summary>
    public required BoxId Box { get; init; }

    /// <summary>Switches the house on with the box as it was made up.</summary>
    public WhatHappens Try(HouseNetwork house, HandJoints hands) => SwitchedOn.Try(house, house.Plan.CircuitOf(Box)!.Key,
        HouseState.AsPlanned with { Made = HouseState.AsPlanned.Made.Add(Box, hands.Joints) });
}

/// <summary>The conductors of a cable are landed in a panel by hand.</summary>
public sealed record LandExercise(string Id, string Title, Job House, string Task, string Caution, ImmutableArray<string> Hints)
    : Exercise(Id, Title, House, Task, Caution, Hints)
{
    /// <summary>The panel.</summary>
    public required PanelId Panel { get; init; }

    /// <summary>A box beyond.</summary>
    public required BoxId Beyond { get; init; }

    /// <summary>The bonding screw between the bars can be put in or left out.</summary>
    public bool HasScrew { get; init; }

    /// <summary>The cable: the feeder of the panel where it has one, the home run else.</summary>
    public Run Cable(Plan plan) => plan.Circuits.FirstOrDefault(c => c.Feeds == Panel)?.HomeRun ?? plan.CircuitOf(Beyond)!.HomeRun!;

    /// <summary>Switches the house on with the cable as it was landed.</summary>
    /// <param name="house">The wiring.</param>
    /// <param name="landed">Where each conductor is.</param>
    /// <param name="screw">The bonding screw is in.</param>
    public WhatHappens Try(HouseNetwork house, IReadOnlyDictionary<ConductorColour, PanelPlace> landed, bool screw)
    {
        var run = Cable(house.Plan).Id;
        return SwitchedOn.Try(house, house.Plan.CircuitOf(Beyond)!.Key, HouseState.AsPlanned with
        {
            Landed = landed.ToImmutableDictionary(l => (Panel, run, l.Key), l => l.Value),
            Faults = screw && HasScrew ? [new Fault.BarsBonded(Panel)] : [],
        });
    }
}

/// <summary>Something is worked out and chosen.</summary>
public sealed record ChooseExercise(string Id, string Title, Job House, string Task, string Caution, ImmutableArray<string> Hints)
    : Exercise(Id, Title, House, Task, Caution, Hints)
{
    /// <summary>The question of a seed.</summary>
    public required Func<HouseNetwork, int, Question> Ask { get; init; }

    /// <inheritdoc/>
    public override bool ByLot => true;
}

/// <summary>A cable that a nail went through is found by looking.</summary>
public sealed record FindExercise(string Id, string Title, Job House, string Task, string Caution, ImmutableArray<string> Hints)
    : Exercise(Id, Title, House, Task, Caution, Hints)
{
    /// <summary>In how many looks.</summary>
    public required int Looks { get; init; }

    /// <inheritdoc/>
    public override bool ByLot => true;

    /// <summary>The circuit that is looked at.</summary>
    public static WiredCircuit Circuit(HouseNetwork house) => house.Branches.First();

    /// <summary>The conductor that the nail parted, by the seed.</summary>
    public static Suspect Hidden(Finder finder, int seed)
    {
        var cut = finder.Suspects.Where(s => s.Suspect.Fault is Fault.Parted && !s.Looks.SequenceEqual(finder.AsPlanned)).ToList();
        return cut[Lot.Of(seed, 0, cut.Count)].Suspect;
    }

    /// <summary>What somebody says may be right: a nail there would look like what is hidden, wherever one looks.</summary>
    public static bool IsRight(Finder finder, Suspect hidden, RunId said)
    {
        var looks = finder.Suspects.First(s => s.Suspect == hidden).Looks;
        return finder.Suspects.Any(s => s.Suspect.Fault is Fault.Parted parted && parted.Run == said && s.Looks.SequenceEqual(looks));
    }
}
