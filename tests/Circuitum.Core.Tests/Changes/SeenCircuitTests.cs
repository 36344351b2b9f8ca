using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using static Circuitum.Tests.Support.Houses;

namespace Circuitum.Core.Tests;

/// <summary>Circuits that were looked at stay put: what one act does not touch is on the circuit it was on.</summary>
public sealed class SeenCircuitTests
{
    private static Dictionary<BoxId, CircuitKey> Circuits(Job job)
    {
        var house = Framing.Frame(job);
        return Dividing.Divide(house, Surveying.Survey(house, job), job, CodeBook.For(job))
            .SelectMany(c => c.Boxes.Select(b => (b, c.Key))).ToDictionary(x => x.b, x => x.Key);
    }

    private static ChangeOutcome Seen(JobChange change, Job job) =>
        change.OnSeen(job, [.. Circuits(job).GroupBy(c => c.Value).Select(g => new KeptCircuit(g.Key, [.. g.Select(c => c.Key)]))]);

    private static Job Do(JobChange change, Job job) =>
        Seen(change, job) is { Job: { } done } ? done : throw new InvalidOperationException(Seen(change, job).Refusal);

    // Boxes besides these that are on another circuit than before.
    private static string Moved(Dictionary<BoxId, CircuitKey> before, Dictionary<BoxId, CircuitKey> after, params BoxId[] besides) =>
        string.Join(", ", before.Where(b => after.TryGetValue(b.Key, out var now) && now != b.Value && !besides.Contains(b.Key))
            .Select(b => $"{b.Key}: {b.Value} → {after[b.Key]}"));

    // A lamp and what switches it are one; deleting the lamp parts them, so switches are not asked about.
    private static IEnumerable<Box> Plain(Job job)
    {
        var worked = job.Boxes.SelectMany(b => b.Devices).SelectMany(d => d.Controls).ToHashSet();
        return job.Boxes.Where(b => !worked.Contains(b.Id) && b.Devices.All(d => d.Controls.IsEmpty && d.Plate is null)
            && b.Wall >= 0 && b.Devices.Any(d => d.Kind == DeviceKind.Duplex));
    }

    [Fact] // on 40 houses by lot: twelve receptacles taken out, moved along their wall and put back, one after the other
    public void Adding_moving_or_deleting_one_box_moves_no_other() => Assert.All(Enumerable.Range(1, 40), number =>
    {
        var job = BuiltHouses.Number(number);
        var draw = new Draw((uint)number + 7000);
        var before = Circuits(job);
        for (var act = 0; act < 12; act++)
        {
            var boxes = Plain(job).ToList();
            var box = boxes[draw.Below(boxes.Count)];
            JobChange change = (act % 3) switch
            {
                0 => new DeleteBox(box.Id),
                1 => new MoveBox(box.Id, box.Offset + 1.Inches()),
                _ => new AddBox(box with { Id = new($"new-{act}"), Offset = box.Offset + 5.Inches() }),
            };
            if (Seen(change, job).Job is not { } after)
            {
                continue;
            }

            var now = Circuits(after);
            Assert.Equal("", Moved(before, now, box.Id));
            Assert.Equal(after.Boxes.Length, now.Count);
            (job, before) = (after, now);
        }
    });

    [Fact] // the law above says something: without a look, one receptacle taken out deals others to other circuits
    public void A_house_that_nobody_has_looked_at_is_divided_anew() => Assert.Contains(Enumerable.Range(1, 10), number =>
    {
        var job = BuiltHouses.Number(number);
        var box = Plain(job).First();
        return Moved(Circuits(job), Circuits(new DeleteBox(box.Id).On(job).Job!), box.Id).Length > 0;
    });

    [Fact] // what was left by a whole plan: the same tags but what the added box itself brings
    public void A_plan_that_stands_still_keeps_the_rules() => Assert.All(Enumerable.Range(1, 12), number =>
    {
        var job = BuiltHouses.Number(number);
        var red = Planner.Plan(job).Tags.Count(t => t.Severity == Severity.Red);
        var draw = new Draw((uint)number + 9000);
        for (var act = 0; act < 6; act++)
        {
            var boxes = Plain(job).ToList();
            var box = boxes[draw.Below(boxes.Count)];
            job = Seen(new AddBox(box with { Id = new($"new-{act}"), Offset = box.Offset + 5.Inches() }), job).Job ?? job;
        }

        Assert.Equal([], Planner.Plan(job).Tags.Where(t => t.Severity == Severity.Red && t.Subject.Kind == SubjectKind.Circuit)
            .Skip(red).Select(t => t.Headline));
    });

    [Fact] // the family's three-way was given the other lamp: before, 41 boxes went elsewhere
    public void Naming_the_lamp_of_a_switch_moves_only_what_is_tied_to_it()
    {
        var job = BuiltHouses.Number(4);
        var before = Circuits(job);
        var control = job.Boxes.First(b => b.Devices.Any(d => !d.Controls.IsEmpty));
        var place = control.Devices.IndexOf(control.Devices.First(d => !d.Controls.IsEmpty));
        var lamp = job.Boxes.First(b => b.Room != control.Room && b.Devices.Any(d => d.Kind == DeviceKind.Lamp));
        var after = Do(new SetControls(control.Id, place, [lamp.Id]), job);
        var now = Circuits(after);
        var tied = Bundles.Tie(Surveying.Survey(Framing.Frame(after), after)).Where(b => b.Boxes.Any(x => x.Box.Id == control.Id))
            .Concat(Bundles.Tie(Surveying.Survey(Framing.Frame(job), job)).Where(b => b.Boxes.Any(x => x.Box.Id == control.Id)))
            .SelectMany(b => b.Boxes).Select(b => b.Box.Id).ToArray();
        Assert.Equal("", Moved(before, now, tied));
        Assert.Equal(now[lamp.Id], now[control.Id]);
    }

