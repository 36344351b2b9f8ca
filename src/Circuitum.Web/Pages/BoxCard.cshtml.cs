using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Wiring;
using Circuitum.Data;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>The card of one box, to be held in one hand at the wall: what joins what, device by device.</summary>
public sealed class BoxCardModel(Workbench bench) : PageModel
{
    /// <summary>Key of the job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>The box.</summary>
    [FromRoute]
    public string Id { get; set; } = "";

    /// <summary>The plan.</summary>
    public Plan Plan { get; private set; } = null!;

    /// <summary>The box at its place.</summary>
    public PlacedBox Placed { get; private set; } = null!;

    /// <summary>Its circuit in its space.</summary>
    public Landed Landed { get; private set; } = null!;

    /// <summary>Its make-up.</summary>
    public BoxWiring Wiring { get; private set; } = null!;

    /// <summary>What is counted in it.</summary>
    public WiredBox Box => Landed.Wired.Boxes[Placed.Box.Id];

    /// <summary>Tags that hang on it.</summary>
    public IEnumerable<Tag> Tags => Plan.Tags.Where(t => t.Subject == Subject.Box(Placed.Box.Id));

    /// <summary>The boxes of its circuit, in the order they are fed.</summary>
    public IReadOnlyList<PlacedBox> Round => [.. Landed.Runs.Select(r => r.To.Box).OfType<BoxId>().Distinct().Select(b => Plan.Survey[b])];

    /// <summary>The picture.</summary>
    public string Picture =>
        BoxWiringDrawing.Draw(Wiring, Placed,
            Wiring.Cables.ToDictionary(c => c.Letter,
                c => (CableOf(c), c.Run.Jacket == Jacket.Armoured ? "mc" : PlanDrawing.Jacket(SizedOf(c).GaugeOf(c.Run)),
                    c.In ? c.Run.From.Name : c.Run.To.Name)), false);

    /// <summary>A cable by its trade name.</summary>
    public string CableOf(BoxCable cable) => SizedOf(cable).CableOf(cable.Run);

    /// <summary>Shows the card.</summary>
    public async Task<IActionResult> OnGetAsync()
    {
        if (await bench.OpenAsync(new JobKey(Key)) is not { } open || open.Plan.Survey.Find(new(Id)) is not { } placed
            || open.Plan.CircuitOf(placed.Box.Id) is not { } wired || open.Plan.Landed(wired.Circuit.Key) is not { } landed)
        {
            return NotFound();
        }

        (Plan, Placed, Landed, Wiring) = (open.Plan, placed, landed, open.Plan.WiringOf(placed.Box.Id)!);
        return Page();
    }

    // A guest's cable is sized with its own circuit.
    private Core.Conductors.SizedCircuit SizedOf(BoxCable cable) => Plan.FindRun(cable.Run.Id)!.Value.Circuit.Sized;
}
