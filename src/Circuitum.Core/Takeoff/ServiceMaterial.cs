using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>What grounds, bonds, shuts off and guards: at the service, at other buildings, and along shallow walls.</summary>
internal static class ServiceMaterial
{
    /// <summary>Its lines; none for what is not planned or stood there before.</summary>
    public static IEnumerable<MaterialLine> Of(Plan plan) => Service(plan).Concat(plan.House.Structures.SelectMany(s => Building(plan, s)))
        .Concat(LockedOff(plan)).Concat(Whips(plan)).Concat(Furring(plan));

    // From the disconnect to what it shuts off; a hot tub's way is piped, and its pipe is its maker's.
    private static IEnumerable<MaterialLine> Whips(Plan plan)
    {
        var whips = plan.Survey.Boxes.SelectMany(b => b.Box.Devices.Where(d => d.Kind == DeviceKind.Disconnect).SelectMany(d => d.Controls)
                .Select(u => (Disconnect: b, Unit: plan.Survey[u])))
            .Where(w => w.Unit.Plates.Any(p => !p.Cord && p.Appliance != Appliance.HotTub) && plan.CircuitOf(w.Unit.Box.Id) is not null)
            .ToList();
        return Hardware.Counted(whips.Select(w => $"Whip of {plan.CircuitOf(w.Unit.Box.Id)!.Sized.Gauge.Value.Words}, "
                + $"{(w.Unit.Box.Outside ? "liquid-tight" : "flexible metal")}, up to {WhipFeet(w.Disconnect, w.Unit)} ft"),
                "from the disconnect to what it shuts off")
            .Concat(Hardware.Counted(whips.Where(w => w.Unit.Box.OnPad is not null).Select(_ => "Pad for equipment outdoors"),
                "level, and not on what settles; before the unit comes"));
    }

    // Whips are made 6 ft long. To a unit on a pad: along the wall, down from the disconnect, over the ground, and 6 in at either end.
    private static int WhipFeet(PlacedBox disconnect, PlacedBox unit)
    {
        const int made = 6;
        if (unit.Box.OnPad is not { } off)
        {
            return made;
        }

        var along = disconnect.Place.At.Plan.SquareTo(unit.Place.At.Plan);
        return Math.Max(made, (along + disconnect.Height + off + Length.FromFeet(1)).WholeFeetUp);
    }

    private static IEnumerable<MaterialLine> Service(Plan plan)
    {
        var (service, book) = (plan.Job.Service, plan.Book);
        if (service.Existing)
        {
            yield break;
        }

        if (service.Rods > 0)
        {
            yield return new($"Ground rods, {book.Service.Rod}, with clamps", "each", service.Rods,
                $"the service, {book.Service.RodsApart} apart, {book.Cite(RuleId.Electrodes)}");
        }

        var largest = plan.Service.Panel.Electrode.Value;
        foreach (var (to, size) in new[] { (service.FootingSteel, ("footing steel", Least(largest, Gauge.Awg4))),
            (service.WaterPipe, ("the water pipe", largest)), (service.Rods > 0, ("the rods", Least(largest, Gauge.Awg6))) }
            .Where(e => e.Item1).Select(e => e.Item2))
        {
            yield return new($"Electrode conductor to {to}, {size} copper, with its clamp", "each", 1,
                $"measured on site, {book.Cite(RuleId.ElectrodeConductor, RuleId.ElectrodeConductorLimits)}");
        }

        // An electrode's conductor bonds the pipe that it goes to.
        if (service is { MetalWater: true, WaterPipe: false })
        {
            yield return new($"Bonding jumper to the metal water pipe, {largest} copper, with its clamp", "each", 1,
                $"where water pipe in the house is metal, {book.Cite(RuleId.WaterPipeBond)}");
        }

        if (service.GasPipe)
        {
            yield return new("Bonding jumper to the gas pipe, 6 copper, with its clamp", "each", 1,
                $"{book.Cite(RuleId.GasPipeBond)}; makers of flexible pipe mostly ask for 6");
        }

        if (service.IntersystemBonding)
        {
            yield return new("Bridge for bonding other systems", "each", 1, $"{book.Cite(RuleId.IntersystemBonding)}");
        }

        if (service.SurgeProtection && book.Service.AsksSurgeProtection)
        {
            yield return new("Surge protector", "each", 1, $"{book.Cite(RuleId.SurgeProtection)}");
        }

        if (service.OutdoorDisconnect && book.Service.AsksOutdoorDisconnect)
        {
            yield return new("Emergency disconnect outdoors", "each", 1, $"{book.Cite(RuleId.EmergencyDisconnect)}");
        }
    }

