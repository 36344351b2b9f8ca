using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>A house said line by line, as it is read off a paper plan.</summary>
public sealed class HouseLineTests
{
    private static readonly LevelId Ground = new("ground");

    private static Job Start => new NewJob
    {
        Edition = Edition.Y2020,
        Name = "Said",
        FirstRoom = "Mudroom",
        FirstUse = RoomUse.Mudroom,
        Width = 8.Feet(),
        Depth = 12.Feet(),
    }.Start();

    private static ChangeOutcome Say(Job job, string line) => SayLines.Of(job.Levels.First().Id, line).On(job);

    private static Job Said(params string[] lines)
    {
        var job = Start;
        foreach (var line in lines)
        {
            var outcome = Say(job, line);
            Assert.True(outcome.Refusal is null, $"{line}: {outcome.Refusal}");
            job = outcome.Job!;
        }

        return job;
    }

    private static FramedRoom Room(Job job, string name) => Framing.Frame(job).Rooms.First(r => r.Room.Name == name);

    [Theory] // inside sizes to the sixty-fourth, however they are written
    [InlineData("kitchen 13 x 12 east of mudroom", "Kitchen", RoomUse.Kitchen, 156, 144)]
    [InlineData("Kitchen 13x12 e of mudroom", "Kitchen", RoomUse.Kitchen, 156, 144)]
    [InlineData("kitchen 13' by 12' on the east side of the mudroom", "Kitchen", RoomUse.Kitchen, 156, 144)]
    [InlineData("kit 13-6 × 10'-9 1/2\" east wall of mudroom", "Kitchen", RoomUse.Kitchen, 162, 129.5)]
    [InlineData("bed 2 11 x 10.5 south of mudroom", "Bedroom 2", RoomUse.Bedroom, 132, 126)]
    [InlineData("reading corner 8 x 8 as den north of mudroom", "Reading corner", RoomUse.Den, 96, 96)]
    [InlineData("Nana's room 9 x 10 west of mudroom as bedroom", "Nana's room", RoomUse.Bedroom, 108, 120)]
    [InlineData("hall 3-6 x 20 w of mudroom", "Hall", RoomUse.Hall, 42, 240)]
    [InlineData("garage 20 ft x 22 ft west of mudroom", "Garage", RoomUse.Garage, 240, 264)]
    public void A_room_is_as_large_as_it_was_said(string line, string name, RoomUse use, decimal width, decimal depth)
    {
        var room = Room(Said(line), name);
        Assert.Equal((use, Length.FromInches(width), Length.FromInches(depth)), (room.Room.Use, room.ClearWidth, room.ClearDepth));
        Assert.Equal(8.Feet(), Room(Said(line), "Mudroom").ClearWidth);
    }

    [Theory] // 5 ft deep on a wall of 12 ft: from the north end by 0, 7 or 3-6; or 2 ft from it
    [InlineData("pantry 4 x 5 east of mudroom", 0)]
    [InlineData("pantry 4 x 5 east of mudroom, north end", 0)]
    [InlineData("pantry 4 x 5 east of mudroom, south end", 84)]
    [InlineData("pantry 4 x 5 east of mudroom, middle", 42)]
    [InlineData("pantry 4 x 5 east of mudroom at 2", 24)]
    [InlineData("pantry 4 x 5 west of mudroom, south end", 84)]
    [InlineData("pantry 4 x 5 west of mudroom at 2-0", 24)]
    public void A_room_stands_at_the_end_that_was_said(string line, int fromNorth)
    {
        var job = Said(line);
        Length north = Room(job, "Mudroom").Inside.Min(p => p.Y), top = Room(job, "Pantry").Inside.Min(p => p.Y);
        Assert.Equal(fromNorth, (top - north).Inches);
    }

    [Theory] // an 11 × 11 bedroom: 2-0 of it behind a partition of 4-1/2 in
    [InlineData("closet 2-0 deep north in bed 2", 132, 24)]
    [InlineData("closet 2-0 deep, south of bed 2", 132, 24)]
    [InlineData("closet 2-6 deep on the east side of bed 2", 30, 132)]
    // Its wall to the mudroom is an inner one all along: an inch more.
    [InlineData("walk-in 5 deep west in bed 2", 60, 133)]
    public void A_closet_is_as_deep_as_it_was_said(string line, int width, int depth)
    {
        var job = Said("bed 2 11 x 11 south of mudroom", line);
        var closet = Framing.Frame(job).Rooms.Single(r => r.Room.Use == RoomUse.Closet);
        Assert.Equal((width, depth), ((int)closet.ClearWidth.Inches, (int)closet.ClearDepth.Inches));
        var bed = Room(job, "Bedroom 2");
        Assert.Equal(132m, width == 132 ? bed.ClearWidth.Inches : bed.ClearDepth.Inches);
        Assert.Equal(132m - 4.5m, width == 132 ? bed.ClearDepth.Inches + depth : bed.ClearWidth.Inches + width);
    }

