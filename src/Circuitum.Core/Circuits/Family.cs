using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What may share a breaker: two bundles may be on one circuit only where their families are the same.</summary>
/// <param name="Id">Same for bundles that may share.</param>
/// <param name="Kind">The kind of its circuits.</param>
/// <param name="Rating">Rating of its circuits; null where a nameplate decides.</param>
/// <param name="Word">What its circuits' keys end with, or the whole key where no room stands in it.</param>
/// <param name="Why">Why its circuits are of this kind.</param>
internal sealed record Family(string Id, CircuitKind Kind, Amps? Rating, string Word, Because Why)
{
    /// <summary>Circuits of this kind are filled to the crew's cap and fill: general ones, and small-appliance ones with their fixed
    /// refrigerators.</summary>
    public bool HasCap => !StaysOne && Kind is CircuitKind.Lighting or CircuitKind.Receptacles or CircuitKind.General
        or CircuitKind.SmallAppliance;

    /// <summary>It stays one circuit where one carries it: all that feeds a building without a panel (225.30), or what a book deals out to
    /// one circuit itself. Rules are not traded for the crew's cap or fill.</summary>
    public bool StaysOne { get; init; }

    /// <summary>Rating of its lights where they are alone on a circuit; null where it has none.</summary>
    public Amps? Lights { get; init; }

    /// <summary>In an outbuilding: the floor area is the dwelling's alone.</summary>
    public bool Accessory { get; init; }

    /// <summary>Its circuits are among those that 210.11(A) asks for by the floor area.</summary>
    public bool CountsForFloor => IsGeneral && !Accessory;

    public bool IsGeneral => Kind is CircuitKind.Lighting or CircuitKind.Receptacles or CircuitKind.General;
}

/// <summary>Tells the family of every bundle: what the rules require first, then what the crew's schools say of its room.</summary>
internal sealed class Families(FramedHouse house, Job job, CodeBook book)
{
    private readonly HashSet<BoxId> individual = [.. job.Pins.Individual];

    public Family Of(Bundle bundle) => Sort(bundle) with { Accessory = IsApart(bundle.Structure) };

    // A shed or a workshop is a building, and no room of a dwelling.
    private bool IsApart(int structure) => house.Structures[structure].Structure.Accessory;

