using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.LowVoltage;

/// <summary>The low voltage of a job: outlets at their places, their ways home, and the holes that are theirs alone.</summary>
/// <param name="Outlets">By the order of the job.</param>
/// <param name="Homes">By the order of the job.</param>
/// <param name="Runs">One for every outlet that has a way home, in the order of the outlets.</param>
/// <param name="Holes">By member; power goes through none of them.</param>
public sealed record LowVoltagePlan(ImmutableArray<PlacedLowVoltage> Outlets, ImmutableArray<PlacedHome> Homes,
    ImmutableArray<LowVoltageRun> Runs, ImmutableArray<LowVoltageHole> Holes)
{
    /// <summary>Of a job without low voltage.</summary>
    public static LowVoltagePlan None { get; } = new([], [], [], []);

    /// <summary>The run of an outlet; null while it has no way home.</summary>
    public LowVoltageRun? RunOf(Id<LowVoltageOutlet> id) => Runs.FirstOrDefault(r => r.Outlet.Outlet.Id == id);
}

/// <summary>An outlet at its place.</summary>
/// <param name="Outlet">The outlet of the job.</param>
/// <param name="Room">Its room.</param>
/// <param name="Place">Where its cable ends.</param>
/// <param name="Height">Floor to the bottom of its ring.</param>
/// <param name="Name">As labelled.</param>
/// <param name="Number">LV3: as it is written on both ends of its cable.</param>
public sealed record PlacedLowVoltage(LowVoltageOutlet Outlet, FramedRoom Room, Place Place, Length Height, string Name, string Number);

/// <summary>A can or a shelf at its place.</summary>
/// <param name="Home">The home of the job.</param>
/// <param name="Room">Its room.</param>
/// <param name="Place">Where cable enters it.</param>
/// <param name="Name">As labelled.</param>
public sealed record PlacedHome(LowVoltageHome Home, FramedRoom Room, Place Place, string Name);

/// <summary>The way of one outlet home.</summary>
/// <param name="Outlet">The outlet.</param>
/// <param name="Home">Where it goes.</param>
/// <param name="Way">From the home to the outlet, through holes of its own.</param>
/// <param name="Length">Of one of its cables, cut.</param>
/// <param name="Beside">Power that it lies beside, nearer than the crew keeps it and for longer.</param>
public sealed record LowVoltageRun(PlacedLowVoltage Outlet, PlacedHome Home, Way Way, Figure<Length> Length,
    ImmutableArray<BesidePower> Beside)
{
    /// <summary>Footage of all its cables.</summary>
    public Length Footage => Length.Value * Outlet.Outlet.Cables;

    /// <summary>It goes to another building in the earth.</summary>
    public bool Buried => Way.Legs.Any(l => l.Space == Space.Trench);
}

/// <summary>A stretch of low voltage beside power.</summary>
/// <param name="Power">The run of power.</param>
/// <param name="Apart">How far apart they lie.</param>
/// <param name="Long">For how long.</param>
/// <param name="AtOutlet">How much of it in the bay of the outlet itself.</param>
/// <param name="AtHome">How much of it in the bay of the home.</param>
/// <param name="Upright">How much of it up or down some stud bay.</param>
public sealed record BesidePower(RunId Power, Length Apart, Length Long, Length AtOutlet, Length AtHome, Length Upright)
{
    /// <summary>It is mended by moving the outlet.</summary>
    public bool IsAtOutlet => AtOutlet * 2 > Long;

    /// <summary>It is mended by moving what it goes home to.</summary>
    public bool IsAtHome => AtHome * 2 > Long;

    /// <summary>It is mended by rising in another bay.</summary>
    public bool IsUpright => Upright * 2 > Long;
}

/// <summary>A hole of low voltage.</summary>
/// <param name="Spot">Which member, where.</param>
/// <param name="Outlets">Whose cables go through it.</param>
/// <param name="Bit">What bores it.</param>
public sealed record LowVoltageHole(Spot Spot, ImmutableArray<Id<LowVoltageOutlet>> Outlets, Length Bit);
