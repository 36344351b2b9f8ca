using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>Stage Protection: AFCI and GFCI by place and edition for each outlet; given by the breaker or by devices, as the school says or
/// as costs least.</summary>
public static class Protecting
{
    /// <summary>Protects every circuit; the two of a multiwire circuit get the same, since both legs open together.</summary>
    public static ImmutableArray<ProtectedCircuit> Protect(ImmutableArray<SizedCircuit> circuits, Survey survey, Job job, CodeBook book)
    {
        var safe = circuits.Select(c => Protect(c, survey, job, book)).ToList();
        return [.. safe.Select(c => c.Circuit.SharesNeutralWith is CircuitKey other
            && safe.Find(o => o.Circuit.Key == other) is { } partner ? Together(c, partner) : c)];
    }

    /// <summary>What the rules ask about one box on a circuit of this rating: an entry for each device in it that is no mere
    /// support.</summary>
    public static IEnumerable<Outlet> Outlets(PlacedBox box, Volts volts, Amps rating, CodeBook book) =>
        box.Box.Devices.Where(d => d.Kind != DeviceKind.JointBox).Select(d => new Outlet(
            box.Room.Room.Use,
            box.Box.Outside,
            d.Kind.IsReceptacle(),
            d.Kind.IsLight() || d.Kind == DeviceKind.CeilingFan,
            d.Kind.IsSwitch(),
            box.Box.ServesCounter,
            Near(box, f => f is FixtureKind.Sink or FixtureKind.Vanity, book),
            Near(box, f => f is FixtureKind.Tub or FixtureKind.Shower, book),
            volts,
            rating,
            d.Plate?.Appliance)
        {
            Accessory = box.Accessory,
            LaundryArea = box.InLaundryArea,
            Basement = box.Basement,
            ServesEquipment = box.ServesEquipment && d.Plate is null,
            SinkByDoorway = box.ByDoorway.Any(f => f is FixtureKind.Sink or FixtureKind.Vanity),
            TubByDoorway = box.ByDoorway.Any(f => f is FixtureKind.Tub or FixtureKind.Shower),
            FoodArea = ServesFood(box),
            Alarm = d.Kind.IsAlarm(),
        });

    private static ProtectedCircuit Protect(SizedCircuit sized, Survey survey, Job job, CodeBook book)
    {
        var circuit = sized.Circuit;
        if (circuit.Kind == CircuitKind.Feeder)
        {
            return new(sized, new(BreakerKind.Standard, Because.Of("Why this protection")
                .Plan("its branch circuits are protected where they begin", "")), ImmutableDictionary<BoxId, OutletProtection>.Empty);
        }

        var needs = circuit.Boxes.ToDictionary(id => id, id =>
        {
            var asked = Outlets(survey[id], circuit.Load.AtOutlets, sized.Breaker.Value, book).ToList();
            return new OutletProtection(asked.Select(book.Protection.Afci).FirstOrDefault(n => n is not null),
                asked.Select(book.Protection.Gfci).FirstOrDefault(n => n is not null), null);
        });
        var ways = new ProtectionWays(sized, survey, job, needs);
        var chosen = ways.Choose();
        var (resets, arcs) = (DevicePlacing.Resets(sized, chosen.Ground), DevicePlacing.Resets(sized, chosen.Arc));
        return new(sized, new(chosen.Breaker, Why(circuit, needs, survey, chosen, ways.Weighed, book)),
            needs.ToImmutableDictionary(n => n.Key, n => n.Value with
            {
                ResetAt = resets.TryGetValue(n.Key, out var reset) ? reset : null,
                AfciResetAt = arcs.TryGetValue(n.Key, out var arc) ? arc : null,
            }))
        {
            Devices = chosen.Devices,
            Ways = ways.Weighed,
        };
    }

    private static ProtectedCircuit Together(ProtectedCircuit one, ProtectedCircuit other)
    {
        var kind = ProtectedCircuit.KindOf(one.BreakerIsAfci || other.BreakerIsAfci, one.BreakerIsGfci || other.BreakerIsGfci);
        return one with
        {
            Kind = new(kind,
            one.Kind.Why.Book("multiwire: one two-pole device for both legs, neutral on the device", ProtectedCircuit.MarkOf(kind),
                one.Sized.Book.Cite(RuleId.MultiwireDisconnect)))
        };
    }

