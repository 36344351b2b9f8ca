using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Sets how deep a trench is and what else lies in it.</summary>
/// <param name="Trench">The trench.</param>
/// <param name="Cover">6 to 48 in.</param>
/// <param name="DataPipe">Earth between the power and a pipe for data; null without one.</param>
/// <param name="UnderDrive">Part of it lies under the dwelling's driveway.</param>
public sealed record SetTrench(string Trench, Length Cover, Length? DataPipe, bool UnderDrive) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var trench = TrenchChanges.Find(job, new(Trench));
        phrase = "Change a trench";
        return job with
        {
            Trenches = job.Trenches.Replace(trench,
            trench with { Depth = Cover, DataPipe = DataPipe, UnderDrive = UnderDrive })
        };
    }
}

/// <summary>Moves a corner of a trench, puts one in, or takes one out: a detour round a tree or a septic field.</summary>
/// <param name="Trench">The trench.</param>
/// <param name="Number">Which corner between its ends, from 1; for a new one the number that it will have.</param>
/// <param name="At">On the plan of the building it comes from; null takes it out.</param>
/// <param name="New">Puts a new corner in instead of moving one.</param>
public sealed record MoveTrenchCorner(string Trench, int Number, Point? At, bool New) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var trench = TrenchChanges.Find(job, new(Trench));
        if (Number < 1 || Number > trench.Path.Length - 2 + (New ? 1 : 0))
        {
            throw new ChangeRefusedException("That corner of the trench is not in this job any more.");
        }

        var origin = LevelChanges.Find(job, trench.From).Origin;
        var site = At?.By(origin.X, origin.Y);
        phrase = site is null ? "Take a corner out of a trench" : New ? "Lead a trench round one more corner" : "Move a corner of a trench";
        return job with
        {
            Trenches = job.Trenches.Replace(trench,
            trench with
            {
                Path = site is not Point at ? trench.Path.RemoveAt(Number) : New ? trench.Path.Insert(Number, at)
                : trench.Path.SetItem(Number, at)
            })
        };
    }
}

/// <summary>What the changes of trenches share.</summary>
internal static class TrenchChanges
{
    public static Trench Find(Job job, Id<Trench> id) => job.Trenches.FirstOrDefault(t => t.Id == id)
        ?? throw new ChangeRefusedException($"Trench “{id}” is not in this job any more.");
}
