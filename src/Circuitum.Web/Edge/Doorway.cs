namespace Circuitum.Web.Edge;

/// <summary>What is let in: GET, HEAD and POST, and no more of a body than the act takes.</summary>
public sealed class Doorway(RequestDelegate next, IConfiguration settings, Sharing.Shared shared, TimeProvider clock)
{
    // Besides these a crew may name the ones its machine is known by: HOSTS=wiring.example;10.0.0.5.
    private static readonly string[] Own = ["localhost", "127.0.0.1", "[::1]"];

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(10);
    private readonly HashSet<string> hosts =
        new([.. Own, .. shared.Hosts, .. (settings["Hosts"] ?? "")
            .Split([';', ','], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)], StringComparer.OrdinalIgnoreCase);

    // Files are read whole: a few at once.
    private readonly SemaphoreSlim uploading = new(4);

    /// <summary>Largest form, 1 MB: the fields of the largest card are a few kB.</summary>
    public const long LargestForm = 1024 * 1024;

    /// <summary>Largest upload with its envelope: a file of 5 MB, and far enough beyond it to be told so.</summary>
    public const long LargestUpload = 6 * 1024 * 1024;

    /// <summary>Largest photograph with what comes beside it, and far enough beyond it to be told so.</summary>
    public const long LargestPhotograph = Formats.Photographs.Photograph.MostBytes + (1024 * 1024);

    // What is thrown away so that it can be told to be too large; beyond that the connection is cut.
    private const long Drained = 64 * 1024 * 1024;

    // Handlers that take a file.
    private static readonly string[] Uploads = ["Bring", "Underlay", "Compare", "Prices"];

    /// <summary>Turns away what is not let in.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        Housekeeping.Asked(clock);
        Headers.Set(context);
        if (!hosts.Contains(context.Request.Host.Host))
        {
            await Guard.AnswerAsync(context, StatusCodes.Status400BadRequest,
                "This address is not one of this server’s. It answers to localhost and 127.0.0.1; start it with HOSTS=name for other "
                + "names.");
            return;
        }

        var method = context.Request.Method;
        if (!HttpMethods.IsGet(method) && !HttpMethods.IsHead(method) && !HttpMethods.IsPost(method))
        {
            context.Response.Headers.Allow = "GET, HEAD, POST";
            await Guard.AnswerAsync(context, StatusCodes.Status405MethodNotAllowed, Guard.Sentence(StatusCodes.Status405MethodNotAllowed));
            return;
        }

        var photograph = HttpMethods.IsPost(method)
            && context.Request.Path.Value?.EndsWith(Site.SiteEndpoints.Photographs, StringComparison.Ordinal) == true;
        var upload = photograph || (HttpMethods.IsPost(method)
            && Uploads.Contains(context.Request.Query["handler"].ToString(), StringComparer.OrdinalIgnoreCase));
        var most = photograph ? LargestPhotograph : upload ? LargestUpload : LargestForm;
        var over = context.Request.ContentLength > most;
        if (context.Features.Get<Microsoft.AspNetCore.Http.Features.IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } body)
        {
            body.MaxRequestBodySize = over ? Drained : most;
        }

        if (over)
        {
            // A browser shows no answer before it has sent all: what is somewhat too large is let run out, kept nowhere.
            if (context.Request.ContentLength <= Drained)
            {
                await context.Request.Body.CopyToAsync(Stream.Null, context.RequestAborted);
            }

            await Guard.AnswerAsync(context, StatusCodes.Status413PayloadTooLarge, Guard.Sentence(StatusCodes.Status413PayloadTooLarge));
            return;
        }

        if (!upload)
        {
            await ReadAsync(context);
            return;
        }

        if (!await uploading.WaitAsync(Patience, context.RequestAborted))
        {
            throw new Bench.PlanningBusyException(
                "As many files are being read as the server can take at once. Nothing was changed; try again in a moment.");
        }

        try
        {
            await ReadAsync(context);
        }
        finally
        {
            uploading.Release();
        }
    }

    // The form is read here, once: what breaks its limits is told, and not taken for fields that were left out.
    private async Task ReadAsync(HttpContext context)
    {
        if (HttpMethods.IsPost(context.Request.Method) && context.Request.HasFormContentType)
        {
            await context.Request.ReadFormAsync(context.RequestAborted);
        }

        await next(context);
    }
}
