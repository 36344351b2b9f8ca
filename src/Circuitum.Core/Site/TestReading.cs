using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>What the lamps of a plug-in tester say.</summary>
public enum TesterPattern
{
    /// <summary>Hot, neutral and ground where they belong; a neutral and a ground that are exchanged look the same.</summary>
    WiredRight,

    /// <summary>No ground.</summary>
    OpenGround,

    /// <summary>No neutral.</summary>
    OpenNeutral,

    /// <summary>No lamp: no hot, or no power.</summary>
    OpenHot,

    /// <summary>Hot and ground exchanged.</summary>
    HotAndGroundReversed,

    /// <summary>Hot and neutral exchanged.</summary>
    HotAndNeutralReversed,
}

/// <summary>What was read at an outlet or a panel at trim: at least one of the three.</summary>
/// <param name="Pattern">The tester's lamps; null where none was plugged in.</param>
/// <param name="Volts">Hot to neutral, or leg to leg where there is none; null where it was not read.</param>
/// <param name="Ground">Resistance of the ground back to the panel; null where it was not read.</param>
public sealed record TestReading(TesterPattern? Pattern, Volts? Volts, Ohms? Ground)
{
    /// <summary>Most volts that anyone writes down here.</summary>
    public const int MostVolts = 1000;

    /// <summary>A ground of more than this is looked for: the habit of the trade, one ohm.</summary>
    public static Ohms UsualGround { get; } = new(1);

    /// <summary>How far from nominal the utility may be at the service: range A of ANSI C84.1, 5 percent.</summary>
    public static Percent Range { get; } = new(5);

    /// <summary>Reads what was written down: pattern, V and Ω, each once at most, apart by spaces.</summary>
    /// <exception cref="FormatException">It is none; the message says which part.</exception>
    public static TestReading Parse(string text)
    {
        TesterPattern? pattern = null;
        Volts? volts = null;
        Ohms? ground = null;
        foreach (var part in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (pattern is null && Enum.TryParse<TesterPattern>(part, out var lamps) && Enum.IsDefined(lamps)
                && lamps.ToString() == part)
            {
                pattern = lamps;
            }
            else if (volts is null && Figure(part, "V") is <= MostVolts and var read)
            {
                volts = new(read);
            }
            else if (ground is null && Figure(part, "Ω") is { } ohms)
            {
                ground = new(ohms);
            }
            else
            {
                throw new FormatException($"“{Jobs.Printed.Told(part, 20)}” is no reading; write volts like 121, ohms like 0.3.");
            }
        }

        return pattern is null && volts is null && ground is null ? throw new FormatException("Nothing was read.")
            : new(pattern, volts, ground);
    }

    /// <summary>As it is written down and read again.</summary>
    public override string ToString() => string.Join(' ', new[]
    {
        Pattern?.ToString(), Volts is { } v ? Plain(v.Value) + "V" : null, Ground is { } g ? Plain(g.Value) + "Ω" : null,
    }.OfType<string>());

    /// <summary>As it is told: wired right, 121 V, ground 0.3 Ω.</summary>
    public string Words => string.Join(", ", new[]
    {
        Pattern is { } p ? Told(p) : null, Volts is { } v ? $"{Plain(v.Value)} V" : null,
        Ground is { } g ? $"ground {Plain(g.Value)} Ω" : null,
    }.OfType<string>());

    /// <summary>What is wrong with it, and where one looks first; none where all is well.</summary>
    /// <param name="nominal">What it should read: the circuit's volts.</param>
    public ImmutableArray<string> Troubles(Volts nominal) =>
    [
        .. Pattern is null or TesterPattern.WiredRight ? [] : new[] { $"{Told(Pattern.Value)}: {Look(Pattern.Value)}" },
        .. Volts is { } v && Math.Abs(v.Value - nominal.Value) > Range.Value / 100 * nominal.Value
            ? new[]
            {
                $"{Plain(v.Value)} V is more than {Range.Value:0} % from {Plain(nominal.Value)}: "
                + (v < nominal ? "read at the panel too; low here alone is a poor joint on the way" : "a neutral may be open: switch off")
            } : [],
        .. Ground is { } g && g.Value > UsualGround.Value
            ? new[] { $"ground {Plain(g.Value)} Ω: look for the joint that is not made" } : [],
    ];

    /// <summary>The pattern as it is said.</summary>
    public static string Told(TesterPattern pattern) => pattern switch
    {
        TesterPattern.WiredRight => "wired right",
        TesterPattern.OpenGround => "open ground",
        TesterPattern.OpenNeutral => "open neutral",
        TesterPattern.OpenHot => "dead",
        TesterPattern.HotAndGroundReversed => "hot and ground reversed",
        _ => "hot and neutral reversed",
    };

    private static string Look(TesterPattern pattern) => pattern switch
    {
        TesterPattern.OpenGround => "the grounds in this box, then in the box that feeds it",
        TesterPattern.OpenNeutral => "the neutrals in this box, then in the box that feeds it; nothing is plugged in until it is found",
        TesterPattern.OpenHot => "the breaker, a GFCI that wants its reset, a switch, then the hots",
        TesterPattern.HotAndGroundReversed => "off at once: the metal of what is plugged in is live",
        _ => "the two screws of this device, then of the one that feeds it",
    };

    private static decimal? Figure(string part, string unit) => part.EndsWith(unit, StringComparison.Ordinal)
        && decimal.TryParse(part[..^unit.Length], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
        && value is >= 0 and <= 1_000_000 ? value : null;

    private static string Plain(decimal value) => value.ToString("0.###", CultureInfo.InvariantCulture);
}
