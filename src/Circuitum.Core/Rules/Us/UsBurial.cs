using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Least cover, Table 300.5(A) (2017 and 2020: Table 300.5).</summary>
internal sealed class UsBurial(UsBook book) : BurialRules
{
    /// <inheritdoc/>
    public override Figure<Length> Cover(Buried what, bool underDrive)
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
        return new(cover, Because.Of("Why this deep")
            .Book("cover from grade to its top", cover.ToString(), book.Cite(RuleId.BurialCover).With(column)));
    }
}
