using System.Net;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

public sealed class BenchTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Theory]
    [InlineData("house", "House · 27 rooms")]
    [InlineData("boxes", "Boxes · 140")]
    [InlineData("circuits", "Circuits · 31")]
    [InlineData("runs", "Runs · 142")]
    [InlineData("panel", "Panel A · Mudroom")]
    public async Task Every_stage_shows_the_demo(string stage, string says)
    {
        var page = await host.Visit().GetAsync($"/job/demo/{stage}");
        Assert.Contains(says, page, StringComparison.Ordinal);
        Assert.Contains("14 Fernhollow Rise", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_selected_goes_along_to_every_stage_and_what_is_gone_is_put_down()
    {
        var visitor = host.Visit();
        foreach (var stage in new[] { "house", "boxes", "circuits", "runs", "panel" })
        {
            Assert.Contains("Panel A · 31", await visitor.GetAsync($"/job/demo/{stage}?on=box:b-r"), StringComparison.Ordinal);
            Assert.Contains("Select a box or a circuit", await visitor.GetAsync($"/job/demo/{stage}?on=box:ghost"),
                StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("/job/nothing/house")]
    [InlineData("/job/demo/cellar")]
    [InlineData("/job/demo/file/passwords.txt")]
    [InlineData("/nowhere")]
    public async Task An_address_that_leads_nowhere_says_so(string address) =>
        Assert.Contains("There is no such job or page", await host.Visit().GetAsync(address, HttpStatusCode.NotFound),
            StringComparison.Ordinal);

    [Fact]
    public async Task Moving_a_box_saves_a_revision_and_says_what_followed()
    {
        var visitor = await host.AtAsync("/job/demo/boxes?on=box:f-r2");
        var (status, text, response) = await visitor.PostAsync("/job/demo/boxes?on=box:f-r2&handler=Move", ("box", "f-r2"),
            ("offset", "3-0"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(2, visitor.Revision);
        Assert.Contains("Move Family room receptacle 1'-10\".", text, StringComparison.Ordinal);
        Assert.Contains("ft 12-2", text, StringComparison.Ordinal);
        Assert.DoesNotContain("<html", text, StringComparison.Ordinal);
        Assert.Equal("/job/demo/boxes?level=ground&on=box%3Af-r2", Assert.Single(response.Headers.GetValues("HX-Replace-Url")));
        Assert.Equal(36.Inches(), (await host.NewestAsync()).Boxes.Single(b => b.Id.Value == "f-r2").Offset);
    }

    [Theory]
    [InlineData("Move", "box", "f-r2", "offset", "three feet", "“three feet” is no length")]
    [InlineData("Move", "box", "f-r2", "offset", "182\"", "past the end of its wall")]
    [InlineData("Move", "box", "f-r2", "offset", "-1\"", "is not on the east wall of")]
    [InlineData("Move", "box", "ghost", "offset", "3-0", "not in this job any more")]
    [InlineData("Load", "box", "k-range", "load", "lots", "is not a load")]
    [InlineData("Load", "box", "k-range", "load", "60 kW", "50,000 VA")]
    [InlineData("Edition", "edition", "2019", "x", "", "There is no 2019 edition")]
    [InlineData("Device", "box", "f-r2", "kind", "Teapot", "is not on the list")]
    [InlineData("Device", "box", "f-r2", "kind", "3", "is not on the list")]
    [InlineData("PinCable", "circuit", "car", "gauge", "13", "is no conductor size")]
    [InlineData("PinSpace", "circuit", "car", "space", "99", "from 1 to 84")]
    [InlineData("Delete", "box", "ghost", "x", "", "not in this job any more")]
    public async Task What_cannot_be_done_is_answered_with_one_sentence_and_nothing_is_saved(string handler, string first, string one,
        string second, string two, string says)
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        var (status, text, response) = await visitor.PostAsync($"/job/demo/boxes?handler={handler}", (first, one), (second, two),
            ("place", "0"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Equal("#said", Assert.Single(response.Headers.GetValues("HX-Retarget")));
        Assert.Single(await host.Revisions.OfAsync(new("demo")));
    }

    [Fact]
    public async Task What_touches_nothing_of_what_came_first_is_done_on_top_and_told()
    {
        Visitor first = await host.AtAsync("/job/demo/boxes"), second = await host.AtAsync("/job/demo/boxes");
        await first.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "20\""));
        var (status, text, _) = await second.PostAsync("/job/demo/boxes?handler=Height", ("box", "b2-r1"), ("height", "22\""));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("both are done", text, StringComparison.Ordinal);
        Assert.Matches("crew was first with “[^”]*Family room receptacle[^”]*”: both are done", text);
        var boxes = (await host.NewestAsync()).Boxes;
        Assert.Equal((20.Inches(), 22.Inches()), (boxes.Single(b => b.Id.Value == "f-r2").Height!.Value,
            boxes.Single(b => b.Id.Value == "b2-r1").Height!.Value));
        Assert.Equal(3, (await host.Revisions.OfAsync(new("demo"))).Count);
        // What is taken back is the last, and nothing but it.
        await first.PostAsync("/job/demo/boxes?handler=Undo", ("from", "3"));
        boxes = (await host.NewestAsync()).Boxes;
        Assert.Equal(20.Inches(), boxes.Single(b => b.Id.Value == "f-r2").Height!.Value);
        Assert.NotEqual(22.Inches(), boxes.Single(b => b.Id.Value == "b2-r1").Height ?? 0.Inches());
    }

    [Fact] // eight at once, each in a room of their own, all from one revision: nobody is refused and nothing is lost
    public async Task Eight_people_in_eight_rooms_never_meet_a_refusal()
    {
        const int people = 8;
        var there = (await host.NewestAsync()).Boxes;
        var mine = there.Where(b => b.Devices[0].Kind == Core.Jobs.DeviceKind.Duplex).GroupBy(b => b.Room).Select(g => g.First().Id.Value)
            .Take(people).ToList();
        Assert.Equal(people, mine.Count);
        var visitors = new List<Visitor>();
        foreach (var _ in mine)
        {
            visitors.Add(await host.AtAsync("/job/demo/boxes"));
        }

        var answers = await Task.WhenAll(mine.Select((box, i) => visitors[i].PostAsync("/job/demo/boxes?handler=Height", ("box", box),
            ("height", $"{20 + i}\""))));
        Assert.All(answers, a => Assert.Equal(HttpStatusCode.OK, a.Status));
        var after = (await host.NewestAsync()).Boxes;
        Assert.All(Enumerable.Range(0, people),
            i => Assert.Equal((20 + i).Inches(), after.Single(b => b.Id.Value == mine[i]).Height!.Value));
        Assert.Equal(people + 1, (await host.Revisions.OfAsync(new("demo"))).Count);
    }

    [Fact]
    public async Task Two_saves_from_one_revision_the_second_is_told_and_can_go_on_top()
    {
        Visitor first = await host.AtAsync("/job/demo/boxes"), second = await host.AtAsync("/job/demo/boxes");
        await first.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "3-0"));
        var (status, text, _) = await second.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r1"), ("offset", "2-0"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Contains("Not saved: crew was first with revision 2, “Move Family room receptacle 1'-10\"”", text, StringComparison.Ordinal);
        Assert.Contains("name=\"offset\" value=\"2-0\"", text, StringComparison.Ordinal);
        Assert.Contains("Apply mine on top", text, StringComparison.Ordinal);
        Assert.Equal(2, (await host.Revisions.OfAsync(new("demo"))).Count);

        var (again, _, _) = await second.PostAsync("/job/demo/boxes?handler=Move", ("from", "2"), ("box", "f-r1"), ("offset", "2-0"));
        Assert.Equal(HttpStatusCode.OK, again);
        var boxes = (await host.NewestAsync()).Boxes;
        Assert.Equal((24.Inches(), 36.Inches()),
            (boxes.Single(b => b.Id.Value == "f-r1").Offset, boxes.Single(b => b.Id.Value == "f-r2").Offset));
    }

    [Fact]
    public async Task Of_many_saves_at_once_exactly_one_is_taken()
    {
        var visitors = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => host.AtAsync("/job/demo/boxes")));
        var answers = await Task.WhenAll(
            visitors.Select((v, i) => v.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", $"{30 + i}\""))));
        Assert.Equal(1, answers.Count(a => a.Status == HttpStatusCode.OK));
        Assert.Equal(5, answers.Count(a => a.Status == HttpStatusCode.Conflict));
        Assert.Equal(2, (await host.Revisions.OfAsync(new("demo"))).Count);
    }

    [Fact]
    public async Task Undo_and_redo_say_what_they_will_do_and_do_it()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        var was = JobFiles.Write(await host.NewestAsync());
        var (_, moved, _) = await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "3-0"));
        Assert.Contains("Undo “Move Family room receptacle 1'-10\"”", moved, StringComparison.Ordinal);
        var (_, undone, _) = await visitor.PostAsync("/job/demo/boxes?handler=Undo");
        Assert.Contains("Redo “Move Family room receptacle 1'-10\"”", undone, StringComparison.Ordinal);
        Assert.Contains("Nothing to undo", undone, StringComparison.Ordinal);
        Assert.Equal(was, JobFiles.Write(await host.NewestAsync()));
        await visitor.PostAsync("/job/demo/boxes?handler=Redo");
        Assert.Equal(36.Inches(), (await host.NewestAsync()).Boxes.Single(b => b.Id.Value == "f-r2").Offset);
        Assert.Equal(4, (await host.Revisions.OfAsync(new("demo"))).Count);
        var (status, nothing, _) = await visitor.PostAsync("/job/demo/boxes?handler=Redo");
        Assert.Equal((HttpStatusCode.UnprocessableEntity, true),
            (status, nothing.Contains("There is nothing to redo.", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task Another_edition_changes_protection_and_a_school_the_circuits()
    {
        var visitor = await host.AtAsync("/job/demo/house");
        var (_, edition, _) = await visitor.PostAsync("/job/demo/house?handler=Edition", ("edition", "2017"));
        Assert.Contains("Plan by the 2017 edition.", edition, StringComparison.Ordinal);
        Assert.Contains("protection of", edition, StringComparison.Ordinal);
        var (_, school, _) = await visitor.PostAsync("/job/demo/house?handler=Schools", ("lighting", "Apart"), ("bedrooms", "OneEach"),
            ("dishwasher", "OneEach"), ("baths", "MayShare"), ("homeRun", "Own"), ("range", "SmallestThatCarries"), ("way", "LeastLabour"),
            ("feed", "SwitchFirst"));
        Assert.Contains("breakers", school, StringComparison.Ordinal);
        Assert.Equal(BedroomSharing.OneEach, (await host.NewestAsync()).Schools.Bedrooms);
    }

    [Fact]
    public async Task An_act_that_no_page_knows_is_refused()
    {
        var visitor = await host.AtAsync("/job/demo/house");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await visitor.PostAsync("/job/demo/house?handler=Demolish")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.PostAsync("/job/nobody/house?handler=Demolish")).Status);
    }

    [Fact]
    public async Task A_larger_range_is_one_field_and_its_circuit_follows()
    {
        var visitor = await host.AtAsync("/job/demo/boxes?on=box:k-range");
        await visitor.PostAsync("/job/demo/house?handler=Schools", ("lighting", "Apart"), ("bedrooms", "NeighboursShare"),
            ("dishwasher", "OneWhereItFits"), ("baths", "MayShare"), ("homeRun", "Own"), ("range", "SmallestThatCarries"),
            ("way", "LeastLabour"), ("feed", "SwitchFirst"));
        var (_, text, _) = await visitor.PostAsync("/job/demo/boxes?on=box:k-range&handler=Load", ("box", "k-range"), ("place", "0"),
            ("load", "18 kW"));
        // 8 kW × 1.30 = 10.4 kW, 43.3 A: 45 A on 6-3, where 12 kW was 40 A on 8-3.
        Assert.Contains("Induction range, kitchen now 45 A on 6-3", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_box_can_be_added_and_is_then_selected_and_deleted_again()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        var (_, added, response) = await visitor.PostAsync("/job/demo/boxes?handler=Add", ("room", "study"), ("wall", "2"),
            ("offset", "1-6"), ("kind", "Duplex"));
        Assert.Contains("box%3Astudy-1", Assert.Single(response.Headers.GetValues("HX-Replace-Url")), StringComparison.Ordinal);
        Assert.Contains("Boxes · 141", added, StringComparison.Ordinal);
        var (_, deleted, _) = await visitor.PostAsync("/job/demo/boxes?on=box:study-1&handler=Delete", ("box", "study-1"));
        Assert.Contains("Boxes · 140", deleted, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_tags_fix_is_one_act_and_means_nothing_in_another_revision()
    {
        var visitor = await host.AtAsync("/job/demo/circuits?on=circuit:laundry");
        var plan = Core.Plans.Planner.Plan(await host.NewestAsync());
        var index = plan.Tags.Select((t, i) => (t, i))
            .First(x => x.t.Rule == "210.11(C)(3)").i.ToString(System.Globalization.CultureInfo.InvariantCulture);
        var (status, text, _) = await visitor.PostAsync("/job/demo/circuits?handler=Fix", ("tag", index), ("fix", "0"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("2 red tags fewer", text, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Conflict,
            (await visitor.PostAsync("/job/demo/circuits?handler=Fix", ("from", "1"), ("tag", index), ("fix", "0"))).Status);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/job/demo/circuits?handler=Fix", ("tag", "999"), ("fix", "0"))).Status);
    }

    [Fact]
    public async Task A_form_without_its_token_or_its_revision_is_refused()
    {
        var visitor = host.Visit();
        Assert.Equal(HttpStatusCode.BadRequest,
            (await visitor.PostAsync("/job/demo/boxes?handler=Move", ("box", "f-r2"), ("offset", "3-0"))).Status);
        await visitor.GetAsync("/job/demo/boxes");
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await visitor.PostAsync("/job/demo/boxes?handler=Move", ("from", "soon"), ("box", "f-r2"), ("offset", "3-0"))).Status);
        Assert.Single(await host.Revisions.OfAsync(new("demo")));
    }

    [Fact]
    public async Task Without_scripts_a_form_answers_with_the_whole_page()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        var (status, text, _) = await visitor.PostAsync("/job/demo/boxes?handler=Move", inPlace: false, ("box", "f-r2"), ("offset", "3-0"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("<html", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_history_names_who_was_at_the_bench()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        await visitor.PostAsync("/?handler=Who", ("who", " Lead, crew two "));
        await visitor.PostAsync("/job/demo/boxes?handler=Delete", ("box", "f-r2"));
        Assert.Equal(["Circuitum", "Lead, crew two"], (await host.Revisions.OfAsync(new("demo"))).Select(r => r.Who));
        Assert.Equal(24, Web.Bench.Crew.Plain(new string('x', 60)).Length);
    }

    [Fact]
    public async Task The_schedule_as_CSV_is_the_plans_and_the_job_file_comes_back_as_it_went()
    {
        var visitor = host.Visit();
        Assert.Equal(CsvFiles.Schedule(Core.Plans.Planner.Plan(await host.NewestAsync())),
            await (await visitor.Http.GetAsync("/job/demo/file/schedule.csv")).Content.ReadAsStringAsync());
        var file = await visitor.Http.GetByteArrayAsync("/job/demo/file/job.circuitum.json");
        var (status, _) = await visitor.BringAsync(file);
        Assert.Equal(HttpStatusCode.Redirect, status);
        Assert.Equal(1 + Demo.All.Count, (await host.Revisions.ListAsync()).Count);
    }

    [Fact]
    public async Task The_demo_can_be_reset_and_even_that_can_be_undone()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Delete", ("box", "f-r2"));
        Assert.Equal(139, (await host.NewestAsync()).Boxes.Length);
        await visitor.PostAsync("/?handler=Reset");
        Assert.Equal(140, (await host.NewestAsync()).Boxes.Length);
        await visitor.GetAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Undo");
        Assert.Equal(139, (await host.NewestAsync()).Boxes.Length);
    }

    [Fact]
    public async Task Pages_forbid_scripts_and_styles_from_elsewhere()
    {
        var response = await host.Visit().Http.GetAsync("/job/demo/house");
        Assert.StartsWith("default-src 'self'", Assert.Single(response.Headers.GetValues("Content-Security-Policy")),
            StringComparison.Ordinal);
        Assert.DoesNotMatch("(src|href)=\"https?://", await response.Content.ReadAsStringAsync());
    }
}
