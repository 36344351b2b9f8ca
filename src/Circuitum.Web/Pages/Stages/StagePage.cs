using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Edge;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages.Stages;

/// <summary>A stage of the bench: it shows the job, and everything a person does to the job arrives here.</summary>
public abstract partial class StagePage(Workbench bench, Stage stage) : PageModel, IRefuses
{
    /// <summary>Key of the job.</summary>
    [FromRoute]
    public string Key { get; set; } = "";

    /// <summary>The level drawn.</summary>
    [FromQuery]
    public string? Level { get; set; }

    /// <summary>What is selected, as kind:id.</summary>
    [FromQuery]
    public string? On { get; set; }

    /// <summary>What is to be compared on the card: together, for the ways of two circuits.</summary>
    [FromQuery]
    public string? Compare { get; set; }

    /// <summary>What the page shows.</summary>
    public BenchView View { get; private set; } = null!;

    /// <summary>The page, or only the bench when the page is there already.</summary>
    public async Task<IActionResult> OnGetAsync()
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        if (stage is Stage.Circuits or Stage.Runs or Stage.Panel)
        {
            await bench.LookAsync(job);
        }

        View = new(job, stage, Level, On);
        if (Compare == "together" && View.Circuit is { Wired.Circuit: { GoesWith: { } with } one } && job.Plan.Landed(with) is { } other)
        {
            var plan = job.Plan;
            View = new(job, stage, Level, On)
            {
                Together = await bench.PlanAsync(_ =>
                    Core.Routing.Routes.Together(plan.House, plan.Survey, one, other.Wired.Circuit, plan.Job, plan.Book)),
            };
        }

