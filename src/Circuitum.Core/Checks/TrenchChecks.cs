using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags on trenches: what lies in them has its cover, and data keeps its distance.</summary>
internal static class TrenchChecks
{
    /// <summary>Earth between power and data that crews keep; 830.47(B) asks as much of network-powered broadband cable.</summary>
    private static readonly Length DataApart = Length.FromInches(12);

    public static IEnumerable<Tag> Check(Checked plan) => plan.Job.Trenches.SelectMany(t => Check(plan, t));

    private static IEnumerable<Tag> Check(Checked plan, Trench trench)
    {
        foreach (var circuit in plan.Circuits)
        {
            if (circuit.Runs.FirstOrDefault(r => Burying.Lies(plan.House, r, trench)) is not { } run)
            {
                continue;
            }

            // 300.5: cable more than pipe, a protected 20 A circuit less.
            var what = Burying.What(circuit, run);
            var least = plan.Book.Burial.Cover(what, trench.UnderDrive).Value;
            if (trench.Depth < least)
            {
                yield return new(Severity.Red, Stage.Runs, Subject.Circuit(circuit.Circuit.Key), plan.Book.Cite(RuleId.Burial),
                    $"The trench of {circuit.Circuit.Key} is too shallow.",
                    $"{trench.Depth} of cover; {Words.Of(what)}{(trench.UnderDrive ? " under a driveway" : "")} asks {least} ("
                        + $"{plan.Book.Cite(RuleId.BurialCover)}), the crew {plan.Job.HouseRules.TrenchMargin} more.")
                {
                    Fixes = [new Fix($"Dig to {least}", new SetTrench(trench.Id.Value, least, trench.DataPipe, trench.UnderDrive))],
                };
            }
        }

        if (trench.DataPipe is { } apart && apart < DataApart)
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Structure(trench.To), "good practice",
                "The data pipe lies close to the power.",
                $"{apart} apart; {DataApart} of earth keeps the hum out, and is what {plan.Book.Cite(RuleId.DataInEarth)} asks of cable "
                + $"laid without a pipe.")
            {
                Fixes = [new Fix($"Lay it {DataApart} apart", new SetTrench(trench.Id.Value, trench.Depth, DataApart, trench.UnderDrive))],
            };
        }
    }
}
