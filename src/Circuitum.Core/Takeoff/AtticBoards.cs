using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>What carries and guards cable over the bottom chords of trusses: boards, one for all that go the same line, and strips on
/// both sides of it where people come up (320.23(A), 334.23).</summary>
internal static class AtticBoards
{
    /// <summary>Their lines; none where no cable crosses trusses.</summary>
    public static IEnumerable<MaterialLine> Of(Plan plan)
    {
        var attics = plan.House.Levels.Where(l => l.Level.CeilingJoists.Kind == JoistKind.RoofTruss)
            .Select(l => (Level: l, Ways: Ways(l), Lines: Lines(plan, l))).ToList();
        var feet = attics.SelectMany(a => a.Lines).Select(line => line.Select(s => (s.From, s.To)).Covered()).Total();
        if (feet == Length.Zero)
        {
            yield break;
        }

        yield return Hardware.Long(plan, "Running boards, 1×4", feet,
            $"over the bottom chords of trusses, which are never bored, {plan.Book.Cite(RuleId.TrussesUncut, RuleId.CableInAttics)}");
        if (plan.Book.Framing.GuardedFromHatch is not { } near)
        {
            yield break;
        }

        var guarded = attics.SelectMany(a => a.Lines.Select(line => Guarded(line, a.Ways, RunsEast(a.Level), near.Length).Covered()))
            .Total() * 2;
        if (guarded > Length.Zero)
        {
            yield return Hardware.Long(plan, "Guard strips beside cable in the attic", guarded, "on both sides, as high as the cable: "
                + (attics.Exists(a => a.Ways.Count > 0) ? $"within {near} of a hatch, everywhere where a ladder leads up"
                    : $"no hatch is drawn, so everywhere, as where a ladder leads up; with a hatch alone within {near} of it")
                + $", {plan.Book.Cite(RuleId.CableInAttics)}");
        }
    }

    private static List<(FixtureKind Kind, (Point NorthWest, Point SouthEast) At)> Ways(FramedLevel level) =>
        [.. level.Rooms.SelectMany(r => r.Room.Fixtures.Where(f => f.Kind is FixtureKind.AtticHatch or FixtureKind.AtticLadder)
            .Select(f => (f.Kind, r.Footprint(f))))];

    // The part of a line that lies so near to a hatch; all of it where one comes up by a ladder, or where nobody has said how.
    private static IEnumerable<(Length From, Length To)> Guarded(List<Stretch> line,
        List<(FixtureKind Kind, (Point NorthWest, Point SouthEast) At)> ways, bool east, Length near)
    {
        if (ways.Count == 0 || ways.Exists(w => w.Kind == FixtureKind.AtticLadder))
        {
            return line.Select(s => (s.From, s.To));
        }

        return line.SelectMany(s => ways
            .Select(w => east ? (A: w.At.NorthWest.X, B: w.At.SouthEast.X, C: w.At.NorthWest.Y, D: w.At.SouthEast.Y)
                : (A: w.At.NorthWest.Y, B: w.At.SouthEast.Y, C: w.At.NorthWest.X, D: w.At.SouthEast.X))
            .Where(w => s.At > w.C - near && s.At < w.D + near)
            .Select(w => (From: Length.Max(s.From, w.A - near), To: Length.Min(s.To, w.B + near))).Where(x => x.From < x.To));
    }

    // Cable that crosses the trusses of one level, by lines a stud's spacing wide.
    private static List<List<Stretch>> Lines(Plan plan, FramedLevel level)
    {
        var (east, z) = (RunsEast(level), level.Ceiling + (level.Level.CeilingJoists.Depth / 2));
        return [.. plan.Circuits.SelectMany(c => c.Runs).Where(r => r.Pipe is null && r.From.Place.Structure == level.Structure)
            .SelectMany(r => r.Way.Legs).Where(l => l.Space is Space.Attic or Space.Joists && l.From.Z == z)
            .Select(l => east ? new Stretch(Length.Min(l.From.X, l.To.X), Length.Max(l.From.X, l.To.X), l.From.Y)
                : new Stretch(Length.Min(l.From.Y, l.To.Y), Length.Max(l.From.Y, l.To.Y), l.From.X))
            .Where(s => s.From < s.To).GroupBy(s => s.At.Sixtyfourths / WallFrame.UsualSpacing.Sixtyfourths).Select(g => g.ToList())];
    }

    // Across the trusses.
    private static bool RunsEast(FramedLevel level) => level.Level.CeilingJoists.Run == JoistRun.NorthSouth;

    private readonly record struct Stretch(Length From, Length To, Length At);
}
