using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;

namespace Circuitum.Formats.Svg;

/// <summary>Draws the make-up of a box to copy at the wall: cables at the left in their jackets, devices at the right, each joint a line
/// from top to bottom that touches what it joins.</summary>
public static class BoxWiringDrawing
{
    private const decimal Left = 104;
    private const decimal Right = 124;
    private const decimal Row = 17;
    private const decimal Column = 17;
    private const decimal Gap = 12;

    /// <summary>The picture as SVG.</summary>
    /// <param name="wiring">The make-up.</param>
    /// <param name="box">The box.</param>
    /// <param name="cables">What each cable is called, by its letter: 12-2 from Panel A.</param>
    /// <param name="standalone">Write the style sheet into it.</param>
    public static string Draw(BoxWiring wiring, PlacedBox box, IReadOnlyDictionary<char, (string Cable, string Jacket, string End)> cables,
        bool standalone)
    {
        var joints = wiring.Joints.ToList();
        var middle = Math.Max(joints.Count, 4) * Column;
        var rows = new Dictionary<(RunId, ConductorColour), decimal>();
        var y = 16m;
        foreach (var cable in wiring.Cables)
        {
            foreach (var conductor in Conductor.In(cable.Run))
            {
                rows[(cable.Run.Id, conductor.Colour)] = y;
                y += Row;
            }

            y += Gap;
        }

        var screws = new Dictionary<Terminal, decimal>();
        var right = 16m;
        for (var gang = 0; gang < box.Box.Devices.Length; gang++)
        {
            foreach (var terminal in joints.SelectMany(j => j.Terminals).Where(t => t.Gang == gang).OrderBy(t => t.Kind))
            {
                screws[terminal] = right + 14;
                right += Row;
            }

            right += 14 + Gap;
        }

        decimal height = Math.Max(y, right) + 4, width = Left + middle + Right, edge = Left + middle;
        var svg = new SvgText();
        svg.Open("svg", ("xmlns", "http://www.w3.org/2000/svg"), ("class", "make-up"),
            ("viewBox", $"0 0 {SvgText.N(width)} {SvgText.N(height)}"), ("role", "img"), ("aria-label", $"Wiring of {box.Name}"));
        if (standalone)
        {
            svg.Raw($"<style>{DrawingStyle.MakeUp}</style>");
        }

        foreach (var (joint, i) in joints.Select((j, i) => (j, i)))
        {
            Draw(svg, joint, Left + (i * Column) + (Column / 2), edge, rows, screws);
        }

        foreach (var cable in wiring.Cables)
        {
            var (name, jacket, end) = cables[cable.Letter];
            var top = rows[(cable.Run.Id, Conductor.In(cable.Run)[0].Colour)] - 10;
            var size = (Conductor.In(cable.Run).Length * Row) + 3;
            svg.Empty("rect", ("class", $"jacket jacket-{jacket}"), ("x", "0"), ("y", SvgText.N(top)), ("width", "82"),
                ("height", SvgText.N(size)), ("rx", "3"));
            svg.Words($"{cable.Letter} · {name}", 5, top + 13, "cable-name", "start");
            var shown = 0;
            foreach (var line in WordWrap.Lines($"{(cable.In ? "from" : "to")} {end}".Split(' '), l => l.Length <= 17)
                .Take(Conductor.In(cable.Run).Length - 1))
            {
                svg.Words(line, 5, top + 25 + (shown++ * 10.5m), "cable-end", "start");
            }

            foreach (var conductor in Conductor.In(cable.Run))
            {
                svg.Words(conductor.Letters + (conductor.ReMarked ? "*" : ""), 86, rows[(cable.Run.Id, conductor.Colour)] + 3.4m,
                    "letters", "start");
            }
        }

        Devices(svg, wiring, box, edge, screws);
        return svg.Close("svg").ToString();
    }

