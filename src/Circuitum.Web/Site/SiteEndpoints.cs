using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Formats.Photographs;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Site;

/// <summary>An entry that was not kept, and why: the phone shows it to be placed by hand.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Why">In a sentence.</param>
public sealed record NotKept(string? Id, string Why);

/// <summary>What became of the entries that were sent: those named in neither list are to be sent again.</summary>
/// <param name="Kept">On the disk, now or before.</param>
/// <param name="Refused">They never can be kept.</param>
public sealed record Receipt(IReadOnlyList<string> Kept, IReadOnlyList<NotKept> Refused);

/// <summary>Where phones send what was written down on site, when there is signal: each entry is kept once, however often it
/// comes.</summary>
public static class SiteEndpoints
{
    // Plans of earlier revisions are made anew; a phone that has entries by more of them sends the rest again.
    private const int MostRevisions = 4;

    /// <summary>The end of the address that photographs are sent to.</summary>
    public const string Photographs = "/site/photographs";

    private static readonly string[] Read = ["GET", "HEAD"];

    /// <summary>Maps it.</summary>
    public static void MapSite(this IEndpointRouteBuilder app)
    {
        app.MapPost("/job/{key}/site/entries", ReceiveAsync);
        app.MapPost("/job/{key}" + Photographs, ReceivePhotographAsync);
        app.MapMethods("/job/{key}" + Photographs + "/{fingerprint}", Read, ShowAsync);
    }

    // One picture at a time, its entry in the address: what is kept is the picture and nothing that a camera writes beside it.
    private static async Task<IResult> ReceivePhotographAsync(string key, [AsParameters] SentEntry sent, HttpContext context,
        Workbench bench, SiteEntries site, Data.Photographs photographs, TimeProvider clock)
    {
        if (IsFromElsewhere(context.Request))
        {
            return Refusal(StatusCodes.Status403Forbidden, "This came from a page of another site. Nothing was kept.");
        }

        // A page of another site can send a form or plain text without asking, and no picture.
        if (context.Request.ContentType?.StartsWith("image/", StringComparison.OrdinalIgnoreCase) != true)
        {
            return Refusal(StatusCodes.Status415UnsupportedMediaType, "Send the picture itself, as image/jpeg. Nothing was kept.");
        }

        if (await bench.OpenAsync(new(key)) is not { } job)
        {
            return Refusal(StatusCodes.Status404NotFound, "There is no such job here. Nothing was kept.");
        }

        try
        {
            using var body = new MemoryStream();
            await context.Request.Body.CopyToAsync(body, context.RequestAborted);
            var picture = Photograph.Read(body.GetBuffer().AsSpan(0, (int)body.Length));
            var plan = await PlanAsync(bench, job, sent.Revision)
                ?? throw new FormatException($"There is no revision {sent.Revision} of this job.");
            var entry = (sent with { Step = nameof(SiteStep.Photographed), TakesBack = null, Photograph = picture.Fingerprint })
                .Read(plan, Now(clock), Crew.Of(context));
            return await photographs.KeepAsync(job.Key, picture.Fingerprint, picture.MediaType, picture.Bytes)
                && await site.AppendAsync(job.Key, [entry])
                ? Results.Json(new Receipt([entry.Id.ToString()], []))
                : Refusal(StatusCodes.Status422UnprocessableEntity,
                    $"This job has as many photographs, {Data.Photographs.MostOfJob}, or entries, {SiteEntries.MostOfJob}, "
                    + "as one can have.");
        }
        catch (FormatException e)
        {
            return Results.Json(new Receipt([], [new(sent.Id, e.Message)]));
        }
    }

    // Found by what is in it, so what was once seen never changes.
    private static async Task<IResult> ShowAsync(string key, string fingerprint, Data.Photographs photographs, HttpContext context)
    {
        if (await photographs.FindAsync(new(key), fingerprint) is not var (type, picture))
        {
            return Results.NotFound();
        }

        context.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.Bytes(picture, type);
    }

    private static Instant Now(TimeProvider clock) => new(clock.GetUtcNow().ToUnixTimeMilliseconds());

    private static async Task<IResult> ReceiveAsync(string key, HttpContext context, Workbench bench, SiteEntries site, TimeProvider clock)
    {
        if (IsFromElsewhere(context.Request))
        {
            return Refusal(StatusCodes.Status403Forbidden, "This came from a page of another site. Nothing was kept.");
        }

        if (!context.Request.HasJsonContentType())
        {
            return Refusal(StatusCodes.Status415UnsupportedMediaType, "Send the entries as application/json. Nothing was kept.");
        }

        if (await bench.OpenAsync(new(key)) is not { } job)
        {
            return Refusal(StatusCodes.Status404NotFound, "There is no such job here. Nothing was kept.");
        }

        IReadOnlyList<SentEntry> sent;
        try
        {
            sent = await SentEntry.ReadAsync(context.Request.Body, context.RequestAborted);
        }
        catch (FormatException e)
        {
            return Refusal(StatusCodes.Status422UnprocessableEntity, $"{e.Message} Nothing was kept.");
        }

        var (entries, refused) = (new List<SiteEntry>(), new List<NotKept>());
        foreach (var byRevision in sent.GroupBy(e => e.Revision).OrderByDescending(g => g.Key).Take(MostRevisions))
        {
            var plan = await PlanAsync(bench, job, byRevision.Key);
            foreach (var entry in byRevision)
            {
                try
                {
                    entries.Add(plan is null ? throw new FormatException($"There is no revision {entry.Revision} of this job.")
                        : entry.Read(plan, Now(clock), Crew.Of(context)));
                }
                catch (FormatException e)
                {
                    refused.Add(new(entry.Id, e.Message));
                }
            }
        }

        return await site.AppendAsync(new(key), entries)
            ? Results.Json(new Receipt([.. entries.Select(e => e.Id.ToString())], refused))
            : Refusal(StatusCodes.Status422UnprocessableEntity,
                $"This job has as many entries as one can have, {SiteEntries.MostOfJob}. Nothing was kept.");
    }

    private static async Task<Plan?> PlanAsync(Workbench bench, OpenJob job, int revision) =>
        revision == job.Revision ? job.Plan : revision > 0 && revision < job.Revision ? await bench.PlanAtAsync(job.Key, revision) : null;

    // JSON cannot be sent from elsewhere without asking first, and nothing here says yes; what a browser tells is believed all the same.
    private static bool IsFromElsewhere(HttpRequest request) =>
        request.Headers["Sec-Fetch-Site"].ToString() is { Length: > 0 } site && site is not ("same-origin" or "none");

    private static IResult Refusal(int status, string sentence) => Results.Json(new { error = sentence }, statusCode: status);
}
