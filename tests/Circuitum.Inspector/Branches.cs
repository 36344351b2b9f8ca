using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>Which outlets may be on which circuit (210.11, 210.52(B), 210.23), and whether a circuit carries what is on it.</summary>
internal static class Branches
{
    public static IEnumerable<Finding> Check(Site site) => Owed(site).Concat(Kitchens(site)).Concat(Loads(site)).Concat(General(site));

    private static bool Dines(string use) => use is "kitchen" or "pantry" or "dining";

    private static IEnumerable<Finding> Owed(Site site)
    {
        foreach (var circuit in site.Papers.Circuits.Select(c => c.Circuit).Where(c => !Site.IsFeeder(c)))
        {
            var boxes = site.On(circuit).ToList();
            string[] Subjects(SiteBox b) => ["box:" + b.Id, Site.Of(circuit)];
            var receptacles = boxes.FindAll(b => b.IsGeneralReceptacle && !b.Outside);
            foreach (var box in receptacles.FindAll(b => Dines(b.Use) && b.Box.Inches("height") <= 66))
            {
                if (circuit.Number("breakerAmps") != 20 || boxes.Exists(b => b != box && !OnSmallAppliance(b)))
                {
                    yield return new("small appliance", "210.11(C)(1)", Subjects(box), $"{box.Id} is not on a small-appliance circuit");
                }
            }

            foreach (var box in receptacles.FindAll(b => b.Use == "bath"))
            {
                var alone = boxes.TrueForAll(b => b.Room == box.Room) || boxes.TrueForAll(b => b.Use == "bath" && b.IsGeneralReceptacle);
                if (circuit.Number("breakerAmps") != 20 || !alone)
                {
                    yield return new("bath", "210.11(C)(3)", Subjects(box), $"{box.Id} shares its circuit or is not on 20 A");
                }
            }

            foreach (var box in receptacles.FindAll(b => b.Use == "laundry"))
            {
                if (circuit.Number("breakerAmps") != 20 || !boxes.TrueForAll(b => b.Devices.Any(Site.IsReceptacle)
                    && (b.Use == "laundry" || b.Plates.Any(p => p.Text("appliance") == "washer"))))
                {
                    yield return new("laundry", "210.11(C)(2)", Subjects(box), $"{box.Id} shares the laundry circuit or is not on 20 A");
                }
            }

            foreach (var box in receptacles.FindAll(b => b.Use == "garage"))
            {
                if (circuit.Number("breakerAmps") != 20 || !boxes.TrueForAll(b => b.Devices.Any(Site.IsReceptacle)
                    && (b.Use == "garage" || b.Outside)))
                {
                    yield return new("garage", "210.11(C)(4)", Subjects(box), $"{box.Id} shares the garage circuit or is not on 20 A");
                }
            }
        }
    }

    private static bool OnSmallAppliance(SiteBox box) => Dines(box.Use) && !box.Outside && !box.HasLight
        && box.Devices.All(d => Site.IsReceptacle(d) && (d["plate"] is not { } plate
            || plate.Text("appliance") is "refrigerator" or "freezer" or "other"));

    private static IEnumerable<Finding> Kitchens(Site site)
    {
        foreach (var kitchen in site.Boxes.Where(b => b.Counter && b.Use == "kitchen").GroupBy(b => b.Room))
        {
            if (kitchen.Count() > 1 && kitchen.Select(b => b.Circuit).Distinct().Count() < 2)
            {
                yield return new("two counters", "210.52(B)(3)", ["room:" + kitchen.Key.Id, Site.Of(kitchen.First().Circuit)],
                    $"the counters of {kitchen.Key.Id} are on one circuit");
            }
        }
    }

