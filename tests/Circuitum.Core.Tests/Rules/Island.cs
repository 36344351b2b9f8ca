using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests;

/// <summary>The book of an invented island: 100 and 200 V, three sizes of conductor, four breakers, and next to no rules. All that a family
/// is stands in this file; no stage knows of it.</summary>
internal sealed class Island : CodeBook
{
    /// <summary>A family that no job is kept by.</summary>
    public override Edition Edition => (Edition)21_999;

    public override Measure Measure => Measure.Metres;

    public override string Called => "island's rules";

    public override string Says(CrewNumber<HouseRules> number) => "no rule";

    public override SupplySystem Supply { get; } = new(new(100), new(200));

    public override ConductorRules Conductors { get; } = new IslandConductors();

    public override BoxRules Boxes { get; } = new IslandBoxes();

    public override BurialRules Burial { get; } = new IslandBurial();

    public override OutletRules Outlets { get; } = new IslandOutlets();

    public override DivisionRules Division { get; } = new IslandDivision();

    public override ProtectionRules Protection { get; } = new IslandProtection();

    public override DemandRules Demand { get; } = new IslandDemand();

    public override FramingRules Framing { get; } = new IslandFraming();

    public override ServiceRules Service { get; } = new IslandService();

    public override ImmutableArray<Amps> StandardRatings { get; } = [new(10), new(16), new(25), new(40)];

    public override (Percent Branch, Percent Together)? MostDrop => (new(2), new(4));

    /// <summary>It asks for outlets along walls, for a box's volume, and that no more is lost than it allows.</summary>
    public override bool Has(RuleId rule) => rule is RuleId.WallSpace or RuleId.WallReach or RuleId.BoxFill or RuleId.BoxFillConductors
        or RuleId.VoltageDropLimit;

    public override Citation Cite(RuleId rule) => new([rule], $"island {(int)rule}");

    public override Citation Cite(params ImmutableArray<RuleId> rules) => new(rules, string.Join(", ", rules.Select(r => Cite(r).Text)));

    public override bool Protects(Amps rating, Amps ampacity, bool portableReceptacles) => rating <= ampacity;
}

/// <summary>2.5, 4 and 10 mm² of copper.</summary>
internal sealed class IslandConductors : ConductorRules
{
    // Size, what it carries, ohm per kilometer.
    private static readonly ImmutableDictionary<string, (int Amps, decimal Ohms)> Rows = new Dictionary<string, (int, decimal)>
    {
        ["2.5 mm²"] = (16, 7.41m),
        ["4 mm²"] = (25, 4.61m),
        ["10 mm²"] = (40, 1.83m),
    }.ToImmutableDictionary();

    public override IReadOnlyList<Gauge> Sizes { get; } = [.. Gauge.Metric.Where(g => Rows.ContainsKey(g.ToString()))];

    public override Gauge GroundWith(Gauge conductors) => conductors;

    public override Amps? Ampacity(Gauge gauge, Metal metal, Column column) =>
        metal == Metal.Copper && Rows.TryGetValue(gauge.ToString(), out var row) ? new Amps(row.Amps) : null;

    public override decimal? AmbientFactor(Celsius ambient, Column column) => ambient.Degrees <= 60 ? 1 : null;

    public override decimal AdjustmentFactor(int currentCarrying) => 1;

    public override decimal? OhmsPerThousandFeet(Gauge gauge, Metal metal) => Rows[gauge.ToString()].Ohms * .3048m;

    public override int CircularMil(Gauge gauge) => (int)(1973.5m * 17.24m / Rows[gauge.ToString()].Ohms);

    public override Gauge EquipmentGround(Amps rating, Metal metal) => LeastFor(rating);

    public override SquareInches ConductorArea(Gauge gauge) => new(.03m);

    public override IEnumerable<(string Trade, SquareInches Area)> Conduit(ConduitKind kind) => [("25 mm", new(.5m)), ("50 mm", new(2))];

    public override Percent RacewayFill(int conductors) => new(40);

    public override int? MostInSealedHole => null;

    public override Asked BundledBeyond => Asked.Millimetres(5000);

    public override Asked? ShortStretch => null;

    public override string Suffix(Jacket jacket) => jacket == Jacket.Underground ? "ground cable" : "";

    public override bool GreenIn(Jacket jacket) => true;

    public override Asked ArmouredSupported => Asked.Millimetres(1000);

    public override string LooseName => "single";

    public override bool AdjustsTerminations => false;

    public override bool TerminatesAt75(Amps rating, Gauge gauge) => false;

    public override Amps? SmallConductorLimit(Gauge gauge, Metal metal) => null;
}

/// <summary>Two cubic inches for a conductor, grounds and devices among them.</summary>
internal sealed class IslandBoxes : BoxRules
{
    public override bool FanRatedInCeilings => false;

    public override CubicInches? Volume(Gauge gauge) => new CubicInches(2);

