using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Panels;

/// <summary>Works out what moving a breaker moves with it.</summary>
public static class Moving
{
    /// <summary>The change that lands a circuit on another space of its panel: what stands there takes the space it leaves.</summary>
    /// <param name="panels">The panels as they are landed.</param>
    /// <param name="circuit">The circuit.</param>
    /// <param name="space">Where its upper pole goes, or the half of a space.</param>
    /// <exception cref="ChangeRefusedException">There is no such circuit or space, half a space does not suit, a breaker that stood there
    /// before is in the way, or what stands there finds no room.</exception>
    public static MoveBreaker To(ImmutableArray<PanelSchedule> panels, CircuitKey circuit, PanelSpace space)
    {
        var schedule = panels.FirstOrDefault(p => p.Circuits.Any(c => c.Key == circuit))
            ?? throw new ChangeRefusedException($"Circuit {circuit} is not in this job any more.");
        var panel = schedule.Panel;
        var moved = schedule.Circuits.First(c => c.Key == circuit);
        if (moved.OnLugs)
        {
            throw new ChangeRefusedException(
                $"{moved.Description} is on the feed-through lugs and takes no space. Say on panel {moved.Feeds} that it has a breaker "
                + $"first.");
        }

        if (space.IsHalf && WhyNoHalf(panel, moved, space) is { } why)
        {
            throw new ChangeRefusedException(why);
        }

        var wanted = space.Taking(moved.Poles).ToList();
        if (wanted.Any(s => s.Number < 1 || s.Number > panel.Spaces))
        {
            throw new ChangeRefusedException(
                $"Panel {panel.Id} has spaces 1 to {panel.Spaces}; "
                + $"{(wanted.Count == 2 ? "two poles take a space and the one below it." : $"there is no space {space}.")}");
        }

        var occupants = Enumerable.Range(1, panel.Spaces).SelectMany(schedule.In).Where(o => o.Landed != moved)
            .Distinct(ReferenceEqualityComparer.Instance).Cast<Occupant>().ToList();
        var inWay = occupants.FindAll(o => o.Spaces.Any(s => wanted.Any(s.Overlaps)));
        if (inWay.Find(o => o.Stood is not null) is { } stands)
        {
            throw new ChangeRefusedException($"In space {stands.Space} stands {stands.Description} already.");
        }

        // Everything else stays; what has to give goes where the moved one stood, or below or above it where that is free.
        var taken = occupants.Except(inWay).SelectMany(o => o.Spaces).Concat(wanted).ToList();
        var spaces = panels.SelectMany(p => p.AsWritten).Where(s => s.Circuit != circuit).ToDictionary(s => s.Circuit);
        spaces[circuit] = new(circuit, panel.Id, space);
        var places = moved.Spaces.ToList();
        foreach (var gives in inWay.Select(o => o.Landed!))
        {
            bool Fits(PanelSpace at) => at.Taking(gives.Poles)
                .All(s => s.Number >= 1 && s.Number <= panel.Spaces && !taken.Exists(s.Overlaps))
                && (!at.IsHalf || WhyNoHalf(panel, gives, at) is null);
            // Two that give way to one share its space, where that is listed.
            var open = places.SelectMany(s => gives.Poles == 2 ? [s.Number, s.Number - 2] : inWay.Count > places.Count && !s.IsHalf
                ? s.Halves : [s]);
            if (open.Where(Fits).Select(s => (PanelSpace?)s).FirstOrDefault() is not { } to)
            {
                throw new ChangeRefusedException(
                    $"{gives.Description} stands in space {gives.SpaceText} and finds no room where {moved.Description} is now. Move it "
                    + $"first.");
            }

            taken.AddRange(to.Taking(gives.Poles));
            spaces[gives.Key] = new(gives.Key, panel.Id, to);
        }

        return new(circuit, space, [.. inWay.Select(o => o.Landed!.Key)],
            [.. spaces.Values.OrderBy(s => s.Panel.Value, StringComparer.Ordinal).ThenBy(s => s.Space)]);
    }

    private static string? WhyNoHalf(Panel panel, Landed landed, PanelSpace space) =>
        !Tandem.IsListed(panel, space.Number) ? $"The label of panel {panel.Id} lists no tandem breaker in space {space.Number}."
        : Tandem.WhyNot(landed.Wired) is { } why ? $"{landed.Description} cannot have half a space: {why}."
        : null;
}