    private static IEnumerable<Finding> Loads(Site site)
    {
        foreach (var circuit in site.Papers.Circuits.Select(c => c.Circuit).Where(c => !Site.IsFeeder(c)))
        {
            var boxes = site.On(circuit).ToList();
            var plates = boxes.SelectMany(b => b.Plates.Select(p => (Box: b, Plate: p))).ToList();
            if (plates.Count == 0)
            {
                continue;
            }

            double breaker = circuit.Number("breakerAmps"), volts = circuit.Number("volts");
            string[] subjects = [Site.Of(circuit), .. boxes.Select(b => "box:" + b.Id)];
            var mocp = plates.Where(p => p.Plate["mocp"] is not null).Select(p => p.Plate.Number("mocp")).DefaultIfEmpty(1000).Min();
            if (breaker > mocp && breaker > 15)
            {
                yield return new("MOCP", "440.22", subjects, $"{breaker} A over a plate that allows {mocp}");
            }

            // With an MCA the conductor follows the plate; else continuous loads and space heating at 125 %.
            if (plates.TrueForAll(p => p.Plate["mca"] is null))
            {
                var amps = plates.Sum(p => p.Plate.Number("load") * (Long(p.Plate) ? 1.25 : 1)) / volts;
                var cooking = plates.Count > 1 && plates.TrueForAll(p => p.Plate.Text("appliance") is "cooktop" or "oven" or "range");
                var range = plates.Exists(p => p.Plate.Text("appliance") is "range");
                if (!cooking && !range && amps > breaker + .01)
                {
                    yield return new("load", "210.", subjects, $"{amps:0.0} A on {breaker} A");
                }
            }

            var others = boxes.Exists(b => b.HasLight || b.IsGeneralReceptacle);
            var fastened = plates.Where(p => !p.Plate.Says("cord")).Sum(p => p.Plate.Number("load")) / volts;
            if (breaker <= 20 && others && fastened > (breaker / 2) + .01)
            {
                yield return new("fastened", "210.23", subjects, $"{fastened:0.0} A fastened in place beside lights or receptacles on "
                    + $"{breaker} A");
            }

            var cord = plates.Where(p => p.Plate.Says("cord")).Select(p => p.Plate.Number("load") / volts).DefaultIfEmpty().Max();
            if (breaker <= 30 && boxes.Count > 1 && cord > (breaker * .8) + .01)
            {
                yield return new("cord", "210.23", subjects, $"{cord:0.0} A by cord on {breaker} A");
            }

            if (plates.Count + boxes.Count(b => b.HasLight || b.IsGeneralReceptacle) > 1
                && plates.Find(p => p.Plate.Text("appliance") is "air-handler" or "vehicle-charger" or "water-heater").Plate is { } own
                && (own.Text("appliance") != "water-heater" || volts == 240))
            {
                yield return new("individual", own.Text("appliance") == "air-handler" ? "422.12" : "625.40", subjects,
                    $"{own.Text("name")} shares its circuit");
            }
        }
    }

    // Three hours and more: as the plate says, vehicle supply, storage water heaters, fixed space heating.
    private static bool Long(JsonObject plate) => plate.Says("continuous")
        || plate.Text("appliance") is "vehicle-charger" or "water-heater" or "space-heater" or "air-handler";

    // 210.11(A): 3 VA/ft² of the dwelling over circuits of 15 or 20 A.
    private static IEnumerable<Finding> General(Site site)
    {
        var area = ServiceSum.Area(site);
        var carries = site.Papers.Circuits.Select(c => c.Circuit).Where(c => c.Number("volts") == 120
                && site.On(c).Any(b => b.Room.Structure == site.House.Rooms[0].Structure
                    && (b.HasLight || (b.IsGeneralReceptacle && !Dines(b.Use) && b.Use is not ("bath" or "laundry" or "garage")))))
            .Sum(c => 120 * c.Number("breakerAmps"));
        if (carries < area * 3)
        {
            yield return new("general", "210.11(A)", ["job:", "job", .. site.Papers.Plan.Each("panels").Select(p => "panel:"
                + p.Text("panel"))],
                $"{area * 3:0} VA of lighting on circuits that carry {carries:0}");
        }
    }
}
