using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Core.Routing;
using Circuitum.Core.Wiring;
using Microsoft.AspNetCore.WebUtilities;

namespace Circuitum.Web.Proving;

/// <summary>How the house stands on Prove, as it is written in the address: nothing is kept on the server, and a state can be sent to
/// somebody.</summary>
public sealed record ProveQuery
{
    /// <summary>Most things in one list of the address.</summary>
    public const int Most = 200;

    /// <summary>switch, find, board or all.</summary>
    public string View { get; init; } = "switch";

    /// <summary>The readings before board are of a house with nothing live.</summary>
    public bool Dead { get; init; }

    /// <summary>What is held to the wires of the box looked at; null for nothing.</summary>
    public Instrument? Instrument { get; init; }

    /// <summary>Where its one lead is, as the box's leads are named.</summary>
    public string One { get; init; } = "";

    /// <summary>Where its other lead is.</summary>
    public string Other { get; init; } = "";

    /// <summary>The circuit looked at.</summary>
    public required CircuitKey Circuit { get; init; }

    /// <summary>The level drawn.</summary>
    public string Level { get; init; } = "";

    /// <summary>The box looked at.</summary>
    public BoxId? On { get; init; }

    /// <summary>Switches that are thrown.</summary>
    public ImmutableArray<SwitchGang> Thrown { get; init; } = [];

    /// <summary>Breakers that a person opened.</summary>
    public ImmutableArray<CircuitKey> Open { get; init; } = [];

    /// <summary>Devices whose test button a person pressed.</summary>
    public ImmutableArray<BoxId> Tripped { get; init; } = [];

    /// <summary>What is plugged in.</summary>
    public ImmutableArray<Plugged> Plugged { get; init; } = [];

    /// <summary>Number of the fault of the circuit that is placed, as the finder lists them; null for none.</summary>
    public int? Fault { get; init; }

    /// <summary>The fault is hidden from whoever looks for it.</summary>
    public bool Hidden { get; init; }

    /// <summary>What was seen: number of the place, and what.</summary>
    public ImmutableArray<(int Test, Finding Found)> Seen { get; init; } = [];

    /// <summary>Reads an address; what the plan does not have is left out.</summary>
    public static ProveQuery Read(IQueryCollection query, Plan plan)
    {
        string Text(string name) => query[name].ToString();
        IEnumerable<string> List(string name) => Text(name).Split(',', StringSplitOptions.RemoveEmptyEntries).Distinct().Take(Most);
        var branches = plan.Circuits.Where(c => c.Feeds is null && !c.Circuit.Boxes.IsEmpty).ToList();
        var first = (branches.Find(c => !c.Groups.IsEmpty) ?? branches[0]).Key;
        return new()
        {
            View = Text("view") is ("find" or "board" or "all") and var view ? view : "switch",
            Circuit = branches.Find(c => c.Key.ToString() == Text("circuit"))?.Key ?? first,
            Level = Text("level"),
            Dead = Text("dead") == "true",
            Instrument = Enum.TryParse<Instrument>(Text("instrument"), out var held) && Enum.IsDefined(held) ? held : null,
            One = Text("one"),
            Other = Text("other"),
            On = plan.Survey.Find(new(Text("on")))?.Box.Id,
            Thrown = query.ContainsKey("thrown") ? [.. List("thrown").Select(t => Switch(t, plan)).OfType<SwitchGang>()] : AllOff(plan),
            Open = [.. List("open").Select(t => new CircuitKey(t)).Where(k => plan.Circuits.Any(c => c.Key == k))],
            Tripped = [.. List("tripped").Select(t => new BoxId(t)).Where(b => plan.CircuitOf(b)?.Devices.ContainsKey(b) == true)],
            Plugged = [.. List("plug").Select(t => Plug(t, plan)).OfType<Plugged>()],
            Fault = int.TryParse(Text("fault"), NumberStyles.None, CultureInfo.InvariantCulture, out var fault) ? fault : null,
            Hidden = Text("hidden") == "true",
            Seen = [.. List("seen").Select(Found).OfType<(int, Finding)>().DistinctBy(s => s.Item1)],
        };
    }

    /// <summary>The address of a state.</summary>
    /// <param name="key">The job.</param>
    public string Address(string key)
    {
        var parts = new Dictionary<string, string?>
        {
            ["view"] = View == "switch" ? null : View,
            ["circuit"] = Circuit.ToString(),
            ["level"] = Some(Level),
            ["on"] = On?.Value,
            ["dead"] = Dead ? "true" : null,
            ["instrument"] = Instrument?.ToString(),
            ["one"] = Some(One),
            ["other"] = Some(Other),
            ["thrown"] = ThrownText,
            ["open"] = Some(string.Join(',', Open)),
            ["tripped"] = Some(string.Join(',', Tripped.Select(b => b.Value))),
            ["plug"] = Some(string.Join(',', Plugged.Select(p => $"{p.Box.Value}.{p.What}"))),
            ["fault"] = Fault?.ToString(CultureInfo.InvariantCulture),
            ["hidden"] = Hidden ? "true" : null,
            ["seen"] = Some(string.Join(',', Seen.Select(s => $"{s.Test}.{s.Found}"))),
        };
        return QueryHelpers.AddQueryString($"/job/{key}/prove", parts.Where(p => p.Value is not null));
    }

    /// <summary>The switches that are thrown, as the address has them.</summary>
    public string ThrownText => Thrown.IsEmpty ? "none" : string.Join(',', Thrown.Select(t => $"{t.Box.Value}.{t.Gang}"));

    /// <summary>Every lamp dark.</summary>
    public static ImmutableArray<SwitchGang> AllOff(Plan plan) =>
        [.. HouseState.LampsOff(plan.Circuits.SelectMany(c => c.Groups))];

    /// <summary>Every lamp lit.</summary>
    public static ImmutableArray<SwitchGang> AllOn(Plan plan) =>
        [.. HouseState.LampsOn(plan.Circuits.SelectMany(c => c.Groups))];

    private static string? Some(string text) => text.Length == 0 ? null : text;

    private static (string Before, string After) Parted(string text) => text.LastIndexOf('.') is > 0 and var at
        ? (text[..at], text[(at + 1)..]) : (text, "");

    private static SwitchGang? Switch(string text, Plan plan) => Parted(text) is var (box, gang)
        && plan.Survey.Find(new(box)) is { } placed && int.TryParse(gang, NumberStyles.None, CultureInfo.InvariantCulture, out var at)
        && at < placed.Box.Devices.Length && placed.Box.Devices[at].Kind.IsSwitch() ? new SwitchGang(new(box), at) : null;

    private static Plugged? Plug(string text, Plan plan) => Parted(text) is var (box, what)
        && plan.Survey.Find(new(box)) is { } placed && PlugIn.CanBeAt(placed)
        && Enum.TryParse<Portable>(what, out var portable) && Enum.IsDefined(portable) ? new(new(box), portable) : null;

    private static (int, Finding)? Found(string text) => Parted(text) is var (test, found)
        && int.TryParse(test, NumberStyles.None, CultureInfo.InvariantCulture, out var at)
        && Enum.TryParse<Finding>(found, out var finding) && Enum.IsDefined(finding) ? (at, finding) : null;
}
