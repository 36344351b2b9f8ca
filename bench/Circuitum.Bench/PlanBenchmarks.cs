using System.Collections.Immutable;
using BenchmarkDotNet.Attributes;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Checks;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Demand;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Wiring;

namespace Circuitum.Bench;

/// <summary>Each stage and the whole plan, so that growth can be read off.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class PlanBenchmarks
{
    private Job job = null!;
    private Job bare = null!;
    private CodeBook book = null!;
    private FramedHouse house = null!;
    private Survey survey = null!;
    private ImmutableArray<Circuit> circuits;
    private ImmutableArray<RoutedCircuit> routed;
    private ImmutableArray<Raceway> raceways;
    private Holes holes = null!;
    private ImmutableArray<SizedCircuit> sized;
    private ImmutableArray<WiredCircuit> wired;
    private ImmutableArray<PanelSchedule> panels;

    /// <summary>Boxes in the house.</summary>
    [Params(50, 150, 500, 2000)]
    public int Boxes { get; set; }

    /// <summary>What each stage reads.</summary>
    [GlobalSetup]
    public void SetUp()
    {
        job = ScaledHouse.Of(Boxes);
        bare = job with { Boxes = [], Pins = new(), Holds = [] };
        book = CodeBook.For(job);
        house = Framing.Frame(job);
        survey = Surveying.Survey(house, job);
        circuits = Dividing.Divide(house, survey, job, book);
        routed = Routes.Route(house, survey, circuits, job, book);
        raceways = Raceways.Of(routed, job);
        holes = Drilling.Drill(routed, job.HouseRules);
        sized = Sizing.Finish(Sizing.Size(routed, raceways, holes, Bundling.Find(routed, holes, job.Schools.Column, _ => false,
            book.Conductors.BundledBeyond.Length),
            FeederLoad.Of(circuits, house, survey, job, book), survey, job, book), raceways, book);
        wired = Wires.Join(Protecting.Protect(sized, survey, job, book), survey, book);
        panels = Landing.Land(wired, house, survey, job, book);
    }

    /// <summary>House.</summary>
    [Benchmark]
    public FramedHouse Frame() => Framing.Frame(job);

    /// <summary>Boxes.</summary>
    [Benchmark]
    public Survey Place() => Surveying.Survey(house, job);

    /// <summary>Circuits.</summary>
    [Benchmark]
    public ImmutableArray<Circuit> Divide() => Dividing.Divide(house, survey, job, book);

    /// <summary>Runs.</summary>
    [Benchmark]
    public ImmutableArray<RoutedCircuit> Route() => Routes.Route(house, survey, circuits, job, book);

    /// <summary>Holes and conductors.</summary>
    [Benchmark]
    public ImmutableArray<SizedCircuit> Size()
    {
        var drilled = Drilling.Drill(routed, job.HouseRules);
        return Sizing.Finish(Sizing.Size(routed, raceways, drilled, Bundling.Find(routed, drilled, job.Schools.Column, _ => false,
            book.Conductors.BundledBeyond.Length),
            FeederLoad.Of(circuits, house, survey, job, book), survey, job, book), raceways, book);
    }

    /// <summary>Protection and wiring.</summary>
    [Benchmark]
    public ImmutableArray<WiredCircuit> Wire() => Wires.Join(Protecting.Protect(sized, survey, job, book), survey, book);

    /// <summary>Panel.</summary>
    [Benchmark]
    public ImmutableArray<PanelSchedule> Land() => Landing.Land(wired, house, survey, job, book);

    /// <summary>Checks.</summary>
    [Benchmark]
    public int Check() =>
        Checking.Check(new(job, book, house, survey, wired, holes, panels, ServiceSizing.Of(circuits, house, survey, job, book),
            LowVoltagePlan.None)).Length;

    /// <summary>Everything the rules ask for, laid out in a house without a box.</summary>
    [Benchmark]
    public ChangeOutcome LayOutByRule() => LayOut.Everything.On(bare);

    /// <summary>Everything.</summary>
    [Benchmark(Baseline = true)]
    public Plan Whole() => Planner.Plan(job);
}
