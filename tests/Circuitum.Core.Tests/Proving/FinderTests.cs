using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;
using Xunit.Abstractions;

namespace Circuitum.Core.Tests;

/// <summary>The finder against every single fault that it knows, placed one by one.</summary>
public sealed class FinderTests(ITestOutputHelper output)
{
    [Theory]
    [InlineData(1)]
    [InlineData(4)]
    [InlineData(7)]
    [InlineData(23)]
    public void Every_fault_is_found_and_by_no_more_tests_than_it_takes(int number)
    {
        var house = new HouseNetwork(Planner.Plan(BuiltHouses.Number(number)));
        var (counts, bounds) = (new List<int>(), new List<double>());
        foreach (var circuit in house.Branches)
        {
            var finder = new Finder(house, circuit.Key);
            foreach (var (fault, looks) in finder.Suspects.Where((_, i) => i % 3 == 0))
            {
                var seen = new List<Seen>();
                while (finder.Next(seen) is { } next)
                {
                    Assert.True(next.Parts.Length > 1);
                    seen.Add(new(next.Test, looks[finder.Tests.IndexOf(next.Test)]));
                    Assert.Contains(finder.Explain(seen), e => e.Suspect == fault);
                }

                // What is left looks alike wherever one looks.
                var left = finder.Explain(seen).Select(e => e.Suspect).ToHashSet();
                Assert.Single(finder.Suspects.Where(s => left.Contains(s.Suspect)).Select(s => string.Join(' ', s.Looks)).Distinct());
                counts.Add(seen.Count);
                bounds.Add(Math.Log2((double)finder.Suspects.Length / left.Count));
            }
        }

        counts.Sort();
        output.WriteLine($"{counts.Count} faults: median {counts[counts.Count / 2]}, worst {counts[^1]} tests; "
            + $"mean {counts.Average():0.0} against {bounds.Average():0.0} bits");
        Assert.True(counts[counts.Count / 2] <= 9, $"median {counts[counts.Count / 2]}");
    }

    private static (HouseNetwork House, WiredCircuit Circuit) Chain()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 24)).With([.. Enumerable.Range(0, 4).Select(i =>
            Houses.On($"r{i}", "a", 1, 30 + (i * 60)))]);
        var plan = Planner.Plan(job);
        return (new(plan), plan.CircuitOf(new("r0"))!);
    }

    [Fact] // four outlets in a row: dead from the third on, and no breaker open, is the hot or the neutral between two and three
    public void Dead_from_the_third_outlet_on_is_between_the_second_and_the_third()
    {
        var (house, circuit) = Chain();
        var finder = new Finder(house, circuit.Key);
        var order = circuit.Runs.Select(r => r.To.Box!.Value).ToList();
        var seen = order.Select((b, i) => new Seen(finder.Tests.First(t => t.Box == b && t.Gang == 0), i < 2 ? Finding.Works
            : Finding.Dead))
            .ToList();
        var run = circuit.Runs[2];
        Assert.Equal(
        [
            new Fault.LeftOut(order[1], run.Id, ConductorColour.Black), new Fault.LeftOut(order[2], run.Id, ConductorColour.Black),
            new Fault.Parted(run.Id, ConductorColour.Black),
        ], finder.Explain(seen).Select(e => e.Suspect.Fault).OrderBy(f => f is Fault.Parted).ThenBy(f => f is Fault.LeftOut l
            && l.Box == order[2]));
        // The next is one of the two ends: live in box two and dead in box three is the cable.
        var next = finder.Next(seen)!;
        Assert.Equal(run.Id, next.Test.Run);
        seen.Add(new(new(order[1], null, run.Id), Finding.Works));
        seen.Add(new(new(order[2], null, run.Id), Finding.Dead));
        Assert.Equal(new Fault.Parted(run.Id, ConductorColour.Black), Assert.Single(finder.Explain(seen)).Suspect.Fault);
        Assert.Null(finder.Next(seen));
    }

    [Fact]
    public void Everything_dead_is_the_breaker_first_and_what_cannot_be_is_told_by_nothing()
    {
        var (house, circuit) = Chain();
        var finder = new Finder(house, circuit.Key);
        var all = circuit.Circuit.Boxes.Select(b => new Seen(new(b, 0, null), Finding.Dead)).ToList();
        Assert.Equal(Suspect.BreakerOpen, finder.Explain(all)[0].Suspect);
        Assert.InRange(finder.Explain(all).Sum(e => e.Share.Value), 99.9m, 100.1m);
        // The first dead and the last alive is nothing that one fault does.
        var order = circuit.Runs.Select(r => r.To.Box!.Value).ToList();
        Assert.Empty(finder.Explain([new(new(order[0], 0, null), Finding.Reversed), new(new(order[3], 0, null), Finding.NoGround)]));
        Assert.All(finder.AsPlanned, f => Assert.Equal(Finding.Works, f));
    }

    [Fact]
    public void A_breaker_that_opens_again_is_a_fault_and_one_that_holds_had_only_opened()
    {
        var (house, circuit) = Chain();
        var finder = new Finder(house, circuit.Key);
        var opened = new Seen(Test.Breaker, Finding.Dead);
        Assert.Equal(Suspect.BreakerOpen, Assert.Single(finder.Explain([opened, new(Test.Reset, Finding.Works)])).Suspect);
        var again = finder.Explain([opened, new(Test.Reset, Finding.Dead)]);
        Assert.NotEmpty(again);
        // Hot to neutral or hot to ground, in any of the four cables.
        Assert.All(again, e => Assert.True(e.Suspect.Fault is Fault.Nailed { One: ConductorColour.Black }));
        Assert.Equal(8, again.Length);
    }
}
