using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Between a garage and its house, and between households: RuleId.GarageDoors, OccupantsReach, ServiceDisconnectPlace.</summary>
public sealed class SeparationTests
{
    private static int Tagged(Job job, string rule, Severity severity) =>
        Planner.Plan(job).Tags.Count(t => t.Rule == rule && t.Severity == severity);

    [Theory] // R302.5.1
    [InlineData(RoomUse.Bedroom, 1)]
    [InlineData(RoomUse.Hall, 0)]
    public void No_door_leads_from_a_garage_into_a_bedroom(RoomUse use, int red)
    {
        var job = Houses.Row(("g", RoomUse.Garage, 20), ("x", use, 12));
        var level = job.Structures[0].Levels[0];
        var opening = new Opening { Id = new("o"), Kind = OpeningKind.Door, Wall = 2, Offset = 40.Inches(), Width = 32.Inches() };
        job = job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [level with { Rooms = [level.Rooms[0] with { Openings = [opening] }, level.Rooms[1]] }],
            }],
        };
        Assert.Equal(red, Tagged(job, "R302.5.1", Severity.Red));
    }

    [Theory] // 240.24(B): a second dwelling on one branch circuit; a shed is nobody's home
    [InlineData(false, 1)]
    [InlineData(true, 0)]
    public void Who_lives_in_a_dwelling_reaches_its_breakers(bool shed, int amber)
    {
        var job = Houses.WithShed(null).With(Houses.On("r", "shop", 1, 40));
        job = job with { Structures = [job.Structures[0], job.Structures[1] with { Accessory = shed }] };
        Assert.Equal(amber, Tagged(job, "240.24(B)", Severity.Amber));
    }

    [Fact]
    public void A_dwelling_with_a_panel_of_its_own_has_them()
    {
        var job = Houses.WithShed(Houses.ShedPanel).With(Houses.On("r", "shop", 1, 40));
        job = job with { Structures = [job.Structures[0], job.Structures[1] with { Accessory = false }] };
        Assert.Equal(0, Tagged(job, "240.24(B)", Severity.Amber));
    }

    // Rooms in a row: the first one's wall 4 is at the weather, its wall 2 is between the two.
    private static Job On(int wall) => Houses.Row(("a", RoomUse.Utility, 12), ("b", RoomUse.Den, 12)) with
    {
        Panels = [Houses.Panel("a") with { Wall = wall }],
    };

    [Theory] // 230.70(A)(1)
    [InlineData(4, 0)]
    [InlineData(2, 1)]
    public void The_service_disconnect_stands_where_the_conductors_come_in(int wall, int amber) =>
        Assert.Equal(amber, Tagged(On(wall), "230.70(A)(1)", Severity.Amber));

    [Fact] // outdoors it is nearest whatever wall the panel is on; one that stood before is not moved for it
    public void Outdoors_or_as_it_stood_is_not_asked()
    {
        var inside = On(2);
        Assert.Equal(0, Tagged(inside with { Service = new() { BondedAtDisconnect = true } }, "230.70(A)(1)", Severity.Amber));
        Assert.Equal(0, Tagged(inside with { Panels = [inside.Panels[0] with { Existing = true }] }, "230.70(A)(1)", Severity.Amber));
        var tag = Assert.Single(Planner.Plan(inside).Tags, t => t.Rule == "230.70(A)(1)");
        Assert.Equal(0, Tagged(Assert.Single(tag.Fixes).Change.On(inside).Job!, "230.70(A)(1)", Severity.Amber));
    }
}