    [Fact] // 12 ft shared: a door of 2-8 stands in its middle, at 4-8
    public void A_door_between_two_rooms_breaks_their_wall()
    {
        var job = Said("kitchen 13 x 12 east of mudroom", "door 2-8 mudroom to kitchen");
        var door = Assert.Single(job.Rooms.SelectMany(r => r.Openings));
        Assert.Equal((OpeningKind.Door, 32m, 56m), (door.Kind, door.Width.Inches, door.Offset.Inches));
        Assert.Single(Room(job, "Kitchen").Sides.SelectMany(s => s.Openings));
        Assert.Equal("Mudroom and Bath share no wall.",
            Say(Said("kitchen 13 x 12 east of mudroom", "bath 8 x 5 east of kitchen"), "door mudroom to bath").Refusal);
    }

    [Fact] // a south wall is told from its east corner: 2-0 from the west end of 13 ft, 5-0 wide, is 6-0 from it
    public void A_place_is_told_from_the_west_or_north_end()
    {
        var job = Said("kitchen 13 x 12 east of mudroom", "window 5-0 south of kitchen at 2-0 sill 3-6", "slider north of kitchen");
        var (window, slider) = (job.Rooms.SelectMany(r => r.Openings).First(), job.Rooms.SelectMany(r => r.Openings).Last());
        Assert.Equal((72m, 60m, 42m), (window.Offset.Inches, window.Width.Inches, window.Sill.Inches));
        Assert.Equal((OpeningKind.Slider, 72m, 42m), (slider.Kind, slider.Width.Inches, slider.Offset.Inches));
    }

    [Theory] // nobody makes a door of 16 in, or a range of 30 ft
    [InlineData("garage door 16 west of mudroom", 192)]
    [InlineData("garage door 8 north of mudroom", 96)]
    [InlineData("window 36 north of mudroom", 36)]
    [InlineData("window 3 north of mudroom", 36)]
    public void A_bare_number_is_what_it_can_be(string line, int inches) => Assert.Equal(inches,
        Said(line.Contains("16", StringComparison.Ordinal) ? ["garage 20 x 22 west of mudroom", line.Replace("mudroom", "garage",
            StringComparison.Ordinal)] : [line]).Rooms.SelectMany(r => r.Openings).Single().Width.Inches);

