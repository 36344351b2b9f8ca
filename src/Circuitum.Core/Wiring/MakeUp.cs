using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;

namespace Circuitum.Core.Wiring;

/// <summary>What a person does at a box, in the order it is done: grounds, neutrals, hots; each step in trade words.</summary>
public static class MakeUp
{
    /// <summary>The steps for one box.</summary>
    public static ImmutableArray<string> Steps(BoxWiring wiring, PlacedBox box, CodeBook book)
    {
        var letters = wiring.Cables.ToDictionary(c => c.Run.Id, c => c.Letter);
        string End(CableEnd end) => $"{ColourOf(end.Conductor.Colour)} of {letters[end.Run.Id]}";
        var steps = ImmutableArray.CreateBuilder<string>();
        foreach (var cable in wiring.Cables)
        {
            foreach (var white in Conductor.In(cable.Run).Where(c => c.ReMarked))
            {
                steps.Add($"Re-mark the {ColourOf(white.Colour)} of {cable.Letter} black: it is the second leg, no neutral ("
                    + $"{book.Cite(RuleId.RemarkedWhite)}).");
            }
        }

        foreach (var joint in wiring.Joints.OrderBy(j => OrderOf(j)))
        {
            var ends = joint.Ends.Select(End).ToList();
            var screws = joint.Terminals.Select(t => TerminalName(box, t)).ToList();
            steps.Add(joint.By switch
            {
                JointBy.Screw => $"{Sentence(ends[0])} to {screws[0]}.",
                JointBy.Device => $"{Sentence(Listed(ends))} to {screws[0]}, one under each screw"
                    + $"{(joint.Onward is { } amps ? $": {amps} go on through the device" : "")}.",
                JointBy.Cap => $"Cap the {ends[0]}"
                    + $"{(joint.Ends[0].Conductor.Carries == Carried.Neutral
                        ? $": a neutral for a later control ({book.Cite(RuleId.NeutralAtSwitch)})" : "")}.",
                _ when ends.Count == 0 => $"A jumper joins {Listed(screws)}.",
                _ => $"Join {Listed(ends)}"
                    + $"{(screws.Count == 0 ? "" : $", with {(screws.Count == 1 ? "a pigtail" : "pigtails")} to {Listed(screws)}")}.",
            });
        }

        if (wiring.Line is { } line)
        {
            steps.Add($"{line.Letter} is the LINE. What is on LOAD is protected; test that it goes dead.");
        }

        if (box.Box.Devices.Select((d, gang) => (d.Kind, gang))
            .Any(d => d.Kind == DeviceKind.HalfSwitched || (d.Kind == DeviceKind.Duplex && wiring.HasBothLegs(d.gang))))
        {
            steps.Add("Break off the link between the two brass screws; leave the silver one.");
        }

        return steps.ToImmutable();
    }

    /// <summary>“the brass of the duplex”, “the dark common screw of the three-way switch”; with its place where there are two of a
    /// kind.</summary>
    /// <param name="box">The box.</param>
    /// <param name="terminal">The screw or lead.</param>
    /// <param name="protective">The place of the protective receptacle whose screws are to be named LINE and LOAD; null for none.</param>
    public static string TerminalName(PlacedBox box, Terminal terminal, int? protective = null)
    {
        var device = box.Box.Devices[terminal.Gang];
        var alike = box.Box.Devices.Count(d => d.Kind == device.Kind) > 1;
        var screw = ScrewOf(terminal.Kind, ShownAs(box, terminal.Gang, protective));
        return $"{(screw.StartsWith("a ", StringComparison.Ordinal) || screw.StartsWith("an ", StringComparison.Ordinal) ? "" : "the ")}"
            + $"{screw} of the {Words.Of(device.Kind)}{(alike ? $" in place {terminal.Gang + 1}" : "")}";
    }

    /// <summary>The kind whose screws a device shows: those of a protective receptacle are LINE and LOAD, whatever was planned
    /// there.</summary>
    public static DeviceKind ShownAs(PlacedBox box, int gang, int? protective) =>
        gang == protective ? DeviceKind.GfciReceptacle : box.Box.Devices[gang].Kind;

    /// <summary>A screw or lead as people call it.</summary>
    public static string ScrewOf(TerminalKind terminal, DeviceKind device) => terminal switch
    {
        TerminalKind.Hot when device.IsReceptacle() => device is DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle ? "LINE brass"
            : "brass screw",
        TerminalKind.Hot when device.IsLight() || device.IsFan() => "black lead",
        TerminalKind.Hot => "hot lead",
        TerminalKind.SecondLeg when device.IsGeneralReceptacle() => "brass of the second half",
        TerminalKind.SecondLeg => "second hot",
        TerminalKind.SecondOut => "second load screw",
        TerminalKind.Neutral when device is DeviceKind.GfciReceptacle or DeviceKind.AfciReceptacle => "LINE silver",
        TerminalKind.Neutral => device.IsReceptacle() ? "silver screw" : "white lead",
        TerminalKind.SwitchedHalf => "brass of the switched half",
        TerminalKind.LoadHot => "LOAD brass",
        TerminalKind.LoadNeutral => "LOAD silver",
        TerminalKind.SwitchIn => device == DeviceKind.Disconnect ? "line screw" : "feed screw",
        TerminalKind.SwitchOut => device == DeviceKind.Disconnect ? "load screw" : "leg screw",
        TerminalKind.Common => "dark common screw",
        TerminalKind.TravelerOne or TerminalKind.TravelerTwo => "a traveler screw",
        TerminalKind.OutOne or TerminalKind.OutTwo => "an outgoing traveler screw",
        TerminalKind.FanHot => "motor lead",
        TerminalKind.Signal => "signal lead",
        _ => "green screw",
    };

    /// <summary>A colour in words.</summary>
    public static string ColourOf(ConductorColour colour) => colour switch
    {
        ConductorColour.WhiteRed => "white with red",
        ConductorColour.Bare => "bare",
        _ => colour.ToString().ToLowerInvariant(),
    };

    // Grounds first, neutrals next, then hots.
    private static int OrderOf(Joint joint) => joint.Ends.Any(e => e.Conductor.Carries is null) ? 0
        : joint.Ends.Any(e => e.Conductor.Carries is Carried.Neutral or Carried.OtherNeutral) ? 1 : 2;

    private static string Listed(IReadOnlyList<string> items) => items.Count == 1 ? items[0]
        : $"{string.Join(", ", items.Take(items.Count - 1))} and {items[^1]}";

    private static string Sentence(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
