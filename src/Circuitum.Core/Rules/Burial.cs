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

/// <summary>Least cover, Table 300.5(A) (2017: Table 300.5).</summary>
public static class Burial
{
    /// <summary>Grade to the top of what is buried.</summary>
    /// <param name="what">What is buried.</param>
    /// <param name="underDrive">Under a driveway of a one- or two-family dwelling, used for nothing else.</param>
    public static Figure<Length> Cover(Buried what, bool underDrive)
    {
        var (inches, column) = (what, underDrive) switch
        {
            (Buried.Cable, false) => (24, "column 1"),
            (Buried.Pvc, false) => (18, "column 3"),
            (Buried.RigidMetal, false) => (6, "column 2"),
            (Buried.ProtectedBranch, false) => (12, "column 4"),
            (Buried.ProtectedBranch, true) => (12, "column 4, under a dwelling's driveway"),
            _ => (18, "under a dwelling's driveway"),
        };
        var cover = Length.FromInches(inches);
        return new(cover, Because.Of("Why this deep").Book("cover from grade to its top", cover.ToString(), $"Table 300.5(A), {column}"));
    }
}
