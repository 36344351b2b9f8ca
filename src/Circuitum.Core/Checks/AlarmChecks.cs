using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Checks;

/// <summary>Tags on smoke alarms that would cry without a fire.</summary>
internal static class AlarmChecks
{
    public static IEnumerable<Tag> Check(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.HasAlarm && !b.Box.Outside))
        {
            var at = box.Place.At.Plan;
            if (AlarmPlaces.NearRange(plan.House, box.Room, at) is not null)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.AlarmPlaces),
                    $"{box.Name} is within {AlarmPlaces.OffCooking} of the range.",
                    "No kind may be nearer, measured across the floor; from 6 to 20 ft it is a photoelectric one. Move it.");
            }
            else if (AlarmPlaces.NearBath(plan.House, box.Room, at) is { } bath)
            {
                yield return new(Severity.Amber, Stage.Boxes, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.AlarmPlaces),
                    $"{box.Name} is within {AlarmPlaces.OffBaths} of the door of {bath.Room.Name}.",
                    "Steam sets it off. It may stand there only where the place that is asked for leaves no other. Move it.");
            }
        }
    }
}
