using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>The bit that bores a hole: no smaller than what goes through it.</summary>
public static class HoleSizes
{
    /// <summary>Bits and hole saws of a usual set, in: what the trade carries, no rule.</summary>
    private static readonly ImmutableArray<Length> Bits = [.. new[] { .75m, 1, 1.375m, 1.75m, 2.125m, 2.5625m }.Select(Length.FromInches)];

    /// <summary>Outside diameters by trade size, in: EMT by ANSI C80.3, PVC by NEMA TC 2.</summary>
    private static readonly Dictionary<string, (decimal Emt, decimal Pvc)> Outside = new()
    {
        ["1/2"] = (.706m, .84m),
        ["3/4"] = (.922m, 1.05m),
        ["1"] = (1.163m, 1.315m),
        ["1-1/4"] = (1.51m, 1.66m),
        ["1-1/2"] = (1.74m, 1.9m),
        ["2"] = (2.197m, 2.375m),
    };

    /// <summary>The bit for so many cables: 3/4 in for two of 12 or smaller, 1 in for three or for one of 10-3 or larger, 1-3/8 in
    /// beyond.</summary>
    /// <param name="cables">Cables in the hole, 1 or more.</param>
    /// <param name="thick">One of them is 10-3, 8 or larger.</param>
    public static Length Bit(int cables, bool thick) => (cables, thick) switch
    {
        ( <= 2, false) => Bits[0],
        (3, false) or (1, true) => Bits[1],
        _ => Bits[2],
    };

    /// <summary>The bit for a pipe of a kind and trade size; the largest where the size is not known.</summary>
    public static Length ForPipe(ConduitKind kind, string? trade) => trade is not null && Outside.TryGetValue(trade, out var size)
        ? Least(kind == ConduitKind.Emt ? size.Emt : size.Pvc) : Bits[^1];

    /// <summary>The bit for a hole.</summary>
    /// <param name="hole">The hole.</param>
    /// <param name="find">A run of it with its circuit.</param>
    public static Length Of(Hole hole, Func<RunId, (SizedCircuit Circuit, Run Run)?> find)
    {
        var through = hole.Runs.Select(find).OfType<(SizedCircuit Circuit, Run Run)>().ToList();
        if (through.Find(t => t.Run.Pipe is not null) is { Circuit: { } circuit } piped && circuit.PipeOf(piped.Run) is { } pipe)
        {
            return ForPipe(pipe.Raceway.Pipe.Kind, pipe.Sum?.Trade);
        }

        var largest = through.ConvertAll(t => t.Circuit.GaugeOf(t.Run)).DefaultIfEmpty(Gauge.Awg14).Max();
        return largest >= Gauge.Awg4 ? Least(Width(largest) + ((hole.Runs.Length - 1) * .5m))
            : Bit(hole.Runs.Length, through.Exists(t => t.Circuit.GaugeOf(t.Run) is var gauge
                && (gauge > Gauge.Awg10 || (gauge == Gauge.Awg10 && t.Run.Conductors > 2))));
    }

    private static Length Least(decimal inches) => Bits.FirstOrDefault(b => b.Inches > inches, Bits[^1]);

    // Over the jacket of three conductors and a ground, as makers list them, rounded up.
    private static decimal Width(Gauge gauge) => gauge <= Gauge.Awg2 ? 1.1m : gauge <= Gauge.Parse("1/0") ? 1.35m
        : gauge <= Gauge.Parse("4/0") ? 1.8m : 2.3m;
}
