using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Checks;

/// <summary>Tags on cable: protected by its breaker, large enough, not too far, not through what cannot be crossed.</summary>
internal static class RunChecks
{
    public static IEnumerable<Tag> Check(Checked plan) => plan.Circuits.Where(c => c.HomeRun is not null).SelectMany(c => Check(plan, c))
        .Concat(InSlab(plan)).Concat(IdleWays(plan)).Concat(PipeChecks.Check(plan)).Concat(TrenchChecks.Check(plan)).Concat(Supplies(plan))
        .Concat(Feeders(plan));

    // What is poured in is not opened for a pull box (352.26).
    private static IEnumerable<Tag> InSlab(Checked plan) => plan.Circuits.SelectMany(c => c.Runs)
        .Where(r => r.Way.SlabDegrees > Raceway.MostDegrees).Select(r => new Tag(Severity.Red, Stage.Runs, Subject.Run(r.Id),
            plan.Book.Cite(RuleId.PlasticBends), $"The pipe in the slab to {r.To.Name} bends too much.",
            $"{r.Way.SlabDegrees}° between its two ends; at most {Raceway.MostDegrees}°, and no box can be set in a slab. Feed it "
                + "from a box that lies straighter to it."));

    // 225.30: a building without a panel has one supply, one branch circuit or one multiwire circuit.
    private static IEnumerable<Tag> Supplies(Checked plan)
    {
        foreach (var building in plan.House.Structures.Where(s => !plan.Job.Panels.Any(p => plan.House.Room(p.Room).Structure == s.Index)))
        {
            var fed = plan.Circuits.Where(c => c.Circuit.Boxes.Any(b => plan.Survey[b].Place.Structure == building.Index)).ToList();
            if (fed.Count > 1)
            {
                yield return new(Severity.Red, Stage.Runs, Subject.Structure(building.Structure.Id), plan.Book.Cite(RuleId.OneSupply),
                    $"{building.Structure.Name} is fed by {fed.Count} circuits.",
                    "A building has one supply: one branch circuit, or a feeder and a panel. Put a panel in it, or take equipment away.");
            }

            if (fed.Count > 0 && !building.Structure.Accessory)
            {
                yield return new(Severity.Amber, Stage.Runs, Subject.Structure(building.Structure.Id),
                    plan.Book.Cite(RuleId.OccupantsReach), $"Whoever lives in {building.Structure.Name} has no panel there.",
                    $"Its breaker is in panel {fed[0].Circuit.Panel}. Who lives in a dwelling reaches its breakers; it needs a panel of "
                        + "its own if another household does.");
            }
        }
    }

    // 225.30: however many panels, one feeder. 225.33: no more than six throws shut a building off.
    private static IEnumerable<Tag> Feeders(Checked plan)
    {
        foreach (var building in plan.House.Structures.Where(s => s.Structure.Accessory))
        {
            bool Here(PanelId id) => plan.House.Room(plan.Job.Panels.First(p => p.Id == id).Room).Structure == building.Index;
            var fed = plan.Job.Panels.Where(p => Here(p.Id) && p.FedFrom is { } from && !Here(from)).ToList();
            if (fed.Count > 1)
            {
                yield return new(Severity.Red, Stage.Runs, Subject.Structure(building.Structure.Id), plan.Book.Cite(RuleId.OneSupply),
                    $"{building.Structure.Name} is fed by {fed.Count} feeders.",
                    $"A building has one supply. Feed panel {fed[1].Id} from panel {fed[0].Id}.");
            }

            foreach (var panel in fed.Where(p => p.Listing.MainLugs))
            {
                var throws = plan.Circuits.Count(c => c.Circuit.Panel == panel.Id && !c.Circuit.ByLugs) + panel.Taken.Length;
                if (throws > plan.Book.Service.MostThrows)
                {
                    yield return new(Severity.Red, Stage.Runs, Subject.Panel(panel.Id), plan.Book.Cite(RuleId.BuildingThrows),
                        $"{building.Structure.Name} is shut off by {throws} throws.",
                        $"Panel {panel.Id} has main lugs only; at most {plan.Book.Service.MostThrows} throws shut a building off. Give it "
                            + "a main breaker.")
                    {
                        Fixes = [new Fix("It has a main breaker",
                            new SetPanel(panel with { Listing = panel.Listing with { MainLugs = false } }))],
                    };
                }
            }
        }
    }

