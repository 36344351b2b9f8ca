using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Canada;

/// <summary>Dwellings by 8-200, ranges by 8-300.</summary>
internal sealed class CanadaDemand : DemandRules
{
    private static readonly VoltAmps TwelveKilowatts = new(12_000);
    private static readonly VoltAmps EightKilowatts = new(8000);

    /// <summary>Small hot plates are among other loads of over 1500 W.</summary>
    public override VoltAmps LeastCooking { get; } = new(1500);

    /// <summary>8-200(1)(a), (b).</summary>
    public override BasicLoad Basic { get; } = new()
    {
        FirstArea = 90,
        First = new(5000),
        FurtherArea = 90,
        Further = new(1000),
        Basement = new(75),
        HeatWhole = new(10_000),
        HeatBeyond = new(75),
        Range = new(6000),
        RangeTo = TwelveKilowatts,
        RangeBeyond = new(40),
        Small = new(1500),
        Others = new(25),
        OthersWhole = new(6000),
        LargeFrom = 80,
        LeastLarge = new(24_000),
        LeastSmall = new(14_400),
    };

    /// <summary>8-300(1): the branch circuit of a range takes 8 kW to 12 kW and 40 per cent of what is beyond; several together count as
    /// one range of their sum.</summary>
    public override (VoltAmps Demand, string Sum) Cooking(IReadOnlyList<VoltAmps> ratings)
    {
        if (ratings.Any(r => r <= LeastCooking))
        {
            throw new ArgumentException("Only cooking appliances above 1-1/2 kW.", nameof(ratings));
        }

        var whole = ratings.Total();
        return whole <= EightKilowatts ? (whole, whole.ToString())
            : whole <= TwelveKilowatts ? (EightKilowatts, $"{EightKilowatts} to {TwelveKilowatts}")
            : (new(EightKilowatts.Value + ((whole.Value - TwelveKilowatts.Value) * .4m)),
                $"{EightKilowatts} + 40 % of {new VoltAmps(whole.Value - TwelveKilowatts.Value)}");
    }

    /// <summary>26-744: a range's receptacle is one of 50 A, which 40 A is the least before.</summary>
    public override Amps? LeastRangeCircuit(VoltAmps rating) => rating >= EightKilowatts ? new Amps(40) : null;

    /// <inheritdoc/>
    public override string RangeOfLeastCircuit => "8 kW";

    /// <summary>8-200 takes them among other loads.</summary>
    public override Percent Dryers(int count) => new(100);

    /// <inheritdoc/>
    public override bool CountsTowardsFour(VoltAmps load, bool cooking) => false;

    /// <summary>8-200(1)(a)(vi): as the equipment is rated.</summary>
    public override VoltAmps LeastVehicle => new(0);
}
