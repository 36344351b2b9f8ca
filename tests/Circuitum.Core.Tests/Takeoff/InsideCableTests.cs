using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Cable for the ground joined to cable of the house in a box where it leaves: what is offered, what it saves, and that nothing
/// else moves.</summary>
public sealed class InsideCableTests
{
    private static readonly Job Shed = Houses.WithShed(null).With(Houses.On("s", "shop", 1, 40), Houses.On("t", "shop", 3, 60));

    private static (Plan Plan, InsideCable? Offer) Offered(Job job)
    {
        var plan = Planner.Plan(job);
        return (plan, plan.Circuits.SelectMany(c => c.Runs).Select(r => InsideCable.Of(plan, r)).OfType<InsideCable>().SingleOrDefault());
    }

    private static Plan Joined(Plan plan, InsideCable offer) => Planner.Plan(offer.Joint.On(plan.Job).Job!);

    private static Length Of(Plan plan, Jacket jacket) =>
        plan.Circuits.SelectMany(c => c.Runs).Where(r => r.Jacket == jacket).Select(r => r.Way.Measured).Total();

    [Fact] // the den is 20 ft from the panel's wall to the trench; 50 ft of trench at 24 in, from 18 in up at either wall: 57 ft
    public void A_shed_fed_from_the_house_is_joined_where_its_cable_leaves()
    {
        var (plan, offer) = Offered(Shed);
        Assert.NotNull(offer);
        Assert.InRange(offer.Inside.Feet, 20m, 32m);
        Assert.InRange(offer.InGround.Feet, 57m, 58m);
        Assert.Equal((new RoomId("den"), 2, 18.Inches()), (offer.Joint.Box.Room, offer.Joint.Box.Wall, offer.Joint.Box.Height!.Value));
        // The trench begins 6 ft from the north corner on the center line; inside the wall that is half an exterior wall less.
        Assert.InRange(offer.Joint.Box.Offset.Inches, 68m, 70m);

        var after = Joined(plan, offer);
        var home = after.Circuits.Single().HomeRun!;
        Assert.Equal((offer.Joint.Box.Id, Jacket.Nonmetallic), (home.To.Box!.Value, home.Jacket));
        // The door says what is served, not where the cable is joined on its way.
        Assert.Equal(plan.Panels[0].Circuits.Single().Description, after.Panels[0].Circuits.Single().Description);
        var onward = after.Circuits.Single().Runs.Single(r => r.From.Box == offer.Joint.Box.Id);
        Assert.Equal(Jacket.Underground, onward.Jacket);
        Assert.InRange((Of(plan, Jacket.Underground) - Of(after, Jacket.Underground)).Feet, offer.Inside.Feet - 3, offer.Inside.Feet);
    }

    [Fact] // 12-2 in and on: four conductors and one for all grounds at 2.25 in³ are 11.25 in³, by Table 314.16(A) an octagon of 15.5
    public void Its_box_is_metal_under_a_blank_cover()
    {
        var (plan, offer) = Offered(Shed);
        var after = Joined(plan, offer!);
        var wired = after.Circuits.Single().Boxes[offer!.Joint.Box.Id];
        Assert.Equal((new CubicInches(11.25m), new CubicInches(15.5m)), (wired.Needed, wired.Given!.Value));
        var material = Hardware.Of(after);
        Assert.Equal(1, material.Single(m => m.Item == "4 in octagon box 1-1/2 deep, 15.50 in³").Quantity);
        Assert.Equal(1, material.Single(m => m.Item == "Blank cover, square or round").Quantity);
        // Hot to hot, neutral to neutral, the grounds with a tail to the box.
        Assert.Equal(3, after.WiringOf(offer.Joint.Box.Id)!.Splices);
    }

    [Fact] // one size larger to the first thing that takes power, through the joint as if it were not there; smaller beyond
    public void What_makes_the_home_run_larger_goes_on_through_its_joint()
    {
        var (plan, offer) = Offered(Shed);
        var key = plan.Circuits.Single().Circuit.Key;
        var after = Planner.Plan(Joined(plan, offer!).Job with
        {
            CircuitSchools = [new() { Circuit = key, HomeRun = HomeRunSize.OneLarger }],
        });
        var circuit = after.Circuits.Single();
        var joint = offer!.Joint.Box.Id;
        Assert.Equal(3, circuit.Runs.Length);
        Assert.All(circuit.Runs, r => Assert.Equal(r.From.Box is null || r.From.Box == joint ? "10" : "12",
            circuit.Sized.GaugeOf(r).ToString()));
    }

    [Fact] // what lies to the shed already is not pulled again for a box that came later: its cable comes back through the trench
    public void A_joint_set_after_the_cable_was_pulled_breaks_nothing()
    {
        var (plan, offer) = Offered(Shed);
        var home = plan.Circuits.Single().HomeRun!;
        var built = plan.Job with { Built = new() { Runs = [new(home.Id, plan.Circuits.Single().Gauge)] } };
        var after = Planner.Plan(offer!.Joint.On(built).Job!);
        Assert.Equal(home.Id, after.Circuits.Single().HomeRun!.Id);
        var back = after.Circuits.Single().Runs.Single(r => r.To.Box == offer.Joint.Box.Id);
        Assert.Equal((Jacket.Underground, 2), (back.Jacket, Trenching.Of(after).Single().Power.Length));
    }

