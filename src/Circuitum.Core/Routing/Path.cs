using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The kind of space a cable runs in.</summary>
public enum Space
{
    /// <summary>Up or down a stud bay.</summary>
    StudBay,

    /// <summary>Along a wall through bored studs.</summary>
    Studs,

    /// <summary>In a chase of an insulated panel.</summary>
    Chase,

    /// <summary>Along or across the joists of a floor or ceiling.</summary>
    Joists,

    /// <summary>In an attic.</summary>
    Attic,

    /// <summary>In the ground.</summary>
    Trench,

    /// <summary>In a pipe in a slab or in the fill under it.</summary>
    Slab,
}

/// <summary>A straight piece of a path.</summary>
/// <param name="Space">Where it runs.</param>
/// <param name="From">Begins.</param>
/// <param name="To">Ends.</param>
/// <param name="Ambient">Of that space.</param>
public sealed record PathLeg(Space Space, Point3 From, Point3 To, Celsius Ambient)
{
    /// <summary>Its length.</summary>
    public Length Run => (From.X == To.X ? 0 : 1) + (From.Y == To.Y ? 0 : 1) + (From.Z == To.Z ? 0 : 1) > 1 ? From.StraightTo(To)
        : From.SquareTo(To);
}

/// <summary>The kind of member bored.</summary>
public enum MemberKind
{
    /// <summary>A stud.</summary>
    Stud,

    /// <summary>A joist.</summary>
    Joist,

    /// <summary>A top or sole plate.</summary>
    Plate,

    /// <summary>An access hole where the chases of two insulated panels meet.</summary>
    Corner,
}

/// <summary>Where a member is bored: cables that pass the same member at the same place can share its holes.</summary>
/// <param name="Kind">Stud, joist, plate.</param>
/// <param name="Structure">Building.</param>
/// <param name="Level">Level of a wall; number of a floor for joists.</param>
/// <param name="Member">Wall for studs and plates, joist number for joists.</param>
/// <param name="Number">Stud or bay number; lane along a joist, in 16 in steps.</param>
/// <param name="Top">A top plate, not a sole plate.</param>
public readonly record struct Spot(MemberKind Kind, int Structure, int Level, int Member, int Number, bool Top) : IComparable<Spot>
{
    /// <inheritdoc/>
    public int CompareTo(Spot other) => Structure != other.Structure ? Structure.CompareTo(other.Structure) : Level != other.Level
        ? Level.CompareTo(other.Level) : Kind != other.Kind ? ((int)Kind).CompareTo((int)other.Kind)
        : Member != other.Member ? Member.CompareTo(other.Member) : Number != other.Number ? Number.CompareTo(other.Number)
        : Top.CompareTo(other.Top);

    /// <summary>plate over bay 4 of wall 12, stud 7 of wall 3, joist 9.</summary>
    public override string ToString() => Kind switch
    {
        MemberKind.Plate => $"{(Top ? "top" : "sole")} plate, bay {Number + 1} of wall {Member + 1}",
        MemberKind.Corner => $"corner access at {(Number == 0 ? "the start" : "the end")} of wall {Member + 1}",
        MemberKind.Stud => $"stud {Number} of wall {Member + 1}",
        _ => $"joist {Member}, lane {Number}",
    };
}

/// <summary>One passage of a cable through a member.</summary>
/// <param name="Spot">Which member, where.</param>
/// <param name="At">The place.</param>
/// <param name="Sealed">Closed with caulk or foam, or in an insulated wall, so that 334.80 counts its cables.</param>
/// <param name="Ambient">Of the warmer side.</param>
public sealed record Passage(Spot Spot, Point3 At, bool Sealed, Celsius Ambient);

/// <summary>A way through the frame.</summary>
/// <param name="Legs">Straight pieces from end to end.</param>
/// <param name="Passages">Members bored.</param>
/// <param name="Cost">Footage and labour.</param>
/// <param name="Blocked">An obstruction could not be gone around.</param>
public sealed record Way(ImmutableArray<PathLeg> Legs, ImmutableArray<Passage> Passages, Length Cost, bool Blocked)
{
    /// <summary>Measured along the path.</summary>
    public Length Measured => Legs.Select(l => l.Run).Total();

    /// <summary>Its pieces that lie level in a slab.</summary>
    public IEnumerable<PathLeg> InSlab => Legs.Where(l => l.Space == Space.Slab && l.From.Z == l.To.Z);

    /// <summary>How far its pipe in a slab turns: up at either end, and at every corner between; 0 without one.</summary>
    public int SlabDegrees => InSlab.Count() is > 0 and var pieces ? (pieces + 1) * 90 : 0;

    /// <summary>Its bends as a plan shows them, both ends with them: what goes up or down is one place.</summary>
    /// <param name="end">Where it ends when it has no leg.</param>
    public IEnumerable<Point> OnPlan(Point end)
    {
        var points = Legs.Select(l => l.From.Plan).Append(Legs.IsEmpty ? end : Legs[^1].To.Plan).ToList();
        return points.Where((p, i) => i == 0 || p != points[i - 1]);
    }
}
