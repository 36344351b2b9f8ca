using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Divides one building: what rules require, then neighbours together within the cap and the load.</summary>
internal sealed class StructureDivision(FramedHouse house, FramedStructure structure, Job job, CodeBook.CodeBook book)
{
    private readonly Schools schools = job.Schools;

    public IEnumerable<Draft> Divide(List<Bundle> bundles)
    {
        var left = bundles.ToList();
        return [.. Individuals(left), .. DishwasherAndDisposer(left), .. SmallAppliances(left), .. Laundry(left), .. Baths(left), .. Garages(left), .. Outdoors(left), .. General(left)];
    }

    private static List<Bundle> Take(List<Bundle> from, Func<Bundle, bool> which)
    {
        var taken = from.Where(which).ToList();
        from.RemoveAll(taken.Contains);
        return taken;
    }

    private static RoomUse Use(Bundle bundle) => bundle.Anchor.Room.Room.Use;

    private Draft Make(string key, CircuitKind kind, IEnumerable<Bundle> bundles, int? rating, Because why) =>
        new(key, kind, structure.Index, [.. bundles], rating is int r ? r.Amps() : null, why);

    private static Because Reason(string text, string value, string section) => Because.Of("Why this circuit").Book(text, value, section);

    private IEnumerable<Draft> Individuals(List<Bundle> left) =>
        Take(left, b => b.Boxes.Any(x => x.Plates.Any(NeedsItsOwn))).Select(b =>
        {
            var plate = b.Boxes.SelectMany(x => x.Plates).First(NeedsItsOwn);
            return Make(b.Anchor.Box.Id.Value, CircuitKind.Individual, [b], null, WhyItsOwn(plate));
        }).ToList();

    private static bool NeedsItsOwn(Nameplate plate) => plate.Individual || plate.Volts.Value == 240 || plate.Load.Value > 1440
        || plate.Appliance is Appliance.AirHandler or Appliance.VehicleCharger or Appliance.WaterHeater or Appliance.RangeHood or Appliance.Microwave or Appliance.SumpPump
        || (!plate.Cord && plate.Load.Value > 900 && plate.Appliance is not (Appliance.Dishwasher or Appliance.Disposer));

    private static Because WhyItsOwn(Nameplate plate) => plate switch
    {
        { Appliance: Appliance.AirHandler } => Reason("central heating has an individual circuit", plate.Name, "422.12"),
        { Appliance: Appliance.VehicleCharger } => Reason("vehicle charging has an individual circuit", plate.Name, "625.40"),
        { Appliance: Appliance.RangeHood } => Reason("a cord-connected hood has an individual circuit", plate.Name, "422.16(B)(4)"),
        { Individual: true } => Because.Of("Why this circuit").Job($"the instructions of {plate.Name} ask for an individual circuit", "110.3(B)"),
        { Volts.Value: 240 } => Because.Of("Why this circuit").Job($"{plate.Name} is 240 V equipment", plate.Load.ToString()),
        _ => Because.Of("Why this circuit").Job($"{plate.Name} leaves no room for others", plate.Load.ToString()),
    };

    private IEnumerable<Draft> DishwasherAndDisposer(List<Bundle> left)
    {
        var both = Take(left, b => b.Boxes.Any(x => x.Plates.Any(p => p.Appliance is Appliance.Dishwasher or Appliance.Disposer)));
        if (both.Count == 0)
        {
            yield break;
        }

        var load = CircuitLoad.Of(both.SelectMany(b => b.Boxes));
        if (both.Count > 1 && schools.Dishwasher == Jobs.DishwasherAndDisposer.OneWhereItFits && PermissibleLoads.Permits(load, 20.Amps(), book))
        {
            yield return Make(both[0].Anchor.Box.Id.Value, CircuitKind.DishwasherAndDisposer, both, 20, Because.Of("Why this circuit")
                .House("dishwasher and disposer on one circuit where the sum fits", $"{load.Required} ≤ 20 A", "school: dishwasher and disposer")
                .Book("fixed loads alone may fill a circuit", "no lights, no portable outlets", book.FifteenTwenty));
            yield break;
        }

        foreach (var one in both)
        {
            yield return Make(one.Anchor.Box.Id.Value, CircuitKind.Individual, [one], null, Because.Of("Why this circuit")
                .House("dishwasher and disposer each on its own", load.Required.ToString(), "school: dishwasher and disposer"));
        }
    }

