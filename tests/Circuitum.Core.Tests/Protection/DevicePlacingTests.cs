using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Which box carries the device, what its load terminals protect, and what each way costs. A chain along a garage wall: panel,
/// then a, b, c.</summary>
public sealed class DevicePlacingTests
{
    private static Job Chain(Schools schools, RoomUse use = RoomUse.Garage, params Box[] boxes) => Houses.Row(("room", use, 24))
        .With(boxes.Length > 0 ? boxes : [At("a", 40), At("b", 130), At("c", 220)]) with
    {
        Schools = schools,
        Panels = [new() { Id = new("A"), Room = new("room"), Wall = 2, Offset = 100.Inches(), Rating = 100.Amps(), Spaces = 20 }],
    };

    private static Box At(string id, int inches, DeviceKind kind = DeviceKind.Duplex) => Houses.On(id, "room", 3, inches, kind);

    private static ProtectedCircuit Plan(Job job, string box = "a") => Planner.Plan(job).CircuitOf(new(box))!.Protected;

    private static string Devices(ProtectedCircuit safe) =>
        string.Join("; ", safe.Devices.OrderBy(d => d.Key.Value, StringComparer.Ordinal)
            .Select(d => $"{d.Key} load {string.Concat(d.Value.Load)} around {string.Concat(d.Value.Around)}"));

    private static string Resets(ProtectedCircuit safe) =>
        string.Join(' ', safe.Outlets.OrderBy(o => o.Key.Value, StringComparer.Ordinal)
            .Select(o => $"{o.Key}:{o.Value.ResetAt?.Value ?? "-"}"));

    [Fact]
    public void At_the_breaker_by_default() =>
        Assert.Equal((BreakerKind.Gfci, "", "a:- b:- c:-"),
            (Plan(Chain(new())).Kind.Value, Devices(Plan(Chain(new()))), Resets(Plan(Chain(new())))));

    [Fact]
    public void At_the_first_receptacle_the_rest_hangs_on_its_load_side()
    {
        var safe = Plan(Chain(new() { Gfci = GfciWay.FirstReceptacle }));
        Assert.Equal((BreakerKind.Standard, "a load b around ", "a:a b:a c:a"), (safe.Kind.Value, Devices(safe), Resets(safe)));
        Assert.All(safe.Outlets.Keys, b => Assert.True(safe.HasGfci(b)));
    }

    [Fact]
    public void At_each_place_each_resets_itself_and_feeds_around()
    {
        var safe = Plan(Chain(new() { Gfci = GfciWay.EachPlace }));
        Assert.Equal(("a load  around b; b load  around c; c load  around ", "a:a b:b c:c"), (Devices(safe), Resets(safe)));
    }

    [Fact] // the made-up prices: GFCI breaker 52; breaker 7 + one device 21 in place of a receptacle 2 = 26; with three devices 7 + 57 = 64
    public void The_cheapest_way_is_taken_and_the_others_told_with_their_price()
    {
        var safe = Plan(Chain(new() { Gfci = GfciWay.LeastCost }));
        Assert.Equal([26m, 52m, 64m], safe.Ways.Select(w => w.Price.Value).Order());
        Assert.Equal((26m, BreakerKind.Standard), (safe.Ways[0].Price.Value, safe.Kind.Value));
        var cheap = Plan(Chain(new() { Gfci = GfciWay.LeastCost }) with { Prices = new() { GfciBreaker = new(20) } });
        Assert.Equal((20m, BreakerKind.Gfci), (cheap.Ways[0].Price.Value, cheap.Kind.Value));
    }

    // In a kitchen of 2020 the counters need it and the refrigerator does not: it is fed around, so that somebody's ground fault does not
    // thaw it.
    private static Job Kitchen(Edition edition) => Chain(new() { Gfci = GfciWay.FirstReceptacle }, RoomUse.Kitchen,
        At("a", 40) with { ServesCounter = true },
            Houses.Appliance("b", "room", 3, 130, Houses.Plate(Appliance.Refrigerator, 120, 700) with { Cord = true }, DeviceKind.Duplex),
            At("c", 220), At("d", 250)) with
    {
        Edition = edition,
    };

