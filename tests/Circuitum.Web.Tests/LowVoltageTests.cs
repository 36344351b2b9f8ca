using System.Net;

namespace Circuitum.Web.Tests;

/// <summary>Low voltage on the bench: set, told, moved, taken out, handed out.</summary>
public sealed class LowVoltageTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Fact]
    public async Task An_outlet_is_set_named_moved_and_taken_out()
    {
        var v = await host.AtAsync("/job/demo/boxes");
        async Task<string> Does(string act, params (string, string)[] fields)
        {
            var (status, text, _) = await v.PostAsync($"/job/demo/boxes?handler={act}", fields);
            Assert.Equal(HttpStatusCode.OK, status);
            return WebUtility.HtmlDecode(text);
        }

        var set = await Does("Add", ("room", "study"), ("wall", "1"), ("offset", "5-0"), ("kind", "low:Data"));
        Assert.Contains("Set Study data", set, StringComparison.Ordinal);
        Assert.Contains("Low voltage has nowhere to go home to.", set, StringComparison.Ordinal);
        Assert.DoesNotContain("on another circuit", set, StringComparison.Ordinal);
        Assert.Contains("Set a low-voltage can in Mudroom",
            await Does("Add", ("room", "mudroom"), ("wall", "1"), ("offset", "1-6"), ("kind", "low-home:Can")), StringComparison.Ordinal);
        var named = await Does("LowVoltage", ("outlet", "lv-1"), ("kind", "data"), ("name", "Desk"), ("cables", "2"), ("height", "2-0"),
            ("home", "lv-home-1"));
        Assert.Contains("Change Desk", named, StringComparison.Ordinal);
        Assert.Contains("Move Desk 1'-0\"", await Does("MoveLowVoltage", ("outlet", "lv-1"), ("offset", "6-0")), StringComparison.Ordinal);
        Assert.StartsWith("number,outlet,room,kind,cable,cables,length_ft,home\nLV1,Desk,Study,data,",
            await v.GetAsync("/job/demo/file/low-voltage.csv"), StringComparison.Ordinal);
        Assert.Contains("Plate with 2 data jacks", await v.GetAsync("/job/demo/material"), StringComparison.Ordinal);
        Assert.Contains("Delete the low-voltage can", await Does("DropLowVoltageHome", ("home", "lv-home-1")), StringComparison.Ordinal);
        Assert.Contains("Delete Desk", await Does("DropLowVoltage", ("outlet", "lv-1")), StringComparison.Ordinal);
        await v.GetAsync("/job/demo/file/low-voltage.csv", HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData("AddOver", "low:Thermostat", "That stands on a wall: click nearer to one.")]
    [InlineData("AddOver", "low-home:Can", "That stands on a wall: click nearer to one.")]
    [InlineData("Add", "low:Telegraph", "Telegraph")]
    public async Task What_cannot_stand_there_is_refused(string act, string kind, string says)
    {
        var v = await host.AtAsync("/job/demo/boxes");
        var (status, text, _) = await v.PostAsync($"/job/demo/boxes?handler={act}", ("room", "study"), ("x", "3-0"), ("y", "3-0"),
            ("wall", "1"), ("offset", "3-0"), ("kind", kind));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, WebUtility.HtmlDecode(text), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Its_card_says_its_cable_its_way_and_its_distance_from_power()
    {
        var page = WebUtility.HtmlDecode(await host.Visit().GetAsync("/job/demo-basement/boxes?on=lowvoltage:lv-1"));
        Assert.Contains("LV1 · Great room data", page, StringComparison.Ordinal);
        Assert.Contains("Holes of its own", page, StringComparison.Ordinal);
        Assert.Contains("Workshop low-voltage can", page, StringComparison.Ordinal);
        Assert.Contains("Comes home to it",
            await host.Visit().GetAsync("/job/demo-basement/runs?on=lowvoltagehome:lv-home-1"), StringComparison.Ordinal);
    }
}
