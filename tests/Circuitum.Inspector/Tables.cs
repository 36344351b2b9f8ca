namespace Circuitum.Inspector;

/// <summary>The inspector's own copy of the tables, typed from the code and not from the program.</summary>
internal static class Tables
{
    /// <summary>Table 310.16: copper at 60, 75, 90 °C, then aluminium.</summary>
    private static readonly Dictionary<string, int[]> Ampacities = new()
    {
        ["14"] = [15, 20, 25, 0, 0, 0],
        ["12"] = [20, 25, 30, 15, 20, 25],
        ["10"] = [30, 35, 40, 25, 30, 35],
        ["8"] = [40, 50, 55, 35, 40, 45],
        ["6"] = [55, 65, 75, 40, 50, 55],
        ["4"] = [70, 85, 95, 55, 65, 75],
        ["3"] = [85, 100, 115, 65, 75, 85],
        ["2"] = [95, 115, 130, 75, 90, 100],
        ["1"] = [110, 130, 145, 85, 100, 115],
        ["1/0"] = [125, 150, 170, 100, 120, 135],
        ["2/0"] = [145, 175, 195, 115, 135, 150],
        ["3/0"] = [165, 200, 225, 130, 155, 175],
        ["4/0"] = [195, 230, 260, 150, 180, 205],
        ["250"] = [215, 255, 290, 170, 205, 230],
        ["300"] = [240, 285, 320, 195, 230, 260],
        ["350"] = [260, 310, 350, 210, 250, 280],
        ["400"] = [280, 335, 380, 225, 270, 305],
        ["500"] = [320, 380, 430, 260, 310, 350],
        ["600"] = [350, 420, 475, 285, 340, 385],
    };

    /// <summary>Standard ratings of 240.6(A) that a house meets.</summary>
    private static readonly int[] Standard = [15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300,
        350, 400];

    public static IReadOnlyList<string> Gauges { get; } = [.. Ampacities.Keys];

    public static double Ampacity(string gauge, int column, bool aluminium) =>
        Ampacities[gauge][(aluminium ? 3 : 0) + (column == 60 ? 0 : column == 75 ? 1 : 2)];

    /// <summary>240.4(D).</summary>
    public static double? MostOn(string gauge, bool aluminium) => (gauge, aluminium) switch
    {
        ("14", false) => 15,
        ("12", false) => 20,
        ("10", false) => 30,
        ("12", true) => 15,
        ("10", true) => 25,
        _ => null,
    };

    /// <summary>240.4(B): what may stand over an ampacity that is no standard rating.</summary>
    public static double NextStandard(double amps) => Standard.First(s => s >= amps - 1e-9);

    /// <summary>Table 310.15(C)(1).</summary>
    public static double Adjustment(int carrying) => carrying switch
    {
        <= 3 => 1,
        <= 6 => .8,
        <= 9 => .7,
        <= 20 => .5,
        <= 30 => .45,
        <= 40 => .4,
        _ => .35
    };

    /// <summary>Table 310.15(B)(1) from 30 °C; zero where the column ends. Cooler places are taken as 30 °C: that is the strict
    /// side.</summary>
    public static double Ambient(double celsius, int column)
    {
        double[] of = column switch
        {
            60 => [.91, .82, .71, .58, .41, 0, 0, 0, 0, 0, 0],
            75 => [.94, .88, .82, .75, .67, .58, .47, .33, 0, 0, 0],
            _ => [.96, .91, .87, .82, .76, .71, .65, .58, .50, .41, .29],
        };
        return celsius <= 30 ? 1 : of[(int)Math.Ceiling((celsius - 30) / 5) - 1];
    }

    /// <summary>314.16(B): each conductor; those of 4 AWG and larger go by 314.28.</summary>
    public static double Volume(string gauge) => gauge switch { "14" => 2, "12" => 2.25, "10" => 2.5, "8" => 3, "6" => 5, _ => 0 };

    /// <summary>The ground in a nonmetallic cable as it is made.</summary>
    public static string GroundInCable(string gauge) => gauge switch
    {
        "14" or "12" => gauge,
        "10" or "8" or "6" => "10",
        "4" or "3" => "8",
        "2" => "8",
        "1" => "6",
        _ => "6"
    };

    /// <summary>Table 250.122, copper.</summary>
    public static string Ground(double breaker) => breaker switch
    {
        <= 15 => "14",
        <= 20 => "12",
        <= 60 => "10",
        <= 100 => "8",
        <= 200 =>
        "6",
        <= 300 => "4",
        _ => "3"
    };

    /// <summary>Chapter 9 Table 8.</summary>
    public static double CircularMils(string gauge) => gauge switch
    {
        "14" => 4110,
        "12" => 6530,
        "10" => 10380,
        "8" => 16510,
        "6" => 26240,
        "4" => 41740,
        "3" => 52620,
        "2" => 66360,
        "1" => 83690,
        "1/0" => 105600,
        "2/0" => 133100,
        "3/0" => 167800,
        "4/0" => 211600,
        _ => double.Parse(gauge,
            System.Globalization.CultureInfo.InvariantCulture) * 1000,
    };

    /// <summary>Least conductor for a rating before its place is looked at: 240.4(D), then the 60 °C column.</summary>
    public static string Least(double breaker) => Gauges.First(g => MostOn(g, false) is double most ? breaker <= most
        : Ampacity(g, 60, false) >= breaker);
}