    [Fact]
    public void What_should_stay_alive_and_needs_nothing_is_pigtailed_around()
    {
        var job = Kitchen(Edition.Y2020) with
        { Pins = new() { Boxes = [.. "abcd".Select(c => new BoxPin(new(c.ToString()), new("one")))] } };
        var safe = Plan(job);
        Assert.Equal(("a load  around b", "a:a b:- c:- d:-"), (Devices(safe), Resets(safe)));
    }

    // Three switches for one lamp, the middle one beside another lamp's: power comes to it by way of a receptacle, the cable from the first
    // switch goes past that; another receptacle beyond.
    private static Job AroundBySwitches(DeviceKind between = DeviceKind.Duplex, bool loadSide = false)
    {
        var job = Chain(new() { Gfci = GfciWay.FirstReceptacle }, RoomUse.Garage,
            Houses.Switch("s", "room", 3, 50, DeviceKind.ThreeWay, "lamp"),
            At("r", 70) with { Devices = [new() { Kind = between, FeedsLoadSide = loadSide }] },
            At("t", 90) with
            {
                Devices = [new() { Kind = DeviceKind.Switch, Controls = [new("x")] },
                    new() { Kind = DeviceKind.FourWay, Controls = [new("lamp")] }],
            },
            Houses.Switch("u", "room", 3, 150, DeviceKind.ThreeWay, "lamp"), At("z", 230), Houses.Ceiling("lamp", "room", 30, 60),
            Houses.Ceiling("x", "room", 270, 100));
        return job with { Pins = new() { Boxes = [.. job.Boxes.Select(b => new BoxPin(b.Id, new("one")))] } };
    }

    [Fact] // what comes back from before the device would trip it by its neutral: fed around, and what needs it beyond has its own
    public void What_a_switch_set_reaches_from_before_a_device_is_fed_around_it()
    {
        var safe = Plan(AroundBySwitches(), "r");
        var runs = safe.Routed.Runs.Where(r => r.From.Box is not null).Select(r => $"{r.From.Box}→{r.To.Box}").ToList();
        Assert.Equal(["r→t", "s→r", "s→t", "t→u", "t→x", "t→z", "u→lamp"], runs.Order(StringComparer.Ordinal));
        Assert.Equal(("r load  around t; z load  around ", "lamp:- r:r s:- t:- u:- x:- z:z"), (Devices(safe), Resets(safe)));
    }

    [Fact] // set by hand with what lies beyond on its load screws: the plan does not put there what comes back from before it
    public void A_device_that_is_set_there_protects_nothing_that_comes_back_from_before_it()
    {
        var plan = Planner.Plan(AroundBySwitches(DeviceKind.GfciReceptacle, loadSide: true));
        var safe = plan.CircuitOf(new("r"))!.Protected;
        Assert.Equal(("r load  around t", "lamp:- r:r s:- t:- u:- x:- z:-"), (Devices(safe), Resets(safe)));
        Assert.Contains(plan.Tags, t => t.Severity == Severity.Red && t.Subject == Subject.Box(new("z")) && t.Rule == "210.8(A)(2)");
    }

    [Fact] // 210.8(A)(6) of 2023: every kitchen receptacle, the refrigerator too; behind it none can press the button
    public void Upstream_of_the_device_what_the_edition_protects_is_tagged()
    {
        var job = Chain(new(), RoomUse.Garage,
            Houses.Appliance("a", "room", 3, 40, Houses.Plate(Appliance.Freezer, 120, 500) with { Cord = true }, DeviceKind.Duplex),
            At("b", 130, DeviceKind.GfciReceptacle) with { Devices = [new() { Kind = DeviceKind.GfciReceptacle, FeedsLoadSide = true }] },
            At("c", 220));
        var plan = Planner.Plan(job with { Pins = new() { Boxes = [.. "abc".Select(c => new BoxPin(new(c.ToString()), new("one")))] } });
        var tag = Assert.Single(plan.Tags, t => t.Rule == "210.8(A)(2)");
        Assert.Equal((Severity.Red, Subject.Box(new("a"))), (tag.Severity, tag.Subject));
    }

