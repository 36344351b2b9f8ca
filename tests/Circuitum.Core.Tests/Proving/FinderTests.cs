using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Units;
using Circuitum.Core.Routing;
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

    [Fact] // no outlet tells where a short is: all are dead; dead, each cable taken out halves what is left
    public void A_short_is_told_by_its_cable_with_the_breaker_off()
    {
        var (house, circuit) = Chain();
        var finder = new Finder(house, circuit.Key);
        foreach (var run in circuit.Runs)
        {
            var nail = new Fault.Nailed(run.Id, ConductorColour.Black, ConductorColour.Bare);
            var looks = finder.Suspects.First(s => s.Suspect.Fault == nail).Looks;
            List<Seen> seen = [new(Test.Breaker, Finding.Dead), new(Test.Reset, Finding.Dead)];
            while (finder.Next(seen) is { } next)
            {
                Assert.Equal(LookBy.Apart, next.Test.By);
                seen.Add(new(next.Test, looks[finder.Tests.IndexOf(next.Test)]));
            }

            Assert.Equal(nail, Assert.Single(finder.Explain(seen)).Suspect.Fault);
        }
    }

    [Fact] // no load, and a tester sees nothing of it: a meter does
    public void A_neutral_that_touches_the_ground_is_found_dead()
    {
        var (house, circuit) = Chain();
        var finder = new Finder(house, circuit.Key);
        var nail = new Fault.Nailed(circuit.Runs[2].Id, ConductorColour.White, ConductorColour.Bare);
        var looks = finder.Suspects.First(s => s.Suspect.Fault == nail).Looks;
        Assert.All(finder.Tests.Select((t, i) => (t, i)), x => Assert.True(x.t.By == LookBy.Apart || looks[x.i] == Finding.Works));
        Assert.Contains(Finding.NeutralOnGround, looks);
        Assert.Equal(nail, Assert.Single(finder.Explain([.. finder.Tests.Select((t, i) => new Seen(t, looks[i]))])).Suspect.Fault);
    }

    [Theory] // what the continuity tester follows is what the network has: every reading with the cable's ends out of their joints
    [InlineData(1)]
    [InlineData(7)]
    public void Continuity_is_what_the_network_has_of_ohms(int number)
    {
        var house = new HouseNetwork(Planner.Plan(BuiltHouses.Number(number)));
        var (compared, joined) = (0, 0);
        foreach (var circuit in house.Branches)
        {
            var finder = new Finder(house, circuit.Key);
            foreach (var (suspect, looks) in finder.Suspects.Where((s, i) => i % 11 == 0 && s.Suspect.Fault is not null))
            {
                foreach (var (test, i) in finder.Tests.Select((t, i) => (t, i)).Where(x => x.t.By == LookBy.Apart))
                {
                    var run = circuit.Runs.First(r => r.Id == test.Run);
                    var state = HouseState.AsPlanned with
                    {
                        AppliancesRun = false,
                        Thrown = [.. HouseState.LampsOn(circuit.Groups)],
                        Open = [circuit.Key],
                        Faults = [suspect.Fault!, .. Conductor.In(run).Select(c => new Fault.LeftOut(run.From.Box, run.Id, c.Colour))],
                    };
                    bool Reads(ConductorColour a, ConductorColour b) => house.Resistance(state, circuit.Key,
                        new Probe.AtEnd(run.From.Box, run.Id, a), new Probe.AtEnd(run.From.Box, run.Id, b)) is { Value: < 4 };
                    var white = Conductor.In(run).FirstOrDefault(c => c.Carries is Carried.Neutral or Carried.SecondLeg);
                    var hot = Conductor.In(run).FirstOrDefault(c => c.Carries == Carried.Hot)
                        ?? Conductor.In(run).FirstOrDefault(c => c.Carries == Carried.Switched) ?? Conductor.In(run)[0];
                    var expected = (white is not null && white != hot && Reads(hot.Colour, white.Colour),
                        Reads(hot.Colour, ConductorColour.Bare),
                        white is not null && white != hot && Reads(white.Colour, ConductorColour.Bare)) switch
                    {
                        (false, false, false) => Finding.Works,
                        (true, false, false) => Finding.HotOnNeutral,
                        (false, true, false) => Finding.HotOnGround,
                        (false, false, true) => Finding.NeutralOnGround,
                        _ => Finding.Odd,
                    };
                    Assert.Equal(expected, looks[i]);
                    (compared, joined) = (compared + 1, joined + (expected == Finding.Works ? 0 : 1));
                }
            }
        }

        output.WriteLine($"{compared} readings, {joined} with something joined");
        Assert.True(joined > 10);
    }

    [Theory] // a nail anywhere along a cable is placed from the ohms of one end, and from both to the inch, whatever the nail itself has
    [InlineData(10)]
    [InlineData(37)]
    [InlineData(80)]
    public void A_short_is_placed_along_its_cable(int percent)
    {
        var (house, circuit) = Chain();
        var run = circuit.Runs[1];
        (ConductorColour One, ConductorColour Other) pair = (ConductorColour.Black, ConductorColour.Bare);
        Ohms At(BoxId? box) => house.Resistance(HouseState.AsPlanned with
        {
            Open = [circuit.Key],
            Faults =
            [
                new Fault.Nailed(run.Id, pair.One, pair.Other) { Along = new(percent) },
                .. Conductor.In(run).SelectMany(c => new[] { run.From.Box, run.To.Box }
                    .Select(b => new Fault.LeftOut(b, run.Id, c.Colour))),
            ],
        }, circuit.Key, new Probe.AtEnd(box, run.Id, pair.One), new Probe.AtEnd(box, run.Id, pair.Other))!.Value;
        // The network has copper at 75 °C, the meter sees it cool.
        Ohms Cool(Ohms ohms) => new((ohms.Value - 0.01m) * 0.822m + 0.01m);
        var near = Cool(At(run.From.Box));
        var truth = run.Length.Value.Feet * percent / 100;
        var both = Stretch.Along(house, run.Id, pair.One, pair.Other, near, Cool(At(run.To.Box)), new(0.01m))!;
        Assert.InRange(both.From.Feet - truth, -0.1m, 0.1m);
        var one = Stretch.Along(house, run.Id, pair.One, pair.Other, near, null, new(0.01m))!;
        Assert.InRange(one.From.Feet - truth, -0.1m, 3.3m);
        // 12 AWG, 1.93 Ω a thousand feet out and back at 75 °C, 0.822 of it cool: 3.17 mΩ a foot, so that a hundredth of an ohm is 3.15 ft.
        Assert.InRange(one.Give.Feet, 3.1m, 3.2m);
        Assert.Null(Stretch.Along(house, run.Id, pair.One, pair.Other, new(50), null, new(0.1m)));
    }

    [Theory] // every outlet, lamp and the breaker looked at: where no one fault explains it, two that do
    [InlineData(1)]
    [InlineData(4)]
    public void Two_faults_at_once_are_found_where_one_does_not_explain(int number)
    {
        var house = new HouseNetwork(Planner.Plan(BuiltHouses.Number(number)));
        var (asked, found, longest) = (0, 0, 0);
        foreach (var circuit in house.Branches.Where(c => c.Boxes.Count >= 4))
        {
            var finder = new Finder(house, circuit.Key);
            var telling = finder.Suspects.Where(s => s.Suspect.Fault is not null && !s.Looks.SequenceEqual(finder.AsPlanned)).ToList();
            for (var i = 0; i < 12; i++)
            {
                var (a, b) = (telling[(i * 37) % telling.Count].Suspect, telling[((i * 53) + 11) % telling.Count].Suspect);
                var looks = finder.LooksOf([a, b]);
                var seen = finder.Tests.Select((t, n) => new Seen(t, looks[n])).Where(s => s.Test.Run is null).ToList();
                if (a == b || !finder.Explain(seen).IsEmpty)
                {
                    continue;
                }

                asked++;
                var pairs = finder.ExplainByTwo(seen);
                longest = Math.Max(longest, pairs.Length);
                // What is told explains it, all of it.
                Assert.All(pairs.Take(3), p => Assert.Equal(seen.Select(s => s.Found), finder.LooksOf([p.One, p.Other])
                    .Where((_, n) => finder.Tests[n].Run is null)));
                found += pairs.IsEmpty ? 0 : 1;
            }
        }

        output.WriteLine($"{found} of {asked} pairs explained, at most {longest} pairs told");
        Assert.True(asked >= 10);
        Assert.True(found * 100 >= asked * 85, $"{found} of {asked}");
    }
}
