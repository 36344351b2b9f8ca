using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>A dwelling's load by its floor area, with what stands out beside it, and a least load (8-200).</summary>
public static class BasicMethod
{
    /// <summary>The load of the dwelling: the sum, or the least that a dwelling of its size is taken for.</summary>
    /// <param name="list">What the service carries.</param>
    /// <param name="basic">The figures of the book.</param>
    /// <param name="book">The rules.</param>
    public static LoadSum OfDwelling(LoadList list, BasicLoad basic, CodeBook book)
    {
        var sum = Of(list, basic, book);
        var floor = Metres(list.Area) - Metres(list.Basement);
        var least = floor >= basic.LargeFrom ? basic.LeastLarge : basic.LeastSmall;
        return sum.Total >= least ? sum : sum with
        {
            Lines = sum.Lines.Add(new($"not less than {least}", $"{Shown(floor)} above the basement, "
                + $"{(floor >= basic.LargeFrom ? "" : "under ")}"
                + $"{basic.LargeFrom} m²{(floor >= basic.LargeFrom ? " or more" : "")}: {least} − {sum.Total}",
                new(least.Value - sum.Total.Value), book.Cite(RuleId.DwellingLeast), new(0))),
        };
    }

    /// <summary>The sum alone, as a feeder within a dwelling has it.</summary>
    /// <param name="list">What the feeder carries.</param>
    /// <param name="basic">The figures of the book.</param>
    /// <param name="book">The rules.</param>
    public static LoadSum Of(LoadList list, BasicLoad basic, CodeBook book) =>
        new(LoadMethod.Standard, book.Supply.Between, [.. Lines(list, basic, book)]);

    private static IEnumerable<LoadLine> Lines(LoadList list, BasicLoad basic, CodeBook book)
    {
        if (list.Area.Value > 0)
        {
            yield return Area(list, basic, book);
        }

        VoltAmps heat = list.Heating, cool = list.Cooling;
        if (heat.Value + cool.Value > 0)
        {
            var first = Math.Min(heat.Value, basic.HeatWhole.Value);
            var counted = new VoltAmps(first + (basic.HeatBeyond.Value * (heat.Value - first) / 100));
            var larger = counted >= cool ? counted : cool;
            yield return new("heating or cooling", $"heat {heat}: first {basic.HeatWhole} whole, {basic.HeatBeyond} of the rest, "
                + $"{counted}; cooling {cool}: the larger", larger, book.Cite(RuleId.DwellingClimate, RuleId.NeverTogether), new(0));
        }

        var ranges = list.Of(LoadKind.Cooking).ToList();
        if (ranges.Count > 0)
        {
            var rating = ranges.Select(r => r.Load).Total();
            var beyond = new VoltAmps(Math.Max(0, rating.Value - basic.RangeTo.Value));
            var counted = basic.Range + (basic.RangeBeyond * beyond);
            yield return new(Names(ranges), beyond.Value == 0 ? $"{rating}: {basic.Range} to {basic.RangeTo}"
                : $"{rating}: {basic.Range} + {basic.RangeBeyond} of {beyond}", counted, book.Cite(RuleId.DwellingRange),
                ranges.Exists(r => r.Neutral) ? new Percent(70) * counted : new(0));
        }

        var vehicles = list.Of(LoadKind.Vehicle).ToList();
        if (vehicles.Count > 0)
        {
            var counted = vehicles.Select(v => v.Load).Total();
            yield return new(Names(vehicles), "as rated, not managed", counted, book.Cite(RuleId.DwellingVehicle), new(0));
        }

        var water = list.Loads.Where(l => l.WaterAtOnce).ToList();
        if (water.Count > 0)
        {
            var counted = water.Select(w => w.Load).Total();
            yield return new(Names(water), "all of it: water that is heated while it runs, or of a tub", counted,
                book.Cite(RuleId.DwellingWaterAtOnce), water.Exists(w => w.Neutral) ? counted : new(0));
        }

        var others = list.Loads.Where(l => l.Kind is LoadKind.Fixed or LoadKind.Specific or LoadKind.Dryer
            && l.Load > basic.Small && !l.WaterAtOnce).ToList();
        if (others.Count > 0)
        {
            yield return Others(others, ranges.Count > 0, basic, book);
        }

        foreach (var building in list.Of(LoadKind.Outbuilding))
        {
            yield return new(building.Name, "all of it", building.Load, book.Cite(RuleId.FeederLoads), building.Neutral ? building.Load
                : new(0));
        }

        foreach (var line in StandardMethod.Allowed(list.Future))
        {
            yield return line;
        }
    }

    private static LoadLine Area(LoadList list, BasicLoad basic, CodeBook book)
    {
        decimal below = Metres(list.Basement), above = Metres(list.Area) - below;
        var counted = above + (basic.Basement.Value * below / 100);
        var further = (int)Math.Ceiling(Math.Max(0, counted - basic.FirstArea) / basic.FurtherArea);
        var load = basic.First + (basic.Further * further);
        return new("lighting, receptacles, what is plugged in", $"{Shown(above)}{(below > 0 ? $" + {basic.Basement} of {Shown(below)}"
            + $" = {Shown(counted)}" : "")}: {basic.First} for the first {basic.FirstArea} m²{(further > 0
            ? $", {further} × {basic.Further} for each further {basic.FurtherArea} m² begun" : "")}", load,
            book.Cite(RuleId.FloorArea, RuleId.DwellingArea), load);
    }

    private static LoadLine Others(List<ListedLoad> others, bool range, BasicLoad basic, CodeBook book)
    {
        var sum = others.Select(o => o.Load).Total();
        var whole = new VoltAmps(range ? 0 : Math.Min(sum.Value, basic.OthersWhole.Value));
        var counted = whole + (basic.Others * new VoltAmps(sum.Value - whole.Value));
        var neutral = others.Where(o => o.Neutral).Select(o => o.Load).Total();
        return new(Names(others), range ? $"{sum} × {basic.Others}, beside a range"
            : $"{sum}: first {basic.OthersWhole} whole, {basic.Others} of the rest, no range", counted, book.Cite(RuleId.DwellingOthers),
            neutral < counted ? neutral : counted);
    }

    private static string Names(IEnumerable<ListedLoad> loads) => string.Join(", ", loads.Select(l => l.Name));

    // Rounded to a tenth, so that an area typed in meters is the area it was.
    private static decimal Metres(SquareFeet area) => decimal.Round(area.Metres, 1);

    private static string Shown(decimal metres) => string.Create(CultureInfo.InvariantCulture, $"{metres:0.#} m²");
}
