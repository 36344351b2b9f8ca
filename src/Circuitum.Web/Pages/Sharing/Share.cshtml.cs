using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Web.Bench;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages.Sharing;

/// <summary>Lets guests read one job.</summary>
public sealed class ShareModel(GuestLinks links, Doors doors, JobRevisions revisions, Shared shared) : PageModel
{
    /// <summary>For how many days a link may stand.</summary>
    public static IReadOnlyList<int> Lengths { get; } = [1, 7, 30, 90];

    /// <summary>The job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>What it is called.</summary>
    public string JobName { get; private set; } = "";

    /// <summary>Links that are open.</summary>
    public IReadOnlyList<GuestLink> Links { get; private set; } = [];

    /// <summary>The link that was just made.</summary>
    public MadeLink? Made { get; private set; }

    /// <summary>What was done.</summary>
    public string? Said { get; private set; }

    /// <summary>Why nothing was done.</summary>
    public string? Problem { get; private set; }

    /// <summary>The code on the panels' doors; null where they are closed.</summary>
    public string? DoorCode { get; private set; }

    /// <summary>Whether the owner is asking: the doors are his.</summary>
    public bool IsOwner => Known.Of(HttpContext) is Someone.OfTheCrew { Role: MemberRole.Owner };

    /// <summary>Opens the job's doors, by a new code.</summary>
    public Task<IActionResult> OnPostOpenDoorAsync() => DoorAsync(async () => await doors.OpenAsync(new(Key), Crew.Of(HttpContext))
        ? "Open: print the door sheet with its code again. What was printed before opens nothing." : "There is no such job.");

    /// <summary>Closes them.</summary>
    public Task<IActionResult> OnPostCloseDoorAsync() => DoorAsync(async () => await doors.CloseAsync(new(Key))
        ? "Closed: the code on the door asks to sign in." : "They were closed already.");

    private async Task<IActionResult> DoorAsync(Func<Task<string>> act)
    {
        if (IsOwner)
        {
            Said = await act();
        }
        else
        {
            Problem = "The owner says whether whoever stands before the panel may look. Nothing was changed.";
            Response.StatusCode = StatusCodes.Status403Forbidden;
        }

        return await ReadAsync() ? Page() : NotFound();
    }

    /// <summary>Shows them.</summary>
    public async Task<IActionResult> OnGetAsync() => await ReadAsync() ? Page() : NotFound();

    /// <summary>Makes a link.</summary>
    public async Task<IActionResult> OnPostMakeAsync([Bind(Prefix = "for")] string? forWhom, int days)
    {
        var whom = forWhom ?? "";
        if (whom.Length is 0 or > 40 || Printed.Problem(whom) is not null || !Lengths.Contains(days))
        {
            Problem = whom.Length == 0 ? "Say whom the link is for, so that you know later which to end."
                : Lengths.Contains(days) ? $"Whom it is for {Printed.Problem(whom) ?? "has at most 40 characters"}."
                : "A link stands for a day, 7, 30 or 90.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        }
        else if (await links.MakeAsync(new(Key), whom, TimeSpan.FromDays(days), Crew.Of(HttpContext)) is { } code)
        {
            Made = new($"A link for {whom}", $"Opens this job to be read, for {(days == 1 ? "a day" : $"{days} days")}. End it here at any "
                + "time.", shared.Link(Request.Host, $"/guest/{code}"));
        }
        else
        {
            Problem = $"This job has {GuestLinks.MostOfJob} open links already. End some.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        }

        return await ReadAsync() ? Page() : NotFound();
    }

    /// <summary>Ends a link.</summary>
    public async Task<IActionResult> OnPostEndAsync(int id)
    {
        Said = await links.EndAsync(new(Key), id) ? "The link is ended: whoever reads by it reads no more." : "It had ended already.";
        return await ReadAsync() ? Page() : NotFound();
    }

    private async Task<bool> ReadAsync()
    {
        if (await revisions.NameAsync(new(Key)) is not { } name)
        {
            return false;
        }

        JobName = name;
        Links = await links.OfAsync(new(Key));
        DoorCode = await doors.OfAsync(new(Key));
        return true;
    }
}
