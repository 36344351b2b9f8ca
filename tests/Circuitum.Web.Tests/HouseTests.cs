using System.Net;
using System.Net.Http.Headers;
using System.Text;

namespace Circuitum.Web.Tests;

/// <summary>Drawing a house and laying it out, over HTTP: what is asked is done, what cannot be done is told, nothing is half
/// saved.</summary>
public sealed class HouseTests : IClassFixture<BenchHost>
{
    private readonly BenchHost host;

    public HouseTests(BenchHost host) => this.host = host;

    private static (string, string)[] Answers(params (string Name, string Value)[] other)
    {
        var usual = new Dictionary<string, string>
        {
            ["name"] = "Cottage",
            ["edition"] = "2020",
            ["rules"] = "",
            ["storeys"] = "1",
            ["foundation"] = "CrawlSpace",
            ["ceiling"] = "8-1",
            ["floorRun"] = "NorthSouth",
            ["floorSpacing"] = "1-4",
            ["roofRun"] = "NorthSouth",
            ["roofSpacing"] = "2-0",
            ["attic"] = "50 °C",
            ["service"] = "200 A",
            ["spaces"] = "42",
            ["use"] = "Kitchen",
            ["first"] = "Kitchen",
            ["width"] = "14-0",
            ["depth"] = "12-0",
            ["panelWall"] = "4",
            ["outlets"] = "",
            ["by"] = "county",
        };
        foreach (var (name, value) in other)
        {
            usual[name] = value;
        }

        return [.. usual.Select(u => (u.Key, u.Value))];
    }

    // A plain form: its token comes from the page itself.
    private static async Task<HttpResponseMessage> FormAsync(Visitor visitor, string page, string post,
        params (string Name, string Value)[] fields)
    {
        var html = await visitor.Http.GetStringAsync(page);
        var token = System.Text.RegularExpressions.Regex.Match(html,
            "name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)").Groups[1].Value;
        return await visitor.Http.PostAsync(post,
            new FormUrlEncodedContent([.. fields.Select(f => new KeyValuePair<string, string>(f.Name, f.Value)),
                new("__RequestVerificationToken", token)]));
    }

    private async Task<(Visitor Visitor, string Job)> CottageAsync()
    {
        var visitor = host.Visit();
        var started = await FormAsync(visitor, "/new", "/new", Answers());
        Assert.Equal(HttpStatusCode.Redirect, started.StatusCode);
        var job = started.Headers.Location!.OriginalString.Split('/')[2];
        await visitor.GetAsync($"/job/{job}/house");
        return (visitor, job);
    }

    [Fact] // what the electrical work asks of a house beyond its rooms: where the attic is entered, whether it is damp underneath
    public async Task A_hatch_is_drawn_and_a_damp_floor_is_said()
    {
        var (v, job) = await CottageAsync();
        await DoneAsync(v, job, "house", "AddFixture", ("room", "kitchen"), ("fields.kind", "AtticHatch"), ("fields.x", "3-0"),
            ("fields.y", "4-0"));
        Assert.Contains("hatch</text>", await v.GetAsync($"/job/{job}/house"), StringComparison.Ordinal);
        var file = await v.GetAsync($"/job/{job}/file/job.circuitum.json");
        Assert.Contains("\"kind\": \"attic-hatch\"", file, StringComparison.Ordinal);
        Assert.DoesNotContain("dampUnderfloor", file, StringComparison.Ordinal);

        var structure = System.Text.RegularExpressions.Regex.Match(file, "\"structures\": \\[\\s*{\\s*\"id\": \"([^\"]+)").Groups[1].Value;
        (string, string)[] damp = [("structure", structure), ("name", "Cottage"), ("dampUnderfloor", "true")];
        await DoneAsync(v, job, "house", "Structure", [.. damp, ("underfloor", "CrawlSpace")]);
        Assert.Contains("\"dampUnderfloor\": true", await v.GetAsync($"/job/{job}/file/job.circuitum.json"), StringComparison.Ordinal);
        // A slab has nothing under it.
        await DoneAsync(v, job, "house", "Structure", [.. damp, ("underfloor", "Slab")]);
        Assert.DoesNotContain("dampUnderfloor", await v.GetAsync($"/job/{job}/file/job.circuitum.json"), StringComparison.Ordinal);
    }

