using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Checks;

/// <summary>Tags on what parts a garage from the rooms of its house.</summary>
internal static class GarageChecks
{
    public static IEnumerable<Tag> Check(Checked plan)
    {
        foreach (var garage in plan.House.Rooms.Where(r => r.Room.Use == RoomUse.Garage))
        {
            foreach (var way in Doorways.Of(plan.House, garage).Where(w => w.Other?.Room.Use == RoomUse.Bedroom))
            {
                yield return new(Severity.Red, Stage.House, Subject.Opening(way.Opening.Opening.Id), plan.Book.Cite(RuleId.GarageDoors),
                    $"A {Words.Of(way.Opening.Opening.Kind)} leads from {garage.Room.Name} into {way.Other!.Room.Name}, where people "
                        + "sleep.",
                    "No opening of a garage leads straight into a bedroom. Ask whoever drew the house before anything is roped.");
            }
        }
    }
}
