using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on low voltage: it has a home, keeps its distance from power and shares no box with it.</summary>
internal static class LowVoltageChecks
{
    // A one-gang box is 2-1/4 in wide and 3-3/4 in high; nearer than that two of them are one.
    private static readonly Length BoxWide = Length.FromInches(2.5m);
    private static readonly Length BoxHigh = Length.FromInches(4);
    private static readonly Length EarthBetween = Length.FromFeet(1);

    public static IEnumerable<Tag> Check(Checked plan)
    {
        if (plan.LowVoltage.Outlets.IsEmpty)
        {
            return [];
        }

        var aside = new LowVoltageAside(plan.House, plan.Job, plan.Survey, plan.Circuits.SelectMany(c => c.Runs));
        return Homeless(plan).Concat(plan.LowVoltage.Outlets.SelectMany(o => OfPlace(plan, o, aside)))
            .Concat(plan.LowVoltage.Runs.SelectMany(r => OfWay(plan, r, aside))).Concat(AtHomes(plan));
    }

    private static IEnumerable<Tag> Homeless(Checked plan)
    {
        if (plan.LowVoltage.Homes.IsEmpty)
        {
            var count = plan.LowVoltage.Outlets.Length;
            yield return new(Severity.Amber, Stage.Boxes, Subject.LowVoltage(plan.LowVoltage.Outlets[0].Outlet.Id), "low voltage",
                "Low voltage has nowhere to go home to.",
                $"{count} outlet{(count == 1 ? " waits" : "s wait")} for a can or a shelf: set one where equipment will stand.")
            {
                Fixes = [.. CanByThePanel(plan) is { } can ? [new Fix("Set a can by the panel", new SetLowVoltageHome(can))]
                    : Array.Empty<Fix>()],
            };
            yield break;
        }

        foreach (var outlet in plan.LowVoltage.Outlets.Where(o => plan.LowVoltage.RunOf(o.Outlet.Id) is null))
        {
            yield return new(Severity.Red, Stage.Boxes, Subject.LowVoltage(outlet.Outlet.Id), "low voltage",
                $"{outlet.Name} has no way home.", "No can or shelf stands in its building, and no trench leads to it from one that has.");
        }
    }

    private static IEnumerable<Tag> OfPlace(Checked plan, PlacedLowVoltage outlet, LowVoltageAside aside)
    {
        if (outlet.Outlet.Mount != Mount.Wall)
        {
            yield break;
        }

        var (offset, half) = (outlet.Outlet.Offset, BoxWide / 2);
        if (outlet.Outlet.Kind != LowVoltageKind.AlarmContact && outlet.Room.Sides[outlet.Outlet.Wall - 1].Openings.FirstOrDefault(o =>
            offset + half > o.From && offset - half < o.To && outlet.Height < WallOpening.Head
            && (o.Opening.Kind != OpeningKind.Window || outlet.Height + BoxHigh > o.Opening.Sill)) is { } opening)
        {
            yield return new(Severity.Red, Stage.Boxes, Subject.LowVoltage(outlet.Outlet.Id), "framing",
                $"{outlet.Name} stands in a {Words.Of(opening.Opening.Kind)}.",
                $"The opening runs from {opening.From} to {opening.To}; the outlet is at {offset}, {outlet.Height} up.");
        }

        if (InTheBoxOf(plan, outlet) is { } box)
        {
            yield return new(Severity.Red, Stage.Boxes, Subject.LowVoltage(outlet.Outlet.Id), plan.Book.Cite(RuleId.LowVoltageBoxes),
                $"{outlet.Name} stands where {box.Name} stands.",
                "One box holds power or low voltage, not both, unless a barrier parts it. Give it a ring of its own.")
            {
                Fixes = [.. Aside(aside, outlet)],
            };
        }
    }

    private static PlacedBox? InTheBoxOf(Checked plan, PlacedLowVoltage outlet) => outlet.Outlet.Ring() is null ? null
        : plan.Survey.Boxes.FirstOrDefault(b => b.Box.Mount == Mount.Wall && outlet.Outlet.Mount == Mount.Wall
            && b.Box.Room == outlet.Outlet.Room && b.Box.Wall == outlet.Outlet.Wall && b.Box.Outside == outlet.Outlet.Outside
            && (b.Box.Offset - outlet.Outlet.Offset).Abs() < BoxWide * Math.Max(1, b.Gangs)
            && (b.Height - outlet.Height).Abs() < BoxHigh);

