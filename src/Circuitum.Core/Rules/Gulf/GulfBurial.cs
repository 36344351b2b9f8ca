using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>What lies in the garden, as it is usually laid; the authority confirms it.</summary>
internal sealed class GulfBurial : BurialRules
{
    private static Asked Garden { get; } = Asked.Metric(500);

    private static Asked Drive { get; } = Asked.Metric(600);

    /// <inheritdoc/>
    public override Figure<Length> Cover(Buried what, bool underDrive)
    {
        var asked = underDrive ? Drive : Garden;
        return new(asked.Length, Because.Of("Why this deep").Book($"from the ground to its top{(underDrive ? ", where vehicles go" : "")}",
            asked.Words, "as the crew does it"));
    }
}
