using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>What stands between the record and the plan.</summary>
public enum ClashKind
{
    /// <summary>The plan has no such run or circuit any more.</summary>
    Gone,

    /// <summary>Another cable is to lie there.</summary>
    OtherCable,

    /// <summary>It was cut shorter than the way is now.</summary>
    Short,

    /// <summary>It landed in another space.</summary>
    OtherSpace,
}

/// <summary>Something that was done by an earlier plan and does not fit the one of today.</summary>
/// <param name="Entry">The entry that says it was done.</param>
/// <param name="Kind">How it does not fit.</param>
/// <param name="Words">In a sentence.</param>
/// <param name="Lost">Feet of cable that come out again.</param>
/// <param name="Again">Feet that are pulled in their place.</param>
public sealed record SiteClash(SiteEntry Entry, ClashKind Kind, string Words, Length Lost, Length Again)
{
    /// <summary>The change of the plan that keeps what is done, as a person's pin; null where no pin can. A pin that breaks a rule is kept
    /// and tagged, as ever.</summary>
    public JobChange? Keep { get; init; }
}

/// <summary>What a change of the plan costs where cables lie already. Nothing that was done is forgotten, and nothing is forbidden: it is
/// told until it is done, or taken back.</summary>
public static class SiteClashes
{
    /// <summary>Every clash, in the order of when the work was done.</summary>
    public static ImmutableArray<SiteClash> Of(Plan plan, SiteRecord record) =>
        [.. record.Standing.Where(e => e.As is not null && record.Of(e.Subject, e.Step) == e).Select(e => Of(plan, e)).OfType<SiteClash>()];

    /// <summary>What a change costs on site, in a sentence; null where it costs nothing.</summary>
    /// <param name="before">The plan before it.</param>
    /// <param name="after">The plan after it.</param>
    /// <param name="record">What is done.</param>
    public static string? CostOf(Plan before, Plan after, SiteRecord record)
    {
        if (record.Standing.IsEmpty)
        {
            return null;
        }

        var come = Come(before, after, record);
        var (runs, landed) = (come.FindAll(c => c.Entry.Step == SiteStep.Pulled), come.FindAll(c => c.Entry.Step == SiteStep.Landed));
        var parts = new[]
        {
            runs.Count == 0 ? null
                : $"{runs.Count} pulled {(runs.Count == 1 ? "run does" : "runs do")} not fit any more: "
                + $"{runs.Select(c => c.Lost).Total().WholeFeetUp} ft come out, {runs.Select(c => c.Again).Total().WholeFeetUp} ft go in",
            landed.Count == 0 ? null : $"{landed.Count} landed {(landed.Count == 1 ? "breaker is" : "breakers are")} in another space now",
        }.OfType<string>().ToList();
        return parts.Count == 0 ? null : $"On site: {string.Join("; ", parts)}";
    }

    /// <summary>What does not fit a plan any more, and did fit the one before it.</summary>
    /// <param name="before">The plan before.</param>
    /// <param name="after">The plan after.</param>
    /// <param name="record">What is done.</param>
    public static List<SiteClash> Come(Plan before, Plan after, SiteRecord record)
    {
        var known = Of(before, record).Select(c => (c.Entry.Id, c.Words)).ToHashSet();
        return [.. Of(after, record).Where(c => !known.Contains((c.Entry.Id, c.Words)))];
    }

    private static SiteClash? Of(Plan plan, SiteEntry entry) => (entry.Step, entry.As) switch
    {
        (SiteStep.Pulled, { } done) when entry.Subject.Kind == SubjectKind.Run => Pulled(plan, entry, done),
        (SiteStep.Pulled or SiteStep.Dug or SiteStep.Laid, { } done) => Other(plan, entry, done),
        (SiteStep.Landed, { } done) => Landed(plan, entry, done),
        _ => null,
    };

    private static SiteClash? Pulled(Plan plan, SiteEntry entry, AsDone done)
    {
        var said = $"{done.Name}: {done.What}, {done.Cut.WholeFeetUp} ft, is pulled";
        if (entry.Subject.AsRun is not { } id || plan.FindRun(id) is not var (circuit, run))
        {
            return new(entry, ClashKind.Gone, $"{said}; the plan has no run there now.", done.Cut, Length.Zero);
        }

        var cable = circuit.CableOf(run);
        return cable != done.What
            ? new(entry, ClashKind.OtherCable, $"{said}; the plan has {cable} there now.", done.Cut, run.Length.Value)
            { Keep = KeptSize(done.What, cable) is { } gauge ? new PinCable(run.Circuit, gauge) : null }
            : run.Length.Value > done.Cut
                ? new(entry, ClashKind.Short, $"{said}; its way takes {run.Length.Value.WholeFeetUp} ft now.", done.Cut, run.Length.Value)
                : null;
    }

    // A cable cut shorter than its way is pulled again; a trench that is to be longer is dug on, and a pipe joined on, at no loss.
    private static SiteClash? Other(Plan plan, SiteEntry entry, AsDone done)
    {
        var said = $"{done.Name}: {done.What}, {done.Cut.WholeFeetUp} ft, is {entry.Step.Words()}";
        Length Cable(Length length) => entry.Step == SiteStep.Pulled ? length : Length.Zero;
        if (OtherWork.Find(plan, entry.Subject) is not { } line)
        {
            return new(entry, ClashKind.Gone, $"{said}; the plan has none there now.", Cable(done.Cut), Length.Zero);
        }

        return line.What != done.What
            ? new(entry, ClashKind.OtherCable, $"{said}; the plan has {line.What} there now.", Cable(done.Cut), Cable(line.Long))
            : line.Long > done.Cut
                ? new(entry, ClashKind.Short, $"{said}; it is {line.Long.WholeFeetUp} ft now.", Cable(done.Cut), Cable(line.Long))
                : null;
    }

    private static SiteClash? Landed(Plan plan, SiteEntry entry, AsDone done)
    {
        var landed = plan.Landed(new(entry.Subject.Id));
        var space = landed is null ? null : $"{landed.Panel}{landed.SpaceText}";
        return landed is null
            ? new(entry, ClashKind.Gone, $"{done.Name} is landed in {done.What}; the plan has no such circuit now.", default, default)
            : space != done.What
                ? new(entry, ClashKind.OtherSpace, $"{done.Name} is landed in {done.What}; the plan has it in {space} now.", default,
                    default)
                { Keep = KeptSpace(done.What, landed.Panel) is { } at ? new PinSpace(landed.Key, at) : null }
                : null;
    }

    // 10-3 and 6-3 differ in size alone; another number of conductors, or another kind of cable, no pin brings back.
    private static Gauge? KeptSize(string done, string now) =>
        done.Split('-', 2) is [var size, var kind] && now.Split('-', 2) is [_, var other]
            && kind == other && Gauge.TryParse(size, out var gauge) ? gauge : null;

    // A14 or A5/7 in that panel: the space that the breaker begins in.
    private static PanelSpace? KeptSpace(string done, PanelId panel) => done.StartsWith(panel.Value, StringComparison.Ordinal)
        && PanelSpace.TryParse(done[panel.Value.Length..].Split('/')[0], out var space) ? space : null;
}
