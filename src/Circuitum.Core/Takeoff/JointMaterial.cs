using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Takeoff;

/// <summary>What joins conductors and brings cables into boxes and panels.</summary>
internal static class JointMaterial
{
    private static readonly ImmutableArray<string> Many = ["up to three", "four to six", "seven or more"];

    private static readonly ImmutableArray<string> Gauges = ["14 and 12 AWG", "10 AWG", "8 AWG and larger"];

    /// <summary>A splice takes a connector for its conductors and one tail to each screw, and is made for the largest of them; cables take
    /// theirs where they enter.</summary>
    /// <param name="plan">The plan.</param>
    public static IEnumerable<MaterialLine> Of(Plan plan)
    {
        var joints = plan.Circuits.SelectMany(c => c.Circuit.Boxes
            .SelectMany(b => c.Wiring(plan.Survey[b], plan.Job.Schools.Joints).Joints
                .Select(j => (Circuit: c, Box: b, Joint: j)))).ToList();
        var splices = joints.Where(j => j.Joint.By is JointBy.Splice or JointBy.Cap)
            .Select(j => (Gauge: Largest(j.Joint.Ends.Select(e => j.Circuit.GaugeOf(e.Run)).Append(j.Circuit.Sized.Gauge.Value).Max()),
                Many: Together(j.Joint.Ends.Length + j.Joint.Terminals.Length)));
        foreach (var group in splices.GroupBy(s => s).OrderBy(g => g.Key.Gauge).ThenBy(g => g.Key.Many))
        {
            yield return new($"Connectors for {Many[group.Key.Many]} conductors, {Gauges[group.Key.Gauge]}", "each", group.Count(),
                "splices and caps of all boxes, grounds among them; by the largest conductor of each");
        }

        foreach (var line in Tails(plan, joints))
        {
            yield return line;
        }

        yield return new("Cable connectors at panels", "each",
            plan.Circuits.SelectMany(c => c.Runs).Count(r => r is { Kind: RunKind.HomeRun, RidesIn: null, From.Panel: not null }
                && r.Jacket != Jacket.Armoured), "one a cable");
        var boxes = plan.Circuits.SelectMany(c => c.Boxes.Values).ToList();
        // Device boxes bring their clamps; a square takes a connector for every cable, and one for two where they come together.
        var loose = boxes.Where(b => b.Make == BoxMake.Square).Sum(b => b.In.Concat(b.Out).Count(r => r.Pipe is null
            && r.Jacket != Jacket.Armoured));
        if (loose > 0)
        {
            yield return new("Cable connectors at metal boxes", "each", loose, "one a cable; a connector for two cables takes two");
        }

        if (boxes.Count(b => b.Make.IsMetal()) is > 0 and var metal)
        {
            yield return new("Grounding tails for metal boxes", "each", metal, $"one a box, {plan.Book.Cite(RuleId.MetalBoxGrounded)}");
        }

        var armoured = plan.Circuits.SelectMany(c => c.Runs).Count(r => r.Jacket == Jacket.Armoured);
        if (armoured > 0)
        {
            yield return new($"{plan.Book.Conductors.Suffix(Jacket.Armoured)} connectors", "each", armoured * 2,
                "both ends of every armored cable, with their bushings");
        }
    }

    // From each splice to each screw on it a tail, off the ends of the cable; lamps and fans bring leads of their own.
    private static IEnumerable<MaterialLine> Tails(Plan plan, List<(WiredCircuit Circuit, BoxId Box, Joint Joint)> joints)
    {
        var tails = joints.Where(j => j.Joint is { By: JointBy.Splice, Ends.Length: > 0 }).SelectMany(j => j.Joint.Terminals
            .Where(t => plan.Survey[j.Box].Box.Devices[t.Gang].Kind is var kind && (kind.IsSwitch() || kind.IsReceptacle()))
            .Select(_ => (j.Circuit.Sized.Gauge.Value, j.Joint.Ends[0].Conductor.Colour)));
        foreach (var group in tails.GroupBy(t => t.Value).OrderBy(g => g.Key))
        {
            var byColor = group.GroupBy(t => t.Colour).OrderBy(g => g.Key)
                .Select(g => $"{(g.Key == ConductorColour.Bare ? "ground" : MakeUp.ColourOf(g.Key))} {g.Count()}");
            yield return new($"Tails of {group.Key.Words}", "each", group.Count(),
                $"{string.Join(", ", byColor)}; from the ends of cable, {plan.Job.HouseRules.MakeUpAtBox} each");
        }

        var hot = plan.Circuits.SelectMany(c => c.Runs).Where(r => r.Jacket != Jacket.Loose)
            .Sum(r => Conductor.In(r).Count(c => c.ReMarked));
        if (hot > 0)
        {
            yield return new("Marks on whites that are hot", "each", hot * 2,
                $"tape or marker at both ends, {plan.Book.Cite(RuleId.RemarkedWhite)}");
        }
    }

    private static int Together(int conductors) => conductors <= 3 ? 0 : conductors <= 6 ? 1 : 2;

    private static int Largest(Gauge gauge) => gauge <= Gauge.Awg12 ? 0 : gauge <= Gauge.Awg10 ? 1 : 2;
}