    private static Because Why(Circuit circuit, Dictionary<BoxId, OutletProtection> needs, Survey survey, ChosenWay chosen,
        ImmutableArray<ProtectionWay> ways, CodeBook book)
    {
        var why = Because.Of("Why this protection");
        var afci = Grouped(circuit, needs, p => p.Afci, survey).ToList();
        var gfci = Grouped(circuit, needs, p => p.Gfci, survey).ToList();
        foreach (var (need, boxes) in afci)
        {
            why = why.Book($"AFCI: {need.Reason}", boxes, need.Cite);
        }

        foreach (var (need, boxes) in gfci)
        {
            why = why.Book($"GFCI: {need.Reason}", boxes, need.Cite);
        }

        if (afci.Count + gfci.Count == 0)
        {
            return why.Book("no outlet on it asks for AFCI or GFCI", "", book.Cite(RuleId.GroundFault, RuleId.ArcFault));
        }

        if (chosen.Ground.Values.Any(d => d.Placed))
        {
            why = why.Job("a GFCI receptacle is set on this circuit, so the breaker is not", "");
        }

        foreach (var (box, device) in chosen.Devices.Where(d => !d.Value.Placed).OrderBy(d => d.Key.Value, StringComparer.Ordinal))
        {
            why = why.Plan($"{survey[box].Name} carries the {Words(device.Kind)} receptacle",
                device.Load.IsEmpty && device.Kind == ProtectiveKind.Gfci ? "protects itself"
                : $"feeds {device.Load.Length} on its load side");
        }

        why = why.House(chosen.Words, chosen.Price.ToString(), chosen.School);
        foreach (var other in ways.Where(w => w.Name != chosen.Words))
        {
            why = other.Refused is { } refused ? why.Plan($"not {other.Name}: {refused}", "")
                : why.House($"instead {other.Name}", other.Price.ToString(), "the crew's prices");
        }

        return why;
    }

    /// <summary>GFCI, AFCI, or both.</summary>
    public static string Words(ProtectiveKind kind) =>
        kind switch { ProtectiveKind.Gfci => "GFCI", ProtectiveKind.Afci => "AFCI", _ => "AFCI and GFCI" };

    private static IEnumerable<(Need Need, string Boxes)> Grouped(Circuit circuit, Dictionary<BoxId, OutletProtection> outlets,
        Func<OutletProtection, Need?> which, Survey survey) =>
        circuit.Boxes.Select(id => (Need: which(outlets[id]), survey[id].Name)).Where(x => x.Need is not null).GroupBy(x => x.Need!)
            .Select(g => (g.Key, g.Count() <= 2 ? string.Join(", ", g.Select(x => x.Name)) : $"{g.First().Name} and {g.Count() - 1} more"));

    // A wet bar: a sink and a counter; a pantry with a sink is one as a whole.
    private static bool ServesFood(PlacedBox box) => box.Room.Room.Fixtures.Any(f => f.Kind == FixtureKind.Sink)
        && (box.Room.Room.Use == RoomUse.Pantry || (box.Room.Room.Use is not (RoomUse.Kitchen or RoomUse.Bath or RoomUse.Laundry)
            && box.Room.Room.Fixtures.Any(f => f.Kind == FixtureKind.Counter && (box.Box.ServesCounter
                || (f.Wall == box.Box.Wall && box.Box.Mount == Mount.Wall && box.Box.Offset >= f.Offset
                    && box.Box.Offset <= f.Offset + f.Width)))));

    private static bool Near(PlacedBox box, Func<FixtureKind, bool> which, CodeBook book) =>
        box.Room.Room.Fixtures.Where(f => which(f.Kind))
            .Any(f => Distance(Face(box), box.Room.Footprint(f)) <= (double)book.Protection.NearWater.Length.Sixtyfourths);

    // Where a cord leaves: the wall's face, not the box's place in its middle.
    private static Point Face(PlacedBox box) => box.Box.Mount == Mount.Wall && !box.Box.Outside ? box.Room.Sides[box.Box.Wall - 1]
        .At(box.Box.Offset) : box.Place.At.Plan;

    private static double Distance(Point p, (Point NorthWest, Point SouthEast) area)
    {
        static double Beyond(Length at, Length low, Length high) =>
            Math.Max(0, Math.Max(low.Sixtyfourths - at.Sixtyfourths, at.Sixtyfourths - high.Sixtyfourths));
        double dx = Beyond(p.X, area.NorthWest.X, area.SouthEast.X), dy = Beyond(p.Y, area.NorthWest.Y, area.SouthEast.Y);
        return Math.Sqrt((dx * dx) + (dy * dy));
    }
}
