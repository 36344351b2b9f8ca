using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>410.16: luminaires clear of the storage space, RuleId.ClosetLight.</summary>
public sealed class ClosetTests
{
    // A closet of 6 ft with a shelf along its first wall: storage reaches 12 in from it, or as far as a deeper shelf.
    private static bool Red(DeviceKind kind, int shelf, int from, RoomUse use = RoomUse.Closet)
    {
        var job = Houses.Row(("c", use, 6)).With(Houses.Ceiling("l", "c", 30, from, kind));
        var level = job.Structures[0].Levels[0];
        return Planner.Plan(job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [level with
                {
                    Rooms = [level.Rooms[0] with { Fixtures = shelf == 0 ? [] : [new() { Kind = FixtureKind.Shelf, Wall = 1,
                        Width = 60.Inches(), Depth = shelf.Inches() }] }],
                }],
            }],
        }).Tags.Any(t => t.Rule == "410.16" && t.Severity == Severity.Red && t.Subject == Subject.Box(new("l")));
    }

    [Theory]
    [InlineData(DeviceKind.ClosetLight, 12, 23, true)]
    [InlineData(DeviceKind.ClosetLight, 12, 24, false)]
    [InlineData(DeviceKind.ClosetLight, 8, 23, true)] // a narrow shelf makes no narrow storage
    [InlineData(DeviceKind.ClosetLight, 16, 27, true)]
    [InlineData(DeviceKind.ClosetLight, 16, 28, false)]
    [InlineData(DeviceKind.Can, 12, 17, true)]
    [InlineData(DeviceKind.Can, 12, 18, false)]
    [InlineData(DeviceKind.ClosetLight, 0, 5, false)] // no shelf is drawn: nothing is known of it
    public void A_lamp_stands_clear_of_the_shelf(DeviceKind kind, int shelf, int from, bool red) =>
        Assert.Equal(red, Red(kind, shelf, from));

    [Fact]
    public void Other_rooms_are_not_asked() => Assert.False(Red(DeviceKind.Lamp, 12, 14, RoomUse.Pantry));
}
