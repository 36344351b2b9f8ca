using System.Diagnostics.CodeAnalysis;
using System.Globalization;

namespace Circuitum.Core.Jobs;

/// <summary>What a run is there for, as far as it tells two runs between the same two ends apart.</summary>
public enum RunPurpose
{
    /// <summary>Constant feed: a home run, a jumper, a feeder.</summary>
    Feed,

    /// <summary>From a switch to what it works.</summary>
    Leg,

    /// <summary>From a lamp to its switch and back.</summary>
    Loop,

    /// <summary>Between switches that work together.</summary>
    Travelers,

    /// <summary>Between alarms, or from an outdoor unit to its head.</summary>
    Signal,

    /// <summary>Not told: a way that was held before runs had purposes. It is meant for whatever runs between its ends.</summary>
    Any,

    /// <summary>The same, and meant for travelers.</summary>
    AnyTravelers,
}

/// <summary>
/// Lasting id of a run: its two ends and its purpose. It says neither the circuit nor which end is fed, so that what was recorded about a
/// cable
/// still finds it after boxes changed circuits or the feed was turned round; where the cable truly goes, its id goes.
/// </summary>
public readonly record struct RunId
{
    /// <summary>Characters of the longest: two ends of 41 characters, what stands between, purpose and number.</summary>
    public const int Longest = 100;

    private const string Panel = "@";

    // Worked out once: ids are looked up far more often than they are made.
    private readonly int hash;

    private RunId(string one, string other, RunPurpose purpose, int number) =>
        (One, Other, Purpose, Number, hash) = (one, other, purpose, number, HashCode.Combine(one, other, purpose, number));

    /// <summary>The end that comes first in the order of their ids: a box, or a panel as @A. Of a run whose purpose was not told, the end
    /// it was written to begin at.</summary>
    public string One { get; }

    /// <summary>The other end.</summary>
    public string Other { get; }

    /// <summary>What it is for.</summary>
    public RunPurpose Purpose { get; }

    /// <summary>1, or more where several of one purpose lie between the same ends.</summary>
    public int Number { get; }

    /// <summary>The end of a run at a box.</summary>
    public static string EndOf(BoxId box) => box.Value;

    /// <summary>The end of a run at a panel.</summary>
    public static string EndOf(PanelId panel) => Panel + panel.Value;

    /// <summary>The id of a run between two ends, whichever is named first.</summary>
    /// <param name="end">One end, as <see cref="EndOf(BoxId)"/> names it.</param>
    /// <param name="another">The other.</param>
    /// <param name="purpose">What it is for.</param>
    /// <param name="number">1 or more.</param>
    public static RunId Of(string end, string another, RunPurpose purpose, int number = 1) =>
        purpose is RunPurpose.Any or RunPurpose.AnyTravelers || string.CompareOrdinal(end, another) <= 0
            ? new(end, another, purpose, number) : new(another, end, purpose, number);

    /// <summary>Its ends in words: panel A and kitchen-1.</summary>
    public string Ends => $"{Told(One)} and {Told(Other)}";

    /// <summary>True for ids of the same two ends.</summary>
    public bool IsBetweenEndsOf(RunId other) => (One == other.One && Other == other.Other) || (One == other.Other && Other == other.One);

    /// <summary>True when what was held for this id is meant for a run: its own, or the one that is as many-th between its ends where no
    /// purpose was told.</summary>
    /// <param name="run">The run.</param>
    /// <param name="place">The run's place among those between its ends, 1 or more; null takes any.</param>
    public bool IsMeantFor(RunId run, int? place = null) => this == run
        || (Purpose == (run.Purpose == RunPurpose.Travelers ? RunPurpose.AnyTravelers : RunPurpose.Any) && IsBetweenEndsOf(run)
            && (place is null || place == Number));

    /// <summary>Reads an id as it is written here, or as job files wrote it before: circuit:from>to.</summary>
    /// <exception cref="FormatException">It is neither.</exception>
    public static RunId Parse(string text) => TryParse(text, out var id) ? id.Value
        : throw new FormatException($"“{Printed.Told(text, 60)}” is no run: it is written by its two ends, like @A~kitchen-1.");

    /// <summary>Reads an id; false when it is none.</summary>
    public static bool TryParse(string? text, [NotNullWhen(true)] out RunId? id)
    {
        id = null;
        if (text is null || text.Length > Longest + 60)
        {
            return false;
        }

        if (text.Split('~') is [var one, var rest])
        {
            var parts = rest.Split(':');
            var purpose = RunPurpose.Feed;
            var number = 1;
            if (parts.Length > 3 || one.Length is 0 or > 41 || parts[0].Length is 0 or > 41
                || (parts.Length > 1 && !Named(parts[1], out purpose)) || (parts.Length > 2 && !Counted(parts[2], out number)))
            {
                return false;
            }

            id = Of(one, parts[0], purpose, number);
            return true;
        }

        return Before(text) is var (from, to, tail) && (id = Old(from, to, tail)) is not null;
    }

    /// <inheritdoc/>
    public override int GetHashCode() => hash;

    /// <summary>@A~kitchen-1, kitchen-1~kitchen-2:leg, …:leg:2.</summary>
    public override string ToString() =>
        $"{One}~{Other}{(Purpose == RunPurpose.Feed && Number == 1 ? "" : ":" + Purpose.ToString().ToLowerInvariant())}"
            + $"{(Number == 1 ? "" : ":" + Number.ToString(CultureInfo.InvariantCulture))}";

    // circuit:from>to, with :t for travelers and :2 and on for further ones.
    private static (string From, string To, string[] Tail)? Before(string text)
    {
        var colon = text.IndexOf(':', StringComparison.Ordinal);
        if (colon < 0 || text[(colon + 1)..].Split('>') is not [var from, var rest] || rest.Split(':') is not [var to, .. var tail]
            || from.Length is 0 or > 46 || to.Length is 0 or > 46)
        {
            return null;
        }

        return (End(from), End(to), tail);
    }

    private static string Told(string end) => end.StartsWith(Panel, StringComparison.Ordinal) ? $"panel {end[1..]}" : end;

    private static string End(string written) => written.StartsWith("panel-", StringComparison.Ordinal)
        ? Panel + written["panel-".Length..] : written;

    private static RunId? Old(string from, string to, string[] tail) => tail switch
    {
        [] => Of(from, to, RunPurpose.Any),
        ["t"] => Of(from, to, RunPurpose.AnyTravelers),
        ["t", var n] when Counted(n, out var number) => Of(from, to, RunPurpose.AnyTravelers, number),
        [var n] when Counted(n, out var number) => Of(from, to, RunPurpose.Any, number),
        _ => null,
    };

    private static bool Named(string text, out RunPurpose purpose) => Enum.TryParse(text, ignoreCase: true, out purpose)
        && Enum.IsDefined(purpose) && text.All(char.IsAsciiLetter);

    private static bool Counted(string text, out int number) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out number) && number is >= 2 and <= 999;
}
