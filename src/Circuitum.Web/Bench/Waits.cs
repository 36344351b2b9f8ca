using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Tags;

namespace Circuitum.Web.Bench;

/// <summary>One thing that a stage waits for, in a sentence, and what does it: an act on the level drawn, or a place to go.</summary>
/// <param name="Words">What is missing.</param>
/// <param name="Does">What the button or the link says.</param>
/// <param name="Act">The act that does it, or null.</param>
/// <param name="Goes">Where it is done, or null; one of the two is there.</param>
public sealed record Wait(string Words, string Does, string? Act = null, string? Goes = null);

/// <summary>A step from a blank sheet to one that is printed.</summary>
/// <param name="Words">What to do.</param>
/// <param name="Done">It is done.</param>
public sealed record FirstStep(string Words, bool Done);

/// <summary>What a stage waits for, worked out from the plan as it stands; nothing is kept.</summary>
public static class Waits
{
    /// <summary>What the stage shown waits for, the first to be done first; empty when nothing.</summary>
    public static IReadOnlyList<Wait> Of(BenchView view) => view.Stage switch
    {
        Stage.House => [.. House(view)],
        Stage.Boxes => [.. Boxes(view)],
        _ when view.Plan.Survey.Boxes.IsEmpty => [NoBoxes(view)],
        Stage.Circuits => [.. Circuits(view)],
        Stage.Panel => [.. Panel(view)],
        _ => [],
    };

    /// <summary>True where a stage has nothing yet that could be right or wrong, so that no one reads “clear” off an empty sheet.</summary>
    public static bool IsEmpty(BenchView view, Stage stage) => stage != Stage.House && view.Plan.Survey.Boxes.IsEmpty;

    /// <summary>The first five steps of a job, while it has no boxes; empty afterwards, when each stage says itself what it waits for.
    /// </summary>
    public static IReadOnlyList<FirstStep> First(BenchView view)
    {
        var rooms = view.Plan.House.Rooms.Count();
        return !view.Plan.Survey.Boxes.IsEmpty ? [] :
        [
            new("Draw the rooms: say them in the line above the plan, or choose Room and draw corner to corner.", rooms > 1),
            new("Set doors and windows, and what stands in each room.", rooms > 1
                && view.Levels.All(l => l.Rooms.Length < 2 || SetDoors.Without(view.Plan.House, l.Level.Id).Count == 0)),
            new("On Boxes, lay out the whole job by rule; drag what the house wants elsewhere.", false),
            .. view.Plan.Book.FeedsBoards ? OnBoards :
            [
                new FirstStep("Go through the tags under each stage: red breaks the code, amber wants a look.", false),
                new("On Panel, write the numbers, then print the door sheet and the lists.", false),
            ],
        ];
    }

    private static ImmutableArray<FirstStep> OnBoards { get; } =
    [
        new("On Boards, say how they are fed; go through what is red there.", false),
        new("Print the schedules and the conduits, and take the material along.", false),
    ];

    private static IEnumerable<Wait> House(BenchView view)
    {
        var rooms = view.Level.Rooms;
        if (rooms.Length > 1 && SetDoors.Without(view.Plan.House, view.Level.Level.Id) is { Count: > 0 } shut)
        {
            yield return new(shut.Count == 1 ? $"{shut[0].Name} has no door" : $"{shut.Count} rooms have no door", "Set the doors",
                Act: "SetDoors");
        }

        var bare = rooms.Where(r => r.Room.Fixtures.IsEmpty && !FurnishRoom.MissingFrom(r.Room).IsEmpty).ToList();
        if (bare.Count > 0)
        {
            yield return bare.Count == 1 ? new($"{bare[0].Room.Name} is not furnished", "Furnish it", Act: "FurnishLevel")
                : new($"{bare.Count} rooms are not furnished", "Furnish them", Act: "FurnishLevel");
        }
    }

    private static IEnumerable<Wait> Boxes(BenchView view)
    {
        var served = view.Plan.Survey.Boxes.Select(b => b.Box.Room).ToHashSet();
        var bare = view.Plan.House.Rooms.Where(r => !served.Contains(r.Room.Id)).ToList();
        if (bare.Count > 0 && view.Plan.Survey.Boxes.IsEmpty)
        {
            yield return new(view.Plan.Book.FeedsBoards ? "No boxes yet: what a house usually has can be set in one act, then moved"
                : "No boxes yet: what the code asks for can be set in one act, then moved", "Go to House",
                Goes: view.Link(null, Stage.House));
        }
        else if (bare.Count > 0)
        {
            yield return new(bare.Count == 1 ? $"{bare[0].Room.Name} has no box" : $"{bare.Count} rooms have no box", "Show it",
                Goes: view.Link(Subject.Room(bare[0].Room.Id)));
        }
    }

    private static Wait NoBoxes(BenchView view) =>
        new(view.Stage switch
        {
            Stage.Circuits => "No boxes yet, so no circuits: they follow as boxes are set",
            Stage.Runs => "No boxes yet, so nothing to pull: runs follow as boxes are set",
            _ => "No boxes yet, so nothing to land: breakers follow as boxes are set",
        }, "Go to Boxes", Goes: view.Link(null, Stage.Boxes));

    private static IEnumerable<Wait> Circuits(BenchView view)
    {
        var red = view.Plan.Tags.Where(t => t.Severity == Severity.Red && t.Stage is Stage.House or Stage.Boxes).ToList();
        if (red.Count > 0)
        {
            yield return new($"{Told.Many(red.Count, "red tag")} on the stages before may change the division", "Show the first",
                Goes: view.Link(red[0].Subject, red[0].Stage));
        }
    }

    private static IEnumerable<Wait> Panel(BenchView view)
    {
        var red = view.Plan.Tags.Where(t => t.Severity == Severity.Red).ToList();
        if (red.Count > 0)
        {
            yield return new($"{Told.Many(red.Count, "red tag")} open before this can be built", "Show the first",
                Goes: view.Link(red[0].Subject, red[0].Stage));
        }
        else if (view.Plan.Job.Written.IsEmpty)
        {
            yield return new("Ready to print; the numbers are not written, so the next change may move them", "Write the numbers",
                Act: "Write");
        }
    }
}
