using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>What each kind of outlet takes: its cable, its ring, its usual height. Typical of what the trade pulls; the maker's word goes
/// before it.</summary>
public static class LowVoltageKinds
{
    /// <summary>The cable, as it is bought.</summary>
    public static string Cable(this LowVoltageKind kind) => kind switch
    {
        LowVoltageKind.Fibre => "Fibre, two strands, without metal",
        LowVoltageKind.Coax => "Coax RG-6",
        LowVoltageKind.Speaker => "Speaker wire 16-2",
        LowVoltageKind.Doorbell => "Bell wire 18-2",
        LowVoltageKind.Thermostat => "Thermostat wire 18-8",
        LowVoltageKind.AlarmContact => "Alarm wire 22-4",
        LowVoltageKind.EmptyChase => "Flexible raceway 1-1/4 in, with a pull cord",
        _ => "Data cable, category 6",
    };

    /// <summary>Its outside diameter.</summary>
    public static Length Diameter(this LowVoltageKind kind) => Length.FromInches(kind switch
    {
        LowVoltageKind.EmptyChase => 1.66m,
        LowVoltageKind.Coax => 0.28m,
        LowVoltageKind.Speaker or LowVoltageKind.Thermostat => 0.3m,
        _ => 0.25m,
    });

    /// <summary>What is set into the frame for it; null where the cable comes out of a small hole.</summary>
    public static string? Ring(this LowVoltageOutlet outlet) => outlet.Kind switch
    {
        LowVoltageKind.Doorbell or LowVoltageKind.Thermostat or LowVoltageKind.AlarmContact => null,
        LowVoltageKind.Speaker when outlet.Mount == Mount.Ceiling => "Ring for a speaker in a ceiling",
        LowVoltageKind.Camera => "Round box for a camera, with a cover",
        LowVoltageKind.EmptyChase => "Two-gang low-voltage ring",
        _ => "One-gang low-voltage ring",
    };

    /// <summary>What covers it at trim; null where a device of its own does.</summary>
    public static string? Cover(this LowVoltageOutlet outlet) => outlet.Kind switch
    {
        LowVoltageKind.Data => $"Plate with {Jacks(outlet.Cables, "data jack")}",
        LowVoltageKind.Fibre => $"Plate with {Jacks(outlet.Cables, "fibre jack")}",
        LowVoltageKind.Coax => $"Plate with {Jacks(outlet.Cables, "coax jack")}",
        LowVoltageKind.EmptyChase => "Two-gang pass-through plate",
        _ => null,
    };

    /// <summary>Floor to the bottom of its ring, as usual.</summary>
    public static Length UsualHeight(this LowVoltageKind kind, HouseRules rules) => kind switch
    {
        LowVoltageKind.Speaker or LowVoltageKind.AlarmContact => Length.FromInches(80),
        LowVoltageKind.Doorbell => Length.FromInches(44),
        LowVoltageKind.Thermostat or LowVoltageKind.EmptyChase => Length.FromInches(60),
        LowVoltageKind.Camera => Length.FromInches(90),
        _ => rules.ReceptacleHeight,
    };

    /// <summary>Metal that power beside it could be heard on: all but glass and an empty chase.</summary>
    public static bool IsCopper(this LowVoltageKind kind) => kind is not (LowVoltageKind.Fibre or LowVoltageKind.EmptyChase);

    /// <summary>It usually stands on the outer face of its wall.</summary>
    public static bool IsOutdoors(this LowVoltageKind kind) => kind is LowVoltageKind.Doorbell or LowVoltageKind.Camera;

    private static string Jacks(int count, string jack) => count == 1 ? $"one {jack}" : $"{count} {jack}s";
}
