using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages.Stages;

// What a person does to runs: holds a way by places it passes, and frees it again; takes another box.
public abstract partial class StagePage
{
    /// <summary>Moves a place on a run's way or a corner of a trench, or puts one in: “2 run” is the second place, “+2 run” a new one
    /// before it, “1 trench:id” a corner.</summary>
    public Task<IActionResult> OnPostViaAsync(string place, string x, string y) => ChangeAsync(() =>
    {
        var (run, number, added) = Place(place);
        var at = new Point(Length.Parse(x), Length.Parse(y));
        return TrenchOf(run) is { } trench ? new MoveTrenchCorner(trench, number, at, added)
            : new MoveVia(RunId.Parse(run), number, at, added);
    });

    /// <summary>Takes a place out of a run's way, or a corner out of a trench.</summary>
    public Task<IActionResult> OnPostDropViaAsync(string place) => ChangeAsync(() =>
    {
        var (run, number, _) = Place(place);
        return TrenchOf(run) is { } trench ? new MoveTrenchCorner(trench, number, null, false)
            : new MoveVia(RunId.Parse(run), number, null, false);
    });

    /// <summary>Joins cable for the ground to cable of the house where it leaves.</summary>
    public Task<IActionResult> OnPostJoinAsync(string run) => AnswerAsync(from => bench.DoAsync(new(Key), from, Crew.Of(HttpContext),
        open => Task.FromResult<JobChange>(open.Plan.FindRun(RunId.Parse(run)) is var (_, lies)
            && (InsideCable.Of(open.Plan, lies)?.Joint ?? BeyondSteel.Of(open.Plan, lies)?.Joint) is { } joint ? joint
            : throw new ChangeRefusedException("No box is offered on this cable any more: it is another one now."))));

    /// <summary>Frees a run's way.</summary>
    public Task<IActionResult> OnPostFreeWayAsync(string run) => ChangeAsync(() => new PinWay(RunId.Parse(run), []));

    /// <summary>Takes a box of another volume; nothing typed means the smallest usual one.</summary>
    public Task<IActionResult> OnPostVolumeAsync(string box, string? volume) =>
        ChangeAsync(() => new SetVolume(new(box), string.IsNullOrWhiteSpace(volume) ? null : Entry.CubicInches(volume)));

    /// <summary>Makes a box otherwise; nothing chosen means as the crew makes them.</summary>
    public Task<IActionResult> OnPostMakeAsync(string box, string? make) =>
        ChangeAsync(() => new SetBoxMake(new(box), string.IsNullOrEmpty(make) ? null : Entry.Choice<BoxMake>(make)));

    /// <summary>Pulls a circuit's home run in a pipe; nothing chosen takes it out.</summary>
    public Task<IActionResult> OnPostPutInPipeAsync(string circuit, string? pipe) =>
        ChangeAsync(() => new PutInPipe(new(circuit), string.IsNullOrEmpty(pipe) ? null : new Id<Pipe>(pipe)));

    /// <summary>Pulls a run from box to box in a pipe; nothing chosen takes it out.</summary>
    public Task<IActionResult> OnPostPutRunInPipeAsync(string run, string? pipe) =>
        ChangeAsync(() => new PutRunInPipe(RunId.Parse(run), string.IsNullOrEmpty(pipe) ? null : new Id<Pipe>(pipe)));

    /// <summary>Sets what a pipe is.</summary>
    public Task<IActionResult> OnPostPipeAsync(string pipe, string circuit, string kind, string? atLeast, bool marked75,
        bool jacketed) =>
        ChangeAsync(job => new SetPipe(PipeOf(job, pipe, circuit) with
        {
            Kind = Entry.Choice<ConduitKind>(kind),
            AtLeast = string.IsNullOrEmpty(atLeast) ? null : atLeast,
            Marked75 = marked75,
            Jacketed = jacketed
        }));

    /// <summary>Sets a pull box along a pipe, or says that conductors were joined there.</summary>
    public Task<IActionResult> OnPostAddStopAsync(string pipe, string circuit, string along, string kind) => ChangeAsync(job =>
    {
        var known = PipeOf(job, pipe, circuit);
        return new SetPipe(known with { Stops = known.Stops.Add(new(Entry.Choice<PipeStopKind>(kind), Length.Parse(along))) });
    });

    /// <summary>Takes out what is along a pipe.</summary>
    public Task<IActionResult> OnPostDropStopAsync(string pipe, string circuit, int stop) => ChangeAsync(job =>
    {
        var known = PipeOf(job, pipe, circuit);
        return stop >= 0 && stop < known.Stops.Length ? new SetPipe(known with { Stops = known.Stops.RemoveAt(stop) })
            : throw new ChangeRefusedException("That place on the pipe is not in this job any more.");
    });

    /// <summary>Sets how deep a trench is and what else lies in it.</summary>
    public Task<IActionResult> OnPostTrenchAsync(string trench, string cover, string? dataPipe, bool underDrive) =>
        ChangeAsync(() => new SetTrench(trench, Length.Parse(cover), string.IsNullOrWhiteSpace(dataPipe) ? null : Length.Parse(dataPipe),
            underDrive));

    // The job's own pipe, or the one assumed for a feeder.
    private static Pipe PipeOf(Job job, string pipe, string circuit) => job.Pipes.FirstOrDefault(p => p.Id.Value == pipe) is { } own ? own
        : Core.Routing.Raceways.For(job, new(circuit), true) is { } known && known.Id.Value == pipe
        ? known : throw new ChangeRefusedException($"Pipe {pipe} is not in this job any more.");

    private static string? TrenchOf(string run) => run.StartsWith("trench:", StringComparison.Ordinal) ? run["trench:".Length..] : null;

    private static (string Run, int Number, bool Added) Place(string? place)
    {
        var parts = (place ?? "").Split(' ', 2);
        return parts.Length == 2
            && int.TryParse(parts[0].TrimStart('+'), System.Globalization.NumberStyles.None,
                System.Globalization.CultureInfo.InvariantCulture, out var number)
            ? (parts[1], number, parts[0].StartsWith('+'))
            : throw new FormatException("No such place on a run. Open the page again.");
    }
}
