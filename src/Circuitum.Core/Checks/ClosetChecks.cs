using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Luminaires in closets clear of the storage space, 410.16: 12 in over shelf and rod for a surface one, 6 in for a recessed
/// one.</summary>
internal static class ClosetChecks
{
    // Storage reaches at least this far from the wall of the rod, and higher up as far as the shelf or 12 in, 410.2.
    private static readonly Length Storage = Length.FromInches(12);

    public static IEnumerable<Tag> Check(Checked plan)
    {
        foreach (var box in plan.Survey.Boxes.Where(b => b.Room.Room.Use == RoomUse.Closet && !b.Box.Outside && b.HasLight))
        {
            var shelves = box.Room.Room.Fixtures.Where(f => f.Kind == FixtureKind.Shelf).ToList();
            if (shelves.Count == 0)
            {
                continue;
            }

            var clear = Length.FromInches(box.Box.Devices.Any(d => d.Kind == DeviceKind.Can) ? 6 : 12);
            var at = box.Place.At.Plan;
            var near = shelves.Min(s => Outline
                .Nearest(box.Room.Footprint(s with { Depth = Length.Max(s.Depth, Storage) }),
                    at).At(Length.Zero).StraightTo(at.At(Length.Zero)));
            if (near < clear)
            {
                yield return new(Severity.Red, Stage.Boxes, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.ClosetLight),
                    $"{box.Name} is too near the storage of {box.Room.Room.Name}.",
                    $"{near.Taped(Length.FromInches(.5m))} from the shelf’s storage space; {clear} for one {(clear > Length.FromInches(6)
                        ? "on the surface, enclosed, 6 in for one that is recessed" : "that is recessed")}.");
            }
        }
    }
}
