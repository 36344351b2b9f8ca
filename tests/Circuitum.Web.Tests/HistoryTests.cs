using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Units;

namespace Circuitum.Web.Tests;

/// <summary>History: every revision told, found, compared, brought back and named.</summary>
public sealed class HistoryTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private async Task<Visitor> AfterTwoAsync()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        visitor.Http.DefaultRequestHeaders.Add("Cookie", "crew=Wren");
        await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        await visitor.GetAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Delete", ("box", "b2-r1"));
        return visitor;
    }

    private static IReadOnlyList<int> Numbers(string page) => [.. Regex.Matches(page, "id=\"r(\\d+)\"").Select(m =>
        int.Parse(m.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture))];

    [Fact]
    public async Task Every_revision_is_told_the_newest_first_and_found_by_who_and_by_word()
    {
        var visitor = await AfterTwoAsync();
        Assert.Equal([3, 2, 1], Numbers(await visitor.GetAsync("/job/demo/history")));
        Assert.Equal([3, 2], Numbers(await visitor.GetAsync("/job/demo/history?who=Wren")));
        Assert.Equal([2], Numbers(await visitor.GetAsync("/job/demo/history?who=Wren&about=family%20ROOM")));
        Assert.Equal([2, 1], Numbers(await visitor.GetAsync("/job/demo/history?below=3")));
        Assert.Contains("Nothing that is so", await visitor.GetAsync("/job/demo/history?about=spaceship"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_room_and_a_circuit_find_what_touched_them_whatever_the_act_is_called()
    {
        var visitor = await AfterTwoAsync();
        var plan = Core.Plans.Planner.Plan(await host.NewestAsync());
        var circuit = plan.Landed(plan.CircuitOf(new("f-r2"))!.Key)!;
        await visitor.GetAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=NameBox", ("box", "f-r2"), ("name", "By the piano"));
        await visitor.GetAsync("/job/demo/boxes");
        // Its name says nothing any more of the room it stands in.
        await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "24\""));
        Assert.DoesNotContain("Family", (await host.Revisions.LatestAsync(new("demo")))!.Phrase, StringComparison.Ordinal);
        foreach (var about in new[] { "Family room", circuit.Description, circuit.SpaceText })
        {
            Assert.Equal([5, 4, 2], Numbers(await visitor.GetAsync($"/job/demo/history?about={Uri.EscapeDataString(about)}")));
        }

        // What was worked out once is the same from what is kept.
        Assert.Equal([5, 4, 2], Numbers(await visitor.GetAsync("/job/demo/history?about=Family%20room")));
        Assert.Equal([3], Numbers(await visitor.GetAsync("/job/demo/history?about=Bedroom%202")));
        Assert.Empty(Numbers(await visitor.GetAsync("/job/demo/history?about=Pantry")));
    }

    [Fact]
    public async Task Two_revisions_are_held_against_each_other()
    {
        var visitor = await AfterTwoAsync();
        var page = await visitor.GetAsync("/job/demo/history?from=1&to=3");
        Assert.Contains("Revision 1 against 3", page, StringComparison.Ordinal);
        Assert.Contains("ft", page, StringComparison.Ordinal);
        Assert.Contains("The plan is the same", await visitor.GetAsync("/job/demo/history?from=2&to=2"), StringComparison.Ordinal);
        // A number that is none compares nothing.
        Assert.DoesNotContain("against", await visitor.GetAsync("/job/demo/history?from=99&to=100"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_revision_is_brought_back_as_a_new_one_and_can_be_undone()
    {
        var visitor = await AfterTwoAsync();
        await visitor.GetAsync("/job/demo/history");
        var (status, _, _) = await visitor.PostAsync("/job/demo/history?handler=Back", inPlace: false, ("number", "1"), ("from", "3"));
        Assert.Equal(HttpStatusCode.Redirect, status);
        var job = await host.NewestAsync();
        Assert.Contains(job.Boxes, b => b.Id.Value == "b2-r1");
        Assert.NotEqual(20.Inches(), job.Boxes.Single(b => b.Id.Value == "f-r2").Height ?? 0.Inches());
        Assert.Contains("Bring back revision 1", await visitor.GetAsync("/job/demo/history"), StringComparison.Ordinal);
        await visitor.GetAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Undo", ("from", "4"));
        Assert.DoesNotContain((await host.NewestAsync()).Boxes, b => b.Id.Value == "b2-r1");
        // From a page that is behind, and a revision that never was.
        Assert.Equal(HttpStatusCode.Conflict, (await visitor.PostAsync("/job/demo/history?handler=Back", inPlace: false, ("number", "1"),
            ("from", "3"))).Status);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await visitor.PostAsync("/job/demo/history?handler=Back", inPlace: false,
            ("number", "77"), ("from", "5"))).Status);
    }

    [Fact]
    public async Task A_name_is_given_once()
    {
        var visitor = await AfterTwoAsync();
        await visitor.GetAsync("/job/demo/history");
        async Task<HttpStatusCode> NameAsync(string number, string name) =>
            (await visitor.PostAsync("/job/demo/history?handler=Name", inPlace: false, ("number", number), ("name", name))).Status;
        Assert.Equal(HttpStatusCode.Redirect, await NameAsync("2", " permit set "));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await NameAsync("3", "permit set"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await NameAsync("9", "as pulled"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await NameAsync("3", ""));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await NameAsync("3", new string('x', 41)));
        var page = await visitor.GetAsync("/job/demo/history");
        Assert.Contains("<strong class=\"milestone\">permit set</strong>", page, StringComparison.Ordinal);
        Assert.Equal([2], Numbers(await visitor.GetAsync("/job/demo/history?about=permit")));
    }
}
