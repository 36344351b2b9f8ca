using System.Collections.Immutable;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>Places ground-fault receptacles on a circuit: which box carries one, what hangs on its load terminals, what is fed around
/// it.</summary>
internal sealed class DevicePlacing(SizedCircuit sized, Survey survey)
{
    private readonly ILookup<BoxId, BoxId> onward = sized.Routed.Runs.Where(r => r.From.Box is not null)
        .ToLookup(r => r.From.Box!.Value, r => r.To.Box!.Value);

    /// <summary>The boxes that a box feeds next.</summary>
    public ImmutableArray<BoxId> Next(BoxId box) => [.. onward[box].Distinct()];

    /// <summary>What stands behind a box, should not lose power to somebody else's ground fault and needs no protection itself; null where
    /// nothing does.</summary>
    public PlacedBox? TakenAlong(BoxId box, ISet<BoxId> needs) => Beyond(box).Where(b => b != box && !needs.Contains(b))
        .Select(b => survey[b]).FirstOrDefault(KeepsAlive);

    /// <summary>Devices a person placed.</summary>
    public ImmutableDictionary<BoxId, ProtectiveDevice> Placed() => sized.Circuit.Boxes.Select(b => survey[b])
        .Where(b => Has(b, DeviceKind.GfciReceptacle)).ToImmutableDictionary(b => b.Box.Id, b =>
    {
        var feeds = b.Box.Devices.Any(d => d.Kind == DeviceKind.GfciReceptacle && d.FeedsLoadSide);
        var next = Next(b.Box.Id);
        var load = feeds ? Alone(b.Box.Id, next) : [];
        return new ProtectiveDevice(ProtectiveKind.Gfci, load, [.. next.Except(load)], true);
    });

    /// <summary>A device at the first receptacle of each way that needs it, what needs protection beyond on its load side; or why that
    /// cannot be.</summary>
    public (ImmutableDictionary<BoxId, ProtectiveDevice> Devices, string? Refused) FirstReceptacle(ISet<BoxId> needs) =>
        Place(needs, each: false);

    /// <summary>A device at each place that needs it, everything else fed around it; or why that cannot be.</summary>
    public (ImmutableDictionary<BoxId, ProtectiveDevice> Devices, string? Refused) EachPlace(ISet<BoxId> needs) => Place(needs, each: true);

    /// <summary>Which device protects each box: none where a way from the panel comes to it before any device, or by two of them (a switch
    /// set comes back to it), since what is taken off there may be of either.</summary>
    public static Dictionary<BoxId, BoxId> Resets(SizedCircuit sized, IReadOnlyDictionary<BoxId, ProtectiveDevice> devices)
    {
        var resets = devices.Keys.ToDictionary(d => d);
        foreach (var behind in Ways(sized, devices).GroupBy(w => w.At, w => w.Device))
        {
            if (behind.Distinct().ToList() is [BoxId only])
            {
                resets.TryAdd(behind.Key, only);
            }
        }

        return resets;
    }

    /// <summary>Devices that hang on the load side of another: a trip may be at either.</summary>
    public static IEnumerable<(BoxId Device, BoxId Behind)> InSeries(SizedCircuit sized,
        IReadOnlyDictionary<BoxId, ProtectiveDevice> devices) =>
        Ways(sized, devices).Where(w => w.Device is not null && devices.ContainsKey(w.At)).Select(w => (w.At, w.Device!.Value))
            .DistinctBy(w => w.At).OrderBy(w => w.At.Value, StringComparer.Ordinal);

    /// <summary>A box that can carry a protective receptacle and be reached to press its button: 210.8 asks for ready access.</summary>
    public static bool CanCarry(PlacedBox box) =>
        box.Box.Devices.Any(d => d.Kind is DeviceKind.Duplex or DeviceKind.Single or DeviceKind.GfciReceptacle && d.Plate is null)
            && IsReachable(box);

    /// <summary>Not over head height, not in a ceiling, not behind what is not easily moved (article 100: readily accessible).</summary>
    public static bool IsReachable(PlacedBox box) => box.Box.Mount == Mount.Wall && box.Height <= Highest
        && box.Room.Room.Use != RoomUse.CrawlSpace
        && !box.Box.Devices.Any(d => d.Plate?.Appliance is Appliance.Refrigerator or Appliance.Freezer or Appliance.Dishwasher
            or Appliance.Disposer or Appliance.Range or Appliance.Washer or Appliance.Microwave or Appliance.DoorOpener);

    // 6 ft 7 in, as for handles (404.8(A)).
    private static Length Highest { get; } = Length.FromInches(79);

    // What should not lose power to somebody else's ground fault.
    private static bool KeepsAlive(PlacedBox box) =>
        box.HasAlarm || box.Plates.Any(p => p.Appliance is Appliance.Freezer or Appliance.Refrigerator or Appliance.SumpPump);