    // Counters are dealt in turn to the circuits so that every kitchen's counters lie on two (210.52(B)(3)); walls fill up after.
    private IEnumerable<Draft> SmallAppliances(List<Bundle> left)
    {
        var served = Take(left, b => !b.IsLighting && !b.Boxes[0].Box.Outside && Use(b) is RoomUse.Kitchen or RoomUse.Dining or RoomUse.Pantry);
        if (served.Count == 0)
        {
            yield break;
        }

        var limit = 20 * 120 * job.HouseRules.LargestFill.Value / 100;
        var kitchen = served.Find(b => Use(b) == RoomUse.Kitchen) ?? served[0];
        var count = Math.Max(2, Math.Max((int)Math.Ceiling(served.Sum(b => CircuitLoad.Of(b.Boxes).Connected.Value) / limit), (int)Math.Ceiling(served.Count / (decimal)Cap())));
        var hands = Enumerable.Range(0, count).Select(_ => new List<Bundle>()).ToList();
        var counters = served.Where(b => b.Boxes[0].Box.ServesCounter).OrderBy(b => b.Boxes[0].Box.Wall).ThenBy(b => b.Boxes[0].Box.Offset).ToList();
        for (var i = 0; i < counters.Count; i++)
        {
            hands[i * count / counters.Count].Add(counters[i]);
        }

        foreach (var bundle in served.Except(counters).OrderByDescending(b => CircuitLoad.Of(b.Boxes).Connected).ThenBy(b => b.Anchor.Box.Id.Value, StringComparer.Ordinal))
        {
            var hand = hands.Where(h => Permits(h.Append(bundle), 20)).MinBy(h => CircuitLoad.Of(h.SelectMany(x => x.Boxes)).Connected);
            if (hand is null)
            {
                hands.Add(hand = []);
            }

            hand.Add(bundle);
        }

        hands.RemoveAll(h => h.Count == 0);
        for (var i = 0; i < hands.Count; i++)
        {
            yield return Make($"{kitchen.Anchor.Room.Room.Id}-appliances-{i + 1}", CircuitKind.SmallAppliance, hands[i], 20,
                Reason("two or more 20 A small-appliance circuits for kitchen, dining and pantry receptacles, nothing else on them", $"{i + 1} of {hands.Count}", "210.11(C)(1), 210.52(B)"));
        }
    }

    private IEnumerable<Draft> Laundry(List<Bundle> left) =>
        Pack(Take(left, b => IsReceptacleIn(b, RoomUse.Laundry))).Select(served =>
            Make("laundry", CircuitKind.Laundry, served, 20, Reason("laundry receptacles on a 20 A circuit with no other outlets", $"{served.Count} outlets", "210.11(C)(2)")));

    private IEnumerable<Draft> Baths(List<Bundle> left)
    {
        var served = Take(left, b => IsReceptacleIn(b, RoomUse.Bath));
        var groups = schools.Baths == BathReceptacles.OneEach ? served.GroupBy(b => $"{b.Anchor.Room.Room.Id}-receptacles") : served.GroupBy(_ => "baths");
        return groups.SelectMany(g => Pack(g).Select(some =>
            Make(g.Key, CircuitKind.Bathroom, some, 20, Reason("bathroom receptacles on one or more 20 A circuits with no other outlets", $"{some.Count} outlets", "210.11(C)(3)"))));
    }

    private IEnumerable<Draft> Garages(List<Bundle> left) =>
        Pack(Take(left, b => IsReceptacleIn(b, RoomUse.Garage))).Select(served =>
            Make("garage", CircuitKind.Garage, served, 20, Reason("a 20 A circuit for the garage's vehicle bays, no other outlets", $"{served.Count} outlets", "210.11(C)(4)")));

    private IEnumerable<Draft> Outdoors(List<Bundle> left) =>
        Pack(Take(left, b => !b.IsLighting && b.Boxes[0].Box.Outside)).Select(served =>
            Make($"{structure.Structure.Id}-outdoors", CircuitKind.Outdoor, served, 20,
                Because.Of("Why this circuit").House("outdoor receptacles apart: weather opens their breaker, not the house's", $"{served.Count} outlets", "school: outdoors apart")));

    private static bool IsReceptacleIn(Bundle bundle, RoomUse use) => !bundle.IsLighting && !bundle.Boxes[0].Box.Outside && Use(bundle) == use;

    private bool Permits(IEnumerable<Bundle> bundles, int rating) => PermissibleLoads.Permits(CircuitLoad.Of(bundles.SelectMany(b => b.Boxes)), rating.Amps(), book);

    // In order, a new 20 A circuit wherever the next one would break 210.23 or the rating.
    private List<List<Bundle>> Pack(IEnumerable<Bundle> bundles)
    {
        var packed = new List<List<Bundle>>();
        foreach (var bundle in bundles)
        {
            if (packed.Count == 0 || !Permits(packed[^1].Append(bundle), 20))
            {
                packed.Add([]);
            }

            packed[^1].Add(bundle);
        }

        return packed;
    }

