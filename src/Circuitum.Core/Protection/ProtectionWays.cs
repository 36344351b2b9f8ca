using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>The way a circuit is protected: its breaker, its devices, the price, and on whose word.</summary>
internal sealed record ChosenWay(BreakerKind Breaker, ImmutableDictionary<BoxId, ProtectiveDevice> Ground, string Words, Money Price,
    string School)
{
    /// <summary>The arc-fault device at the first outlet: the rest of the circuit is on its load terminals (210.12(A)). None where the
    /// breaker does it.</summary>
    public ImmutableDictionary<BoxId, ProtectiveDevice> Arc { get; init; } = ImmutableDictionary<BoxId, ProtectiveDevice>.Empty;

    /// <summary>Ground-fault devices, and the arc-fault one at the first outlet.</summary>
    public ImmutableDictionary<BoxId, ProtectiveDevice> Devices => Ground.SetItems(Arc);
}

/// <summary>Weighs the ways to protect one circuit: breaker, first receptacle, each place; arc faults at the breaker or the first
/// outlet.</summary>
internal sealed class ProtectionWays(SizedCircuit sized, Survey survey, Job job, IReadOnlyDictionary<BoxId, OutletProtection> needs)
{
    private readonly DevicePrices prices = job.Prices;
    private readonly Schools schools = job.SchoolsOn(sized.Circuit.Key);
    private readonly DevicePlacing placing = new(sized, survey);
    private readonly bool arc = needs.Values.Any(n => n.Afci is not null);
    private readonly HashSet<BoxId> ground = [.. needs.Where(n => n.Value.Gfci is not null).Select(n => n.Key)];

    /// <summary>Ways that were weighed, the one taken first; empty where nothing is needed.</summary>
    public ImmutableArray<ProtectionWay> Weighed { get; private set; } = [];

    public ChosenWay Choose()
    {
        var none = ImmutableDictionary<BoxId, ProtectiveDevice>.Empty;
        var placed = placing.Placed();
        if (!arc && ground.Count == 0)
        {
            return new(BreakerKind.Standard, placed, "", prices.Breaker, "");
        }

        var (arcAt, noArc) = ArcAtFirstOutlet();
        var byDevice = arc && schools.Afci == AfciWay.FirstOutlet && arcAt is not null;
        ChosenWay Way(string words, ImmutableDictionary<BoxId, ProtectiveDevice> devices, bool groundAtBreaker, string school)
        {
            if (!byDevice || arcAt is not BoxId first)
            {
                return Priced(new(ProtectedCircuit.KindOf(arc, groundAtBreaker), devices, words, default, school));
            }

            // One device for both takes the whole rest of the circuit; no second one is wanted behind it.
            var both = devices.TryGetValue(first, out var there);
            if (both && placing.TakenAlong(first, ground) is { } taken)
            {
                noArc = $"{taken.Name} would go dead with a ground fault elsewhere, behind one device for both";
                return Priced(new(ProtectedCircuit.KindOf(arc, groundAtBreaker), devices, words, default, school));
            }

            var device = new ProtectiveDevice(both ? ProtectiveKind.Dual : ProtectiveKind.Afci, placing.Next(first), [],
                there?.Placed ?? false);
            return Priced(new(ProtectedCircuit.KindOf(false, groundAtBreaker),
                both ? devices.Where(d => d.Value.Placed).ToImmutableDictionary().SetItem(first, device) : devices,
                $"{words}, arc faults at the first outlet", default, school)
            { Arc = devices.Clear().Add(first, device) });
        }

        ChosenWay Priced(ChosenWay way)
        {
            var kind = way.Breaker;
            return way with
            {
                Price = PriceOf(kind) + way.Devices.Values.Where(d => !d.Placed)
                .Aggregate(default(Money), (sum, d) => sum + PriceOf(d.Kind))
            };
        }

        var ways = new List<(ChosenWay? Way, string Words, string? Refused)>();
        if (ground.Count > 0 && !placed.IsEmpty)
        {
            ways.Add((Way("ground faults at the receptacle set there", placed, false, "as placed"), "", null));
        }
        else if (ground.Count > 0)
        {
            foreach (var school in Order(schools.Gfci))
            {
                var words = school switch
                {
                    GfciWay.Breaker => "ground faults at the breaker",
                    GfciWay.FirstReceptacle => "ground faults at the first receptacle",
                    _ => "a ground-fault device at each place"
                };
                var (devices, refused) = school switch
                {
                    GfciWay.Breaker => (none, null),
                    GfciWay.FirstReceptacle => placing.FirstReceptacle(ground),
                    _ => placing.EachPlace(ground)
                };
                ways.Add((refused is null
                    ? Way(words, devices, school == GfciWay.Breaker, schools.Gfci == GfciWay.LeastCost ? "crew's way: GFCI at least cost"
                        : "crew's way: GFCI") : null, words, refused));
            }
        }
        else
        {
            ways.Add((Way("protected at the breaker", placed, false, "crew's way: AFCI at the breaker"), "", null));
        }

        if (schools.Afci == AfciWay.FirstOutlet && arc && noArc is not null)
        {
            ways.Add((null, "arc faults at the first outlet", noArc));
        }

        var open = ways.Where(w => w.Way is not null).Select(w => w.Way!).ToList();
        var taken = schools.Gfci == GfciWay.LeastCost ? open.MinBy(w => w.Price.Value)! : open[0];
        Weighed = [new(taken.Words, taken.Price, null), .. ways.Where(w => w.Way != taken)
            .Select(w => new ProtectionWay(w.Way?.Words ?? w.Words, w.Way?.Price ?? default, w.Refused))];
        return taken;
    }

