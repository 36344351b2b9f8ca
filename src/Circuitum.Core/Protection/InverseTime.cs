using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>Whether and about when a breaker opens.</summary>
/// <param name="Earliest">Not before, typically; null when it holds.</param>
/// <param name="Latest">Not later, typically; null when it need not open at all.</param>
public sealed record BreakerOpening(TimeSpan? Earliest, TimeSpan? Latest)
{
    /// <summary>It carries the current for good.</summary>
    public bool Holds => Earliest is null;

    /// <summary>In words: holds; may open after 5 min; opens within 12 s to 2 min.</summary>
    public override string ToString() => Earliest is not { } early ? "holds"
        : Latest is not { } late ? $"may open after {Told(early)} or more, need not"
        : $"opens after {Told(early)} to {Told(late)}";

    private static string Told(TimeSpan time) => time.TotalMinutes >= 90 ? $"{time.TotalHours:0} h" : time.TotalSeconds >= 90
        ? $"{time.TotalMinutes:0} min" : $"{Math.Max(1, time.TotalSeconds):0} s";
}

/// <summary>The typical inverse-time band of small breakers to 50 A: warm wire opens late, a short circuit at once. A certain breaker's own
/// curve governs.</summary>
/// <remarks>The late edge is what listed breakers are calibrated to: 100 per cent held for good, 135 per cent opened within an hour, 200
/// per cent within 2 minutes to 30 A
/// and 4 minutes to 50 A (UL 489). The early edge and what lies above are typical values, not of any make.</remarks>
public static class InverseTime
{
    // Share of the rating in per cent, seconds; straight between points when both are drawn in logarithms.
    private static readonly ImmutableArray<(double Share, double Seconds)> Early = [(100, 3600), (135, 150), (200, 15), (300, 5),
        (500, 1.5), (1000, .02)];
    private static readonly ImmutableArray<(double Share, double Seconds)> Late = [(135, 3600), (200, 120), (300, 40), (500, 12),
        (1000, 1), (1500, .05)];
    private static readonly ImmutableArray<(double Share, double Seconds)> LateAbove30 = [(135, 3600), (200, 240), (300, 60), (500, 16),
        (1000, 1), (1500, .05)];

    /// <summary>Whether and when a breaker of this rating opens at this current.</summary>
    /// <param name="current">The current, zero or more.</param>
    /// <param name="rating">15 to 50 A; above, the band is taken as at 50 A.</param>
    public static BreakerOpening At(Amps current, Amps rating)
    {
        var share = (double)(current.Value / rating.Value * 100);
        return share <= 100 ? new(null, null)
            : share < 135 ? new(Between(Early, share), null)
            : new(Between(Early, share), Between(rating.Value <= 30 ? Late : LateAbove30, share));
    }

    private static TimeSpan Between(ImmutableArray<(double Share, double Seconds)> curve, double share)
    {
        var i = Math.Clamp(curve.Count(p => p.Share <= share), 1, curve.Length - 1);
        var (a, b) = (curve[i - 1], curve[i]);
        var along = Math.Clamp(Math.Log(share / a.Share) / Math.Log(b.Share / a.Share), 0, 1);
        return TimeSpan.FromSeconds(a.Seconds * Math.Pow(b.Seconds / a.Seconds, along));
    }
}
