using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What lies in the ground.</summary>
public enum Buried
{
    /// <summary>Cable for direct burial.</summary>
    Cable,

    /// <summary>PVC conduit.</summary>
    Pvc,

    /// <summary>Rigid or intermediate metal conduit.</summary>
    RigidMetal,

    /// <summary>A 120 V branch circuit of at most 20 A with ground-fault protection at its supply.</summary>
    ProtectedBranch,
}

/// <summary>How deep things lie.</summary>
public abstract class BurialRules
{
    /// <summary>Grade to the top of what is buried.</summary>
    /// <param name="what">What is buried.</param>
    /// <param name="underDrive">Under a driveway of a one- or two-family dwelling, used for nothing else.</param>
    public abstract Figure<Length> Cover(Buried what, bool underDrive);
}
