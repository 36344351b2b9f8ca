using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Checks;

/// <summary>Tags on the service: large enough, earthed, bonded, and with what the edition asks for.</summary>
internal static class ServiceChecks
{
    public static IEnumerable<Tag> Check(Checked plan)
    {
        var (service, panel) = (plan.Job.Service, plan.Service.Panel);
        var main = plan.Job.Panels.First(p => p.FedFrom is null);
        var subject = Subject.Panel(main.Id);
        Tag Red(Citation rule, string headline, string sum, params Fix[] fixes) =>
            new(Severity.Red, Stage.Panel, subject, rule, headline, sum) { Fixes = [.. fixes] };
        Fix Set(string words, Service changed) => new(words, new SetService(changed));
        var outdoors = Set("The main is outdoors", service with { OutdoorDisconnect = true, BondedAtDisconnect = true });

        if (TooSmall(plan, main) is { } small)
        {
            yield return small;
        }

        if (panel.Rating < plan.Book.Service.Least)
        {
            yield return Red(plan.Book.Cite(RuleId.LeastService), "The service is too small for a dwelling.",
                $"{panel.Rating}; a one-family dwelling has at least {plan.Book.Service.Least}.",
                new Fix($"A {plan.Book.Service.Least} panel", new SetPanel(main with { Rating = plan.Book.Service.Least })));
        }

        if (plan.Book.Service.AsksSurgeProtection && !service.SurgeProtection)
        {
            yield return Red(plan.Book.Cite(RuleId.SurgeProtection), "The service has no surge protection.",
                "Dwelling services have it, in or next to the service equipment.",
                Set("Plan surge protection", service with { SurgeProtection = true }));
        }

        if (plan.Book.Service.AsksOutdoorDisconnect && !service.OutdoorDisconnect)
        {
            yield return Red(plan.Book.Cite(RuleId.EmergencyDisconnect), "There is no emergency disconnect outdoors.",
                "Where firefighters reach it without going in, marked as the book words it.",
                Set("Plan the disconnect", service with { OutdoorDisconnect = true }));
        }

        if (!service.FootingSteel && !service.WaterPipe && service.Rods == 0)
        {
            yield return Red(plan.Book.Cite(RuleId.Electrodes), "The service has no electrode.",
                "Footing steel, water pipe in the earth, or rods.", Set("Plan two rods", service with { Rods = 2 }));
        }
        else if (!service.FootingSteel && service.Rods == 1
            && !(plan.Book.Service.OneRodWhereMeasured && service.RodMeasured))
        {
            yield return Red(plan.Book.Cite(RuleId.SecondRod), "One rod alone is not enough.",
                $"A second {plan.Book.Service.RodsApart} away"
                    + $"{(plan.Book.Service.OneRodWhereMeasured ? ", unless the one is measured at 25 ohm or less" : "")}.",
                [Set("Plan a second rod", service with { Rods = 2 }), .. plan.Book.Service.OneRodWhereMeasured
                    ? (Fix[])[Set("It was measured at 25 ohm or less", service with { RodMeasured = true })] : []]);
        }
        else if (service.WaterPipe && !service.FootingSteel && service.Rods == 0)
        {
            yield return Red(plan.Book.Cite(RuleId.WaterPipeSupplement), "Water pipe alone is no electrode.",
                "It is supplemented by another: rods, or footing steel.", Set("Plan two rods", service with { Rods = 2 }));
        }

        if (main.Listing.MainLugs && !service.BondedAtDisconnect)
        {
            yield return Red(plan.Book.Cite(RuleId.ServiceDisconnect), $"Panel {main.Id} is on the service and has main lugs only.",
                "The service has a disconnect and an overcurrent device: a main in the panel, or outdoors ahead of it, where neutral and "
                    + "ground are bonded then.",
                new Fix("It has a main breaker", new SetPanel(main with { Listing = main.Listing with { MainLugs = false } })),
                outdoors);
        }

        var room = plan.House.Room(main.Room);
        if (!service.BondedAtDisconnect && !main.Existing && !room.Sides[main.Wall - 1].Exterior)
        {
            yield return new(Severity.Amber, Stage.Panel, subject, plan.Book.Cite(RuleId.ServiceDisconnectPlace),
                $"Panel {main.Id} has the service disconnect and stands on an inside wall.",
                $"Wall {main.Wall} of {room.Room.Name} is not at the weather: nothing protects the service conductors on their way to it. "
                    + "The disconnect stands outdoors, or inside nearest to where they come in. Where they come up through a slab right "
                    + "under the panel they are outdoors to there; else move it to an outer wall, or put the disconnect outdoors.")
            {
                Fixes = [outdoors],
            };
        }

        if (!service.IntersystemBonding)
        {
            yield return Red(plan.Book.Cite(RuleId.IntersystemBonding), "There is no bridge for bonding other systems.",
                "At least three more terminals, reachable, near the service.",
                Set("Plan the bridge", service with { IntersystemBonding = true }));
        }

        if (service.BondedAtDisconnect && !service.OutdoorDisconnect)
        {
            yield return Red(plan.Book.Cite(RuleId.NeutralBond),
                "Neutral and ground are to be bonded at a disconnect that is not planned.",
                "Bonded at the service disconnect, wherever it is.", Set("Plan the disconnect", service with { OutdoorDisconnect = true }),
                Set($"Bond them in panel {main.Id}", service with { BondedAtDisconnect = false }));
        }

        foreach (var tag in GeneratorChecks.Check(plan))
        {
            yield return tag;
        }
    }

    // Either method is lawful for a dwelling: what one of them carries is no fault. The optional one begins where a dwelling's service
    // does, at 100 A (220.82(A), 230.79(C)).
    private static Tag? TooSmall(Checked plan, Panel main)
    {
        var (service, rating) = (plan.Service, plan.Service.Panel.Rating);
        if (service.Chosen.Current <= rating)
        {
            return null;
        }

        var optional = service.Method == LoadMethod.Optional;
        var (chosen, other) = optional ? ("optional", "standard") : ("standard", "optional");
        var otherwise = optional ? service.Standard : service.Optional;
        var lawful = otherwise is not null && otherwise.Current <= rating && (optional || rating >= plan.Book.Service.Least);
        var fixes = service.Sizes.Take(1).Select(s => new Fix($"A {s.Rating} panel", new SetPanel(main with { Rating = s.Rating })));
        return new(lawful ? Severity.Amber : Severity.Red, Stage.Panel, Subject.Panel(main.Id),
            plan.Book.Cite(RuleId.FeederLoads, RuleId.ServiceConductors),
            lawful ? $"By the {chosen} method the service does not carry the load." : "The service does not carry the load.",
            $"{service.Chosen.Current}{(otherwise is null ? "" : $" by the {chosen} method")} > {rating}. " + (lawful
                ? $"By the {other} one, as lawful, it does: {otherwise!.Current}."
                : service.Sizes.IsEmpty ? "No service to 400 A does." : $"The smallest that does: {service.Sizes[0].Rating}."))
        {
            Fixes = lawful ? [new($"Size it by the {other} method", new SetService(plan.Job.Service with
            { Method = optional ? LoadMethod.Standard : LoadMethod.Optional })), .. fixes] : [.. fixes],
        };
    }
}
