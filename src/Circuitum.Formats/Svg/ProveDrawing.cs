using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Wiring;

namespace Circuitum.Formats.Svg;

/// <summary>A level switched on: lamps lit by their volts, outlets live or dead, switches to be pressed. Nothing is said by color
/// alone.</summary>
public static class ProveDrawing
{
    /// <summary>The level.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="level">A level with rooms.</param>
    /// <param name="energy">The house as it stands.</param>
    /// <param name="thrown">Switches that are thrown.</param>
    /// <param name="circuit">The circuit looked at: its cables are drawn.</param>
    /// <param name="on">The box looked at; null for none.</param>
    /// <param name="linkTo">Where a box leads.</param>
    /// <param name="unknown">Boxes that nobody has looked at: how they stand is not shown.</param>
    /// <param name="named">Write each box's name under it; for few boxes.</param>
    public static string Draw(Plan plan, FramedLevel level, Energy energy, IReadOnlySet<Core.Routing.SwitchGang> thrown,
        WiredCircuit? circuit,
        BoxId? on, Func<PlacedBox, string> linkTo, Func<BoxId, bool> unknown, bool named = false)
    {
        var corners = level.Rooms.SelectMany(r => r.Room.Corners).ToList();
        decimal left = corners.Min(c => c.X).Inches - 20, top = corners.Min(c => c.Y).Inches - 20,
            width = corners.Max(c => c.X).Inches + 20 - left, height = corners.Max(c => c.Y).Inches + 20 - top;
        var svg = new SvgText();
        svg.Open("svg", ("class", "prove-plan"), ("viewBox", $"{SvgText.N(left)} {SvgText.N(top)} {SvgText.N(width)} {SvgText.N(height)}"),
            ("role", "group"), ("aria-label", $"{level.Level.Name}, switched on"));
        foreach (var room in level.Rooms)
        {
            svg.Empty("path", ("class", "room-line"), ("d", HouseDrawing.Path(room.Room.Corners)));
            svg.Words(room.Room.Name, room.Inside.Min(c => c.X).Inches + 8, room.Inside.Min(c => c.Y).Inches + 18, "room-name");
        }

        if (circuit is not null)
        {
            foreach (var run in circuit.Runs.Where(r => r.From.Place.Structure == level.Structure && r.To.Place.Structure == level.Structure
                && r.From.Place.Level == level.Index && r.To.Place.Level == level.Index))
            {
                var (a, b) = (run.From.Place.At.Plan, run.To.Place.At.Plan);
                svg.Empty("line", ("class", "cable"), ("x1", SvgText.N(a.X.Inches)), ("y1", SvgText.N(a.Y.Inches)),
                    ("x2", SvgText.N(b.X.Inches)), ("y2", SvgText.N(b.Y.Inches)));
            }
        }

        foreach (var box in plan.Survey.Boxes.Where(b => b.Place.Structure == level.Structure && b.Place.Level == level.Index))
        {
            Box(svg, plan, box, energy, thrown, circuit, on, linkTo, unknown);
            if (named)
            {
                svg.Words(box.Name, box.Place.At.Plan.X.Inches, box.Place.At.Plan.Y.Inches + 24, "box-name");
            }
        }

        return svg.Close("svg").ToString();
    }

