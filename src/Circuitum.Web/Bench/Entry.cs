using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>Reads what people type into fields; what cannot be read is answered with one sentence.</summary>
public static partial class Entry
{
    /// <summary>A price.</summary>
    /// <exception cref="FormatException">It is none.</exception>
    public static Money Money(string text) =>
        decimal.TryParse(text.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) && value < 100_000
        ? new(value) : throw new FormatException($"“{text}” is no price; write it like 46 or 46.50.");

    /// <summary>Volts that the supply offers.</summary>
    /// <exception cref="FormatException">It does not offer these.</exception>
    public static Volts Volts(string? text) => SupplySystem.SplitPhase.Offered.FirstOrDefault(v => v.Value == Count(text))
        is { Value: > 0 } volts ? volts
        : throw new FormatException(
            $"{text} volts: this supply offers {string.Join(" or ", SupplySystem.SplitPhase.Offered.Select(v => v.Value))}.");

    /// <summary>A volume: 20.3 or 20.3 in³.</summary>
    /// <exception cref="FormatException">It is none.</exception>
    public static CubicInches CubicInches(string? text) =>
        decimal.TryParse((text ?? "").Replace("in³", "", StringComparison.Ordinal).Trim(),
            System.Globalization.NumberStyles.AllowDecimalPoint, System.Globalization.CultureInfo.InvariantCulture, out var value)
        ? new(value) : throw new FormatException($"“{text}” is no volume; write it like 20.3 in cubic inches.");

    /// <summary>A load: 1200, 1,200 VA, 1.2 kW; and 10 A where its volts are known.</summary>
    /// <param name="text">As it was typed.</param>
    /// <param name="flowing">What a current is as a load; null where its volts are not said.</param>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static VoltAmps VoltAmps(string? text, Func<Amps, VoltAmps>? flowing = null)
    {
        var plain = (text ?? "").Replace(" ", "", StringComparison.Ordinal).ToUpperInvariant();
        if (plain.EndsWith('A') && !plain.EndsWith("VA", StringComparison.Ordinal))
        {
            return flowing is not null ? flowing(Amps(text))
                : throw new FormatException($"“{text}” is amperes, and what volts they flow at is not said here; write the load as VA "
                    + $"or kW.");
        }

        var kilo = plain.EndsWith("KW", StringComparison.Ordinal) || plain.EndsWith("KVA", StringComparison.Ordinal);
        return new(Number(plain.Replace("KVA", "", StringComparison.Ordinal).Replace("KW", "", StringComparison.Ordinal)
            .Replace("VA", "", StringComparison.Ordinal).TrimEnd('W'), text,
                "a load; write it like 1200 VA, 1.2 kW or 10 A. A breaker that a plate asks for has its own field")
            * (kilo ? 1000 : 1));
    }

    /// <summary>A floor area: 1800, 1,800 ft², 167 m².</summary>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static SquareFeet SquareFeet(string? text) => (text ?? "").Trim() is var plain && plain.EndsWith("m²", StringComparison.Ordinal)
        ? Core.Units.SquareFeet.FromMetres(Number(plain[..^2].Trim(), text, "a floor area; write it like 167 m²"))
        : new(Number((text ?? "").Replace("ft²", "", StringComparison.Ordinal).Replace(" ", "", StringComparison.Ordinal), text,
            "a floor area; write it like 1800 ft²"));

    /// <summary>A current: 21.4, 21.4 A.</summary>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static Amps Amps(string? text) =>
        new(Number((text ?? "").Trim().ToUpperInvariant().TrimEnd('A').Trim(), text, "a current; write it like 21.4 A"));

    /// <summary>A per cent: 80, 80 %.</summary>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static Percent Percent(string? text) =>
        new(Number((text ?? "").Trim().TrimEnd('%').Trim(), text, "a share; write it like 80 %"));

    /// <summary>A temperature: 50, 50 °C, 122 °F.</summary>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static Celsius Celsius(string? text)
    {
        var plain = (text ?? "").Replace("°", "", StringComparison.Ordinal).Replace('−', '-').Trim().ToUpperInvariant();
        var fahrenheit = plain.EndsWith('F');
        return int.TryParse(plain.TrimEnd('C', 'F').Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var degrees)
            && Math.Abs(degrees) < 500
            ? new(fahrenheit ? (int)Math.Round((degrees - 32) / 1.8) : degrees)
            : throw new FormatException($"“{text}” is no temperature; write it like 50 °C or 122 °F.");
    }

