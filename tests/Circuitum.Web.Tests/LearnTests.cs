using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Core.Training;

namespace Circuitum.Web.Tests;

/// <summary>Practice over the wire: where somebody stands is the address, and what is kept was done.</summary>
public sealed partial class LearnTests : IDisposable
{
    private const string Right = "joints=A.BK~0.Hot,A.WH~0.Neutral,A.G~0.Ground&on=true&steps=3&tries=1";

    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    public static TheoryData<string> All => [.. Exercises.All.Select(e => e.Id)];

    [Theory]
    [MemberData(nameof(All))]
    public async Task Every_exercise_opens_with_its_task_and_its_caution(string id)
    {
        var page = WebUtility.HtmlDecode(await host.Visit().GetAsync($"/learn/{id}"));
        var exercise = Exercises.Find(id)!;
        Assert.Contains(exercise.Title, page, StringComparison.Ordinal);
        Assert.Contains(exercise.Task, page, StringComparison.Ordinal);
        Assert.Contains(exercise.Caution, page, StringComparison.Ordinal);
        Assert.DoesNotContain("Keep it in the record", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_not_done_is_not_kept()
    {
        var visit = host.Visit();
        var page = await visit.GetAsync("/learn/receptacle-end?" + Right);
        Assert.Contains("Keep it in the record", page, StringComparison.Ordinal);
        // The form of one who is done, sent for a box that is open, or turned.
        foreach (var state in new[] { "joints=&on=true", "joints=A.BK~0.Neutral,A.WH~0.Hot,A.G~0.Ground&on=true", "on=false" })
        {
            var answer = await visit.PostAsync($"/learn/receptacle-end?{state}&handler=Keep", inPlace: false);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.Status);
        }

        Assert.Contains("Nobody has done any yet", await visit.GetAsync("/learn"), StringComparison.Ordinal);
        var kept = await visit.PostAsync($"/learn/receptacle-end?{Right}&handler=Keep", inPlace: false);
        Assert.Equal(HttpStatusCode.Redirect, kept.Status);
        var list = await visit.GetAsync("/learn?done=receptacle-end");
        Assert.Contains("3 steps, 1 try, no harm", list, StringComparison.Ordinal);
        Assert.Contains("best: crew", list, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_best_is_whoever_did_least_harm_and_then_tried_least()
    {
        var visit = await host.AtAsync("/learn/receptacle-end?" + Right);
        foreach (var (harm, tries, steps) in new[] { (0, 2, 3), (1, 1, 3), (0, 1, 9), (0, 1, 4) })
        {
            await visit.PostAsync($"/learn/receptacle-end?joints=A.BK~0.Hot,A.WH~0.Neutral,A.G~0.Ground&on=true&steps={steps}&tries={tries}"
                + $"&harm={harm}&handler=Keep", inPlace: false);
        }

        var rows = Rows().Matches(await visit.GetAsync("/learn")).Select(m => m.Value).ToList();
        Assert.Equal(["4 steps, 1 try, no harm", "9 steps, 1 try, no harm", "3 steps, 2 tries, no harm", "3 steps, 1 try, harm once"],
            rows[^4..]);
    }

    [Fact]
    public async Task A_short_circuit_counts_as_harm_from_then_on()
    {
        var page = await host.Visit().GetAsync("/learn/receptacle-end?joints=A.BK~A.WH&on=true&tries=1&harm=1");
        Assert.Contains("The breaker opens", page, StringComparison.Ordinal);
        Assert.Contains("harm twice", page, StringComparison.Ordinal);
        Assert.Contains("harm=2", WebUtility.HtmlDecode(page), StringComparison.Ordinal);
    }

    [Fact]
    public async Task One_lead_dragged_onto_another_is_joined_with_it()
    {
        var answer = await host.Visit().Http.GetAsync("/learn/receptacle-end?steps=1&join=A.BK~0.Hot");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        Assert.Equal("/learn/receptacle-end?seed=1&joints=A.BK~0.Hot&steps=2#lead-0.Hot", answer.Headers.Location!.ToString());
    }

    [Theory]
    [InlineData("/learn/gfci?joints=A.BK~A.BK,~,Q.ZZ~0.Hot,0.Hot&held=nothing&on=true")]
    [InlineData("/learn/gfci?steps=99999999999&seed=-4&tries=x&harm=%00")]
    [InlineData("/learn/find-3?seed=999&looks=1,1,99999,-3,x&said=nowhere")]
    [InlineData("/learn/tester?seed=0&said=99")]
    [InlineData("/learn/box-fill?said=-1")]
    [InlineData("/learn/land?Black=Nowhere&White=77&on=true")]
    [InlineData("/learn/read-first?said=%3Cb%3E")]
    public async Task An_address_from_anywhere_is_read_without_harm(string address) =>
        Assert.Contains("What happens", await host.Visit().GetAsync(address), StringComparison.Ordinal);

    [Fact]
    public async Task What_is_no_exercise_is_not_found() =>
        Assert.Equal(HttpStatusCode.NotFound, (await host.Visit().Http.GetAsync("/learn/nothing")).StatusCode);

    [GeneratedRegex(@"(?<=<td>)\d+ steps?, [^<]*")]
    private static partial Regex Rows();
}
