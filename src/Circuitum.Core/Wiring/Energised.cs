using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Wiring;

/// <summary>What has supply with switches in given positions: follows every conductor from the breaker through joints, cables and closed
/// contacts.</summary>
public sealed class Energised
{
    private readonly Dictionary<(BoxId, Terminal), int> terminals = [];
    private readonly Dictionary<(BoxId Box, RunId Run, ConductorColour Colour), int> ends = [];
    private readonly List<int> root = [];
    private readonly int hot;
    private readonly int second;
    private readonly int neutral;
    private readonly int ground;

    /// <summary>Sets every switch of a circuit.</summary>
    /// <param name="circuit">The circuit, fed from its panel.</param>
    /// <param name="survey">Its boxes' places.</param>
    /// <param name="school">How joints are made; it changes no connection.</param>
    /// <param name="thrown">Switches that are on; a three-way thrown joins its common with its second traveler, a four-way thrown
    /// crosses.</param>
    /// <param name="tripped">Boxes whose protective receptacle has opened; null for none.</param>
    /// <param name="out">A device that is out of its box, or burnt: what it carried on is parted; null for none.</param>
    public Energised(WiredCircuit circuit, Survey survey, JointSchool school, IReadOnlySet<SwitchGang> thrown,
        IReadOnlySet<BoxId>? tripped = null, SwitchGang? @out = null)
    {
        (hot, second, neutral, ground) = (New(), New(), New(), New());
        foreach (var box in circuit.Circuit.Boxes)
        {
            foreach (var joint in circuit.Wiring(survey[box], school).Joints)
            {
                var node = New();
                var parted = joint.By == JointBy.Device && @out is { } gone && gone.Box == box
                    && joint.Terminals.Any(t => t.Gang == gone.Gang);
                foreach (var end in joint.Ends)
                {
                    ends[(box, end.Run.Id, end.Conductor.Colour)] = parted ? New() : node;
                }

                foreach (var terminal in joint.Terminals)
                {
                    terminals[(box, terminal)] = node;
                }
            }
        }

        foreach (var run in circuit.Runs)
        {
            foreach (var conductor in Conductor.In(run))
            {
                if (run.From.Box is BoxId from && run.RidesIn is null)
                {
                    Join(ends[(from, run.Id, conductor.Colour)], ends[(run.To.Box!.Value, run.Id, conductor.Colour)]);
                }
                else if (run.To.Box is BoxId to && conductor.Carries is Carried.Hot or Carried.SecondLeg or Carried.Neutral or null)
                {
                    Join(conductor.Carries switch
                    {
                        Carried.Hot => hot,
                        Carried.SecondLeg => second,
                        Carried.Neutral => neutral,
                        _ => ground
                    }, ends[(to, run.Id, conductor.Colour)]);
                }
            }
        }

        foreach (var box in circuit.Circuit.Boxes.Select(b => survey[b]))
        {
            for (var gang = 0; gang < box.Box.Devices.Length; gang++)
            {
                if (@out != new SwitchGang(box.Box.Id, gang))
                {
                    Close(box, gang, thrown.Contains(new(box.Box.Id, gang)), tripped?.Contains(box.Box.Id) ?? false);
                }
            }
        }
    }

    /// <summary>A device has hot and neutral between these terminals, or both legs; of a split receptacle's second half, the second leg and
    /// neutral.</summary>
    public bool Has(BoxId box, int gang, TerminalKind live = TerminalKind.Hot) => live == TerminalKind.SecondLeg
        ? On(box, gang, live, second) && On(box, gang, TerminalKind.Neutral, neutral)
        : On(box, gang, live, hot) && (On(box, gang, TerminalKind.Neutral, neutral) || On(box, gang, TerminalKind.SecondLeg, second));

    /// <summary>Every metal part of a device is bonded back to the panel.</summary>
    public bool IsGrounded(BoxId box, int gang) => On(box, gang, TerminalKind.Ground, ground);

    /// <summary>No two of hot, second leg, neutral and ground are joined anywhere.</summary>
    public bool IsSound => new[] { hot, second, neutral, ground }.Select(Root).Distinct().Count() == 4;

    private bool On(BoxId box, int gang, TerminalKind kind, int node) => terminals.TryGetValue((box, new(gang, kind)), out var at)
        && Root(at) == Root(node);

    private void Close(PlacedBox box, int gang, bool on, bool open)
    {
        void Contact(TerminalKind a, TerminalKind b)
        {
            if (terminals.TryGetValue((box.Box.Id, new(gang, a)), out var one)
                && terminals.TryGetValue((box.Box.Id, new(gang, b)), out var other))
            {
                Join(one, other);
            }
        }

        var kind = box.Box.Devices[gang].Kind;
        if (kind.IsGeneralReceptacle() && !open)
        {
            Contact(TerminalKind.Hot, TerminalKind.LoadHot);
            Contact(TerminalKind.Neutral, TerminalKind.LoadNeutral);
        }

        foreach (var (one, other) in Contacts.Closed(kind, on))
        {
            Contact(one, other);
        }
    }

    private int New()
    {
        root.Add(root.Count);
        return root.Count - 1;
    }

    private int Root(int node)
    {
        while (root[node] != node)
        {
            node = root[node] = root[root[node]];
        }

        return node;
    }

    private void Join(int a, int b) => root[Root(a)] = Root(b);
}
