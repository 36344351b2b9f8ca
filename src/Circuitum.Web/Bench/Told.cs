using Circuitum.Core.Reasons;

namespace Circuitum.Web.Bench;

/// <summary>A reason to show, under a title, open or folded.</summary>
public sealed record WhyView(string Title, Because Because, bool Open = false);

/// <summary>A tag to show with its place in the plan's list.</summary>
public sealed record TagView(BenchView View, Tag Tag, int Index);

/// <summary>Numbers in words.</summary>
public static class Told
{
    /// <summary>2 red tags, 1 hold.</summary>
    public static string Count(Severity severity, int count) =>
        Many(count, severity == Severity.Hold ? "hold" : $"{severity.ToString().ToLowerInvariant()} tag");

    /// <summary>1 box, 2 boxes.</summary>
    public static string Many(int count, string one, string? more = null) => $"{count} {(count == 1 ? one : more ?? one + "s")}";

    /// <summary>Red tag, amber tag, hold.</summary>
    public static string Name(Severity severity) => severity == Severity.Hold ? "Hold" : $"{severity} tag";
}
