using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;

namespace Circuitum.Core.Circuits;

/// <summary>Boxes that cannot be parted: a lamp with all its switches, interconnected alarms.</summary>
internal sealed record Bundle(ImmutableArray<PlacedBox> Boxes)
{
    public int Structure => Boxes[0].Place.Structure;

    public int Level => Anchor.Place.Level;

    /// <summary>The box that stands for the bundle: its first outlet.</summary>
    public PlacedBox Anchor { get; } = Boxes.FirstOrDefault(b => b.HasOutlet) ?? Boxes[0];

    /// <summary>The room it counts to.</summary>
    public FramedRoom Room => Anchor.Room;

    /// <summary>Where the circuit's chain comes in: the first switch of lights that are switched, the outlet itself otherwise.</summary>
    public Place Feed { get; } = (Boxes.All(b => b.IsLighting) ? Boxes.FirstOrDefault(b => b.SwitchesOnly) : null)?.Place
        ?? (Boxes.FirstOrDefault(b => b.HasOutlet) ?? Boxes[0]).Place;

    public bool IsLighting => Boxes.All(b => b.IsLighting);

    public int Outlets => Boxes.Count(b => b.HasOutlet);
}

/// <summary>Ties boxes into bundles.</summary>
internal static class Bundles
{
    /// <summary>Every box is in exactly one bundle; bundles come in the order of their first box's id.</summary>
    public static ImmutableArray<Bundle> Tie(Survey survey)
    {
        var index = survey.Boxes.Select((b, i) => (b.Box.Id, i)).ToDictionary(x => x.Id, x => x.i);
        var parent = Enumerable.Range(0, survey.Boxes.Length).ToArray();
        int Root(int i)
        {
            while (parent[i] != i)
            {
                i = parent[i] = parent[parent[i]];
            }

            return i;
        }

        void Join(int a, int b) => parent[Math.Max(Root(a), Root(b))] = Math.Min(Root(a), Root(b));

        foreach (var box in survey.Boxes)
        {
            foreach (var target in box.Box.Devices.SelectMany(d => d.Controls).Where(t => survey[t].Place.Structure == box.Place.Structure))
            {
                Join(index[box.Box.Id], index[target]);
            }
        }

        foreach (var alarms in survey.Boxes.Where(b => b.HasAlarm).GroupBy(b => b.Place.Structure))
        {
            var first = index[alarms.First().Box.Id];
            foreach (var alarm in alarms)
            {
                Join(first, index[alarm.Box.Id]);
            }
        }

        return [.. survey.Boxes.Select((b, i) => (Box: b, Root: Root(i))).GroupBy(x => x.Root).OrderBy(g => g.Key)
            .Select(g => new Bundle([.. g.Select(x => x.Box)]))];
    }
}