        return InPlace && !Request.Headers.ContainsKey("HX-History-Restore-Request") ? BenchOnly() : Page();
    }

    /// <summary>An act that no page knows.</summary>
    public Task<IActionResult> OnPostAsync() => RefusedAsync("There is no such act here. Open the page again.");

    /// <summary>Moves a box along its wall.</summary>
    public Task<IActionResult> OnPostMoveAsync(string box, string offset) => ChangeAsync(() => new MoveBox(new(box), Length.Parse(offset)));

    /// <summary>Moves a ceiling or floor box.</summary>
    public Task<IActionResult> OnPostPlaceAsync(string box, string x, string y) =>
        ChangeAsync(() => new PlaceBox(new(box), Length.Parse(x), Length.Parse(y)));

    /// <summary>Sets a box's height; nothing typed means the crew's.</summary>
    public Task<IActionResult> OnPostHeightAsync(string box, string? height) =>
        ChangeAsync(() => new SetHeight(new(box), string.IsNullOrWhiteSpace(height) ? null : Length.Parse(height)));

    /// <summary>Puts another device in a place of a box.</summary>
    public Task<IActionResult> OnPostDeviceAsync(string box, int place, string kind) =>
        ChangeAsync(() => new SetDeviceKind(new(box), place, Entry.Choice<DeviceKind>(kind)));

    /// <summary>Sets a load.</summary>
    public Task<IActionResult> OnPostLoadAsync(string box, int place, string load) =>
        ChangeAsync(job => new SetLoad(new(box), place, Entry.VoltAmps(load, current => Drawing(job, new(box), place, current))));

    // Where it stands decides what its amperes are worth; what has no plate is on one leg.
    private static VoltAmps Drawing(Job job, BoxId box, int place, Amps current)
    {
        var supply = CodeBook.For(job).Supply;
        return supply.Load(current, job.Boxes.FirstOrDefault(b => b.Id == box)?.Devices.ElementAtOrDefault(place)?.Plate?.Volts
            ?? supply.ToNeutral);
    }

    /// <summary>Sets MCA and MOCP from a data plate.</summary>
    public Task<IActionResult> OnPostPlateAsync(string box, int place, string mca, string mocp) =>
        ChangeAsync(() => new SetPlateAmps(new(box), place, Entry.Amps(mca), Entry.Amps(mocp)));

    /// <summary>Sets the breaker that a plate asks for; nothing typed means by its load.</summary>
    public Task<IActionResult> OnPostPlateBreakerAsync(string box, int place, string? breaker) =>
        ChangeAsync(() => new SetPlateBreaker(new(box), place, string.IsNullOrWhiteSpace(breaker) ? null : Entry.Amps(breaker)));

    /// <summary>Takes a box out.</summary>
    public Task<IActionResult> OnPostDeleteAsync(string box) => ChangeAsync(() => new DeleteBox(new(box)));

    /// <summary>Plans by another edition.</summary>
    public Task<IActionResult> OnPostEditionAsync(string edition) => ChangeAsync(() => new SetEdition(Entry.Edition(edition)));

    /// <summary>Changes the crew's schools; what is not sent stays.</summary>
    public Task<IActionResult> OnPostSchoolsAsync() => ChangeAsync(job => new SetSchools(CrewForms.Schools(Request.Form, job.Schools)));

    /// <summary>Holds a box on a circuit, or frees it.</summary>
    public Task<IActionResult> OnPostPinBoxAsync(string box, string? circuit) =>
        ChangeAsync(() => new PinBox(new(box), string.IsNullOrEmpty(circuit) ? null : new CircuitKey(circuit)));

    /// <summary>Holds a breaker's rating, or frees it.</summary>
    public Task<IActionResult> OnPostPinBreakerAsync(string circuit, string? rating) =>
        ChangeAsync(() => new PinBreaker(new(circuit), string.IsNullOrEmpty(rating) ? null : Entry.Amps(rating)));

    /// <summary>Holds a conductor, or frees it.</summary>
    public Task<IActionResult> OnPostPinCableAsync(string circuit, string? gauge) =>
        ChangeAsync(() => new PinCable(new(circuit), string.IsNullOrEmpty(gauge) ? null : Gauge.Parse(gauge)));

    /// <summary>Holds a space, or frees it.</summary>
    public Task<IActionResult> OnPostPinSpaceAsync(string circuit, string? space) =>
        ChangeAsync(() => new PinSpace(new(circuit), string.IsNullOrEmpty(space) ? null : PanelSpace.Parse(space)));

    /// <summary>Applies the fix that a tag offers.</summary>
    public async Task<IActionResult> OnPostFixAsync(int tag, int fix, int from)
    {
        // A tag's place in the list means something only in the revision it was read from.
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        var tags = job.Plan.Tags;
        return job.Revision != from ? await SayAsync(StatusCodes.Status409Conflict, ActAnswer.Overtaken(job.Timeline.Latest).Said)
            : tag >= 0 && tag < tags.Length && fix >= 0 && fix < tags[tag].Fixes.Length
            ? await ChangeAsync(() => tags[tag].Fixes[fix].Change)
            : await RefusedAsync("That fix is not offered any more.");
    }

    /// <summary>Takes the last change back.</summary>
    public Task<IActionResult> OnPostUndoAsync() => AnswerAsync(from => bench.UndoAsync(new(Key), from, Crew.Of(HttpContext)));

    /// <summary>Does the last undone change again.</summary>
    public Task<IActionResult> OnPostRedoAsync() => AnswerAsync(from => bench.RedoAsync(new(Key), from, Crew.Of(HttpContext)));

    private const string FreesIn = "frees";

    private bool InPlace => Request.Headers.ContainsKey("HX-Request");

    private BenchAnswer BenchOnly() => new(Partial("_Bench", View), HttpContext.RequestServices.GetRequiredService<SentBenches>());

    private Task<IActionResult> ChangeAsync(Func<JobChange> change) => ChangeAsync(_ => change());

    private Task<IActionResult> ChangeAsync(Func<Job, JobChange> change, Func<DivisionEffect, string?>? veto = null) =>
        AnswerAsync(from => bench.DoAsync(new(Key), from, Crew.Of(HttpContext), open => Task.FromResult(Freed(change(open.Plan.Kept))),
            veto));

    // What was refused for a kept size, sent again with the rooms that may be freed for it.
    private JobChange Freed(JobChange change) => Request.Form[FreesIn].ToString() is { Length: > 0 } rooms
        ? new Freeing([.. rooms.Split(',').Select(r => new RoomId(r))], change) : change;

    private async Task<IActionResult> AnswerAsync(Func<int, Task<Outcome>> act)
    {
        if (!Request.HasFormContentType || !int.TryParse(Request.Form["from"], CultureInfo.InvariantCulture, out var from))
        {
            return await RefusedAsync("This form names no revision to start from. Open the page again.");
        }

        var outcome = await act(from);
        return outcome is Outcome.Changed changed ? Shown(changed) : ActAnswer.Of(outcome) is { } answer
            ? await SayAsync(answer.Status, Again(answer)) : NotFound();
    }

    // Who was overtaken, or kept back for a rule, sends the same fields again.
    private Said Again(ActAnswer answer) => answer.CanGoAhead
        ? answer.Said with
        {
            Again = [.. Sent(), new("anyway", "true")],
            AgainAt = Request.Query["handler"],
            AgainWords = "Do it anyway, tagged"
        }
        : answer.Frees.Count > 0
        ? answer.Said with
        {
            Again = [.. Sent().Where(f => f.Key != FreesIn), new(FreesIn, string.Join(',', answer.Frees))],
            AgainAt = Request.Query["handler"],
            AgainWords = answer.Frees.Count == 1 ? "Free it and do this" : "Free them and do this",
        }
        : answer.Status == StatusCodes.Status409Conflict ? answer.Said with { Again = Sent(), AgainAt = Request.Query["handler"] }
        : answer.Said;

    // The fields of the form, to be sent again.
    private List<KeyValuePair<string, string>> Sent() =>
        [.. Request.Form.Where(f => f.Key is not ("from" or "__RequestVerificationToken"))
            .SelectMany(f => f.Value.Select(v => new KeyValuePair<string, string>(f.Key, v ?? "")))];

    private IActionResult Shown(Outcome.Changed changed)
    {
        if (changed.Selects is { } made)
        {
            On = made.ToString();
            Level = made.Kind == SubjectKind.Room
                ? changed.Job.Plan.Job.Levels.First(l => l.Rooms.Any(r => r.Id.Value == made.Id)).Id.Value : Level;
        }

        View = new(changed.Job, stage, Level, On) { Said = ActAnswer.Of(changed)!.Said };
        Response.Headers["HX-Replace-Url"] = View.Link(View.Selected);
        return InPlace ? BenchOnly() : Page();
    }

    /// <summary>Says in the quiet line why nothing was done; what was typed stays in its field.</summary>
    public Task<IActionResult> RefusedAsync(string sentence) =>
        SayAsync(StatusCodes.Status422UnprocessableEntity, ActAnswer.Refusal(sentence).Said);

    // Only the quiet line is answered, so that what was typed stays in its field.
    private async Task<IActionResult> SayAsync(int status, Said said)
    {
        if (await bench.OpenAsync(new(Key)) is not { } job)
        {
            return NotFound();
        }

        View = new(job, stage, Level, On) { Said = said };
        Response.StatusCode = status;
        if (!InPlace)
        {
            return Page();
        }

        Response.Headers["HX-Retarget"] = "#said";
        Response.Headers["HX-Reswap"] = "outerMorph";
        Response.Headers["HX-Push-Url"] = "false";
        return Partial("_Said", View);
    }
}
