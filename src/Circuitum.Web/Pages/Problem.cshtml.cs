using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>What is shown when an address leads nowhere or something failed: one clear sentence.</summary>
[IgnoreAntiforgeryToken]
public sealed class ProblemModel : PageModel
{
    /// <summary>What happened and what to do.</summary>
    public string Sentence { get; private set; } = "";

    /// <summary>After a failed GET.</summary>
    public void OnGet(int status) => Say(status);

    /// <summary>After a failed POST.</summary>
    public void OnPost(int status) => Say(status);

    private void Say(int status)
    {
        if (HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error is BadHttpRequestException bad)
        {
            status = bad.StatusCode;
        }

        Response.StatusCode = status;
        Sentence = status switch
        {
            404 => "There is no such job or page. It may have been opened from an old address; start from the job list.",
            400 => "The request could not be read, or this page was open for too long. Go back, open the page again, and repeat the step; nothing was saved.",
            405 => "That is not done at this address. Start from the job list.",
            413 => "What was sent is too large. A job file is at most 5 MB.",
            >= 500 => "Something failed on our side; nothing was half-saved. Open the job again, the last saved revision is there.",
            _ => $"The request was refused ({status}). Start from the job list.",
        };
    }
}
