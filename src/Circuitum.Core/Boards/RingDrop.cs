using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What a conductor loses along points that are fed from one end, or from both.</summary>
public static class RingDrop
{
    /// <summary>The current of each leg of a ring, as it leaves the board at the first leg; below zero where it comes from the other
    /// end.</summary>
    /// <param name="legs">Conduit between the board, the points and the board again: one more than points; together above zero.</param>
    /// <param name="currents">What each point draws.</param>
    /// <exception cref="ArgumentException">The legs are not one more than the points, or have no length.</exception>
    public static ImmutableArray<Amps> Shared(IReadOnlyList<Length> legs, IReadOnlyList<Amps> currents)
    {
        var whole = legs.Sum(l => l.Metres);
        if (legs.Count != currents.Count + 1 || whole <= 0)
        {
            throw new ArgumentException("A ring has one leg more than points.", nameof(legs));
        }

        // Both ends have the same volts, so that what is lost around it is nothing: each point draws from an end as it is far from the
        // other.
        var at = 0m;
        var first = 0m;
        for (var i = 0; i < currents.Count; i++)
        {
            at += legs[i].Metres;
            first += currents[i].Value * (whole - at) / whole;
        }

        var flows = ImmutableArray.CreateBuilder<Amps>(legs.Count);
        flows.Add(new(first));
        foreach (var current in currents)
        {
            flows.Add(flows[^1] - current);
        }

        return flows.MoveToImmutable();
    }

    /// <summary>The current of each leg of a row: all that is drawn behind it.</summary>
    /// <param name="currents">What each point draws, from the board on.</param>
    public static ImmutableArray<Amps> InRow(IReadOnlyList<Amps> currents) =>
        [.. currents.Select((_, i) => new Amps(currents.Skip(i).Sum(c => c.Value)))];

    /// <summary>The most that is lost to a point.</summary>
    /// <param name="legs">As long as the flows.</param>
    /// <param name="flows">The current of each leg.</param>
    /// <param name="millivolts">Lost by an ampere on a meter.</param>
    public static Volts Most(IReadOnlyList<Length> legs, IReadOnlyList<Amps> flows, decimal millivolts)
    {
        decimal lost = 0, most = 0;
        for (var i = 0; i < flows.Count; i++)
        {
            lost += flows[i].Value * legs[i].Metres * millivolts / 1000;
            most = Math.Max(most, lost);
        }

        return new(most);
    }
}
