using System.Collections.Frozen;
using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>Lists what a service or a feeder carries: from what is drawn, and from what stands in the panels already.</summary>
public static class Listing
{
    /// <summary>Everything of the dwelling, and each outbuilding with all that its circuits carry.</summary>
    public static LoadList OfService(ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var list = Of(circuits, survey.FloorArea, Basement(house, _ => true, book), job.Panels, house, survey, job, book);
        return list with
        {
            Area = new(list.Area.Value + job.Service.ExistingArea.Value),
            // 220.52: two small-appliance circuits and a laundry circuit, whatever is drawn yet.
            SmallApplianceCircuits = Math.Max(2, list.SmallApplianceCircuits),
            LaundryCircuits = Math.Max(1, list.LaundryCircuits),
            HeatingControls = job.Service.HeatingControls ?? list.HeatingControls,
            Future = job.Service.Future,
        };
    }

    /// <summary>What is drawn, without what stood there before: it comes on top of a measured demand (220.87).</summary>
    public static LoadList OfDrawn(ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job, CodeBook book) =>
        Of(circuits, survey.FloorArea, Basement(house, _ => true, book), [], house, survey, job, book);

    /// <summary>What a panel feeds, itself and through the panels behind it.</summary>
    /// <param name="panel">The panel.</param>
    /// <param name="circuits">Every circuit of the job.</param>
    /// <param name="house">The house.</param>
    /// <param name="survey">The boxes.</param>
    /// <param name="job">The job.</param>
    /// <param name="book">The rules.</param>
    public static LoadList OfFeeder(Panel panel, ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var behind = job.Behind(panel.Id).ToFrozenSet();
        ImmutableArray<Circuit> own = [.. circuits.Where(c => behind.Contains(c.Panel))];
        // A room is counted with every panel that lights it or feeds its receptacles.
        var rooms = own.Where(c => c.IsGeneral || c.Kind == CircuitKind.Bathroom).SelectMany(c => c.Boxes)
            .Select(b => survey[b].Room.Room.Id).ToFrozenSet();
        return Of(own, Surveying.FloorArea(house, rooms.Contains), Basement(house, rooms.Contains, book), [.. job.Panels.Where(p =>
            behind.Contains(p.Id))], house, survey, job,
            book);
    }

    /// <summary>True when a panel and those behind it feed everything of the dwelling: then its feeder is sized as a service is (220.82(A),
    /// 310.12).</summary>
    public static bool CarriesDwelling(Panel panel, ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job)
    {
        var behind = job.Behind(panel.Id).ToFrozenSet();
        return circuits.Where(c => c.Kind != CircuitKind.Feeder && c.Boxes.Any(b => !Accessory(survey[b], house)))
            .All(c => behind.Contains(c.Panel))
            && job.Panels.All(p => behind.Contains(p.Id) || p.Taken.IsEmpty);
    }

    private static LoadList Of(ImmutableArray<Circuit> circuits, SquareFeet area, SquareFeet basement, ImmutableArray<Panel> panels,
        FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var branch = circuits.Where(c => c.Kind != CircuitKind.Feeder).ToList();
        var alone = branch.Where(c => c.Kind == CircuitKind.Individual).SelectMany(c => c.Boxes).ToHashSet();
        var on = branch.SelectMany(c => c.Boxes).ToHashSet();
        var own = survey.Boxes.Where(b => on.Contains(b.Box.Id) && !Accessory(b, house)).ToList();
        var heatPump = own.SelectMany(b => b.Plates).Any(p => p.Appliance == Appliance.HeatPump) && job.Service.OutdoorUnitHeats;
        var before = panels.Where(p => !InOutbuilding(p, house)).SelectMany(p => p.Taken).ToList();
        ImmutableArray<ListedLoad> listed =
            [.. own.SelectMany(b => b.Plates.Select(p => Listed(p, heatPump, alone.Contains(b.Box.Id), book))).OfType<ListedLoad>(),
            .. before.Select(t => Listed(t, book)).OfType<ListedLoad>()];
        var outbuildings = branch.SelectMany(c => c.Load.Items.Select(i => (Box: survey[i.Box], i.Load)))
            .Where(x => Accessory(x.Box, house)).Select(x => (x.Box.Place.Structure, x.Load))
            .Concat(panels.Where(p => InOutbuilding(p, house))
                .Select(p => (house.Room(p.Room).Structure, Load: p.Taken.Select(t => t.Load).Total())).Where(x => x.Load.Value > 0))
            .GroupBy(x => x.Structure).OrderBy(g => g.Key)
            .Select(g => new ListedLoad(house.Structures[g.Key].Structure.Name, LoadKind.Outbuilding,
                g.Select(x => x.Load).Total())
            { Neutral = true });
        return new()
        {
            Area = area,
            Basement = basement,
            SmallApplianceCircuits = branch.Count(c => c.Kind == CircuitKind.SmallAppliance)
                + before.Count(t => t.Use == TakenUse.SmallAppliance),
            LaundryCircuits = branch.Count(c => c.Kind == CircuitKind.Laundry) + before.Count(t => t.Use == TakenUse.Laundry),
            Loads = [.. listed, .. outbuildings],
            HeatingControls = Math.Max(1, listed.Count(l => l.Kind == LoadKind.SpaceHeat)),
        };
    }

