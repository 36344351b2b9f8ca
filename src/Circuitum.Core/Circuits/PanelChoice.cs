using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Circuits;

/// <summary>Which panel feeds which circuit where a building has more than one: by school near the panel or home to the main, while it has
/// spaces.</summary>
internal sealed class PanelChoice(FramedHouse house, Job job, CodeBook book)
{
    private readonly Dictionary<int, List<(Panel Panel, Place Place)>> panels = job.Panels
        .Select(p => (Panel: p, Place: Surveying.PlacePanel(house, p)))
        .GroupBy(p => p.Place.Structure)
        .ToDictionary(g => g.Key, g => g.OrderBy(p => p.Panel.FedFrom is null ? 0 : 1)
            .ThenBy(p => p.Panel.Id.Value, StringComparer.Ordinal).ToList());

    // Panels of a building; of one without, those of the building that its trench comes from.
    private List<(Panel Panel, Place Place)> PanelsOf(int structure) => panels.TryGetValue(structure, out var own) ? own
        : panels[house.Structures.First(s =>
            job.Trenches.Any(t => t.To == house.Structures[structure].Structure.Id && t.From == s.Structure.Id)
            && panels.ContainsKey(s.Index)).Index];

    /// <summary>Panels that may feed a family's circuits.</summary>
    public IReadOnlyList<Place> PlacesFor(int structure, Family family) => [.. Candidates(structure, Heavy(family)).Select(p => p.Place)];

    /// <summary>The panel of every draft: held ones first, then where the sub-panel saves most cable, as long as it has spaces.</summary>
    public Dictionary<CircuitDraft, PanelId> Choose(IReadOnlyList<CircuitDraft> drafts)
    {
        var held = job.Pins.Panels.ToDictionary(p => p.Circuit.Value, p => p.Panel);
        var chosen = new Dictionary<CircuitDraft, PanelId>(ReferenceEqualityComparer.Instance);
        var free = job.Panels.ToDictionary(p => p.Id, p => p.Spaces - p.Taken.SelectMany(t => t.Spaces).Select(s => s.Number).Distinct()
            .Count() - (2 * job.Panels.Count(d => d.FedFrom == p.Id && !d.ByLugs)));
        void Take(CircuitDraft draft, PanelId panel)
        {
            chosen[draft] = panel;
            free[panel] -= Poles(draft);
        }

        // A panel of another building cannot be meant: it is passed over, and the check says that the pin is loose.
        foreach (var draft in drafts.Where(d => held.TryGetValue(d.Key, out var panel) && PanelsOf(d.Structure)
            .Exists(p => p.Panel.Id == panel)))
        {
            Take(draft, held[draft.Key]);
        }

        var open = drafts.Where(d => !chosen.ContainsKey(d)).Select(d =>
        {
            var costs = (IsInlet(d) ? [PanelOfInlet(d.Structure)] : Candidates(d.Structure, Heavy(d)))
                .Select(p => (p.Panel.Id, Cost: d.Bundles.Min(b => Reckoning.Between(p.Place, b.Feed)))).ToList();
            return (Draft: d, Costs: costs, Saves: costs[0].Cost - costs.Min(c => c.Cost));
        });
        foreach (var (draft, costs, _) in open.OrderByDescending(o => o.Saves).ThenBy(o => o.Draft.Key, StringComparer.Ordinal))
        {
            // Of panels that are full the first stands: the check hangs a tag on what finds no space.
            var roomy = costs.Where(c => free[c.Id] >= Poles(draft)).ToList();
            Take(draft, roomy.Count == 0 ? costs[0].Id : roomy.MinBy(c => c.Cost).Id);
        }

        return chosen;
    }

    private IEnumerable<(Panel Panel, Place Place)> Candidates(int structure, bool heavy) =>
        heavy && job.Schools.Subpanel == SubpanelHolds.LightsAndReceptacles ? PanelsOf(structure).Take(1) : PanelsOf(structure);

    // What a generator brings goes where its transfer equipment is, however far.
    private (Panel Panel, Place Place) PanelOfInlet(int structure) => PanelsOf(structure)
        .FirstOrDefault(p => p.Panel.Id == job.InletPanel.Id) is { Panel: not null } meant ? meant : PanelsOf(structure)[0];

    private static bool IsInlet(CircuitDraft draft) =>
        draft.Bundles.Any(b => b.Boxes.Any(x => x.Plates.Any(p => p.Appliance == Appliance.GeneratorInlet)));

    private static bool Heavy(Family family) => family.Kind is CircuitKind.Individual or CircuitKind.DishwasherAndDisposer;

    private static bool Heavy(CircuitDraft draft) => draft.Kind is CircuitKind.Individual or CircuitKind.DishwasherAndDisposer;

    private int Poles(CircuitDraft draft) => draft.IsSplit(job, book) ? 2
        : book.Supply.Poles(book.Supply.For(draft.Bundles.SelectMany(b => b.Boxes).SelectMany(x => x.Plates).Select(p => p.Volts)));
}
