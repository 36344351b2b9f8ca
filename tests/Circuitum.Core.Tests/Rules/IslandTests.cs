using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A third family behind the seam: the stages plan a house by a book that they have never heard of.</summary>
public sealed class IslandTests
{
    private static readonly CodeBook Book = new Island();

    // A den of 20 ft with two outlets and a switched lamp; a laundry with a water heater of 2.4 kW and a cooker of 7 kW.
    private static readonly Job House = (Houses.Row(("den", RoomUse.Den, 20), ("wash", RoomUse.Laundry, 20)) with
    {
        Panels = [Houses.Panel("den") with { Rating = new(40), Top = 5.Feet() }],
        Schools = new() { Measure = Measure.Metres },
    }).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 130), Houses.Ceiling("l", "den", 120, 60),
        Houses.Switch("s", "den", 3, 60, DeviceKind.Switch, "l"),
        Houses.Appliance("heater", "wash", 1, 60, Houses.Plate(Appliance.WaterHeater, 200, 2400)),
        Houses.Appliance("cooker", "wash", 1, 130, Houses.Plate(Appliance.Cooktop, 200, 7000)));

    private static readonly Plan Plan = Planner.Plan(House, Book);

    private static (decimal Breaker, string Size, int Poles) Of(string box)
    {
        var circuit = Plan.CircuitOf(new(box))!;
        return (circuit.Breaker.Value, circuit.Gauge.ToString(), circuit.Circuit.Poles);
    }

    [Fact] // 2400 ÷ 200 = 12, at 125 % 15 → 16 A on 2.5 mm²; 7000 ÷ 200 = 35 → 40 A on 10 mm²; lights 10 A, outlets 16 A
    public void Breakers_and_conductors_are_the_islands()
    {
        Assert.Equal((16m, "2.5 mm²", 2), Of("heater"));
        Assert.Equal((40m, "10 mm²", 2), Of("cooker"));
        Assert.Equal((10m, "2.5 mm²", 1), Of("l"));
        Assert.Equal((16m, "2.5 mm²", 1), Of("a"));
    }

    [Theory] // 2 × 12 A × 7.41 Ω/km: 2 % of 200 V is 4 V, lost on 22.5 m of 2.5 mm² and on 36.1 m of 4 mm²; 10 mm² no device of 16 A takes
    [InlineData(10, "2.5 mm²", false)]
    [InlineData(40, "4 mm²", false)]
    [InlineData(150, "4 mm²", true)]
    public void What_may_be_lost_is_the_islands(int hall, string size, bool tooFar)
    {
        var wide = Houses.Row(("den", RoomUse.Den, 20), ("hall", RoomUse.Hall, hall), ("wash", RoomUse.Laundry, 20)) with
        {
            Panels = House.Panels,
            Boxes = House.Boxes,
        };
        var plan = Planner.Plan(wide, Book);
        var heater = plan.CircuitOf(new("heater"))!;
        var meters = heater.HomeRun!.Length.Value.Metres;
        Assert.Equal((size, tooFar), (heater.HomeRunGauge.ToString(), meters > 36.1m));
        Assert.Equal(size, meters <= 22.49m ? "2.5 mm²" : "4 mm²");
        Assert.Equal(tooFar, plan.Tags.Any(t => t.Subject == Subject.Circuit(heater.Key)
            && t.Rule.Contains(Book.Cite(Reasons.RuleId.VoltageDropLimit).Text, StringComparison.Ordinal)));
    }

    [Fact] // walls of 6 m with an outlet to every 2 m either way; what it has no rule for it asks of nobody
    public void Outlets_are_owed_by_the_islands_reach()
    {
        Assert.Contains(Plan.Tags, t => t.Rule == Book.Cite(Reasons.RuleId.WallReach).Text);
        Assert.All(Plan.Tags.Where(t => t.Rule.StartsWith("island", StringComparison.Ordinal)),
            t => Assert.Contains(Enum.GetValues<Reasons.RuleId>().Where(Book.Has), r => t.Rule.Contains($"island {(int)r}",
                StringComparison.Ordinal)));
    }

    [Fact]
    public void No_word_of_another_family_is_in_what_it_says_of_its_circuits()
    {
        var said = Plan.Circuits.SelectMany(c => new[] { c.Sized.Breaker.Why, c.Sized.Gauge.Why, c.Sized.Drop.Why, c.Circuit.Why })
            .SelectMany(w => w.Steps).Select(s => $"{s.Text} {s.Value} {s.Cite}")
            .Concat(Plan.Circuits.SelectMany(c => c.Boxes.Values).SelectMany(b => b.Volume.Why.Steps).Select(s => $"{s.Text} {s.Cite}"))
            .Concat(Plan.Takeoff.Cables.Select(c => c.Cable));
        Assert.All(said, text => Assert.DoesNotMatch(@"AWG|kcmil|\b120 V|\b240 V|\b210\.|\b334\.|Table ", text));
        Assert.Contains(Plan.Takeoff.Cables, c => c.Cable == "2.5 mm²-2");
    }

    [Fact]
    public void A_plate_of_other_volts_is_refused_in_the_islands()
    {
        var other = House.With(Houses.Appliance("x", "wash", 3, 60, Houses.Plate(Appliance.WaterHeater, 240, 3000)));
        Assert.Contains("volts must be 100 or 200", Assert.Throws<ArgumentException>(() => Planner.Plan(other, Book)).Message,
            StringComparison.Ordinal);
    }
}
