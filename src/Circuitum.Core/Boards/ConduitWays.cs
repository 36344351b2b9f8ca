using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What a stretch of conduit lies in.</summary>
public enum ConduitIn
{
    /// <summary>A chase in a block wall, up or down.</summary>
    Wall,

    /// <summary>The slab under the floor.</summary>
    SlabUnder,

    /// <summary>The slab over the ceiling.</summary>
    SlabOver,

    /// <summary>The ground, to another building.</summary>
    Ground,
}

/// <summary>A straight stretch of conduit.</summary>
/// <param name="In">What it lies in.</param>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends; of one in the ground in the other building's own frame.</param>
/// <param name="Long">Its length.</param>
public sealed record ConduitLeg(ConduitIn In, Point3 From, Point3 To, Length Long);

/// <summary>Conduit from one point to the next.</summary>
/// <param name="Structure">Building of its far end.</param>
/// <param name="Level">Storey of its far end.</param>
/// <param name="Legs">In the order from the near end; none where both are one place.</param>
public sealed record ConduitWay(int Structure, int Level, ImmutableArray<ConduitLeg> Legs)
{
    /// <summary>Altogether.</summary>
    public Length Length => Legs.Select(l => l.Long).Total();

    /// <summary>Changes of direction: what is drawn through pulls hard at each.</summary>
    public int Bends => Math.Max(0, Legs.Length - 1);
}

/// <summary>Ways of conduit through a house that is drawn, of block walls and slabs: up or down in a chase, straight through the slab
/// within the outline, and out again; to another building by its trench. Whichever slab makes the shorter way is taken; what hangs on a
/// ceiling is reached from the slab over it.</summary>
public sealed class ConduitWays
{
    private readonly FramedHouse house;
    private readonly Job job;
    private readonly CancellationToken gone;
    private readonly Dictionary<(int Structure, int Slab), SlabOutline> outlines = [];

    /// <summary>The ways of a house from its boards.</summary>
    /// <param name="house">The house.</param>
    /// <param name="job">Whose trenches join its buildings.</param>
    /// <param name="boards">Where its boards stand, the one that feeds the others first; at least one.</param>
    /// <param name="gone">Ends the search for ways: nobody waits for it any more.</param>
    public ConduitWays(FramedHouse house, Job job, ImmutableArray<Place> boards, CancellationToken gone = default)
    {
        (this.house, this.job, this.gone, Boards) = (house, job, gone, boards);
    }

    /// <summary>Where its boards stand, the one that feeds the others first.</summary>
    public ImmutableArray<Place> Boards { get; }

    /// <summary>The shortest way between two places.</summary>
    /// <exception cref="OperationCanceledException">The search was ended.</exception>
    public ConduitWay Between(Place from, Place to)
    {
        gone.ThrowIfCancellationRequested();
        if (from.Structure == to.Structure)
        {
            return new(to.Structure, to.Level, Slabs(from, to).Select(s => Through(from, to, s)).MinBy(l => l.Select(x => x.Long).Total()));
        }

        if (FeederRoute.Ends(from, to, house, job) is not { } ends)
        {
            return new(to.Structure, to.Level, [new(ConduitIn.Ground, from.At, to.At, from.At.SquareTo(to.At))]);
        }

        var ground = new ConduitLeg(ConduitIn.Ground, ends.Exit.At, ends.Entry.At, ends.Long + (ends.Trench.Depth * 2));
        return new(to.Structure, to.Level, [.. Between(from, ends.Exit).Legs, ground, .. Between(ends.Entry, to).Legs]);
    }

    /// <summary>The ways of a circuit as it is laid, from the board through its points; of a ring the last goes back.</summary>
    public IEnumerable<ConduitWay> Along(BoardCircuit circuit)
    {
        var board = Boards[circuit.Points[0].Of.Board];
        var at = board;
        foreach (var place in circuit.Points.Select(p => p.Point.At).OfType<Place>())
        {
            yield return Between(at, place);
            at = place;
        }

        if (circuit.Use == CircuitUse.Ring)
        {
            // Drawn where its last point is, not where the board is.
            yield return Between(at, board) with { Structure = at.Structure, Level = at.Level };
        }

        foreach (var drop in circuit.Drops)
        {
            yield return Between(drop.Lamp, drop.Switch);
        }
    }

    // Numbers of the slabs by which a way may go, 0 under the lowest floor. Between storeys only a chase in a wall goes on up or down.
    private IEnumerable<int> Slabs(Place from, Place to)
    {
        var all = Enumerable.Range(0, house.Structures[from.Structure].Levels.Length + 1);
        IEnumerable<int> Of(Place place, bool beyond) => place.Mount switch
        {
            Mount.Ceiling => [place.Level + 1],
            Mount.Floor => [place.Level],
            _ => beyond ? all : [place.Level, place.Level + 1],
        };
        var apart = from.Level != to.Level;
        var both = Of(from, apart).Intersect(Of(to, apart)).ToList();
        // A lamp to one of another storey, which the planner never asks for: by the slab over the lower one.
        return both.Count > 0 ? both : [Math.Min(from.Level, to.Level) + 1];
    }

    private ImmutableArray<ConduitLeg> Through(Place from, Place to, int slab)
    {
        var levels = house.Structures[from.Structure].Levels;
        var z = slab == levels.Length ? levels[^1].Ceiling : levels[slab].Floor;
        var way = OutlineOf(from.Structure, slab).Way(from.At.Plan, to.At.Plan);
        var lies = slab > to.Level ? ConduitIn.SlabOver : ConduitIn.SlabUnder;
        return
        [
            .. new[] { new ConduitLeg(ConduitIn.Wall, from.At, from.At.Plan.At(z), (from.At.Z - z).Abs()) }
                .Concat(way.Zip(way.Skip(1), (a, b) => new ConduitLeg(lies, a.At(z), b.At(z), SlabOutline.Straight(a, b))))
                .Append(new(ConduitIn.Wall, to.At.Plan.At(z), to.At, (to.At.Z - z).Abs())).Where(l => l.Long > Length.Zero),
        ];
    }

    private SlabOutline OutlineOf(int structure, int slab)
    {
        if (!outlines.TryGetValue((structure, slab), out var found))
        {
            var levels = house.Structures[structure].Levels;
            outlines[(structure, slab)] = found = new(levels.Where((_, i) => i == slab || i == slab - 1).SelectMany(l => l.Rooms)
                .Select(r => r.Room.Corners), gone);
        }

        return found;
    }
}
