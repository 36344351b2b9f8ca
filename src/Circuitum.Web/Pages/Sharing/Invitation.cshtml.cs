using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Circuitum.Web.Pages.Sharing;

/// <summary>Makes an account of an invitation, or sets a new password.</summary>
[EnableRateLimiting(Tries.Policy)]
public sealed class InvitationModel(Invitations invitations, SignIns signIns, Sessions sessions, UserManager<Member> members) : PageModel
{
    /// <summary>The invitation; null where there is none that can be taken.</summary>
    public Invitation? Invitation { get; private set; }

    /// <summary>Whose password it sets; null where it makes an account.</summary>
    public string? Renews { get; private set; }

    /// <summary>The name that was typed, or whom it is for.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Why nothing came of it.</summary>
    public string? Problem { get; private set; }

    /// <summary>Shows the form.</summary>
    public async Task OnGetAsync(string code)
    {
        await FindAsync(code);
        if (Invitation is null)
        {
            Response.StatusCode = StatusCodes.Status404NotFound;
        }
    }

    /// <summary>Takes it.</summary>
    public async Task<IActionResult> OnPostAsync(string code, string? name)
    {
        await FindAsync(code);
        if (Invitation is null)
        {
            Response.StatusCode = StatusCodes.Status404NotFound;
            return Page();
        }

        Name = name ?? "";
        var came = await signIns.TakeAsync(Invitation, Name, Request.Form["password"].ToString());
        if (came.Member is not { } member)
        {
            Problem = came.Problem;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        Browsers.Keep(HttpContext, await sessions.BeginAsync(member.Id, Browsers.Called(HttpContext)));
        return LocalRedirect("/");
    }

    private async Task FindAsync(string code)
    {
        Invitation = await invitations.FindAsync(code);
        Renews = Invitation?.MemberId is { } id ? (await members.FindByIdAsync(id))?.UserName : null;
        Name = Invitation?.For ?? "";
    }
}