    [Fact] // behind its own panel, or with no trench from here: it is told as a circuit of its own, without an outlet
    public void A_joint_pinned_to_a_circuit_that_does_not_pass_it_stays_apart()
    {
        var job = Houses.WithShed(Houses.ShedPanel).With(Houses.On("s", "shop", 1, 40), Houses.On("j", "den", 1, 60, DeviceKind.JointBox));
        var shed = Planner.Plan(job).CircuitOf(new("s"))!.Key;
        var plan = Planner.Plan(job with { Pins = new() { Boxes = [new(new("j"), shed)] } });
        Assert.NotEqual(shed, plan.CircuitOf(new("j"))!.Key);
        Assert.Equal(new BoxId("j"), Assert.Single(plan.CircuitOf(new("j"))!.Circuit.Boxes));
    }

    [Fact] // nothing is plugged in there and nothing lights: no rule of protection speaks of it, wherever it is
    public void Joints_are_no_outlet()
    {
        foreach (var use in Enum.GetValues<RoomUse>())
        {
            var plan = Planner.Plan(Houses.Row(("room", use, 20)).With(Houses.On("j", "room", 1, 60, DeviceKind.JointBox),
                Houses.Ceiling("l", "room", 100, 60)));
            var circuit = plan.CircuitOf(new("j"))!;
            Assert.Equal((null, null), (circuit.Outlets[new("j")].Afci, circuit.Outlets[new("j")].Gfci));
            Assert.DoesNotContain(circuit.Load.Items, i => i.Box == new BoxId("j"));
            Assert.False(plan.Survey[new("j")].HasOutlet);
        }
    }

    [Fact] // in an attic of 50 °C: 12 UF begins at 20 A × 0.58 = 11.6 A and is not enough for 20 A; nonmetallic at 30 A × 0.82 = 24.6 A is
    public void What_lies_warm_in_the_house_is_no_longer_counted_in_the_column_of_cable_for_the_ground()
    {
        var hot = Shed with { Schools = new() { Way = CableWay.Overhead } };
        hot = hot with
        {
            Structures = hot.Structures.SetItem(0, hot.Structures[0] with
            { Levels = [hot.Structures[0].Levels[0] with { AmbientAbove = new(50) }] }),
        };
        var (plan, offer) = Offered(hot);
        Assert.True(plan.Circuits.Single().Gauge > Gauge.Awg12);
        Assert.Equal(Gauge.Awg12, Joined(plan, offer!).Circuits.Single().Gauge);
    }

    [Fact] // 240 V on a circuit of its own: the joint makes it no other circuit, 250 W a volt on two poles
    public void A_machine_alone_on_its_circuit_stays_alone()
    {
        var pump = Houses.Appliance("pump", "shop", 1, 40, Houses.Plate(Appliance.Pump, 240, 3600) with { Individual = true });
        var (plan, offer) = Offered(Houses.WithShed(null).With(pump));
        var after = Joined(plan, offer!);
        var (was, now) = (plan.Circuits.Single(), after.Circuits.Single());
        Assert.Equal((was.Kind, was.Breaker, was.Poles, was.Gauge), (now.Kind, now.Breaker, now.Poles, now.Gauge));
        Assert.DoesNotContain(after.Tags, t => t.Severity == Severity.Red && !plan.Tags.Any(b => b.Headline == t.Headline));
    }

    [Fact]
    public void Nothing_is_offered_where_it_would_not_help()
    {
        // In a damp crawl space the house's own cable may not lie; behind a panel of its own there is pipe; a cable once joined is joined.
        var damp = Shed with { Structures = Shed.Structures.SetItem(0, Shed.Structures[0] with { DampUnderfloor = true }) };
        Assert.Null(Offered(damp).Offer);
        Assert.Null(Offered(Houses.WithShed(Houses.ShedPanel).With(Houses.On("s", "shop", 1, 40))).Offer);
        var (plan, offer) = Offered(Shed);
        Assert.Null(Offered(Joined(plan, offer!).Job).Offer);
        // The panel hangs where the trench begins: less than 10 ft inside.
        Assert.Null(Offered(Shed with { Panels = [Shed.Panels[0] with { Wall = 2, Offset = 70.Inches(), Top = 36.Inches() }] }).Offer);
    }

    [Fact]
    public void In_no_house_with_an_outbuilding_does_it_cost_anything_else()
    {
        var offers = 0;
        for (var number = 1; number <= 120; number += 4)
        {
            var (plan, offer) = Offered(BuiltHouses.WithoutPanelInShed(number));
            if (offer is null)
            {
                continue;
            }

            offers++;
            var after = Joined(plan, offer);
            // Beside windows the box stands up to 8 ft off, and the trench goes on to it along the wall.
            var saved = Of(plan, Jacket.Underground) - Of(after, Jacket.Underground);
            Assert.True(saved > offer.Inside - 9.Feet() && saved < offer.Inside + 2.Feet(),
                $"house {number}: {saved} saved of {offer.Inside} inside");
            Assert.Equal(plan.Circuits.Select(c => (c.Key, c.Breaker, Boxes: c.Circuit.Boxes.Length)).OrderBy(c => c.Key.Value),
                after.Circuits.Select(c => (c.Key, c.Breaker, Boxes: c.Circuit.Boxes.Count(b => b != offer.Joint.Box.Id)))
                    .OrderBy(c => c.Key.Value));
            Assert.Empty(after.Tags.Where(t => t.Severity == Severity.Red).Select(t => t.Headline)
                .Except(plan.Tags.Where(t => t.Severity == Severity.Red).Select(t => t.Headline)));
        }

        Assert.True(offers >= 8, $"{offers} houses");
    }
}
