using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Conductors;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Takeoff;

/// <summary>One line of the material list.</summary>
/// <param name="Item">What it is.</param>
/// <param name="Unit">ft or m, each, holes.</param>
/// <param name="Quantity">How many.</param>
/// <param name="For">What for, or how it was counted.</param>
public sealed record MaterialLine(string Item, string Unit, int Quantity, string For)
{
    /// <summary>When it is needed on site.</summary>
    public MaterialPhase Phase { get; init; }
}

/// <summary>What one place takes.</summary>
/// <param name="Place">The place.</param>
/// <param name="Box">Its box.</param>
/// <param name="Devices">Its devices, without equipment that is wired in.</param>
/// <param name="Cover">Its plate or cover; null where a lamp or a machine covers it.</param>
public sealed record PlaceMaterial(PlacedBox Place, string Box, ImmutableArray<string> Devices, string? Cover);

/// <summary>When material is needed, as a supply house delivers it.</summary>
public enum MaterialPhase
{
    /// <summary>Before the walls are closed.</summary>
    Rough,

    /// <summary>After paint: devices, plates, breakers.</summary>
    Trim,

    /// <summary>At the service and at other buildings: panels, electrodes, disconnects.</summary>
    Service,
}

/// <summary>Counts from the paths everything that holds, joins and guards the cable.</summary>
public static class Hardware
{
    /// <summary>Edge of a hole to the nearest face of the stud, less than which a steel plate guards it: 300.4(A)(1).</summary>
    public static Length LeastEdge { get; } = Length.FromInches(1.25m);

    /// <summary>The material list: cable with waste, boxes, devices, breakers, connectors, staples, plates, caulk, raceway, and the holes
    /// to bore.</summary>
    public static ImmutableArray<MaterialLine> Of(Plan plan)
    {
        var places = plan.Survey.Boxes.Select(b => At(plan, b)).ToList();
        return
        [
            .. Cable(plan), .. Pipes(plan), .. Counted(places.Select(p => p.Box), "boxes"), .. JointMaterial.Of(plan), .. Staples(plan),
            .. AtticBoards.Of(plan), .. Guards(plan), .. Holes(plan), .. LowVoltageMaterial.Rough(plan),
            .. In(MaterialPhase.Trim, Counted(places.SelectMany(p => p.Devices), "devices").Concat(TrimMaterial.Of(plan, places))
                .Concat(Breakers(plan)).Concat(LowVoltageMaterial.Trim(plan))),
            .. In(MaterialPhase.Service, TrimMaterial.Panels(plan).Concat(ServiceMaterial.Of(plan))),
        ];
    }

    /// <summary>Things counted by name, in the order of their names.</summary>
    internal static IEnumerable<MaterialLine> Counted(IEnumerable<string> names, string why) => names.GroupBy(n => n)
        .OrderBy(g => g.Key, StringComparer.Ordinal).Select(g => new MaterialLine(g.Key, "each", g.Count(), why));

    private static IEnumerable<MaterialLine> In(MaterialPhase phase, IEnumerable<MaterialLine> lines) =>
        lines.Select(l => l with { Phase = phase });

    /// <summary>Steel plates for a centred hole: none where its edge is 1-1/4 in from both faces, else one on each.</summary>
    public static int PlatesFor(Length depth, Length bit) => (depth - bit) / 2 >= LeastEdge ? 0 : 2;

    private static IEnumerable<MaterialLine> Cable(Plan plan)
    {
        var waste = plan.Job.HouseRules.Waste;
        foreach (var cable in plan.Takeoff.Cables.Where(c => !c.Cable.Contains('×', StringComparison.Ordinal)))
        {
            yield return Long(plan, cable.Cable, new((int)(cable.Length.Sixtyfourths * (1 + (waste.Value / 100)))),
                $"{cable.Runs} run{(cable.Runs == 1 ? "" : "s")}, {cable.Length.Cut(plan.Job.Schools.Measure)} cut, waste {waste}"
                    + Reels(cable.Cable, cable.Length.Feet * (1 + (waste.Value / 100))));
        }
    }

    // 10 AWG and smaller comes in reels of 250 ft; larger is cut to what is asked.
    private static string Reels(string cable, decimal feet) => cable.Split('-')[0] is "10" or "12" or "14"
        ? $", {Math.Ceiling(feet / Reel.Feet):0} reel{(feet > Reel.Feet ? "s" : "")} of {Reel.Feet:0} ft" : ", cut to length";

    private static Length Reel { get; } = Length.FromFeet(250);