    private static SquareFeet Basement(FramedHouse house, Func<RoomId, bool> counted, CodeBook book) => book.Demand.Basic is null ? default
        : Surveying.FloorArea(house, room => house.LevelOf(room).IsBasement && counted(room));

    /// <summary>True for a panel in an outbuilding.</summary>
    internal static bool InOutbuilding(Panel panel, FramedHouse house) =>
        house.Structures[house.Room(panel.Room).Structure].Structure.Accessory;

    private static bool Accessory(PlacedBox box, FramedHouse house) => house.Structures[box.Place.Structure].Structure.Accessory;

    // What is plugged in anywhere is in the 3 VA a square foot and the 1500s; what is fastened in place is counted by itself, and so is
    // what
    // has an outlet of its own on a circuit of its own (220.14(A), 220.82(B)(3)).
    private static ListedLoad? Listed(Nameplate plate, bool heatPump, bool alone, CodeBook book)
    {
        LoadKind? kind = plate.Appliance switch
        {
            Appliance.Range or Appliance.Cooktop or Appliance.Oven => Cooking(plate.Load, book),
            Appliance.Dryer when book.Supply.IsAcross(plate.Volts) => LoadKind.Dryer,
            Appliance.SpaceHeater or Appliance.FloorHeating => LoadKind.SpaceHeat,
            Appliance.HeatPump => heatPump ? LoadKind.HeatPump : LoadKind.Cooling,
            // A blower alone runs with the heat and with the cooling: it is never left out (220.60).
            Appliance.AirHandler => !book.Supply.IsAcross(plate.Volts) ? LoadKind.Fixed
                : heatPump ? LoadKind.Supplement : LoadKind.SpaceHeat,
            Appliance.VehicleCharger => LoadKind.Vehicle,
            Appliance.Dishwasher or Appliance.Disposer or Appliance.RangeHood or Appliance.DoorOpener => LoadKind.Fixed,
            Appliance.GeneratorInlet or Appliance.SolarInverter => null,
            _ => !plate.Cord ? LoadKind.Fixed : alone ? LoadKind.Specific : null,
        };
        return kind is { } known ? new(plate.Name, known, plate.Load)
        {
            Motor = plate.Motor || plate.Appliance is Appliance.HeatPump
                || (plate.Appliance == Appliance.AirHandler && !book.Supply.IsAcross(plate.Volts)),
            Cooks = plate.Appliance is Appliance.Range or Appliance.Cooktop or Appliance.Oven or Appliance.Microwave,
            Heats = plate.Appliance == Appliance.SaunaHeater,
            WaterAtOnce = plate.Appliance is Appliance.HotTub or Appliance.TanklessHeater,
            OneLeg = !book.Supply.IsAcross(plate.Volts),
            Neutral = !book.Supply.IsAcross(plate.Volts) || plate.Neutral
        } : null;
    }

    // Lights, receptacles, small appliances and laundry that stood there are in the area and the 1500s.
    private static ListedLoad? Listed(TakenSpace taken, CodeBook book)
    {
        LoadKind? kind = taken.Use switch
        {
            TakenUse.Fixed => LoadKind.Fixed,
            TakenUse.Cooking => Cooking(taken.Load, book),
            TakenUse.Dryer => LoadKind.Dryer,
            TakenUse.SpaceHeat => LoadKind.SpaceHeat,
            TakenUse.HeatPump => LoadKind.HeatPump,
            TakenUse.Cooling => LoadKind.Cooling,
            TakenUse.Vehicle => LoadKind.Vehicle,
            _ => null,
        };
        return kind is { } known && taken.Load.Value > 0
            ? new($"{taken.Description}, there before", known, taken.Load)
            {
                Motor = known is LoadKind.HeatPump or LoadKind.Cooling,
                Neutral = taken.Poles == 1 || known is LoadKind.Cooking or LoadKind.Dryer
            } : null;
    }

    private static LoadKind Cooking(VoltAmps load, CodeBook book) => load > book.Demand.LeastCooking ? LoadKind.Cooking : LoadKind.Fixed;
}
