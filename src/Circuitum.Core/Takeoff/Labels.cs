using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Takeoff;

/// <summary>Which labels of a job.</summary>
public enum LabelKind
{
    /// <summary>Both ends of every cable.</summary>
    Cables,

    /// <summary>What is written at every box.</summary>
    Boxes,

    /// <summary>What stands beside every breaker.</summary>
    Spaces,
}

/// <summary>One strip.</summary>
/// <param name="Big">Read from a metre away: HR A14, A14.3 IN.</param>
/// <param name="Lines">Where it goes and what it is.</param>
/// <param name="Where">The end or the box it hangs at.</param>
public sealed record Label(string Big, ImmutableArray<string> Lines, string Where);

/// <summary>Writes what hangs on cables and stands at boxes.</summary>
public static class Labels
{
    /// <summary>The strips of one kind, in the order of the panels' spaces.</summary>
    public static ImmutableArray<Label> Of(Plan plan, LabelKind kind) =>
        kind switch
        {
            LabelKind.Cables => [.. Of(plan, plan.Takeoff.Pulls), .. LowVoltage(plan)],
            LabelKind.Boxes => Boxes(plan),
            _ => Spaces(plan)
        };

    /// <summary>The strips at both ends of some runs, in their order.</summary>
    public static IEnumerable<Label> Of(Plan plan, IEnumerable<PullLine> pulls)
    {
        foreach (var pull in pulls)
        {
            var (circuit, run) = plan.FindRun(pull.Run)!.Value;
            var number = NumberOf(plan, circuit.Circuit.Key);
            var works = Works(plan, circuit, run);
            var pair = run.TakesAlong is CircuitKey other ? PairOf(plan, run, circuit, other) : null;
            string Side(BoxId? at) => at is { } there && SideOf(plan, there, run) is { } side ? $" {side}" : "";
            string At(bool near) => run.Kind is RunKind.HomeRun or RunKind.Feeder ? $"HR {number}" : $"{number} {(near ? "OUT" : "IN")}";
            var end = run.To.Box is BoxId box && circuit.Boxes[box].IsEnd ? " END" : "";
            yield return new(At(true) + Side(run.From.Box), [.. Lines($"{pull.Cable} to {run.To.Name}", works, pair)], run.From.Name);
            yield return new(At(false) + Side(run.To.Box) + end, [.. Lines($"{pull.Cable} from {run.From.Name}", works, pair)],
                run.To.Name);
        }
    }

    private static IEnumerable<Label> LowVoltage(Plan plan)
    {
        foreach (var run in plan.LowVoltage.Runs)
        {
            var outlet = run.Outlet;
            for (var cable = 1; cable <= outlet.Outlet.Cables; cable++)
            {
                var number = outlet.Outlet.Cables == 1 ? outlet.Number : $"{outlet.Number}.{cable}";
                yield return new(number, [$"{outlet.Outlet.Kind.Cable()}", $"to {outlet.Name}"], run.Home.Name);
                yield return new(number, [$"{outlet.Outlet.Kind.Cable()}", $"from {run.Home.Name}"], outlet.Name);
            }
        }
    }

    private static IEnumerable<string> Lines(string first, string? works, string? pair) => new[] { first, works, pair }.OfType<string>();

    // In a box of several gangs every leg carries its lamp's name.
    private static string? Works(Plan plan, WiredCircuit circuit, Run run) => run.Group is not int number ? null
        : $"works {string.Join(", ", circuit.Groups[number].Lamps.Select(l => plan.Survey[l].Name))}";

    private static string PairOf(Plan plan, Run run, WiredCircuit circuit, CircuitKey other)
    {
        var (mine, theirs) = (NumberOf(plan, circuit.Circuit.Key), NumberOf(plan, other));
        return run.Carries.Contains(Carried.OtherNeutral) ? $"{mine}: black and white · {theirs}: red and white with red"
            : $"{mine}: black · {theirs}: red · white serves both";
    }

    // At a protective device: the cable on its LINE screws, and those that hang on its LOAD screws.
    private static string? SideOf(Plan plan, BoxId box, Run run)
    {
        if (plan.WiringOf(box) is not { Line: { } line } wiring)
        {
            return null;
        }

        return line.Run.Id == run.Id ? "LINE" : wiring.Joints.Any(j => j.Ends.Any(e => e.Run.Id == run.Id)
            && j.Terminals.Any(t => t.Kind is TerminalKind.LoadHot)) ? "LOAD" : null;
    }

    // In a box of several gangs one line to each: what it is, and what it works.
    private static IEnumerable<string> Gangs(Plan plan, PlacedBox box)
    {
        string Works(Device device) => device.Controls.IsEmpty ? ""
            : $" works {string.Join(", ", device.Controls.Select(c => plan.Survey[c].Name))}";
        return box.Box.Devices.Length < 2 ? [] : box.Box.Devices.Select((d, i) => $"{i + 1}: {Words.Of(d.Kind)}{Works(d)}");
    }

    private static ImmutableArray<Label> Spaces(Plan plan) =>
    [
        .. plan.Panels.SelectMany(p => p.Circuits.Where(c => c.Space is not null).Select(c => new Label($"{p.Panel.Id}{c.SpaceText}",
            [c.Description, $"{c.Breaker}{(c.Mark.Length > 0 ? ", " + c.Mark : "")}, {c.Cable}"], $"Panel {p.Panel.Id}"))),
    ];

    private static ImmutableArray<Label> Boxes(Plan plan) =>
    [
        .. plan.Panels.SelectMany(p => p.Circuits)
        .SelectMany(c => c.Runs.Select(r => r.To.Box).OfType<BoxId>().Distinct().Where(c.Wired.Boxes.ContainsKey).Select(b =>
        {
            var wired = c.Wired.Boxes[b];
            var box = plan.Survey[b];
            var marks = new[] { wired.FedBy.Kind == RunKind.HomeRun ? "HR" : null, wired.IsEnd ? "END" : null, c.Devices.ContainsKey(b)
                ? "LINE marked" : null }.OfType<string>();
            return new Label(NumberOf(plan, c.Key) + string.Concat(marks.Select(m => " " + m)),
                [box.Name, $"from {wired.FedBy.From.Name}", wired.Out.IsEmpty ? "nothing beyond"
                    : $"to {string.Join(", ", wired.Out.Select(r => r.To.Name))}", .. Gangs(plan, box)], box.Room.Room.Name);
        })),
    ];

    /// <summary>A14: the panel and the space, or the panel alone while it has none.</summary>
    public static string NumberOf(Plan plan, CircuitKey key) => plan.Landed(key) is { } landed ? $"{landed.Panel}{landed.SpaceText}"
        : key.Value;
}
