using System.Globalization;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>What a search for a better division says while it looks and when it has ended.</summary>
public static class SearchWords
{
    /// <summary>While it looks: how many tries, how much better, how far from the bound.</summary>
    /// <param name="search">The search.</param>
    /// <param name="measure">What the job measures cable in.</param>
    public static string Looking(SearchState search, Measure measure)
    {
        if (search.Latest is not { } so)
        {
            return "Weighing what stands.";
        }

        var better = so.IsBetter
            ? $"Best so far {so.Found.Weight.Cut(measure)} by the aims, "
                + $"{(so.Standing.Weight - so.Found.Weight).Cut(measure)} better than what stands."
            : "Nothing better yet.";
        var bound = so.Gap is { } gap ? $"At most {gap} from the best there can be." : "No bound proven yet.";
        return $"{Tries(so.Step)} {better} {bound}";
    }

    /// <summary>When it has ended: how long, how near to the best there can be, and whether the job went on meanwhile.</summary>
    /// <param name="search">The search, with something found.</param>
    /// <param name="revision">The job's revision now.</param>
    /// <param name="measure">What the job measures cable in.</param>
    public static string Ended(SearchState search, int revision, Measure measure)
    {
        if (search.Latest is not { } done)
        {
            return "Stopped before anything was weighed.";
        }

        var bound = done.Bound is { } least
            ? $"No division weighs less than {least.Cut(measure)}: proven. "
                + $"{(done.IsBetter ? "The one found" : "What stands")} is at most {done.Gap} from the best."
            : "Stopped before a bound was proven.";
        var since = search.Revision == revision ? ""
            : $" Looked for in revision {search.Revision}; the job is at {revision} now, and new boxes join where they weigh least.";
        return $"{Seconds(search)} s, {Tries(done.Step)} {bound}{since}";
    }

    /// <summary>How long it has looked, in whole seconds.</summary>
    public static string Seconds(SearchState search) => search.Elapsed.TotalSeconds.ToString("0", CultureInfo.InvariantCulture);

    private static string Tries(int steps) => $"{steps.ToString("#,0", CultureInfo.InvariantCulture)} tries.";
}
