using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>AFCI by 210.12(A) and GFCI by 210.8 for each outlet, and whether what is said to protect it stands before it.</summary>
internal static class Guards
{
    public static IEnumerable<Finding> Check(Site site) => site.Boxes.SelectMany(b => Of(site, b).Concat(Said(b)));

    private static IEnumerable<Finding> Of(Site site, SiteBox box)
    {
        double volts = box.Circuit.Number("volts"), amps = box.Circuit.Number("breakerAmps");
        string[] subjects = ["box:" + box.Id, Site.Of(box.Circuit)];
        var (afci, gfci) = (box.Planned.Text("afci"), box.Planned.Text("gfci"));
        if (volts == 120 && amps <= 20 && ArcFault(site, box) && afci.Length == 0)
        {
            yield return new("AFCI", "210.12", subjects, $"{box.Id} in a {box.Use} has no arc-fault protection");
        }

        if (gfci.Length == 0 && box.Devices.Any(d => GroundFault(site, box, d, volts, amps)))
        {
            yield return new("GFCI", "210.8", subjects, $"{box.Id} in a {box.Use} has no ground-fault protection");
        }

    }

    /// <summary>What is said to protect a box does.</summary>
    internal static IEnumerable<Finding> Said(SiteBox box)
    {
        foreach (var (by, kind) in new[] { (box.Planned.Text("afci"), "AF"), (box.Planned.Text("gfci"), "GF") }
            .Where(x => x.Item1.Length > 0))
        {
            if (by == "breaker" ? !box.Circuit.Text("breakerKind").Contains(kind, StringComparison.Ordinal) : !Before(box, by))
            {
                yield return new("protected", "", ["box:" + box.Id, Site.Of(box.Circuit)],
                    $"{box.Id} is said to be protected {kind} by {by}, and is not");
            }
        }
    }

    // The device is in the box itself or on the only way to it.
    private static bool Before(SiteBox box, string device)
    {
        if (device == box.Id)
        {
            return true;
        }

        var runs = box.Circuit.Each("runs").ToList();
        var around = Site.Reached([runs[0].Text("from")], runs.FindAll(r => r.Text("from") != device));
        return !around.Contains(box.Id) && box.Circuit.Texts("boxes").Contains(device);
    }

    private static bool ArcFault(Site site, SiteBox box)
    {
        // It speaks of outlets and devices: joints under a cover are neither.
        if (box.IsJoint || box.Outside || box.Room.Accessory
            || (site.Amended("no-afci-in-kitchen-and-laundry") && box.Use is "kitchen" or "laundry"))
        {
            return false;
        }

        return box.Use is "kitchen" or "family" or "dining" or "den" or "bedroom" or "closet" or "hall" or "laundry" or "finished-basement";
    }

    private static bool GroundFault(Site site, SiteBox box, JsonObject device, double volts, double amps)
    {
        var plate = device["plate"];
        var appliance = plate?.Text("appliance") ?? "";
        var (edition, receptacle) = (site.Edition, Site.IsReceptacle(device));
        if (appliance == "dishwasher" || (appliance == "sump-pump" && edition >= 2020))
        {
            return true;
        }

        if (edition >= 2023 && amps <= 60 && appliance is "range" or "oven" or "cooktop" or "dryer" or "microwave")
        {
            return true;
        }

        if (edition >= 2020 && box.Outside && amps <= 50 && plate is not null && !receptacle)
        {
            // Listed HVAC was let off in 2023 until a day; a permit without a day is held to the strict side.
            var letOff = edition >= 2023 && site.Papers.Job["permitted"]?.ToString() is { } day
                && string.CompareOrdinal(day, "2026-09-01") < 0;
            return appliance != "heat-pump" || (!letOff && !site.Amended("no-gfci-for-condensers"));
        }

        // 2017 covers 125 V of 15 and 20 A; later all to 150 V to ground.
        if (!receptacle || (edition == 2017 && (volts != 120 || amps > 20)))
        {
            return false;
        }

        return box.Outside || box.Room.Accessory || box.Use is "bath" or "garage" or "crawl-space" or "unfinished-basement" or "laundry"
            || (box.Use == "finished-basement" && edition >= 2020) || (box.Use == "greenhouse" && edition >= 2020)
            || (box.Use == "kitchen" && (edition >= 2023 || box.Counter))
            || Near(box, 72, "sink", "vanity", "tub", "shower");
    }

    /// <summary>So many inches from one of these, in the room itself.</summary>
    internal static bool Near(SiteBox box, double within, params string[] kinds)
    {
        var (x, y) = box.Mount == "wall" ? box.Room.On((int)box.Box.Number("wall"), box.Box.Inches("offset"))
            : (box.Room.Inside[0].X + box.Box.Inches("x"), box.Room.Inside[0].Y + box.Box.Inches("y"));
        return box.Room.Room.Each("fixtures").Where(f => kinds.Contains(f.Text("kind"))).Any(f =>
        {
            var (west, north, east, south) = box.Room.Footprint(f);
            double dx = Math.Max(0, Math.Max(west - x, x - east)), dy = Math.Max(0, Math.Max(north - y, y - south));
            return Math.Sqrt((dx * dx) + (dy * dy)) <= within;
        });
    }
}
