using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Protection;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Web.Bench;

namespace Circuitum.Web.QuickSums;

/// <summary>The quick sums, each on the same core as the plan.</summary>
public static class AllSums
{
    // Declared before the list that names it: sections are cited as the edition numbers them.
    private static readonly SumField EditionField = new("edition", "Book", Edition.Y2020.Key(),
        [.. Editions.WithPanels.OrderBy(e => e == Edition.Y2020 ? 0 : 1).Select(e => (e.Key(), e.Choice()))]);
    private static readonly ImmutableArray<(string, string)> Gauges = [.. Gauge.All.Select(g => (g.ToString(), g.ToString()))];
    private static readonly SupplySystem Supply = SupplySystem.SplitPhase;
    private static readonly ImmutableArray<(string, string)> VoltsOffered = [.. Supply.Offered.Select(v => (Answer(v), Answer(v)))];
    private static readonly ImmutableArray<(string, string)> YesNo = [("no", "no"), ("yes", "yes")];
    private static readonly ImmutableArray<(string, string)> Rooms =
        [.. Enum.GetValues<RoomUse>().Select(u => (u.ToString(), Words.Of(u)))];
    private static readonly ImmutableArray<(string, string)> Metals = [("copper", "copper"), ("aluminium", "aluminum")];

    /// <summary>All of them.</summary>
    public static ImmutableArray<QuickSum> List { get; } =
    [
        new("ampacity", "Ampacity with corrections",
        [
            new("wiring", "Wiring", "nm", [("nm", "NM cable"), ("uf", "UF cable"), ("mc", "MC cable"), ("pipe", "THWN-2 in pipe")]),
            new("gauge", "Conductor, AWG or kcmil", "12", Gauges), new("metal", "Metal, in pipe", "copper", Metals),
            new("cables", "Cables in one sealed hole", "1", []),
                new("carrying", "Current-carrying conductors together; empty: two a cable", "", []),
                new("ambient", "Ambient", "30 °C", []),
            new("terminations", "Terminations, in pipe", "60", [("60", "60 °C"), ("75", "75 °C, both ends marked")]),
                new("receptacles", "Several receptacles for cords on it", "yes", [("yes", "yes"), ("no", "no")]), EditionField,
        ], Ampacity),
        new("drop", "Voltage drop",
        [
            new("amps", "Current", "16 A", []), new("volts", "Volts", Answer(Supply.ToNeutral), VoltsOffered),
            new("gauge", "Conductor, AWG or kcmil", "12", Gauges), new("metal", "Metal", "copper", Metals),
            new("length", "One way", "80 ft", []), new("then", "Further pieces, as amps × feet: 8 × 12, 4 × 12", "", []), EditionField,
        ], Drop),
        new("box", "Box fill",
        [
            new("cables", "Cables in and out: 12-2, 12-2, 14-3", "14-2, 14-2", []), new("devices", "Devices", "1", []),
            new("clamps", "Clamps inside", "no", YesNo), new("fittings", "Kinds of support fitting", "0", []),
            new("gangs", "Gangs, 0 for round", "1", []), EditionField,
        ], Box),
        new("conduit", "Conduit fill and bends",
        [
            new("pipe", "Pipe", "pvc40", [("pvc40", "PVC schedule 40"), ("pvc80", "PVC schedule 80"), ("emt", "EMT")]),
            new("conductors", "Conductors: 3 × 6, 1 × 10", "3 × 6, 1 × 10", []),
            new("bends", "Bends in degrees: 90, 90, 45", "90, 90", []), new("length", "Length", "130 ft", []),
            new("jacketed", "Jacketed cable in it", "no", YesNo), EditionField,
        ], Conduit),
        new("burial", "Burial depth",
        [
            new("what", "What is buried", "pvc",
                [("cable", "direct-burial cable"), ("pvc", "PVC conduit"), ("rigidMetal", "rigid metal conduit"),
                    ("protectedBranch", $"{Supply.ToNeutral}, 20 A or less, GFCI at its supply")]),
            new("drive", "Under a dwelling's driveway", "no", YesNo), new("margin", "The crew's margin", "2 in", []), EditionField,
        ], Depth),
        new("breaker", "Breaker for a nameplate",
        [
            new("load", "Load: 4500 W, 9.6 kW", "4500 W", []), new("volts", "Volts", Answer(Supply.Between), VoltsOffered),
            new("continuous", "Three hours or more, or by rule at 125 %", "yes", [("yes", "yes"), ("no", "no")]),
            new("mca", "MCA, if the plate has one", "", []), new("mocp", "MOCP, if the plate has one", "", []), EditionField,
        ], Breaker),
        new("range", "Range demand", [new("rating", "Range, nameplate", "13.6 kW", []), EditionField], Range),
        new("spacing", "Receptacles on a wall",
            [new("wall", "Unbroken wall, clear length", "12 ft 1 in", []), new("reach", "Farthest point from a receptacle", "6 ft", []),
                EditionField], Spacing),
        new("replace", "A receptacle replaced",
        [
            new("room", "Where it stands", nameof(RoomUse.Bedroom), Rooms),
            new("counter", "Over a counter or an island", "no", YesNo),
            new("sink", "Near a sink", "no", YesNo), new("tub", "Near a tub or shower", "no", YesNo),
            new("outdoors", "Outdoors", "no", YesNo), new("basement", "Below grade", "no", YesNo),
            new("ground", "A ground is in the box", "no", YesNo), new("breaker", "Breaker", "15 A", []),
            new("gauge", "Conductors, AWG", "14", [.. Gauges.Take(3)]), new("metal", "Metal", "copper", Metals),
            new("height", "Floor to its contacts", "16 in", []), new("free", "Conductor free of the box’s wall", "6 in", []), EditionField,
        ], Replaced),
    ];

