using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The four manners of dividing, on houses by lot.</summary>
public sealed class DivideAsTests
{
    private static readonly DivisionManner[] Manners = Enum.GetValues<DivisionManner>();

    private static Plan Divided(int house, DivisionManner manner) => Planner.Plan(new DivideAs(manner).On(BuiltHouses.Number(house)).Job!);

    private static List<WiredRooms> General(Plan plan) => [.. plan.Circuits
        // The shed is one circuit in every manner, and lights beside a dishwasher are a school of their own.
        .Where(c => c.Circuit.IsGeneral && c.Circuit.Boxes.All(b => plan.Survey[b].Place.Structure == 0 && !plan.Survey[b].Plates.Any()))
            .Select(c => new WiredRooms(
        c.Circuit.Kind, [.. c.Circuit.Boxes.Where(b => !plan.Survey[b].SwitchesOnly && !plan.Survey[b].HasAlarm)
            .Select(b => plan.Survey[b].Room.Room).DistinctBy(r => r.Id)]))];

    [Fact] // each is what it is called, and none breaks a rule on a circuit
    public void Each_manner_is_what_it_is_called() => Assert.All(Enumerable.Range(1, 8), house => Assert.All(Manners, manner =>
    {
        var plan = Divided(house, manner);
        var circuits = General(plan);
        Assert.True(DivideAs.IsIn(manner, plan.Job));
        Assert.DoesNotContain(plan.Tags, t => t.Severity == Severity.Red && t.Subject.Kind == SubjectKind.Circuit);
        if (manner == DivisionManner.LightsApart)
        {
            Assert.DoesNotContain(circuits, c => c.Kind == CircuitKind.General);
        }
        else
        {
            Assert.DoesNotContain(circuits, c => c.Kind is CircuitKind.Lighting or CircuitKind.Receptacles);
        }

        if (manner == DivisionManner.RoomByRoom)
        {
            // No bedroom shares with another bedroom, nor with a room of receptacles of its own.
            Assert.DoesNotContain(circuits, c => c.Rooms.Count(r => r.Use == RoomUse.Bedroom) > 1);
            Assert.DoesNotContain(circuits, c => c.Rooms.Exists(r => r.Use == RoomUse.Bedroom) && c.Rooms.Exists(r =>
                r.Use == RoomUse.Family));
        }
    }));

    [Fact]
    public void Room_by_room_enters_fewer_rooms_with_a_breaker_than_few_breakers_do() => Assert.All(Enumerable.Range(1, 8), house =>
    {
        double Rooms(DivisionManner manner) => General(Divided(house, manner)).Average(c => c.Rooms.Count);
        Assert.True(Rooms(DivisionManner.RoomByRoom) < Rooms(DivisionManner.FewBreakers));
    });

    [Fact] // room by room takes the most breakers; few breakers at most as many as room by room
    public void Breakers_stand_in_their_order() => Assert.All(Enumerable.Range(1, 8), house =>
        Assert.True(Divided(house, DivisionManner.FewBreakers).Circuits.Length < Divided(house,
            DivisionManner.RoomByRoom).Circuits.Length));

    [Fact]
    public void A_manner_leaves_the_crews_other_ways_alone()
    {
        var job = BuiltHouses.Number(1) with { Aims = new() { Lone = Circuitum.Core.Units.Length.FromFeet(70) } };
        var divided = new DivideAs(DivisionManner.RoomByRoom).On(job).Job!;
        Assert.Equal(70m, divided.Aims.Lone.Feet);
        Assert.Equal(job.Schools with { Lighting = LightsAndReceptacles.Together, Bedrooms = BedroomSharing.OneEach }, divided.Schools);
        Assert.Equal(job.HouseRules, divided.HouseRules);
        Assert.Single(Manners, m => DivideAs.IsIn(m, divided));
    }

    private sealed record WiredRooms(CircuitKind Kind, List<Room> Rooms);
}
