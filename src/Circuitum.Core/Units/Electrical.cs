using System.Globalization;

namespace Circuitum.Core.Units;

/// <summary>Current in amperes; never negative in a plan.</summary>
public readonly record struct Amps(decimal Value) : IComparable<Amps>
{
    /// <inheritdoc/>
    public int CompareTo(Amps other) => Value.CompareTo(other.Value);

    /// <summary>Sum.</summary>
    public static Amps operator +(Amps a, Amps b) => new(a.Value + b.Value);

    /// <summary>Difference; below zero where more is taken than there is.</summary>
    public static Amps operator -(Amps a, Amps b) => new(a.Value - b.Value);

    /// <summary>Scaled by a table's factor.</summary>
    public static Amps operator *(Amps a, decimal factor) => new(a.Value * factor);

    /// <summary>What this current brings at these volts.</summary>
    public static VoltAmps operator *(Amps a, Volts volts) => new(a.Value * volts.Value);

    /// <summary>Less than.</summary>
    public static bool operator <(Amps a, Amps b) => a.Value < b.Value;

    /// <summary>More than.</summary>
    public static bool operator >(Amps a, Amps b) => a.Value > b.Value;

    /// <summary>At most.</summary>
    public static bool operator <=(Amps a, Amps b) => a.Value <= b.Value;

    /// <summary>At least.</summary>
    public static bool operator >=(Amps a, Amps b) => a.Value >= b.Value;

    /// <summary>As it is written on a breaker or in a table, without the unit: 20, 12.5.</summary>
    public string Figure => Value.ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>At most two decimals, with the unit: 19.68 A.</summary>
    public override string ToString() => decimal.Round(Value, 2).ToString("0.##", CultureInfo.InvariantCulture) + " A";
}

/// <summary>Potential difference in volts.</summary>
public readonly record struct Volts(decimal Value) : IComparable<Volts>
{
    /// <inheritdoc/>
    public int CompareTo(Volts other) => Value.CompareTo(other.Value);

    /// <summary>Less than.</summary>
    public static bool operator <(Volts a, Volts b) => a.Value < b.Value;

    /// <summary>More than.</summary>
    public static bool operator >(Volts a, Volts b) => a.Value > b.Value;

    /// <summary>Difference.</summary>
    public static Volts operator -(Volts a, Volts b) => new(a.Value - b.Value);

    /// <summary>Sum.</summary>
    public static Volts operator +(Volts a, Volts b) => new(a.Value + b.Value);

    /// <summary>Two decimals, with the unit.</summary>
    public override string ToString() => decimal.Round(Value, 2).ToString("0.##", CultureInfo.InvariantCulture) + " V";
}

/// <summary>Resistance in ohms; zero or more.</summary>
public readonly record struct Ohms(decimal Value)
{
    /// <summary>With the unit: 0.25 Ω, at most three decimals.</summary>
    public override string ToString() => decimal.Round(Value, 3).ToString("0.###", CultureInfo.InvariantCulture) + " Ω";
}

/// <summary>Apparent power in volt-amperes; zero or more.</summary>
public readonly record struct VoltAmps(decimal Value) : IComparable<VoltAmps>
{
    /// <inheritdoc/>
    public int CompareTo(VoltAmps other) => Value.CompareTo(other.Value);

    /// <summary>Sum.</summary>
    public static VoltAmps operator +(VoltAmps a, VoltAmps b) => new(a.Value + b.Value);

    /// <summary>Less.</summary>
    public static bool operator <(VoltAmps a, VoltAmps b) => a.Value < b.Value;

    /// <summary>More.</summary>
    public static bool operator >(VoltAmps a, VoltAmps b) => a.Value > b.Value;

    /// <summary>Less or as much.</summary>
    public static bool operator <=(VoltAmps a, VoltAmps b) => a.Value <= b.Value;

    /// <summary>More or as much.</summary>
    public static bool operator >=(VoltAmps a, VoltAmps b) => a.Value >= b.Value;

    /// <summary>Scaled by a factor.</summary>
    public static VoltAmps operator *(VoltAmps load, decimal factor) => new(load.Value * factor);

    /// <summary>The current this draws; zero volts is a bug.</summary>
    public static Amps operator /(VoltAmps load, Volts volts) => new(load.Value / volts.Value);

    /// <summary>Whole volt-amperes with the unit.</summary>
    public override string ToString() => decimal.Round(Value, 0, MidpointRounding.AwayFromZero)
        .ToString("#,0", CultureInfo.InvariantCulture) + " VA";
}

