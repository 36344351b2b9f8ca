using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Routing;
using Circuitum.Core.Training;
using Circuitum.Core.Wiring;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The trainer: what happens when a box is made up by hand is what would happen, and every exercise can be done.</summary>
public sealed class TrainingTests
{
    private static (MakeUpExercise Exercise, HouseNetwork House, HandJoints Hands) Open(string id)
    {
        var exercise = (MakeUpExercise)Exercises.Find(id)!;
        var plan = Planner.Plan(exercise.House);
        return (exercise, new(plan), HandJoints.Open(plan.WiringOf(exercise.Box)!, plan.Survey[exercise.Box].Box, plan.Book.Supply));
    }

    // Joints by their leads' names, one text a joint.
    private static WhatHappens Made(string id, params string[] joints)
    {
        var (exercise, house, _) = Open(id);
        var plan = house.Plan;
        var hands = HandJoints.Read(plan.WiringOf(exercise.Box)!, plan.Survey[exercise.Box].Box, plan.Book.Supply, string.Join(',',
            joints.Select(j => j.Replace(' ', '~'))));
        return exercise.Try(house, hands);
    }

    public static TheoryData<string> MakeUps => [.. Exercises.All.OfType<MakeUpExercise>().Select(e => e.Id)];

    public static TheoryData<int> Houses8 => [.. Enumerable.Range(1, 8)];

    [Theory] // whatever the planner makes up is right when it is switched on, box by box of whole houses
    [MemberData(nameof(Houses8))]
    public void Every_box_of_a_house_made_up_as_planned_is_right(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        var house = new HouseNetwork(plan);
        foreach (var circuit in house.Branches)
        {
            Assert.Equal([], SwitchedOn.Try(house, circuit.Key, HouseState.AsPlanned).Happens.AsEnumerable());
        }
    }

    [Theory]
    [MemberData(nameof(MakeUps))]
    public void An_exercise_made_up_as_planned_is_done_and_left_open_is_not(string id)
    {
        var (exercise, house, hands) = Open(id);
        Assert.False(exercise.Try(house, hands).Right);
        foreach (var joint in hands.Wiring.Joints)
        {
            var leads = hands.Leads.Where(l => (l.End is { } end && joint.Ends.Any(e => e.Run.Id == end.Run.Id
                && e.Conductor.Colour == end.Conductor.Colour)) || (l.Screw is { } screw && joint.Terminals.Contains(screw))).ToList();
            // Every lead that the plan joins is there to be taken in the hand.
            Assert.Equal(joint.Ends.Length + joint.Terminals.Length, leads.Count);
            foreach (var lead in leads.Skip(1))
            {
                hands.Join(leads[0].Name, lead.Name);
            }
        }

        Assert.Equal([], exercise.Try(house, hands).Happens.AsEnumerable());
    }

    [Theory] // one lead out of its joint is noticed, whichever it is; a neutral capped for later, or a spare end, is none
    [MemberData(nameof(MakeUps))]
    public void A_lead_left_out_is_seen(string id)
    {
        var (exercise, house, _) = Open(id);
        var wiring = house.Plan.WiringOf(exercise.Box)!;
        foreach (var (joint, out_) in wiring.Joints.Where(j => j.Ends.Length + j.Terminals.Length > 1)
            .SelectMany(j => j.Ends.Select(e => (j, e)))
            // The loop's white is there for a later control: nothing uses it.
            .Where(x => x.e is not { Run.Kind: RunKind.SwitchLoop, Conductor.Carries: Carried.Neutral }))
        {
            var made = wiring.Joints.Replace(joint, joint with { Ends = joint.Ends.Remove(out_) });
            Assert.False(SwitchedOn.Try(house, house.Plan.CircuitOf(exercise.Box)!.Key, HouseState.AsPlanned with
            { Made = HouseState.AsPlanned.Made.Add(exercise.Box, made) }).Right, $"{id}: {out_.Conductor.Colour} of {out_.Run.Id}");
        }
    }

    [Fact]
    public void A_receptacle_with_its_wires_turned_reads_reversed()
    {
        var outcome = Made("receptacle-end", "A.BK 0.Neutral", "A.WH 0.Hot", "A.G 0.Ground");
        Assert.Equal(["Outlet 2: the tester reads reversed."], outcome.Happens.AsEnumerable());
    }

    [Fact] // black on white at the last outlet: a short circuit through two runs, harm
    public void Black_on_white_opens_the_breaker()
    {
        var outcome = Made("receptacle-end", "A.BK A.WH 0.Hot", "A.G 0.Ground");
        Assert.True(outcome.Harm);
        Assert.Matches(@"^The breaker opens: \d+ A go by a short way\.$", outcome.Happens[0]);
    }

