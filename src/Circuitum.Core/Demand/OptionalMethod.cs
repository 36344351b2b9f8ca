using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>The optional methods for dwellings, article 220 Part IV.</summary>
public static class OptionalMethod
{
    /// <summary>220.82: a dwelling of its own with a service of 100 A or more.</summary>
    /// <param name="list">What the service carries.</param>
    /// <param name="book">The rules.</param>
    public static LoadSum Of(LoadList list, CodeBook book) =>
        new(LoadMethod.Optional, book.Supply.Between,
            [.. Lines(list, book, 10_000, book.Cite(RuleId.OptionalGeneral)), .. Climate(list, book)]);

    /// <summary>220.83: a dwelling that had its service before, by survey: the first 8 kVA at 100 per cent, the rest at 40.</summary>
    /// <param name="list">What the service carries.</param>
    /// <param name="newClimate">Heating or cooling is being added: then it is counted by itself at 100 per cent (220.83(B)); else it is
    /// among the rest (220.83(A)).</param>
    /// <param name="book">The rules.</param>
    public static LoadSum OfExisting(LoadList list, bool newClimate, CodeBook book)
    {
        // Four or more separately controlled heaters are among the rest even where heating is added.
        var spread = list.HeatingControls >= 4 ? list.Sum(LoadKind.SpaceHeat) : new(0);
        var (heating, cooling) = (list.Heating, list.Cooling);
        if (!newClimate)
        {
            return new(LoadMethod.Optional, book.Supply.Between,
                [.. Lines(list, book, 8000, book.Cite(RuleId.ExistingSameClimate), heating >= cooling ? ("heating", heating)
                    : ("cooling", cooling))]);
        }

        var central = new VoltAmps(heating.Value - spread.Value);
        var larger = central >= cooling ? central : cooling;
        return new(LoadMethod.Optional, book.Supply.Between,
        [
            .. Lines(list, book, 8000, book.Cite(RuleId.ExistingNewClimate), ($"space heating, {list.HeatingControls} controls", spread)),
            .. larger.Value == 0 ? (LoadLine[])[]
            : [new("heating or cooling", $"the larger of {central} and {cooling}, 100 %", larger, book.Cite(RuleId.ExistingNewClimate),
                new(0))],
        ]);
    }

    /// <summary>220.87: the highest demand of a year that was measured, with 25 per cent on it, and what is added now, at 100 per
    /// cent.</summary>
    /// <param name="peak">Measured, at 240 V.</param>
    /// <param name="added">What is added now; null when nothing that is drawn is new.</param>
    /// <param name="future">Allowed for what may come.</param>
    /// <param name="book">The rules.</param>
    public static LoadSum OfMeasured(Amps peak, LoadList? added, VoltAmps future, CodeBook book)
    {
        var measured = peak * book.Supply.Between;
        return new(LoadMethod.Optional, book.Supply.Between,
            [new("highest demand measured in a year", $"{peak} × {book.Supply.Between} × {ContinuousLoad.Share}",
                ContinuousLoad.Share * measured, book.Cite(RuleId.MeasuredDemand), new(0)), .. added is null ? [] : Added(added, book),
                .. StandardMethod.Allowed(future)]);
    }

    private static IEnumerable<LoadLine> Added(LoadList list, CodeBook book)
    {
        if (StandardMethod.GeneralLoad(list, book) is { Value: > 0 } general)
        {
            yield return new("added: lighting, receptacles, small appliances, laundry", StandardMethod.GeneralSum(list, book), general,
                book.Cite(RuleId.MeasuredDemand), new(0));
        }

        foreach (var load in list.Loads.Where(l => l.Kind is LoadKind.Fixed or LoadKind.Specific or LoadKind.Cooking or LoadKind.Dryer
            or LoadKind.Vehicle or LoadKind.Outbuilding))
        {
            yield return new($"added: {load.Name}", "all of it", load.Load, book.Cite(RuleId.MeasuredDemand), new(0));
        }

        var (heating, cooling) = (list.Heating, list.Cooling);
        if (heating.Value + cooling.Value > 0)
        {
            yield return new("added: heating or cooling", $"the larger of {heating} and {cooling}", heating >= cooling ? heating : cooling,
                book.Cite(RuleId.MeasuredDemand, RuleId.NeverTogether), new(0));
        }
    }

    private static IEnumerable<LoadLine> Lines(LoadList list, CodeBook book, decimal first, Citation section,
        (string Name, VoltAmps Load) more = default)
    {
        var appliances = list.Loads.Where(l => l.Kind is LoadKind.Fixed or LoadKind.Specific or LoadKind.Cooking or LoadKind.Dryer
            or LoadKind.Vehicle).ToList();
        var sum = StandardMethod.GeneralLoad(list, book) + appliances.Select(l => l.Load).Total() + more.Load;
        var demand = Math.Min(first, sum.Value) + (Math.Max(0, sum.Value - first) * .4m);
        yield return new("lighting, receptacles, small appliances, laundry, and every appliance by its nameplate",
            $"{StandardMethod.GeneralSum(list, book)}{string.Concat(appliances.Select(a => $", {a.Name} {a.Load}"))}"
                + $"{(more.Load.Value > 0 ? $", {more.Name} {more.Load}" : "")}: {sum}; first {new VoltAmps(first)} at 100 %, rest at 40 "
                + $"%", new(demand), section, new(0));
        foreach (var building in list.Of(LoadKind.Outbuilding))
        {
            yield return new(building.Name, "no part of the dwelling: all of it", building.Load, book.Cite(RuleId.FeederLoads), new(0));
        }

        foreach (var line in StandardMethod.Allowed(list.Future))
        {
            yield return line;
        }
    }

    // 220.82(C): the largest of what the list there names.
    private static IEnumerable<LoadLine> Climate(LoadList list, CodeBook book)
    {
        VoltAmps pump = list.Sum(LoadKind.HeatPump), supplement = list.Sum(LoadKind.Supplement), space = list.Sum(LoadKind.SpaceHeat),
            cooling = list.Cooling;
        var few = list.HeatingControls < 4;
        (string Text, VoltAmps Counted, RuleId Rule)[] choices =
        [
            ($"air conditioning {cooling}, 100 %", cooling, RuleId.OptionalCooling),
            supplement.Value == 0 ? ($"heat pump {pump}, 100 %", pump, RuleId.OptionalHeatPump)
                : ($"heat pump {pump}, 100 %, and its supplement {supplement}, 65 %", new(pump.Value + (supplement.Value * .65m)),
                    RuleId.OptionalSupplement),
            few ? ($"space heating {space}, fewer than four controls, 65 %", new(space.Value * .65m), RuleId.OptionalFewHeaters)
                : ($"space heating {space}, {list.HeatingControls} controls, 40 %", new(space.Value * .4m), RuleId.OptionalManyHeaters),
        ];
        var largest = choices.MaxBy(c => c.Counted.Value);
        if (largest.Counted.Value > 0)
        {
            yield return new("heating or cooling", $"the largest: {largest.Text}", largest.Counted, book.Cite(largest.Rule), new(0));
        }
    }
}
