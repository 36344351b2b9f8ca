using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>Collects legs and passages in the order of the pull.</summary>
internal sealed class WayBuilder
{
    private readonly ImmutableArray<PathLeg>.Builder legs = ImmutableArray.CreateBuilder<PathLeg>();
    private readonly ImmutableArray<Passage>.Builder passages = ImmutableArray.CreateBuilder<Passage>();

    public bool Blocked { get; set; }

    public void Go(Space space, Point3 from, Point3 to, Celsius ambient)
    {
        if (from != to)
        {
            legs.Add(new(space, from, to, ambient));
        }
    }

    public void Pass(Spot spot, Point3 at, bool sealedHole, Celsius ambient) => passages.Add(new(spot, at, sealedHole, ambient));

    public Way Done(Length cost) => new(legs.ToImmutable(), passages.ToImmutable(), cost, Blocked);
}
