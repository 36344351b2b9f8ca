using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>The crew's own numbers, each shown beside the book's limit.</summary>
public sealed record HouseRules
{
    /// <summary>Receptacle box bottom above the floor, 12 to 16 in as usual.</summary>
    public Length ReceptacleHeight { get; init; } = Length.FromInches(14);

    /// <summary>Switch box above the floor.</summary>
    public Length SwitchHeight { get; init; } = Length.FromInches(48);

    /// <summary>Counter receptacle above the floor.</summary>
    public Length CounterHeight { get; init; } = Length.FromInches(44);

    /// <summary>Height of bored holes through studs.</summary>
    public Length BoreHeight { get; init; } = Length.FromInches(24);

    /// <summary>Cable made up inside each box.</summary>
    public Length MakeUpAtBox { get; init; } = Length.FromInches(6);

    /// <summary>Slack left behind each box.</summary>
    public Length SlackAtBox { get; init; } = Length.FromInches(8);

    /// <summary>Cable left at a panel.</summary>
    public Length AtPanel { get; init; } = Length.FromFeet(4);

    /// <summary>Sag and going round, in per cent of the path, 0 to 30.</summary>
    public Percent Sag { get; init; } = new(3);

    /// <summary>First staple from a box, 3 to 12 in; 334.30 allows 12 in, 314.17(C) 8 in at a single-gang box without a clamp.</summary>
    public Length FastenedNearBox { get; init; } = Length.FromInches(8);

    /// <summary>Staple to staple along a run, 12 to 54 in; 334.30 allows 4-1/2 ft.</summary>
    public Length FastenedAlong { get; init; } = Length.FromFeet(4);

    /// <summary>Cable bought beyond what is cut, in per cent, 0 to 30.</summary>
    public Percent Waste { get; init; } = new(5);

    /// <summary>Trench dug deeper than the least cover, 0 to 24 in (Table 300.5(A)).</summary>
    public Length TrenchMargin { get; init; } = Length.FromInches(2);

    /// <summary>NM cables in one bored hole, 1 to 9.</summary>
    public int CablesPerHole { get; init; } = 3;

    /// <summary>The smallest feeder of a panel in the same building, 0 to 200 A; never more than its panel is rated for. The book asks for
    /// no more than the load.</summary>
    public int LeastFeeder { get; init; } = 60;

    /// <summary>Outlets on one general circuit, 4 to 30. The model code has no number for dwellings.</summary>
    public int OutletsPerCircuit { get; init; } = 10;

    /// <summary>Largest estimated fill of a general circuit, 40 to 100 per cent.</summary>
    public Percent LargestFill { get; init; } = new(80);

    /// <summary>Farthest point of a wall from a receptacle, 2 to 6 ft; 210.52(A)(1) allows 6 ft.</summary>
    public Length ReceptacleReach { get; init; } = Length.FromFeet(6);

    /// <summary>Farthest point of a counter's wall line from a receptacle, 12 to 24 in; 210.52(C)(1) allows 24 in.</summary>
    public Length CounterReach { get; init; } = Length.FromInches(24);

    /// <summary>Strike jamb to the centre of a switch box, 4 to 24 in: past the trimmer and king studs.</summary>
    public Length SwitchFromJamb { get; init; } = Length.FromInches(6);

    /// <summary>Cans in a row, from each other; half of it from the walls. 2 to 10 ft.</summary>
    public Length CanSpacing { get; init; } = Length.FromFeet(5);

    /// <summary>Voltage drop wanted at the far end of a branch circuit, 1 to 8 per cent.</summary>
    public Percent DropTarget { get; init; } = new(3);

    /// <summary>Spaces left free in every panel, 0 to 40. The book asks for none.</summary>
    public int SpareSpaces { get; init; }

    /// <summary>Low voltage from power beside it, 2 to 24 in: the book asks 2 in, and none of power in cable (800.133(A)(2)).</summary>
    public Length LowVoltageApart { get; init; } = Length.FromFeet(1);

    /// <summary>The crew's breakers are listed with first-outlet AFCI receptacles, so that the home run may be NM cable (210.12(A)(3),
    /// (4)).</summary>
    public bool ListedForFirstOutlet { get; init; }
}
