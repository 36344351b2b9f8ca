using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Site;

/// <summary>Lasting id of an entry, made where it was written down: on a phone without signal as well as on the server.</summary>
/// <param name="Value">Drawn at random, so that two phones never make the same.</param>
public readonly record struct EntryId(Guid Value) : IComparable<EntryId>
{
    /// <inheritdoc/>
    public int CompareTo(EntryId other) => Value.CompareTo(other.Value);

    /// <summary>Reads an id; null when it is none.</summary>
    public static EntryId? TryParse(string? text) => Guid.TryParseExact(text, "D", out var id) && id != Guid.Empty ? new(id) : null;

    /// <inheritdoc/>
    public override string ToString() => Value.ToString("D");

    /// <summary>Earlier in the order of ids.</summary>
    public static bool operator <(EntryId a, EntryId b) => a.CompareTo(b) < 0;

    /// <summary>Later in the order of ids.</summary>
    public static bool operator >(EntryId a, EntryId b) => a.CompareTo(b) > 0;

    /// <summary>Not later.</summary>
    public static bool operator <=(EntryId a, EntryId b) => a.CompareTo(b) <= 0;

    /// <summary>Not earlier.</summary>
    public static bool operator >=(EntryId a, EntryId b) => a.CompareTo(b) >= 0;
}

/// <summary>What a run or a circuit was when it was pulled or landed, kept so that it can be told when the plan has it no more.</summary>
/// <param name="Name">Where it went: Kitchen counter 1 → Kitchen counter 2; or what the circuit feeds.</param>
/// <param name="What">The cable, 12-2; or the space, A14.</param>
/// <param name="Cut">Feet cut; zero for a circuit.</param>
public sealed record AsDone(string Name, string What, Length Cut);

/// <summary>One fact written down on site: appended, never changed. Taking a step back is another entry.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Subject">The run, box or circuit, by its lasting id.</param>
/// <param name="Step">What was done.</param>
/// <param name="At">When, by the clock of whoever wrote it.</param>
/// <param name="Received">When the server had it.</param>
/// <param name="Who">Who did it.</param>
/// <param name="Revision">The revision of the plan it was done by.</param>
public sealed record SiteEntry(EntryId Id, Subject Subject, SiteStep Step, Instant At, Instant Received, string Who,
    int Revision)
{
    /// <summary>How far a phone's clock may be ahead of the server's before the server's is believed: two minutes.</summary>
    public static TimeSpan ClockTolerance { get; } = TimeSpan.FromMinutes(2);

    /// <summary>Most characters of a note.</summary>
    public const int LongestNote = 400;

    /// <summary>Characters of the longest key of a line.</summary>
    public const int LongestLine = 60;

    /// <summary>The line of the walk that it is about, by its key; empty for everything else.</summary>
    public string Line { get; init; } = "";

    /// <summary>Fingerprint of the photograph that was taken; null for everything else.</summary>
    public string? Photograph { get; init; }

    /// <summary>Anything else worth a word; may be empty.</summary>
    public string Note { get; init; } = "";

    /// <summary>The entry that this one takes back; null for one that says that something is done.</summary>
    public EntryId? TakesBack { get; init; }

    /// <summary>What it was by the plan of that revision; null on an entry that takes back, and for a box.</summary>
    public AsDone? As { get; init; }

    /// <summary>What was really used of the cable; null where nobody measured.</summary>
    public Length? Used { get; init; }

    /// <summary>The reel it was cut from, as it is marked; null where nobody said.</summary>
    public string? Reel { get; init; }

    /// <summary>What a tester showed; null for everything else.</summary>
    public TestReading? Reading { get; init; }

    /// <summary>When it was done: as the phone says, but never later than the server had it.</summary>
    public Instant When => IsAhead ? Received : At;

    /// <summary>The clock it was written by is ahead of the server's: what it says cannot be.</summary>
    public bool IsAhead => At > Received.After(ClockTolerance);
}
