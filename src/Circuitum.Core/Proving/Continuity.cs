using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Proving;

/// <summary>What a continuity tester tells on a dead circuit: copper, joints and closed contacts join; lamps and appliances do
/// not.</summary>
internal sealed class Continuity
{
    // Beyond it is a load: the largest of a dwelling has more.
    private const double Copper = 2;

    private readonly Network network;
    private readonly Dictionary<(BoxId? Box, RunId Run, ConductorColour Colour), int> ends;
    private readonly Dictionary<(RunId Run, ConductorColour Colour), int> conductors;
    private readonly List<(int Node, int Element)>[] near;
    private readonly Dictionary<(RunId Run, ConductorColour Colour), HashSet<int>> reached = [];

    internal Continuity(Network network, Dictionary<(BoxId? Box, RunId Run, ConductorColour Colour), int> ends,
        Dictionary<(RunId Run, ConductorColour Colour), int> conductors)
    {
        (this.network, this.ends, this.conductors) = (network, ends, conductors);
        near = new List<(int Node, int Element)>[network.Nodes];
        for (var i = 0; i < near.Length; i++)
        {
            near[i] = [];
        }

        foreach (var (element, i) in network.Elements.Select((e, i) => (e, i)).Where(x => x.e.Ohms < Copper))
        {
            near[element.A].Add((element.B, i));
            near[element.B].Add((element.A, i));
        }
    }

    /// <summary>Two conductors of a run, out of their joints where it begins, are joined somewhere beyond.</summary>
    public bool AreJoined(Run run, ConductorColour one, ConductorColour other) =>
        Beyond(run, other) is int end && Reach(run, one).Contains(end);

    /// <summary>A conductor of a run, out of its joint where it begins, has copper all the way to the end of another in a box.</summary>
    public bool Reaches(Run run, ConductorColour colour, BoxId box, RunId last, ConductorColour end) =>
        ends.TryGetValue((box, last, end), out var node) && Reach(run, colour).Contains(node);

    // The far side of the conductor's first stretch; none where it is parted.
    private int? Beyond(Run run, ConductorColour colour) =>
        conductors.TryGetValue((run.Id, colour), out var element) ? network.NodesOf(element).B : null;

    // The same conductor is asked against two others.
    private HashSet<int> Reach(Run run, ConductorColour colour) => reached.TryGetValue((run.Id, colour), out var known) ? known
        : reached[(run.Id, colour)] = Flood(run, colour);

    private HashSet<int> Flood(Run run, ConductorColour colour)
    {
        var found = new HashSet<int>();
        if (Beyond(run, colour) is not int start)
        {
            return found;
        }

        var taken = Conductor.In(run).Select(c => conductors.GetValueOrDefault((run.Id, c.Colour), -1)).ToHashSet();
        var queue = new Queue<int>([start]);
        found.Add(start);
        while (queue.TryDequeue(out var at))
        {
            foreach (var (next, element) in near[at])
            {
                if (!taken.Contains(element) && found.Add(next))
                {
                    queue.Enqueue(next);
                }
            }
        }

        return found;
    }
}