    // Loose conductors by circuit, each pipe once, and what marks it in the ground.
    private static IEnumerable<MaterialLine> Pipes(Plan plan)
    {
        foreach (var pipe in PipeSheets.Pipes(plan))
        {
            var (lead, shared) = (pipe.Raceway.Lead, pipe.Raceway.Runs.Length > 1);
            foreach (var run in pipe.Raceway.Runs.Where(r => r.Jacket == Jacket.Loose))
            {
                var sized = plan.FindRun(run.Id)!.Value.Circuit.Sized;
                var feet = run.Length.Value;
                var metal = sized.Metal == Metal.Aluminium ? " aluminum" : "";
                yield return Long(plan, $"{sized.GaugeOf(run)} {plan.Book.Conductors.LooseName}{metal}", feet * run.Conductors,
                    $"{run.Circuit}: {run.Conductors} of {feet.Cut(plan.Job.Schools.Measure)}");
                yield return Long(plan, $"{sized.Ground} {plan.Book.Conductors.LooseName}{metal}, green", feet,
                    $"{run.Circuit}: its ground");
            }

            yield return Long(plan, pipe.Size.Value, lead.Way.Measured,
                shared ? $"{pipe.Raceway.Pipe.Id}, {pipe.Raceway.Runs.Length} circuits, along the longest"
                : $"{lead.Circuit}, along its way");
            var bends = pipe.Raceway.Pulls.SelectMany(p => p.Bends).ToList();
            if (bends.Count > 0)
            {
                yield return new($"Bends in {pipe.Size.Value}", "each", bends.Count,
                    $"{bends.Sum(b => b.Degrees)}° in all; sweeps in PVC, bent in EMT");
            }

            var points = pipe.Raceway.Pulls.Length - 1;
            if (points > 0)
            {
                var large = pipe is { Sum.Trade: { } trade } && pipe.Contents.Max(c => c.Gauge) >= PullLengths.From
                    ? $"; a box at least {Across(PullLengths.Turned(trade), plan.Job.Schools.Measure)} across where the pull turns, "
                        + $"{Across(PullLengths.Straight(trade), plan.Job.Schools.Measure)} where it goes straight on, a body marked for "
                        + $"them ({plan.Book.Cite(RuleId.PullBoxes)})" : "";
                yield return new("Conduit bodies and pull boxes", "each", points,
                    $"at walls where the pipe goes into the ground, and where a pull was set{large}");
            }
        }

        foreach (var size in SlabPipeSheet.Of(plan).GroupBy(p => p.Trade).OrderBy(g => g.Key, StringComparer.Ordinal))
        {
            // Up to the finished floor and 6 in over it, at either end.
            var stubs = Length.FromInches(20) * size.Count();
            yield return Long(plan, $"{size.Key} in PVC", size.Select(p => p.Long).Total() + stubs,
                $"in the slab before the pour, {size.Count()} pipe{(size.Count() == 1 ? "" : "s")} with their stubs; one cable fills "
                    + $"53 % at most by its larger width ({plan.Book.Cite(RuleId.PipeOneCable)})");
            yield return new($"Bends in {size.Key} in PVC", "each", size.Sum(p => p.Degrees) / 90, "sweeps up and around, in the slab");
            yield return new("Caps for stubs in a slab", "each", size.Count() * 2, "kept on until cable is pulled");
        }

        foreach (var trench in plan.Job.Trenches)
        {
            var ground = Trenching.InGround(plan, trench);
            if (ground > Length.Zero)
            {
                yield return Long(plan, "Warning tape", ground,
                    $"in {trench.Id}, 12 in above what lies there; asked over service conductors ({plan.Book.Cite(RuleId.WarningTape)})");
                if (trench.DataPipe is { } apart)
                {
                    yield return Long(plan, "1 in PVC for data, with a pull cord", ground, $"in {trench.Id}, {apart} from the power");
                }
            }
        }
    }

    // Whole feet, or whole metres: reels are not bought by the tenth.
    internal static MaterialLine Long(Plan plan, string item, Length length, string why) => plan.Job.Schools.Measure == Measure.Metres
        ? new(item, "m", (int)Math.Ceiling(length.CutUp(Measure.Metres).Metres - 0.0005m), why) : new(item, "ft", length.WholeFeetUp, why);

    /// <summary>What one place takes: its box, its devices, and what covers it. The list is the sum of these.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="box">The place.</param>
    public static PlaceMaterial At(Plan plan, PlacedBox box) => new(box,
        plan.CircuitOf(box.Box.Id) is { } circuit ? NameOf(box, circuit.Boxes[box.Box.Id], circuit.Sized.Gauge.Value, plan.Book)
            : NameOf(box, null, plan.Book.Conductors.Sizes[0], plan.Book),
        [.. box.Box.Devices.Select((d, gang) => NameOf(plan, box, d, gang)).OfType<string>()], TrimMaterial.Cover(box));