    /// <summary>A sum by its name, or null.</summary>
    public static QuickSum? Find(string? name) => List.FirstOrDefault(s => s.Name == name);

    private static SumAnswer Ampacity(Typed typed)
    {
        var book = Book(typed);
        var gauge = Gauge.Parse(typed["gauge"]);
        var metal = MetalOf(typed["metal"]);
        var cables = Between(typed["cables"], 1, 40, "cables");
        var carrying = string.IsNullOrWhiteSpace(typed["carrying"]) ? 2 * cables : Between(typed["carrying"], 1, 120, "conductors");
        if (typed["wiring"] != "pipe" && (carrying < 2 * cables || carrying > 4 * cables))
        {
            throw new FormatException($"{cables} cable{(cables == 1 ? "" : "s")} have {2 * cables} to {4 * cables} current-carrying "
                + $"conductors, not {carrying}. Leave the field empty for two a cable.");
        }

        var ambient = Warm(typed["ambient"]);
        var piped = typed["wiring"] == "pipe";
        if (!piped && metal == Metal.Aluminium)
        {
            throw new FormatException("Cable is worked out for copper; take THWN-2 in pipe for aluminum.");
        }

        if (piped && book.Conductors.Ampacity(gauge, metal, Column.C90) is null)
        {
            throw new FormatException($"{book.Cite(RuleId.AmpacityTable)} has no {gauge} aluminum; it begins at 12.");
        }

        var figure = piped ? Ampacities.InRaceway(gauge, carrying, ambient, typed["terminations"] == "75" ? Column.C75 : Column.C60, book,
            metal)
            : Ampacities.InCable(gauge, cables, carrying, ambient, book, "there",
                typed["wiring"] switch
                {
                    "uf" => Jacket.Underground,
                    "mc" => Jacket.Armoured,
                    "nm" => Jacket.Nonmetallic,
                    _ => throw new FormatException("Choose the wiring from its list.")
                });
        var several = Yes(typed["receptacles"]);
        var breaker = book.StandardRatings.Where(r => book.Protects(r, figure.Value, several) && book.SuitsSmallConductor(r, gauge, metal))
            .Cast<Amps?>().LastOrDefault();
        return new([("Ampacity", figure.Value.ToString()), ("Largest breaker", breaker?.ToString() ?? "none")],
            figure.Why.Book(several ? "the breaker may not be larger than this" : "the next standard size up is allowed",
                breaker?.ToString() ?? "none", several ? book.Cite(RuleId.ConductorProtection, RuleId.NotForReceptacles)
                : book.Cite(RuleId.NextSizeUp, RuleId.SmallConductors)),
            breaker is null ? ["No standard breaker protects this conductor there: another hole, or a larger one."] : []);
    }

