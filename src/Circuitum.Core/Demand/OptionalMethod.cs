using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>The optional methods for dwellings, article 220 Part IV.</summary>
public static class OptionalMethod
{
    /// <summary>220.82: a dwelling of its own with a service of 100 A or more.</summary>
    /// <param name="list">What the service carries.</param>
    public static LoadSum Of(LoadList list) => new(LoadMethod.Optional, [.. Lines(list, 10_000, "220.82(B)"), .. Climate(list)]);

    /// <summary>220.83: a dwelling that had its service before, by survey: the first 8 kVA at 100 per cent, the rest at 40.</summary>
    /// <param name="list">What the service carries.</param>
    /// <param name="newClimate">Heating or cooling is being added: then it is counted by itself at 100 per cent (220.83(B)); else it is among the rest (220.83(A)).</param>
    public static LoadSum OfExisting(LoadList list, bool newClimate)
    {
        // Four or more separately controlled heaters are among the rest even where heating is added.
        var spread = list.HeatingControls >= 4 ? list.Sum(LoadKind.SpaceHeat) : new(0);
        var (heating, cooling) = (list.Heating, list.Cooling);
        if (!newClimate)
        {
            return new(LoadMethod.Optional, [.. Lines(list, 8000, "220.83(A)", heating >= cooling ? ("heating", heating) : ("cooling", cooling))]);
        }

        var central = new VoltAmps(heating.Value - spread.Value);
        var larger = central >= cooling ? central : cooling;
        return new(LoadMethod.Optional,
        [
            .. Lines(list, 8000, "220.83(B)", ($"space heating, {list.HeatingControls} controls", spread)),
            .. larger.Value == 0 ? (LoadLine[])[] : [new("heating or cooling", $"the larger of {central} and {cooling}, 100 %", larger, "220.83(B)", new(0))],
        ]);
    }

    /// <summary>220.87: the highest demand of a year that was measured, with 25 per cent on it, and what is added now, at 100 per cent.</summary>
    /// <param name="peak">Measured, at 240 V.</param>
    /// <param name="added">What is added now; null when nothing that is drawn is new.</param>
    /// <param name="future">Allowed for what may come.</param>
    public static LoadSum OfMeasured(Amps peak, LoadList? added, VoltAmps future)
    {
        var measured = new VoltAmps(peak.Value * 240);
        return new(LoadMethod.Optional, [new("highest demand measured in a year", $"{peak} × 240 V × 125 %", new(measured.Value * 1.25m), "220.87", new(0)), .. added is null ? [] : Added(added), .. StandardMethod.Allowed(future)]);
    }

    private static IEnumerable<LoadLine> Added(LoadList list)
    {
        if (StandardMethod.GeneralLoad(list) is { Value: > 0 } general)
        {
            yield return new("added: lighting, receptacles, small appliances, laundry", StandardMethod.GeneralSum(list), general, "220.87", new(0));
        }

        foreach (var load in list.Loads.Where(l => l.Kind is LoadKind.Fixed or LoadKind.Cooking or LoadKind.Dryer or LoadKind.Vehicle or LoadKind.Outbuilding))
        {
            yield return new($"added: {load.Name}", "all of it", load.Load, "220.87", new(0));
        }

        var (heating, cooling) = (list.Heating, list.Cooling);
        if (heating.Value + cooling.Value > 0)
        {
            yield return new("added: heating or cooling", $"the larger of {heating} and {cooling}", heating >= cooling ? heating : cooling, "220.87, 220.60", new(0));
        }
    }

    private static IEnumerable<LoadLine> Lines(LoadList list, decimal first, string section, (string Name, VoltAmps Load) more = default)
    {
        var appliances = list.Loads.Where(l => l.Kind is LoadKind.Fixed or LoadKind.Cooking or LoadKind.Dryer or LoadKind.Vehicle).ToList();
        var sum = StandardMethod.GeneralLoad(list) + appliances.Select(l => l.Load).Total() + more.Load;
        var demand = Math.Min(first, sum.Value) + (Math.Max(0, sum.Value - first) * .4m);
        yield return new("lighting, receptacles, small appliances, laundry, and every appliance by its nameplate",
            $"{StandardMethod.GeneralSum(list)}{string.Concat(appliances.Select(a => $", {a.Name} {a.Load}"))}{(more.Load.Value > 0 ? $", {more.Name} {more.Load}" : "")}: {sum}; first {new VoltAmps(first)} at 100 %, rest at 40 %", new(demand), section, new(0));
        foreach (var building in list.Of(LoadKind.Outbuilding))
        {
            yield return new(building.Name, "no part of the dwelling: all of it", building.Load, "220.40", new(0));
        }

        foreach (var line in StandardMethod.Allowed(list.Future))
        {
            yield return line;
        }
    }

    // 220.82(C): the largest of what the list there names.
    private static IEnumerable<LoadLine> Climate(LoadList list)
    {
        VoltAmps pump = list.Sum(LoadKind.HeatPump), supplement = list.Sum(LoadKind.Supplement), space = list.Sum(LoadKind.SpaceHeat), cooling = list.Cooling;
        var few = list.HeatingControls < 4;
        (string Text, VoltAmps Counted, string Section)[] choices =
        [
            ($"air conditioning {cooling}, 100 %", cooling, "220.82(C)(1)"),
            supplement.Value == 0 ? ($"heat pump {pump}, 100 %", pump, "220.82(C)(2)") : ($"heat pump {pump}, 100 %, and its supplement {supplement}, 65 %", new(pump.Value + (supplement.Value * .65m)), "220.82(C)(3)"),
            few ? ($"space heating {space}, fewer than four controls, 65 %", new(space.Value * .65m), "220.82(C)(4)") : ($"space heating {space}, {list.HeatingControls} controls, 40 %", new(space.Value * .4m), "220.82(C)(5)"),
        ];
        var largest = choices.MaxBy(c => c.Counted.Value);
        if (largest.Counted.Value > 0)
        {
            yield return new("heating or cooling", $"the largest: {largest.Text}", largest.Counted, largest.Section, new(0));
        }
    }
}
