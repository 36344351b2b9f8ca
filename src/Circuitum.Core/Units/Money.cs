using System.Globalization;

namespace Circuitum.Core.Units;

/// <summary>An amount of the crew's money, whatever it counts in; below zero it is given back.</summary>
public readonly record struct Money(decimal Value) : IComparable<Money>
{
    /// <summary>Most that a person types.</summary>
    public const decimal Most = 1_000_000;

    /// <summary>Nothing.</summary>
    public static Money Zero => default;

    /// <summary>Reads 12.50, $1,250 or 0.</summary>
    /// <exception cref="FormatException">It is no amount of zero or more with at most two decimals.</exception>
    public static Money Parse(string text)
    {
        var plain = text.Trim().TrimStart('$').Trim();
        return decimal.TryParse(plain, NumberStyles.AllowDecimalPoint | NumberStyles.AllowThousands, CultureInfo.InvariantCulture,
            out var d)
            && d is >= 0 and <= Most && d == decimal.Round(d, 2)
            ? new(d) : throw new FormatException($"“{text}” is no amount of money; write 12.50, 0 to 1,000,000.");
    }

    /// <inheritdoc/>
    public int CompareTo(Money other) => Value.CompareTo(other.Value);

    /// <summary>Less.</summary>
    public static bool operator <(Money a, Money b) => a.Value < b.Value;

    /// <summary>More.</summary>
    public static bool operator >(Money a, Money b) => a.Value > b.Value;

    /// <summary>Sum.</summary>
    public static Money operator +(Money a, Money b) => new(a.Value + b.Value);

    /// <summary>Difference.</summary>
    public static Money operator -(Money a, Money b) => new(a.Value - b.Value);

    /// <summary>So many times.</summary>
    public static Money operator *(Money a, decimal times) => new(a.Value * times);

    /// <summary>This share of an amount, to the cent.</summary>
    public static Money operator *(Percent share, Money whole) => (whole * (share.Value / 100)).ToTheCent;

    /// <summary>To the hundredth, halves away from zero.</summary>
    public Money ToTheCent => new(decimal.Round(Value, 2, MidpointRounding.AwayFromZero));

    /// <summary>As it is read on a paper: $1,234.50, below zero −$1,234.50.</summary>
    /// <param name="sign">Sign of what the crew counts in; may be empty.</param>
    public string In(string sign) => (Value < 0 ? "−" : "") + sign + Math.Abs(Value).ToString("#,0.00", CultureInfo.InvariantCulture);

    /// <summary>Two decimals, without a currency: 52.00.</summary>
    public override string ToString() => Value.ToString("0.00", CultureInfo.InvariantCulture);
}

/// <summary>Time of one person's work, in hours to the thousandth; below zero it is saved.</summary>
public readonly record struct LaborHours(decimal Value)
{
    /// <summary>None.</summary>
    public static LaborHours Zero => default;

    /// <summary>Reads 0.35 or 2, 0 to 1000 hours with at most three decimals.</summary>
    /// <exception cref="FormatException">It is none of these.</exception>
    public static LaborHours Parse(string text) =>
        decimal.TryParse(text.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var hours)
            && hours is >= 0 and <= 1000 && hours == decimal.Round(hours, 3)
            ? new(hours) : throw new FormatException($"“{text}” is no time in hours; write 0.35, 0 to 1000.");

    /// <summary>Sum.</summary>
    public static LaborHours operator +(LaborHours a, LaborHours b) => new(a.Value + b.Value);

    /// <summary>So many times as long.</summary>
    public static LaborHours operator *(LaborHours a, int times) => new(a.Value * times);

    /// <summary>What it costs at a rate by the hour, to the cent.</summary>
    public static Money operator *(LaborHours time, Money rate) => (rate * time.Value).ToTheCent;

    /// <summary>One decimal: 12.3 h.</summary>
    public override string ToString() => decimal.Round(Value, 1, MidpointRounding.AwayFromZero)
        .ToString("#,0.0", CultureInfo.InvariantCulture).Replace('-', '−') + " h";
}
