using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rulings;

/// <summary>Rulings on one circuit.</summary>
public static class CircuitRulings
{
    /// <summary>What there is to rule on: some questions arise on some circuits only.</summary>
    public static IEnumerable<RulingTopic> Topics(Landed landed)
    {
        var circuit = landed.Wired.Circuit;
        var book = landed.Sized.Book;
        var shares = circuit.Kind is not (CircuitKind.Individual or CircuitKind.Feeder)
            && book.Division.HoldsToShares(landed.Sized.Breaker.Value, circuit.Load.Volts);
        return Enum.GetValues<RulingTopic>().Where(t => t switch
        {
            RulingTopic.HalfRating => shares && circuit.Poles == 1 && circuit.Load.Items.Any(i => i.Use == LoadUse.Fastened),
            RulingTopic.ContinuousLoads => circuit.Kind != CircuitKind.Feeder,
            RulingTopic.OutletCap => circuit.IsGeneral,
            RulingTopic.SharedBaths => circuit.Kind == CircuitKind.Bathroom && book.Division.KeepsBathroomsApart,
            RulingTopic.Protection => circuit.Kind != CircuitKind.Feeder,
            _ => true,
        });
    }

    /// <summary>The ruling on a topic.</summary>
    public static Ruling On(Plan plan, Landed landed, RulingTopic topic)
    {
        var circuit = landed.Wired.Circuit;
        var sized = landed.Sized;
        var sheet = topic switch
        {
            RulingTopic.HalfRating => HalfRating(plan, circuit, sized.Breaker.Value),
            RulingTopic.ContinuousLoads => Continuous(plan, circuit, sized.Breaker.Value),
            RulingTopic.OutletCap => Cap(plan, circuit, sized.Breaker.Value),
            RulingTopic.SharedBaths => Baths(plan, circuit, sized.Breaker.Value),
            RulingTopic.Protection => Protection(plan, landed.Protected),
            RulingTopic.Breaker =>
                Figure($"Why is the breaker {sized.Breaker.Value}?",
                    $"{sized.Breaker.Value}, {(circuit.Poles == 2 ? "two poles" : "one pole")}.", sized.Breaker.Why,
                    new(plan.Book.Cite(RuleId.ContinuousLoad, RuleId.ConductorProtection),
                        "The device is rated for the load with 125 % of what is continuous, and protects the smallest conductor behind "
                        + "it.")),
            RulingTopic.Conductor =>
                Figure($"Why {sized.Gauge.Value.Words}?",
                    $"{sized.Gauge.Value.Words} copper, {sized.Cable}; it may carry {sized.Ampacity.Value} where it lies worst.",
                    sized.Gauge.Why.Then(sized.Ampacity.Why),
                    new($"{plan.Book.Cite(RuleId.AmpacityTable)}, {plan.Book.Cite(RuleId.TerminationTemperature)}, "
                        + $"{plan.Book.Cite(RuleId.SmallConductors)}",
                        "Ampacity by the lowest termination temperature, corrected for heat and company, against the breaker.")),
            RulingTopic.Space =>
                Figure($"Why space {landed.SpaceText}?",
                    $"Panel {circuit.Panel}, space {landed.SpaceText}, {(circuit.Poles == 2 ? "on both legs" : "on one leg")}.",
                    landed.Why, new(plan.Book.Cite(RuleId.CircuitNames, RuleId.CommonTrip),
                        "Every circuit is told legibly and specifically at its space; the poles of one two-pole device stand on both "
                        + $"legs. Which space it is, the {plan.Book.Called} leaves to whoever lands it.")),
            RulingTopic.VoltageDrop =>
                Figure("How much voltage is lost?", $"{sized.Drop.Value} at the far end.", sized.Drop.Why,
                    new(plan.Book.Cite(RuleId.VoltageDropAdvice),
                        plan.Book.MostDrop is { } most
                            ? $"At most {most.Branch} in the branch circuit or the feeder, and {most.Together} together: a rule."
                            : $"3 % at the farthest outlet is advice; the {plan.Book.Called} does not require it of a branch circuit.")),
            _ => Figure("Why are these boxes on one circuit?", $"{circuit.Boxes.Length} boxes on {sized.Breaker.Value}.", circuit.Why,
                new(plan.Book.Cite(RuleId.BranchCircuitsRequired, RuleId.PermissibleLoads),
                    "What a circuit must be for, and what it may carry.")),
        };
        return sheet with { About = $"Panel {circuit.Panel}, space {landed.SpaceText}: {landed.Description}" };
    }

