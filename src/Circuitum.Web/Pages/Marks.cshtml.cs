using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>What a crew prints before it marks ceilings: two measures for each box, and the facts still waited for.</summary>
public sealed class MarksModel(Workbench bench) : PageModel
{
    /// <summary>Key of the job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>Its plan.</summary>
    public Plan Plan { get; private set; } = null!;

    /// <summary>Shows the sheet.</summary>
    public async Task<IActionResult> OnGetAsync()
    {
        if (await bench.OpenAsync(new JobKey(Key)) is not { } open)
        {
            return NotFound();
        }

        Plan = open.Plan;
        return Page();
    }

    /// <summary>Nothing is done here: shows the sheet.</summary>
    public IActionResult OnPost() => RedirectToPage();

    /// <summary>What a hold hangs on, as people call it.</summary>
    public string Named(Hold hold) => Subject.TryParse(hold.Subject) is not { } subject ? hold.Subject
        : subject.Kind == SubjectKind.Box ? Plan.Survey.Find(new(subject.Id))?.Name ?? hold.Subject
        : subject.Kind == SubjectKind.Room ? Plan.House.Rooms.FirstOrDefault(r => r.Room.Id.Value == subject.Id)?.Room.Name ?? hold.Subject
        : $"{Words.Of(subject.Kind)} {subject.Id}";

    /// <summary>A wall by its side of the room and its number: north, wall 1.</summary>
    public static string Wall(FramedRoom room, int number) => $"{room.Room.SideOf(number)}, {number}";
}
