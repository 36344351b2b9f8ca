using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Formats.Svg;

/// <summary>What a drawing shows.</summary>
public sealed record DrawingView
{
    /// <summary>The stage: cables are drawn from Circuits on.</summary>
    public Stage Stage { get; init; } = Stage.Runs;

    /// <summary>What is selected.</summary>
    public Subject? Selected { get; init; }

    /// <summary>Where a click on a subject leads; null for a drawing on paper.</summary>
    public Func<Subject, string>? Link { get; init; }

    /// <summary>Write every wall's clear length.</summary>
    public bool Dimensions { get; init; }

    /// <summary>Where the drawing under a plan is found by its fingerprint; null leaves it out.</summary>
    public Func<string, string>? Underlay { get; init; }

    /// <summary>Write the style sheet into the drawing, for use outside the application.</summary>
    public bool Standalone { get; init; } = true;

    /// <summary>Runs that are pulled: they recede, so that what is next is seen.</summary>
    public IReadOnlySet<RunId> Pulled { get; init; } = System.Collections.Immutable.ImmutableHashSet<RunId>.Empty;

    /// <summary>What is drawn over the house and its boxes in place of what the plan has found; that when null.</summary>
    internal Action<SvgText>? Over { get; init; }

    /// <summary>What the sizes of rooms and the scale are written in.</summary>
    public Measure Sizes { get; init; } = Writing.Measure;

    /// <summary>Id of the drawing inside the application; “plan” is the one that the bench moves.</summary>
    public string Id { get; init; } = "plan";
}

/// <summary>Draws one level as a drafted floor plan, to scale, in inches.</summary>
public static class PlanDrawing
{
    private const decimal Margin = 26;

    // Room around the house to draw the next one in.
    private const decimal DraftingMargin = 54;

    // The scale and its word fit under the smallest house.
    private const decimal LeastSheet = 210;

    /// <summary>The level as SVG.</summary>
    public static string Draw(Plan plan, LevelId levelId, DrawingView view)
    {
        var level = plan.House.Levels.First(l => l.Level.Id == levelId);
        var (left, top, width, height) = Sheet(plan, level, view);
        var svg = new SvgText();
        svg.Open("svg", ("xmlns", "http://www.w3.org/2000/svg"), ("class", "plan" + (Lit(plan, view) is null ? "" : " has-lit")),
            ("viewBox", $"{SvgText.N(left)} {SvgText.N(top)} {SvgText.N(width)} {SvgText.N(height)}"),
            ("data-drawn", view.Standalone ? "" : Drawn(plan, level)),
            ("role", "group"), ("aria-label", $"Plan of {level.Level.Name}"), view.Standalone ? ("width", SvgText.N(width * 2))
                : ("id", view.Id));
        if (view.Standalone)
        {
            svg.Raw($"<style>{DrawingStyle.Sheet}</style><defs>{TagSymbols.Definitions}</defs>");
        }

        var ink = new Ink();
        var drafting = view.Stage == Stage.House;
        if (drafting)
        {
            HouseDrawing.Below(svg, plan, level);
        }

        Layer(svg, view, "rooms",
            () => Rooms(svg, level, see: level.Level.Underlay is not null && view.Underlay is not null, view.Selected));
        HouseDrawing.Underlay(svg, level, view);
        Layer(svg, view, "walls", () => WallDrawing.Walls(svg, level, view));
        HouseDrawing.Kept(svg, level, view);
        Layer(svg, view, "fixtures", () => FixtureDrawing.Fixtures(svg, level, view, ink));
        HouseDrawing.Obstructions(svg, level, view, drafting);
        HouseDrawing.Sides(svg, plan, level, view);
        if (drafting)
        {
            WallDrawing.Handles(svg, level, view);
        }

        if (view.Stage == Stage.Boxes && view.Over is null)
        {
            CoverageDrawing.Draw(svg, plan, level);
        }

        if (view.Stage is Stage.House or Stage.Boxes && view.Over is null)
        {
            HouseDrawing.Wants(svg, plan, level, view, ink);
        }

        // A selected run lies over all others, whatever its layer.
        if (view.Standalone && view.Selected is null)
        {
            Layer(svg, view, "home-runs", () => Cables(svg, plan, level, view, r => r.Kind == RunKind.HomeRun));
            Layer(svg, view, "cables", () => Cables(svg, plan, level, view, r => r.Kind != RunKind.HomeRun));
        }
        else
        {
            Cables(svg, plan, level, view, _ => true);
        }

        var low = view.Over is null && plan.LowVoltage is not { Outlets.IsEmpty: true, Homes.IsEmpty: true };
        if (low)
        {
            Layer(svg, view, "low-voltage-ways", () => LowVoltageDrawing.Ways(svg, plan, level, view));
        }

        SymbolDrawing.Cover(plan, level, ink);
        Layer(svg, view, "panels", () => Panels(svg, plan, level, view, ink));
        ViaDrawing.Draw(svg, plan, level, view);
        Layer(svg, view, "boxes", () => SymbolDrawing.Boxes(svg, plan, level, view, Lit(plan, view), ink));
        if (low)
        {
            Layer(svg, view, "low-voltage", () => LowVoltageDrawing.Outlets(svg, plan, level, view));
        }

        Layer(svg, view, "names", () => RoomNames.Draw(svg, level, view.Sizes, ink));
        if (view.Over is { } over)
        {
            Layer(svg, view, "over", () => over(svg));
        }

        if (view.Dimensions)
        {
            Dimensions(svg, level);
        }

        Scale(svg, left + 26, top + height - 9, view.Sizes);
        return svg.Close("svg").ToString();
    }