    private static Ruling HalfRating(Plan plan, Circuit circuit, Amps rating)
    {
        var load = circuit.Load;
        Amps fastened = load.Fastened, half = new(rating.Value * .50m);
        var others = load.Items.Where(i => i.Use != LoadUse.Fastened).ToList();
        var alone = others.Count == 0;
        var sum = Because.Of("The sum");
        foreach (var item in load.Items.Where(i => i.Use == LoadUse.Fastened))
        {
            sum = sum.Job($"{item.Name}, fastened in place: {item.Load} / {load.Volts}", (item.Load / load.Volts).ToString());
        }

        sum = sum.Plan("fastened in place, together", fastened.ToString());
        sum = alone
            ? sum.Plan("lights and plugged loads on the same circuit", "none")
            .Book($"all of the rating may be used, continuous loads × 1.25: {load.Required}", load.Required <= rating ? $"≤ {rating}"
                : $"> {rating}", plan.Book.Cite(RuleId.ContinuousLoad))
            : sum.Plan("lights and plugged loads on the same circuit", $"{others.Count}")
            .Book($"50 % of {rating} = {half}", fastened <= half ? $"{fastened} ≤ {half}" : $"{fastened} > {half}",
                plan.Book.Cite(RuleId.PermissibleFifteenTwenty));
        return new()
        {
            About = "",
            Question = alone ? "Does the half-rating rule bind this circuit?"
                : "May this equipment share a circuit with lights or plugged loads?",
            Answer = alone ? $"No. Nothing but equipment fastened in place is on it, so it may fill the circuit: {load.Required} "
                + $"{(load.Required <= rating ? "fits" : "does not fit")} {rating}."
                : fastened <= half ? $"Yes. What is fastened in place takes {fastened}, half of the rating is {half}."
                : $"No. What is fastened in place takes {fastened}, more than {half}, half of the rating. Give it a circuit of its own.",
            Lines = Items(load),
            Sum = sum,
            Governs = alone ? new(plan.Book.Cite(RuleId.ContinuousLoad, RuleId.PermissibleLoads),
                "A circuit of several outlets may be loaded to its rating, continuous load at 125 %. The paragraph on half of the rating "
                + "asks for company: lights, or plugged equipment that is not fastened.")
                : new(plan.Book.Cite(RuleId.PermissibleFifteenTwenty),
                    "Equipment fastened in place, other than luminaires, takes at most half of a 15 or 20 A circuit that also supplies "
                    + "lighting, plugged equipment that is not fastened, or both."),
            Quoted = new(plan.Book.Cite(RuleId.PermissibleFifteenTwenty),
                "Often read as “no fixed load over half of any circuit”. The half belongs to circuits that also feed lights or portable "
                + "cord-and-plug loads, and to no other."),
            Local = NoLocal,
        };
    }

