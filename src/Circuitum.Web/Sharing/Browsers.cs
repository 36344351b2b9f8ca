namespace Circuitum.Web.Sharing;

/// <summary>The browser of somebody who is signed in: the key it keeps, and what it is called in a list.</summary>
public static class Browsers
{
    /// <summary>Gives it the key.</summary>
    public static void Keep(HttpContext context, string key) => context.Response.Cookies.Append(Gate.Cookie, key, Options());

    /// <summary>Takes the key away.</summary>
    public static void Forget(HttpContext context) => context.Response.Cookies.Delete(Gate.Cookie, Options());

    /// <summary>What it is, as far as a person needs it to know it again.</summary>
    public static string Called(HttpContext context)
    {
        var agent = context.Request.Headers.UserAgent.ToString();
        var kind = agent.Contains("iPad", StringComparison.Ordinal) || agent.Contains("Tablet", StringComparison.OrdinalIgnoreCase)
            ? "tablet" : agent.Contains("Mobi", StringComparison.OrdinalIgnoreCase) ? "phone" : "computer";
        return context.Connection.RemoteIpAddress is { } address
            ? $"{kind} at {(address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address)}" : kind;
    }

    // The name begins with __Host-: the browser itself holds it to this host, to HTTPS and to the whole of it.
    private static CookieOptions Options() => new()
    {
        HttpOnly = true,
        Secure = true,
        SameSite = SameSiteMode.Lax,
        Path = "/",
        MaxAge = Data.People.Sessions.Longest,
        IsEssential = true,
    };
}
