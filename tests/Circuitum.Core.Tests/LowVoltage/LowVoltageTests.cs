using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Tags;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Low voltage: outlets, ways and holes of its own, a foot from power.</summary>
public sealed class LowVoltageTests
{
    private static readonly LowVoltageHome Can = new() { Id = new("can"), Room = new("a"), Wall = 4, Offset = 36.Inches() };

    private static Job Two => Houses.Row(("a", RoomUse.Utility, 12), ("b", RoomUse.Bedroom, 12)) with { LowVoltageHomes = [Can] };

    private static LowVoltageOutlet On(string room, int wall, decimal inches, LowVoltageKind kind = LowVoltageKind.Data) => new()
    {
        Id = new($"lv-{room}-{wall}-{(int)inches}"),
        Kind = kind,
        Room = new(room),
        Wall = wall,
        Offset = Length.FromInches(inches),
    };

    private static Job With(Job job, params LowVoltageOutlet[] outlets) => job with { LowVoltage = [.. job.LowVoltage, .. outlets] };

    [Fact] // two storeys of ten houses, a speaker in every ceiling upstairs: it rises where no power comes through a plate
    public void It_rises_in_a_bay_of_its_own()
    {
        var risen = 0;
        foreach (var number in Enumerable.Range(1, 10).Select(n => n * 3))
        {
            var job = BuiltHouses.Number(number);
            var upstairs = job.Structures[0].Levels[^1].Rooms.Where(r => r.Use == RoomUse.Bedroom).Select(r => new LowVoltageOutlet
            {
                Id = new($"speaker-{r.Id}"),
                Kind = LowVoltageKind.Speaker,
                Room = r.Id,
                Mount = Mount.Ceiling,
                X = 40.Inches(),
                Y = 40.Inches(),
            });
            var plan = Planner.Plan(job with
            {
                LowVoltageHomes = [new() { Id = new("can"), Room = new("g-laundry"), Wall = 1, Offset = 30.Inches() }],
                LowVoltage = [.. upstairs],
            });
            var power = plan.Circuits.SelectMany(c => c.Runs).SelectMany(r => r.Way.Passages).Select(p => p.Spot)
                .Where(s => s.Kind == MemberKind.Plate).Select(s => (s.Structure, s.Level, s.Member, s.Number)).ToHashSet();
            foreach (var run in plan.LowVoltage.Runs)
            {
                // What it comes through at both plates of one bay is where it rises; its own bay at either end it comes through once.
                foreach (var bay in run.Way.Passages.Select(p => p.Spot).Where(s => s.Kind == MemberKind.Plate)
                    .GroupBy(s => (s.Structure, s.Level, s.Member, s.Number)).Where(g => g.Any(s => s.Top) && g.Any(s => !s.Top)))
                {
                    risen++;
                    Assert.False(power.Contains(bay.Key), $"{number}: {run.Outlet.Name} rises beside power");
                }
            }
        }

        Assert.True(risen > 15, $"{risen} risen");
    }

    private static IEnumerable<Tag> TagsOf(Plan plan) =>
        plan.Tags.Where(t => t.Subject.Kind is SubjectKind.LowVoltage or SubjectKind.LowVoltageHome);

    // Up 33 in from 66 in to the middle of joists of 6 in over a ceiling at 96 in, 24 ft east over the joist lines at 2, 4 … 24 ft, and
    // 85 in down to 14 in: 406 in. 3 % of it is 12.2 in, 48 in are left at the can, 14 in at the ring: 480.2 in.
    [Fact]
    public void A_way_goes_home_overhead_and_is_cut_to_the_next_foot()
    {
        var run = Assert.Single(Planner.Plan(With(Two, On("b", 2, 101.5m))).LowVoltage.Runs);
        Assert.Equal(406m, run.Way.Measured.Inches);
        Assert.Equal(41m, run.Length.Value.Feet);
        Assert.Equal(12, run.Way.Passages.Count(p => p.Spot.Kind == MemberKind.Joist));
        Assert.Equal(2, run.Way.Passages.Count(p => p.Spot.Kind == MemberKind.Plate));
        Assert.Contains(run.Length.Why.Steps, s => s.Text == "left at a low-voltage can" && s.Value == "4'-0\"");
    }

    [Fact] // 1² × 0.4 = 0.40 and 0.25² = 0.0625: six to a hole of 1 in; eight cables and one more bore two, a chase has its own
    public void Cables_share_holes_of_an_inch_and_a_chase_has_one_to_itself()
    {
        var data = On("b", 2, 101.5m) with { Cables = 8 };
        var one = Planner.Plan(With(Two, data with { Cables = 6 }));
        var nine = Planner.Plan(With(Two, data, On("b", 2, 101.5m, LowVoltageKind.Thermostat) with { Id = new("t") }));
        var chase = Planner.Plan(With(Two, data with { Kind = LowVoltageKind.EmptyChase, Cables = 1 }));
        Assert.Equal(14, one.LowVoltage.Holes.Length);
        Assert.Equal(28, nine.LowVoltage.Holes.Length);
        Assert.All(nine.LowVoltage.Holes, h => Assert.Equal(1m, h.Bit.Inches));
        Assert.All(chase.LowVoltage.Holes, h => Assert.Equal(1.75m, h.Bit.Inches));
    }