    private static IEnumerable<Tag> OfWay(Checked plan, LowVoltageRun run, LowVoltageAside aside)
    {
        var subject = Subject.LowVoltage(run.Outlet.Outlet.Id);
        if (run.Way.Blocked)
        {
            yield return new(Severity.Amber, Stage.Runs, subject, "framing", $"The way of {run.Outlet.Name} is blocked.",
                "What stands in the ceiling leaves no way around it. Move the outlet, or agree a way through with the other trade.");
        }

        // Where it stands in a box of power that is said already, and mended by the same act.
        if (InTheBoxOf(plan, run.Outlet) is null && run.Beside.Where(b => !b.IsAtHome).ToList() is [{ } worst, ..] beside)
        {
            var more = beside.Count > 1 ? $" and {beside.Count - 1} more" : "";
            yield return new(Severity.Amber, Stage.Boxes, subject, "house rule: low voltage from power",
                $"{run.Outlet.Name} lies beside power.",
                $"{worst.Apart} from the cable of {Circuit(plan, worst)}{more} for {worst.Long}; the crew keeps "
                    + $"{plan.Job.HouseRules.LowVoltageApart} and crosses at right angles. "
                    + (worst.IsAtOutlet ? "Take the next stud bay." : worst.IsUpright ? "Rise in another stud bay."
                        : "Hang it on its own side of the joists, or higher."))
            {
                Fixes = [.. worst.IsAtOutlet ? Aside(aside, run.Outlet) : []],
            };
        }

        // 830.47(B) and its like: earth between copper and power, or a pipe of its own; glass without metal may lie with it.
        if (run.Buried && run.Outlet.Outlet.Kind != LowVoltageKind.Fibre && plan.Job.Trenches.First(t =>
            t.From == plan.House.Structures[run.Home.Place.Structure].Structure.Id
            && t.To == plan.House.Structures[run.Outlet.Place.Structure].Structure.Id) is { DataPipe: null } trench)
        {
            yield return new(Severity.Red, Stage.Runs, subject, plan.Book.Cite(RuleId.DataInEarth),
                $"{run.Outlet.Name} has no pipe in the trench.",
                $"Copper lies {EarthBetween} of earth from the power, in a pipe of its own. Fibre without metal may lie beside it "
                    + $"({plan.Book.Cite(RuleId.FibreWithPower)}).")
            {
                Fixes = [new Fix($"Lay a pipe {EarthBetween} from the power", new SetTrench(trench.Id.Value, trench.Depth, EarthBetween,
                    trench.UnderDrive))],
            };
        }
    }

    // What crowds the bay of a can crowds every cable that comes to it: said once.
    private static IEnumerable<Tag> AtHomes(Checked plan) => plan.LowVoltage.Runs.SelectMany(r => r.Beside.Where(b => b.IsAtHome)
        .Select(b => (r.Home, Beside: b))).GroupBy(x => x.Home).Select(g => new Tag(Severity.Amber, Stage.Boxes,
            Subject.LowVoltageHome(g.Key.Home.Id), "house rule: low voltage from power", $"{g.Key.Name} stands beside power.",
            $"{g.Min(x => x.Beside.Apart)} from the cable of {Circuit(plan, g.MinBy(x => x.Beside.Apart).Beside)}; the crew keeps "
                + $"{plan.Job.HouseRules.LowVoltageApart}. Take the next stud bay."));

    private static string Circuit(Checked plan, BesidePower beside) => plan.Panels.SelectMany(p => p.Circuits)
        .FirstOrDefault(c => c.Runs.Any(r => r.Id == beside.Power)) is { } landed ? $"circuit {landed.Panel}{landed.SpaceText}" : "power";

    private static IEnumerable<Fix> Aside(LowVoltageAside aside, PlacedLowVoltage outlet)
    {
        if (aside.Nearest(outlet) is { } offset)
        {
            yield return new Fix($"Move it {(offset - outlet.Outlet.Offset).Abs()}", new MoveLowVoltage(outlet.Outlet.Id, offset));
        }
    }

    // Three feet to either side of the panel on the service, on the same wall.
    private static LowVoltageHome? CanByThePanel(Checked plan)
    {
        var panel = plan.Job.Panels.First(p => p.FedFrom is null);
        var side = plan.House.Room(panel.Room).Sides[panel.Wall - 1];
        var reach = Length.FromFeet(3);
        foreach (var offset in new[] { panel.Offset + reach, panel.Offset - reach })
        {
            if (offset >= Length.FromFeet(1) && offset <= side.Clear - Length.FromFeet(1)
                && !side.Openings.Any(o => offset + Length.FromFeet(1) > o.From && offset - Length.FromFeet(1) < o.To))
            {
                return new()
                {
                    Id = new(SetLowVoltageHome.FreeId(plan.Job)),
                    Room = panel.Room,
                    Wall = panel.Wall,
                    Offset = offset,
                };
            }
        }

        return null;
    }
}
