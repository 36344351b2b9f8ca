using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Web.Bench;
using Circuitum.Web.Bench.Cards;

namespace Circuitum.Web.Tests;

/// <summary>What the cards of a box, a room and a panel say, without a browser.</summary>
public sealed class CardTests
{
    private static readonly Plan Plan = DemoBench.Plan;

    private static BenchView View(string on, Stage stage = Stage.Boxes) => DemoBench.View(on, stage);

    private static string Fact(IEnumerable<CardFact> facts, string what) => facts.Single(f => f.What == what).Text;

    [Fact]
    public void A_box_says_its_circuit_its_volume_and_what_protects_it()
    {
        var card = BoxCard.Of(View("box:l-washer"));
        Assert.Contains("laundry receptacles", Fact(card.Facts, "Circuit"), StringComparison.Ordinal);
        Assert.Equal(Stage.Circuits, card.Facts.Single(f => f.What == "Circuit").On);
        Assert.Equal($"{card.Wired!.Volume.Value} of {card.Wired!.Given}", Fact(card.Facts, "Box"));
        Assert.StartsWith("needed, 210.8(A)", Fact(card.Facts, "GFCI"), StringComparison.Ordinal);
        Assert.Contains("panel A", Fact(card.Facts, "Resets at"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_switch_is_offered_the_lights_of_its_own_room_first_and_those_of_no_other_building()
    {
        var of = Plan.Survey.Boxes.First(b => b.Box.Devices.Any(d => d.Kind.IsSwitch()));
        var card = BoxCard.Of(View($"box:{of.Box.Id}"));
        Assert.All(card.Workable, b => Assert.Equal(of.Place.Structure, b.Place.Structure));
        var rooms = card.Workable.Select(b => b.Box.Room == of.Box.Room).ToList();
        Assert.True(rooms[0]);
        Assert.Equal(rooms.OrderByDescending(own => own), rooms);
        Assert.Equal("Works nothing yet.", BoxCard.Works(View($"box:{of.Box.Id}"), of.Box.Devices[0] with { Controls = [] }));
    }

    [Fact]
    public void A_disconnect_is_offered_equipment_and_a_switch_is_not()
    {
        var card = BoxCard.Of(View("box:l-washer"));
        var disconnect = card.Placed.Box.Devices[0] with { Kind = DeviceKind.Disconnect };
        Assert.Contains(card.WorkedBy(disconnect), b => b.Plates.Any());
        Assert.DoesNotContain(card.WorkedBy(disconnect with { Kind = DeviceKind.Switch }), b => b.Plates.Any() && !b.HasLight);
    }

    [Fact]
    public void A_room_can_take_in_its_neighbours_and_says_how_far_a_receptacle_is()
    {
        var card = RoomCard.Of(View("room:family"));
        Assert.NotEmpty(card.Neighbours);
        Assert.All(card.Neighbours, n => Assert.Contains(card.Level.Walls,
            w => w.Rooms.Contains(n.Room.Id) && w.Rooms.Contains(card.Room.Room.Id)));
        Assert.DoesNotContain(card.Level, card.Elsewhere);
        Assert.Equal(Plan.Survey.Coverage.Concat(Plan.Survey.Counters).Count(s => s.Room.Value == "family"), card.Spaces.Length);
        Assert.All(card.Spaces, s => Assert.Matches(@"^\d+, at least \d+$", s.Receptacles));
    }

    [Fact] // the legs together carry what the panel does; the heavier one is drawn whole
    public void A_panel_shows_its_legs_against_the_heavier()
    {
        var card = PanelCard.Of(View("panel:A", Stage.Panel));
        Assert.Equal(2, card.Legs.Length);
        Assert.Equal(1m, card.Legs.Max(l => l.Share));
        var lighter = card.Legs.MinBy(l => l.Load.Value)!;
        Assert.Equal((double)(lighter.Load.Value / card.Legs.Max(l => l.Load.Value)), (double)lighter.Share, 6);
        Assert.Equal(Enum.GetValues<LegView>(), card.ByView.Select(l => l.View));
    }

    [Fact]
    public void A_panel_says_where_neutral_and_ground_are_bonded_and_a_panel_behind_it_that_they_are_apart()
    {
        var service = PanelCard.Of(View("panel:A", Stage.Panel));
        Assert.Equal("bonded here and nowhere beyond", Fact(service.Facts, "Neutral and ground"));
        // Its label lists 32 terminals for neutrals; the greenhouse's has none.
        Assert.EndsWith(", of 32", Fact(service.Facts, "Neutral terminals"), StringComparison.Ordinal);
        var behind = PanelCard.Of(View("panel:G", Stage.Panel));
        Assert.Equal("apart, no bonding screw", Fact(behind.Facts, "Neutral and ground"));
        Assert.EndsWith(" of them tails", Fact(behind.Facts, "Neutral terminals"), StringComparison.Ordinal);
    }
}
