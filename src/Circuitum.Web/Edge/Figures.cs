using System.Collections.Concurrent;
using System.Diagnostics;

namespace Circuitum.Web.Edge;

/// <summary>How many answers of a kind there were, and how long the last of them took.</summary>
/// <param name="Count">How many since the start.</param>
/// <param name="Median">Half took no longer.</param>
/// <param name="Most">95 of 100 took no longer.</param>
public sealed record Answered(long Count, TimeSpan Median, TimeSpan Most);

/// <summary>Counts what is asked and how long the answers take, since the start.</summary>
public sealed class Figures(TimeProvider clock)
{
    /// <summary>Of so many last answers the times are kept.</summary>
    public const int Kept = 1000;

    private readonly long began = clock.GetTimestamp();
    private readonly Times reads = new();
    private readonly Times sends = new();
    private readonly ConcurrentDictionary<int, long> refused = new();

    /// <summary>How long it runs.</summary>
    public TimeSpan Running => clock.GetElapsedTime(began);

    /// <summary>Pages and files.</summary>
    public Answered Reads => reads.Of();

    /// <summary>Changes and other things that were sent.</summary>
    public Answered Sends => sends.Of();

    /// <summary>Answers with a status of 400 and above, by status.</summary>
    public IReadOnlyDictionary<int, long> Refused => refused;

    /// <summary>Measures one request.</summary>
    public async Task MeasureAsync(HttpContext context, Func<Task> next)
    {
        var from = clock.GetTimestamp();
        await next();
        if (context.Response.StatusCode >= StatusCodes.Status400BadRequest)
        {
            refused.AddOrUpdate(context.Response.StatusCode, 1, (_, n) => n + 1);
        }

        // A line that stays open is no answer that takes long.
        if (context.Response.ContentType != "text/event-stream")
        {
            (HttpMethods.IsPost(context.Request.Method) ? sends : reads).Add(clock.GetElapsedTime(from));
        }
    }

    /// <summary>Memory that the process holds, bytes.</summary>
    public static long Memory
    {
        get
        {
            using var process = Process.GetCurrentProcess();
            return process.WorkingSet64;
        }
    }

    // The last so many, written around and around.
    private sealed class Times
    {
        private readonly long[] ticks = new long[Kept];
        private long count;

        public void Add(TimeSpan took) => ticks[(Interlocked.Increment(ref count) - 1) % Kept] = took.Ticks;

        public Answered Of()
        {
            var all = Interlocked.Read(ref count);
            long[] sorted = [.. ticks.Take((int)Math.Min(all, Kept)).Order()];
            return sorted.Length == 0 ? new(0, TimeSpan.Zero, TimeSpan.Zero)
                : new(all, new(sorted[sorted.Length / 2]), new(sorted[(int)Math.Ceiling(sorted.Length * 0.95) - 1]));
        }
    }
}
