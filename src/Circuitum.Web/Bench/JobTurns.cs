using System.Collections.Concurrent;
using Circuitum.Data;

namespace Circuitum.Web.Bench;

/// <summary>What is done to one job at once is done one after the other, each on top of the last: who comes second is not beaten while it
/// is planned.</summary>
internal sealed class JobTurns
{
    // Who has waited so long goes ahead, and is asked where it must be.
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(10);
    private readonly ConcurrentDictionary<JobKey, SemaphoreSlim> turns = new();

    /// <summary>Does an act in its turn.</summary>
    /// <param name="key">The job.</param>
    /// <param name="act">The act.</param>
    /// <param name="gone">Whoever asked has gone.</param>
    public async Task<Outcome> DoAsync(JobKey key, Func<Task<Outcome>> act, CancellationToken gone)
    {
        var turn = turns.GetOrAdd(key, _ => new(1));
        var mine = await turn.WaitAsync(Longest, gone);
        try
        {
            return await act();
        }
        finally
        {
            if (mine)
            {
                turn.Release();
            }
        }
    }
}
