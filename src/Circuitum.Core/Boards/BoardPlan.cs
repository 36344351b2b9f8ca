using System.Collections.Immutable;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>A circuit on a board.</summary>
/// <param name="Number">Its first way, counted from 1 over the board.</param>
/// <param name="Phase">1, 2 or 3; 0 where it takes all three.</param>
/// <param name="Sized">The circuit, its breaker and conductors.</param>
public sealed record BoardWay(int Number, int Phase, SizedWay Sized)
{
    /// <summary>As it is written on the board: 7, or 7–9.</summary>
    public string Numbers => Sized.Rated.Poles == 1 ? $"{Number}" : $"{Number}–{Number + Sized.Rated.Poles - 1}";

    /// <summary>L2, or L1 L2 L3.</summary>
    public string Phases => Phase == 0 ? "L1 L2 L3" : $"L{Phase}";

    /// <summary>What it feeds.</summary>
    public BoardCircuit Circuit => Sized.Circuit;
}

/// <summary>Bars behind one residual-current device.</summary>
/// <param name="Letter">A, B, … over the board.</param>
/// <param name="Milliamps">What it opens at.</param>
/// <param name="Rating">What it may carry.</param>
/// <param name="Why">Why these circuits are behind one.</param>
/// <param name="Ways">In the order of their numbers; at least one.</param>
public sealed record BoardSection(char Letter, int Milliamps, Figure<Amps> Rating, Because Why, ImmutableArray<BoardWay> Ways);

/// <summary>What feeds a board behind a sub-main.</summary>
/// <param name="Breaker">Its rating.</param>
/// <param name="Size">Phases and neutral.</param>
/// <param name="Earth">The protective conductor.</param>
/// <param name="Length">Conduit.</param>
/// <param name="Drop">Lost on it.</param>
/// <param name="Conduit">Outside in mm; null where none kept here is large enough.</param>
/// <param name="Refused">Why it cannot be pulled so; empty where it can.</param>
public sealed record Feeder(Figure<Amps> Breaker, Figure<SquareMillimetres> Size, SquareMillimetres Earth, Length Length, Percent Drop,
    int? Conduit, string Refused);

/// <summary>Power over the phases of a board.</summary>
/// <param name="Connected">By phase: three, or one.</param>
/// <param name="Running">Of them at once, by the demand that was typed.</param>
/// <param name="Neutral">Current in the neutral while all of that runs, at a power factor of one.</param>
/// <param name="Proven">No placing of these circuits has a smaller difference between the fullest phase and the emptiest.</param>
public sealed record PhaseLoads(ImmutableArray<Watts> Connected, ImmutableArray<Watts> Running, Amps Neutral, bool Proven)
{
    /// <summary>What the fullest phase brings to the incomer.</summary>
    public Watts Fullest => Running.Max();

    /// <summary>Between the fullest and the emptiest.</summary>
    public Watts Spread => new(Running.Max().Value - Running.Min().Value);

    /// <summary>All phases together, connected.</summary>
    public Watts Whole => Connected.Total();

    /// <summary>Value equality over the phases.</summary>
    public bool Equals(PhaseLoads? other) => other is not null && Connected.SequenceEqual(other.Connected)
        && Running.SequenceEqual(other.Running) && Neutral == other.Neutral && Proven == other.Proven;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Whole, Spread);
}

/// <summary>A board as it stands.</summary>
/// <param name="Name">Board A.</param>
/// <param name="Serves">What it is for, in words.</param>
/// <param name="Incomer">Rating of its isolating breaker.</param>
/// <param name="Sections">Behind their residual-current devices.</param>
/// <param name="Loads">Over the phases.</param>
/// <param name="Holds">Ways that a board of this size has; as many as are used where none is larger.</param>
/// <param name="Feeder">What feeds it behind a sub-main; null where it is the only one.</param>
/// <param name="Split">Why there is more than one board; null where there is not.</param>
public sealed record MetricBoard(string Name, string Serves, Figure<Amps> Incomer, ImmutableArray<BoardSection> Sections, PhaseLoads Loads,
    int Holds, Feeder? Feeder, Because? Split)
{
    /// <summary>Which of the places where boards stand it stands in, from 0.</summary>
    public int Stand { get; init; }

    /// <summary>Every way, in the order of their numbers.</summary>
    public IEnumerable<BoardWay> Ways => Sections.SelectMany(s => s.Ways);

    /// <summary>Ways that are taken.</summary>
    public int Used => Ways.Sum(w => w.Sized.Rated.Poles);

    /// <summary>Lost to a point behind it, of the supply's volts, with what its feeder loses.</summary>
    public Percent DropTo(BoardWay way) => way.Sized.Drop + (Feeder?.Drop ?? new(0));
}

/// <summary>The board that feeds the others.</summary>
/// <param name="Incomer">Its breaker.</param>
/// <param name="Loads">Of all boards.</param>
/// <param name="Refused">Why it cannot be; empty where it can.</param>
public sealed record SubMainBoard(Figure<Amps> Incomer, PhaseLoads Loads, string Refused);

/// <summary>A point list planned: boards, what feeds them, and what was found.</summary>
/// <param name="Brief">What it was planned from.</param>
/// <param name="Boards">At least one.</param>
/// <param name="SubMain">What feeds them where there are several; null else.</param>
public sealed record BoardPlan(BoardBrief Brief, ImmutableArray<MetricBoard> Boards, SubMainBoard? SubMain)
{
    /// <summary>Poles of a device ahead of all phases with the neutral: 4, or 2.</summary>
    public int WholePoles => Brief.Fed.ThreePhase ? 4 : 2;

    /// <summary>All that is connected.</summary>
    public Watts Connected => Boards.Select(b => b.Loads.Whole).Total();
}
