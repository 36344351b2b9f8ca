namespace Circuitum.Web.Bench;

/// <summary>Who is at the bench, as they said on the job list.</summary>
public static class Crew
{
    /// <summary>The cookie that remembers it.</summary>
    public const string Cookie = "crew";

    /// <summary>Longest name, as in a margin.</summary>
    public const int Longest = 24;

    /// <summary>The name, or “crew”.</summary>
    public static string Of(HttpContext context) => context.Request.Cookies[Cookie] is { } name && Plain(name) is { Length: > 0 } plain ? plain : "crew";

    /// <summary>What of a name can stand in a margin.</summary>
    public static string Plain(string? name) => new string([.. (name ?? "").Where(c => !char.IsControl(c))]).Trim() is var text && text.Length > Longest ? text[..Longest] : text;
}
