using System.Collections.Immutable;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Panels;

/// <summary>Works out what moving a breaker moves with it.</summary>
public static class Moving
{
    /// <summary>The change that lands a circuit on another space of its panel: what stands there takes the space it leaves.</summary>
    /// <param name="panels">The panels as they are landed.</param>
    /// <param name="circuit">The circuit.</param>
    /// <param name="space">Where its upper pole goes.</param>
    /// <exception cref="ChangeRefusedException">There is no such circuit or space, a breaker that stood there before is in the way, or what stands there finds no room.</exception>
    public static MoveBreaker To(ImmutableArray<PanelSchedule> panels, CircuitKey circuit, int space)
    {
        var panel = panels.FirstOrDefault(p => p.Circuits.Any(c => c.Wired.Circuit.Key == circuit)) ?? throw new ChangeRefusedException($"Circuit {circuit} is not in this job any more.");
        var moved = panel.Circuits.First(c => c.Wired.Circuit.Key == circuit);
        int[] wanted = moved.Wired.Circuit.Poles == 2 ? [space, space + 2] : [space];
        if (wanted.Any(s => s < 1 || s > panel.Panel.Spaces))
        {
            throw new ChangeRefusedException($"Panel {panel.Panel.Id} has spaces 1 to {panel.Panel.Spaces}; {(wanted.Length == 2 ? "two poles take a space and the one below it." : $"there is no space {space}.")}");
        }

        if (wanted.Where(panel.TakenBefore.ContainsKey).Select(s => panel.TakenBefore[s]).FirstOrDefault() is { } stands)
        {
            throw new ChangeRefusedException($"In space {stands.Space} stands {stands.Description} already.");
        }

        var inWay = panel.Circuits.Where(c => c != moved && c.Spaces.Any(wanted.Contains)).OrderBy(c => c.Space).ToList();
        // Everything else stays; what has to give goes where the moved one stood, or below or above it where that is free.
        var taken = panel.Circuits.Where(c => c != moved && !inWay.Contains(c)).SelectMany(c => c.Spaces).Concat(panel.TakenBefore.Keys).Concat(wanted).ToHashSet();
        var spaces = panels.SelectMany(p => p.AsWritten).Where(s => s.Circuit != circuit).ToDictionary(s => s.Circuit);
        spaces[circuit] = new(circuit, panel.Panel.Id, space);
        foreach (var gives in inWay)
        {
            var poles = gives.Wired.Circuit.Poles;
            bool Fits(int at) => at >= 1 && (poles == 1 ? at <= panel.Panel.Spaces && !taken.Contains(at) : at + 2 <= panel.Panel.Spaces && !taken.Contains(at) && !taken.Contains(at + 2));
            var to = moved.Spaces.SelectMany(s => poles == 2 ? (int[])[s, s - 2] : [s]).FirstOrDefault(Fits);
            if (to == 0)
            {
                throw new ChangeRefusedException($"{gives.Description} stands in space {gives.SpaceText} and finds no room where {moved.Description} is now. Move it first.");
            }

            taken.UnionWith(poles == 2 ? [to, to + 2] : [to]);
            spaces[gives.Wired.Circuit.Key] = new(gives.Wired.Circuit.Key, panel.Panel.Id, to);
        }

        return new(circuit, space, [.. inWay.Select(c => c.Wired.Circuit.Key)], [.. spaces.Values.OrderBy(s => s.Panel.Value, StringComparer.Ordinal).ThenBy(s => s.Space)]);
    }
}
