using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Tags on panels: where they stand and what lands in them.</summary>
internal static class PanelChecks
{
    public static IEnumerable<Tag> Check(Checked plan) =>
        plan.Panels.SelectMany(p => Standing(plan, p.Panel).Concat(Spaces(plan, p)).Concat(Hardware(plan, p)).Concat(Described(plan, p))
            .Concat(Supply(plan, p))).Concat(ServiceChecks.Check(plan));

    private static IEnumerable<Tag> Standing(Checked plan, Panel panel)
    {
        var room = plan.House.Room(panel.Room);
        var subject = Subject.Panel(panel.Id);
        if (room.Room.Use is RoomUse.Bath or RoomUse.Closet or RoomUse.Stair or RoomUse.Sauna)
        {
            var section = room.Room.Use switch
            {
                RoomUse.Closet => plan.Book.Cite(RuleId.NotInClosets),
                RoomUse.Stair => plan.Book.Cite(RuleId.NotOverStairs),
                _ => plan.Book.Cite(RuleId.NotInBathrooms)
            };
            yield return new(Severity.Red, Stage.Panel, subject, section,
                $"Panel {panel.Id} may not stand in a {Words.Of(room.Room.Use)}.",
                "Not in bathrooms, clothes closets or over stair treads. Move it.");
        }

        if (panel.Top > plan.Book.Service.HighestTop)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerHeight),
                $"Panel {panel.Id} is too high to reach.", $"Its top is at {panel.Top}; the highest handle at most "
                    + $"{plan.Book.Service.HighestHandle}.");
        }

        foreach (var tag in WorkingSpace.Check(plan, room, panel))
        {
            yield return tag;
        }
    }

    private static IEnumerable<Tag> Spaces(Checked plan, PanelSchedule schedule)
    {
        var (id, spaces) = (schedule.Panel.Id, schedule.Panel.Spaces);
        foreach (var landed in schedule.Circuits.Where(c => !c.OnLugs))
        {
            var subject = Subject.Circuit(landed.Key);
            if (landed.Space is null)
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                    $"Panel {id} has no space for {landed.Description}.",
                    $"{schedule.Circuits.Where(c => !c.OnLugs).Sum(c => c.Poles)} poles, {spaces} spaces. Use a larger panel.");
            }
            else if (landed.Spaces.Any(s => s.Number > spaces))
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                    $"{landed.Description} is pinned beyond the last space of panel {id}.",
                    $"Space {landed.SpaceText} of {spaces}.")
                { Fixes = [Free(landed)] };
            }
            else if (landed.Space is { IsHalf: true } half && !Tandem.IsListed(schedule.Panel, half.Number))
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                    $"The label of panel {id} lists no tandem breaker in space {half.Number}.",
                    $"{landed.Description} has half of it.")
                { Fixes = [Free(landed)] };
            }
            else if (landed.Space is { IsHalf: true } && Tandem.WhyNot(landed.Wired) is { } why)
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.ListedUse),
                    $"{landed.Description} cannot have half a space.", $"Space {landed.SpaceText}: {why}.")
                { Fixes = [Free(landed)] };
            }
        }

        var told = new HashSet<(Landed, TakenSpace)>(1);
        foreach (var number in Enumerable.Range(1, spaces))
        {
            var there = schedule.In(number).ToList();
            if (there.Where((o, i) => o.Landed is not null && there.Where((_, j) => j != i)
                .Any(other => other.Spaces.Any(s => o.Spaces.Any(s.Overlaps)))).LastOrDefault() is not { Landed: { } landed } shared)
            {
                continue;
            }

            var subject = Subject.Circuit(landed.Key);
            if (there.Select(o => o.Stood).FirstOrDefault(t => t is not null && t.Spaces.Any(s => shared.Spaces.Any(s.Overlaps)))
                is not { } stands)
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                    $"Two breakers are pinned in space {number} of panel {id}.", string.Join(" and ", there.Select(o => o.Description))
                    + ". Free one of them.")
                { Fixes = [Free(landed)] };
            }
            else if (told.Add((landed, stands)))
            {
                yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                    $"{landed.Description} is pinned where a breaker stands already.",
                    $"Space {stands.Space} of panel {id}: {stands.Description}, {stands.Rating}.")
                { Fixes = [Free(landed)] };
            }
        }
    }

    // Bars, knockouts and the line of breakers, where they were read off the panel.
    private static IEnumerable<Tag> Hardware(Checked plan, PanelSchedule schedule)
    {
        var (panel, subject, listing) = (schedule.Panel, Subject.Panel(schedule.Panel.Id), schedule.Panel.Listing);
        var terminals = Terminals.Of(schedule, plan.Job.Schools, plan.Book);
        if (listing.NeutralTerminals < terminals.Neutrals)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.OneNeutralToATerminal),
                $"Panel {panel.Id} has too few neutral terminals.",
                $"{terminals.Neutrals} neutrals and tails, one to a terminal; the bar has {listing.NeutralTerminals}. Add a bar that the "
                + $"label lists.");
        }

        if (listing.GroundTerminals < terminals.GroundScrews)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.PanelGround, RuleId.ListedUse),
                $"Panel {panel.Id} has too few ground terminals.",
                $"{terminals.Grounds} grounds take {terminals.GroundScrews}; the bar has {listing.GroundTerminals}. Add a bar kit that "
                + $"the label lists.");
        }

        if (listing.Knockouts < terminals.Cables)
        {
            yield return new(Severity.Amber, Stage.Panel, subject, plan.Book.Cite(RuleId.CableClamps),
                $"Panel {panel.Id} has fewer knockouts than cables.",
                $"{terminals.Cables} cables, {listing.Knockouts} knockouts: a connector that its listing allows two cables in, or "
                + $"another way in.");
        }

        if (listing.Circuits < schedule.Poles)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                $"Panel {panel.Id} holds more than its label lists.",
                $"{schedule.Poles} poles; the label says {listing.Circuits} circuits.");
        }

        foreach (var half in panel.Taken.Where(t => t.Space.IsHalf && !Tandem.IsListed(panel, t.Space.Number)))
        {
            yield return new(Severity.Amber, Stage.Panel, subject, plan.Book.Cite(RuleId.BreakerCount),
                $"A tandem breaker stands in space {half.Space.Number} of panel {panel.Id}, where none is listed.",
                $"{half.Description}. Read the label; if it lists none there, it has to go.");
        }

        if (plan.Job.HouseRules.SpareSpaces > schedule.Left)
        {
            yield return new(Severity.Amber, Stage.Panel, subject, "house rule: spare spaces",
                $"Panel {panel.Id} has fewer spares than the crew leaves.",
                $"{schedule.Left} left; the crew leaves {plan.Job.HouseRules.SpareSpaces}. The book asks for none.");
        }

        if (listing.Bus is Amps bus && !listing.MainLugs && panel.Rating > bus)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.PanelProtection),
                $"The main of panel {panel.Id} is larger than its bus.", $"{panel.Rating} > {bus}.");
        }

        foreach (var family in plan.Job.Pins.Families)
        {
            if (listing.Family is { } listed && schedule.Circuits.FirstOrDefault(c => c.Key == family.Circuit) is { } landed
                && !string.Equals(listed.Trim(), family.Family.Trim(), StringComparison.OrdinalIgnoreCase))
            {
                yield return new(Severity.Red, Stage.Panel, Subject.Circuit(family.Circuit), plan.Book.Cite(RuleId.ListedUse),
                    $"The breaker of {landed.Description} is of another line.",
                    $"{family.Family}; the label of panel {panel.Id} lists {listed}.")
                {
                    Fixes = [new("It is of the panel's line", new SetBreakerFamily(family.Circuit, null))]
                };
            }
        }
    }

    // 408.4(A): words that a person holds stay true, say which place, and are each different.
    private static IEnumerable<Tag> Described(Checked plan, PanelSchedule schedule)
    {
        foreach (var held in plan.Job.Pins.Descriptions)
        {
            if (schedule.Circuits.FirstOrDefault(c => c.Key == held.Circuit) is not { } landed)
            {
                continue;
            }

            var subject = Subject.Circuit(held.Circuit);
            if (held.Instead != landed.Planned)
            {
                yield return new(Severity.Amber, Stage.Panel, subject, plan.Book.Cite(RuleId.CircuitNames),
                    $"The circuit under “{held.Text}” has changed.", $"It was {held.Instead}; now it is {landed.Planned}.")
                {
                    Fixes = [new("Keep the words", new Describe(held.Circuit, held.Text, landed.Planned)),
                        new("Write it anew", new Describe(held.Circuit, null, landed.Planned))],
                };
            }

            if (!Descriptions.SaysWhere(held.Text, landed.Wired, plan.Survey))
            {
                yield return new(Severity.Amber, Stage.Panel, subject, plan.Book.Cite(RuleId.CircuitNames),
                    $"“{held.Text}” does not say where.",
                    "Name a room or the equipment: whoever opens the panel in ten years knows neither the people nor the season.")
                {
                    Fixes = [new("Write it anew", new Describe(held.Circuit, null, landed.Planned))]
                };
            }
        }

        foreach (var same in schedule.Circuits.GroupBy(c => c.Description, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1))
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Circuit(same.Last().Key), plan.Book.Cite(RuleId.CircuitNames),
                $"{same.Count()} circuits of panel {schedule.Panel.Id} read “{same.Key}”.",
                $"Spaces {string.Join(", ", same.Select(c => c.SpaceText))}: each must be told from the others.");
        }
    }

    private static Fix Free(Landed landed) => new("Free the space", new FreeSpace(landed.Key));

    private static IEnumerable<Tag> Supply(Checked plan, PanelSchedule schedule)
    {
        var (panel, listing) = (schedule.Panel, schedule.Panel.Listing);
        var subject = Subject.Panel(panel.Id);
        var feeder = plan.Circuits.FirstOrDefault(c => c.Circuit.Kind == CircuitKind.Feeder && c.Circuit.Feeds == panel.Id);
        if (feeder is not null && feeder.Breaker > panel.Rating)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.PanelProtection),
                $"Panel {panel.Id} is fed by a breaker larger than its rating.", $"{feeder.Breaker} > {panel.Rating}.");
        }

        var onLugs = schedule.Circuits.Where(c => c.OnLugs).ToList();
        if (onLugs.Count > 0 && !listing.FeedThrough)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.ListedUse),
                $"Panel {panel.Id} has no feed-through lugs.", $"{onLugs[0].Description} is fed from them. Read the label.")
            {
                Fixes = [new("Its label has them", new SetListing(panel.Id, listing with { FeedThrough = true })),
                    .. onLugs.Select(c => plan.Job.Panels.First(p => p.Id == c.Feeds))
                    .Select(p => new Fix($"A breaker for panel {p.Id}", new SetPanel(p with { ByLugs = false })))],
            };
        }

        if (onLugs.Count > 1)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.OneWireToATerminal),
                $"{onLugs.Count} feeders are on the lugs of panel {panel.Id}.", "A lug takes one conductor unless it is marked for more: "
                + string.Join(", ", onLugs.Select(c => c.Description)) + ".");
        }

        foreach (var tag in Bonding(plan, panel))
        {
            yield return tag;
        }
    }

    // 250.24(A)(5), 250.142(B): bonded once, where the service ends.
    private static IEnumerable<Tag> Bonding(Checked plan, Panel panel)
    {
        Fix Set(string words, bool? bonded) => new(words, new SetListing(panel.Id, panel.Listing with { Bonded = bonded }));
        if (panel.Listing.Bonded == true && !plan.Job.BondsAt(panel))
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Panel(panel.Id), plan.Book.Cite(RuleId.NeutralBond, RuleId.NeutralApart),
                $"Neutral and ground are bonded in panel {panel.Id}, beyond the service.",
                "Current of the neutral then runs in every ground and on metal that people touch. Take the screw or strap out.")
            {
                Fixes = [Set("It is out", null)]
            };
        }
        else if (panel.Listing.Bonded == false && plan.Job.BondsAt(panel))
        {
            yield return new(Severity.Red, Stage.Panel, Subject.Panel(panel.Id), plan.Book.Cite(RuleId.MainBond, RuleId.BondingJumper),
                $"Neutral and ground are apart in panel {panel.Id}, on the service.",
                "Without the main bonding jumper a fault trips no breaker. Set the screw or strap that its label lists.")
            {
                Fixes = [Set("It is set", null)]
            };
        }
    }
}
