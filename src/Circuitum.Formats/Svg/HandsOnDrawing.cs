using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Training;
using Circuitum.Core.Wiring;

namespace Circuitum.Formats.Svg;

/// <summary>An open box to be made up by hand: cables at the left, devices at the right, every conductor and screw to be pressed, and what
/// is joined between them.</summary>
public static class HandsOnDrawing
{
    private const decimal Row = 40;
    private const decimal Left = 190;
    private const decimal Right = 220;
    private const decimal Column = 22;
    private const decimal Head = 30;

    /// <summary>The picture.</summary>
    /// <param name="hands">What is joined.</param>
    /// <param name="box">The box.</param>
    /// <param name="held">The lead in the hand; null for none.</param>
    /// <param name="linkTo">Where pressing a lead leads.</param>
    public static string Draw(HandJoints hands, PlacedBox box, Lead? held, Func<Lead, string> linkTo)
    {
        var joints = hands.Joined.ToList();
        var middle = Math.Max(joints.Count + 1, 5) * Column;
        var edge = Left + middle;
        var rows = new Dictionary<Lead, decimal>();
        decimal left = 0, right = 0;
        foreach (var cable in hands.Wiring.Cables)
        {
            left = Place(rows, hands.Leads.Where(l => l.End?.Run.Id == cable.Run.Id), left);
        }

        for (var gang = 0; gang < box.Box.Devices.Length; gang++)
        {
            right = Place(rows, hands.Leads.Where(l => l.Screw?.Gang == gang), right);
        }

        decimal height = Math.Max(left, right) + 4, width = edge + Right;
        var svg = new SvgText();
        svg.Open("svg", ("class", "make-up hands-on"), ("viewBox", $"0 0 {SvgText.N(width)} {SvgText.N(height)}"), ("role", "group"),
            ("aria-label", $"{box.Name}, open"));
        foreach (var cable in hands.Wiring.Cables)
        {
            Frame(svg, rows, hands.Leads.Where(l => l.End?.Run.Id == cable.Run.Id), 0, Left - 12, "jacket",
                $"{cable.Letter}: {(cable.In ? "from" : "to")} {(cable.In ? cable.Run.From : cable.Run.To).Name}");
        }

        for (var gang = 0; gang < box.Box.Devices.Length; gang++)
        {
            Frame(svg, rows, hands.Leads.Where(l => l.Screw?.Gang == gang), edge + 8, Right - 10, "device-body",
                hands.Wiring.Protective == gang ? "protective receptacle" : Words.Of(box.Box.Devices[gang].Kind));
        }

        foreach (var (joint, i) in joints.Select((j, i) => (j, i)))
        {
            Wires(svg, joint, ColumnOf(i), edge, rows);
        }

        // On top of every wire that passes, so that what is joined is told from what crosses.
        foreach (var (joint, i) in joints.Select((j, i) => (j, i)))
        {
            foreach (var lead in joint)
            {
                svg.Empty("circle", ("class", "splice"), ("cx", SvgText.N(ColumnOf(i))), ("cy", SvgText.N(rows[lead])), ("r", "4"));
            }
        }

        foreach (var lead in hands.Leads)
        {
            Touch(svg, lead, hands, box, held, rows[lead], edge, linkTo(lead));
        }

        return svg.Close("svg").ToString();
    }

    /// <summary>A lead as people call it: black of cable A; the silver screw of the duplex.</summary>
    public static string NameOf(Lead lead, HandJoints hands, PlacedBox box) => lead.End is { } end
        ? $"{MakeUp.ColourOf(end.Conductor.Colour)} of cable {hands.Wiring.Cables.First(c => c.Run.Id == end.Run.Id).Letter}"
        : MakeUp.TerminalName(box, lead.Screw!.Value, hands.Wiring.Protective);

    private static decimal ColumnOf(int joint) => Left + (joint * Column) + (Column / 2);