    [Fact] // nothing seen yet: 3 receptacles; then a kitchen is drawn, whose counters need two 20 A circuits (210.11(C)(1))
    public void A_family_that_was_not_there_is_divided_by_its_rules()
    {
        var job = Row(("den", RoomUse.Family, 14), ("kitchen", RoomUse.Kitchen, 14))
            .With(On("d1", "den", 1, 40), On("d2", "den", 1, 100), On("d3", "den", 3, 60));
        var seen = Circuits(job);
        foreach (var at in new[] { 20, 60, 100 })
        {
            job = Do(new AddBox(On($"k{at}", "kitchen", 1, at) with { ServesCounter = true }), job);
        }

        var now = Circuits(job);
        Assert.Equal("", Moved(seen, now));
        Assert.Equal(2, now.Where(n => n.Key.Value[0] == 'k').Select(n => n.Value).Distinct().Count());
    }

    [Fact] // 14 lamps of 100 VA and one that becomes 1500 VA: 1400 + 1500 is more than 15 A × 120 V = 1800 VA
    public void What_no_longer_fits_leaves_and_nothing_else()
    {
        var job = Row(("den", RoomUse.Family, 40));
        job = job.With([.. Enumerable.Range(0, 8).Select(i => Ceiling($"l{i}", "den", 20 + (50 * i), 40) with
        { Devices = [new() { Kind = DeviceKind.Lamp, Load = new(100) }] })]);
        var before = Circuits(job);
        Assert.Single(before.Values.Distinct());
        var after = Do(new SetLoad(new("l3"), 0, new(1500)), job);
        var now = Circuits(after);
        Assert.Equal("", Moved(before, now, new BoxId("l3")));
        Assert.NotEqual(now[new("l0")], now[new("l3")]);
    }

    [Fact]
    public void Asking_for_another_division_gives_it()
    {
        var job = Do(new AddBox(On("more", BuiltHouses.Number(2).Rooms.First(r => r.Use == RoomUse.Family).Id.Value, 1, 30)),
            BuiltHouses.Number(2));
        Assert.Equal(Division.AsSeen, job.Follows);
        var other = job.Schools.Lighting == LightsAndReceptacles.Together ? LightsAndReceptacles.Apart : LightsAndReceptacles.Together;
        var asked = Do(new SetSchools(job.Schools with { Lighting = other }), job);
        Assert.Null(asked.Follows);
        Assert.Equal(Circuits(new SetSchools(job.Schools with { Lighting = other }).On(job with { Follows = null }).Job!), Circuits(asked));
        Assert.Null(Do(new FollowDivision(null), job).Follows);
        Assert.Empty(Do(new FollowDivision(null), job).Divisions);
        // A school that divides nothing leaves them where they stand.
        Assert.Equal(Division.AsSeen, Do(new SetSchools(job.Schools with { Measure = job.Schools.Measure == 0 ? (Measure)1 : 0 }),
            job).Follows);
    }

    [Fact]
    public void A_division_of_a_persons_own_is_followed_and_grows_with_the_house()
    {
        var job = new FollowDivision("Ours").On(new KeepStanding("Ours").On(BuiltHouses.Number(3)).Job!).Job!;
        var box = Plain(job).First();
        var after = Do(new AddBox(box with { Id = new("new"), Offset = box.Offset + 5.Inches() }), job);
        Assert.Equal("Ours", after.Follows);
        var next = Do(new MoveBox(box.Id, box.Offset + 1.Inches()), after);
        Assert.Contains(next.Divisions.Single(d => d.Name == "Ours").Circuits, c => c.Boxes.Contains(new("new")));
        Assert.DoesNotContain(after.Divisions, d => d.Name == Division.AsSeen);
    }

    [Fact]
    public void A_refused_change_is_refused_alike() =>
        Assert.Equal(new DeleteBox(new("none")).On(BuiltHouses.Number(1)).Refusal, Seen(new DeleteBox(new("none")),
            BuiltHouses.Number(1)).Refusal);

    [Fact] // every second room is laid out after the look, room by room: no red tag that a fresh division would not have, 6 % more cable
    public void Half_a_house_that_comes_later_breaks_no_rule_and_costs_little() => Assert.All(Enumerable.Range(1, 8), number =>
    {
        var whole = BuiltHouses.Number(number);
        var late = whole.Rooms.Select(r => r.Id).Where((_, i) => i % 2 == 1).ToHashSet();
        var gone = whole.Boxes.Where(b => late.Contains(b.Room) && b.Devices.All(d => d.Plate is null)).Select(b =>
            b.Id).ToImmutableArray();
        var job = new DeleteBoxes(gone).On(whole).Job!;
        foreach (var room in late)
        {
            var plan = Planner.Plan(job);
            job = new LayOut([room]).OnSeen(plan.Kept, plan.Standing).Job ?? job;
        }

        Plan seen = Planner.Plan(job), fresh = Planner.Plan(job with { Follows = null, Divisions = [] });
        Assert.Equal([], PlanDifference.TagsOnlyIn(seen, fresh).Where(t => t.Severity == Severity.Red).Select(t => t.Headline));
        Assert.True(seen.Footage.Feet <= fresh.Footage.Feet * 1.06m, $"{seen.Footage} {fresh.Footage}");
    });
}
