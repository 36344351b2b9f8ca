using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tests.Support;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Breakers land by the crew's school, stay where their numbers are written, and leave alone what stands there.</summary>
public sealed class LandingTests
{
    private static Job Shop(int spaces, params (string Id, int Volts, int Load)[] machines) => Houses.Shop(spaces, new(), machines);

    private static Job Did(Job job, JobChange change) => change.On(job).Job!;

    private static Dictionary<string, int?> Spaces(Plan plan) => plan.Panels.SelectMany(p => p.Circuits)
        .ToDictionary(c => c.Key.Value, c => c.Space?.Number);

    private static Job Written(Job job) => Did(job, new WriteSpaces([.. Planner.Plan(job).Panels.SelectMany(p => p.AsWritten)]));

    private static (string, int, int)[] Machines(Random random, int count) =>
        [.. Enumerable.Range(0, count).Select(i => ($"m{i}", random.Next(3) == 0 ? 240 : 120, random.Next(200, 1400)))];

    // Thirty shops: one machine more, written numbers stay; without them the plan is the same twice, and re-landing is the landing of a
    // panel never written
    [Fact]
    public void What_is_written_stays_when_a_circuit_is_added()
    {
        var random = new Random(5);
        for (var i = 0; i < 30; i++)
        {
            var job = Shop(42, Machines(random, random.Next(2, 14)));
            var before = Spaces(Planner.Plan(job));
            Assert.Equal(before, Spaces(Planner.Plan(job)));
            var more = Written(job)
                .With(Houses.Appliance("welder", "shop", 3, 200,
                    Houses.Plate(Appliance.Other, 240, 7200) with { Individual = true, Name = "Welder" }));
            var after = Spaces(Planner.Plan(more));
            Assert.All(before, b => Assert.Equal(b.Value, after[b.Key]));
            Assert.NotNull(after["welder"]);
            Assert.Equal(Spaces(Planner.Plan(more with { Written = [] })), Spaces(Planner.Plan(Did(more, new Reland()))));
        }
    }

    [Fact] // of all ways to stand seven one-poles on the two legs beside what stands there
    public void The_legs_are_as_even_as_any_placing_makes_them()
    {
        var random = new Random(11);
        for (var i = 0; i < 40; i++)
        {
            var machines = Enumerable.Range(0, random.Next(1, 8)).Select(n => ($"m{n}", 120, random.Next(200, 1900))).ToArray();
            var job = Shop(20, machines);
            ImmutableArray<TakenSpace> taken = [new(3, 1, 20.Amps(), "Old den", new(random.Next(0, 2400))),
                new(6, 2, 30.Amps(), "Old heater", new(4500))];
            job = job with { Panels = [job.Panels[0] with { Taken = taken }] };
            var schedule = Planner.Plan(job).Panels[0];
            var lead = -taken[0].Load.Value;
            var least = Enumerable.Range(0, 1 << machines.Length)
                .Min(set => Math.Abs(lead + machines.Select((m, n) => (set & (1 << n)) != 0 ? m.Item3 : -m.Item3).Sum()));
            Assert.Equal(least, Math.Abs(schedule.On(Leg.A).Value - schedule.On(Leg.B).Value));
            // Nothing lands where a breaker stands: 3, 6 and 8.
            Assert.DoesNotContain(schedule.Circuits.SelectMany(c => c.Spaces), s => s.Number is 3 or 6 or 8);
            Assert.Equal(20 - 3 - machines.Length, schedule.Left);
        }
    }

    [Fact] // no two breakers share a space, two-poles take n and n + 2 on both legs, whatever the school
    public void No_space_is_shared_by_any_school()
    {
        var random = new Random(3);
        for (var i = 0; i < 60; i++)
        {
            var job = Shop(30, Machines(random, random.Next(3, 16))) with
            { Schools = new() { Landing = (LandingSchool)(i % 3), Spares = (SpareSpaces)(i % 2) } };
            var landed = Planner.Plan(job).Panels[0].Circuits;
            var taken = landed.SelectMany(c => c.Spaces).ToList();
            Assert.Equal(taken.Count, taken.Distinct().Count());
            Assert.All(landed.Where(c => c.Space is not null && c.Poles == 2),
                c => Assert.NotEqual(SpaceNumbers.LegOf(c.Spaces.First().Number), SpaceNumbers.LegOf(c.Spaces.Last().Number)));
            Assert.All(taken, s => Assert.InRange(s.Number, 1, 30));
        }
    }

