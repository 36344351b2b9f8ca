using System.Collections.Immutable;
using BenchmarkDotNet.Attributes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;

namespace Circuitum.Bench;

/// <summary>What a press on Prove waits for, as the house grows.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class ProvingBenchmarks
{
    private HouseNetwork house = null!;
    private HouseState lit = HouseState.AsPlanned;
    private CircuitKey largest;
    private Finder finder = null!;
    private ImmutableArray<Seen> seen;

    /// <summary>Boxes in the house.</summary>
    [Params(125, 500)]
    public int Boxes { get; set; }

    /// <summary>Plans and wires the house once.</summary>
    [GlobalSetup]
    public void Plan()
    {
        house = new(Planner.Plan(ScaledHouse.Of(Boxes)));
        lit = HouseState.AsPlanned with { Thrown = [.. HouseState.LampsOn(house.Plan.Circuits.SelectMany(c => c.Groups))] };
        largest = house.Branches.MaxBy(c => c.Boxes.Count)!.Key;
        finder = new(house, largest);
        seen = [new(finder.Tests[2], Finding.Dead)];
    }

    /// <summary>The wiring made ready, once a plan.</summary>
    [Benchmark]
    public HouseNetwork Network() => new(house.Plan);

    /// <summary>The whole house switched on.</summary>
    [Benchmark]
    public Settled SwitchOn() => WhoOpens.Settle(house, lit);

    /// <summary>The finder of the largest circuit, once a plan.</summary>
    [Benchmark]
    public Finder MakeFinder() => new(house, largest);

    /// <summary>One answer of it.</summary>
    [Benchmark]
    public NextTest? Answer() => finder.Next(seen);
}
