using System.Security.Claims;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Web.Edge;
using Microsoft.AspNetCore.StaticAssets;

namespace Circuitum.Web.Sharing;

/// <summary>Stands before every page, file and stream of a server that is shared, and lets in whom the address admits.</summary>
public sealed class Gate(RequestDelegate next, Shared shared, Sessions sessions, Drawings drawings, Doors doors)
{
    /// <summary>The cookie that holds the key of a session.</summary>
    public const string Cookie = "__Host-session";

    /// <summary>Where the code on a panel's door leads: the pattern of its route.</summary>
    public const string Door = "door/{code}/{panel?}";

    private static readonly string[] OnlyShared =
        [Door, "sign-in", "invitation/{code}", "guest/{code}", "account", "people", "job/{key}/share"];

    /// <summary>Lets in, or answers why not.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        var pattern = PatternOf(context);
        if (!shared.Is)
        {
            // On loopback one person has it all, and nobody signs in.
            if (pattern is not null && OnlyShared.Contains(pattern, StringComparer.OrdinalIgnoreCase))
            {
                await Guard.AnswerAsync(context, StatusCodes.Status404NotFound,
                    "This server is one person’s own: there are no accounts. Started with --share it is a crew’s, and everybody signs in.");
                return;
            }

            await next(context);
            return;
        }

        if (!context.Request.IsHttps)
        {
            await Guard.AnswerAsync(context, StatusCodes.Status400BadRequest,
                "This came without HTTPS. The proxy before this server has to pass on “X-Forwarded-Proto: https”.");
            return;
        }

        // Whoever stands before a panel reads one page of one job, as the owner allowed it: the code says which.
        if (pattern == Door)
        {
            if (await doors.FindAsync(context.GetRouteValue("code")?.ToString() ?? "") is not { } job)
            {
                await Guard.AnswerAsync(context, StatusCodes.Status404NotFound,
                    "This code opens nothing any more. Whoever keeps the panel’s schedule can print a new one.");
                return;
            }

            context.Request.RouteValues["key"] = job.Value;
        }

        var sends = !HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method);
        var isAsset = context.GetEndpoint()?.Metadata.GetMetadata<StaticAssetDescriptor>() is not null;
        var admits = pattern is null || isAsset ? Admits.Anyone
            : Addresses.Of(pattern, sends, context.Request.Query["handler"], context.GetRouteValue("name")?.ToString() ?? "");
        var who = isAsset ? null : await WhoAsync(context);
        if (who is not null)
        {
            Known.Set(context, who);
        }

        if (admits.Lets(who, context.GetRouteValue("key")?.ToString()) && await IsHisDrawingAsync(context, pattern, who))
        {
            await next(context);
            return;
        }

        await RefuseAsync(context, admits, who, sends);
    }

    /// <summary>The pattern of the route that was found; null where none was.</summary>
    internal static string? PatternOf(HttpContext context) =>
        (context.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText?.TrimStart('/');

    private async Task<Someone?> WhoAsync(HttpContext context) =>
        context.Request.Cookies[Cookie] is { Length: > 0 and < 100 } key ? await sessions.FindAsync(key) : null;

    // A drawing is found by what is in it, whatever the job: a guest sees those of his.
    private async Task<bool> IsHisDrawingAsync(HttpContext context, string? pattern, Someone? who) =>
        pattern != "drawing/{name}.svg" || who is not Someone.Guest guest
        || await drawings.IsOfAsync(guest.Job, context.GetRouteValue("name")?.ToString() ?? "");

    private static async Task RefuseAsync(HttpContext context, Admits admits, Someone? who, bool sends)
    {
        if (who is null)
        {
            if (!sends && !context.Request.Headers.ContainsKey("HX-Request") && WantsPage(context))
            {
                Headers.Set(context);
                context.Response.Redirect(
                    $"/sign-in?back={Uri.EscapeDataString(context.Request.Path + context.Request.QueryString)}");
                return;
            }

            await AnswerAsync(context, StatusCodes.Status401Unauthorized,
                "You are not signed in here any more. Sign in in another window, then send it again.");
            return;
        }

        // A guest hears nothing of what else there is.
        var (status, sentence) = who switch
        {
            Someone.Guest when !sends => (StatusCodes.Status404NotFound,
                "Your link opens one job and its sheets, and this is none of them."),
            Someone.Guest => (StatusCodes.Status403Forbidden, "You read this job as a guest; nothing was changed."),
            Someone.OfTheCrew member => (StatusCodes.Status403Forbidden, $"{For(admits)} You are signed in as {member.Name}, "
                + $"{Known.Word(member.Role)}.{(sends ? " Nothing was changed." : "")}"),
            _ => throw new InvalidOperationException("Somebody is a member or a guest."),
        };
        await AnswerAsync(context, status, sentence);
    }

    private static string For(Admits admits) => admits switch
    {
        Admits.Lead => "This is for who plans: a lead or the owner.",
        Admits.Owner => "This is for the owner.",
        _ => "This is not done on a server that is shared.",
    };

    // What is sent from a phone's list is answered in its own form: see site.js.
    private static async Task AnswerAsync(HttpContext context, int status, string sentence)
    {
        if (context.Request.Path.Value?.Contains("/site/", StringComparison.Ordinal) == true)
        {
            Headers.Set(context);
            context.Response.StatusCode = status;
            await context.Response.WriteAsJsonAsync(new { error = sentence });
            return;
        }

        await Guard.AnswerAsync(context, status, sentence);
    }

    private static bool WantsPage(HttpContext context) =>
        context.Request.Headers.Accept.ToString() is var accept && accept.Contains("text/html", StringComparison.OrdinalIgnoreCase);
}

/// <summary>Who a request is from, once the gate has looked.</summary>
public static class Known
{
    private static readonly object Key = new();

    /// <summary>Who; null where nobody is signed in, or nobody has to.</summary>
    public static Someone? Of(HttpContext context) => context.Items[Key] as Someone;

    /// <summary>What a role is called.</summary>
    public static string Word(MemberRole role) => role switch
    {
        MemberRole.Owner => "owner",
        MemberRole.Lead => "lead",
        _ => "crew",
    };

    /// <summary>Whether whoever asked is still let in, for an answer that stays open.</summary>
    public static async Task<bool> StillAsync(HttpContext context, Sessions sessions) => Of(context) switch
    {
        null => true,
        var who => await sessions.FindAsync(context.Request.Cookies[Gate.Cookie] ?? "") is { } now && (now, who) switch
        {
            (Someone.Guest a, Someone.Guest b) => a.Job == b.Job,
            (Someone.OfTheCrew a, Someone.OfTheCrew b) => a.Id == b.Id,
            _ => false,
        },
    };

    internal static void Set(HttpContext context, Someone who)
    {
        context.Items[Key] = who;
        // Forms are made out to who asked for them.
        var id = who switch { Someone.OfTheCrew member => member.Id, Someone.Guest guest => $"guest of {guest.Job}", _ => "" };
        context.User = new(new ClaimsIdentity([new(ClaimTypes.NameIdentifier, id)], "session"));
    }
}
