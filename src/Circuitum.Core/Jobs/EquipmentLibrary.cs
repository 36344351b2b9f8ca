using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Ordinary equipment with typical plates, to be replaced by what the real plate says.</summary>
public static class EquipmentLibrary
{
    /// <summary>Upright or chest freezer.</summary>
    public static Nameplate Freezer { get; } = Corded(Jobs.Appliance.Freezer, "Freezer", 120, 500) with { Motor = true };

    /// <summary>Treadmill.</summary>
    public static Nameplate Treadmill { get; } = Corded(Jobs.Appliance.Other, "Treadmill", 120, 1500) with { Motor = true, Individual = true };

    /// <summary>Stationary tool.</summary>
    public static Nameplate Tool { get; } = Corded(Jobs.Appliance.Other, "Bench tool", 120, 1440) with { Motor = true };

    /// <summary>Anything that should have a circuit of its own.</summary>
    public static Nameplate Appliance { get; } = Corded(Jobs.Appliance.Other, "Appliance", 120, 1200);

    /// <summary>The library in the order it is offered.</summary>
    public static ImmutableArray<Nameplate> All { get; } =
    [
        Corded(Jobs.Appliance.Refrigerator, "Refrigerator", 120, 700) with { Motor = true },
        Corded(Jobs.Appliance.Range, "Range", 240, 12000) with { Neutral = true },
        Fixed(Jobs.Appliance.Cooktop, "Cooktop", 240, 7400),
        Fixed(Jobs.Appliance.Oven, "Wall oven", 240, 4800) with { Neutral = true },
        Corded(Jobs.Appliance.Microwave, "Microwave", 120, 1500) with { Individual = true },
        Corded(Jobs.Appliance.RangeHood, "Range hood", 120, 300) with { Motor = true },
        Corded(Jobs.Appliance.Dishwasher, "Dishwasher", 120, 1200) with { Motor = true },
        Corded(Jobs.Appliance.Disposer, "Disposer", 120, 860) with { Motor = true },
        Corded(Jobs.Appliance.Washer, "Washer", 120, 1000) with { Motor = true },
        Corded(Jobs.Appliance.Dryer, "Dryer", 240, 5600) with { Neutral = true },
        Fixed(Jobs.Appliance.WaterHeater, "Water heater", 240, 4500) with { Continuous = true },
        Fixed(Jobs.Appliance.HeatPump, "Heat pump, outdoor unit", 240, 4100) with { Motor = true, Mca = new(21.4m), Mocp = new(35) },
        Fixed(Jobs.Appliance.AirHandler, "Air handler", 240, 2400) with { Motor = true },
        Fixed(Jobs.Appliance.SpaceHeater, "Baseboard heater", 240, 1500) with { Continuous = true },
        Fixed(Jobs.Appliance.VehicleCharger, "Vehicle charger", 240, 9600) with { Continuous = true, Individual = true },
        Fixed(Jobs.Appliance.SaunaHeater, "Sauna heater", 240, 6000) with { Continuous = true },
        Corded(Jobs.Appliance.SumpPump, "Sump pump", 120, 900) with { Motor = true, Individual = true },
        Fixed(Jobs.Appliance.Pump, "Well pump", 240, 1800) with { Motor = true },
        Corded(Jobs.Appliance.DoorOpener, "Garage-door opener", 120, 600) with { Motor = true },
        Freezer, Treadmill, Tool, Appliance,
        Fixed(Jobs.Appliance.GeneratorInlet, "Generator inlet", 240, 7200) with { Neutral = true, Individual = true },
        Corded(Jobs.Appliance.Other, "Welder", 240, 9600) with { Individual = true },
    ];

    private static Nameplate Corded(Appliance appliance, string name, int volts, int load) => new() { Appliance = appliance, Name = name, Volts = new(volts), Load = new(load), Cord = true };

    private static Nameplate Fixed(Appliance appliance, string name, int volts, int load) => new() { Appliance = appliance, Name = name, Volts = new(volts), Load = new(load) };
}
