using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What a circuit may carry, what could be added, and what happens when somebody plugs in.</summary>
public sealed class HeadroomTests
{
    private static readonly CodeBook Book = CodeBook.For(Edition.Y2020);

    private static LoadItem Item(string name, decimal amps, LoadUse use, bool continuous = false) =>
        new(new(name), name, new(amps * 120), use, continuous, false);

    private static bool Permits(int rating, params LoadItem[] items) =>
        PermissibleLoads.Permits(new(120.Volts(), 1, [.. items]), rating.Amps(), Book);

    [Theory] // 210.23: half of 15 is 7.5, of 20 is 10; a tenth of an ampere either side
    [InlineData(15, 7.4, true)]
    [InlineData(15, 7.5, true)]
    [InlineData(15, 7.6, false)]
    [InlineData(20, 9.9, true)]
    [InlineData(20, 10.0, true)]
    [InlineData(20, 10.1, false)]
    public void Fixed_equipment_beside_lights_takes_half(int rating, double amps, bool permitted)
    {
        Assert.Equal(permitted, Permits(rating, Item("fan", (decimal)amps, LoadUse.Fastened), Item("lamp", .2m, LoadUse.Lighting)));
        Assert.Equal(permitted,
            Permits(rating, Item("fan", (decimal)amps, LoadUse.Fastened), Item("outlet", .2m, LoadUse.PortableReceptacle)));
        Assert.True(Permits(rating, Item("fan", (decimal)amps, LoadUse.Fastened)));
    }

    [Theory] // 80 % of 15 is 12, of 20 is 16
    [InlineData(15, 11.9, true)]
    [InlineData(15, 12.0, true)]
    [InlineData(15, 12.1, false)]
    [InlineData(20, 15.9, true)]
    [InlineData(20, 16.0, true)]
    [InlineData(20, 16.1, false)]
    public void One_plugged_appliance_takes_four_fifths(int rating, double amps, bool permitted) =>
        Assert.Equal(permitted, Permits(rating, Item("heater", (decimal)amps, LoadUse.CordAndPlug)));

    [Theory] // fixed alone to the rating: 20; continuous to 16, whose 125 % is 20
    [InlineData(false, 19.9, true)]
    [InlineData(false, 20.0, true)]
    [InlineData(false, 20.1, false)]
    [InlineData(true, 15.9, true)]
    [InlineData(true, 16.0, true)]
    [InlineData(true, 16.1, false)]
    public void Fixed_equipment_alone_fills_the_circuit(bool continuous, double amps, bool permitted) =>
        Assert.Equal(permitted, Permits(20, Item("heater", (decimal)amps, LoadUse.Fastened, continuous)));

    private static Circuit Of(CircuitKind kind, params LoadItem[] items) =>
        new()
        {
            Key = new("c"),
            Kind = kind,
            Panel = new("A"),
            Boxes = [],
            Load = new(120.Volts(), 1, [.. items]),
            Why = Reasons.Because.Of("")
        };

    // 20 A: 8 receptacles of 180 VA = 12 A, a fan of 3 A fastened: 5 A left = 600 VA; for three hours 4 A = 480; fastened 10 − 3 = 7, 5
    // left
    [Fact]
    public void Room_for_more_is_told_rule_by_rule()
    {
        var circuit = Of(CircuitKind.Receptacles,
            [.. Enumerable.Range(0, 8).Select(i => Item($"r{i}", 1.5m, LoadUse.PortableReceptacle)), Item("fan", 3, LoadUse.Fastened)]);
        Assert.Equal([600m, 480m, 600m, 600m], Headroom.On(circuit, 20.Amps(), Book).Select(s => s.Most.Value));
    }

    [Fact] // 9.6 A fastened leaves 0.4 A more of it, 48 VA; plugged 16 at most, 10.4 left
    public void The_half_binds_before_the_rating_does()
    {
        var circuit = Of(CircuitKind.General, Item("dishwasher", 9.6m, LoadUse.Fastened), Item("lamp", 0, LoadUse.Lighting));
        Assert.Equal([1248m, 998m, 1248m, 48m], Headroom.On(circuit, 20.Amps(), Book).Select(s => s.Most.Value));
    }

    [Fact]
    public void Beside_more_than_half_fastened_nothing_may_be_plugged_in()
    {
        var spare = Headroom.On(Of(CircuitKind.DishwasherAndDisposer, Item("dishwasher", 9.6m, LoadUse.Fastened),
            Item("disposer", 7.2m, LoadUse.Fastened)), 20.Amps(), Book);
        Assert.Equal([0m, 0m, 0m, 384m], spare.Select(s => s.Most.Value)); // 3.2 A left, for another fastened load alone
        Assert.Equal(384m, Headroom.Most(spare)!.Value.Value);
    }

    [Fact]
    public void A_small_appliance_circuit_takes_nothing_fastened_and_an_individual_one_nothing_at_all()
    {
        Assert.Equal((0m, "210.52(B)(2)"),
            (Headroom.On(Of(CircuitKind.SmallAppliance, Item("r", 1.5m, LoadUse.PortableReceptacle)), 20.Amps(), Book)[3].Most.Value,
                Headroom.On(Of(CircuitKind.SmallAppliance), 20.Amps(), Book)[3].Section));
        Assert.Empty(Headroom.On(Of(CircuitKind.Individual, Item("x", 1, LoadUse.Fastened)), 20.Amps(), Book));
        Assert.Null(Headroom.Most(Headroom.On(Of(CircuitKind.Individual), 20.Amps(), Book)));
    }

