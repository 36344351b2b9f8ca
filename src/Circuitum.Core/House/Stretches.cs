using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>Stretches of a wall.</summary>
public static class Stretches
{
    /// <summary>What is left of a stretch where others are taken, in order.</summary>
    public static IReadOnlyList<(Length From, Length To)> Free((Length From, Length To) stretch,
        IEnumerable<(Length From, Length To)> taken)
    {
        var free = new List<(Length From, Length To)>();
        var at = stretch.From;
        foreach (var (from, to) in taken.OrderBy(t => t.From))
        {
            if (from > at)
            {
                free.Add((at, Length.Min(from, stretch.To)));
            }

            at = Length.Max(at, to);
        }

        if (at < stretch.To)
        {
            free.Add((at, stretch.To));
        }

        return [.. free.Where(f => f.To > f.From)];
    }
}
