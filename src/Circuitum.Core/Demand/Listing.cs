using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Demand;

/// <summary>Lists what the service carries from what is drawn.</summary>
public static class Listing
{
    /// <summary>Every appliance of the dwelling, and each outbuilding with all that its circuits carry.</summary>
    public static LoadList Of(ImmutableArray<WiredCircuit> circuits, FramedHouse house, Survey survey, Job job)
    {
        bool Accessory(PlacedBox box) => house.Structures[box.Place.Structure].Structure.Accessory;
        var own = survey.Boxes.Where(b => !Accessory(b)).ToList();
        var heated = own.SelectMany(b => b.Plates).Any(p => p.Appliance == Appliance.HeatPump) && job.Service.OutdoorUnitHeats;
        ImmutableArray<ListedLoad> listed = [.. own.SelectMany(b => b.Plates).Select(p => Listed(p, heated)).OfType<ListedLoad>()];
        var branch = circuits.Where(c => c.Circuit.Kind != CircuitKind.Feeder).ToList();
        var outbuildings = branch.SelectMany(c => c.Circuit.Load.Items.Select(i => (Item: i, Box: survey[i.Box]))).Where(x => Accessory(x.Box)).GroupBy(x => x.Box.Place.Structure).OrderBy(g => g.Key)
            .Select(g => new ListedLoad(house.Structures[g.Key].Structure.Name, LoadKind.Outbuilding, g.Select(x => x.Item.Load).Total()) { Neutral = true });
        return new()
        {
            Area = survey.FloorArea,
            SmallApplianceCircuits = branch.Count(c => c.Circuit.Kind == CircuitKind.SmallAppliance),
            LaundryCircuits = branch.Count(c => c.Circuit.Kind == CircuitKind.Laundry),
            Loads = [.. listed, .. outbuildings],
            HeatingControls = job.Service.HeatingControls ?? Math.Max(1, listed.Count(l => l.Kind == LoadKind.SpaceHeat)),
            Future = job.Service.Future,
        };
    }

    // What is plugged in anywhere is in the 3 VA a square foot and the 1500s; what is fastened in place is counted by itself.
    private static ListedLoad? Listed(Nameplate plate, bool heatPump)
    {
        LoadKind? kind = plate.Appliance switch
        {
            Appliance.Range or Appliance.Cooktop or Appliance.Oven => plate.Load > CookingDemand.Least ? LoadKind.Cooking : LoadKind.Fixed,
            Appliance.Dryer => plate.Volts.Value > 120 ? LoadKind.Dryer : null,
            Appliance.SpaceHeater => LoadKind.SpaceHeat,
            Appliance.HeatPump => heatPump ? LoadKind.HeatPump : LoadKind.Cooling,
            Appliance.AirHandler => heatPump ? LoadKind.Supplement : LoadKind.SpaceHeat,
            Appliance.VehicleCharger => LoadKind.Vehicle,
            Appliance.Dishwasher or Appliance.Disposer or Appliance.RangeHood or Appliance.DoorOpener => LoadKind.Fixed,
            _ => plate.Cord ? null : LoadKind.Fixed,
        };
        return kind is { } known ? new(plate.Name, known, plate.Load) { Motor = plate.Motor || plate.Appliance is Appliance.HeatPump, Neutral = plate.Volts.Value <= 120 || plate.Neutral } : null;
    }
}