    private IEnumerable<Draft> General(List<Bundle> left)
    {
        if (schools.Lighting == LightsAndReceptacles.Together)
        {
            foreach (var draft in Sweep(left, "general", CircuitKind.General, _ => 20))
            {
                yield return draft;
            }

            yield break;
        }

        var lights = left.Where(b => b.IsLighting).ToList();
        var receptacles = left.Where(b => !b.IsLighting).ToList();
        foreach (var draft in Sweep(lights, "lights", CircuitKind.Lighting, _ => 15))
        {
            yield return draft;
        }

        var bedrooms = receptacles.Where(b => Use(b) == RoomUse.Bedroom).ToList();
        var bedroomRating = schools.Lighting == LightsAndReceptacles.ApartBedrooms15 ? 15 : 20;
        if (schools.Bedrooms == BedroomSharing.OneEach)
        {
            foreach (var room in bedrooms.GroupBy(b => b.Anchor.Room.Room.Id))
            {
                foreach (var draft in Sweep([.. room], "receptacles", CircuitKind.Receptacles, _ => bedroomRating))
                {
                    yield return draft;
                }
            }

            receptacles = [.. receptacles.Except(bedrooms)];
        }

        // At 15 A bedrooms cannot ride with 20 A neighbours.
        var parts = bedroomRating == 15 ? new[] { receptacles.Where(b => Use(b) != RoomUse.Bedroom).ToList(), [.. receptacles.Where(b => Use(b) == RoomUse.Bedroom)] } : [receptacles];
        foreach (var draft in parts.SelectMany((p, i) => Sweep(p, "receptacles", CircuitKind.Receptacles, _ => i == 1 ? 15 : 20)))
        {
            yield return draft;
        }
    }

    // Walks the rooms of each level from neighbour to neighbour and cuts the walk into even pieces.
    private IEnumerable<Draft> Sweep(List<Bundle> bundles, string family, CircuitKind kind, Func<Bundle, int> ratingOf)
    {
        foreach (var level in bundles.GroupBy(b => b.Level).OrderBy(g => g.Key))
        {
            var walk = Walk([.. level]);
            var rating = ratingOf(walk[0]);
            var limit = rating * 120 * job.HouseRules.LargestFill.Value / 100;
            var outlets = walk.Sum(b => b.Outlets);
            var load = walk.Sum(b => CircuitLoad.Of(b.Boxes).Connected.Value);
            var count = Math.Max(1, Math.Max((int)Math.Ceiling(outlets / (decimal)Cap()), (int)Math.Ceiling(load / limit)));
            foreach (var piece in Cut(walk, count, rating, limit))
            {
                var where = piece[0].Anchor.Room.Room.Id.Value;
                yield return Make($"{where}-{family}", kind, piece, rating, Because.Of("Why this circuit")
                    .House(kind == CircuitKind.General ? "lights and receptacles together, room by room" : kind == CircuitKind.Lighting ? "lights apart from receptacles, neighbours together" : "receptacles apart from lights, neighbours together",
                        $"{piece.Sum(b => b.Outlets)} outlets", "school: lights and receptacles")
                    .Then(CapReason(piece.Sum(b => b.Outlets))));
            }
        }
    }

    private Because CapReason(int outlets) => book.Amended(AmendedRule.OutletsPerGeneralCircuit) is { } local
        ? Because.Of("").Book($"{outlets} outlets, at most {Cap()}", "local; not in the model code", local.By)
        : Because.Of("").House($"{outlets} outlets, at most {Cap()}", "the model code sets no number", "house rule: outlets per circuit");

    private int Cap() => book.Amended(AmendedRule.OutletsPerGeneralCircuit)?.Value is int local
        ? Math.Min(local, job.HouseRules.OutletsPerCircuit)
        : job.HouseRules.OutletsPerCircuit;

    private List<Bundle> Walk(List<Bundle> bundles)
    {
        var rooms = bundles.GroupBy(b => b.Anchor.Room.Room.Id).ToDictionary(g => g.Key, g => g.ToList());
        var panel = job.Panels.First(p => house.Room(p.Room).Structure == structure.Index);
        var at = house.Room(panel.Room).Middle;
        var order = new List<Bundle>();
        var left = rooms.Keys.ToList();
        while (left.Count > 0)
        {
            var next = left.OrderBy(id => house.Room(id).Middle.SquareTo(at)).ThenBy(id => id.Value, StringComparer.Ordinal).First();
            left.Remove(next);
            at = house.Room(next).Middle;
            order.AddRange(rooms[next]);
        }

        return order;
    }

    private IEnumerable<List<Bundle>> Cut(List<Bundle> walk, int count, int rating, decimal limit)
    {
        var target = Math.Max(1, (walk.Sum(b => b.Outlets) + count - 1) / count);
        var piece = new List<Bundle>();
        foreach (var bundle in walk)
        {
            var with = CircuitLoad.Of(piece.Append(bundle).SelectMany(b => b.Boxes));
            var outlets = piece.Sum(b => b.Outlets);
            var full = outlets + bundle.Outlets > Cap() || with.Connected.Value > limit || !PermissibleLoads.Permits(with, rating.Amps(), book);
            var enough = outlets >= target && piece[^1].Anchor.Room.Room.Id != bundle.Anchor.Room.Room.Id;
            if (piece.Count > 0 && (full || enough))
            {
                yield return piece;
                piece = [];
            }

            piece.Add(bundle);
        }

        if (piece.Count > 0)
        {
            yield return piece;
        }
    }
}