    [Theory] // listed breakers: never at 100 %, within an hour at 135 %, within 2 min at 200 % (4 min above 30 A)
    [InlineData(20, 20, null, null)]
    [InlineData(20, 27, 150.0, 3600.0)]
    [InlineData(20, 40, 15.0, 120.0)]
    [InlineData(40, 80, 15.0, 240.0)]
    [InlineData(15, 45, 5.0, 40.0)]
    public void A_breaker_opens_in_a_typical_band(int rating, int amps, double? earliest, double? latest)
    {
        var opening = InverseTime.At(amps.Amps(), rating.Amps());
        Assert.Equal((earliest, latest), (Rounded(opening.Earliest), Rounded(opening.Latest)));
    }

    [Fact]
    public void Between_100_and_135_per_cent_it_may_hold_for_good()
    {
        var opening = InverseTime.At(new(24), 20.Amps());
        Assert.False(opening.Holds);
        Assert.Null(opening.Latest);
        Assert.StartsWith("may open", opening.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void More_current_never_opens_it_later() => Assert.All(Enumerable.Range(101, 1700), share =>
    {
        BreakerOpening here = InverseTime.At(new(share * .2m), 20.Amps()), more = InverseTime.At(new((share + 1) * .2m), 20.Amps());
        Assert.True(more.Earliest <= here.Earliest);
        Assert.True(here.Latest is null || more.Latest <= here.Latest);
        Assert.True(here.Latest is null || here.Earliest < here.Latest);
    });

    // Panel, a, b along one wall; b carries a lamp-like load of nothing: a kettle of 1500 VA at b and a heater of 1500 VA at a.
    private static readonly Plan Den = Planner.Plan(Houses.Row(("den", RoomUse.Den, 24))
        .With(Houses.On("a", "den", 3, 40), Houses.On("b", "den", 3, 220)) with
    {
        Panels = [new() { Id = new("A"), Room = new("den"), Wall = 2, Offset = 100.Inches(), Rating = 100.Amps(), Spaces = 20 }],
    });

    [Fact] // 1500 / 120 = 12.5 A each; 25 A of 20 = 125 %
    public void Two_heating_tools_load_the_way_they_share()
    {
        var answer = PlugIn.Into(Den.CircuitOf(new("a"))!, [new(new("b"), Portable.Kettle), new(new("a"), Portable.Heater)]);
        Assert.Equal(["25 A", "12.5 A"], answer.Way.Select(w => w.Through.ToString()));
        Assert.Equal((25m, 20m, 125m), (answer.AtBreaker.Value, answer.Rating.Value, answer.Share.Value));
        Assert.True(answer.Opening is { Holds: false, Latest: null });
    }

    [Fact] // 2 × 1.93 Ω/1000 ft × (ft to a × 25 A + ft on to b × 12.5 A)
    public void The_voltage_at_the_far_outlet_falls_with_both()
    {
        var wired = Den.CircuitOf(new("a"))!;
        var answer = PlugIn.Into(wired, [new(new("b"), Portable.Kettle), new(new("a"), Portable.Heater)]);
        var feet = wired.WayTo(new("b")).Select(r => r.Length.Value.Feet).ToList();
        Assert.Equal((double)(120 - (2 * 1.93m / 1000 * ((feet[0] * 25) + (feet[1] * 12.5m)))), (double)answer.Left.Value, 6);
    }

    [Fact]
    public void A_kettle_alone_holds_and_nothing_is_plugged_into_another_circuit()
    {
        var wired = Den.CircuitOf(new("a"))!;
        Assert.True(PlugIn.Into(wired, [new(new("a"), Portable.Kettle)]).Opening.Holds);
        Assert.Throws<ArgumentException>(() => PlugIn.Into(wired, [new(new("elsewhere"), Portable.Kettle)]));
        Assert.Throws<ArgumentException>(() => PlugIn.Into(wired, []));
    }

    private static double? Rounded(TimeSpan? time) => time is { } t ? Math.Round(t.TotalSeconds, 3) : null;

    [Fact] // 210.11(C)(3): one bath may have half of 20 A fastened in place, two have none
    public void The_circuit_of_two_baths_takes_nothing_fastened_in_place()
    {
        var circuit = Of(CircuitKind.Bathroom, Item("r", 1.5m, LoadUse.PortableReceptacle));
        Assert.Equal(1200m, Headroom.On(circuit, 20.Amps(), Book)[^1].Most.Value);
        Assert.Equal((0m, "210.11(C)(3)"), (Headroom.On(circuit, 20.Amps(), Book, 2)[^1].Most.Value,
            Headroom.On(circuit, 20.Amps(), Book, 2)[^1].Section));
    }

    [Fact] // 210.23: a fan is fastened in place, a lamp is not: 1000 VA at 120 V are 8.33 A, more than half of 15
    public void A_fan_counts_as_fastened_in_place()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)).With(Houses.Ceiling("l", "den", 60, 60), new Box
        {
            Id = new("f"),
            Room = new("den"),
            Mount = Mount.Ceiling,
            X = 120.Inches(),
            Y = 60.Inches(),
            Devices = [new() { Kind = DeviceKind.CeilingFan, Load = new VoltAmps(1000) }],
        });
        var circuit = Planner.Plan(job).CircuitOf(new("f"))!.Circuit;
        Assert.Equal(8.33m, decimal.Round(circuit.Load.Fastened.Value, 2));
    }
}
