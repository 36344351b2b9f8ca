using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What one outlet adds to its circuit.</summary>
/// <param name="Box">Where.</param>
/// <param name="Name">What.</param>
/// <param name="Load">How much.</param>
/// <param name="Use">How 210.23 takes it.</param>
/// <param name="Continuous">Three hours or more.</param>
/// <param name="Assumed">An estimate: 180 VA a yoke, a typical lamp, or a typical plate.</param>
public sealed record LoadItem(BoxId Box, string Name, VoltAmps Load, LoadUse Use, bool Continuous, bool Assumed)
{
    /// <summary>What its branch circuit is sized for: the load, or a household range's demand by Table 220.55, note 4.</summary>
    public VoltAmps Demand { get; init; } = Load;

    /// <summary>Contact devices for portable loads: a duplex is two receptacles (article 100).</summary>
    public int Contacts { get; init; }

    /// <summary>A motor of some size that is fastened in place, without a plate that says its minimum circuit ampacity: it or what it turns
    /// counts a quarter more on its circuit.</summary>
    public bool Motor { get; init; }

    /// <summary>What the conductors and the breaker must carry for it, a motor's quarter apart.</summary>
    public VoltAmps Required => ContinuousLoad.Counted(Demand, Continuous);
}

/// <summary>How the permissible-load rules take an item.</summary>
public enum LoadUse
{
    /// <summary>A lighting outlet.</summary>
    Lighting,

    /// <summary>A receptacle for anything portable.</summary>
    PortableReceptacle,

    /// <summary>A known cord-and-plug appliance that is not fastened.</summary>
    CordAndPlug,

    /// <summary>Fastened in place.</summary>
    Fastened,
}

/// <summary>What a circuit carries.</summary>
/// <param name="Volts">At the breaker.</param>
/// <param name="Poles">Of its breaker: 1 or 2.</param>
/// <param name="Items">What hangs on it.</param>
public sealed record CircuitLoad(Volts Volts, int Poles, ImmutableArray<LoadItem> Items)
{
    // What a lamp or fan is taken for until its watts are known.
    private static readonly ImmutableDictionary<DeviceKind, int> TypicalLoads = new Dictionary<DeviceKind, int>
    {
        [DeviceKind.Lamp] = 18,
        [DeviceKind.Can] = 11,
        [DeviceKind.Pendant] = 15,
        [DeviceKind.VanityLight] = 30,
        [DeviceKind.ClosetLight] = 12,
        [DeviceKind.OutdoorLight] = 15,
        [DeviceKind.CeilingFan] = 75,
        [DeviceKind.BathFan] = 35,
        [DeviceKind.SmokeAlarm] = 5,
        [DeviceKind.SmokeCoAlarm] = 5,
        [DeviceKind.Strip] = 32,
        [DeviceKind.Flood] = 30,
    }.ToImmutableDictionary();

    /// <summary>Everything connected.</summary>
    public VoltAmps Connected => Items.Select(i => i.Load).Total();

    /// <summary>The connected current.</summary>
    public Amps Current => Connected / Volts;

    /// <summary>A leg of the circuit is on either half of its receptacles: three wires, and what is plugged in has a leg and the
    /// neutral.</summary>
    public bool Split { get; init; }

    /// <summary>A device of this kind has a leg on either half here: of what stands on such a circuit nothing but a duplex can.</summary>
    /// <param name="kind">The device.</param>
    public bool Splits(DeviceKind kind) => Split && kind == DeviceKind.Duplex;

    /// <summary>What is between the slots of its outlets: the volts at the breaker, or from a leg to the neutral where they are
    /// split.</summary>
    public Volts AtOutlets => Split ? new(Volts.Value / 2) : Volts;

    /// <summary>What a source on it brings for hours, 0 for what only takes. It is no load.</summary>
    public VoltAmps Brings { get; init; }

    /// <summary>The crew leaves a motor's quarter out where it has company, as many inspectors read it.</summary>
    public bool QuarterLeftOut { get; init; }

    /// <summary>The motor whose quarter is added: alone (430.22(A)) or the largest in company (220.18(A)); what runs three hours has its
    /// quarter already. Null where none is.</summary>
    public LoadItem? QuarterOf => QuarterLeftOut && Items.Length > 1 ? null : LargestMotor;

    /// <summary>The largest motor that has no quarter already.</summary>
    public LoadItem? LargestMotor => Items.Where(i => i.Motor && !i.Continuous).MaxBy(i => i.Load.Value);

    /// <summary>A quarter of that motor.</summary>
    public VoltAmps Quarter => new((QuarterOf?.Load.Value ?? 0) / 4);

    /// <summary>Demand, non-continuous at 100 and continuous at 125 per cent, 210.19(A) and 210.20(A), a quarter of the largest motor, and
    /// what a source brings at 125 per cent.</summary>
    public Amps Required => (Items.Select(i => i.Required).Total() + Quarter + ContinuousLoad.Counted(Brings, true)) / Volts;

    /// <summary>More than one receptacle for portable cord-and-plug loads: the next standard size up is not allowed, 240.4(B).</summary>
    public bool PortableReceptacles => Items.Sum(i => i.Contacts) > 1;

