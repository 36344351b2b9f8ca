using System.Collections.Immutable;
using Circuitum.Core.Demand;
using Circuitum.Core.Reasons;

namespace Circuitum.Web.Bench;

/// <summary>A load calculation to show.</summary>
/// <param name="Name">The method.</param>
/// <param name="Sum">Its lines.</param>
/// <param name="Chosen">The service or feeder is sized by it.</param>
/// <param name="Note">What follows its sum, or null.</param>
public sealed record LoadSumView(string Name, LoadSum Sum, bool Chosen, string? Note)
{
    /// <summary>True for a line that rests on what people decide about the service.</summary>
    public static bool IsAssumed(LoadLine line) => line.Cite.Text == StandardMethod.TheCrew || Assumed.Any(line.Cite.Cites);

    private static readonly ImmutableArray<RuleId> Assumed =
    [
        RuleId.HeatingLoad, RuleId.OptionalCooling, RuleId.OptionalHeatPump, RuleId.OptionalSupplement, RuleId.OptionalFewHeaters,
        RuleId.OptionalManyHeaters,
        RuleId.ExistingSameClimate, RuleId.ExistingNewClimate, RuleId.MeasuredDemand,
    ];
}
