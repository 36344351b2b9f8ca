using System.Globalization;

namespace Circuitum.Core.Units;

/// <summary>Limits as a refusal says them, in what the house is drawn in.</summary>
public static class Limit
{
    /// <summary>1 ft, or 305 mm.</summary>
    /// <param name="feet">Whole feet.</param>
    public static string Feet(int feet) => Metric ? Length.FromFeet(feet).ToString() : $"{Number(feet)} ft";

    /// <summary>2 to 10 ft, or 610 mm to 3.048 m.</summary>
    /// <param name="least">The lower, whole feet.</param>
    /// <param name="most">The upper, whole feet.</param>
    public static string Feet(int least, int most) => Metric ? $"{Feet(least)} to {Feet(most)}" : $"{Number(least)} to {Feet(most)}";

    /// <summary>1 in, or 25 mm.</summary>
    /// <param name="inches">Inches, whole or a part of one.</param>
    public static string Inches(decimal inches) => Metric ? Length.FromInches(inches).ToString() : $"{Part(inches)} in";

    /// <summary>8 to 48 in, or 203 mm to 1.219 m.</summary>
    /// <param name="least">The lower, whole or a part of an inch.</param>
    /// <param name="most">The upper.</param>
    public static string Inches(decimal least, decimal most) => Metric ? $"{Inches(least)} to {Inches(most)}"
        : $"{Part(least)} to {Inches(most)}";

    private static bool Metric => Writing.Measure == Measure.Metres;

    private static string Part(decimal inches) => inches < 1 ? Length.FromInches(inches).InFeet().TrimEnd('"') : Number(inches);

    private static string Number(decimal number) => number.ToString("0.##", CultureInfo.InvariantCulture);
}
