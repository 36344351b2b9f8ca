using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>Are the outlets there that 210.52, 210.70 and the building code ask for, measured along the walls.</summary>
internal static class Placing
{
    public static IEnumerable<Finding> Check(Site site) => site.House.Rooms.SelectMany(r => Walls(site, r, 24, 72, "210.52(A)")
        .Concat(Counters(site, r, 12, 24, "210.52(C)")).Concat(Rooms(site, r))).Concat(Outdoors(site)).Concat(Alarms(site));

    /// <summary>Walked along the floor line from opening to opening: in spaces so wide no point is farther from a receptacle, in
    /// inches.</summary>
    internal static IEnumerable<Finding> Walls(Site site, SurveyedRoom room, double narrowest, double reach, string article)
    {
        if (room.Use is not ("kitchen" or "dining" or "family" or "bedroom" or "den" or "finished-basement"))
        {
            yield break;
        }

        var breaks = room.Openings.Where(o => o.Opening.Text("kind") is "door" or "cased" or "garage-door")
            .Select(o => (o.From, o.To)).ToList();
        // Half a slider slides; which half, and the fixed one as wall, is left to the program: the strict side here is none.
        breaks.AddRange(room.Openings.Where(o => o.Opening.Text("kind") == "slider").Select(o => (o.From, o.To)));
        breaks.AddRange(room.Room.Each("fixtures").Where(f => f["wall"] is not null && f.Text("kind") is "fireplace" or "range"
            or "refrigerator" or "dishwasher" or "cabinet" or "tub" or "shower" or "stair"
                || (room.Use is "kitchen" or "dining" && f.Text("kind") is "counter" or "vanity" or "sink"))
            .Select(f => (room.WallStart((int)f.Number("wall")) + f.Inches("offset"), room.WallStart((int)f.Number("wall"))
                + f.Inches("offset") + f.Inches("width"))));
        // What stands in a corner takes its depth of the next wall too.
        foreach (var corner in room.Room.Each("fixtures").Where(f => f["wall"] is not null
            && (f.Text("kind") == "cabinet" || (f.Text("kind") == "counter" && room.Use is "kitchen" or "dining"))))
        {
            var wall = (int)corner.Number("wall");
            double start = room.WallStart(wall), end = start + room.Length(wall - 1), deep = corner.Inches("depth");
            breaks.AddRange(corner.Inches("offset") < .1 ? [((start + room.Around - deep) % room.Around, start == 0 ? room.Around : start)]
                : Array.Empty<(double, double)>());
            breaks.AddRange(corner.Inches("offset") + corner.Inches("width") > room.Length(wall - 1) - .1 ? [(end % room.Around,
                (end % room.Around) + deep)] : Array.Empty<(double, double)>());
        }

        var outlets = site.Boxes.Where(b => b.Room == room && b.Mount == "wall" && !b.Outside && !b.Counter && b.Box.Inches("height") <= 66
                && b.Devices.Any(d => Site.IsReceptacle(d) && d.Text("kind") != "appliance-receptacle"
                    && d["plate"]?.Text("appliance") is not ("dishwasher" or "disposer" or "range-hood")))
            .Select(b => room.WallStart((int)b.Box.Number("wall")) + b.Box.Inches("offset")).Order().ToList();
        if (site.Boxes.Exists(b => b.Room == room && b.Mount == "floor"))
        {
            yield break;
        }

        foreach (var (from, to) in Spaces(room.Around, breaks).Where(s => s.To - s.From >= narrowest))
        {
            var inside = outlets.SelectMany(o => new[] { o, o + room.Around }).Where(o => o >= from && o <= to).Order().ToList();
            // Right round the room without a break: from the last to the first again.
            var closed = to - from >= room.Around - .1 && breaks.Count == 0;
            var worst = closed && inside.Count > 0 ? inside.Zip(inside.Skip(1).Append(inside[0] + room.Around), (p, q) => (q - p) / 2).Max()
                : inside.Count == 0 ? to - from : Math.Max(Math.Max(inside[0] - from, to - inside[^1]),
                inside.Zip(inside.Skip(1), (p, q) => (q - p) / 2).DefaultIfEmpty().Max());
            if (worst > reach + .02)
            {
                yield return new("wall", article, ["room:" + room.Id], $"{room.Id}: {worst:0.0} in from a receptacle in a space of "
                    + $"{to - from:0} in from {from:0}, with {string.Join(' ', inside.Select(o => $"{o:0}"))}");
                yield break;
            }
        }
    }

