using Circuitum.Web.Bench;

namespace Circuitum.Web.Edge;

/// <summary>Gives back what nobody uses: plans that were not looked at for a time, searches that ended long ago, and memory once nobody
/// asks for anything.</summary>
public sealed class Housekeeping(KeptPlans plans, DivisionSearches searches, TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Round = TimeSpan.FromSeconds(20);
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(30);

    // What is worth a full collection when all is quiet.
    private const long Much = 120L * 1024 * 1024;
    private static long asked;

    /// <summary>Told of every request.</summary>
    public static void Asked(TimeProvider clock) => Interlocked.Exchange(ref asked, clock.GetTimestamp());

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Round, clock);
        var given = 0L;
        try
        {
            while (await timer.WaitForNextTickAsync(stoppingToken))
            {
                plans.DropOld();
                searches.DropOld();
                var last = Interlocked.Read(ref asked);
                if (last != given && clock.GetElapsedTime(last) > Quiet && Environment.WorkingSet > Much)
                {
                    given = last;
                    GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
                }
            }
        }
        catch (OperationCanceledException)
        {
            // The program ends.
        }
    }
}
