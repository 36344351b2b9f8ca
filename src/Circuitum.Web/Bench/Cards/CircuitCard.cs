using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench.Cards;

/// <summary>What the card of a circuit says and offers; the page only lays it out.</summary>
/// <param name="Landed">The circuit in its space.</param>
/// <param name="Facts">Its head, line by line.</param>
/// <param name="Spares">What could still be put on it, rule by rule.</param>
/// <param name="Others">Circuits that a box of it can be moved to.</param>
/// <param name="HeldBoxes">Boxes that a person holds on it.</param>
public sealed record CircuitCard(Landed Landed, ImmutableArray<CardFact> Facts, ImmutableArray<Spare> Spares, IReadOnlyList<Landed> Others,
    int HeldBoxes)
{
    /// <summary>The panel it is held in.</summary>
    public PanelPin? PinnedPanel { get; private init; }

    /// <summary>The breaker it is held to.</summary>
    public BreakerPin? PinnedBreaker { get; private init; }

    /// <summary>The conductor it is held to.</summary>
    public CablePin? PinnedCable { get; private init; }

    /// <summary>The space it is held in.</summary>
    public SpacePin? PinnedSpace { get; private init; }

    /// <summary>The other circuit that it is put together with, or kept apart from.</summary>
    public TogetherPin? PinnedTogether { get; private init; }

    /// <summary>Circuits that may come in one cable with it: of its panel and of one pole, as it is.</summary>
    public ImmutableArray<Landed> Companions { get; private init; } = [];

    /// <summary>The card of the circuit that is selected.</summary>
    public static CircuitCard Of(BenchView view)
    {
        var landed = view.Circuit!;
        var (key, pins) = (landed.Key, view.Plan.Job.Pins);
        var spares = Headroom.On(landed.Wired.Circuit, landed.Breaker, view.Plan.Book,
            landed.Boxes.Select(b => view.Plan.Survey[b].Room.Room.Id).Distinct().Count());
        return new(landed, [.. FactsOf(view, landed, spares)], spares,
            [.. view.Plan.Panels.SelectMany(p => p.Circuits).Where(c => c.Kind != CircuitKind.Feeder && c != landed)],
            pins.Boxes.Count(p => p.Circuit == key))
        {
            PinnedPanel = pins.Panels.FirstOrDefault(p => p.Circuit == key),
            PinnedBreaker = pins.Breakers.FirstOrDefault(p => p.Circuit == key),
            PinnedCable = pins.Cables.FirstOrDefault(p => p.Circuit == key),
            PinnedSpace = pins.Spaces.FirstOrDefault(p => p.Circuit == key),
            PinnedTogether = pins.Together.FirstOrDefault(p => p.Has(key)),
            Companions = Multiwire.MayShare(landed.Wired.Circuit) ? [.. view.Plan.Panels.SelectMany(p => p.Circuits).Where(c => c != landed
                && Multiwire.MayShare(c.Wired.Circuit) && c.Panel == landed.Panel)] : [],
        };
    }

    private static IEnumerable<CardFact> FactsOf(BenchView view, Landed landed, ImmutableArray<Spare> spares)
    {
        var (circuit, sized, load, measure) = (landed.Wired.Circuit, landed.Sized, landed.Load, view.Plan.Job.Schools.Measure);
        var feeder = circuit.Kind == CircuitKind.Feeder;
        yield return new("Breaker", $"{landed.Breaker}, {(circuit.Poles == 2 ? "two poles" : "one pole")}"
            + $"{(landed.Mark.Length > 0 ? ", " + landed.Mark : "")}");
        if (circuit.SharesNeutralWith is { } partner && view.Plan.Landed(partner) is { } leg)
        {
            yield return new("Shares its neutral", $"circuit {leg.SpaceText}")
            {
                Before = "with ",
                To = Subject.Circuit(partner),
                After = ", opened together",
            };
        }

        yield return new("Cable", $"{sized.Cable}, home run {sized.Routed.HomeRun?.Length.Value.Cut(measure)}");
        if (sized.Pipe is { } pipe)
        {
            yield return new("In", $"{pipe.Raceway.Pipe.Id}, {pipe.Size.Value}") { To = Subject.Run(sized.Routed.HomeRun!.Id) };
        }

        yield return new("Load", $"{load.Current} of {landed.Breaker.Figure}"
            + $"{(feeder ? "" : $", {new Percent(load.Required.Value / landed.Breaker.Value * 100)} filled")}");
        if (!feeder && load.Required != load.Current)
        {
            yield return new("Sized for", load.Required.ToString());
        }

        if (!feeder && load.Items.Length > 1 && Headroom.Largest(load) is { } largest)
        {
            yield return new("Largest", $"{largest.Load}, {largest.Name}");
        }

        if (Headroom.Most(spares) is { } most)
        {
            yield return new("Room for", most.ToString());
        }

        if (view.Box is { } chosen && landed.Wired.Outlets.ContainsKey(chosen.Box.Id))
        {
            yield return new("Resets at", view.ResetOf(chosen.Box.Id));
        }

        var far = sized.VoltsAt.Count > 0 ? sized.VoltsAt.Values.Min() : sized.VoltsAtPanel - (landed.Wired.Drop * sized.VoltsAtPanel);
        yield return new("Far end", $"{far.Value.ToString("0.0", CultureInfo.InvariantCulture)} V · {landed.Wired.Drop}");
    }
}
