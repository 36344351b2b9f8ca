using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>The job list.</summary>
public sealed class IndexModel(JobRevisions revisions, Workbench bench) : PageModel
{
    /// <summary>Jobs, the last touched first.</summary>
    public IReadOnlyList<JobListing> Jobs { get; private set; } = [];

    /// <summary>Why a file was not taken, or null.</summary>
    public string? Problem { get; private set; }

    /// <summary>Who is at the bench.</summary>
    public string Who => Crew.Of(HttpContext);

    /// <summary>Shows the list.</summary>
    public async Task OnGetAsync() => Jobs = await revisions.ListAsync();

    /// <summary>Brings in a job file.</summary>
    public async Task<IActionResult> OnPostBringAsync(IFormFile? file)
    {
        if (file is null)
        {
            return await RefusedAsync(StatusCodes.Status400BadRequest, "Choose a job file first: it ends in .circuitum.json.");
        }

        if (file.Length > JobFiles.MostBytes)
        {
            return await RefusedAsync(StatusCodes.Status413PayloadTooLarge, $"“{file.FileName}” is larger than 5 MB. A job of a whole house is a few hundred kB; check that this is the right file.");
        }

        try
        {
            await using var stream = file.OpenReadStream();
            var key = await bench.StartAsync(JobFiles.Read(stream), Who);
            return Redirect($"/job/{key}/house");
        }
        catch (JobFileException e)
        {
            return await RefusedAsync(StatusCodes.Status422UnprocessableEntity, $"“{file.FileName}” was not taken. {e.Message}");
        }
    }

    /// <summary>Puts the demo back as it ships; what was done to it stays in its history.</summary>
    public async Task<IActionResult> OnPostResetAsync()
    {
        if (await bench.OpenAsync(Demo.Key) is { } demo)
        {
            await bench.ReplaceAsync(Demo.Key, demo.Revision, Who, Demo.Read(), "Reset the demo");
        }

        return RedirectToPage();
    }

    /// <summary>Says who is at the bench.</summary>
    public IActionResult OnPostWho(string? who)
    {
        Response.Cookies.Append(Crew.Cookie, Crew.Plain(who), new() { HttpOnly = true, SameSite = SameSiteMode.Lax, MaxAge = TimeSpan.FromDays(365), IsEssential = true });
        return RedirectToPage();
    }

    private async Task<IActionResult> RefusedAsync(int status, string sentence)
    {
        Problem = sentence;
        Jobs = await revisions.ListAsync();
        Response.StatusCode = status;
        return Page();
    }
}
