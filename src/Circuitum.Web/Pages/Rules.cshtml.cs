using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>A number of the crew's, beside the book's.</summary>
public sealed record RuleRow(string Field, string Words, Func<HouseRules, string> Value, string Book, ImmutableArray<RuleId> Cites, bool IsLength = true);

/// <summary>The crew's numbers on one page, and sets of them.</summary>
public sealed class RulesModel(Workbench bench, CrewRules rules) : JobPage(bench)
{
    /// <summary>The job.</summary>
    public Job Job => Open.Plan.Job;

    /// <summary>Sets kept.</summary>
    public IReadOnlyList<RuleSet> Sets { get; private set; } = [];

    /// <summary>The numbers with the book's limits.</summary>
    public static IReadOnlyList<RuleRow> Rows { get; } =
    [
        new("receptacleReach", "Farthest point of a wall from a receptacle", r => r.ReceptacleReach.ToString(), "at most 6 ft", [RuleId.WallReach]),
        new("counterReach", "Farthest point of a counter from a receptacle", r => r.CounterReach.ToString(), "at most 24 in", [RuleId.CounterReach]),
        new("receptacleHeight", "Receptacles, bottom at", r => r.ReceptacleHeight.ToString(), "counts up to 5-1/2 ft", [RuleId.HighReceptacle]),
        new("switchHeight", "Switches at", r => r.SwitchHeight.ToString(), "handle at most 6 ft 7 in", [RuleId.SwitchHeight]),
        new("counterHeight", "Counter receptacles at", r => r.CounterHeight.ToString(), "at most 20 in above the counter", [RuleId.CounterHeight]),
        new("switchFromJamb", "Strike jamb to a switch's middle", r => r.SwitchFromJamb.ToString(), "no rule", []),
        new("canSpacing", "Can to can, half of it from the walls", r => r.CanSpacing.ToString(), "no rule", []),
        new("boreHeight", "Studs bored at", r => r.BoreHeight.ToString(), "hole’s edge 1-1/4 in from the face", [RuleId.HoleEdge]),
        new("makeUpAtBox", "Cable made up in a box", r => r.MakeUpAtBox.ToString(), "6 in free conductor", [RuleId.FreeConductor]),
        new("slackAtBox", "Slack behind a box", r => r.SlackAtBox.ToString(), "no rule", []),
        new("atPanel", "Cable left at a panel", r => r.AtPanel.ToString(), "no rule", []),
        new("spareSpaces", "Spaces left free in a panel", r => r.SpareSpaces.ToString(CultureInfo.InvariantCulture), "no rule", [], IsLength: false),
        new("sag", "Sag and going round", r => r.Sag.ToString(), "no rule", [], false),
        new("waste", "Cable bought beyond what is cut", r => r.Waste.ToString(), "no rule", [], false),
        new("fastenedNearBox", "First staple from a box", r => r.FastenedNearBox.ToString(), "12 in; 8 in at a box without clamps", [RuleId.CableSupport, RuleId.CableAtBox]),
        new("fastenedAlong", "Staple to staple", r => r.FastenedAlong.ToString(), "at most 4-1/2 ft", [RuleId.CableSupport]),
        new("trenchMargin", "Trench beyond the least cover", r => r.TrenchMargin.ToString(), "cover over PVC 18 in", [RuleId.BurialCover]),
        new("cablesPerHole", "NM cables in one hole", r => r.CablesPerHole.ToString(System.Globalization.CultureInfo.InvariantCulture), "derated above two", [RuleId.CableAmpacity], false),
        new("outletsPerCircuit", "Outlets on a general circuit", r => r.OutletsPerCircuit.ToString(System.Globalization.CultureInfo.InvariantCulture), "none in the model code; local caps apply", [], false),
        new("largestFill", "Largest fill of a general circuit", r => r.LargestFill.ToString(), "100 %, continuous load × 1.25", [RuleId.ContinuousLoad], false),
        new("dropTarget", "Voltage drop at the far end", r => r.DropTarget.ToString(), "advice: 3 %", [RuleId.VoltageDropNote], false),
    ];

    /// <summary>The aims of a division with their weights.</summary>
    public static IReadOnlyList<(string Field, string Words, Func<Aims, string> Value)> AimRows { get; } =
    [
        ("cable", "Cable with the holes it needs: share of a foot that a foot counts", a => a.Cable.ToString()),
        ("breaker", "One more breaker with its space", a => a.Breaker.ToString()),
        ("darkness", "One outlet more that goes dead with its neighbours", a => a.Darkness.ToString()),
        ("wantedFill", "Fill up to which a circuit keeps room to grow", a => a.WantedFill.ToString()),
        ("crowding", "One hundredth of a rating beyond that fill", a => a.Crowding.ToString()),
        ("crossing", "One floor crossed from box to box", a => a.Crossing.ToString()),
        ("leavingRoom", "One time on into another room", a => a.LeavingRoom.ToString()),
    ];

    /// <summary>What protects, with its price.</summary>
    public static IReadOnlyList<(string Field, string Words, Func<DevicePrices, Core.Units.Money> Value)> PriceRows { get; } =
    [
        ("breaker", "Breaker, one pole", p => p.Breaker),
        ("afciBreaker", "AFCI breaker", p => p.AfciBreaker),
        ("gfciBreaker", "GFCI breaker", p => p.GfciBreaker),
        ("dualBreaker", "Dual-function breaker", p => p.DualBreaker),
        ("gfciReceptacle", "GFCI receptacle", p => p.GfciReceptacle),
        ("afciReceptacle", "AFCI receptacle", p => p.AfciReceptacle),
        ("dualReceptacle", "Receptacle with both", p => p.DualReceptacle),
        ("receptacle", "Plain receptacle", p => p.Receptacle),
    ];

    /// <summary>Sets the numbers.</summary>
    public Task<IActionResult> OnPostRulesAsync(RuleFields fields, int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetHouseRules(fields.Read())));

    /// <summary>Sets the weights of the aims.</summary>
    public Task<IActionResult> OnPostAimsAsync(AimFields aims, int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetAims(aims.Read())));

    /// <summary>Sets the prices.</summary>
    public Task<IActionResult> OnPostPricesAsync(PriceFields prices, int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetPrices(prices.Read())));

    /// <summary>Works by a set.</summary>
    public Task<IActionResult> OnPostUseAsync(string name, int from) => ChangeAsync(from, async () =>
        await rules.FindAsync(name ?? "") is { } set ? new UseCrewSet(set.Name, set.Rules) : throw new FormatException($"There is no set “{name}” any more."));

    /// <summary>Saves the job's numbers and schools as a set.</summary>
    public async Task<IActionResult> OnPostSaveAsync(string? name)
    {
        if (!await LoadAsync())
        {
            return NotFound();
        }

        if (name is null || name.Trim().Length is 0 or > 40)
        {
            return Refuse("Give the set a name of 1 to 40 characters.", StatusCodes.Status422UnprocessableEntity);
        }

        await rules.SaveAsync(name.Trim(), Job, Crew.Of(HttpContext));
        await LoadAsync();
        Said = $"Saved the set “{name.Trim()}”.";
        return Page();
    }

    /// <inheritdoc/>
    protected override async Task ReadAsync() => Sets = await rules.ListAsync();
}
