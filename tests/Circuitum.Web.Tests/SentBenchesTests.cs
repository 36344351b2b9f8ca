using System.Net;
using System.Text;
using System.Text.Json;
using Circuitum.Web.Bench;
using CsCheck;

namespace Circuitum.Web.Tests;

/// <summary>Of a bench that a window has already only what differs is sent, and the window makes the whole of it again.</summary>
public sealed class SentBenchesTests(BenchHost host) : IClassFixture<BenchHost>
{
    // As answers.js does it.
    private static string Whole(string differs, string before)
    {
        var text = new StringBuilder();
        var parts = JsonDocument.Parse(differs).RootElement.EnumerateArray().ToList();
        for (var i = 0; i < parts.Count; i++)
        {
            text.Append(parts[i].ValueKind == JsonValueKind.String ? parts[i].GetString()
                : before.Substring(parts[i].GetInt32(), parts[++i].GetInt32()));
        }

        return text.ToString();
    }

    private static (string Name, string? Differs) Next(SentBenches sent, string before, string text)
    {
        var (name, differs) = sent.Next(before, Encoding.UTF8.GetBytes(text));
        return (name, differs is null ? null : Encoding.UTF8.GetString(differs));
    }

    private static string Rows(params int[] numbers) =>
        string.Concat(numbers.Select(n => $"<li>a row of a list, number {n}, with words enough to be a piece “{n}”</li>\n"));

    [Fact] // 40 rows of some 80 letters, one of them changed: two places of what was there, and the row
    public void What_differs_is_sent_and_no_more()
    {
        using var sent = new SentBenches();
        var before = Rows([.. Enumerable.Range(0, 40)]);
        var after = Rows([.. Enumerable.Range(0, 40).Select(n => n == 20 ? 99 : n)]);
        var (name, first) = Next(sent, "none", before);
        Assert.Null(first);
        var differs = Next(sent, name, after).Differs!;
        Assert.Equal(after, Whole(differs, before));
        Assert.Equal([JsonValueKind.Number, JsonValueKind.Number, JsonValueKind.String, JsonValueKind.Number, JsonValueKind.Number],
            JsonDocument.Parse(differs).RootElement.EnumerateArray().Select(p => p.ValueKind));
        Assert.InRange(differs.Length, 60, 300);
    }

    [Fact] // rows put in, taken out, changed and moved, and letters of every kind
    public void Whatever_becomes_of_it_the_whole_is_made_again() => Gen.Int[0, 30].Array[0, 60].SelectMany(b => Gen.Int[0, 30]
        .Array[0, 60].Select(Gen.String).Select((a, odd) => (Before: Rows(b), After: Rows(a) + odd + Rows(b)))).Sample(texts =>
    {
        using var sent = new SentBenches();
        var differs = Next(sent, Next(sent, "none", texts.Before).Name, texts.After).Differs;
        // What is half of a pair of letters is written as the sign for what cannot be written.
        Assert.True(differs is null || Whole(differs, texts.Before) == Encoding.UTF8.GetString(Encoding.UTF8.GetBytes(texts.After)));
    }, iter: 300);

    [Fact] // a window's answer has one next; of another's, or of one long ago, nothing is known
    public void What_is_not_known_is_sent_whole()
    {
        using var sent = new SentBenches();
        var text = Rows([.. Enumerable.Range(0, 40)]);
        var (name, _) = Next(sent, "none", text);
        Assert.NotNull(Next(sent, name, text).Differs);
        Assert.Null(Next(sent, name, text).Differs);
        Assert.Null(Next(sent, "another", text).Differs);
        Assert.NotEqual(Next(sent, "none", text).Name, Next(sent, "none", text).Name);
    }

    [Fact]
    public async Task An_edit_of_the_demo_is_a_tenth_of_its_bench()
    {
        var ((name, whole), (of, differs)) = await TwoEditsAsync();
        Assert.Equal(name, of);
        Assert.InRange(differs.Length, 500, whole.Length / 10);
        var again = Whole(differs, whole);
        Assert.Contains("wall 2 at 1&#x27;-5&quot;", again, StringComparison.Ordinal);
        Assert.DoesNotContain("wall 2 at 1&#x27;-4&quot;", again, StringComparison.Ordinal);
        Assert.Equal((whole.Split('\n').Length, whole[^20..]), (again.Split('\n').Length, again[^20..]));
    }

    private async Task<((string Name, string Text) First, (string Of, string Text) Second)> TwoEditsAsync()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        visitor.Http.DefaultRequestHeaders.Add(BenchAnswer.Of, "none");
        var one = await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "16\""));
        Assert.Equal(HttpStatusCode.OK, one.Status);
        var name = one.Response.Headers.GetValues(BenchAnswer.Is).Single();
        Assert.False(one.Response.Headers.Contains(BenchAnswer.Of));
        visitor.Http.DefaultRequestHeaders.Remove(BenchAnswer.Of);
        visitor.Http.DefaultRequestHeaders.Add(BenchAnswer.Of, name);
        var two = await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "17\""));
        Assert.Equal("application/json", two.Response.Content.Headers.ContentType!.MediaType);
        return ((name, await one.Response.Content.ReadAsStringAsync()),
            (two.Response.Headers.GetValues(BenchAnswer.Of).Single(), await two.Response.Content.ReadAsStringAsync()));
    }
}