    private static string NameOf(PlacedBox box, WiredBox? wired, Gauge gauge, CodeBook book)
    {
        var given = wired?.Given;
        var size = given is { } volume ? volume.ToString() : "none usual is large enough";
        var kind = wired?.Make switch { BoxMake.CutIn => "cut-in box", BoxMake.Square or BoxMake.MetalDevice => "metal box", _ => "box" };
        return box.Box.Devices.Any(d => d.Kind == DeviceKind.CeilingFan) || IsForAFan(box, book) ? $"Ceiling box rated for a fan, {size}"
            : given is { } metal && UsualBoxes.MetalNamed(wired!.Make, box.Gangs, metal, ring: !box.IsJoint) is { } named ? named
            : box.Box.Mount != Mount.Wall || box.HasLight || box.HasAlarm || box.Box.Devices.Any(d => d.Kind.IsFan())
                ? $"Round {kind}, {size}"
            : gauge >= PullLengths.From && wired is not null ? $"Box for {gauge.Words}, "
                + $"{(PullLengths.AtEnd(wired.FedBy, gauge, book) is { } across ? $"at least {Across(across, book.Measure)} across"
                    : "by its pull")} ({book.Cite(RuleId.PullBoxes)})"
            : box.Plates.Any(p => book.Supply.IsAcross(p.Volts)) ? $"Box for equipment, at least {size}"
            : $"{box.Box.Devices.Length}-gang {kind}, {size}";
    }

    private static string Across(Length box, Measure measure) => measure == Measure.Metres ? box.Measured(measure) : box.ToString();

    /// <summary>A lamp's box in the ceiling of a habitable room, where a paddle fan may hang one day (314.27(C) from 2020).</summary>
    public static bool IsForAFan(PlacedBox box, CodeBook book) => book.Boxes.FanRatedInCeilings && box.Box.Mount == Mount.Ceiling
        && box.Box.Devices.Any(d => d.Kind is DeviceKind.Lamp or DeviceKind.Pendant) && WallSpaces.Covers(box.Room.Room.Use);

    private static string? NameOf(Plan plan, PlacedBox box, Device device, int gang)
    {
        if (device.Kind is DeviceKind.Equipment or DeviceKind.JointBox)
        {
            return null;
        }

        if (device is { Kind: DeviceKind.ApplianceReceptacle, Plate: { } plate })
        {
            return TrimMaterial.Receptacle(plate, plan.CircuitOf(box.Box.Id)!.Sized.Breaker.Value, plan.Book);
        }

        var first = box.Box.Devices.Select((d, i) => (d, i)).First(x => x.d.Kind == device.Kind).i;
        var kind = device.Kind is DeviceKind.Duplex or DeviceKind.Single && gang == first
            && plan.CircuitOf(box.Box.Id)?.Devices.GetValueOrDefault(box.Box.Id) is { } protective
            ? $"{protective.Kind.ToString().ToUpperInvariant()} receptacle".Replace("DUAL", "AFCI/GFCI", StringComparison.Ordinal)
            : plan.CircuitOf(box.Box.Id)?.Load.Splits(device.Kind) == true ? "split duplex"
            : Words.Of(device.Kind);
        var rated = device.Kind.IsGeneralReceptacle() && plan.CircuitOf(box.Box.Id) is { } circuit
            && ReceptacleListing.For(box, device, circuit.Protected, plan.Job.Schools) is var listing
            ? $", {listing.Rating}{(listing.TamperResistant ? ", tamper-resistant" : "")}"
                + $"{(listing.WeatherResistant ? ", weather-resistant" : "")}" : "";
        return char.ToUpperInvariant(kind[0]) + kind[1..] + rated;
    }

    private static IEnumerable<MaterialLine> Breakers(Plan plan) =>
        Counted(plan.Circuits.Where(c => plan.Landed(c.Circuit.Key) is not ({ Space.IsHalf: true } or { OnLugs: true }))
            // One breaker opens both legs of a multiwire circuit.
            .Where(c => c.Circuit.SharesNeutralWith is not { } with || string.CompareOrdinal(c.Circuit.Key.Value, with.Value) < 0)
            .Select(c => $"Breaker {c.Breaker}, "
                + $"{(c.Circuit.Poles == 2 || c.Circuit.SharesNeutralWith is not null ? "two poles" : "one pole")}"
                + $"{(c.Mark.Length > 0 ? ", " + c.Mark : "")}"), "of the line that the panel's label lists")
        .Concat(Counted(plan.Panels.SelectMany(p => p.Circuits.Where(c => c.Space is { IsHalf: true }).GroupBy(c => c.Space!.Value.Number)
            .Select(g => $"Tandem breaker {string.Join(" and ", g.OrderBy(c => c.Space).Select(c => c.Breaker))}")),
            "where the panel's label lists it"));

    private static IEnumerable<MaterialLine> Staples(Plan plan)
    {
        var rules = plan.Job.HouseRules;
        foreach (var runs in plan.Circuits.SelectMany(c => c.Runs).Where(r => r.Pipe is null).GroupBy(r => r.Jacket == Jacket.Armoured)
            .OrderBy(g => g.Key))
        {
            int near = runs.Sum(r => (r.From.Box is null ? 0 : 1) + 1), along = runs.Sum(r => AlongOf(r, rules));
            if (runs.Key)
            {
                var armoured = plan.Book.Cite(RuleId.ArmouredSupport);
                yield return new("Straps for armored cable near boxes", "each", near,
                    $"within {rules.FastenedNearBox} of every box; {armoured} allows 12 in");
                yield return new("Straps for armored cable along runs", "each", along,
                    $"every {rules.FastenedAlong} where no hole holds the cable; {armoured} allows "
                    + $"{plan.Book.Conductors.ArmouredSupported}");
                continue;
            }

            yield return new("Staples near boxes", "each", near,
                $"within {rules.FastenedNearBox} of every box; {plan.Book.Cite(RuleId.CableSupport)} and "
                + $"{plan.Book.Cite(RuleId.CableAtBox)} allow 12 in, 8 in at a box without clamps");
            yield return new("Staples along runs", "each", along,
                $"every {rules.FastenedAlong} where no hole holds the cable; {plan.Book.Cite(RuleId.CableSupport)} allows 4-1/2 ft");
        }

        if (plan.Job.Schools.Column == CableColumn.Stackers)
        {
            // Where cables come down one bay together, a stacker of four takes the place of the staples, one at the plate and one for every
            // further span.
            var stackers = plan.Holes.All.Where(h => h.Spot.Kind == MemberKind.Plate).GroupBy(h => h.Spot)
                .Select(g => g.Sum(h => h.Runs.Length)).Where(n => n > 1).Sum(n => (n + 3) / 4 * 2);
            yield return new("Stackers", "each", stackers, "two for every four cables that come through one plate together");
        }
    }

    /// <summary>Supports along a run between its ends: up and down a bay, and along joists; through holes it is held by them
    /// (334.30(A)).</summary>
    public static int AlongOf(Run run, HouseRules rules)
    {
        var count = 0;
        foreach (var leg in run.Way.Legs.Where(l => l.Space is Space.StudBay or Space.Joists or Space.Attic))
        {
            var bored = run.Way.Passages.Any(p => p.Spot.Kind == MemberKind.Joist && Between(leg, p.At));
            var held = leg.Space == Space.StudBay ? Length.Max(Length.Zero, leg.Run - rules.FastenedNearBox) : leg.Run;
            count += bored ? 0 : Math.Max(0,
                ((held.Sixtyfourths + rules.FastenedAlong.Sixtyfourths - 1) / rules.FastenedAlong.Sixtyfourths) - 1);
        }

        return count;
    }

    private static bool Between(PathLeg leg, Point3 at) => at.Z == leg.From.Z && leg.From.Z == leg.To.Z
        && leg.From.SquareTo(at) + at.SquareTo(leg.To) == leg.From.SquareTo(leg.To);

    private static IEnumerable<MaterialLine> Guards(Plan plan)
    {
        yield return new("Steel plates, 1/16 in", "each", PlateCount(plan),
            $"where a hole's edge is nearer than 1-1/4 in to a face, {plan.Book.Cite(RuleId.NailPlate)}");
        yield return new("Fire-caulked holes", "each", CaulkedCount(plan),
            $"plates between stories, {plan.Book.Cite(RuleId.FireBlocking)}");
        var drilled = PreDrill.Of(plan);
        if (!drilled.IsEmpty)
        {
            var corners = drilled.Count(h => h.IsCorner);
            var inPanels = plan.Survey.Boxes.Count(b => b.Place.Wall is int wall && plan.House.Structures[b.Place.Structure]
                .Levels[b.Place.Level].Walls[wall].Frame.Framing == WallFraming.InsulatedPanel);
            yield return new("Plugs for access holes of insulated panels", "each", corners, "where the level chases of two panels meet");
            yield return new("Foam seals in insulated panels", "each", drilled.Length + inPanels,
                $"{drilled.Length} hole{(drilled.Length == 1 ? "" : "s")} and {inPanels} box{(inPanels == 1 ? "" : "es")}: what is cut "
                    + "leaks until it is foamed");
        }

        if (plan.Book.Has(RuleId.GarageSeparation) && SealedCount(plan) is > 0 and var places)
        {
            yield return new("Sealed places in the garage's separation", "each", places,
                $"boxes on either face and in its ceiling, holes in its plates, {plan.Book.Cite(RuleId.GarageSeparation)}");
        }
    }

    // What a garage shares with rooms of its house: walls with something else behind them, and its ceiling.
    private static int SealedCount(Plan plan)
    {
        bool Garage(RoomId room) => plan.House.Room(room).Room.Use == RoomUse.Garage;
        var parting = plan.House.Levels.SelectMany(l => l.Walls.Where(w => w.Rooms.Length == 2 && Garage(w.Rooms[0]) != Garage(w.Rooms[1]))
            .Select(w => (l.Structure, l.Index, w.Index))).ToHashSet();
        return plan.Survey.Boxes.Count(b => b.Place.Wall is int wall ? parting.Contains((b.Place.Structure, b.Place.Level, wall))
                : Garage(b.Room.Room.Id) && !b.Box.Outside)
            + plan.Holes.All.Count(h => h.Spot.Kind == MemberKind.Plate && !IsBetweenStoreys(plan, h.Spot)
                && parting.Contains((h.Spot.Structure, h.Spot.Level, h.Spot.Member)));
    }

    /// <summary>Steel plates that guard the holes of a plan.</summary>
    public static int PlateCount(Plan plan) =>
        plan.Holes.All.Where(h => h.Spot.Kind is MemberKind.Stud or MemberKind.Plate).Sum(h => PlatesAt(plan, h));

    /// <summary>Holes from one floor to the next.</summary>
    public static int CaulkedCount(Plan plan) =>
        plan.Holes.All.Count(h => h.Spot.Kind == MemberKind.Plate && IsBetweenStoreys(plan, h.Spot));

    /// <summary>Plates that one hole needs; punched studs and open chases none.</summary>
    public static int PlatesAt(Plan plan, Hole hole)
    {
        var frame = plan.House.Structures[hole.Spot.Structure].Levels[hole.Spot.Level].Walls[hole.Spot.Member].Frame;
        return frame.Framing is WallFraming.MetalStud or WallFraming.InsulatedPanel ? 0 : PlatesFor(frame.StudDepth, BitOf(plan, hole));
    }

    /// <summary>The bit that bores a hole.</summary>
    public static Length BitOf(Plan plan, Hole hole) =>
        HoleSizes.Of(hole, id => plan.FindRun(id) is var (circuit, run) ? (circuit.Sized, run) : null);

    private static bool IsBetweenStoreys(Plan plan, Spot spot) => spot.Top
        ? spot.Level + 1 < plan.House.Structures[spot.Structure].Levels.Length : spot.Level > 0;

    private static IEnumerable<MaterialLine> Holes(Plan plan) =>
        plan.Holes.All.Where(h => h.Spot.Kind != MemberKind.Corner && !Punched(plan, h.Spot))
        .GroupBy(h => (h.Spot.Kind, In: NameOf(plan, h.Spot), Bit: BitOf(plan, h))).OrderBy(g => g.Key.Kind)
        .ThenBy(g => g.Key.In, StringComparer.Ordinal).ThenBy(g => g.Key.Bit.Sixtyfourths)
        .Select(g => new MaterialLine($"Holes of {g.Key.Bit} in {g.Key.In}", "holes", g.Count(),
            $"{g.Sum(h => h.Runs.Length)} passages of cable"));

    // Joists by what they are: an I-joist is bored where its maker says.
    private static string NameOf(Plan plan, Spot spot) => spot.Kind == MemberKind.Joist
        && BoredJoists.Of(plan.House, spot).Joists.Kind == JoistKind.IJoist ? "webs of I-joists, by the maker’s chart"
            : Words.Of(spot.Kind) + "s";

    private static bool Punched(Plan plan, Spot spot) => spot.Kind == MemberKind.Stud
        && plan.House.Structures[spot.Structure].Levels[spot.Level].Walls[spot.Member].Frame.Framing == WallFraming.MetalStud;
}
