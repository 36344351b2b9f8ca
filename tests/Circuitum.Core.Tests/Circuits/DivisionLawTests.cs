using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Laws of dividing by hand and of protecting, over drawn houses.</summary>
public sealed class DivisionLawTests
{
    private static string Partition(Plan plan) =>
        string.Join(" | ", plan.Circuits.Select(c => string.Join(' ', c.Circuit.Boxes.Select(b => b.Value).Order(StringComparer.Ordinal)))
            .Order(StringComparer.Ordinal));

    private static void Holds(Action<Job> law, int iter = 40) => RandomHouses.Jobs.Sample(law, iter: iter);

    [Fact]
    public void A_division_that_is_kept_and_followed_is_the_one_that_stood() => Holds(job =>
    {
        var kept = new FollowDivision("Kept").On(new KeepStanding("Kept").On(job).Job!).Job!;
        Assert.Equal(Partition(Planner.Plan(job)), Partition(Planner.Plan(kept)));
    });

    [Fact]
    public void What_is_split_off_and_merged_back_is_as_it_was() => Holds(job =>
    {
        var plan = Planner.Plan(job);
        foreach (var circuit in plan.Circuits.Where(c => c.Circuit.IsGeneral && c.Circuit.Boxes.Length > 3).Take(1))
        {
            if (new SplitCircuit([circuit.Circuit.Boxes[0]]).On(job).Job is not { } split)
            {
                continue;
            }

            var part = Planner.Plan(split).CircuitOf(circuit.Circuit.Boxes[0])!.Circuit.Key;
            var merged = new MergeCircuits(part, circuit.Circuit.Key).On(split).Job!;
            Assert.Equal(Partition(plan), Partition(Planner.Plan(merged)));
        }
    });

    [Fact]
    public void A_moved_box_is_where_it_was_sent_and_nothing_else_has_moved_but_what_hangs_with_it() => Holds(job =>
    {
        var plan = Planner.Plan(job);
        var general = plan.Circuits.Where(c => c.Circuit.IsGeneral).ToList();
        if (general.Count < 2)
        {
            return;
        }

        var (box, to) = (general[0].Circuit.Boxes[0], general[^1].Circuit.Key);
        var after = Planner.Plan(new MoveToCircuit(box, to).On(job).Job!);
        Assert.Equal(to, after.CircuitOf(box)!.Circuit.Key);
        var came = after.CircuitOf(box)!.Circuit.Boxes.Except(general[^1].Circuit.Boxes).ToHashSet();
        Assert.Superset(new HashSet<BoxId> { box }, came);
        Assert.All(plan.Survey.Boxes.Where(b => !came.Contains(b.Box.Id)),
            b => Assert.Equal(plan.CircuitOf(b.Box.Id)!.Circuit.Key, after.CircuitOf(b.Box.Id)!.Circuit.Key));
    });

    [Fact]
    public void Every_change_by_hand_leaves_a_job_without_problems() => Holds(job =>
    {
        var plan = Planner.Plan(job);
        var keys = plan.Circuits.Select(c => c.Circuit.Key).ToList();
        foreach (var change in plan.Job.Boxes.Take(4)
            .SelectMany((b, i) => new JobChange[] { new MoveToCircuit(b.Id, keys[i % keys.Count]), new MakeIndividual(b.Id, true),
                new SplitCircuit([b.Id]), new MergeCircuits(keys[0], keys[^1]) }))
        {
            if (change.On(job).Job is { } after)
            {
                Assert.Null(JobProblems.First(after));
                Assert.Equal(plan.Survey.Boxes.Length, Planner.Plan(after).Circuits.Sum(c => c.Circuit.Boxes.Length));
            }
            else
            {
                Assert.NotEmpty(change.On(job).Refusal!);
            }
        }
    }, iter: 20);

    [Fact] // whatever the school, what needs protection has it, or is tagged
    public void Protected_or_tagged_by_every_school() => Gen.Select(RandomHouses.Jobs, Gen.Enum<GfciWay>(), Gen.Enum<AfciWay>(), Gen.Bool)
        .Sample((job, gfci, afci, listed) =>
    {
        var plan = Planner.Plan(job with
        {
            Schools = job.Schools with { Gfci = gfci, Afci = afci },
            HouseRules = new() { ListedForFirstOutlet = listed }
        });
        foreach (var safe in plan.Circuits.Select(c => c.Protected).Where(p => p.Circuit.Kind != CircuitKind.Feeder))
        {
            foreach (var (box, outlet) in safe.Outlets)
            {
                Assert.True(outlet.Afci is null || safe.HasAfci(box), $"{box} without AFCI");
                Assert.True(outlet.Gfci is null || safe.HasGfci(box)
                    || plan.Tags.Any(t => t.Severity == Severity.Red && t.Subject == Subject.Box(box) && t.Rule == outlet.Gfci.Section),
                    $"{box} without GFCI and without a tag");
            }
        }
    }, iter: 60);

