using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>What laying out by rule keeps to, on houses drawn by lot.</summary>
public sealed class LayOutLawTests
{
    private static readonly string[] Rules = ["210.52(A)(1)", "210.52(D)", "210.52(E)(1)", "210.52(F)", "210.52(G)(1)", "210.52(H)",
        "210.52(I)", "210.70(A)", "210.70(A)(2)", "R314.3", "R315.3", "switching", "lighting"];

    private static Plan LaidOut(Job job)
    {
        var outcome = LayOut.Everything.On(job);
        Assert.Null(outcome.Refusal);
        return Planner.Plan(outcome.Job!);
    }

    [Fact]
    public void Nothing_that_a_rule_asks_for_is_missing_afterwards() => DrawnHouses.Jobs.Sample(job =>
    {
        var plan = LaidOut(job);
        Assert.All(plan.Survey.Coverage, s => Assert.True(s.Served, $"{s.Room}: {s.Clear}, {string.Join(' ', s.Receptacles)}"));
        Assert.DoesNotContain(plan.Tags, t => Rules.Contains(t.Rule));
    }, iter: 300);

    [Fact]
    public void No_box_stands_in_an_opening_or_behind_a_range_or_on_another() => DrawnHouses.Jobs.Sample(job =>
    {
        var plan = LaidOut(job);
        Assert.DoesNotContain(plan.Tags, t => t.Rule == "framing");
        foreach (var box in plan.Survey.Boxes.Where(b => b.Box.Mount == Mount.Wall && !b.Box.Outside))
        {
            Assert.DoesNotContain(box.Room.Room.Fixtures, f => f.Kind == FixtureKind.Range && f.Wall == box.Box.Wall
                && box.Box.Offset > f.Offset && box.Box.Offset < f.Offset + f.Width
                && box.Box.Devices.Any(d => d.Kind.IsReceptacle() && d.Plate?.Appliance != Appliance.Range));
            Assert.DoesNotContain(plan.Survey.Boxes, o => o != box && o.Room == box.Room && o.Box.Mount == Mount.Wall && !o.Box.Outside
                && o.Box.Wall == box.Box.Wall
                && (o.Box.Offset - box.Box.Offset).Abs() < 2.Inches() && (o.Height - box.Height).Abs() < 4.Inches());
        }
    }, iter: 300);

    [Fact] // a stair that is open to the one above has no ceiling: lamp and alarm hang elsewhere; by the rooms' corners alone
    public void Nothing_hangs_in_a_stair_opening() => Assert.All(Enumerable.Range(1, 60), number =>
    {
        var job = BuiltHouses.Number(number);
        var levels = job.Structures[0].Levels;
        for (var level = 0; level + 1 < levels.Length; level++)
        {
            var over = levels[level + 1].Rooms.Where(r => r.Use == RoomUse.Stair).ToList();
            foreach (var box in job.Boxes.Where(b => b.Mount == Mount.Ceiling))
            {
                // Within a few inches: a box is measured from the face of the board, a corner stands in the middle of the wall.
                if (levels[level].Rooms.SingleOrDefault(r => r.Id == box.Room) is { } room)
                {
                    Length x = room.Corners.Min(c => c.X) + box.X, y = room.Corners.Min(c => c.Y) + box.Y;
                    Assert.DoesNotContain(over, r => x > r.Corners.Min(c => c.X) && x < r.Corners.Max(c => c.X)
                        && y > r.Corners.Min(c => c.Y) && y < r.Corners.Max(c => c.Y));
                }
            }
        }
    });

    // A stair 4 by 10 ft in the corner of a den 20 by 12, under one of the same size; a lamp in it, and one in the den.
    private static Job TwoStairs(params Obstruction[] holes)
    {
        var job = Houses.Row(("den", RoomUse.Den, 20)) with { Panels = [Houses.Panel("low-den")] };
        Level Storey(string id, params Obstruction[] of) => job.Structures[0].Levels[0] with
        {
            Id = new(id),
            Name = id,
            Obstructions = [.. of],
            Rooms =
            [
                Houses.Rectangle(id + "-den", RoomUse.Den, 4.Feet(), Length.Zero, 16.Feet(), 12.Feet()),
                Houses.Rectangle(id + "-stair", RoomUse.Stair, Length.Zero, Length.Zero, 4.Feet(), 10.Feet()),
            ],
        };
        return (job with { Structures = [job.Structures[0] with { Levels = [Storey("low", holes), Storey("high")] }] })
            .With(Houses.Ceiling("lamp", "low-stair", 20, 60), Houses.Ceiling("den", "low-den", 80, 60));
    }

