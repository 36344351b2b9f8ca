using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>The weights of the aims. Lengths are limited in inches.</summary>
public static class AimNumbers
{
    /// <summary>All of them.</summary>
    public static ImmutableArray<CrewNumber<Aims>> All { get; } =
    [
        Share("cable", "Cable with the holes it needs: share of a foot that a foot counts", r => r.Cable, (r, v) => r with { Cable = v },
            0, 400),
        Length("breaker", "One more breaker with its space", r => r.Breaker, (r, v) => r with { Breaker = v }, 0, 6000),
        Length("darkness", "One outlet more that goes dead with its neighbors", r => r.Darkness, (r, v) => r with { Darkness = v }, 0,
            1200),
        Share("wantedFill", "Fill up to which a circuit keeps room to grow", r => r.WantedFill, (r, v) => r with { WantedFill = v }, 20,
            100),
        Length("crowding", "One hundredth of a rating beyond that fill", r => r.Crowding, (r, v) => r with { Crowding = v }, 0, 1200),
        Length("crossing", "One floor crossed from box to box", r => r.Crossing, (r, v) => r with { Crossing = v }, 0, 1200),
        Length("lone", "A breaker for one lamp or receptacle alone, half for two", r => r.Lone, (r, v) => r with { Lone = v }, 0, 6000),
        Length("leavingRoom", "One time on into another room", r => r.LeavingRoom, (r, v) => r with { LeavingRoom = v }, 0, 1200),
    ];

    private static CrewNumber<Aims> Length(string field, string words, Func<Aims, Length> get, Func<Aims, Length, Aims> with,
        decimal least, decimal most) =>
        new(field, words, NumberKind.Length, r => get(r).Inches, (r, v) => with(r, Units.Length.FromInches(v)), least, most);

    private static CrewNumber<Aims> Share(string field, string words, Func<Aims, Percent> get, Func<Aims, Percent, Aims> with,
        decimal least, decimal most) =>
        new(field, words, NumberKind.Share, r => get(r).Value, (r, v) => with(r, new(v)), least, most);
}
