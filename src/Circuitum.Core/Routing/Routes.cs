using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Stage Runs: how does it get there?</summary>
public static class Routes
{
    /// <summary>Routes every circuit from its panel.</summary>
    public static ImmutableArray<RoutedCircuit> Route(FramedHouse house, Survey survey, ImmutableArray<Circuit> circuits, Job job)
    {
        var finder = new Wayfinder(house, job);
        var panels = job.Panels.ToDictionary(p => p.Id, p => new RunEnd(Surveying.PlacePanel(house, p), $"Panel {p.Id}", null, p.Id));
        return [.. circuits.Select(c => c.Feeds is PanelId fed
            ? new RoutedCircuit(c, [FeederRoute.Pull(c, panels[c.Panel], panels[fed], finder, house, job)])
            : new RoutedCircuit(c, new CircuitRoute(c, survey, panels[c.Panel], finder, job).Pull()))];
    }

    /// <summary>Footage to cut: the way, sag, what is made up and left at both ends, rounded up to a foot.</summary>
    internal static Figure<Length> Footage(Way way, RunEnd from, RunEnd to, HouseRules rules)
    {
        var why = Because.Of("Why this footage");
        foreach (var group in way.Legs.GroupBy(l => l.Space))
        {
            why = why.Plan(group.Key switch
            {
                Space.StudBay => "up and down stud bays",
                Space.Studs => $"through bored studs, {way.Passages.Count(p => p.Spot.Kind == MemberKind.Stud)} holes",
                Space.Joists => $"in the floor, {way.Passages.Count(p => p.Spot.Kind == MemberKind.Joist)} joists bored",
                Space.Attic => "in the attic",
                _ => "in the trench",
            }, group.Select(l => l.Run).Total().Nearest(Length.FromInches(1)).ToString());
        }

        var sag = new Length((int)(way.Measured.Sixtyfourths * rules.Sag.Value / 100));
        why = why.House($"sag and going round, {rules.Sag}", sag.Nearest(Length.FromInches(1)).ToString(), "house rule: sag");
        var ends = Length.Zero;
        foreach (var end in new[] { from, to })
        {
            var left = end.Panel is null ? rules.MakeUpAtBox + rules.SlackAtBox : rules.AtPanel;
            why = why.House(end.Panel is null ? $"made up and slack at {end.Name}" : $"left at {end.Name}", left.ToString(), end.Panel is null ? "house rules: make-up, slack" : "house rule: at the panel");
            ends += left;
        }

        var feet = (way.Measured + sag + ends).WholeFeetUp;
        return new(Length.FromFeet(feet), why.Plan("cut to the next foot", $"{feet} ft"));
    }
}

/// <summary>The runs of one branch circuit: a chain of constant feed, and behind switches their legs.</summary>
internal sealed class CircuitRoute(Circuit circuit, Survey survey, RunEnd panel, Wayfinder finder, Job job)
{
    private readonly List<Run> runs = [];

    public ImmutableArray<Run> Pull()
    {
        if (circuit.Boxes.IsEmpty)
        {
            return [];
        }

        var boxes = circuit.Boxes.Select(id => survey[id]).ToList();
        var groups = ControlGroups.Of(boxes, p => finder.Cost(panel.Place, p.Place));
        var alarms = boxes.Where(b => b.HasAlarm).ToList();
        var behind = groups.SelectMany(g => g.Switches.Skip(1).Concat(g.Lamps)).Select(b => b.Box.Id).ToHashSet();
        behind.ExceptWith(groups.Select(g => g.Switches[0].Box.Id));
        // Light first: the lamp takes the feed and sends a loop with a neutral to its one switch.
        var loops = groups.Where(g => IsLoop(g, groups)).ToList();
        behind.UnionWith(loops.Select(g => g.Switches[0].Box.Id));
        behind.ExceptWith(loops.Select(g => g.Lamps[0].Box.Id));
        var firstAlarm = alarms.MinBy(a => finder.Cost(panel.Place, a.Place));
        behind.UnionWith(alarms.Where(a => a != firstAlarm).Select(a => a.Box.Id));

        var fed = Trunk([.. boxes.Where(b => !behind.Contains(b.Box.Id))]);
        foreach (var loop in loops)
        {
            Along(RunKind.SwitchLeg, loop.Lamps[0], fed[loop.Lamps[0].Box.Id], loop.Switches, 3);
            Along(RunKind.SwitchLeg, loop.Lamps[0], fed[loop.Lamps[0].Box.Id], InChain(loop.Lamps[0], [.. loop.Lamps.Skip(1)]), 2);
        }

        foreach (var group in groups.Except(loops))
        {
            var upstream = Along(RunKind.Traveler, group.Switches[0], fed[group.Switches[0].Box.Id], group.Switches.Skip(1), 3);
            Along(RunKind.SwitchLeg, group.Switches[^1], upstream, InChain(group.Switches[^1], group.Lamps), LegConductors(group));
        }

        if (firstAlarm is not null)
        {
            Along(RunKind.Interconnect, firstAlarm, fed[firstAlarm.Box.Id], InChain(firstAlarm, [.. alarms.Where(a => a != firstAlarm)]), 3);
        }

        return [.. runs];
    }

