using System.Text.RegularExpressions;

namespace Circuitum.Web.Tests;

/// <summary>What a person reads is United States trade English, one word for one thing.</summary>
public sealed partial class GlossaryTests
{
    // The word that is not used, and the one that is. Names in files, addresses and code keep the spelling that they were written with.
    private static readonly Dictionary<string, string> Instead = new(StringComparer.OrdinalIgnoreCase)
    {
        ["storey"] = "story",
        ["storeys"] = "stories",
        ["neighbour"] = "neighbor",
        ["neighbours"] = "neighbors",
        ["neighbouring"] = "neighboring",
        ["neighbourhood"] = "neighborhood",
        ["centre"] = "center",
        ["centres"] = "centers",
        ["aluminium"] = "aluminum",
        ["colour"] = "color",
        ["colours"] = "colors",
        ["coloured"] = "colored",
        ["metre"] = "meter",
        ["metres"] = "meters",
        ["labour"] = "labor",
        ["armoured"] = "armored",
        ["grey"] = "gray",
        ["school"] = "the crew's way",
        ["schools"] = "the crew's ways",
        ["earthed"] = "grounded",
        ["socket"] = "receptacle",
        ["spur"] = "branch",
        ["fuseboard"] = "panel",
    };

    // Read by programs: values that files, addresses and settings have, and what a line of the house understands.
    private static readonly HashSet<string> Names = ["storeys", "aluminium", "centre", "school", "schools", "colour", "socket"];

    [Fact]
    public void What_is_read_is_american()
    {
        var root = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../.."));
        var found = Directory.EnumerateFiles(Path.Combine(root, "src"), "*.*", SearchOption.AllDirectories)
            .Where(f => f.EndsWith(".cs", StringComparison.Ordinal) || f.EndsWith(".cshtml", StringComparison.Ordinal))
            .Where(f => !f.Split(Path.DirectorySeparatorChar).Any(p => p is "obj" or "bin"))
            .SelectMany(f => Read(f).SelectMany(text => Word().Matches(text).Select(w => w.Value)).Where(Instead.ContainsKey)
                .Where(w => !(w.StartsWith("socket", StringComparison.OrdinalIgnoreCase) && IsMetric(f)))
                .Select(w => $"{Path.GetFileName(f)}: “{w}”, say “{Instead[w]}”")).Distinct().ToList();
        Assert.True(found.Count == 0, string.Join('\n', found));
    }

    // The metric method has outlets of another make, and a word of its own for them, which stands beside the American one where both do.
    private static bool IsMetric(string file) => Path.GetFileName(file) is "Words.cs" or "Told.cs" or "NewBox.cs"
        || file.Split(Path.DirectorySeparatorChar).Any(p => p is "Boards" or "Gulf"
        || p.TrimStart('_').StartsWith("Metric", StringComparison.Ordinal));

    [Fact] // words of ours that nobody says on site
    public void What_puzzled_is_gone()
    {
        string[] gone = ["near jamb", "far jamb", "divide so", "wait for a fact", "cable of the chains", "darkness, outlets",
            "un-bundled first", "corner to its middle", "hold a sheet against"];
        var root = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../src"));
        var pages = Directory.EnumerateFiles(root, "*.cs*", SearchOption.AllDirectories).Concat(Directory.EnumerateFiles(Path.Combine(root,
            "Circuitum.Web/wwwroot/js"), "*.js")).Where(f => !f.Split(Path.DirectorySeparatorChar).Any(p => p is "obj" or "bin"))
            .Select(f => (File: Path.GetFileName(f), Text: string.Join('\n', File.ReadLines(f)
                .Where(l => !l.TrimStart().StartsWith("//", StringComparison.Ordinal))))).ToList();
        Assert.True(pages.Count > 300);
        Assert.Equal([], gone.SelectMany(words => pages.Where(p => p.Text.Contains(words, StringComparison.OrdinalIgnoreCase))
            .Select(p => $"{p.File}: {words}")));
    }

    [Fact] // the test would say something
    public void A_word_of_another_country_is_found() =>
        Assert.Equal(["colour"], Shown("<label>The colour <input name=\"colour\" value=\"@Model.Colour\"></label>").SelectMany(t => Word()
            .Matches(t).Select(w => w.Value)).Where(Instead.ContainsKey));

    private static IEnumerable<string> Read(string file) => file.EndsWith(".cshtml", StringComparison.Ordinal)
        ? Shown(File.ReadAllText(file)) : Literals(File.ReadAllText(file));

    // Of a page what stands between tags, without what is computed.
    private static IEnumerable<string> Shown(string page) => Tags().Split(Computed().Replace(page, " ")).Select(t => t.Trim())
        .Where(t => t.Length > 0 && !t.StartsWith('@'));

    // Of a source its texts of more than one word, without what is put into them.
    private static IEnumerable<string> Literals(string source) => source.Split('\n').Where(l => !l.TrimStart().StartsWith("//",
            StringComparison.Ordinal)).SelectMany(l => Literal().Matches(l).Select(m => Put().Replace(m.Groups[1].Value, " ")))
        .Where(t => !Names.Contains(t) && t.Trim().Contains(' ', StringComparison.Ordinal) && !t.Contains("(?<", StringComparison.Ordinal));

    // Not a name of the code that stands between two texts of a line.
    [GeneratedRegex(@"(?<![\w.])[A-Za-z]+(?![\w]|\.[A-Za-z])")]
    private static partial Regex Word();

    [GeneratedRegex("<[^>]*>")]
    private static partial Regex Tags();

    [GeneratedRegex(@"@\{[^}]*\}|@\([^)]*\)|@(?:foreach|for|if|else if|switch) \([^)]*\)|@[A-Za-z_][\w.\[\]]*(?:\([^)]*\))?")]
    private static partial Regex Computed();

    [GeneratedRegex("\"((?:[^\"\\\\]|\\\\.)*)\"")]
    private static partial Regex Literal();

    [GeneratedRegex(@"\{[^{}]*\}")]
    private static partial Regex Put();
}
