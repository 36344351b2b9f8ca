using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Least cover, 12-012 and Table 53.</summary>
internal sealed class CanadaBurial(CanadaBook book) : BurialRules
{
    /// <inheritdoc/>
    public override Figure<Length> Cover(Buried what, bool underDrive)
    {
        var cable = what is Buried.Cable or Buried.ProtectedBranch;
        var asked = Asked.Millimetres((cable, underDrive) switch
        {
            (true, false) => 600,
            (true, true) => 900,
            (false, false) => 450,
            _ => 600,
        });
        return new(asked.Length, Because.Of("Why this deep").Book($"cover from grade to its top, {(cable ? "cable" : "raceway")}"
            + $"{(underDrive ? ", where vehicles go" : "")}", asked.Words, book.Cite(RuleId.BurialCover)));
    }
}