    [Fact] // 240 V saw and kiln, four of 120 V in 20 spaces
    public void Schools_say_who_stands_at_the_top()
    {
        var job = Shop(20, ("saw", 240, 4000), ("kiln", 240, 9000), ("a", 120, 700), ("b", 120, 700), ("c", 120, 700), ("d", 120, 700));
        Dictionary<string, int?> By(LandingSchool school) => Spaces(Planner.Plan(job with { Schools = new() { Landing = school } }));
        Assert.Equal(2, By(LandingSchool.LargeAtTop)["kiln"]);
        Assert.Equal([1, 2, 3, 4], By(LandingSchool.LeastDifference).Where(p => p.Key.Length == 1).Select(p => p.Value!.Value).Order());
        Assert.True(By(LandingSchool.LeastDifference)["kiln"] > 4);
    }

    [Fact] // a and b by the far end, c in another room: neighbours stand together
    public void By_area_neighbours_stand_together()
    {
        var job = (Houses.Row(("den", RoomUse.Den, 20), ("shop", RoomUse.Utility, 20)) with
        {
            Panels = [Houses.Panel("den", 12)],
            Schools = new() { Landing = LandingSchool.ByArea }
        }).With(
            [.. new[] { ("s1", "shop"), ("d1", "den"), ("s2", "shop"),
                ("d2", "den") }.Select((m, i) =>
                    Houses.Appliance(m.Item1, m.Item2, 1, 40 + (i * 40),
                        Houses.Plate(Appliance.Other, 120, 900) with { Individual = true, Name = m.Item1 }))]);
        Assert.Equal(["d1", "d2", "s1", "s2"], Planner.Plan(job).Panels[0].Circuits.OrderBy(c => c.Space).Select(c => c.Key.Value));
    }

    [Fact] // two one-poles in 12 spaces: one on each leg; of six spaces a leg each takes the first; of two they stand half way apart
    public void Spares_are_left_last_or_spread()
    {
        var job = Shop(12, ("a", 120, 700), ("b", 120, 700), ("c", 120, 700), ("d", 120, 700));
        Assert.Equal([1, 2, 3, 4], Spaces(Planner.Plan(job)).Values.Select(s => s!.Value).Order());
        var spread = Spaces(Planner.Plan(job with { Schools = new() { Spares = SpareSpaces.Spread } })).Values.Select(s => s!.Value)
            .Order().ToList();
        Assert.Equal([1, 3, 6, 8], spread);
    }

    [Fact]
    public void A_written_number_whose_space_is_gone_gives_way()
    {
        var job = Written(Shop(12, ("a", 120, 700), ("b", 120, 700)));
        var small = job with { Written = [new(new("a"), new("A"), 40), new(new("b"), new("A"), 2)] };
        var landed = Spaces(Planner.Plan(small));
        Assert.Equal(2, landed["b"]);
        Assert.InRange(landed["a"]!.Value, 1, 12);
    }

