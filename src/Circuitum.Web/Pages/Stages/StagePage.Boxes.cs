using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to boxes and what is in them.
public abstract partial class StagePage
{
    /// <summary>Adds a box on a wall.</summary>
    public Task<IActionResult> OnPostAddAsync(string room, string wall, string offset, string kind, bool outside) => ChangeAsync(job =>
    {
        if (NewLowVoltage.Is(kind))
        {
            return NewLowVoltage.OnWall(job, HouseEntry.Room(job, room).Id, Entry.Count(wall), Length.Parse(offset), kind, outside);
        }

        var box = NewBox.OnWall(job, HouseEntry.Room(job, room).Id, Entry.Count(wall), Length.Parse(offset), kind) with
        { Outside = outside };
        return new AddBox(box);
    });

    /// <summary>Adds a box on a ceiling or in a floor.</summary>
    public Task<IActionResult> OnPostAddOverAsync(string room, string x, string y, string kind) => ChangeAsync(job =>
    {
        if (NewLowVoltage.Is(kind))
        {
            return NewLowVoltage.Over(job, HouseEntry.Room(job, room).Id, Length.Parse(x), Length.Parse(y), kind);
        }

        var box = NewBox.Free(job, HouseEntry.Room(job, room).Id, Length.Parse(x), Length.Parse(y), kind);
        return new AddBox(box);
    });

    /// <summary>Stands equipment on a pad outdoors; nothing typed hangs it on its wall.</summary>
    public Task<IActionResult> OnPostPadAsync(string box, string? fromWall) =>
        ChangeAsync(() => new SetPad(new(box), string.IsNullOrWhiteSpace(fromWall) ? null : Length.Parse(fromWall)));

    /// <summary>Lays out by rule: a room, or the whole job.</summary>
    public Task<IActionResult> OnPostLayOutAsync(string? room) =>
        ChangeAsync(() => string.IsNullOrEmpty(room) ? LayOut.Everything : new LayOut([new(room)]));

    /// <summary>Says which lamps a switch works.</summary>
    public Task<IActionResult> OnPostControlsAsync(string box, int place, string[] lamps) =>
        ChangeAsync(() => new SetControls(new(box), place, [.. lamps.Select(l => new BoxId(l))]));

    /// <summary>Adds a device to a box.</summary>
    public Task<IActionResult> OnPostAddDeviceAsync(string box, string kind) =>
        ChangeAsync(() => new AddDevice(new(box), NewBox.Device(kind)));

    /// <summary>Takes a device out of a box.</summary>
    public Task<IActionResult> OnPostRemoveDeviceAsync(string box, int place) => ChangeAsync(() => new RemoveDevice(new(box), place));

    /// <summary>Sets a receptacle's rating.</summary>
    public Task<IActionResult> OnPostRatingAsync(string box, int place, string? rating) =>
        ChangeAsync(() => new SetRating(new(box), place, string.IsNullOrEmpty(rating) ? null : Entry.Amps(rating)));

    /// <summary>Names a box.</summary>
    public Task<IActionResult> OnPostNameBoxAsync(string box, string? name) =>
        ChangeAsync(() => new NameBox(new(box), string.IsNullOrWhiteSpace(name) ? null : name.Trim()));

    /// <summary>Says what a box serves.</summary>
    public Task<IActionResult> OnPostServesAsync(string box, string serves) =>
        ChangeAsync(() => new SetBoxPlace(new(box), serves == "counter", serves == "outside"));

    /// <summary>Writes a whole plate.</summary>
    public Task<IActionResult> OnPostWholePlateAsync(string box, int place, PlateFields fields) =>
        ChangeAsync(job => new SetPlate(new(box), place, fields.Read(CodeBook.For(job).Supply)));

    /// <summary>Moves several boxes together.</summary>
    public Task<IActionResult> OnPostNudgeAsync(string boxes, string by) =>
        ChangeAsync(() => new NudgeBoxes(Picked(boxes), Length.Parse(by)));

    /// <summary>Takes several boxes out.</summary>
    public Task<IActionResult> OnPostDeleteBoxesAsync(string boxes) => ChangeAsync(() => new DeleteBoxes(Picked(boxes)));

    /// <summary>Sets the height of several boxes.</summary>
    public Task<IActionResult> OnPostHeightsAsync(string boxes, string? height) =>
        ChangeAsync(() => new SetHeights(Picked(boxes), string.IsNullOrWhiteSpace(height) ? null : Length.Parse(height)));

    /// <summary>Copies a room's boxes.</summary>
    public Task<IActionResult> OnPostCopyBoxesAsync(string room, string to, bool mirrored) =>
        ChangeAsync(() => new CopyBoxes(new(room), new(to), mirrored));

    /// <summary>Centres a box.</summary>
    public Task<IActionResult> OnPostCentreAsync(string box, string on) => ChangeAsync(() =>
    {
        var parts = on.Split('.');
        return new CentreBox(new(box), Entry.Choice<CentreOn>(parts[0]), parts.Length > 1 ? Entry.Count(parts[1]) : 0);
    });

    /// <summary>Places rows of cans.</summary>
    public Task<IActionResult> OnPostCansAsync(string room, string spacing) =>
        ChangeAsync(() => new PlaceCans(new(room), Length.Parse(spacing)));

    /// <summary>Says what will stand at a wall.</summary>
    public Task<IActionResult> OnPostWantAsync(string wall, string? id, string kind, string? name, string offset, string width,
        bool individual) => ChangeAsync(job =>
    {
        var (room, number) = HouseEntry.Numbered(wall);
        var want = new Want
        {
            Id = new(string.IsNullOrEmpty(id) ? SetWant.FreeId(job) : id),
            Kind = Entry.Choice<WantKind>(kind),
            Name = string.IsNullOrWhiteSpace(name) ? null : name.Trim(),
            Room = new(room),
            Wall = number,
            Offset = Length.Parse(offset),
            Width = Length.Parse(width),
            Individual = individual,
        };
        return new SetWant(want);
    });

    /// <summary>Drops a want.</summary>
    public Task<IActionResult> OnPostDropWantAsync(string id) => ChangeAsync(() => new DropWant(new(id)));

    private static ImmutableArray<BoxId> Picked(string boxes) =>
        [.. (boxes ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).Distinct().Select(b => new BoxId(b))];
}
