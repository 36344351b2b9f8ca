namespace Circuitum.Web.Tests;

/// <summary>A clock that goes only when it is told to; what waits for it is called then.</summary>
internal sealed class HandClock : TimeProvider
{
    private readonly List<Waiting> waiting = [];
    private TimeSpan passed;

    public override long TimestampFrequency => TimeSpan.TicksPerSecond;

    public override long GetTimestamp() => passed.Ticks;

    public override DateTimeOffset GetUtcNow() => DateTimeOffset.UnixEpoch + passed;

    public void Pass(TimeSpan time)
    {
        passed += time;
        foreach (var w in waiting.Where(w => w.Due <= passed).ToList())
        {
            waiting.Remove(w);
            w.Call();
        }
    }

    public override ITimer CreateTimer(TimerCallback callback, object? state, TimeSpan dueTime, TimeSpan period)
    {
        var one = new Waiting(passed + dueTime, () => callback(state));
        waiting.Add(one);
        return one;
    }

    private sealed record Waiting(TimeSpan Due, Action Call) : ITimer
    {
        public bool Change(TimeSpan dueTime, TimeSpan period) => true;

        public void Dispose()
        {
            // Nothing is held.
        }

        public ValueTask DisposeAsync() => ValueTask.CompletedTask;
    }
}
