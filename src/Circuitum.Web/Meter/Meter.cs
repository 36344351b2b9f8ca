using System.Threading.Channels;
using Circuitum.Core.Units;
using Circuitum.Web.Edge;

namespace Circuitum.Web.Meter;

/// <summary>One reading of the distance meter.</summary>
/// <param name="Number">From 1, in the order they were taken.</param>
/// <param name="Text">As the trade writes it.</param>
/// <param name="Then">What the device types after it: stay, next or enter.</param>
public sealed record Reading(int Number, string Text, string Then);

/// <summary>Stands in for a laser distance meter that types: whoever listens gets every reading taken from then on, in order.</summary>
public sealed class DistanceMeter
{
    private const int MostWaiting = 100;

    /// <summary>Most that listen at once.</summary>
    public const int MostListening = 64;

    /// <summary>Another may listen.</summary>
    public bool HasRoom
    {
        get
        {
            lock (gate)
            {
                return listeners.Count < MostListening;
            }
        }
    }

    private readonly Lock gate = new();
    private readonly List<Channel<Reading>> listeners = [];
    private int taken;

    /// <summary>Takes a reading and sends it to all who listen.</summary>
    public Reading Take(Length distance, string then)
    {
        lock (gate)
        {
            var reading = new Reading(++taken, distance.ToString(), then is "next" or "enter" ? then : "stay");
            foreach (var listener in listeners)
            {
                listener.Writer.TryWrite(reading);
            }

            return reading;
        }
    }

    /// <summary>Readings from now on, until the listener goes away.</summary>
    public async IAsyncEnumerable<Reading> ListenAsync([System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken gone)
    {
        var mine = Channel.CreateBounded<Reading>(new BoundedChannelOptions(MostWaiting) { FullMode = BoundedChannelFullMode.DropOldest });
        lock (gate)
        {
            listeners.Add(mine);
        }

        try
        {
            await foreach (var reading in mine.Reader.ReadAllAsync(gone))
            {
                yield return reading;
            }
        }
        finally
        {
            lock (gate)
            {
                listeners.Remove(mine);
            }
        }
    }
}

/// <summary>The stream of readings.</summary>
public static class MeterEndpoints
{
    /// <summary>Maps it.</summary>
    public static void MapMeter(this IEndpointRouteBuilder app) =>
        app.MapGet("/meter/readings", async (DistanceMeter meter, HttpContext context) =>
    {
        var gone = context.RequestAborted;
        if (!meter.HasRoom)
        {
            await Guard.AnswerAsync(context, StatusCodes.Status503ServiceUnavailable,
                $"{DistanceMeter.MostListening} pages listen to the meter already. Close some of them.");
            return;
        }

        context.Response.ContentType = "text/event-stream";
        context.Response.Headers.CacheControl = "no-store";
        await context.Response.WriteAsync(": ready\n\n", gone);
        await context.Response.Body.FlushAsync(gone);
        try
        {
            await foreach (var reading in meter.ListenAsync(gone))
            {
                await context.Response.WriteAsync(
                    $"event: reading\nid: {reading.Number}\ndata: "
                    + $"{System.Text.Json.JsonSerializer.Serialize(new { text = reading.Text, then = reading.Then })}\n\n", gone);
                await context.Response.Body.FlushAsync(gone);
            }
        }
        catch (OperationCanceledException)
        {
            // Whoever listened has gone: nothing to do.
        }
    });
}
