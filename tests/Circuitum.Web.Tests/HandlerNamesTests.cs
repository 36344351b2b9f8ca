using System.Reflection;
using System.Text.RegularExpressions;
using Circuitum.Web.Pages.Stages;

namespace Circuitum.Web.Tests;

/// <summary>A handler is named in pages and scripts by a string: each of them must be there.</summary>
public sealed partial class HandlerNamesTests
{
    private static readonly string Web =
        Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "src", "Circuitum.Web"));

    private static readonly HashSet<string> Handlers = [.. typeof(StagePage).GetMethods(BindingFlags.Public | BindingFlags.Instance)
        .Select(m => Handler().Match(m.Name)).Where(m => m.Success).Select(m => m.Groups[1].Value)];

    private static IEnumerable<(string File, string Name)> Named(string folder, string pattern, Regex names) =>
        Directory.GetFiles(Path.Combine(Web, folder), pattern, SearchOption.AllDirectories)
            .SelectMany(f => names.Matches(File.ReadAllText(f)).SelectMany(m => m.Groups.Cast<Group>().Skip(1).Where(g => g.Success))
                .Select(g => (Path.GetFileName(f), g.Value)));

    [Fact]
    public void Every_handler_that_a_page_names_is_there()
    {
        var named = Named("Pages", "*.cshtml", InPages()).Concat(Named("Bench", "*.cs", Waited())).ToList();
        Assert.True(named.Count > 90, $"only {named.Count} found: does the pattern still fit?");
        Assert.DoesNotContain(named, n => !Handlers.Contains(n.Name));
    }

    [Fact]
    public void Every_handler_that_a_script_names_is_there()
    {
        var named = Named(Path.Combine("wwwroot", "js"), "*.js", InScripts()).ToList();
        Assert.True(named.Count > 25, $"only {named.Count} found: does the pattern still fit?");
        Assert.DoesNotContain(named, n => !Handlers.Contains(n.Name));
    }

    [Fact] // a handler that nothing names can be reached by nobody who does not type addresses
    public void Every_handler_is_named_somewhere()
    {
        var named = Named("Pages", "*.cshtml", InPages()).Concat(Named(Path.Combine("wwwroot", "js"), "*.js", InScripts()))
            .Concat(Named("Pages", "*.cshtml", Asked())).Concat(Named("Pages", "*.cshtml", ByHref()))
            .Concat(Named("Bench", "*.cs", Waited()))
            .Select(n => n.Name).ToHashSet();
        Assert.DoesNotContain(Handlers, h => !named.Contains(h));
    }

    [GeneratedRegex("^On(?:Get|Post)(.+?)Async$")]
    private static partial Regex Handler();

    [GeneratedRegex("<act does=\"(\\w+)\"")]
    private static partial Regex InPages();

    [GeneratedRegex("\\bAct: \"(\\w+)\"")]
    private static partial Regex Waited();

    [GeneratedRegex("data-asks=\"(\\w+)\"")]
    private static partial Regex Asked();

    [GeneratedRegex("handler=(\\w+)|Act\\(\"(\\w+)\"\\)")]
    private static partial Regex ByHref();

    // act("Move", …), ask("Weigh", …), and the tables of drag.js and keys.js: move: "Move", ["DeleteBox", "box"].
    [GeneratedRegex("""\b(?:act|ask)\(\s*"(\w+)"|\b(?:move|slide|wall|weigh|handler): \[?"([A-Z]\w+)"|\["([A-Z]\w+)", "\w+"\]""")]
    private static partial Regex InScripts();
}
