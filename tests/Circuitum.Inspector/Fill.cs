namespace Circuitum.Inspector;

/// <summary>314.16(B), counted from the cables that end in each box.</summary>
internal static class Fill
{
    public static IEnumerable<Finding> Check(Site site)
    {
        var ends = site.Runs.SelectMany(r => new[] { (End: r.Run.Text("from"), r.Run), (End: r.Run.Text("to"), r.Run) })
            .ToLookup(x => x.End, x => x.Run);
        foreach (var box in site.Boxes)
        {
            var entering = ends[box.Id].ToList();
            var volume = entering.Sum(r => r.Texts("carries").Count * Tables.Volume(r.Text("gauge")));
            var largest = entering.Select(r => Tables.Volume(r.Text("gauge"))).DefaultIfEmpty().Max();
            var grounds = entering.Select(r => Tables.Volume(r.Text("ground") is { Length: > 0 } g ? g
                : Tables.GroundInCable(r.Text("gauge")))).ToList();
            if (grounds.Count > 0)
            {
                volume += grounds.Max() * (site.Edition == 2017 || grounds.Count <= 4 ? 1 : 1 + ((grounds.Count - 4) * .25));
            }

            // Clamps of metal device boxes take one more.
            volume += box.Planned.Text("make") == "metal device" && box.Planned.Number("gangs") > 0 ? largest : 0;
            foreach (var device in box.Devices)
            {
                var yoke = Site.IsReceptacle(device) || device.Text("kind") is "switch" or "dimmer" or "three-way" or "four-way" or "timer"
                    or "fan-control" or "occupancy-sensor";
                volume += yoke ? 2 * largest * (Wide(device) ? 2 : 1) : 0;
            }

            if (box.Planned["volumeIn3"] is { } given)
            {
                var has = box.Planned.Number("volumeIn3");
                if (volume > has + .01)
                {
                    yield return new("fill", "314.16", ["box:" + box.Id, Site.Of(box.Circuit)], $"{box.Id}: {volume:0.00} in³ in {has}");
                }
            }
            else if (volume <= 40)
            {
                yield return new("fill", "314.16", ["box:" + box.Id, Site.Of(box.Circuit)],
                    $"{box.Id}: {volume:0.00} in³ and no box for it");
            }

            if (box.Planned.Number("neededIn3") < volume - largest - .01)
            {
                yield return new("fill told", "314.16", ["box:" + box.Id], $"{box.Id} needs {volume:0.00} in³, told "
                    + $"{box.Planned.Text("neededIn3")}");
            }
        }
    }

    // Flush receptacles of 30 and 50 A take two gangs.
    private static bool Wide(System.Text.Json.Nodes.JsonObject device) => device.Text("kind") == "appliance-receptacle"
        && device["plate"] is { } plate && (plate.Text("appliance") is "range" or "dryer"
            || plate.Number("load") / plate.Number("volts", 240) > 16);
}
