using System.Collections.Immutable;
using Circuitum.Web.Help;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>Help: one page a stage, the line, the keys, the words; and a search over all of them.</summary>
public sealed class HelpModel : PageModel
{
    /// <summary>What is looked for.</summary>
    [FromQuery(Name = "q")]
    public string? Asked { get; set; }

    /// <summary>The page shown; null while something is looked for.</summary>
    public HelpTopic? Topic { get; private set; }

    /// <summary>What was found, by page.</summary>
    public ImmutableArray<(HelpTopic Topic, ImmutableArray<string> Lines)> Found { get; private set; } = [];

    /// <summary>Shows a page, or what holds the words asked for.</summary>
    public IActionResult OnGet(string? name)
    {
        ImmutableArray<string> words = [.. (Asked ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries)];
        Topic = words.IsEmpty ? HelpPages.Find(name ?? HelpPages.All[0].Name) : null;
        Found = words.IsEmpty ? [] : [.. HelpPages.All.Select(t => (t, Lines: t.Found(words).ToImmutableArray())).Where(x =>
            !x.Lines.IsEmpty)];
        return words.IsEmpty && Topic is null ? NotFound() : Page();
    }
}
