using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Rules;

namespace Circuitum.Core.Site;

/// <summary>What is done on site binds the plan: a pulled run keeps its ends and its cable, a landed breaker its space. What is taken back
/// in the record is free again.</summary>
public static class Binding
{
    /// <summary>The changed job, kept to what is done.</summary>
    /// <param name="changed">As a person changed it.</param>
    /// <param name="before">The plan before: what did not fit it any more binds nothing, and is told as what it costs.</param>
    /// <param name="record">What is done.</param>
    public static Job Bind(Job changed, Plan before, SiteRecord record)
    {
        var boxes = changed.Boxes.Select(b => RunId.EndOf(b.Id)).Concat(changed.Panels.Select(p => RunId.EndOf(p.Id))).ToHashSet();
        var built = new Built
        {
            Runs = [.. record.Done(SiteStep.Pulled).Select(e => Pulled(before, e)).OfType<BuiltRun>()
                .Where(r => boxes.Contains(r.Run.One) && boxes.Contains(r.Run.Other))
                .OrderBy(r => r.Run.ToString(), StringComparer.Ordinal)],
            Landed = [.. record.Done(SiteStep.Landed).Select(e => Landed(before, e)).OfType<LandedSpace>()
                .Where(s => changed.Panels.Any(p => p.Id == s.Panel)).OrderBy(s => s.Circuit.Value, StringComparer.Ordinal)],
        };
        return built.IsSameAs(changed.Built) ? changed : changed with { Built = built.IsSameAs(Built.None) ? Built.None : built };
    }

    private static BuiltRun? Pulled(Plan before, SiteEntry entry) =>
        entry.Subject.AsRun is { } id && before.FindRun(id) is var (circuit, run) && run.Jacket != Jacket.Loose
            && circuit.CableOf(run) == entry.As?.What ? new(run.Id, circuit.Sized.GaugeOf(run)) : null;

    private static LandedSpace? Landed(Plan before, SiteEntry entry) =>
        entry.Subject.Kind == SubjectKind.Circuit && before.Landed(new(entry.Subject.Id)) is { Space: { } space } landed
            && $"{landed.Panel}{landed.SpaceText}" == entry.As?.What ? new(landed.Key, landed.Panel, space) : null;
}
