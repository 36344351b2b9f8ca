using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Circuitum.Web.Pages.Sharing;

/// <summary>Lets in who has an account.</summary>
[EnableRateLimiting(Tries.Policy)]
public sealed class SignInModel(SignIns signIns, Sessions sessions) : PageModel
{
    /// <summary>Where they wanted to go.</summary>
    public string Back { get; private set; } = "/";

    /// <summary>The name that was typed.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Why they were not let in; null where nothing was tried.</summary>
    public string? Problem { get; private set; }

    /// <summary>Shows the form; who is signed in already goes on.</summary>
    public IActionResult OnGet(string? back)
    {
        Back = Local(back);
        return Known.Of(HttpContext) is Someone.OfTheCrew ? LocalRedirect(Back) : Page();
    }

    /// <summary>Signs in.</summary>
    public async Task<IActionResult> OnPostAsync(string? name, string? back)
    {
        // As it was typed: a space in a password is part of it.
        var password = Request.Form["password"].ToString();
        (Name, Back) = (name ?? "", Local(back));
        var came = password.Length > Passwords.Longest ? new(null, "A password is not as long as that.")
            : await signIns.InAsync(Name, password);
        if (came.Member is not { } member)
        {
            Problem = came.Problem;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        Browsers.Keep(HttpContext, await sessions.BeginAsync(member.Id, Browsers.Called(HttpContext)));
        return LocalRedirect(Back);
    }

    // Nowhere but here, whatever the address says.
    private string Local(string? back) => Url.IsLocalUrl(back) ? back : "/";
}
