using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Stage Runs: how does it get there?</summary>
public static class Routes
{
    /// <summary>Routes every circuit from its panel.</summary>
    public static ImmutableArray<RoutedCircuit> Route(FramedHouse house, Survey survey, ImmutableArray<Circuit> circuits, Job job,
        CodeBook book, CancellationToken gone = default)
    {
        var finder = new Wayfinder(house, job);
        var panels = job.Panels.ToDictionary(p => p.Id, p => new RunEnd(Surveying.PlacePanel(house, p), $"Panel {p.Id}", null, p.Id));
        var byKey = circuits.ToDictionary(c => c.Key);
        var together = new Dictionary<CircuitKey, RoutedCircuit>();
        RoutedCircuit Pull(Circuit circuit)
        {
            gone.ThrowIfCancellationRequested();
            if (circuit.Feeds is PanelId fed)
            {
                return new(circuit, [FeederRoute.Pull(circuit, panels[circuit.Panel], panels[fed], finder, house, job)], []);
            }

            if (circuit.GoesAs == TwoCircuits.TwoWire || circuit.GoesWith is not CircuitKey with)
            {
                return new CircuitRoute(circuit, survey, panels[circuit.Panel], finder, job, book).Pull();
            }

            if (together.Remove(circuit.Key, out var done))
            {
                return done;
            }

            var (one, other) = new SharedCables(survey, panels[circuit.Panel], finder, job, book)
                .Pull(circuit, byKey[with], circuit.GoesAs);
            together[with] = other;
            return one;
        }

        return [.. circuits.Select(Pull)];
    }

    /// <summary>Two cables, one with a shared neutral, one with two neutrals: what each would take for two circuits that go the same
    /// way.</summary>
    public static ImmutableArray<TogetherWay> Together(FramedHouse house, Survey survey, Circuit one, Circuit other, Job job, CodeBook book)
    {
        var panel = job.Panels.First(p => p.Id == one.Panel);
        return [.. new SharedCables(survey, new(Surveying.PlacePanel(house, panel), $"Panel {panel.Id}", null, panel.Id), new(house, job),
            job, book).Weigh(one, other)];
    }

    /// <summary>Footage to cut: the way, sag, what is made up and left at both ends, rounded up as the crew cuts.</summary>
    internal static Figure<Length> Footage(Way way, RunEnd from, RunEnd to, Job job) => Footage(way, [Left(from, job), Left(to, job)], job);

    /// <summary>Footage to cut, with what is left at the ends said.</summary>
    internal static Figure<Length> Footage(Way way, ImmutableArray<(string Said, Length Left, string Rule)> ends, Job job)
    {
        var (rules, measure) = (job.HouseRules, job.Schools.Measure);
        var why = Because.Of("Why this footage");
        foreach (var group in way.Legs.GroupBy(l => l.Space))
        {
            why = why.Plan(group.Key switch
            {
                Space.StudBay => "up and down stud bays",
                Space.Chase => "in the chases of insulated panels",
                Space.Studs => $"through bored studs, {way.Passages.Count(p => p.Spot.Kind == MemberKind.Stud)} holes",
                Space.Joists => way.Passages.Count(p => p.Spot.Kind == MemberKind.Joist) is > 0 and var bored
                    ? $"in the floor, {bored} joists bored" : "in the floor, no joist bored",
                Space.Attic => "in the attic",
                Space.Slab => "in a pipe in the slab",
                _ => "in the trench",
            }, group.Select(l => l.Run).Total().Measured(measure));
        }

        var sag = new Length((int)(way.Measured.Sixtyfourths * rules.Sag.Value / 100));
        why = why.House($"sag and going round, {rules.Sag}", sag.Measured(measure), "house rule: sag");
        foreach (var (said, left, rule) in ends)
        {
            why = why.House(said, measure == Measure.Feet ? left.ToString() : left.Measured(measure), rule);
        }

        var cut = (way.Measured + sag + ends.Select(e => e.Left).Total()).CutUp(measure);
        return new(cut, why.Plan(measure == Measure.Feet ? "cut to the next foot" : "cut to the next tenth of a meter", cut.Cut(measure)));
    }

    // What may still move by a foot is left a foot more.
    private static Length Held(RunEnd end, Job job) => job.Holds.IsEmpty || end.Box is not { } box ? Length.Zero
        : job.Holds.Where(h => h.Slack > Length.Zero && h.Subject == Subject.Box(box).ToString()).Select(h => h.Slack).Total();

    private static (string Said, Length Left, string Rule) Left(RunEnd end, Job job) => end.Panel is null
        ? (Held(end, job) is var held && held > Length.Zero
            ? ($"made up and slack at {end.Name}, {held} of it while a fact is waited for",
                job.HouseRules.MakeUpAtBox + job.HouseRules.SlackAtBox + held, "house rules: make-up, slack; a hold")
            : ($"made up and slack at {end.Name}", job.HouseRules.MakeUpAtBox + job.HouseRules.SlackAtBox, "house rules: make-up, slack"))
        : ($"left at {end.Name}", job.HouseRules.AtPanel, "house rule: at the panel");
}