    // A way that was drawn for a run between boxes that no longer feed each other is kept, and said to be idle.
    private static IEnumerable<Tag> IdleWays(Checked plan)
    {
        if (plan.Job.Pins.Ways.IsEmpty)
        {
            yield break;
        }

        var runs = plan.Circuits.SelectMany(c => c.Runs).Select(r => r.Id).ToHashSet();
        foreach (var idle in plan.Job.Pins.Ways.Where(w => !runs.Any(r => w.Run.IsMeantFor(r))))
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Run(idle.Run), "held ways",
                "A way is held for a run that is no longer pulled.",
                $"Between {idle.Run.Ends}: the boxes are fed another way now. Free it, or put the boxes back.")
            {
                Fixes = [new Fix("Free the way", new PinWay(idle.Run, []))],
            };
        }
    }

    private static IEnumerable<Tag> Check(Checked plan, WiredCircuit circuit)
    {
        var sized = circuit.Sized;
        Amps breaker = sized.Breaker.Value, ampacity = sized.Ampacity.Value;
        var gauge = sized.Gauge.Value;
        var plates = circuit.Circuit.Boxes.SelectMany(b => plan.Survey[b].Plates).ToList();
        var plate = plates.Count == 1 ? plates[0] : null;
        Tag Red(Citation rule, string headline, string sum) =>
            new(Severity.Red, Stage.Runs, Subject.Circuit(circuit.Circuit.Key), rule, headline, sum) { Fixes = [.. Free(plan, circuit)] };

        if (!plan.Book.StandardRatings.Contains(breaker))
        {
            yield return Red(plan.Book.Cite(RuleId.StandardRatings), $"There is no standard {breaker} breaker.",
                $"The next standard ratings are {plan.Book.StandardAtMost(breaker)?.ToString() ?? "none"} and "
                + $"{plan.Book.StandardAtLeast(breaker)?.ToString() ?? "none"}.");
        }

        if (plate?.Mocp is Amps most)
        {
            if (breaker > most)
            {
                yield return Red(plan.Book.Cite(RuleId.CompressorBreaker, RuleId.ListedUse),
                    $"The breaker is larger than {plate.Name} allows.", $"{breaker} > MOCP {most}.");
            }

            if (ampacity < plate.Mca!.Value)
            {
                yield return Red(plan.Book.Cite(RuleId.CompressorMinimum), $"The cable is too small for {plate.Name}.",
                    $"{gauge} carries {ampacity}; the plate asks for {plate.Mca}.");
            }
        }
        else
        {
            if (circuit.Circuit.Kind != CircuitKind.Feeder && plan.Book.Conductors.SmallConductorLimit(gauge, Metal.Copper) is Amps limit
                && breaker > limit)
            {
                yield return Red(plan.Book.Cite(RuleId.SmallConductors), $"{gauge} copper is behind a {breaker} breaker.",
                    $"At most {limit} on {gauge} copper. Use a {limit} breaker, or larger cable.");
            }
            else if (sized.Feeding is { CarriesDwelling: true } && plan.Book.Service.EasesWholeDwelling(breaker))
            {
                // The 83 per cent is the permission itself: no next size up is asked for.
                var share = plan.Book.Service.WholeDwelling * breaker;
                if (ampacity < share)
                {
                    yield return Red(plan.Book.Cite(RuleId.DwellingConductors), "The feeder is too small for the dwelling it carries.",
                        $"{gauge} carries {ampacity}; {plan.Book.Service.WholeDwelling} of {breaker} is {share}.");
                }
            }
            else if (!plan.Book.Protects(breaker, ampacity, circuit.Circuit.Load.PortableReceptacles
                && circuit.Circuit.Kind != CircuitKind.Feeder))
            {
                yield return Red(plan.Book.Cite(RuleId.NextSizeUp), "The breaker does not protect the cable where it lies.",
                    $"{breaker} > {ampacity} for {gauge} copper.");
            }

            if (circuit.Circuit.Kind != CircuitKind.Feeder && ampacity < circuit.Circuit.Load.Required)
            {
                yield return Red(plan.Book.Cite(RuleId.BranchConductors), "The load is more than the cable may carry.",
                    $"{circuit.Circuit.Load.Required} > {ampacity} for {gauge} copper.");
            }

            if (plate is { Appliance: Appliance.Range } && plan.Book.Demand.LeastRangeCircuit(plate.Load) is Amps floor && breaker < floor)
            {
                yield return Red(plan.Book.Cite(RuleId.RangeConductors), $"The circuit is too small for {plate.Name}.",
                    $"A range of {plan.Book.Demand.RangeOfLeastCircuit} or more has at least {floor}; this one has {breaker}.");
            }
        }

        if (sized is { Ground: null, GroundNeeded: { } ground } && plan.Book.Conductors.GroundWith(sized.HomeRunGauge) is var brought
            && ground > brought)
        {
            yield return Red(plan.Book.Cite(RuleId.GroundGrows), "The ground in the cable is too small for its conductors.",
                $"{sized.HomeRunGauge.Words} behind {breaker}, larger than it need be: its ground grows with it to {ground.Words}, and the "
                    + $"cable "
                    + $"brings {brought}. Take conductors that the cable’s ground goes with, or loose ones in a pipe.");
        }

        if (sized.Feeding is { } feeding && breaker < feeding.Current)
        {
            yield return Red(plan.Book.Cite(RuleId.FeederProtection), "The feeder's breaker is smaller than what it carries.",
                $"{feeding.Current} > {breaker}: {string.Join(" + ", feeding.Chosen.Lines.Select(l => $"{l.Text} {l.Counted}"))}.");
        }

        if (plan.Book.MostDrop is { } allowed && (circuit.Drop > allowed.Branch || Together(plan, circuit) > allowed.Together))
        {
            var together = Together(plan, circuit);
            yield return Red(plan.Book.Cite(RuleId.VoltageDropLimit), "More voltage is lost than the book allows.",
                $"{circuit.Drop.Value:0.00} % in the circuit, {together.Value:0.00} % from the service; at most {allowed.Branch} and "
                    + $"{allowed.Together} together. Pull it one size larger, or give it fewer boxes.") with
            { Fixes = [.. Remedies(plan, circuit)] };
        }
        else if (circuit.Drop > plan.Job.HouseRules.DropTarget)
        {
            yield return new(Severity.Amber, Stage.Runs, Subject.Circuit(circuit.Circuit.Key), plan.Book.Cite(RuleId.VoltageDropNote)
                .With("house rule"), "More voltage is lost than the crew wants.",
                $"{circuit.Drop.Value:0.00} % at the far end, wanted {plan.Job.HouseRules.DropTarget}. Pull it one size larger, or "
                    + $"give it fewer boxes.")
            {
                Fixes = [.. Remedies(plan, circuit)],
            };
        }

        foreach (var run in sized.Routed.Runs.Where(r => r.Way.Blocked))
        {
            yield return new(Severity.Red, Stage.Runs, Subject.Run(run.Id), "routing",
                $"The run from {run.From.Name} to {run.To.Name} crosses what cannot be crossed.",
                run.IsPinned ? "One of the places it is held by lies outside the building, or no way leads round to it. Move the place, "
                + "or free the way." : "No way around was found. Move the box or the obstruction.")
            {
                Fixes = run.IsPinned ? [new Fix("Free the way", new PinWay(run.Id, []))] : [],
            };
        }
    }

    // What is lost on the way to a circuit's panel and in it: the feeders before it count with the volts they leave.
    private static Percent Together(Checked plan, WiredCircuit circuit)
    {
        var lost = circuit.Drop;
        for (var panel = circuit.Circuit.Panel; plan.Circuits.FirstOrDefault(c => c.Circuit.Feeds == panel) is { } feeder;
            panel = feeder.Circuit.Panel)
        {
            lost += feeder.Drop;
        }

        return lost;
    }

    // In order of cost: the home run one size up, the whole circuit one size up, the far half on a circuit of its own. The order of the
    // boxes is the shortest already.
    private static IEnumerable<Fix> Remedies(Checked plan, WiredCircuit circuit)
    {
        var sized = circuit.Sized;
        if (circuit.Circuit.Kind == CircuitKind.Feeder || plan.Book.Conductors.Next(sized.Gauge.Value) is not Gauge next)
        {
            yield break;
        }

        string Drop(SizedCircuit with) => Drops.Measure(with).Drop.Value.OneDecimal;
        var home = sized.Routed.HomeRun!;
        if (sized.HomeRunGauge == sized.Gauge.Value)
        {
            var own = plan.Job.CircuitSchools.FirstOrDefault(c => c.Circuit == circuit.Circuit.Key)
                ?? new CircuitSchools { Circuit = circuit.Circuit.Key };
            yield return new($"Home run in {next}, {home.Length.Value.Cut(plan.Job.Schools.Measure)}: "
                + $"{Drop(sized with { HomeRunGauge = next })}", new SetCircuitSchools(own with { HomeRun = HomeRunSize.OneLarger }));
        }

        yield return new($"All of it in {next}, {sized.Routed.Footage.Cut(plan.Job.Schools.Measure)}: "
            + $"{Drop(sized with { HomeRunGauge = next, Gauge = new(next, sized.Gauge.Why) })}", new PinCable(circuit.Circuit.Key, next));
        var order = sized.Routed.Runs.Where(r => r.Kind is RunKind.HomeRun or RunKind.Jumper).Select(r => r.To.Box!.Value).ToList();
        if (order.Count > 3 && circuit.Circuit.IsGeneral)
        {
            yield return new($"The far {order.Count / 2} boxes on a circuit of their own",
                new SplitCircuit([.. order.Skip(order.Count - (order.Count / 2))]));
        }
    }

    private static IEnumerable<Fix> Free(Checked plan, WiredCircuit circuit)
    {
        var key = circuit.Circuit.Key;
        foreach (var fix in CircuitChecks.Unrate(plan, circuit))
        {
            yield return fix;
        }

        if (plan.Job.Pins.Cables.Any(p => p.Circuit == key))
        {
            yield return new("Free the cable", new PinCable(key, null));
        }
    }
}
