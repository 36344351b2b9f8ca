using System.Net;
using System.Text;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Tests;

/// <summary>Bad job files brought in through the page.</summary>
public sealed class BadFileTests(BenchHost host) : IClassFixture<BenchHost>
{
    private static readonly string OneRoom = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "one-room.circuitum.json"));

    public static TheoryData<string, string> Bad => new()
    {
        { "was not taken. Line 1", "{ this is no json" },
        { "was not taken. Line", OneRoom[..(OneRoom.Length / 2)] },
        { "was not taken. Line 1", "{\"format\":\"circuitum-job\",\"version\":1,\"job\":" + new string('[', 5000) + "}" },
        { "has version 7", OneRoom.Replace("\"version\": 1", "\"version\": 7", StringComparison.Ordinal) },
        { "wall 9 is not there",
            OneRoom.Replace("\"wall\": 2, \"offset\": \"6-0\"", "\"wall\": 9, \"offset\": \"6-0\"", StringComparison.Ordinal) },
        { "is not on wall 2",
            OneRoom.Replace("\"wall\": 2, \"offset\": \"6-0\"", "\"wall\": 2, \"offset\": \"-6\"", StringComparison.Ordinal) },
        { "this id is used twice", OneRoom.Replace("\"id\": \"r2\"", "\"id\": \"r1\"", StringComparison.Ordinal) },
        { "not one the format knows here", OneRoom.Replace("\"duplex\"", "\"teapot\"", StringComparison.Ordinal) },
    };

    [Theory]
    [MemberData(nameof(Bad), DisableDiscoveryEnumeration = true)]
    public async Task A_bad_file_gets_a_page_with_one_message_and_the_list_is_unharmed(string says, string file)
    {
        var before = await host.Revisions.ListAsync();
        var (status, text) = await host.Visit().BringAsync(Encoding.UTF8.GetBytes(file), "house.json");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Contains("“house.json”", text, StringComparison.Ordinal);
        Assert.Contains("14 Fernhollow Rise", text, StringComparison.Ordinal);
        Assert.Equal(before, await host.Revisions.ListAsync());
    }

    [Fact]
    public async Task Over_5_MB_is_too_large()
    {
        var (status, text) = await host.Visit().BringAsync(Encoding.UTF8.GetBytes(OneRoom + new string(' ', JobFiles.MostBytes)));
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, status);
        Assert.Contains("larger than 5 MB", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task No_file_at_all_is_asked_for()
    {
        var visitor = host.Visit();
        await visitor.GetAsync("/job/demo/house");
        var (status, text, _) = await visitor.PostAsync("/?handler=Bring", inPlace: false);
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains("Choose a job file first", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_good_file_opens_as_a_job_of_its_own()
    {
        var (status, _) = await host.Visit().BringAsync(Encoding.UTF8.GetBytes(OneRoom));
        Assert.Equal(HttpStatusCode.Redirect, status);
        Assert.Contains(await host.Revisions.ListAsync(), j => j.Name == "One room" && !j.IsDemo);
    }
}
