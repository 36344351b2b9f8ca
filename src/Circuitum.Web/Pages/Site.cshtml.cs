using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Pricing;
using Circuitum.Core.Rules;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Formats.Csv;
using Circuitum.Web.Bench;
using Circuitum.Web.Proving;
using Circuitum.Web.Site;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>One step of one subject, as a button.</summary>
/// <param name="Subject">Of what.</param>
/// <param name="Step">Which step.</param>
/// <param name="Name">Of what, in words, for whoever cannot see the row.</param>
/// <param name="All">The entries by which it is done; none while it is not.</param>
public sealed record Tick(Subject Subject, SiteStep Step, string Name, ImmutableArray<SiteEntry> All)
{
    /// <summary>The first of them.</summary>
    public SiteEntry? Done => All.FirstOrDefault();

    /// <summary>The line of the walk; empty for everything else.</summary>
    public string Line { get; init; } = "";
}

/// <summary>A line to be seen before something is covered.</summary>
/// <param name="Tick">Pressed when it is seen.</param>
/// <param name="Text">What is looked at.</param>
/// <param name="Beside">What stands under it: its section, or what it must show.</param>
/// <param name="Asks">What is asked for when it is wrong.</param>
/// <param name="Corrections">What is wrong and not mended yet.</param>
public sealed record SiteLine(Tick Tick, string Text, string Beside, string Asks, ImmutableArray<SiteEntry> Corrections);

/// <summary>Site: what is pulled, made up, landed, and what is next; it works without signal once it was opened.</summary>
public sealed class SiteModel(Workbench bench, CrewRules rules, Data.Offers offers, TimeProvider clock) : JobPage(bench)
{
    /// <summary>Most entries that the book shows, the newest.</summary>
    public const int MostListed = 200;

    /// <summary>The lists there are: in the address, on the button, and what draws it.</summary>
    public static ImmutableArray<(string View, string Words, string Partial)> Views { get; } =
    [
        ("pull", "Pull", "_SitePull"), ("make-up", "Make up", "_SiteMakeUp"), ("land", "Land", "_SiteLand"), ("walk", "Walk", "_SiteWalk"),
        ("readings", "Readings", "_SiteReadings"),
        ("test", "Test", "_SiteTest"), ("reels", "Reels", "_SiteReels"), ("done", "Done", "_SiteDone"),
    ];

    /// <summary>pull, make-up, land, reels or done.</summary>
    [FromQuery(Name = "view")]
    public string? View { get; set; }

    /// <summary>In what order the crew pulls.</summary>
    [FromQuery(Name = "order")]
    public string? Order { get; set; }

    /// <summary>How many groups of the pull list reels are wanted for; all that is left where nothing is said.</summary>
    [FromQuery(Name = "groups")]
    public string? ForGroups { get; set; }

    /// <summary>The most groups that can be chosen.</summary>
    public const int MostGroups = 12;

    /// <summary>What is about to be covered.</summary>
    [FromQuery(Name = "closing")]
    public string? Before { get; set; }

    /// <summary>What is about to be covered, chosen or the walls.</summary>
    public Closing Closing => Enum.TryParse<Closing>(Before, true, out var closing) && Enum.IsDefined(closing) ? closing : Closing.Walls;

    /// <summary>The walk before it.</summary>
    public ImmutableArray<WalkStop> Stops { get; private set; } = [];

    /// <summary>A full reel, as it is bought.</summary>
    [FromQuery(Name = "full")]
    public string? Full { get; set; }

    /// <summary>The order chosen.</summary>
    public PullManner Manner { get; private set; }

    /// <summary>All runs pulled of all there are.</summary>
    public Tally Pulled { get; private set; } = null!;

    /// <summary>The pull list.</summary>
    public ImmutableArray<PullGroup> Groups { get; private set; } = [];

    /// <summary>What was done by an earlier plan and does not fit this one.</summary>
    public ImmutableArray<SiteClash> Clashes { get; private set; } = [];

    /// <summary>Which cut comes from which reel, by cable.</summary>
    public ImmutableArray<(string Cable, ReelPlan Plan)> Reels { get; private set; } = [];

    /// <summary>The reels in the van.</summary>
    public ImmutableArray<StandingReel> Stock { get; private set; } = [];

    /// <summary>What new reels cost by the crew's list; null where it has no price of that cable.</summary>
    public Money? PriceOf(string cable, ReelPlan plan) => Prices?.Find(cable, "ft") is { } item
        ? item.Price * plan.Bought.Sum(r => r.Length.WholeFeetUp) : null;

    private PriceList? Prices { get; set; }