    [Fact]
    public void A_device_on_the_load_side_of_another_is_said()
    {
        var plan = Planner.Plan(Chain(new(), RoomUse.Garage,
            At("a", 40) with { Devices = [new() { Kind = DeviceKind.GfciReceptacle, FeedsLoadSide = true }] },
                At("b", 130) with { Devices = [new() { Kind = DeviceKind.GfciReceptacle, FeedsLoadSide = true }] }, At("c", 220)));
        Assert.Contains(plan.Tags, t => t.Severity == Severity.Amber && t.Subject == Subject.Box(new("b"))
            && t.Headline.Contains("load side of another", StringComparison.Ordinal));
    }

    [Fact] // 210.8: readily accessible; article 100
    public void A_device_out_of_reach_is_red()
    {
        var plan = Planner.Plan(Chain(new(), RoomUse.Garage, At("a", 40, DeviceKind.GfciReceptacle) with { Height = 90.Inches() }));
        Assert.Contains(plan.Tags, t => t.Severity == Severity.Red && t.Subject == Subject.Box(new("a"))
            && t.Rule.StartsWith("210.8", StringComparison.Ordinal));
    }

    [Theory] // 210.12(A)(3) and (4): over nonmetallic cable only with a breaker listed for it, 70 ft of 12 at most to the first outlet
    [InlineData(false, 24, BreakerKind.Afci)]
    [InlineData(true, 24, BreakerKind.Standard)]
    public void A_first_outlet_AFCI_device_only_where_the_crew_has_the_listed_breaker(bool listed, int feet, BreakerKind kind)
    {
        var job = Houses.Row(("room", RoomUse.Bedroom, feet))
            .With(At("a", 40), At("b", 130)) with
        {
            Schools = new() { Afci = AfciWay.FirstOutlet },
            HouseRules = new() { ListedForFirstOutlet = listed }
        };
        var safe = Plan(job);
        Assert.Equal(kind, safe.Kind.Value);
        Assert.Equal(listed ? [ProtectiveKind.Afci] : [], safe.Devices.Values.Select(d => d.Kind));
        Assert.All(safe.Outlets.Keys, b => Assert.True(safe.HasAfci(b)));
        Assert.Equal(!listed, safe.Ways.Any(w => w.Refused is not null));
    }

    [Fact] // 210.12(A): the remainder of the circuit is protected by being on the load terminals; on LINE it has nothing
    public void Behind_a_first_outlet_AFCI_device_the_rest_is_on_its_load_screws()
    {
        var plan = Planner.Plan(Houses.Row(("room", RoomUse.Bedroom, 24)).With(At("a", 40), At("b", 130)) with
        {
            Schools = new() { Afci = AfciWay.FirstOutlet },
            HouseRules = new() { ListedForFirstOutlet = true },
        });
        var circuit = plan.Circuits.Single(c => c.Boxes.ContainsKey(new("a")));
        var first = circuit.HomeRun!.To.Box!.Value;
        var wiring = circuit.Wiring(plan.Survey[first], plan.Job.Schools.Joints);
        var onward = wiring.Cables.Single(c => !c.In).Run;
        Assert.Contains(new Terminal(0, TerminalKind.LoadHot), wiring.At(onward, Carried.Hot)!.Terminals);
        Assert.Contains(new Terminal(0, TerminalKind.LoadNeutral), wiring.At(onward, Carried.Neutral)!.Terminals);
        Assert.Contains(new Terminal(0, TerminalKind.Hot), wiring.At(circuit.HomeRun, Carried.Hot)!.Terminals);
        Assert.Equal(onward.To.Box!.Value, Assert.Single(circuit.Devices[first].Load));
    }

    [Fact] // 210.12(A): a bath is not among its places
    public void A_circuit_that_needs_no_AFCI_gets_no_device_for_it()
    {
        var job = Houses.Row(("bath", RoomUse.Bath, 12)).With(Houses.On("a", "bath", 3, 40)) with
        {
            Schools = new() { Afci = AfciWay.FirstOutlet, Gfci = GfciWay.FirstReceptacle },
            HouseRules = new() { ListedForFirstOutlet = true },
        };
        Assert.Equal([ProtectiveKind.Gfci], Plan(job).Devices.Values.Select(d => d.Kind));
    }