    [Fact]
    public void Metal_on_the_neutral_is_harm_though_a_tester_says_correct()
    {
        var outcome = Made("receptacle-end", "A.BK 0.Hot", "A.WH 0.Neutral 0.Ground");
        Assert.True(outcome.Harm);
        Assert.Contains("Outlet 2: its metal is on the neutral. When the neutral is lost, the metal is live.", outcome.Happens);
        Assert.DoesNotContain(outcome.Happens, h => h.Contains("tester", StringComparison.Ordinal));
    }

    [Fact]
    public void A_hot_on_the_green_screw_short_circuits_by_the_ground_that_goes_on()
    {
        var outcome = Made("receptacle-middle", "A.BK B.BK 0.Hot", "A.WH B.WH 0.Neutral", "A.G B.G");
        Assert.Equal(["Outlet 1: the tester reads open ground.",
            "Outlet 1: the green screw of the duplex has no way to the ground bar."], outcome.Happens.AsEnumerable());
        Assert.True(Made("receptacle-middle", "A.BK B.BK 0.Hot 0.Ground", "A.WH B.WH 0.Neutral", "A.G B.G").Harm);
    }

    [Fact] // the far outlet on LINE: TEST leaves it live
    public void What_hangs_on_line_is_not_protected()
    {
        var outcome = Made("gfci", "A.BK B.BK 0.Hot", "A.WH B.WH 0.Neutral", "A.G B.G 0.Ground");
        Assert.True(outcome.Harm);
        Assert.Contains(outcome.Happens, h => h == "TEST at Basin outlet is pressed and Far outlet stays live: nothing protects it.");
    }

    [Fact] // its hot from LOAD and its neutral from LINE: what it uses comes back past the sensor
    public void A_neutral_past_the_sensor_opens_it()
    {
        var outcome = Made("gfci", "A.BK 0.Hot", "B.BK 0.LoadHot", "A.WH B.WH 0.Neutral", "A.G B.G 0.Ground");
        Assert.Contains("With a heater in it, Far outlet makes the protective receptacle open: its neutral goes another way.",
            outcome.Happens);
    }

    [Fact]
    public void A_switch_in_the_neutral_leaves_the_lamp_live()
    {
        var outcome = Made("switch", "A.BK B.BK", "A.WH 0.SwitchIn", "B.WH 0.SwitchOut", "A.G B.G 0.Ground");
        Assert.True(outcome.Harm);
        Assert.Equal(["Lamp is off and its hot lead is live: its switch breaks the neutral."], outcome.Happens.AsEnumerable());
    }

    [Fact]
    public void A_traveler_on_the_common_works_in_some_positions_only()
    {
        // As it should be: the common gives to the lamp.
        string[] right = ["A.BK 0.TravelerOne", "A.RD 0.TravelerTwo", "B.BK 0.Common", "A.WH B.WH", "A.G B.G 0.Ground"];
        Assert.True(Made("three-way", right).Right, string.Join(' ', Made("three-way", right).Happens));
        // Travelers may change places.
        Assert.True(Made("three-way", "A.RD 0.TravelerOne", "A.BK 0.TravelerTwo", "B.BK 0.Common", "A.WH B.WH", "A.G B.G 0.Ground")
            .Right);
        var outcome = Made("three-way", "A.BK 0.Common", "A.RD 0.TravelerTwo", "B.BK 0.TravelerOne", "A.WH B.WH", "A.G B.G 0.Ground");
        Assert.Contains("Last switch works Hall lamp only in some positions of the other switches.", outcome.Happens);
    }

    [Fact]
    public void Light_and_motor_on_each_others_switches_is_seen()
    {
        var (exercise, house, hands) = Open("fan-and-light");
        Assert.Equal(2, house.Plan.Survey[exercise.Box].Box.Devices.Length);
        var outcome = Made("fan-and-light", "A.BK 0.SwitchIn 1.SwitchIn", "B.BK 1.SwitchOut", "B.RD 0.SwitchOut", "A.WH B.WH",
            "A.G B.G 0.Ground 1.Ground");
        Assert.Contains("Switches, place 1, does nothing to Fan.", outcome.Happens);
        Assert.Contains("Switches, place 2, works Fan, which is not its own.", outcome.Happens);
        Assert.False(outcome.Harm);
        Assert.NotNull(hands);
    }

