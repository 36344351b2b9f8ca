using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>The standard method, article 220 Part III.</summary>
public static class StandardMethod
{
    /// <summary>The sum, line by line.</summary>
    /// <param name="list">What the service carries.</param>
    /// <param name="book">The edition.</param>
    public static LoadSum Of(LoadList list, CodeBook book) => new(LoadMethod.Standard, book.Supply.Between, [.. Lines(list, book)]);

    /// <summary>The same sum with the quarter that conductors and breakers have for what charges three hours: Part III leaves that to the
    /// articles on feeders and services. Heat is at 100 per cent by 220.51.</summary>
    internal static LoadSum WithContinuous(LoadList list, Citation by, CodeBook book)
    {
        var sum = Of(list, book);
        var vehicles = list.Sum(LoadKind.Vehicle);
        return vehicles.Value == 0 ? sum : sum with
        {
            Lines = sum.Lines.Add(new("vehicle charging runs three hours", $"{vehicles} × 25 %", new(vehicles.Value / 4),
                by.And(book.Cite(RuleId.VehicleContinuous)), new(0))),
        };
    }

    private static IEnumerable<LoadLine> Lines(LoadList list, CodeBook book)
    {
        if (GeneralLoad(list, book).Value > 0)
        {
            yield return Lighting(list, book);
        }

        foreach (var line in Fixed(list, book))
        {
            yield return line;
        }

        var specific = list.Of(LoadKind.Specific).ToList();
        if (specific.Count > 0)
        {
            var sum = specific.Select(l => l.Load).Total();
            yield return new(string.Join(", ", specific.Select(l => l.Name)), $"plugged in on circuits of their own: {sum}", sum,
                book.Cite(RuleId.SpecificAppliance, RuleId.FeederLoads), specific.Where(l => l.Neutral).Select(l => l.Load).Total());
        }

        var cooking = list.Of(LoadKind.Cooking).ToList();
        if (cooking.Count > 0)
        {
            var (demand, sum) = book.Demand.Cooking([.. cooking.Select(c => c.Load)]);
            yield return new(string.Join(", ", cooking.Select(c => c.Name)), sum, demand, book.Cite(RuleId.CookingDemand),
                Share(demand, 70, cooking.Exists(c => c.Neutral)));
        }

        var dryers = list.Of(LoadKind.Dryer).ToList();
        if (dryers.Count > 0)
        {
            var each = dryers.Select(d => new VoltAmps(Math.Max(5000, d.Load.Value))).Total();
            var percent = book.Demand.Dryers(dryers.Count);
            var counted = percent * each;
            yield return new(string.Join(", ", dryers.Select(d => d.Name)),
                $"5000 VA or nameplate, the larger: {each}{(percent.Value == 100 ? "" : $" × {percent}")}", counted,
                book.Cite(RuleId.DryerDemand), Share(counted, 70, dryers.Exists(d => d.Neutral)));
        }

        var (climate, motors) = Climate(list, book);
        if (climate is not null)
        {
            yield return climate;
        }

        var vehicles = list.Of(LoadKind.Vehicle).ToList();
        if (vehicles.Count > 0)
        {
            var counted = vehicles.Select(v => new VoltAmps(Math.Max(book.Demand.LeastVehicle.Value, v.Load.Value))).Total();
            yield return new(string.Join(", ", vehicles.Select(v => v.Name)), book.Demand.LeastVehicle.Value == 0 ? "nameplate"
                : $"{book.Demand.LeastVehicle} or nameplate, the larger", counted, book.Demand.LeastVehicle.Value == 0
                ? book.Cite(RuleId.NameplateLoad) : book.Cite(RuleId.VehicleLoad), new(0));
        }

        foreach (var building in list.Of(LoadKind.Outbuilding))
        {
            yield return new(building.Name, "all of it", building.Load, book.Cite(RuleId.FeederLoads), building.Neutral ? building.Load
                : new(0));
        }

        var running = list.Loads.Where(l => l.Motor && l.Kind is LoadKind.Fixed or LoadKind.Specific or LoadKind.Outbuilding)
            .Concat(motors).Where(l => l.Motor)
            .OrderByDescending(l => l.Load).FirstOrDefault();
        if (running is not null)
        {
            var quarter = new VoltAmps(running.Load.Value / 4);
            yield return new($"largest motor, {running.Name}", $"{running.Load} × 25 %", quarter, book.Cite(RuleId.LargestMotor),
                running.Neutral ? quarter : new(0));
        }

        foreach (var line in Allowed(list.Future))
        {
            yield return line;
        }
    }

