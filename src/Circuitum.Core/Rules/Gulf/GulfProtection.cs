using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Gulf;

/// <summary>What is in hands is protected by the section of its board: no outlet has a device of its own for it.</summary>
internal sealed class GulfProtection : ProtectionRules
{
    /// <inheritdoc/>
    public override Need? Afci(Outlet outlet) => null;

    /// <inheritdoc/>
    public override Need? Gfci(Outlet outlet) => null;

    /// <inheritdoc/>
    public override Asked NearWater => Asked.Metric(1500);

    /// <inheritdoc/>
    public override bool GuardsEveryKitchenReceptacle => false;
}
