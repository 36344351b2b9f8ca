using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Site;

/// <summary>
/// What is done on site, folded from the entries: the same whatever order they came in, and however often. A step is done while an entry
/// says so that no entry takes back; clocks decide nothing but the order in which it is read.
/// </summary>
public sealed class SiteRecord
{
    private readonly FrozenDictionary<(Subject, SiteStep, string), ImmutableArray<SiteEntry>> standing;

    private SiteRecord(ImmutableArray<SiteEntry> entries)
    {
        Entries = entries;
        var back = entries.Where(e => e.TakesBack is not null).Select(e => (e.TakesBack!.Value, e.Subject, e.Step, e.Line)).ToHashSet();
        Standing = [.. entries.Where(e => e.TakesBack is null && !back.Contains((e.Id, e.Subject, e.Step, e.Line)))];
        Pulled = Standing.Where(e => e.Step == SiteStep.Pulled).Select(e => e.Subject.AsRun).OfType<RunId>().ToImmutableHashSet();
        standing = Standing.GroupBy(e => (e.Subject, e.Step, e.Line)).ToFrozenDictionary(g => g.Key, g => g.ToImmutableArray());
    }

    /// <summary>Nothing is done.</summary>
    public static SiteRecord Empty { get; } = new([]);

    /// <summary>Every entry once, in the order of when it was done.</summary>
    public ImmutableArray<SiteEntry> Entries { get; }

    /// <summary>The entries that say what is done and are not taken back, in that order.</summary>
    public ImmutableArray<SiteEntry> Standing { get; }

    /// <summary>The runs that are pulled, whether the plan has them still or not.</summary>
    public ImmutableHashSet<RunId> Pulled { get; }

    /// <summary>Folds entries as they come from several phones: in any order, some of them twice.</summary>
    public static SiteRecord Of(IEnumerable<SiteEntry> entries) => new([.. entries.GroupBy(e => e.Id)
        .Select(g => g.Count() == 1 ? g.First() : g.OrderBy(e => e.ToString(), StringComparer.Ordinal).First())
        .OrderBy(e => e.When).ThenBy(e => e.Id)]);

    /// <summary>The entry by which a step is done; null while it is not.</summary>
    public SiteEntry? Of(Subject subject, SiteStep step, string line = "") => All(subject, step, line).FirstOrDefault();

    /// <summary>What a step is done to, by the entry that said so first: one each, in the order of when.</summary>
    public IEnumerable<SiteEntry> Done(SiteStep step) => Standing.Where(e => e.Step == step && Of(e.Subject, step) == e);

    /// <summary>Every entry that says a step is done, the first first: two may have written it down, or what was used was said later. To
    /// take the step back all of them are.</summary>
    public ImmutableArray<SiteEntry> All(Subject subject, SiteStep step, string line = "") =>
        standing.TryGetValue((subject, step, line), out var all) ? all : [];

    /// <summary>The reel that a run was cut from, as was said last; null where nobody said.</summary>
    public string? ReelOf(Subject run) => All(run, SiteStep.Pulled).LastOrDefault(e => e.Reel is not null)?.Reel;

    /// <summary>The step is done.</summary>
    public bool Is(Subject subject, SiteStep step, string line = "") => standing.ContainsKey((subject, step, line));

    /// <summary>The last reading of an outlet, or between two bars of a panel; null before the first.</summary>
    /// <param name="subject">The box or the panel.</param>
    /// <param name="line">Which bars, as <see cref="PanelBars"/> names them; empty for a box.</param>
    public SiteEntry? Metered(Subject subject, string line = "") => All(subject, SiteStep.Metered, line).LastOrDefault();

    /// <summary>Photographs of a wall, a room or whatever it is, the oldest first.</summary>
    public IEnumerable<SiteEntry> Photographs(Subject subject) => Standing.Where(e => e.Photograph is not null && e.Subject == subject);

    /// <summary>Photographs of a room, of its walls, and of what is named here, the oldest first.</summary>
    /// <param name="room">The room.</param>
    /// <param name="within">Boxes and runs in it.</param>
    public IEnumerable<SiteEntry> Photographs(RoomId room, IReadOnlySet<Subject> within) => Standing.Where(e => e.Photograph is not null
        && (e.Subject == Subject.Room(room) || within.Contains(e.Subject)
            || (e.Subject.Kind == SubjectKind.Wall && e.Subject.Numbered?.Of == room.Value)));

    /// <summary>What is circled on a photograph, the oldest first.</summary>
    /// <param name="photograph">The entry by which it was taken.</param>
    public IEnumerable<CircledThing> Circled(EntryId photograph) => Standing.Where(e => e.Step == SiteStep.Circled)
        .Select(e => Ring.TryParse(e.Line) is { } ring && ring.Photograph == photograph ? new CircledThing(e, ring) : null)
        .OfType<CircledThing>();

    /// <summary>What is to be mended at a line of the walk, the oldest first.</summary>
    public IEnumerable<SiteEntry> Corrections(Subject subject, string line) =>
        Corrections().Where(e => e.Subject == subject && e.Line == line);

    /// <summary>All that is to be mended, the oldest first.</summary>
    public IEnumerable<SiteEntry> Corrections() => Standing.Where(e => e.Step == SiteStep.Correction);
}
