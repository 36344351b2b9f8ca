using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>Demand of household cooking appliances together, Table 220.55.</summary>
public static class CookingDemand
{
    /// <summary>Appliances at and below this are counted at their nameplate with the fixed ones.</summary>
    public static VoltAmps Least { get; } = new(1750);

    /// <summary>The demand and its arithmetic: the least of what the columns and notes 1 to 3 allow. More than five, or one over 27 kW, are taken at their nameplates, which is never less.</summary>
    /// <param name="ratings">Each over 1-3/4 kW.</param>
    /// <exception cref="ArgumentException">One is 1-3/4 kW or less.</exception>
    public static (VoltAmps Demand, string Sum) Of(IReadOnlyList<VoltAmps> ratings)
    {
        if (ratings.Any(r => r <= Least))
        {
            throw new ArgumentException("Table 220.55 begins above 1-3/4 kW.", nameof(ratings));
        }

        if (ratings.Count > ServiceTables.MostCooking || ratings.Any(r => r.Value > 27_000))
        {
            return (ratings.Total(), $"beyond the columns kept here, nameplates: {ratings.Total()}");
        }

        if (ratings.Count == 0)
        {
            return (new(0), "none");
        }

        var large = ratings.Where(r => r.Value > 8750).ToList();
        var small = ratings.Where(r => r.Value <= 8750).ToList();
        var together = ColumnC(ratings);
        var apart = small.Count == 0 ? together : (Demand: (large.Count == 0 ? new(0) : ColumnC(large).Demand) + Columns(small).Demand, Sum: string.Join(" + ", new[] { large.Count == 0 ? null : ColumnC(large).Sum, Columns(small).Sum }.OfType<string>()));
        return apart.Demand < together.Demand ? apart : together;
    }

    // Note 1: above 12 kW 5 per cent for each kW or major fraction; note 2: unequal ratings by their average, none below 12 kW.
    private static (VoltAmps Demand, string Sum) ColumnC(IReadOnlyList<VoltAmps> ratings)
    {
        var column = ServiceTables.ColumnC(ratings.Count);
        var average = ratings.Average(r => Math.Max(12_000, r.Value)) / 1000;
        var over = average - 12;
        var steps = Math.Floor(over) + (over - Math.Floor(over) >= .5m ? 1 : 0);
        var demand = new VoltAmps(column.Value * (1 + (.05m * steps)));
        return (demand, steps == 0 ? $"column C, {ratings.Count}: {column}" : $"column C, {ratings.Count}: {column} × {1 + (.05m * steps):0.00}");
    }

    // Note 3: those under 3-1/2 kW by column A, the rest to 8-3/4 kW by column B, added.
    private static (VoltAmps Demand, string Sum) Columns(IReadOnlyList<VoltAmps> ratings)
    {
        List<VoltAmps> a = [.. ratings.Where(r => r.Value < 3500)], b = [.. ratings.Where(r => r.Value >= 3500)];
        decimal first = a.Count == 0 ? 0 : a.Sum(r => r.Value) * ServiceTables.ColumnA(a.Count) / 100, second = b.Count == 0 ? 0 : b.Sum(r => r.Value) * ServiceTables.ColumnB(b.Count) / 100;
        return (new(first + second), string.Join(" + ", new[]
        {
            a.Count == 0 ? null : $"column A, {a.Count}: {ServiceTables.ColumnA(a.Count)} % of {a.Total()}",
            b.Count == 0 ? null : $"column B, {b.Count}: {ServiceTables.ColumnB(b.Count)} % of {b.Total()}",
        }.OfType<string>()));
    }
}
