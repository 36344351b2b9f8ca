using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags where an outlet that needs ground-fault protection has none.</summary>
internal static class ProtectionChecks
{
    public static IEnumerable<Tag> Check(Checked plan)
    {
        foreach (var circuit in plan.Circuits)
        {
            foreach (var (id, outlet) in circuit.Protected.Outlets.OrderBy(o => o.Key.Value, StringComparer.Ordinal))
            {
                if (outlet.Gfci is not { } need || circuit.Protected.HasGfci(id))
                {
                    continue;
                }

                var name = plan.Survey[id].Name;
                var devices = circuit.Circuit.Boxes.Where(b => plan.Survey[b].Box.Devices.Any(d => d.Kind == DeviceKind.GfciReceptacle)).ToList();
                yield return new(Severity.Red, Stage.Circuits, Subject.Box(id), need.Section, $"{name} has no ground-fault protection.",
                    $"It needs it as a {need.Reason}. A GFCI device protects itself and what hangs on its load terminals: {string.Join(", ", devices.Select(d => plan.Survey[d].Name))} does not reach here.")
                {
                    Fixes = [.. Fixes(plan, circuit, id, devices)],
                };
            }
        }
    }

    private static IEnumerable<Fix> Fixes(Checked plan, WiredCircuit circuit, BoxId bare, List<BoxId> devices)
    {
        if (devices.Count == 0)
        {
            yield break;
        }

        // Upstream on the same way: the device can move there and still protect what it did.
        if (circuit.WayTo(devices[0]).Any(r => r.To.Box == bare) && bare != devices[0] && plan.Survey[bare].Box.Devices.Any(d => d.Kind is DeviceKind.Duplex or DeviceKind.Single))
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
