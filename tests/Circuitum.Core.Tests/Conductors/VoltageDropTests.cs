using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

public sealed class VoltageDropTests
{
    [Theory] // 2 × 16 × 1.93 × 80 / 1000 and 2 × 16 × 1.21 × 80 / 1000
    [InlineData("12", 4.94, 4.1)]
    [InlineData("10", 3.10, 2.6)]
    public void Sixteen_amperes_at_80_ft(string gauge, double volts, double percent)
    {
        var lost = VoltageDrop.Of(16.Amps(), Gauge.Parse(gauge), 80.Feet(), Books.Us2020);
        Assert.Equal((decimal)volts, decimal.Round(lost.Value, 2));
        Assert.Equal((decimal)percent, decimal.Round(VoltageDrop.Share(lost, 120.Volts()).Value, 1));
    }

    [Theory] // 250.122(B): in proportion of circular mils, never larger than the conductors
    [InlineData(20, "12", "12", "12")]
    [InlineData(20, "10", "12", "10")]
    [InlineData(60, "6", "6", "10")]
    [InlineData(60, "4", "6", "6")] // 10 380 × 41 740 / 26 240 = 16 511, a hair over the 16 510 of 8 AWG
    [InlineData(60, "3", "6", "6")] // 10 380 × 52 620 / 26 240 = 20 815
    public void The_ground_grows_with_its_conductors(int rating, string installed, string needed, string ground) =>
        Assert.Equal(ground, Grounding.For(rating.Amps(), Gauge.Parse(installed), Gauge.Parse(needed), Books.Us2020).ToString());

    [Fact] // 2 × 3.07/1000 × (12 × 40 + 8 × 12 + 4 × 12) = 3.83 V, 3.2 %; with the first 40 ft in 12: 2.74 V, 2.3 %
    public void A_chain_loses_by_what_each_piece_carries()
    {
        var all14 = Lost((12, "14", 40), (8, "14", 12), (4, "14", 12));
        Assert.Equal((3.83m, 3.2m), (decimal.Round(all14, 2), decimal.Round(all14 / 1.2m, 1)));
        var home12 = Lost((12, "12", 40), (8, "14", 12), (4, "14", 12));
        Assert.Equal((2.74m, 2.3m), (decimal.Round(home12, 2), decimal.Round(home12 / 1.2m, 1)));
    }

    [Fact] // 3 × .0507 + .0211 = .1732 in² in 40 % of .508 = .2032; 2 × 48 × .491 × 130 / 1000 = 6.13 V, 2.6 % of 240
    public void A_60_A_feeder_of_130_ft_goes_in_three_quarter_inch_pipe()
    {
        var pipe = ConduitFill.Size(ConduitKind.Pvc40, [new(3, Gauge.Awg6), new(1, Gauge.Awg10)], [90, 90], 130.Feet(), Books.Us2020);
        Assert.Equal("3/4", pipe.Trade);
        Assert.Contains(pipe.Why.Steps, s => s.Value == "0.2032 in² ≥ 0.1732 in²");
        var lost = VoltageDrop.Of(48.Amps(), Gauge.Awg6, 130.Feet(), Books.Us2020);
        Assert.Equal(6.13m, decimal.Round(lost.Value, 2));
        Assert.Equal(2.6m, decimal.Round(VoltageDrop.Share(lost, 240.Volts()).Value, 1));
    }

    private static decimal Lost(params (int Amps, string Gauge, int Feet)[] pieces) =>
        pieces.Sum(p => VoltageDrop.Of(p.Amps.Amps(), Gauge.Parse(p.Gauge), p.Feet.Feet(), Books.Us2020).Value);
}
