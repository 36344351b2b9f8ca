using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>Does each conductor carry its load where it lies, does its breaker protect it, is its ground large enough.</summary>
internal static class Cables
{
    public static IEnumerable<Finding> Check(Site site) => Carry(site).Concat(Grounds(site)).Concat(Kinds(site)).Concat(Indoors(site));

    private static IEnumerable<Finding> Carry(Site site)
    {
        var holes = site.Papers.Plan.Each("holes").SelectMany(h => h.Texts("runs").Select(r => (r, h))).ToLookup(x => x.r, x => x.h);
        var carrying = site.Runs.ToDictionary(r => r.Run.Text("run"), r => Carrying(r.Run));
        var piped = site.Runs.Where(r => r.Run.Text("pipe").Length > 0).ToLookup(r => r.Run.Text("pipe"));
        var ties = site.Papers.Job["schools"]?.Text("column") == "ties";
        foreach (var (circuit, run) in site.Runs)
        {
            var aluminium = circuit.Text("metal") == "aluminium";
            var amps = Carries(Method.UnitedStates, run, holes[run.Text("run")].ToList(), carrying, piped, aluminium, ties);
            double breaker = circuit.Number("breakerAmps");
            var boxes = site.On(circuit).ToList();
            string[] subjects = [Site.Of(circuit), "run:" + run.Text("run"), .. boxes.Select(b => "box:" + b.Id)];
            var mca = boxes.SelectMany(b => b.Plates).Where(p => p["mca"] is not null).Select(p => p.Number("mca")).DefaultIfEmpty().Max();
            if (mca > 0)
            {
                if (amps < mca - .001)
                {
                    yield return new("MCA", "440.", subjects, $"{run.Text("run")}: {run.Text("gauge")} carries {amps:0.0} A of {mca}");
                }

                continue;
            }

            if (Tables.MostOn(run.Text("gauge"), aluminium) is double most && breaker > most)
            {
                yield return new("small conductors", "240.4", subjects, $"{breaker} A on {run.Text("gauge")}");
            }

            var receptacles = boxes.Sum(b => b.Devices.Where(Site.IsReceptacle).Sum(d => d.Text("kind") is "single"
                or "appliance-receptacle" ? 1 : 2));
            var protects = receptacles > 1 ? amps >= breaker - .001 : Tables.NextStandard(amps) >= breaker;
            if (!protects)
            {
                yield return new("ampacity", "240.4", subjects,
                    $"{run.Text("run")}: {run.Text("gauge")} carries {amps:0.0} A behind {breaker} A");
            }

            // Motors without an MCA: 430.22.
            var motor = boxes.SelectMany(b => b.Plates).Where(p => p.Says("motor") && !p.Says("cord")).Select(p => p.Number("load")
                / p.Number("volts", 120) * 1.25).DefaultIfEmpty().Max();
            if (motor > 0 && boxes.Count(b => b.Plates.Any()) == 1 && amps < motor - .001)
            {
                yield return new("motor", "430.22", subjects, $"{run.Text("run")}: {amps:0.0} A of {motor:0.0}");
            }
        }
    }

    /// <summary>In the worst of the places it lies: holes that are sealed, bundles, warm spaces, pipes.</summary>
    internal static double Carries(Method method, JsonObject run, List<JsonObject> holes, Dictionary<string, int> carrying,
        ILookup<string, (JsonObject Circuit, JsonObject Run)> piped, bool aluminium, bool ties)
    {
        var gauge = run.Text("gauge");
        var jacket = run.Text("jacket");
        int start = jacket == "underground" ? 60 : 90, own = carrying[run.Text("run")];
        var table = Tables.Ampacity(gauge, start, aluminium);
        // Company and warmth of each place.
        List<(double Company, double Warmth)> places = [(method.Adjustment(own), 1)];
        if (run.Text("pipe") is { Length: > 0 } pipe)
        {
            // All that is pulled in it, at the warmest place on its way.
            var together = jacket == "loose" ? piped[pipe].Sum(r => carrying[r.Run.Text("run")]) : own;
            places.Add((method.Adjustment(together), Tables.Ambient(run.Each("path").Max(l => l.Number("ambientC")), start)));
        }

        places.AddRange(run.Each("path").Select(l => (method.Adjustment(own), Tables.Ambient(l.Number("ambientC"), start))));
        if (run.Text("pipe").Length == 0)
        {
            // 334.80 is about nonmetallic cable.
            places.AddRange(holes.Where(h => method.CountsSealedHoles && jacket != "armoured" && h.Says("sealed")
                    && h.Texts("runs").Count > 2)
                .Select(h => (method.Adjustment(h.Texts("runs").Sum(r => carrying[r])), Tables.Ambient(h.Number("ambientC"), start))));
            places.AddRange(Bundled(method, holes, carrying, start, ties));
        }

        var most = Tables.Ampacity(gauge, jacket == "loose" ? 75 : 60, aluminium);
        return places.Min(p => Math.Min(most * (method.AdjustsEnds ? p.Company : 1), table * p.Company * p.Warmth));
    }