    /// <summary>Cables that the plan has.</summary>
    public IEnumerable<string> Cables => Plan.Takeoff.Pulls.Where(IsOnReels).Select(l => l.Cable).Distinct().Order(StringComparer.Ordinal);

    /// <summary>The reel that a run is, or is to be, cut from; null where that is not known.</summary>
    public string? ReelFor(PullLine line) => Record.Is(Subject.Run(line.Run), SiteStep.Pulled) ? Record.ReelOf(Subject.Run(line.Run))
        : Reels.FirstOrDefault(r => r.Cable == line.Cable).Plan?.Standing.FirstOrDefault(r => r.Cuts.Any(c => c.Run == line.Run))?.Name;

    /// <summary>The reels that a run may be cut from: of its cable, and the one that it was said to be from.</summary>
    public IEnumerable<string> ReelsFor(PullLine line) => Stock.Where(r => r.Cable == line.Cable).Select(r => r.Name)
        .Concat(new[] { ReelFor(line) }.OfType<string>()).Distinct();

    /// <summary>Feet, or meters, of cable as a number.</summary>
    public string Plain(Length length) => (Plan.Job.Schools.Measure == Measure.Metres ? length.Metres : length.Feet)
        .ToString("0.##", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>The plan.</summary>
    public Plan Plan => Open.Plan;

    /// <summary>The record.</summary>
    public SiteRecord Record => Open.Site;

    /// <summary>The list shown.</summary>
    public (string View, string Words, string Partial) At =>
        Views.FirstOrDefault(v => v.View == View) is { View: not null } chosen ? chosen : Views[0];

    /// <summary>A tick of a subject.</summary>
    public Tick Tick(Subject subject, SiteStep step, string name) => new(subject, step, name, Record.All(subject, step));

    // Conductors that are pulled loose into a pipe come off spools of their own.
    private bool IsOnReels(PullLine line) => Plan.FindRun(line.Run)?.Run.Jacket != Jacket.Loose;

    // What is not pulled yet, as cuts by cable: of the groups that come next, or all.
    private ILookup<string, Cut> CutsLeft()
    {
        var groups = Groups.Select(g => g.Lines.Where(l => !Record.Is(Subject.Run(l.Run), SiteStep.Pulled)
            && l.Length > Length.Zero && IsOnReels(l)).ToList()).Where(g => g.Count > 0);
        var wanted = int.TryParse(ForGroups, System.Globalization.CultureInfo.InvariantCulture, out var most) && most > 0
            ? groups.Take(most) : groups;
        return wanted.SelectMany(g => g).ToLookup(l => l.Cable, l => new Cut(l.Run, l.LabelFrom, l.Length));
    }

    /// <summary>Pins in the plan what is done already, so that the plan follows the house.</summary>
    public Task<IActionResult> OnPostKeepAsync(int from, string entry) => ChangeAsync(from, async () =>
        await LoadAsync() && Clashes.FirstOrDefault(c => c.Entry.Id.ToString() == entry)?.Keep is { } pin ? pin
            : throw new FormatException("That is not open any more. Look at the page again."));

    /// <summary>What a set of allowances that were measured is called until somebody gives it another name.</summary>
    public const string AllowancesName = "As measured";

    /// <summary>Keeps what the crew really leaves as a set of house rules for the next job.</summary>
    public async Task<IActionResult> OnPostAllowancesAsync(string? name)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        var set = string.IsNullOrWhiteSpace(name) ? AllowancesName : name.Trim();
        if (set.Length > MostName)
        {
            return Refuse($"The name has {set.Length} characters; at most {MostName}.", StatusCodes.Status422UnprocessableEntity);
        }

        if (BetterAllowances.Of(Plan.Job.HouseRules, UsedFootage.Of(Plan, Record)) is not { } better)
        {
            return Refuse("Too little is measured for other allowances, or those that are set are right.",
                StatusCodes.Status422UnprocessableEntity);
        }

        await rules.SaveAsync(set, Plan.Job with
        {
            HouseRules = Plan.Job.HouseRules with { SlackAtBox = better.Slack, AtPanel = better.AtPanel },
        }, Crew.Of(HttpContext));
        Said = $"Kept as “{set}”: {better.Slack} behind a box, {better.AtPanel} at the panel. Choose it when you start the next job.";
        return Page();
    }

    private const int MostName = 40;

    /// <summary>The readings before board are made with nothing live.</summary>
    [FromQuery]
    public bool Dead { get; set; }

    /// <summary>The readings before board.</summary>
    public BoardWalk Board => new(Plan, Dead);

