using System.Text;
using System.Text.Json.Nodes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Tests.Support;
using CsCheck;
using Json.Schema;

namespace Circuitum.Formats.Tests;

public sealed class JobFileTests
{
    private static string Text(string name) => File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", name));

    private static readonly string OneRoom = Text("one-room.circuitum.json");

    [Theory]
    [InlineData("fernhollow.circuitum.json")]
    [InlineData("one-room.circuitum.json")]
    public void The_files_that_ship_can_be_planned_and_fit_the_published_schema(string name)
    {
        JobFiles.Read(Text(name));
        var schema = JsonSchema.FromText(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "job.schema.json")));
        var result = schema.Evaluate(JsonNode.Parse(Text(name)), new() { OutputFormat = OutputFormat.List });
        Assert.True(result.IsValid,
            string.Join('\n', result.Details.Where(d => d.HasErrors)
                .Select(d => $"{d.InstanceLocation}: {string.Join(", ", d.Errors!.Values)}")));
    }

    [Fact]
    public void The_published_schema_is_the_one_that_the_reader_has() =>
        Assert.Equal(JobSchema.Write(), File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "job.schema.json")));

    [Theory] // what the schema refuses: a false key, an unknown device, a bad id
    [InlineData("\"name\": \"One room\"", "\"name\": \"One room\", \"colour\": 3")]
    [InlineData("\"duplex\"", "\"teapot\"")]
    [InlineData("\"id\": \"r1\"", "\"id\": \"r 1\"")]
    public void Schema_and_reader_refuse_alike(string was, string now)
    {
        var bad = OneRoom.Replace(was, now, StringComparison.Ordinal);
        Assert.NotEqual(OneRoom, bad);
        Assert.False(JsonSchema.FromText(JobSchema.Write()).Evaluate(JsonNode.Parse(bad)).IsValid);
        Assert.Throws<JobFileException>(() => JobFiles.Read(bad));
    }

    [Fact]
    public void The_demo_is_about_1900_square_feet_with_100_to_140_boxes_something_on_hold_and_three_kinds_of_tag()
    {
        var plan = Core.Plans.Planner.Plan(JobFiles.Read(Text("fernhollow.circuitum.json")));
        Assert.InRange(plan.Survey.FloorArea.Value, 1850, 1950);
        Assert.InRange(plan.Job.Boxes.Length, 100, 140);
        Assert.Equal(3, plan.Tags.Select(t => t.Severity).Distinct().Count());
        Assert.True(plan.Tags.Count(t => t.Severity == Core.Reasons.Severity.Red) >= 3);
        Appliance[] owed = [Appliance.HeatPump, Appliance.Range, Appliance.Dryer, Appliance.WaterHeater, Appliance.VehicleCharger,
            Appliance.SaunaHeater, Appliance.SpaceHeater, Appliance.Pump];
        Assert.Empty(owed.Except(plan.Job.Boxes.SelectMany(b => b.Devices).Select(d => d.Plate?.Appliance).OfType<Appliance>()));
    }

    [Fact]
    public void Writing_and_reading_gives_the_same_job() => RandomHouses.Jobs.Sample(job =>
    {
        var written = JobFiles.Write(job);
        Assert.Equal(written, JobFiles.Write(JobFiles.Read(written)));
        Assert.Equal(JobText(job), JobText(JobFiles.Read(written)));
    });

    [Fact]
    public void The_demo_survives_write_and_read_with_every_member()
    {
        var job = JobFiles.Read(Text("fernhollow.circuitum.json"));
        var again = JobFiles.Read(JobFiles.Write(job));
        Assert.Equal(JobText(job), JobText(again));
        Assert.Equal(new DateOnly(2026, 5, 18), again.Permitted);
        Assert.Equal(Core.Units.Gauge.Awg8, again.Pins.Cables[0].Gauge);
    }

    // Records with arrays compare by reference; their text does not.
    private static string JobText(Job job) =>
        string.Join('\n', job.Boxes.Select(b =>
            $"{b with { Devices = [] }} "
            + $"{string.Join(';', b.Devices.Select(d => $"{d with { Controls = [] }} {string.Join(',', d.Controls)}"))}"))
        + string.Join('\n', job.Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms)
            .Select(r => $"{r.Id} {r.Use} {string.Join(',', r.Corners)} {string.Join(',', r.Openings)} {string.Join(',', r.Fixtures)}"))
        + $"{job.Name} {job.Edition} {job.Permitted} {job.Schools} {job.HouseRules} {string.Join(',', job.Panels)} "
            + $"{string.Join(',', job.Holds)} {string.Join(',', job.Pins.Boxes)} {string.Join(',', job.Pins.Cables)}";

    public static TheoryData<string, string> Broken => new()
    {
        { "no job file", "{}" },
        { "no job file", "[]" },
        { "no job file", """{"format":"something-else","version":1}""" },
        { "has version 2", """{"format":"circuitum-job","version":2,"job":{"anything":"new"}}""" },
        { "has version none", """{"format":"circuitum-job"}""" },
        { "has version none", """{"format":"circuitum-job","version":"1"}""" },
        { "Line 1", "" },
        { "Line 1", "not json at all" },
        { "Line 1", "{\"format\":\"circuitum-job\",\"version\":1,\"job\":" + new string('[', 40) + new string(']', 40) + "}" },
        { "required and missing: 'job'", """{"format":"circuitum-job","version":1}""" },
        { "“colour” is no member",
            OneRoom.Replace("\"edition\": 2020", "\"edition\": 2020, \"colour\": \"red\"", StringComparison.Ordinal) },
        { "no book that this version knows", OneRoom.Replace("2020", "2019", StringComparison.Ordinal) },
        { "not one the format knows here", OneRoom.Replace("\"duplex\"", "\"teapot\"", StringComparison.Ordinal) },
        { "“twelve” is no length", OneRoom.Replace("\"offset\": \"5-0\"", "\"offset\": \"twelve\"", StringComparison.Ordinal) },
        { "wall 7 is not there",
            OneRoom.Replace("\"wall\": 2, \"offset\": \"6-0\"", "\"wall\": 7, \"offset\": \"6-0\"", StringComparison.Ordinal) },
        { "not on wall 2", OneRoom.Replace("\"wall\": 2, \"offset\": \"6-0\"", "\"wall\": 2, \"offset\": \"-6\"",
            StringComparison.Ordinal) },
        { "used twice", OneRoom.Replace("\"id\": \"r2\"", "\"id\": \"r1\"", StringComparison.Ordinal) },
        { "which is no box of this job", OneRoom.Replace("[\"lamp\"]", "[\"lantern\"]", StringComparison.Ordinal) },
        { "no character", OneRoom.Replace("\"circuitum-job\"", "\"\\ud800\"", StringComparison.Ordinal) },
        { "Line 25", OneRoom.Replace("\"Workroom\"", "\"\\ud800\"", StringComparison.Ordinal) },
        { "outside “Workroom”", OneRoom.Replace("\"x\": \"5-9\"", "\"x\": \"50-9\"", StringComparison.Ordinal) },
    };

    [Theory]
    [MemberData(nameof(Broken), DisableDiscoveryEnumeration = true)]
    public void A_file_that_cannot_be_taken_gets_one_message_that_names_the_place(string says, string text)
    {
        var refusal = Assert.Throws<JobFileException>(() => JobFiles.Read(text));
        Assert.Contains(says, refusal.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("System.", refusal.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("Circuitum.Core", refusal.Message, StringComparison.Ordinal);
    }

    [Fact] // cut anywhere, it is refused and never half-read
    public void A_file_cut_off_anywhere_is_refused()
    {
        var whole = OneRoom.TrimEnd();
        Assert.All(Enumerable.Range(0, whole.Length / 7).Select(i => i * 7),
            at => Assert.Throws<JobFileException>(() => JobFiles.Read(whole[..at])));
    }

    [Fact] // a byte changed anywhere is either harmless or refused, never a crash
    public void A_byte_flipped_anywhere_is_refused_or_read_but_never_fails()
    {
        var bytes = Encoding.UTF8.GetBytes(OneRoom);
        Gen.Select(Gen.Int[0, bytes.Length - 1], Gen.Byte).Sample((at, value) =>
        {
            var changed = (byte[])bytes.Clone();
            changed[at] = value;
            try
            {
                Core.Plans.Planner.Plan(JobFiles.Read(new MemoryStream(changed)));
            }
            catch (JobFileException)
            {
                return;
            }
        }, iter: 400);
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(1, false)]
    public void Five_megabytes_are_read_a_byte_more_is_not(int over, bool read)
    {
        var padding = JobFiles.MostBytes - Encoding.UTF8.GetByteCount(OneRoom) + over;
        var file = new MemoryStream(Encoding.UTF8.GetBytes(OneRoom + new string(' ', padding)));
        if (read)
        {
            Assert.Equal("One room", JobFiles.Read(file).Name);
        }
        else
        {
            Assert.Contains("larger than 5 MB", Assert.Throws<JobFileException>(() => JobFiles.Read(file)).Message,
                StringComparison.Ordinal);
        }
    }

    [Fact]
    public void What_is_not_UTF_8_is_said_to_be_none() =>
        Assert.Contains("not UTF-8", Assert.Throws<JobFileException>(() => JobFiles.Read(new MemoryStream([0x7B, 0xE6, 0x7D]))).Message,
            StringComparison.Ordinal);

    [Fact]
    public void A_byte_order_mark_is_no_reason_to_refuse_a_file() =>
        Assert.Equal("One room", JobFiles.Read(new MemoryStream([.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(OneRoom)])).Name);

    [Fact]
    public void What_a_person_draws_and_wants_comes_back_from_the_file()
    {
        var house = Houses.Row(("den", RoomUse.Den, 14), ("bath", RoomUse.Bath, 8));
        var level = house.Structures[0].Levels[0];
        var job = house with
        {
            Schools = new() { Feed = LightingFeed.LightFirst },
            HouseRules = new() { ReceptacleReach = 5.Feet(), CanSpacing = 54.Inches() },
            Structures =
            [
                house.Structures[0] with
                {
                    FuelBurning = true, Underfloor = Underfloor.Basement,
                    Levels =
                    [
                        level with
                        {
                            AmbientBelow = new(20),
                            Rooms = [level.Rooms[0]
                                with { Builds = [new() { Wall = 1, Framing = WallFraming.InsulatedPanel, Spacing = 48.Inches(),
                                    ChaseHeights = [16.Inches(), 48.Inches()] }] }, level.Rooms[1]],
                            Obstructions = [new("Drains", ObstructionKind.PlumbingWall, new(Length.Zero, Length.Zero), 8.Feet(),
                                6.Inches())],
                            Reservations = [new() { Id = new("bays-1"), For = "the stack", Room = new("bath"), Wall = 1,
                                Offset = 20.Inches(),
                                Width = 16.Inches() }],
                            Chases = [new() { Id = new("chase-1"), For = "later", Room = new("den"), Wall = 3, Offset = 60.Inches(),
                                Cord = false }],
                            Underlay = new(new('0', 64), "plan.dxf", new(Length.Zero, 3.Feet()), 40.Feet(), 30.Feet()),
                        },
                    ],
                },
            ],
            Panels = [house.Panels[0] with { Existing = true }],
            Wants = [new() { Id = new("want-1"), Kind = WantKind.Treadmill, Name = "Old treadmill", Room = new("den"), Wall = 2,
                Offset = 20.Inches(), Width = 40.Inches(), Individual = true }],
            Holds = [new(new("hold-1"), "room:den", "size of the desk", "the owner", "board") { Field = HoldField.Size }],
            Boxes = [Houses.On("r", "den", 1, 60) with { Devices = [new() { Kind = DeviceKind.HalfSwitched, Rating = 20.Amps() }] }],
        };
        Assert.Null(JobProblems.First(job));
        var text = JobFiles.Write(job);
        Assert.Equal(text, JobFiles.Write(JobFiles.Read(text)));
        foreach (var member in new[] { "light-first", "fuelBurning", "basement", "insulated-panel", "chaseHeights", "plumbing-wall",
            "reservations", "chases", "underlay", "existing", "treadmill", "\"field\": \"size\"", "half-switched", "\"rating\": 20",
            "receptacleReach" })
        {
            Assert.Contains(member, text, StringComparison.Ordinal);
        }
    }

    [Theory] // a file of before there were families says a year alone, and is read as it was
    [InlineData("\"edition\": 2020", Edition.Y2020)]
    [InlineData("\"rules\": { \"family\": \"united-states\", \"edition\": 2017 }", Edition.Y2017)]
    [InlineData("\"rules\": { \"family\": \"canada\", \"edition\": 2021 }", Edition.Canada2021)]
    public void A_file_says_its_family(string said, Edition edition)
    {
        var job = JobFiles.Read(OneRoom.Replace("\"edition\": 2020", said, StringComparison.Ordinal));
        Assert.Equal(edition, job.Edition);
        var text = JobFiles.Write(job);
        Assert.Contains($"\"rules\": {{\n      \"family\": \"{edition.Family().Key()}\",\n      \"edition\": {edition.Year()}\n", text,
            StringComparison.Ordinal);
        Assert.DoesNotContain("\"edition\": 2020,\n    \"edition\"", text, StringComparison.Ordinal);
        Assert.Equal(edition, JobFiles.Read(text).Edition);
    }

    [Theory]
    [InlineData("\"rules\": { \"family\": \"atlantis\", \"edition\": 2021 }", "no book that this version knows")]
    [InlineData("\"rules\": { \"family\": \"canada\", \"edition\": 2020 }", "no book that this version knows")]
    [InlineData("\"rules\": \"canada\"", "no book that this version knows")]
    [InlineData("\"permitted\": null", "choose a book: 2017, 2020, 2023, canada-2021")]
    public void A_book_that_is_not_kept_here_is_told(string said, string answer) => Assert.Contains(answer,
        Assert.Throws<JobFileException>(() => JobFiles.Read(OneRoom.Replace("\"edition\": 2020", said, StringComparison.Ordinal))).Message,
        StringComparison.Ordinal);
}
