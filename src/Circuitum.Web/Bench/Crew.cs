using Circuitum.Core.Jobs;
using Circuitum.Data.People;
using Circuitum.Web.Sharing;

namespace Circuitum.Web.Bench;

/// <summary>Who is at the bench: who is signed in, or where nobody has to, as they said on the job list.</summary>
public static class Crew
{
    /// <summary>The cookie that remembers it.</summary>
    public const string Cookie = "crew";

    /// <summary>Longest name, as in a margin.</summary>
    public const int Longest = Member.LongestName;

    /// <summary>What is kept beside what they do: a member’s id, or the name that was typed, or “crew”.</summary>
    public static string Of(HttpContext context) => Known.Of(context) is Someone.OfTheCrew member ? member.Id : Typed(context);

    /// <summary>The name as others are shown it.</summary>
    public static string NameOf(HttpContext context) => Known.Of(context) switch
    {
        Someone.OfTheCrew member => member.Name,
        Someone.Guest guest => $"{guest.For} (guest)",
        _ => Typed(context),
    };

    private static string Typed(HttpContext context) => context.Request.Cookies[Cookie] is { } name && Plain(name) is { Length: > 0 } plain
        ? plain : "crew";

    /// <summary>Why a name cannot be taken; null when it can.</summary>
    public static string? Problem(string? name) => (name ?? "").Trim() is var text && text.Length > Longest
        ? $"A name in the history has at most {Longest} characters."
        : text.StartsWith(Member.Mark) ? $"A name does not begin with {Member.Mark}."
        : Printed.Problem(text) is { } problem ? $"The name {problem}." : null;

    /// <summary>What of a name can stand in a margin.</summary>
    public static string Plain(string? name) =>
        new string([.. (name ?? "").Where(c => !char.IsControl(c))]).Trim().TrimStart(Member.Mark).Trim() is var text
        ? Printed.Cut(text, Longest) : "";
}
