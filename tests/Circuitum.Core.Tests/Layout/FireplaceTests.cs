using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>R315.2, R315.3: a fireplace that is drawn burns, unless it is said not to.</summary>
public sealed class FireplaceTests
{
    private static List<string> Monoxide(string room, bool electric)
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 14), ("hall", RoomUse.Hall, 12), ("living", RoomUse.Family, 16));
        var level = job.Structures[0].Levels[0];
        job = job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [level with
                {
                    Rooms = [.. level.Rooms.Select(r => r with
                    {
                        Openings = r.Id.Value == "bed" ? [new() { Id = new("d"), Kind = OpeningKind.Door, Wall = 2, Offset = 40.Inches(),
                            Width = 32.Inches() }] : [],
                        Fixtures = r.Id.Value == room ? [new() { Kind = FixtureKind.Fireplace, Wall = 3, Offset = 20.Inches(),
                            Width = 48.Inches(), Depth = 20.Inches(), Electric = electric }] : [],
                    })],
                }],
            }],
        };
        return [.. Planner.Plan(job).Tags.Where(t => t.Rule.StartsWith("R315", StringComparison.Ordinal) && t.Severity == Severity.Red)
            .Select(t => t.Subject.Id).Order(StringComparer.Ordinal)];
    }

    [Fact]
    public void Outside_the_bedrooms_where_one_burns_in_the_house() => Assert.Equal(["hall"], Monoxide("living", false));

    [Fact]
    public void And_in_the_bedroom_that_it_burns_in() => Assert.Equal(["bed", "hall"], Monoxide("bed", false));

    [Theory]
    [InlineData("bed")]
    [InlineData("living")]
    public void One_that_burns_no_fuel_asks_for_nothing(string room) => Assert.Empty(Monoxide(room, true));
}