    /// <inheritdoc/>
    protected override async Task ReadAsync()
    {
        var plan = Open.Plan;
        Manner = Enum.TryParse<PullManner>(Order, true, out var manner) && Enum.IsDefined(manner) ? manner : PullManner.SameWay;
        Pulled = SiteProgress.Pulled(plan, Record);
        Clashes = SiteClashes.Of(plan, Record);
        Stops = At.View == "walk" ? Walk.Of(plan, Record, Closing) : [];
        ClosingStates = At.View == "walk" || !plan.Job.Closings.IsEmpty ? ClosingState.Of(plan, Record) : [];
        Groups = At.View is "pull" or "reels" ? PullOrder.Of(plan, Manner) : [];
        Stock = ReelStock.Of(Record);
        if (At.View == "reels" || (At.View == "pull" && !Stock.IsEmpty))
        {
            ReadReels();
        }

        if (At.View == "reels")
        {
            Prices = PriceListFiles.Kept((await offers.PricesAsync())?.Document);
        }
    }

    private void ReadReels()
    {
        try
        {
            var full = string.IsNullOrWhiteSpace(Full) ? FullReel : Length.Parse(Full);
            if (full < Length.FromFeet(10) || full > SentEntry.LongestReel)
            {
                throw new FormatException($"A full reel of {full}? It has 10 to 5000 ft.");
            }

            Reels = [.. CutsLeft().OrderBy(c => c.Key, StringComparer.Ordinal).Select(c => (c.Key, ReelCutting.Of(
                [.. Stock.Where(r => r.Cable == c.Key && r.Left > Length.Zero).Select(r => (r.Name, r.Left))], [.. c], full)))];
        }
        catch (FormatException e)
        {
            Refuse(e.Message, StatusCodes.Status422UnprocessableEntity);
        }
    }

    /// <summary>How far each walk is that this job has.</summary>
    public ImmutableArray<ClosingState> ClosingStates { get; private set; } = [];

    /// <summary>Its day is near or past, and it is not ready.</summary>
    public bool IsLate(ClosingState closing) => closing.IsLate(Today);

