using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>One edition of the model code with the job's amendments: the only place where editions are told apart.</summary>
public sealed record CodeBook
{
    private static readonly int[] Standard = [15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400];

    private CodeBook(Edition edition, ImmutableArray<Amendment> amendments, DateOnly? permitted)
    {
        Edition = edition;
        Amendments = amendments;
        Permitted = permitted;
        StandardRatings = [.. (edition >= Edition.Y2023 ? Standard.Prepend(10) : Standard).Select(r => new Amps(r))];
    }

    /// <summary>The edition.</summary>
    public Edition Edition { get; }

    /// <summary>Local overrides in force.</summary>
    public ImmutableArray<Amendment> Amendments { get; }

    /// <summary>The day of the permit; null when it is not known.</summary>
    public DateOnly? Permitted { get; }

    /// <summary>The exception of 210.8(F) for listed HVAC equipment runs out on this day, 2023 edition.</summary>
    public static DateOnly HvacExceptionEnds { get; } = new(2026, 9, 1);

    /// <summary>True while listed HVAC equipment outdoors needs no GFCI by the exception of 210.8(F): 2023, permitted before it ends.</summary>
    public bool ExceptsListedHvac => Edition == Edition.Y2023 && Permitted < HvacExceptionEnds;

    /// <summary>Standard ratings of overcurrent devices to 400 A, 240.6(A); 10 A from 2023.</summary>
    public ImmutableArray<Amps> StandardRatings { get; }

    /// <summary>The book for a job.</summary>
    public static CodeBook For(Job job) => For(job.Edition, job.Amendments, job.Permitted);

    /// <summary>An edition with amendments, and the day of the permit where it is known.</summary>
    public static CodeBook For(Edition edition, ImmutableArray<Amendment> amendments = default, DateOnly? permitted = null) =>
        new(edition, amendments.IsDefault ? [] : amendments, permitted);

    /// <summary>The amendment of a rule, or null.</summary>
    public Amendment? Amended(AmendedRule rule) => Amendments.FirstOrDefault(a => a.Rule == rule);

    /// <summary>The table of ampacities as this edition numbers it.</summary>
    public string AmpacityTable => Edition == Edition.Y2017 ? "Table 310.15(B)(16)" : "Table 310.16";

    /// <summary>The table of ambient correction as this edition numbers it.</summary>
    public string AmbientTable => Edition == Edition.Y2017 ? "Table 310.15(B)(2)(a)" : "Table 310.15(B)(1)";

    /// <summary>The table of adjustment for conductors together as this edition numbers it.</summary>
    public string AdjustmentTable => Edition == Edition.Y2017 ? "Table 310.15(B)(3)(a)" : "Table 310.15(C)(1)";

    /// <summary>The paragraph of 210.23 for 15 and 20 A circuits: (A) until 2020, (B) from 2023.</summary>
    public string FifteenTwenty => Edition >= Edition.Y2023 ? "210.23(B)" : "210.23(A)";

    /// <summary>The section on a dwelling's floor area.</summary>
    public string FloorAreaSection => Edition switch { Edition.Y2017 => "220.12", Edition.Y2020 => "220.11", _ => "220.5(C)" };

    /// <summary>The section on the lighting load of dwellings.</summary>
    public string LightingLoadSection => Edition switch { Edition.Y2017 => "220.12", Edition.Y2020 => "220.14(J)", _ => "220.41" };

    /// <summary>The section on bonding by nameplate for fixed electric space heating at 125 per cent.</summary>
    public string SpaceHeatingSection => Edition == Edition.Y2017 ? "424.3(B)" : "424.4(B)";

    /// <summary>The section on the demand of lighting and small appliances.</summary>
    public string LightingDemandSection => Edition >= Edition.Y2023 ? "220.45" : "220.42";

    /// <summary>An appliance that 220.53 counts towards four and reduces with them: fastened in place and no range, dryer, space heating or air conditioning.
    /// From 2020 also no other household cooking equipment, and only of 1/4 hp or 500 W and more.</summary>
    /// <param name="load">Its rating.</param>
    /// <param name="cooking">A range, cooktop or wall oven.</param>
    public bool CountsTowardsFour(VoltAmps load, bool cooking) => !cooking && (Edition == Edition.Y2017 || load.Value >= 500);

    /// <summary>Least load of vehicle equipment, 220.57 from 2023; nothing before.</summary>
    public VoltAmps LeastVehicle => new(Edition >= Edition.Y2023 ? 7200 : 0);

