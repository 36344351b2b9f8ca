using Circuitum.Core.Takeoff;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>The ordered sheet for making a panel up.</summary>
public sealed class MakeUpGuideModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The panel.</summary>
    [FromRoute]
    public string Panel { get; set; } = "";

    /// <summary>Its guide.</summary>
    public PanelMakeUp Guide { get; private set; } = null!;

    /// <inheritdoc/>
    protected override bool IsThere => Guide is not null;

    /// <inheritdoc/>
    protected override Task ReadAsync()
    {
        if (Open.Plan.Panels.FirstOrDefault(p => p.Panel.Id.Value == Panel) is { } panel)
        {
            Guide = MakeUpGuide.Of(panel, Open.Plan.Job, Open.Plan.Book);
        }

        return Task.CompletedTask;
    }
}
