using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags where an outlet that needs ground-fault protection has none.</summary>
internal static class ProtectionChecks
{
    public static IEnumerable<Tag> Check(Checked plan) => Bare(plan).Concat(WithoutArc(plan)).Concat(Devices(plan))
        .Concat(Multiwires(plan));

    // Devices one behind the other, and buttons out of reach.
    private static IEnumerable<Tag> Devices(Checked plan)
    {
        foreach (var circuit in plan.Circuits)
        {
            var ground = circuit.Devices.Where(d => d.Value.Kind != ProtectiveKind.Afci).ToDictionary(d => d.Key, d => d.Value);
            foreach (var (device, behind) in DevicePlacing.InSeries(circuit.Sized, ground))
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Box(device), "good practice",
                    $"{plan.Survey[device].Name} hangs on the load side of another GFCI.",
                    $"A ground fault may trip it or {plan.Survey[behind].Name}: two places to look for one dead outlet. Feed it from the "
                        + $"line side, or leave one out.");
            }

            foreach (var device in ground.Keys.Where(d => circuit.BreakerIsGfci).OrderBy(d => d.Value, StringComparer.Ordinal))
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Box(device), "good practice",
                    $"{plan.Survey[device].Name} is a GFCI behind a GFCI breaker.", "A ground fault may trip either. One is enough.");
            }

            foreach (var device in ground.Where(d => d.Value.Placed && !DevicePlacing.IsReachable(plan.Survey[d.Key])).Select(d => d.Key)
                .OrderBy(d => d.Value, StringComparer.Ordinal))
            {
                yield return new(Severity.Red, Stage.Circuits, Subject.Box(device), plan.Book.Cite(RuleId.GroundFault),
                    $"The button of {plan.Survey[device].Name} is not readily accessible.",
                    "It is tested monthly and reset by hand: at most 6'-7\" up, on a wall, not behind an appliance. Move the device, or "
                        + "use a GFCI breaker.");
            }
        }
    }

    private static IEnumerable<Tag> Multiwires(Checked plan)
    {
        var landed = plan.Panels.SelectMany(p => p.Circuits).ToDictionary(l => l.Key);
        foreach (var circuit in plan.Circuits.Where(c => c.Circuit.SharesNeutralWith is CircuitKey other
            && string.CompareOrdinal(c.Circuit.Key.Value, other.Value) < 0))
        {
            var (one, other) = (landed[circuit.Circuit.Key], landed[circuit.Circuit.SharesNeutralWith!.Value]);
            var subject = Subject.Circuit(circuit.Circuit.Key);
            if (one.Space is { } a && other.Space is { } b && Math.Abs(a.Number - b.Number) != 2)
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.MultiwireDisconnect, RuleId.CommonTrip),
                    $"The legs of a multiwire circuit are landed in spaces {a} and {b}.",
                    "They open together: two adjacent spaces on one side, on both legs, with a common trip or a listed handle tie.")
                {
                    Fixes = [new Fix("Free their spaces",
                        new FreeSpace(plan.Job.Pins.Spaces.Any(p => p.Circuit == one.Key) ? one.Key : other.Key))],
                };
            }

            if (circuit.BreakerKind != BreakerKind.Standard)
            {
                yield return new(Severity.Amber, Stage.Circuits, subject, plan.Book.Cite(RuleId.Multiwire, RuleId.PigtailedNeutral),
                    $"{one.Description} and {other.Description} share a neutral behind a two-pole {circuit.Mark} device.",
                    "Only a two-pole device listed for it takes both hots and the shared neutral: two single ones would trip at once. "
                        + "Joined neutrals by pigtail, never through a receptacle; a ground-fault receptacle only after the two have "
                        + "parted.");
            }
        }
    }

    private static IEnumerable<Tag> Bare(Checked plan)
    {
        foreach (var circuit in plan.Circuits)
        {
            foreach (var (id, outlet) in circuit.Outlets.OrderBy(o => o.Key.Value, StringComparer.Ordinal))
            {
                if (outlet.Gfci is not { } need || circuit.HasGfci(id))
                {
                    continue;
                }

                var name = plan.Survey[id].Name;
                var devices = circuit.Circuit.Boxes.Where(b => plan.Survey[b].Box.Devices.Any(d => d.Kind == DeviceKind.GfciReceptacle))
                    .ToList();
                yield return new(Severity.Red, Stage.Circuits, Subject.Box(id), need.Cite, $"{name} has no ground-fault protection.",
                    $"It needs it as a {need.Reason}. A GFCI device protects itself and what hangs on its load terminals: "
                        + $"{string.Join(", ", devices.Select(d => plan.Survey[d].Name))} does not reach here.")
                {
                    Fixes = [.. Fixes(plan, circuit, id, devices)],
                };
            }
        }
    }

    private static IEnumerable<Tag> WithoutArc(Checked plan) => plan.Circuits.SelectMany(c => c.Outlets
        .Where(o => o.Value.Afci is not null && !c.Protected.HasAfci(o.Key)).OrderBy(o => o.Key.Value, StringComparer.Ordinal)
        .Select(o => new Tag(Severity.Red, Stage.Circuits, Subject.Box(o.Key), o.Value.Afci!.Cite,
            $"{plan.Survey[o.Key].Name} has no arc-fault protection.",
            "It must hang on the load terminals of the device at the first outlet, or be behind a breaker that protects it.")));

    private static IEnumerable<Fix> Fixes(Checked plan, WiredCircuit circuit, BoxId bare, List<BoxId> devices)
    {
        if (devices.Count == 0)
        {
            yield break;
        }

        // Upstream on the same way: the device can move there and still protect what it did.
        if (circuit.WayTo(devices[0]).Any(r => r.To.Box == bare) && bare != devices[0]
            && plan.Survey[bare].Box.Devices.Any(d => d.Kind is DeviceKind.Duplex or DeviceKind.Single))
        {
            yield return new($"Move the device to {plan.Survey[bare].Name}", new MoveGfci(devices[0], bare));
        }

        if (devices.Count == 1)
        {
            var place = plan.Survey[devices[0]].Box.Devices.Select((d, i) => (d, i)).First(x => x.d.Kind == DeviceKind.GfciReceptacle).i;
            yield return new("Use a GFCI breaker", new SetDeviceKind(devices[0], place, DeviceKind.Duplex));
        }
    }
}