    [Fact] // said on the card of a door; nothing is said of one at grade that is left alone
    public async Task A_door_leads_onto_a_deck_or_not()
    {
        var (v, job) = await CottageAsync();
        const string owed = "no receptacle on the balcony, deck or porch outside its slider";
        await DoneAsync(v, job, "house", "AddOpening", ("wall", "kitchen.1"), ("fields.kind", "Slider"), ("fields.offset", "1-0"),
            ("fields.width", "5-0"));
        Assert.DoesNotContain(owed, await v.GetAsync($"/job/{job}/boxes"), StringComparison.Ordinal);
        (string, string)[] door = [("opening", "kitchen-o-1"), ("wall", "1"), ("fields.kind", "Slider"), ("fields.offset", "1-0"),
            ("fields.width", "5-0")];
        await DoneAsync(v, job, "house", "Opening", [.. door, ("fields.deck", "yes")]);
        Assert.Contains(owed, await v.GetAsync($"/job/{job}/boxes"), StringComparison.Ordinal);
        Assert.Contains("<option value=\"yes\" selected", await v.GetAsync($"/job/{job}/house?on=opening%3Akitchen-o-1"),
            StringComparison.Ordinal);
        await RefusedAsync(v, job, "house", "Opening", "a deck or none", [.. door, ("fields.deck", "perhaps")]);
        await DoneAsync(v, job, "house", "Opening", [.. door, ("fields.deck", "no")]);
        Assert.DoesNotContain(owed, await v.GetAsync($"/job/{job}/boxes"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_house_without_boxes_has_nothing_to_switch_on_and_says_so()
    {
        var (visitor, job) = await CottageAsync();
        Assert.Contains("There is nothing to switch on yet", await visitor.GetAsync($"/job/{job}/prove"), StringComparison.Ordinal);
    }

    private static async Task<string> DoneAsync(Visitor visitor, string job, string stage, string handler, params (string, string)[] fields)
    {
        var (status, text, _) = await visitor.PostAsync($"/job/{job}/{stage}?handler={handler}", fields);
        Assert.True(status == HttpStatusCode.OK,
            $"{handler}: {status} {System.Text.RegularExpressions.Regex.Replace(text, "<[^>]*>|\\s+", " ")}");
        return text;
    }

    private static async Task RefusedAsync(Visitor visitor, string job, string stage, string handler, string says,
        params (string, string)[] fields)
    {
        var before = visitor.Revision;
        var (status, text, _) = await visitor.PostAsync($"/job/{job}/{stage}?handler={handler}", fields);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, text, StringComparison.Ordinal);
        await visitor.GetAsync($"/job/{job}/{stage}");
        Assert.Equal(before, visitor.Revision);
    }

    [Theory]
    [InlineData("name", "", "1 to 60 characters")]
    [InlineData("width", "wide", "“wide” is no length")]
    [InlineData("storeys", "9", "1 to 4 stories")]
    [InlineData("service", "9999", "30 to 400 A")]
    [InlineData("spaces", "41", "even number from 4 to 84")]
    [InlineData("ceiling", "30-0", "6 to 20 ft")]
    [InlineData("outlets", "99", "from 1 to 40")]
    [InlineData("use", "Dungeon", "is not on the list")]
    [InlineData("rules", "Nobody’s", "no set of house rules")]
    public async Task An_answer_that_cannot_be_is_told_and_the_others_stay(string field, string value, string says)
    {
        var response = await FormAsync(host.Visit(), "/new", "/new", Answers((field, value)));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var text = WebUtility.HtmlDecode(await response.Content.ReadAsStringAsync());
        Assert.Contains(says, text, StringComparison.Ordinal);
        Assert.Contains("value=\"county\"", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_house_is_drawn_room_by_room_and_every_part_can_be_changed()
    {
        var (v, job) = await CottageAsync();
        Assert.Contains("Add Bedroom 1, 10'-0\" × 12'-0\" inside",
            await DoneAsync(v, job, "house", "AddRoom", ("beside", "kitchen"), ("wall", "2"), ("corner", "0"), ("along", "12-0"),
                ("away", "10-0"), ("name", ""), ("use", "Bedroom")), StringComparison.Ordinal);
        Assert.Contains("Draw Den",
            await DoneAsync(v, job, "house", "DrawRoom", ("level", "ground"), ("use", "Den"), ("x", "0"), ("y", "150.5\""),
                ("toX", "14-0"), ("toY", "24-0")), StringComparison.Ordinal);
        await DoneAsync(v, job, "house", "NameRoom", ("room", "den"), ("name", "Study"));
        Assert.Contains("Use Study as hall", await DoneAsync(v, job, "house", "RoomUse", ("room", "den"), ("use", "Hall")),
            StringComparison.Ordinal);
        await DoneAsync(v, job, "house", "AddOpening", ("wall", "kitchen.2"), ("fields.kind", "Door"), ("fields.offset", "1-0"));
        await DoneAsync(v, job, "house", "SlideOpening", ("opening", "kitchen-o-1"), ("offset", "2-0"));
        await DoneAsync(v, job, "house", "Opening", ("opening", "kitchen-o-1"), ("wall", "2"), ("fields.kind", "Cased"),
            ("fields.offset", "2-0"), ("fields.width", "3-0"));
        await DoneAsync(v, job, "house", "AddFixture", ("room", "kitchen"), ("fields.kind", "Counter"), ("fields.wall", "1"),
            ("fields.offset", "0"));
        await DoneAsync(v, job, "house", "SlideFixture", ("fixture", "kitchen.1"), ("offset", "1-0"));
        await DoneAsync(v, job, "house", "Fixture", ("fixture", "kitchen.1"), ("fields.kind", "Counter"), ("fields.wall", "1"),
            ("fields.offset", "1-0"), ("fields.width", "7-0"), ("fields.depth", "25\""));
        await DoneAsync(v, job, "house", "BuildWall", ("wall", "bedroom-1.2"), ("framing", "InsulatedPanel"), ("spacing", "4-0"),
            ("chases", "1-4, 4-0"), ("firstChase", "0-8"), ("chaseWidth", "1 1/4\""));
        Assert.Matches("name=\"firstChase\"\\s+value=\"8(\"|&)", await v.GetAsync($"/job/{job}/house?on=wall:bedroom-1.2"));
        await DoneAsync(v, job, "house", "WallLength", ("wall", "bedroom-1.1"), ("clear", "11-0"));
        await DoneAsync(v, job, "house", "KeepBays", ("wall", "kitchen.1"), ("keptFor", "drain"), ("offset", "10-0"), ("width", "1-4"));
        await DoneAsync(v, job, "house", "LeaveChase", ("wall", "kitchen.1"), ("keptFor", "later"), ("offset", "9-0"), ("cord", "true"));
        await DoneAsync(v, job, "house", "AddObstruction", ("level", "ground"), ("fields.kind", "Beam"), ("fields.x", "0"),
            ("fields.y", "12-0"), ("fields.width", "10-0"), ("fields.depth", "4\""));
        await DoneAsync(v, job, "house", "SlideObstruction", ("obstruction", "ground.1"), ("x", "1-0"), ("y", "12-0"));
        await DoneAsync(v, job, "house", "Level", ("fields.level", "ground"), ("fields.name", "Main"), ("fields.ceilingHeight", "9-0"),
            ("fields.run", "EastWest"), ("fields.spacing", "1-4"), ("fields.joistDepth", "9 1/4\""), ("fields.floorRun", "EastWest"),
            ("fields.floorSpacing", "1-4"), ("fields.floorDepth", "9 1/4\""), ("fields.attic", "true"), ("fields.above", "55 °C"));
        await DoneAsync(v, job, "house", "AddLevel", ("structure", "house"), ("name", "Upper"));
        await DoneAsync(v, job, "house", "FirstRoom", ("level", "upper"), ("use", "Bedroom"), ("width", "12-0"), ("depth", "10-0"));
        await DoneAsync(v, job, "house", "AddStructure", ("name", "Greenhouse"), ("use", "Greenhouse"), ("width", "16-0"),
            ("depth", "10-0"), ("east", "0"), ("south", "80-0"), ("fedFrom", "A"), ("rating", "60 A"), ("cover", "1-6"));
        await DoneAsync(v, job, "house", "Panel", ("fields.id", "C"), ("fields.wall", "bedroom-1.1"), ("fields.offset", "5-0"),
            ("fields.rating", "100 A"), ("fields.spaces", "20"), ("fields.fedFrom", "A"));
        await DoneAsync(v, job, "house", "SlidePanel", ("panel", "C"), ("offset", "6-0"));
        await DoneAsync(v, job, "boxes", "Want", ("wall", "bedroom-1.3"), ("kind", "Desk"), ("offset", "1-0"), ("width", "4-0"));
        await DoneAsync(v, job, "house", "Hold", ("subject", "room:kitchen"), ("field", "Size"), ("what", "cabinet layout"),
            ("who", "the owner"), ("by", "board"));
        var text = await DoneAsync(v, job, "boxes", "LayOut", ("room", ""));
        Assert.Contains("Lay out the job by rule", text, StringComparison.Ordinal);
        foreach (var stage in new[] { "house", "boxes", "circuits", "runs", "panel" })
        {
            await v.GetAsync($"/job/{job}/{stage}");
        }

        foreach (var on in new[] { "wall:kitchen.1", "opening:kitchen-o-1", "fixture:kitchen.1", "bays:bays-1", "chase:chase-1",
            "obstruction:ground.1", "level:ground", "structure:house", "want:want-1", "panel:C", "room:den" })
        {
            Assert.Contains("data-selected=\"" + on, await v.GetAsync($"/job/{job}/house?on={on}"), StringComparison.Ordinal);
        }

        Assert.Contains("cabinet layout", await v.GetAsync($"/job/{job}/marks"), StringComparison.Ordinal);
        Assert.StartsWith("  0\nSECTION", await v.Http.GetStringAsync($"/job/{job}/file/ground.dxf"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_cannot_be_is_told_in_one_sentence_and_nothing_is_saved()
    {
        var (v, job) = await CottageAsync();
        await RefusedAsync(v, job, "house", "AddRoom", "“ten” is no length", ("beside", "kitchen"), ("wall", "2"), ("corner", "0"),
            ("along", "ten"), ("away", "9-0"), ("use", "Den"));
        await RefusedAsync(v, job, "house", "AddRoom", "is not in this job", ("beside", "cellar"), ("wall", "2"), ("corner", "0"),
            ("along", "9-0"), ("away", "9-0"), ("use", "Den"));
        await RefusedAsync(v, job, "house", "AddRoom", "there is no wall 7", ("beside", "kitchen"), ("wall", "7"), ("corner", "0"),
            ("along", "9-0"), ("away", "9-0"), ("use", "Den"));
        await RefusedAsync(v, job, "house", "DrawRoom", "take the same floor", ("level", "ground"), ("use", "Den"), ("x", "1-0"),
            ("y", "1-0"), ("toX", "9-0"), ("toY", "9-0"));
        await RefusedAsync(v, job, "house", "DrawRoom", "more than 1000 ft", ("level", "ground"), ("use", "Den"), ("x", "2000-0"),
            ("y", "1-0"), ("toX", "2009-0"), ("toY", "9-0"));
        await RefusedAsync(v, job, "house", "DeleteRoom", "Panel A stands in Kitchen", ("room", "kitchen"));
        await RefusedAsync(v, job, "house", "AddOpening", "does not fit on the north wall", ("wall", "kitchen.1"), ("fields.kind", "Door"),
            ("fields.offset", "13-0"));
        await RefusedAsync(v, job, "house", "AddOpening", "names no wall", ("wall", "kitchen"), ("fields.kind", "Door"),
            ("fields.offset", "1-0"));
        await RefusedAsync(v, job, "house", "AddFixture", "wall 1 of Kitchen is 14'-0\" clear", ("room", "kitchen"),
            ("fields.kind", "Counter"), ("fields.wall", "1"), ("fields.offset", "9-0"));
        await RefusedAsync(v, job, "house", "SlideFixture", "not there any more", ("fixture", "kitchen.4"), ("offset", "1-0"));
        await RefusedAsync(v, job, "house", "BuildWall", "spacing must lie from 8 to 48 in", ("wall", "kitchen.1"),
            ("framing", "MetalStud"), ("spacing", "9-0"));
        await RefusedAsync(v, job, "house", "Level", "6 to 20 ft", ("fields.level", "ground"), ("fields.name", "Main"),
            ("fields.ceilingHeight", "2-0"), ("fields.run", "EastWest"), ("fields.spacing", "1-4"), ("fields.joistDepth", "9\""),
            ("fields.above", "30"));
        await RefusedAsync(v, job, "house", "Level", "no temperature", ("fields.level", "ground"), ("fields.name", "Main"),
            ("fields.ceilingHeight", "8-0"), ("fields.run", "EastWest"), ("fields.spacing", "1-4"), ("fields.joistDepth", "9\""),
            ("fields.above", "warm"));
        await RefusedAsync(v, job, "house", "DeleteLevel", "Only an empty level", ("level", "ground"));
        await RefusedAsync(v, job, "house", "Hold", "1 to 80 characters", ("subject", "room:kitchen"), ("what", ""));
        await RefusedAsync(v, job, "house", "Hold", "is written like", ("subject", "nothing"), ("what", "x"));
        await RefusedAsync(v, job, "boxes", "Cans", "2 to 10 ft apart", ("room", "kitchen"), ("spacing", "1-0"));
        await RefusedAsync(v, job, "boxes", "CopyBoxes", "no box that fits", ("room", "kitchen"), ("to", "kitchen"));
        await RefusedAsync(v, job, "boxes", "Add", "is not on the list", ("room", "kitchen"), ("wall", "1"), ("offset", "2-0"),
            ("kind", "Candle"));
        await RefusedAsync(v, job, "boxes", "Nudge", "is not in this job", ("boxes", "gone"), ("by", "1\""));
        await RefusedAsync(v, job, "house", "ScaleUnderlay", "No drawing lies under", ("level", "ground"), ("measured", "1-0"),
            ("known", "1-0"));
        await RefusedAsync(v, job, "house", "RoomsFromDrawing", "not here any more", ("level", "ground"), ("layer", "A"),
            ("drawn", "inside"));
    }

    private static async Task<HttpResponseMessage> BringDrawingAsync(Visitor visitor, string job, string name, byte[] bytes)
    {
        var page = await visitor.Http.GetStringAsync($"/job/{job}/house?on=level:ground");
        var token = System.Text.RegularExpressions.Regex.Match(page,
            "name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)").Groups[1].Value;
        var revision = System.Text.RegularExpressions.Regex.Match(page, "data-revision=\"(\\d+)").Groups[1].Value;
        using var form = new MultipartFormDataContent { { new StringContent(token), "__RequestVerificationToken" },
            { new StringContent(revision), "from" }, { new StringContent("ground"), "level" } };
        var part = new ByteArrayContent(bytes);
        part.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        form.Add(part, "file", name);
        return await visitor.Http.PostAsync($"/job/{job}/house?on=level:ground&handler=Underlay", form);
    }

    [Fact]
    public async Task A_drawing_is_laid_under_a_level_scaled_and_rooms_are_made_of_it()
    {
        var (v, job) = await CottageAsync();
        var dxf = Encoding.UTF8.GetBytes(
            "  0\nSECTION\n  2\nENTITIES\n  0\nLWPOLYLINE\n  8\nPLAN\n 90\n4\n 70\n1\n 10\n300\n 20\n0\n 10\n444\n 20\n0\n 10\n444\n "
            + "20\n120\n 10\n300\n 20\n120\n  0\nENDSEC\n  0\nEOF\n");
        var laid = await BringDrawingAsync(v, job, "plan.dxf", dxf);
        Assert.Equal(HttpStatusCode.OK, laid.StatusCode);
        var page = await v.GetAsync($"/job/{job}/house?on=level:ground");
        var address = System.Text.RegularExpressions.Regex.Match(page, "/drawing/[0-9a-f]{64}\\.svg").Value;
        var svg = await v.Http.GetAsync(address);
        Assert.Equal("image/svg+xml", svg.Content.Headers.ContentType!.MediaType);
        await DoneAsync(v, job, "house", "ScaleUnderlay", ("level", "ground"), ("measured", "12-0"), ("known", "12-0"));
        await DoneAsync(v, job, "house", "MoveUnderlay", ("level", "ground"), ("x", "25-0"), ("y", "0"));
        await RefusedAsync(v, job, "house", "RoomsFromDrawing", "Layers that have: PLAN (1)", ("level", "ground"), ("layer", "ROOMS"),
            ("drawn", "inside"));
        Assert.Contains("Read 1 room from a drawing",
            await DoneAsync(v, job, "house", "RoomsFromDrawing", ("level", "ground"), ("layer", "PLAN"), ("drawn", "inside")),
            StringComparison.Ordinal);
        await DoneAsync(v, job, "house", "DropUnderlay", ("level", "ground"));
        await v.GetAsync("/drawing/nothing.svg", HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData("", "Choose a drawing first")]
    [InlineData("no drawing", "no ASCII DXF")]
    [InlineData("<svg><g>", "broken or cut off")]
    public async Task A_bad_drawing_gets_one_message(string content, string says)
    {
        var (v, job) = await CottageAsync();
        var response = await BringDrawingAsync(v, job, "plan.dxf", Encoding.UTF8.GetBytes(content));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Contains(says, WebUtility.HtmlDecode(await response.Content.ReadAsStringAsync()), StringComparison.Ordinal);
    }

    [Fact]
    public async Task House_rules_are_set_kept_as_a_set_and_used_on_the_next_job()
    {
        var (v, job) = await CottageAsync();
        var page = await v.GetAsync($"/job/{job}/rules");
        Assert.Contains("210.52(A)(1)", page, StringComparison.Ordinal);
        var fields = new[] { "receptacleReach=5-0", "counterReach=1-8", "receptacleHeight=1-4", "switchHeight=4-0", "counterHeight=3-8",
            "switchFromJamb=7\"", "canSpacing=4-6", "spareSpaces=4", "boreHeight=2-0", "makeUpAtBox=8\"", "slackAtBox=6\"", "atPanel=5-0",
            "sag=5 %", "waste=7 %", "fastenedNearBox=6\"", "fastenedAlong=4-0", "trenchMargin=3\"", "cablesPerHole=2",
            "leastFeeder=60", "outletsPerCircuit=8", "largestFill=70 %", "lowVoltageApart=12\"", "dropTarget=3 %" }
            .Select(f => ($"fields.{f.Split('=')[0]}", f.Split('=')[1]));
        var set = await FormAsync(v, $"/job/{job}/rules", $"/job/{job}/rules?handler=Rules", [.. fields, ("from", "1")]);
        Assert.Contains("Change house rules", await set.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var late = await FormAsync(v, $"/job/{job}/rules", $"/job/{job}/rules?handler=Rules", [.. fields, ("from", "1")]);
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        var bad = await FormAsync(v, $"/job/{job}/rules", $"/job/{job}/rules?handler=Rules",
            [.. fields.Where(f => !f.Item1.EndsWith("Reach", StringComparison.Ordinal)), ("fields.receptacleReach", "9-0"),
                ("fields.counterReach", "2-0"), ("from", "2")]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, bad.StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await FormAsync(v, $"/job/{job}/rules", $"/job/{job}/rules?handler=Save", ("name", " "))).StatusCode);
        Assert.Contains("Saved the set",
            await (await FormAsync(v, $"/job/{job}/rules", $"/job/{job}/rules?handler=Save",
                ("name", "North crew"))).Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var next = await FormAsync(v, "/new", "/new", Answers(("rules", "North crew")));
        var other = next.Headers.Location!.OriginalString.Split('/')[2];
        Assert.Contains("value=\"5'-0\"\"", await v.GetAsync($"/job/{other}/rules"), StringComparison.Ordinal);
        var (w, third) = await CottageAsync();
        Assert.Contains("Work by the rules",
            await (await FormAsync(w, $"/job/{third}/rules", $"/job/{third}/rules?handler=Use", ("name", "North crew"),
                ("from", "1"))).Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Readings_of_the_meter_reach_a_listener_in_their_order()
    {
        var visitor = host.Visit();
        using var stream = await visitor.Http.GetStreamAsync("/meter/readings");
        using var reader = new StreamReader(stream);
        Assert.Equal(": ready", await reader.ReadLineAsync());
        var other = host.Visit();
        foreach (var distance in new[] { "12-6", "150.5\"", "3.2 m" })
        {
            Assert.Equal(HttpStatusCode.OK,
                (await FormAsync(other, "/meter", "/meter", ("distance", distance), ("then", "next"))).StatusCode);
        }

        var heard = new List<string>();
        while (heard.Count < 3)
        {
            if (await reader.ReadLineAsync() is { } line && line.StartsWith("data:", StringComparison.Ordinal))
            {
                heard.Add(System.Text.Json.JsonDocument.Parse(line[5..]).RootElement.GetProperty("text").GetString()!);
            }
        }

        Assert.Equal(["12'-6\"", "12'-6 1/2\"", "10'-5 63/64\""], heard);
        Assert.Equal(HttpStatusCode.UnprocessableEntity,
            (await FormAsync(other, "/meter", "/meter", ("distance", "far"), ("then", "next"))).StatusCode);
    }

    [Fact]
    public async Task A_form_from_an_older_revision_is_overtaken_and_can_go_on_top()
    {
        var (v, job) = await CottageAsync();
        await DoneAsync(v, job, "house", "NameRoom", ("room", "kitchen"), ("name", "Cookhouse"));
        var (status, text, _) = await v.PostAsync($"/job/{job}/house?handler=RoomUse", ("room", "kitchen"), ("use", "Dining"),
            ("from", "1"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Contains("Apply mine on top", text, StringComparison.Ordinal);
    }

    [Fact] // the first demo from the north: 6-1/2 + 132-1/2 + 4-1/2 + 133-1/2 + 4-1/2 + 114-1/2 + 6-1/2 = 402-1/2 in, 33'-6 1/2"
    public async Task A_chain_of_dimensions_is_held_against_the_drawn_side()
    {
        using var fresh = new BenchHost();
        var v = fresh.Visit();
        async Task<string> Asked(string typed, string side = "North", string storey = "ground",
            HttpStatusCode status = HttpStatusCode.OK) => WebUtility.HtmlDecode(await v.GetAsync(
                $"/job/demo/house?handler=Chain&storey={storey}&side={side}&manner=InsideAndWalls"
                + $"&typed={Uri.EscapeDataString(typed)}", status));
        Assert.Contains("It closes: 33'-6 1/2\".", await Asked("6 1/2, 11-0 1/2, 4 1/2, 11-1 1/2, 4 1/2, 9-6 1/2, 6 1/2"),
            StringComparison.Ordinal);
        var off = await Asked("6 1/2, 11-0 1/2, 4 1/2, 11-1, 4 1/2, 9-6 1/2, 6 1/2");
        Assert.Contains("Off by 1/2\" in 33'-6 1/2\".", off, StringComparison.Ordinal);
        Assert.Contains("<b>11'-1\"</b>", off, StringComparison.Ordinal);
        Assert.Contains("Drawn it has 7 pieces", await Asked("33-6 1/2"), StringComparison.Ordinal);
        Assert.Contains("“wide” is no length", await Asked("wide"), StringComparison.Ordinal);
        Assert.DoesNotContain("Typed", await Asked(""), StringComparison.Ordinal);
        Assert.Contains("not in this job any more", await Asked("", storey: "cellar", status: HttpStatusCode.UnprocessableEntity),
            StringComparison.Ordinal);
        Assert.Contains("Up", await Asked("", side: "Up"), StringComparison.Ordinal);
    }
}
