using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>Things people plug in.</summary>
public enum Portable
{
    /// <summary>Hair dryer.</summary>
    HairDryer,

    /// <summary>Kettle.</summary>
    Kettle,

    /// <summary>Room heater.</summary>
    Heater,

    /// <summary>Vacuum cleaner.</summary>
    Vacuum,

    /// <summary>Clothes steamer.</summary>
    Steamer,
}

/// <summary>One thing plugged into one box.</summary>
public sealed record Plugged(BoxId Box, Portable What);

/// <summary>Current through one run while the things are plugged in.</summary>
public sealed record LoadedRun(Run Run, Amps Through);

/// <summary>What happens when somebody plugs in.</summary>
/// <param name="Way">Current from the breaker to the first outlet used, run by run.</param>
/// <param name="AtBreaker">Current through the breaker.</param>
/// <param name="Rating">The breaker's rating.</param>
/// <param name="Opening">Whether and about when it opens; a typical band.</param>
/// <param name="Left">Volts left at the outlet with the lowest.</param>
public sealed record PlugIn(ImmutableArray<LoadedRun> Way, Amps AtBreaker, Amps Rating, BreakerOpening Opening, Volts Left)
{
    /// <summary>Share of the rating.</summary>
    public Percent Share => new(AtBreaker.Value / Rating.Value * 100);

    /// <summary>What a thing draws, typically, at 120 V.</summary>
    public static VoltAmps Typical(Portable what) => new(what switch { Portable.HairDryer => 1875, Portable.Vacuum => 1200, _ => 1500 });

    /// <summary>A box into which things can be plugged: it has a receptacle of 120 V.</summary>
    public static bool CanBeAt(Layout.PlacedBox box) => box.Box.Devices.Any(d => d.Kind.IsGeneralReceptacle());

    /// <summary>Its receptacles give a leg and the neutral: it has one pole, or is split.</summary>
    public static bool CanBeOn(Circuit circuit) => circuit.Poles == 1 || circuit.Load.Split;

    /// <summary>Plugs things in with every lamp and every known appliance of the circuit running; a receptacle without a known load draws
    /// nothing.</summary>
    /// <param name="circuit">A circuit of 120 V, or of three wires with split receptacles: of two things in one box each goes into its own
    /// half, and the leg that carries more is told.</param>
    /// <param name="plugged">At least one thing, in boxes of this circuit.</param>
    /// <exception cref="ArgumentException">Nothing is plugged in, or not into this circuit.</exception>
    public static PlugIn Into(WiredCircuit circuit, IReadOnlyList<Plugged> plugged)
    {
        if (plugged.Count == 0 || plugged.Any(p => !circuit.Boxes.ContainsKey(p.Box)) || !CanBeOn(circuit.Circuit))
        {
            throw new ArgumentException("Things are plugged into boxes of one circuit of one pole.", nameof(plugged));
        }

        if (!circuit.Load.Split)
        {
            return On(circuit, plugged);
        }

        var halves = plugged.GroupBy(p => p.Box).SelectMany(b => b.Select((p, i) => (Plugged: p, First: i % 2 == 0))).ToLookup(p => p.First,
            p => p.Plugged);
        return halves.Select(h => On(circuit, [.. h])).MaxBy(p => p.AtBreaker)!;
    }

    private static PlugIn On(WiredCircuit circuit, IReadOnlyList<Plugged> plugged)
    {
        var sized = circuit.Sized;
        var volts = circuit.Load.AtOutlets;
        decimal At(BoxId box) => circuit.Circuit.Load.Items.Where(i => i.Box == box && !(i.Assumed && i.Use == LoadUse.PortableReceptacle))
            .Sum(i => i.Load.Value)
            + plugged.Where(p => p.Box == box).Sum(p => Typical(p.What).Value);
        Amps Through(Run run) => new VoltAmps(circuit.DarkBeyond(run.To.Box!.Value).Sum(At)) / volts;
        ImmutableArray<LoadedRun> WayTo(BoxId box) => [.. circuit.WayTo(box).Select(r => new LoadedRun(r, Through(r)))];
        Volts Left(BoxId box) =>
            new(sized.VoltsAtPanel.Value - WayTo(box)
                .Sum(r => sized.Lost(r.Run, r.Through).Value));
        var total = new VoltAmps(circuit.Boxes.Keys.Sum(At)) / volts;
        return new(WayTo(plugged[0].Box), total, sized.Breaker.Value, InverseTime.At(total, sized.Breaker.Value),
            plugged.Select(p => Left(p.Box)).Min());
    }
}
