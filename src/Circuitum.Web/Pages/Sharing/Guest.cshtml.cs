using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Circuitum.Web.Pages.Sharing;

/// <summary>Lets a guest read one job.</summary>
[EnableRateLimiting(Tries.Policy)]
public sealed class GuestModel(GuestLinks links, Sessions sessions, JobRevisions revisions) : PageModel
{
    /// <summary>The link; null where it has ended.</summary>
    public GuestLink? Link { get; private set; }

    /// <summary>What the job is called.</summary>
    public string JobName { get; private set; } = "";

    /// <summary>Says what the link opens. Who is signed in goes to the job.</summary>
    public async Task<IActionResult> OnGetAsync(string code)
    {
        if (await links.FindAsync(code) is not { } link)
        {
            Response.StatusCode = StatusCodes.Status404NotFound;
            return Page();
        }

        if (Known.Of(HttpContext) is Someone.OfTheCrew)
        {
            return Redirect($"/job/{link.Job}/house");
        }

        Link = link;
        JobName = await revisions.NameAsync(link.Job) ?? "A job";
        return Page();
    }

    /// <summary>Opens it. A program that looks at links in letters presses nothing.</summary>
    public async Task<IActionResult> OnPostAsync(string code)
    {
        if (await links.FindAsync(code) is not { } link)
        {
            Response.StatusCode = StatusCodes.Status404NotFound;
            return Page();
        }

        if (Known.Of(HttpContext) is not Someone.OfTheCrew)
        {
            Browsers.Keep(HttpContext, await sessions.BeginAsync(link, Browsers.Called(HttpContext)));
        }

        return Redirect($"/job/{link.Job}/house");
    }
}