    // The same two or more cables through holes that lie farther apart than a bundle may be long.
    private static IEnumerable<(double, double)> Bundled(Method method, List<JsonObject> holes, Dictionary<string, int> carrying,
        int start, bool ties)
    {
        for (var i = 0; i < holes.Count; i++)
        {
            for (var j = i + 1; j < holes.Count; j++)
            {
                var between = holes.GetRange(i, j - i + 1);
                var together = between.Select(h => h.Texts("runs")).Aggregate((a, b) => [.. a.Intersect(b)]);
                double[] from = holes[i].Place("at"), to = holes[j].Place("at");
                if (together.Count < 2)
                {
                    break;
                }

                // Down a bay they lie apart in stackers, or tied at the bay's own warmth; along the frame they lie as they were pulled.
                double aside = Math.Abs(from[0] - to[0]) + Math.Abs(from[1] - to[1]), down = Math.Abs(from[2] - to[2]);
                if (aside + (ties ? down : 0) > method.Together)
                {
                    yield return (method.Adjustment(together.Sum(r => carrying[r])), Tables.Ambient(aside > method.Together
                        ? between.Max(h => h.Number("ambientC")) : between.Min(h => h.Number("ambientC")), start));
                    break;
                }
            }
        }
    }

    /// <summary>310.15(E): the neutral of a cable with both legs is not counted, nor one that waits at a switch; of two travelers
    /// one.</summary>
    internal static int Carrying(JsonObject run)
    {
        var carries = run.Texts("carries");
        var legs = carries.Contains("second leg") || carries.Contains("other hot") || run.Text("kind") == "switch loop";
        return carries.Count(c => c != "signal" && c != "traveler two" && (c != "neutral" || !legs || carries.Contains("other neutral")));
    }

    private static IEnumerable<Finding> Grounds(Site site)
    {
        foreach (var (circuit, run) in site.Runs)
        {
            double breaker = circuit.Number("breakerAmps");
            string gauge = run.Text("gauge"), least = Tables.Least(breaker), ground = Tables.Ground(breaker);
            var has = run.Text("jacket") == "loose" ? run.Text("ground") : Tables.GroundInCable(gauge);
            // 250.122(B): grown with the conductors, and never larger than they.
            var needed = Tables.CircularMils(ground);
            if (run.Text("kind") != "feeder" && Tables.CircularMils(gauge) > Tables.CircularMils(least)
                && site.On(circuit).SelectMany(b => b.Plates).All(p => p["mca"] is null))
            {
                needed *= Tables.CircularMils(gauge) / Tables.CircularMils(least);
            }

            needed = Math.Min(needed, Tables.CircularMils(gauge));
            if (has.Length == 0 || (circuit.Text("metal") != "aluminium" && Tables.CircularMils(has) < Tables.CircularMils(ground)
                && Tables.CircularMils(has) < Tables.CircularMils(gauge)))
            {
                yield return new("ground", "250.122", [Site.Of(circuit), "run:" + run.Text("run")],
                    $"{run.Text("run")}: ground of {has}, {ground} by Table 250.122");
            }
            else if (Tables.CircularMils(has) < needed - 1 && run.Text("jacket") is "nonmetallic" or "underground"
                && Because(circuit, "310.15") is false)
            {
                yield return new("ground", "250.122", [Site.Of(circuit), "run:" + run.Text("run")],
                    $"{run.Text("run")}: ground of {has} with conductors of {gauge} on {breaker} A");
            }
        }
    }

    // Conductors made larger by correction or adjustment take no larger ground.
    private static bool Because(JsonObject circuit, string section) => circuit["because"]!["conductor"]!.AsArray()
        .Any(s => s!.Text("cite").Contains(section, StringComparison.Ordinal));

