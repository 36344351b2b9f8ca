using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Two breakers in one space: only where the label lists it, only what half a space suits, and no more than the panel
/// needs.</summary>
public sealed class TandemTests
{
    private static Job Shop(int spaces, PanelListing listing, params (string Id, int Volts, int Load)[] machines) =>
        Houses.Shop(spaces, listing, machines);

    private static (string, int, int)[] Ones(int count) => [.. Enumerable.Range(0, count).Select(i => ($"m{i}", 120, 500 + (i * 100)))];

    private static Dictionary<string, string> Spaces(Job job) => Planner.Plan(job).Panels.SelectMany(p => p.Circuits)
        .ToDictionary(c => c.Key.Value, c => c.SpaceText);

    private static Job Did(Job job, JobChange change) => change.On(job).Job!;

    [Fact] // five in four spaces, the lowest two listed: the two lightest of one leg share one
    public void A_full_panel_shares_a_listed_space()
    {
        var job = Shop(4, new() { Circuits = 6, TandemSpaces = [3, 4] }, Ones(5));
        var plan = Planner.Plan(job);
        var halves = plan.Panels[0].Circuits.Where(c => c.Space is { IsHalf: true }).ToList();
        Assert.Equal(2, halves.Count);
        Assert.All(halves, h => Assert.InRange(h.Space!.Value.Number, 3, 4));
        Assert.Equal((0, 5), (plan.Panels[0].Left, plan.Panels[0].Poles));
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "408.54");
        Assert.Contains(halves[0].Why.Steps, s => s.Cite == "408.54, 110.3(B)");
        Assert.Contains(Takeoff.Hardware.Of(plan), m => m.Item.StartsWith("Tandem breaker", StringComparison.Ordinal) && m.Quantity == 1);
    }

    [Theory] // circuits by the label, spaces listed, machines: how many find no space
    [InlineData(4, "3 4", 5, 1)] // four circuits: no tandem
    [InlineData(5, "3 4", 6, 1)] // one tandem
    [InlineData(6, "3 4", 6, 0)]
    [InlineData(8, "3 4", 8, 2)] // listed in two spaces only
    [InlineData(8, "1 2 3 4", 8, 0)]
    [InlineData(null, "3 4", 6, 0)] // the label names spaces, no number
    [InlineData(8, "", 6, 2)] // a number, no spaces
    public void The_label_decides_how_many(int? circuits, string listed, int machines, int without)
    {
        var job = Shop(4, new()
        {
            Circuits = circuits,
            TandemSpaces = [.. listed.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(int.Parse)]
        }, Ones(machines));
        Assert.Equal(without, Spaces(job).Values.Count(s => s == "none"));
        Assert.Equal(without, Planner.Plan(job).Tags.Count(t => t.Rule == "408.54"));
    }

    [Fact] // with a space free for each there is no tandem, though it is listed
    public void A_panel_with_room_has_none() =>
        Assert.DoesNotContain(Spaces(Shop(6, new() { TandemSpaces = [1, 2, 3, 4, 5, 6] }, Ones(6))).Values,
            s => s.EndsWith('a') || s.EndsWith('b'));

    [Fact] // bedrooms are arc-fault at the breaker: no half suits them, and two find no space
    public void What_needs_protection_in_the_breaker_takes_a_whole_space()
    {
        var job = (Houses.Row(("b1", RoomUse.Bedroom, 12), ("b2", RoomUse.Bedroom, 12), ("b3", RoomUse.Bedroom, 12),
            ("b4", RoomUse.Bedroom, 12), ("b5", RoomUse.Bedroom, 12)) with
        { Schools = new() { Bedrooms = BedroomSharing.OneEach } })
            .With([.. Enumerable.Range(1, 5).Select(i => Houses.On($"r{i}", $"b{i}", 1, 60))]);
        job = job with { Panels = [job.Panels[0] with { Spaces = 4, Listing = new() { Circuits = 8, TandemSpaces = [1, 2, 3, 4] } }] };
        var plan = Planner.Plan(job);
        Assert.All(plan.Circuits, c => Assert.Contains("AF", c.Mark, StringComparison.Ordinal));
        Assert.Single(plan.Panels[0].Circuits, c => c.Space is null);
        Assert.Equal("its breaker is AF, which half a space is not reckoned to hold", Tandem.WhyNot(plan.Circuits[0]));
    }

    [Fact] // of every way to put seven to nine one-poles into six spaces of which some hold two: no way is more even
    public void The_legs_are_as_even_as_any_placing_makes_them()
    {
        var random = new Random(17);
        for (var i = 0; i < 40; i++)
        {
            var loads = Enumerable.Range(0, random.Next(7, 10)).Select(_ => random.Next(200, 1900)).ToArray();
            int[] listed = [.. Enumerable.Range(1, 6).Where(_ => random.Next(3) > 0)];
            var tandems = loads.Length - 6;
            if (listed.Length < tandems)
            {
                continue;
            }

            var schedule = Planner.Plan(Shop(6, new() { TandemSpaces = [.. listed] },
                [.. loads.Select((l, n) => ($"m{n}", 120, l))])).Panels[0];
            // Spaces 1, 2, 5, 6 are on leg A, 3 and 4 on leg B: a leg holds its spaces and one more for each tandem on it.
            int listedA = listed.Count(s => s is 1 or 2 or 5 or 6), listedB = listed.Length - listedA;
            var least = Enumerable.Range(0, 1 << loads.Length)
                .Where(set => int.PopCount(set) is var onA && Math.Max(0, onA - 4) is var twoA
                    && Math.Max(0, loads.Length - onA - 2) is var twoB && twoA <= listedA && twoB <= listedB && twoA + twoB == tandems)
                .Min(set => Math.Abs(loads.Select((l, n) => (set & (1 << n)) != 0 ? l : -l).Sum()));
            Assert.Equal(least, Math.Abs(schedule.On(Leg.A).Value - schedule.On(Leg.B).Value));
            Assert.Equal(tandems * 2, schedule.Circuits.Count(c => c.Space is { IsHalf: true }));
        }
    }

    [Fact] // half of the loads do not suit a half: brute force over leg balance itself
    public void Half_a_space_only_for_what_it_suits()
    {
        var random = new Random(23);
        for (var i = 0; i < 300; i++)
        {
            int n = random.Next(1, 9), a = random.Next(0, 5), b = random.Next(0, 5);
            LegRoom roomA = new(a, random.Next(0, a + 1)), roomB = new(b, random.Next(0, b + 1));
            int[] loads = [.. Enumerable.Range(0, n).Select(_ => random.Next(0, 900))];
            bool[] half = [.. Enumerable.Range(0, n).Select(_ => random.Next(3) > 0)];
            var lead = random.Next(-500, 500);
            var tandems = Math.Max(0, n - a - b);
            bool Fits(LegRoom room, IEnumerable<int> on) => on.ToList() is var list && Math.Max(0, list.Count - room.Spaces) is var two
                && two <= room.Tandems && 2 * two <= list.Count(l => half[l]);
            var ways = Enumerable.Range(0, 1 << n).Select(set => Enumerable.Range(0, n).ToLookup(l => (set & (1 << l)) != 0))
                .Where(w => Fits(roomA, w[true]) && Fits(roomB, w[false]) && Math.Max(0, w[true].Count() - a)
                    + Math.Max(0, w[false].Count() - b) <= tandems).ToList();
            int Apart(IEnumerable<int> onA) => onA.ToHashSet() is var set
                ? Math.Abs(lead + loads.Select((l, at) => set.Contains(at) ? l : -l).Sum()) : 0;
            if (ways.Count == 0)
            {
                Assert.Throws<ArgumentException>(() => LegBalance.OnLegA(loads, half, roomA, roomB, lead));
                continue;
            }

            var onA = LegBalance.OnLegA(loads, half, roomA, roomB, lead).Select((on, at) => (on, at)).Where(x => x.on).Select(x => x.at)
                .ToList();
            Assert.Equal(ways.Min(w => Apart(w[true])), Apart(onA));
            Assert.True(Fits(roomA, onA) && Fits(roomB, Enumerable.Range(0, n).Except(onA)));
        }
    }

    [Fact] // no space holds a whole breaker beside anything, no half holds two, whatever the school and what stands there
    public void No_half_is_shared_by_any_school()
    {
        var random = new Random(31);
        for (var i = 0; i < 60; i++)
        {
            var spaces = 2 * random.Next(3, 8);
            var machines = Enumerable.Range(0, random.Next(4, 16))
                .Select(n => ($"m{n}", random.Next(4) == 0 ? 240 : 120, random.Next(200, 1900))).ToArray();
            var job = Shop(spaces, new() { TandemSpaces = [.. Enumerable.Range(1, spaces).Where(_ => random.Next(2) == 0)] }, machines) with
            { Schools = new() { Landing = (LandingSchool)(i % 3), Spares = (SpareSpaces)(i % 2) } };
            job = job with { Panels = [job.Panels[0] with { Taken = [new(new(2, SpaceHalf.Upper), 1, 15.Amps(), "Old", new(300))] }] };
            var schedule = Planner.Plan(job).Panels[0];
            var taken = schedule.Circuits.SelectMany(c => c.Spaces).Append(new(2, SpaceHalf.Upper)).ToList();
            Assert.DoesNotContain(taken.SelectMany((s, at) => taken.Skip(at + 1).Select(other => s.Overlaps(other))), clash => clash);
            Assert.All(schedule.Circuits.Where(c => c.Space is { IsHalf: true }),
                c => Assert.True(Tandem.Takes(c.Wired) && Tandem.IsListed(schedule.Panel, c.Space!.Value.Number)));
        }
    }

    [Fact]
    public void A_half_that_is_not_listed_is_red_and_a_button_frees_it()
    {
        var job = Shop(6, new(), Ones(2)) with { Pins = new() { Spaces = [new(new("m0"), new(5, SpaceHalf.Lower))] } };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "408.54");
        Assert.Equal("The label of panel A lists no tandem breaker in space 5.", tag.Headline);
        Assert.DoesNotContain(Planner.Plan(Did(job, tag.Fixes[0].Change)).Tags, t => t.Rule == "408.54");
        // A written number is freed as a pin is.
        var written = job with { Pins = new(), Written = [new(new("m0"), new("A"), new(5, SpaceHalf.Lower))] };
        tag = Assert.Single(Planner.Plan(written).Tags, t => t.Rule == "408.54");
        Assert.DoesNotContain(Planner.Plan(Did(written, tag.Fixes[0].Change)).Tags, t => t.Rule == "408.54");
    }

    [Fact] // 3 machines of one pole, one of two: 5 poles
    public void More_poles_than_the_label_lists_are_red()
    {
        (string, int, int)[] machines = [.. Ones(3), ("kiln", 240, 5000)];
        Assert.DoesNotContain(Planner.Plan(Shop(8, new() { Circuits = 8 }, machines)).Tags, t => t.Rule == "408.54");
        var job = Shop(4, new() { Circuits = 4, TandemSpaces = [1, 2] }, machines) with
        {
            Pins = new()
            {
                Spaces = [new(new("m0"), new(1, SpaceHalf.Upper)), new(new("m1"), new(1, SpaceHalf.Lower)),
                new(new("m2"), 3), new(new("kiln"), 2)]
            }
        };
        var tag = Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "408.54");
        Assert.Equal("5 poles; the label says 4 circuits.", tag.Arithmetic);
    }

    [Fact]
    public void Moving_into_a_half()
    {
        var job = Shop(6, new() { TandemSpaces = [5, 6] }, [.. Ones(3), ("kiln", 240, 5000)]);
        var panels = Planner.Plan(job).Panels;
        Job Moved(Job from, string circuit, PanelSpace space) =>
            Did(Planner.Plan(from).Kept, Moving.To(Planner.Plan(from).Panels, new(circuit), space));
        Assert.Equal("The label of panel A lists no tandem breaker in space 3.",
            Assert.Throws<ChangeRefusedException>(() => Moving.To(panels, new("m0"), new(3, SpaceHalf.Upper))).Message);
        Assert.Equal("kiln, shop cannot have half a space: it has two poles.",
            Assert.Throws<ChangeRefusedException>(() => Moving.To(panels, new("kiln"), new(5, SpaceHalf.Upper))).Message);
        var two = Moved(Moved(job, "m0", new(5, SpaceHalf.Upper)), "m1", new(5, SpaceHalf.Lower));
        Assert.Equal(("5a", "5b"), (Spaces(two)["m0"], Spaces(two)["m1"]));
        // What takes the whole space sends both where it stood; where that is one unlisted space they find no room.
        Assert.StartsWith("m1, shop stands in space 5b and finds no room",
            Assert.Throws<ChangeRefusedException>(() => Moving.To(Planner.Plan(two).Panels, new("m2"), 5)).Message.Replace(
                "m0, shop stands in space 5a", "m1, shop stands in space 5b", StringComparison.Ordinal), StringComparison.Ordinal);
        var listed = Moved(two, "m2", 6);
        var swapped = Spaces(Moved(listed, "m2", 5));
        Assert.Equal(("5", "6a", "6b"), (swapped["m2"], swapped["m0"], swapped["m1"]));
    }

    [Theory]
    [InlineData("14", 14, SpaceHalf.Whole)]
    [InlineData(" 14a", 14, SpaceHalf.Upper)]
    [InlineData("14B", 14, SpaceHalf.Lower)]
    public void A_space_is_read(string text, int number, SpaceHalf half) =>
        Assert.Equal(new PanelSpace(number, half), PanelSpace.Parse(text));

    [Theory]
    [InlineData("")]
    [InlineData("a")]
    [InlineData("1c")]
    [InlineData("-1")]
    [InlineData("1000")]
    [InlineData("1.5")]
    [InlineData(null)]
    public void What_is_no_space_is_told(string? text) =>
        Assert.Contains("is no space; write 14", Assert.Throws<FormatException>(() => PanelSpace.Parse(text)).Message,
            StringComparison.Ordinal);

    [Theory] // the halves overlap the whole, not each other
    [InlineData("3", "3", true)]
    [InlineData("3a", "3", true)]
    [InlineData("3a", "3a", true)]
    [InlineData("3a", "3b", false)]
    [InlineData("3", "4", false)]
    public void Overlap(string one, string other, bool overlaps)
    {
        Assert.Equal(overlaps, PanelSpace.Parse(one).Overlaps(PanelSpace.Parse(other)));
        Assert.Equal(overlaps, PanelSpace.Parse(other).Overlaps(PanelSpace.Parse(one)));
    }

    [Theory]
    [InlineData("7", "spaces 1 to 6, each once")]
    [InlineData("2 2", "spaces 1 to 6, each once")]
    public void Listed_spaces_are_spaces(string listed, string says) =>
        Assert.Contains(says, JobProblems.First(Shop(6, new() { TandemSpaces = [.. listed.Split(' ').Select(int.Parse)] }))!.ToString(),
            StringComparison.Ordinal);

    [Theory] // a label names at least as many circuits as spaces
    [InlineData(6, false)]
    [InlineData(5, true)]
    [InlineData(168, false)]
    [InlineData(169, true)]
    public void Circuits_by_the_label(int circuits, bool told) =>
        Assert.Equal(told, JobProblems.First(Shop(6, new() { Circuits = circuits })) is not null);

    [Fact]
    public void A_taken_half_is_one_pole_and_one()
    {
        Job With(params TakenSpace[] taken) => Shop(6, new(), []) with { Panels = [Houses.Panel("shop", 6) with { Taken = [.. taken] }] };
        TakenSpace Half(SpaceHalf half, int poles = 1) => new(new(3, half), poles, 15.Amps(), "Old", new(0));
        Assert.Null(JobProblems.First(With(Half(SpaceHalf.Upper), Half(SpaceHalf.Lower))));
        Assert.Contains("holds two breakers", JobProblems.First(With(Half(SpaceHalf.Upper), Half(SpaceHalf.Upper)))!.ToString(),
            StringComparison.Ordinal);
        Assert.Contains("holds two breakers", JobProblems.First(With(Half(SpaceHalf.Upper), Half(SpaceHalf.Whole)))!.ToString(),
            StringComparison.Ordinal);
        Assert.Contains("half a space takes one", JobProblems.First(With(Half(SpaceHalf.Upper, 2)))!.ToString(), StringComparison.Ordinal);
        // Where none is listed it is told, in amber: it stands there.
        Assert.Contains(Planner.Plan(With(Half(SpaceHalf.Upper))).Tags, t => t is { Severity: Severity.Amber, Rule: "408.54" });
    }

    [Theory] // six spaces, four machines: two are left
    [InlineData(2, false)]
    [InlineData(3, true)]
    public void Fewer_spares_than_the_crew_leaves_are_amber(int spares, bool told) =>
        Assert.Equal(told, Planner.Plan(Shop(6, new(), Ones(4)) with { HouseRules = new() { SpareSpaces = spares } }).Tags.Any(t =>
            t is { Severity: Severity.Amber, Rule: "house rule: spare spaces" }));
}
