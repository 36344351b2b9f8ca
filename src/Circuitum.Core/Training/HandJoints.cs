using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Training;

/// <summary>What can be taken in the hand in an open box: a conductor of a cable, or a screw of a device.</summary>
/// <param name="End">The conductor; null for a screw.</param>
/// <param name="Screw">The screw; null for a conductor.</param>
/// <param name="Name">As it is written in an address: A.BK for the black of cable A, 0.Hot for a screw of the first device.</param>
public sealed record Lead(CableEnd? End, Terminal? Screw, string Name);

/// <summary>A box being made up by hand: its leads, and which of them are joined.</summary>
public sealed class HandJoints
{
    private readonly List<List<Lead>> joints = [];

    private HandJoints(BoxWiring wiring, PlacedLeads leads)
    {
        (Wiring, Leads) = (wiring, leads.All);
        ByName = leads.ByName;
    }

    /// <summary>The make-up of the plan.</summary>
    public BoxWiring Wiring { get; }

    /// <summary>Every conductor, cable by cable, and every screw, device by device.</summary>
    public ImmutableArray<Lead> Leads { get; }

    /// <summary>The leads by their names.</summary>
    private ImmutableDictionary<string, Lead> ByName { get; }

    /// <summary>What is joined, two leads or more each.</summary>
    public IEnumerable<IReadOnlyList<Lead>> Joined => joints;

    /// <summary>The box with nothing joined.</summary>
    /// <param name="wiring">Its make-up by the plan: which cables come.</param>
    /// <param name="box">The box.</param>
    /// <param name="supply">What the house is supplied with.</param>
    public static HandJoints Open(BoxWiring wiring, Box box, SupplySystem supply) => new(wiring, PlacedLeads.Of(wiring, box, supply));

    /// <summary>The box as somebody left it: joints by the names of their leads, what the box does not have left out.</summary>
    public static HandJoints Read(BoxWiring wiring, Box box, SupplySystem supply, string written)
    {
        var hands = Open(wiring, box, supply);
        foreach (var joint in written.Split(',', StringSplitOptions.RemoveEmptyEntries))
        {
            var names = joint.Split('~').Where(hands.ByName.ContainsKey).ToList();
            foreach (var name in names.Skip(1))
            {
                hands.Join(names[0], name);
            }
        }

        return hands;
    }

    /// <summary>The lead of a name; null where the box has none.</summary>
    public Lead? Find(string name) => ByName.GetValueOrDefault(name);

    /// <summary>What a lead is joined with, itself among them; empty when it hangs free.</summary>
    public IReadOnlyList<Lead> With(Lead lead) => joints.Find(j => j.Contains(lead)) ?? [];

    /// <summary>Joins two leads, with all that either is joined with already.</summary>
    public void Join(string one, string other)
    {
        if (Find(one) is not { } a || Find(other) is not { } b || a == b)
        {
            return;
        }

        var (mine, theirs) = (joints.Find(j => j.Contains(a)), joints.Find(j => j.Contains(b)));
        if (mine is not null && mine == theirs)
        {
            return;
        }

        mine ??= New(a);
        mine.AddRange(theirs ?? [b]);
        joints.Remove(theirs!);
    }

    /// <summary>Takes a lead out of its joint; a joint of one is none.</summary>
    public void Take(string name)
    {
        if (Find(name) is { } lead && joints.Find(j => j.Contains(lead)) is { } joint)
        {
            joint.Remove(lead);
            if (joint.Count < 2)
            {
                joints.Remove(joint);
            }
        }
    }

    /// <summary>As an address has it.</summary>
    public string Written => string.Join(',', joints.Select(j => string.Join('~', j.Select(l => l.Name))));

    /// <summary>The joints as the network reads them.</summary>
    public ImmutableArray<Joint> Joints => [.. joints.Select(j => new Joint([.. j.Select(l => l.End).OfType<CableEnd>()],
        [.. j.Where(l => l.Screw is not null).Select(l => l.Screw!.Value)], JointBy.Splice, null))];

    private List<Lead> New(Lead lead)
    {
        var joint = new List<Lead> { lead };
        joints.Add(joint);
        return joint;
    }

    private sealed record PlacedLeads(ImmutableArray<Lead> All, ImmutableDictionary<string, Lead> ByName)
    {
        public static PlacedLeads Of(BoxWiring wiring, Box box, SupplySystem supply)
        {
            ImmutableArray<Lead> all =
            [
                .. wiring.Cables.SelectMany(c => Conductor.In(c.Run)
                    .Select(w => new Lead(new(c.Run, w), null, $"{c.Letter}.{w.Letters}"))),
                .. box.Devices.SelectMany((d, gang) => Screws.Of(d, wiring.Protective == gang, supply, wiring.HasBothLegs(gang))
                    .Select(t => new Lead(null, new(gang, t), $"{gang}.{t}"))),
            ];
            return new(all, all.ToImmutableDictionary(l => l.Name));
        }
    }
}
