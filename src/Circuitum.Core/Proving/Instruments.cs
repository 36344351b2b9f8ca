using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Proving;

/// <summary>What is held to the wires: small stand-ins of our own, of no make.</summary>
public enum Instrument
{
    /// <summary>A meter on volts.</summary>
    Volts,

    /// <summary>A tester of two poles that draws a little current, so that what only floats does not show.</summary>
    TwoPole,

    /// <summary>A pen that glows beside what is live.</summary>
    Contactless,

    /// <summary>A meter on ohms, on a circuit that is off.</summary>
    Ohms,

    /// <summary>A tone sent into a conductor that is off, and listened for.</summary>
    Toner,
}

/// <summary>What an instrument shows.</summary>
/// <param name="Shows">In words, with its figure.</param>
/// <param name="Caution">What to mind with it.</param>
/// <param name="Refused">It was not put there, because that would hurt.</param>
public sealed record Reading(string Shows, string Caution, bool Refused = false);

/// <summary>Puts instruments to the wires of a house as it stands.</summary>
public static class Instruments
{
    // A meter's ohms are not for what is live; so little is induced or left over.
    private static readonly Volts Dead = new(1);

    // A pen glows from about there.
    private static readonly Volts Glows = new(50);

    // A tester of two poles draws some milliamperes, typically.
    private static readonly Ohms TwoPoleOhms = new(30_000);

    // A continuity tester sounds below that, typically.
    private static readonly Ohms Sounds = new(30);

    /// <summary>Reads an instrument.</summary>
    /// <param name="house">The wiring.</param>
    /// <param name="settled">The house as it stands.</param>
    /// <param name="circuit">The circuit that the leads are on.</param>
    /// <param name="instrument">Which.</param>
    /// <param name="one">Where its one lead is.</param>
    /// <param name="other">Where its other lead is; not used by a pen or a tone.</param>
    public static Reading Read(HouseNetwork house, Settled settled, CircuitKey circuit, Instrument instrument, Probe one, Probe other)
    {
        switch (instrument)
        {
            case Instrument.Volts:
                return new($"{Of(settled.Energy.Between(one, other)).Value.ToString("0.0", CultureInfo.InvariantCulture)} V",
                    "Prove the meter on a live source before and after. It shows what floats as well: some volts on a wire that hangs free "
                    + "prove nothing.");
            case Instrument.TwoPole:
                var loaded = house.Solve(settled.State with { Probed = new(one, other, TwoPoleOhms) }, circuit);
                return new(Lamps(Of(loaded.Between(one, other)), house.Plan.Book.Supply),
                    "Prove it on a live source before and after. By its little current a "
                    + "ground-fault device may open.");
            case Instrument.Contactless:
                return new(Of(settled.Energy.ToEarth(one)) > Glows ? "It glows: live." : "It is silent.",
                    "Silence proves nothing: a dead battery, a metal box or a shield is silent too. It tells nothing of neutral or "
                        + "ground.");
            case Instrument.Ohms:
                return Refusal(settled, one, other) ?? new(house.Resistance(settled.State, circuit, one, other) is { } ohms
                    ? $"{Shown(ohms)}{(ohms.Value < Sounds.Value ? ", and it sounds" : "")}" : "Beyond its range: nothing joins them.",
                    "Only on what is off and proved dead. What is joined elsewhere, a lamp or the panel's bond, reads along.");
            default:
                return Refusal(settled, one, one) ?? new(Heard(house, settled, circuit, one), "Only on what is off and proved dead. It is "
                    + "heard faintly along cables that lie beside: go by the loudest.");
        }
    }

    private static Volts Of(Volts? volts) => volts ?? new(0);

    private static Reading? Refusal(Settled settled, Probe one, Probe other) =>
        Of(settled.Energy.ToEarth(one)) > Dead || Of(settled.Energy.ToEarth(other)) > Dead
            ? new("Not there: it is live. Open the breaker, lock it, and prove it dead first.",
                "Ohms or a tone on a live conductor destroy the instrument and can hurt whoever holds it.", Refused: true)
            : null;

    // Its lamps are for a leg and for two; below them one that says that something is there.
    private static string Lamps(Volts volts, SupplySystem supply) => (volts.Value / supply.ToNeutral.Value) switch
    {
        < 0.05m => "No lamp: dead, as far as it tells.",
        < 0.75m => $"The lowest lamp, less than {supply.ToNeutral}: look for what is lost.",
        < 1.5m => $"The lamp of {supply.ToNeutral}.",
        _ => $"The lamp of {supply.Between}: two legs.",
    };

    private static string Shown(Ohms ohms) => ohms.Value switch
    {
        < 1000 => ohms.Value.ToString("0.0", CultureInfo.InvariantCulture) + " Ω",
        < 1_000_000 => (ohms.Value / 1000).ToString("0.0", CultureInfo.InvariantCulture) + " kΩ",
        _ => (ohms.Value / 1_000_000).ToString("0.0", CultureInfo.InvariantCulture) + " MΩ",
    };

    private static string Heard(HouseNetwork house, Settled settled, CircuitKey circuit, Probe one)
    {
        ImmutableArray<PlacedBox> boxes = [.. house.Circuit(circuit).Circuit.Boxes.Select(b => house.Plan.Survey[b])];
        var heard = boxes.Where(b => house.Wirings(circuit).First(w => w.Box == b.Box.Id).Cables
            .SelectMany(c => Wiring.Conductor.In(c.Run).Select(w => new Probe.AtEnd(b.Box.Id, c.Run.Id, w.Colour)))
            .Any(p => house.Resistance(settled.State, circuit, one, p) is { } ohms && ohms.Value < Sounds.Value)).Select(b => b.Name)
                .ToList();
        return heard.Count == 0 ? "It is heard nowhere." : $"It is heard at {string.Join(", ", heard)}.";
    }
}
