using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>Boxes in block and slab are taken by their gangs; the method counts no volume.</summary>
internal sealed class GulfBoxes : BoxRules
{
    /// <inheritdoc/>
    public override bool FanRatedInCeilings => false;

    /// <inheritdoc/>
    public override CubicInches? Volume(Gauge gauge) => new CubicInches(0);

    /// <inheritdoc/>
    public override Figure<CubicInches> Count(BoxContents contents) => new(new(0), Because.Of("Why this box").Book("no volume is counted",
        "by its gangs", "as the crew does it"));
}
