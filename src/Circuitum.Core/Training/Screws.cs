using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Training;

/// <summary>The screws and leads that a device has, whether anything belongs on them or not.</summary>
public static class Screws
{
    /// <summary>Every screw of a device, the ground last.</summary>
    /// <param name="device">The device.</param>
    /// <param name="isProtective">It protects what hangs on its LOAD screws.</param>
    /// <param name="supply">What the house is supplied with.</param>
    /// <param name="split">A receptacle with a leg on either half.</param>
    public static ImmutableArray<TerminalKind> Of(Device device, bool isProtective, SupplySystem supply, bool split = false) =>
        split && device.Kind == DeviceKind.Duplex
        ? [TerminalKind.Hot, TerminalKind.SecondLeg, TerminalKind.Neutral, TerminalKind.Ground]
        : [.. Live(device.Kind, isProtective, device.Plate, supply), TerminalKind.Ground];

    private static TerminalKind[] Live(DeviceKind kind, bool isProtective, Nameplate? plate, SupplySystem supply) => kind switch
    {
        DeviceKind.JointBox => [],
        _ when isProtective => [TerminalKind.Hot, TerminalKind.Neutral, TerminalKind.LoadHot, TerminalKind.LoadNeutral],
        DeviceKind.HalfSwitched => [TerminalKind.Hot, TerminalKind.SwitchedHalf, TerminalKind.Neutral],
        DeviceKind.ThreeWay => [TerminalKind.Common, TerminalKind.TravelerOne, TerminalKind.TravelerTwo],
        DeviceKind.FourWay => [TerminalKind.TravelerOne, TerminalKind.TravelerTwo, TerminalKind.OutOne, TerminalKind.OutTwo],
        DeviceKind.Disconnect => [TerminalKind.SwitchIn, TerminalKind.SecondLeg, TerminalKind.SwitchOut, TerminalKind.SecondOut],
        DeviceKind.Timer or DeviceKind.OccupancySensor => [TerminalKind.SwitchIn, TerminalKind.SwitchOut, TerminalKind.Neutral],
        DeviceKind.Dimmer => [TerminalKind.SwitchIn, TerminalKind.SwitchOut, TerminalKind.Common, TerminalKind.TravelerOne,
            TerminalKind.TravelerTwo],
        _ when kind.IsSwitch() => [TerminalKind.SwitchIn, TerminalKind.SwitchOut],
        DeviceKind.CeilingFan => [TerminalKind.Hot, TerminalKind.FanHot, TerminalKind.Neutral],
        _ when kind.IsAlarm() || kind == DeviceKind.IndoorHead => [TerminalKind.Hot, TerminalKind.Neutral, TerminalKind.Signal],
        _ when plate is not null && supply.IsAcross(plate.Volts) => plate.Neutral
            ? [TerminalKind.Hot, TerminalKind.SecondLeg, TerminalKind.Neutral] : [TerminalKind.Hot, TerminalKind.SecondLeg],
        _ => [TerminalKind.Hot, TerminalKind.Neutral],
    };
}
