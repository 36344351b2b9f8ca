using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Sizes that are usual where none is said, as shops sell them.</summary>
public static class UsualSizes
{
    /// <summary>A 2'-8" door, a 3 ft window and passage, a 6 ft slider, a 9 ft garage door.</summary>
    public static Length Of(OpeningKind kind) => kind switch
    {
        OpeningKind.Door => Length.FromInches(32),
        OpeningKind.Slider => Length.FromFeet(6),
        OpeningKind.GarageDoor => Length.FromFeet(9),
        _ => Length.FromFeet(3),
    };

    /// <summary>Of a fixture: along the wall, and out from it.</summary>
    public static (Length Width, Length Depth) Of(FixtureKind kind)
    {
        var (w, d) = kind switch
        {
            FixtureKind.Counter => (72, 25),
            FixtureKind.Island => (60, 36),
            FixtureKind.Peninsula => (36, 60),
            FixtureKind.Sink => (33, 20),
            FixtureKind.Range => (30, 26),
            FixtureKind.Refrigerator => (36, 30),
            FixtureKind.Dishwasher => (24, 24),
            FixtureKind.Washer or FixtureKind.Dryer => (28, 30),
            FixtureKind.Tub => (60, 30),
            FixtureKind.Shower => (36, 36),
            FixtureKind.Vanity => (36, 21),
            FixtureKind.Toilet => (20, 28),
            FixtureKind.Bed => (60, 80),
            FixtureKind.Table or FixtureKind.Bench => (60, 30),
            FixtureKind.Shelf => (60, 14),
            FixtureKind.Stair => (36, 120),
            FixtureKind.WaterHeater or FixtureKind.AirHandler => (22, 22),
            FixtureKind.SaunaHeater => (16, 14),
            FixtureKind.Sofa => (84, 36),
            FixtureKind.Fireplace => (60, 20),
            FixtureKind.AtticHatch => (22, 30),
            FixtureKind.AtticLadder => (25, 54),
            _ => (24, 24),
        };
        return (Length.FromInches(w), Length.FromInches(d));
    }
}
