using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules.Us;

/// <summary>Demand of article 220.</summary>
internal sealed class UsDemand(Edition edition) : DemandRules
{
    // Table 220.55, one to five appliances: per cent of columns A and B, kW of column C.
    private static readonly ImmutableArray<(int A, int B, int C)> Table = [(80, 80, 8), (75, 65, 11), (70, 55, 14), (66, 50, 17),
        (62, 45, 20)];

    /// <summary>Table 220.55 begins above 1-3/4 kW.</summary>
    public override VoltAmps LeastCooking { get; } = new(1750);

    /// <summary>Table 220.55: the least of what the columns and notes 1 to 3 allow.
    /// More than five, or one over 27 kW, are taken at their nameplates, which is never less.</summary>
    public override (VoltAmps Demand, string Sum) Cooking(IReadOnlyList<VoltAmps> ratings)
    {
        if (ratings.Any(r => r <= LeastCooking))
        {
            throw new ArgumentException("The table of cooking appliances begins above 1-3/4 kW.", nameof(ratings));
        }

        if (ratings.Count > Table.Length || ratings.Any(r => r.Value > 27_000))
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
        var apart = small.Count == 0 ? together
            : (Demand: (large.Count == 0 ? new(0) : ColumnC(large).Demand) + Columns(small).Demand,
                Sum: string.Join(" + ", new[] { large.Count == 0 ? null : ColumnC(large).Sum, Columns(small).Sum }.OfType<string>()));
        return apart.Demand < together.Demand ? apart : together;
    }

    // Note 1: above 12 kW 5 per cent for each kW or major fraction; note 2: unequal ratings by their average, none below 12 kW.
    private static (VoltAmps Demand, string Sum) ColumnC(IReadOnlyList<VoltAmps> ratings)
    {
        var column = new VoltAmps(Table[ratings.Count - 1].C * 1000);
        var average = ratings.Average(r => Math.Max(12_000, r.Value)) / 1000;
        var over = average - 12;
        var steps = Math.Floor(over) + (over - Math.Floor(over) >= .5m ? 1 : 0);
        var demand = new VoltAmps(column.Value * (1 + (.05m * steps)));
        return (demand, steps == 0 ? $"column C, {ratings.Count}: {column}"
            : $"column C, {ratings.Count}: {column} × {1 + (.05m * steps):0.00}");
    }

    // Note 3: those under 3-1/2 kW by column A, the rest to 8-3/4 kW by column B, added.
    private static (VoltAmps Demand, string Sum) Columns(IReadOnlyList<VoltAmps> ratings)
    {
        List<VoltAmps> a = [.. ratings.Where(r => r.Value < 3500)], b = [.. ratings.Where(r => r.Value >= 3500)];
        decimal first = a.Count == 0 ? 0 : a.Sum(r => r.Value) * Table[a.Count - 1].A / 100, second = b.Count == 0 ? 0
            : b.Sum(r => r.Value) * Table[b.Count - 1].B / 100;
        return (new(first + second), string.Join(" + ", new[]
        {
            a.Count == 0 ? null : $"column A, {a.Count}: {Table[a.Count - 1].A} % of {a.Total()}",
            b.Count == 0 ? null : $"column B, {b.Count}: {Table[b.Count - 1].B} % of {b.Total()}",
        }.OfType<string>()));
    }

    /// <summary>210.19(A)(3) (2023: 210.19(C)): 40 A from 8-3/4 kW.</summary>
    public override Amps? LeastRangeCircuit(VoltAmps rating) => rating.Value >= 8750 ? new Amps(40) : null;

    /// <inheritdoc/>
    public override string RangeOfLeastCircuit => "8-3/4 kW";

    /// <summary>Table 220.54.</summary>
    public override Percent Dryers(int count) => new(count switch { <= 4 => 100, 5 => 85, 6 => 75, 7 => 65, 8 => 60, 9 => 55, _ => 50 });

    /// <summary>220.53. From 2020 also no other household cooking equipment, and only of 1/4 hp or 500 W and more.</summary>
    public override bool CountsTowardsFour(VoltAmps load, bool cooking) => edition == Edition.Y2017 || (!cooking && load.Value >= 500);

    /// <inheritdoc/>
    public override BasicLoad? Basic => null;

    /// <summary>220.57, from 2023.</summary>
    public override VoltAmps LeastVehicle => new(edition >= Edition.Y2023 ? 7200 : 0);
}
