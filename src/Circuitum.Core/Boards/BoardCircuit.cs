using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What a circuit is for, in the order in which a board carries them.</summary>
public enum CircuitUse
{
    /// <summary>Lamps of rooms.</summary>
    Lighting,

    /// <summary>Lamps of a garden.</summary>
    GardenLighting,

    /// <summary>Sockets fed from both ends.</summary>
    Ring,

    /// <summary>Sockets in a row.</summary>
    Radial,

    /// <summary>One socket of 15 A.</summary>
    Socket15,

    /// <summary>One water heater.</summary>
    WaterHeater,

    /// <summary>One piece of equipment.</summary>
    Fixed,

    /// <summary>One cooker.</summary>
    Cooker,

    /// <summary>Cooling units of one room.</summary>
    Cooling,
}

/// <summary>A point with its number: the room's, and its own in the room.</summary>
/// <param name="Room">Number of the room, from 1.</param>
/// <param name="Number">Number in the room, from 1.</param>
/// <param name="Of">The room.</param>
/// <param name="Point">What stands there.</param>
public sealed record BoardPoint(int Room, int Number, BriefRoom Of, BriefPoint Point)
{
    /// <summary>As it is written on the box and the schedule: 3.2.</summary>
    public string Mark => $"{Room}.{Number}";
}

/// <summary>Conduit from the nearest lamp of a circuit to a switch that works lamps of it.</summary>
/// <param name="Lamp">Where it leaves.</param>
/// <param name="Switch">Where the switch stands.</param>
/// <param name="Name">As its box is called.</param>
/// <param name="Wires">Singles in it, the protective conductor not counted: the phase, one back for each gang, and two more for a gang that
/// works with another switch.</param>
/// <param name="Long">Its length.</param>
public sealed record SwitchDrop(Place Lamp, Place Switch, string Name, int Wires, Length Long);

/// <summary>The points that one breaker feeds, and the conduit between them.</summary>
/// <param name="Use">What for.</param>
/// <param name="Points">In the order in which the conduit passes them; at least one.</param>
/// <param name="Legs">Conduit to each of them from the one before, the first from the board; a ring has one more, back to it.</param>
public sealed record BoardCircuit(CircuitUse Use, ImmutableArray<BoardPoint> Points, ImmutableArray<Length> Legs)
{
    /// <summary>Conduit from its lamps to their switches, where the house is drawn.</summary>
    public ImmutableArray<SwitchDrop> Drops { get; init; } = [];

    /// <summary>What its points draw together.</summary>
    public Watts Watts => Points.Select(p => p.Point.Watts).Total();

    /// <summary>It takes all three phases.</summary>
    public bool ThreePhase => Points[0].Point.ThreePhase;

    /// <summary>Conduit from point to point.</summary>
    public Length Conduit => Legs.Total();

    /// <summary>Conduit altogether, to the switches too.</summary>
    public Length WithDrops => Conduit + Drops.Select(d => d.Long).Total();

    /// <summary>The rooms it feeds, each once.</summary>
    public IEnumerable<string> Rooms => Points.Select(p => p.Of.Name).Distinct();

    /// <summary>Its points as they are written on boxes, those in a row together: 3.1–3.7 4.2.</summary>
    public string Marks
    {
        get
        {
            var said = new List<string>();
            var marked = Points.OrderBy(p => p.Room).ThenBy(p => p.Number).ToList();
            for (var i = 0; i < marked.Count;)
            {
                var to = i;
                while (to + 1 < marked.Count && marked[to + 1].Room == marked[i].Room && marked[to + 1].Number == marked[to].Number + 1)
                {
                    to++;
                }

                said.Add(to == i ? marked[i].Mark : $"{marked[i].Mark}–{marked[to].Mark}");
                i = to + 1;
            }

            return string.Join(' ', said);
        }
    }

    /// <summary>What reduces it.</summary>
    public DemandGroup Group => Use switch
    {
        CircuitUse.Lighting or CircuitUse.GardenLighting => DemandGroup.Lighting,
        CircuitUse.Ring or CircuitUse.Radial or CircuitUse.Socket15 => DemandGroup.Sockets,
        CircuitUse.WaterHeater => DemandGroup.Water,
        CircuitUse.Cooker => DemandGroup.Cooking,
        CircuitUse.Cooling => DemandGroup.Cooling,
        _ => DemandGroup.Other,
    };

