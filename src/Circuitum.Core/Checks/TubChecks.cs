using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on what is too near to a tub or shower: receptacles, switches, fans and what hangs.</summary>
internal static class TubChecks
{
    // Straight over, and 3 ft around: 410.10(D).
    private static readonly Length Around = Length.FromFeet(3);

    // Nothing hangs lower than 8 ft above the rim of a tub, which stands some 20 in high, or the threshold of a shower.
    private static readonly Length OverRim = Length.FromFeet(8), Rim = Length.FromInches(20), Threshold = Length.FromInches(4);

    public static IEnumerable<Tag> Check(Checked plan) => Receptacles(plan).Concat(Switches(plan)).Concat(Hanging(plan));

    private static IEnumerable<Tag> Receptacles(Checked plan) => !plan.Book.Outlets.KeepsReceptaclesOffTubs ? [] : plan.Survey.Boxes
        .Where(b => b.Room.Room.Use == RoomUse.Bath && !b.Box.Outside && b.Box.Mount == Mount.Wall && b.Height < OverRim
            && b.Box.Devices.Any(d => d.Kind.IsReceptacle()))
        .Where(b => RequiredOutlets.InTubZone(b.Room, b.Room.Sides[b.Box.Wall - 1].At(b.Box.Offset), plan.Book.Outlets))
        .Select(b => RequiredOutlets.HasPlaceOffTub(b.Room, plan.Book.Outlets)
            ? new Tag(Severity.Red, Stage.Boxes, Subject.Box(b.Box.Id), plan.Book.Cite(RuleId.OffTubs),
                $"{b.Name} is within {plan.Book.Outlets.OffTubs} of the tub or shower.",
                "Measured straight across the floor, up to 8 ft high. Move it along the wall.")
            : new Tag(Severity.Amber, Stage.Boxes, Subject.Box(b.Box.Id), plan.Book.Cite(RuleId.OffTubs),
                $"{b.Name} is within {plan.Book.Outlets.OffTubs} of the tub or shower, in a bath too small for another place.",
                $"No wall within {plan.Book.Outlets.BasinReach} of the basin is farther off. An exception lets it stand on the farthest "
                    + "wall of the room: ask the authority."));

    // In the space itself: a wall beside the tub, not the one across the room.
    private static IEnumerable<Tag> Switches(Checked plan) => plan.Survey.Boxes
        .Where(b => b.Box is { Outside: false, Mount: Mount.Wall } && b.Height < OverRim && b.Box.Devices.Any(d => d.Kind.IsSwitch())
            && b.Room.Tubs.Any(f => b.Room.Off(f, b.Room.Sides[b.Box.Wall - 1].At(b.Box.Offset)) < Length.FromInches(1)))
        .Select(b => new Tag(Severity.Red, Stage.Boxes, Subject.Box(b.Box.Id), plan.Book.Cite(RuleId.TubSwitches),
            $"{b.Name} is in the space of the tub or shower.",
            "None stands there, unless it is part of the tub and listed with it. Move it along the wall."));

    private static IEnumerable<Tag> Hanging(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.Box.Mount == Mount.Ceiling
            && b.Box.Devices.Any(d => d.Kind is DeviceKind.CeilingFan or DeviceKind.Pendant)))
        {
            var ceiling = plan.House.LevelOf(box.Room.Room.Id).Level.CeilingHeight;
            var under = box.Room.Tubs.FirstOrDefault(f => box.Room.Off(f, box.Place.At.Plan) < Around
                && ceiling < OverRim + (f.Kind == FixtureKind.Tub ? Rim : Threshold));
            if (under is not null)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.TubLights),
                    $"{box.Name} hangs over the tub or shower.",
                    $"No fan and no pendant within {Around} of it and {OverRim} above its rim; the ceiling is at {ceiling}. Move it, or "
                        + "take a lamp that is fixed to the ceiling.");
            }
        }
    }
}
