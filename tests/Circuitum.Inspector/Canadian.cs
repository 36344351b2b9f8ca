using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>The Canadian method, worked again from the files: its outlets, counters, circuits, cables, boxes and load.</summary>
internal static class Canadian
{
    public static IEnumerable<Finding> Check(Site site) => site.House.Rooms.SelectMany(r =>
            Placing.Walls(site, r, Mm(900), Mm(1800), "26-72").Concat(Placing.Counters(site, r, Mm(300), Mm(900), "26-72"))
            .Concat(Neighbors(site, r)))
        .Concat(Circuits(site)).Concat(Carry(site)).Concat(Cables.Indoors(site)).Concat(site.Boxes.SelectMany(b => Guarded(b)
            .Concat(Guards.Said(b)))).Concat(Fill(site)).Concat(Load(site));

    private static double Mm(double millimetres) => millimetres / 25.4;

    // 26-722: next to each other on one counter, never on one circuit.
    private static IEnumerable<Finding> Neighbors(Site site, SurveyedRoom room)
    {
        if (room.Use != "kitchen")
        {
            yield break;
        }

        var boxes = site.Boxes.Where(b => b.Room == room && b.Counter && b.Mount == "wall" && b.IsGeneralReceptacle)
            .Select(b => (Box: b, At: room.WallStart((int)b.Box.Number("wall")) + b.Box.Inches("offset")))
            .SelectMany(b => new[] { b, (b.Box, At: b.At + room.Around) }).OrderBy(b => b.At).ToList();
        foreach (var (from, to) in Placing.Countertops(room))
        {
            var along = boxes.FindAll(b => b.At >= from && b.At <= to);
            foreach (var (one, next) in along.Zip(along.Skip(1)).Where(p => p.First.Box.Circuit == p.Second.Box.Circuit))
            {
                yield return new("neighbors", "26-72", ["box:" + one.Box.Id, "box:" + next.Box.Id, Site.Of(one.Box.Circuit)],
                    $"{one.Box.Id} and {next.Box.Id} stand side by side on {one.Box.Circuit.Text("circuit")}");
            }
        }
    }

    private static IEnumerable<Finding> Circuits(Site site)
    {
        foreach (var circuit in site.Papers.Circuits.Select(c => c.Circuit).Where(c => !Site.IsFeeder(c)))
        {
            var boxes = site.On(circuit).ToList();
            string[] subjects = [Site.Of(circuit), .. boxes.Select(b => "box:" + b.Id)];
            double breaker = circuit.Number("breakerAmps"), volts = circuit.Number("volts");
            var outlets = boxes.Count(b => b.HasLight || b.Devices.Any(Site.IsReceptacle));
            // 8-304: twelve, each taken for 1 A.
            if (boxes.TrueForAll(b => !b.Plates.Any()) && outlets > 12)
            {
                yield return new("twelve", "8-304", subjects, $"{outlets} outlets on {circuit.Text("circuit")}");
            }

            var counters = boxes.FindAll(b => b.Counter && b.IsGeneralReceptacle && b.Use == "kitchen");
            // T-slots on two wires, or split receptacles on three.
            if (counters.Count > 0 && ((volts, breaker) is not ((120, 20) or (240, 15))
                || counters.Count > 2 || counters.Count < boxes.Count))
            {
                yield return new("counter circuit", "26-7", subjects, $"{boxes.Count} boxes, {counters.Count} of them at a counter, on "
                    + $"{breaker} A");
            }

            if (outlets > 1 && boxes.Exists(b => b.Plates.Any(p => p.Text("appliance") == "refrigerator")))
            {
                yield return new("refrigerator", "26-7", subjects, $"a refrigerator shares {circuit.Text("circuit")}");
            }

            // 26-700, 14-600: a receptacle of 15 A stands behind 15 A; those of counters are of 20.
            var plain = boxes.FindAll(b => b.IsGeneralReceptacle && !b.Counter);
            if (plain.Count > 0 && breaker > 15 && plain.Count < outlets)
            {
                yield return new("receptacle", "", subjects, $"receptacles of 15 A behind {breaker} A");
            }

            // 8-104: what runs for hours, at most four fifths of the breaker; by its own plate where that gives a rating.
            var plates = boxes.SelectMany(b => b.Plates).ToList();
            if (plates.Count == 1 && plates[0]["mca"] is null && plates[0].Text("appliance") is "water-heater" or "vehicle-charger"
                or "space-heater" && plates[0].Number("load") / volts > (breaker * .8) + .01)
            {
                yield return new("continuous", "8-104", subjects, $"{plates[0].Number("load") / volts:0.0} A for hours on {breaker} A");
            }
        }
    }