    [Fact]
    public void A_line_of_joints_is_read_as_it_was_written()
    {
        var (exercise, house, hands) = Open("receptacle-middle");
        hands.Join("A.BK", "B.BK");
        hands.Join("A.WH", "B.WH");
        hands.Join("A.BK", "0.Hot");
        // Two joints become one, and a lead comes out of it again.
        hands.Join("0.Hot", "A.WH");
        hands.Take("B.WH");
        Assert.Equal("A.BK~B.BK~0.Hot~A.WH", hands.Written);
        var read = HandJoints.Read(hands.Wiring, house.Plan.Survey[exercise.Box].Box, house.Plan.Book.Supply,
            hands.Written + ",Z.BK~A.G,x");
        Assert.Equal(hands.Written, read.Written);
        hands.Take("A.BK");
        hands.Take("0.Hot");
        hands.Take("A.WH");
        Assert.Equal("", hands.Written);
    }

    [Fact]
    public void A_breaker_is_landed_hot_on_it_and_the_white_and_the_bare_on_their_bars()
    {
        var exercise = (LandExercise)Exercises.Find("land")!;
        var house = new HouseNetwork(Planner.Plan(exercise.House));
        WhatHappens Land(PanelPlace black, PanelPlace white, PanelPlace bare) => exercise.Try(house,
            new Dictionary<ConductorColour, PanelPlace>
            {
                [ConductorColour.Black] = black,
                [ConductorColour.White] = white,
                [ConductorColour.Bare] = bare,
            }, screw: false);
        Assert.True(Land(PanelPlace.Breaker, PanelPlace.NeutralBar, PanelPlace.GroundBar).Right);
        Assert.True(Land(PanelPlace.Breaker, PanelPlace.NeutralBar, PanelPlace.Breaker).Harm);
        var turned = Land(PanelPlace.NeutralBar, PanelPlace.Breaker, PanelPlace.GroundBar);
        Assert.Contains(turned.Happens, h => h.EndsWith("the tester reads reversed.", StringComparison.Ordinal));
        Assert.Contains(Land(PanelPlace.Breaker, PanelPlace.NeutralBar, PanelPlace.Free).Happens,
            h => h.Contains("no way to the ground bar", StringComparison.Ordinal));
        Assert.Contains(Land(PanelPlace.Free, PanelPlace.NeutralBar, PanelPlace.GroundBar).Happens, h => h.Contains("dead",
            StringComparison.Ordinal));
    }

    [Fact] // both hots on one pole: the same leg, nothing between them
    public void Both_hots_on_one_pole_give_nothing()
    {
        var exercise = (LandExercise)Exercises.Find("land-two-pole")!;
        var house = new HouseNetwork(Planner.Plan(exercise.House));
        WhatHappens Land(PanelPlace white) => exercise.Try(house, new Dictionary<ConductorColour, PanelPlace>
        { [ConductorColour.White] = white }, screw: false);
        Assert.True(Land(PanelPlace.SecondPole).Right);
        Assert.Contains(Land(PanelPlace.Breaker).Happens,
            h => h.StartsWith("Water heater has 0 V between its hots", StringComparison.Ordinal));
        Assert.Contains(Land(PanelPlace.NeutralBar).Happens, h => h.StartsWith("Water heater has 1", StringComparison.Ordinal));
    }

    [Fact]
    public void A_subpanels_bonding_screw_puts_current_on_the_ground()
    {
        var exercise = (LandExercise)Exercises.Find("subpanel")!;
        var house = new HouseNetwork(Planner.Plan(exercise.House));
        var conductors = Conductor.In(exercise.Cable(house.Plan));
        var none = ImmutableDictionary<ConductorColour, PanelPlace>.Empty;
        Assert.Equal(4, conductors.Length);
        Assert.Equal([], exercise.Try(house, none, screw: false).Happens.AsEnumerable());
        var bonded = exercise.Try(house, none, screw: true);
        Assert.True(bonded.Harm);
        Assert.Contains(bonded.Happens, h => h.StartsWith("The bare ground of the cable", StringComparison.Ordinal));
        // The feeder's neutral on the ground bar leaves the bar for neutrals without one; with the screw the ground bar carries it all.
        var apart = exercise.Try(house, none.Add(ConductorColour.White, PanelPlace.GroundBar), screw: false);
        Assert.Contains(apart.Happens, h => h.StartsWith("Workbench outlet: the tester reads", StringComparison.Ordinal));
    }

