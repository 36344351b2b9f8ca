using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>One conductor or breaker to land.</summary>
/// <param name="Number">The space as it is written on the cable.</param>
/// <param name="What">12 black, 6 bare.</param>
/// <param name="Where">Bar, breaker, or with which it shares a screw.</param>
public sealed record MakeUpLine(string Number, string What, string Where);

/// <summary>A step of making a panel up.</summary>
/// <param name="Title">What is done.</param>
/// <param name="Torque">The terminals' torque as it is marked on the equipment; null where it was not read off yet.</param>
/// <param name="Note">How.</param>
/// <param name="Lines">In the order they are landed.</param>
public sealed record PanelStep(string Title, string? Torque, string Note, ImmutableArray<MakeUpLine> Lines);

/// <summary>The ordered sheet for making up a panel.</summary>
/// <param name="Panel">The panel.</param>
/// <param name="Terminals">What its bars take.</param>
/// <param name="Steps">In order.</param>
public sealed record PanelMakeUp(PanelSchedule Panel, Terminals Terminals, ImmutableArray<PanelStep> Steps);

/// <summary>Writes the guide to making up a panel: grounds, neutrals, breakers, hots.</summary>
public static class MakeUpGuide
{
    /// <summary>The guide of one panel.</summary>
    public static PanelMakeUp Of(PanelSchedule panel, Job job, CodeBook book)
    {
        var listing = panel.Panel.Listing;
        var landed = panel.Circuits.Where(c => (c.Space is not null || c.OnLugs) && c.HomeRun is not null).ToList();
        var own = landed.Where(c => c.HomeRun!.RidesIn is null).ToList();
        var onBreakers = landed.FindAll(c => !c.OnLugs);
        var terminals = Terminals.Of(panel, job.Schools, book);
        return new(panel, terminals,
        [
            new("Bring the cables in", null,
                "Sheaths stripped to one line a quarter inch inside the connector, what comes in pipe cut to length; numbers on before "
                + "anything is cut; knockouts and screws stay reachable.",
                [.. own.OrderBy(c => c.Space).Select(c => new MakeUpLine(c.SpaceText, c.Cable, c.Description))]),
            new("Grounds, largest first", listing.BarTorque, job.BondsAt(panel.Panel)
                ? $"To the bar that is bonded with the neutral here, and nowhere beyond ({book.Cite(RuleId.ServiceGrounding)}, "
                + $"{book.Cite(RuleId.NeutralApart)})."
                : $"To the ground bar; no bonding screw, neutral and ground apart ({book.Cite(RuleId.NeutralApart)}).",
                Grounds(own, Terminals.PerScrew(panel.Panel, job.Schools), book)),
            new("Neutrals, largest first", listing.BarTorque,
                $"One to a terminal ({book.Cite(RuleId.OneNeutralToATerminal)}). A protective breaker takes its circuit's neutral; its "
                + $"tail takes the terminal.",
                [.. onBreakers.Where(c => Terminals.HasNeutral(c.Wired) || c.Mark.Length > 0).OrderByDescending(c => c.HomeRunGauge)
                    .ThenBy(c => c.Space)
                    .Select(c => new MakeUpLine(c.SpaceText, c.Mark.Length > 0 && !Terminals.HasNeutral(c.Wired) ? "tail of the breaker"
                        : $"{c.HomeRunGauge} white",
                        c.Mark.Length > 0 ? $"{(Terminals.HasNeutral(c.Wired) ? "on the breaker, " : "")}tail to the bar"
                        : "neutral bar"))]),
            new("Breakers, off, largest at the top down", listing.BreakerTorque, listing.Family is { } family
                ? $"Of the line {family}, which the label lists; each set OFF before it is clipped on."
                : $"Of the line that the panel's label lists ({book.Cite(RuleId.ListedUse)}); each set OFF before it is clipped on.",
                [.. onBreakers.OrderByDescending(c => c.Breaker).ThenBy(c => c.Space)
                    .Select(c => new MakeUpLine(c.SpaceText,
                        $"{c.Breaker}, {(c.Poles == 2 ? "two poles" : c.Space is { IsHalf: true } ? "half of a tandem"
                            : c.SharesNeutralWith is null ? "one pole" : "one pole, tied")}{(c.Mark.Length > 0
                            ? ", " + c.Mark : "")}",
                    // The inverter of a roof runs beside the main; only what must never be on with it is interlocked.
                    c.Load.Brings.Value > 0 ? $"{c.Description}: back-fed, stays at the far end of the bus"
                        : c.BringsPower
                            ? $"{c.Description}: back-fed, held down by a listed kit ({book.Cite(RuleId.BackFed)}), interlocked"
                        : c.Description))]),
            new("Whites that are hot: re-mark them", null,
                $"Taped or colored at both ends before they are landed ({book.Cite(RuleId.RemarkedWhite)}).",
                [.. landed.Where(c => c.Poles == 2 && c.HomeRun is { Conductors: 2, Jacket: not Jacket.Loose }).OrderBy(c => c.Space)
                    .Select(c => new MakeUpLine(c.SpaceText, $"{c.HomeRunGauge} white", "second leg"))]),
            new("Hots, cut to one line", listing.BreakerTorque, "No copper outside a terminal.",
                [.. landed.OrderBy(c => c.Space)
                    .Select(c => new MakeUpLine(c.SpaceText, c.Poles == 2 ? $"2 × {c.HomeRunGauge}" : $"{c.HomeRunGauge} black",
                        c.OnLugs ? "feed-through lugs" : $"breaker {c.SpaceText}"))]),
            new("Before the cover", listing.LugTorque,
                $"Every terminal torqued to its marking ({book.Cite(RuleId.TerminalTorque)}), pulled once by hand; fillers in open "
                + $"spaces; the schedule in the door ({book.Cite(RuleId.Directory)}).",
            [
                new("", $"{panel.Left} spaces left", "fillers"),
                .. Left(listing.NeutralTerminals, terminals.Neutrals, "neutral terminals left"),
                .. Left(listing.GroundTerminals, terminals.GroundScrews, "ground terminals left"),
            ]),
        ]);
    }

    // Small ones share a screw where the label and the crew allow it, neighbours of one side together.
    private static ImmutableArray<MakeUpLine> Grounds(List<Landed> cables, int each, CodeBook book)
    {
        var lines = ImmutableArray.CreateBuilder<MakeUpLine>();
        var sorted = cables.OrderByDescending(c => Terminals.GroundOf(c.Wired))
            .ThenBy(c => (c.Space?.Number ?? 0) % 2 == 0 ? 1 : 0).ThenBy(c => c.Space).ToList();
        var small = sorted.FindAll(c => Terminals.IsSmall(Terminals.GroundOf(c.Wired)));
        foreach (var cable in sorted)
        {
            var at = small.IndexOf(cable);
            var mate = at >= 0 && each > 1 ? small.Skip(at / each * each).Take(each).Where(c => c != cable).Select(c => c.SpaceText)
                .ToList() : [];
            lines.Add(new(cable.SpaceText,
                $"{Terminals.GroundOf(cable.Wired)} {(book.Conductors.GreenIn(cable.HomeRun!.Jacket) ? "green" : "bare")}",
                mate.Count == 0 ? "a screw of its own"
                : $"one screw with {string.Join(" and ", mate)}"));
        }

        return lines.ToImmutable();
    }

    private static IEnumerable<MakeUpLine> Left(int? terminals, int taken, string what) => terminals is int has
        ? [new("", $"{Math.Max(0, has - taken)} of {has}", what)] : [];
}
