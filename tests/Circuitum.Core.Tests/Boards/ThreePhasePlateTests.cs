using Circuitum.Core.Boards;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Equipment of a drawn house whose plate says the volts between phases: it takes all three, whatever it is.</summary>
public sealed class ThreePhasePlateTests
{
    private static readonly Volts Between = new(400);

    private static Job Fed(params Nameplate[] plates) => new SetEdition(Edition.Gulf2022).On(Houses.Row(("den", RoomUse.Den, 20)).With(
        [.. plates.Select((p, i) => Houses.On($"e{i}", "den", 1, 30 + (40 * i)) with
        {
            Devices = [new() { Kind = DeviceKind.Equipment, Plate = p with { Volts = new(240) } }],
        })])).Job! is var job ? job with
        {
            Boxes = [.. job.Boxes.Select((b, i) => b with { Devices = [b.Devices[0] with { Plate = plates[i] }] })],
        } : null!;

    private static List<BoardWay> Ways(Job job) => [.. PointsOfHouse.Boards(Planner.Plan(job))!.Boards.SelectMany(b => b.Ways)];

    private static Nameplate Plate(Appliance appliance, int load, Volts volts) =>
        new() { Appliance = appliance, Name = "Own", Load = new(load), Volts = volts };

    // 12 000 ÷ (√3 × 400) = 17.32 A: 32 A and four poles; at 40 °C three loaded conductors of 6 mm² carry
    // 36 × 0.87 = 31.3 A, of 10 mm² 43.5.
    [Fact]
    public void A_cooker_on_three_phases_has_four_poles_and_conductors_that_carry_it()
    {
        var way = Assert.Single(Ways(Fed(Plate(Appliance.Range, 12_000, Between))));
        Assert.Equal((CircuitUse.Cooker, true, 17.32m, 32m, 4, 10m, 0), (way.Circuit.Use, way.Circuit.ThreePhase,
            decimal.Round(way.Sized.Rated.Current.Value, 2), way.Sized.Rated.Breaker.Value.Value, way.Sized.Rated.Poles,
            way.Sized.Size.Value.Value, way.Phase));
    }

    // On one phase 12 000 ÷ 230 = 52.2 A: a breaker of 63 A, two poles.
    [Fact]
    public void The_same_on_one_phase_has_two()
    {
        var way = Assert.Single(Ways(Fed(Plate(Appliance.Range, 12_000, new(230)))));
        Assert.Equal((false, 63m, 2), (way.Circuit.ThreePhase, way.Sized.Rated.Breaker.Value.Value, way.Sized.Rated.Poles));
    }

    [Fact] // a unit on three phases stands alone, beside two of the same room that are looped
    public void A_cooling_unit_on_three_phases_is_alone_on_its_circuit()
    {
        var ways = Ways(Fed(Plate(Appliance.HeatPump, 2_000, new(230)), Plate(Appliance.HeatPump, 6_000, Between),
            Plate(Appliance.HeatPump, 2_000, new(230))));
        Assert.Equal([(false, 2), (true, 1)], ways.Select(w => (w.Circuit.ThreePhase, w.Circuit.Points.Length)).Order());
    }

    [Fact] // a pump with a plug is no twin socket where it takes three phases
    public void Other_equipment_on_three_phases_is_connected_for_good()
    {
        var way = Assert.Single(Ways(Fed(Plate(Appliance.Pump, 3_000, Between) with { Cord = true })));
        Assert.Equal((CircuitUse.Fixed, true, 3), (way.Circuit.Use, way.Circuit.ThreePhase, way.Sized.Rated.Poles));
    }

    [Fact]
    public void Where_one_phase_is_supplied_it_is_told()
    {
        var job = Fed(Plate(Appliance.Range, 12_000, Between)) with { Metric = new() { ThreePhase = false } };
        Assert.Contains(BoardChecks.Of(PointsOfHouse.Boards(Planner.Plan(job))!), t => t.Severity == Severity.Red
            && t.Headline == "The cooker takes three phases, and one is supplied.");
    }

    [Theory] // 10 A are 2300 VA from one phase, √3 × 400 × 10 = 6928 VA from three; across two legs of one winding 2400
    [InlineData(10, 230, 2300)]
    [InlineData(10, 400, 6928)]
    public void Amperes_of_a_plate_are_worth_what_its_phases_bring(int amperes, int volts, int load) => Assert.Equal(load,
        decimal.Round(new SupplySystem(new(230), Between, ThreePhase: true).Load(new(amperes), new(volts)).Value));

    [Fact]
    public void Across_two_legs_of_one_winding_amperes_are_worth_their_volts() =>
        Assert.Equal(2400, SupplySystem.SplitPhase.Load(new(10), new(240)).Value);
}
