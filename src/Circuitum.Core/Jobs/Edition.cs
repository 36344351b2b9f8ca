using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Books of one kind: tables, places and shapes of circuits that belong together. What a family differs in stands in a folder of
/// its own under Rules.</summary>
public enum RuleFamily
{
    /// <summary>The model code for dwellings of the United States (NFPA 70).</summary>
    UnitedStates = 0,

    /// <summary>The Canadian method (CSA C22.1).</summary>
    Canada = 1,

    /// <summary>The Gulf metric method: boards of 230 and 400 V, with conduit in block and slab (after IEC 60364).</summary>
    Gulf = 2,
}

/// <summary>A book that jobs are planned by: a family and its year. The number is ten thousand times the family and the year, so that
/// years of one family compare as years.</summary>
public enum Edition
{
    /// <summary>United States, 2017.</summary>
    Y2017 = 2017,

    /// <summary>United States, 2020.</summary>
    Y2020 = 2020,

    /// <summary>United States, 2023.</summary>
    Y2023 = 2023,

    /// <summary>Canadian method, 2021.</summary>
    Canada2021 = 12021,

    /// <summary>Gulf metric method, 2022.</summary>
    Gulf2022 = 22022,
}

/// <summary>What an edition is called, on paper and in addresses.</summary>
public static class Editions
{
    private const int YearsOfFamily = 10_000;

    /// <summary>Every edition, those of one family together, the oldest first.</summary>
    public static ImmutableArray<Edition> All { get; } = [.. Enum.GetValues<Edition>().Order()];

    /// <summary>Those by which circuits are laid in cable and landed in panels, and which can be compared outlet by outlet.</summary>
    public static ImmutableArray<Edition> WithPanels { get; } = [.. All.Where(e => e.Family() != RuleFamily.Gulf)];

    /// <summary>The editions of a family, the oldest first.</summary>
    public static IEnumerable<Edition> Of(RuleFamily family) => All.Where(e => e.Family() == family);

    /// <summary>The newest edition of a family.</summary>
    public static Edition Newest(RuleFamily family) => Of(family).Last();

    /// <summary>The family it belongs to.</summary>
    public static RuleFamily Family(this Edition edition) => (RuleFamily)((int)edition / YearsOfFamily);

    /// <summary>Its year.</summary>
    public static int Year(this Edition edition) => (int)edition % YearsOfFamily;

    /// <summary>As it stands in an address, a form and a command: 2020, canada-2021.</summary>
    public static string Key(this Edition edition) => edition.Family() == RuleFamily.UnitedStates ? Number(edition)
        : $"{edition.Family().Key()}-{Number(edition)}";

    /// <summary>As it is printed on every sheet: 2020 edition; Canadian method, 2021.</summary>
    public static string Words(this Edition edition) => edition.Family() == RuleFamily.UnitedStates ? $"{Number(edition)} edition"
        : $"{edition.Family().Words()}, {Number(edition)}";

    /// <summary>As it is chosen: United States 2020, Canadian method 2021.</summary>
    public static string Choice(this Edition edition) => $"{edition.Family().Words()} {Number(edition)}";

    /// <summary>As it stands in a file: united-states, canada.</summary>
    public static string Key(this RuleFamily family) => family switch
    {
        RuleFamily.UnitedStates => "united-states",
        RuleFamily.Canada => "canada",
        _ => "gulf-metric",
    };

    /// <summary>As people call it.</summary>
    public static string Words(this RuleFamily family) => family switch
    {
        RuleFamily.UnitedStates => "United States",
        RuleFamily.Canada => "Canadian method",
        _ => "Gulf metric method",
    };

    /// <summary>What devices are called where it holds.</summary>
    public static Parlance Parlance(this Edition edition) => edition.Family() == RuleFamily.Gulf ? Units.Parlance.International
        : Units.Parlance.American;

    /// <summary>Reads a key.</summary>
    /// <param name="key">2020, canada-2021.</param>
    /// <param name="edition">The edition; the default where there is none of that name.</param>
    public static bool TryParse(string? key, out Edition edition)
    {
        edition = All.FirstOrDefault(e => e.Key() == key?.Trim());
        return edition != default;
    }

    /// <summary>Every key, as a message lists them.</summary>
    public static string Keys => string.Join(", ", All.Select(Key));

    private static string Number(Edition edition) => edition.Year().ToString(CultureInfo.InvariantCulture);
}
