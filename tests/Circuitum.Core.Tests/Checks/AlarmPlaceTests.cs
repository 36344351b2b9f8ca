using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Smoke alarms off cooking and off the doors of baths: RuleId.AlarmPlaces.</summary>
public sealed class AlarmPlaceTests
{
    // A kitchen of 20 ft with a range of 30 in by 24 along its first wall from 60 in; a bath with a shower beyond a door in its third wall.
    private static Severity? Told(int x, int y, FixtureKind inBath = FixtureKind.Shower)
    {
        var kitchen = Houses.Rectangle("k", RoomUse.Kitchen, Length.Zero, Length.Zero, 20.Feet(), 14.Feet()) with
        {
            Fixtures = [new() { Kind = FixtureKind.Range, Wall = 1, Offset = 60.Inches(), Width = 30.Inches(), Depth = 24.Inches() }],
            Openings = [new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 3, Offset = 60.Inches(), Width = 30.Inches() }],
        };
        var bath = Houses.Rectangle("b", RoomUse.Bath, Length.Zero, 14.Feet(), 20.Feet(), 8.Feet()) with
        {
            Fixtures = [new() { Kind = inBath, Wall = 3, Width = 36.Inches(), Depth = 36.Inches() }],
        };
        return Planner.Plan(Houses.House([kitchen, bath]).With(Houses.Ceiling("a", "k", x, y, DeviceKind.SmokeAlarm))).Tags
            .FirstOrDefault(t => t.Rule == "R314.3, R314.3.1")?.Severity;
    }

    [Theory] // the range ends 24 in from the wall, six feet on is 96; over its middle at 75 in along
    [InlineData(75, 95, Severity.Red)]
    [InlineData(75, 96, null)]
    public void Six_feet_from_a_range(int x, int y, Severity? told) => Assert.Equal(told, Told(x, y));

    // Clear depth 14 ft less half of the walls to the north (3-1/4 in) and south (2-1/4 in): 162-1/2 in. The door is 60 to 90 in from the
    // east corner, whose clear width is 240 less 6-1/2: 143-1/2 to 173-1/2 from the west.
    [Theory]
    [InlineData(160, 127, FixtureKind.Shower, Severity.Amber)]
    [InlineData(160, 126, FixtureKind.Shower, null)]
    [InlineData(160, 150, FixtureKind.Toilet, null)]
    public void Three_feet_from_the_door_of_a_bath(int x, int y, FixtureKind inBath, Severity? told) =>
        Assert.Equal(told, Told(x, y, inBath));

    [Fact] // where any place is quiet, laying out finds it; in every built house
    public void Laying_out_sets_no_alarm_over_a_range() => Assert.All(Enumerable.Range(1, 60), number =>
        Assert.DoesNotContain(Planner.Plan(BuiltHouses.Number(number)).Tags, t => t.Rule == "R314.3, R314.3.1"
            && t.Severity == Severity.Red));
}