    public override Figure<CubicInches> Count(BoxContents contents)
    {
        var many = contents.Cables.Sum(c => c.Conductors + 1) + contents.Yokes + (2 * contents.WideYokes);
        return new(new(2 * many), Because.Of("Why this volume").Book($"{many} × 2", $"{2 * many}", "island"));
    }
}

internal sealed class IslandBurial : BurialRules
{
    public override Figure<Length> Cover(Buried what, bool underDrive) =>
        new(Asked.Millimetres(500).Length, Because.Of("Why this deep").Book("all of it", "500 mm", "island"));
}

/// <summary>An outlet to every two meters of wall either way.</summary>
internal sealed class IslandOutlets : OutletRules
{
    public override Asked WallReach => Asked.Millimetres(2000);

    public override Asked NarrowestWall => Asked.Millimetres(1000);

    public override Asked CounterReach => Asked.Millimetres(1000);

    public override Asked NarrowestCounter => Asked.Millimetres(500);

    public override Asked BasinReach => Asked.Millimetres(1000);

    public override Asked OffTubs => Asked.Millimetres(1000);

    public override Asked HallFrom => Asked.Millimetres(4000);

    public override int FacesOutdoors => 1;

    public override int OfIsland(Length width, Length depth) => 0;

    public override bool ServesPeninsulaAtItsEnd => false;

    public override bool ProvidesForIslands => false;

    public override bool KeepsReceptaclesOffTubs => false;
}

/// <summary>Lights on 10 A, outlets on 16 A, at most eight to a circuit.</summary>
internal sealed class IslandDivision : DivisionRules
{
    public override Amps Lights { get; } = new(10);

    public override Amps Receptacles { get; } = new(16);

    public override Amps Counters { get; } = new(16);

    public override Amps? SplitCounters => null;

    public override Amps MostForSmallReceptacles { get; } = new(16);

    public override int? ReceptaclesOfCounterCircuit => null;

    public override bool RefrigeratorAlone => false;

    public override bool KeepsUtilityRoomsApart => false;

    public override string CounterWord => "kitchen";

    public override bool KeepsBathroomsApart => false;

    public override int? MostOutlets => 8;

    public override VoltAmps Receptacle { get; } = new(150);

    public override bool HoldsToShares(Amps rating, Volts volts) => false;

    public override Percent Plugged { get; } = new(100);

    public override Percent Fastened { get; } = new(100);

    public override Amps MostOfHeater { get; } = new(40);

    public override VoltAmps LeastMotor { get; } = new(200);

    public override VoltAmps GeneralLoad(SquareFeet area) => new(0);

    public override VoltAmps Carried(Amps rating) => rating * new Volts(100);
}

internal sealed class IslandProtection : ProtectionRules
{
    public override Need? Afci(Outlet outlet) => null;

    public override Need? Gfci(Outlet outlet) => null;

    public override Asked NearWater => Asked.Millimetres(1000);

    public override bool GuardsEveryKitchenReceptacle => false;
}

internal sealed class IslandDemand : DemandRules
{
    public override VoltAmps LeastCooking { get; } = new(1000);

    public override (VoltAmps Demand, string Sum) Cooking(IReadOnlyList<VoltAmps> ratings) => (ratings.Total(), "all of it");

    public override Amps? LeastRangeCircuit(VoltAmps rating) => null;

    public override string RangeOfLeastCircuit => "none";

    public override Percent Dryers(int count) => new(100);

    public override bool CountsTowardsFour(VoltAmps load, bool cooking) => false;

    public override BasicLoad? Basic => null;

    public override VoltAmps LeastVehicle => new(0);
}

internal sealed class IslandFraming : FramingRules
{
    public override Fraction OfJoist => new(1, 4, "a quarter");

    public override Fraction OfStud => new(1, 3, "a third");

    public override Asked FromJoistEdge => Asked.Millimetres(50);

    public override Asked FromStudEdge => Asked.Millimetres(15);

    public override Asked? GuardedFromHatch => null;
}

internal sealed class IslandService : ServiceRules
{
    public override int MostThrows => 1;

    public override ImmutableArray<Amps> Ratings { get; } = [new(40)];

    public override Amps Least => new(40);

    public override Amps LeastOfBuilding => new(16);

    public override Percent WholeDwelling => new(100);

    public override Gauge? DwellingConductor(Amps rating, Metal metal) => null;

    public override Gauge ElectrodeConductor(Gauge service, Metal metal) => service;

    public override Asked WorkingWidth => Asked.Millimetres(700);

    public override Asked WorkingDepth => Asked.Millimetres(900);

    public override Asked Headroom => Asked.Millimetres(2000);

    public override Asked HighestHandle => Asked.Millimetres(1800);

    public override string Rod => "rod";

    public override Asked RodsApart => Asked.Millimetres(2000);

    public override bool OneRodWhereMeasured => true;

    public override bool AsksSurgeProtection => false;

    public override bool AsksOutdoorDisconnect => false;
}