    // 334.12, 300.5: no nonmetallic cable in the earth, in damp rooms or outdoors.
    private static IEnumerable<Finding> Kinds(Site site)
    {
        foreach (var (circuit, run) in site.Runs.Where(r => r.Run.Text("jacket") == "nonmetallic" && r.Run.Text("pipe").Length == 0))
        {
            if (run.Each("path").Any(l => l.Text("space") is "trench" or "slab"))
            {
                yield return new("wet", "334.12", [Site.Of(circuit), "run:" + run.Text("run")], $"{run.Text("run")} lies in the earth");
            }
        }

        // What goes up or down does so in a wall, not through a room: from floor to ceiling is more than 2 ft, into a floor's joists less.
        foreach (var (_, run) in site.Runs.Where(r => r.Run.Each("path").All(l => l.Text("space") != "trench")))
        {
            var structure = site.Boxes.FirstOrDefault(b => b.Id == run.Text("to") || b.Id == run.Text("from"))?.Room.Structure;
            foreach (var leg in run.Each("path").Where(l => l.Place("from") is var a && l.Place("to") is var b && a[0] == b[0]
                && a[1] == b[1] && Math.Abs(a[2] - b[2]) > 24))
            {
                var at = leg.Place("from");
                if (structure is not null && !site.House.Rooms.Any(r => r.Structure == structure && r.IsAtWall(at[0], at[1])))
                {
                    yield return new("air", "", [], $"{run.Text("run")} hangs through a room at {at[0] / 12:0.0}, {at[1] / 12:0.0} ft");
                }
            }
        }

        // 314.3: armor is bonded by the boxes it enters.
        foreach (var (circuit, run) in site.Runs.Where(r => r.Run.Text("jacket") == "armoured"))
        {
            foreach (var box in site.Boxes.Where(b => (b.Id == run.Text("from") || b.Id == run.Text("to"))
                && b.Planned.Text("make") is not ("square" or "metal device")))
            {
                yield return new("metal box", "314.3", ["box:" + box.Id, Site.Of(circuit)],
                    $"{run.Text("run")} enters {box.Id}, {box.Planned.Text("make")}");
            }
        }

        foreach (var trench in site.Papers.Job.Each("trenches"))
        {
            var runs = site.Runs.Where(r => r.Run.Each("path").Any(l => l.Text("space") == "trench")).ToList();
            var buried = runs.Exists(r => r.Run.Text("pipe").Length == 0 && r.Run.Text("jacket") == "underground"
                && !(r.Circuit.Number("breakerAmps") <= 20 && r.Circuit.Text("breakerKind").Contains("GF", StringComparison.Ordinal)));
            if (runs.Count > 0 && trench.Inches("depth", 24) < (buried ? 24 : 12))
            {
                yield return new("cover", "300.5", ["trench:" + trench.Text("id"), .. runs.Select(r => Site.Of(r.Circuit))],
                    $"trench {trench.Text("id")} is {trench.Text("depth")} deep");
            }
        }
    }

    /// <summary>Cable in the frame lies under a roof: every foot of its way is over a room of the building, or in its walls.</summary>
    internal static IEnumerable<Finding> Indoors(Site site)
    {
        var origins = site.Papers.Job.Each("structures").ToDictionary(s => s.Text("id"), s => s.Place("origin"));
        var rooms = site.House.Rooms.Select(r => (Origin: origins[r.Structure], Corners: Surveyed.Corners(r.Room))).ToList();
        bool Covered(double x, double y) => rooms.Exists(r => Surveyed.Near(r.Corners, x - r.Origin[0], y - r.Origin[1], 9));
        foreach (var (circuit, run) in site.Runs)
        {
            foreach (var leg in run.Each("path").Where(l => l.Text("space") is not ("trench" or "outdoors")))
            {
                double[] from = leg.Place("from"), to = leg.Place("to");
                var steps = Math.Max(1, (int)((Math.Abs(from[0] - to[0]) + Math.Abs(from[1] - to[1])) / 12));
                for (var i = 0; i <= steps; i++)
                {
                    var (x, y) = (from[0] + ((to[0] - from[0]) * i / steps), from[1] + ((to[1] - from[1]) * i / steps));
                    if (!Covered(x, y))
                    {
                        yield return new("indoors", "", [Site.Of(circuit)],
                            $"{run.Text("run")} in the {leg.Text("space")} leaves the building at {x / 12:0.0}, {y / 12:0.0} ft");
                        i = steps;
                    }
                }
            }
        }
    }
}

/// <summary>How a book takes company and warmth off an ampacity.</summary>
/// <param name="Adjustment">By the conductors that carry, together.</param>
/// <param name="CountsSealedHoles">More than two cables in a hole that is sealed are a bundle.</param>
/// <param name="Together">Inches that cables may lie together unadjusted.</param>
/// <param name="AdjustsEnds">Company is taken off what the ends may carry, too.</param>
internal sealed record Method(Func<int, double> Adjustment, bool CountsSealedHoles, double Together, bool AdjustsEnds)
{
    public static Method UnitedStates { get; } = new(Tables.Adjustment, true, 24, false);

    /// <summary>Table 5C; 600 mm; the lowest rated end governs.</summary>
    public static Method Canada { get; } = new(carrying => carrying switch
    {
        <= 3 => 1,
        <= 6 => .8,
        <= 24 => .7,
        <= 42 => .6,
        _ => .5,
    }, false, 600 / 25.4, true);
}
