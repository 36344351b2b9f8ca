namespace Circuitum.Core.Jobs;

/// <summary>Families of devices.</summary>
public static class DeviceKinds
{
    /// <summary>Any switch.</summary>
    public static bool IsSwitch(this DeviceKind kind) => kind is DeviceKind.Switch or DeviceKind.Dimmer or DeviceKind.ThreeWay or DeviceKind.FourWay;

    /// <summary>A lighting outlet.</summary>
    public static bool IsLight(this DeviceKind kind) => kind is DeviceKind.Lamp or DeviceKind.Can or DeviceKind.Pendant or DeviceKind.VanityLight
        or DeviceKind.ClosetLight or DeviceKind.OutdoorLight;

    /// <summary>A receptacle, general or for one appliance.</summary>
    public static bool IsReceptacle(this DeviceKind kind) => kind is DeviceKind.Duplex or DeviceKind.Single or DeviceKind.GfciReceptacle or DeviceKind.ApplianceReceptacle;
}
