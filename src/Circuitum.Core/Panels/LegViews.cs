using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Panels;

/// <summary>How much of each circuit's load the legs carry at a time of day. Shares of an evening and a night are assumed: typical for a
/// household, no rule.</summary>
public static class LegViews
{
    // Share of a load in an evening and in a night.
    private static (decimal Evening, decimal Night) Shares(Appliance appliance) => appliance switch
    {
        Appliance.Range or Appliance.Cooktop or Appliance.Oven => (.7m, 0),
        Appliance.Microwave or Appliance.RangeHood or Appliance.Dishwasher => (1, 0),
        Appliance.Disposer or Appliance.Washer or Appliance.Dryer or Appliance.DoorOpener => (0, 0),
        Appliance.VehicleCharger => (0, 1),
        Appliance.WaterHeater or Appliance.HeatPump or Appliance.AirHandler => (.5m, 1),
        Appliance.SpaceHeater or Appliance.FloorHeating => (.5m, 1),
        Appliance.SaunaHeater => (1, 0),
        _ => (.5m, .5m),
    };

    /// <summary>What is taken of a circuit.</summary>
    /// <param name="view">How.</param>
    /// <param name="survey">The boxes.</param>
    /// <param name="book">The rules.</param>
    public static Func<WiredCircuit, VoltAmps> Of(LegView view, Survey survey, CodeBook book) => circuit => view == LegView.Connected
        ? circuit.Circuit.Load.Connected
        : new(circuit.Circuit.Load.Items.Sum(i => i.Load.Value * Share(view, i, survey, book)));

    private static decimal Share(LegView view, LoadItem item, Survey survey, CodeBook book)
    {
        if (survey[item.Box].Plates.FirstOrDefault(p => p.Name == item.Name) is { } plate)
        {
            var (evening, night) = Shares(plate.Appliance);
            return view switch { LegView.Evening => evening, LegView.Night => night, _ => Demand(plate, book) };
        }

        return (view, item.Use) switch
        {
            (LegView.Evening, LoadUse.Lighting) => 1,
            (LegView.Evening, _) => .3m,
            (LegView.Night, LoadUse.Lighting) => .05m,
            (LegView.Night, _) => .1m,
            _ => .35m,
        };
    }

    // 220.42 and 220.53 in the rough: general loads at 35 per cent, what is fixed at 75, cooking by Table 220.55, the rest whole.
    private static decimal Demand(Nameplate plate, CodeBook book) => plate.Appliance switch
    {
        Appliance.Range or Appliance.Cooktop or Appliance.Oven => plate.Load.Value == 0 ? 1
            : book.Demand.Range(plate.Load).Value / plate.Load.Value,
        Appliance.Dryer or Appliance.VehicleCharger or Appliance.HeatPump or Appliance.AirHandler or Appliance.SpaceHeater
            or Appliance.FloorHeating => 1,
        _ when plate.Cord && plate.Appliance is not (Appliance.Dishwasher or Appliance.Disposer or Appliance.RangeHood
            or Appliance.DoorOpener) => .35m,
        _ => .75m,
    };
}
