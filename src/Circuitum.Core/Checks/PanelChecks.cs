using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on panels: where they stand and what lands in them.</summary>
internal static class PanelChecks
{
    public static IEnumerable<Tag> Check(Checked plan) => plan.Panels.SelectMany(p => Standing(plan, p.Panel).Concat(Spaces(p)).Concat(Hardware(plan, p)).Concat(Described(plan, p)).Concat(Supply(plan, p))).Concat(ServiceChecks.Check(plan));

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

        foreach (var landed in schedule.Circuits.Where(c => c.Spaces.Any(schedule.TakenBefore.ContainsKey)))
        {
            var stands = schedule.TakenBefore[landed.Spaces.First(schedule.TakenBefore.ContainsKey)];
            yield return new(Severity.Red, Stage.Panel, Subject.Circuit(landed.Wired.Circuit.Key), "408.54", $"{landed.Description} is pinned where a breaker stands already.", $"Space {stands.Space} of panel {id}: {stands.Description}, {stands.Rating}.") { Fixes = [Free(landed)] };
        }

        var owners = schedule.Circuits.SelectMany(c => c.Spaces.Select(s => (Space: s, c))).GroupBy(x => x.Space).Where(g => g.Count() > 1);
        foreach (var shared in owners)
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Circuit(shared.Last().c.Wired.Circuit.Key), "408.54", $"Two breakers are pinned in space {shared.Key} of panel {id}.",
                string.Join(" and ", shared.Select(x => x.c.Description)) + ". Free one of them.") { Fixes = [Free(shared.Last().c)] };
        }
    }

    // Bars, knockouts and the line of breakers, where they were read off the panel.
    private static IEnumerable<Tag> Hardware(Checked plan, PanelSchedule schedule)
    {
        var (panel, subject, listing) = (schedule.Panel, Subject.Panel(schedule.Panel.Id), schedule.Panel.Listing);
        var terminals = Terminals.Of(schedule, plan.Job.Schools);
        if (listing.NeutralTerminals < terminals.Neutrals)
        {
            yield return new(Severity.Red, Stage.Panel, subject, "408.41", $"Panel {panel.Id} has too few neutral terminals.", $"{terminals.Neutrals} neutrals and tails, one to a terminal; the bar has {listing.NeutralTerminals}. Add a bar that the label lists.");
        }

        if (listing.GroundTerminals < terminals.GroundScrews)
        {
            yield return new(Severity.Red, Stage.Panel, subject, "408.40, 110.3(B)", $"Panel {panel.Id} has too few ground terminals.", $"{terminals.Grounds} grounds take {terminals.GroundScrews}; the bar has {listing.GroundTerminals}. Add a bar kit that the label lists.");
        }

        if (listing.Knockouts < terminals.Cables)
        {
            yield return new(Severity.Amber, Stage.Panel, subject, "312.5(C)", $"Panel {panel.Id} has fewer knockouts than cables.", $"{terminals.Cables} cables, {listing.Knockouts} knockouts: a connector that its listing allows two cables in, or another way in.");
        }

        if (listing.Bus is Amps bus && !listing.MainLugs && panel.Rating > bus)
        {
            yield return new(Severity.Red, Stage.Panel, subject, "408.36", $"The main of panel {panel.Id} is larger than its bus.", $"{panel.Rating} > {bus}.");
        }

        foreach (var family in plan.Job.Pins.Families)
        {
            if (listing.Family is { } listed && schedule.Circuits.FirstOrDefault(c => c.Wired.Circuit.Key == family.Circuit) is { } landed && !string.Equals(listed.Trim(), family.Family.Trim(), StringComparison.OrdinalIgnoreCase))
            {
                yield return new(Severity.Red, Stage.Panel, Subject.Circuit(family.Circuit), "110.3(B)", $"The breaker of {landed.Description} is of another line.", $"{family.Family}; the label of panel {panel.Id} lists {listed}.") { Fixes = [new("It is of the panel's line", new SetBreakerFamily(family.Circuit, null))] };
            }
        }
    }

    // 408.4(A): words that a person holds stay true, say which place, and are each different.
    private static IEnumerable<Tag> Described(Checked plan, PanelSchedule schedule)
    {
        foreach (var held in plan.Job.Pins.Descriptions)
        {
            if (schedule.Circuits.FirstOrDefault(c => c.Wired.Circuit.Key == held.Circuit) is not { } landed)
            {
                continue;
            }

            var subject = Subject.Circuit(held.Circuit);
            if (held.Instead != landed.Planned)
            {
                yield return new(Severity.Amber, Stage.Panel, subject, "408.4(A)", $"The circuit under “{held.Text}” has changed.", $"It was {held.Instead}; now it is {landed.Planned}.")
                {
                    Fixes = [new("Keep the words", new Describe(held.Circuit, held.Text, landed.Planned)), new("Write it anew", new Describe(held.Circuit, null, landed.Planned))],
                };
            }

            if (!Descriptions.SaysWhere(held.Text, landed.Wired, plan.Survey))
            {
                yield return new(Severity.Amber, Stage.Panel, subject, "408.4(A)", $"“{held.Text}” does not say where.", "Name a room or the equipment: whoever opens the panel in ten years knows neither the people nor the season.") { Fixes = [new("Write it anew", new Describe(held.Circuit, null, landed.Planned))] };
            }
        }

        foreach (var same in schedule.Circuits.GroupBy(c => c.Description, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1))
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Circuit(same.Last().Wired.Circuit.Key), "408.4(A)", $"{same.Count()} circuits of panel {schedule.Panel.Id} read “{same.Key}”.", $"Spaces {string.Join(", ", same.Select(c => c.SpaceText))}: each must be told from the others.");
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
