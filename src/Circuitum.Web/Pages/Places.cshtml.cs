using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Searches;
using Circuitum.Core.Units;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>Where a panel should stand: the best places with what each would save.</summary>
public sealed class PlacesModel(Workbench bench) : JobPage(bench)
{
    private const int Wanted = 5;

    // Each place is a whole plan: found once for a plan, and forgotten with it.
    private static readonly ConditionalWeakTable<Plan, ConcurrentDictionary<PanelId, ImmutableArray<PanelPlace>>> Found = [];

    /// <summary>The panel.</summary>
    [FromRoute]
    public string Panel { get; set; } = "";

    /// <summary>The best places, least cable first.</summary>
    public IReadOnlyList<PanelPlace> Best { get; private set; } = [];

    /// <summary>The panel as it stands; null when the job has none of that name.</summary>
    public Panel? Standing { get; private set; }

    /// <inheritdoc/>
    protected override bool IsThere => Standing is not null;

    /// <summary>Hangs the panel at one of them.</summary>
    public async Task<IActionResult> OnPostHangAsync(string room, string wall, string offset, int from)
    {
        if (!await LoadAsync() || Standing is not { } standing)
        {
            return NotFound();
        }

        return await ChangeAsync(from,
            () => Task.FromResult<JobChange>(
                new SetPanel(standing with { Room = new(room), Wall = Entry.Count(wall), Offset = Length.Parse(offset) })));
    }

    /// <summary>The level that the panel stands on, with the places numbered.</summary>
    public string Drawing()
    {
        var level = Open.Plan.House.LevelOf(Standing!.Room).Level.Id;
        var svg = PlanDrawing.Draw(Open.Plan, level, new() { Stage = Stage.House, Standalone = false, Id = "places" });
        var marks = string.Concat(Best.Select((p, i) => (p, i)).Where(x => x.p.Level == level)
            .Select(x => string.Create(System.Globalization.CultureInfo.InvariantCulture,
            $"<g class=\"place\"><circle cx=\"{x.p.At.X.Inches:0.#}\" cy=\"{x.p.At.Y.Inches:0.#}\" r=\"13\"/><text "
                + $"x=\"{x.p.At.X.Inches:0.#}\" y=\"{x.p.At.Y.Inches + 5:0.#}\">{x.i + 1}</text></g>")));
        var end = svg.LastIndexOf("</svg>", StringComparison.Ordinal);
        return svg[..end] + marks + svg[end..];
    }

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        Standing = Open.Plan.Job.Panels.FirstOrDefault(p => p.Id.Value == Panel);
        if (Standing is not { } standing)
        {
            return;
        }

        var known = Found.GetValue(Open.Plan, _ => []);
        Best = known.TryGetValue(standing.Id, out var found) ? found
            : known.GetOrAdd(standing.Id, await PlanAsync(gone => PanelPlaces.Best(Open.Plan, standing.Id, Wanted, gone)));
    }
}