    // An outbuilding's own electrode behind a feeder, none behind one branch circuit with a ground (exception), and what shuts it off.
    private static IEnumerable<MaterialLine> Building(Plan plan, FramedStructure building)
    {
        var name = building.Structure.Name;
        var panel = plan.Job.Panels.FirstOrDefault(p => plan.House.Room(p.Room).Structure == building.Index);
        var fedFromAway = panel?.FedFrom is { } from
            && plan.House.Room(plan.Job.Panels.First(p => p.Id == from).Room).Structure != building.Index;
        if (panel is { Existing: false } && fedFromAway)
        {
            yield return new($"Ground rods, {plan.Book.Service.Rod}, with clamps", "each", 2,
                $"{name}, {plan.Book.Service.RodsApart} apart"
                + $"{(plan.Book.Service.OneRodWhereMeasured ? ", one alone where it measures 25 ohm" : "")}, "
                + $"{plan.Book.Cite(RuleId.BuildingElectrode)}");
            // A second dwelling, not a shed: what protects a service of its own is asked behind a feeder too.
            if (!building.Structure.Accessory && plan.Book.Has(RuleId.DwellingFeederSurge))
            {
                yield return new("Surge protector", "each", 1, $"{name}, {plan.Book.Cite(RuleId.DwellingFeederSurge)}");
                yield return new("Emergency disconnect outdoors", "each", 1,
                    $"{name}, {plan.Book.Cite(RuleId.DwellingFeederDisconnect)}");
            }

            yield return new("Electrode conductor to the rods, 6 copper", "each", 1,
                $"{name}, measured on site, {plan.Book.Cite(RuleId.BuildingElectrode)}");
        }
        else if (panel is null && plan.Survey.Boxes.Any(b => b.Place.Structure == building.Index))
        {
            yield return new("Disconnect where the circuit comes in; a snap switch will do", "each", 1,
                $"{name}, {plan.Book.Cite(RuleId.BuildingDisconnect)}");
        }

        var risers = plan.Circuits.SelectMany(c => c.Runs).Where(r => r.Pipe is not null && r.From.Place.Structure != r.To.Place.Structure
            && r.To.Place.Structure == building.Index).Select(r => r.Pipe).Distinct().Count();
        if (risers > 0)
        {
            yield return new("PVC schedule 80 where pipe leaves the earth", "each", 2 * risers,
                $"{name}, from 18 in below to 8 ft above where it can be hurt, {plan.Book.Cite(RuleId.OutOfTheEarth)}");
        }
    }

    // Water heaters, saunas and fixed cooking out of sight of their panel: the breaker is locked off, unless a disconnect stands beside
    // them.
    private static IEnumerable<MaterialLine> LockedOff(Plan plan)
    {
        var worked = plan.Job.Boxes.ShutOff();
        var locked = plan.Job.Boxes.Count(b => !worked.Contains(b.Id) && plan.Job.Panels.All(p => p.Room != b.Room)
            && b.Devices.Any(d => d is { Kind: DeviceKind.Equipment, Plate: { Cord: false, OwnDisconnect: false, Load.Value: > 300 } plate }
                && plate.Appliance is Appliance.WaterHeater or Appliance.TanklessHeater or Appliance.SaunaHeater
                    or Appliance.Cooktop or Appliance.Oven));
        if (locked > 0)
        {
            yield return new("Lock-offs for breakers", "each", locked,
                $"fixed appliances out of sight of their panel, {plan.Book.Cite(RuleId.LockedOff)}");
        }
    }

    // Furring of 1-1/2 in leaves no 1-1/4 in to its face: the whole drop is guarded.
    private static IEnumerable<MaterialLine> Furring(Plan plan)
    {
        var drops = plan.Circuits.SelectMany(c => c.Runs).SelectMany(r => new[] { r.From, r.To }.Where(e => e.Place.Wall is int wall
                && plan.House.Structures[e.Place.Structure].Levels[e.Place.Level].Walls[wall].Frame.Framing == WallFraming.MasonryFurred)
                .SelectMany(e => r.Way.Legs.Where(l => l.Space == Space.StudBay && (l.From == e.Place.At || l.To == e.Place.At))))
            .Select(l => l.Run).Total();
        if (drops > Length.Zero)
        {
            yield return new("Steel strip, 1/16 in, along cable in furring", "ft", drops.WholeFeetUp,
                $"nearer than 1-1/4 in to the face, {plan.Book.Cite(RuleId.CableAlongFurring)}");
        }
    }

    private static Gauge Least(Gauge one, Gauge other) => one < other ? one : other;
}
