using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>One line of the pull list.</summary>
public sealed record PullLine(RunId Run, CircuitKey Circuit, RunKind Kind, string Cable, string From, string To, Length Length,
    string LabelFrom, string LabelTo);

/// <summary>Footage of one cable.</summary>
public sealed record CableTotal(string Cable, Length Length, int Runs);

/// <summary>What to pull and how much of each cable.</summary>
public sealed record Takeoffs(ImmutableArray<PullLine> Pulls, ImmutableArray<CableTotal> Cables)
{
    /// <summary>All footage.</summary>
    public Length Total => Pulls.Select(p => p.Length).Total();

    /// <summary>Lists every run in the order of the panels' spaces, labelled at both ends.</summary>
    public static Takeoffs Of(ImmutableArray<PanelSchedule> panels)
    {
        var pulls = panels.SelectMany(p => p.Circuits.SelectMany(c => c.Runs.Select(r => Line(p, c, r)))).ToImmutableArray();
        return new(pulls, [.. pulls.GroupBy(p => p.Cable).OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => new CableTotal(g.Key, g.Select(l => l.Length).Total(), g.Count()))]);
    }

    private static PullLine Line(PanelSchedule panel, Landed landed, Run run)
    {
        var wired = landed.Wired;
        var number = $"{panel.Panel.Id}{landed.SpaceText}";
        var home = run.Kind is RunKind.HomeRun or RunKind.Feeder;
        var end = run.To.Box is BoxId box && wired.Boxes[box].IsEnd ? " END" : "";
        return new(run.Id, wired.Circuit.Key, run.Kind, wired.CableOf(run), run.From.Name, run.To.Name, run.Length.Value,
            home ? $"HR {number} {run.To.Name}" : $"{number} OUT to {run.To.Name}", home ? $"HR {number} from {run.From.Name}{end}"
                : $"{number} IN from {run.From.Name}{end}");
    }
}
