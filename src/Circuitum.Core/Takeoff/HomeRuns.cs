using System.Collections.Immutable;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>A home run as it is pulled and landed.</summary>
/// <param name="Number">A14: as it is written on the cable.</param>
/// <param name="Landed">The circuit in its space.</param>
/// <param name="Cable">12-2; the cable that brings it where it has none of its own.</param>
/// <param name="Length">Cut; zero where another's cable brings it.</param>
/// <param name="To">The box, or the panel, where it ends.</param>
/// <param name="Room">The room of that box.</param>
/// <param name="Beside">What else is to be known: its pipe, or whose cable brings it.</param>
public sealed record HomeRunLine(string Number, Landed Landed, string Cable, Length Length, string To, string Room, string Beside);

/// <summary>The home runs of a panel, in the order of its spaces: the list beside the schedule, from the same plan.</summary>
public static class HomeRuns
{
    /// <summary>A line for every circuit of a panel that has a way to it.</summary>
    public static ImmutableArray<HomeRunLine> Of(Plan plan, PanelSchedule panel) =>
        [.. panel.Circuits.Where(c => c.HomeRun is not null).Select(c => Line(plan, panel, c))];

    private static HomeRunLine Line(Plan plan, PanelSchedule panel, Landed landed)
    {
        var sized = landed.Sized;
        var run = sized.Routed.HomeRun!;
        var room = run.To.Box is { } box ? plan.Survey[box].Room.Room.Name
            : plan.Panels.FirstOrDefault(p => p.Panel.Id == run.To.Panel)?.Where ?? "";
        var beside = new[]
        {
            run.RidesIn is { } cable && plan.FindRun(cable) is var (guest, _)
                ? $"in the cable of {Labels.NumberOf(plan, guest.Circuit.Key)}" : null,
            sized.Pipe is { } pipe ? plan.Job.Pipes.Any(p => p.Id == run.Pipe) ? $"pipe {run.Pipe}, {pipe.Size.Value}" : pipe.Size.Value
                : null,
            landed.OnLugs ? "on the feed-through lugs" : null,
        }.OfType<string>();
        return new($"{panel.Panel.Id}{landed.SpaceText}", landed, sized.CableOf(run), run.RidesIn is null ? run.Length.Value : Length.Zero,
            run.To.Name, room, string.Join(", ", beside));
    }
}
