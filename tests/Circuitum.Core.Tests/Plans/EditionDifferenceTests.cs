using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What exactly another edition changes, outlet by outlet with its section.</summary>
public sealed class EditionDifferenceTests
{
    // A finished basement beside the rest: the level as a whole lies above grade.
    private static readonly Job House = Above(Houses.Row(("kitchen", RoomUse.Kitchen, 16), ("laundry", RoomUse.Laundry, 10),
        ("base", RoomUse.FinishedBasement, 12), ("bed", RoomUse.Bedroom, 12)).With(
        Houses.On("counter", "kitchen", 1, 30) with { ServesCounter = true },
            Houses.On("counter2", "kitchen", 1, 90) with { ServesCounter = true }, Houses.On("plain", "kitchen", 3, 60),
        Houses.Appliance("dryer", "laundry", 1, 30, Houses.Plate(Appliance.Dryer, 240, 5600) with { Cord = true, Neutral = true },
            DeviceKind.ApplianceReceptacle),
        Houses.On("b", "base", 1, 40), Houses.On("r", "bed", 1, 40),
        Houses.Appliance("unit", "bed", 1, 90, Houses.Plate(Appliance.HeatPump, 240, 4100) with { Mca = new(21), Mocp = new(35) }) with
        { Outside = true }));

    private static Job Above(Job job) => job with
    {
        Structures = [job.Structures[0] with { Levels = [job.Structures[0].Levels[0] with { Basement = false }] }],
    };

    private static EditionDifference Between(Edition from, Edition to) =>
        EditionDifference.Between(Planner.Plan(House with { Edition = from }), Planner.Plan(House with { Edition = to }));

    private static string Told(EditionDifference difference) =>
        string.Join("; ", difference.Changed.Select(o => $"{o.Box} {o.Against} {(o.Comes ? "+" : "-")} {(o.After ?? o.Before)!.Section}")
            .Order(StringComparer.Ordinal));

    [Fact] // 2020: 250 V receptacles of the laundry (A)(10), basements finished or not (A)(5), hard-wired outdoors (F)
    public void From_2017_to_2020() =>
        Assert.Equal("b GFCI + 210.8(A)(5); dryer GFCI + 210.8(A)(10); unit GFCI + 210.8(F)", Told(Between(Edition.Y2017, Edition.Y2020)));

    [Fact] // 2023: every kitchen receptacle (A)(6); without a permit's day the condenser's exception is not counted on
    public void From_2020_to_2023() => Assert.Equal("plain GFCI + 210.8(A)(6)", Told(Between(Edition.Y2020, Edition.Y2023)));

    [Fact]
    public void The_way_back_is_the_same_list_the_other_way_round() =>
        Assert.Equal("b GFCI - 210.8(A)(5); dryer GFCI - 210.8(A)(10); unit GFCI - 210.8(F)", Told(Between(Edition.Y2020, Edition.Y2017)));

    [Fact] // 210.12(A) is 210.12(B) in 2023; laundry areas moved from (A)(10) to (A)(11)
    public void What_is_only_renumbered_is_told_apart()
    {
        var difference = Between(Edition.Y2020, Edition.Y2023);
        Assert.Contains(difference.Renumbered,
            o => o is { Against: "AFCI", Box.Value: "r", Before.Section: "210.12(A)", After.Section: "210.12(B)" });
        Assert.Contains(difference.Renumbered,
            o => o is { Against: "GFCI", Box.Value: "dryer", Before.Section: "210.8(A)(10)", After.Section: "210.8(A)(11)" });
    }

    [Fact]
    public void Breakers_follow_their_outlets()
    {
        var breaker = Assert.Single(Between(Edition.Y2017, Edition.Y2020).Breakers, b => b.Circuit.Value == "dryer");
        Assert.Equal((BreakerKind.Standard, BreakerKind.Gfci), (breaker.Before, breaker.After));
    }

    [Fact]
    public void An_edition_against_itself_differs_in_nothing()
    {
        var difference = Between(Edition.Y2020, Edition.Y2020);
        Assert.Equal((0, 0, 0, 0), (difference.Outlets.Length, difference.Breakers.Length, difference.Come.Length, difference.Gone.Length));
    }
}
