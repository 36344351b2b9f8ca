using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rulings;
using Circuitum.Core.Tags;

namespace Circuitum.Web.Bench;

/// <summary>A reason to show, under a title, open or folded.</summary>
public sealed record WhyView(string Title, Because Because, bool Open = false);

/// <summary>A tag to show with its place in the plan's list.</summary>
public sealed record TagView(BenchView View, Tag Tag, int Index);

/// <summary>A thing on which a fact can be waited for.</summary>
public sealed record HoldView(BenchView View, Subject Subject);

/// <summary>Numbers in words.</summary>
public static class Told
{
    /// <summary>How two circuits come to one place.</summary>
    public static string Together(TwoCircuits school) => school switch
    {
        TwoCircuits.Multiwire => "one 3-wire, shared neutral",
        TwoCircuits.FourWire => "one 4-wire, two neutrals",
        _ => "two 2-wire cables",
    };

    /// <summary>How the legs are looked at.</summary>
    public static string Legs(LegView view) => view switch
    {
        LegView.Demand => "by demand",
        LegView.Evening => "an evening, range on",
        LegView.Night => "a night, car charging",
        _ => "connected",
    };

    /// <summary>What a conductor is there for.</summary>
    public static string Carried(Carried carries) => carries switch
    {
        Core.Routing.Carried.SecondLeg => "second leg",
        Core.Routing.Carried.Switched => "switched",
        Core.Routing.Carried.Fan => "to the fan",
        Core.Routing.Carried.TravelerOne or Core.Routing.Carried.TravelerTwo => "traveler",
        Core.Routing.Carried.OtherHot => "hot of the other circuit",
        Core.Routing.Carried.OtherNeutral => "neutral of the other circuit",
        _ => carries.ToString().ToLowerInvariant(),
    };

    /// <summary>2 red tags, 1 hold.</summary>
    public static string Count(Severity severity, int count) =>
        Many(count, severity == Severity.Hold ? "hold" : $"{severity.ToString().ToLowerInvariant()} tag");

    /// <summary>Letters, digits and dashes of a text, for an id of an element.</summary>
    public static string Plain(string text) => new([.. text.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]);

    /// <summary>Who was first, when a change was done on top.</summary>
    public static string First(Data.Revision latest, int behind) => behind == 1
        ? $"{latest.Who} was first with “{latest.Phrase}”: both are done"
        : $"{behind} changes came first, the last by {latest.Who}, “{latest.Phrase}”: all are done";

    /// <summary>1 box, 2 boxes.</summary>
    public static string Many(int count, string one, string? more = null) => $"{count} {(count == 1 ? one : more ?? one + "s")}";

    /// <summary>2×4 wood studs, metal studs.</summary>
    public static string Framing(WallFraming framing) => framing switch
    {
        WallFraming.Wood2x4 => "2×4 wood studs",
        WallFraming.Wood2x6 => "2×6 wood studs",
        WallFraming.MetalStud => "metal studs",
        WallFraming.MasonryFurred => "masonry, furred",
        _ => "insulated panel",
    };

    /// <summary>The devices that have a key of their own: kind, words, key. Letters of the thing itself where they are free.</summary>
    public static IReadOnlyList<(DeviceKind Kind, string Words, string Key)> BoxTools =>
        Core.Units.Writing.Parlance == Core.Units.Parlance.International ? SocketTools : ReceptacleTools;

    private static IReadOnlyList<(DeviceKind Kind, string Words, string Key)> SocketTools { get; } =
    [
        (DeviceKind.Duplex, "Twin socket", "T"), (DeviceKind.Single, "Socket", "S"), (DeviceKind.Switch, "Rocker switch", "R"),
        (DeviceKind.Lamp, "Lamp", "L"), (DeviceKind.Can, "Ceiling downlight", "C"),
        (DeviceKind.BathFan, "Bath fan", "B"),
    ];

    private static IReadOnlyList<(DeviceKind Kind, string Words, string Key)> ReceptacleTools { get; } =
    [
        (DeviceKind.Duplex, "Receptacle", "R"), (DeviceKind.GfciReceptacle, "GFCI", "G"), (DeviceKind.Switch, "Switch", "S"),
        (DeviceKind.ThreeWay, "Three-way", "T"),
        (DeviceKind.Lamp, "Lamp", "L"), (DeviceKind.Can, "Can", "C"), (DeviceKind.Pendant, "Pendant", "P"),
            (DeviceKind.VanityLight, "Vanity light", "V"), (DeviceKind.BathFan, "Bath fan", "B"), (DeviceKind.SmokeAlarm, "Alarm", "A"),
    ];

    /// <summary>More that have a key, but no button of their own: value on the list, words, key.</summary>
    public static IReadOnlyList<(string Value, string Words, string Key)> MoreTools =>
        Core.Units.Writing.Parlance == Core.Units.Parlance.International ? [] : AmericanTools;

    private static IReadOnlyList<(string Value, string Words, string Key)> AmericanTools { get; } =
    [
        ("quad", "Quad", "Q"), (nameof(DeviceKind.Single), "Single receptacle", "I"),
        (nameof(DeviceKind.HalfSwitched), "Half-switched", "H"), (nameof(DeviceKind.Dimmer), "Dimmer", "M"),
        (nameof(DeviceKind.OutdoorLight), "Outdoor light", "O"), (nameof(DeviceKind.CeilingFan), "Ceiling fan", "N"),
            (nameof(DeviceKind.ClosetLight), "Closet light", "K"), (nameof(DeviceKind.Strip), "Strip", "W"),
            (nameof(DeviceKind.Flood), "Flood", "J"),
    ];

    /// <summary>The first letter that names no panel yet.</summary>
    public static string FreePanel(Job job) => Enumerable.Range('A', 26).Select(c => ((char)c).ToString())
        .FirstOrDefault(l => job.Panels.All(p => p.Id.Value != l)) ?? "";

    /// <summary>A ruling's topic on its link.</summary>
    public static string Topic(RulingTopic topic) => topic switch
    {
        RulingTopic.HalfRating => "Half rating",
        RulingTopic.ContinuousLoads => "Continuous load",
        RulingTopic.OutletCap => "How many outlets",
        RulingTopic.SharedBaths => "Shared baths",
        RulingTopic.Together => "Why together",
        _ => char.ToUpperInvariant(Words.Of(topic)[0]) + Words.Of(topic)[1..],
    };

    /// <summary>Red tag, amber tag, hold.</summary>
    public static string Name(Severity severity) => severity == Severity.Hold ? "Hold" : $"{severity} tag";
}
