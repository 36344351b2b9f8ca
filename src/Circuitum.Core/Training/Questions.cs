using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Proving;
using Circuitum.Core.Protection;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Training;

/// <summary>Questions that a seed draws, each answered by the plan or by the network.</summary>
internal static class Questions
{
    /// <summary>What a box needs at least.</summary>
    public static Question BoxFill(HouseNetwork house, int seed)
    {
        var boxes = house.Branches.SelectMany(c => c.Boxes.Select(b => (Circuit: c, b.Key, b.Value)))
            .OrderBy(b => b.Key.Value, StringComparer.Ordinal).ToList();
        var (circuit, id, wired) = boxes[Lot.Of(seed, 0, boxes.Count)];
        var need = wired.Needed;
        var one = house.Plan.Book.Boxes.Volume(circuit.Gauge)!.Value;
        var cables = string.Join(" and ", wired.In.Concat(wired.Out).Select(circuit.CableOf));
        // One conductor forgotten, the grounds counted one by one, the device counted once or three times.
        var offered = new[] { -1, 0, 1, 2 }.Select(n => new CubicInches(need.Value + (one.Value * n))).Where(v => v.Value > 0);
        return new($"{house.Plan.Survey[id].Name}, with {string.Join(" and ", house.Plan.Survey[id].Box.Devices.Select(d =>
            Words.Of(d.Kind)))}: cables {cables}. A conductor of {circuit.Gauge.Words} counts {one}; the box has no clamps inside.",
            [.. offered.Select(v => new Choice($"{v}", v == need))], [.. wired.Volume.Why.Steps
                .Select(s => $"{s.Text}: {s.Value}{(s.Cite.Length == 0 ? "" : $" ({s.Cite})")}")]);
    }

    /// <summary>What a tester's picture may mean.</summary>
    public static Question Tester(HouseNetwork house, int seed)
    {
        var circuit = house.Branches.First();
        var run = circuit.Runs.First(r => r.To.Box == new BoxId("r2"));
        var box = run.To.Box!.Value;
        (string Words, Fault? Fault)[] what =
        [
            ("Everything is as it should be", null),
            ("The bare ground has come off", new Fault.LeftOut(box, run.Id, ConductorColour.Bare)),
            ("The neutral has come off", new Fault.LeftOut(box, run.Id, ConductorColour.White)),
            ("The hot has come off", new Fault.LeftOut(box, run.Id, ConductorColour.Black)),
            ("Hot and neutral have changed places", new Fault.Turned(box, 0)),
            ("The ground screw is tied to the neutral, and to no ground", new Fault.Bootleg(box, 0)),
        ];
        PlugInTester Shows(Fault? fault) =>
            PlugInTester.At(house.Solve(HouseState.AsPlanned with { Faults = fault is null ? [] : [fault] }, circuit.Key), box, 0);
        var shown = Shows(what[Lot.Of(seed, 0, what.Length)].Fault);
        string Lamp(bool lit) => lit ? "lit" : "dark";
        return new($"At {house.Plan.Survey[box].Name} the lamp hot to neutral is {Lamp(shown.HotNeutral)}, hot to ground "
            + $"{Lamp(shown.HotGround)}, neutral to ground {Lamp(shown.NeutralGround)}.",
            [.. what.Select(w => new Choice(w.Words, Shows(w.Fault) == shown))],
            [$"It reads {Words.Of(shown.Says)}.", .. what.Where(w => Shows(w.Fault) == shown).Select(w => $"{w.Words}: looks like this.")]);
    }

    /// <summary>What a breaker does under a load.</summary>
    public static Question WhatTrips(HouseNetwork house, int seed)
    {
        var circuit = house.Branches.First();
        var outlets = circuit.Circuit.Boxes.Where(b => PlugIn.CanBeAt(house.Plan.Survey[b])).ToList();
        var plugged = Enumerable.Range(0, 1 + Lot.Of(seed, 0, outlets.Count)).Select(i => new Plugged(outlets[i],
            (Portable)Lot.Of(seed, 1 + i, Enum.GetValues<Portable>().Length))).ToImmutableArray();
        var through = house.Solve(HouseState.AsPlanned with { Plugged = plugged }, circuit.Key).AtBreaker(circuit.Key);
        var opening = InverseTime.At(through, circuit.Breaker);
        (string Words, bool IsRight)[] does =
        [
            ("It holds, for good", opening.Holds),
            ("It may open after a long while, and need not", !opening.Holds && opening.Latest is null),
            ("It opens, within an hour at the latest", opening.Latest is { } late && late > TimeSpan.FromSeconds(1)),
            ("It opens at once", opening.Latest is { } soon && soon <= TimeSpan.FromSeconds(1)),
        ];
        var load = string.Join(", ", plugged.Select(p => $"a {Words.Of(p.What)} of {PlugIn.Typical(p.What)}"));
        return new($"In the bedroom, on {circuit.Breaker}: {load}.", [.. does.Select(d => new Choice(d.Words, d.IsRight))],
            [$"{through.Value:0.0} A on a breaker of {circuit.Breaker}: {opening}. Typical; a certain breaker's own curve counts."]);
    }
}
