using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>A rule a load breaks, with its sum.</summary>
public sealed record LoadFault(Citation Cite, string Headline, string Arithmetic)
{
    /// <summary>The citation as it is printed.</summary>
    public string Section => Cite.Text;
}

/// <summary>What a circuit may carry, 210.19, 210.20 and 210.23.</summary>
public static class PermissibleLoads
{
    /// <summary>Every rule that this load breaks at this rating; none when it is permitted.</summary>
    public static IEnumerable<LoadFault> Faults(CircuitLoad load, Amps rating, CodeBook book)
    {
        if (load.Required > rating)
        {
            var continuous = new Amps(load.Items.Where(i => i.Continuous).Sum(i => i.Load.Value) / load.Volts.Value);
            var sum = $"{load.Current}{(continuous.Value > 0 ? $" + 25 % of {continuous} continuous" : "")}"
                + $"{(load.QuarterOf is { } motor ? $" + 25 % of {motor.Name} {motor.Load / load.Volts}" : "")}"
                + $"{(load.Required != load.Current ? $" = {load.Required}" : "")}";
            yield return new(book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad), $"Carries more than its {rating} breaker.",
                $"{sum} > {rating}. Give one load its own circuit.");
        }

        if (!book.Division.HoldsToShares(rating, load.Volts))
        {
            yield break;
        }

        foreach (var item in load.Items.Where(i => i.Use == LoadUse.CordAndPlug))
        {
            var amps = item.Load / load.Volts;
            if (amps > book.Division.Plugged * rating)
            {
                yield return new(book.Cite(RuleId.PermissibleFifteenTwenty), $"{item.Name} is too large for a {rating} circuit.",
                    $"{amps} > {book.Division.Plugged} of {rating} = {book.Division.Plugged * rating}.");
            }
        }

        var fastened = load.Fastened;
        var shared = load.Items.Any(i => i.Use != LoadUse.Fastened);
        if (shared && fastened > book.Division.Fastened * rating)
        {
            yield return new(
                book.Cite(RuleId.PermissibleFifteenTwenty),
                "Equipment fastened in place takes more than half of a circuit that also feeds lights or plugged loads.",
                $"{string.Join(" + ", load.Items.Where(i => i.Use == LoadUse.Fastened).Select(i => $"{i.Name} {i.Load / load.Volts}"))} "
                    + $"= {fastened} > {book.Division.Fastened} of {rating} = {book.Division.Fastened * rating}.");
        }
    }

    /// <summary>True when nothing is broken.</summary>
    public static bool Permits(CircuitLoad load, Amps rating, CodeBook book) => !Faults(load, rating, book).Any();
}
