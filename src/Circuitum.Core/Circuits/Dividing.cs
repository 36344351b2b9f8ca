using System.Collections.Immutable;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Stage Circuits: what shares a breaker? By the division that the job follows, else constructed at once: what rules require, then
/// each family cut where it weighs least.</summary>
public static class Dividing
{
    /// <summary>Divides all boxes into branch circuits and adds the feeders of downstream panels.</summary>
    public static ImmutableArray<Circuit> Divide(FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var choice = new PanelChoice(house, job, book);
        var sorted = new Sorted(house, survey, job, book, choice);
        var drafts = Drafts(sorted, survey, job);
        var panels = choice.Choose(drafts);
        var circuits = Multiwire.Pair([.. drafts.Select(d => d.ToCircuit(panels[d], job, book))], job, book);
        circuits.AddRange(job.Panels.Where(p => p.FedFrom is not null).Select(p => Feeder(p, circuits, job, book)).ToList());
        return [.. circuits];
    }

    /// <summary>The division that the job follows, or the planner's own, pins kept.</summary>
    internal static List<CircuitDraft> Drafts(Sorted sorted, Survey survey, Job job) => WithJoints(
        job.Divisions.FirstOrDefault(d => d.Name == job.Follows) is { } followed
        ? new Following(sorted, survey, job).Drafts(followed)
        : WithPins(Construct(sorted, survey, job, Free(sorted, job), []), sorted, job), sorted, job);

    // Joints on its way make it no other circuit; where it is gone, or passes another building, they are one without an outlet.
    private static List<CircuitDraft> WithJoints(List<CircuitDraft> drafts, Sorted sorted, Job job)
    {
        foreach (var (family, bundle, key) in sorted.Joints)
        {
            var at = drafts.FindIndex(d => d.Key == key.Value && sorted.IsOnTheWay(bundle.Structure, d.Structure));
            if (at < 0)
            {
                drafts.Add(CircuitDraft.Of(family, [bundle], 0) with
                {
                    Key = Ids.Free(key.Value, drafts.Select(d => d.Key).Concat(Feeders(job))),
                    Why = Because.Of("Why this circuit")
                        .Pin($"{bundle.Boxes[0].Name} is pinned to a circuit that does not pass it", key.Value),
                });
            }
            else
            {
                drafts[at] = drafts[at] with { Bundles = drafts[at].Bundles.Add(bundle) };
            }
        }

        return drafts;
    }

    private static List<(Family Family, IReadOnlyList<Bundle> Bundles)> Free(Sorted sorted, Job job)
    {
        var pinned = job.Pins.Boxes.Select(p => p.Box).ToHashSet();
        return [.. sorted.Families
            .Select(f => (f.Family, (IReadOnlyList<Bundle>)[.. f.Bundles.Where(b => !b.Boxes.Any(x => pinned.Contains(x.Box.Id)))]))
            .Where(f => f.Item2.Count > 0)];
    }

    /// <summary>Families cut where they weigh least.</summary>
    /// <param name="sorted">All bundles.</param>
    /// <param name="survey">Where they are.</param>
    /// <param name="job">The job.</param>
    /// <param name="families">What is to be cut.</param>
    /// <param name="stand">Circuits that stand already, by family: the floor area counts them.</param>
    internal static List<CircuitDraft> Construct(Sorted sorted, Survey survey, Job job,
        List<(Family Family, IReadOnlyList<Bundle> Bundles)> families, IReadOnlyList<(Family Family, int Circuits)> stand)
    {
        var weighings = families.Select(f => sorted.Weigh(f.Family, f.Bundles, Reckoning.Between)).ToList();
        // What one circuit can carry of a building without a panel stays one, whatever the aims say: it has one supply.
        var cuts = families.Select((f, i) => f.Family.StaysOne && weighings[i].Rules.CarriesAll
            ? [[.. Enumerable.Range(0, f.Bundles.Count)]] : Cutting.Divide(weighings[i])).ToList();
        // 210.11(A): where the floor asks for more general circuits, the family with most to share gives them.
        var general = stand.Concat(families.Select((f, i) => (f.Family, cuts[i].Count)));
        if (LeastGeneral.Short(survey, sorted.Book, general) is > 0 and var missing
            && Enumerable.Range(0, families.Count).Where(i => families[i].Family.CountsForFloor).OrderByDescending(i => weighings[i].Count)
            .FirstOrDefault(-1) is >= 0 and var most)
        {
            weighings[most].Rules.Least = cuts[most].Count + (int)Math.Ceiling(missing / weighings[most].Rules.Full);
            cuts[most] = Cutting.Divide(weighings[most]);
        }

        return [.. families.SelectMany((f, i) => Ordered(cuts[i].Select(c => c.Select(b => f.Bundles[b]).ToList()))
            .Select((c, number) => CircuitDraft.Of(f.Family, c, number)))];
    }