    // A switch box that works one group only; one of several gangs keeps the feed for all of them.
    private bool IsLoop(ControlGroup group, List<ControlGroup> groups) => job.Schools.Feed == LightingFeed.LightFirst && group.Switches.Length == 1 && group.Switches[0].SwitchesOnly
        && groups.TrueForAll(g => g == group || !g.Switches.Contains(group.Switches[0])) && group.Switches[0].Box.Devices.All(d => d.Kind != DeviceKind.Disconnect)
        && group.Lamps.All(l => l.IsLighting && !groups.Exists(g => g.Switches.Contains(l)));

    // A half-switched receptacle keeps one half hot; equipment behind its disconnect takes what its circuit takes.
    private static int LegConductors(ControlGroup group) => group.Lamps.Any(l => l.Box.Devices.Any(d => d.Kind == DeviceKind.HalfSwitched) || l.Plates.Any(p => p.Neutral && p.Volts.Value == 240)) ? 3 : 2;

    private Dictionary<BoxId, Run> Trunk(List<PlacedBox> trunk)
    {
        var order = Chain.Order(trunk.Count, i => finder.Cost(panel.Place, trunk[i].Place).Sixtyfourths, (i, j) => finder.Cost(trunk[i].Place, trunk[j].Place).Sixtyfourths);
        var conductors = trunk.SelectMany(b => b.Plates).Any(p => p.Neutral && p.Volts.Value == 240) ? 3 : 2;
        var fed = new Dictionary<BoxId, Run>();
        var at = panel;
        Run? upstream = null;
        foreach (var box in order.Select(i => trunk[i]))
        {
            upstream = Add(upstream is null ? RunKind.HomeRun : RunKind.Jumper, at, End(box), upstream, conductors);
            fed[box.Box.Id] = upstream;
            at = End(box);
        }

        return fed;
    }

    private Run Along(RunKind kind, PlacedBox start, Run upstream, IEnumerable<PlacedBox> boxes, int conductors)
    {
        var at = End(start);
        foreach (var box in boxes)
        {
            upstream = Add(kind, at, End(box), upstream, conductors);
            at = End(box);
        }

        return upstream;
    }

    private IEnumerable<PlacedBox> InChain(PlacedBox start, IReadOnlyList<PlacedBox> boxes) =>
        Chain.Order(boxes.Count, i => finder.Cost(start.Place, boxes[i].Place).Sixtyfourths, (i, j) => finder.Cost(boxes[i].Place, boxes[j].Place).Sixtyfourths).Select(i => boxes[i]);

    private Run Add(RunKind kind, RunEnd from, RunEnd to, Run? upstream, int conductors)
    {
        var way = finder.Find(from.Place, to.Place);
        var run = new Run($"{circuit.Key}:{from.Id}>{to.Id}{(kind == RunKind.Traveler ? ":t" : "")}", circuit.Key, kind, from, to, upstream?.Id, conductors, way, Routes.Footage(way, from, to, job.HouseRules));
        runs.Add(run);
        return run;
    }

    private static RunEnd End(PlacedBox box) => new(box.Place, box.Name, box.Box.Id, null);
}

/// <summary>Lamps with the switches that work them; the first switch takes the feed, the last gives the leg.</summary>
internal sealed record ControlGroup(ImmutableArray<PlacedBox> Switches, ImmutableArray<PlacedBox> Lamps);

/// <summary>Finds control groups among the boxes of one circuit.</summary>
internal static class ControlGroups
{
    /// <summary>Groups in the order of their first lamp's id; the panel's nearest switch first, four-ways between.</summary>
    public static List<ControlGroup> Of(List<PlacedBox> boxes, Func<PlacedBox, Length> fromPanel)
    {
        var here = boxes.ToDictionary(b => b.Box.Id);
        var groups = new List<(List<PlacedBox> Switches, List<PlacedBox> Lamps)>();
        foreach (var (box, device) in boxes.SelectMany(b => b.Box.Devices.Where(d => d.Kind.IsSwitch()).Select(d => (b, d))))
        {
            var lamps = device.Controls.Where(here.ContainsKey).Select(id => here[id]).Where(l => l != box).ToList();
            if (lamps.Count == 0)
            {
                continue;
            }

            var group = groups.Find(g => g.Lamps.Intersect(lamps).Any());
            if (group.Lamps is null)
            {
                groups.Add((Switches: [box], Lamps: [.. lamps]));
                continue;
            }

            group.Lamps.AddRange(lamps.Except(group.Lamps));
            if (!group.Switches.Contains(box))
            {
                group.Switches.Add(box);
            }
        }

        return [.. groups.OrderBy(g => g.Lamps.Min(l => l.Box.Id.Value), StringComparer.Ordinal).Select(g => new ControlGroup(
            [.. g.Switches.OrderBy(fromPanel).ThenBy(s => s.Box.Id.Value, StringComparer.Ordinal)],
            [.. g.Lamps.OrderBy(l => l.Box.Id.Value, StringComparer.Ordinal)]))];
    }
}