    private static void Box(SvgText svg, Plan plan, PlacedBox box, Energy energy, IReadOnlySet<Core.Routing.SwitchGang> thrown,
        WiredCircuit? circuit, BoxId? on, Func<PlacedBox, string> linkTo, Func<BoxId, bool> unknown)
    {
        var at = box.Place.At.Plan;
        decimal x = at.X.Inches, y = at.Y.Inches;
        var (kind, says) = unknown(box.Box.Id) && box.HasOutlet ? ("unknown", "not looked at") : Looks(box, energy, thrown,
            plan.CircuitOf(box.Box.Id));
        var here = circuit is null || circuit.Circuit.Boxes.Contains(box.Box.Id);
        svg.Open("a", ("href", linkTo(box)), ("class", $"place {kind}{(here ? "" : " other")}{(on == box.Box.Id ? " chosen" : "")}"),
            ("aria-label", $"{box.Name}, {says}"));
        svg.Open("title").Raw(SvgText.Escape($"{box.Name}, {says}")).Close("title");
        svg.Empty("circle", ("class", "reach"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "11"));
        if (box.HasLight)
        {
            svg.Empty("circle", ("class", "lamp"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "8"));
            if (kind.StartsWith("lit", StringComparison.Ordinal))
            {
                // Rays, so that what is lit is seen without its color.
                for (var i = 0; i < 8; i++)
                {
                    var (dx, dy) = ((decimal)Math.Cos(i * Math.PI / 4), (decimal)Math.Sin(i * Math.PI / 4));
                    svg.Empty("line", ("class", "ray"), ("x1", SvgText.N(x + (dx * 10))), ("y1", SvgText.N(y + (dy * 10))),
                        ("x2", SvgText.N(x + (dx * 15))), ("y2", SvgText.N(y + (dy * 15))));
                }
            }
        }
        else if (box.IsJoint)
        {
            svg.Empty("circle", ("class", "switch"), ("cx", SvgText.N(x)), ("cy", SvgText.N(y)), ("r", "7"));
            svg.Words("J", x - 3, y + 5, "letter");
        }
        else if (box.SwitchesOnly)
        {
            svg.Empty("rect", ("class", "switch"), ("x", SvgText.N(x - 7)), ("y", SvgText.N(y - 7)), ("width", "14"), ("height", "14"));
            svg.Words("S", x - 4, y + 5, "letter");
        }
        else
        {
            svg.Empty("rect", ("class", "outlet"), ("x", SvgText.N(x - 6)), ("y", SvgText.N(y - 6)), ("width", "12"), ("height", "12"));
            if (kind == "dead")
            {
                svg.Empty("path", ("class", "cross"), ("d",
                    $"M{SvgText.N(x - 6)} {SvgText.N(y - 6)}l12 12M{SvgText.N(x + 6)} {SvgText.N(y - 6)}l-12 12"));
            }
        }

        svg.Close("a");
    }

    // A class for the sheet, and the words.
    private static (string Kind, string Says) Looks(PlacedBox box, Energy energy, IReadOnlySet<Core.Routing.SwitchGang> thrown,
        WiredCircuit? circuit)
    {
        var id = box.Box.Id;
        for (var gang = 0; gang < box.Box.Devices.Length; gang++)
        {
            var kind = box.Box.Devices[gang].Kind;
            if (kind.IsLight())
            {
                var volts = energy.Between(id, gang, TerminalKind.Hot, TerminalKind.Neutral);
                return volts < LampVolts.Faint ? ("dark", "dark")
                    : volts < LampVolts.Bright || volts > LampVolts.Over ? ("lit dim", $"lit by {Whole(volts.Value)} V")
                    : ("lit", "lit");
            }

            if (kind.IsGeneralReceptacle())
            {
                var tester = PlugInTester.At(energy, id, gang);
                var volts = energy.Between(id, gang, TerminalKind.Hot, TerminalKind.Neutral);
                if (circuit?.Load.Splits(kind) == true && PlugInTester.At(energy, id, gang, TerminalKind.SecondLeg) is var second
                    && second.Says != tester.Says)
                {
                    return ("odd", $"first half {Words.Of(tester.Says)}, second half {Words.Of(second.Says)}");
                }

                return tester.Says switch
                {
                    TesterSays.Correct => ("live", $"live, {Whole(volts.Value)} V"),
                    TesterSays.Dead => ("dead", "dead"),
                    _ => ("odd", Words.Of(tester.Says)),
                };
            }
        }

        if (box.IsJoint)
        {
            return ("idle", "joints");
        }

        if (box.SwitchesOnly)
        {
            var on = Enumerable.Range(0, box.Box.Devices.Length).Count(g => thrown.Contains(new(id, g)));
            return (on > 0 ? "thrown" : "idle", box.Box.Devices.Length == 1 ? on > 0 ? "thrown" : "not thrown"
                : $"{on} of {box.Box.Devices.Length} thrown");
        }

        var live = energy.Between(id, 0, TerminalKind.Hot, TerminalKind.SecondLeg).Value > 60
            || energy.Between(id, 0, TerminalKind.Hot, TerminalKind.Neutral).Value > 60;
        return live ? ("live", "live") : ("dead", "dead");
    }

    private static string Whole(decimal value) => Math.Round(value).ToString("0", CultureInfo.InvariantCulture);
}
