using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Chooses the overcurrent device of a circuit.</summary>
public static class Breakers
{
    private static Amps DryerCord { get; } = new(30);

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
            return new(usual, why.Then(circuit.Why)
                .Book("carries its load", $"{circuit.Load.Required} ≤ {usual}", book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad)));
        }

        return plates.Count == 1 ? ByPlate(plates[0], circuit.Load, job, book, why) : ByLoad(circuit.Load, book, why);
    }

    private static Figure<Amps> ByPlate(Nameplate plate, CircuitLoad load, Job job, CodeBook book, Because why)
    {
        if (plate.Breaker is Amps asked)
        {
            return new(asked, why.Job($"{plate.Name}: its plate or instructions ask for it", asked.ToString())
                .Book("equipment is used as its listing says", asked.ToString(), book.Cite(RuleId.ListedUse)));
        }

        if (plate.Mocp is Amps most)
        {
            var rating = book.StandardAtMost(most) ?? most;
            return new(rating, why.Job("nameplate: largest overcurrent device", most.ToString())
                .Book("by nameplate, not by the small-conductor rule", rating.ToString(),
                    book.Cite(RuleId.CompressorBreaker, RuleId.SpecificProtection)));
        }

        if (plate.Appliance == Appliance.GeneratorInlet)
        {
            var brings = plate.Load / plate.Volts;
            var at = book.StandardAtMost(brings) ?? brings;
            return new(at, why.Job($"the inlet is rated {brings}", $"{plate.Load} ÷ {plate.Volts}")
                .Book("no larger than the inlet", at.ToString(), book.Cite(RuleId.ConductorProtection, RuleId.TransferEquipment)));
        }

        if (plate.Appliance == Appliance.Range)
        {
            return Range(plate, job, book, why);
        }

        if (plate is { Appliance: Appliance.Dryer, Cord: true } && book.Supply.IsAcross(plate.Volts) && load.Required <= DryerCord)
        {
            return new(DryerCord, why.Job($"{plate.Name} at {plate.Volts}", $"{plate.Load / plate.Volts}")
                .House("a dryer's cord has a plug of 30 A, and its receptacle goes with the circuit", DryerCord.ToString(),
                    book.Cite(RuleId.ReceptacleRatings)));
        }

        return ByLoad(load, book, why.Job($"{plate.Name} at {plate.Volts}", $"{plate.Load} ÷ {plate.Volts} = {plate.Load / plate.Volts}"));
    }

    private static Figure<Amps> Range(Nameplate plate, Job job, CodeBook book, Because why)
    {
        var demand = book.Demand.Range(plate.Load);
        var amps = demand / plate.Volts;
        var least = book.StandardAtLeast(amps) ?? amps;
        why = why.Book($"demand of a {plate.Load} range", $"{demand}, {amps}", book.Cite(RuleId.CookingTable));
        if (book.Demand.LeastRangeCircuit(plate.Load) is Amps floor && least < floor)
        {
            least = floor;
            why = why.Book($"a range of {book.Demand.RangeOfLeastCircuit} or more has at least {floor}", floor.ToString(),
                book.Cite(RuleId.RangeConductors));
        }

        return job.Schools.Range == RangeCircuit.Usual50 && least.Value < 50
            ? new(new(50), why.House($"the usual 50 A on 6-3; {least} would carry it", "50 A", "crew's way: range"))
            : new(least, why.Book("next standard size", least.ToString(), book.Cite(RuleId.StandardRatings)));
    }

    private static Figure<Amps> ByLoad(CircuitLoad load, CodeBook book, Because why)
    {
        var required = load.Required;
        if (load.Items.Any(i => i.Continuous))
        {
            why = why.Book("continuous at 125 %", required.ToString(), book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad));
        }

        if (load.QuarterOf is { } motor)
        {
            why = why.Book($"{motor.Name}, a motor: a quarter more", $"{motor.Load / load.Volts} × 25 %",
                book.Cite(load.Items.Length == 1 ? RuleId.MotorConductors : RuleId.MotorWithOthers));
        }

        var standard = book.StandardAtLeast(required) ?? required;
        var stocked = book.StockedRatings.Where(s => s >= required
            && s >= book.Division.Receptacles).Cast<Amps?>().FirstOrDefault()
            ?? standard;
        var single = load.Items.Length == 1 && !load.Items[0].Motor ? load.Items[0].Load / load.Volts : default;
        // 422.11(E): one non-motor appliance over 13.3 A, at most 150 per cent, next standard size up.
        if (book.Has(RuleId.SingleApplianceBreaker) && single.Value > 13.3m && book.StandardAtLeast(single * 1.5m) is Amps most
            && stocked > most)
        {
            return new(standard,
                why.Book($"at most 150 % of {single}", standard.ToString(),
                    book.Cite(RuleId.SingleApplianceBreaker, RuleId.StandardRatings)));
        }

        return new(stocked, why.House($"the next size the trade stocks; {standard} is the next standard one", stocked.ToString(),
            book.Cite(RuleId.StandardRatings)));
    }
}