    private static SumAnswer Drop(Typed typed)
    {
        var book = Book(typed);
        var gauge = Gauge.Parse(typed["gauge"]);
        var metal = MetalOf(typed["metal"]);
        if (book.Conductors.OhmsPerThousandFeet(gauge, metal) is null)
        {
            throw new FormatException($"Chapter 9 Table 8 has no {gauge} aluminum here; it begins at 12.");
        }

        var volts = Entry.Volts(typed["volts"]);
        var pieces = new List<(Amps Amps, Length Length)> { (Entry.Amps(typed["amps"]), Span(typed["length"])) };
        foreach (var piece in typed["then"].Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var parts = piece.Split(['×', 'x', '*'], 2);
            pieces.Add(parts.Length == 2 ? (Entry.Amps(parts[0]), Span(parts[1]))
                : throw new FormatException($"“{piece}” is no piece of a chain; write it like 8 × 12: 8 A through 12 ft."));
        }

        var why = Because.Of("Why this drop");
        var lost = 0m;
        foreach (var (amps, length) in pieces)
        {
            var here = VoltageDrop.Of(amps, gauge, length, book, metal);
            lost += here.Value;
            why = why.Book($"2 × {amps} × {book.Conductors.OhmsPerThousandFeet(gauge, metal)} Ω/1000 ft × {length.Feet:0.##} ft",
                here.ToString(), book.Cite(RuleId.ConductorProperties));
        }

        var share = VoltageDrop.Share(new(lost), volts);
        return new([("Drop", $"{lost.ToString("0.00", CultureInfo.InvariantCulture)} V"), ("Share", share.ToString()),
            ("Left", $"{(volts.Value - lost).ToString("0.0", CultureInfo.InvariantCulture)} V")],
            why.Book($"of {volts}", share.ToString(), book.Cite(RuleId.VoltageDropNote).With("3 % advised, 5 % with the feeder")),
            share.Value > 3 ? [$"More than the 3 % advised: "
                + $"{(book.Conductors.Next(gauge) is Gauge next && book.Conductors.OhmsPerThousandFeet(next, metal) is decimal ohms
                    ? $"{next} would lose {VoltageDrop.Share(new(lost * ohms / book.Conductors.OhmsPerThousandFeet(gauge, metal)
                    !.Value), volts)}; its ground grows too ({book.Cite(RuleId.GroundGrows)})" : "shorten it")}."] : []);
    }

    private static SumAnswer Box(Typed typed)
    {
        var book = Book(typed);
        var cables = typed["cables"].Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(c => Cable(c, book)).ToImmutableArray();
        if (cables.Length is 0 or > 20)
        {
            throw new FormatException("Name 1 to 20 cables, like 12-2, 12-2, 14-3.");
        }

        int devices = Between(typed["devices"], 0, 6, "devices"), gangs = Between(typed["gangs"], 0, 4, "gangs");
        var needed = book.Boxes.Count(new()
        {
            Cables = cables,
            Yokes = devices,
            InternalClamps = Yes(typed["clamps"]),
            SupportFittings = Between(typed["fittings"], 0, 2, "fittings")
        });
        var fits = UsualBoxes.Smallest(BoxMake.NailOn, gangs, needed.Value);
        return new([("Needed", needed.Value.ToString()),
            ("Smallest usual box",
                fits?.ToString() ?? (UsualBoxes.Smallest(BoxMake.NailOn, gangs + 1, needed.Value) is { } wider
                    ? $"none of {gangs} gang; {wider} with one gang more" : "none"))], needed.Why,
            fits is null ? ["No usual box of these gangs holds it."] : []);
    }

    private static EnteringCable Cable(string text, CodeBook book)
    {
        var parts = text.Split('-', 2);
        var conductors = parts.Length < 2 ? 0 : parts[1] switch { "2" => 2, "3" => 3, "4" or "2-2" => 4, _ => 0 };
        return conductors > 0 && Gauge.TryParse(parts[0], out var gauge) && book.Boxes.Volume(gauge) is not null ? new(gauge, conductors)
            : throw new FormatException($"“{text}” is no cable of 14 to 6 AWG; write it like 12-2, 14-3 or 12-2-2.");
    }

    private static SumAnswer Conduit(Typed typed)
    {
        var book = Book(typed);
        var conductors = typed["conductors"].Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(c =>
        {
            var parts = c.Split(['×', 'x', '*'], 2, StringSplitOptions.TrimEntries);
            return parts.Length == 2 && int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var count)
                && count is >= 1 and <= 60 && Gauge.TryParse(parts[1], out var gauge) ? new PulledConductors(count, gauge)
                : throw new FormatException($"“{c}” are no conductors; write them like 3 × 6.");
        }).ToImmutableArray();
        if (conductors.Length is 0 or > 12)
        {
            throw new FormatException("Name the conductors, like 3 × 6, 1 × 10.");
        }

        var bends = typed["bends"].Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(b => Between(b.TrimEnd('°'), 1, 180, "degrees")).ToImmutableArray();
        var sum = ConduitFill.Size(Entry.Choice<ConduitKind>(typed["pipe"]), conductors, bends, Span(typed["length"]), book);
        var warnings = ImmutableArray.CreateBuilder<string>();
        if (sum.Jams)
        {
            warnings.Add("Three of one size may wedge at a bend: take the next size up.");
        }

        if (sum.TooManyTurns)
        {
            warnings.Add($"{sum.Turns}° of bends: at most 360° between pull points ({book.Cite(RuleId.PlasticBends)}). Set a pull point.");
        }

        if (Yes(typed["jacketed"]))
        {
            warnings.Add($"Jacketed cable binds at every fitting; thread the pieces, then cement. NM may not be in a wet or buried pipe "
                + $"at all ({book.Cite(RuleId.NotInWetPipe)}, {book.Cite(RuleId.WetBelowGrade)}).");
        }

        return new([("Smallest pipe", sum.Trade is null ? "larger than 2 in" : $"{sum.Trade} in"), ("Fill", sum.Fill.ToString()),
            ("Bends", $"{sum.Turns}°"), ("Pull", sum.Pulling)], sum.Why, warnings.ToImmutable());
    }

    private static SumAnswer Depth(Typed typed)
    {
        var book = Book(typed);
        var cover = book.Burial.Cover(Entry.Choice<Buried>(typed["what"]), Yes(typed["drive"]));
        var margin = Span(typed["margin"]);
        return new([("Cover", cover.Value.ToString()), ("Dig to its top at", (cover.Value + margin).ToString())],
            cover.Why.House("the crew's margin", margin.ToString(), "house rule"),
            [$"Warning tape 12 in below grade where the conductors come from the service ({book.Cite(RuleId.WarningTape)}). Call before "
                + $"you dig."]);
    }

    private static SumAnswer Breaker(Typed typed)
    {
        var book = Book(typed);
        var load = Entry.VoltAmps(typed["load"]);
        var volts = Entry.Volts(typed["volts"]);
        if (load.Value is < 1 or > 50_000)
        {
            throw new FormatException("A load lies from 1 VA to 50 kW.");
        }

        var plain = load / volts;
        Amps? mca = typed["mca"].Length > 0 ? Entry.Amps(typed["mca"]) : null, mocp = typed["mocp"].Length > 0 ? Entry.Amps(typed["mocp"])
            : null;
        var why = Because.Of("Why this breaker").Job($"{load} at {volts}", plain.ToString());
        var required = mca ?? (Yes(typed["continuous"]) ? new(ContinuousLoad.Share.Value * plain.Value / 100) : plain);
        why = mca is Amps given ? why.Job("minimum circuit ampacity by the plate", given.ToString()) : Yes(typed["continuous"])
            ? why.Book($"at {ContinuousLoad.Share}", required.ToString(),
                book.Cite(RuleId.BranchConductors, RuleId.ContinuousLoad, RuleId.WaterHeaterLoad)) : why;
        var least = mocp is Amps most ? book.StandardAtMost(most) : book.StandardAtLeast(required);
        if (least is not Amps rating)
        {
            throw new FormatException("No standard breaker answers this plate.");
        }

        why = mocp is null ? why.Book("next standard size", rating.ToString(), book.Cite(RuleId.StandardRatings))
            : why.Book("largest overcurrent device by the plate", rating.ToString(), book.Cite(RuleId.CompressorBreaker));
        var gauge = Gauge.All.FirstOrDefault(g => Ampacities.InCable(g, 1, 2, new(30), book, "").Value >= required
            && (mocp is not null
                || (book.SuitsSmallConductor(rating, g, Metal.Copper)
                    && book.Protects(rating, Ampacities.InCable(g, 1, 2, new(30), book, "").Value, false))), Gauge.All[^1]);
        return new([("Breaker", $"{rating}{(Supply.IsAcross(volts) ? ", two poles" : "")}"), ("Copper NM", gauge.Words),
            ("Required", required.ToString())],
            why.Book($"smallest NM that carries {required}", $"{gauge}: {Ampacities.InCable(gauge, 1, 2, new(30), book, "").Value}",
                book.Cite(RuleId.CableAmpacity, RuleId.ConductorProtection)), ["The plate and the instructions come before this sum."]);
    }

    private static SumAnswer Range(Typed typed)
    {
        var book = Book(typed);
        var rating = Entry.VoltAmps(typed["rating"]);
        if (rating.Value is < 1750 or > 27_000)
        {
            throw new FormatException($"{book.Cite(RuleId.CookingTable)} is for 1.75 to 27 kW.");
        }

        var demand = book.Demand.Range(rating);
        var amps = demand / Supply.Between;
        var least = book.StandardAtLeast(amps)!.Value;
        var rated = book.Demand.LeastRangeCircuit(rating) is Amps floor && least < floor ? floor : least;
        var why = Because.Of("Why this demand")
            .Book(rating.Value <= 12_000 ? "column C, or the smaller of the columns below 8-3/4 kW"
                : "column C with 5 % for each kW above 12 (note 1)", demand.ToString(), book.Cite(RuleId.CookingTable))
            .Plan($"at {Supply.Between}", amps.ToString());
        return new([("Demand", demand.ToString()), ("Current", amps.ToString()), ("Least breaker", rated.ToString())],
            rated != least ? why.Book($"{book.Demand.RangeOfLeastCircuit} or more: at least {rated}", rated.ToString(),
                book.Cite(RuleId.RangeConductors))
            : why.Book("next standard size", rated.ToString(), book.Cite(RuleId.StandardRatings)), []);
    }

    private static SumAnswer Spacing(Typed typed)
    {
        var book = Book(typed);
        Length wall = Span(typed["wall"]), reach = Span(typed["reach"]);
        if (reach < Length.FromFeet(1) || wall > Length.FromFeet(400))
        {
            throw new FormatException("The reach is at least a foot, a wall at most 400 ft.");
        }

        var why = Because.Of("Why so many");
        if (wall < book.Outlets.NarrowestWall.Length)
        {
            return new([("Receptacles", "0")],
                why.Book($"a wall space under {book.Outlets.NarrowestWall} needs none", wall.ToString(), book.Cite(RuleId.WallSpace)), []);
        }

        var span = reach * 2;
        var count = (wall.Sixtyfourths + span.Sixtyfourths - 1) / span.Sixtyfourths;
        var places = string.Join(", ", Enumerable.Range(0, Math.Min(count, 12))
            .Select(i => new Length((int)((long)wall.Sixtyfourths * ((2 * i) + 1) / (2 * count))).Nearest(Length.FromInches(.25m))
                .ToString()));
        return new([("Receptacles", count.ToString(CultureInfo.InvariantCulture)), ("Evenly at", places + (count > 12 ? " and on" : ""))],
            why.Book($"one serves {reach} to either side", $"{wall} ÷ {span} → {count}", book.Cite(RuleId.WallReach)),
            reach > book.Outlets.WallReach.Length ? [$"The book's reach is {book.Outlets.WallReach}."] : []);
    }

    private static SumAnswer Replaced(Typed typed)
    {
        var book = Book(typed);
        if (!book.Has(RuleId.ReplacedOnGround))
        {
            return new([("Receptacle", "not known here")], Because.Of("Why not"),
                [$"What the {book.Edition.Choice()} asks of a receptacle that is replaced is not kept here: ask the authority first."]);
        }

        var breaker = Entry.Amps(typed["breaker"]) is { Value: 15 or 20 } rating ? rating
            : throw new FormatException("A receptacle of this kind is on a breaker of 15 or 20 A.");
        var outlet = new Outlet(Entry.Choice<RoomUse>(typed["room"]), Yes(typed["outdoors"]), true, false, false, Yes(typed["counter"]),
            Yes(typed["sink"]), Yes(typed["tub"]), Supply.ToNeutral, breaker, null)
        {
            Basement = Yes(typed["basement"]),
        };
        var replacement = Replacing.Of(new(outlet, Yes(typed["ground"]), Inches(typed["height"]), Gauge.Parse(typed["gauge"]),
            MetalOf(typed["metal"]), Inches(typed["free"])), book);
        var why = replacement.Needs.Aggregate(Because.Of("What is asked, and the ways"), (steps, need) =>
        {
            var (said, ways) = ($"{need.What}: {need.Answer}", need.Ways.Length > 0 ? $"{need.Ways.Length} ways" : "");
            return need.Ways.Aggregate(need.Cite is { } cite ? steps.Book(said, ways, cite) : steps.Plan(said, ways),
                (all, way) => all.Plan(way, "a way"));
        });
        return new([.. replacement.Needs.Select(n => (n.What, n.Answer))], why,
            replacement.Cautions.Add("Off and proved dead first, at the box; the older the house, the less its colors say."));
    }

    // 16 in, 1 ft 4 in; a bare number is inches.
    private static Length Inches(string text) => Length.TryParse(text.Replace(" in", "\"", StringComparison.Ordinal)
        .Replace(" ft", "'", StringComparison.Ordinal), out var length) && length >= Length.Zero && length <= Length.FromFeet(20) ? length
        : throw new FormatException($"“{text}” is no length up to 20 ft; write it like 16 in.");

    private static CodeBook Book(Typed typed) => CodeBook.For(Entry.Edition(typed["edition"]));

    private static string Answer(Volts volts) => volts.Value.ToString(CultureInfo.InvariantCulture);

    private static Metal MetalOf(string text) =>
        text switch
        {
            "copper" => Metal.Copper,
            "aluminium" => Metal.Aluminium,
            _ => throw new FormatException("Choose copper or aluminum.")
        };

    private static bool Yes(string text) =>
        text switch { "yes" => true, "no" => false, _ => throw new FormatException($"“{text}” is neither yes nor no.") };

    private static int Between(string text, int low, int high, string what) => Entry.Count(text) is var n && n >= low && n <= high ? n
        : throw new FormatException($"{text} {what}: it must lie from {low} to {high}.");

    // 80 ft, 12 ft 1 in, 12'-1", or a bare number of feet.
    private static Length Span(string text)
    {
        var plain = text.Trim().ToLowerInvariant().Replace(" ft", "'", StringComparison.Ordinal)
            .Replace("ft", "'", StringComparison.Ordinal).Replace(" in", "\"", StringComparison.Ordinal);
        return decimal.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var feet) && feet < 100_000
            ? Length.FromInches(feet * 12)
            : Length.TryParse(plain, out var length) && length >= Length.Zero ? length
            : throw new FormatException($"“{text}” is no length; write it like 80 ft or 12 ft 1 in.");
    }

    private static Celsius Warm(string text) => Entry.Celsius(text) is { Degrees: >= -40 and <= 85 } ambient ? ambient
        : throw new FormatException("An ambient lies from −40 to 85 °C.");
}
