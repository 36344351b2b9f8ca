using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Searches;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>One division of the job beside the others.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Value">The name it is followed by; null the planner's own.</param>
/// <param name="Kept">A person keeps it under that name.</param>
/// <param name="Stands">The plan follows it.</param>
/// <param name="Plan">The plan that follows it.</param>
/// <param name="Amounts">What it comes to.</param>
public sealed record ComparedDivision(string Name, string? Value, bool Kept, bool Stands, Plan Plan, AimAmounts Amounts);

/// <summary>The job divided in a manner that people know.</summary>
/// <param name="Manner">The manner.</param>
/// <param name="Stands">It is so divided.</param>
/// <param name="Plan">The plan that comes of it.</param>
public sealed record DividedSo(DivisionManner Manner, bool Stands, Plan Plan)
{
    /// <summary>What people call it.</summary>
    public string Name { get; } = char.ToUpperInvariant(DivideAs.Called(Manner)[0]) + DivideAs.Called(Manner)[1..];

    /// <summary>What it is like to live with.</summary>
    public string Words => Manner switch
    {
        DivisionManner.RoomByRoom => "one breaker for lights and receptacles of a room, small rooms joined to the next; easy to find, all "
            + "of it goes dark",
        DivisionManner.ByNeighbourhood => "lights and receptacles together, neighboring rooms on one breaker",
        DivisionManner.LightsApart => "a tripped receptacle leaves the lights on",
        _ => "rooms mixed as far as rules, cap and fill allow",
    };
}

/// <summary>An aim as a row: how it is called, what a division has of it, and what it weighs.</summary>
public sealed record AimRow(string Words, Func<AimAmounts, Measure, string> Value, Func<Aims, string> Weight);

/// <summary>Divisions of a job: a better one is looked for, several are kept and compared.</summary>
public sealed class DivisionsModel(Workbench bench, DivisionSearches searches) : JobPage(bench)
{
    /// <summary>The level drawn in the small plans.</summary>
    [FromQuery]
    public string? Level { get; set; }

    /// <summary>The plan that stands.</summary>
    public Plan Plan => Open.Plan;

    /// <summary>The search that runs or has run.</summary>
    public SearchState? Search { get; private set; }

    /// <summary>What the plan that follows the found division differs by; null while there is none.</summary>
    public DivisionEffect? Found { get; private set; }

    /// <summary>What the job measures cable in.</summary>
    public Measure Measure => Open.Plan.Job.Schools.Measure;

    /// <summary>Divisions to compare.</summary>
    public IReadOnlyList<ComparedDivision> Compared { get; private set; } = [];

    /// <summary>The manners that people know, with what each comes to.</summary>
    public IReadOnlyList<DividedSo> Manners { get; private set; } = [];

    /// <summary>Seconds a search may take.</summary>
    public static IReadOnlyList<int> Times { get; } = [5, 10, 30, 60, 300];

