using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>The crew's numbers as typed.</summary>
public sealed record RuleFields
{
    /// <summary>Receptacle height.</summary>
    public string ReceptacleHeight { get; init; } = "";

    /// <summary>Switch height.</summary>
    public string SwitchHeight { get; init; } = "";

    /// <summary>Counter height.</summary>
    public string CounterHeight { get; init; } = "";

    /// <summary>Bore height.</summary>
    public string BoreHeight { get; init; } = "";

    /// <summary>Make-up at a box.</summary>
    public string MakeUpAtBox { get; init; } = "";

    /// <summary>Slack at a box.</summary>
    public string SlackAtBox { get; init; } = "";

    /// <summary>Left at a panel.</summary>
    public string AtPanel { get; init; } = "";

    /// <summary>Sag.</summary>
    public string Sag { get; init; } = "";

    /// <summary>First staple from a box.</summary>
    public string FastenedNearBox { get; init; } = "";

    /// <summary>Staple to staple.</summary>
    public string FastenedAlong { get; init; } = "";

    /// <summary>Waste.</summary>
    public string Waste { get; init; } = "";

    /// <summary>Trench beyond the least cover.</summary>
    public string TrenchMargin { get; init; } = "";

    /// <summary>Cables in a hole.</summary>
    public string CablesPerHole { get; init; } = "";

    /// <summary>Outlets on a general circuit.</summary>
    public string OutletsPerCircuit { get; init; } = "";

    /// <summary>Largest fill.</summary>
    public string LargestFill { get; init; } = "";

    /// <summary>Voltage drop wanted.</summary>
    public string DropTarget { get; init; } = "";

    /// <summary>Reach along a wall.</summary>
    public string ReceptacleReach { get; init; } = "";

    /// <summary>Reach along a counter.</summary>
    public string CounterReach { get; init; } = "";

    /// <summary>Jamb to switch.</summary>
    public string SwitchFromJamb { get; init; } = "";

    /// <summary>Can to can.</summary>
    public string CanSpacing { get; init; } = "";

    /// <summary>Spaces left free.</summary>
    public string SpareSpaces { get; init; } = "";

    /// <summary>Breakers listed for a first-outlet device.</summary>
    public bool ListedForFirstOutlet { get; init; }

    /// <summary>The numbers themselves.</summary>
    /// <exception cref="FormatException">One of them is none; the message quotes it.</exception>
    public HouseRules Read() => new()
    {
        ReceptacleHeight = Length.Parse(ReceptacleHeight),
        SwitchHeight = Length.Parse(SwitchHeight),
        CounterHeight = Length.Parse(CounterHeight),
        BoreHeight = Length.Parse(BoreHeight),
        MakeUpAtBox = Length.Parse(MakeUpAtBox),
        SlackAtBox = Length.Parse(SlackAtBox),
        AtPanel = Length.Parse(AtPanel),
        Sag = Entry.Percent(Sag),
        FastenedNearBox = Length.Parse(FastenedNearBox),
        FastenedAlong = Length.Parse(FastenedAlong),
        Waste = Entry.Percent(Waste),
        TrenchMargin = Length.Parse(TrenchMargin),
        CablesPerHole = Entry.Count(CablesPerHole),
        OutletsPerCircuit = Entry.Count(OutletsPerCircuit),
        LargestFill = Entry.Percent(LargestFill),
        DropTarget = Entry.Percent(DropTarget),
        ReceptacleReach = Length.Parse(ReceptacleReach),
        CounterReach = Length.Parse(CounterReach),
        SwitchFromJamb = Length.Parse(SwitchFromJamb),
        CanSpacing = Length.Parse(CanSpacing),
        SpareSpaces = Entry.Count(SpareSpaces),
        ListedForFirstOutlet = ListedForFirstOutlet,
    };
}
