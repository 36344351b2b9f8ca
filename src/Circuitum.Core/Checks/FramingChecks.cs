using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Holes no larger than the timber bears: joists by a third of their depth and 2 in from the edges (R502.8.1), the web of an
/// I-joist between its flanges (R502.8.2), studs by 40 per cent of their depth, since every wall may bear (R602.6); and cable that is too
/// thick for the chase it goes into.</summary>
internal static class FramingChecks
{
    private static readonly Length Flange = Length.FromInches(1.5m);

    public static IEnumerable<Tag> Check(Checked plan)
    {
        var runs = plan.Circuits.SelectMany(c => c.Runs.Select(r => (c.Sized, Run: r))).ToDictionary(r => r.Run.Id);
        Length Bit(Hole hole) => HoleSizes.Of(hole, id => runs.TryGetValue(id, out var found) ? (found.Sized, found.Run) : null);
        var holes = plan.Holes.All.Where(h => h.Spot.Kind is MemberKind.Joist or MemberKind.Stud).Select(h => (Hole: h, Bit: Bit(h)))
            .ToList();
        foreach (var group in holes.Where(h => h.Hole.Spot.Kind == MemberKind.Joist)
            .GroupBy(h => (h.Hole.Spot.Structure, h.Hole.Spot.Level)).OrderBy(g => g.Key))
        {
            var (level, joists, under) = BoredJoists.Of(plan.House, group.First().Hole.Spot);
            var most = Most(joists, plan.Book.Framing);
            if (group.Where(h => h.Bit > most).ToList() is { Count: > 0 } large)
            {
                yield return OfJoists(plan, level.Level, joists, under, most, large.Count, large.Max(h => h.Bit));
            }
        }

        foreach (var group in holes.Where(h => h.Hole.Spot.Kind == MemberKind.Stud)
            .Select(h => (h.Bit, Level: plan.House.Structures[h.Hole.Spot.Structure].Levels[h.Hole.Spot.Level], h.Hole.Spot.Member))
            .Where(h => h.Level.Walls[h.Member].Frame.IsWood && h.Bit > MostIn(h.Level.Walls[h.Member].Frame, plan.Book.Framing))
            .GroupBy(h => (h.Level.Level.Id, Depth: h.Level.Walls[h.Member].Frame.StudDepth)))
        {
            yield return new(Severity.Red, Stage.Runs, Subject.Level(group.Key.Id), plan.Book.Cite(RuleId.StudHoles),
                $"{group.Count()} holes of {group.Max(h => h.Bit)} are too large for studs of {group.Key.Depth}.",
                $"At most {plan.Book.Framing.OfStud} of a stud that bears, {plan.Book.Framing.OfStud.Share(group.Key.Depth)}, and "
                    + $"{plan.Book.Framing.FromStudEdge} from its edges. Go "
                    + "overhead or below, or through a deeper wall.");
        }

        foreach (var tight in plan.Holes.All.Where(h => h.Spot.Kind is MemberKind.Plate or MemberKind.Corner)
            .Select(h => (Bit: Bit(h), Wall: plan.House.Structures[h.Spot.Structure].Levels[h.Spot.Level].Walls[h.Spot.Member]))
            .Where(h => h.Wall.Frame.Framing == WallFraming.InsulatedPanel && h.Bit > h.Wall.Frame.ChaseWidth)
            .GroupBy(h => (Room: h.Wall.Rooms[0], h.Wall.Frame.ChaseWidth)))
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Room(tight.Key.Room), "framing",
                $"Cable that wants {tight.Max(h => h.Bit)} goes into a chase of {tight.Key.ChaseWidth}.",
                $"{tight.Count()} hole{(tight.Count() == 1 ? "" : "s")} into the insulated panels of "
                    + $"{plan.House.Room(tight.Key.Room).Room.Name}. Have the panels made with a wider chase, or bring it another way.");
        }
    }

    /// <summary>The largest hole that joists take; nothing where they are too shallow for any.</summary>
    public static Length Most(Joists joists, FramingRules rules) => joists.Kind == JoistKind.IJoist ? Length.Max(Length.Zero,
        joists.Depth - (Flange * 2))
        : Length.Max(Length.Zero, Length.Min(rules.OfJoist.Share(joists.Depth), joists.Depth - (rules.FromJoistEdge.Length * 2)));

    private static Length MostIn(WallFrame frame, FramingRules rules) =>
        Length.Min(rules.OfStud.Share(frame.StudDepth), frame.StudDepth - (rules.FromStudEdge.Length * 2));

    private static Tag OfJoists(Checked plan, Level level, Joists joists, bool under, Length most, int count, Length bit)
    {
        var timber = joists.Kind == JoistKind.Sawn;
        return new(Severity.Red, Stage.Runs, Subject.Level(level.Id), plan.Book.Cite(timber ? RuleId.JoistHoles : RuleId.MadeJoistHoles),
            $"{count} holes of {bit} are too large for the {Words.Of(joists.Kind)} {(under ? "under" : "over")} {level.Name}.",
            timber ? $"At most {plan.Book.Framing.OfJoist} of {joists.Depth}, {plan.Book.Framing.FromJoistEdge} from both edges: "
                + $"{(most > Length.Zero ? most.ToString() : "no hole at all")}. Fewer cables to a hole, or another way."
                : $"Its web is {most} between flanges, which are never cut; the maker's chart says where.")
        {
            Fixes = timber && !under && level.AtticAbove
                ? [new("They are roof trusses", new SetLevel(level.Id, level.Name, level.CeilingHeight,
                    joists with { Kind = JoistKind.RoofTruss }, level.FloorJoists, level.AtticAbove, level.AmbientAbove, level.AmbientBelow)
                {
                    Basement = level.Basement,
                    NeverFinished = level.NeverFinished,
                })] : [],
        };
    }
}