    [Fact] // 210.12(A)(5): over metal-clad cable whatever the breaker and the length
    public void Over_metal_clad_cable_any_breaker_will_do()
    {
        var room = Houses.Rectangle("room", RoomUse.Bedroom, Length.Zero, Length.Zero, 24.Feet(), 12.Feet()) with
        {
            Builds = [new() { Wall = 3, Framing = WallFraming.MetalStud, Spacing = 16.Inches() }],
        };
        var safe = Plan(Houses.House([room]).With(At("a", 40), At("b", 130)) with { Schools = new() { Afci = AfciWay.FirstOutlet } });
        Assert.Equal(Jacket.Armoured, safe.Routed.HomeRun!.Jacket);
        Assert.Equal(BreakerKind.Standard, safe.Kind.Value);
        Assert.Equal([ProtectiveKind.Afci], safe.Devices.Values.Select(d => d.Kind));
    }

    [Fact] // 210.4(B): both legs open together, so both get the same two-pole device on adjacent spaces of one side
    public void Two_small_appliance_circuits_as_one_multiwire()
    {
        var job = Houses.Row(("kitchen", RoomUse.Kitchen, 16)).With(
            Houses.On("c1", "kitchen", 1, 30) with { ServesCounter = true },
            Houses.On("c2", "kitchen", 1, 80) with { ServesCounter = true },
            Houses.On("c3", "kitchen", 1, 130) with { ServesCounter = true }, Houses.On("r", "kitchen", 3, 40)) with
        { Schools = new() { TwoCircuits = TwoCircuits.Multiwire } };
        var plan = Planner.Plan(job);
        var pair = plan.Panels[0].Circuits.Where(c => c.Kind == Circuits.CircuitKind.SmallAppliance).OrderBy(c => c.Space).ToList();
        Assert.Equal(2, pair.Count);
        Assert.Equal((pair[0].Key, pair[1].Key), (pair[1].SharesNeutralWith!.Value, pair[0].SharesNeutralWith!.Value));
        Assert.Equal(pair[0].Space!.Value.Number + 2, pair[1].Space!.Value.Number);
        Assert.Equal(pair[0].BreakerKind, pair[1].BreakerKind);
        // RuleId.MultiwireGrouped: tied together in the panel.
        Assert.All(pair, p => Assert.Contains(p.Why.Steps, s => s.Cite == "210.4(D)"));
        Assert.Contains(plan.Tags, t => t.Severity == Severity.Amber && t.Rule.StartsWith("210.4", StringComparison.Ordinal));
    }

    [Fact] // 210.21(B)(1): the only receptacle of a circuit is rated no less than it
    public void A_single_receptacle_alone_on_20_A_is_of_20_A()
    {
        Job With(int rating) =>
            Chain(new(), RoomUse.Garage, At("a", 40) with { Devices = [new() { Kind = DeviceKind.Single, Rating = rating.Amps() }] });
        Assert.Contains(Planner.Plan(With(15)).Tags, t => t.Rule == "210.21(B)(1)" && t.Severity == Severity.Red);
        Assert.DoesNotContain(Planner.Plan(With(20)).Tags, t => t.Rule == "210.21(B)(1)");
    }

    [Fact] // Table 210.21(B)(3) allows 15 A where there are two or more; a crew may want them to match
    public void Fifteen_on_twenty_by_school()
    {
        Job With(FifteenOnTwenty school) =>
            Chain(new() { FifteenOnTwenty = school }, RoomUse.Garage,
                At("a", 40) with { Devices = [new() { Kind = DeviceKind.Duplex, Rating = 15.Amps() }] }, At("b", 130));
        Assert.Empty(Planner.Plan(With(FifteenOnTwenty.WhereTwoOrMore)).Tags.Where(t =>
            t.Headline.Contains("15 A receptacle", StringComparison.Ordinal)));
        Assert.Equal(Severity.Amber,
            Assert.Single(Planner.Plan(With(FifteenOnTwenty.AlwaysMatch)).Tags,
                t => t.Headline.Contains("15 A receptacle", StringComparison.Ordinal)).Severity);
    }
}
