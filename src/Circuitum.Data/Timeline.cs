using System.Collections.Immutable;

namespace Circuitum.Data;

/// <summary>What can be undone and redone after a list of revisions. Revisions only ever grow: an undo is a revision too.</summary>
public sealed record Timeline
{
    private ImmutableStack<Revision> done = [];
    private ImmutableStack<Revision> undone = [];

    private Timeline(Revision latest) => Latest = latest;

    /// <summary>The newest revision.</summary>
    public Revision Latest { get; private init; }

    /// <summary>The change that undo would take back, or null.</summary>
    public Revision? Undo => done.IsEmpty ? null : done.Peek();

    /// <summary>The change that redo would do again, or null.</summary>
    public Revision? Redo => undone.IsEmpty ? null : undone.Peek();

    /// <summary>Replays the revisions, oldest first; at least one.</summary>
    public static Timeline Of(IReadOnlyList<Revision> revisions) =>
        revisions.Skip(1).Aggregate(new Timeline(revisions[0]), (timeline, next) => timeline.After(next));

    /// <summary>The timeline with one more revision.</summary>
    public Timeline After(Revision next)
    {
        switch (next.Kind)
        {
            case RevisionKind.Change:
                return this with { Latest = next, done = done.Push(next), undone = [] };
            case RevisionKind.Undo:
                return this with { Latest = next, done = done.Pop(out var taken), undone = undone.Push(taken) };
            case RevisionKind.Redo:
                return this with { Latest = next, undone = undone.Pop(out var again), done = done.Push(again) };
            default:
                return this with { Latest = next };
        }
    }
}
