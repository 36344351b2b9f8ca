using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Tags;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>Two revisions held against each other.</summary>
/// <param name="From">The earlier, by its number.</param>
/// <param name="To">The later.</param>
/// <param name="Changed">What is otherwise, in lines.</param>
/// <param name="Come">Tags that came.</param>
/// <param name="Gone">Tags that went.</param>
public sealed record Compared(int From, int To, ImmutableArray<string> Changed, ImmutableArray<Tag> Come, ImmutableArray<Tag> Gone);

/// <summary>History: who did what and when; any two revisions compared, any one brought back, some with names.</summary>
public sealed class HistoryModel(Workbench bench, JobRevisions revisions, Milestones milestones, TouchedParts touched)
    : JobPage(bench)
{
    /// <summary>Revisions on one page.</summary>
    public const int Most = 100;

    /// <summary>Whose; empty for everybody's.</summary>
    [FromQuery]
    public string Who { get; set; } = "";

    /// <summary>A room or a circuit that was touched, or any word that the act names.</summary>
    [FromQuery]
    public string About { get; set; } = "";

    /// <summary>Only those below this number; 0 for the newest.</summary>
    [FromQuery]
    public int Below { get; set; }

    /// <summary>The earlier of two that are compared; 0 for none.</summary>
    [FromQuery]
    public int From { get; set; }

    /// <summary>The later; 0 for the newest.</summary>
    [FromQuery]
    public int To { get; set; }

    /// <summary>What is shown, the newest first.</summary>
    public IReadOnlyList<Revision> Shown { get; private set; } = [];

    /// <summary>There are older ones.</summary>
    public bool HasOlder { get; private set; }

    /// <summary>Everybody who did anything.</summary>
    public IReadOnlyList<string> Everybody { get; private set; } = [];

    /// <summary>Names of revisions.</summary>
    public ILookup<int, Milestone> Names { get; private set; } = null!;

    /// <summary>Two revisions compared; null where none are asked about.</summary>
    public Compared? Compared { get; private set; }

    /// <summary>Words to filter by: rooms and circuits.</summary>
    public IEnumerable<string> Words => Open.Plan.House.Rooms.Select(r => r.Room.Name)
        .Concat(Open.Plan.Panels.SelectMany(p => p.Circuits).SelectMany(c => new[] { c.Description, c.SpaceText })).Distinct();

    /// <summary>Gives a revision a name.</summary>
    public async Task<IActionResult> OnPostNameAsync(int number, string? name)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        var given = Printed.Of(name ?? "").Trim();
        if (given.Length is 0 or > Milestones.Longest || Printed.Problem(given) is not null)
        {
            return Refuse($"Give the revision a name of 1 to {Milestones.Longest} characters, like: permit set.",
                StatusCodes.Status422UnprocessableEntity);
        }

        return await milestones.NameAsync(Open.Key, number, given, Crew.Of(HttpContext)) ? Redirect($"/job/{Key}/history")
            : Refuse($"Not named: there is no revision {number}, “{given}” is taken, or the job has {Milestones.MostOfJob} names.",
                StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>Brings a revision back as a new one, on top of all that came since.</summary>
    public async Task<IActionResult> OnPostBackAsync(int number, int from)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (await PlanAtAsync(number) is not { } plan)
        {
            return Refuse($"There is no revision {number} that can be read. Nothing was changed.",
                StatusCodes.Status422UnprocessableEntity);
        }

        var outcome = await ReplaceAsync(from, plan.Job, $"Bring back revision {number}");
        return outcome is Outcome.Changed ? Redirect($"/job/{Key}/history")
            : ActAnswer.Of(outcome) is { } answer ? Refuse(answer.Said.Phrase, answer.Status) : NotFound();
    }

    /// <summary>The address with the filter kept.</summary>
    public string Link(int below = 0, int from = 0, int to = 0) => $"/job/{Key}/history?who={Uri.EscapeDataString(Who)}"
        + $"&about={Uri.EscapeDataString(About)}&below={Number(below)}&from={Number(from)}&to={Number(to)}";

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        var all = await revisions.OfAsync(Open.Key);
        Everybody = [.. all.Select(r => r.Who).Distinct().Order(StringComparer.OrdinalIgnoreCase)];
        Names = (await milestones.OfAsync(Open.Key)).ToLookup(m => m.Number);
        var touches = await TouchesAsync();
        var matching = all.Reverse().Where(r => (Who.Length == 0 || r.Who == Who) && (Below <= 0 || r.Number < Below)
            && (About.Length == 0 || touches.Contains(r.Number) || r.Phrase.Contains(About, StringComparison.OrdinalIgnoreCase)
                || Names[r.Number].Any(n => n.Name.Contains(About, StringComparison.OrdinalIgnoreCase)))).Take(Most + 1).ToList();
        (Shown, HasOlder) = ([.. matching.Take(Most)], matching.Count > Most);
        var later = To > 0 ? To : Open.Revision;
        var (first, last) = (Math.Min(From, later), Math.Max(From, later));
        if (From > 0 && await PlanOfAsync(first) is { } before && await PlanOfAsync(last) is { } after)
        {
            Compared = new(first, last, [.. PlanDifference.Between(before, after)],
                [.. PlanDifference.TagsOnlyIn(after, before)], [.. PlanDifference.TagsOnlyIn(before, after)]);
        }
    }

    // Where the file is damaged in between, what is left are the words.
    private async Task<IReadOnlySet<int>> TouchesAsync()
    {
        try
        {
            return About.Length == 0 ? new HashSet<int>() : await touched.OfAsync(Open.Key, Open.Plan, Open.Timeline.Latest.Number, About);
        }
        catch (DamagedDocumentException)
        {
            return new HashSet<int>();
        }
    }

    // The newest is planned already.
    private async Task<Plan?> PlanOfAsync(int number) => number == Open.Revision ? Open.Plan : await PlanAtAsync(number);

    private static string Number(int number) => number.ToString(CultureInfo.InvariantCulture);
}
