using Circuitum.Core.Demand;

namespace Circuitum.Web.Bench;

/// <summary>A load calculation to show.</summary>
/// <param name="Name">The method.</param>
/// <param name="Sum">Its lines.</param>
/// <param name="Chosen">The service or feeder is sized by it.</param>
/// <param name="Note">What follows its sum, or null.</param>
public sealed record LoadSumView(string Name, LoadSum Sum, bool Chosen, string? Note)
{
    /// <summary>True for a line that rests on what people decide about the service.</summary>
    public static bool IsAssumed(LoadLine line) => line.Section is "220.51, 220.60" or "the crew" || line.Section.StartsWith("220.82(C)", StringComparison.Ordinal) || line.Section.StartsWith("220.83", StringComparison.Ordinal) || line.Section.StartsWith("220.87", StringComparison.Ordinal);
}
