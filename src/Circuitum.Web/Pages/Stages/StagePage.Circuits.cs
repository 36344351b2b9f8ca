using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Wiring;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to circuits: moves boxes between them, splits and merges, and asks what would happen.
public abstract partial class StagePage
{
    /// <summary>Moves a box to another circuit and holds it there.</summary>
    public Task<IActionResult> OnPostToCircuitAsync(string box, string circuit, bool anyway) =>
        DivideAsync(() => new MoveToCircuit(new(box), new(circuit)), anyway);

    /// <summary>Puts boxes on a circuit of their own.</summary>
    public Task<IActionResult> OnPostSplitAsync(string[] boxes, bool anyway) =>
        DivideAsync(() => new SplitCircuit([.. Several(boxes)]), anyway);

    /// <summary>Merges a circuit into another.</summary>
    public Task<IActionResult> OnPostMergeAsync(string circuit, string into, bool anyway) =>
        DivideAsync(() => new MergeCircuits(new(circuit), new(into)), anyway);

    /// <summary>Gives a box an individual circuit, or lets it share again.</summary>
    public Task<IActionResult> OnPostIndividualAsync(string box, bool individual, bool anyway) =>
        DivideAsync(() => new MakeIndividual(new(box), individual), anyway);

    /// <summary>Frees every box held on a circuit.</summary>
    public Task<IActionResult> OnPostFreeCircuitAsync(string circuit) => ChangeAsync(() => new FreeCircuit(new(circuit)));

    /// <summary>Holds the panel that feeds a circuit, or frees it.</summary>
    public Task<IActionResult> OnPostPinPanelAsync(string circuit, string? panel) =>
        ChangeAsync(() => new PinPanel(new(circuit), string.IsNullOrEmpty(panel) ? null : new PanelId(panel)));

    /// <summary>Brings two circuits in one cable or apart; without a way the planner chooses again.</summary>
    public Task<IActionResult> OnPostTogetherAsync(string circuit, string with, TwoCircuits? @as) =>
        ChangeAsync(() => new PinTogether(new(circuit), new(with), @as));

    /// <summary>Sets the schools of one room.</summary>
    public Task<IActionResult> OnPostRoomSchoolsAsync(string room) =>
        ChangeAsync(() => new SetRoomSchools(CrewForms.OfRoom(Request.Form, new(room))));

    /// <summary>Sets the schools of one circuit.</summary>
    public Task<IActionResult> OnPostCircuitSchoolsAsync(string circuit) =>
        ChangeAsync(() => new SetCircuitSchools(CrewForms.OfCircuit(Request.Form, new(circuit))));

    /// <summary>What a move, a merge or a split would do; nothing is changed.</summary>
    public async Task<IActionResult> OnGetWeighAsync(string? does, string? box, string? circuit, string? into, string[] boxes)
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        // An asking that leads nowhere is answered like one that is refused: with a sentence where the figures would stand.
        try
        {
            JobChange change = does switch
            {
                "merge" => new MergeCircuits(new(circuit ?? ""), new(into ?? "")),
                "split" => new SplitCircuit([.. Several(boxes)]),
                _ => new MoveToCircuit(new(box ?? ""), new(circuit ?? "")),
            };
            var outcome = change.On(job.Plan.Job);
            return Partial("_Effect", outcome.Job is { } after
                ? new EffectView(new DivisionEffect(job.Plan, await bench.PlanAsync(after)), null) : new EffectView(null, outcome.Refusal));
        }
        catch (FormatException e)
        {
            return Partial("_Effect", new EffectView(null, e.Message));
        }
    }

    /// <summary>What happens when somebody plugs things in at a box; nothing is changed.</summary>
    public async Task<IActionResult> OnGetPlugInAsync(string? box, string[] loads)
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        if (job.Plan.Survey.Find(new(box ?? "")) is not { } placed || job.Plan.CircuitOf(placed.Box.Id) is not { } wired
            || !PlugIn.CanBeAt(placed) || !PlugIn.CanBeOn(wired.Circuit))
        {
            return await RefusedAsync(
                $"Things are plugged in at a receptacle of {job.Plan.Book.Supply.ToNeutral}. Choose one of this circuit.");
        }

        try
        {
            var plugged = loads.OfType<string>().Select(l => new Plugged(placed.Box.Id, Entry.Choice<Portable>(l))).ToList();
            return Partial("_PluggedIn",
                new PluggedView(job.Plan, placed, plugged.Count == 0 ? null : PlugIn.Into(wired, plugged), plugged));
        }
        catch (FormatException e)
        {
            return await RefusedAsync(e.Message);
        }
    }

    // A change that breaks a rule which was kept is not done before it is asked for twice.
    private Task<IActionResult> DivideAsync(Func<JobChange> change, bool anyway) =>
        ChangeAsync(_ => change(), anyway ? null : effect => effect.BreaksRules
        ? $"Not done: {string.Join(" ", effect.Come
            .Where(t => t.Severity == Severity.Red).Take(2).Select(t => $"{t.Headline} {t.Arithmetic} ({t.Rule})"))}"
        : null);

    private static IEnumerable<BoxId> Several(string[] boxes) => boxes.OfType<string>()
        .SelectMany(b => b.Split(' ', StringSplitOptions.RemoveEmptyEntries)).Distinct().Select(b => new BoxId(b));
}
