using System.Globalization;
using System.Text.RegularExpressions;

namespace Circuitum.Core.Units;

/// <summary>A length along or across the structure, exact to 1/64 in.</summary>
/// <remarks>Prints as the trade writes it: 12'-6 1/2"; in a job that is drawn in meters to the millimeter: 3.82 m, 450 mm (see
/// <see cref="Writing"/>). Parsing accepts 12-6, 12' 6 1/2", 12.5', 150.5", 6 1/2", 3.2 m.
/// Range ±2 147 483 647 / 64 in; the job's own limits are set where a length is used.</remarks>
public readonly partial record struct Length(int Sixtyfourths) : IComparable<Length>
{
    private const int PerInch = 64;
    private const int PerFoot = 12 * PerInch;

    /// <summary>No length.</summary>
    public static Length Zero => new(0);

    /// <summary>Whole feet and, where needed, inches (rounded to the nearest 1/64).</summary>
    public static Length FromFeet(int feet, decimal inches = 0) => new(checked((feet * PerFoot) + (int)decimal.Round(inches * PerInch)));

    /// <summary>Inches, rounded to the nearest 1/64.</summary>
    public static Length FromInches(decimal inches) => new((int)decimal.Round(inches * PerInch));

    /// <summary>Metres, rounded to the nearest 1/64 in.</summary>
    public static Length FromMetres(decimal metres) => new((int)decimal.Round(metres / 0.0254m * PerInch));

    /// <summary>The same length in inches.</summary>
    public decimal Inches => Sixtyfourths / (decimal)PerInch;

    /// <summary>The same length in feet.</summary>
    public decimal Feet => Sixtyfourths / (decimal)PerFoot;

    /// <summary>Feet rounded up, as cable is measured off the reel.</summary>
    public int WholeFeetUp => (Sixtyfourths + PerFoot - 1) / PerFoot;

    /// <summary>The same length in metres.</summary>
    public decimal Metres => Inches * 0.0254m;

    /// <summary>Rounded up as cable is cut: to the next foot, or to the next tenth of a meter.</summary>
    public Length CutUp(Measure measure) => measure == Measure.Metres ? FromMetres(TenthsUp / 10m) : FromFeet(WholeFeetUp);

    /// <summary>What is cut or bought, rounded up: 172 ft, or 52.5 m.</summary>
    public string Cut(Measure measure) => measure == Measure.Metres
        ? string.Create(CultureInfo.InvariantCulture, $"{TenthsUp / 10m:#,0.0} m")
        : string.Create(CultureInfo.InvariantCulture, $"{WholeFeetUp:#,0} ft");

    /// <summary>About how long: 27 ft, or 8.2 m.</summary>
    public string Roughly(Measure measure) => measure == Measure.Metres ? string.Create(CultureInfo.InvariantCulture, $"{Metres:0.0} m")
        : string.Create(CultureInfo.InvariantCulture, $"{Feet:0} ft");

    /// <summary>What is measured: 12'-6 1/2" to the inch, or 3.82 m.</summary>
    public string Measured(Measure measure) => measure == Measure.Metres ? string.Create(CultureInfo.InvariantCulture, $"{Metres:0.00} m")
        : Nearest(FromInches(1)).ToString();

    // A tenth of a meter is kept to 1/64 in: what is that little over it is not the next one.
    private int TenthsUp => (int)Math.Ceiling((Metres * 10) - 0.005m);

    /// <summary>Size without sign.</summary>
    public Length Abs() => new(Math.Abs(Sixtyfourths));

    /// <summary>The longer of two.</summary>
    public static Length Max(Length a, Length b) => a >= b ? a : b;

    /// <summary>The shorter of two.</summary>
    public static Length Min(Length a, Length b) => a <= b ? a : b;

    /// <inheritdoc/>
    public int CompareTo(Length other) => Sixtyfourths.CompareTo(other.Sixtyfourths);

    /// <summary>Sum.</summary>
    public static Length operator +(Length a, Length b) => new(a.Sixtyfourths + b.Sixtyfourths);

    /// <summary>Difference.</summary>
    public static Length operator -(Length a, Length b) => new(a.Sixtyfourths - b.Sixtyfourths);

    /// <summary>The opposite direction.</summary>
    public static Length operator -(Length a) => new(-a.Sixtyfourths);

    /// <summary>So many times.</summary>
    public static Length operator *(Length a, int times) => new(a.Sixtyfourths * times);

    /// <summary>An equal share, towards zero.</summary>
    public static Length operator /(Length a, int parts) => new(a.Sixtyfourths / parts);

    /// <summary>Shorter than.</summary>
    public static bool operator <(Length a, Length b) => a.Sixtyfourths < b.Sixtyfourths;

    /// <summary>Longer than.</summary>
    public static bool operator >(Length a, Length b) => a.Sixtyfourths > b.Sixtyfourths;

    /// <summary>Not longer than.</summary>
    public static bool operator <=(Length a, Length b) => a.Sixtyfourths <= b.Sixtyfourths;

    /// <summary>Not shorter than.</summary>
    public static bool operator >=(Length a, Length b) => a.Sixtyfourths >= b.Sixtyfourths;

    /// <summary>Reads a length as the trade writes it.</summary>
    /// <exception cref="FormatException">The text is no length; the message quotes it and shows two ways to write one.</exception>
    public static Length Parse(string text) => TryParse(text, out var length)
        ? length
        : throw new FormatException(
            $"“{(text.Length > 40 ? text[..40] + "…" : text)}” is no length; write it like "
            + (Writing.Measure == Measure.Metres ? "3.2 m or 450 mm." : "12'-6 1/2\" or 150.5\"."));

    /// <summary>Reads a length as the trade writes it, without an exception.</summary>
    public static bool TryParse(string? text, out Length length)
    {
        length = default;
        if (string.IsNullOrWhiteSpace(text) || text.Length > 40)
        {
            return false;
        }

        var plain = text.Trim().Replace('’', '\'').Replace('′', '\'').Replace('”', '"').Replace('″', '"');
        plain = InchWord().Replace(FootWord().Replace(plain, "'"), "\"");
        var metric = Metric().Match(plain);
        if (metric.Success)
        {
            var value = Number(metric.Groups["n"].Value);
            var metres = metric.Groups["u"].Value switch { "mm" => value / 1000, "cm" => value / 100, _ => value };
            return InRange(metres / 0.0254m, out length);
        }

        if (Writing.Measure == Measure.Metres && Bare().IsMatch(plain))
        {
            return Unmarked(plain, out length);
        }

        var match = Imperial().Match(plain);
        if (!match.Success)
        {
            return false;
        }

        var inches = 0m;
        if (match.Groups["ft"].Success)
        {
            inches += 12 * Number(match.Groups["ft"].Value);
        }

        if (match.Groups["in"].Success)
        {
            inches += Number(match.Groups["in"].Value);
        }

        if (match.Groups["num"].Success)
        {
            var denominator = Number(match.Groups["den"].Value);
            if (denominator == 0)
            {
                return false;
            }

            inches += Number(match.Groups["num"].Value) / denominator;
        }

        return InRange(match.Groups["minus"].Success ? -inches : inches, out length);
    }

    /// <summary>As a drawing says it: feet and inches, exact to 1/64, or meters to the millimeter where the job is drawn in them.</summary>
    public override string ToString() => Writing.Measure == Measure.Metres ? InMetres(0) : InFeet();

    /// <summary>As a file keeps it: read again, it is the same length.</summary>
    public string Exactly()
    {
        if (Writing.Measure != Measure.Metres)
        {
            return InFeet();
        }

        // A tenth of a millimeter is finer than 1/64 in.
        var written = InMetres(0);
        return Parse(written) == this ? written : InMetres(1);
    }

    // Below a meter in millimeters, as the trade says it.
    private string InMetres(int decimals)
    {
        var millimetres = decimal.Round(Metres * 1000, decimals, MidpointRounding.AwayFromZero);
        return Math.Abs(millimetres) < 1000 ? string.Create(CultureInfo.InvariantCulture, $"{millimetres:0.#} mm")
            : string.Create(CultureInfo.InvariantCulture, $"{millimetres / 1000:0.0###} m");
    }

    // As drawings in meters are read: 3.2 and 12 are meters, 450 millimeters; between them it must be said.
    private static bool Unmarked(string text, out Length length)
    {
        length = default;
        var value = Number(text.TrimStart('-')) * (text.StartsWith('-') ? -1 : 1);
        return Math.Abs(value) switch
        {
            <= 30 => InRange(value / 0.0254m, out length),
            >= 100 => InRange(value / 25.4m, out length),
            _ => false,
        };
    }

    /// <summary>As it is read off a tape: to the nearest whole step where that has inches, to the millimeter where it has meters.</summary>
    /// <param name="step">The step of a tape with inches; longer than nothing.</param>
    public string Taped(Length step) => Writing.Measure == Measure.Metres ? ToString() : Nearest(step).InFeet();

    /// <summary>Where a hand puts it down: on a whole step, or on a whole centimeter where the house is drawn in meters.</summary>
    /// <param name="step">The step in inches; longer than nothing.</param>
    public Length Snapped(Length step) => Writing.Measure == Measure.Metres
        ? FromMetres(decimal.Round(Metres, 2, MidpointRounding.AwayFromZero)) : Nearest(step);

    /// <summary>Feet and inches as written on a plan, exact to 1/64: 12'-6 1/2".</summary>
    public string InFeet()
    {
        var size = Math.Abs((long)Sixtyfourths);
        var sign = Sixtyfourths < 0 ? "-" : "";
        var (feet, rest) = Math.DivRem(size, PerFoot);
        var (inches, part) = Math.DivRem(rest, PerInch);
        var of = PerInch;
        while (part > 0 && part % 2 == 0)
        {
            part /= 2;
            of /= 2;
        }

        var inchText = part == 0 ? $"{inches}" : inches == 0 && feet == 0 ? $"{part}/{of}" : $"{inches} {part}/{of}";
        return feet == 0 ? $"{sign}{inchText}\"" : $"{sign}{feet}'-{inchText}\"";
    }

    /// <summary>Rounded to the nearest whole step (a quarter inch, a foot); the step is longer than nothing.</summary>
    public Length Nearest(Length step) =>
        new((int)(Math.Round(Sixtyfourths / (decimal)step.Sixtyfourths, MidpointRounding.AwayFromZero) * step.Sixtyfourths));

    private static bool InRange(decimal inches, out Length length)
    {
        length = default;
        if (Math.Abs(inches) > 1_000_000)
        {
            return false;
        }

        length = FromInches(inches);
        return true;
    }

    private static decimal Number(string text) =>
        decimal.Parse(text, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^-?[0-9]{1,8}(\.[0-9]{1,6})?$", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex Bare();

    [GeneratedRegex(@"^(?<n>-?[0-9]{1,9}(\.[0-9]{1,6})?)\s*(?<u>mm|cm|m)$", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex Metric();

    [GeneratedRegex(@"(?<=[0-9])\s*(ft|feet|foot)\b\.?", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex FootWord();

    [GeneratedRegex(@"(?<=[0-9])\s*(in|inch|inches)\b\.?", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex InchWord();

    // Feet need their mark or a dash before inches; a bare number is inches.
    [GeneratedRegex("""^(?<minus>-)?(?:(?<ft>[0-9]{1,7}(?:\.[0-9]{1,6})?)(?:\s*'\s*-?\s*|\s*-\s*(?=[0-9])))?"""
        + """(?:(?<in>[0-9]{1,8}(?:\.[0-9]{1,6})?)(?!\s*/))?"""
        + """(?:(?:\s+|(?<![0-9.]))(?<num>[0-9]{1,3})/(?<den>[0-9]{1,3}))?\s*"?$""",
        RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex Imperial();
}
