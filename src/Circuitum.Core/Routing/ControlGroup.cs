using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>A switch by its box and its place in it, from 0.</summary>
public readonly record struct SwitchGang(BoxId Box, int Gang);

/// <summary>Lamps with the switches that work them; the first switch takes the feed, the last gives the leg.</summary>
/// <param name="Switches">One a box; the first is fed, four-ways between.</param>
/// <param name="Fan">A fan's own control beside its light's switch: its hot goes to the fan in the same cable.</param>
/// <param name="Lamps">By id.</param>
/// <param name="Loop">Light first: the first lamp takes the feed and sends a loop to its one switch.</param>
public sealed record ControlGroup(ImmutableArray<SwitchGang> Switches, SwitchGang? Fan, ImmutableArray<BoxId> Lamps, bool Loop)
{
    /// <summary>The box works or holds one of its lamps.</summary>
    public bool Has(BoxId box) => Switches.Any(s => s.Box == box) || Fan?.Box == box || Lamps.Contains(box);
}

/// <summary>Finds control groups among the boxes of one circuit.</summary>
internal static class ControlGroups
{
    /// <summary>Groups in the order of their first lamp's id; the panel's nearest switch first, the fan's control at the last.</summary>
    public static ImmutableArray<ControlGroup> Of(IReadOnlyList<PlacedBox> boxes, Schools schools, Func<PlacedBox, Length> fromPanel)
    {
        var here = boxes.ToDictionary(b => b.Box.Id);
        var drafts = new List<Draft>();
        var places = boxes.SelectMany(b => b.Box.Devices.Select((d, gang) => (Box: b, Device: d, Gang: gang)))
            .Where(x => x.Device.Kind.IsSwitch());
        foreach (var (box, device, gang) in places.OrderBy(x => x.Device.Kind == DeviceKind.FanControl ? 1 : 0))
        {
            var lamps = device.Controls.Where(id => id != box.Box.Id && here.ContainsKey(id)).Distinct().Select(id => here[id]).ToList();
            if (lamps.Count == 0)
            {
                continue;
            }

            var draft = drafts.Find(g => g.Lamps.Intersect(lamps).Any());
            if (draft is null)
            {
                drafts.Add(new(new() { { box, gang } }, lamps));
                continue;
            }

            // A second control of a fan that its light's switch already works turns its blades.
            if (lamps.TrueForAll(IsFan) && draft.Fan is null && (device.Kind == DeviceKind.FanControl || draft.Switches.ContainsKey(box)))
            {
                draft.Fan = (box, gang);
                continue;
            }

            draft.Lamps.AddRange(lamps.Except(draft.Lamps));
            draft.Switches.TryAdd(box, gang);
        }

        return [.. drafts.OrderBy(g => g.Lamps.Min(l => l.Box.Id.Value), StringComparer.Ordinal)
            .Select(g => g.Done(fromPanel, IsLoop(g, drafts, schools)))];
    }

    private static bool IsFan(PlacedBox box) => box.Box.Devices.Any(d => d.Kind == DeviceKind.CeilingFan);

    // A switch box that works one group only; one of several gangs keeps the feed for all of them.
    private static bool IsLoop(Draft group, List<Draft> groups, Schools schools)
    {
        var first = group.Switches.Keys.First();
        return schools.Feed == LightingFeed.LightFirst && group.Switches.Count == 1 && group.Fan is null && first.SwitchesOnly
            && groups.TrueForAll(g => g == group || !(g.Switches.ContainsKey(first) || g.Fan?.Box == first))
            && first.Box.Devices.All(d => d.Kind != DeviceKind.Disconnect)
            && group.Lamps.TrueForAll(l => l.IsLighting && !groups.Exists(g => g.Switches.ContainsKey(l)));
    }

    private sealed class Draft(Dictionary<PlacedBox, int> switches, List<PlacedBox> lamps)
    {
        public Dictionary<PlacedBox, int> Switches { get; } = switches;

        public List<PlacedBox> Lamps { get; } = lamps;

        public (PlacedBox Box, int Gang)? Fan { get; set; }

        public ControlGroup Done(Func<PlacedBox, Length> fromPanel, bool loop) => new(
            [.. InOrder(fromPanel).Select(s => new SwitchGang(s.Key.Box.Id, s.Value))],
            Fan is var (box, gang) ? new SwitchGang(box.Box.Id, gang) : null,
            [.. Lamps.Select(l => l.Box.Id).OrderBy(l => l.Value, StringComparer.Ordinal)],
            loop);

        // A three-way joins one to two, a four-way two to two: whatever lies nearer, the four-ways stand between. Only where the kinds make
        // no set is it by distance, and that is tagged.
        private IEnumerable<KeyValuePair<PlacedBox, int>> InOrder(Func<PlacedBox, Length> fromPanel)
        {
            var near = Switches.OrderBy(s => s.Key == Fan?.Box ? 1 : 0).ThenBy(s => fromPanel(s.Key))
                .ThenBy(s => s.Key.Box.Id.Value, StringComparer.Ordinal).ToList();
            var ends = near.Where(s => s.Key.Box.Devices[s.Value].Kind != DeviceKind.FourWay).ToList();
            return near.Count > 2 && ends.Count == 2 ? [ends[0], .. near.Except(ends), ends[1]] : near;
        }
    }
}