    // Counters in the order of their wall, so that the first small-appliance circuit is the first along it.
    private static IEnumerable<List<Bundle>> Ordered(IEnumerable<List<Bundle>> circuits) => circuits
        .OrderBy(c => c.Min(b => b.Boxes[0].Box.ServesCounter ? 0 : 1))
        .ThenBy(c => c.Where(b => b.Boxes[0].Box.ServesCounter)
            .Select(b => (b.Boxes[0].Box.Wall * 100_000L) + b.Boxes[0].Box.Offset.Sixtyfourths).DefaultIfEmpty().Min());

    private static List<CircuitDraft> WithPins(List<CircuitDraft> drafts, Sorted sorted, Job job)
    {
        var pinned = job.Pins.Boxes.ToDictionary(p => p.Box, p => p.Circuit);
        var keyed = CircuitDraft.Keyed(drafts, Feeders(job));
        if (pinned.Count == 0)
        {
            return keyed;
        }

        // A circuit stays in the building of its panel: a box held on one of another building, or on a feeder, gets a circuit of its own
        // there.
        var elsewhere = new Dictionary<(string Key, int Structure), int>();
        var taken = keyed.Select(d => d.Key).Concat(Feeders(job)).ToHashSet();
        foreach (var (family, bundle) in sorted.Families.SelectMany(f => f.Bundles.Select(b => (f.Family, b)))
            .Where(x => x.b.Boxes.Any(b => pinned.ContainsKey(b.Box.Id))))
        {
            var key = bundle.Boxes.Where(b => pinned.ContainsKey(b.Box.Id)).Select(b => pinned[b.Box.Id]).First();
            var target = elsewhere.TryGetValue((key.Value, bundle.Structure), out var made) ? made
                : keyed.FindIndex(d => d.Key == key.Value && d.Structure == bundle.Structure);
            if (target < 0)
            {
                var own = Ids.Free(key.Value, taken);
                taken.Add(own);
                elsewhere[(key.Value, bundle.Structure)] = keyed.Count;
                keyed.Add(CircuitDraft.Of(family, [bundle], 0) with
                { Key = own, Why = Because.Of("Why this circuit").Pin("a box is pinned to a circuit of its own", own) });
            }
            else
            {
                keyed[target] = keyed[target]
                    .With(bundle, family, sorted.Book.Division.Receptacles) with
                { Why = keyed[target].Why.Pin($"{bundle.Boxes[0].Name} is pinned here", key.Value) };
            }
        }

        return keyed;
    }

    /// <summary>Keys of the feeders: no branch circuit takes one of them.</summary>
    internal static IEnumerable<string> Feeders(Job job) => job.Panels.Where(p => p.FedFrom is not null).Select(p => FeederTo(p).Value);

    private static CircuitKey FeederTo(Panel panel) => new($"feeder-{panel.Id}");

    private static Circuit Feeder(Panel panel, List<Circuit> circuits, Job job, CodeBook book)
    {
        var behind = job.Behind(panel.Id).ToHashSet();
        var items = circuits.Where(c => behind.Contains(c.Panel)).SelectMany(c => c.Load.Items).ToImmutableArray();
        var load = new CircuitLoad(book.Supply.Between, book.Supply.Poles(book.Supply.Between), items);
        return new()
        {
            Key = FeederTo(panel),
            Kind = CircuitKind.Feeder,
            Panel = panel.FedFrom!.Value,
            Feeds = panel.Id,
            ByLugs = panel.ByLugs,
            Boxes = [],
            Load = load,
            Why = Because.Of("Why this circuit").Plan($"everything panel {panel.Id} feeds", load.Connected.ToString()),
        };
    }
}

/// <summary>General circuits that the floor area asks for, 210.11(A).</summary>
internal static class LeastGeneral
{
    private const int Begun = 20;

    /// <summary>A layout that has hardly begun is not asked yet.</summary>
    public static bool IsAsked(Survey survey) => survey.Boxes.Length > Begun;