    /// <summary>3 VA/ft², 1500 VA a small-appliance and a laundry circuit: 3000 at 100 per cent, to 120 000 at 35, the rest at
    /// 25.</summary>
    private static LoadLine Lighting(LoadList list, CodeBook book)
    {
        var general = GeneralLoad(list, book);
        var demand = Math.Min(3000, general.Value) + (Math.Clamp(general.Value - 3000, 0, 117_000) * .35m)
            + (Math.Max(0, general.Value - 120_000) * .25m);
        return new("lighting, receptacles, small appliances, laundry",
            $"{GeneralSum(list, book)}; 3000 + 35 % of the rest{(general.Value > 120_000 ? " to 120 000, 25 % beyond" : "")}", new(demand),
            book.Cite(RuleId.LightingLoad, RuleId.SmallApplianceLoad, RuleId.LightingDemand), new(demand));
    }

    /// <summary>On whose word a reserve is in the sum.</summary>
    public const string TheCrew = "the crew";

    /// <summary>What the crew allows for what may come: both methods end with it, whole.</summary>
    internal static IEnumerable<LoadLine> Allowed(VoltAmps future) => future.Value > 0
        ? [new("allowed for what may come", "at 100 %", future, TheCrew, new(0))] : [];

    /// <summary>Before demand factors: both methods begin with it.</summary>
    internal static VoltAmps GeneralLoad(LoadList list, CodeBook book) =>
        new(book.Division.GeneralLoad(list.Area).Value + (1500 * list.SmallApplianceCircuits) + (1500 * list.LaundryCircuits));

    /// <summary>Its arithmetic.</summary>
    internal static string GeneralSum(LoadList list, CodeBook book) =>
        $"{list.Area} × 3 VA + {list.SmallApplianceCircuits} × 1500 + {list.LaundryCircuits} × 1500 = {GeneralLoad(list, book)}";

    private static IEnumerable<LoadLine> Fixed(LoadList list, CodeBook book)
    {
        List<ListedLoad> heating = [.. list.Of(LoadKind.Fixed).Where(l => l.Heats)],
            all = [.. list.Of(LoadKind.Fixed).Where(l => !l.Heats)],
            counted = all.FindAll(l => book.Demand.CountsTowardsFour(l.Load, l.Cooks)),
            others = all.FindAll(l => !book.Demand.CountsTowardsFour(l.Load, l.Cooks));
        if (counted.Count > 0)
        {
            var sum = counted.Select(l => l.Load).Total();
            var four = counted.Count >= 4;
            var taken = new VoltAmps(four ? sum.Value * .75m : sum.Value);
            var neutral = counted.Where(l => l.Neutral).Select(l => l.Load).Total();
            yield return new(string.Join(", ", counted.Select(l => l.Name)), four ? $"{counted.Count} fixed: {sum} × 75 %"
                : $"{counted.Count} fixed, fewer than four: {sum}", taken, four ? book.Cite(RuleId.FourAppliances)
                : book.Cite(RuleId.NameplateLoad), four ? new(neutral.Value * .75m) : neutral);
        }

        if (others.Count > 0)
        {
            var sum = others.Select(l => l.Load).Total();
            yield return new(string.Join(", ", others.Select(l => l.Name)),
                $"{(others.Exists(l => l.Cooks) ? "cooking, or " : "")}under 500 W: {sum}", sum, book.Cite(RuleId.NameplateLoad),
                others.Where(l => l.Neutral).Select(l => l.Load).Total());
        }

        if (heating.Count > 0)
        {
            var sum = heating.Select(l => l.Load).Total();
            yield return new(string.Join(", ", heating.Select(l => l.Name)), $"heating, none of the four at 75 %: {sum}", sum,
                book.Cite(RuleId.HeatingLoad), heating.Where(l => l.Neutral).Select(l => l.Load).Total());
        }
    }

    // 220.60: only the larger of what never runs together; heating at 100 per cent, 220.51. A heat pump runs with its supplement.
    private static (LoadLine? Line, IEnumerable<ListedLoad> Motors) Climate(LoadList list, CodeBook book)
    {
        var (heating, cooling) = (list.Heating, list.Cooling);
        if (heating.Value == 0 && cooling.Value == 0)
        {
            return (null, []);
        }

        // A motor is compared at 125 per cent (220.60; in 2017 220.50 leads there too).
        var quarter = new VoltAmps(list.Of(LoadKind.Cooling).Where(l => l.Motor).Select(l => l.Load.Value).DefaultIfEmpty().Max() / 4);
        var heat = heating >= cooling + quarter;
        var with = quarter.Value > 0 ? $" and {quarter} of its motor" : "";
        var sum = heat ? $"heating {heating} against cooling {cooling}{with}: the larger"
            : $"cooling {cooling}{with} against heating {heating}: the larger";
        return (new("heating or cooling", sum, heat ? heating : cooling, heat ? book.Cite(RuleId.HeatingLoad, RuleId.NeverTogether)
            : book.Cite(RuleId.NeverTogether), new(0)),
            list.Loads.Where(l => l.Kind == LoadKind.HeatPump || (!heat && l.Kind == LoadKind.Cooling)));
    }

    private static VoltAmps Share(VoltAmps of, int percent, bool neutral) => new(neutral ? of.Value * percent / 100 : 0);
}
