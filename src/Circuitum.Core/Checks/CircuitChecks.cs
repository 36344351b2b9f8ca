using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags on circuits: what may share, how much, how many.</summary>
internal static class CircuitChecks
{
    // A head without a unit is fed by nothing that belongs to it.
    private static IEnumerable<Tag> LooseHeads(Checked plan) => plan.Survey.Boxes
        .Where(b => b.IsHead && !plan.Survey.Boxes.Any(u => u.Box.Devices.Any(d => !d.Kind.IsSwitch() && d.Controls.Contains(b.Box.Id))))
        .Select(b => new Tag(Severity.Amber, Stage.Circuits, Subject.Box(b.Box.Id), "two parts", $"{b.Name} belongs to no outdoor unit.",
            "Say on the unit's card where its cable goes back to; until then it is fed like a receptacle."));

    public static IEnumerable<Tag> Check(Checked plan) => LooseHeads(plan).Concat(Loads(plan)).Concat(Ratings(plan))
        .Concat(Receptacles(plan)).Concat(Company(plan)).Concat(Numbers(plan)).Concat(CounterChecks.Check(plan))
        .Concat(Shares(plan)).Concat(Caps(plan))
        .Concat(LoosePins(plan)).Concat(Wires(plan));

    // 250.140: a new range or dryer has a neutral apart from its ground.
    private static IEnumerable<Tag> Wires(Checked plan) => plan.Survey.Boxes
        .SelectMany(b => b.Box.Devices.Select((d, i) => (Box: b, Device: d, Place: i)))
        .Where(x => x.Device.Kind == DeviceKind.ApplianceReceptacle && x.Device.Plate is { Neutral: false } p
            && p.Appliance is Appliance.Range or Appliance.Dryer && plan.Book.Supply.IsAcross(p.Volts))
        .Select(x => new Tag(Severity.Red, Stage.Boxes, Subject.Box(x.Box.Box.Id), plan.Book.Cite(RuleId.FourWires),
            $"{x.Device.Plate!.Name} is planned without a neutral.",
            "A new circuit for a range or a dryer has four wires: its frame may not be grounded by the neutral.")
        {
            Fixes = [new Fix("Give it a neutral", new SetPlate(x.Box.Box.Id, x.Place, x.Device.Plate with { Neutral = true }))],
        });

