namespace Circuitum.Core.Proving;

/// <summary>A network of resistances between nodes, some of them held at a voltage. Solved by eliminating the node with the fewest
/// neighbors first: wiring is nearly a tree, so that hardly anything fills in.</summary>
internal sealed class Network
{
    /// <summary>Insulation from every node to the neutral of the source, a gigaohm: what floats stays defined.</summary>
    public const double Leak = 1e-9;

    private readonly List<(int A, int B, double Siemens)> elements = [];
    private readonly Dictionary<int, double> held = [];
    private readonly List<double> drawn = [];

    /// <summary>How many nodes there are.</summary>
    public int Nodes => drawn.Count;

    /// <summary>A new node.</summary>
    public int Node()
    {
        drawn.Add(0);
        return drawn.Count - 1;
    }

    /// <summary>Joins two nodes by a resistance of more than nothing; its number.</summary>
    public int Join(int a, int b, double ohms)
    {
        elements.Add((a, b, 1 / ohms));
        return elements.Count - 1;
    }

    /// <summary>Holds a node at a voltage.</summary>
    public void Hold(int node, double volts) => held[node] = volts;

    /// <summary>Draws a current out of one node and gives it back to another, whatever their volts.</summary>
    public void Draw(int from, int to, double amps)
    {
        drawn[from] -= amps;
        drawn[to] += amps;
    }

    /// <summary>The nodes that are held, and at what.</summary>
    public IReadOnlyDictionary<int, double> Held => held;

    /// <summary>Every element: its two nodes, and its ohms.</summary>
    public IEnumerable<(int A, int B, double Ohms)> Elements => elements.Select(e => (e.A, e.B, 1 / e.Siemens));

    /// <summary>The two nodes of an element.</summary>
    public (int A, int B) NodesOf(int element) => (elements[element].A, elements[element].B);

    /// <summary>The volts of every node.</summary>
    public double[] Solve()
    {
        var n = Nodes;
        var volts = new double[n];
        var (own, right) = (new double[n], new double[n]);
        var near = new Dictionary<int, double>[n];
        for (var i = 0; i < n; i++)
        {
            (near[i], own[i], right[i]) = ([], Leak, drawn[i]);
        }

        foreach (var (node, at) in held)
        {
            volts[node] = at;
        }

        foreach (var (a, b, g) in elements)
        {
            One(a, b, g);
            One(b, a, g);
        }

        void One(int at, int other, double g)
        {
            if (at == other || held.ContainsKey(at))
            {
                return;
            }

            own[at] += g;
            if (held.TryGetValue(other, out var known))
            {
                right[at] += g * known;
            }
            else
            {
                near[at][other] = near[at].GetValueOrDefault(other) + g;
            }
        }

        var order = Eliminate(n, own, right, near);
        for (var i = order.Count - 1; i >= 0; i--)
        {
            var at = order[i];
            var sum = right[at];
            foreach (var (other, g) in near[at])
            {
                sum += g * volts[other];
            }

            volts[at] = sum / own[at];
        }

        return volts;
    }

    // Star to mesh: what a node ties together is tied directly, and the node is gone.
    private List<int> Eliminate(int n, double[] own, double[] right, Dictionary<int, double>[] near)
    {
        var queue = new PriorityQueue<(int Node, int Degree), int>();
        for (var i = 0; i < n; i++)
        {
            if (!held.ContainsKey(i))
            {
                queue.Enqueue((i, near[i].Count), near[i].Count);
            }
        }

        var (order, gone) = (new List<int>(n), new bool[n]);
        while (queue.TryDequeue(out var next, out _))
        {
            var (at, degree) = next;
            if (gone[at])
            {
                continue;
            }

            if (near[at].Count != degree)
            {
                queue.Enqueue((at, near[at].Count), near[at].Count);
                continue;
            }

            gone[at] = true;
            order.Add(at);
            foreach (var (a, g) in near[at])
            {
                var share = g / own[at];
                near[a].Remove(at);
                own[a] -= share * g;
                right[a] += share * right[at];
                foreach (var (b, h) in near[at])
                {
                    if (a != b)
                    {
                        near[a][b] = near[a].GetValueOrDefault(b) + (share * h);
                    }
                }
            }

            foreach (var a in near[at].Keys)
            {
                queue.Enqueue((a, near[a].Count), near[a].Count);
            }
        }

        return order;
    }

    /// <summary>Current through an element from its first node to its second.</summary>
    public double Through(int element, double[] volts)
    {
        var (a, b, g) = elements[element];
        return (volts[a] - volts[b]) * g;
    }
}
