using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;

namespace Circuitum.Web.Bench;

/// <summary>So many jobs are being planned that another would only make all of them later; the message says so.</summary>
public sealed class PlanningBusyException(string message) : Exception(message);

/// <summary>Where plans are made: a few at a time, the rest in a short line, each ended when it takes too long or nobody waits for it. One
/// dear job never holds up the others for good.</summary>
public sealed class Planning(TimeProvider clock) : IDisposable
{
    /// <summary>Most that wait their turn; the next is refused with a sentence.</summary>
    public const int MostWaiting = 200;

    /// <summary>Longest that one plan may take.</summary>
    public static TimeSpan Longest { get; } = TimeSpan.FromSeconds(20);

    private readonly SemaphoreSlim places = new(Math.Max(2, Environment.ProcessorCount));
    private int waiting;

    /// <summary>Does a piece of planning when a place is free.</summary>
    /// <param name="work">The work; it looks at its token.</param>
    /// <param name="gone">Ends it: nobody waits for it any more.</param>
    /// <exception cref="PlanningBusyException">The line is full, or the work took longer than any may.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for it.</exception>
    public async Task<T> DoAsync<T>(Func<CancellationToken, T> work, CancellationToken gone)
    {
        if (Interlocked.Increment(ref waiting) > MostWaiting)
        {
            Interlocked.Decrement(ref waiting);
            throw new PlanningBusyException(
                "The server is planning as many jobs as it can just now. Nothing was changed; try again in a moment.");
        }

        try
        {
            await places.WaitAsync(gone);
        }
        finally
        {
            Interlocked.Decrement(ref waiting);
        }

        try
        {
            using var late = new CancellationTokenSource(Longest, clock);
            using var either = CancellationTokenSource.CreateLinkedTokenSource(late.Token, gone);
            try
            {
                // On its own thread, so that what waits for it can go.
                return await Task.Run(() => work(either.Token), CancellationToken.None);
            }
            catch (OperationCanceledException) when (!gone.IsCancellationRequested)
            {
                throw new PlanningBusyException(
                    $"This job takes longer than {Longest.TotalSeconds:0} s to plan. Nothing was changed. Divide it into several jobs, a "
                    + $"building or a story each.");
            }
        }
        finally
        {
            places.Release();
        }
    }

    /// <summary>Plans a job.</summary>
    /// <inheritdoc cref="DoAsync"/>
    public Task<Plan> PlanAsync(Job job, CancellationToken gone) => DoAsync(token => Planner.Plan(job, token), gone);

    /// <inheritdoc/>
    public void Dispose() => places.Dispose();
}
