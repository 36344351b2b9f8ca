using System.Collections.Immutable;

namespace Circuitum.Data;

/// <summary>What can be undone and redone after a list of revisions. Revisions only ever grow: an undo is a revision too.</summary>
/// <param name="Latest">The newest revision.</param>
/// <param name="Undo">The change that undo would take back, or null.</param>
/// <param name="Redo">The change that redo would do again, or null.</param>
public sealed record Timeline(Revision Latest, Revision? Undo, Revision? Redo)
{
    /// <summary>Replays the revisions, oldest first; at least one.</summary>
    public static Timeline Of(IReadOnlyList<Revision> revisions)
    {
        var done = ImmutableStack<Revision>.Empty;
        var undone = ImmutableStack<Revision>.Empty;
        foreach (var revision in revisions)
        {
            switch (revision.Kind)
            {
                case RevisionKind.Change:
                    done = done.Push(revision);
                    undone = [];
                    break;
                case RevisionKind.Undo:
                    done = done.Pop(out var taken);
                    undone = undone.Push(taken);
                    break;
                case RevisionKind.Redo:
                    undone = undone.Pop(out var again);
                    done = done.Push(again);
                    break;
                default:
                    break;
            }
        }

        return new(revisions[^1], done.IsEmpty ? null : done.Peek(), undone.IsEmpty ? null : undone.Peek());
    }
}
