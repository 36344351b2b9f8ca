using System.Globalization;
using System.Text;
using System.Text.Json;
using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;

namespace Circuitum.Formats.Dxf;

/// <summary>Writes a level as ASCII DXF in inches: walls, rooms, openings, fixtures, boxes, panels and home runs, each on its named
/// layer.</summary>
public static class DxfWriter
{
    /// <summary>Layers written, with the colour numbers of the format.</summary>
    public static IReadOnlyList<(string Name, int Colour)> Layers { get; } =
    [
        ("WALLS", 7), ("ROOMS", 8), ("NAMES", 8), ("OPENINGS", 7), ("FIXTURES", 9), ("BOXES", 3), ("PANELS", 7), ("HOME-RUNS", 2),
        ("CABLES", 8), ("LOW-VOLTAGE", 5),
    ];

    /// <summary>The level as a drawing file. Reading it gives the same rooms and boxes.</summary>
    public static string Write(Plan plan, LevelId id)
    {
        var level = plan.House.Levels.First(l => l.Level.Id == id);
        var dxf = new Text();
        dxf.Section("HEADER").Pair(9, "$ACADVER").Pair(1, "AC1009").Pair(9, "$INSUNITS").Pair(70, "1").EndSection();
        dxf.Section("TABLES").Pair(0, "TABLE").Pair(2, "LAYER").Pair(70, Layers.Count.ToString(CultureInfo.InvariantCulture));
        foreach (var (name, colour) in Layers)
        {
            dxf.Pair(0, "LAYER").Pair(2, name).Pair(70, "0").Pair(62, colour.ToString(CultureInfo.InvariantCulture)).Pair(6, "CONTINUOUS");
        }

        dxf.Pair(0, "ENDTAB").EndSection();
        var boxes = plan.Survey.Boxes.Where(b => b.Place.Structure == level.Structure && b.Place.Level == level.Index).ToList();
        Blocks(dxf, boxes.Select(BlockOf).Append("ROOM-TAG").Distinct().Order(StringComparer.Ordinal));
        dxf.Section("ENTITIES");
        Rooms(dxf, level);
        Walls(dxf, level);
        Fixtures(dxf, level);
        Panels(dxf, plan, level);
        Cables(dxf, plan, level);
        foreach (var box in boxes)
        {
            Box(dxf, plan, box);
        }

        LowVoltage(dxf, plan, level);
        return dxf.EndSection().Pair(0, "EOF").ToString();
    }

    // Outlets as triangles with their numbers, and their ways; nothing of it is read back as a box of power.
    private static void LowVoltage(Text dxf, Plan plan, FramedLevel level)
    {
        const string layer = "LOW-VOLTAGE";
        bool Here(Place place) => place.Structure == level.Structure && place.Level == level.Index;
        foreach (var outlet in plan.LowVoltage.Outlets.Where(o => Here(o.Place)))
        {
            var at = outlet.Place.At.Plan;
            var half = Length.FromInches(5);
            dxf.Polyline(layer, [at.By(-half, half), at.By(half, half), at.By(Length.Zero, -half)]);
            dxf.Words(layer, at.By(half, -half), $"{outlet.Number} {Words.Of(outlet.Outlet.Kind)}");
        }

        foreach (var home in plan.LowVoltage.Homes.Where(h => Here(h.Place)))
        {
            dxf.Words(layer, home.Place.At.Plan, home.Name);
        }

        foreach (var run in plan.LowVoltage.Runs.Where(r => r.Home.Place.Structure == level.Structure
            && (Here(r.Home.Place) || Here(r.Outlet.Place))))
        {
            var bends = run.Way.OnPlan(run.Outlet.Place.At.Plan).ToList();
            if (bends.Count > 1)
            {
                dxf.Polyline(layer, bends, closed: false);
            }
        }
    }

    private static void Rooms(Text dxf, FramedLevel level)
    {
        foreach (var room in level.Rooms)
        {
            dxf.Polyline("ROOMS", room.Room.Corners);
            dxf.Insert("ROOM-TAG", "NAMES", room.Centre,
                [("ID", room.Room.Id.Value), ("NAME", room.Room.Name), ("USE", room.Room.Use.ToString())]);
        }
    }

