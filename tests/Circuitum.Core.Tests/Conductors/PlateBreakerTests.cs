using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using static Circuitum.Tests.Support.Houses;

namespace Circuitum.Core.Tests;

/// <summary>A breaker that a plate asks for is one number.</summary>
public sealed class PlateBreakerTests
{
    private static readonly Job House = Row(("kitchen", RoomUse.Kitchen, 16), ("utility", RoomUse.Utility, 10))
        .With(Appliance("range", "kitchen", 1, 60, EquipmentLibrary.Typical(Core.Jobs.Appliance.Range), DeviceKind.ApplianceReceptacle));

    private static Job Asked(int? amps) => new SetPlateBreaker(new("range"), 0, amps is int a ? new(a) : null).On(House).Job!;

    // 50 A on 6-3 by school. 6 AWG carries 55 A in NM (60 °C); 60 A is the next standard rating above it: 240.4(B) allows that for one
    // receptacle. 40 A takes 8 AWG at 40 A.
    [Theory]
    [InlineData(null, 50, "6-3")]
    [InlineData(60, 60, "6-3")]
    [InlineData(70, 70, "4-3")]
    [InlineData(40, 40, "8-3")]
    public void One_number_is_the_breaker_and_the_cable_follows(int? asked, int breaker, string cable)
    {
        var on = Planner.Plan(Asked(asked)).CircuitOf(new("range"))!;
        Assert.Equal(breaker, on.Sized.Breaker.Value.Value);
        Assert.Equal(cable, on.Sized.Cable);
    }

    [Fact]
    public void What_it_changes_is_told_with_its_feet()
    {
        Plan before = Planner.Plan(House), after = Planner.Plan(Asked(40));
        var feet = before.CircuitOf(new("range"))!.Routed.Footage.WholeFeetUp;
        Assert.Contains(PlanDifference.Between(before, after), said => said.Contains("now 40 A on 8-3", StringComparison.Ordinal)
            && said.EndsWith($"{feet} ft pulled again", StringComparison.Ordinal));
    }

    [Fact] // a range of 12 kW draws 8 kW, 33.3 A: 30 A do not carry it
    public void One_that_is_too_small_is_red()
    {
        Plan before = Planner.Plan(House), after = Planner.Plan(Asked(30));
        Assert.Contains(PlanDifference.TagsOnlyIn(after, before), t => t.Severity == Severity.Red
            && t.Arithmetic.Contains("33.3", StringComparison.Ordinal));
        Assert.Contains(PlanDifference.Between(before, after), said => said.Contains("more: ", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(33)]
    [InlineData(14)]
    [InlineData(600)]
    public void One_that_is_not_made_is_refused_in_words(int amps) => Assert.Contains("standard one from 15 to 400 A",
        new SetPlateBreaker(new("range"), 0, new(amps)).On(House).Refusal!, StringComparison.Ordinal);

    [Fact]
    public void Beside_mca_and_mocp_it_is_refused() => Assert.Contains("not both", new SetPlateBreaker(new("range"), 0, new(60))
        .On(new SetPlateAmps(new("range"), 0, new(40), new(60)).On(House).Job!).Refusal!, StringComparison.Ordinal);
}
