using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on panels: where they stand and what lands in them.</summary>
internal static class PanelChecks
{
    public static IEnumerable<Tag> Check(Checked plan) => plan.Panels.SelectMany(p => Standing(plan, p.Panel).Concat(Spaces(p)).Concat(Supply(plan, p))).Concat(ServiceChecks.Check(plan));

    private static IEnumerable<Tag> Standing(Checked plan, Panel panel)
    {
        var room = plan.House.Room(panel.Room);
        var subject = Subject.Panel(panel.Id);
        if (room.Room.Use is RoomUse.Bath or RoomUse.Closet or RoomUse.Stair or RoomUse.Sauna)
        {
            var section = room.Room.Use switch { RoomUse.Closet => "240.24(D)", RoomUse.Stair => "240.24(F)", _ => "240.24(E)" };
            yield return new(Severity.Red, Stage.Panel, subject, section, $"Panel {panel.Id} may not stand in a {Words.Of(room.Room.Use)}.", "Not in bathrooms, clothes closets or over stair treads. Move it.");
        }

        if (panel.Top > Length.FromInches(82))
        {
            yield return new(Severity.Red, Stage.Panel, subject, "240.24(A)", $"Panel {panel.Id} is too high to reach.", $"Its top is at {panel.Top}; the highest handle at most 6'-7\".");
        }

        foreach (var tag in WorkingSpace.Check(plan, room, panel))
        {
            yield return tag;
        }
    }

    private static IEnumerable<Tag> Spaces(PanelSchedule schedule)
    {
        var id = schedule.Panel.Id;
        foreach (var landed in schedule.Circuits)
        {
            var subject = Subject.Circuit(landed.Wired.Circuit.Key);
            if (landed.Space is null)
            {
                yield return new(Severity.Red, Stage.Panel, subject, "408.54", $"Panel {id} has no space for {landed.Description}.", $"{schedule.Circuits.Sum(c => c.Wired.Circuit.Poles)} poles, {schedule.Panel.Spaces} spaces. Use a larger panel.");
            }
            else if (landed.Spaces.Any(s => s > schedule.Panel.Spaces))
            {
                yield return new(Severity.Red, Stage.Panel, subject, "408.54", $"{landed.Description} is pinned beyond the last space of panel {id}.", $"Space {landed.SpaceText} of {schedule.Panel.Spaces}.") { Fixes = [Free(landed)] };
            }
        }

        var owners = schedule.Circuits.SelectMany(c => c.Spaces.Select(s => (Space: s, c))).GroupBy(x => x.Space).Where(g => g.Count() > 1);
        foreach (var shared in owners)
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Circuit(shared.Last().c.Wired.Circuit.Key), "408.54", $"Two breakers are pinned in space {shared.Key} of panel {id}.",
                string.Join(" and ", shared.Select(x => x.c.Description)) + ". Free one of them.") { Fixes = [Free(shared.Last().c)] };
        }
    }

    private static Fix Free(Landed landed) => new("Free the space", new PinSpace(landed.Wired.Circuit.Key, null));

    private static IEnumerable<Tag> Supply(Checked plan, PanelSchedule schedule)
    {
        var feeder = plan.Circuits.FirstOrDefault(c => c.Circuit.Kind == CircuitKind.Feeder && c.Circuit.Feeds == schedule.Panel.Id);
        if (feeder is not null && feeder.Protected.Sized.Breaker.Value > schedule.Panel.Rating)
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Panel(schedule.Panel.Id), "408.36", $"Panel {schedule.Panel.Id} is fed by a breaker larger than its rating.",
                $"{feeder.Protected.Sized.Breaker.Value} > {schedule.Panel.Rating}.");
        }
    }
}
