using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to low voltage.
public abstract partial class StagePage
{
    /// <summary>Moves an outlet of low voltage along its wall.</summary>
    public Task<IActionResult> OnPostMoveLowVoltageAsync(string outlet, string offset) =>
        ChangeAsync(() => new MoveLowVoltage(new(outlet), Length.Parse(offset)));

    /// <summary>Moves an outlet of low voltage on a ceiling.</summary>
    public Task<IActionResult> OnPostPlaceLowVoltageAsync(string outlet, string x, string y) =>
        ChangeAsync(() => new PlaceLowVoltage(new(outlet), Length.Parse(x), Length.Parse(y)));

    /// <summary>Says what an outlet of low voltage is.</summary>
    public Task<IActionResult> OnPostLowVoltageAsync(string outlet, string kind, string? name, string? height, string cables,
        string? home) => ChangeAsync(job => new SetLowVoltage(LowVoltageChanges.Find(job, new(outlet)) with
        {
            Kind = Entry.Choice<LowVoltageKind>(kind),
            Name = string.IsNullOrWhiteSpace(name) ? null : name.Trim(),
            Height = string.IsNullOrWhiteSpace(height) ? null : Length.Parse(height),
            Cables = Entry.Count(cables),
            Home = string.IsNullOrEmpty(home) ? null : new Id<LowVoltageHome>(home),
        }));

    /// <summary>Takes an outlet of low voltage out.</summary>
    public Task<IActionResult> OnPostDropLowVoltageAsync(string outlet) => ChangeAsync(() => new DropLowVoltage(new(outlet)));

    /// <summary>Moves a can or a shelf along its wall.</summary>
    public Task<IActionResult> OnPostMoveLowVoltageHomeAsync(string home, string offset) =>
        ChangeAsync(job => new SetLowVoltageHome(LowVoltageChanges.FindHome(job, new(home)) with { Offset = Length.Parse(offset) }));

    /// <summary>Says what low voltage goes home to.</summary>
    public Task<IActionResult> OnPostLowVoltageHomeAsync(string home, string kind, string top) =>
        ChangeAsync(job => new SetLowVoltageHome(LowVoltageChanges.FindHome(job, new(home)) with
        {
            Kind = Entry.Choice<LowVoltageHomeKind>(kind),
            Top = Length.Parse(top),
        }));

    /// <summary>Takes a can or a shelf out.</summary>
    public Task<IActionResult> OnPostDropLowVoltageHomeAsync(string home) => ChangeAsync(() => new DropLowVoltageHome(new(home)));
}