    // On paper and in files each kind of thing is on a layer of its own name.
    private static void Layer(SvgText svg, DrawingView view, string name, Action draw)
    {
        if (view.Standalone)
        {
            svg.Open("g", ("id", name));
        }

        draw();
        if (view.Standalone)
        {
            svg.Close("g");
        }
    }

    /// <summary>The circuit that is lit by a selection.</summary>
    public static WiredCircuit? Lit(Plan plan, DrawingView view) => view.Selected is not { } s || view.Stage is Stage.House or Stage.Boxes
        ? null : s.Kind switch
        {
            SubjectKind.Circuit => plan.Landed(new(s.Id))?.Wired,
            SubjectKind.Box => plan.CircuitOf(new BoxId(s.Id)),
            SubjectKind.Run => s.AsRun is { } run && plan.FindRun(run) is var (wired, _) ? wired : null,
            _ => null,
        };

    // A level that is not drawn yet shows the building's extent, or a sheet of 40 by 28 ft.
    private static (decimal Left, decimal Top, decimal Width, decimal Height) Sheet(Plan plan, FramedLevel level, DrawingView view)
    {
        var corners = level.Rooms.SelectMany(r => r.Room.Corners).ToList();
        if (corners.Count == 0 || view.Stage == Stage.House)
        {
            corners.AddRange(plan.House.Structures[level.Structure].Levels.SelectMany(l => l.Rooms).SelectMany(r => r.Room.Corners));
        }

        corners.AddRange(SymbolDrawing.On(plan, level).Where(b => b.Box.Box.OnPad is not null).Select(b => b.At));
        if (view.Stage == Stage.House && level.Level.Underlay is { } under && view.Underlay is not null)
        {
            corners.AddRange([under.Corner, under.Corner.By(under.Width, under.Depth)]);
        }

        var margin = view.Stage == Stage.House && view.Link is not null ? DraftingMargin : Margin;
        decimal left = corners.Min(c => c.X).Inches - margin, top = corners.Min(c => c.Y).Inches - margin;
        decimal width = corners.Max(c => c.X).Inches + margin - left, height = corners.Max(c => c.Y).Inches + margin + 14 - top;
        return view.Stage == Stage.House && view.Link is not null ? (left, top, Math.Max(width, 400), Math.Max(height, 280))
            : (left - (Math.Max(0, LeastSheet - width) / 2), top, Math.Max(width, LeastSheet), height);
    }