    [Fact] // 5-6 between two walls 6 ft apart: within half a wall of the other's line, so it is that wall
    public void What_several_lines_do_not_let_stand_is_told_once_more_at_the_end()
    {
        var said = Say(Said("kitchen 13 x 12 east of mudroom", "living 8 x 15 north of kitchen, east end"),
            "hall 4-6 x 15 north of kitchen\ndoor kitchen to hall");
        Assert.Contains("; not as said: Hall is ", said.Phrase, StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_line_before_the_last_left_out_is_said_too()
    {
        var said = Say(Start, "powder 2-9 x 7 as bath west of mudroom, north end\ndoor 2-0 powder to mudroom\nfurnish powder\n"
            + "window 2 north of mudroom");
        Assert.True(said.Refusal is null, said.Refusal);
        Assert.Contains("no place is left for", said.Phrase, StringComparison.Ordinal);
    }

    [Fact]
    public void Things_stand_at_the_wall_that_was_said_and_clear_of_each_other()
    {
        var job = Said("kitchen 13 x 12 east of mudroom", "window 4-0 north of kitchen", "counter 13 north of kitchen",
            "sink north of kitchen", "range 30 east wall of kitchen", "fridge east of kitchen", "island 6-0 x 3-0 in kitchen");
        var kitchen = Room(job, "Kitchen").Room;
        Fixture Of(FixtureKind kind) => kitchen.Fixtures.Single(f => f.Kind == kind);
        // The sink of 33 in under the window of 48 in, which is in the middle of 156 in.
        Assert.Equal(61.5m, Of(FixtureKind.Sink).Offset.Inches);
        Assert.Equal((2, 0m), (Of(FixtureKind.Range).Wall!.Value, Of(FixtureKind.Range).Offset.Inches));
        Assert.Equal(30m, Of(FixtureKind.Refrigerator).Offset.Inches);
        Assert.Equal((42m, 54m), (Of(FixtureKind.Island).X.Inches, Of(FixtureKind.Island).Y.Inches));
        Assert.Contains(job.Boxes, b => b.Devices.Any(d => d.Plate?.Appliance == Appliance.Range));
    }

    [Theory] // one sentence, in the person's own words, with a line that would do
    [InlineData("kitchen 13 x 12", "Where is Kitchen? Say a side of a room that stands")]
    [InlineData("kitchen 13 x 12 east of pool", "No room is called “pool”. There are Mudroom.")]
    [InlineData("nook 8 x 8 inside of mudroom", "is not understood")]
    [InlineData("thing 8 x 8 east of mudroom", "What is “Thing” used as?")]
    [InlineData("thing 8 x 8 as spaceport east of mudroom", "“spaceport” is no use of a room")]
    [InlineData("mudroom 8 x 8 east of mudroom", "There is a Mudroom already")]
    [InlineData("pantry 4 x 5 east of mudroom, west end", "has a north end and a south end, no west end")]
    [InlineData("window", "Where is the window?")]
    [InlineData("window 20-0 north of mudroom", "does not fit there")]
    [InlineData("range", "Where is the range?")]
    [InlineData("sofa 9 north of mudroom", "A sofa of 9'-0\" does not fit: the north wall of Mudroom has 8'-0\" free.")]
    [InlineData("", "Say a line, like")]
    [InlineData("kitchen 9999999 x 12 east of mudroom", "is no length of a house")]
    public void What_is_not_understood_is_said_with_a_line_that_would_be(string line, string says) =>
        Assert.Contains(says, Say(Start, line).Refusal, StringComparison.Ordinal);

    [Fact]
    public void A_pasted_house_is_drawn_whole_or_not_at_all()
    {
        var whole = Say(Start, "kitchen 13 x 12 east of mudroom # as on sheet 2\n\nhall 3-6 x 12 east of kitchen\ndoor kitchen to hall\n");
        Assert.Equal(3, whole.Job!.Rooms.Count());
        Assert.StartsWith("Draw 3 lines; the last: Set a door", whole.Phrase, StringComparison.Ordinal);
        Assert.Equal(SubjectKind.Opening, whole.Selects!.Value.Kind);
        var torn = Say(Start, "kitchen 13 x 12 east of mudroom\nhall 3-6 x 12 east of attic");
        Assert.Null(torn.Job);
        Assert.Equal("Line 2, “hall 3-6 x 12 east of attic”: No room is called “attic”. There are Mudroom, Kitchen. Nothing was drawn.",
            torn.Refusal);
    }

    [Fact] // a kitchen of 13 ft: the middle of its north wall; the south wall runs west, so 4-0 from its west end is 13 − 4 from its start
    public void A_panel_is_hung_by_a_line()
    {
        var job = Said("kitchen 13 x 12 east of mudroom", "panel north of kitchen");
        var moved = Assert.Single(job.Panels);
        Assert.Equal(("A", "Kitchen", 1, 78.Inches(), 200.Amps()), (moved.Id.Value, job.Rooms.First(r => r.Id == moved.Room).Name,
            moved.Wall, moved.Offset, moved.Rating));
        job = Said("kitchen 13 x 12 east of mudroom", "panel B 100 A 24 spaces south of kitchen at 4-0");
        var fed = job.Panels[1];
        Assert.Equal((new("B"), 100.Amps(), 24, 3, 9.Feet(), new PanelId("A")), (fed.Id, fed.Rating, fed.Spaces, fed.Wall, fed.Offset,
            fed.FedFrom));
        Assert.Contains("How large is panel C?", Say(job, "panel C north of mudroom").Refusal, StringComparison.Ordinal);
        Assert.Contains("Where is the panel?", Say(job, "panel in the garden").Refusal, StringComparison.Ordinal);
    }

    [Fact] // the lines of the examples are lines
    public void The_examples_are_understood()
    {
        var job = Said("hall 3-6 x 22 east of mudroom", "living 18 x 15 north of mudroom, west end", "kitchen 13 x 12 west of mudroom",
            "garage 20 x 22 west of kitchen");
        foreach (var line in HouseLine.Examples)
        {
            var outcome = Say(job, line);
            Assert.True(outcome.Refusal is null, $"{line}: {outcome.Refusal}");
            job = outcome.Job!;
        }
    }

    [Fact] // 20 000 lines of words and scraps by lot: each is drawn whole or refused in one sentence, and the job stands
    public void Any_text_is_understood_or_refused_in_a_sentence()
    {
        string[] scraps = ["kitchen", "bed 2", "bedroom", "closet", "13", "2-8", "x", "12", "deep", "north", "of", "east", "mudroom", "in",
            "door", "window", "to", "at", "range", "sink", "as", "den", ",", "end", "wall", "5-0", "\"", "'", "garage door", "9", "0",
            "-3", "sill", "1e9", "é", "\t", "((", "$", "front", "the", "and", "island", "99999", "½", "4 1/2", "west", "south end", "\\",
            "pendants", "3 cans", "doors", "furnish all", "23/35", "40 A", "10 kW", "on 60 A", "heat pump", "freezer", "outside", "house",
            "shed", "60-0", "and", "99999999999999999999999999999999 kW", "0/0"];
        var draw = new Draw(7);
        var (job, drawn) = (Said("kitchen 13 x 12 east of mudroom"), 0);
        var ground = job.Levels.First().Id;
        for (var i = 0; i < 20_000; i++)
        {
            string Any(params string[] of) => of[draw.Below(of.Length)];
            // Half of them nearly lines, with a scrap where a word belongs now and then.
            string Word(string word) => draw.Below(12) == 0 ? scraps[draw.Below(scraps.Length)] : word;
            var (side, size) = (Word(Any("north", "south", "east", "west", "n", "e")), Word(Any("9", "7-6", "11'-2\"", "30", "2-8")));
            var of = Word(Any("mudroom", "kitchen", "bed 2", "the hall"));
            var line = draw.Below(2) == 0
                ? string.Join(' ', Enumerable.Range(0, 1 + draw.Below(9)).Select(_ => scraps[draw.Below(scraps.Length)]))
                : draw.Below(7) switch
                {
                    4 => $"{Word(Any("heat pump", "charger", "freezer", "air handler", "range"))} "
                        + $"{Word(Any("23/35", "40 A", "9 kW"))} {side} {of}",
                    5 => $"{Word(Any("2", "12", "a"))} {Word(Any("pendants", "cans", "receptacles", "alarm"))} {Word("in")} {of}, {of}",
                    6 => $"{Word("shed")} {size} x {Word("12")}, {Word("60-0")} {side} {Word("of")} {Word("house")}",
                    0 => $"{Word(Any("bed 2", "hall", "bath", "den"))} {size} {Word("x")} {Word("9-3")} {side} {Word("of")} {of}",
                    1 => $"{Word(Any("door", "window", "slider"))} {size} {side} of {of} {Word("at")} {Word("2-0")}",
                    2 => $"{Word(Any("range", "sink", "toilet", "bed"))} {size} {side} {Word("wall")} of {of}",
                    _ => $"{Word("closet")} {Word("2-0")} deep {side} {Word("in")} {of}",
                };
            var outcome = new SayLines(ground, [line]).On(job);
            if (outcome.Job is { } made)
            {
                drawn++;
                Assert.Null(JobProblems.First(made));
                job = made.Rooms.Count() > 12 ? Said("kitchen 13 x 12 east of mudroom") : made;
            }
            else
            {
                Assert.False(string.IsNullOrWhiteSpace(outcome.Refusal), line);
                Assert.InRange(outcome.Refusal!.Length, 10, 700);
                // By the names that people gave, not by a path in a file.
                Assert.DoesNotMatch("^(rooms|boxes|levels|structures|panels)", outcome.Refusal);
            }
        }

        Assert.InRange(drawn, 20, 20_000);
    }

    private static Job Four => Said("bed 2 11 x 11 e mudroom, n", "bed 3 10 x 11 e of bed 2", "hall 21-4 x 4 s of bed 2, w end");

    [Theory] // one line, each of them as if it had been said by itself
    [InlineData("window 3-0 north of bed 2 and bed 3", "window 3-0 north of bed 2", "window 3-0 north of bed 3")]
    [InlineData("window 2-6 n, s of mudroom, sill 4-0", "window 2-6 n of mudroom, sill 4-0", "window 2-6 s of mudroom, sill 4-0")]
    [InlineData("door hall to bed 2, bed 3", "door hall to bed 2", "door hall to bed 3")]
    [InlineData("shelf 4-0 north and east of bed 2, bed 3", "shelf 4-0 north of bed 2", "shelf 4-0 north of bed 3",
        "shelf 4-0 east of bed 2", "shelf 4-0 east of bed 3")]
    [InlineData("furnish bed 2 & bed 3", "furnish bed 2", "furnish bed 3")]
    [InlineData("furnish all", "furnish bed 2", "furnish bed 3")]
    public void A_line_may_say_the_same_of_several(string line, params string[] each)
    {
        static IEnumerable<string> Drawn(Job job) => job.Rooms.SelectMany(r => r.Openings
            .Select(o => $"{r.Name} {o.Kind} {o.Wall} {o.Offset} "
            + $"{o.Width} {o.Sill}").Concat(r.Fixtures.Select(f => $"{r.Name} {f.Kind} {f.Wall} {f.Offset} {f.Width}")))
            .Order(StringComparer.Ordinal);
        var once = Say(Four, line);
        Assert.True(once.Refusal is null, once.Refusal);
        Assert.Equal(Drawn(each.Aggregate(Four, (job, l) => Say(job, l).Job!)), Drawn(once.Job!));
    }

    [Theory]
    [InlineData("window 3-0 north of bed 2 and bed 3",
        "Set a window of 3'-0\" into the north wall of Bedroom 2, into the north wall of Bedroom 3")]
    [InlineData("doors", "Set 4 doors: Bedroom 2 to Hall, Bedroom 3 to Hall, Mudroom to Bedroom 2, Hall to the outside")]
    public void It_is_told_what_all_was_done(string line, string says) => Assert.Equal(says, Say(Four, line).Phrase);

    [Fact] // the second has no room for it: nothing of the line is drawn, and it is said which
    public void A_list_is_drawn_whole_or_not_at_all() => Assert.Contains("“door 10-3 hall to bed 3”",
        Say(Four, "door 10-3 hall to bed 2, bed 3").Refusal ?? "", StringComparison.Ordinal);

    private static Job Equipped => Said("kitchen 13 x 12 east of mudroom", "garage 20 x 22 west of mudroom");

    private static Box Newest(string line)
    {
        var outcome = Say(Equipped, line);
        Assert.True(outcome.Refusal is null, $"{line}: {outcome.Refusal}");
        return outcome.Job!.Boxes[^1];
    }

    [Theory] // MCA over MOCP; 40 A × 240 V = 9600 VA; 10 kW; 60 A is the breaker that its plate asks for
    [InlineData("heat pump 23/35 north of kitchen", "Heat pump, outdoor unit", 4100, 23, 35, null, true)]
    [InlineData("charger 40 A north of garage", "Vehicle charger", 9600, null, null, null, false)]
    [InlineData("air handler 10 kW north of mudroom", "Air handler", 10000, null, null, null, false)]
    [InlineData("range on a 60 A breaker n of kitchen", "Range", 12000, null, null, 60, false)]
    [InlineData("water heater 5500 W n garage", "Water heater", 5500, null, null, null, false)]
    [InlineData("microwave n kitchen", "Microwave", 1500, null, null, null, false)]
    public void Equipment_is_set_with_what_its_plate_says(string line, string name, int load, int? mca, int? mocp, int? breaker,
        bool outside)
    {
        var box = Newest(line);
        var plate = Assert.Single(box.Devices).Plate!;
        Assert.Equal((name, load, mca, mocp, breaker, outside), (plate.Name, (int)plate.Load.Value, (int?)plate.Mca?.Value,
            (int?)plate.Mocp?.Value, (int?)plate.Breaker?.Value, box.Outside));
        Assert.Equal(name == "Microwave", plate.Assumed);
    }

    [Theory] // a safety figure is never guessed: 50 A of a range may be either
    [InlineData("range 50 A north of kitchen", "Is 50 A the breaker of the range or its load?")]
    [InlineData("microwave over the moon", "No room is called “moon”")]
    [InlineData("freezer", "Where is the freezer?")]
    [InlineData("99 cans in kitchen", "At most 12")]
    [InlineData("charger 99999999999999999999999999999999999 A n garage", "Where is the vehicle charger?")]
    public void What_may_be_two_things_is_asked(string line, string says) =>
        Assert.Contains(says, Say(Equipped, line).Refusal ?? "", StringComparison.Ordinal);

    [Fact] // 13 × 12 ft: three along the longer way at 2-2, 6-6, 10-10, in the middle of 12 ft; two over an island of 6 ft at its quarters
    public void Lamps_hang_in_a_row_or_over_the_island()
    {
        var cans = Say(Equipped, "3 cans in kitchen").Job!.Boxes;
        Assert.Equal([(26m, 72m), (78m, 72m), (130m, 72m)], cans.Select(b => (b.X.Inches, b.Y.Inches)));
        var job = Say(Equipped, "island 6-0 x 3-0 in kitchen").Job!;
        var island = job.Rooms.SelectMany(r => r.Fixtures).Single();
        var hung = Say(job, "2 pendants over kitchen").Job!.Boxes;
        Assert.Equal([island.X.Inches + 18, island.X.Inches + 54], hung.Select(b => b.X.Inches));
        Assert.All(hung, b => Assert.Equal(island.Y.Inches + 18, b.Y.Inches));
    }

    [Fact] // a fan in a bath is no paddle fan; an opener hangs; a receptacle stands clear of doors and of the one that is there
    public void Devices_go_where_such_things_go()
    {
        var bath = Say(Say(Equipped, "bath 8 x 5 north of kitchen").Job!, "fan in bath").Job!.Boxes[^1];
        Assert.Equal((DeviceKind.BathFan, Mount.Ceiling), (bath.Devices[0].Kind, bath.Mount));
        Assert.Equal(Mount.Ceiling, Newest("garage opener in garage").Mount);
        var two = Say(Say(Equipped, "receptacle n kitchen").Job!, "receptacle n kitchen").Job!.Boxes;
        Assert.Equal((DeviceKind.Duplex, 78m), (two[0].Devices[0].Kind, two[0].Offset.Inches));
        Assert.True((two[1].Offset - two[0].Offset).Abs() > Length.FromInches(8));
        Assert.Equal(2, Say(Equipped, "smoke alarm in kitchen, mudroom").Job!.Boxes.Length);
    }

    [Theory] // mudroom of 8 × 12 ft: 60 ft wall to wall, two walls of 6-1/2 in between the insides
    [InlineData("shed 10 x 12, 60-0 south of house", 0, 877, 10, 12, false, 24)]
    [InlineData("shed 10x12 60-0 s house at 4-0, 1-6 deep", 48, 877, 10, 12, false, 18)]
    [InlineData("greenhouse 16 x 10, 30-0 east of the house with a 60 A panel", 469, 0, 16, 10, true, 24)]
    [InlineData("workshop 12 x 12, 20-0 north of house", 0, -397, 12, 12, false, 24)]
    public void An_outbuilding_stands_so_far_from_the_house(string line, int east, int south, int width, int depth, bool panel, int cover)
    {
        var job = Said(line);
        var (home, shed) = (job.Structures[0], job.Structures[1]);
        Assert.Equal((east, south), ((int)(shed.Origin.X - home.Origin.X).Inches, (int)(shed.Origin.Y - home.Origin.Y).Inches));
        var room = Framing.Frame(job).Room(shed.Levels[0].Rooms[0].Id);
        Assert.Equal((width.Feet(), depth.Feet(), panel ? 2 : 1, (decimal)cover), (room.ClearWidth, room.ClearDepth, job.Panels.Length,
            job.Trenches.Single().Depth.Inches));
        Assert.Equal(panel, Plans.Planner.Plan(job).Circuits.Any(c => c.Circuit.Feeds is not null));
    }

    [Fact] // 225.30: without a panel of its own its two lights and two receptacles are one branch circuit
    public void A_shed_without_a_panel_is_on_one_circuit()
    {
        var job = Say(Said("shed 10 x 12, 60-0 south of house"), "2 lights in shed").Job!;
        job = LayOut.Everything.On(job).Job!;
        var plan = Plans.Planner.Plan(job);
        Assert.Single(plan.Circuits, c => c.Circuit.Boxes.Any(b => plan.Survey[b].Room.Room.Name == "Shed"));
        Assert.DoesNotContain(plan.Tags, t => t.Rule.Contains("225.30", StringComparison.Ordinal) || t.Rule.StartsWith("300.5",
            StringComparison.Ordinal));
    }
}
