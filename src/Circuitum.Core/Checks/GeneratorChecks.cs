using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Checks;

/// <summary>Tags on a generator's inlet: it never feeds the street, and it is drawn so that its cable is pulled.</summary>
internal static class GeneratorChecks
{
    public static IEnumerable<Tag> Check(Checked plan)
    {
        var service = plan.Job.Service;
        var inlets = plan.Survey.Boxes.Where(b => b.Plates.Any(p => p.Appliance == Appliance.GeneratorInlet)).ToList();
        var panel = plan.Job.InletPanel;
        if (inlets.Count == 0)
        {
            if (service.Generator != GeneratorWay.None)
            {
                yield return new(Severity.Amber, Stage.Panel, Subject.Panel(panel.Id), plan.Book.Cite(RuleId.TransferEquipment),
                    "The generator's inlet is not drawn.",
                    $"Put it on an outside wall{(service.Inlet is { } rating ? $", {rating}" : "")}: a box with a generator inlet, so "
                    + $"that its cable is pulled.");
            }

            yield break;
        }

        if (service.Generator == GeneratorWay.TransferPanel && plan.Job.Panels.All(p => p.Id != service.TransferPanel))
        {
            yield return new(Severity.Amber, Stage.Panel, Subject.Panel(panel.Id), plan.Book.Cite(RuleId.TransferEquipment),
                "Nobody has said which panel is behind the transfer switch.", "The inlet is taken to the panel on the service until then.")
            {
                Fixes = [.. plan.Job.Panels.Select(p =>
                    new Fix($"Panel {p.Id} is", new SetService(service with { TransferPanel = p.Id })))],
            };
        }

        foreach (var inlet in inlets)
        {
            foreach (var tag in Of(plan, inlet, panel))
            {
                yield return tag;
            }
        }
    }

    private static IEnumerable<Tag> Of(Checked plan, PlacedBox inlet, Panel panel)
    {
        var service = plan.Job.Service;
        var subject = Subject.Box(inlet.Box.Id);
        if (service.Generator == GeneratorWay.None)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.TransferEquipment),
                $"{inlet.Name} has no transfer equipment.",
                "A generator that feeds back can kill whoever works on the line outside. Its breaker and the main may never both be on.")
            {
                Fixes = [new("An interlock holds them", new SetService(service with { Generator = GeneratorWay.Interlock }))],
            };
        }

        if (!inlet.Box.Outside)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.CarbonMonoxide).Beside("manufacturer"),
                $"{inlet.Name} is indoors.",
                "A generator runs outdoors, well away from openings: its exhaust kills. Put the inlet on an outside wall.");
        }

        if (plan.Panels.SelectMany(p => p.Circuits).FirstOrDefault(c => c.Boxes.Contains(inlet.Box.Id)) is not { } landed
            || service.Generator == GeneratorWay.None)
        {
            yield break;
        }

        if (landed.Panel != panel.Id)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.TransferEquipment),
                $"{inlet.Name} does not go to panel {panel.Id}, where its transfer equipment is.",
                $"It is fed from panel {landed.Panel}.")
            {
                Fixes = [new($"Take it to panel {panel.Id}", new PinPanel(landed.Key, panel.Id))]
            };
        }
        else if (landed.Space is { } space && !Landing.Tops.Contains(space.Number))
        {
            yield return new(Severity.Amber, Stage.Panel, subject, plan.Book.Cite(RuleId.TransferEquipment, RuleId.ListedUse),
                $"The breaker of {inlet.Name} is not beside the main.",
                $"Space {landed.SpaceText}: an interlock reaches the top of a side as a rule, {string.Join(" or ", Landing.Tops.Order())}"
                + $". Its kit says which.");
        }
    }
}
