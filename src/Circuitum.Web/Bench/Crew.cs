using Circuitum.Core.Jobs;

namespace Circuitum.Web.Bench;

/// <summary>Who is at the bench, as they said on the job list.</summary>
public static class Crew
{
    /// <summary>The cookie that remembers it.</summary>
    public const string Cookie = "crew";

    /// <summary>Longest name, as in a margin.</summary>
    public const int Longest = 24;

    /// <summary>The name, or “crew”.</summary>
    public static string Of(HttpContext context) => context.Request.Cookies[Cookie] is { } name && Plain(name) is { Length: > 0 } plain
        ? plain : "crew";

    /// <summary>Why a name cannot be taken; null when it can.</summary>
    public static string? Problem(string? name) => (name ?? "").Trim() is var text && text.Length > Longest
        ? $"A name in the history has at most {Longest} characters."
        : Printed.Problem(text) is { } problem ? $"The name {problem}." : null;

    /// <summary>What of a name can stand in a margin.</summary>
    public static string Plain(string? name) => new string([.. (name ?? "").Where(c => !char.IsControl(c))]).Trim() is var text
        ? Printed.Cut(text, Longest) : "";
}