    /// <summary>Volt-amperes that the circuits of these families fall short; zero or less when they suffice or the layout has hardly
    /// begun.</summary>
    public static decimal Short(Survey survey, CodeBook book, IEnumerable<(Family Family, int Circuits)> families) => !IsAsked(survey) ? 0
        : book.Division.GeneralLoad(survey.FloorArea).Value - families.Where(f => f.Family.CountsForFloor)
        .Sum(f => f.Circuits * book.Division.Carried(f.Family.Rating!.Value).Value);
}

/// <summary>Every bundle in its family, families in the order the rules take them.</summary>
internal sealed class Sorted
{
    private readonly FramedHouse house;
    private readonly Job job;
    private readonly CodeBook book;

    /// <summary>The rules they were sorted by.</summary>
    public CodeBook Book => book;

    private readonly PanelChoice choice;
    private readonly Dictionary<int, Weighing.House> outlets;

    public Sorted(FramedHouse house, Survey survey, Job job, CodeBook book, PanelChoice choice)
    {
        (this.house, this.job, this.book, this.choice) = (house, job, book, choice);
        var families = new Families(house, job, book);
        var bundles = Bundles.Tie(survey);
        var pinned = job.Pins.Boxes.ToDictionary(p => p.Box, p => p.Circuit);
        bool Rides(Bundle bundle) => bundle.Boxes.All(b => b.IsJoint && pinned.ContainsKey(b.Box.Id));
        Joints = [.. bundles.Where(Rides).Select(b => (families.Of(b), b, pinned[b.Boxes[0].Box.Id]))];
        Families = [.. bundles.Where(b => !Rides(b)).Select(b => (Family: families.Of(b), Bundle: b)).GroupBy(x => x.Family.Id)
            .Select(g => (g.First().Family, (IReadOnlyList<Bundle>)[.. g.Select(x => x.Bundle)]))
            .OrderBy(f => f.Item2[0].Structure).ThenBy(f => f.Family.Kind)];
        outlets = survey.Boxes.GroupBy(b => b.Place.Structure).ToDictionary(g => g.Key, g => new Weighing.House(g));
    }

    public IReadOnlyList<(Family Family, IReadOnlyList<Bundle> Bundles)> Families { get; }

    /// <summary>Joints that a person set on a circuit: what is divided is divided without them.</summary>
    public IReadOnlyList<(Family Family, Bundle Bundle, CircuitKey Circuit)> Joints { get; }

    /// <summary>What stands in a building is passed by its circuits, and by the one that goes on to another without a panel.</summary>
    public bool IsOnTheWay(int building, int to)
    {
        StructureId from = house.Structures[building].Structure.Id, end = house.Structures[to].Structure.Id;
        return building == to || (job.Panels.All(p => house.Room(p.Room).Structure != to)
            && job.Trenches.Any(t => t.From == from && t.To == end));
    }

    /// <summary>The rules for bundles of a family, where nothing is weighed.</summary>
    public FamilyRules RulesOf(Family family, IReadOnlyList<Bundle> bundles) => new(family, bundles, job, book);

    public Weighing Weigh(Family family, IReadOnlyList<Bundle> bundles, Func<Place, Place, Length> between) =>
        new(bundles, RulesOf(family, bundles), job, outlets[bundles[0].Structure], choice.PlacesFor(bundles[0].Structure, family),
            between);
}

/// <summary>A circuit in the making.</summary>
internal sealed record CircuitDraft(string Key, CircuitKind Kind, int Structure, ImmutableArray<Bundle> Bundles, Amps? Rating, Because Why)
{
    /// <summary>The circuit of bundles of one family.</summary>
    public static CircuitDraft Of(Family family, IReadOnlyList<Bundle> bundles, int number)
    {
        var (kind, rating) = KindOf(family, bundles);
        var key = kind is CircuitKind.Individual or CircuitKind.DishwasherAndDisposer ? bundles.SelectMany(b => b.Boxes)
            .First(b => b.Plates.Any()).Box.Id.Value
            : family.Kind == CircuitKind.SmallAppliance
            ? $"{(bundles.FirstOrDefault(b => b.Boxes[0].Box.ServesCounter) ?? bundles[0]).Room.Room.Id}-{family.Word}-{number + 1}"
            : family.IsGeneral && !family.Id.StartsWith("own/", StringComparison.Ordinal) ? $"{bundles[0].Room.Room.Id}-{family.Word}"
            : family.Kind == CircuitKind.DishwasherAndDisposer ? $"{bundles[0].Room.Room.Id}-lights" : family.Word;
        return new(key, kind, bundles[0].Structure, [.. bundles], rating, family.Why);
    }

