using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>What the protection rules ask about one outlet.</summary>
/// <param name="Room">The room's use.</param>
/// <param name="Outdoors">It faces the weather.</param>
/// <param name="Receptacle">A receptacle, not a hard-wired outlet.</param>
/// <param name="Lighting">A lighting outlet.</param>
/// <param name="Switch">A switch point without an outlet of its own.</param>
/// <param name="ServesCounter">It serves a counter or island.</param>
/// <param name="NearSink">Near (<see cref="ProtectionRules.NearWater"/>) to a sink's top inside edge.</param>
/// <param name="NearTub">As near to a tub or shower.</param>
/// <param name="Volts">Circuit voltage.</param>
/// <param name="Rating">Circuit rating.</param>
/// <param name="Appliance">The equipment, where it is known.</param>
public sealed record Outlet(
    RoomUse Room,
    bool Outdoors,
    bool Receptacle,
    bool Lighting,
    bool Switch,
    bool ServesCounter,
    bool NearSink,
    bool NearTub,
    Volts Volts,
    Amps Rating,
    Appliance? Appliance)
{
    /// <summary>It stands in an accessory building.</summary>
    public bool Accessory { get; init; }

    /// <summary>A receptacle of a laundry area.</summary>
    public bool LaundryArea { get; init; }

    /// <summary>It stands on a level below grade, whatever its room is used for.</summary>
    public bool Basement { get; init; }

    /// <summary>The receptacle for servicing heating or cooling equipment.</summary>
    public bool ServesEquipment { get; init; }

    /// <summary>Near to a sink by way of a doorway.</summary>
    public bool SinkByDoorway { get; init; }

    /// <summary>Near to a tub or shower by way of a doorway.</summary>
    public bool TubByDoorway { get; init; }

    /// <summary>It serves an area with a sink where food or drink is prepared, other than a kitchen.</summary>
    public bool FoodArea { get; init; }

    /// <summary>An alarm: 210.8 asks nothing of it (exceptions for alarm circuits), 210.12 does.</summary>
    public bool Alarm { get; init; }
}

/// <summary>A protection that an outlet needs, and the rule that asks for it.</summary>
public sealed record Need(string Reason, Citation Cite)
{
    /// <summary>The citation as it is printed.</summary>
    public string Section => Cite.Text;
}

/// <summary>Which outlets need a protection beyond their breaker.</summary>
public abstract class ProtectionRules
{
    /// <summary>Why an outlet needs AFCI, or null.</summary>
    public abstract Need? Afci(Outlet outlet);

    /// <summary>Why an outlet needs GFCI, or null. The first rule that asks is given.</summary>
    public abstract Need? Gfci(Outlet outlet);

    /// <summary>What is near a sink, a tub or a shower.</summary>
    public abstract Asked NearWater { get; }

    /// <summary>Every kitchen receptacle is GFCI protected, not only those that serve counters.</summary>
    public abstract bool GuardsEveryKitchenReceptacle { get; }
}