    private static Ruling Continuous(Plan plan, Circuit circuit, Amps rating)
    {
        var load = circuit.Load;
        var long3 = load.Items.Where(i => i.Continuous).ToList();
        var sum = Because.Of("The sum").Plan("connected", load.Current.ToString());
        if (load.Items.Any(i => i.Demand != i.Load))
        {
            sum = sum.Book("a household range at its demand, not its nameplate", load.Items.Select(i => i.Demand).Total().ToString(),
                plan.Book.Cite(RuleId.CookingBranchCircuit));
        }

        foreach (var item in long3)
        {
            sum = sum.Book($"{item.Name}: {item.Demand / load.Volts} × 1.25", (item.Required / load.Volts).ToString(),
                Section(plan, circuit, item));
        }

        if (load.LargestMotor is { } motor)
        {
            var quarter = new VoltAmps(motor.Load.Value / 4) / load.Volts;
            var rule = plan.Book.Cite(load.Items.Length == 1 ? RuleId.MotorConductors : RuleId.MotorWithOthers);
            sum = load.QuarterOf is null
                ? sum.House($"{motor.Name}, the largest motor: its quarter, {quarter}, is left out ({rule} adds it: "
                    + $"{load.Required + quarter})",
                    "0 A", "crew's way: a motor beside other loads")
                : sum.Book($"{motor.Name}, {(load.Items.Length == 1 ? "a motor" : "the largest motor")}: {motor.Load / load.Volts} × 0.25; "
                    + $"without it {load.Required - quarter}", quarter.ToString(), rule);
        }

        sum = sum.Book("100 % of what is not continuous and 125 % of what is", load.Required.ToString(),
            plan.Book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad))
            .Book("against the breaker", load.Required <= rating ? $"{load.Required} ≤ {rating}" : $"{load.Required} > {rating}",
                plan.Book.Cite(RuleId.ContinuousLoad));
        return new()
        {
            About = "",
            Question = "Is any of this load continuous, and is the breaker large enough?",
            Answer = long3.Count == 0
                ? $"Nothing on it is taken to run for three hours or more. {load.Required} against {rating}: "
                + $"{(load.Required <= rating ? "it may be filled to its rating" : "too much")}."
                : $"{string.Join(", ", long3.Select(i => i.Name))} at 125 %: {load.Required} against {rating}, "
                + $"{(load.Required <= rating ? "which carries it" : "which is too small")}.",
            Lines = Items(load),
            Sum = sum,
            Governs = plan.Book.Division.MostOutlets is not null
                ? new(plan.Book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad),
                    "What runs for long takes at most 80 % of the breaker: the same as 125 % of that load.")
                : new(plan.Book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad),
                "The rating is no less than the load that is not continuous plus 125 % of the load that is. Continuous: expected at its "
                + "most for three hours or longer (article 100)."),
            Quoted = plan.Book.Division.MostOutlets is not null ? null : new(plan.Book.Cite(RuleId.PermissibleFifteenTwenty),
                "“Only 80 % of any breaker” is that same 125 % told the other way, and holds for continuous load only. The 80 % of this "
                + "section is another: one plugged appliance on a 15 or 20 A circuit."),
            Local = NoLocal,
        };
    }

    private static Citation Section(Plan plan, Circuit circuit, LoadItem item) =>
        plan.Survey[item.Box].Plates.FirstOrDefault(p => p.Name == item.Name)?.Appliance switch
        {
            Appliance.WaterHeater => plan.Book.Cite(RuleId.WaterHeaterLoad),
            Appliance.VehicleCharger => plan.Book.Cite(RuleId.VehicleContinuous),
            Appliance.HotTub => plan.Book.Cite(RuleId.HotTubLoad),
            Appliance.SpaceHeater or Appliance.FloorHeating or Appliance.SaunaHeater => plan.Book.Cite(RuleId.SpaceHeating),
            Appliance.Dishwasher => "crew's way: a dishwasher is continuous",
            _ => circuit.Kind == CircuitKind.Individual ? "nameplate" : plan.Book.Cite(RuleId.BranchConductors),
        };

    private static Ruling Cap(Plan plan, Circuit circuit, Amps rating)
    {
        var outlets = circuit.Boxes.Count(b => plan.Survey[b].HasOutlet);
        if (plan.Book.Division.MostOutlets is int allowed)
        {
            return Counted(plan, circuit, outlets, allowed);
        }

        var local = plan.Book.Amended(AmendedRule.OutletsPerGeneralCircuit);
        var crew = plan.Job.HouseRules.OutletsPerCircuit;
        var sum = Because.Of("The sum").Plan("outlets on it", $"{outlets}");
        sum = local?.Value is int cap
            ? sum.Local("the local number", $"{outlets} {(outlets <= cap ? "≤" : ">")} {cap}", CodeBook.Cite(local))
            : sum.House("the crew's own number", $"{outlets} {(outlets <= crew ? "≤" : ">")} {crew}", plan.Book.OwnCap);
        sum = sum.Assume("the estimated load all the same", $"{circuit.Load.Required} of {rating}")
            .Book($"circuits that the floor asks for: {plan.Survey.FloorArea} × 3 VA, of 15 A",
                $"{plan.Book.Division.LeastGeneralCircuits(plan.Survey.FloorArea, plan.Book.Division.Lights)}",
                plan.Book.Cite(RuleId.GeneralCircuits, RuleId.EvenCircuits));
        return new()
        {
            About = "",
            Question = "How many outlets may one general circuit of a dwelling have?",
            Answer = local?.Value is int most
                ? $"At most {most}: a local number, by {local.By}. It is not in the {plan.Book.Called}. This circuit has {outlets}."
                : $"The {plan.Book.Called} sets no number for dwellings: not in the {plan.Book.Called}; local. The crew stops at {crew}; "
                    + $"this circuit "
                + $"has {outlets}.",
            Lines = Items(circuit.Load),
            Sum = sum,
            Governs = new(plan.Book.Cite(RuleId.GeneralCircuits, RuleId.EvenCircuits, RuleId.LightingLoad),
                "The floor area sets how many general circuits there are at least, and the load is to be shared evenly among them. How "
                + "many outlets hang on one is not counted."),
            Quoted = new(plan.Book.Cite(RuleId.YokeLoad),
                "180 VA a yoke, from which 10 on 15 A and 13 on 20 A are worked out, counts receptacles of other occupancies. In "
                + "dwellings the general receptacles are in the 3 VA/ft² already; here it is an estimate for sharing load."),
            Local = local is null ? "No local number is entered in this job. If the authority has one, enter it as an amendment."
                : $"{local.By}: {local.Value} outlets. Local; not in the {plan.Book.Called}.",
        };
    }

    // Where a book counts outlets, the number is the answer.
    private static Ruling Counted(Plan plan, Circuit circuit, int outlets, int allowed)
    {
        var each = plan.Book.Division.Receptacle / plan.Book.Supply.ToNeutral;
        return new()
        {
            About = "",
            Question = "How many outlets may one general circuit of a dwelling have?",
            Answer = $"At most {allowed} on two wires. This circuit has {outlets}.",
            Lines = Items(circuit.Load),
            Sum = Because.Of("The sum").Plan("outlets on it", $"{outlets}")
                .Book($"{allowed} × {each}, 80 % of 15 A", $"{outlets} {(outlets <= allowed ? "≤" : ">")} {allowed}",
                    plan.Book.Cite(RuleId.OutletCap, RuleId.ContinuousLoad))
                .House("the crew's own number", $"{plan.Job.HouseRules.OutletsPerCircuit}", plan.Book.OwnCap),
            Governs = new(plan.Book.Cite(RuleId.OutletCap), $"Where a load is not known, an outlet is taken as {each}."),
            Local = NoLocal,
        };
    }

    private static Ruling Baths(Plan plan, Circuit circuit, Amps rating)
    {
        var rooms = circuit.Boxes.Select(b => plan.Survey[b].Room.Room).DistinctBy(r => r.Id).ToList();
        var others = circuit.Boxes.Select(b => plan.Survey[b]).Where(b => !b.HasGeneralReceptacle && b.HasOutlet).ToList();
        var fits = rating.Value == 20 && (others.Count == 0 || rooms.Count == 1);
        return new()
        {
            About = "",
            Question = rooms.Count > 1 ? "May several bathrooms share one 20 A circuit?" : others.Count > 0
                ? "May this bathroom's circuit feed more than its receptacles?"
                : "May this circuit serve the bathroom's receptacles alone?",
            Answer = !fits ? rating.Value != 20 ? "No: it is rated 20 A."
                : "No. With more than one bathroom on it, it has no other outlets."
                : others.Count > 0 ? $"Yes. It serves one bathroom only, so it may feed that room's lights and fan as well, each fixed "
                + $"load within {plan.Book.Cite(RuleId.PermissibleLoads)}."
                : rooms.Count > 1 ? $"Yes. It feeds the receptacles of {rooms.Count} bathrooms and has no other outlets."
                : "Yes. It has no other outlets, and could serve another bathroom's receptacles as well.",
            Lines = [.. circuit.Boxes.Select(b => plan.Survey[b])
                .Select(b => new RulingLine(b.Name, circuit.Load.At(b.Box.Id).ToString(), b.Room.Room.Name))],
            Sum = Because.Of("The sum").Plan("bathrooms on it", $"{rooms.Count}")
                .Plan("outlets that are no receptacles", $"{others.Count}")
                .Book("rating", rating.ToString(), plan.Book.Cite(RuleId.BathCircuit))
                .House(rooms.Count > 1 ? "baths may share one 20 A circuit" : "as the crew does it",
                    Words.Of(plan.Job.Schools.Baths), "crew's way: bath receptacles"),
            Governs = new(plan.Book.Cite(RuleId.BathCircuit),
                $"Bathroom receptacles are on one or more 20 A circuits with no other outlets; where such a circuit serves a single "
                + $"bathroom, it may feed that room's other equipment within {plan.Book.Cite(RuleId.PermissibleLoads)}."),
            Quoted = new(plan.Book.Cite(RuleId.BasinReceptacle),
                $"“Every bathroom needs its own circuit” is not there: this section says where the receptacle stands, "
                + $"{plan.Book.Cite(RuleId.BathCircuit)} what it is fed from, and that may be shared."),
            Local = NoLocal,
        };
    }

    private static Ruling Protection(Plan plan, ProtectedCircuit safe)
    {
        var outlets = safe.Circuit.Boxes.Select(b => (Box: plan.Survey[b], Outlet: safe.Outlets[b])).ToList();
        var first = outlets.Select(o => o.Outlet.Gfci ?? o.Outlet.Afci).FirstOrDefault(n => n is not null);
        var local = plan.Book.Amendments.Where(a => a.Rule is AmendedRule.NoAfciInKitchenAndLaundry or AmendedRule.NoGfciForCondensers)
            .Select(a => $"{a.By}: {Words.Of(a.Rule)}").ToList();
        var sections = outlets.SelectMany(o => new[] { o.Outlet.Afci?.Cite, o.Outlet.Gfci?.Cite }).OfType<Citation>().Distinct()
            .OrderBy(c => c.Text, StringComparer.Ordinal).ToList();
        string Where(BoxId box, OutletProtection o) => o.ResetAt is { } at ? at == box ? "its own device"
            : $"reset at {plan.Survey[at].Name}" : safe.BreakerIsGfci ? "reset at the panel" : "";
        return new()
        {
            About = "",
            Question = "What protection does this circuit need, and where is it reset?",
            Answer = first is null ? "None: no outlet on it is in a place, or of a kind, that asks for AFCI or GFCI."
                : $"{(safe.Mark.Length == 0 ? "A standard breaker" : $"A breaker of kind {safe.Mark}")}"
                + $"{(safe.Devices.IsEmpty ? "" : $" and {string.Join(", ", safe.Devices.OrderBy(d => d.Key.Value, StringComparer.Ordinal)
                    .Select(d => $"a {Protecting.Words(d.Value.Kind)} receptacle at {plan.Survey[d.Key].Name}"))}")}"
                + $". A circuit that serves protected and other places is protected.",
            Lines = [.. outlets.Select(o =>
                new RulingLine(o.Box.Name,
                    string.Join(" + ", new[] { o.Outlet.Afci is null ? null : "AFCI", o.Outlet.Gfci is null ? null
                        : "GFCI" }.OfType<string>().DefaultIfEmpty("–")),
                string.Join("; ", new[] { o.Outlet.Afci?.Section, o.Outlet.Gfci is { } g ? $"{g.Section} {g.Reason}" : null,
                    Where(o.Box.Box.Id, o.Outlet) }.Where(t => !string.IsNullOrEmpty(t)))))],
            Sum = safe.Kind.Why with { Question = "The reasons" },
            Governs = new(sections.Count == 0 ? plan.Book.Cite(RuleId.GroundFault, RuleId.ArcFault)
                : sections.Aggregate((all, one) => all.And(one)),
                "By place and by equipment, edition by edition. GFCI devices are readily accessible and protect themselves and what "
                + "hangs on their load terminals."),
            Quoted = !plan.Book.Has(RuleId.GroundFaultGarage) ? null : safe.BreakerIsGfci || outlets.Exists(o => o.Outlet.Gfci is not null)
                ? new(plan.Book.Cite(RuleId.GroundFault),
                    "“A freezer, a refrigerator or a door opener on a single receptacle is exempt”: that exception is long gone; the "
                    + "place decides. Nor must the device sit at the outlet: a breaker is as good.")
                : new(plan.Book.Cite(RuleId.ArcFault),
                    "“Only bedrooms”: the list of places has grown edition by edition. Bathrooms, garages, outdoors and unfinished "
                    + "spaces are not on it."),
            Local = local.Count == 0 ? NoLocal : $"{string.Join("; ", local)}. Local; not in the {plan.Book.Called}.",
        };
    }

    private static Ruling Figure(string question, string answer, Because sum, Cited governs) =>
        new() { About = "", Question = question, Answer = answer, Sum = sum, Governs = governs, Local = NoLocal };

    internal const string NoLocal = "No local amendment of this rule is entered in this job.";

    private static ImmutableArray<RulingLine> Items(CircuitLoad load) =>
    [
        .. load.Items.Select(i => new RulingLine(i.Name, $"{i.Load}, {i.Load / load.Volts}", string.Join(", ", new[]
        {
            i.Use switch { LoadUse.Fastened => "fastened in place", LoadUse.CordAndPlug => "plugged appliance",
                LoadUse.Lighting => "light", _ => "receptacle" }, i.Continuous ? "continuous" : "", i.Assumed ? "estimate" : "",
        }.Where(t => t.Length > 0)))),
    ];
}
