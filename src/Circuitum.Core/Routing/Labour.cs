using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>What a hole or a turn costs beside footage, as the cable length a crew would rather pull than drill it.</summary>
public sealed record Labour
{
    /// <summary>As crews weigh it.</summary>
    public static Labour Usual { get; } = new()
    {
        Stud = Length.FromInches(6),
        Joist = Length.FromInches(8),
        Web = Length.FromInches(2),
        Board = Length.FromInches(3),
        Plate = Length.FromInches(12),
        Corner = Length.FromInches(18),
        Storey = Length.FromInches(36),
        Branch = Length.FromInches(24),
        Stub = Length.FromInches(96),
    };

    /// <summary>Footage alone: for a bound on it.</summary>
    public static Labour None { get; } = new();

    /// <summary>One bored stud.</summary>
    public Length Stud { get; init; }

    /// <summary>One bored joist.</summary>
    public Length Joist { get; init; }

    /// <summary>One open web that cable is threaded through.</summary>
    public Length Web { get; init; }

    /// <summary>One truss that cable lies across on a running board, stapled.</summary>
    public Length Board { get; init; }

    /// <summary>What one joist of a kind costs to cross.</summary>
    public Length Of(JoistKind kind) => kind switch { JoistKind.OpenWeb => Web, JoistKind.RoofTruss => Board, _ => Joist };

    /// <summary>One plate, sealed after.</summary>
    public Length Plate { get; init; }

    /// <summary>A corner or a partition that meets the wall.</summary>
    public Length Corner { get; init; }

    /// <summary>A storey passed in a bay, fire-caulked at both ends.</summary>
    public Length Storey { get; init; }

    /// <summary>A box that feeds two ways: one more cable in it, spliced.</summary>
    public Length Branch { get; init; }

    /// <summary>One end of a pipe in a slab: bent up, held and plugged before the pour.</summary>
    public Length Stub { get; init; }
}