    // Wall that no break takes, going round the corner where the walk closes.
    private static IEnumerable<(double From, double To)> Spaces(double around, List<(double From, double To)> breaks)
    {
        if (breaks.Count == 0)
        {
            yield return (0, around);
            yield break;
        }

        var sorted = breaks.OrderBy(b => b.From).ToList();
        var at = sorted[0].To;
        foreach (var (from, to) in sorted.Skip(1).Append((sorted[0].From + around, sorted[0].To + around)))
        {
            if (from > at)
            {
                yield return (at, from);
            }

            at = Math.Max(at, to);
        }
    }

    // Along the walk round the room, by where they begin.
    private static List<(double From, double To)> Stretches(SurveyedRoom room, params string[] kinds) => [.. room.Room.Each("fixtures")
        .Where(f => f["wall"] is not null && kinds.Contains(f.Text("kind")))
        .Select(f => (From: room.WallStart((int)f.Number("wall")) + f.Inches("offset"), Wide: f.Inches("width")))
        .Select(f => (f.From, f.From + f.Wide)).OrderBy(f => f.Item1)];

    /// <summary>Counters along the walk round a room; one that turns a corner goes on.</summary>
    internal static List<(double From, double To)> Countertops(SurveyedRoom room)
    {
        var counters = new List<(double From, double To)>();
        foreach (var counter in Stretches(room, "counter"))
        {
            if (counters.Count > 0 && counter.From - counters[^1].To < .1)
            {
                counters[^1] = (counters[^1].From, Math.Max(counters[^1].To, counter.To));
            }
            else
            {
                counters.Add(counter);
            }
        }

        if (counters.Count > 1 && counters[^1].To > room.Around - .1 && counters[0].From < .1)
        {
            counters[^1] = (counters[^1].From, room.Around + counters[0].To);
            counters.RemoveAt(0);
        }

        return counters;
    }

    /// <summary>Along each counter so wide no point is farther from a receptacle, in inches; a sink or a range parts it.</summary>
    internal static IEnumerable<Finding> Counters(Site site, SurveyedRoom room, double narrowest, double reach, string article)
    {
        if (room.Use != "kitchen")
        {
            yield break;
        }

        var outlets = site.Boxes.Where(b => b.Room == room && b.Counter && b.Mount == "wall")
            .Select(b => room.WallStart((int)b.Box.Number("wall")) + b.Box.Inches("offset")).ToList();
        var parts = Stretches(room, "sink", "range", "refrigerator", "cabinet");
        foreach (var (from, to) in Countertops(room))
        {
            IEnumerable<double> Turned(double at) => [at, at + room.Around];
            var at = from;
            foreach (var (cut, end) in parts.SelectMany(p => Turned(p.From).Zip(Turned(p.To))).Where(p => p.Second > from && p.First < to)
                .Order().Append((to, to)))
            {
                var stretch = outlets.SelectMany(Turned).Where(o => o >= at && o <= cut).Order().ToList();
                var worst = stretch.Count == 0 ? cut - at : Math.Max(Math.Max(stretch[0] - at, cut - stretch[^1]),
                    stretch.Zip(stretch.Skip(1), (p, q) => (q - p) / 2).DefaultIfEmpty().Max());
                if (cut - at >= narrowest && (stretch.Count == 0 || worst > reach + .02))
                {
                    yield return new("counter", article, ["room:" + room.Id],
                        $"{room.Id}: {worst:0.0} in of counter from a receptacle");
                }

                at = Math.Max(at, end);
            }
        }
    }