    private DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>A day as a field of dates has it; nothing where none is set.</summary>
    public static string Day(DateOnly? day) => day?.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture) ?? "";

    /// <summary>in 4 days · 12 of 40 lines seen · 3 not ready.</summary>
    public string Told(ClosingState closing) => string.Join(" · ", new[]
    {
        closing.Day is not { } day ? null : $"{Day(day)}, " + (day.DayNumber - Today.DayNumber) switch
        {
            0 => "today",
            1 => "tomorrow",
            -1 => "yesterday",
            < 0 and var past => $"{-past} days ago",
            var ahead => $"in {ahead} days",
        },
        $"{closing.Seen} of {closing.Lines} lines seen",
        closing.NotReady > 0 ? $"{Bench.Told.Many(closing.NotReady, "line")} not ready by the record" : null,
        closing.Corrections > 0 ? $"{Bench.Told.Many(closing.Corrections, "correction")} open" : null,
    }.OfType<string>());

    /// <summary>Says when something is covered; an empty day takes it back.</summary>
    public Task<IActionResult> OnPostClosingDayAsync(int from, string closing, string? day) => ChangeAsync(from, () =>
        Task.FromResult<JobChange>(new SetClosingDay(Entry.Choice<Closing>(closing), string.IsNullOrWhiteSpace(day) ? null
            : DateOnly.TryParseExact(day, "yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture,
                System.Globalization.DateTimeStyles.None, out var set) ? set
            : throw new FormatException($"“{day}” is no day; write it like 2026-12-24."))));

    /// <summary>Puts a line of the crew's own on the walk.</summary>
    public Task<IActionResult> OnPostCrewLineAsync(int from, string before, string? text, bool everyRoom) => ChangeAsync(from, () =>
        Task.FromResult<JobChange>(new AddCrewLine(Entry.Choice<Closing>(before), text ?? "", everyRoom)));

    /// <summary>Takes one off.</summary>
    public Task<IActionResult> OnPostDropCrewLineAsync(int from, string line) => ChangeAsync(from, () =>
        Task.FromResult<JobChange>(new DropCrewLine(new(line))));

    /// <summary>A line of the walk, to be pressed when it is seen.</summary>
    public SiteLine LineOf(WalkLine line, WalkStop stop) => new(Seen(line.Subject, line.Key, $"{stop.Name}: {line.Text}"), line.Text,
        $"{line.Section}{(line.NotReady is { } not ? $" · {not}" : "")}", "What, and who mends it",
        [.. Record.Corrections(line.Subject, line.Key)]);

    /// <summary>A reading before board, to be pressed when it was made.</summary>
    public SiteLine LineOf(BoardReading reading) => new(Seen(reading.Subject, reading.Line, reading.Where), reading.Where,
        $"{reading.Must} · {reading.Circuit.Panel}{reading.Circuit.SpaceText}", "What it shows",
        [.. Record.Corrections(reading.Subject, reading.Line)]);

    private Tick Seen(Subject subject, string line, string name) =>
        new(subject, SiteStep.Passed, name, Record.All(subject, SiteStep.Passed, line)) { Line = line };

    /// <summary>Every protective device, those that failed first, then those that are due.</summary>
    public IEnumerable<(DeviceLife Life, string Says)> Lives()
    {
        Instant now = new(clock.GetUtcNow().ToUnixTimeMilliseconds());
        return DeviceLives.Of(Plan, Record).OrderByDescending(l => l.Trouble is not null).ThenByDescending(l => l.IsDue(now)).Select(l =>
            (l,
            l.Trouble is { } failed ? $"would not latch, {Told(failed)}: replace it"
            : l.LastTested is not { } last ? "not tested yet"
            : l.IsDue(now) ? $"due: last tested {Time(last.When)}" : $"tested {Time(last.When)} by {last.Who}"));
    }

    /// <summary>What must be read there.</summary>
    public Volts Nominal(Subject subject, string line) => PanelBars.Find(line)?.Nominal(Plan.Book.Supply)
        ?? Plan.CircuitOf(new(subject.Id))?.Circuit.Load.Volts ?? Plan.Book.Supply.ToNeutral;

    /// <summary>Outlets that are read, room by room: receptacles by a tester's lamps, equipment by a meter.</summary>
    public IEnumerable<(FramedRoom Room, string Level, ImmutableArray<PlacedBox> Boxes)> Metered => Walk.Rooms(Plan)
        .Select(r => (r.Room, r.Level, r.Boxes.Where(b => b.Plates.Any() || b.Box.Devices.Any(d => d.Kind.IsReceptacle()))
            .ToImmutableArray())).Where(r => r.Item3.Length > 0);

    /// <summary>The last readings that show something wrong, and where.</summary>
    public IEnumerable<(SiteEntry Entry, string Where, string Says)> Wrong => Record.Standing.Where(e => e.Step == SiteStep.Metered
        && Record.Metered(e.Subject, e.Line) == e).SelectMany(e => e.Reading!.Troubles(Nominal(e.Subject, e.Line)).Select(t =>
            (e, $"{SiteNames.Of(Plan, e.Subject)}{(PanelBars.Find(e.Line) is { } bars ? $", {bars.Words}" : "")}", t)));

    /// <summary>The photographs of a room.</summary>
    public RoomPhotographs PhotographsOf(FramedRoom room) => RoomPhotographs.Of(Open, room);

    /// <summary>What is pulled, by floor, by who and by circuit; what has nothing to count is left out.</summary>
    public IEnumerable<(string Title, ImmutableArray<Tally> Tallies)> Tallies() => new[]
    {
        ("By floor", SiteProgress.ByLevel(Plan, Record)), ("By who", SiteProgress.ByWho(Plan, Record)),
        ("By reel", SiteProgress.ByReel(Plan, Record)),
        ("By circuit", SiteProgress.ByCircuit(Plan, Record)),
    }.Where(t => !t.Item2.IsEmpty);

    /// <summary>Who wrote an entry down, when, and what else it says.</summary>
    public static string Told(SiteEntry entry) => string.Join(" · ", new[]
    {
        $"{entry.Who}, {Time(entry.When)}",
        entry.IsAhead ? $"the phone’s clock said {Time(entry.At)}" : null,
        entry.Used is { } length ? $"used {length}" : null,
        entry.Reel is { } reel ? $"from {reel}" : null,
        entry.Reading?.Words,
        entry.Note.Length > 0 ? entry.Note : null,
    }.OfType<string>());

    /// <summary>A time as it is read: May 4 12:30 UTC.</summary>
    public static string Time(Instant at) => DateTimeOffset.FromUnixTimeMilliseconds(at.UnixMilliseconds)
        .ToString("MMM d HH:mm 'UTC'", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>More or less: +3 ft, or +0.9 m.</summary>
    public string Apart(Length length) => Plan.Job.Schools.Measure == Measure.Metres
        ? string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{length.Metres:+0.0;-0.0;0.0} m")
        : string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{length.Feet:+0;-0;0} ft");

    /// <summary>A reel of branch-circuit cable as counters stock it: 250 ft.</summary>
    public static Length FullReel { get; } = Length.FromFeet(250);
}