    /// <summary>Current of what is fastened in place, as 210.23 counts it.</summary>
    public Amps Fastened => Items.Where(i => i.Use == LoadUse.Fastened).Select(i => i.Load).Total() / Volts;

    /// <summary>Load at one box.</summary>
    public VoltAmps At(BoxId box) => Items.Where(i => i.Box == box).Select(i => i.Load).Total();

    /// <summary>The load of boxes that share a circuit.</summary>
    /// <param name="boxes">The boxes.</param>
    /// <param name="book">The rules.</param>
    /// <param name="schools">The crew's: whether a dishwasher's load is continuous.</param>
    /// <param name="split">Its receptacles are split: each half is taken as an outlet is, so that both legs carry as much.</param>
    public static CircuitLoad Of(IEnumerable<PlacedBox> boxes, Schools schools, CodeBook book, bool split = false)
    {
        var outlet = split ? book.Division.Receptacle + book.Division.Receptacle : book.Division.Receptacle;
        var items = boxes.SelectMany(b => b.Box.Devices.Select(d => Item(b, d, outlet, schools, book))).OfType<LoadItem>()
            .ToImmutableArray();
        // Table 220.55, note 4: as one range, each with its share of that.
        if (CookTogether([.. boxes.SelectMany(b => b.Plates)]))
        {
            var whole = items.Select(i => i.Load).Total();
            items = [.. items.Select(i => i with { Demand = new(book.Demand.Range(whole).Value * i.Load.Value / whole.Value) })];
        }

        var volts = split ? book.Supply.Between : book.Supply.For(boxes.SelectMany(b => b.Plates).Select(p => p.Volts));
        return new(volts, book.Supply.Poles(volts), items)
        {
            Split = split,
            QuarterLeftOut = schools.MotorQuarter == MotorQuarter.LeftOut,
            Brings = boxes.SelectMany(b => b.Plates).Where(p => p.Appliance == Appliance.SolarInverter).Select(p => p.Load).Total(),
        };
    }

    /// <summary>A cooktop with one or two wall ovens, and nothing else: taken as one range (Table 220.55, note 4).</summary>
    public static bool CookTogether(IReadOnlyList<Nameplate> plates) => plates.Count is 2 or 3
        && plates.Count(p => p.Appliance == Appliance.Cooktop) == 1 && plates.Count(p => p.Appliance == Appliance.Oven) == plates.Count - 1;

    private static LoadItem? Item(PlacedBox box, Device device, VoltAmps outlet, Schools schools, CodeBook book)
    {
        if (device.Plate?.Appliance.BringsPower() == true)
        {
            return null;
        }

        if (device.Plate is { } plate)
        {
            var use = !plate.Cord || plate.Appliance is Appliance.Dishwasher or Appliance.Disposer or Appliance.RangeHood
                or Appliance.DoorOpener
                ? LoadUse.Fastened
                : LoadUse.CordAndPlug;
            return new(box.Box.Id, plate.Name, plate.Load, use, plate.Continuous || IsAlwaysContinuous(plate.Appliance)
                || (plate.Appliance == Appliance.Dishwasher && schools.DishwasherRun == DishwasherRun.Continuous),
                plate.Assumed)
            {
                Contacts = ContactsOf(device),
                Demand = plate.Appliance == Appliance.Range ? book.Demand.Range(plate.Load) : plate.Load,
                Motor = use == LoadUse.Fastened && IsMotor(plate) && plate.Mca is null && plate.Load >= book.Division.LeastMotor,
            };
        }

        if (device.Kind.IsReceptacle())
        {
            return new(box.Box.Id, box.Name, outlet, LoadUse.PortableReceptacle, false, true)
            { Contacts = ContactsOf(device) };
        }

        return TypicalLoads.TryGetValue(device.Kind, out var typical)
            // A fan is utilization equipment fastened in place, no luminaire (210.23).
            ? new(box.Box.Id, box.Name, device.Load ?? new VoltAmps(typical), device.Kind.IsFan() ? LoadUse.Fastened : LoadUse.Lighting,
                false, device.Load is null)
            : null;
    }

    private static int ContactsOf(Device device) => !device.Kind.IsReceptacle() ? 0
        : device.Kind is DeviceKind.Single or DeviceKind.ApplianceReceptacle ? 1 : 2;

    // A dishwasher's plate is its heater's, whatever turns in it.
    private static bool IsMotor(Nameplate plate) => plate.Appliance is Appliance.HeatPump or Appliance.Pump or Appliance.SumpPump
        or Appliance.Fan or Appliance.Disposer or Appliance.DoorOpener || (plate.Motor && plate.Appliance != Appliance.Dishwasher);

    // 422.13, 424.4(B) (2017: 424.3(B)) with the blower of the heating, 625.42. A sauna heater is fixed electric heating, a hot tub heats
    // water that somebody sits in (680.10).
    private static bool IsAlwaysContinuous(Appliance appliance) => appliance is Appliance.WaterHeater or Appliance.VehicleCharger
        or Appliance.SpaceHeater or Appliance.FloorHeating or Appliance.AirHandler or Appliance.SaunaHeater or Appliance.HotTub;
}
