using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>A rule a load breaks, with its sum.</summary>
public sealed record LoadFault(string Section, string Headline, string Arithmetic);

/// <summary>What a circuit may carry, 210.19, 210.20 and 210.23.</summary>
public static class PermissibleLoads
{
    /// <summary>Every rule that this load breaks at this rating; none when it is permitted.</summary>
    public static IEnumerable<LoadFault> Faults(CircuitLoad load, Amps rating, CodeBook book)
    {
        if (load.Required > rating)
        {
            var continuous = new Amps(load.Items.Where(i => i.Continuous).Sum(i => i.Load.Value) / load.Volts.Value);
            var sum = continuous.Value > 0 ? $"{load.Current} + 25 % of {continuous} continuous = {load.Required}" : $"{load.Current}";
            yield return new("210.19(A), 210.20(A)", $"Carries more than its {rating} breaker.", $"{sum} > {rating}. Give one load its own circuit.");
        }

        if (rating.Value is not (15 or 20) || load.Volts.Value != 120)
        {
            yield break;
        }

        foreach (var item in load.Items.Where(i => i.Use == LoadUse.CordAndPlug))
        {
            var amps = item.Load / load.Volts;
            if (amps.Value > rating.Value * .80m)
            {
                yield return new(book.FifteenTwenty, $"{item.Name} is too large for a {rating} circuit.", $"{amps} > 80 % of {rating} = {new Amps(rating.Value * .80m)}.");
            }
        }

        var fastened = load.Fastened;
        var shared = load.Items.Any(i => i.Use != LoadUse.Fastened);
        if (shared && fastened.Value > rating.Value * .50m)
        {
            yield return new(
                book.FifteenTwenty,
                "Equipment fastened in place takes more than half of a circuit that also feeds lights or plugged loads.",
                $"{string.Join(" + ", load.Items.Where(i => i.Use == LoadUse.Fastened).Select(i => $"{i.Name} {i.Load / load.Volts}"))} = {fastened} > 50 % of {rating} = {new Amps(rating.Value * .50m)}.");
        }
    }

    /// <summary>True when nothing is broken.</summary>
    public static bool Permits(CircuitLoad load, Amps rating, CodeBook book) => !Faults(load, rating, book).Any();
}
