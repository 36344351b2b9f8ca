using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Routing;
using Circuitum.Core.Training;
using Circuitum.Core.Wiring;
using Circuitum.Data;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Circuitum.Web.Training;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.WebUtilities;

namespace Circuitum.Web.Pages;

/// <summary>One exercise: its house, the task, and what happens. Where somebody stands in it is the address.</summary>
public sealed class ExerciseModel(PracticeRecord record) : PageModel
{
    /// <summary>The exercise.</summary>
    public Exercise Exercise { get; private set; } = null!;

    /// <summary>How far somebody is.</summary>
    public LearnQuery At { get; private set; } = null!;

    /// <summary>Its house.</summary>
    public HouseNetwork House { get; private set; } = null!;

    /// <summary>The box as it is joined; null where none is made up.</summary>
    public HandJoints? Hands { get; private set; }

    /// <summary>What happened when it was switched on; null while it is not.</summary>
    public WhatHappens? Outcome { get; private set; }

    /// <summary>The question; null where none is asked.</summary>
    public Question? Question { get; private set; }

    /// <summary>What is hidden, and what it looks like; null where nothing is.</summary>
    public (Finder Finder, Suspect Hidden)? Nail { get; private set; }

    /// <summary>It is done.</summary>
    public bool IsDone { get; private set; }

    /// <summary>The plan.</summary>
    public Plan Plan => House.Plan;

    /// <summary>The next in the list; null after the last.</summary>
    public Exercise? Next => Exercises.All.SkipWhile(e => e != Exercise).Skip(1).FirstOrDefault();

    /// <summary>Harm so far, what happened just now with it.</summary>
    public int Harm => At.Harm + (Outcome is { Harm: true } ? 1 : 0);

    /// <summary>Where somebody goes on from: not switched on, with what that cost.</summary>
    public LearnQuery Onward => At with { On = false, Harm = Harm, Said = "" };

    /// <summary>The address of a state.</summary>
    public string Link(LearnQuery at) => at.Address(Exercise.Id);

    /// <summary>Another lot.</summary>
    public string Another => Link(new() { Seed = At.Seed + 1, Hints = 0 });

    /// <summary>Shows the exercise as it stands.</summary>
    public IActionResult OnGet(string id, string? join)
    {
        if (!Load(id))
        {
            return NotFound();
        }

        // What was dragged onto something: as pressing the one and then the other.
        if (join?.Split('~') is [var one, var other] && Hands?.Find(one) is { } from && Hands.Find(other) is not null)
        {
            At = At with { Held = from.Name };
            return Redirect(Pressed(Hands.Find(other)!));
        }

        return Page();
    }

    /// <summary>Keeps what was done under the name at the bench.</summary>
    public async Task<IActionResult> OnPostKeepAsync(string id)
    {
        if (!Load(id))
        {
            return NotFound();
        }

        if (!IsDone)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await record.KeepAsync(new(id, At.Seed, At.Steps, At.Tries, At.Harm, At.Hints), Crew.Of(HttpContext));
        return Redirect($"/learn?done={id}");
    }

    /// <summary>Pressing a lead: taken in the hand, let go, or joined with what is in the hand.</summary>
    public string Pressed(Lead lead)
    {
        if (At.Held.Length == 0 || Hands!.Find(At.Held) is not { } held || held == lead)
        {
            return Link(Onward with { Held = At.Held == lead.Name ? "" : lead.Name }) + $"#lead-{lead.Name}";
        }

        return Link(Onward with { Joints = Changed(h => h.Join(held.Name, lead.Name)), Held = "", Steps = At.Steps + 1 })
            + $"#lead-{lead.Name}";
    }

    /// <summary>The lead in the hand taken out of its joint.</summary>
    public string TakenOut(Lead held) => Link(Onward with { Joints = Changed(h => h.Take(held.Name)), Held = "", Steps = At.Steps + 1 });

    /// <summary>The lead in the hand; null for none.</summary>
    public Lead? Held => At.Held.Length == 0 ? null : Hands?.Find(At.Held);

    /// <summary>The box that is made up.</summary>
    public PlacedBox Box => Plan.Survey[((MakeUpExercise)Exercise).Box];

    /// <summary>The plan drawn, its boxes to be pressed.</summary>
    public string Drawing
    {
        get
        {
            var level = Plan.House.Levels.First(l => !l.Rooms.IsEmpty);
            var nail = Nail is var (finder, hidden) ? hidden : null;
            var circuit = Exercise is FindExercise ? FindExercise.Circuit(House) : Plan.CircuitOf(Plan.Survey.Boxes[0].Box.Id);
            var state = Exercise is PressExercise press ? press.Stands
                : HouseState.AsPlanned with { Faults = nail?.Fault is { } fault ? [fault] : [] };
            return ProveDrawing.Draw(Plan, level, House.Solve(state), state.Thrown, circuit, null,
                b => PressedBox(b.Box.Id),
                b => Nail is not null && !Looks.Any(l => l.Test.Box == b), named: true);
        }
    }

