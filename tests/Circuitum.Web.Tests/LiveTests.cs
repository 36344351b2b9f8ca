using System.Net;
using Circuitum.Web.Live;

namespace Circuitum.Web.Tests;

/// <summary>A window is told what others do, and who they are.</summary>
public sealed class LiveTests : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private async Task<(StreamReader Reader, HttpResponseMessage Answer)> ListenAsync(string who)
    {
        var http = host.CreateClient();
        http.DefaultRequestHeaders.Add("Cookie", $"crew={who}");
        var answer = await http.GetAsync("/job/demo/events", HttpCompletionOption.ResponseHeadersRead);
        Assert.Equal("text/event-stream", answer.Content.Headers.ContentType?.MediaType);
        Assert.Equal("no-store", answer.Headers.CacheControl?.ToString());
        return (new(await answer.Content.ReadAsStreamAsync()), answer);
    }

    private static async Task<string> NextAsync(StreamReader reader, string name)
    {
        using var patience = new CancellationTokenSource(Patience);
        while (await reader.ReadLineAsync(patience.Token) is { } line)
        {
            if (line == $"event: {name}")
            {
                return (await reader.ReadLineAsync(patience.Token))!;
            }
        }

        throw new InvalidOperationException($"The stream ended before an event “{name}”.");
    }

    [Fact]
    public async Task What_one_does_the_other_hears_with_its_name_and_its_words()
    {
        var (reader, answer) = await ListenAsync("Wren");
        using var _ = answer;
        Assert.Contains("\"number\":\"1\"", await NextAsync(reader, "revision"), StringComparison.Ordinal);
        var other = await host.AtAsync("/job/demo/boxes");
        await other.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        var heard = await NextAsync(reader, "revision");
        Assert.Contains("\"number\":\"2\",\"who\":\"crew\"", heard, StringComparison.Ordinal);
        Assert.Contains("Family room", heard, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Each_hears_of_the_others_and_when_they_go()
    {
        var (wren, one) = await ListenAsync("Wren");
        using var _ = one;
        Assert.Equal("data: []", await NextAsync(wren, "others"));
        var (finch, two) = await ListenAsync("Finch");
        Assert.Equal("data: [\"Wren\"]", await NextAsync(finch, "others"));
        Assert.Equal("data: [\"Finch\"]", await NextAsync(wren, "others"));
        finch.Dispose();
        two.Dispose();
        Assert.Equal("data: []", await NextAsync(wren, "others"));
    }

    [Fact]
    public async Task A_job_that_is_not_there_tells_nothing() =>
        Assert.Equal(HttpStatusCode.NotFound, (await host.Visit().Http.GetAsync("/job/nothing/events")).StatusCode);

    [Fact]
    public void As_many_windows_as_are_told_and_no_more()
    {
        var live = new LiveJobs();
        var windows = Enumerable.Range(0, LiveJobs.MostOfJob).Select(_ => live.Open(new("a"), "x")).ToList();
        Assert.All(windows, Assert.NotNull);
        Assert.Null(live.Open(new("a"), "x"));
        windows[0]!.Dispose();
        // Closed twice is closed once.
        windows[0]!.Dispose();
        Assert.NotNull(live.Open(new("a"), "x"));
        Assert.Null(live.Open(new("a"), "x"));
        var others = Enumerable.Range(0, LiveJobs.Most).Select(i => live.Open(new($"j{i}"), "x")).ToList();
        Assert.Equal(LiveJobs.Most - LiveJobs.MostOfJob, others.Count(w => w is not null));
    }
}