    private static void Draw(SvgText svg, Joint joint, decimal x, decimal edge, Dictionary<(RunId, ConductorColour), decimal> rows,
        Dictionary<Terminal, decimal> screws)
    {
        // A jumper between two screws of one box has a colour of its own.
        var colour = joint.Ends.Length > 0 ? joint.Ends[0].Conductor.Colour
            : joint.Terminals.Any(t => t.Kind == TerminalKind.LoadNeutral) ? ConductorColour.White : ConductorColour.Black;
        var touched = joint.Ends.Select(e => rows[(e.Run.Id, e.Conductor.Colour)]).Concat(joint.Terminals.Select(t => screws[t])).ToList();
        decimal top = touched.Min(), bottom = touched.Max();
        foreach (var end in joint.Ends)
        {
            Wire(svg, end.Conductor.Colour, $"M{SvgText.N(Left - 2)} {SvgText.N(rows[(end.Run.Id, end.Conductor.Colour)])}H{SvgText.N(x)}");
        }

        if (top != bottom)
        {
            Wire(svg, colour, $"M{SvgText.N(x)} {SvgText.N(top)}V{SvgText.N(bottom)}");
        }

        foreach (var terminal in joint.Terminals)
        {
            Wire(svg, colour, $"M{SvgText.N(x)} {SvgText.N(screws[terminal])}H{SvgText.N(edge + 4)}");
        }

        foreach (var at in touched.Distinct())
        {
            svg.Empty("circle", ("class", joint.By == JointBy.Splice ? "splice" : joint.By == JointBy.Cap ? "cap" : "turn"),
                ("cx", SvgText.N(x)), ("cy", SvgText.N(at)), ("r", joint.By is JointBy.Splice or JointBy.Cap ? "3.2" : "1.6"));
        }
    }

    private static void Wire(SvgText svg, ConductorColour colour, string path) =>
        svg.Empty("path", ("class", "edge"), ("d", path))
            .Empty("path", ("class", "wire " + colour.ToString().ToLowerInvariant()), ("d", path));

    private static void Devices(SvgText svg, BoxWiring wiring, PlacedBox box, decimal edge, Dictionary<Terminal, decimal> screws)
    {
        for (var gang = 0; gang < box.Box.Devices.Length; gang++)
        {
            var mine = screws.Where(s => s.Key.Gang == gang).OrderBy(s => s.Value).ToList();
            if (mine.Count == 0)
            {
                continue;
            }

            var kind = box.Box.Devices[gang].Kind;
            var top = mine[0].Value - 22;
            svg.Empty("rect", ("class", "device-body"), ("x", SvgText.N(edge + 4)), ("y", SvgText.N(top)), ("width", SvgText.N(Right - 6)),
                ("height", SvgText.N(mine[^1].Value - top + 9)), ("rx", "4"));
            var name = wiring.Protective == gang ? "protective receptacle"
                : kind == DeviceKind.Duplex && wiring.HasBothLegs(gang) ? "split duplex" : Words.Of(kind);
            svg.Words(name, edge + 10, top + 12, "device-name", "start");
            foreach (var (terminal, at) in mine)
            {
                svg.Empty("circle", ("class", "screw " + ScrewClass(terminal.Kind)), ("cx", SvgText.N(edge + 12)), ("cy", SvgText.N(at)),
                    ("r", "3.4"));
                svg.Words(MakeUp.ScrewOf(terminal.Kind, MakeUp.ShownAs(box, gang, wiring.Protective))
                    .Replace(" screw", "", StringComparison.Ordinal), edge + 19, at + 3.4m, "screw-name", "start");
            }
        }
    }

    /// <summary>The class of a screw's metal.</summary>
    internal static string ScrewClass(TerminalKind kind) => kind switch
    {
        TerminalKind.Neutral or TerminalKind.LoadNeutral => "silver",
        TerminalKind.Ground => "green",
        TerminalKind.Common => "dark",
        _ => "brass",
    };
}
