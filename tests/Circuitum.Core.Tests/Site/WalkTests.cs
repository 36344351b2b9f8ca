using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>The walk before something is covered: made from the plan, with what the record says against it.</summary>
public sealed class WalkTests
{
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static SiteEntry Entry(int id, Subject subject, SiteStep step, string line = "") =>
        new(new(new Guid(id, 0, 0, new byte[8])), subject, step, Noon, Noon, "Ida", 1) { Line = line };

    private static Job Bedroom => Houses.Row(("bed", RoomUse.Bedroom, 14)).With(
        Houses.On("r1", "bed", 3, 30), Houses.On("r2", "bed", 3, 100), Houses.On("r3", "bed", 1, 60),
        Houses.Ceiling("lamp", "bed", 80, 70), Houses.Switch("sw", "bed", 1, 20, DeviceKind.Switch, "lamp"));

    [Fact] // three receptacles at the crew's 14 in, a switch at 4 ft, a lamp; five boxes
    public void A_room_is_told_by_its_heights()
    {
        var stop = Walk.Of(Planner.Plan(Bedroom), SiteRecord.Empty, Closing.Walls)[0];
        Assert.Equal("bed", stop.Name);
        Assert.Equal("5 boxes: 3 receptacles at 1'-2\", 1 light overhead or in the floor, 1 switch at 4'-0\"",
            Assert.Single(stop.Lines, l => l.Key == "boxes").Text);
        Assert.Equal("314.20", Assert.Single(stop.Lines, l => l.Key == "flush").Section);
        Assert.Contains("within 8\" of every box", Assert.Single(stop.Lines, l => l.Key == "staples").Text, StringComparison.Ordinal);
    }

    [Fact] // what is not pulled is told until the last run of the room is
    public void What_the_record_says_against_a_line_stands_beside_it()
    {
        var plan = Planner.Plan(Bedroom);
        string? Open(SiteRecord record) => Walk.Of(plan, record, Closing.Walls)[0].Lines.Single(l => l.Key == "cables").NotReady;
        var all = plan.Takeoff.Pulls.Length;
        Assert.Equal($"{all} of {all} not pulled by the record", Open(SiteRecord.Empty));
        var pulled = plan.Takeoff.Pulls.Select((l, i) => Entry(i + 1, Subject.Run(l.Run), SiteStep.Pulled)).ToList();
        Assert.Equal($"1 of {all} not pulled by the record", Open(SiteRecord.Of(pulled.Skip(1))));
        Assert.Null(Open(SiteRecord.Of(pulled)));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(5)]
    [InlineData(9)]
    [InlineData(14)]
    public void Every_room_with_boxes_is_passed_and_no_line_is_mistaken_for_another(int number)
    {
        var plan = Planner.Plan(BuiltHouses.Number(number));
        foreach (var closing in Enum.GetValues<Closing>())
        {
            var stops = Walk.Of(plan, SiteRecord.Empty, closing);
            var lines = stops.SelectMany(s => s.Lines).ToList();
            Assert.Equal(lines.Count, lines.Select(l => (l.Subject, l.Key)).Distinct().Count());
            Assert.All(lines, l => Assert.True(l.Text.Length > 0 && l.Section.Length > 0 && l.Key.Length <= SiteEntry.LongestLine));
        }

        var rooms = plan.Survey.Boxes.Select(b => b.Box.Room).ToHashSet();
        foreach (var closing in new[] { Closing.Walls, Closing.Trim })
        {
            Assert.Equal(rooms, Walk.Of(plan, SiteRecord.Empty, closing).SelectMany(s => s.Lines).Select(l => l.Subject)
                .Where(s => s.Kind == SubjectKind.Room).Select(s => new RoomId(s.Id)).ToHashSet());
        }

        // Each device of the plan that opens a fault is pressed once.
        Assert.Equal(plan.Circuits.Sum(c => c.Devices.Count), Walk.Of(plan, SiteRecord.Empty, Closing.Trim).SelectMany(s => s.Lines)
            .Count(l => l.Key.StartsWith("trip-", StringComparison.Ordinal)));
    }

    [Theory] // every outlet that a button brings back is named where the button is pressed, and no other is
    [InlineData(2)]
    [InlineData(7)]
    [InlineData(11)]
    public void Who_presses_a_button_is_told_all_that_must_go_dead(int number)
    {
        var job = BuiltHouses.Number(number);
        var plan = Planner.Plan(job with { Schools = job.Schools with { Gfci = GfciWay.FirstReceptacle } });
        var lines = Walk.Of(plan, SiteRecord.Empty, Closing.Trim).SelectMany(s => s.Lines).ToLookup(l => l.Key, l => l.Text);
        var buttons = plan.Circuits.SelectMany(c => c.Devices.Keys, (c, at) => (c, at)).ToList();
        Assert.NotEmpty(buttons);
        foreach (var (circuit, at) in buttons)
        {
            var dead = circuit.Circuit.Boxes.Where(b => b != at && (circuit.Outlets[b].ResetAt == at
                || circuit.Outlets[b].AfciResetAt == at)).Select(b => plan.Survey[b].Name);
            var with = string.Join(", ", dead);
            Assert.Equal($"{plan.Survey[at].Name}: its button makes it dead{(with.Length > 0 ? $", and with it {with}" : "")}",
                Assert.Single(lines[$"trip-{at}"]));
        }
    }

    [Fact]
    public void A_trench_is_a_walk_of_its_own_and_a_job_without_one_has_none()
    {
        Assert.Empty(Walk.Of(Planner.Plan(Bedroom), SiteRecord.Empty, Closing.Trench));
        var job = Houses.WithShed(Houses.ShedPanel);
        var stop = Assert.Single(Walk.Of(Planner.Plan(job), SiteRecord.Empty, Closing.Trench));
        Assert.Contains($"{job.Trenches[0].Depth} of earth", stop.Lines[0].Text, StringComparison.Ordinal);
    }

    [Fact] // a line is passed by its key, another line of the room is not; a correction stands until it is mended
    public void A_line_is_passed_or_corrected_by_itself()
    {
        var room = Subject.Room(new("bed"));
        var wrong = Entry(2, room, SiteStep.Correction, "staples");
        var record = SiteRecord.Of([Entry(1, room, SiteStep.Passed, "flush"), wrong]);
        Assert.True(record.Is(room, SiteStep.Passed, "flush"));
        Assert.False(record.Is(room, SiteStep.Passed, "staples"));
        Assert.Equal(wrong, Assert.Single(record.Corrections(room, "staples")));
        Assert.Empty(record.Corrections(room, "flush"));
        var mended = SiteRecord.Of([.. record.Entries, Entry(3, room, SiteStep.Correction, "staples") with { TakesBack = wrong.Id }]);
        Assert.Empty(mended.Corrections());
        Assert.Single(SiteRecord.Of([.. record.Entries, Entry(3, room, SiteStep.Correction, "flush") with { TakesBack = wrong.Id }])
            .Corrections());
    }
}
