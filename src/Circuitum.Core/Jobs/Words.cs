using System.Collections.Immutable;
using Circuitum.Core.Units;

namespace Circuitum.Core.Jobs;

/// <summary>Trade words for kinds.</summary>
public static class Words
{
    /// <summary>A word with its article: an island, a range.</summary>
    public static string One(string word) => $"{("aeiou".Contains(word[0], StringComparison.Ordinal) ? "an" : "a")} {word}";

    /// <summary>What is along a pipe.</summary>
    public static string Of(PipeStopKind kind) => kind == PipeStopKind.PullBox ? "pull box" : "joint between boxes";

    /// <summary>What joists are.</summary>
    public static string Of(JoistKind kind) => kind switch
    {
        JoistKind.IJoist => "I-joists",
        JoistKind.OpenWeb => "open-web trusses",
        JoistKind.RoofTruss => "roof trusses",
        _ => "sawn joists",
    };

    /// <summary>GfciReceptacle becomes “GFCI receptacle”, SmokeAlarm “smoke alarm”.</summary>
    public static string Of<T>(T kind) where T : struct, Enum => Writing.Parlance == Parlance.International
        && kind is DeviceKind or Appliance or FixtureKind or RoomUse && Elsewhere.TryGetValue(kind.ToString(), out var word) ? word
        : American(kind);

    /// <summary>As files, lines and the text of a house have it, whatever trade reads them.</summary>
    public static string Plain<T>(T kind) where T : struct, Enum => American(kind);

    /// <summary>One word for what plugs go into: receptacle, or socket.</summary>
    public static string Receptacle => Writing.Parlance == Parlance.International ? "socket" : "receptacle";

    /// <summary>What a number of the crew's says.</summary>
    public static string Of(CrewNumber<HouseRules> number) => Writing.Parlance != Parlance.International ? number.Words
        : number.Words.Replace("Can to can", "Downlight to downlight", StringComparison.Ordinal)
            .Replace("Receptacle", "Socket", StringComparison.Ordinal).Replace("receptacle", "socket", StringComparison.Ordinal);

    /// <summary>What circuits go home to: a panel, or a board.</summary>
    public static string Panel => Writing.Parlance == Parlance.International ? "Board" : "Panel";

    // As the trade says it where houses are of block and boards of modules.
    private static readonly ImmutableDictionary<string, string> Elsewhere = new Dictionary<string, string>
    {
        [nameof(DeviceKind.Duplex)] = "twin socket",
        [nameof(DeviceKind.Single)] = "socket",
        [nameof(DeviceKind.GfciReceptacle)] = "protected socket",
        [nameof(DeviceKind.AfciReceptacle)] = "protected socket",
        [nameof(DeviceKind.HalfSwitched)] = "switched socket",
        [nameof(DeviceKind.ApplianceReceptacle)] = "appliance socket",
        [nameof(DeviceKind.ThreeWay)] = "two-way switch",
        [nameof(DeviceKind.FourWay)] = "intermediate switch",
        [nameof(DeviceKind.Disconnect)] = "isolator",
        [nameof(DeviceKind.Equipment)] = "connection unit",
        [nameof(DeviceKind.Can)] = "downlight",
        [nameof(DeviceKind.VanityLight)] = "mirror light",
        [nameof(DeviceKind.ClosetLight)] = "wardrobe light",
        [nameof(DeviceKind.BathFan)] = "extract fan",
        [nameof(Appliance.Range)] = "cooker",
        [nameof(Appliance.Cooktop)] = "hob",
        [nameof(Appliance.HeatPump)] = "split unit",
        [nameof(Appliance.Dryer)] = "tumble dryer",
        [nameof(FixtureKind.Tub)] = "bath",
        [nameof(RoomUse.Closet)] = "wardrobe",
    }.ToImmutableDictionary();

    private static string American<T>(T kind) where T : struct, Enum
    {
        var text = kind.ToString();
        var words = string.Concat(text.Select((c, i) => i > 0 && char.IsUpper(c) ? " " + char.ToLowerInvariant(c)
            : char.ToLowerInvariant(c).ToString()));
        return words.Replace("cased", "cased opening", StringComparison.Ordinal).Replace("gfci", "GFCI", StringComparison.Ordinal)
            .Replace("afci", "AFCI", StringComparison.Ordinal).Replace("smoke co", "smoke and CO", StringComparison.Ordinal)
            .Replace("half switched", "half-switched receptacle", StringComparison.Ordinal)
            .Replace("three way", "three-way switch", StringComparison.Ordinal)
            .Replace("four way", "four-way switch", StringComparison.Ordinal);
    }
}
