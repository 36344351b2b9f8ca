using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Weighs circuits of one family by the crew's aims, in hundredths of 1/64 in of cable. What a circuit weighs depends on nothing
/// but its own bundles,
/// so a division weighs the sum of its circuits.</summary>
/// <remarks>
/// A circuit of bundles weighs: its cheapest chain from the panel (cable and its holes, and from box to box floors crossed and rooms left)
/// + one breaker + its darkness + its crowding.
/// Darkness is told in outlets: for each room, what it loses squared over what it has; the same for the house; and where a circuit takes
/// lights together with
/// receptacles of one room, the share of the lights times the share of the receptacles. All of it is a sum over pairs of bundles.
/// </remarks>
internal sealed class Weighing : IWeights
{
    /// <summary>A broken rule weighs more than any aim can: no division breaks one to gain another.</summary>
    public const long Rule = 1L << 52;

    /// <summary>A circuit that cannot be.</summary>
    public const long Never = 1L << 60;

    private readonly Job job;
    private readonly Outlets[] outlets;
    private readonly Func<Place, Place, Length> between;
    private readonly IReadOnlyList<Place> panels;
    private readonly House house;

    public Weighing(IReadOnlyList<Bundle> bundles, FamilyRules rules, Job job, House house, IReadOnlyList<Place> panels,
        Func<Place, Place, Length> between)
    {
        (Bundles, Rules, this.job, this.house, this.panels, this.between) = (bundles, rules, job, house, panels, between);
        outlets = [.. bundles.Select(b => Outlets.Of(b, house))];
    }

    public IReadOnlyList<Bundle> Bundles { get; }

    public FamilyRules Rules { get; }

    public int Count => Bundles.Count;

    public Tally TallyOf(int i) => Rules.Tallies[i];

    /// <summary>From the nearest panel that may feed it.</summary>
    public long Home(int i)
    {
        var least = long.MaxValue;
        foreach (var panel in panels)
        {
            least = Math.Min(least, Cable(panel, Bundles[i].Feed));
        }

        return least;
    }

    /// <summary>Cable of a home run, its holes as footage.</summary>
    public Length HomeCable(int i) => panels.Min(p => between(p, Bundles[i].Feed));

    /// <summary>Cable from one bundle on to another, its holes as footage.</summary>
    public Length Cable(int i, int j) => between(Bundles[i].Feed, Bundles[j].Feed);

    /// <summary>From one bundle on to another.</summary>
    public long Arc(int i, int j)
    {
        Bundle a = Bundles[i], b = Bundles[j];
        return Cable(a.Feed, b.Feed) + (job.Aims.Crossing.Sixtyfourths * 100L * Math.Abs(a.Feed.Level - b.Feed.Level))
            + (a.Room == b.Room ? 0 : job.Aims.LeavingRoom.Sixtyfourths * 100L);
    }

    /// <summary>Darkness of a bundle by itself.</summary>
    public long Self(int i) => Worth(outlets[i].With(outlets[i], house)) / 2;

    /// <summary>Darkness that two bundles add by being on one circuit.</summary>
    public long Pair(int i, int j) => Worth(outlets[i].With(outlets[j], house));

    /// <summary>What a tally adds whatever its chain: the breaker, crowding, and rules broken.</summary>
    public long Flat(Tally t)
    {
        if (!Rules.Carries(t))
        {
            return Never;
        }

        return (job.Aims.Breaker.Sixtyfourths * 100L) + Lone(t) + (t.Bundles > 1 ? Crowding(t.Connected) : 0) + (Rule * Rules.Broken(t));
    }

    private long Lone(Tally t) => job.Aims.Lone.Sixtyfourths * 50L * Halves(t);

    /// <summary>Halves of that weight: two for one lamp or receptacle, one for two, none where a machine is among them.</summary>
    public static int Halves(Tally t) => t.Fastened > 0 || t.LargestCord > 0 ? 0 : t.Outlets switch { 1 => 2, 2 => 1, _ => 0 };