    /// <summary>What it is, in words: ring of 7 sockets.</summary>
    public string Words => Use switch
    {
        CircuitUse.Lighting => Points.Length == 1 ? "lighting, 1 point" : $"lighting, {Points.Length} points",
        CircuitUse.GardenLighting => Points.Length == 1 ? "garden lighting, 1 point" : $"garden lighting, {Points.Length} points",
        CircuitUse.Ring => $"ring of {Points.Length} sockets",
        CircuitUse.Radial => Points.Length == 1 ? "1 socket" : $"radial of {Points.Length} sockets",
        CircuitUse.Cooling => Points.Length == 1 ? "split unit" : $"{Points.Length} split units",
        _ => Points[0].Point.Name,
    };

    /// <summary>Value equality over the points and legs, so that plans can be compared.</summary>
    public bool Equals(BoardCircuit? other) => other is not null && Use == other.Use && Points.SequenceEqual(other.Points)
        && Legs.SequenceEqual(other.Legs) && Drops.SequenceEqual(other.Drops);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Use, Points.Length, Points[0].Mark);
}

/// <summary>How a breaker trips on a surge.</summary>
public enum Curve
{
    /// <summary>At three to five times its rating: lamps, sockets, heaters.</summary>
    B,

    /// <summary>At five to ten times: motors and compressors that start.</summary>
    C,
}

/// <summary>A circuit with its breaker.</summary>
/// <param name="Circuit">What it feeds.</param>
/// <param name="Current">What it draws (Ib).</param>
/// <param name="Breaker">Its rating (In).</param>
/// <param name="Poles">Of its breaker, which are the ways it takes: 1 to 4, the fourth for the neutral.</param>
/// <param name="Curve">How it trips.</param>
/// <param name="Refused">Why it may not be built so; empty where it may.</param>
public sealed record RatedCircuit(BoardCircuit Circuit, Amps Current, Figure<Amps> Breaker, int Poles, Curve Curve, string Refused);

/// <summary>A circuit with its breaker and conductors.</summary>
/// <param name="Rated">The circuit and its breaker.</param>
/// <param name="Size">Phase and neutral.</param>
/// <param name="Earth">The protective conductor.</param>
/// <param name="Carries">What the conductor carries where it lies (Iz).</param>
/// <param name="Drop">Lost to its farthest point behind this board, of the supply's volts.</param>
/// <param name="Conduit">Outside of its conduit in mm; null where none kept here is large enough.</param>
/// <param name="Refused">Why it cannot be pulled so; empty where it can.</param>
public sealed record SizedWay(RatedCircuit Rated, Figure<SquareMillimetres> Size, SquareMillimetres Earth, Amps Carries, Percent Drop,
    int? Conduit, string Refused)
{
    /// <summary>The circuit.</summary>
    public BoardCircuit Circuit => Rated.Circuit;

    /// <summary>The rating of its breaker.</summary>
    public Amps Rating => Rated.Breaker.Value;

    /// <summary>Ends of a ring's conductors as they are measured before it is joined, one phase and the protective conductor; null for what
    /// is no ring. A ring that is cut reads no end.</summary>
    public (Ohms Phase, Ohms Earth)? RingEnds { get; init; }

    /// <summary>Ib ≤ In ≤ Iz in amperes; a ring shares its breaker's current between both ends: 12.2 ≤ 32, 20 ≤ 25.3 each way.</summary>
    public string Compared
    {
        get
        {
            string Tenths(Amps amps) => amps.Value.ToString("0.#", CultureInfo.InvariantCulture);
            return Circuit.Use == CircuitUse.Ring
                ? $"{Tenths(Rated.Current)} ≤ {Rating.Figure}, {Tenths(EachWay)} ≤ {Tenths(Carries)} each way"
                : $"{Tenths(Rated.Current)} ≤ {Rating.Figure} ≤ {Tenths(Carries)}";
        }
    }

    /// <summary>What its conductor must carry: its breaker, and in a ring the larger share that goes one way.</summary>
    public required Amps EachWay { get; init; }

    /// <summary>Boxes to draw in from beside those of the points.</summary>
    public required int DrawBoxes { get; init; }
}
