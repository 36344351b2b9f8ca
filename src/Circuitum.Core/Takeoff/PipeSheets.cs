using System.Collections.Immutable;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>A circuit in a pipe.</summary>
/// <param name="Circuit">The circuit.</param>
/// <param name="Conductors">3 × 6 + 10 G.</param>
/// <param name="Together">How far it lies in the pipe with the longest.</param>
/// <param name="Worst">Where most conductors lie with it.</param>
public sealed record PipedCircuit(CircuitKey Circuit, string Conductors, Length Together, PipeStretch Worst)
{
    /// <summary>What tells its conductors from those of the others, at every place they come out: a band of a color; null where none is
    /// beside it.</summary>
    public string? Band { get; init; }
}

/// <summary>A pipe as those need it who assemble it and pull through it.</summary>
/// <param name="Pipe">The pipe, sized.</param>
/// <param name="Circuits">What is in it.</param>
/// <param name="Order">The work in order.</param>
public sealed record PipeSheet(FittedPipe Pipe, ImmutableArray<PipedCircuit> Circuits, ImmutableArray<string> Order);

/// <summary>Reads pipes off the plan.</summary>
public static class PipeSheets
{
    // No color of the conductors themselves, which are what they are in cable; nine circuits in a pipe at most.
    private static readonly ImmutableArray<string> Bands = ["blue", "orange", "yellow", "brown", "purple", "pink", "two blue",
        "two orange"];

    /// <summary>Every pipe of the plan, once.</summary>
    public static ImmutableArray<FittedPipe> Pipes(Plan plan) => [.. FittedPipe.Each(plan.Circuits.Select(c => c.Sized))];

    /// <summary>The sheet of every pipe.</summary>
    public static ImmutableArray<PipeSheet> Of(Plan plan) => [.. Pipes(plan).Select(p => Of(plan, p))];

    private static PipeSheet Of(Plan plan, FittedPipe pipe) => new(pipe,
        [.. pipe.Raceway.Runs.Select((r, i) => new PipedCircuit(r.Circuit, plan.FindRun(r.Id)!.Value.Circuit.CableOf(r),
            pipe.Raceway.With(r), pipe.Raceway.Worst(r, plan.Book.Conductors.BundledBeyond.Length))
        {
            Band = pipe.Raceway.Runs.Length == 1 ? null : i == 0 ? "no band" : $"{Bands[i - 1]} bands",
        })],
        [.. OrderOf(plan, pipe)]);

    // What cannot be done later comes first: cemented pipe does not come apart, and a filled trench is not opened again.
    private static IEnumerable<string> OrderOf(Plan plan, FittedPipe pipe)
    {
        var pvc = pipe.Raceway.Pipe.Kind != ConduitKind.Emt;
        if (pipe.Raceway.Buried)
        {
            yield return "Dig, and lay the pipe on an even bed with its sweeps and risers.";
        }

        yield return pipe.Raceway.Jacketed
            ? "Thread every length and fitting over the cable before anything is joined: a jacket binds at each bend."
            : "Dry-fit the whole pipe; draw a cord in as it goes together.";
        yield return pvc ? "Cement the joints from one end to the other." : "Ream the cut ends, then make up the couplings and connectors.";
        if (pipe.Raceway.Buried)
        {
            yield return "Have it seen while the trench is open, photograph it, fill to 12 in below grade, lay the tape, fill up.";
        }

        if (!pipe.Raceway.Jacketed)
        {
            if (pipe.Raceway.Runs.Length > 1)
            {
                yield return "Band the conductors of each circuit in its color at both ends and in every pull box: whites are told apart "
                    + "no other way.";
            }

            yield return $"Pull every conductor together, {pipe.Sum!.Pulling}"
                + (pipe.Raceway.Lead.From.Panel is null ? "." : $"; leave {plan.Job.HouseRules.AtPanel} at the panel.");
        }
    }
}
