using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to panels: lands breakers, writes their numbers, describes circuits, and reads labels off.
public abstract partial class StagePage
{
    /// <summary>Moves a breaker to another space; what stands there takes its place.</summary>
    public async Task<IActionResult> OnPostLandAsync(string circuit, string space)
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        return await ChangeAsync(() => Moving.To(job.Plan.Panels, new(circuit), PanelSpace.Parse(space)));
    }

    /// <summary>What landing a breaker there would do; nothing is changed.</summary>
    public async Task<IActionResult> OnGetLandAsync(string? circuit, string? space)
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        try
        {
            var move = Moving.To(job.Plan.Panels, new(circuit ?? ""), PanelSpace.Parse(space));
            var outcome = move.On(job.Plan.Kept);
            return Partial("_LandEffect", outcome.Job is { } after ? new LandView(move, job.Plan, await bench.PlanAsync(after), null)
                : new LandView(null, job.Plan, null, outcome.Refusal));
        }
        catch (Exception e) when (e is ChangeRefusedException or FormatException)
        {
            return Partial("_LandEffect", new LandView(null, job.Plan, null, e.Message));
        }
    }

    /// <summary>Lands every circuit anew.</summary>
    public Task<IActionResult> OnPostRelandAsync() => ChangeAsync(() => new Reland());

    /// <summary>Writes the numbers: every circuit stays in its space.</summary>
    public async Task<IActionResult> OnPostWriteAsync()
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        return await ChangeAsync(() => new WriteSpaces([.. job.Plan.Panels.SelectMany(p => p.AsWritten)]));
    }

    /// <summary>Holds the words beside a breaker; nothing typed lets the planner write them.</summary>
    public async Task<IActionResult> OnPostDescribeAsync(string circuit, string? text)
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        return job.Plan.Landed(new(circuit)) is { } landed
            ? await ChangeAsync(() => new Describe(landed.Key, string.IsNullOrWhiteSpace(text) || text.Trim() == landed.Planned ? null
                : text, landed.Planned))
            : await RefusedAsync("That circuit is not in this job any more.");
    }

    /// <summary>Says of which line a breaker is; nothing typed takes it as the panel's.</summary>
    public Task<IActionResult> OnPostFamilyAsync(string circuit, string? family) =>
        ChangeAsync(() => new SetBreakerFamily(new(circuit), string.IsNullOrWhiteSpace(family) ? null : family));

    /// <summary>Sets what a panel's label says.</summary>
    public Task<IActionResult> OnPostListingAsync(string panel, ListingFields fields) =>
        ChangeAsync(() => new SetListing(new(panel), fields.Read()));

    /// <summary>Says that a breaker stands in a space already.</summary>
    public Task<IActionResult> OnPostTakenAsync(string panel, string space, string poles, string rating, string description, string? load,
        string? use) => ChangeAsync(() =>
        new SetTaken(new(panel), PanelSpace.Parse(space),
            new(PanelSpace.Parse(space), Entry.Count(poles), Entry.Amps(rating), description ?? "", string.IsNullOrWhiteSpace(load)
                ? default : Entry.VoltAmps(load, current => current * SupplySystem.SplitPhase.Offered[Entry.Count(poles) == 2 ? 1 : 0]))
            { Use = string.IsNullOrEmpty(use) ? TakenUse.General : Entry.Choice<TakenUse>(use) }));

    /// <summary>Takes such a breaker out again.</summary>
    public Task<IActionResult> OnPostDropTakenAsync(string panel, string space) =>
        ChangeAsync(() => new SetTaken(new(panel), PanelSpace.Parse(space), null));
}
