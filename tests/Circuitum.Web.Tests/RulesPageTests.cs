using System.Text;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;

namespace Circuitum.Web.Tests;

/// <summary>docs/rules.md says of every rule its sections, where it is checked and which tests hold it; its table is made here, and written
/// anew with RULES=write. What is known and not checked stands below the table, by hand.</summary>
public sealed partial class RulesPageTests
{
    private const string End = "<!-- what follows is written by hand -->";

    private static readonly string Root = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", ".."));

    [Fact]
    public void The_page_of_rules_is_as_the_sources_say()
    {
        var file = Path.Combine(Root, "docs", "rules.md");
        var page = File.ReadAllText(file);
        var tail = page[page.IndexOf(End, StringComparison.Ordinal)..];
        var made = Table() + tail;
        if (Environment.GetEnvironmentVariable("RULES") == "write")
        {
            File.WriteAllText(file, made);
        }

        Assert.True(made == page || Environment.GetEnvironmentVariable("RULES") == "write",
            "docs/rules.md is older than the sources: RULES=write ./test web.");
        Assert.Contains("## Known and not checked", tail, StringComparison.Ordinal);
    }

    [Fact] // a rule that nothing cites is dead, and one that no page explains is a riddle
    public void Every_rule_is_cited_somewhere() => Assert.Empty(Rules().Where(r => r.Checked.Count == 0).Select(r => r.Id));

    private sealed record Rule(RuleId Id, string What, string[] Sections, List<string> Checked, List<string> Tests);

    private static List<Rule> Rules()
    {
        var summaries = Summary().Matches(File.ReadAllText(Path.Combine(Root, "src/Circuitum.Core/Reasons/RuleId.cs")))
            .ToDictionary(m => m.Groups[2].Value, m => m.Groups[1].Value);
        var sources = Files("src").Where(f => !f.Name.EndsWith("Citations.cs", StringComparison.Ordinal)
            && !f.Name.EndsWith("Clauses.cs", StringComparison.Ordinal) && f.Name != "RuleId.cs").ToList();
        var tests = Files("tests").ToList();
        return
        [
            .. Enum.GetValues<RuleId>().Select(id =>
            {
                var sections = Editions.WithPanels.Select(e => Text(e, id)).ToArray();
                var named = new Regex($@"\bRuleId\.{id}\b");
                // A test holds a rule by its id, or by the section as it is printed.
                var cited = new Regex($@"\bRuleId\.{id}\b|""[^""\n]*(?:{string.Join('|',
                    sections.Where(s => s is not ("–" or "good practice")).Distinct().Select(s => Regex.Escape(s)
                        + @"(?![\d(])"))})[^""\n]*""");
                return new Rule(id, summaries.GetValueOrDefault(id.ToString(), ""), sections,
                    [.. sources.Where(f => named.IsMatch(f.Text)).Select(f => f.Name)],
                    [.. tests.Where(f => cited.IsMatch(f.Text)).Select(f => f.Name)]);
            }),
        ];
    }

    private static string Text(Edition edition, RuleId id)
    {
        try
        {
            return CodeBook.For(edition) is var book && book.Has(id) ? book.Cite(id).Text : "–";
        }
        catch (ArgumentException)
        {
            return "–";
        }
    }

    private static IEnumerable<(string Name, string Text)> Files(string folder) =>
        Directory.EnumerateFiles(Path.Combine(Root, folder), "*.cs*", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/bin/", StringComparison.Ordinal) && !f.Contains("/obj/", StringComparison.Ordinal)
                && (f.EndsWith(".cs", StringComparison.Ordinal) || f.EndsWith(".cshtml", StringComparison.Ordinal)))
            .Order(StringComparer.Ordinal).Select(f => (Path.GetFileName(f), File.ReadAllText(f)))
            .Where(f => f.Item1 != "RulesPageTests.cs");

    private static string Table()
    {
        var rules = Rules();
        var text = new StringBuilder()
            .Append("# Rules\n\nEvery rule that the planner cites: its section in the 2017, 2020 and 2023 editions of the model code (R: ")
            .Append("residential code) and its clause in the\nCanadian method, where\nthe sources cite it, and the tests whose text "
            + "names it. A dash: that edition has no such ")
            .Append("rule. Sections are cited by number; read the book.\nLocal amendments and the authority come first.\n\n")
            .Append($"{rules.Count} rules, {rules.Count(r => r.Tests.Count > 0)} of them named in a test.\n\n")
            .Append("| rule | what | 2017 | 2020 | 2023 | Canadian 2021 | cited in | tests |\n|---|---|---|---|---|---|---|---|\n");
        foreach (var r in rules)
        {
            text.Append($"| {r.Id} | {r.What} | {string.Join(" | ", r.Sections)} | {Names(r.Checked)} | {Names(r.Tests)} |\n");
        }

        return text.Append('\n').ToString();
    }

    private static string Names(List<string> files) => files.Count == 0 ? "–"
        : string.Join(", ", files.Distinct().Take(4).Select(Path.GetFileNameWithoutExtension))
            + (files.Distinct().Count() > 4 ? $" and {files.Distinct().Count() - 4} more" : "");

    [GeneratedRegex(@"/// <summary>([^\n]*?)</summary>\s*\n\s*(\w+),")]
    private static partial Regex Summary();
}
