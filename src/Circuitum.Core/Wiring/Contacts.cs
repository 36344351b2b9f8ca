using Circuitum.Core.Jobs;

namespace Circuitum.Core.Wiring;

/// <summary>Which screws a device joins inside itself. Each has the contacts of its kind and no others: a three-way wired where a four-way
/// belongs joins nothing.</summary>
public static class Contacts
{
    /// <summary>The pairs of screws that are joined in a position of the device.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="thrown">It is thrown: a switch is on, a three-way joins its common with its second traveler, a four-way
    /// crosses.</param>
    public static IEnumerable<(TerminalKind One, TerminalKind Other)> Closed(DeviceKind kind, bool thrown)
    {
        if (thrown || kind == DeviceKind.Disconnect)
        {
            yield return (TerminalKind.SwitchIn, TerminalKind.SwitchOut);
            yield return (TerminalKind.SecondLeg, TerminalKind.SecondOut);
        }

        if (kind is DeviceKind.ThreeWay or DeviceKind.Dimmer)
        {
            yield return (TerminalKind.Common, thrown ? TerminalKind.TravelerTwo : TerminalKind.TravelerOne);
        }

        if (kind == DeviceKind.FourWay)
        {
            yield return (TerminalKind.TravelerOne, thrown ? TerminalKind.OutTwo : TerminalKind.OutOne);
            yield return (TerminalKind.TravelerTwo, thrown ? TerminalKind.OutOne : TerminalKind.OutTwo);
        }
    }
}
