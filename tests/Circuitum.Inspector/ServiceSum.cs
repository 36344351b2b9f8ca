using System.Globalization;
using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>The service's load worked again by both methods, for what the job has: 220.42 to 220.60 and 220.82.</summary>
internal static class ServiceSum
{
    public static IEnumerable<Finding> Check(Site site)
    {
        var service = site.Papers.Plan["service"]!;
        foreach (var method in new[] { "standard", "optional" })
        {
            var lines = service.Each(method).Sum(l => l.Number("countedVa"));
            if (Math.Abs(lines - service.Number(method + "Va")) > .5)
            {
                yield return new("sum", "", [], $"the lines of the {method} method are {lines:0}, told {service.Text(method + "Va")}");
            }
        }

        var area = Area(site);
        if (Math.Abs(area - site.Papers.Plan.Number("floorAreaSqFt")) > Math.Max(2, area * .003))
        {
            yield return new("area", "", [], $"{area:0.0} ft² by outside dimensions, told {site.Papers.Plan.Text("floorAreaSqFt")}");
        }

        var plates = site.Boxes.SelectMany(b => b.Plates).ToList();
        var (small, laundry) = (Circuits(site, b => b.IsGeneralReceptacle && !b.Outside && b.Use is "kitchen" or "pantry" or "dining"),
            Circuits(site, b => b.IsGeneralReceptacle && b.Use is "laundry"));
        var general = (area * 3) + (1500 * Math.Max(2, small)) + (1500 * Math.Max(1, laundry));
        var lighting = Math.Min(general, 3000) + (.35 * Math.Max(0, Math.Min(general, 120_000) - 3000));
        var told = service.Each("standard").First().Number("countedVa");
        // A laundry elsewhere or circuits that another division makes are the program's: half an area of error is not.
        if (Math.Abs(told - lighting) > 530 * 2)
        {
            yield return new("lighting load", "220.", [], $"{lighting:0} VA of lighting and small appliances, told {told:0}");
        }

        foreach (var plate in plates.Where(p => p.Number("load") >= 1000
            && p.Text("appliance") is "range" or "dryer" or "water-heater" or "vehicle-charger" or "oven" or "cooktop"))
        {
            foreach (var method in new[] { "standard", "optional" })
            {
                if (!service.Each(method).Any(l => (l.Text("text") + l.Text("sum")).Contains(plate.Text("name"), StringComparison.Ordinal)))
                {
                    yield return new("counted", "220.", [], $"{plate.Text("name")} is not in the {method} method");
                }
            }
        }

        // 220.54, 220.55: the least that one dryer and one range of 12 kW count for in the standard method.
        foreach (var (appliance, least) in new[] { ("dryer", 5000), ("range", 8000) })
        {
            var own = plates.Where(p => p.Text("appliance") == appliance).ToList();
            // A range's name stands in a range hood's too: its own line is the largest that has it.
            var line = service.Each("standard").Where(l => own.Count == 1 && (l.Text("text") + l.Text("sum"))
                .Contains(own[0].Text("name"), StringComparison.Ordinal)).MaxBy(l => l.Number("countedVa"));
            if (own.Count == 1 && own[0].Number("load") >= (appliance == "range" ? 12_000 : 0) && line is not null
                && line.Number("countedVa") < least)
            {
                yield return new("demand", "220.", [], $"{own[0].Text("name")} counts for {line.Text("countedVa")} VA");
            }
        }
    }

    /// <summary>220.12 and its like: storeys by their outside dimensions without garage, open and unfinished rooms, in ft².</summary>
    public static double Area(Site site)
    {
        var house = site.House.Rooms.Where(r => r.Structure == site.House.Rooms[0].Structure && r.Use is not ("garage" or "crawl-space"
            or "greenhouse") && !(r.Use == "unfinished-basement" && r.Level.Says("neverFinished"))).ToList();
        // Centre lines give each room's share of the walls between; the outer half of an outer wall comes on top.
        double area = 0;
        foreach (var room in house)
        {
            var c = Surveyed.Corners(room.Room);
            area += Math.Abs(c.Select((p, i) => (p.X * c[(i + 1) % c.Length].Y) - (c[(i + 1) % c.Length].X * p.Y)).Sum()) / 2;
        }

        // To the middle of a wall that a garage or an open room shares.
        foreach (var storey in house.GroupBy(r => r.Level))
        {
            area += Beyond([.. site.House.Rooms.Where(r => r.Level == storey.Key).Select(r => r.Room)], [.. storey.Select(r => r.Room)]);
        }

        return area / 144;
    }

    // Half of each outer wall along the outline, and a square at each outward corner less one at each inward corner.
    private static double Beyond(List<JsonObject> all, List<JsonObject> counted)
    {
        double[] xs = [.. all.SelectMany(Surveyed.Corners).Select(p => p.X).Distinct().Order()];
        double[] ys = [.. all.SelectMany(Surveyed.Corners).Select(p => p.Y).Distinct().Order()];
        JsonObject? At(int i, int j) => i < 0 || j < 0 || i >= xs.Length - 1 || j >= ys.Length - 1 ? null
            : all.Find(r => Surveyed.Holds(Surveyed.Corners(r), (xs[i] + xs[i + 1]) / 2, (ys[j] + ys[j + 1]) / 2));
        double beyond = 0;
        for (var i = -1; i < xs.Length; i++)
        {
            for (var j = -1; j < ys.Length; j++)
            {
                // The wall east of a cell and the one south of it: how far the outside face is beyond the line.
                double Face(JsonObject? one, JsonObject? other, bool alongX, double line, double middle) =>
                    (one is null) == (other is null) ? 0
                    : (one ?? other) is { } room && counted.Contains(room) ? Surveyed.HalfOuter(room, alongX, line, middle) : 0;
                var east = j >= 0 && j < ys.Length - 1 && i + 1 < xs.Length
                    ? Face(At(i, j), At(i + 1, j), false, xs[i + 1], (ys[j] + ys[j + 1]) / 2) : 0;
                var south = i >= 0 && i < xs.Length - 1 && j + 1 < ys.Length
                    ? Face(At(i, j), At(i, j + 1), true, ys[j + 1], (xs[i] + xs[i + 1]) / 2) : 0;
                beyond += (east * (j >= 0 && j < ys.Length - 1 ? ys[j + 1] - ys[j] : 0)) + (south * (i >= 0 && i < xs.Length - 1
                    ? xs[i + 1] - xs[i] : 0));
                var around = new[] { At(i, j), At(i + 1, j), At(i, j + 1), At(i + 1, j + 1) }.OfType<JsonObject>().ToList();
                beyond += around.Count is 1 or 3 && around.Exists(counted.Contains) ? (around.Count == 1 ? 1 : -1) * 3.25 * 3.25 : 0;
            }
        }

        return beyond;
    }

    private static int Circuits(Site site, Func<SiteBox, bool> which) => site.Boxes.Where(which).Select(b => b.Circuit).Distinct().Count();
}