    private static IEnumerable<Finding> Rooms(Site site, SurveyedRoom room)
    {
        var boxes = site.Boxes.FindAll(b => b.Room == room);
        string[] subjects = ["room:" + room.Id];
        var receptacle = boxes.Exists(b => b.IsGeneralReceptacle && !b.Outside);
        if (room.Use is "bath" && room.Room.Each("fixtures").Any(f => f.Text("kind") == "vanity") && !receptacle)
        {
            yield return new("owed", "210.52(D)", subjects, $"{room.Id}: no receptacle at the basin");
        }

        if (room.Use == "hall" && !receptacle && Math.Max(room.Length(0), room.Length(1)) >= 120)
        {
            yield return new("owed", "210.52(H)", subjects, $"{room.Id}: a hall of 10 ft without a receptacle");
        }

        if (room.Use is "laundry" && !boxes.Exists(b => b.Devices.Any(Site.IsReceptacle)))
        {
            yield return new("owed", "210.52(F)", subjects, $"{room.Id}: no receptacle");
        }

        if (room.Use is "garage" or "unfinished-basement" && !receptacle)
        {
            yield return new("owed", "210.52(G)", subjects, $"{room.Id}: no receptacle but for machines");
        }

        // One flight is lit from either of its storeys.
        var lit = boxes.Exists(b => b.HasLight && !b.Outside) || (room.Use == "stair" && site.Boxes.Exists(b => b.Use == "stair"
            && b.HasLight))
            || (room.Use is not ("kitchen" or "bath" or "laundry" or "hall" or "stair" or "garage")
                && boxes.Exists(b => b.Devices.Any(d => d.Text("kind") == "half-switched")));
        if (room.Use is "kitchen" or "dining" or "family" or "bedroom" or "den" or "finished-basement" or "bath" or "hall" or "stair"
            or "garage" or "laundry" && !lit)
        {
            yield return new("light", "210.70", subjects, $"{room.Id} has no light");
        }
    }

    // 210.52(E)(1): front and back, once a door to the outside says which is which.
    private static IEnumerable<Finding> Outdoors(Site site)
    {
        var house = site.House.Rooms[0].Structure;
        string[] subjects = ["job:", "job", "structure:" + house, .. site.House.Rooms.Select(r => "room:" + r.Id)];
        var doors = site.House.Rooms.Where(r => r.Structure == house).SelectMany(r => r.Openings)
            .Where(o => o.Opening.Text("kind") is "door" or "slider").GroupBy(o => o.Opening.Text("id")).Count(g => g.Count() == 1);
        if (doors > 0 && site.Boxes.Count(b => b.Outside && b.Room.Structure == house && b.IsGeneralReceptacle) < 2)
        {
            yield return new("owed", "210.52(E)", subjects, "fewer than two receptacles outdoors");
        }
    }

    // R314.3: in every bedroom, outside it, on every storey.
    private static IEnumerable<Finding> Alarms(Site site)
    {
        bool Alarmed(SurveyedRoom r) => site.Boxes.Exists(b => b.Room == r && b.Devices.Any(d => d.Text("kind") is "smoke-alarm"
            or "smoke-co-alarm"));
        foreach (var room in site.House.Rooms.Where(r => r.Use == "bedroom" && !Alarmed(r)))
        {
            yield return new("alarm", "R314", ["room:" + room.Id], $"{room.Id}: a bedroom without a smoke alarm");
        }

        foreach (var storey in site.House.Rooms.Where(r => !r.Accessory).GroupBy(r => r.Level.Text("id"))
            .Where(s => s.Any(r => r.Use is not ("crawl-space" or "garage" or "closet")) && !s.Any(Alarmed)))
        {
            yield return new("alarm", "R314", [.. storey.Select(r => "room:" + r.Id), "level:" + storey.Key],
                $"{storey.Key}: a storey without a smoke alarm");
        }
    }
}
