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

    /// <summary>220.83: a dwelling that had its service before, by survey: the first 8 kVA at 100 per cent. With heating or cooling that is new, that comes on top as 220.83(B) says.</summary>
    public static LoadSum OfExisting(LoadList list)
    {
        var climate = list.Loads.Where(l => l.Kind is LoadKind.SpaceHeat or LoadKind.HeatPump or LoadKind.Cooling or LoadKind.Supplement).ToList();
        var heating = list.Sum(LoadKind.SpaceHeat) + list.Sum(LoadKind.HeatPump) + list.Sum(LoadKind.Supplement);
        var cooling = list.Sum(LoadKind.Cooling) + list.Sum(LoadKind.HeatPump);
        var larger = heating >= cooling ? heating : cooling;
        return new(LoadMethod.Optional, [.. Lines(list, 8000, "220.83(B)"), .. climate.Count == 0 ? (LoadLine[])[] : [new("heating or cooling", $"the larger of {heating} and {cooling}, 100 %", larger, "220.83(B)", new(0))]]);
    }

    /// <summary>220.87: the highest demand of a year that was measured, with 25 per cent on it, and what is added now.</summary>
    /// <param name="peak">Measured, at 240 V.</param>
    /// <param name="added">What is added now.</param>
    public static LoadSum OfMeasured(Amps peak, VoltAmps added)
    {
        var measured = new VoltAmps(peak.Value * 240);
        return new(LoadMethod.Optional,
        [
            new("highest demand measured in a year", $"{peak} × 240 V × 125 %", new(measured.Value * 1.25m), "220.87", new(0)),
            new("added now", "all of it", added, "220.87", new(0)),
        ]);
    }

    private static IEnumerable<LoadLine> Lines(LoadList list, decimal first, string section)
    {
        var appliances = list.Loads.Where(l => l.Kind is LoadKind.Fixed or LoadKind.Cooking or LoadKind.Dryer or LoadKind.Vehicle).ToList();
        var sum = StandardMethod.GeneralLoad(list) + appliances.Select(l => l.Load).Total();
        var demand = Math.Min(first, sum.Value) + (Math.Max(0, sum.Value - first) * .4m);
        yield return new("lighting, receptacles, small appliances, laundry, and every appliance by its nameplate",
            $"{StandardMethod.GeneralSum(list)}{string.Concat(appliances.Select(a => $", {a.Name} {a.Load}"))}: {sum}; first {new VoltAmps(first)} at 100 %, rest at 40 %", new(demand), section, new(0));
        foreach (var building in list.Of(LoadKind.Outbuilding))
        {
            yield return new(building.Name, "no part of the dwelling: all of it", building.Load, "220.40", new(0));
        }

        if (list.Future.Value > 0)
        {
            yield return new("allowed for what may come", "at 100 %", list.Future, "the crew", new(0));
        }
    }

    // 220.82(C): the largest of what the list there names.
    private static IEnumerable<LoadLine> Climate(LoadList list)
    {
        VoltAmps pump = list.Sum(LoadKind.HeatPump), supplement = list.Sum(LoadKind.Supplement), space = list.Sum(LoadKind.SpaceHeat), cooling = list.Sum(LoadKind.Cooling);
        var few = list.HeatingControls < 4;
        (string Text, VoltAmps Counted, string Section)[] choices =
        [
            ($"air conditioning {cooling + pump}, 100 %", cooling + pump, "220.82(C)(1)"),
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