    [Fact] // 41 ft each, two of one and one of the other: 82 and 41 ft, and 5 % more bought, whole feet; two labels to a cable
    public void Its_cable_rings_plates_and_labels_are_counted()
    {
        var plan = Planner.Plan(With(Two, On("b", 2, 101.5m) with { Cables = 2 },
            On("b", 2, 101.5m, LowVoltageKind.Thermostat) with { Id = new("t"), Height = 14.Inches() }));
        int Many(string item) => Hardware.Of(plan).Where(l => l.Item == item).Sum(l => l.Quantity);
        Assert.Equal(87, Many("Data cable, category 6"));
        Assert.Equal(44, Many("Thermostat wire 18-8"));
        Assert.Equal(1, Many("One-gang low-voltage ring"));
        Assert.Equal(1, Many("Plate with 2 data jacks"));
        Assert.Equal(6, Many("Labels for low voltage"));
        Assert.Equal(1, Many("Flush can for low voltage, between two studs"));
        Assert.Equal(6, Labels.Of(plan, LabelKind.Cables).Count(l => l.Big.StartsWith("LV", StringComparison.Ordinal)));
        Assert.Contains(Labels.Of(plan, LabelKind.Cables), l => l.Big == "LV1.2" && l.Where == "b data");
    }

    [Theory] // a box is 2-1/4 in wide: at 2 in they are one, at 8 in they are two side by side, at 13 in a foot is kept
    [InlineData(2, Severity.Red)]
    [InlineData(8, Severity.Amber)]
    [InlineData(13, null)]
    public void Beside_a_receptacle_it_is_told_and_moved(int apart, Severity? told)
    {
        var job = With(Two.With(Houses.On("r", "b", 1, 60)), On("b", 1, 60 + apart));
        var tag = TagsOf(Planner.Plan(job)).SingleOrDefault();
        Assert.Equal(told, tag?.Severity);
        if (tag is not null)
        {
            var mended = tag.Fixes.Single().Change.On(job).Job!;
            Assert.Empty(TagsOf(Planner.Plan(mended)));
            Assert.InRange((mended.LowVoltage[0].Offset - 60.Inches()).Abs().Inches, 12, 14);
        }
    }

    [Fact] // power and low voltage overhead along one line: it takes a lane a foot aside, and says so in no tag
    public void Overhead_it_takes_a_lane_of_its_own()
    {
        var plan = Planner.Plan(With(Two.With(Houses.On("r", "b", 2, 74)) with { LowVoltageHomes = [Can with { Offset = 54.Inches() }] },
            On("b", 2, 88)));
        var run = Assert.Single(plan.LowVoltage.Runs);
        Assert.Empty(run.Beside);
    }

    [Fact]
    public void Without_a_can_it_waits_and_one_is_offered_by_the_panel()
    {
        var job = With(Two with { LowVoltageHomes = [] }, On("b", 2, 60), On("b", 2, 90, LowVoltageKind.Coax));
        var tag = Assert.Single(TagsOf(Planner.Plan(job)));
        Assert.Equal("2 outlets wait for a can or a shelf: set one where equipment will stand.", tag.Arithmetic);
        var mended = Assert.Single(tag.Fixes).Change.On(job).Job!;
        Assert.Equal(36m, (mended.LowVoltageHomes[0].Offset - mended.Panels[0].Offset).Abs().Inches);
        Assert.Equal(2, Planner.Plan(mended).LowVoltage.Runs.Length);
    }

    [Fact] // 830.47(B), 770.133: copper in a pipe a foot from the power, glass beside it
    public void In_a_trench_copper_has_a_pipe_and_fibre_may_lie_beside_power()
    {
        var shed = Houses.WithShed(Houses.ShedPanel).With(Houses.On("r", "shop", 1, 40));
        var home = Can with { Room = shed.Rooms.First().Id };
        var copper = With(shed with { LowVoltageHomes = [home] }, On("shop", 3, 60));
        var fibre = With(shed with { LowVoltageHomes = [home] }, On("shop", 3, 60, LowVoltageKind.Fibre));
        var tag = Assert.Single(TagsOf(Planner.Plan(copper)), t => t.Severity == Severity.Red);
        Assert.Equal("shop data has no pipe in the trench.", tag.Headline);
        Assert.True(Planner.Plan(copper).LowVoltage.Runs[0].Buried);
        Assert.Empty(TagsOf(Planner.Plan(fibre)));
        var laid = Assert.Single(tag.Fixes).Change.On(copper).Job!;
        Assert.Equal(12m, laid.Trenches[0].DataPipe!.Value.Inches);
        Assert.DoesNotContain(TagsOf(Planner.Plan(laid)), t => t.Severity == Severity.Red);
    }

