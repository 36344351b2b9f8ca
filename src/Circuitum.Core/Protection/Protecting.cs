using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.CodeBook;
using Circuitum.Core.Conductors;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>Stage Protection: AFCI and GFCI by place and edition, given by the breaker unless a person set a GFCI device on the circuit.</summary>
public static class Protecting
{
    private static readonly Length SixFeet = Length.FromFeet(6);

    /// <summary>Protects every circuit.</summary>
    public static ImmutableArray<ProtectedCircuit> Protect(ImmutableArray<SizedCircuit> circuits, Survey survey, CodeBook.CodeBook book) =>
        [.. circuits.Select(c => Protect(c, survey, book))];

    /// <summary>What the rules ask about one box on a circuit of this rating: an entry for each device in it that is no mere support.</summary>
    public static IEnumerable<Outlet> Outlets(PlacedBox box, Volts volts, Amps rating) =>
        box.Box.Devices.Select(d => new Outlet(
            box.Room.Room.Use,
            box.Box.Outside,
            d.Kind.IsReceptacle(),
            d.Kind.IsLight() || d.Kind.IsAlarm() || d.Kind == DeviceKind.CeilingFan,
            d.Kind.IsSwitch(),
            box.Box.ServesCounter,
            Near(box, f => f is FixtureKind.Sink or FixtureKind.Vanity),
            Near(box, f => f is FixtureKind.Tub or FixtureKind.Shower),
            volts,
            rating,
            d.Plate?.Appliance)
        {
            Accessory = box.Accessory,
        });

    private static ProtectedCircuit Protect(SizedCircuit sized, Survey survey, CodeBook.CodeBook book)
    {
        var circuit = sized.Circuit;
        if (circuit.Kind == CircuitKind.Feeder)
        {
            return new(sized, new(BreakerKind.Standard, Because.Of("Why this protection").Plan("its branch circuits are protected where they begin", "")), ImmutableDictionary<BoxId, OutletProtection>.Empty);
        }

        var resets = Resets(sized, survey);
        var outlets = ImmutableDictionary.CreateBuilder<BoxId, OutletProtection>();
        foreach (var box in circuit.Boxes.Select(id => survey[id]))
        {
            var asked = Outlets(box, circuit.Load.Volts, sized.Breaker.Value).ToList();
            outlets[box.Box.Id] = new(
                asked.Select(book.AfciFor).FirstOrDefault(n => n is not null),
                asked.Select(book.GfciFor).FirstOrDefault(n => n is not null),
                resets.TryGetValue(box.Box.Id, out var reset) ? reset : null);
        }

        return new(sized, Choose(circuit, outlets, resets.Count > 0, survey), outlets.ToImmutable());
    }

    private static Figure<BreakerKind> Choose(Circuit circuit, IDictionary<BoxId, OutletProtection> outlets, bool devices, Survey survey)
    {
        var why = Because.Of("Why this protection");
        var afci = Grouped(circuit, outlets, p => p.Afci, survey).ToList();
        var gfci = Grouped(circuit, outlets, p => p.Gfci, survey).ToList();
        foreach (var (need, boxes) in afci)
        {
            why = why.Book($"AFCI: {need.Reason}", boxes, need.Section);
        }

        foreach (var (need, boxes) in gfci)
        {
            why = why.Book($"GFCI: {need.Reason}", boxes, need.Section);
        }

        if (gfci.Count > 0 && devices)
        {
            why = why.Job("a GFCI receptacle is set on this circuit, so the breaker is not", "");
        }
        else if (afci.Count + gfci.Count > 0)
        {
            why = why.House("protected at the breaker", "", "school: GFCI and AFCI at the breaker");
        }
        else
        {
            why = why.Book("no outlet on it asks for AFCI or GFCI", "", "210.8, 210.12");
        }

        var ground = gfci.Count > 0 && !devices;
        return new((afci.Count > 0, ground) switch
        {
            (true, true) => BreakerKind.DualFunction,
            (true, false) => BreakerKind.Afci,
            (false, true) => BreakerKind.Gfci,
            _ => BreakerKind.Standard,
        }, why);
    }

    private static IEnumerable<(Need Need, string Boxes)> Grouped(Circuit circuit, IDictionary<BoxId, OutletProtection> outlets, Func<OutletProtection, Need?> which, Survey survey) =>
        circuit.Boxes.Select(id => (Need: which(outlets[id]), survey[id].Name)).Where(x => x.Need is not null).GroupBy(x => x.Need!)
            .Select(g => (g.Key, g.Count() <= 2 ? string.Join(", ", g.Select(x => x.Name)) : $"{g.First().Name} and {g.Count() - 1} more"));

    // A GFCI device protects its own box, and what hangs on its load terminals.
    private static Dictionary<BoxId, BoxId> Resets(SizedCircuit sized, Survey survey)
    {
        var resets = new Dictionary<BoxId, BoxId>();
        foreach (var run in sized.Routed.Runs)
        {
            if (run.To.Box is not BoxId box || resets.ContainsKey(box))
            {
                continue;
            }

            var own = survey[box].Box.Devices.Any(d => d.Kind == DeviceKind.GfciReceptacle);
            if (own)
            {
                resets[box] = box;
            }
            else if (run.From.Box is BoxId before && resets.TryGetValue(before, out var reset)
                && (reset != before || survey[reset].Box.Devices.Any(d => d.Kind == DeviceKind.GfciReceptacle && d.FeedsLoadSide)))
            {
                resets[box] = reset;
            }
        }

        return resets;
    }

    private static bool Near(PlacedBox box, Func<FixtureKind, bool> which) =>
        box.Room.Room.Fixtures.Where(f => which(f.Kind)).Any(f => Distance(box.Place.At.Plan, box.Room.Footprint(f)) <= (double)SixFeet.Sixtyfourths);

    private static double Distance(Point p, (Point NorthWest, Point SouthEast) area)
    {
        static double Beyond(Length at, Length low, Length high) => Math.Max(0, Math.Max(low.Sixtyfourths - at.Sixtyfourths, at.Sixtyfourths - high.Sixtyfourths));
        double dx = Beyond(p.X, area.NorthWest.X, area.SouthEast.X), dy = Beyond(p.Y, area.NorthWest.Y, area.SouthEast.Y);
        return Math.Sqrt((dx * dx) + (dy * dy));
    }
}
