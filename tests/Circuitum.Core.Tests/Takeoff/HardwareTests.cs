using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What holds, joins and guards the cable; pipes; labels; and what is offered when a box or a drop is too much.</summary>
public sealed class HardwareTests
{
    private static Job Two => Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("a", "den", 1, 60), Houses.On("b", "den", 1, 100));

    private static int Quantity(Plan plan, string item) => Hardware.Of(plan).Where(m => m.Item == item).Sum(m => m.Quantity);

    [Fact] // 210.21(B)(1): alone on 20 A; 406.9(A): a damp place; 406.12: an outbuilding of a dwelling
    public void A_receptacle_is_ordered_as_it_must_be_listed()
    {
        var sump = Planner.Plan(Houses.Row(("cellar", RoomUse.UnfinishedBasement, 12)).With(Houses.Appliance("s", "cellar", 1, 30,
            Houses.Plate(Appliance.SumpPump, 120, 900) with { Cord = true, Individual = true }, DeviceKind.Single)));
        Assert.Equal("Single, 20 A, tamper-resistant",
            string.Join("; ", Hardware.Of(sump).Select(m => m.Item).Where(i => i.StartsWith("Single", StringComparison.Ordinal))));
        var damp = Planner.Plan(Houses.Row(("green", RoomUse.Greenhouse, 12)).With(Houses.On("g", "green", 1, 40)));
        Assert.Equal(1, Quantity(damp, "Duplex, 15 A, tamper-resistant, weather-resistant"));
        var match = Planner.Plan(Two with { Schools = new() { FifteenOnTwenty = FifteenOnTwenty.AlwaysMatch } });
        Assert.Equal(2, Quantity(match, "Duplex, 20 A, tamper-resistant"));
    }

    [Fact]
    public void Two_receptacles_in_a_room_by_hand()
    {
        var plan = Planner.Plan(Two);
        Assert.Equal(2, Quantity(plan, "1-gang box, 18.00 in³"));
        Assert.Equal(2, Quantity(plan, "Duplex, 15 A, tamper-resistant"));
        Assert.Equal(1, Quantity(plan, "Breaker 20 A, one pole, AF"));
        // Home run: one box end; jumper: two.
        Assert.Equal(3, Quantity(plan, "Staples near boxes"));
        Assert.Equal(1, Quantity(plan, "Cable connectors at panels"));
        // Box a pigtails black, white and bare: three splices of three; box b has none.
        Assert.Equal(3, Quantity(plan, "Connectors for up to three conductors, 14 and 12 AWG"));
        Assert.Single(Hardware.Of(plan), m => m.Item.StartsWith("Connectors", StringComparison.Ordinal));
        // The same three go on to the screws of box a; box b's cable ends on its own.
        Assert.Equal(3, Quantity(plan, "Tails of 12 AWG"));
        Assert.Equal("black 1, white 1, ground 1; from the ends of cable, 6\" each",
            Hardware.Of(plan).Single(m => m.Item == "Tails of 12 AWG").For);
        // Cut whole feet, 5 % more, up to the next foot.
        var cut = plan.Footage.WholeFeetUp;
        Assert.Equal((int)Math.Ceiling(cut * 1.05m), Quantity(plan, "12-2"));
        Assert.Equal(cut, Quantity(Planner.Plan(Two with { HouseRules = new() { Waste = new(0) } }), "12-2"));
    }

    [Fact] // a heater of 240 V on two wires: its white is hot at both ends; what runs through a device needs no tail but for its ground
    public void A_hot_white_is_marked_at_both_ends()
    {
        var heater = Planner.Plan(Houses.Row(("wash", RoomUse.Laundry, 12)).With(Houses.Appliance("h", "wash", 1, 40,
            Houses.Plate(Appliance.WaterHeater, 240, 4500))));
        Assert.Equal(2, Quantity(heater, "Marks on whites that are hot"));
        Assert.Equal(0, Quantity(Planner.Plan(Two), "Marks on whites that are hot"));
        var through = Planner.Plan(Two with { Schools = new() { Joints = JointSchool.FeedThrough } });
        Assert.Equal("ground 1; from the ends of cable, 6\" each",
            Hardware.Of(through).Single(m => m.Item == "Tails of 12 AWG").For);
    }

    [Fact] // 10-2 comes home, 12-2 goes on: hot, neutral and ground of the first box are each a 10, a 12 and a 12
    public void A_connector_is_for_the_largest_of_its_conductors()
    {
        var plan = Planner.Plan(Two with { Schools = new() { HomeRun = HomeRunSize.OneLarger } });
        Assert.Equal(3, Quantity(plan, "Connectors for up to three conductors, 10 AWG"));
        Assert.Equal(0, Quantity(plan, "Connectors for up to three conductors, 14 and 12 AWG"));
    }

    [Theory] // 3-1/2 in stud: 3/4 leaves 1-3/8, 1 in leaves 1-1/4 just so, 1-3/8 leaves 1-1/16: a plate on both faces
    [InlineData(3.5, .75, 0)]
    [InlineData(3.5, 1, 0)]
    [InlineData(3.5, 1.015625, 2)]
    [InlineData(3.5, 1.375, 2)]
    [InlineData(5.5, 1.375, 0)]
    [InlineData(1.5, .75, 2)]
    public void A_plate_guards_a_hole_nearer_than_an_inch_and_a_quarter(double depth, double bit, int plates) =>
        Assert.Equal(plates, Hardware.PlatesFor(Length.FromInches((decimal)depth), Length.FromInches((decimal)bit)));

    [Theory]
    [InlineData(1, false, .75)]
    [InlineData(2, false, .75)]
    [InlineData(3, false, 1)]
    [InlineData(4, false, 1.375)]
    [InlineData(1, true, 1)]
    [InlineData(2, true, 1.375)]
    public void A_bit_for_so_many_cables(int cables, bool thick, double inches) =>
        Assert.Equal((decimal)inches, HoleSizes.Bit(cables, thick).Inches);

    [Theory] // 96 in down a bay, 8 in of it held at the box: 88 in at 4 ft is one between, at 2 ft three, at 44 in one, at 43 in two
    [InlineData(48, 1)]
    [InlineData(24, 3)]
    [InlineData(44, 1)]
    [InlineData(43, 2)]
    public void Staples_along_a_drop(int along, int staples)
    {
        var drop = new PathLeg(Space.StudBay, new(Length.Zero, Length.Zero, 96.Inches()), new(Length.Zero, Length.Zero, Length.Zero),
            new(30));
        var run = Planner.Plan(Two).CircuitOf(new("a"))!.Runs[0] with { Way = new([drop], [], Length.Zero, false) };
        Assert.Equal(staples, Hardware.AlongOf(run, new() { FastenedAlong = along.Inches() }));
    }

    [Fact]
    public void The_pull_list_the_labels_and_the_material_agree()
    {
        var plan = Planner.Plan(Two);
        var labels = Labels.Of(plan, LabelKind.Cables);
        Assert.Equal(plan.Takeoff.Pulls.Length * 2, labels.Length);
        Assert.Equal(["HR A1", "HR A1", "A1 OUT", "A1 IN END"], labels.Select(l => l.Big));
        Assert.Equal("12-2 to den receptacle 1", labels[0].Lines[0]);
        Assert.Equal(["A1 HR", "A1 END"], Labels.Of(plan, LabelKind.Boxes).Select(l => l.Big));
    }

    [Fact] // the same way, cut to the tenth: never longer than the foot takes, and the sum says metres
    public void Cable_is_measured_in_metres_where_the_crew_does()
    {
        var (feet, metres) = (Planner.Plan(Two), Planner.Plan(Two with { Schools = Two.Schools with { Measure = Measure.Metres } }));
        foreach (var (f, m) in feet.Takeoff.Pulls.Zip(metres.Takeoff.Pulls))
        {
            Assert.InRange(f.Length.Metres - m.Length.Metres, -0.1m, 0.3048m);
        }

        var why = metres.Circuits[0].HomeRun!.Length.Why;
        Assert.Contains(why.Steps, s => s.Text == "cut to the next tenth of a meter" && s.Value.EndsWith(" m", StringComparison.Ordinal));
        var cable = Hardware.Of(metres).First(l => l.Item == "12-2");
        Assert.Equal(("m", (int)Math.Ceiling(metres.Takeoff.Cables.Single(c => c.Cable == "12-2").Length.Metres * 1.05m)),
            (cable.Unit, cable.Quantity));
    }

    [Fact]
    public void A_leg_carries_its_lamps_name()
    {
        var job = Houses.Row(("den", RoomUse.Den, 20))
            .With(Houses.Ceiling("l", "den", 60, 60), Houses.Switch("s", "den", 4, 30, DeviceKind.Switch, "l"));
        var plan = Planner.Plan(job);
        Assert.Contains(Labels.Of(plan, LabelKind.Cables), l => l.Lines.Contains($"works {plan.Survey[new("l")].Name}"));
    }

    private static ConduitSum Pipe(ConduitKind kind, string bends, params (int Count, string Gauge)[] conductors) => ConduitFill.Size(kind,
        [.. conductors.Select(c => new PulledConductors(c.Count, Gauge.Parse(c.Gauge)))],
            [.. bends.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(int.Parse)], 130.Feet(), Books.Us2020);

    [Fact] // case 17: .0507 × 3 + .0211 = .1732; 40 % of .508 = .2032
    public void Three_6_and_a_10_take_three_quarters()
    {
        var sum = Pipe(ConduitKind.Pvc40, "90 90", (3, "6"), (1, "10"));
        Assert.Equal("3/4", sum.Trade);
        Assert.Equal(34.1m, decimal.Round(sum.Fill.Value, 1));
        Assert.Equal(180, sum.Turns);
    }

    [Theory] // one 53 %, two 31 %, three 40 %: 12 AWG .0133 in 1/2 in PVC 40, .285: 8 fill .1064 of .114, 9 fill .1197
    [InlineData(ConduitKind.Pvc40, 8, "12", "1/2")]
    [InlineData(ConduitKind.Pvc40, 9, "12", "3/4")]
    [InlineData(ConduitKind.Pvc40, 1, "2", "1/2")] // .1158 ≤ .53 × .285 = .151
    [InlineData(ConduitKind.Pvc40, 1, "1", "3/4")] // .1562 > .151
    [InlineData(ConduitKind.Pvc40, 2, "6", "3/4")] // .1014 > .31 × .285 = .0884
    [InlineData(ConduitKind.Pvc80, 6, "12", "1/2")] // .0798 ≤ .0868
    [InlineData(ConduitKind.Pvc80, 7, "12", "3/4")] // .0931 > .0868
    [InlineData(ConduitKind.Emt, 9, "12", "1/2")] // .1197 ≤ .1216
    [InlineData(ConduitKind.Emt, 10, "12", "3/4")]
    [InlineData(ConduitKind.Pvc40, 4, "4/0", "2")] // 1.2948 ≤ 1.3164
    public void Fill_at_its_boundaries(ConduitKind kind, int count, string gauge, string trade) =>
        Assert.Equal(trade, Pipe(kind, "", (count, gauge)).Trade);

    [Fact]
    public void What_no_pipe_to_2_in_holds_is_said() => Assert.Null(Pipe(ConduitKind.Pvc40, "", (5, "4/0")).Trade);

    [Theory] // √(.508 ÷ .0507) = 3.17 wedges; √(.285 ÷ .0366) = 2.79 and √(.832 ÷ .0824) = 3.18 either side of 2.8
    [InlineData("6", "3/4", true)]
    [InlineData("8", "1/2", false)]
    [InlineData("4", "1", true)]
    public void Three_of_a_size_may_wedge(string gauge, string trade, bool jams)
    {
        var sum = Pipe(ConduitKind.Pvc40, "", (3, gauge));
        Assert.Equal((trade, jams), (sum.Trade!, sum.Jams));
    }

    [Fact] // with a fourth among them it is very unlikely
    public void Four_do_not_wedge() => Assert.False(Pipe(ConduitKind.Pvc40, "", (3, "6"), (1, "10")).Jams);

    [Theory]
    [InlineData("90 90 90 90", false)]
    [InlineData("90 90 90 90 1", true)]
    public void Bends_at_most_360(string bends, bool tooMany) =>
        Assert.Equal(tooMany, Pipe(ConduitKind.Pvc40, bends, (3, "6")).TooManyTurns);

    [Theory]
    [InlineData(Buried.Cable, false, 24)]
    [InlineData(Buried.Cable, true, 18)]
    [InlineData(Buried.Pvc, false, 18)]
    [InlineData(Buried.Pvc, true, 18)]
    [InlineData(Buried.RigidMetal, false, 6)]
    [InlineData(Buried.RigidMetal, true, 18)]
    [InlineData(Buried.ProtectedBranch, false, 12)]
    [InlineData(Buried.ProtectedBranch, true, 12)]
    public void Cover_by_table_300_5(Buried what, bool drive, int inches) =>
        Assert.Equal((decimal)inches, Books.Us2020.Burial.Cover(what, drive).Value.Inches);

    [Fact] // clamps one, a stud one, a wide device four of the largest, one passing through: 2.00 × (4 + 1 + 1 + 4 + 1 + 1) = 24.00
    public void Every_item_of_a_box_is_named()
    {
        var book = CodeBook.For(Edition.Y2020);
        var count = Books.Us2020.Boxes.Count(new()
        {
            Cables = [new(Gauge.Awg14, 2), new(Gauge.Awg14, 2)],
            WideYokes = 1,
            InternalClamps = true,
            SupportFittings = 1,
            Unbroken = [Gauge.Awg14]
        });
        Assert.Equal(24.00m, count.Value.Value);
        Assert.Equal(["314.16(B)(1)", "314.16(B)(1)", "314.16(B)(2)", "314.16(B)(3)", "314.16(B)(4)", "314.16(B)(5)", "314.16"],
            count.Why.Steps.Select(s => s.Cite));
    }

    [Fact] // 15.25 needed in a stamped 14: the usual 18 is deeper
    public void An_overfull_box_is_offered_a_deeper_one()
    {
        var job = Two with { Boxes = [Two.Boxes[0] with { Volume = new CubicInches(14) }, Two.Boxes[1]] };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "314.16");
        Assert.Equal("Take a box of 18.00 in³", tag.Fixes[0].Label);
        Assert.DoesNotContain(Planner.Plan(tag.Fixes[0].Change.On(job).Job!).Tags, t => t.Rule == "314.16");
        Assert.Contains("holds from 4 to 200", new SetVolume(new("a"), new(3.9m)).On(job).Refusal!, StringComparison.Ordinal);
        Assert.Null(new SetVolume(new("a"), new(4m)).On(job).Refusal);
    }

    [Fact]
    public void Voltage_remedies_come_in_order_of_cost_and_say_what_is_left()
    {
        var job = Houses.Row(("hall", RoomUse.Hall, 90), ("den", RoomUse.Den, 30))
            .With([.. Enumerable.Range(0, 9).Select(i => Houses.On($"r{i}", "den", 1, 20 + (i * 30)))]) with
        { HouseRules = new() { DropTarget = new(1) } };
        var plan = Planner.Plan(job);
        var tag = Assert.Single(plan.Tags, t => t.Rule == "210.19 note, house rule");
        Assert.Equal(["Home run in 10", "All of it in 10", "The far 4 boxes"],
            tag.Fixes.Select(f =>
                string.Join(' ', f.Label.Split(' ', ',').Take(f.Label.StartsWith("All", StringComparison.Ordinal) ? 5 : 4))));
        decimal Drop(Job of) => Planner.Plan(of).CircuitOf(new("r0"))!.Drop.Value;
        foreach (var fix in tag.Fixes.Take(2))
        {
            // What the button says is what comes.
            var after = Drop(fix.Change.On(job).Job!);
            Assert.EndsWith($": {after:0.0} %", fix.Label, StringComparison.Ordinal);
            Assert.True(after < Drop(job));
        }
    }
}