    [Fact]
    public void A_shed_without_a_trench_has_no_way_home()
    {
        var shed = Houses.WithShed(Houses.ShedPanel);
        var job = With(shed with
        {
            Trenches = [.. shed.Trenches.Select(t => t with { From = t.To, To = t.From })],
            Panels = [shed.Panels[0] with { Room = new("shop") }],
            LowVoltageHomes = [Can with { Room = shed.Rooms.First().Id }],
        }, On("shop", 3, 60));
        Assert.Equal("shop data has no way home.", Assert.Single(TagsOf(Planner.Plan(job))).Headline);
    }

    [Fact]
    public void What_cannot_be_is_refused_in_words()
    {
        string? Says(JobChange change) => change.On(Two).Refusal;
        Assert.Equal("b data: 1 to 8 cables go to one outlet; it has 9",
            Says(new SetLowVoltage(On("b", 2, 60) with { Cables = 9 })));
        Assert.Contains("wall 5 is not there", Says(new SetLowVoltage(On("b", 5, 60))), StringComparison.Ordinal);
        Assert.Contains("past the end of its wall", Says(new SetLowVoltage(On("b", 2, 140))), StringComparison.Ordinal);
        Assert.Contains("is no can or shelf of this job", Says(new SetLowVoltage(On("b", 2, 60) with { Home = new("x") })),
            StringComparison.Ordinal);
        Assert.Contains("not in this job any more", Says(new DropLowVoltage(new("x"))), StringComparison.Ordinal);
        Assert.Contains("must lie from 1 to 8 ft", Says(new SetLowVoltageHome(Can with { Top = 9.Feet() })), StringComparison.Ordinal);
    }

    [Fact]
    public void What_it_hangs_on_takes_it_along_and_takes_it_away()
    {
        var job = With(Two, On("b", 2, 60) with { Home = Can.Id });
        var drawn = new MoveWall(new("b"), 2, 2.Feet()).On(job).Job!;
        Assert.Equal(60m, drawn.LowVoltage[0].Offset.Inches);
        Assert.Null(new DropLowVoltageHome(Can.Id).On(job).Job!.LowVoltage[0].Home);
        Assert.Empty(new DeleteRoom(new("b")).On(job).Job!.LowVoltage);
    }

    /// <summary>Houses as people build them, with a data outlet on every wall of every room and a can beside the panel.</summary>
    public static TheoryData<int> Built => [.. Enumerable.Range(1, 12)];

    private static Job Wired(int number)
    {
        var job = BuiltHouses.Number(number);
        var panel = job.Panels.First(p => p.FedFrom is null);
        var draw = new Draw((uint)(number + 4000));
        var outlets = job.Structures[0].Levels.SelectMany(l => l.Rooms).SelectMany(r => Enumerable.Range(1, r.Corners.Length).Select(w =>
            (r, w)))
            .Select((x, i) => new LowVoltageOutlet
            {
                Id = new($"lv-{i + 1}"),
                Kind = (LowVoltageKind)draw.Below(8),
                Room = x.r.Id,
                Wall = x.w,
                Offset = Length.FromInches(6 + draw.Below(12)),
            }).Where(o => new SetLowVoltage(o).On(job).Job is not null).ToImmutableArray();
        return job with
        {
            LowVoltage = outlets,
            LowVoltageHomes = [new() { Id = new("can"), Room = panel.Room, Wall = panel.Wall, Offset = panel.Offset + 30.Inches() }],
        };
    }

    [Theory, MemberData(nameof(Built))] // never on a circuit, never in a power hole: power is planned as if it were not there
    public void Power_does_not_know_of_it(int number)
    {
        var job = Wired(number);
        Plan with = Planner.Plan(job), without = Planner.Plan(job with { LowVoltage = [], LowVoltageHomes = [] });
        Assert.Equal(without.Circuits.Select(c => c.Circuit.Key), with.Circuits.Select(c => c.Circuit.Key));
        Assert.Equal(without.Holes.All.Select(h => (h.Spot, h.Number, string.Join(',', h.Runs))),
            with.Holes.All.Select(h => (h.Spot, h.Number, string.Join(',', h.Runs))));
        Assert.Equal(without.Footage, with.Footage);
        Assert.Equal(without.Tags.Select(t => (t.Subject, t.Headline)),
            with.Tags.Except(TagsOf(with)).Select(t => (t.Subject, t.Headline)));
        Assert.Equal(job.LowVoltage.Length, with.LowVoltage.Runs.Length);
    }