    // What stands on the level, its outdoor boxes with their marks too: what Fit fits.
    private static string Drawn(Plan plan, FramedLevel level)
    {
        const decimal mark = 14;
        var corners = level.Rooms.SelectMany(r => r.Room.Corners).Concat(SymbolDrawing.On(plan, level).Select(b => b.At)).ToList();
        if (corners.Count == 0)
        {
            return "";
        }

        decimal left = corners.Min(c => c.X).Inches - mark, top = corners.Min(c => c.Y).Inches - mark;
        return $"{SvgText.N(left)} {SvgText.N(top)} {SvgText.N(corners.Max(c => c.X).Inches + mark - left)}"
            + $" {SvgText.N(corners.Max(c => c.Y).Inches + mark - top)}";
    }

    private static void Rooms(SvgText svg, FramedLevel level, bool see, Subject? selected)
    {
        foreach (var room in level.Rooms)
        {
            svg.Empty("path", ("class",
                $"room use-{room.Room.Use.ToString().ToLowerInvariant()}{(see ? " see-through" : "")}"
                + $"{(selected == Subject.Room(room.Room.Id) ? " chosen-room" : "")}"), ("d", HouseDrawing.Path(room.Room.Corners)),
                ("data-room", room.Room.Id.Value), ("data-nw", $"{SvgText.N(room.NorthWest.X)} {SvgText.N(room.NorthWest.Y)}"));
        }
    }

    private static void Cables(SvgText svg, Plan plan, FramedLevel level, DrawingView view, Func<Run, bool> which)
    {
        if (view.Stage is Stage.House or Stage.Boxes)
        {
            return;
        }

        var lit = Lit(plan, view);
        var lanes = Lanes.Of(plan.Panels.SelectMany(p => p.Circuits).SelectMany(c => c.Runs)
            .Where(r => r.Kind == RunKind.HomeRun && (OnLevel(r.From, level) || OnLevel(r.To, level))));
        foreach (var landed in plan.Panels.SelectMany(p => p.Circuits).OrderBy(l => l.Wired == lit ? 1 : 0))
        {
            var sized = landed.Sized;
            foreach (var run in sized.Routed.Runs.Where(r => which(r) && (OnLevel(r.From, level) || OnLevel(r.To, level)))
                .OrderBy(r => view.Selected == Subject.Run(r.Id) ? 1 : 0))
            {
                Cable(svg, plan, run,
                    Points(plan, run, level, view.Selected == Subject.Run(run.Id) ? 0 : lanes.TryGetValue(run.Id, out var lane) ? lane
                        : (((landed.Space?.Number ?? 0) % 7) - 3) * 1.3m), sized.GaugeOf(run),
                    landed.Wired == lit || (lit is not null && run.Id == lit.HomeRun?.RidesIn), view);
            }
        }
    }

    private static bool OnLevel(RunEnd end, FramedLevel level) => end.Place.Structure == level.Structure && end.Place.Level == level.Index;

    private static void Cable(SvgText svg, Plan plan, Run run, string points, Gauge gauge, bool lit, DrawingView view)
    {
        if (!lit)
        {
            svg.Empty("polyline",
                ("class", (run.Kind == RunKind.HomeRun ? "home " : "") + "cable quiet"
                    + (view.Stage == Stage.Runs ? $" jacket-{Jacket(gauge)}" : "")
                    + (view.Pulled.Contains(run.Id) ? " pulled" : "")), ("points", points));
            return;
        }

        var chosen = view.Selected == Subject.Run(run.Id) ? " chosen" : "";
        svg.Empty("polyline", ("class", "casing" + chosen), ("points", points));
        svg.Empty("polyline",
            ("class", $"cable lit jacket-{Jacket(gauge)}"
                + $"{(run.Kind is RunKind.SwitchLeg or RunKind.Traveler or RunKind.Interconnect ? " leg" : "")}"), ("points", points),
            ("data-run", run.Id.ToString()));
    }

    /// <summary>The class of a cable's jacket: its size, 8 and larger alike.</summary>
    public static string Jacket(Gauge gauge) => gauge <= Gauge.Awg10 ? gauge.ToString() : "8";