    // Both faces of every wall, and both jambs of every opening.
    private static void Walls(Text dxf, FramedLevel level)
    {
        foreach (var wall in level.Walls)
        {
            foreach (var half in new[] { wall.Thickness / 2, -(wall.Thickness / 2) })
            {
                dxf.Line("WALLS", Off(wall, wall.Start, half), Off(wall, wall.End, half));
            }

            foreach (var opening in wall.Openings)
            {
                foreach (var at in new[] { opening.From, opening.To })
                {
                    dxf.Line("OPENINGS", Off(wall, wall.At(at), wall.Thickness / 2), Off(wall, wall.At(at), -(wall.Thickness / 2)));
                }

                dxf.Line("OPENINGS", wall.At(opening.From), wall.At(opening.To));
            }
        }
    }

    private static Point Off(Wall wall, Point at, Length by) => wall.AlongX ? at.By(Length.Zero, by) : at.By(by, Length.Zero);

    private static void Fixtures(Text dxf, FramedLevel level)
    {
        foreach (var (room, fixture) in level.Rooms.SelectMany(r => r.Room.Fixtures.Select(f => (r, f))))
        {
            var (a, b) = room.Footprint(fixture);
            dxf.Polyline("FIXTURES", Shapes.Box(a, b));
            dxf.Words("FIXTURES", new((a.X + b.X) / 2, (a.Y + b.Y) / 2), Words.Of(fixture.Kind));
        }
    }

    private static void Panels(Text dxf, Plan plan, FramedLevel level)
    {
        foreach (var panel in plan.Job.Panels.Where(p => level.Rooms.Any(r => r.Room.Id == p.Room)))
        {
            var side = level.Rooms.First(r => r.Room.Id == panel.Room).Sides[panel.Wall - 1];
            Point a = side.At(panel.Offset - Length.FromInches(7.25m)),
                b = side.Into(side.At(panel.Offset + Length.FromInches(7.25m)), Length.FromInches(4));
            dxf.Polyline("PANELS", Shapes.Box(a, b));
            dxf.Words("PANELS", side.Into(side.At(panel.Offset), Length.FromInches(8)), $"Panel {panel.Id}");
        }
    }

    private static void Cables(Text dxf, Plan plan, FramedLevel level)
    {
        foreach (var landed in plan.Panels.SelectMany(p => p.Circuits))
        {
            foreach (var run in landed.Runs.Where(r => r.From.Place.Structure == level.Structure
                && (r.From.Place.Level == level.Index || r.To.Place.Level == level.Index)))
            {
                var bends = run.Way.OnPlan(run.To.Place.At.Plan).ToList();
                if (bends.Count < 2)
                {
                    continue;
                }

                dxf.Polyline(run.Kind == RunKind.HomeRun ? "HOME-RUNS" : "CABLES", bends, closed: false);
                if (run.Kind == RunKind.HomeRun)
                {
                    dxf.Words("HOME-RUNS", bends[^1], $"HR {landed.Panel}{landed.SpaceText} {landed.CableOf(run)}");
                }
            }
        }
    }

    private static void Box(Text dxf, Plan plan, PlacedBox placed)
    {
        var box = placed.Box;
        var at = box.Mount == Mount.Wall ? placed.Room.Sides[box.Wall - 1]
            .Into(placed.Room.Sides[box.Wall - 1].At(box.Offset), Length.FromInches(box.Outside ? -12 : 4)) : placed.Place.At.Plan;
        var circuit = plan.CircuitOf(box.Id) is { } c ? plan.Landed(c.Circuit.Key) : null;
        List<(string, string)> attributes =
        [
            ("ID", box.Id.Value), ("NAME", placed.Name), ("ROOM", box.Room.Value),
            ("CIRCUIT", circuit is null ? "" : $"{circuit.Panel}{circuit.SpaceText}"), ("HEIGHT", placed.Height.ToString()),
            // The box as the job says it, for whoever reads it back.
            .. Pieces(JsonSerializer.Serialize(box, Compact)).Select((piece, i) => ($"BOX{i + 1}", piece)),
        ];
        dxf.Insert(BlockOf(placed), "BOXES", at, attributes);
    }

    // A text of the format holds 250 characters.
    private static IEnumerable<string> Pieces(string text) => text.Chunk(240).Select(c => new string(c));

    private static JsonSerializerOptions Compact { get; } = new(JobJson.Options) { WriteIndented = false };

