using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;

namespace Circuitum.Core.Wiring;

/// <summary>What dies when one device fails: nothing beyond it where what goes on is spliced, all of it where the device carries it or
/// protects it.</summary>
public static class Failure
{
    /// <summary>Boxes beside its own that have something which has supply now, and none of it without the device.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <param name="survey">The boxes.</param>
    /// <param name="school">How joints are made: with pigtails nothing depends on a device.</param>
    /// <param name="device">The device that fails open.</param>
    public static ImmutableArray<PlacedBox> Of(WiredCircuit circuit, Survey survey, JointSchool school, SwitchGang device)
    {
        // A lamp that lights in either position of every switch counts; three-ways light theirs in one of the two.
        var gangs = circuit.Circuit.Boxes.SelectMany(b => survey[b].Box.Devices.Select((_, g) => new SwitchGang(b, g))).ToHashSet();
        var one = gangs.Where(g => g.Gang == 0).ToHashSet();
        ImmutableArray<HashSet<SwitchGang>> positions = [[], gangs, one];
        var whole = positions.Select(p => new Energised(circuit, survey, school, p)).ToList();
        var broken = positions.Select(p => new Energised(circuit, survey, school, p, null, device)).ToList();
        bool Lives(List<Energised> states, PlacedBox box) => states.Exists(s => Enumerable.Range(0, box.Box.Devices.Length)
            .Any(g => s.Has(box.Box.Id, g) || s.Has(box.Box.Id, g, TerminalKind.SecondLeg) || s.Has(box.Box.Id, g, TerminalKind.FanHot)
                || s.Has(box.Box.Id, g, TerminalKind.SwitchedHalf)));
        return [.. circuit.Circuit.Boxes.Where(b => b != device.Box).Select(b => survey[b]).Where(b => b.HasOutlet)
            .Where(b => Lives(whole, b) && !Lives(broken, b))];
    }
}
