using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>What bundles on one circuit come to: everything that 210.23, the cap and the required circuits ask about, so that adding one is
/// a sum.</summary>
internal readonly record struct Tally(int Bundles, int Outlets, decimal Connected, decimal Required, decimal Fastened, bool Other,
    decimal LargestCord, decimal LargestMotor, bool Alarms, bool Lights, int Kitchens, int Counters)
{
    public static Tally operator +(Tally a, Tally b) => new(
        a.Bundles + b.Bundles, a.Outlets + b.Outlets, a.Connected + b.Connected, a.Required + b.Required, a.Fastened + b.Fastened,
        a.Other || b.Other,
        Math.Max(a.LargestCord, b.LargestCord), Math.Max(a.LargestMotor, b.LargestMotor), a.Alarms || b.Alarms, a.Lights || b.Lights,
            a.Kitchens | b.Kitchens,
            a.Counters + b.Counters);

    /// <summary>One bundle's. Kitchens are told apart by a bit each, so that counters of two are seen on one circuit.</summary>
    public static Tally Of(Bundle bundle, IReadOnlyList<RoomId> kitchens, Schools schools, CodeBook book)
    {
        var load = CircuitLoad.Of(bundle.Boxes, schools, book);
        var counter = bundle.Boxes.Any(b => b.Box.ServesCounter);
        return new(1, bundle.Outlets, load.Connected.Value, load.Items.Select(i => i.Required).Total().Value,
            load.Items.Where(i => i.Use == LoadUse.Fastened).Sum(i => i.Load.Value), load.Items.Any(i => i.Use != LoadUse.Fastened),
            load.Items.Where(i => i.Use == LoadUse.CordAndPlug).Select(i => i.Load.Value).DefaultIfEmpty().Max(),
            load.QuarterLeftOut ? 0 : load.LargestMotor?.Load.Value ?? 0,
            bundle.Boxes.Any(b => b.HasAlarm), bundle.Boxes.Any(b => b.HasLight),
            counter ? 1 << (Math.Max(0, IndexOf(kitchens, bundle.Room.Room.Id)) & 31) : 0, counter ? 1 : 0);
    }

    private static int IndexOf(IReadOnlyList<RoomId> rooms, RoomId room)
    {
        for (var i = 0; i < rooms.Count; i++)
        {
            if (rooms[i] == room)
            {
                return i;
            }
        }

        return -1;
    }
}

/// <summary>The rules for circuits of one family of bundles: never traded against aims.</summary>
internal sealed class FamilyRules
{
    private readonly Tally whole;
    private readonly int[] countersOf;
    private readonly VoltAmps full;
    private readonly decimal plugged;
    private readonly decimal fastened;
    private readonly int cap;
    private readonly decimal fill;
    private readonly CircuitKind kind;
    private readonly bool staysOne;

    public FamilyRules(Family family, IReadOnlyList<Bundle> bundles, Job job, CodeBook book)
    {
        kind = family.Kind;
        staysOne = family.StaysOne;
        var rating = family.Rating ?? book.Division.Counters;
        full = book.Division.Carried(rating);
        plugged = (book.Division.Plugged * full).Value;
        fastened = (book.Division.Fastened * full).Value;
        cap = family.HasCap ? Cap(job, book) : int.MaxValue;
        fill = family.HasCap ? (job.HouseRules.LargestFill * full).Value : decimal.MaxValue;
        var kitchens = bundles.Where(b => b.Boxes.Any(x => x.Box.ServesCounter)).Select(b => b.Room.Room.Id).Distinct().ToList();
        Tallies = [.. bundles.Select(b => Tally.Of(b, kitchens, job.Schools, book))];
        whole = Tallies.Aggregate(default(Tally), (sum, t) => sum + t);
        countersOf = [.. kitchens.Select((_, i) => Tallies.Where(t => t.Kitchens == 1 << i).Sum(t => t.Counters))];
    }

    /// <summary>What each bundle adds.</summary>
    public Tally[] Tallies { get; }

    /// <summary>Fewest circuits of this family, 210.11(A).</summary>
    public int Least { get; set; }

    /// <summary>Volt-amperes of one circuit at its rating.</summary>
    public decimal Full => full.Value;

    /// <summary>Outlets that local rule and crew put on one general circuit.</summary>
    public static int Cap(Job job, CodeBook book) => Math.Min(Math.Min(job.HouseRules.OutletsPerCircuit,
        book.Amended(AmendedRule.OutletsPerGeneralCircuit)?.Value ?? int.MaxValue), book.Division.MostOutlets ?? int.MaxValue);

    /// <summary>What one circuit may carry: its rating, 210.23, the cap and the fill. What cannot be parted is carried anyway, and
    /// tagged.</summary>
    public bool Carries(Tally t) => t.Bundles == 1
        || (t.Outlets <= cap && t.Connected <= fill && t.Required + (t.LargestMotor / 4) <= full.Value
        && t.LargestCord <= plugged && (!t.Other || t.Fastened <= fastened));

    /// <summary>One circuit carries all of the family.</summary>
    public bool CarriesAll => Carries(whole);

    /// <summary>Rules about company that this circuit breaks, where another division of the family could keep them.</summary>
    public int Broken(Tally t)
    {
        var broken = t.Alarms && !t.Lights && whole.Lights ? 1 : 0;
        if (kind == CircuitKind.SmallAppliance && !staysOne)
        {
            // 210.11(C)(1): two or more; 210.52(B)(3): each kitchen's counters on at least two, none of them shared with another kitchen.
            broken += t.Bundles == whole.Bundles && t.Bundles > 1 ? 1 : 0;
            broken += (t.Kitchens & (t.Kitchens - 1)) != 0 ? 1 : t.Counters > 1
                && t.Counters == countersOf[int.TrailingZeroCount(t.Kitchens)] ? 1 : 0;
        }

        return broken;
    }
}