    private static string BlockOf(PlacedBox box) =>
        Words.Of(box.Box.Devices.FirstOrDefault(d => !d.Kind.IsSwitch())?.Kind ?? box.Box.Devices[0].Kind).ToUpperInvariant()
        .Replace(' ', '-').Replace("½", "HALF", StringComparison.Ordinal);

    // A receptacle is a circle with strokes, a switch a circle with an S, a lamp a circle with a cross.
    private static void Blocks(Text dxf, IEnumerable<string> names)
    {
        dxf.Section("BLOCKS");
        foreach (var name in names)
        {
            dxf.Pair(0, "BLOCK").Pair(8, "0").Pair(2, name).Pair(70, "2").Pair(10, "0").Pair(20, "0").Pair(3, name);
            if (name != "ROOM-TAG")
            {
                dxf.Pair(0, "CIRCLE").Pair(8, "0").Pair(10, "0").Pair(20, "0").Pair(40, "4");
                if (name.Contains("SWITCH", StringComparison.Ordinal) || name is "DIMMER" or "TIMER" or "FAN-CONTROL" or "OCCUPANCY-SENSOR"
                    or "DISCONNECT")
                {
                    dxf.Pair(0, "TEXT").Pair(8, "0").Pair(10, "-1.5").Pair(20, "-2").Pair(40, "4").Pair(1, "S");
                }
                else if (name.Contains("RECEPTACLE", StringComparison.Ordinal) || name is "DUPLEX" or "SINGLE")
                {
                    dxf.Line("0", new(Length.FromInches(-1.5m), Length.FromInches(-6)),
                        new(Length.FromInches(-1.5m), Length.FromInches(6)))
                        .Line("0", new(Length.FromInches(1.5m), Length.FromInches(-6)), new(Length.FromInches(1.5m), Length.FromInches(6)));
                }
                else
                {
                    dxf.Line("0", new(Length.FromInches(-3), Length.FromInches(-3)), new(Length.FromInches(3), Length.FromInches(3)))
                        .Line("0", new(Length.FromInches(-3), Length.FromInches(3)), new(Length.FromInches(3), Length.FromInches(-3)));
                }
            }

            dxf.Pair(0, "ENDBLK").Pair(8, "0");
        }

        dxf.EndSection();
    }

    private sealed class Text
    {
        private readonly StringBuilder text = new();

        public Text Pair(int code, string value)
        {
            text.Append(CultureInfo.InvariantCulture, $"{code,3}\n")
                .Append(string.Concat(value.Select(c => char.IsControl(c) || c is '\u2028' or '\u2029' ? ' ' : c))).Append('\n');
            return this;
        }

        public Text Section(string name) => Pair(0, "SECTION").Pair(2, name);

        public Text EndSection() => Pair(0, "ENDSEC");

        public Text Line(string layer, Point a, Point b) => Pair(0, "LINE").Pair(8, layer).At(10, a).At(11, b);

        public Text Words(string layer, Point at, string words) => Pair(0, "TEXT").Pair(8, layer).At(10, at).Pair(40, "4").Pair(1, words);

        public Text Polyline(string layer, IEnumerable<Point> points, bool closed = true)
        {
            Pair(0, "POLYLINE").Pair(8, layer).Pair(66, "1").Pair(70, closed ? "1" : "0").Pair(10, "0").Pair(20, "0");
            foreach (var point in points)
            {
                Pair(0, "VERTEX").Pair(8, layer).At(10, point);
            }

            return Pair(0, "SEQEND").Pair(8, layer);
        }

        public Text Insert(string block, string layer, Point at, IReadOnlyList<(string Tag, string Value)> attributes)
        {
            Pair(0, "INSERT").Pair(8, layer).Pair(66, "1").Pair(2, block).At(10, at);
            for (var i = 0; i < attributes.Count; i++)
            {
                // Only the name is to be seen; the rest is for whoever reads it back.
                Pair(0, "ATTRIB").Pair(8, layer).At(10, at).Pair(40, "4").Pair(1, attributes[i].Value).Pair(2, attributes[i].Tag)
                    .Pair(70, attributes[i].Tag == "NAME" ? "0" : "1");
            }

            return Pair(0, "SEQEND").Pair(8, layer);
        }

        public override string ToString() => text.ToString();

        // Y upward.
        private Text At(int code, Point p) => Pair(code, N(p.X)).Pair(code + 10, N(-p.Y));

        private static string N(Length length) => length.Inches.ToString("0.######", CultureInfo.InvariantCulture);
    }
}