    [Fact] // where the hole is drawn that is certain; under a stair alone it may be its landing
    public void A_lamp_in_a_stair_opening_is_told()
    {
        Tag Told(Job job) => Assert.Single(Planner.Plan(job).Tags, t => t.Rule == "framing");
        var under = Told(TwoStairs());
        Assert.Equal((Severity.Amber, "lamp"), (under.Severity, under.Subject.Id));
        var hole = Told(TwoStairs(new Obstruction("Stair hole", ObstructionKind.StairOpening, new(Length.Zero, Length.Zero), 4.Feet(),
            10.Feet())));
        Assert.Equal((Severity.Red, "lamp"), (hole.Severity, hole.Subject.Id));
    }

    [Fact] // a second act finds nothing to do, and says so
    public void Laying_out_twice_adds_nothing() => DrawnHouses.Jobs.Sample(job =>
        Assert.StartsWith("Nothing is missing", LayOut.Everything.On(LaidOut(job).Job).Refusal, StringComparison.Ordinal), iter: 60);

    [Fact]
    public void What_a_person_placed_stays_and_the_rest_goes_round_it() => Gen.Select(DrawnHouses.Jobs, Gen.Int[10, 60]).Sample((job, at) =>
    {
        var mine = Houses.On("mine", "room0", 2, at) with { Height = 15.Inches() };
        var plan = LaidOut(job.With(mine));
        Assert.Equal(mine, plan.Survey[mine.Id].Box);
        Assert.All(plan.Survey.Coverage, s => Assert.True(s.Served));
    }, iter: 60);

    [Fact] // every set of one receptacle fewer, every three inches, is tried and none serves the room
    public void No_small_room_could_do_with_one_wall_receptacle_fewer() => DrawnHouses.Jobs.Sample(job =>
    {
        // A window down to the floor, or the panel, takes the place where the fewer would have to stand.
        var plan = LaidOut(job);
        foreach (var space in plan.Survey.Coverage.Where(s => s.Receptacles.Length is > 0 and <= 4 && s.Room.Value != "room0"
            && plan.House.Room(s.Room).Sides.SelectMany(x => x.Openings)
            .All(o => o.Opening.Kind != OpeningKind.Window || o.Opening.Sill >= 20.Inches())))
        {
            var fewer = space.Receptacles.Length - 1;
            var places = Enumerable.Range(0, (space.Clear.Sixtyfourths / 192) + 1).Select(i => Length.FromInches(3 * i))
                .Append(space.Clear / 2).Append(space.Clear).Where(CanStand(job, space)).Order().ToArray();
            Assert.False(AnyServes(space, places, 0, [], fewer), $"{space.Clear} with {fewer}, not {string.Join(' ', space.Receptacles)}");
        }
    }, iter: 60);

    // Not in a corner's or a jamb's studs: no box can be nailed there, and one more may then be needed.
    private static Func<Length, bool> CanStand(Job job, WallSpace space)
    {
        var house = Framing.Frame(job);
        var room = house.Room(space.Room);
        var places = new Draft(job, house).Places(room, job.HouseRules.ReceptacleHeight);
        var free = space.Pieces.Select(p => (p.Wall, Free: places.Free(room.Sides[p.Wall - 1], p.From, p.To))).ToList();
        return at => space.At(at) is var (wall, offset)
            && free.Any(f => f.Wall == wall && f.Free.Exists(x => offset >= x.From && offset <= x.To));
    }

    private static bool AnyServes(WallSpace space, Length[] places, int from, List<Length> chosen, int left)
    {
        if (left == 0)
        {
            return (space with { Receptacles = [.. chosen] }).Served;
        }

        // The first unserved point must be reached by the next: farther on is of no use.
        for (var i = from; i < places.Length; i++)
        {
            if (!space.Closed && places[i] > (chosen.Count == 0 ? space.Reach : chosen[^1] + (space.Reach * 2)))
            {
                return false;
            }

            chosen.Add(places[i]);
            if (AnyServes(space, places, i + 1, chosen, left - 1))
            {
                return true;
            }

            chosen.RemoveAt(chosen.Count - 1);
        }

        return false;
    }
}
