using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>A ring's ends as they are measured before it is joined, end to end: phase, neutral, protective conductor. A ring that is cut is
/// dead nowhere, so only ohms find it.</summary>
/// <param name="Phase">Null where the tester reads no end.</param>
/// <param name="Neutral">The same.</param>
/// <param name="Earth">The same.</param>
public sealed record RingReading(Ohms? Phase, Ohms? Neutral, Ohms? Earth)
{
    // A tester's leads and joints, and conduit that lies otherwise than planned.
    private const decimal Loose = 1.5m;
    private const decimal Short = .6m;
    private static readonly Ohms Leads = new(.05m);

    /// <summary>Reads three figures, or “open”, apart by commas: 0.18, 0.19, open.</summary>
    /// <exception cref="FormatException">It is no such thing; the message shows one.</exception>
    public static RingReading Parse(string text)
    {
        var parts = text.Split(',', StringSplitOptions.TrimEntries);
        return parts.Length == 3 && parts.All(IsReading) ? new(Ohm(parts[0]), Ohm(parts[1]), Ohm(parts[2]))
            : throw new FormatException($"“{(text.Length > 40 ? text[..40] + "…" : text)}” is no reading of a ring; write the ohms of "
                + "phase, neutral and earth, end to end: 0.18, 0.18, 0.19, and open where there is no end.");
    }

    /// <summary>What it says of a ring of this resistance; “as planned” where nothing is wrong.</summary>
    public ImmutableArray<string> Against(Ohms phase, Ohms earth) => Wrong(phase, earth) is { IsEmpty: false } found ? found
        : ["as planned: all three come back"];

    /// <summary>What is wrong with a ring of this resistance; nothing where all three come back.</summary>
    public ImmutableArray<string> Wrong(Ohms phase, Ohms earth) =>
        [.. new[] { ("phase", Phase, phase), ("neutral", Neutral, phase), ("earth", Earth, earth) }
            .Select(r => Says(r.Item1, r.Item2, r.Item3)).Where(s => s.Length > 0)];

    /// <summary>A reading says more than what was planned, its leads and the lie of the conduit allowed for.</summary>
    internal static bool IsMore(Ohms read, Ohms planned) => read.Value > (planned.Value * Loose) + Leads.Value;

    private static string Says(string name, Ohms? read, Ohms planned) => read is not { } ohms
        ? $"the {name} is cut: every socket still works, and one way carries what two should. Open the ring at its middle socket and "
            + "measure each half to the board; the half without an end has the cut"
        : IsMore(ohms, planned)
            ? $"the {name} reads {ohms} where {planned} is planned: a loose joint, or more conduit than was drawn"
        : ohms.Value + Leads.Value < planned.Value * Short
            ? $"the {name} reads {ohms} where {planned} is planned: joined across inside the ring, so that some "
                + "sockets hang on a shorter one"
        : "";

    private static bool IsReading(string text) => text.Equals("open", StringComparison.OrdinalIgnoreCase)
        || (decimal.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var ohms) && ohms < 10_000);

    private static Ohms? Ohm(string text) => text.Equals("open", StringComparison.OrdinalIgnoreCase) ? null
        : new Ohms(decimal.Parse(text, CultureInfo.InvariantCulture));
}
