using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>What covers the boxes and what the breakers stand in, as a supply house asks for it.</summary>
internal static class TrimMaterial
{
    private const string InUse = "In-use cover";

    /// <summary>Plates by their gangs, covers outdoors, plates of large receptacles.</summary>
    public static IEnumerable<MaterialLine> Of(Plan plan, IEnumerable<PlaceMaterial> places) =>
        Hardware.Counted(places.Select(p => p.Cover).OfType<string>(), "one a box").Select(l => !l.Item.StartsWith(InUse,
            StringComparison.Ordinal)
            ? l : l with { For = $"outdoor receptacles, closed with a cord in, {plan.Book.Cite(RuleId.WetListed)}" });

    /// <summary>Panels that do not stand there yet, with what each is bought by.</summary>
    public static IEnumerable<MaterialLine> Panels(Plan plan) => plan.Panels.Where(p => !p.Panel.Existing)
        .Select(p => new MaterialLine($"Panel {p.Panel.Id}, {p.Panel.Rating}, {(p.Panel.Listing.MainLugs ? "main lugs" : "main breaker")}, "
            + $"{p.Panel.Spaces} spaces", "each", 1, $"{p.Where}; at least {p.Circuits.Length} neutral and ground terminals"));

    /// <summary>A receptacle of an appliance's own by its rating and wires: a 40 A circuit may have one of 50 A, no other size goes up
    /// (Table 210.21(B)(3)). The configurations are those of ANSI/NEMA WD 6.</summary>
    public static string Receptacle(Nameplate plate, Amps breaker, CodeBook book)
    {
        var rating = breaker.Value switch { <= 20 => 20, <= 30 => 30, <= 50 => 50, _ => 60 };
        return !book.Supply.IsAcross(plate.Volts) ? $"Receptacle {rating} A, 125 V, three wires (5-{rating})"
            : plate.Neutral ? $"Receptacle {rating} A, 125/250 V, four wires (14-{rating})"
            : $"Receptacle {rating} A, 250 V, three wires (6-{rating})";
    }

    /// <summary>What covers a place; null where a lamp or a machine does.</summary>
    public static string? Cover(PlacedBox box)
    {
        var devices = box.Box.Devices;
        var gangs = devices.Length;
        return box.IsJoint ? box.Gangs == 0 ? "Blank cover, square or round" : "Blank wall plate, 1 gang"
            : devices.Any(d => d.Kind is DeviceKind.Equipment or DeviceKind.Disconnect || d.Kind.IsLight() || d.Kind.IsAlarm()
                || d.Kind.IsFan()) ? null
            : devices.Any(d => d.Kind == DeviceKind.ApplianceReceptacle) ? "Wall plate for a large receptacle"
            : box.Box.Mount == Mount.Floor ? "Floor box cover"
            : box.Box.Mount == Mount.Ceiling ? "Ceiling plate, 1 gang"
            : box.Box.Outside && devices.Any(d => d.Kind.IsReceptacle()) ? $"{InUse}, {gangs} gang{(gangs == 1 ? "" : "s")}"
            : $"Wall plate, {gangs} gang{(gangs == 1 ? "" : "s")}";
    }
}
