using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Formats.JobFile;
using Circuitum.Web.Bench;
using Circuitum.Web.Edge;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Photographs;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Web.Pages;

/// <summary>The job list.</summary>
public sealed class IndexModel(JobRevisions revisions, Workbench bench, KeptPlans plans, DivisionSearches searches, Standing standing,
    SiteEntries site, Offers offers, KeptBoards boards, BackupSchedule schedule, IDbContextFactory<JobsDb> databases,
    TimeProvider clock) : PageModel
{
    /// <summary>Jobs, the last touched first.</summary>
    public IReadOnlyList<JobListing> Jobs { get; private set; } = [];

    /// <summary>Metric boards that are kept, by name.</summary>
    public IReadOnlyList<KeptBoard> Boards { get; private set; } = [];

    /// <summary>What is wrong with the file of all jobs; null when nothing is.</summary>
    public string? Trouble => standing.Trouble;

    /// <summary>Why a file was not taken, or null.</summary>
    public string? Problem { get; private set; }

    /// <summary>The backup that is written every day by itself.</summary>
    public BackupSchedule Schedule => schedule;

    /// <summary>Who is signed in; null where nobody has to.</summary>
    public Someone.OfTheCrew? Me => Known.Of(HttpContext) as Someone.OfTheCrew;

    /// <summary>Who is at the bench.</summary>
    public string Who => Crew.NameOf(HttpContext);

    /// <summary>Shows the list.</summary>
    public Task OnGetAsync() => ListAsync();

    /// <summary>Brings in a job file.</summary>
    public async Task<IActionResult> OnPostBringAsync(IFormFile? file)
    {
        if (file is null)
        {
            return await RefusedAsync(StatusCodes.Status400BadRequest, "Choose a job file first: it ends in .circuitum.json.");
        }

        var name = Printed.Told(file.FileName, 80);
        if (file.Length > JobFiles.MostBytes)
        {
            return await RefusedAsync(StatusCodes.Status413PayloadTooLarge,
                $"“{name}” is larger than 5 MB. A job of a whole house is a few hundred kB; check that this is the right file.");
        }

        try
        {
            await using var stream = file.OpenReadStream();
            var key = file.FileName.EndsWith(".zip", StringComparison.OrdinalIgnoreCase)
                ? await JobArchives.ReadAsync(databases, clock, stream, d => JobFiles.Read(d),
                    p => Photograph.Read(p) is var photograph ? (photograph.MediaType, photograph.Bytes) : default,
                    o => OfferFiles.Read(o))
                : await bench.StartAsync(JobFiles.Read(stream), Crew.Of(HttpContext));
            return Redirect($"/job/{key}/house");
        }
        catch (Exception e) when (e is JobFileException or FormatException)
        {
            return await RefusedAsync(StatusCodes.Status422UnprocessableEntity, $"“{name}” was not taken. {e.Message}");
        }
    }

    /// <summary>Puts the demo back as it ships; what was done to it stays in its history.</summary>
    public async Task<IActionResult> OnPostResetAsync(string? job)
    {
        var key = Demo.All.Select(d => d.Key).FirstOrDefault(k => k.Value == job, Demo.Key);
        if (await bench.OpenAsync(key) is { } demo)
        {
            await bench.ReplaceAsync(key, demo.Revision, Crew.Of(HttpContext), Demo.Read(key), "Reset the demo");
            // Another house stands there now, as it was shipped: nothing of it is pulled.
            await site.ForgetAsync(key);
            await offers.ForgetAsync(key);
            await boards.ForgetAsync(key);
        }

        return RedirectToPage();
    }

    /// <summary>A backup of everything, as it is at this moment.</summary>
    public IActionResult OnPostBackup()
    {
        var folder = Directory.CreateTempSubdirectory("circuitum-backup-").FullName;
        var file = Path.Combine(folder, "backup.db");
        try
        {
            revisions.Backup(file);
            var name = $"circuitum-{clock.GetUtcNow().ToString("yyyy-MM-dd-HHmm", System.Globalization.CultureInfo.InvariantCulture)}.db";
            // Gone from the disk as soon as it is sent, or the program ends.
            return File(new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.Delete, 1 << 16, FileOptions.DeleteOnClose),
                "application/vnd.sqlite3", name);
        }
        finally
        {
            // The open file stays readable without its folder.
            Directory.Delete(folder, recursive: true);
        }
    }

    /// <summary>Takes a job off the list for good.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(string job, string? typed)
    {
        var listed = (await revisions.ListAsync()).FirstOrDefault(j => j.Key.Value == job);
        if (listed is null || listed.IsDemo)
        {
            return await RefusedAsync(StatusCodes.Status422UnprocessableEntity, listed is null ? "That job is not on the list any more."
                : "The demo stays; reset it instead.");
        }

        if (!string.Equals(typed, Printed.Of(listed.Name), StringComparison.OrdinalIgnoreCase))
        {
            return await RefusedAsync(StatusCodes.Status422UnprocessableEntity,
                $"Not deleted. To delete “{listed.Name}” with all its {listed.Latest.Number} revisions, type its name.");
        }

        searches.Drop(listed.Key);
        await revisions.DeleteAsync(listed.Key);
        plans.Drop(listed.Key);
        return RedirectToPage();
    }

    /// <summary>Says who is at the bench.</summary>
    public async Task<IActionResult> OnPostWhoAsync()
    {
        // As it was sent: a name is not mended behind a person's back.
        var who = Request.Form["who"].ToString();
        if (Crew.Problem(who) is { } problem)
        {
            return await RefusedAsync(StatusCodes.Status422UnprocessableEntity, problem);
        }

        Response.Cookies.Append(Crew.Cookie, Crew.Plain(who),
            new() { HttpOnly = true, SameSite = SameSiteMode.Lax, MaxAge = TimeSpan.FromDays(365), IsEssential = true });
        return RedirectToPage();
    }

    private async Task<IActionResult> RefusedAsync(int status, string sentence)
    {
        Problem = sentence;
        await ListAsync();
        Response.StatusCode = status;
        return Page();
    }

    private async Task ListAsync() => (Jobs, Boards) = (await revisions.ListAsync(), await boards.ListAsync());
}
