using Circuitum.Core.Training;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>Practice: the exercises, who did them and how well, and the jobs in which a fault can be hidden.</summary>
public sealed class LearnModel(PracticeRecord record, JobRevisions revisions) : PageModel
{
    /// <summary>The exercise that was done just now.</summary>
    [FromQuery]
    public string? Done { get; set; }

    /// <summary>Everything that was done, the best first.</summary>
    public ILookup<string, (Practiced Done, string Who, DateTimeOffset At)> Record { get; private set; } = null!;

    /// <summary>Jobs of one's own.</summary>
    public IReadOnlyList<JobListing> Jobs { get; private set; } = [];

    /// <summary>The exercise that was done just now; null for none.</summary>
    public Exercise? Kept => Done is null ? null : Exercises.Find(Done);

    /// <summary>Who is at the bench.</summary>
    public string Who => Crew.NameOf(HttpContext);

    /// <summary>Lists them.</summary>
    public async Task OnGetAsync()
    {
        Record = (await record.OfAsync()).ToLookup(r => r.Done.Exercise);
        Jobs = await revisions.ListAsync();
    }

    /// <summary>What somebody did, in words.</summary>
    public static string Words(Practiced done) => string.Join(", ", new[]
    {
        Told.Many(done.Steps, "step"), Told.Many(done.Tries, "try", "tries"),
        done.Harm == 0 ? "no harm" : $"harm {Times(done.Harm)}", done.Hints == 0 ? "" : Told.Many(done.Hints, "hint"),
    }.Where(w => w.Length > 0));

    private static string Times(int count) => count == 1 ? "once" : count == 2 ? "twice" : $"{count} times";
}
