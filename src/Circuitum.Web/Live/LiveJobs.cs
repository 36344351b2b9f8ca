using System.Collections.Concurrent;
using Circuitum.Data;

namespace Circuitum.Web.Live;

/// <summary>Who looks at which job now, so that each can be told of the others.</summary>
public sealed class LiveJobs
{
    /// <summary>Most windows that are told of one job.</summary>
    public const int MostOfJob = 60;

    /// <summary>Most windows that are told of any.</summary>
    public const int Most = 400;

    private readonly ConcurrentDictionary<JobKey, ConcurrentDictionary<Guid, string>> there = new();
    private int all;

    /// <summary>Windows that are open.</summary>
    public int Windows => Volatile.Read(ref all);

    /// <summary>Somebody opens a window; null when there are as many as are told. Disposing closes it.</summary>
    public Window? Open(JobKey job, string who)
    {
        var windows = there.GetOrAdd(job, _ => new());
        if (windows.Count >= MostOfJob)
        {
            return null;
        }

        if (Interlocked.Increment(ref all) > Most)
        {
            Interlocked.Decrement(ref all);
            return null;
        }

        var window = new Window(this, job, Guid.NewGuid());
        windows[window.Id] = who;
        return window;
    }

    /// <summary>An open window.</summary>
    public sealed class Window(LiveJobs jobs, JobKey job, Guid id) : IDisposable
    {
        private int closed;

        internal Guid Id => id;

        /// <summary>The others who look at the job, each once, by name.</summary>
        public IReadOnlyList<string> Others => jobs.there.TryGetValue(job, out var windows)
            ? [.. windows.Where(w => w.Key != id).Select(w => w.Value).Distinct().Order(StringComparer.OrdinalIgnoreCase)] : [];

        /// <inheritdoc/>
        public void Dispose()
        {
            if (Interlocked.Exchange(ref closed, 1) == 0)
            {
                Interlocked.Decrement(ref jobs.all);
                if (jobs.there.TryGetValue(job, out var windows))
                {
                    windows.TryRemove(id, out _);
                }
            }
        }
    }
}
