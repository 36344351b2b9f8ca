using System.Collections.Immutable;
using Circuitum.Core.Routing;

namespace Circuitum.Core.Wiring;

/// <summary>Insulation colour of a conductor in cable.</summary>
public enum ConductorColour
{
    /// <summary>Black.</summary>
    Black,

    /// <summary>Red.</summary>
    Red,

    /// <summary>Blue.</summary>
    Blue,

    /// <summary>White.</summary>
    White,

    /// <summary>White with a red stripe: the second neutral of a cable of two circuits.</summary>
    WhiteRed,

    /// <summary>Bare or green: the equipment ground.</summary>
    Bare,
}

/// <summary>One conductor of a run.</summary>
/// <param name="Colour">Its insulation.</param>
/// <param name="Carries">What it is there for; null for the ground.</param>
/// <param name="ReMarked">A white that is no neutral, re-marked at both ends (200.7(C)).</param>
public sealed record Conductor(ConductorColour Colour, Carried? Carries, bool ReMarked)
{
    /// <summary>Letters beside the colour, for those who do not see it: BK, RD, BU, WH, WR, G.</summary>
    public string Letters => Of(Colour);

    /// <summary>Letters of a colour.</summary>
    public static string Of(ConductorColour colour) => colour switch
    {
        ConductorColour.Black => "BK",
        ConductorColour.Red => "RD",
        ConductorColour.Blue => "BU",
        ConductorColour.White => "WH",
        ConductorColour.WhiteRed => "WR",
        _ => "G",
    };

    /// <summary>The conductors of a run, ground last: hots black, red, blue in their order; neutrals white; without a neutral the white is
    /// the second leg.</summary>
    public static ImmutableArray<Conductor> In(Run run)
    {
        var hots = new Queue<ConductorColour>([ConductorColour.Black, ConductorColour.Red, ConductorColour.Blue]);
        var spareWhite = !run.Carries.Contains(Carried.Neutral);
        return
        [
            .. run.Carries.Select(c => c switch
            {
                Carried.Neutral => new Conductor(ConductorColour.White, c, false),
                Carried.OtherNeutral => new(ConductorColour.WhiteRed, c, false),
                Carried.SecondLeg when spareWhite => new(ConductorColour.White, c, true),
                _ => new(hots.Dequeue(), c, false),
            }),
            new(ConductorColour.Bare, null, false),
        ];
    }
}