    private static decimal Place(Dictionary<Lead, decimal> rows, IEnumerable<Lead> leads, decimal top)
    {
        var y = top + Head + (Row / 2);
        foreach (var lead in leads)
        {
            rows[lead] = y;
            y += Row;
        }

        return y;
    }

    private static void Frame(SvgText svg, Dictionary<Lead, decimal> rows, IEnumerable<Lead> leads, decimal x, decimal width, string css,
        string name)
    {
        var at = leads.Select(l => rows[l]).ToList();
        var top = at[0] - (Row / 2) - 20;
        svg.Empty("rect", ("class", css), ("x", SvgText.N(x)), ("y", SvgText.N(top)), ("width", SvgText.N(width)),
            ("height", SvgText.N(at[^1] - top + (Row / 2))), ("rx", "4"));
        svg.Words(name, x + 8, top + 15, "device-name", "start");
    }

    private static void Wires(SvgText svg, IReadOnlyList<Lead> joint, decimal x, decimal edge, Dictionary<Lead, decimal> rows)
    {
        var colour = joint.Select(l => l.End?.Conductor.Colour).FirstOrDefault(c => c is not null) ?? ConductorColour.Black;
        foreach (var lead in joint)
        {
            var y = SvgText.N(rows[lead]);
            Wire(svg, lead.End?.Conductor.Colour ?? colour, lead.End is not null ? $"M{SvgText.N(Left - 20)} {y}H{SvgText.N(x)}"
                : $"M{SvgText.N(x)} {y}H{SvgText.N(edge + 20)}");
        }

        decimal top = joint.Min(l => rows[l]), bottom = joint.Max(l => rows[l]);
        if (top != bottom)
        {
            Wire(svg, colour, $"M{SvgText.N(x)} {SvgText.N(top)}V{SvgText.N(bottom)}");
        }
    }

    private static void Wire(SvgText svg, ConductorColour colour, string path) =>
        svg.Empty("path", ("class", "edge"), ("d", path))
            .Empty("path", ("class", "wire " + colour.ToString().ToLowerInvariant()), ("d", path));

    private static void Touch(SvgText svg, Lead lead, HandJoints hands, PlacedBox box, Lead? held, decimal y, decimal edge, string link)
    {
        var joined = hands.With(lead).Where(l => l != lead).Select(l => NameOf(l, hands, box)).ToList();
        var says = $"{NameOf(lead, hands, box)}, {(lead == held ? "in the hand" : joined.Count == 0 ? "free"
            : "joined with " + string.Join(" and ", joined))}";
        svg.Open("a", ("id", $"lead-{lead.Name}"), ("href", link), ("data-lead", lead.Name), ("aria-label", says),
            ("class", $"lead{(lead == held ? " held" : "")}{(joined.Count == 0 ? " free" : "")}"));
        var x = lead.End is null ? edge + 8 : 0;
        svg.Empty("rect", ("class", "reach"), ("x", SvgText.N(x)), ("y", SvgText.N(y - (Row / 2) + 1)),
            ("width", SvgText.N(lead.End is null ? Right - 10 : Left - 12)), ("height", SvgText.N(Row - 2)), ("rx", "4"));
        if (lead.End is { } end)
        {
            Wire(svg, end.Conductor.Colour, $"M{SvgText.N(Left - 60)} {SvgText.N(y)}H{SvgText.N(Left - 20)}");
            svg.Words($"{end.Conductor.Letters} {MakeUp.ColourOf(end.Conductor.Colour)}", 8, y + 4, "lead-name", "start");
        }
        else
        {
            var screw = lead.Screw!.Value;
            svg.Empty("circle", ("class", "screw " + BoxWiringDrawing.ScrewClass(screw.Kind)), ("cx", SvgText.N(edge + 20)),
                ("cy", SvgText.N(y)), ("r", "7"));
            svg.Words(MakeUp.ScrewOf(screw.Kind, MakeUp.ShownAs(box, screw.Gang, hands.Wiring.Protective)), edge + 44, y + 4,
                "lead-name", "start");
        }

        svg.Close("a");
    }
}