    private Family Sort(Bundle bundle)
    {
        var building = house.Structures[bundle.Structure].Structure.Id.Value;
        var room = bundle.Room;
        var schools = job.SchoolsIn(room.Room.Id);
        if (Own(bundle, schools) is { } own)
        {
            return own;
        }

        if (IsWithoutPanel(bundle.Structure))
        {
            return new($"{building}/branch", CircuitKind.General, book.Division.Receptacles, "branch",
                Reason("an outbuilding without a panel is fed by one branch circuit, all of it together", "",
                    book.Cite(RuleId.OneSupply, RuleId.BuildingOfOneCircuit)))
            { StaysOne = true };
        }

        if (bundle.Boxes.Any(b => b.Plates.Any(IsWasher)))
        {
            return Dishwasher(building, schools);
        }

        var use = room.Room.Use;
        if (bundle.IsLighting)
        {
            return schools.KitchenLights == KitchenLights.WithDishwasher && use == RoomUse.Kitchen && HasDishwasher(room.Room.Id)
                && !bundle.Boxes.Any(b => b.HasAlarm) ? Dishwasher(building, schools)
                : schools.Baths == BathReceptacles.Whole && use == RoomUse.Bath
                && bundle.Boxes.All(b => b.Room == room && !b.HasAlarm && !b.Box.Outside) ? WholeBath(room)
                : General(building, room, schools, lights: true);
        }

        // Equipment that may not ride on the circuits that are kept for receptacles goes with the room's general ones.
        if (bundle.Boxes.Any(b => b.Plates.Any(p => !MayRide(p, b.InLaundryArea ? RoomUse.Laundry : use))))
        {
            return General(building, room, schools, lights: false);
        }

        return bundle.Anchor.Box.Outside
            ? new($"{building}/outdoors", CircuitKind.Outdoor, book.Division.Receptacles, $"{building}-outdoors",
                Because.Of("Why this circuit").House("outdoor receptacles apart: weather opens their breaker, not the house's", "",
                    "crew's way: outdoors apart"))
            : bundle.Boxes.Any(b => b.InLaundryArea) ? Laundry(building)
            : use switch
            {
                RoomUse.Kitchen or RoomUse.Dining or RoomUse.Pantry when book.Division.ReceptaclesOfCounterCircuit is int most =>
                    bundle.Boxes.Any(b => b.Box.ServesCounter) ? Counter(building, bundle, most)
                        : General(building, room, schools, lights: false),
                RoomUse.Kitchen or RoomUse.Dining or RoomUse.Pantry =>
                    new($"{building}/appliances", CircuitKind.SmallAppliance, book.Division.Counters, "appliances",
                    Reason("two or more 20 A small-appliance circuits for kitchen, dining and pantry receptacles, nothing else on them",
                        "", book.Cite(RuleId.SmallApplianceCircuits, RuleId.KitchenReceptacles))),
                RoomUse.Bath when schools.Baths == BathReceptacles.MayShare && !book.Division.KeepsBathroomsApart =>
                    General(building, room, schools, lights: false),
                RoomUse.Bath when schools.Baths == BathReceptacles.Whole => WholeBath(room),
                RoomUse.Bath => new(schools.Baths == BathReceptacles.OneEach ? $"{building}/{room.Room.Id}/bath" : $"{building}/baths",
                    CircuitKind.Bathroom, book.Division.Receptacles,
                    schools.Baths == BathReceptacles.OneEach ? $"{room.Room.Id}-receptacles" : "baths",
                        Reason($"bathroom receptacles on one or more {book.Division.Receptacles} circuits with no other outlets", "",
                            book.Cite(RuleId.BathCircuit))),
                RoomUse.Utility when book.Division.KeepsUtilityRoomsApart && !IsApart(bundle.Structure) =>
                    new($"{building}/utility", CircuitKind.Receptacles, book.Division.Receptacles, "utility",
                        Reason($"the receptacles of utility rooms on a {book.Division.Receptacles} circuit with no other outlets", "",
                            book.Cite(RuleId.UtilityRoomCircuit))),
                RoomUse.Garage => new($"{building}/garage", CircuitKind.Garage, book.Division.Receptacles, "garage",
                    Reason($"a {book.Division.Receptacles} circuit for the garage's vehicle bays, no other outlets", "",
                        book.Cite(RuleId.GarageCircuit))),
                _ => General(building, room, schools, lights: false),
            };
    }

    private Family Laundry(string building) => new($"{building}/laundry", CircuitKind.Laundry, book.Division.Receptacles, "laundry",
        Reason($"laundry receptacles on a {book.Division.Receptacles} circuit with no other outlets", "",
            book.Cite(RuleId.LaundryCircuit)));

    // Dealt out along the counters, so that neighbors are never on one circuit and none has more than the book allows.
    private Family Counter(string building, Bundle bundle, int most)
    {
        var along = counters ??= [.. CounterOrder.Of(house, job.Boxes).Select(b => b.Id)];
        var circuits = Math.Max(2, (along.Count + most - 1) / most);
        var number = bundle.Boxes.Select(b => along.IndexOf(b.Box.Id)).Where(i => i >= 0).DefaultIfEmpty(0).Min() % circuits;
        var rating = book.Division.CountersOf(job.Schools);
        var why = Reason($"two or more {rating} circuits for the counters, at most {most} receptacles on each and neighbors on "
            + "different ones", $"{along.Count} receptacles, {circuits} circuits",
            book.Cite(RuleId.CounterCircuits, RuleId.CounterNeighbors));
        return new($"{building}/counter-{number + 1}", CircuitKind.SmallAppliance, rating, "counter",
            !book.Division.SplitsCounters(job.Schools) ? why
                : why.House("its receptacles are split: a leg on either half, one neutral, both legs opened together", "three wires",
                    book.Cite(RuleId.Multiwire).After("crew's way: counter receptacles")))
        { StaysOne = true };
    }

    private List<BoxId>? counters;