    [Fact] // the button frees it
    public void A_pin_where_a_breaker_stands_is_red()
    {
        var job = Shop(12, ("a", 120, 700));
        job = job with
        {
            Panels = [job.Panels[0] with { Taken = [new(5, 1, 15.Amps(), "Old hall", new(300))] }],
            Pins = new() { Spaces = [new(new("a"), 5)] }
        };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "408.54");
        Assert.Contains("Old hall", tag.Arithmetic, StringComparison.Ordinal);
        Assert.DoesNotContain(Planner.Plan(Did(job, tag.Fixes[0].Change)).Tags, t => t.Rule == "408.54");
    }

    private static Job Moved(Job job, string circuit, int space) =>
        Did(Planner.Plan(job).Kept, Moving.To(Planner.Plan(job).Panels, new(circuit), space));

    [Fact]
    public void Moving_a_breaker_onto_another_swaps_the_two_and_moves_no_other()
    {
        var job = Shop(12, ("a", 120, 700), ("b", 120, 600), ("c", 120, 500));
        var before = Spaces(Planner.Plan(job));
        var after = Spaces(Planner.Plan(Moved(job, "a", before["b"]!.Value)));
        Assert.Equal((before["b"], before["a"], before["c"]), (after["a"], after["b"], after["c"]));
        var free = Spaces(Planner.Plan(Moved(job, "a", 11)));
        Assert.Equal((11, before["b"], before["c"]), (free["a"], free["b"], free["c"]));
    }

    [Fact] // the kiln stands in 2 and 4; put on the two one-poles' rows they go where it stood
    public void A_two_pole_sends_two_one_poles_where_it_stood()
    {
        var job = Moved(Moved(Shop(12, ("kiln", 240, 5000), ("a", 120, 700), ("b", 120, 700)), "a", 6), "b", 8);
        var after = Spaces(Planner.Plan(Moved(job, "kiln", 6)));
        Assert.Equal(6, after["kiln"]);
        Assert.Equal([2, 4], new[] { after["a"]!.Value, after["b"]!.Value }.Order());
        // One row down: it makes room for itself, and the one-pole below goes to the top.
        var down = Spaces(Planner.Plan(Moved(Moved(Shop(12, ("kiln", 240, 5000), ("a", 120, 700)), "a", 6), "kiln", 4)));
        Assert.Equal((4, 2), (down["kiln"], down["a"]));
    }

    [Theory]
    [InlineData("kiln", 11, "two poles take a space and the one below it")]
    [InlineData("a", 13, "there is no space 13")]
    [InlineData("a", 9, "stands Old hall already")]
    [InlineData("gone", 1, "not in this job any more")]
    public void What_cannot_stand_there_is_refused(string circuit, int space, string says)
    {
        var job = Shop(12, ("kiln", 240, 5000), ("a", 120, 700));
        job = job with { Panels = [job.Panels[0] with { Taken = [new(9, 1, 15.Amps(), "Old hall", new(300))] }] };
        Assert.Contains(says,
            Assert.Throws<ChangeRefusedException>(() => Moving.To(Planner.Plan(job).Panels, new(circuit), space)).Message,
            StringComparison.Ordinal);
    }

    [Fact] // every move of every breaker of thirty shops is refused with a sentence or leaves a panel without a shared space
    public void No_move_ever_shares_a_space()
    {
        var random = new Random(9);
        for (var i = 0; i < 30; i++)
        {
            var job = Shop(16, Machines(random, random.Next(2, 9)));
            foreach (var circuit in Spaces(Planner.Plan(job)).Keys)
            {
                var space = random.Next(1, 17);
                try
                {
                    var plan = Planner.Plan(Moved(job, circuit, space));
                    var taken = plan.Panels[0].Circuits.SelectMany(c => c.Spaces).ToList();
                    Assert.Equal(taken.Count, taken.Distinct().Count());
                    Assert.Equal(space, Spaces(plan)[circuit]);
                }
                catch (ChangeRefusedException refused)
                {
                    Assert.EndsWith(".", refused.Message, StringComparison.Ordinal);
                }
            }
        }
    }

    [Fact] // once numbers are written a circuit that came since is written with the next change
    public void What_comes_later_is_written_with_the_next_change()
    {
        var job = Written(Shop(12, ("a", 120, 700)))
            .With(Houses.Appliance("b", "shop", 3, 200, Houses.Plate(Appliance.Other, 120, 900) with { Individual = true, Name = "b" }));
        Assert.Single(job.Written);
        Assert.Equal(["a", "b"], Planner.Plan(job).Kept.Written.Select(w => w.Circuit.Value));
        Assert.Empty(Planner.Plan(Shop(12, ("a", 120, 700))).Kept.Written);
    }

    [Fact] // range 12 kW and car 9.6 kW: the evening has 70 % of the one, the night all of the other; demand takes 8 kW of the range
    public void Legs_by_time_of_day()
    {
        var job = Houses.Row(("kitchen", RoomUse.Kitchen, 20))
            .With(Houses.Appliance("range", "kitchen", 1, 60, Houses.Plate(Appliance.Range, 240, 12_000) with { Neutral = true }),
                Houses.Appliance("car", "kitchen", 1, 120, Houses.Plate(Appliance.VehicleCharger, 240, 9600)));
        var plan = Planner.Plan(job);
        decimal On(LegView view) => plan.Panels[0].On(Leg.A, LegViews.Of(view, plan.Survey, plan.Book)).Value * 2;
        Assert.Equal([21_600m, 17_600, 8400, 9600], Enum.GetValues<LegView>().Select(On));
    }

    [Fact] // against every split of up to seven one-poles, by each of the four ways to look at them
    public void The_legs_are_balanced_by_what_the_crew_asks()
    {
        var random = new Random(29);
        for (var i = 0; i < 20; i++)
        {
            var boxes = Enumerable.Range(0, random.Next(2, 8))
                .Select(n => Houses.Appliance($"m{n}", "shop", 1, 20 + (n * 20),
                    Houses.Plate(random.Next(2) == 0 ? Appliance.SpaceHeater : Appliance.Other, 120, random.Next(300, 1900)) with
                    { Individual = true, Name = $"m{n}", Cord = random.Next(2) == 0 })).ToArray();
            foreach (var view in Enum.GetValues<LegView>())
            {
                var plan = Planner.Plan(Shop(20).With(boxes) with { Schools = new() { Balance = view } });
                var taken = LegViews.Of(view, plan.Survey, plan.Book);
                // Whole volt-amperes are balanced.
                var loads = plan.Circuits.Select(c => decimal.Round(taken(c).Value)).ToList();
                var least = Enumerable.Range(0, 1 << loads.Count)
                    .Min(set => Math.Abs(loads.Select((l, n) => (set & (1 << n)) != 0 ? l : -l).Sum()));
                var schedule = plan.Panels[0];
                Assert.Equal(least, Math.Abs(schedule.On(Leg.A, c => new(decimal.Round(taken(c).Value))).Value
                    - schedule.On(Leg.B, c => new(decimal.Round(taken(c).Value))).Value));
            }
        }
    }

    // Three receptacle rooms on AFCI breakers, a heater of 240 V: neutrals are three tails; grounds four.
    private static Job Bars(PanelListing listing, SmallGrounds grounds = SmallGrounds.AsLabelAllows)
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 12), ("den", RoomUse.Den, 12)) with
        { Schools = new() { Bedrooms = BedroomSharing.OneEach, Grounds = grounds } };
        job = job.With(Houses.On("r1", "bed", 1, 30), Houses.On("r2", "den", 1, 30),
            Houses.Appliance("heat", "den", 3, 60, Houses.Plate(Appliance.SpaceHeater, 240, 3000)),
            Houses.Appliance("pump", "den", 3, 30, Houses.Plate(Appliance.Pump, 120, 900) with { Individual = true }));
        return job with { Panels = [job.Panels[0] with { Listing = listing }] };
    }

    [Fact]
    public void Terminals_are_counted()
    {
        var job = Bars(new());
        var plan = Planner.Plan(job);
        var circuits = plan.Panels[0].Circuits;
        var guarded = circuits.Count(c => c.Mark.Length > 0);
        // Every 120 V circuit takes one neutral terminal, its own neutral's or its breaker's tail; the heater has neither.
        Assert.Equal(circuits.Length - 1, Terminals.Of(plan.Panels[0], job.Schools, Books.Us2020).Neutrals);
        Assert.Equal((guarded, circuits.Length, circuits.Length),
            (Terminals.Of(plan.Panels[0], job.Schools, Books.Us2020).Tails,
                Terminals.Of(plan.Panels[0], job.Schools, Books.Us2020).Grounds,
                Terminals.Of(plan.Panels[0], job.Schools, Books.Us2020).GroundScrews));
    }

    [Theory] // n grounds, two under a screw where the label allows: half as many, rounded up
    [InlineData(1, SmallGrounds.AsLabelAllows)]
    [InlineData(2, SmallGrounds.AsLabelAllows)]
    [InlineData(2, SmallGrounds.OneEach)]
    public void Bars_are_large_enough_or_told(int under, SmallGrounds school)
    {
        var count = Planner.Plan(Bars(new())).Panels[0].Circuits.Length;
        var screws = under == 1 || school == SmallGrounds.OneEach ? count : (count + 1) / 2;
        bool Told(int terminals, string rule) =>
            Planner.Plan(Bars(new() { GroundTerminals = terminals, NeutralTerminals = 40, GroundsUnderScrew = under }, school)).Tags.Any(
                t => t.Rule == rule);
        Assert.False(Told(screws, "408.40, 110.3(B)"));
        Assert.True(screws > 2 ? Told(screws - 1, "408.40, 110.3(B)") : screws == 2);
        bool Short(int terminals) => Planner.Plan(Bars(new() { NeutralTerminals = terminals })).Tags.Any(t => t.Rule == "408.41");
        Assert.False(Short(count - 1));
        Assert.True(Short(count - 2));
    }

    [Fact]
    public void Knockouts_bus_and_the_line_of_breakers_are_held_against_the_label()
    {
        var job = Bars(new() { Family = "Type N", Knockouts = 1, Bus = 150.Amps() });
        var tags = Planner.Plan(job with { Pins = new() { Families = [new(new("heat"), "Type Q")] } }).Tags;
        Assert.Contains(tags, t => t.Rule == "312.5(C)");
        Assert.Contains(tags, t => t.Rule == "408.36" && t.Arithmetic == "200 A > 150 A.");
        var tag = Assert.Single(tags, t => t.Rule == "110.3(B)");
        Assert.DoesNotContain(
            Planner.Plan(Did(job with { Pins = new() { Families = [new(new("heat"), "Type Q")] } }, tag.Fixes[0].Change)).Tags,
            t => t.Rule == "110.3(B)");
        Assert.DoesNotContain(Planner.Plan(job with { Pins = new() { Families = [new(new("heat"), "type n")] } }).Tags,
            t => t.Rule == "110.3(B)");
    }

    [Fact]
    public void Words_that_a_person_holds_are_flagged_when_the_circuit_changes_under_them()
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 12), ("den", RoomUse.Den, 12))
            .With(Houses.On("r1", "bed", 1, 30), Houses.On("r2", "den", 1, 30));
        var landed = Planner.Plan(job).Panels[0].Circuits[0];
        job = Did(job, new Describe(landed.Key, "den and bed walls", landed.Planned));
        Assert.Equal("den and bed walls", Planner.Plan(job).Panels[0].Circuits[0].Description);
        Assert.DoesNotContain(Planner.Plan(job).Tags, t => t.Rule == "408.4(A)");
        var moved = job with { Boxes = job.Boxes.RemoveAll(b => b.Id.Value == "r2") };
        var tag = Assert.Single(Planner.Plan(moved).Tags, t => t.Rule == "408.4(A)");
        Assert.Equal("It was bed, den receptacles; now it is bed receptacles.", tag.Arithmetic);
        Assert.All(tag.Fixes, f => Assert.DoesNotContain(Planner.Plan(Did(moved, f.Change)).Tags, t => t.Rule == "408.4(A)"));
    }

    [Theory]
    [InlineData("kids", true)]
    [InlineData("summer things", true)]
    [InlineData("Bed, kids", false)]
    public void Words_say_where(string words, bool told)
    {
        var job = Houses.Row(("bed", RoomUse.Bedroom, 12)).With(Houses.On("r1", "bed", 1, 30));
        var landed = Planner.Plan(job).Panels[0].Circuits[0];
        Assert.Equal(told, Planner.Plan(Did(job, new Describe(landed.Key, words, landed.Planned))).Tags.Any(t =>
            t.Headline.Contains("does not say where", StringComparison.Ordinal)));
    }

    [Fact] // 408.4(A)
    public void Two_of_the_same_words_are_red()
    {
        var job = Shop(12, ("a", 120, 700), ("b", 120, 600));
        job = Did(Did(job, new Describe(new("a"), "shop a", "a, shop")), new Describe(new("b"), "Shop A", "b, shop"));
        Assert.Contains(Planner.Plan(job).Tags, t => t is { Rule: "408.4(A)", Severity: Severity.Red });
    }

    [Theory]
    [InlineData(0, 1, "holds two breakers")]
    [InlineData(13, 1, "spaces 1 to 12")]
    [InlineData(11, 2, "spaces 1 to 12")]
    public void A_taken_space_is_a_space_and_one(int space, int poles, string says)
    {
        var job = Shop(12);
        TakenSpace Old(int at, int of) => new(at, of, 20.Amps(), "Old", new(100));
        ImmutableArray<TakenSpace> taken = space == 0 ? [Old(3, 1), Old(1, 2)] : [Old(space, poles)];
        Assert.Contains(says, JobProblems.First(job with { Panels = [job.Panels[0] with { Taken = taken }] })!.ToString(),
            StringComparison.Ordinal);
    }
}
