using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Lines;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Formats.Drawings;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to the house.
public abstract partial class StagePage
{
    // Read as it was sent: every other text of a form is put on one line.
    private const string SaidIn = "lines";

    /// <summary>Draws what is said in a line, or in several.</summary>
    public Task<IActionResult> OnPostSayAsync() => ChangeAsync(job => SayLines.Of(LevelOf(job), Request.Form[SaidIn].ToString()));

    /// <summary>What a line would draw; nothing is changed.</summary>
    public async Task<IActionResult> OnGetHeardAsync()
    {
        if (await bench.OpenAsync(new(Key)) is not { Plan.Job: var job })
        {
            return NotFound();
        }

        var outcome = SayLines.Of(LevelOf(job), Request.Query[SaidIn].ToString()).On(job);
        return new JsonResult(new
        {
            says = outcome.Refusal ?? outcome.Phrase,
            refused = outcome.Job is null,
            ghost = outcome.Job is { } drawn ? GhostDrawing.Path(job, drawn, LevelOf(drawn)) : "",
        });
    }

    /// <summary>The chain of dimensions along a side of a level, as it is drawn and beside one that was typed; nothing is
    /// changed.</summary>
    public async Task<IActionResult> OnGetChainAsync(string? storey, string? side, string? manner, string? typed)
    {
        if (await bench.OpenAsync(new(Key)) is not { Plan: var plan })
        {
            return NotFound();
        }

        if (plan.House.Levels.FirstOrDefault(l => l.Level.Id.Value == storey) is not { } level)
        {
            return await RefusedAsync("That level is not in this job any more.");
        }

        try
        {
            var drawn = DimensionChain.Along(level, Entry.Choice<PlanSide>(side ?? ""), Entry.Choice<ChainManner>(manner ?? ""));
            return Partial("_Chain", new ChainView(drawn, string.IsNullOrWhiteSpace(typed) ? null : ChainCheck.Read(typed, drawn), null));
        }
        catch (FormatException e)
        {
            return Partial("_Chain", new ChainView(null, null, e.Message));
        }
    }

    private LevelId LevelOf(Job job) => (job.Levels.FirstOrDefault(l => l.Id.Value == Level) ?? job.Levels.First()).Id;

    /// <summary>Sets the doors that a level has not.</summary>
    public Task<IActionResult> OnPostSetDoorsAsync(string level) => ChangeAsync(() => new SetDoors(new(level)));

    /// <summary>Puts into every room of a level what its use has.</summary>
    public Task<IActionResult> OnPostFurnishLevelAsync(string level) => ChangeAsync(() => new FurnishLevel(new(level)));

    /// <summary>Draws a room from corner to corner.</summary>
    public Task<IActionResult> OnPostDrawRoomAsync(string level, string? name, string use, string x, string y, string toX, string toY) =>
        ChangeAsync(job =>
    {
        var kind = Entry.Choice<RoomUse>(use);
        var called = Entry.RoomName(job, name, kind);
        return new DrawRoom(new(level), called, kind, new(Length.Parse(x), Length.Parse(y)), new(Length.Parse(toX), Length.Parse(toY)));
    });

    /// <summary>Places a room of an inside size against a wall.</summary>
    public Task<IActionResult> OnPostAddRoomAsync(string beside, string wall, string corner, string along, string away, string? name,
        string use) => ChangeAsync(job =>
    {
        var kind = Entry.Choice<RoomUse>(use);
        var called = Entry.RoomName(job, name, kind);
        return new AddRoom(new(beside), Entry.Count(wall), Length.Parse(corner), Length.Parse(along), Length.Parse(away), called, kind);
    });

    /// <summary>Puts the first room on a level.</summary>
    public Task<IActionResult> OnPostFirstRoomAsync(string level, string? name, string use, string width, string depth) =>
        ChangeAsync(job =>
    {
        var kind = Entry.Choice<RoomUse>(use);
        var called = Entry.RoomName(job, name, kind);
        return new FirstRoom(new(level), called, kind, Length.Parse(width), Length.Parse(depth));
    });

