using System.Net;

namespace Circuitum.Web.Tests;

/// <summary>What is carried on site: walls to mark, the button of a dead outlet, what dies with a device, slack while a fact is waited
/// for.</summary>
public sealed class OnSitePagesTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task Walls_are_drawn_and_listed_room_by_room()
    {
        var v = host.Visit();
        var all = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/walls"));
        Assert.Contains("Family room, north, 1", all, StringComparison.Ordinal);
        var study = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/walls?room=study"));
        Assert.Contains("wall marks, Study", study, StringComparison.Ordinal);
        Assert.DoesNotContain("Family room, north", study, StringComparison.Ordinal);
        Assert.Contains("class=\"elevation\"", study, StringComparison.Ordinal);
        Assert.Contains("wall marks", WebUtility.HtmlDecode(await v.GetAsync("/job/demo/walls?room=ghost")), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_phone_names_the_button_before_the_breaker()
    {
        var v = await host.AtAsync("/job/demo/house");
        Assert.DoesNotContain("Press first", await v.GetAsync("/job/demo/find/A?room=kitchen"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK,
            (await v.PostAsync("/job/demo/house?handler=Schools", ("gfci", "FirstReceptacle"))).Status);
        var found = WebUtility.HtmlDecode(await v.GetAsync("/job/demo/find/A?room=kitchen"));
        Assert.Contains("Press first", found, StringComparison.Ordinal);
        Assert.Contains("the button at Kitchen counter 4", found, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_box_says_what_dies_with_its_device_and_holds_slack()
    {
        var v = await host.AtAsync("/job/demo/boxes?on=box:f-r2");
        Assert.Contains("nothing else dies: what goes on is spliced", await v.GetAsync("/job/demo/boxes?on=box:f-r3"),
            StringComparison.Ordinal);
        var (status, text, _) = await v.PostAsync("/job/demo/boxes?on=box:f-r2&handler=Hold", ("subject", "box:f-r2"),
            ("what", "sofa's place"), ("slack", "1-6"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("1'-6\" more cable is left there", WebUtility.HtmlDecode(text), StringComparison.Ordinal);
        var (refused, why, _) = await v.PostAsync("/job/demo/boxes?on=box:f-r2&handler=Hold", ("subject", "box:f-r2"),
            ("what", "sofa's place"), ("slack", "30-0"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused);
        Assert.Contains("0 to 20 ft", why, StringComparison.Ordinal);
    }
}
