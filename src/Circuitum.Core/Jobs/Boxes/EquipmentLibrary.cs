using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Ordinary equipment with typical plates, to be replaced by what the real plate says.</summary>
public static class EquipmentLibrary
{
    private static readonly SupplySystem Supply = SupplySystem.SplitPhase;

    /// <summary>Upright or chest freezer.</summary>
    public static Nameplate Freezer { get; } = Corded(Jobs.Appliance.Freezer, "Freezer", Supply.ToNeutral, 500) with { Motor = true };

    /// <summary>Treadmill.</summary>
    public static Nameplate Treadmill { get; } = Corded(Jobs.Appliance.Other, "Treadmill", Supply.ToNeutral, 1500) with
    { Motor = true, Individual = true };

    /// <summary>Stationary tool.</summary>
    public static Nameplate Tool { get; } = Corded(Jobs.Appliance.Other, "Bench tool", Supply.ToNeutral, 1440) with { Motor = true };

    /// <summary>Anything that should have a circuit of its own.</summary>
    public static Nameplate Appliance { get; } = Corded(Jobs.Appliance.Other, "Appliance", Supply.ToNeutral, 1200);

    /// <summary>The library in the order it is offered.</summary>
    public static ImmutableArray<Nameplate> All { get; } =
    [
        Corded(Jobs.Appliance.Refrigerator, "Refrigerator", Supply.ToNeutral, 700) with { Motor = true },
        Corded(Jobs.Appliance.Range, "Range", Supply.Between, 12000) with { Neutral = true },
        Fixed(Jobs.Appliance.Cooktop, "Cooktop", Supply.Between, 7400),
        Fixed(Jobs.Appliance.Oven, "Wall oven", Supply.Between, 4800) with { Neutral = true },
        Corded(Jobs.Appliance.Microwave, "Microwave", Supply.ToNeutral, 1500) with { Individual = true },
        Corded(Jobs.Appliance.RangeHood, "Range hood", Supply.ToNeutral, 300) with { Motor = true },
        Corded(Jobs.Appliance.Dishwasher, "Dishwasher", Supply.ToNeutral, 1200) with { Motor = true },
        Corded(Jobs.Appliance.Disposer, "Disposer", Supply.ToNeutral, 860) with { Motor = true },
        Corded(Jobs.Appliance.Washer, "Washer", Supply.ToNeutral, 1000) with { Motor = true },
        Corded(Jobs.Appliance.Dryer, "Dryer", Supply.Between, 5600) with { Neutral = true },
        Fixed(Jobs.Appliance.WaterHeater, "Water heater", Supply.Between, 4500) with { Continuous = true },
        Fixed(Jobs.Appliance.HeatPump, "Heat pump, outdoor unit", Supply.Between, 4100) with { Motor = true, Mca = new(21.4m),
            Mocp = new(35) },
        Fixed(Jobs.Appliance.AirHandler, "Air handler", Supply.Between, 2400) with { Motor = true },
        Fixed(Jobs.Appliance.SpaceHeater, "Baseboard heater", Supply.Between, 1500) with { Continuous = true },
        Fixed(Jobs.Appliance.VehicleCharger, "Vehicle charger", Supply.Between, 9600) with { Continuous = true, Individual = true },
        Fixed(Jobs.Appliance.SaunaHeater, "Sauna heater", Supply.Between, 6000) with { Continuous = true },
        Corded(Jobs.Appliance.SumpPump, "Sump pump", Supply.ToNeutral, 900) with { Motor = true, Individual = true },
        Fixed(Jobs.Appliance.Pump, "Well pump", Supply.Between, 1800) with { Motor = true },
        Corded(Jobs.Appliance.DoorOpener, "Garage-door opener", Supply.ToNeutral, 600) with { Motor = true },
        Fixed(Jobs.Appliance.FloorHeating, "Floor warming", Supply.ToNeutral, 900) with { Continuous = true, Individual = true },
        Fixed(Jobs.Appliance.HydromassageTub, "Hydromassage tub", Supply.ToNeutral, 1440) with { Motor = true, Individual = true },
        Fixed(Jobs.Appliance.HotTub, "Hot tub", Supply.Between, 9600) with { Continuous = true, Neutral = true, Individual = true },
        Fixed(Jobs.Appliance.TanklessHeater, "Tankless heater", Supply.Between, 14400) with { Individual = true },
        Freezer, Treadmill, Tool, Appliance,
        Fixed(Jobs.Appliance.SolarInverter, "Solar inverter", Supply.Between, 7600) with { Continuous = true, Individual = true },
        Fixed(Jobs.Appliance.GeneratorInlet, "Generator inlet", Supply.Between, 7200) with { Neutral = true, Individual = true },
        Corded(Jobs.Appliance.Other, "Welder", Supply.Between, 9600) with { Individual = true },
        Corded(Jobs.Appliance.Other, "Central vacuum", Supply.ToNeutral, 1440) with { Motor = true, Individual = true },
    ];

    /// <summary>The typical plate of a kind of appliance.</summary>
    /// <exception cref="InvalidOperationException">The library has none of that kind.</exception>
    public static Nameplate Typical(Appliance appliance) => All.First(p => p.Appliance == appliance);

    /// <summary>The device that feeds a piece of equipment: a receptacle for a plug, or wires of its own.</summary>
    public static Device Fed(Nameplate plate) => new()
    {
        Kind = !plate.Cord ? DeviceKind.Equipment : Supply.IsAcross(plate.Volts) ? DeviceKind.ApplianceReceptacle : DeviceKind.Single,
        Plate = plate,
    };

    private static Nameplate Corded(Appliance appliance, string name, Volts volts, int load) =>
        new() { Appliance = appliance, Name = name, Volts = volts, Load = new(load), Cord = true, Assumed = true };

    private static Nameplate Fixed(Appliance appliance, string name, Volts volts, int load) =>
        new() { Appliance = appliance, Name = name, Volts = volts, Load = new(load), Assumed = true };
}