    // Table 2 with 5A and 5C; 14-104; 8-102.
    private static IEnumerable<Finding> Carry(Site site)
    {
        var holes = site.Papers.Plan.Each("holes").SelectMany(h => h.Texts("runs").Select(r => (r, h))).ToLookup(x => x.r, x => x.h);
        var carrying = site.Runs.ToDictionary(r => r.Run.Text("run"), r => Cables.Carrying(r.Run));
        var piped = site.Runs.Where(r => r.Run.Text("pipe").Length > 0).ToLookup(r => r.Run.Text("pipe"));
        var ties = site.Papers.Job["schools"]?.Text("column") == "ties";
        foreach (var (circuit, run) in site.Runs)
        {
            var aluminium = circuit.Text("metal") == "aluminium";
            var gauge = run.Text("gauge");
            var amps = Cables.Carries(Method.Canada, run, holes[run.Text("run")].ToList(), carrying, piped, aluminium, ties);
            var breaker = circuit.Number("breakerAmps");
            var boxes = site.On(circuit).ToList();
            string[] subjects = [Site.Of(circuit), "run:" + run.Text("run"), .. boxes.Select(b => "box:" + b.Id)];
            var plates = boxes.SelectMany(b => b.Plates).ToList();
            var mca = plates.Where(p => p["mca"] is not null).Select(p => p.Number("mca")).DefaultIfEmpty().Max();
            if (mca > 0 ? amps < mca - .001 : Tables.NextStandard(amps) < breaker || breaker > (Tables.MostOn(gauge, aluminium) ?? 1000))
            {
                yield return new("ampacity", mca > 0 ? "28" : "14-104", subjects,
                    $"{run.Text("run")}: {gauge} carries {amps:0.0} A behind {breaker} A");
            }

            // One machine at the end of one cable: 12.9 Ω for each circular mil and foot at 75 °C, there and back.
            if (boxes.Count == 1 && plates.Count == 1 && !aluminium && run.Text("kind") == "home run" && Site.Of(circuit).Length > 0)
            {
                var volts = circuit.Number("volts");
                var lost = 2 * 12.9 * run.Number("lengthFt") * plates[0].Number("load") / volts / Tables.CircularMils(gauge) / volts;
                if (lost > .0315)
                {
                    yield return new("drop", "8-102", subjects, $"{run.Text("run")} of {gauge} loses {lost:0.0 %}");
                }
            }
        }
    }

    // 26-704 and 26-656: within 1.5 m of water and outdoors GFCI; receptacles of 125 V and 20 A AFCI, but for a few.
    private static IEnumerable<Finding> Guarded(SiteBox box)
    {
        double volts = box.Circuit.Number("volts"), amps = box.Circuit.Number("breakerAmps");
        if (box.Counter && (volts, amps) is (240, 15))
        {
            // A split receptacle has a leg and the neutral in either half.
            volts = 120;
        }

        if (!box.Devices.Any(Site.IsReceptacle))
        {
            yield break;
        }

        string[] subjects = ["box:" + box.Id, Site.Of(box.Circuit)];
        var wet = Guards.Near(box, Mm(1500), "sink", "vanity");
        if (box.Planned.Text("gfci").Length == 0 && (box.Outside || (volts == 120 && (wet || Guards.Near(box, Mm(1500), "tub", "shower")))))
        {
            yield return new("GFCI", "26-7", subjects, $"{box.Id} in a {box.Use} has no ground-fault protection");
        }

        var letOff = box.Outside || box.Room.Accessory || box.Use == "bath" || (box.Use == "kitchen" && box.Counter && wet)
            || box.Plates.Any(p => p.Text("appliance") is "refrigerator" or "freezer");
        if (volts == 120 && amps <= 20 && !letOff && box.Planned.Text("afci").Length == 0)
        {
            yield return new("AFCI", "26-65", subjects, $"{box.Id} in a {box.Use} has no arc-fault protection");
        }
    }

