using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Rules.Canada;

/// <summary>AFCI for receptacles of dwellings, 26-650 to 26-658; GFCI by water and weather, 26-704.</summary>
internal sealed class CanadaProtection(CanadaBook book) : ProtectionRules
{
    /// <summary>26-704(1).</summary>
    public override Asked NearWater { get; } = Asked.Millimetres(1500);

    /// <inheritdoc/>
    public override bool GuardsEveryKitchenReceptacle => false;

    /// <summary>Receptacles at 125 V and 20 A or less; not those of bathrooms, of counters within reach of a sink, or a
    /// refrigerator's.</summary>
    public override Need? Afci(Outlet outlet) =>
        !outlet.Receptacle || outlet.Volts != book.Supply.ToNeutral || outlet.Rating.Value > 20
            || outlet.Outdoors || outlet.Accessory
            || outlet.Room is RoomUse.Bath
            || (outlet.Room is RoomUse.Kitchen && outlet.ServesCounter && Wet(outlet))
            || outlet.Appliance is Appliance.Refrigerator or Appliance.Freezer
            ? null : new($"{outlet.Volts} receptacle behind {outlet.Rating}", book.Cite(RuleId.ArcFaultPlaces));

    /// <inheritdoc/>
    public override Need? Gfci(Outlet outlet) =>
        outlet.Appliance == Appliance.HydromassageTub ? new("hydromassage tub", book.Cite(RuleId.HydromassageTub))
        : outlet.Appliance == Appliance.FloorHeating ? new("heating cable in the floor", book.Cite(RuleId.FloorHeating))
        : outlet.Appliance == Appliance.HotTub ? new("hot tub", book.Cite(RuleId.HotTub))
        : !outlet.Receptacle ? null
        : outlet.Outdoors ? new("outdoor receptacle", book.Cite(RuleId.GroundFaultOutdoors))
        : outlet.Volts != book.Supply.ToNeutral ? null
        : outlet.NearSink || outlet.SinkByDoorway ? new($"receptacle within {NearWater} of a sink", book.Cite(RuleId.GroundFaultSink))
        : outlet.NearTub || outlet.TubByDoorway
            ? new($"receptacle within {NearWater} of a tub or shower", book.Cite(RuleId.GroundFaultTub))
        : null;

    private static bool Wet(Outlet outlet) => outlet.NearSink || outlet.SinkByDoorway;
}