    /// <summary>Equipment that may be on the circuit kept for the receptacles of such a room: refrigeration on a small-appliance circuit
    /// (210.52(B)(2)), what is plugged in on those of laundry, baths and garage (210.11(C)); everything elsewhere.</summary>
    public static bool MayRide(Nameplate plate, RoomUse use) => use switch
    {
        RoomUse.Kitchen or RoomUse.Dining or RoomUse.Pantry => plate.Appliance is Appliance.Refrigerator or Appliance.Freezer,
        RoomUse.Laundry or RoomUse.Bath or RoomUse.Garage => plate.Cord,
        _ => true,
    };

    private bool IsWithoutPanel(int structure) => !job.Panels.Any(p => house.Room(p.Room).Structure == structure);

    private static Because Reason(string text, string value, Citation rule) => Because.Of("Why this circuit").Book(text, value, rule);

    private Family? Own(Bundle bundle, Schools schools)
    {
        // Equipment in two parts is called by the part with the plate.
        var id = (bundle.Boxes.FirstOrDefault(b => b.Box.Devices.Any(d => d.Plate is not null && !d.Controls.IsEmpty))
            ?? bundle.Anchor).Box.Id.Value;
        if (bundle.Boxes.Any(b => individual.Contains(b.Box.Id)))
        {
            var lighting = bundle.IsLighting;
            var plain = lighting || !bundle.Boxes.Any(b => b.Plates.Any());
            return new($"own/{id}", plain ? lighting ? CircuitKind.Lighting : CircuitKind.Receptacles : CircuitKind.Individual,
                plain ? lighting ? book.Division.Lights : book.Division.Receptacles : null, id,
                Because.Of("Why this circuit").Pin("an individual circuit, as a person wants it", bundle.Anchor.Name));
        }

        var plate = bundle.Boxes.SelectMany(b => b.Plates).FirstOrDefault(p => NeedsItsOwn(p, schools));
        return plate is null ? null : new($"own/{id}", CircuitKind.Individual, null, id, WhyItsOwn(plate));
    }

    private bool NeedsItsOwn(Nameplate plate, Schools schools) => plate.Individual || book.Supply.IsAcross(plate.Volts)
        || plate.Appliance.BringsPower() || plate.Load > book.Division.Plugged * Fifteen
        || plate.Appliance is Appliance.AirHandler or Appliance.VehicleCharger or Appliance.WaterHeater or Appliance.RangeHood
        or Appliance.Microwave or Appliance.SumpPump or Appliance.HydromassageTub or Appliance.HotTub
        || (plate.Appliance == Appliance.Refrigerator && (schools.Refrigerator == RefrigeratorCircuit.Alone
            || book.Division.RefrigeratorAlone))
        || (IsWasher(plate) && schools.Dishwasher == DishwasherAndDisposer.OneEach && schools.KitchenLights == KitchenLights.Apart)
        || (!plate.Cord && plate.Load > book.Division.Fastened * Fifteen && !IsWasher(plate));

    // What a general circuit of the smaller rating carries.
    private VoltAmps Fifteen => book.Division.Carried(book.Division.Lights);

    private static bool IsWasher(Nameplate plate) => plate.Appliance is Appliance.Dishwasher or Appliance.Disposer;

