using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Protection;
using Circuitum.Core.Rules;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Wiring;

namespace Circuitum.Web.Bench.Cards;

/// <summary>What the card of a box says and offers; the page only lays it out.</summary>
/// <param name="Placed">The box.</param>
/// <param name="Side">The wall it is on; null on a ceiling or a floor.</param>
/// <param name="Wired">The box as it is wired; null where its points go to boards.</param>
/// <param name="Facts">Its circuit, its volume, its protection, line by line.</param>
/// <param name="Heads">Boxes of the same building that a machine in two parts can have its cable go back to.</param>
/// <param name="Workable">What a switch can work, what is in its own room first.</param>
/// <param name="Disconnectable">What a disconnect can work besides.</param>
public sealed record BoxCard(PlacedBox Placed, RoomSide? Side, WiredBox? Wired, ImmutableArray<CardFact> Facts,
    ImmutableArray<PlacedBox> Heads, ImmutableArray<PlacedBox> Workable, ImmutableArray<PlacedBox> Disconnectable)
{
    /// <summary>The card of the box that is selected.</summary>
    public static BoxCard Of(BenchView view)
    {
        var placed = view.Box!;
        var box = placed.Box;
        var near = view.Plan.Survey.Boxes.Where(b => b.Place.Structure == placed.Place.Structure)
            .OrderBy(b => b.Box.Room == box.Room ? 0 : 1).ThenBy(b => b.Room.Room.Name).ThenBy(b => b.Name).ToList();
        bool Works(PlacedBox other) => other.HasLight || other.Box.Devices.Any(d => d.Kind.IsFan() || d.Kind == DeviceKind.HalfSwitched);
        return new(placed, box.Mount == Mount.Wall ? placed.Room.Sides[box.Wall - 1] : null, view.Circuit?.Wired.Boxes[box.Id],
            view.Circuit is null ? [] : [.. FactsOf(view)],
            [.. near.Where(b => b.IsHead)], [.. near.Where(Works)], [.. near.Where(b => Works(b) || b.Plates.Any())]);
    }

    /// <summary>What a device of the box can work.</summary>
    public ImmutableArray<PlacedBox> WorkedBy(Device device) => device.Kind == DeviceKind.Disconnect ? Disconnectable : Workable;

    /// <summary>What a device of the box works now, in words.</summary>
    public static string Works(BenchView view, Device device) => device.Controls.Length > 0
        ? $"Works {string.Join(", ", device.Controls.Select(c => view.Plan.Survey[c].Name))}." : "Works nothing yet.";

    // The device on which most depends: the others of the box take less with them.
    private static string WithoutIt(BenchView view, WiredCircuit circuit, PlacedBox placed)
    {
        var worst = Enumerable.Range(0, placed.Box.Devices.Length).Select(g => Failure.Of(circuit, view.Plan.Survey,
            view.Plan.Job.Schools.Joints, new(placed.Box.Id, g))).MaxBy(d => d.Length);
        return worst.IsEmpty ? "nothing else dies: what goes on is spliced"
            : $"{Told.Many(worst.Length, "box goes", "boxes go")} dead: {string.Join(", ", worst.Take(3).Select(b => b.Name))}"
                + (worst.Length > 3 ? $" and {worst.Length - 3} more" : "");
    }

    private static IEnumerable<CardFact> FactsOf(BenchView view)
    {
        var (placed, landed) = (view.Box!, view.Circuit!);
        var (wired, outlet) = (landed.Wired.Boxes[placed.Box.Id], landed.Wired.Outlets[placed.Box.Id]);
        yield return new("Circuit", $"{landed.Panel}{landed.SpaceText} · {landed.Description}")
        {
            To = view.Selected,
            On = Stage.Circuits,
        };
        yield return new("Box", $"{wired.Volume.Value} of {(wired.Given is { } given ? UsualBoxes.Words(given) : "no usual box")}");
        if (wired.Make != BoxMake.NailOn)
        {
            yield return new("Made", wired.Make.Words());
        }

        if (Hardware.IsForAFan(placed, view.Plan.Book))
        {
            yield return new("Rated", $"for a fan that may hang there, {view.Plan.Book.Cite(RuleId.FanBoxes)}");
        }

        if (placed.IsJoint)
        {
            yield return new("Stays reachable", $"its cover is never plastered over, {view.Plan.Book.Cite(RuleId.BoxReachable)}");
            yield break;
        }

        yield return new("AFCI", outlet.Afci is { } afci ? $"needed, {afci.Section}" : "not asked");
        yield return new("GFCI", outlet.Gfci is { } gfci ? $"needed, {gfci.Section}" : "not asked");
        yield return new("Resets at", view.ResetOf(placed.Box.Id));
        if (!landed.Wired.Boxes[placed.Box.Id].Out.IsEmpty && placed.Box.Devices.Any(d => d.Kind.IsReceptacle() || d.Kind.IsSwitch()))
        {
            yield return new("If it fails", WithoutIt(view, landed.Wired, placed));
        }

        if (ReceptacleListing.For(placed, landed.Protected, view.Plan.Job.Schools) is { } listing)
        {
            yield return new("Receptacle", string.Join("; ", listing.Why));
        }
    }
}
