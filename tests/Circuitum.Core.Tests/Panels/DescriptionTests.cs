using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>408.4: what is written in the door names every room, and no two circuits are told apart by a number.</summary>
public sealed class DescriptionTests
{
    private static List<string> Door(Job job) => [.. Planner.Plan(job).Panels[0].Circuits.Select(c => c.Description)];

    [Fact] // seven rooms with a lamp each on one circuit: all of them, on two lines if need be
    public void Every_room_is_named()
    {
        string[] rooms = ["parlour", "library", "study", "sewing-room", "music-room", "playroom", "workroom"];
        var job = Houses.Row([.. rooms.Select(r => (r, RoomUse.Den, 10))]).With([.. rooms.Select(r => Houses.Ceiling($"l-{r}", r, 40,
            60))]);
        var lights = Assert.Single(Door(job), d => d.StartsWith("Lights: ", StringComparison.Ordinal));
        Assert.All(rooms, r => Assert.Contains(r, lights, StringComparison.Ordinal));
        Assert.DoesNotContain("more", lights, StringComparison.Ordinal);
        Assert.InRange(lights.Length, 57, Descriptions.Longest);
    }

    [Fact] // sixteen receptacles of one long room on two circuits: by its ends
    public void Two_circuits_of_one_room_are_told_by_their_side()
    {
        var job = Houses.Row(("den", RoomUse.Den, 60)).With([.. Enumerable.Range(0, 16).Select(i => Houses.On($"r{i:00}", "den", 1, 20 + (i
            * 44)))]);
        Assert.Equal(["den receptacles, east", "den receptacles, west"], Door(job).Order(StringComparer.Ordinal));
    }

    [Fact] // no plan leaves a room out of the door while its words fit two lines, and none says the same twice
    public void No_house_as_people_build_them_hides_a_room()
    {
        for (var number = 1; number <= 40; number++)
        {
            var plan = Planner.Plan(BuiltHouses.Number(number));
            foreach (var panel in plan.Panels)
            {
                Assert.All(panel.Circuits, c => Assert.False(c.Description.Contains(" more", StringComparison.Ordinal)
                    && c.Description.Length < 90, c.Description));
                Assert.Distinct(panel.Circuits.Select(c => c.Description));
            }
        }
    }

    [Fact] // by school or by hand: neither of them is left out
    public void A_dishwasher_with_the_kitchens_lights_says_both()
    {
        var job = Houses.Row(("kitchen", RoomUse.Kitchen, 20)).With(Houses.Ceiling("l", "kitchen", 60, 60),
            Houses.Switch("s", "kitchen", 3, 40, DeviceKind.Switch, "l"), Houses.Appliance("dw", "kitchen", 1, 60,
                Houses.Plate(Appliance.Dishwasher, 120, 1150) with { Cord = true, Motor = true }, DeviceKind.Single)) with
        { Schools = new() { KitchenLights = KitchenLights.WithDishwasher } };
        Assert.Equal(["Dishwasher + kitchen lights"], Door(job));
    }

    [Fact]
    public void Rooms_that_differ_by_a_number_are_written_once()
    {
        var job = Houses.Row(("b2", RoomUse.Bedroom, 12), ("b3", RoomUse.Bedroom, 12), ("study", RoomUse.Den, 12));
        job = job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [job.Structures[0].Levels[0] with
                {
                    Rooms = [.. job.Structures[0].Levels[0].Rooms.Select(r => r with { Name = r.Id.Value switch
                    {
                        "b2" => "Bedroom 2",
                        "b3" => "Bedroom 3",
                        _ => "Study",
                    } })],
                }],
            }],
        };
        Assert.Equal(["Lights: bedroom 2, 3, study"], Door(job.With([.. new[] { "b2", "b3", "study" }
            .Select(r => Houses.Ceiling($"l-{r}", r, 40, 60))])));
    }
}