    [Fact] // a device protects itself, what hangs on its load terminals, and nothing it is pigtailed around
    public void Resets_follow_the_load_terminals() =>
        Gen.Select(RandomHouses.Jobs, Gen.OneOfConst(GfciWay.FirstReceptacle, GfciWay.EachPlace)).Sample((job, way) =>
    {
        var plan = Planner.Plan(job with { Schools = job.Schools with { Gfci = way } });
        foreach (var wired in plan.Circuits.Where(c => !c.Devices.IsEmpty))
        {
            foreach (var (at, device) in wired.Devices.Where(d => d.Value.Kind != ProtectiveKind.Afci))
            {
                Assert.Equal(at, wired.Outlets[at].ResetAt);
                Assert.All(device.Load, b => Assert.NotNull(wired.Outlets[b].ResetAt));
                Assert.All(device.Around.Where(b => !wired.Devices.ContainsKey(b)), b => Assert.NotEqual(at, wired.Outlets[b].ResetAt));
                Assert.Empty(device.Load.Intersect(device.Around));
            }
        }
    }, iter: 60);

    [Fact]
    public void The_way_of_least_cost_costs_no_more_than_any_other_that_can_be_had() => Holds(job =>
        Assert.All(Planner.Plan(job with { Schools = job.Schools with { Gfci = GfciWay.LeastCost } }).Circuits.Select(c => c.Protected)
            .Where(p => p.Ways.Length > 1), p =>
            Assert.All(p.Ways.Where(w => w.Refused is null), w => Assert.True(p.Ways[0].Price.Value <= w.Price.Value))));

    private static readonly Gen<Edition> Books = Gen.Int[0, Editions.WithPanels.Length - 1].Select(i => Editions.WithPanels[i]);

    [Fact] // what one edition adds going forward, it takes away going back
    public void Editions_differ_alike_in_both_directions() => Gen.Select(RandomHouses.Jobs, Books, Books)
        .Sample((job, one, other) =>
    {
        Plan a = Planner.Plan(job with { Edition = one }), b = Planner.Plan(job with { Edition = other });
        EditionDifference there = EditionDifference.Between(a, b), back = EditionDifference.Between(b, a);
        Assert.Equal(there.Outlets.Where(o => o.Comes).Select(o => (o.Box, o.Against)).ToHashSet(), back.Outlets.Where(o => o.Goes)
            .Select(o => (o.Box, o.Against)).ToHashSet());
        Assert.Equal(there.Renumbered.Count(), back.Renumbered.Count());
    }, iter: 40);

    private static readonly Gen<LoadItem> Items = Gen.Select(Gen.Int[1, 900], Gen.Enum<LoadUse>(), Gen.Bool,
        (va, use, lasts) => new LoadItem(new("x"), "x", new(va), use, lasts, false));

    [Fact] // what there is said to be room for is permitted; half an ampere more of the binding sort is not
    public void Room_for_more_is_exactly_what_210_23_and_210_20_leave() => Gen.Select(Items.Array[1, 6], Gen.OneOfConst(15, 20))
        .Sample((items, rating) =>
    {
        var book = CodeBook.For(Edition.Y2020);
        var load = new CircuitLoad(120.Volts(), 1, [.. items]);
        if (!PermissibleLoads.Permits(load, rating.Amps(), book))
        {
            return;
        }

        var circuit = new Circuit
        {
            Key = new("c"),
            Kind = CircuitKind.General,
            Panel = new("A"),
            Boxes = [],
            Load = load,
            Why = Because.Of("")
        };
        var spares = Headroom.On(circuit, rating.Amps(), book);
        bool With(decimal va, LoadUse use, bool lasts) =>
            PermissibleLoads.Permits(load with { Items = load.Items.Add(new(new("y"), "y", new(va), use, lasts, false)) }, rating.Amps(),
                book);
        var half = rating * 60m;
        Assert.True(With(spares[3].Most.Value, LoadUse.Fastened, false));
        Assert.False(With(spares[3].Most.Value + 60, LoadUse.Fastened, false));
        if (load.Items.Where(i => i.Use == LoadUse.Fastened).Sum(i => i.Load.Value) > half)
        {
            Assert.All(spares[..3], s => Assert.Equal(0, s.Most.Value));
            Assert.False(With(1, LoadUse.Lighting, false));
            return;
        }

        foreach (var (spare, use, lasts) in new[] { (spares[0], LoadUse.Lighting, false), (spares[1], LoadUse.Lighting, true),
            (spares[2], LoadUse.CordAndPlug, false) })
        {
            Assert.True(With(spare.Most.Value, use, lasts), spare.ToString());
            Assert.False(With(spare.Most.Value + 60, use, lasts), spare.ToString());
        }
    }, iter: 300);
}
