using System.Globalization;
using System.Net;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Antiforgery;

namespace Circuitum.Web.Edge;

/// <summary>Stands at the edge: whatever was not foreseen is answered with a sentence that says what was not done, never with nothing, and
/// stands in the log under the number that the sentence names.</summary>
public sealed partial class Guard(RequestDelegate next, ILogger<Guard> log)
{
    private const string Nothing = "Nothing was half-saved: what the page named as saved is there.";

    /// <summary>Lets the request through and answers for what fails.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        try
        {
            await next(context);
        }
        catch (Exception e) when (context.RequestAborted.IsCancellationRequested)
        {
            // Whoever asked has gone: there is nobody to answer.
            WentAway(Logs.Shown(context.Request.Path), e.GetType().Name);
            context.Abort();
            return;
        }
        catch (Exception e) when (!context.Response.HasStarted)
        {
            var (status, sentence) = Said(e, context);
            if (StorageTrouble.Behind(e) is not null || e is PlanningBusyException)
            {
                context.Response.Headers.RetryAfter = "5";
            }

            await AnswerAsync(context, status, sentence);
            return;
        }

        if (context.Response is { HasStarted: false, StatusCode: >= 400, ContentType: null, ContentLength: null or 0 })
        {
            await AnswerAsync(context, context.Response.StatusCode, Sentence(context.Response.StatusCode));
        }
    }

    /// <summary>Answers with one sentence: as a page, or as a line for a page that is open already.</summary>
    public static async Task AnswerAsync(HttpContext context, int status, string sentence)
    {
        var keep = new[] { "Retry-After", "Allow" }.Select(h => (Name: h, Value: context.Response.Headers[h]))
            .Where(h => h.Value.Count > 0).ToList();
        context.Response.Clear();
        keep.ForEach(h => context.Response.Headers[h.Name] = h.Value);
        Headers.Set(context);
        context.Response.StatusCode = status;
        if (HttpMethods.IsHead(context.Request.Method))
        {
            return;
        }

        if (context.Request.Headers.ContainsKey("HX-Request"))
        {
            // The bench says it in its quiet line and keeps what was typed: see trouble.js.
            context.Response.Headers["HX-Reswap"] = "none";
            context.Response.Headers["X-Said"] = "line";
            context.Response.ContentType = "text/plain; charset=utf-8";
            await context.Response.WriteAsync(sentence);
            return;
        }

        context.Response.ContentType = "text/html; charset=utf-8";
        await context.Response.WriteAsync(Page(sentence));
    }

    private (int Status, string Sentence) Said(Exception e, HttpContext context)
    {
        switch (e)
        {
            case BadHttpRequestException bad:
                return (bad.StatusCode, Sentence(bad.StatusCode));
            case AntiforgeryValidationException:
                return (StatusCodes.Status400BadRequest, Sentence(StatusCodes.Status400BadRequest));
            case InvalidDataException:
                // A form that breaks its own limits, or is none.
                return (StatusCodes.Status400BadRequest,
                    "What was sent is no form that this program makes: a field is too long, there are too many, or it holds what no "
                    + "field can. Nothing was saved.");
            case PlanningBusyException busy:
                return (StatusCodes.Status503ServiceUnavailable, busy.Message);
            case PreparationException storage:
                return (StatusCodes.Status503ServiceUnavailable, storage.Message);
            case DamagedDocumentException damaged:
                return (StatusCodes.Status409Conflict, damaged.Message);
            case SpoiledJobException spoiled:
                return (StatusCodes.Status409Conflict, spoiled.Message);
        }

        if (StorageTrouble.Behind(e) is { } trouble)
        {
            Storage(context.Request.Method, Logs.Shown(context.Request.Path), e.GetBaseException().Message);
            return (StatusCodes.Status503ServiceUnavailable,
                $"{(HttpMethods.IsGet(context.Request.Method) ? "" : "Not saved. ")}{trouble.Sentence}");
        }

        var number = context.TraceIdentifier;
        Unforeseen(e, number, context.Request.Method, Logs.Shown(context.Request.Path), context.Request.QueryString.Value ?? "");
        var act = context.Request.Query["handler"].ToString() is { Length: > 0 and <= 40 } handler
            && handler.All(char.IsAsciiLetterOrDigit) ? $"“{handler}” was not done: " : "";
        return (StatusCodes.Status500InternalServerError,
            $"{act}something failed on our side. {Nothing} Open the job again; if it happens once more, report number {number}, under "
            + $"which it stands in the log.");
    }

    /// <summary>What a status says to a person.</summary>
    public static string Sentence(int status) => status switch
    {
        StatusCodes.Status404NotFound =>
            "There is no such job or page. It may have been opened from an old address; start from the job list.",
        StatusCodes.Status400BadRequest =>
            "The request could not be read, or this page was open for too long. Go back, open the page again, and repeat the step; "
            + "nothing was saved.",
        StatusCodes.Status405MethodNotAllowed => "That is not done at this address. Start from the job list.",
        StatusCodes.Status408RequestTimeout => "What was sent came too slowly and was not taken. Nothing was saved; send it again.",
        StatusCodes.Status413PayloadTooLarge => "What was sent is too large. A job file or a drawing is at most 5 MB. Nothing was saved.",
        StatusCodes.Status415UnsupportedMediaType => "What was sent is no form that this program makes. Nothing was saved.",
        >= 500 => $"Something failed on our side. {Nothing}",
        _ => string.Create(CultureInfo.InvariantCulture, $"The request was refused ({status}). Start from the job list."),
    };

    private static string Page(string sentence) => $"""
        <!DOCTYPE html>
        <html lang="en">
        <head>
          <meta charset="utf-8">
          <meta name="viewport" content="width=device-width, initial-scale=1">
          <title>Circuitum · problem</title>
          <link rel="icon" href="/icon.svg" type="image/svg+xml">
          <link rel="stylesheet" href="/css/site.css">
        </head>
        <body>
          <div class="list-page">
            <header class="head"><div class="job"><h1>Circuitum</h1></div></header>
            <main class="list"><p class="problem" role="alert">{WebUtility.HtmlEncode(sentence)}</p><p><a href="/">Job list</a></p></main>
          </div>
        </body>
        </html>
        """;

    [LoggerMessage(LogLevel.Debug, "Whoever asked for {Path} has gone ({Kind})")]
    private partial void WentAway(string path, string kind);

    [LoggerMessage(LogLevel.Error, "The job file failed at {Method} {Path}: {Message}")]
    private partial void Storage(string method, string path, string message);

    [LoggerMessage(LogLevel.Error, "Unforeseen, number {Number}, at {Method} {Path}{Query}")]
    private partial void Unforeseen(Exception e, string number, string method, string path, string query);
}