/// <summary>Power as equipment is marked with it, taken at a power factor of one; zero or more.</summary>
public readonly record struct Watts(decimal Value) : IComparable<Watts>
{
    /// <inheritdoc/>
    public int CompareTo(Watts other) => Value.CompareTo(other.Value);

    /// <summary>Sum.</summary>
    public static Watts operator +(Watts a, Watts b) => new(a.Value + b.Value);

    /// <summary>So many times, or a share.</summary>
    public static Watts operator *(Watts a, decimal factor) => new(a.Value * factor);

    /// <summary>The current it draws at these volts.</summary>
    public static Amps operator /(Watts load, Volts volts) => new(load.Value / volts.Value);

    /// <summary>Less than.</summary>
    public static bool operator <(Watts a, Watts b) => a.Value < b.Value;

    /// <summary>More than.</summary>
    public static bool operator >(Watts a, Watts b) => a.Value > b.Value;

    /// <summary>At most.</summary>
    public static bool operator <=(Watts a, Watts b) => a.Value <= b.Value;

    /// <summary>At least.</summary>
    public static bool operator >=(Watts a, Watts b) => a.Value >= b.Value;

    /// <summary>Whole watts with the unit: 2,400 W.</summary>
    public override string ToString() => decimal.Round(Value, 0, MidpointRounding.AwayFromZero)
        .ToString("#,0", CultureInfo.InvariantCulture) + " W";
}

/// <summary>Cross-section of a conductor, as metric sizes are named; above zero.</summary>
public readonly record struct SquareMillimetres(decimal Value) : IComparable<SquareMillimetres>
{
    /// <inheritdoc/>
    public int CompareTo(SquareMillimetres other) => Value.CompareTo(other.Value);

    /// <summary>Thinner than.</summary>
    public static bool operator <(SquareMillimetres a, SquareMillimetres b) => a.Value < b.Value;

    /// <summary>Thicker than.</summary>
    public static bool operator >(SquareMillimetres a, SquareMillimetres b) => a.Value > b.Value;

    /// <summary>Not thicker than.</summary>
    public static bool operator <=(SquareMillimetres a, SquareMillimetres b) => a.Value <= b.Value;

    /// <summary>Not thinner than.</summary>
    public static bool operator >=(SquareMillimetres a, SquareMillimetres b) => a.Value >= b.Value;

    /// <summary>Without the unit, as it is marked: 2.5.</summary>
    public string Figure => Value.ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>With the unit: 2.5 mm².</summary>
    public override string ToString() => Figure + " mm²";
}

/// <summary>Volume of a box or of what is in it, cubic inches.</summary>
public readonly record struct CubicInches(decimal Value) : IComparable<CubicInches>
{
    /// <summary>Less than.</summary>
    public static bool operator <(CubicInches a, CubicInches b) => a.Value < b.Value;

    /// <summary>More than.</summary>
    public static bool operator >(CubicInches a, CubicInches b) => a.Value > b.Value;

    /// <summary>The next whole cubic inch, or this one.</summary>
    public CubicInches WholeUp => new(Math.Ceiling(Value));

    /// <inheritdoc/>
    public int CompareTo(CubicInches other) => Value.CompareTo(other.Value);

    /// <summary>Two decimals, with the unit.</summary>
    public override string ToString() => Value.ToString("0.00", CultureInfo.InvariantCulture) + " in³";
}

/// <summary>Cross-section area inside a raceway, square inches.</summary>
public readonly record struct SquareInches(decimal Value)
{
    /// <summary>Four decimals, with the unit.</summary>
    public override string ToString() => Value.ToString("0.0000", CultureInfo.InvariantCulture) + " in²";
}

