using Circuitum.Data;

namespace Circuitum.Web.Bench;

/// <summary>Plans of jobs that were opened lately: functions of their jobs, so that what is dropped can always be made again. Kept by size
/// and age, the one unused longest goes first.</summary>
public sealed class KeptPlans(TimeProvider clock)
{
    /// <summary>Most boxes of all plans that are kept, each job counted with a few more for itself; the demo’s plan takes about 1
    /// MB.</summary>
    public const int MostWeight = 9000;

    /// <summary>How long a plan is kept that nobody looks at.</summary>
    public static TimeSpan Oldest { get; } = TimeSpan.FromMinutes(15);

    private const int Bare = 20;
    private readonly Lock gate = new();
    private readonly Dictionary<JobKey, LinkedListNode<Kept>> byKey = [];
    private readonly LinkedList<Kept> used = [];
    private long weight;

    /// <summary>Jobs whose plans are kept.</summary>
    public int Count
    {
        get
        {
            lock (gate)
            {
                return byKey.Count;
            }
        }
    }

    /// <summary>The plan that is kept of a job, or null.</summary>
    public OpenJob? Find(JobKey key)
    {
        lock (gate)
        {
            if (!byKey.TryGetValue(key, out var node))
            {
                return null;
            }

            used.Remove(node);
            used.AddFirst(node);
            node.Value = node.Value with { Looked = clock.GetTimestamp() };
            return node.Value.Job;
        }
    }

    /// <summary>Drops all of them.</summary>
    public void Clear()
    {
        lock (gate)
        {
            byKey.Clear();
            used.Clear();
            weight = 0;
        }
    }

    /// <summary>Keeps a plan in place of the one before; an older one than is kept is left.</summary>
    public OpenJob Keep(OpenJob job)
    {
        lock (gate)
        {
            if (byKey.TryGetValue(job.Key, out var known))
            {
                if (known.Value.Job.Revision > job.Revision)
                {
                    return job;
                }

                Remove(known);
            }

            var node = used.AddFirst(new Kept(job, job.Plan.Job.Boxes.Length + Bare, clock.GetTimestamp()));
            byKey[job.Key] = node;
            weight += node.Value.Weight;
            while (weight > MostWeight && used.Count > 1)
            {
                Remove(used.Last!);
            }
        }

        return job;
    }

    /// <summary>Drops the plan of a job.</summary>
    public void Drop(JobKey key)
    {
        lock (gate)
        {
            if (byKey.TryGetValue(key, out var node))
            {
                Remove(node);
            }
        }
    }

    /// <summary>Drops what nobody looked at for a time; how many.</summary>
    public int DropOld()
    {
        lock (gate)
        {
            var dropped = 0;
            while (used.Last is { } last && clock.GetElapsedTime(last.Value.Looked) > Oldest)
            {
                Remove(last);
                dropped++;
            }

            return dropped;
        }
    }

    private void Remove(LinkedListNode<Kept> node)
    {
        used.Remove(node);
        byKey.Remove(node.Value.Job.Key);
        weight -= node.Value.Weight;
    }

    private sealed record Kept(OpenJob Job, int Weight, long Looked);
}
