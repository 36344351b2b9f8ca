using System.Net;
using System.Text;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Searches;

namespace Circuitum.Web.Tests;

/// <summary>The panel over the wire: breakers landed, numbers written, labels read off, sheets printed and compared.</summary>
public sealed class PanelPagesTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    private async Task<Plan> NowAsync() => Planner.Plan(await host.NewestAsync());

    private static int Space(Plan plan, string circuit) => plan.Landed(new(circuit))!.Space!.Value.Number;

    [Fact]
    public async Task A_breaker_is_landed_on_another_and_the_two_change_places()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var before = await NowAsync();
        var (micro, mudroom) = (Space(before, "k-micro"), Space(before, "mudroom-receptacles"));
        var (status, text, _) = await visitor.PostAsync("/job/demo/panel?handler=Land", ("circuit", "k-micro"), ("space", $"{mudroom}"));
        Assert.Equal(HttpStatusCode.OK, status);
        var after = await NowAsync();
        Assert.Equal((mudroom, micro), (Space(after, "k-micro"), Space(after, "mudroom-receptacles")));
        // Every other stays, and the numbers are written from now on.
        Assert.All(before.Panels.SelectMany(p => p.Circuits).Where(c => c.Key.Value is not ("k-micro" or "mudroom-receptacles")),
            c => Assert.Equal(c.Space, after.Landed(c.Key)!.Space));
        Assert.Contains("numbers written", text, StringComparison.Ordinal);
        await visitor.PostAsync("/job/demo/panel?handler=Reland");
        Assert.Equal(micro, Space(await NowAsync(), "k-micro"));
    }

    [Fact]
    public async Task What_landing_would_do_is_told_and_nothing_is_changed()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var plan = await NowAsync();
        var effect = WebUtility.HtmlDecode(
            await visitor.GetAsync($"/job/demo/panel?handler=Land&circuit=k-micro&space={Space(plan, "mudroom-receptacles")}"));
        Assert.Contains("Mudroom receptacles", effect, StringComparison.Ordinal);
        Assert.Contains("no other breaker moves", effect, StringComparison.Ordinal);
        Assert.Contains("Cannot be.", await visitor.GetAsync("/job/demo/panel?handler=Land&circuit=k-range&space=41"),
            StringComparison.Ordinal);
        Assert.Single(await host.Revisions.OfAsync(new("demo")));
    }

    [Fact]
    public async Task Written_numbers_stay_when_an_outlet_is_added()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        await visitor.PostAsync("/job/demo/panel?handler=Write");
        var before = await NowAsync();
        Assert.Equal(before.Circuits.Length, before.Job.Written.Length);
        await visitor.PostAsync("/job/demo/circuits?handler=Individual", ("box", "k-fridge"), ("individual", "true"), ("anyway", "true"));
        var after = await NowAsync();
        Assert.Equal(before.Circuits.Length + 1, after.Circuits.Length);
        Assert.All(before.Panels.SelectMany(p => p.Circuits), c => Assert.Equal(c.Space, after.Landed(c.Key)!.Space));
    }

    [Fact]
    public async Task Words_labels_and_old_breakers_are_kept()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        await visitor.PostAsync("/job/demo/panel?handler=Describe", ("circuit", "k-micro"), ("text", "Kitchen microwave, over the range"));
        await visitor.PostAsync("/job/demo/panel?handler=Family", ("circuit", "k-micro"), ("family", "Type Q"));
        await visitor.PostAsync("/job/demo/panel?handler=Listing", ("panel", "A"), ("fields.family", "Type N"),
            ("fields.neutralTerminals", "30"), ("fields.groundsUnderScrew", "2"), ("fields.barTorque", "35 in-lb as marked"));
        await visitor.PostAsync("/job/demo/panel?handler=Taken", ("panel", "A"), ("space", "42"), ("poles", "1"), ("rating", "15 A"),
            ("description", "Old well"), ("load", "600 VA"));
        var plan = await NowAsync();
        Assert.Equal("Kitchen microwave, over the range", plan.Landed(new("k-micro"))!.Description);
        Assert.Contains(plan.Tags, t => t.Rule == "110.3(B)");
        Assert.Equal(("Type N", 30, 2),
            (plan.Job.Panels[0].Listing.Family!, plan.Job.Panels[0].Listing.NeutralTerminals!.Value,
                plan.Job.Panels[0].Listing.GroundsUnderScrew));
        Assert.Equal("Old well", Assert.Single(plan.Job.Panels[0].Taken).Description);
        var sheet = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/make-up/A"));
        Assert.Contains("Torque: 35 in-lb as marked.", sheet, StringComparison.Ordinal);
        Assert.Contains("________ from the marking", sheet, StringComparison.Ordinal);
        await visitor.PostAsync("/job/demo/panel?handler=DropTaken", ("panel", "A"), ("space", "42"));
        Assert.Empty((await NowAsync()).Job.Panels[0].Taken);
    }

    [Theory]
    [InlineData("Land", "space", "many", "is no space; write 14")]
    [InlineData("Land", "space", "3a", "lists no tandem breaker in space 3")]
    [InlineData("Listing", "fields.tandemSpaces", "9-3", "is no space; write them like 17-24, 30")]
    [InlineData("Listing", "fields.tandemSpaces", "43", "spaces 1 to 42, each once")]
    [InlineData("Listing", "fields.circuits", "40", "must lie from 42 to 168")]
    [InlineData("Land", "space", "99", "has spaces 1 to 42")]
    [InlineData("Describe", "circuit", "gone", "not in this job any more")]
    [InlineData("Listing", "fields.neutralTerminals", "lots", "is no whole number")]
    [InlineData("Listing", "fields.groundsUnderScrew", "9", "must lie from 1 to 3")]
    [InlineData("Taken", "rating", "big", "a current; write it like")]
    [InlineData("Taken", "space", "43", "spaces 1 to 42")]
    [InlineData("DropTaken", "space", "7", "stands in space 7")]
    public async Task What_cannot_be_is_told_and_nothing_is_saved(string handler, string field, string typed, string says)
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var fields = new Dictionary<string, string>
        {
            ["panel"] = "A",
            ["circuit"] = "k-micro",
            ["space"] = "40",
            ["poles"] = "1",
            ["rating"] = "20 A",
            ["description"] = "Old",
            [field] = typed
        };
        var (status, text, _) = await visitor.PostAsync($"/job/demo/panel?handler={handler}", [.. fields.Select(f => (f.Key, f.Value))]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.True(WebUtility.HtmlDecode(text).Contains(says, StringComparison.Ordinal), text);
        Assert.Single(await host.Revisions.OfAsync(new("demo")));
    }

    [Fact] // what the card of the place does not ask, the label and what stands there, stays
    public async Task A_panel_that_is_hung_elsewhere_keeps_its_label()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        await visitor.PostAsync("/job/demo/panel?handler=Listing", ("panel", "A"), ("fields.family", "Type N"), ("fields.circuits", "60"),
            ("fields.tandemSpaces", "29-42"), ("fields.bonded", "true"));
        await visitor.PostAsync("/job/demo/panel?handler=Taken", ("panel", "A"), ("space", "42b"), ("poles", "1"), ("rating", "15 A"),
            ("description", "Old well"), ("load", "600 VA"), ("use", "Fixed"));
        var panel = (await NowAsync()).Job.Panels[0];
        (string, string)[] place = [("fields.id", "A"), ("fields.wall", $"{panel.Room}.{panel.Wall}"),
            ("fields.offset", panel.Offset.ToString()), ("fields.top", "5-6"), ("fields.rating", "200 A"), ("fields.spaces", "42")];
        await visitor.PostAsync("/job/demo/house?handler=Panel", place);
        var after = (await NowAsync()).Job.Panels[0];
        Assert.Equal(Circuitum.Core.Units.Length.Parse("5-6"), after.Top);
        Assert.Equal(("Type N", 60, 14, true),
            (after.Listing.Family!, after.Listing.Circuits!.Value, after.Listing.TandemSpaces.Length, after.Listing.Bonded!.Value));
        Assert.Equal((new PanelSpace(42, SpaceHalf.Lower), TakenUse.Fixed), (Assert.Single(after.Taken).Space, after.Taken[0].Use));
        var page = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/panel"));
        Assert.Contains("value=\"29-42\"", page, StringComparison.Ordinal);
        Assert.Contains("42b Old well", page, StringComparison.Ordinal);
        Assert.Contains("42a spare", page, StringComparison.Ordinal);
        await visitor.PostAsync("/job/demo/panel?handler=DropTaken", ("panel", "A"), ("space", "42b"));
        Assert.Empty((await NowAsync()).Job.Panels[0].Taken);
    }

    [Fact]
    public async Task A_generator_a_disconnect_and_a_dwelling_that_stood_before_are_set()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        (string, string)[] fields = [("fields.method", "Optional"), ("fields.metal", "Aluminium"), ("fields.rods", "2"),
            ("fields.generator", "TransferPanel"), ("fields.transferPanel", "A"), ("fields.inlet", "30 A"), ("fields.existing", "true"),
            ("fields.newClimate", "true"), ("fields.existingArea", "1,200 ft²"), ("fields.measuredPeak", "60"),
                ("fields.bondedAtDisconnect", "true"), ("fields.outdoorDisconnect", "true"), ("fields.surgeProtection", "true"),
                ("fields.intersystemBonding", "true")];
        await visitor.PostAsync("/job/demo/load?handler=Service", fields);
        var plan = await NowAsync();
        Assert.Equal((GeneratorWay.TransferPanel, "A", 1200m, true, true),
            (plan.Job.Service.Generator, plan.Job.Service.TransferPanel!.Value.Value, plan.Job.Service.ExistingArea.Value,
                plan.Job.Service.NewClimate, plan.Job.Service.BondedAtDisconnect));
        var page = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/load"));
        Assert.Contains("By measured demand (220.87), sized by this", page, StringComparison.Ordinal);
        Assert.Contains("bonded at the outdoor disconnect and nowhere beyond", page, StringComparison.Ordinal);
        Assert.Contains("Feeder of panel", page, StringComparison.Ordinal);
        Assert.Contains(plan.Tags, t => t.Headline == "The generator's inlet is not drawn.");
        Assert.Contains("4 wires from the disconnect", await visitor.GetAsync("/job/demo/panel"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_service_is_shown_by_both_methods_and_set()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var text = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/load"));
        Assert.Contains("Standard method, Part III", text, StringComparison.Ordinal);
        Assert.Contains("Optional method (220.82), sized by this", text, StringComparison.Ordinal);
        (string, string)[] fields = [("fields.method", "Standard"), ("fields.metal", "Copper"), ("fields.rods", "1"),
            ("fields.generator", "None"), ("fields.future", "2 kVA")];
        var (status, after, _) = await visitor.PostAsync("/job/demo/load?handler=Service", fields);
        Assert.Equal(HttpStatusCode.OK, status);
        var plan = await NowAsync();
        Assert.Equal((LoadMethod.Standard, 1, FeederMetal.Copper),
            (plan.Job.Service.Method, plan.Job.Service.Rods, plan.Job.Service.Metal));
        Assert.Contains(plan.Tags, t => t.Rule == "220.40, 230.42");
        await visitor.GetAsync("/job/demo/panel");
        var (refused, why, _) = await visitor.PostAsync("/job/demo/load?handler=Service",
            [.. fields.Select(f => f.Item1 == "fields.rods" ? ("fields.rods", "9") : f)]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused);
        Assert.Contains("must lie from 0 to 6", why, StringComparison.Ordinal);
        Assert.NotNull(after);
    }

    [Theory]
    [InlineData("Letter")]
    [InlineData("a4")]
    [InlineData("Door")]
    public async Task The_schedule_is_printed(string paper)
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var (_, _, answer) = await visitor.PostAsync("/job/demo/prints/A?handler=Pdf", inPlace: false, ("paper", paper));
        Assert.Equal("application/pdf", answer.Content.Headers.ContentType!.MediaType);
        Assert.StartsWith("%PDF", Encoding.ASCII.GetString((await answer.Content.ReadAsByteArrayAsync())[..4]), StringComparison.Ordinal);
    }

    [Theory] // an act that no page knows, on a panel that is not there
    [InlineData("/job/demo/prints/Z")]
    [InlineData("/job/demo/make-up/Z")]
    [InlineData("/job/demo/places/Z")]
    public async Task An_act_on_what_is_not_there_is_not_found(string address)
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var (_, _, answer) = await visitor.PostAsync(address, inPlace: false, ("from", "1"));
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    [Theory]
    [InlineData("/job/demo/prints/A?handler=HomeRuns&paper=Door", HttpStatusCode.UnprocessableEntity)]
    [InlineData("/job/demo/prints/Z?handler=HomeRuns", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/prints/Z", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/make-up/Z", HttpStatusCode.NotFound)]
    [InlineData("/job/none/load", HttpStatusCode.NotFound)]
    [InlineData("/job/demo/prints/A?since=99", HttpStatusCode.UnprocessableEntity)]
    [InlineData("/job/demo/find?room=kitchen", HttpStatusCode.OK)]
    public async Task What_is_not_there_is_told(string address, HttpStatusCode status)
    {
        using var client = host.CreateClient();
        using var answer = await client.GetAsync(address);
        Assert.Equal(status, answer.StatusCode);
    }

    [Fact] // what hangs in the door is known: the change sheet begins from the newest print
    public async Task Prints_are_kept_and_the_change_sheet_begins_from_the_newest()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        Assert.DoesNotContain("Printed so far", await visitor.GetAsync("/job/demo/prints/A"), StringComparison.Ordinal);
        using var client = host.CreateClient();
        async Task<HttpStatusCode> PrintAsync(string paper) =>
            (await visitor.PostAsync("/job/demo/prints/A?handler=Pdf", inPlace: false, ("paper", paper))).Status;
        // Whoever prints before the numbers are written is asked.
        Assert.Contains("The numbers are not written yet.", await visitor.GetAsync("/job/demo/prints/A"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, await PrintAsync("Door"));
        // A link, from here or from elsewhere, prints nothing.
        await client.GetAsync("/job/demo/prints/A?handler=Pdf&paper=Letter");
        await visitor.GetAsync("/job/demo/panel");
        await visitor.PostAsync("/job/demo/panel?handler=Describe", ("circuit", "k-micro"), ("text", "Kitchen microwave, over the range"));
        Assert.Equal(HttpStatusCode.OK, await PrintAsync("A4"));
        // Neither a refused sheet nor the home runs are the schedule in the door.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await PrintAsync("Poster"));
        (await client.GetAsync("/job/demo/prints/A?handler=HomeRuns&paper=A4")).EnsureSuccessStatusCode();
        var page = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/prints/A"));
        Assert.Contains("value=\"2\"", page, StringComparison.Ordinal);
        Assert.Matches("Revision 2</a>, A4, .*: as it is now", page);
        Assert.Matches("Revision 1</a>, Door, .*\\d", page);
        Assert.DoesNotMatch("Revision \\d</a>, Letter", page);
        Assert.DoesNotContain("Poster", page, StringComparison.Ordinal);
        var since = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/prints/A?since=1"));
        Assert.Contains("1 difference from revision 1", since.ReplaceLineEndings(" "), StringComparison.Ordinal);
        Assert.DoesNotContain("Printed so far", await visitor.GetAsync("/job/demo/prints/G"), StringComparison.Ordinal);
        await visitor.GetAsync("/job/demo/panel");
        await visitor.PostAsync("/job/demo/panel?handler=Write");
        Assert.DoesNotContain("The numbers are not written yet.", await visitor.GetAsync("/job/demo/prints/A"), StringComparison.Ordinal);
    }

    private static Task<(HttpStatusCode Status, string Text)> CompareAsync(Visitor visitor, string name, byte[] file) =>
        visitor.SendFileAsync("/job/demo/prints/A", "/job/demo/prints/A?handler=Compare", "sheet", name, file);

    [Fact]
    public async Task A_typed_schedule_is_held_against_the_plan()
    {
        var visitor = await host.AtAsync("/job/demo/prints/A");
        var own = Encoding.UTF8.GetBytes(Formats.Csv.CsvFiles.Schedule(await NowAsync()));
        Assert.Contains("Nothing differs", (await CompareAsync(visitor, "own.csv", own)).Item2, StringComparison.Ordinal);
        var (status, text) = await CompareAsync(visitor, "typed.csv", Encoding.UTF8.GetBytes("space,description\n17,<b>=1+1</b>\n"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("<td><b>=1+1</b></td>", text, StringComparison.Ordinal);
        Assert.Contains("missing", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("slot,what\n1,x\n", "names no column")]
    [InlineData("space,description\n3,a\n3,b\n", "stands in line 2 already")]
    [InlineData("space,description,panel\n3,a,Q\n", "which this job has not")]
    [InlineData("", "Choose a CSV file")]
    public async Task A_wrong_sheet_is_answered_with_one_sentence(string sheet, string says)
    {
        var visitor = await host.AtAsync("/job/demo/prints/A");
        var (status, text) = await CompareAsync(visitor, "typed.csv", Encoding.UTF8.GetBytes(sheet));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, WebUtility.HtmlDecode(text), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(5, HttpStatusCode.UnprocessableEntity, "larger than 512 KB")]
    [InlineData(10, HttpStatusCode.RequestEntityTooLarge, "too large")]
    public async Task Megabytes_are_refused(int megabytes, HttpStatusCode refused, string says)
    {
        var visitor = await host.AtAsync("/job/demo/prints/A");
        var (status, text) = await CompareAsync(visitor, "huge.csv", new byte[megabytes * 1024 * 1024]);
        Assert.Equal(refused, status);
        Assert.Contains(says, WebUtility.HtmlDecode(text), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_panel_is_hung_at_one_of_the_best_places()
    {
        var visitor = await host.AtAsync("/job/demo/house");
        var text = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/places/A"));
        Assert.Contains("Where panel A should stand", text, StringComparison.Ordinal);
        var best = PanelPlaces.Best(await NowAsync(), new("A"), 5)[0];
        var (status, _, _) = await visitor.PostAsync("/job/demo/places/A?handler=Hang", ("room", best.Panel.Room.Value),
            ("wall", $"{best.Panel.Wall}"), ("offset", best.Panel.Offset.ToString()));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(best.Footage, (await NowAsync()).Footage);
    }

    [Fact]
    public async Task What_changed_since_a_printed_sheet_is_told()
    {
        var visitor = await host.AtAsync("/job/demo/panel");
        var plan = await NowAsync();
        await visitor.PostAsync("/job/demo/panel?handler=Land", ("circuit", "k-micro"), ("space", "40"));
        var text = WebUtility.HtmlDecode(await visitor.GetAsync("/job/demo/prints/A?since=1"));
        Assert.Contains("1 difference from revision 1", text.ReplaceLineEndings(" "), StringComparison.Ordinal);
        Assert.Contains($"space {Space(plan, "k-micro")}: Microwave, kitchen", text, StringComparison.Ordinal);
    }
}