/// <summary>A share of a whole; 100 is the whole.</summary>
public readonly record struct Percent(decimal Value)
{
    /// <summary>Less than.</summary>
    public static bool operator <(Percent a, Percent b) => a.Value < b.Value;

    /// <summary>More than.</summary>
    public static bool operator >(Percent a, Percent b) => a.Value > b.Value;

    /// <summary>At most.</summary>
    public static bool operator <=(Percent a, Percent b) => a.Value <= b.Value;

    /// <summary>At least.</summary>
    public static bool operator >=(Percent a, Percent b) => a.Value >= b.Value;

    /// <summary>Both shares of one whole.</summary>
    public static Percent operator +(Percent a, Percent b) => new(a.Value + b.Value);

    /// <summary>What is left of a share.</summary>
    public static Percent operator -(Percent a, Percent b) => new(a.Value - b.Value);

    /// <summary>This share of a current.</summary>
    public static Amps operator *(Percent share, Amps whole) => new(share.Value * whole.Value / 100);

    /// <summary>This share of a voltage.</summary>
    public static Volts operator *(Percent share, Volts whole) => new(share.Value * whole.Value / 100);

    /// <summary>This share of a load.</summary>
    public static VoltAmps operator *(Percent share, VoltAmps whole) => new(share.Value * whole.Value / 100);

    /// <summary>Always one decimal, with the sign: 3.0 %.</summary>
    public string OneDecimal => Value.ToString("0.0", CultureInfo.InvariantCulture) + " %";

    /// <summary>One decimal, with the sign.</summary>
    public override string ToString() => decimal.Round(Value, 1).ToString("0.#", CultureInfo.InvariantCulture) + " %";
}

/// <summary>Ambient temperature of a space, degrees Celsius, −40 to 85.</summary>
public readonly record struct Celsius(decimal Degrees)
{
    /// <summary>With the unit.</summary>
    public override string ToString() => Degrees.ToString("0.#", CultureInfo.InvariantCulture) + " °C";
}

/// <summary>Floor area in square feet.</summary>
public readonly record struct SquareFeet(decimal Value)
{
    private const decimal MetresToFoot = 0.09290304m;

    /// <summary>The same area in square meters.</summary>
    public decimal Metres => Value * MetresToFoot;

    /// <summary>An area of so many square meters.</summary>
    public static SquareFeet FromMetres(decimal square) => new(square / MetresToFoot);

    /// <summary>As it is measured: 1,493 ft², or 138.7 m².</summary>
    public string Shown(Measure measure) => measure == Measure.Metres
        ? string.Create(CultureInfo.InvariantCulture, $"{Metres:#,0.0} m²") : ToString();

    /// <summary>Whole feet with the unit.</summary>
    public override string ToString() => decimal.Round(Value, 0, MidpointRounding.AwayFromZero)
        .ToString("#,0", CultureInfo.InvariantCulture) + " ft²";
}

/// <summary>Short ways to write a quantity: 20.Amps(), 120.Volts().</summary>
public static class Quantities
{
    /// <summary>So many amperes.</summary>
    public static Amps Amps(this int value) => new(value);

    /// <summary>So many volts.</summary>
    public static Volts Volts(this int value) => new(value);

    /// <summary>So many volt-amperes.</summary>
    public static VoltAmps VoltAmps(this int value) => new(value);

    /// <summary>So many inches.</summary>
    public static Length Inches(this int value) => Length.FromInches(value);

    /// <summary>So many feet.</summary>
    public static Length Feet(this int value) => Length.FromFeet(value);

    /// <summary>Sum of loads.</summary>
    public static VoltAmps Total(this IEnumerable<VoltAmps> loads) => new(loads.Sum(l => l.Value));

    /// <summary>Sum of powers.</summary>
    public static Watts Total(this IEnumerable<Watts> loads) => new(loads.Sum(l => l.Value));

    /// <summary>Sum of lengths.</summary>
    public static Length Total(this IEnumerable<Length> lengths) => new(lengths.Sum(l => l.Sixtyfourths));

    /// <summary>How much of a line its stretches cover, each place once.</summary>
    public static Length Covered(this IEnumerable<(Length From, Length To)> stretches)
    {
        var (sum, at) = (Length.Zero, new Length(int.MinValue / 2));
        foreach (var (from, to) in stretches.OrderBy(s => s.From))
        {
            sum += Length.Max(Length.Zero, to - Length.Max(from, at));
            at = Length.Max(at, to);
        }

        return sum;
    }
}