    [Theory] // whoever looks where it tells most names the cable within the looks that are said, whatever the lot
    [InlineData("find-5")]
    [InlineData("find-4")]
    [InlineData("find-3")]
    public void A_nail_can_be_found_within_its_looks(string id)
    {
        var exercise = (FindExercise)Exercises.Find(id)!;
        var house = new HouseNetwork(Planner.Plan(exercise.House));
        var finder = new Finder(house, FindExercise.Circuit(house).Key);
        var most = 0;
        foreach (var seed in Enumerable.Range(1, 60))
        {
            var hidden = FindExercise.Hidden(finder, seed);
            var looks = finder.Suspects.First(s => s.Suspect == hidden).Looks;
            // Only nails are suspected; one looks at outlets and never into a box.
            var nails = finder.Suspects.Where(s => s.Suspect.Fault is Fault.Parted).ToList();
            var asked = 0;
            static RunId Cable((Suspect Suspect, ImmutableArray<Finding> Looks) nail) => ((Fault.Parted)nail.Suspect.Fault!).Run;
            while (nails.Select(Cable).Distinct().Count() > 1)
            {
                var best = Enumerable.Range(0, finder.Tests.Length).Where(i => finder.Tests[i] is { Run: null, Box: not null })
                    .MinBy(i => nails.GroupBy(n => n.Looks[i]).Max(g => g.Select(Cable).Distinct().Count()));
                nails.RemoveAll(n => n.Looks[best] != looks[best]);
                asked++;
            }

            Assert.True(FindExercise.IsRight(finder, hidden, Cable(nails[0])));
            most = Math.Max(most, asked);
        }

        // Eight outlets in a row: three halvings, and no fewer will do.
        Assert.Equal(8, FindExercise.Circuit(house).Boxes.Count);
        Assert.Equal(3, most);
        Assert.True(exercise.Looks >= most);
    }

    [Theory]
    [InlineData("box-fill", 4)]
    [InlineData("tester", 4)]
    [InlineData("what-trips", 3)]
    public void A_question_of_any_lot_has_a_right_answer_and_a_wrong_one(string id, int differ)
    {
        var exercise = (ChooseExercise)Exercises.Find(id)!;
        var house = new HouseNetwork(Planner.Plan(exercise.House));
        var asked = Enumerable.Range(1, 60).Select(seed => exercise.Ask(house, seed)).ToList();
        Assert.All(asked, q => Assert.Contains(q.Choices, c => c.IsRight));
        Assert.All(asked, q => Assert.Contains(q.Choices, c => !c.IsRight));
        Assert.True(asked.Select(q => q.Asked).Distinct().Count() >= differ, $"{asked.Select(q => q.Asked).Distinct().Count()}");
    }

    [Fact] // 14-3 and 14-3 with a four-way: 6 insulated, 2 for the device, 1 for the grounds, at 2 in³
    public void A_box_for_a_four_way_between_two_cables_needs_18_cubic_inches()
    {
        var exercise = (ChooseExercise)Exercises.Find("box-fill")!;
        var house = new HouseNetwork(Planner.Plan(exercise.House));
        var question = Enumerable.Range(1, 60).Select(seed => exercise.Ask(house, seed))
            .First(q => q.Asked.StartsWith("Middle switch", StringComparison.Ordinal));
        Assert.Equal("18.00 in³", Assert.Single(question.Choices, c => c.IsRight).Words);
    }

    [Fact]
    public void Reading_the_plan_and_resetting_have_one_right_box()
    {
        foreach (var exercise in Exercises.All.OfType<PressExercise>())
        {
            var house = new HouseNetwork(Planner.Plan(exercise.House));
            var right = house.Plan.Survey.Boxes.Where(b => exercise.IsRight(house, b.Box.Id)).ToList();
            Assert.Single(right);
        }

        // Pressing the button is what brings both outlets back.
        var reset = (PressExercise)Exercises.Find("reset")!;
        var bath = new HouseNetwork(Planner.Plan(reset.House));
        var circuit = bath.Plan.CircuitOf(new("b"))!.Key;
        Assert.Equal(TesterSays.Dead, PlugInTester.At(bath.Solve(reset.Stands, circuit), new("b"), 0).Says);
        Assert.Equal(TesterSays.Correct, PlugInTester.At(bath.Solve(reset.Stands with { Tripped = [] }, circuit), new("b"), 0).Says);
    }

    [Fact]
    public void Every_exercise_has_a_name_of_its_own_a_caution_and_a_hint()
    {
        Assert.True(Exercises.All.Length >= 15);
        Assert.Equal(Exercises.All.Length, Exercises.All.Select(e => e.Id).Distinct().Count());
        Assert.All(Exercises.All, e => Assert.True(e.Caution.Length > 0 && e.Hints.Length > 0 && e.Task.Length > 0));
    }
}
