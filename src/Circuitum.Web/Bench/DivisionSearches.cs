using System.Collections.Concurrent;
using Circuitum.Core.Jobs;
using Circuitum.Core.Searches;
using Circuitum.Data;

namespace Circuitum.Web.Bench;

/// <summary>A search for a better division, as it stands or as it ended.</summary>
/// <param name="Revision">The revision of the job that is searched.</param>
/// <param name="Seconds">How long it is to take.</param>
/// <param name="Started">When it began.</param>
/// <param name="Latest">The best so far; null before the first look.</param>
/// <param name="Running">It goes on.</param>
/// <param name="Elapsed">How long it has taken.</param>
public sealed record SearchState(int Revision, int Seconds, DateTimeOffset Started, Redivision? Latest, bool Running, TimeSpan Elapsed);

/// <summary>Searches that run beside the bench: one for a job, so many at once; the rest wait their turn.</summary>
public sealed class DivisionSearches(TimeProvider clock) : IDisposable
{
    /// <summary>Name of what is found until somebody gives it another.</summary>
    public const string Name = "Better division";

    private const int AtOnce = 2;
    private static readonly TimeSpan Remembered = TimeSpan.FromHours(1);
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(3);
    private readonly ConcurrentDictionary<JobKey, Search> searches = new();
    private readonly SemaphoreSlim turn = new(AtOnce);

    /// <summary>Starts a search of a job; one that runs already is stopped first.</summary>
    public void Start(JobKey key, OpenJob job, int seconds)
    {
        Stop(key);
        var search = new Search(job.Revision, seconds, clock.GetUtcNow());
        searches[key] = search;
        search.Task = Task.Run(() => RunAsync(search, job.Plan.Job));
    }

    /// <summary>Stops the search of a job; what it found stays.</summary>
    public void Stop(JobKey key)
    {
        if (searches.TryGetValue(key, out var search))
        {
            search.Stop.Cancel();
        }
    }

    /// <summary>Stops the search of a job and waits for what it found, a few seconds at most: it looks at the clock between
    /// tries.</summary>
    public async Task StopAsync(JobKey key)
    {
        Stop(key);
        if (searches.TryGetValue(key, out var search))
        {
            await Task.WhenAny(search.Task, Task.Delay(Patience, clock));
        }
    }

    /// <summary>Forgets what ended an hour ago or longer.</summary>
    public void DropOld()
    {
        foreach (var (key, search) in searches)
        {
            if (search.Ended is { } ended && clock.GetUtcNow() - ended > Remembered)
            {
                searches.TryRemove(new(key, search));
            }
        }
    }

    /// <summary>Forgets the search of a job.</summary>
    public void Drop(JobKey key)
    {
        Stop(key);
        searches.TryRemove(key, out _);
    }

    /// <summary>The search of a job, or null.</summary>
    public SearchState? Of(JobKey key) => searches.TryGetValue(key, out var s)
        ? new(s.Revision, s.Seconds, s.Started, s.Latest, s.Ended is null, (s.Ended ?? clock.GetUtcNow()) - s.Started)
        : null;

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var search in searches.Values)
        {
            search.Stop.Cancel();
        }

        turn.Dispose();
    }

    private async Task RunAsync(Search search, Job job)
    {
        try
        {
            await turn.WaitAsync(search.Stop.Token);
        }
        catch (OperationCanceledException)
        {
            search.Ended = clock.GetUtcNow();
            return;
        }

        try
        {
            using var over = new CancellationTokenSource(TimeSpan.FromSeconds(search.Seconds), clock);
            using var either = CancellationTokenSource.CreateLinkedTokenSource(search.Stop.Token, over.Token);
            search.Latest = Redivide.Find(job, Name, int.MaxValue / 2, found => search.Latest = found, either.Token);
        }
        finally
        {
            search.Ended = clock.GetUtcNow();
            turn.Release();
        }
    }

    private sealed class Search(int revision, int seconds, DateTimeOffset started)
    {
        private volatile Redivision? latest;

        public int Revision { get; } = revision;

        public int Seconds { get; } = seconds;

        public DateTimeOffset Started { get; } = started;

        public CancellationTokenSource Stop { get; } = new();

        public Redivision? Latest { get => latest; set => latest = value; }

        public DateTimeOffset? Ended { get; set; }

        public Task Task { get; set; } = Task.CompletedTask;
    }
}
