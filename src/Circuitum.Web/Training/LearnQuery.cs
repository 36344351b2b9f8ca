using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Proving;
using Circuitum.Core.Wiring;
using Microsoft.AspNetCore.WebUtilities;

namespace Circuitum.Web.Training;

/// <summary>How far somebody is in an exercise, as it is written in the address.</summary>
public sealed record LearnQuery
{
    /// <summary>Most of anything that is counted.</summary>
    public const int Most = 999;

    private const int MostText = 4000;

    /// <summary>The lot.</summary>
    public int Seed { get; init; } = 1;

    /// <summary>What is joined by hand.</summary>
    public string Joints { get; init; } = "";

    /// <summary>The lead in the hand; empty for none.</summary>
    public string Held { get; init; } = "";

    /// <summary>It is switched on.</summary>
    public bool On { get; init; }

    /// <summary>Joints made, looks taken or choices tried.</summary>
    public int Steps { get; init; }

    /// <summary>How often it was switched on before, or said.</summary>
    public int Tries { get; init; }

    /// <summary>How often somebody would have been hurt before.</summary>
    public int Harm { get; init; }

    /// <summary>Hints shown.</summary>
    public int Hints { get; init; }

    /// <summary>What is said: a box, a choice, a cable; empty for nothing yet.</summary>
    public string Said { get; init; } = "";

    /// <summary>Where one has looked, by the finder's numbers.</summary>
    public ImmutableArray<int> Looks { get; init; } = [];

    /// <summary>Where conductors are landed.</summary>
    public ImmutableDictionary<ConductorColour, PanelPlace> Landed { get; init; } = ImmutableDictionary<ConductorColour, PanelPlace>.Empty;

    /// <summary>The bonding screw is in.</summary>
    public bool Screw { get; init; }

    /// <summary>Reads an address; what it has amiss is left out.</summary>
    public static LearnQuery Read(IQueryCollection query)
    {
        string Text(string name) => query[name].ToString() is var text && text.Length <= MostText ? text : "";
        int Number(string name) => int.TryParse(Text(name), NumberStyles.None, CultureInfo.InvariantCulture, out var n)
            ? Math.Min(n, Most) : 0;
        return new()
        {
            Seed = Math.Max(1, Number("seed")),
            Joints = Text("joints"),
            Held = Text("held"),
            On = Text("on") == "true",
            Steps = Number("steps"),
            Tries = Number("tries"),
            Harm = Number("harm"),
            Hints = Number("hints"),
            Said = Text("said"),
            Looks = [.. Text("looks").Split(',', StringSplitOptions.RemoveEmptyEntries)
                .Select(t => int.TryParse(t, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : -1).Where(n => n >= 0)
                .Distinct()],
            Landed = Enum.GetValues<ConductorColour>()
                .Select(c => (c, Is: Enum.TryParse<PanelPlace>(Text(c.ToString()), out var place) && Enum.IsDefined(place), place))
                .Where(x => x.Is).ToImmutableDictionary(x => x.c, x => x.place),
            Screw = Text("screw") == "in",
        };
    }

    /// <summary>The address.</summary>
    /// <param name="exercise">The exercise's id.</param>
    public string Address(string exercise)
    {
        static string? Some(string text) => text.Length == 0 ? null : text;
        static string? Count(int count) => count == 0 ? null : count.ToString(CultureInfo.InvariantCulture);
        var parts = new Dictionary<string, string?>
        {
            ["seed"] = Count(Seed),
            ["joints"] = Some(Joints),
            ["held"] = Some(Held),
            ["on"] = On ? "true" : null,
            ["steps"] = Count(Steps),
            ["tries"] = Count(Tries),
            ["harm"] = Count(Harm),
            ["hints"] = Count(Hints),
            ["said"] = Some(Said),
            ["looks"] = Some(string.Join(',', Looks)),
            ["screw"] = Screw ? "in" : null,
        };
        foreach (var (colour, place) in Landed)
        {
            parts[colour.ToString()] = place.ToString();
        }

        return QueryHelpers.AddQueryString($"/learn/{exercise}", parts.Where(p => p.Value is not null));
    }
}
