using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;

namespace Circuitum.Web.Tests;

/// <summary>What the sources may not say: laws that a reader would otherwise have to remember.</summary>
public sealed partial class SourceTests
{
    private static readonly string Source = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "src"));

    // Every line of ours that is no comment, with the file it stands in.
    private static IEnumerable<(string File, int Line, string Text)> Lines(params string[] endings) =>
        Directory.GetFiles(Source, "*", SearchOption.AllDirectories)
            .Select(f => f.Replace('\\', '/'))
            .Where(f => endings.Contains(Path.GetExtension(f)) && !f.Contains("/obj/", StringComparison.Ordinal)
                && !f.Contains("/bin/", StringComparison.Ordinal))
            .SelectMany(f => File.ReadLines(f).Select((text, i) => (f[(Source.Length + 1)..], i + 1, text)))
            .Where(l => !l.text.TrimStart().StartsWith("//", StringComparison.Ordinal));

    private static string Told(IEnumerable<(string File, int Line, string Text)> found) =>
        string.Join('\n', found.Select(l => $"{l.File}:{l.Line}: {l.Text.Trim()}"));

    [Fact] // a section is written in one table, by edition; everybody else names the rule
    public void No_section_number_stands_outside_the_rules()
    {
        var found = Lines(".cs", ".cshtml", ".js")
            .Where(l => !l.File.StartsWith("Circuitum.Core/Rules/", StringComparison.Ordinal) && Section().IsMatch(l.Text)).ToList();
        Assert.True(found.Count == 0, Told(found));
    }

    [Fact] // volts are asked of the supply
    public void No_volts_of_a_supply_stand_outside_it()
    {
        var found = Lines(".cs", ".cshtml")
            .Where(l => l.File is not "Circuitum.Core/Units/SupplySystem.cs"
                && !l.File.StartsWith("Circuitum.Core/Rules/", StringComparison.Ordinal) && SupplyVolts().IsMatch(l.Text)).ToList();
        Assert.True(found.Count == 0, Told(found));
    }

    [Fact]
    public void No_line_has_more_than_140_columns()
    {
        var root = Path.GetDirectoryName(Source)!;
        var files = new[] { "src", "tests",
            "bench" }.SelectMany(d => Directory.GetFiles(Path.Combine(root, d), "*", SearchOption.AllDirectories))
            .Select(f => f.Replace('\\', '/'))
            .Where(f => !NotOurs.Any(n => f.Contains(n, StringComparison.Ordinal)));
        var wide = files.Where(f => Path.GetExtension(f) is ".cs" or ".js" or ".mjs" or ".cshtml")
            .SelectMany(f => File.ReadLines(f).Select((text, i) => (File: f[(root.Length + 1)..], Line: i + 1, Text: text)))
            .Where(l => l.Text.Length > 140).ToList();
        Assert.True(wide.Count == 0, Told(wide));
    }

    [Fact] // a page reads Breaker, Gauge, Load; the stages' wrappers are opened in one place
    public void Nobody_looks_through_a_wrapper_into_a_wrapper()
    {
        var found = Lines(".cs", ".cshtml").Where(l => l.File != "Circuitum.Core/Wiring/WiredCircuit.cs"
            && (l.Text.Contains("Protected.Sized", StringComparison.Ordinal) || l.Text.Contains(".Value.Value", StringComparison.Ordinal)))
            .ToList();
        Assert.True(found.Count == 0, Told(found));
    }

    private static readonly string[] NotOurs = ["/bin/", "/obj/", "/Migrations/", "/wwwroot/lib/"];

    [Theory]
    [InlineData("new(20, \"210.11(C)(3)\")", true)]
    [InlineData("by Table 310.16", true)]
    [InlineData("write it like 150.5", false)]
    [InlineData("127.0.0.1", false)]
    public void The_pattern_of_a_section_finds_sections(string text, bool section) => Assert.Equal(section, Section().IsMatch(text));

    [Theory]
    [InlineData("load.Volts.Value == 120", true)]
    [InlineData("rating * 120m", true)]
    [InlineData("240.Volts()", true)]
    [InlineData("at 240 V", true)]
    [InlineData("new Volts(240)", true)]
    [InlineData("(36, 120)", false)]
    [InlineData("120_000", false)]
    public void The_pattern_of_volts_finds_volts(string text, bool volts) => Assert.Equal(volts, SupplyVolts().IsMatch(text));

    [Theory]
    [InlineData(Edition.Y2017)]
    [InlineData(Edition.Y2020)]
    [InlineData(Edition.Y2023)]
    public void Every_rule_is_cited_in_some_edition_and_never_by_nothing(Edition edition)
    {
        var book = CodeBook.For(edition);
        foreach (var rule in Enum.GetValues<RuleId>())
        {
            try
            {
                Assert.False(string.IsNullOrWhiteSpace(book.Cite(rule).Text));
            }
            catch (ArgumentException)
            {
                Assert.Contains(Editions.WithPanels, other => other != edition && Has(other, rule));
            }
        }
    }

    private static bool Has(Edition edition, RuleId rule)
    {
        try
        {
            return CodeBook.For(edition).Cite(rule).Text.Length > 0;
        }
        catch (ArgumentException)
        {
            return false;
        }
    }

    [GeneratedRegex(@"(?<![\d.])(1[01]0|[2-8]\d\d)\.\d{1,3}(?![\d.]*\.\d)")]
    private static partial Regex Section();

    [GeneratedRegex(@"(?<!\d)(120|240)(m? V\b|\.Volts\(\))|Volts(\.Value)? ?([<>=!]=?|is( not)?) ?\(?(120|240)\b"
        + @"|new Volts\((120|240)\)|[*/] ?(120|240)m?\b|\b(120|240)m? ?\*")]
    private static partial Regex SupplyVolts();
}