    // The school's own way first; the breaker stands in where it cannot be had.
    private static IEnumerable<GfciWay> Order(GfciWay school) =>
        new[] { school, GfciWay.Breaker, GfciWay.FirstReceptacle, GfciWay.EachPlace }.Where(w => w != GfciWay.LeastCost).Distinct();

    // 210.12(A)(3) and (4): over cable without metal only with a breaker listed for it, continuous, 50 ft of 14 or 70 ft of 12 to the first
    // outlet. (A)(5) and (6): in metal, whatever the breaker and the length.
    private (BoxId? At, string? Refused) ArcAtFirstOutlet()
    {
        if (sized.Routed.HomeRun is not { To.Box: BoxId first } home)
        {
            return (null, "there is no first outlet");
        }

        var most = sized.HomeRunGauge == Gauge.Parse("14") ? 50 : 70;
        return !DevicePlacing.CanCarry(survey[first])
            ? (null, $"{survey[first].Name}, the first box, cannot carry a receptacle within reach")
            : sized.Circuit.SharesNeutralWith is not null
            ? (null, "its neutral is shared with another circuit as far as the first outlet")
            : sized.Circuit.Load.Split
            ? (null, "no arc-fault receptacle is made split, with a leg on either half")
            : home.Jacket == Jacket.Armoured
            ? (first, null)
            : !sized.Book.Has(RuleId.ArcFaultFirstOutlet)
            ? (null, "over nonmetallic cable the breaker does it")
            : !job.HouseRules.ListedForFirstOutlet
            ? (null, "over nonmetallic cable it needs a breaker listed for it, which the crew has not named")
            : home.Length.Value > Length.FromFeet(most)
            ? (null, $"the home run is {home.Length.Value.WholeFeetUp} ft, at most {most} ft of {sized.HomeRunGauge}")
            : (first, null);
    }

    private Money PriceOf(BreakerKind kind) =>
        (kind switch
        {
            BreakerKind.Standard => prices.Breaker,
            BreakerKind.Afci => prices.AfciBreaker,
            BreakerKind.Gfci => prices.GfciBreaker,
            _ => prices.DualBreaker
        }) * sized.Circuit.Poles;

    // A device takes the place of a plain receptacle.
    private Money PriceOf(ProtectiveKind kind) =>
        (kind switch
        {
            ProtectiveKind.Gfci => prices.GfciReceptacle,
            ProtectiveKind.Afci => prices.AfciReceptacle,
            _ => prices.DualReceptacle
        }) - prices.Receptacle;
}
