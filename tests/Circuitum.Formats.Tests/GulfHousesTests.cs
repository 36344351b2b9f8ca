using Circuitum.Core.Boards;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Tests.Golden;

namespace Circuitum.Formats.Tests;

/// <summary>Houses of other books come under the Gulf metric method, whatever is in them, and go back.</summary>
public sealed class GulfHousesTests
{
    public static TheoryData<int> Houses => [.. Enumerable.Range(1, GoldenHouses.Count)];

    [Theory] // outbuildings, second panels, pipes, steel, insulated panels, equipment of every kind
    [MemberData(nameof(Houses))]
    public void A_house_comes_under_the_method_and_goes_back(int number)
    {
        var job = GoldenHouses.Number(number);
        var outcome = new SetEdition(Edition.Gulf2022).On(job);
        Assert.True(outcome.Job is not null, outcome.Refusal);
        var villa = JobFiles.Read(JobFiles.Write(outcome.Job));
        Assert.Equal(JobFiles.Write(outcome.Job), JobFiles.Write(villa));
        var plan = Planner.Plan(villa);
        Assert.Empty(plan.Circuits);
        Assert.Equal(job.Boxes.Length, plan.Survey.Boxes.Length);
        Assert.All(plan.Tags, t => Assert.Empty(t.Cite.Ids));
        if (PointsOfHouse.TooMany(plan) is null && PointsOfHouse.Boards(plan) is { } boards)
        {
            // Every point has its circuit, and every way its board.
            Assert.Equal(boards.Brief.Rooms.Sum(r => r.Points.Length),
                boards.Boards.SelectMany(b => b.Ways).SelectMany(w => w.Circuit.Points).Count());
            Assert.All(boards.Boards, b => Assert.True(b.Ways.Count() <= 42));
        }

        var back = new SetEdition(job.Edition).On(villa);
        Assert.True(back.Job is not null, back.Refusal);
        Assert.NotEmpty(Planner.Plan(back.Job).Circuits);
    }

    [Theory] // a socket more is never a meter of conduit less
    [InlineData(1)]
    [InlineData(7)]
    [InlineData(23)]
    public void A_lamp_more_takes_no_less_conduit(int number)
    {
        var villa = new SetEdition(Edition.Gulf2022).On(GoldenHouses.Number(number)).Job!;
        var room = Planner.Plan(villa).House.Rooms.First();
        var outcome = new AddBox(new()
        {
            Id = new("one-more"),
            Room = room.Room.Id,
            Mount = Mount.Ceiling,
            X = room.ClearWidth / 4,
            Y = room.ClearDepth / 4,
            Devices = [new() { Kind = DeviceKind.Lamp }],
        }).On(villa);
        Assert.True(outcome.Job is not null, outcome.Refusal);
        static decimal Conduit(Job job) =>
            PointsOfHouse.Boards(Planner.Plan(job))!.Boards.SelectMany(b => b.Ways).Sum(w => w.Circuit.WithDrops.Metres);
        Assert.True(Conduit(outcome.Job) >= Conduit(villa) - .5m);
    }

    [Fact] // the text of a house reads back under the method as it does under any book
    public void The_text_of_the_villa_draws_the_villa()
    {
        var villa = JobFiles.Read(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "saltbush.circuitum.json")));
        using var written = Writing.In(Measure.Metres, Parlance.International);
        var text = HouseText.Write(villa);
        Assert.DoesNotMatch(@"\d'|\d-\d", text);
        var drawn = StartFromText.Start(new() { Name = "Again", Edition = Edition.Gulf2022 }, text);
        Assert.Equal(villa.Rooms.Select(r => r.Name), drawn.Rooms.Select(r => r.Name));
        Assert.True(CodeBook.For(drawn).FeedsBoards);
    }
}