    /// <summary>The aims.</summary>
    public static IReadOnlyList<AimRow> Rows { get; } =
    [
        new("Cable between boxes", (a, m) => a.Cable.Cut(m), w => $"{w.Cable} of its length"),
        new("Breakers", (a, _) => $"{a.Breakers}", w => $"{w.Breaker} each"),
        new("Outlets that go dead together", (a, _) => a.Darkness.ToString("0.0", System.Globalization.CultureInfo.InvariantCulture),
            w => $"{w.Darkness} each"),
        new("Beyond the wanted fill", (a, _) => a.Crowding.ToString(), w => $"{w.Crowding} a hundredth above {w.WantedFill}"),
        new("Floors crossed", (a, _) => $"{a.Crossings}", w => $"{w.Crossing} each"),
        new("Into another room", (a, _) => $"{a.RoomsLeft}", w => $"{w.LeavingRoom} each"),
        new("One outlet alone", (a, _) => a.Lone.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture), w =>
            $"{w.Lone} each, half for two"),
        new("All by the crew's weights", (a, m) => a.Weight.Cut(m), _ => "as so much cable"),
    ];

    /// <summary>The search only, asked for while it runs.</summary>
    public Task<IActionResult> OnGetSearchAsync() => SearchOnlyAsync();

    /// <summary>Starts a search.</summary>
    public async Task<IActionResult> OnPostFindAsync(string seconds)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (!int.TryParse(seconds, CultureInfo.InvariantCulture, out var time) || !Times.Contains(time))
        {
            return Refuse("Choose how long to look from the list.", StatusCodes.Status422UnprocessableEntity);
        }

        searches.Start(Open.Key, Open, time);
        return await SearchOnlyAsync();
    }

    /// <summary>Ends the search; what it found stays.</summary>
    public async Task<IActionResult> OnPostCancelAsync()
    {
        await searches.StopAsync(new(Key));
        return await SearchOnlyAsync();
    }

    /// <summary>Puts the found division away.</summary>
    public Task<IActionResult> OnPostPutAwayAsync()
    {
        searches.Drop(new(Key));
        return SearchOnlyAsync();
    }

    /// <summary>Keeps the found division under a name, and follows it where asked.</summary>
    public Task<IActionResult> OnPostAcceptAsync(string? name, bool follow, int from) =>
        DoAsync(from, () => searches.Of(new(Key))?.Latest is { } found
        ? new KeepDivision(found.Division with { Name = string.IsNullOrWhiteSpace(name) ? DivisionSearches.Name : name.Trim() }, follow)
        : throw new FormatException("What was found is not there any more. Look again."), () => searches.Drop(new(Key)));

    /// <summary>Keeps the division that stands.</summary>
    public Task<IActionResult> OnPostKeepAsync(string? name, int from) =>
        DoAsync(from, () => string.IsNullOrWhiteSpace(name) ? throw new FormatException("Give the division a name of 1 to 40 characters.")
            : new KeepStanding(name));

    /// <summary>Follows a kept division, or the planner's own.</summary>
    public Task<IActionResult> OnPostFollowAsync(string? name, int from) =>
        DoAsync(from, () => new FollowDivision(string.IsNullOrEmpty(name) ? null : name));

    /// <summary>Divides in a manner.</summary>
    public Task<IActionResult> OnPostMannerAsync(string manner, int from) =>
        DoAsync(from, () => new DivideAs(Entry.Choice<DivisionManner>(manner)));

    /// <summary>Drops a kept division.</summary>
    public Task<IActionResult> OnPostDropAsync(string? name, int from) => DoAsync(from, () => new DropDivision(name ?? ""));

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        Search = searches.Of(Open.Key);
        Found = Search is { Running: false, Latest: { IsBetter: true } found } && new KeepDivision(found.Division, true)
            .On(Plan.Job).Job is { } after ? new(Plan, await PlanAsync(after)) : null;
        // While only the search is asked for, nothing else is made ready.
        Compared = InPlace ? [] : await PlanAsync(Compare);
        Manners = InPlace ? [] : await PlanAsync(InManners);
    }

    private IReadOnlyList<DividedSo> InManners(CancellationToken gone) => [.. Enum.GetValues<DivisionManner>().Select(manner =>
        DivideAs.IsIn(manner, Plan.Job) ? new DividedSo(manner, true, Plan)
        : new(manner, false, Planner.Plan(new DivideAs(manner).On(Plan.Job).Job!, gone)))];

    private bool InPlace => Request.Headers.ContainsKey("HX-Request");

    private Task<IActionResult> DoAsync(int from, Func<JobChange> change, Action? after = null) =>
        ChangeAsync(from, () => Task.FromResult(change()), after);

    private async Task<IActionResult> SearchOnlyAsync() => !await LoadAsync() ? NotFound() : InPlace ? Partial("_Search", this) : Page();

    // The planner's own first, then what is kept.
    private IReadOnlyList<ComparedDivision> Compare(CancellationToken gone)
    {
        string?[] names = [null, .. Plan.Job.Divisions.Select(d => d.Name)];
        var amounts = Redivide.Weigh(Plan.Job, names);
        return [.. names.Select((name, i) =>
        {
            var stands = Plan.Job.Follows == name;
            return new ComparedDivision(name is null ? Plan.Job.Follows == Division.AsSeen ? "Divided again" : "The planner's own"
                : name == Division.AsSeen ? "As you saw it" : name, name, name is not null && name != Division.AsSeen, stands,
                stands ? Plan : Planner.Plan(Plan.Job with { Follows = name }, gone), amounts[i]);
        })];
    }
}
