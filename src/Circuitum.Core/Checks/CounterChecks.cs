using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;

namespace Circuitum.Core.Checks;

/// <summary>Receptacles at counters where a book keeps neighbors apart: who is beside whom, and how many are on one circuit. Found from
/// what stands on the walls, not from how circuits were dealt out.</summary>
internal static class CounterChecks
{
    public static IEnumerable<Tag> Check(Checked plan) => plan.Book.Division.ReceptaclesOfCounterCircuit is int most
        ? Neighbors(plan).Concat(Many(plan, most)) : [];

    private static IEnumerable<Tag> Neighbors(Checked plan)
    {
        foreach (var wall in plan.Survey.Boxes.Where(b => b.Box is { ServesCounter: true, Mount: Mount.Wall } && b.HasGeneralReceptacle
            && CounterSpaces.Covers(b.Room.Room.Use)).GroupBy(b => (b.Room.Room.Id, b.Box.Wall)))
        {
            var along = wall.OrderBy(b => b.Box.Offset).ToList();
            foreach (var (one, next) in along.Zip(along.Skip(1)))
            {
                var shared = plan.Circuits.FirstOrDefault(c => c.Boxes.ContainsKey(one.Box.Id) && c.Boxes.ContainsKey(next.Box.Id));
                if (shared is not null)
                {
                    yield return new(Severity.Red, Stage.Circuits, Subject.Circuit(shared.Circuit.Key),
                        plan.Book.Cite(RuleId.CounterNeighbors), $"{one.Name} and {next.Name} are neighbors on one circuit.",
                        "Receptacles beside each other at a counter are on different circuits. Move one of them.")
                    {
                        Fixes = [.. plan.Job.Pins.Boxes.Where(p => p.Box == one.Box.Id || p.Box == next.Box.Id)
                            .Select(p => new Fix($"Unpin {plan.Survey[p.Box].Name}", new Changes.PinBox(p.Box, null)))],
                    };
                }
            }
        }
    }

    private static IEnumerable<Tag> Many(Checked plan, int most) => plan.Circuits.Where(c => c.Circuit.Kind == CircuitKind.SmallAppliance)
        .Select(c => (Circuit: c, Count: c.Boxes.Keys.Count(b => plan.Survey[b].HasGeneralReceptacle))).Where(c => c.Count > most)
        .Select(c => new Tag(Severity.Red, Stage.Circuits, Subject.Circuit(c.Circuit.Circuit.Key), plan.Book.Cite(RuleId.CounterCircuits),
            "More receptacles than a counter circuit may have.", $"{c.Count} > {most}. Give them another circuit."));
}
