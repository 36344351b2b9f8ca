using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>Makes outlets of low voltage, and cans and shelves, from what a person picks off the list.</summary>
public static class NewLowVoltage
{
    private const string Outlet = "low:";
    private const string Home = "low-home:";

    /// <summary>The list to pick from: value and words.</summary>
    public static IReadOnlyList<(string Value, string Words)> List { get; } =
    [
        .. Enum.GetValues<LowVoltageKind>().Select(k => (Outlet + k, Words.Of(k))),
        .. Enum.GetValues<LowVoltageHomeKind>().Select(k => (Home + k, $"{Words.Of(k)} that it goes home to")),
    ];

    /// <summary>The pick is low voltage, not a box of power.</summary>
    public static bool Is(string? kind) => kind is not null
        && (kind.StartsWith(Outlet, StringComparison.Ordinal) || kind.StartsWith(Home, StringComparison.Ordinal));

    /// <summary>Sets it on a wall.</summary>
    public static JobChange OnWall(Job job, RoomId room, int wall, Length offset, string kind, bool outside)
    {
        if (kind.StartsWith(Home, StringComparison.Ordinal))
        {
            return new SetLowVoltageHome(new()
            {
                Id = new(SetLowVoltageHome.FreeId(job)),
                Kind = Entry.Choice<LowVoltageHomeKind>(kind[Home.Length..]),
                Room = room,
                Wall = wall,
                Offset = offset,
            });
        }

        var made = Entry.Choice<LowVoltageKind>(kind[Outlet.Length..]);
        return new SetLowVoltage(new()
        {
            Id = new(SetLowVoltage.FreeId(job)),
            Kind = made,
            Room = room,
            Wall = wall,
            Offset = offset,
            Outside = outside || made.IsOutdoors(),
        });
    }

    /// <summary>Sets it on a ceiling.</summary>
    /// <exception cref="ChangeRefusedException">It stands on a wall.</exception>
    public static JobChange Over(Job job, RoomId room, Length x, Length y, string kind)
    {
        LowVoltageKind? made = kind.StartsWith(Home, StringComparison.Ordinal) ? null
            : Entry.Choice<LowVoltageKind>(kind[Outlet.Length..]);
        if (made is not (LowVoltageKind.Speaker or LowVoltageKind.Camera or LowVoltageKind.Data or LowVoltageKind.Fibre
            or LowVoltageKind.Coax))
        {
            throw new ChangeRefusedException("That stands on a wall: click nearer to one.");
        }

        return new SetLowVoltage(new()
        {
            Id = new(SetLowVoltage.FreeId(job)),
            Kind = made.Value,
            Room = room,
            Mount = Mount.Ceiling,
            X = x,
            Y = y,
        });
    }
}