    [Theory, MemberData(nameof(Built))] // walked inch by inch: where no power is told beside it, it is nowhere nearer than a foot for long
    public void Where_nothing_is_told_a_foot_is_kept(int number)
    {
        var plan = Planner.Plan(Wired(number));
        var power = plan.Circuits.SelectMany(c => c.Runs).Where(r => r.From.Place.Structure == 0)
            .SelectMany(r => r.Way.Legs.Where(l => l.Space != Space.Trench && IsStraight(l)).Select(l => (r.Id, Leg: l)))
            .ToLookup(p => AxisOf(p.Leg));
        foreach (var run in plan.LowVoltage.Runs.Where(r => r.Outlet.Outlet.Kind.IsCopper()))
        {
            var inches = new Dictionary<RunId, int>();
            foreach (var (leg, at) in run.Way.Legs.Where(IsStraight).SelectMany(l => Walk(l).Select(at => (l, at))))
            {
                foreach (var other in power[AxisOf(leg)].Where(p => Near(p.Leg, at)).Select(p => p.Id).Distinct())
                {
                    inches[other] = inches.GetValueOrDefault(other) + 1;
                }
            }

            var told = run.Beside.Select(b => b.Power).ToHashSet();
            // A step aside takes a foot and a wall; two inches for the ends of legs that an inch does not divide.
            Assert.All(inches.Where(i => !told.Contains(i.Key)), i => Assert.True(i.Value <= 21,
                $"{run.Outlet.Name}: {i.Value} in by {i.Key}"));
            Assert.All(told, t => Assert.True(inches.GetValueOrDefault(t) >= 16, $"{run.Outlet.Name}: told of {t}"));
        }
    }

    [Theory, MemberData(nameof(Built))] // what the button leaves beside power no place within a foot and a half of it would have left clear
    public void The_button_moves_it_where_its_whole_way_is_clear(int number)
    {
        var job = Wired(number);
        string? Told(Job of, Id<LowVoltageOutlet> outlet) => TagsOf(Planner.Plan(of)).FirstOrDefault(t =>
            t.Subject == Subject.LowVoltage(outlet) && t.Stage == Stage.Boxes)?.Headline;
        foreach (var change in TagsOf(Planner.Plan(job)).SelectMany(t => t.Fixes).Select(f => f.Change).OfType<MoveLowVoltage>().Take(4))
        {
            var moved = change.On(job).Job!;
            if (Told(moved, change.Outlet) is not { } still)
            {
                continue;
            }

            var there = moved.LowVoltage.First(o => o.Id == change.Outlet).Offset;
            var clear = Enumerable.Range(-18, 37).Select(i => new MoveLowVoltage(change.Outlet, there + Length.FromInches(i)).On(job).Job)
                .OfType<Job>().FirstOrDefault(j => Told(j, change.Outlet) is null);
            Assert.True(clear is null, $"{still} At {clear?.LowVoltage.First(o => o.Id == change.Outlet).Offset} it would be clear.");
        }
    }

    private static int AxisOf(PathLeg leg) => leg.From.Z != leg.To.Z ? 2 : leg.From.Y != leg.To.Y ? 1 : 0;

    private static bool IsStraight(PathLeg leg) => (leg.From.X == leg.To.X ? 0 : 1) + (leg.From.Y == leg.To.Y ? 0 : 1)
        + (leg.From.Z == leg.To.Z ? 0 : 1) == 1;

    private static IEnumerable<(int X, int Y, int Z)> Walk(PathLeg leg)
    {
        static int On(Length a, Length b, int step, int steps) => a.Sixtyfourths
            + (int)((long)(b - a).Sixtyfourths * ((2 * step) + 1) / (2 * steps));
        var steps = (int)leg.Run.Inches;
        return Enumerable.Range(0, steps).Select(i => (On(leg.From.X, leg.To.X, i, steps), On(leg.From.Y, leg.To.Y, i, steps),
            On(leg.From.Z, leg.To.Z, i, steps)));
    }

    private static bool Near(PathLeg leg, (int X, int Y, int Z) at)
    {
        static bool In(int v, Length a, Length b, bool along) => v > Math.Min(a.Sixtyfourths, b.Sixtyfourths) - (along ? 0 : 12 * 64)
            && v < Math.Max(a.Sixtyfourths, b.Sixtyfourths) + (along ? 0 : 12 * 64);
        var axis = AxisOf(leg);
        return In(at.X, leg.From.X, leg.To.X, axis == 0) && In(at.Y, leg.From.Y, leg.To.Y, axis == 1)
            && In(at.Z, leg.From.Z, leg.To.Z, axis == 2);
    }
}