    /// <summary>With one more bundle, whatever its family: a person's choice, named by what most of the outlets are.</summary>
    public CircuitDraft With(Bundle bundle, Family family, Amps usual) => Bundles.Contains(bundle) ? this : this with
    {
        Bundles = Bundles.Add(bundle),
        // What was alone, or must be on more, makes the circuit one of the usual rating; a general outlet takes what it finds.
        Rating = Kind == CircuitKind.Individual && Rating is null && family.Kind != CircuitKind.Individual ? usual
            : Rating < family.Rating && !family.IsGeneral ? family.Rating : Rating,
    };

    // In the family of the dishwasher a circuit may be lights alone, one machine alone, both machines, or lights with a machine.
    private static (CircuitKind Kind, Amps? Rating) KindOf(Family family, IReadOnlyList<Bundle> bundles)
    {
        if (family.Kind != CircuitKind.DishwasherAndDisposer)
        {
            return (family.Kind, family.Rating);
        }

        int lights = bundles.Count(b => b.IsLighting), machines = bundles.Count - lights;
        return lights == 0 ? machines == 1 ? (CircuitKind.Individual, null) : (family.Kind, family.Rating)
            : machines == 0 ? (CircuitKind.Lighting, family.Lights) : (CircuitKind.General, family.Rating);
    }

    /// <summary>Two circuits that start in one room are told apart by a number; so is one that has the name of a feeder.</summary>
    public static List<CircuitDraft> Keyed(IEnumerable<CircuitDraft> drafts, IEnumerable<string> feeders)
    {
        var used = new Dictionary<string, int>();
        var taken = feeders.ToHashSet();
        var keyed = new List<CircuitDraft>();
        foreach (var draft in drafts)
        {
            string key;
            do
            {
                var count = used[draft.Key] = used.GetValueOrDefault(draft.Key) + 1;
                key = count == 1 ? draft.Key : $"{draft.Key}-{count}";
            }
            while (!taken.Add(key));

            keyed.Add(key == draft.Key ? draft : draft with { Key = key });
        }

        return keyed;
    }

    /// <summary>The receptacles of a counter's circuit are split, where the crew does that and the book knows it.</summary>
    public bool IsSplit(Job job, CodeBook book) => Kind == CircuitKind.SmallAppliance && book.Division.SplitsCounters(job.Schools);

    public Circuit ToCircuit(PanelId panel, Job job, CodeBook book)
    {
        var boxes = Bundles.SelectMany(b => b.Boxes).OrderBy(b => b.Box.Id.Value, StringComparer.Ordinal).ToList();
        var outlets = boxes.Count(b => b.HasOutlet);
        var why = Kind is CircuitKind.Lighting or CircuitKind.Receptacles or CircuitKind.General or CircuitKind.SmallAppliance
            ? Why.Then(CapReason(outlets, job, book))
            : Kind is CircuitKind.Individual or CircuitKind.Feeder ? Why
            : Why.Plan("on this circuit", $"{outlets} outlet{(outlets == 1 ? "" : "s")}");
        return new()
        {
            Key = new(Key),
            Kind = Kind,
            Panel = panel,
            Boxes = [.. boxes.Select(b => b.Box.Id)],
            UsualRating = Rating,
            Load = CircuitLoad.Of(boxes, job.Schools, book, IsSplit(job, book)),
            Why = why,
        };
    }

    private static Because CapReason(int outlets, Job job, CodeBook book)
    {
        var cap = FamilyRules.Cap(job, book);
        return book.Division.MostOutlets is int most && cap == most
            ? Because.Of("").Book($"{outlets} outlets, at most {most}, each taken as {book.Division.Receptacle / book.Supply.ToNeutral}",
                $"{most} × {book.Division.Receptacle / book.Supply.ToNeutral}", book.Cite(RuleId.OutletCap))
            : book.Amended(AmendedRule.OutletsPerGeneralCircuit) is { } local
            ? Because.Of("").Local($"{outlets} outlets, at most {cap}", $"local; not in the {book.Called}", CodeBook.Cite(local))
            : Because.Of("").House($"{outlets} outlets, at most {cap}", book.Division.MostOutlets is int allowed
                ? $"the book allows {allowed}" : $"the {book.Called} sets no number", book.OwnCap);
    }
}
