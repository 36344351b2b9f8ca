using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Days on which things are covered, and lines of the crew's own on the walk before them.</summary>
public sealed class ClosingTests
{
    // Two rooms with a box each, and one without.
    private static Job Job => Houses.Row(("den", RoomUse.Den, 10), ("bed", RoomUse.Bedroom, 12), ("hall", RoomUse.Hall, 6))
        .With(Houses.On("d1", "den", 1, 40), Houses.On("b1", "bed", 1, 40)) with
    { Panels = [Houses.Panel("den")] };

    private static Job Done(Job job, params JobChange[] changes) => changes.Aggregate(job, (j, c) => c.On(j) is { Job: { } done } ? done
        : throw new InvalidOperationException(c.On(j).Refusal));

    private static SiteRecord Seen(params WalkLine[] lines) => SiteRecord.Of(lines.Select((l, i) => new SiteEntry(
        new(new Guid(i + 1, 0, 0, new byte[8])), l.Subject, SiteStep.Passed, new(i), new(i), "Ada", 1)
    { Line = l.Key }));

    [Fact]
    public void A_line_of_the_crew_s_own_is_seen_in_every_room_or_once()
    {
        var job = Done(Job, new AddCrewLine(Closing.Walls, "Backing for the towel bars", true), new AddCrewLine(Closing.Walls,
            "Photograph of the panel wall", false), new AddCrewLine(Closing.Trim, "Boxes swept out", false));
        var plan = Planner.Plan(job);
        var stops = Walk.Of(plan, SiteRecord.Empty, Closing.Walls);
        Assert.Equal(["den", "bed", "The whole house"], stops.Select(s => s.Room is { } room ? room.Room.Id.Value : s.Name));
        Assert.All(stops.Take(2), s => Assert.Equal(("own-crew-1", "Backing for the towel bars", "the crew"),
            (s.Lines[^1].Key, s.Lines[^1].Text, s.Lines[^1].Section)));
        Assert.Equal("Photograph of the panel wall", stops[2].Lines[^1].Text);
        // What has no stop for the whole house of its own gets one.
        Assert.Equal(("The whole house", "Boxes swept out"), Walk.Of(plan, SiteRecord.Empty, Closing.Trim)[^1] is var last
            ? (last.Name, Assert.Single(last.Lines).Text) : default);
        // There is no trench, so nothing would be seen before one is filled.
        Assert.Empty(Walk.Of(Planner.Plan(Done(job, new AddCrewLine(Closing.Trench, "Tape", false))), SiteRecord.Empty, Closing.Trench));

        var without = Done(job, new DropCrewLine(job.CrewLines[0].Id));
        Assert.DoesNotContain(Walk.Of(Planner.Plan(without), SiteRecord.Empty, Closing.Walls).SelectMany(s => s.Lines),
            l => l.Text.StartsWith("Backing", StringComparison.Ordinal));
    }

    [Fact] // amber from a week before its day on, until every line is seen and nothing is missing
    public void What_is_not_ready_is_late_as_its_day_comes()
    {
        var day = new DateOnly(2026, 12, 20);
        var job = Done(Job, new SetClosingDay(Closing.Trim, day));
        var plan = Planner.Plan(job);
        var lines = Walk.Of(plan, SiteRecord.Empty, Closing.Trim).SelectMany(s => s.Lines).ToArray();
        var state = ClosingState.Of(plan, SiteRecord.Empty).Single(s => s.Closing == Closing.Trim);
        Assert.Equal((day, lines.Length, 0, false), (state.Day, state.Lines, state.Seen, state.IsReady));
        Assert.False(state.IsLate(day.AddDays(-8)));
        Assert.True(state.IsLate(day.AddDays(-7)));
        Assert.True(state.IsLate(day.AddDays(3)));

        // All seen, but breakers are not torqued by the record: still not ready.
        var walked = ClosingState.Of(plan, Seen(lines)).Single(s => s.Closing == Closing.Trim);
        Assert.Equal((lines.Length, 1, false), (walked.Seen, walked.NotReady, walked.IsReady));

        // Without a day nothing is late; a job without a trench has no closing of one.
        Assert.All(ClosingState.Of(Planner.Plan(Job), SiteRecord.Empty), s => Assert.False(s.IsLate(day)));
        Assert.Equal([Closing.Walls, Closing.Trim], ClosingState.Of(plan, SiteRecord.Empty).Select(s => s.Closing));
    }

    [Fact]
    public void A_day_is_set_moved_and_taken_back()
    {
        var set = new SetClosingDay(Closing.Walls, new(2026, 12, 5)).On(Job);
        Assert.Equal("Insulation and board: 2026-12-05", set.Phrase);
        var moved = new SetClosingDay(Closing.Walls, new(2026, 12, 9)).On(set.Job!);
        Assert.Equal(new ClosingDay(Closing.Walls, new(2026, 12, 9)), Assert.Single(moved.Job!.Closings));
        Assert.Empty(new SetClosingDay(Closing.Walls, null).On(moved.Job!).Job!.Closings);
    }

    [Fact]
    public void A_line_is_refused_twice_and_empty()
    {
        var job = Done(Job, new AddCrewLine(Closing.Walls, "Backing", true));
        Assert.Equal("That line is on the walk already.", new AddCrewLine(Closing.Walls, " backing ", false).On(job).Refusal);
        Assert.Contains("say in 1 to 120 characters what must be so", new AddCrewLine(Closing.Walls, "  ", false).On(job).Refusal,
            StringComparison.Ordinal);
        Assert.NotNull(new AddCrewLine(Closing.Walls, new string('x', 121), false).On(job).Refusal);
        Assert.NotNull(new AddCrewLine(Closing.Trim, "Backing", true).On(job).Job);
    }

    [Fact] // kept in the crew's set, for the next job; a set of before that has none takes none away
    public void They_go_with_the_crew()
    {
        var line = new CrewLine(new("crew1"), Closing.Walls, "Backing");
        Assert.Equal(line, Assert.Single(new UseCrewSet("ours", new() { CrewLines = [line] }).On(Job).Job!.CrewLines));
        Assert.Equal(line, Assert.Single(new UseCrewSet("old", new()).On(Job with { CrewLines = [line] }).Job!.CrewLines));
    }
}