    /// <summary>Repeats a room on another level.</summary>
    public Task<IActionResult> OnPostRepeatRoomAsync(string room, string to, string? name, string use) => ChangeAsync(job =>
    {
        var kind = Entry.Choice<RoomUse>(use);
        var called = Entry.RoomName(job, name, kind);
        return new RepeatRoom(new(room), new(to), called, kind);
    });

    /// <summary>Says what a room is called together with others in the door; nothing typed lets it stand by its own name.</summary>
    public Task<IActionResult> OnPostGroupRoomAsync(string room, string? group) => ChangeAsync(() => new GroupRoom(new(room), group));

    /// <summary>Names a room.</summary>
    public Task<IActionResult> OnPostNameRoomAsync(string room, string name) => ChangeAsync(() => new NameRoom(new(room), name ?? ""));

    /// <summary>Says what a room is used as.</summary>
    public Task<IActionResult> OnPostRoomUseAsync(string room, string use) =>
        ChangeAsync(() => new SetRoomUse(new(room), Entry.Choice<RoomUse>(use)));

    /// <summary>Splits a room.</summary>
    public Task<IActionResult> OnPostSplitRoomAsync(string room, string wall, string offset, string? name, string use) => ChangeAsync(job =>
    {
        var kind = Entry.Choice<RoomUse>(use);
        return new SplitRoom(new(room), Entry.Count(wall), Length.Parse(offset), Entry.RoomName(job, name, kind), kind);
    });

    /// <summary>Makes one room of two.</summary>
    public Task<IActionResult> OnPostMergeRoomsAsync(string room, string with) => ChangeAsync(() => new MergeRooms(new(with), new(room)));

    /// <summary>Cuts a corner off.</summary>
    public Task<IActionResult> OnPostCutCornerAsync(string room, string corner, string along, string back) =>
        ChangeAsync(() => new CutCorner(new(room), Entry.Count(corner), Length.Parse(along), Length.Parse(back)));

    /// <summary>Takes a room out.</summary>
    public Task<IActionResult> OnPostDeleteRoomAsync(string room) => ChangeAsync(() => new DeleteRoom(new(room)));