    // Runs that go the same way lie beside each other, in lanes.
    private static string Points(Plan plan, Run run, FramedLevel level, decimal lane)
    {
        var home = plan.House.Structures[run.From.Place.Structure].Structure.Origin;
        var here = plan.House.Structures[level.Structure].Structure.Origin;
        decimal dx = (home.X - here.X).Inches + lane, dy = (home.Y - here.Y).Inches + lane;
        return string.Join(' ', run.Way.OnPlan(run.To.Place.At.Plan)
            .Select(p => $"{SvgText.N(p.X.Inches + dx)},{SvgText.N(p.Y.Inches + dy)}"));
    }

    private static void Panels(SvgText svg, Plan plan, FramedLevel level, DrawingView view, Ink ink)
    {
        foreach (var panel in plan.Job.Panels.Where(p => level.Rooms.Any(r => r.Room.Id == p.Room)))
        {
            var side = level.Rooms.First(r => r.Room.Id == panel.Room).Sides[panel.Wall - 1];
            Point a = side.At(panel.Offset - Length.FromInches(7)),
                b = side.Into(side.At(panel.Offset + Length.FromInches(7)), Length.FromInches(5));
            var subject = Subject.Panel(panel.Id);
            if (view.Link is { } link)
            {
                svg.Open("a", ("href", link(subject)), ("class", "on-plan panel-on-wall" + (view.Selected == subject ? " chosen" : "")),
                    ("aria-label", $"{Words.Panel} {panel.Id}"), ("tabindex", "-1"),
                    ("data-drag", view.Stage == Stage.House ? "panel" : ""), ("data-key", panel.Id.Value),
                        ("data-dir", view.Stage == Stage.House ? SymbolDrawing.Direction(side) : ""),
                        ("data-offset", SvgText.N(panel.Offset)), ("data-clear", SvgText.N(side.Clear)));
            }

            svg.Rect(a, b, "panel");
            var at = side.Into(side.At(panel.Offset), Length.FromInches(2.5m));
            ink.Take(at.X.Inches, at.Y.Inches, 8, 8);
            var words = $"{Words.Panel} {panel.Id}";
            var beside = side.Into(side.At(panel.Offset), Length.FromInches(28));
            if (ink.Fit([(beside.X.Inches, beside.Y.Inches), (at.X.Inches, at.Y.Inches + 14), (at.X.Inches, at.Y.Inches - 14)], 15, 5)
                is (decimal x, decimal y))
            {
                svg.Words(words, x, y + 3, "panel-name");
            }

            if (view.Link is not null)
            {
                svg.Close("a");
            }
        }
    }

    private static void Dimensions(SvgText svg, FramedLevel level)
    {
        svg.Open("g", ("class", "dimensions"));
        foreach (var side in level.Rooms.SelectMany(r => r.Sides).Where(s => s.Clear >= Length.FromInches(36)))
        {
            var at = side.Into(side.At(side.Clear / 2), Length.FromInches(13));
            decimal x = at.X.Inches, y = at.Y.Inches;
            var turn = side.AlongX ? "" : $"rotate(-90 {SvgText.N(x)} {SvgText.N(y)})";
            svg.Line(side.Into(side.Start, Length.FromInches(9)), side.Into(side.End, Length.FromInches(9)), "dimension-line");
            svg.Open("text", ("class", "dimension"), ("x", SvgText.N(x)), ("y", SvgText.N(y + 2)), ("text-anchor", "middle"),
                ("transform", turn))
                .Raw(SvgText.Escape(side.Clear.Taped(Length.FromInches(.25m)))).Close("text");
        }

        svg.Close("g");
    }

    private static void Scale(SvgText svg, decimal x, decimal y, Measure measure)
    {
        var (along, words) = measure == Measure.Metres ? (Length.FromMetres(3), "3 m") : (Length.FromFeet(10), "10 ft");
        svg.Raw($"<path class=\"scale\" d=\"M{SvgText.N(x)} {SvgText.N(y - 3)}v6m0-3h{SvgText.N(along)}m0-3v6m-{SvgText.N(along / 2)}"
            + "-5v4\"/>")
            .Words(words, x + along.Inches + 6, y + 3, "room-size", "start");
    }
}
