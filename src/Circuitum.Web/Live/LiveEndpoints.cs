using System.Globalization;
using System.Text.Json;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Web.Bench;
using Circuitum.Web.Sharing;

namespace Circuitum.Web.Live;

/// <summary>Tells a window, as long as it is open, which revision of its job is the newest, whose it is, and who else looks at the job.
/// What another program on the same file saves is told too: the file is asked.</summary>
public static class LiveEndpoints
{
    private static readonly TimeSpan Round = TimeSpan.FromMilliseconds(500);

    // A line now and then, so that a window that has gone is noticed.
    private const int Beat = 20;
    private const int Looked = 4;
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    /// <summary>Maps it.</summary>
    public static void MapLive(this IEndpointRouteBuilder app) => app.MapGet("/job/{key}/events", StreamAsync);

    private static async Task StreamAsync(string key, HttpContext context, JobRevisions revisions, LiveJobs live,
        Sessions sessions, TimeProvider clock, IHostApplicationLifetime life)
    {
        var job = new JobKey(key);
        if (await revisions.LatestAsync(job) is not { } latest)
        {
            context.Response.StatusCode = StatusCodes.Status404NotFound;
            return;
        }

        using var window = live.Open(job, Crew.NameOf(context));
        if (window is null)
        {
            // Nothing to hear here: a browser that is answered so does not ask again.
            context.Response.StatusCode = StatusCodes.Status204NoContent;
            return;
        }

        using var ends = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, life.ApplicationStopping);
        context.Response.ContentType = "text/event-stream";
        context.Response.Headers["X-Accel-Buffering"] = "no";
        try
        {
            await TellAsync(context.Response, job, latest, window, revisions, () => Known.StillAsync(context, sessions), clock, ends.Token);
        }
        catch (OperationCanceledException)
        {
            // The window was closed, or the program ends.
        }
    }

    private static async Task TellAsync(HttpResponse response, JobKey job, Revision latest, LiveJobs.Window window, JobRevisions revisions,
        Func<Task<bool>> still, TimeProvider clock, CancellationToken ends)
    {
        var others = window.Others;
        await SendAsync(response, "revision", Of(latest), ends);
        await SendAsync(response, "others", others, ends);
        using var timer = new PeriodicTimer(Round, clock);
        for (var round = 1; await timer.WaitForNextTickAsync(ends); round++)
        {
            if (await revisions.NewestAsync(job) != latest.Number)
            {
                if (await revisions.LatestAsync(job) is not { } newer)
                {
                    return;
                }

                latest = newer;
                await SendAsync(response, "revision", Of(latest), ends);
            }

            // Who was signed out meanwhile hears no more.
            if (round % Looked == 0 && !await still())
            {
                return;
            }

            if (window.Others is var now && !now.SequenceEqual(others))
            {
                others = now;
                await SendAsync(response, "others", others, ends);
            }

            if (round % Beat == 0)
            {
                await response.WriteAsync(":\n\n", ends);
                await response.Body.FlushAsync(ends);
            }
        }
    }

    private static object Of(Revision revision) =>
        new { Number = revision.Number.ToString(CultureInfo.InvariantCulture), revision.Who, revision.Phrase };

    private static async Task SendAsync(HttpResponse response, string name, object data, CancellationToken ends)
    {
        await response.WriteAsync($"event: {name}\ndata: {JsonSerializer.Serialize(data, Json)}\n\n", ends);
        await response.Body.FlushAsync(ends);
    }
}