    /// <summary>Moves a wall square to itself.</summary>
    public Task<IActionResult> OnPostMoveWallAsync(string wall, string by) => ChangeAsync(() =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        return new MoveWall(new(room), number, Length.Parse(by));
    });

    /// <summary>Gives a wall its measured clear length.</summary>
    public Task<IActionResult> OnPostWallLengthAsync(string wall, string clear) => ChangeAsync(() =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        return new SetWallLength(new(room), number, Length.Parse(clear));
    });

    /// <summary>Keeps or frees a room's inside sizes.</summary>
    public Task<IActionResult> OnPostKeepSizeAsync(string room, bool width, bool depth) => ChangeAsync(() =>
        new KeepSize(new(room), width, depth));

    /// <summary>Says how a wall is built.</summary>
    public Task<IActionResult> OnPostBuildWallAsync(string wall, string framing, string spacing, string? chases,
        string? firstChase, string? chaseWidth) => ChangeAsync(() =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        return new BuildWall(new(room), number, framing == "usual" ? null : new()
        {
            Wall = number,
            Framing = Entry.Choice<WallFraming>(framing),
            Spacing = Length.Parse(spacing),
            ChaseHeights = [.. (chases ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(Length.Parse)],
            FirstChase = string.IsNullOrWhiteSpace(firstChase) ? null : Length.Parse(firstChase),
            ChaseWidth = string.IsNullOrWhiteSpace(chaseWidth) ? null : Length.Parse(chaseWidth),
        });
    });

    /// <summary>Sets an opening into a wall.</summary>
    public Task<IActionResult> OnPostAddOpeningAsync(string wall, OpeningFields fields) => ChangeAsync(job =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        var opening = fields.Read(AddOpening.FreeId(job, new(room)), number);
        return new AddOpening(new(room), opening);
    });

    /// <summary>Changes an opening.</summary>
    public Task<IActionResult> OnPostOpeningAsync(string opening, string wall, OpeningFields fields) =>
        ChangeAsync(() => new SetOpening(new(opening), fields.Read(opening, Entry.Count(wall))));

    /// <summary>Moves an opening along its wall.</summary>
    public Task<IActionResult> OnPostSlideOpeningAsync(string opening, string offset) =>
        ChangeAsync(() => new MoveOpening(new(opening), Length.Parse(offset)));

    /// <summary>Closes an opening.</summary>
    public Task<IActionResult> OnPostDeleteOpeningAsync(string opening) => ChangeAsync(() => new DeleteOpening(new(opening)));

    /// <summary>Puts a fixture into a room.</summary>
    public Task<IActionResult> OnPostAddFixtureAsync(string room, FixtureFields fields) => ChangeAsync(job =>
    {
        return new AddFixture(new(room), fields.Read());
    });

    /// <summary>Puts into a room what a room of its use has.</summary>
    public Task<IActionResult> OnPostFurnishAsync(string room) => ChangeAsync(() => new FurnishRoom(new(room)));

    /// <summary>Changes a fixture.</summary>
    public Task<IActionResult> OnPostFixtureAsync(string fixture, FixtureFields fields) => ChangeAsync(() =>
    {
        var (room, number) = HouseEntry.Numbered(fixture);
        return new SetFixture(new(room), number, fields.Read());
    });

    /// <summary>Moves a fixture along its wall, or freely in its room.</summary>
    public Task<IActionResult> OnPostSlideFixtureAsync(string fixture, string? offset, string? x, string? y) => ChangeAsync(job =>
    {
        var (room, number) = HouseEntry.Numbered(fixture);
        var was = HouseEntry.Room(job, room).Fixtures.ElementAtOrDefault(number - 1)
            ?? throw new ChangeRefusedException("That fixture is not there any more.");
        return new SetFixture(new(room), number, was.Wall is null ? was with { X = Length.Parse(x ?? ""), Y = Length.Parse(y ?? "") }
            : was with { Offset = Length.Parse(offset ?? "") });
    });

    /// <summary>Takes a fixture out.</summary>
    public Task<IActionResult> OnPostDeleteFixtureAsync(string fixture) => ChangeAsync(() =>
    {
        var (room, number) = HouseEntry.Numbered(fixture);
        return new DeleteFixture(new(room), number);
    });

    /// <summary>Puts an obstruction over a level.</summary>
    public Task<IActionResult> OnPostAddObstructionAsync(string level, ObstructionFields fields) =>
        ChangeAsync(() => new AddObstruction(new(level), fields.Read()));

    /// <summary>Changes an obstruction.</summary>
    public Task<IActionResult> OnPostObstructionAsync(string obstruction, ObstructionFields fields) => ChangeAsync(() =>
    {
        var (level, number) = HouseEntry.Numbered(obstruction);
        return new SetObstruction(new(level), number, fields.Read());
    });

    /// <summary>Moves an obstruction.</summary>
    public Task<IActionResult> OnPostSlideObstructionAsync(string obstruction, string x, string y) => ChangeAsync(job =>
    {
        var (level, number) = HouseEntry.Numbered(obstruction);
        var was = job.Levels.FirstOrDefault(l => l.Id.Value == level)?.Obstructions.ElementAtOrDefault(number - 1)
            ?? throw new ChangeRefusedException("That obstruction is not there any more.");
        return new SetObstruction(new(level), number, was with { Corner = new(Length.Parse(x), Length.Parse(y)) });
    });

    /// <summary>Takes an obstruction away.</summary>
    public Task<IActionResult> OnPostDeleteObstructionAsync(string obstruction) => ChangeAsync(() =>
    {
        var (level, number) = HouseEntry.Numbered(obstruction);
        return new DeleteObstruction(new(level), number);
    });

    /// <summary>Sets a level's heights, joists and air.</summary>
    public Task<IActionResult> OnPostLevelAsync(LevelFields fields) => ChangeAsync(fields.Read);

    /// <summary>Puts a storey on a building.</summary>
    public Task<IActionResult> OnPostAddLevelAsync(string structure, string name) =>
        ChangeAsync(() => new AddLevel(new(structure), name ?? ""));

    /// <summary>Takes an empty storey off.</summary>
    public Task<IActionResult> OnPostDeleteLevelAsync(string level) => ChangeAsync(() => new DeleteLevel(new(level)));

    /// <summary>Says what a building stands on.</summary>
    public Task<IActionResult> OnPostStructureAsync(string structure, string name, string underfloor, bool fuelBurning,
        bool dampUnderfloor) =>
        ChangeAsync(() => new SetStructure(new(structure), name ?? "", Entry.Choice<Underfloor>(underfloor), fuelBurning,
            dampUnderfloor));

    /// <summary>Puts an outbuilding on the site.</summary>
    public Task<IActionResult> OnPostAddStructureAsync(string name, string east, string south, string use, string width, string depth,
        string fedFrom, string? rating, string cover) =>
        ChangeAsync(() => new AddStructure(name ?? "", Length.Parse(east), Length.Parse(south), Entry.Choice<RoomUse>(use),
            Length.Parse(width), Length.Parse(depth), new(fedFrom),
            string.IsNullOrWhiteSpace(rating) ? null : Entry.Amps(rating), Length.Parse(cover)));

    /// <summary>Moves an outbuilding.</summary>
    public Task<IActionResult> OnPostMoveStructureAsync(string structure, string east, string south, string cover) =>
        ChangeAsync(() => new MoveStructure(new(structure), Length.Parse(east), Length.Parse(south), Length.Parse(cover)));

    /// <summary>Hangs or moves a panel.</summary>
    public async Task<IActionResult> OnPostPanelAsync(PanelFields fields) =>
        await bench.OpenAsync(new(Key)) is { } job ? await ChangeAsync(() => new SetPanel(fields.Read(job.Plan.Job))) : NotFound();

    /// <summary>Moves a panel along its wall.</summary>
    public Task<IActionResult> OnPostSlidePanelAsync(string panel, string offset) => ChangeAsync(job =>
        new SetPanel((job.Panels.FirstOrDefault(p => p.Id.Value == panel)
            ?? throw new ChangeRefusedException("That panel is not there any more.")) with
        { Offset = Length.Parse(offset) }));

    /// <summary>Takes a panel away.</summary>
    public Task<IActionResult> OnPostDeletePanelAsync(string panel) => ChangeAsync(() => new DeletePanel(new(panel)));

    /// <summary>Keeps bays for another trade.</summary>
    public Task<IActionResult> OnPostKeepBaysAsync(string wall, string? id, string keptFor, string offset, string width) =>
        ChangeAsync(job =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        var kept = new Reservation
        {
            Id = new(string.IsNullOrEmpty(id) ? ReserveBays.FreeId(job) : id),
            For = keptFor ?? "",
            Room = new(room),
            Wall = number,
            Offset = Length.Parse(offset),
            Width = Length.Parse(width)
        };
        return new ReserveBays(kept);
    });

    /// <summary>Gives kept bays back.</summary>
    public Task<IActionResult> OnPostReleaseBaysAsync(string id) => ChangeAsync(() => new ReleaseBays(new(id)));

    /// <summary>Leaves a spare chase.</summary>
    public Task<IActionResult> OnPostLeaveChaseAsync(string wall, string? id, string keptFor, string offset, bool cord) =>
        ChangeAsync(job =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        var chase = new Chase
        {
            Id = new(string.IsNullOrEmpty(id) ? LeaveChase.FreeId(job) : id),
            For = keptFor ?? "",
            Room = new(room),
            Wall = number,
            Offset = Length.Parse(offset),
            Cord = cord
        };
        return new LeaveChase(chase);
    });

    /// <summary>Closes a spare chase.</summary>
    public Task<IActionResult> OnPostCloseChaseAsync(string id) => ChangeAsync(() => new CloseChase(new(id)));

    /// <summary>Lays a drawing under a level.</summary>
    public async Task<IActionResult> OnPostUnderlayAsync(string level, IFormFile? file)
    {
        if (file is null || file.Length == 0)
        {
            return await RefusedAsync("Choose a drawing first: an ASCII DXF or an SVG.");
        }

        if (file.Length > SvgReader.MostBytes)
        {
            return await SayAsync(StatusCodes.Status413PayloadTooLarge,
                new($"“{file.FileName}” is larger than 5 MB. Bring in only the floor plan.", [], Refused: true));
        }

        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes);
        try
        {
            var drawing = await bench.PlanAsync(_ => DrawingFiles.Read(bytes.ToArray()));
            var (a, b) = drawing.Bounds();
            var kept = DrawingFiles.Write(drawing);
            var change = new SetUnderlay(new(level), new(Drawings.FingerprintOf(kept), NameOf(file), a, b.X - a.X, b.Y - a.Y));
            // Kept once it is known that the level takes it, and before the level says that it is there.
            if (await bench.OpenAsync(new(Key)) is { } open && change.On(open.Plan.Kept).Job is not null)
            {
                await HttpContext.RequestServices.GetRequiredService<Drawings>().KeepAsync(kept);
            }

            return await ChangeAsync(() => change);
        }
        catch (DrawingException e)
        {
            return await RefusedAsync($"“{file.FileName}” was not taken. {e.Message}");
        }
    }

    private static string NameOf(IFormFile file) => Printed.Of(Path.GetFileName(file.FileName)) is { Length: > 0 } name
        ? Printed.Cut(name, 60) : "drawing";

    /// <summary>Makes rooms of the closed outlines on a layer of the drawing under a level.</summary>
    public async Task<IActionResult> OnPostRoomsFromDrawingAsync(string level, string? layer, string drawn)
    {
        if (await bench.OpenAsync(new(Key)) is not { } open || open.Plan.Job.Levels.FirstOrDefault(l => l.Id.Value == level)?.Underlay
            is not { } under
            || await HttpContext.RequestServices.GetRequiredService<Drawings>().FindAsync(under.Drawing) is not { } kept)
        {
            return await RefusedAsync("The drawing is not here any more. Lay it under the level again.");
        }

        try
        {
            var laid = DrawingFiles.Laid(DrawingFiles.Open(kept), under.Corner, under.Width, under.Depth);
            var rooms = DrawnRooms.Of(laid, layer ?? "", Entry.Choice<DrawnOn>(drawn));
            return await ChangeAsync(() => new AddRooms(new(level), rooms, DrawnRooms.Boxes(laid)));
        }
        catch (Exception e) when (e is DrawingException or FormatException)
        {
            return await RefusedAsync(e.Message);
        }
    }

    /// <summary>Scales the drawing under a level from one known length.</summary>
    public Task<IActionResult> OnPostScaleUnderlayAsync(string level, string measured, string known) =>
        ChangeAsync(() => new ScaleUnderlay(new(level), Length.Parse(measured), Length.Parse(known)));

    /// <summary>Moves the drawing under a level.</summary>
    public Task<IActionResult> OnPostMoveUnderlayAsync(string level, string x, string y) => ChangeAsync(job =>
    {
        var under = job.Levels.FirstOrDefault(l => l.Id.Value == level)?.Underlay
            ?? throw new ChangeRefusedException("No drawing lies under this level.");
        return new SetUnderlay(new(level), under with { Corner = new(Length.Parse(x), Length.Parse(y)) });
    });

    /// <summary>Takes the drawing from under a level.</summary>
    public Task<IActionResult> OnPostDropUnderlayAsync(string level) => ChangeAsync(() => new SetUnderlay(new(level), null));

    /// <summary>Waits for a fact.</summary>
    public Task<IActionResult> OnPostHoldAsync(string subject, string? field, string what, string? who, string? by,
        string? slack) =>
        ChangeAsync(job => new AddHold(new(new(AddHold.FreeId(job)), subject, what ?? "", who ?? "", by ?? "")
        {
            Field = string.IsNullOrEmpty(field) ? null : Entry.Choice<HoldField>(field),
            Slack = string.IsNullOrWhiteSpace(slack) ? Length.Zero : Length.Parse(slack),
        }));
}
