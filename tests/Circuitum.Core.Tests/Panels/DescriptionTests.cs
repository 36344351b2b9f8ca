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

    private static Job Bedrooms(params (string Id, string? Group)[] rooms)
    {
        var job = Houses.Row([.. rooms.Select(r => (r.Id, RoomUse.Bedroom, 12))]);
        return job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [job.Structures[0].Levels[0] with
                {
                    Rooms = [.. job.Structures[0].Levels[0].Rooms.Select((r, i) => r with { Group = rooms[i].Group })],
                }],
            }],
        };
    }

    [Fact] // the crew's own word for them, once one circuit has them all
    public void Rooms_of_a_group_are_named_together()
    {
        var job = Bedrooms(("ash", "north bedrooms"), ("birch", "north bedrooms"), ("cedar", null))
            .With([.. new[] { "ash", "birch", "cedar" }.Select(r => Houses.Ceiling($"l-{r}", r, 40, 60))]);
        Assert.Equal(["Lights: north bedrooms, cedar"], Door(job));
        // A lamp in one of them on a breaker of its own: the group is no longer what the first one lights.
        var parted = job with { Pins = job.Pins with { Boxes = [new(new("l-birch"), new("own"))] } };
        Assert.Equal(["Lights: ash, cedar", "Lights: birch"], Door(parted).Order(StringComparer.Ordinal));
    }

    [Fact] // one room needs no name beside its own; another kind of circuit has its own rooms
    public void A_group_is_of_the_rooms_that_a_kind_of_circuit_reaches()
    {
        var job = Bedrooms(("ash", "sleeping"), ("birch", "sleeping"), ("closet", "sleeping")).With(Houses.Ceiling("l-ash", "ash", 40, 60),
            Houses.On("r-ash", "ash", 1, 40), Houses.On("r-birch", "birch", 1, 40));
        Assert.Equal(["Lights: ash", "Sleeping receptacles"], Door(job).Order(StringComparer.Ordinal));
    }

    [Fact] // eleven rooms of twelve letters are more than two lines of 112
    public void A_whole_storey_is_named_where_its_rooms_do_not_fit()
    {
        string[] rooms = [.. Enumerable.Range(0, 11).Select(i => $"{(char)('a' + i)}-long-named-room")];
        var job = Houses.Row([.. rooms.Select(r => (r, RoomUse.Den, 10))]).With([.. rooms.Select(r => Houses.Ceiling($"l-{r}", r, 40,
            60))]) with
        { Pins = new() { Boxes = [.. rooms.Select(r => new BoxPin(new($"l-{r}"), new("lights")))] } };
        Assert.Equal(["Lights: all of ground"], Door(job));
    }

    [Fact] // three rows of counters in one kitchen, by their place along it
    public void Three_circuits_of_one_room_stand_in_a_row()
    {
        var job = Houses.Row(("den", RoomUse.Den, 60)).With([.. Enumerable.Range(0, 3).Select(i => Houses.On($"r{i}", "den", 1,
            20 + (i * 200)))]) with
        { Pins = new() { Boxes = [new(new("r0"), new("one")), new(new("r1"), new("two")), new(new("r2"), new("three"))] } };
        Assert.Equal(["den receptacles, east", "den receptacles, middle", "den receptacles, west"],
            Door(job).Order(StringComparer.Ordinal));
    }

    [Fact] // every other receptacle of a row: no side of the house tells them apart, their own names do
    public void Circuits_that_lie_among_each_other_are_told_by_their_outlets()
    {
        var job = Houses.Row(("den", RoomUse.Den, 60)).With([.. Enumerable.Range(1, 4).Select(i => Houses.On($"r{i}", "den", 1,
            20 + (i * 100)))]) with
        {
            Pins = new()
            {
                Boxes = [new(new("r1"), new("one")), new(new("r2"), new("two")), new(new("r3"), new("two")),
            new(new("r4"), new("one"))]
            }
        };
        Assert.Equal(["den receptacles: receptacle 1, 4", "den receptacles: receptacle 2, 3"], Door(job).Order(StringComparer.Ordinal));
    }

    [Theory] // a name without a number stands for itself, and 10 comes after 2
    [InlineData("Lights: bedroom 2, 3, study", "Bedroom 2", "Bedroom 3", "Study")]
    [InlineData("Lights: bath, bath 2, 3", "Bath", "Bath 2", "Bath 3")]
    [InlineData("Lights: bath, bath 2, study", "Bath", "Bath 2", "Study")]
    [InlineData("Lights: room 2, 10, study", "Room 10", "Room 2", "Study")]
    public void Rooms_that_differ_by_a_number_are_written_once(string words, string one, string two, string three)
    {
        var names = new Dictionary<string, string> { ["a"] = one, ["b"] = two, ["c"] = three };
        var job = Houses.Row([.. names.Keys.Select(r => (r, RoomUse.Den, 12))]);
        job = job with
        {
            Structures = [job.Structures[0] with
            {
                Levels = [job.Structures[0].Levels[0] with
                {
                    Rooms = [.. job.Structures[0].Levels[0].Rooms.Select(r => r with { Name = names[r.Id.Value] })],
                }],
            }],
        };
        Assert.Equal([words], Door(job.With([.. names.Keys.Select(r => Houses.Ceiling($"l-{r}", r, 40, 60))])));
    }
}
