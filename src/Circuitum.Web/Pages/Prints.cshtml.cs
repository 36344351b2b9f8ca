using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Takeoff;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Pdf;
using Circuitum.Web.Bench;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>The schedule of a panel on paper: printed, compared with what somebody typed, and with what was printed before.</summary>
public sealed class PrintsModel(Workbench bench, Sheets sheets, Doors doors, Shared shared, TimeProvider clock) : JobPage(bench)
{
    /// <summary>The panel.</summary>
    [FromRoute]
    public string Panel { get; set; } = "";

    /// <summary>The revision on a sheet that hangs somewhere.</summary>
    [FromQuery]
    public int? Since { get; set; }

    /// <summary>The panel as landed.</summary>
    public PanelSchedule Schedule { get; private set; } = null!;

    /// <summary>What was printed of it, the newest first.</summary>
    public IReadOnlyList<PrintedSheet> Printed { get; private set; } = [];

    /// <summary>What differs from a typed or an earlier sheet; null when none was asked about.</summary>
    public IReadOnlyList<ScheduleDifference>? Differences { get; private set; }

    /// <summary>What the differences are from.</summary>
    public string From { get; private set; } = "";

    /// <summary>Shows the page, with the change sheet when a revision is named.</summary>
    public override async Task<IActionResult> OnGetAsync()
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (Since is int since)
        {
            if (since < 1 || since > Open.Revision || await PlanAtAsync(since) is not { } then)
            {
                return Refuse($"There is no revision {since}; the newest is {Open.Revision}. It stands on the printed sheet.",
                    StatusCodes.Status422UnprocessableEntity);
            }

            Differences = ScheduleComparison.Of(ScheduleComparison.LinesOf([.. then.Panels.Where(p => p.Panel.Id == Schedule.Panel.Id)]),
                ScheduleComparison.LinesOf([Schedule]));
            From = $"revision {since}";
        }

        return Page();
    }

    /// <summary>Prints the schedule, and keeps that it was printed: so it is posted, and no link from elsewhere can do it.</summary>
    public async Task<IActionResult> OnPostPdfAsync(string? paper, string? code)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (!Enum.TryParse<Paper>(paper ?? nameof(Paper.Letter), true, out var sheet) || !Enum.IsDefined(sheet))
        {
            return Refuse("Choose Letter, A4 or the door's size.", StatusCodes.Status422UnprocessableEntity);
        }

        await sheets.KeepAsync(new(Key), Schedule.Panel.Id, Open.Revision, sheet.ToString(), Crew.Of(HttpContext));
        return File(SchedulePdf.Write(Open.Plan, new()
        {
            Paper = sheet,
            Panel = Schedule.Panel.Id,
            Stamp = Stamp,
            Address = code != "address" ? null
                : await doors.OfAsync(new(Key)) is { } door && shared.Is ? shared.Link(Request.Host, $"/door/{door}/{Panel}")
                : $"{Request.Scheme}://{Request.Host}/job/{Key}/find/{Panel}",
        }), "application/pdf");
    }

    /// <summary>Prints the home runs of the panel.</summary>
    public async Task<IActionResult> OnGetHomeRunsAsync(string? paper) => !await LoadAsync() ? NotFound()
        : Enum.TryParse<Paper>(paper ?? nameof(Paper.Letter), true, out var sheet) && sheet is Paper.Letter or Paper.A4
            ? File(HomeRunPdf.Write(Open.Plan, new() { Paper = sheet, Panel = Schedule.Panel.Id, Stamp = Stamp }), "application/pdf")
            : Refuse("Choose Letter or A4.", StatusCodes.Status422UnprocessableEntity);

    /// <summary>Holds a typed schedule against the plan.</summary>
    public async Task<IActionResult> OnPostCompareAsync(IFormFile? sheet)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (sheet is null || sheet.Length == 0)
        {
            return Refuse("Choose a CSV file with the columns space and description.", StatusCodes.Status422UnprocessableEntity);
        }

        if (sheet.Length > ScheduleReader.MostBytes)
        {
            return Refuse($"“{sheet.FileName}” is larger than {ScheduleReader.MostBytes / 1024} KB; a schedule has a line for each "
                + $"breaker. Nothing was read.", StatusCodes.Status422UnprocessableEntity);
        }

        using var copy = new MemoryStream();
        await sheet.CopyToAsync(copy);
        try
        {
            var lines = ScheduleReader.Read(copy.ToArray(), Schedule.Panel.Id);
            var panels = Open.Plan.Panels.Where(p => lines.Any(l => l.Panel == p.Panel.Id)).ToList();
            if (lines.FirstOrDefault(l => panels.TrueForAll(p => p.Panel.Id != l.Panel)) is { } stray)
            {
                return Refuse($"The sheet names panel “{stray.Panel}”, which this job has not. Its panels: "
                    + $"{string.Join(", ", Open.Plan.Panels.Select(p => p.Panel.Id))}.", StatusCodes.Status422UnprocessableEntity);
            }

            Differences = ScheduleComparison.Of(lines, ScheduleComparison.LinesOf([.. panels]));
            From = $"“{sheet.FileName}”, {lines.Count} breakers";
            return Page();
        }
        catch (FormatException e)
        {
            return Refuse(e.Message, StatusCodes.Status422UnprocessableEntity);
        }
    }

    private string Stamp =>
        $"Revision {Open.Revision} · printed "
        + $"{clock.GetLocalNow().ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)} · {Crew.NameOf(HttpContext)}";

    /// <inheritdoc/>
    protected override bool IsThere => Schedule is not null;

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        Schedule = Open.Plan.Panels.FirstOrDefault(p => p.Panel.Id.Value == Panel)!;
        Printed = Schedule is null ? [] : await sheets.OfAsync(new(Key), Schedule.Panel.Id);
    }
}