    private Because WhyItsOwn(Nameplate plate) => plate switch
    {
        { Appliance: Appliance.AirHandler } =>
            Reason("central heating has an individual circuit", plate.Name, book.Cite(RuleId.FurnaceCircuit)),
        { Appliance: Appliance.VehicleCharger } =>
            Reason("vehicle charging has an individual circuit", plate.Name, book.Cite(RuleId.VehicleCircuit)),
        { Appliance: Appliance.HydromassageTub } =>
            Reason("a hydromassage tub has an individual circuit", plate.Name, book.Cite(RuleId.HydromassageTub)).Book(
                "its pump, metal pipe and metal fittings are bonded together, and the pump stays within reach", "8 copper, solid",
                book.Cite(RuleId.HydromassageBond)),
        { Appliance: Appliance.RangeHood } =>
            Reason("a cord-connected hood has an individual circuit", plate.Name, book.Cite(RuleId.HoodCircuit)),
        { Appliance: Appliance.GeneratorInlet } =>
            Reason("a generator's inlet goes to its transfer equipment alone", plate.Name, book.Cite(RuleId.TransferEquipment)),
        { Appliance: Appliance.SolarInverter } =>
            Reason("what brings power has a circuit of its own", plate.Name, book.Cite(RuleId.SourceCircuit)),
        { Individual: true } => Because.Of("Why this circuit")
            .Job($"the instructions of {plate.Name} ask for an individual circuit", book.Cite(RuleId.ListedUse).Text),
        _ when book.Supply.IsAcross(plate.Volts) => Because.Of("Why this circuit")
            .Job($"{plate.Name} is {plate.Volts} equipment", plate.Load.ToString()),
        { Appliance: Appliance.Refrigerator } when book.Division.RefrigeratorAlone =>
            Reason("a refrigerator has a circuit of its own", plate.Name, book.Cite(RuleId.RefrigeratorAlone)),
        { Appliance: Appliance.Refrigerator } => Because.Of("Why this circuit")
            .House("the refrigerator alone, so that nothing else takes it down", plate.Name, book.Cite(RuleId.RefrigeratorAlone)
                .After("crew's way: refrigerator")),
        { Appliance: Appliance.Dishwasher or Appliance.Disposer } => Because.Of("Why this circuit")
            .House("dishwasher and disposer each on its own", plate.Name, "crew's way: dishwasher and disposer"),
        _ => Because.Of("Why this circuit").Job($"{plate.Name} leaves no room for others", plate.Load.ToString()),
    };

    private Family Dishwasher(string building, Schools schools) => new(
        schools.Dishwasher == DishwasherAndDisposer.OneEach ? $"{building}/dishwasher-each" : $"{building}/dishwasher",
        CircuitKind.DishwasherAndDisposer, book.Division.Receptacles, "dishwasher",
        Because.Of("Why this circuit")
            .House(schools.KitchenLights == KitchenLights.WithDishwasher
                ? "kitchen lights with the dishwasher while the half-rating rule holds"
                : "dishwasher and disposer on one circuit where the sum fits", "", schools.KitchenLights == KitchenLights.WithDishwasher
                ? "crew's way: kitchen lights and dishwasher" : "crew's way: dishwasher and disposer")
            .Book("fixed loads alone may fill a circuit; beside lights they take half of it at most", "",
                book.Cite(RuleId.PermissibleFifteenTwenty)))
    {
        Lights = book.Division.Lights,
    };

    private Family WholeBath(FramedRoom room) => new($"bath/{room.Room.Id}", CircuitKind.Bathroom, book.Division.Receptacles,
        $"{room.Room.Id}-bath",
        Reason($"one {book.Division.Receptacles} circuit for this bathroom alone may feed its light and fan as well", "",
            book.Cite(RuleId.BathCircuitAlone)));

    private Family General(string building, FramedRoom room, Schools schools, bool lights)
    {
        var bedroom = room.Room.Use == RoomUse.Bedroom;
        var each = bedroom && schools.Bedrooms == BedroomSharing.OneEach ? $"/{room.Room.Id}" : "";
        var why = Because.Of("Why this circuit");
        return schools.Lighting == LightsAndReceptacles.Together
            ? new($"{building}/general{each}", CircuitKind.General, book.Division.Receptacles, "general",
                why.House("lights and receptacles together, room by room", "", "crew's way: lights and receptacles"))
            : lights ? new($"{building}/lights", CircuitKind.Lighting, book.Division.Lights, "lights",
                why.House("lights apart from receptacles, neighbors together", "", "crew's way: lights and receptacles"))
            : bedroom && schools.Lighting == LightsAndReceptacles.ApartBedrooms15
                ? new($"{building}/bedrooms{each}", CircuitKind.Receptacles, book.Division.Lights, "receptacles",
                    why.House("bedroom receptacles on 15 A, apart from lights", "", "crew's way: lights and receptacles"))
                : new($"{building}/receptacles{each}", CircuitKind.Receptacles, book.Division.Receptacles, "receptacles",
                    why.House("receptacles apart from lights, neighbors together", "", "crew's way: lights and receptacles"));
    }

    private bool HasDishwasher(RoomId kitchen) =>
        job.Boxes.Any(b => b.Room == kitchen && b.Devices.Any(d => d.Plate?.Appliance == Appliance.Dishwasher));
}
