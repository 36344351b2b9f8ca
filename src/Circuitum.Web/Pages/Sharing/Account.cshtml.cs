using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Circuitum.Web.Pages.Sharing;

/// <summary>One's own account: where one is signed in, and the password.</summary>
[EnableRateLimiting(Tries.Policy)]
public sealed class AccountModel(Sessions sessions, SignIns signIns) : PageModel
{
    /// <summary>Whose it is.</summary>
    public Someone.OfTheCrew Me => (Someone.OfTheCrew)Known.Of(HttpContext)!;

    /// <summary>Where they are signed in.</summary>
    public IReadOnlyList<Session> All { get; private set; } = [];

    /// <summary>What is kept of the key of this browser.</summary>
    public string Here => Codes.Hash(Key);

    /// <summary>What was done.</summary>
    public string? Said { get; private set; }

    /// <summary>Why nothing was done.</summary>
    public string? Problem { get; private set; }

    private string Key => Request.Cookies[Gate.Cookie] ?? "";

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync() => All = await sessions.OfAsync(Me.Id);

    /// <summary>Signs out here.</summary>
    public async Task<IActionResult> OnPostOutAsync()
    {
        await sessions.EndAsync(Key);
        Browsers.Forget(HttpContext);
        Response.Headers["Clear-Site-Data"] = "\"cache\"";
        return Redirect("/sign-in");
    }

    /// <summary>Signs out elsewhere.</summary>
    public async Task<IActionResult> OnPostEndAsync(string session)
    {
        var ended = await sessions.EndAsync(Me.Id, session);
        return await ShowAsync(ended ? "Signed out there." : "It had ended already.", null);
    }

    /// <summary>Sets another password.</summary>
    public async Task<IActionResult> OnPostPasswordAsync()
    {
        var problem = await signIns.ChangeAsync(Me.Id, Request.Form["standing"].ToString(), Request.Form["wanted"].ToString(), Key);
        return await ShowAsync("The password is changed, and every other browser of yours is signed out.", problem);
    }

    private async Task<IActionResult> ShowAsync(string said, string? problem)
    {
        (Said, Problem) = (problem is null ? said : null, problem);
        Response.StatusCode = problem is null ? StatusCodes.Status200OK : StatusCodes.Status422UnprocessableEntity;
        All = await sessions.OfAsync(Me.Id);
        return Page();
    }
}
