using System.Globalization;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>A distance that a book asks for, and how that book writes it: 6 ft, 24 in, 1.8 m (5'-10 7/8").</summary>
/// <param name="Length">The distance.</param>
/// <param name="Words">As the book writes it, the other measure beside it where the trade reads that.</param>
public readonly record struct Asked(Length Length, string Words)
{
    /// <summary>Written in meters, with feet and inches beside it.</summary>
    public bool IsMetric { get; private init; }

    // What a tape shows between two marks of an eighth of an inch.
    private const int Eighth = 8;

    /// <summary>Feet, as the book writes them: 6 ft.</summary>
    public static Asked Feet(int feet) => new(Length.FromFeet(feet), $"{feet} ft");

    /// <summary>Inches: 24 in.</summary>
    public static Asked Inches(int inches) => new(Length.FromInches(inches), $"{inches} in");

    /// <summary>Millimetres: 900 mm, and from a meter on 1.8 m, with feet and inches beside it that are no longer.</summary>
    public static Asked Millimetres(int millimetres)
    {
        var length = Length.FromMetres(millimetres / 1000m);
        var metric = millimetres < 1000 ? $"{millimetres} mm"
            : string.Create(CultureInfo.InvariantCulture, $"{millimetres / 1000m:0.##} m");
        return new(length, $"{metric} ({new Length(length.Sixtyfourths / Eighth * Eighth).InFeet()})") { IsMetric = true };
    }

    /// <summary>Millimetres without feet beside them, where no tape has feet: 900 mm, 1.8 m.</summary>
    public static Asked Metric(int millimetres) => new(Length.FromMetres(millimetres / 1000m), millimetres < 1000 ? $"{millimetres} mm"
        : string.Create(CultureInfo.InvariantCulture, $"{millimetres / 1000m:0.##} m"))
    { IsMetric = true };

    /// <inheritdoc/>
    public override string ToString() => Words;
}
