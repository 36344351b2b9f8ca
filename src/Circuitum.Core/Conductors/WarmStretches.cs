using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>A warm stretch so short beside its circuit that the rest counts: RuleId.ShortStretch.</summary>
/// <param name="Ambient">How warm.</param>
/// <param name="Long">All that is as warm or warmer.</param>
/// <param name="Of">The longest way from the panel.</param>
internal sealed record ShortStretch(Celsius Ambient, Length Long, Length Of);

/// <summary>What of a circuit is warm, asked once for each ambient.</summary>
/// <param name="runs">Its runs, and the one that it comes in with another circuit.</param>
/// <param name="book">The book.</param>
internal sealed class WarmStretches(ImmutableArray<Run> runs, CodeBook book)
{
    private readonly Dictionary<decimal, ShortStretch?> known = [];

    /// <summary>What is passed over of an ambient; null where it counts. All that is as warm or warmer, on whichever branch, beside the
    /// longest way from the panel: the strict reading of a circuit that parts.</summary>
    public ShortStretch? PassedOver(Celsius ambient)
    {
        if (book.Conductors.ShortStretch is not { Length: var most })
        {
            return null;
        }

        if (!known.TryGetValue(ambient.Degrees, out var over))
        {
            var warm = runs.SelectMany(r => r.Way.Legs).Where(l => l.Ambient.Degrees >= ambient.Degrees).Select(l => l.Run).Total();
            known[ambient.Degrees] = over = warm <= most && Longest() is var whole && warm * 10 <= whole ? new(ambient, warm, whole) : null;
        }

        return over;
    }

    private Length Longest()
    {
        var byId = runs.ToDictionary(r => r.Id);
        Length From(Run run) => run.Way.Measured + (run.Upstream is RunId up && byId.TryGetValue(up, out var before) ? From(before)
            : Length.Zero);
        return runs.Max(From);
    }
}
