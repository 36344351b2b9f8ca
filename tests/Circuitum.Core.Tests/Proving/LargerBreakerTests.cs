using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What a larger breaker would do to the wire, by the textbook sums.</summary>
public sealed class LargerBreakerTests
{
    private static LargerBreaker Of(Schools schools)
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 24)).With([.. Enumerable.Range(0, 3).Select(i =>
            Houses.On($"r{i}", "a", 1, 30 + (i * 60)))]) with
        { Schools = schools };
        var house = new HouseNetwork(Planner.Plan(job));
        return LargerBreaker.Of(house, house.Branches.Single());
    }

    [Fact] // 14 AWG carries 25 A at 90 °C: 15 A is 30 + 60 × 0.36 = 52 °C; 20.25 A 69 °C; 30 A 116 °C, and 40.5 A for an hour 187 °C
    public void Fourteen_gauge_on_thirty_amperes_is_cooked()
    {
        var tried = Of(new() { Lighting = LightsAndReceptacles.ApartBedrooms15 });
        Assert.Equal(Gauge.Awg14, tried.Gauge);
        Assert.Equal([(15m, true, 52m, 69m), (20m, false, 68m, 100m), (25m, false, 90m, 139m), (30m, false, 116m, 187m)],
            tried.Tried.Select(t => (t.Rating.Value, t.IsAllowed, t.WarmForGood.Degrees, t.WarmForAnHour.Degrees)));
        Assert.True(tried.Tried[0].IsPlanned);
    }

    [Fact] // 4110 circular mils, 0.0297 × log10(384 / 309) = 0.002803: at 500 A (4110 / 500)² × 0.002803 = 0.189 s
    public void A_short_harms_the_insulation_by_the_square_of_its_current()
    {
        var tried = Of(new() { Lighting = LightsAndReceptacles.ApartBedrooms15 });
        var expected = Math.Pow(4110 / (double)tried.Fault.Value, 2) * 0.002803;
        Assert.InRange(tried.Harmed.TotalSeconds / expected, 0.999, 1.001);
        Assert.InRange(tried.Fault.Value, 300, 1500);
    }

    [Fact] // 12 AWG carries 30 A at 90 °C: 20 A is 57 °C, 27 A 79 °C; 30 A for an hour at 135 % is 139 °C
    public void Twelve_gauge_is_for_twenty()
    {
        var tried = Of(new());
        Assert.Equal([(20m, true, 57m, 79m), (25m, false, 72m, 106m), (30m, false, 90m, 139m), (35m, false, 112m, 179m)],
            tried.Tried.Select(t => (t.Rating.Value, t.IsAllowed, t.WarmForGood.Degrees, t.WarmForAnHour.Degrees)));
    }
}