    /// <summary>The section on conductors that carry a whole dwelling's load.</summary>
    public string DwellingConductorSection => Edition == Edition.Y2017 ? "310.15(B)(7)" : "310.12";

    /// <summary>Surge protection and an outdoor emergency disconnect are asked of dwelling services: 230.67 and 230.85 from 2020.</summary>
    public bool AsksSurgeProtection => Edition >= Edition.Y2020;

    /// <summary>Smallest standard rating not below a current, 240.6(A); null above 400 A.</summary>
    public Amps? StandardAtLeast(Amps current) => StandardRatings.Select(r => (Amps?)r).FirstOrDefault(r => r >= current);

    /// <summary>Largest standard rating not above a current, 240.6(A); null below the smallest.</summary>
    public Amps? StandardAtMost(Amps current) => StandardRatings.Select(r => (Amps?)r).LastOrDefault(r => r <= current);

    /// <summary>Largest overcurrent device on a small conductor, 240.4(D); null where the section has no limit.</summary>
    public static Amps? SmallConductorLimit(Gauge gauge, Metal metal) => (metal, gauge.ToString()) switch
    {
        (Metal.Copper, "14") => new Amps(15),
        (Metal.Copper, "12") => new Amps(20),
        (Metal.Copper, "10") => new Amps(30),
        (Metal.Aluminium, "12") => new Amps(15),
        (Metal.Aluminium, "10") => new Amps(25),
        _ => null,
    };

    /// <summary>True when a device of this rating protects conductors of this ampacity: 240.4, with the next standard size up
    /// of 240.4(B) unless the circuit feeds more than one receptacle for portable cord-and-plug loads.</summary>
    public bool Protects(Amps rating, Amps ampacity, bool portableReceptacles) =>
        rating <= ampacity || (!portableReceptacles && rating.Value <= 800 && StandardAtLeast(ampacity) is Amps next && rating <= next);

    /// <summary>Grounds counted in a box, 314.16(B)(5): one volume of the largest for all in 2017; from 2020 for up to four, a quarter for each further.</summary>
    public decimal GroundVolumes(int grounds) => grounds == 0 ? 0 : Edition == Edition.Y2017 ? 1 : 1 + (.25m * Math.Max(0, grounds - 4));

    /// <summary>Receptacles that an island or a peninsula must have, 210.52(C)(2) (2017: (C)(2) and (3)): one where it is 24 × 12 in or larger;
    /// from 2020 one for the first 9 ft² and one for each further 18 ft² or part; from 2023 none, but a way for wiring one later.</summary>
    public int IslandReceptacles(Length width, Length depth)
    {
        Length longer = Length.Max(width, depth), shorter = Length.Min(width, depth);
        if (Edition >= Edition.Y2023 || longer < Length.FromInches(24) || shorter < Length.FromInches(12))
        {
            return 0;
        }

        var area = width.Feet * depth.Feet;
        return Edition == Edition.Y2017 ? 1 : 1 + (int)Math.Ceiling(Math.Max(0, area - 9) / 18);
    }

    /// <summary>Receptacles stand out of the 3 ft beside a tub or shower: 406.9(C), from 2020.</summary>
    public bool KeepsReceptaclesOffTubs => Edition >= Edition.Y2020;

    /// <summary>Every kitchen receptacle is GFCI protected, not only those that serve counters: 210.8(A)(6) from 2023.</summary>
    public bool GuardsEveryKitchenReceptacle => Edition >= Edition.Y2023;

    /// <summary>Least number of general circuits, 210.11(A): floor area × 3 VA, in circuits of the rating given (15 or 20 A at 120 V).</summary>
    public static int LeastGeneralCircuits(SquareFeet area, Amps rating) => (int)Math.Ceiling(area.Value * 3 / (120 * rating.Value));

    /// <summary>Demand of one household range by Table 220.55: column C to 12 kW, 5 per cent for each kW or major fraction above (note 1), column B from 3.5 to 8.75 kW, column A below.</summary>
    public static VoltAmps RangeDemand(VoltAmps rating)
    {
        var kilo = rating.Value / 1000;
        if (kilo < 8.75m)
        {
            // Columns A and B, one appliance: 80 per cent, note 3 allows the smaller of the columns.
            return new(Math.Min(rating.Value * .80m, 8000));
        }

        var over = Math.Max(0, kilo - 12);
        var steps = Math.Floor(over) + (over - Math.Floor(over) >= .5m ? 1 : 0);
        return new(8000 * (1 + (.05m * steps)));
    }
}
