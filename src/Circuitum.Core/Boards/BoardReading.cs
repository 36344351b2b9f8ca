using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Rules.Gulf;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What a tester showed, and what it says of the circuit it was held to.</summary>
public static class BoardReading
{
    /// <summary>Longest text of a reading.</summary>
    public const int Longest = 60;

    /// <summary>What is typed for a test, and an example of it; null for a step that shows nothing.</summary>
    public static (string Asks, string Example)? Of(BoardStep step) => step switch
    {
        BoardStep.Continuity => ("ohms, or open", "0.24"),
        BoardStep.Insulation => ("megohms", "200"),
        BoardStep.Ends => ("phase, neutral, earth", "0.18, 0.18, 0.19"),
        BoardStep.Trips => ("milliseconds, or holds", "24"),
        _ => null,
    };

    /// <summary>The protective conductor from the board to the farthest point, as planned: of a ring a quarter of its ends, for both ways
    /// go side by side.</summary>
    public static Ohms Planned(SizedWay way) => way.RingEnds is { } ends ? new(ends.Earth.Value / 4)
        : MetricConductors.Resistance(way.Earth, way.Circuit.Conduit);

    /// <summary>The protective conductor of a feeder, as planned.</summary>
    public static Ohms Planned(Feeder feeder) => MetricConductors.Resistance(feeder.Earth, feeder.Length);

    /// <summary>What is wrong with a feeder by this reading; nothing where it is as it should be.</summary>
    /// <exception cref="FormatException">It is no reading of this test; the message says what is.</exception>
    public static ImmutableArray<string> Wrong(Feeder feeder, BoardStep step, string text) => Wrong(step, Planned(feeder), null, text);

    /// <summary>What is wrong by this reading; nothing where it is as it should be.</summary>
    /// <param name="step">The test.</param>
    /// <param name="way">The circuit; null for a residual-current device.</param>
    /// <param name="text">What was typed.</param>
    /// <exception cref="FormatException">It is no reading of this test; the message says what is.</exception>
    public static ImmutableArray<string> Wrong(BoardStep step, SizedWay? way, string text) =>
        Wrong(step, way is null ? null : Planned(way), way?.RingEnds, text);

    // A ring that became a radial since has no ends to hold a reading to.
    private static ImmutableArray<string> Wrong(BoardStep step, Ohms? earth, (Ohms Phase, Ohms Earth)? ends, string text) => step switch
    {
        BoardStep.Continuity when earth is { } planned => Continuity(text, planned),
        BoardStep.Insulation => Insulation(text),
        BoardStep.Ends when ends is { } planned => RingReading.Parse(text).Wrong(planned.Phase, planned.Earth),
        BoardStep.Trips => Trips(text),
        _ => [],
    };

    private static ImmutableArray<string> Continuity(string text, Ohms planned) =>
        text.Equals("open", StringComparison.OrdinalIgnoreCase)
            ? ["the protective conductor does not come back: what should be dead metal could stay live. Nothing of it is used before it "
                + "does"]
        : Number(text, "ohms of the protective conductor", "0.24, or open") is var ohms && RingReading.IsMore(new(ohms), planned)
            ? [$"the protective conductor reads {new Ohms(ohms)} where {planned} is planned: a loose joint, or more conduit than was drawn"]
        : [];

    private static ImmutableArray<string> Insulation(string text) =>
        Number(text.TrimStart('>', ' '), "megohms", "200, or >999") is var megohms && megohms < MetricRules.LeastInsulation
            ? [$"{megohms.ToString("0.###", CultureInfo.InvariantCulture)} MΩ, and {MetricRules.LeastInsulation} is the least "
                + $"({MetricRules.Cite(MetricRule.Insulation)}): unplug all it feeds and try again; then part it in the middle"] : [];

    private static ImmutableArray<string> Trips(string text) => text.Equals("holds", StringComparison.OrdinalIgnoreCase)
        ? ["the device does not open: it is off until it is replaced"]
        : Number(text, "milliseconds", "24, or holds") is var ms && ms > MetricRules.LongestTrip
            ? [$"it opens in {ms.ToString("0.#", CultureInfo.InvariantCulture)} ms, {MetricRules.LongestTrip} at most "
                + $"({MetricRules.Cite(MetricRule.TripTime)}): replace it"] : [];

    private static decimal Number(string text, string what, string example) =>
        decimal.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number) && number < 100_000 ? number
            : throw new FormatException($"“{(text.Length > 40 ? text[..40] + "…" : text)}” are no {what}; write it like {example}.");
}