    /// <summary>What a load of several bundles adds beyond the wanted fill.</summary>
    public long Crowding(decimal connected) =>
        (long)decimal.Round(Beyond(connected) * job.Aims.Crowding.Sixtyfourths * 100, MidpointRounding.AwayFromZero);

    /// <summary>Hundredths of the rating beyond the wanted fill.</summary>
    public decimal Beyond(decimal connected) => Math.Max(0, (connected / Rules.Full * 100) - job.Aims.WantedFill.Value);

    private long Cable(Place a, Place b) => (long)(between(a, b).Sixtyfourths * job.Aims.Cable.Value);

    private long Worth(double darkness) => (long)Math.Round(darkness * job.Aims.Darkness.Sixtyfourths * 100);

    /// <summary>For the bound: outlets of a bundle in the building and in its own room, and what each weighs squared.</summary>
    public (int All, int InRoom, long PerAll, long PerRoom) Share(int i)
    {
        var room = outlets[i].Rooms.FirstOrDefault(r => r.Room == Bundles[i].Room.Room.Id);
        return (outlets[i].All, room.Outlets, house.Outlets == 0 ? 0 : Worth(1.0 / house.Outlets), room.Outlets == 0 ? 0
            : Worth(1.0 / house[room.Room].Outlets));
    }

    /// <summary>Outlets that a circuit of these bundles takes with it, as darkness counts them.</summary>
    public double Darkness(IReadOnlyList<int> circuit)
    {
        var sum = 0.0;
        for (var i = 0; i < circuit.Count; i++)
        {
            sum += outlets[circuit[i]].With(outlets[circuit[i]], house) / 2;
            for (var j = 0; j < i; j++)
            {
                sum += outlets[circuit[i]].With(outlets[circuit[j]], house);
            }
        }

        return sum;
    }

    /// <summary>Outlets of one building, room by room.</summary>
    internal sealed class House
    {
        private readonly Dictionary<RoomId, (int Outlets, int Lights, int Receptacles)> rooms = [];

        public House(IEnumerable<PlacedBox> boxes)
        {
            foreach (var box in boxes.Where(b => b.HasOutlet))
            {
                var had = rooms.GetValueOrDefault(box.Room.Room.Id);
                rooms[box.Room.Room.Id] = (had.Outlets + 1, had.Lights + (box.HasLight ? 1 : 0),
                    had.Receptacles + (HasReceptacle(box) ? 1 : 0));
                Outlets++;
            }
        }

        public int Outlets { get; }

        public (int Outlets, int Lights, int Receptacles) this[RoomId room] => rooms[room];

        public static bool HasReceptacle(PlacedBox box) => box.Box.Devices.Any(d => d.Kind.IsReceptacle());
    }

    // What a bundle takes of each room it reaches into.
    private sealed record Outlets(List<(RoomId Room, int Outlets, int Lights, int Receptacles)> Rooms, int All)
    {
        public static Outlets Of(Bundle bundle, House house)
        {
            var rooms = bundle.Boxes.Where(b => b.HasOutlet).GroupBy(b => b.Room.Room.Id)
                .Select(g => (g.Key, g.Count(), g.Count(b => b.HasLight), g.Count(House.HasReceptacle))).ToList();
            return new(rooms, rooms.Sum(r => r.Item2));
        }

        // Twice the product, as it stands in the square of a sum; the house's share beside the rooms'.
        public double With(Outlets other, House house)
        {
            var sum = house.Outlets == 0 ? 0 : 2.0 * All * other.All / house.Outlets;
            foreach (var a in Rooms)
            {
                foreach (var b in other.Rooms)
                {
                    if (a.Room != b.Room)
                    {
                        continue;
                    }

                    var room = house[a.Room];
                    sum += 2.0 * a.Outlets * b.Outlets / room.Outlets;
                    if (room.Lights > 0 && room.Receptacles > 0)
                    {
                        sum += ((a.Lights * b.Receptacles) + (b.Lights * a.Receptacles))
                            * (double)room.Outlets / (room.Lights * room.Receptacles);
                    }
                }
            }

            return sum;
        }
    }
}
