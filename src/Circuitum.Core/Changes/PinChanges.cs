using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Holds a box on a circuit; null frees it.</summary>
public sealed record PinBox(BoxId Box, CircuitKey? Circuit) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        var others = job.Pins.Boxes.RemoveAll(p => p.Box == Box);
        phrase = Circuit is CircuitKey c ? $"Pin {Called(job, box)} to {c.Words}" : $"Free {Called(job, box)}";
        return job with { Pins = job.Pins with { Boxes = Circuit is CircuitKey key ? others.Add(new(Box, key)) : others } };
    }
}

/// <summary>Holds a breaker's rating; null frees it.</summary>
public sealed record PinBreaker(CircuitKey Circuit, Amps? Rating) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Breakers.RemoveAll(p => p.Circuit == Circuit);
        phrase = Rating is Amps r ? $"Pin {Circuit.Words} at {r}" : $"Free the breaker of {Circuit.Words}";
        return job with { Pins = job.Pins with { Breakers = Rating is Amps rating ? others.Add(new(Circuit, rating)) : others } };
    }
}

/// <summary>Holds a conductor size; null frees it.</summary>
public sealed record PinCable(CircuitKey Circuit, Gauge? Gauge) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Cables.RemoveAll(p => p.Circuit == Circuit);
        phrase = Gauge is Gauge g ? $"Pin {Circuit.Words} to {g.Words}" : $"Free the cable of {Circuit.Words}";
        return job with { Pins = job.Pins with { Cables = Gauge is Gauge gauge ? others.Add(new(Circuit, gauge)) : others } };
    }
}

/// <summary>Brings two circuits to one place in one cable, or keeps them apart, as a person chose; null leaves it to the planner. Each
/// goes with one other at most: an older choice for either gives way.</summary>
public sealed record PinTogether(CircuitKey One, CircuitKey Other, TwoCircuits? As) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        if (One == Other)
        {
            throw new ChangeRefusedException("A circuit goes with another one, not with itself. Choose another circuit.");
        }

        var others = job.Pins.Together.RemoveAll(p => p.Has(One) || p.Has(Other));
        phrase = As switch
        {
            null => $"Let {One.Words} and {Other.Words} go as planned",
            TwoCircuits.TwoWire => $"Pull {One.Words} and {Other.Words} apart",
            TwoCircuits.Multiwire => $"Pull {One.Words} and {Other.Words} in one cable, neutral shared",
            _ => $"Pull {One.Words} and {Other.Words} in one cable, two neutrals",
        };
        return job with { Pins = job.Pins with { Together = As is { } way ? others.Add(new(One, Other, way)) : others } };
    }
}

/// <summary>Holds a circuit's space; null frees it.</summary>
public sealed record PinSpace(CircuitKey Circuit, PanelSpace? Space) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Spaces.RemoveAll(p => p.Circuit == Circuit);
        phrase = Space is { } s ? $"Land {Circuit.Words} on space {s}" : $"Free the space of {Circuit.Words}";
        return job with { Pins = job.Pins with { Spaces = Space is { } space ? others.Add(new(Circuit, space)) : others } };
    }
}

/// <summary>Holds the way of a run by places it passes; none frees it.</summary>
public sealed record PinWay(RunId Run, ImmutableArray<Point> Via) : JobChange
{
    /// <summary>Places that one run may be held by.</summary>
    public const int Most = 12;

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        if (Via.Length > Most)
        {
            throw new ChangeRefusedException($"A way is held by {Most} places at most. Take one out first.");
        }

        var others = job.Pins.Ways.RemoveAll(p => p.Run.IsMeantFor(Run));
        phrase = Via.IsEmpty ? "Free the way of a run" : "Hold the way of a run";
        return job with { Pins = job.Pins with { Ways = Via.IsEmpty ? others : others.Add(new(Run, Via)) } };
    }
}

/// <summary>Moves one of the places that a run is held by, puts a new one in, or takes one out.</summary>
/// <param name="Run">The run.</param>
/// <param name="Number">Which place, from 1; for a new one the number that it will have.</param>
/// <param name="At">Where it is now; null takes it out.</param>
/// <param name="New">Puts a new place in instead of moving one.</param>
public sealed record MoveVia(RunId Run, int Number, Point? At, bool New) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var via = job.Pins.HeldBy(Run);
        if (Number < 1 || Number > via.Length + (New ? 1 : 0))
        {
            throw new ChangeRefusedException("That place on the way is not in this job any more.");
        }

        var moved = At is not Point at ? via.RemoveAt(Number - 1) : New ? via.Insert(Number - 1, at) : via.SetItem(Number - 1, at);
        var outcome = new PinWay(Run, moved).On(job);
        phrase = At is null ? "Take a place out of the way of a run" : New ? "Hold a run by one more place"
            : "Move a place on the way of a run";
        return outcome.Job ?? throw new ChangeRefusedException(outcome.Refusal!);
    }
}