    /// <summary>A room's name as typed, or one made of its use and the next number.</summary>
    public static string RoomName(Job job, string? name, RoomUse use) => RoomName(job.Rooms.Select(r => r.Name).ToHashSet(), name, use);

    /// <summary>A room's name as typed, or one made of its use that none of these is.</summary>
    public static string RoomName(IReadOnlySet<string> used, string? name, RoomUse use)
    {
        if (!string.IsNullOrWhiteSpace(name))
        {
            return name.Trim();
        }

        var words = Words.Of(use);
        var stem = char.ToUpperInvariant(words[0]) + words[1..];
        return used.Contains(stem) || use == RoomUse.Bedroom ? Enumerable.Range(use == RoomUse.Bedroom ? 1 : 2, used.Count + 2)
            .Select(n => $"{stem} {n}").First(n => !used.Contains(n)) : stem;
    }

    /// <summary>A whole number.</summary>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static int Count(string? text) => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var count) ? count
        : throw new FormatException($"“{text}” is no whole number.");

    /// <summary>Spaces of a panel: 17-24, 30.</summary>
    /// <exception cref="FormatException">No such thing; the message says how to write it.</exception>
    public static ImmutableArray<int> Spaces(string? text)
    {
        var spaces = new SortedSet<int>();
        foreach (var part in (text ?? "").Split([',', ';', ' '], StringSplitOptions.RemoveEmptyEntries))
        {
            var ends = part.Split('-', '–');
            if (ends.Length > 2 || !int.TryParse(ends[0], NumberStyles.None, CultureInfo.InvariantCulture, out var first)
                || !int.TryParse(ends[^1], NumberStyles.None, CultureInfo.InvariantCulture, out var last) || first < 1 || last < first
                || last > PanelSpace.Most)
            {
                throw new FormatException($"“{part}” is no space; write them like 17-24, 30.");
            }

            spaces.UnionWith(Enumerable.Range(first, last - first + 1));
        }

        return [.. spaces];
    }

    /// <summary>Spaces as they are typed: 17-24, 30.</summary>
    public static string Spaces(ImmutableArray<int> spaces) =>
        string.Join(", ", spaces.Order().Select((s, i) => (s, Group: s - i)).GroupBy(x => x.Group, x => x.s)
            .Select(g => g.First() == g.Last() ? $"{g.First()}" : $"{g.First()}-{g.Last()}"));

    /// <summary>One of the words a list offers.</summary>
    /// <exception cref="FormatException">The list has no such word.</exception>
    public static T Choice<T>(string? text) where T : struct, Enum =>
        Enum.TryParse<T>(text, ignoreCase: true, out var value) && Enum.IsDefined(value)
            && !int.TryParse(text, CultureInfo.InvariantCulture, out _) ? value
            : throw new FormatException($"“{text}” is not on the list.");

    /// <summary>One of the words a list offers, or what is usual where the form has none.</summary>
    /// <exception cref="FormatException">The list has no such word.</exception>
    public static T Choice<T>(string? text, T usual) where T : struct, Enum => string.IsNullOrEmpty(text) ? usual : Choice<T>(text);

    /// <summary>An edition by its key: 2020, canada-2021.</summary>
    /// <exception cref="FormatException">No book of that key.</exception>
    public static Edition Edition(string? text) => Editions.TryParse(text, out var edition) ? edition
        : throw new FormatException($"There is no {text} edition here; choose one of {Editions.Keys}.");

    // A comma parts thousands and nothing else: 1,200 is read, 1,5 is not.
    private static decimal Number(string plain, string? text, string what) =>
        (decimal.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
            || (Thousands().IsMatch(plain) && decimal.TryParse(plain, NumberStyles.AllowDecimalPoint | NumberStyles.AllowThousands,
                CultureInfo.InvariantCulture, out value))) && value < 1_000_000 ? value
            : throw new FormatException($"“{text}” is not {what}.");

    [GeneratedRegex(@"^[0-9]{1,3}(,[0-9]{3})+(\.[0-9]+)?$", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex Thousands();
}
