using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to runs: holds a way by places it passes, and frees it again; takes another box.
public abstract partial class StagePage
{
    /// <summary>Moves a place on a run's way, or puts one in: “2 run” is the second place, “+2 run” a new one before it.</summary>
    public Task<IActionResult> OnPostViaAsync(string place, string x, string y) => ChangeAsync(() =>
    {
        var (run, number, added) = Place(place);
        return new MoveVia(run, number, new Point(Length.Parse(x), Length.Parse(y)), added);
    });

    /// <summary>Takes a place out of a run's way.</summary>
    public Task<IActionResult> OnPostDropViaAsync(string place) => ChangeAsync(() =>
    {
        var (run, number, _) = Place(place);
        return new MoveVia(run, number, null, false);
    });

    /// <summary>Frees a run's way.</summary>
    public Task<IActionResult> OnPostFreeWayAsync(string run) => ChangeAsync(() => new PinWay(run, []));

    /// <summary>Takes a box of another volume; nothing typed means the smallest usual one.</summary>
    public Task<IActionResult> OnPostVolumeAsync(string box, string? volume) => ChangeAsync(() => new SetVolume(new(box), string.IsNullOrWhiteSpace(volume) ? null : Entry.CubicInches(volume)));

    private static (string Run, int Number, bool Added) Place(string? place)
    {
        var parts = (place ?? "").Split(' ', 2);
        return parts.Length == 2 && int.TryParse(parts[0].TrimStart('+'), System.Globalization.NumberStyles.None, System.Globalization.CultureInfo.InvariantCulture, out var number)
            ? (parts[1], number, parts[0].StartsWith('+'))
            : throw new FormatException("No such place on a run. Open the page again.");
    }
}