    // Table 22 in mL, each insulated conductor, and two for each device; connectors come on top and are the program's.
    private static IEnumerable<Finding> Fill(Site site)
    {
        static double Millilitres(string gauge) => gauge switch
        {
            "14" => 24.6,
            "12" => 28.7,
            "10" => 36.9,
            "8" => 45.1,
            "6" => 73.7,
            _ => 0,
        };
        var ends = site.Runs.SelectMany(r => new[] { (End: r.Run.Text("from"), r.Run), (End: r.Run.Text("to"), r.Run) })
            .ToLookup(x => x.End, x => x.Run);
        foreach (var box in site.Boxes.Where(b => ends[b.Id].Any()))
        {
            var volume = ends[box.Id].Sum(r => r.Texts("carries").Count * Millilitres(r.Text("gauge")));
            var largest = ends[box.Id].Max(r => Millilitres(r.Text("gauge")));
            var yokes = box.Devices.Count(d => Site.IsReceptacle(d) || d.Text("kind") is "switch" or "dimmer" or "three-way" or "four-way"
                or "timer" or "fan-control" or "occupancy-sensor");
            var needed = (volume + (2 * yokes * largest)) / 16.387;
            if (box.Planned.Number("neededIn3") < needed - .05
                || (box.Planned["volumeIn3"] is not null && box.Planned.Number("volumeIn3") < needed - .05))
            {
                yield return new("fill", "12-3034", ["box:" + box.Id, Site.Of(box.Circuit)], $"{box.Id}: {needed:0.00} in³ at least");
            }
        }
    }

    // 8-200, where no level is a basement: by area, range, everything over 1500 W; its least.
    private static IEnumerable<Finding> Load(Site site)
    {
        var service = site.Papers.Plan["service"]!;
        var lines = service.Each("standard").ToList();
        var told = service.Number("standardVa");
        if (Math.Abs(lines.Sum(l => l.Number("countedVa")) - told) > .5)
        {
            yield return new("sum", "", [], $"the lines are {lines.Sum(l => l.Number("countedVa")):0}, told {told:0}");
        }

        var metres = ServiceSum.Area(site) * .09290304;
        if (told < (metres >= 80.3 ? 24_000 : 14_400))
        {
            yield return new("least", "8-200", [], $"{told:0} W for {metres:0} m²");
        }

        static double ByArea(double metres) => 5000 + (1000 * Math.Ceiling(Math.Max(0, metres - 90) / 90));
        var first = lines[0].Number("countedVa");
        if (!site.House.Rooms.Exists(r => r.Level.Says("basement"))
            && (first < ByArea(metres * .995) || first > ByArea(metres * 1.005)))
        {
            yield return new("area", "8-200", [], $"{metres:0} m² are {ByArea(metres):0} W, told {first:0}");
        }

        var plates = site.Boxes.Where(b => !b.Room.Accessory).SelectMany(b => b.Plates).ToList();
        var others = plates.Where(p => p.Number("load") > 1500 && p.Text("appliance") is "dryer" or "water-heater" or "sauna-heater"
            or "pump").Sum(p => p.Number("load"));
        var range = plates.Exists(p => p.Text("appliance") is "range");
        var quarter = range ? others / 4 : Math.Min(others, 6000) + (Math.Max(0, others - 6000) / 4);
        if (others > 0 && !lines.Exists(l => l.Number("countedVa") >= quarter - 1
            && l.Text("cite").Contains("(vii)", StringComparison.Ordinal)))
        {
            yield return new("others", "8-200", [], $"{others:0} W beside are {quarter:0} W");
        }
    }
}