    private static IEnumerable<Tag> Loads(Checked plan)
    {
        foreach (var circuit in plan.Circuits.Where(c => c.Circuit.Kind != CircuitKind.Feeder))
        {
            var load = circuit.Circuit.Load;
            var rating = circuit.Breaker;
            var plates = circuit.Circuit.Boxes.SelectMany(b => plan.Survey[b].Plates).ToList();
            if (plates.Count == 1 && plates[0].Mocp is not null)
            {
                // Rated by nameplate; RunChecks hold the breaker against it.
                continue;
            }

            foreach (var fault in PermissibleLoads.Faults(load, rating, plan.Book))
            {
                yield return Red(circuit, fault.Cite, fault.Headline, fault.Arithmetic, Unpin(plan, circuit));
            }

            if (load is { QuarterOf: null, LargestMotor: { } motor } && load.Required <= rating
                && load.Required + (new VoltAmps(motor.Load.Value / 4) / load.Volts) > rating)
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit.Circuit.Key),
                    plan.Book.Cite(RuleId.MotorWithOthers), "Fits only without the quarter of its largest motor.",
                    $"{load.Required} + 25 % of {motor.Name} {motor.Load / load.Volts} > {rating}. The crew leaves it out, as many "
                        + "inspectors do; the book adds it.");
            }

            if (plates.FirstOrDefault(p => p.Appliance is Appliance.AirHandler or Appliance.SpaceHeater
                && p.Load / p.Volts > plan.Book.Division.MostOfHeater) is { } heater)
            {
                yield return Red(circuit, plan.Book.Cite(RuleId.HeaterSubdivision),
                    $"{heater.Name} is one load of {heater.Load / heater.Volts}.",
                    $"Heating elements are subdivided: none over {plan.Book.Division.MostOfHeater}, each behind 60 A at most. Plan it as "
                        + "the circuits that its plate names.", Divided(plan, circuit, heater));
            }

            if (plates.Count == 1 && plates[0] is { Appliance: Appliance.HeatPump, Mca: null })
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit.Circuit.Key),
                    plan.Book.Cite(RuleId.CompressorMinimum), $"MCA and MOCP of {plates[0].Name} are not known.",
                    "Its plate says what conductor and what breaker it takes. Until then it is taken as a motor, at 125 % of its load.");
            }

            var fill = load.Required.Value / rating.Value * 100;
            if (circuit.Circuit.IsGeneral && fill > plan.Job.HouseRules.LargestFill.Value && fill <= 100)
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit.Circuit.Key), "house rule: largest fill",
                    "Filled more than the crew likes.",
                    $"{load.Required} of {rating} = {new Percent(fill)}, the crew stops at {plan.Job.HouseRules.LargestFill}.");
            }
        }
    }

    // What a rating allows, where a person chose another than the planner would.
    private static IEnumerable<Tag> Ratings(Checked plan)
    {
        foreach (var circuit in plan.Circuits.Where(c => c.Circuit.Kind != CircuitKind.Feeder))
        {
            var rating = circuit.Breaker;
            var boxes = circuit.Circuit.Boxes.Select(b => plan.Survey[b]).ToList();
            var most = plan.Book.Division.MostForSmallReceptacles;
            // One that nobody rated is bought to suit its circuit, as far as general receptacles are made.
            if (rating > most && boxes.Exists(b => b.Box.Devices.Any(d => d.Kind.IsGeneralReceptacle()
                && (d.Rating ?? (rating.Value <= 20 ? rating : most)) < rating)))
            {
                yield return most.Value == 15
                    ? Red(circuit, plan.Book.Cite(RuleId.ReceptacleRatings), $"15 A receptacles are behind a {rating} breaker.",
                        $"They may be on 15 A circuits only. Use a {most} breaker, or receptacles of {rating}.", Unrate(plan, circuit))
                    : Red(circuit, plan.Book.Cite(RuleId.ReceptacleRatings), $"15 and 20 A receptacles are behind a {rating} breaker.",
                        $"They may be on 15 and 20 A circuits only. Use a {most} breaker.", Unrate(plan, circuit));
            }
            else if (rating.Value > 20 && boxes.Exists(b => b.IsLighting && b.HasOutlet))
            {
                yield return Red(circuit, plan.Book.Cite(RuleId.PermissibleFifteenTwenty), $"Lights are behind a {rating} breaker.",
                    "A dwelling's lighting outlets are on 15 and 20 A circuits. Use a 15 A breaker on 14, a 20 A one on 12.",
                    Unrate(plan, circuit));
            }

            if (rating.Value < 15 && plan.Book.StandardRatings.Contains(rating)
                && boxes.Exists(b => b.Box.Devices.Any(d => d.Kind.IsReceptacle())))
            {
                yield return Red(circuit, plan.Book.Cite(RuleId.TenAmperes), $"Receptacles are behind a {rating} breaker.",
                    "A circuit of 10 A feeds lights and small fixed loads, and no receptacle. Use a 15 or 20 A breaker.",
                    Unrate(plan, circuit));
            }

            var named = circuit.Circuit.Kind == CircuitKind.SmallAppliance ? plan.Book.Division.CountersOf(plan.Job.Schools)
                : plan.Book.Division.Receptacles;
            if (circuit.Circuit.Kind is CircuitKind.SmallAppliance or CircuitKind.Laundry or CircuitKind.Bathroom or CircuitKind.Garage
                && rating < named)
            {
                yield return Red(circuit, plan.Book.Cite(RuleId.NamedCircuits),
                    $"A {Words.Of(circuit.Circuit.Kind)} circuit is rated {named}.", $"This one is pinned at {rating}.",
                    Unrate(plan, circuit));
            }
        }
    }

    // 210.21(B): contacts against their circuit.
    private static IEnumerable<Tag> Receptacles(Checked plan)
    {
        foreach (var circuit in plan.Circuits)
        {
            var breaker = circuit.Breaker;
            foreach (var box in circuit.Circuit.Boxes.Select(b => plan.Survey[b])
                .Where(b => circuit.Load.Split && b.Box.Devices.Any(d => d.Kind is DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle)))
            {
                yield return new(Severity.Red, Stage.Circuits, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.Multiwire),
                    $"{box.Name} is a protective receptacle on a three-wire circuit of split receptacles.",
                    "It cannot be split, so one leg ends capped behind it. Make it a duplex, which the two-pole breaker protects, "
                    + "or feed the counters by T-slots on two wires.");
            }

            foreach (var (box, device, place) in circuit.Circuit.Boxes.Select(b => plan.Survey[b])
                .SelectMany(b => b.Box.Devices.Select((d, i) => (b, d, i)))
                .Where(x => x.d.Kind.IsGeneralReceptacle() && x.d.Rating is not null))
            {
                if (ReceptacleListing.IsAlone(device, circuit.Circuit) && device.Rating < breaker && breaker.Value <= 20)
                {
                    yield return new(Severity.Red, Stage.Circuits, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.SingleReceptacle),
                        $"{box.Name} is a {device.Rating} receptacle alone on a {breaker} circuit.",
                        $"A single receptacle is rated no less than its circuit: {breaker}. Use one of {breaker}, or a duplex.")
                    {
                        Fixes = [new Fix($"Make it {breaker}", new SetRating(box.Box.Id, place, breaker))],
                    };
                }
                else if (device.Rating > breaker && breaker.Value == 15)
                {
                    yield return new(Severity.Red, Stage.Circuits, Subject.Box(box.Box.Id), plan.Book.Cite(RuleId.ReceptacleRating),
                        $"{box.Name} is a {device.Rating} receptacle on a {breaker} circuit.",
                        "On 15 A only 15 A receptacles.")
                    {
                        Fixes = [new Fix("Make it 15 A", new SetRating(box.Box.Id, place, 15.Amps()))]
                    };
                }
                else if (plan.Job.Schools.FifteenOnTwenty == FifteenOnTwenty.AlwaysMatch && breaker.Value == 20 && device.Rating < breaker)
                {
                    yield return new(Severity.Amber, Stage.Circuits, Subject.Box(box.Box.Id), "crew's way: receptacles match their circuit",
                        $"{box.Name} is a {device.Rating} receptacle on a {breaker} circuit.",
                        "The book allows it where there are two or more; the crew matches them.")
                    {
                        Fixes = [new Fix("Make it 20 A", new SetRating(box.Box.Id, place, breaker))],
                    };
                }
            }
        }
    }

    // The way back from a pinned rating.
    internal static Fix[] Unrate(Checked plan, WiredCircuit circuit) =>
        plan.Job.Pins.Breakers.Any(p => p.Circuit == circuit.Circuit.Key)
            ? [new("Free the breaker", new PinBreaker(circuit.Circuit.Key, null))] : [];

    // 210.11(C) and the individual circuits: nothing else may ride along.
    private static IEnumerable<Tag> Company(Checked plan)
    {
        foreach (var circuit in plan.Circuits)
        {
            var rooms = circuit.Circuit.Boxes.Select(b => plan.Survey[b].Room.Room.Id).Distinct().Count();
            foreach (var box in circuit.Circuit.Boxes.Select(b => plan.Survey[b]).Where(b => !b.IsJoint))
            {
                if (Refused(plan, circuit, box, rooms) is var (refusing, rule))
                {
                    yield return Red(circuit, plan.Book.Cite(refusing), $"{box.Name} may not be on this circuit.",
                        $"By {plan.Book.Cite(refusing)} {rule}.", Unpin(plan, circuit));
                }

                if (Reserved(plan, circuit.Circuit, box) is var (reserving, place))
                {
                    yield return Red(circuit, plan.Book.Cite(reserving), $"{box.Name} belongs on another circuit.",
                        $"By {plan.Book.Cite(reserving)} {place}.", Unpin(plan, circuit));
                }
            }
        }
    }

    // What this kind of circuit may not carry.
    private static (ImmutableArray<RuleId> Rules, string Says)? Refused(Checked plan, WiredCircuit on, PlacedBox box, int rooms) =>
        on.Circuit.Kind switch
        {
            CircuitKind.SmallAppliance when plan.Book.Division.ReceptaclesOfCounterCircuit is not null =>
                box.Box.ServesCounter && !box.IsLighting ? null
                    : ([RuleId.SmallApplianceOnly], "a counter circuit feeds receptacles at counters and nothing else"),
            CircuitKind.SmallAppliance when box.IsLighting || !InKitchen(box) || !MayRide(box) =>
                ([RuleId.SmallApplianceOnly],
                    "a small-appliance circuit feeds only kitchen, dining and pantry receptacles, and refrigeration"),
            CircuitKind.Laundry when box.IsLighting || !box.InLaundryArea || !MayRide(box) =>
                ([RuleId.LaundryCircuit], "the laundry circuit has no other outlets"),
            CircuitKind.Bathroom when box.Room.Room.Use != RoomUse.Bath || ((box.IsLighting || !MayRide(box)) && rooms > 1) =>
                ([RuleId.BathCircuit], rooms > 1 ? "a bathroom circuit that serves more than one bathroom has no other outlets"
                    : "a bathroom circuit has no other outlets"),
            CircuitKind.Garage when box.IsLighting || box.Room.Room.Use != RoomUse.Garage || !MayRide(box) =>
                ([RuleId.GarageCircuit], "the garage circuit has no other outlets"),
            CircuitKind.Individual when SeveralHeaters(plan, on) => on.Breaker.Value is 15 or 20 or 25 or 30 ? null
                : ([RuleId.SeveralHeaters], "several heaters may be on one circuit of 15, 20, 25 or 30 A"),
            CircuitKind.Individual when on.Circuit.Boxes.Length > 1 && box.Box.Id.Value != on.Circuit.Key.Value && !Belongs(box)
                && !CooksTogether(plan, on) && !MayShare(plan, on) =>
                ([RuleId.IndividualDefined, RuleId.PermissibleLoads], "an individual branch circuit supplies one piece of equipment"),
            _ => null,
        };

    private static bool MayRide(PlacedBox box) => box.Plates.All(p => Families.MayRide(p,
        box.InLaundryArea ? RoomUse.Laundry : box.Room.Room.Use));

    // A disconnect, another switch of it, a joint on its way and an indoor head are parts of one piece of equipment.
    private static bool Belongs(PlacedBox box) => !box.HasOutlet || box.IsHead;

    private static bool SeveralHeaters(Checked plan, WiredCircuit on) =>
        Plates(plan, on) is { Count: > 1 } plates && plates.TrueForAll(p => p.Plate.Appliance == Appliance.SpaceHeater)
        && on.Circuit.Boxes.All(b => plan.Survey[b] is var box && (box.Plates.Any() || Belongs(box)));

    // 210.23 and Table 220.55, note 4: a cooktop with one or two ovens of one room are taken as one range.
    private static bool CooksTogether(Checked plan, WiredCircuit on) => CircuitLoad.CookTogether([.. Plates(plan, on).Select(p => p.Plate)])
        && Plates(plan, on).Select(p => p.Room).Distinct().Count() == 1
        && on.Circuit.Boxes.All(b => plan.Survey[b] is var box && (box.Plates.Any() || Belongs(box)));

    // A dishwasher or disposer whose instructions ask for nothing may have company while 210.23 is kept, which is checked by itself.
    private static bool MayShare(Checked plan, WiredCircuit on) => Plates(plan, on).TrueForAll(p => !p.Plate.Individual
        && p.Plate.Appliance is Appliance.Dishwasher or Appliance.Disposer && p.Plate.Volts == plan.Book.Supply.ToNeutral);

    private static List<(RoomId Room, Nameplate Plate)> Plates(Checked plan, WiredCircuit on) =>
        [.. on.Circuit.Boxes.Select(b => plan.Survey[b]).SelectMany(b => b.Plates.Select(p => (b.Room.Room.Id, p)))];

    // What this box asks of its circuit.
    private static (RuleId Rule, string Says)? Reserved(Checked plan, Circuit circuit, PlacedBox box) => !box.HasGeneralReceptacle
        || box.Box.Outside
        || circuit.Kind == CircuitKind.Individual ? null
        : box.Room.Room.Use == RoomUse.Bath && circuit.Kind != CircuitKind.Bathroom && plan.Book.Division.KeepsBathroomsApart
        ? (RuleId.BathCircuit, $"bathroom receptacles have their own {plan.Book.Division.Receptacles} circuit")
        : box.InLaundryArea && circuit.Kind != CircuitKind.Laundry
        ? (RuleId.LaundryCircuit, $"laundry receptacles have their own {plan.Book.Division.Receptacles} circuit")
        : plan.Book.Division.KeepsUtilityRoomsApart && InUtilityRoom(plan, box)
            && circuit.Boxes.Any(b => plan.Survey[b] is { HasOutlet: true } other
                && (other.IsLighting || other.Box.Outside || other.Room.Room.Use != RoomUse.Utility))
        ? (RuleId.UtilityRoomCircuit, $"the receptacles of utility rooms have their own {plan.Book.Division.Receptacles} circuit")
        : box.Room.Room.Use == RoomUse.Garage && circuit.Kind != CircuitKind.Garage
            && plan.Job.Panels.Any(p => plan.House.Room(p.Room).Structure == box.Place.Structure)
        ? (RuleId.GarageCircuit, $"a garage's receptacles have their own {plan.Book.Division.Receptacles} circuit")
        : InKitchen(box) && circuit.Kind != CircuitKind.SmallAppliance && plan.Book.Division.ReceptaclesOfCounterCircuit is not null
        ? box.Box.ServesCounter ? (RuleId.KitchenOnSmallAppliance, "receptacles at counters are on the counter circuits") : null
        : InKitchen(box) && circuit.Kind != CircuitKind.SmallAppliance
        ? (RuleId.KitchenOnSmallAppliance, "kitchen, dining and pantry receptacles are on the small-appliance circuits")
        : null;

    // A shed or a workshop is a building, and no room of a dwelling.
    private static bool InUtilityRoom(Checked plan, PlacedBox box) => box.Room.Room.Use == RoomUse.Utility && box.HasGeneralReceptacle
        && !box.Box.Outside && !plan.House.Structures[box.Place.Structure].Structure.Accessory;

    private static bool InKitchen(PlacedBox box) => box.Room.Room.Use is RoomUse.Kitchen or RoomUse.Dining or RoomUse.Pantry;

    private static IEnumerable<Tag> Numbers(Checked plan)
    {
        var main = plan.Job.Panels.First(p => p.FedFrom is null);
        if (plan.House.Rooms.Any(r => r.Room.Use == RoomUse.Kitchen)
            && plan.Circuits.Count(c => c.Circuit.Kind == CircuitKind.SmallAppliance) < 2)
        {
            yield return new(Severity.Red, Stage.Circuits, Subject.Panel(main.Id), plan.Book.Cite(RuleId.SmallApplianceCircuits),
                $"Fewer than two {plan.Book.Division.CounterWord} circuits.",
                $"A kitchen has two or more {plan.Book.Division.CountersOf(plan.Job.Schools)} circuits for its receptacles. "
                    + "Place more kitchen receptacles.");
        }

        // 210.52(B)(3): a kitchen's counters on two circuits at least, none of them shared with another kitchen.
        var counters = plan.Circuits.SelectMany(c => c.Circuit.Boxes.Select(b => (Circuit: c, Box: plan.Survey[b])))
            .Where(x => x.Box.Box.ServesCounter && x.Box.HasGeneralReceptacle && x.Box.Room.Room.Use == RoomUse.Kitchen).ToList();
        foreach (var kitchen in counters.GroupBy(x => x.Box.Room.Room).Where(k => k.Count() > 1
            && k.Select(x => x.Circuit.Circuit.Key).Distinct().Count() < 2))
        {
            yield return Red(kitchen.First().Circuit, plan.Book.Cite(RuleId.CounterCircuits),
                $"All counter receptacles of {kitchen.Key.Name} are on one circuit.",
                $"A kitchen’s counters are fed by two {plan.Book.Division.CounterWord} circuits at least.",
                Unpin(plan, kitchen.First().Circuit));
        }

        foreach (var circuit in counters.GroupBy(x => x.Circuit).Where(c => c.Select(x => x.Box.Room.Room.Id).Distinct().Count() > 1))
        {
            yield return Red(circuit.Key, plan.Book.Cite(RuleId.CounterCircuits), "Counters of two kitchens are on one circuit.",
                $"{string.Join(" and ", circuit.Select(x => x.Box.Room.Room.Name).Distinct())}: no {plan.Book.Division.CounterWord} "
                    + "circuit serves more than one kitchen.", Unpin(plan, circuit.Key));
        }

        // The floor area is the dwelling's, and so are the circuits, whichever panel they land in; an outbuilding's are not.
        var general = plan.Circuits.Where(c => c.Circuit.IsGeneral && !c.Circuit.Boxes.All(b => plan.Survey[b].Accessory)).ToList();
        var least = plan.Book.Division.LeastGeneralCircuits(plan.Survey.FloorArea, plan.Book.Division.Lights);
        var carried = general.Select(c => plan.Book.Division.Carried(c.Breaker)).Total();
        var asked = plan.Book.Division.GeneralLoad(plan.Survey.FloorArea);
        if (carried < asked && LeastGeneral.IsAsked(plan.Survey))
        {
            yield return new(Severity.Red, Stage.Circuits, Subject.Panel(main.Id), plan.Book.Cite(RuleId.GeneralCircuits),
                "Too few general circuits for the floor area.",
                $"{plan.Survey.FloorArea} × 3 VA = {asked}; {general.Count} circuits carry {carried}. At least {least} of 15 A.");
        }
    }

    // 210.11(B): the load evenly among the general circuits of a panel. The book gives no measure of even: here, twice what the others of
    // its kind carry on the mean.
    private static IEnumerable<Tag> Shares(Checked plan)
    {
        foreach (var alike in plan.Circuits.Where(c => c.Circuit.IsGeneral).GroupBy(c => (c.Circuit.Panel, c.Circuit.Kind, c.Breaker))
            .Where(g => g.Count() > 1))
        {
            foreach (var circuit in alike)
            {
                var own = circuit.Circuit.Load.Connected;
                var mean = new VoltAmps((alike.Sum(c => c.Circuit.Load.Connected.Value) - own.Value) / (alike.Count() - 1));
                if (own.Value > 2 * mean.Value && own.Value / plan.Book.Division.Carried(alike.Key.Breaker).Value
                    * 100 > plan.Job.Aims.WantedFill.Value)
                {
                    yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit.Circuit.Key),
                        plan.Book.Cite(RuleId.EvenCircuits), "Carries more than twice its like: the load is to be shared evenly.",
                        $"{own} here, {mean} on the mean of the other {alike.Count() - 1} of its kind. Move boxes over, or follow the "
                            + $"planner's division. The book gives no measure of even.");
                }
            }
        }
    }

    private static IEnumerable<Tag> Caps(Checked plan)
    {
        var local = plan.Book.Amended(AmendedRule.OutletsPerGeneralCircuit);
        foreach (var circuit in plan.Circuits.Where(c => c.Circuit.IsGeneral))
        {
            var outlets = circuit.Circuit.Boxes.Count(b => plan.Survey[b].HasOutlet);
            if (local?.Value is int cap && outlets > cap)
            {
                yield return Red(circuit, CodeBook.Cite(local), "More outlets than the local authority allows on one circuit.",
                    $"{outlets} > {cap}. Local: not in the {plan.Book.Called}.", Unpin(plan, circuit));
            }
            else if (outlets > plan.Book.Division.MostOutlets)
            {
                yield return Red(circuit, plan.Book.Cite(RuleId.OutletCap), "More outlets than a circuit may have.",
                    $"{outlets} > {plan.Book.Division.MostOutlets}, each taken as "
                        + $"{plan.Book.Division.Receptacle / plan.Book.Supply.ToNeutral}.", Unpin(plan, circuit));
            }
            else if (outlets > plan.Job.HouseRules.OutletsPerCircuit)
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit.Circuit.Key),
                    plan.Book.OwnCap,
                    "More outlets than the crew puts on one circuit.",
                    $"{outlets} > {plan.Job.HouseRules.OutletsPerCircuit}. {(plan.Book.Division.MostOutlets is int most
                        ? $"The book allows {most}." : $"The {plan.Book.Called} has no number for dwellings.")}");
            }
        }
    }

    private static IEnumerable<Tag> LoosePins(Checked plan)
    {
        var keys = plan.Circuits.Select(c => c.Circuit.Key).ToHashSet();
        var loose = plan.Job.Pins.Breakers.Select(p => (p.Circuit, Free: (JobChange)new PinBreaker(p.Circuit, null)))
            .Concat(plan.Job.Pins.Cables.Select(p => (p.Circuit, Free: (JobChange)new PinCable(p.Circuit, null))))
            .Concat(plan.Job.Pins.Spaces.Select(p => (p.Circuit, Free: (JobChange)new PinSpace(p.Circuit, null))))
            .Concat(plan.Job.Pins.Panels.Select(p => (p.Circuit, Free: (JobChange)new PinPanel(p.Circuit, null))));
        foreach (var pin in plan.Job.Pins.Panels.Where(p => plan.Circuits.FirstOrDefault(c => c.Circuit.Key == p.Circuit) is { } c
            && c.Circuit.Panel != p.Panel))
        {
            yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(pin.Circuit), "pin",
                $"A pin feeds this circuit from panel {pin.Panel}, which is in another building.",
                "A circuit stays in the building of its panel. Free the pin.")
            {
                Fixes = [new Fix("Free the pin", new PinPanel(pin.Circuit, null))],
            };
        }

        var all = plan.Circuits.Select(c => c.Circuit).ToList();
        foreach (var pin in plan.Job.Pins.Together)
        {
            if (Multiwire.WhyNot(pin, all, plan.Job) is { } why)
            {
                yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(keys.Contains(pin.One) ? pin.One : pin.Other), "pin",
                    $"{pin.One.Words} and {pin.Other.Words} were put together, and go apart.",
                    $"{char.ToUpperInvariant(why[0])}{why[1..]}.")
                {
                    Fixes = [new Fix("Free the pin", new PinTogether(pin.One, pin.Other, null))],
                };
            }
        }

        foreach (var (circuit, pin) in plan.Job.Pins.Boxes.Select(p =>
            (Circuit: plan.Circuits.FirstOrDefault(c => c.Circuit.Boxes.Contains(p.Box)), p))
            .Where(x => x.Circuit is not null && x.Circuit.Circuit.Key != x.p.Circuit))
        {
            yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit!.Circuit.Key), "pin",
                $"{plan.Survey[pin.Box].Name} is pinned to circuit {pin.Circuit.Words}, and cannot be on it.",
                "That circuit is in another building, is a feeder, or has not what is tied to this box. Free the pin, or pin it elsewhere.")
            {
                Fixes = [new Fix($"Unpin {plan.Survey[pin.Box].Name}", new PinBox(pin.Box, null))],
            };
        }

        foreach (var (circuit, free) in loose.Where(p => !keys.Contains(p.Circuit)))
        {
            yield return new(Severity.Amber, Stage.Circuits, Subject.Circuit(circuit), "pin",
                $"A pin names circuit {circuit.Words}, which is not in the plan now.",
                "Its boxes are on other circuits. Free the pin, or put the boxes back.")
            {
                Fixes = [new Fix("Free the pin", free)],
            };
        }
    }

    private static Fix[] Unpin(Checked plan, WiredCircuit circuit) =>
        [.. plan.Job.Pins.Boxes.Where(p => circuit.Circuit.Boxes.Contains(p.Box))
            .Select(p => new Fix($"Unpin {plan.Survey[p.Box].Name}", new PinBox(p.Box, null)))];

    private static Fix[] Divided(Checked plan, WiredCircuit circuit, Nameplate heater) =>
        [.. circuit.Circuit.Boxes.SelectMany(b => plan.Survey[b].Box.Devices.Select((d, i) => (Box: b, Device: d, Place: i)))
            .Where(x => x.Device.Plate == heater).Take(1)
            .Select(x => new Fix($"Divide it into {DivideHeater.Supplies(heater, plan.Book)} supplies", new DivideHeater(x.Box, x.Place)))];

    private static Tag Red(WiredCircuit circuit, Citation rule, string headline, string sum, Fix[] fixes) =>
        new(Severity.Red, Stage.Circuits, Subject.Circuit(circuit.Circuit.Key), rule, headline, sum) { Fixes = [.. fixes] };
}
