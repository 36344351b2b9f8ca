using System.Collections.Immutable;
using Circuitum.Core.Checks;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Takeoff;

/// <summary>A trench as its digger needs it: everything that lies in it decides together.</summary>
/// <param name="Trench">What the job says.</param>
/// <param name="Long">In the ground, from wall to wall.</param>
/// <param name="Cover">To be dug: the most that anything in it asks, or what the job says, with the crew's margin.</param>
/// <param name="Power">Runs in it, in pipe or directly buried.</param>
public sealed record TrenchSheet(Trench Trench, Length Long, Figure<Length> Cover, ImmutableArray<Run> Power);

/// <summary>Reads trenches off the plan.</summary>
public static class Trenching
{
    /// <summary>Every trench that something lies in.</summary>
    public static ImmutableArray<TrenchSheet> Of(Plan plan) =>
        [.. plan.Job.Trenches.Select(t => (Trench: t, In: In(plan, t))).Where(x => x.In.Count > 0).Select(x => Of(plan, x.Trench, x.In))];

    /// <summary>Length of a trench from wall to wall; none when nothing lies in it.</summary>
    public static Length InGround(Plan plan, Trench trench) => In(plan, trench).Select(r => Level(r).Select(l => l.Run).Total())
        .DefaultIfEmpty().Max();

    private static TrenchSheet Of(Plan plan, Trench trench, List<Run> runs)
    {
        var asked = runs.Select(r => plan.Book.Burial.Cover(Burying.What(plan.FindRun(r.Id)!.Value.Circuit, r), trench.UnderDrive))
            .MaxBy(c => c.Value)!;
        var needed = Length.Max(trench.Depth, asked.Value);
        var margin = plan.Job.HouseRules.TrenchMargin;
        var why = Because.Of("Why this depth").Then(asked.Why).Job("as the job has it", trench.Depth.ToString())
            .House("the crew's margin", margin.ToString(), "house rule: trench margin");
        return new(trench, InGround(plan, trench),
            new(needed + margin, why.Plan("dig to the top of what lies in it at", (needed + margin).ToString())), [.. runs]);
    }

    private static List<Run> In(Plan plan, Trench trench) =>
    [
        .. plan.Circuits.SelectMany(c => c.Runs).Where(r => Burying.Lies(plan.House, r, trench)),
    ];

    private static IEnumerable<PathLeg> Level(Run run) => run.Way.Legs.Where(l => l.Space == Space.Trench && l.From.Z == l.To.Z);
}
