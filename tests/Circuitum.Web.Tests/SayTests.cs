using System.Net;
using System.Text.Json;

namespace Circuitum.Web.Tests;

/// <summary>What is said in a line: heard while it is typed, drawn when it is sent.</summary>
public sealed class SayTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private static async Task<JsonElement> HeardAsync(Visitor v, string line) => JsonDocument.Parse(
        await v.GetAsync($"/job/demo/house?level=ground&handler=Heard&lines={Uri.EscapeDataString(line)}")).RootElement;

    [Fact]
    public async Task A_line_is_heard_without_being_done()
    {
        var v = await host.AtAsync("/job/demo/house");
        var heard = await HeardAsync(v, "sunroom 10 x 10 as den east of nowhere");
        Assert.True(heard.GetProperty("refused").GetBoolean());
        Assert.StartsWith("No room is called “nowhere”.", heard.GetProperty("says").GetString(), StringComparison.Ordinal);
        Assert.Equal("", heard.GetProperty("ghost").GetString());
        var window = await HeardAsync(v, "window 2-0 east of dining");
        Assert.False(window.GetProperty("refused").GetBoolean());
        Assert.Matches("^M[^Z]+Z$", window.GetProperty("ghost").GetString());
        Assert.Equal(1, v.Revision);
    }

    [Fact]
    public async Task Lines_are_drawn_in_one_change_or_refused_with_the_line_that_was_not_understood()
    {
        var v = await host.AtAsync("/job/demo/house?level=ground");
        var (status, text, _) = await v.PostAsync("/job/demo/house?level=ground&handler=Say",
            ("lines", "window 2-0 east of dining\nwindow 3-0 west of family"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Draw 2 lines; the last: Set a window of 3'-0\" into the west wall of Family room",
            WebUtility.HtmlDecode(text), StringComparison.Ordinal);
        Assert.Equal(2, v.Revision);
        var (refused, why, _) = await v.PostAsync("/job/demo/house?level=ground&handler=Say",
            ("lines", "window 2-0 east of dining\nbarn 90 x 90 south of everything"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused);
        Assert.Contains("Line 2, “barn 90 x 90 south of everything”", WebUtility.HtmlDecode(why), StringComparison.Ordinal);
        Assert.Equal(2, v.Revision);
        var (empty, says, _) = await v.PostAsync("/job/demo/house?level=ground&handler=Say", ("lines", " \n # nothing"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, empty);
        Assert.Contains("Say a line, like", WebUtility.HtmlDecode(says), StringComparison.Ordinal);
    }
}