    /// <summary>What was found where somebody looked.</summary>
    public IEnumerable<(Test Test, Finding Found)> Looks => Nail is var (finder, hidden)
        ? At.Looks.Where(n => n < finder.Tests.Length && IsLook(finder.Tests[n]))
            .Select(n => (finder.Tests[n], finder.Suspects.First(s => s.Suspect == hidden).Looks[n])) : [];

    /// <summary>Pressing a box: it is looked at where something is hidden, and is what is meant else.</summary>
    public string PressedBox(BoxId box)
    {
        if (Nail is null)
        {
            return Link(Onward with { Said = box.Value, Tries = At.Tries + 1 });
        }

        var number = Nail is var (finder, _) ? finder.Tests.ToList().FindIndex(t => IsLook(t) && t.Box == box) : -1;
        return number < 0 || At.Looks.Contains(number) ? Link(Onward)
            : Link(Onward with { Looks = At.Looks.Add(number), Steps = At.Looks.Length + 1 });
    }

    /// <summary>The cables that may be named.</summary>
    public IEnumerable<Run> Cables => FindExercise.Circuit(House).Runs.Where(r => r.To.Box is not null);

    /// <summary>The conductors to be landed.</summary>
    public ImmutableArray<Conductor> ToLand => Conductor.In(((LandExercise)Exercise).Cable(Plan));

    /// <summary>Where they can be landed.</summary>
    public IEnumerable<(PanelPlace Place, string Words)> Places
    {
        get
        {
            var land = (LandExercise)Exercise;
            var feeder = Plan.Circuits.Any(c => c.Feeds == land.Panel);
            yield return (PanelPlace.Free, "nowhere");
            yield return (PanelPlace.Breaker, feeder ? "first lug" : "breaker");
            if (ToLand.Length > 3 || ToLand.Any(c => c.Carries == Carried.SecondLeg))
            {
                yield return (PanelPlace.SecondPole, feeder ? "second lug" : "second pole of the breaker");
            }

            yield return (PanelPlace.NeutralBar, "bar for neutrals");
            yield return (PanelPlace.GroundBar, "bar for grounds");
        }
    }

    /// <summary>How it went, in words.</summary>
    public string Score => LearnModel.Words(new(Exercise.Id, At.Seed, At.Steps, At.Tries, Harm, At.Hints));

    /// <summary>The address that keeps it.</summary>
    public string KeepLink => QueryHelpers.AddQueryString(Link(At), "handler", "Keep");

    private string Changed(Action<HandJoints> change)
    {
        var copy = Opened();
        change(copy);
        return copy.Written;
    }

    private HandJoints Opened() =>
        HandJoints.Read(Plan.WiringOf(Box.Box.Id)!, Box.Box, Plan.Book.Supply, At.Joints);

    private static bool IsLook(Test test) => test is { Run: null, Box: not null };

    private bool Load(string id)
    {
        if (Exercises.Find(id) is not { } exercise)
        {
            return false;
        }

        (Exercise, At) = (exercise, LearnQuery.Read(Request.Query));
        House = PracticePlans.HouseOf(exercise);
        switch (exercise)
        {
            case MakeUpExercise makeUp:
                Hands = Opened();
                Outcome = At.On ? makeUp.Try(House, Hands) : null;
                IsDone = Outcome is { Right: true };
                break;
            case LandExercise land:
                // A conductor that nobody landed hangs free.
                Outcome = At.On ? land.Try(House, ToLand.ToDictionary(c => c.Colour, c => At.Landed.GetValueOrDefault(c.Colour)), At.Screw)
                    : null;
                IsDone = Outcome is { Right: true };
                break;
            case PressExercise press:
                IsDone = Plan.Survey.Find(new(At.Said)) is { } box && press.IsRight(House, box.Box.Id);
                break;
            case ChooseExercise choose:
                Question = choose.Ask(House, At.Seed);
                IsDone = int.TryParse(At.Said, NumberStyles.None, CultureInfo.InvariantCulture, out var said)
                    && said < Question.Choices.Length && Question.Choices[said].IsRight;
                break;
            case FindExercise find:
                var finder = PracticePlans.FinderOf(find);
                Nail = (finder, FindExercise.Hidden(finder, At.Seed));
                IsDone = At.Looks.Length <= find.Looks && Cables.FirstOrDefault(c => c.Id.ToString() == At.Said) is { } run
                    && FindExercise.IsRight(finder, Nail.Value.Hidden, run.Id);
                break;
            default:
                throw new InvalidOperationException($"No page shows an exercise of kind {exercise.GetType().Name}.");
        }

        return true;
    }
}
