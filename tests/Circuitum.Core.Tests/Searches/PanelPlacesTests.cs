using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Searches;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Where a panel takes least cable and may stand.</summary>
public sealed class PanelPlacesTests
{
    // A den at the west end with the panel, a utility room in the middle, a bath and a laundry at the east end where everything is.
    private static readonly Job House = Houses.Row(("den", RoomUse.Den, 12), ("store", RoomUse.Utility, 20), ("bath", RoomUse.Bath, 10),
        ("laundry", RoomUse.Laundry, 14)).With(
        Houses.On("b1", "bath", 1, 40), Houses.On("l1", "laundry", 1, 60),
            Houses.Appliance("dryer", "laundry", 1, 100, Houses.Plate(Appliance.Dryer, 240, 5600) with { Neutral = true }),
        Houses.Appliance("heater", "laundry", 3, 60, Houses.Plate(Appliance.WaterHeater, 240, 4500)));

    [Fact]
    public void The_best_place_is_by_what_it_feeds_and_none_is_where_a_rule_forbids_it()
    {
        var plan = Planner.Plan(House);
        var best = PanelPlaces.Best(plan, new("A"), 5);
        Assert.Equal("laundry", best[0].Panel.Room.Value);
        Assert.True(best[0].Saves > Units.Length.FromFeet(40));
        Assert.DoesNotContain(best, p => p.Panel.Room.Value == "bath");
        // What is told is what planning it there gives, and no red tag of the panel comes.
        foreach (var place in best)
        {
            var after = Planner.Plan(new SetPanel(place.Panel).On(House).Job!);
            Assert.Equal((place.Footage, plan.Footage - place.Footage), (after.Footage, place.Saves));
            Assert.DoesNotContain(after.Tags, t => t.Severity == Severity.Red && t.Subject == Subject.Panel(new("A"))
                && !plan.Tags.Any(b => b.Rule == t.Rule));
        }

        Assert.Equal(best.OrderBy(p => p.Footage).Select(p => p.Where), best.Select(p => p.Where));
        Assert.Equal(best.Length, best.Select(p => p.Where).Distinct().Count());
    }

    [Fact]
    public void No_such_panel_is_a_mistake() => Assert.Throws<ArgumentException>(() => PanelPlaces.Best(Planner.Plan(House), new("Z"), 3));
}
