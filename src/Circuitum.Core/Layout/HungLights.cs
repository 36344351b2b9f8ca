using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Layout;

/// <summary>Pendants and recessed lights have no chain to pull: where a room's own light has its switch, they want one of theirs.</summary>
internal static class HungLights
{
    public static IEnumerable<Owed> Find(Draft draft)
    {
        foreach (var room in draft.House.Rooms)
        {
            var lit = draft.In(room.Room.Id).Where(b => !b.Outside && !draft.Controlled.Contains(b.Id)
                    && b.Devices.Any(d => d.Kind is DeviceKind.Pendant or DeviceKind.Can))
                .Select(b => b.Id).OrderBy(id => id.Value, StringComparer.Ordinal).ToImmutableArray();
            // A room without a switched light is owed one, and that one takes these.
            if (lit.IsEmpty || !SwitchedLights.Of(draft, room).Any())
            {
                continue;
            }

            yield return new(room.Room.Id, "lighting", $"{room.Room.Name}: {(lit.Length == 1 ? "a pendant or recessed light has"
                : $"{lit.Length} pendants or recessed lights have")} no switch.",
                "Lit as long as the breaker is on. Place a switch beside the room’s own, or name them in one that is there.",
                d => SwitchedLights.PlaceSwitch(d, room, lit))
            {
                Severity = Severity.Amber,
                Part = "hung",
                On = Subject.Box(lit[0]),
                Act = lit.Length == 1 ? "Place its switch" : "Place their switch",
            };
        }
    }
}
