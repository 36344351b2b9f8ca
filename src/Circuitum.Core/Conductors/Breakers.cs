using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Chooses the overcurrent device of a circuit.</summary>
public static class Breakers
{
    // Sizes the trade keeps on the truck; the standard ratings between them are lawful and ordered where a nameplate asks.
    private static readonly int[] Stocked = [15, 20, 30, 40, 50, 60, 70, 80, 90, 100, 125, 150, 200];

    /// <summary>The rating by pin, by kind of circuit, or by nameplate.</summary>
    public static Figure<Amps> Choose(Circuit circuit, IReadOnlyList<Nameplate> plates, Job job, CodeBook book)
    {
        var why = Because.Of("Why this breaker");
        if (job.Pins.Breakers.FirstOrDefault(p => p.Circuit == circuit.Key) is { } pin)
        {
            return new(pin.Rating, why.Pin("held by a person", pin.Rating.ToString()));
        }

        if (circuit.UsualRating is Amps usual)
        {
            return new(usual, why.Then(circuit.Why).Book("carries its load", $"{circuit.Load.Required} ≤ {usual}", "210.19(A), 210.20(A)"));
        }

        return plates.Count == 1 ? ByPlate(plates[0], circuit.Load, job, book, why) : ByLoad(circuit.Load, book, why);
    }

    private static Figure<Amps> ByPlate(Nameplate plate, CircuitLoad load, Job job, CodeBook book, Because why)
    {
        if (plate.Mocp is Amps most)
        {
            var rating = book.StandardAtMost(most) ?? most;
            return new(rating, why.Job("nameplate: largest overcurrent device", most.ToString()).Book("by nameplate, not by the small-conductor rule", rating.ToString(), "440.22, 240.4(G)"));
        }

        if (plate.Appliance == Appliance.GeneratorInlet)
        {
            var brings = plate.Load / plate.Volts;
            var at = book.StandardAtMost(brings) ?? brings;
            return new(at, why.Job($"the inlet is rated {brings}", $"{plate.Load} ÷ {plate.Volts}").Book("no larger than the inlet", at.ToString(), "240.4, 702.5"));
        }

        if (plate.Appliance == Appliance.Range)
        {
            return Range(plate, job, book, why);
        }

        return ByLoad(load, book, why.Job($"{plate.Name} at {plate.Volts}", $"{plate.Load} ÷ {plate.Volts} = {plate.Load / plate.Volts}"));
    }

    private static Figure<Amps> Range(Nameplate plate, Job job, CodeBook book, Because why)
    {
        var demand = CodeBook.RangeDemand(plate.Load);
        var amps = demand / plate.Volts;
        var least = book.StandardAtLeast(amps) ?? amps;
        why = why.Book($"demand of a {plate.Load} range", $"{demand}, {amps}", "Table 220.55");
        if (plate.Load.Value >= 8750 && least.Value < 40)
        {
            least = new(40);
            why = why.Book("a range of 8-3/4 kW or more has at least 40 A", "40 A", "210.19(A)(3)");
        }

        return job.Schools.Range == RangeCircuit.Usual50 && least.Value < 50
            ? new(new(50), why.House($"the usual 50 A on 6-3; {least} would carry it", "50 A", "school: range"))
            : new(least, why.Book("next standard size", least.ToString(), "240.6(A)"));
    }

    private static Figure<Amps> ByLoad(CircuitLoad load, CodeBook book, Because why)
    {
        var required = load.Required;
        if (load.Items.Any(i => i.Continuous))
        {
            why = why.Book("continuous at 125 %", required.ToString(), "210.19(A), 210.20(A)");
        }

        var standard = book.StandardAtLeast(required) ?? required;
        var stocked = Stocked.Select(s => new Amps(s)).Where(s => s >= required && s.Value >= 20).Cast<Amps?>().FirstOrDefault() ?? standard;
        var single = load.Items.Length == 1 ? load.Items[0].Load / load.Volts : default;
        // 422.11(E): one non-motor appliance over 13.3 A, at most 150 per cent, next standard size up.
        if (single.Value > 13.3m && book.StandardAtLeast(single * 1.5m) is Amps most && stocked > most)
        {
            return new(standard, why.Book($"at most 150 % of {single}", standard.ToString(), "422.11(E), 240.6(A)"));
        }

        return new(stocked, why.House($"the next size the trade stocks; {standard} is the next standard one", stocked.ToString(), "240.6(A)"));
    }
}
