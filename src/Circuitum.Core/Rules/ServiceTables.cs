using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>Tables of services and of demand: the same in the 2017, 2020 and 2023 editions.</summary>
public static class ServiceTables
{
    // Table 310.12(A) (2017: Table 310.15(B)(7)): the 83 per cent rule worked out, copper and aluminium.
    private static readonly ImmutableArray<(int Rating, string Copper, string Aluminium)> Dwelling =
    [
        (100, "4", "2"), (110, "3", "1"), (125, "2", "1/0"), (150, "1", "2/0"), (175, "1/0", "3/0"), (200, "2/0", "4/0"),
        (225, "3/0", "250"), (250, "4/0", "300"), (300, "250", "350"), (350, "350", "500"), (400, "400", "600"),
    ];

    // Table 250.66 by the size of the service conductor: the largest of the row, and the electrode conductor in copper.
    private static readonly ImmutableArray<(string Copper, string Aluminium, string Electrode)> Electrodes =
        [("2", "1/0", "8"), ("1/0", "3/0", "6"), ("3/0", "250", "4"), ("350", "500", "2"), ("600", "600", "1/0")];

    // Table 220.55, one to five appliances: per cent of columns A and B, kW of column C.
    private static readonly ImmutableArray<(int A, int B, int C)> Cooking = [(80, 80, 8), (75, 65, 11), (70, 55, 14), (66, 50, 17), (62, 45, 20)];

    /// <summary>Most cooking appliances that are reckoned with here, Table 220.55.</summary>
    public static int MostCooking => Cooking.Length;

    /// <summary>Ratings of dwelling services, 310.12.</summary>
    public static ImmutableArray<Amps> DwellingRatings { get; } = [.. Dwelling.Select(d => new Amps(d.Rating))];

    /// <summary>Conductor of a service, or of a feeder that carries the whole dwelling's load, where nothing corrects or adjusts it; null for a rating the table has not.</summary>
    public static Gauge? DwellingConductor(Amps rating, Metal metal) =>
        Dwelling.FirstOrDefault(d => d.Rating == rating.Value) is { Copper: not null } row ? Gauge.Parse(metal == Metal.Copper ? row.Copper : row.Aluminium) : null;

    /// <summary>Grounding electrode conductor of copper for a service conductor, Table 250.66.</summary>
    public static Gauge ElectrodeConductor(Gauge service, Metal metal) =>
        Gauge.Parse(Electrodes.First(e => service <= Gauge.Parse(metal == Metal.Copper ? e.Copper : e.Aluminium) || e == Electrodes[^1]).Electrode);

    /// <summary>Per cent of column A (under 3-1/2 kW) for so many appliances, 1 to 5.</summary>
    public static int ColumnA(int appliances) => Cooking[appliances - 1].A;

    /// <summary>Per cent of column B (3-1/2 to 8-3/4 kW) for so many appliances, 1 to 5.</summary>
    public static int ColumnB(int appliances) => Cooking[appliances - 1].B;

    /// <summary>Demand of column C (to 12 kW) for so many appliances, 1 to 5.</summary>
    public static VoltAmps ColumnC(int appliances) => new(Cooking[appliances - 1].C * 1000);

    /// <summary>Per cent of household dryers, Table 220.54.</summary>
    public static int Dryers(int count) => count switch { <= 4 => 100, 5 => 85, 6 => 75, 7 => 65, 8 => 60, 9 => 55, _ => 50 };
}
