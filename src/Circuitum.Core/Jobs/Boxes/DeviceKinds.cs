namespace Circuitum.Core.Jobs;

/// <summary>Families of devices.</summary>
public static class DeviceKinds
{
    /// <summary>Any switch.</summary>
    public static bool IsSwitch(this DeviceKind kind) => kind is DeviceKind.Switch or DeviceKind.Dimmer or DeviceKind.ThreeWay
        or DeviceKind.FourWay
        or DeviceKind.Timer or DeviceKind.FanControl or DeviceKind.OccupancySensor or DeviceKind.Disconnect;

    /// <summary>A lighting outlet.</summary>
    public static bool IsLight(this DeviceKind kind) => kind is DeviceKind.Lamp or DeviceKind.Can or DeviceKind.Pendant
        or DeviceKind.VanityLight
        or DeviceKind.ClosetLight or DeviceKind.OutdoorLight or DeviceKind.Strip or DeviceKind.Flood;

    /// <summary>A receptacle, general or for one appliance.</summary>
    public static bool IsReceptacle(this DeviceKind kind) => kind.IsGeneralReceptacle() || kind == DeviceKind.ApplianceReceptacle;

    /// <summary>A 125 V receptacle for whatever is plugged in.</summary>
    public static bool IsGeneralReceptacle(this DeviceKind kind) => kind is DeviceKind.Duplex or DeviceKind.Single
        or DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle or DeviceKind.HalfSwitched;

    /// <summary>Equipment that brings power instead of taking it: it is no load and no outlet.</summary>
    public static bool BringsPower(this Appliance appliance) => appliance is Appliance.GeneratorInlet or Appliance.SolarInverter;

    /// <summary>An interconnected alarm.</summary>
    public static bool IsAlarm(this DeviceKind kind) => kind is DeviceKind.SmokeAlarm or DeviceKind.SmokeCoAlarm;

    /// <summary>A fan.</summary>
    public static bool IsFan(this DeviceKind kind) => kind is DeviceKind.CeilingFan or DeviceKind.BathFan;

    /// <summary>A box with nothing but joints under a blank cover.</summary>
    public static bool HoldsOnlyJoints(this Box box) => box.Devices.All(d => d.Kind == DeviceKind.JointBox);

    /// <summary>Hangs on a ceiling when it is set into a room and not on its wall.</summary>
    public static bool IsOverhead(this DeviceKind kind) => kind.IsLight() || kind.IsAlarm() || kind.IsFan();

    /// <summary>Boxes that a disconnect among these shuts off.</summary>
    public static HashSet<BoxId> ShutOff(this IEnumerable<Box> boxes) =>
        [.. boxes.SelectMany(b => b.Devices.Where(d => d.Kind == DeviceKind.Disconnect).SelectMany(d => d.Controls))];
}
