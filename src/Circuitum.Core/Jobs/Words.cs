namespace Circuitum.Core.Jobs;

/// <summary>Trade words for kinds.</summary>
public static class Words
{
    /// <summary>A word with its article: an island, a range.</summary>
    public static string One(string word) => $"{("aeiou".Contains(word[0], StringComparison.Ordinal) ? "an" : "a")} {word}";

    /// <summary>What is along a pipe.</summary>
    public static string Of(PipeStopKind kind) => kind == PipeStopKind.PullBox ? "pull box" : "joint between boxes";

    /// <summary>What joists are.</summary>
    public static string Of(JoistKind kind) => kind switch
    {
        JoistKind.IJoist => "I-joists",
        JoistKind.OpenWeb => "open-web trusses",
        JoistKind.RoofTruss => "roof trusses",
        _ => "sawn joists",
    };

    /// <summary>GfciReceptacle becomes “GFCI receptacle”, SmokeAlarm “smoke alarm”.</summary>
    public static string Of<T>(T kind) where T : struct, Enum
    {
        var text = kind.ToString();
        var words = string.Concat(text.Select((c, i) => i > 0 && char.IsUpper(c) ? " " + char.ToLowerInvariant(c)
            : char.ToLowerInvariant(c).ToString()));
        return words.Replace("cased", "cased opening", StringComparison.Ordinal).Replace("gfci", "GFCI", StringComparison.Ordinal)
            .Replace("afci", "AFCI", StringComparison.Ordinal).Replace("smoke co", "smoke and CO", StringComparison.Ordinal)
            .Replace("half switched", "half-switched receptacle", StringComparison.Ordinal)
            .Replace("three way", "three-way switch", StringComparison.Ordinal)
            .Replace("four way", "four-way switch", StringComparison.Ordinal);
    }
}