    private static bool Has(PlacedBox box, DeviceKind kind) => box.Box.Devices.Any(d => d.Kind == kind);

    private (ImmutableDictionary<BoxId, ProtectiveDevice> Devices, string? Refused) Place(ISet<BoxId> needs, bool each)
    {
        if (sized.Circuit.Load.Split)
        {
            return (ImmutableDictionary<BoxId, ProtectiveDevice>.Empty,
                "no ground-fault receptacle is made split, with a leg on either half");
        }

        if (sized.Breaker.Value is { Value: not (15 or 20) } || sized.Circuit.Load.Volts != sized.Book.Supply.ToNeutral)
        {
            return (ImmutableDictionary<BoxId, ProtectiveDevice>.Empty,
                $"ground-fault receptacles are for 15 and 20 A circuits of {sized.Book.Supply.ToNeutral}");
        }

        var devices = ImmutableDictionary.CreateBuilder<BoxId, ProtectiveDevice>();
        string? refused = null;

        // Cables may come back to a box that they left (a switch on the circuit of what it works), so each box is passed once protected and
        // once not.
        var passed = new HashSet<(BoxId, bool)>();
        var waiting = new Stack<(BoxId At, bool Covered)>();
        if (sized.Routed.HomeRun?.To.Box is BoxId first)
        {
            waiting.Push((first, false));
        }

        while (waiting.TryPop(out var step))
        {
            var (at, covered) = step;
            if (!passed.Add(step))
            {
                continue;
            }

            var next = Next(at);
            ImmutableArray<BoxId> load = [];
            if (needs.Contains(at) && !covered)
            {
                if (!CanCarry(survey[at]))
                {
                    refused ??= $"{survey[at].Name} needs it and cannot carry a device whose button is within reach";
                    continue;
                }

                load = each ? [] : Alone(at, next.Where(n => Beyond(n) is var beyond && beyond.Any(needs.Contains)
                    && !beyond.Any(b => KeepsAlive(survey[b]) && !needs.Contains(b))));
                devices[at] = new(ProtectiveKind.Gfci, load, [.. next.Except(load)], false);
            }

            foreach (var n in Enumerable.Reverse(next))
            {
                waiting.Push((n, covered || load.Contains(n)));
            }
        }

        return (refused is null ? devices.ToImmutable() : ImmutableDictionary<BoxId, ProtectiveDevice>.Empty, refused);
    }

    // Of these branches those that nothing comes to but by them: a neutral that is joined with one from before the device would trip it.
    private ImmutableArray<BoxId> Alone(BoxId device, IEnumerable<BoxId> branches)
    {
        ImmutableArray<BoxId> load = [.. branches];
        if (sized.Routed.HomeRun?.To.Box is not BoxId first)
        {
            return load;
        }

        while (true)
        {
            var before = Reached(first, (from, to) => from == device && load.Contains(to)).Where(b => b != device).ToHashSet();
            ImmutableArray<BoxId> alone = [.. load.Where(n => !Beyond(n).Any(before.Contains))];
            if (alone.Length == load.Length)
            {
                return load;
            }

            load = alone;
        }
    }

    // Every way from the panel to a box, by the last device whose load side it comes through.
    private static List<(BoxId At, BoxId? Device)> Ways(SizedCircuit sized, IReadOnlyDictionary<BoxId, ProtectiveDevice> devices)
    {
        // Most circuits have none: nothing is behind one.
        if (devices.Count == 0)
        {
            return [];
        }

        var feeds = sized.Routed.Runs.Where(r => r.From.Box is not null).ToLookup(r => r.From.Box!.Value, r => r.To.Box!.Value);
        List<(BoxId At, BoxId? Device)> found = sized.Routed.HomeRun?.To.Box is BoxId first ? [(first, null)] : [];
        var known = found.ToHashSet();
        for (var i = 0; i < found.Count; i++)
        {
            var (at, device) = found[i];
            found.AddRange(feeds[at].Select(n => (n, devices.TryGetValue(at, out var here) && here.Load.Contains(n) ? at : device))
                .Where(known.Add));
        }

        return found;
    }

    // A box with all that hangs behind it.
    private List<BoxId> Beyond(BoxId box) => Reached(box, (_, _) => false);

    private List<BoxId> Reached(BoxId from, Func<BoxId, BoxId, bool> closed)
    {
        var found = new List<BoxId> { from };
        var known = new HashSet<BoxId> { from };
        for (var i = 0; i < found.Count; i++)
        {
            var at = found[i];
            found.AddRange(onward[at].Where(n => !closed(at, n) && known.Add(n)));
        }

        return found;
    }
}
