using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Rules;

namespace Circuitum.Core.Changes;

/// <summary>Keeps a division under its name; one of the same name is replaced.</summary>
/// <param name="Division">The division.</param>
/// <param name="Follow">True when the plan shall follow it from now on.</param>
public sealed record KeepDivision(Division Division, bool Follow) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = Follow ? $"Divide as in “{Division.Name}”" : $"Keep the division “{Division.Name}”";
        return With(job, Division) with { Follows = Follow ? Division.Name : job.Follows };
    }

    internal static Job With(Job job, Division division)
    {
        var at = job.Divisions.Select((d, i) => (d, i)).Where(x => x.d.Name == division.Name).Select(x => x.i).FirstOrDefault(-1);
        return job with { Divisions = at < 0 ? job.Divisions.Add(division) : job.Divisions.SetItem(at, division) };
    }
}

/// <summary>Keeps the division that stands under a name.</summary>
public sealed record KeepStanding(string Name) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Keep the division as “{Name}”";
        return KeepDivision.With(job, Standing.Of(job) with { Name = Name.Trim() });
    }
}

/// <summary>Follows a kept division; null the planner's own.</summary>
public sealed record FollowDivision(string? Name) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = Name is null ? "Divide as the planner does" : $"Divide as in “{Name}”";
        return Name is null || job.Divisions.Any(d => d.Name == Name) ? job with { Follows = Name }
            : throw new ChangeRefusedException($"Division “{Name}” is not in this job any more.");
    }
}

/// <summary>Drops a kept division; the plan goes back to the planner's own where it followed it.</summary>
public sealed record DropDivision(string Name) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var division = job.Divisions.FirstOrDefault(d => d.Name == Name)
            ?? throw new ChangeRefusedException($"Division “{Name}” is not in this job any more.");
        phrase = $"Drop the division “{Name}”";
        return job with { Divisions = job.Divisions.Remove(division), Follows = job.Follows == Name ? null : job.Follows };
    }
}

/// <summary>Moves a box, with what cannot be parted from it, to another circuit and holds it there. Everything else stays where it
/// is.</summary>
/// <param name="Box">The box.</param>
/// <param name="Circuit">The circuit.</param>
public sealed record MoveToCircuit(BoxId Box, CircuitKey Circuit) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (standing, circuits, survey) = Standing.Whole(job);
        Standing.MustTake(survey, circuits, [Find(job, Box)], circuits.FirstOrDefault(c => c.Key == Circuit)
            ?? throw new ChangeRefusedException($"Circuit “{Circuit}” is not in the plan any more."));
        var together = Standing.Together(survey, Box);
        phrase = $"Move {survey[Box].Name} to circuit {Circuit}{(together.Length > 1 ? $", {together.Length - 1} with it" : "")}";
        if (standing.Circuits.First(c => c.Key == Circuit).Boxes.Contains(Box))
        {
            throw new ChangeRefusedException($"{Called(job, Find(job, Box))} is on that circuit already.");
        }

        var moved = Standing.Apart(standing, together).Select(c => c.Key == Circuit ? c with { Boxes = c.Boxes.AddRange(together) } : c);
        return Standing.ByHand(job, standing with { Circuits = [.. moved] }) with
        {
            Pins = job.Pins with
            {
                Boxes = [.. job.Pins.Boxes.Where(p => !together.Contains(p.Box)), new(Box, Circuit)],
                Individual = job.Pins.Individual.RemoveAll(together.Contains),
            },
        };
    }
}

/// <summary>Puts boxes on a circuit of their own, each bundle whole.</summary>
public sealed record SplitCircuit(ImmutableArray<BoxId> Boxes) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        if (Boxes.IsDefaultOrEmpty)
        {
            throw new ChangeRefusedException("Pick the boxes that go on a circuit of their own.");
        }

        var (standing, _, survey) = Standing.Whole(job);
        ImmutableArray<BoxId> parted = [.. Boxes.SelectMany(b => Standing.Together(survey, b)).Distinct()];
        var from = standing.Circuits.Where(c => c.Boxes.Any(parted.Contains)).ToList();
        if (from.Count > 1)
        {
            throw new ChangeRefusedException("The boxes picked are on several circuits; split one circuit at a time.");
        }

        if (from[0].Boxes.All(parted.Contains))
        {
            throw new ChangeRefusedException("Those are all boxes of the circuit; leave it some.");
        }

        phrase = $"Split {parted.Length} box{(parted.Length == 1 ? "" : "es")} from circuit {from[0].Key}";
        var key = Ids.Free($"{from[0].Key}-part", standing.Circuits.Select(c => c.Key.Value));
        return Standing.ByHand(job, standing with { Circuits = [.. Standing.Apart(standing, parted), new(new(key), parted)] }) with
        {
            Pins = job.Pins with { Boxes = job.Pins.Boxes.RemoveAll(p => parted.Contains(p.Box)) },
        };
    }
}

/// <summary>Merges a circuit into another.</summary>
public sealed record MergeCircuits(CircuitKey Circuit, CircuitKey Into) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var (standing, circuits, survey) = Standing.Whole(job);
        KeptCircuit Named(CircuitKey key) => standing.Circuits.FirstOrDefault(c => c.Key == key)
            ?? throw new ChangeRefusedException($"Circuit “{key}” is not in the plan any more.");
        var (gone, into) = (Named(Circuit), Named(Into));
        if (Circuit == Into)
        {
            throw new ChangeRefusedException("A circuit cannot be merged with itself.");
        }

        Standing.MustTake(survey, circuits, gone.Boxes.Select(b => Find(job, b)), circuits.First(c => c.Key == Into));

        phrase = $"Merge circuit {Circuit} into {Into}";
        // Held, because only a person's word joins what the rules keep apart.
        return Standing.ByHand(job,
            standing with
            {
                Circuits = [.. standing.Circuits.Where(c => c.Key != Circuit)
                .Select(c => c.Key == Into ? into with { Boxes = into.Boxes.AddRange(gone.Boxes) } : c)]
            }) with
        {
            Pins = job.Pins with
            {
                Boxes = [.. job.Pins.Boxes.Where(p => !gone.Boxes.Contains(p.Box)), .. gone.Boxes.Select(b => new BoxPin(b, Into))],
                Individual = job.Pins.Individual.RemoveAll(b => gone.Boxes.Contains(b) || into.Boxes.Contains(b)),
            },
        };
    }
}

/// <summary>Gives a box an individual circuit, or lets it share again.</summary>
public sealed record MakeIndividual(BoxId Box, bool Individual) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var called = Called(job, Find(job, Box));
        phrase = Individual ? $"Give {called} an individual circuit" : $"Let {called} share a circuit";
        var others = job.Pins.Individual.RemoveAll(b => b == Box);
        return job with
        {
            Pins = job.Pins with
            {
                Individual = Individual ? others.Add(Box) : others,
                Boxes = Individual
            ? job.Pins.Boxes.RemoveAll(p => p.Box == Box) : job.Pins.Boxes
            }
        };
    }
}

/// <summary>Holds the panel that feeds a circuit; null frees it.</summary>
public sealed record PinPanel(CircuitKey Circuit, PanelId? Panel) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var others = job.Pins.Panels.RemoveAll(p => p.Circuit == Circuit);
        phrase = Panel is PanelId p ? $"Feed circuit {Circuit} from panel {p}" : $"Free the panel of circuit {Circuit}";
        if (Panel is not PanelId panel)
        {
            return job with { Pins = job.Pins with { Panels = others } };
        }

        var house = Framing.Frame(job);
        var survey = Surveying.Survey(house, job);
        var circuit = Dividing.Divide(house, survey, job, CodeBook.For(job)).FirstOrDefault(c => c.Key == Circuit && c.Boxes.Length > 0)
            ?? throw new ChangeRefusedException($"Circuit “{Circuit}” is not in the plan any more.");
        var from = job.Panels.FirstOrDefault(p => p.Id == panel)
            ?? throw new ChangeRefusedException($"Panel “{panel}” is not in this job any more.");
        return house.Room(from.Room).Structure == survey[circuit.Boxes[0]].Place.Structure
            ? job with { Pins = job.Pins with { Panels = others.Add(new(Circuit, panel)) } }
            : throw new ChangeRefusedException(
                $"Panel {panel} is in another building: a circuit stays in the building of its panel, the feeder goes between them.");
    }
}

/// <summary>Frees every box that a person holds on a circuit.</summary>
public sealed record FreeCircuit(CircuitKey Circuit) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = $"Free the boxes held on {Circuit}";
        return job with { Pins = job.Pins with { Boxes = job.Pins.Boxes.RemoveAll(p => p.Circuit == Circuit) } };
    }
}

/// <summary>The division that stands, as it would be kept.</summary>
internal static class Standing
{
    public static Division Of(Job job) => Whole(job).Division;

    public static ImmutableArray<KeptCircuit> Of(IEnumerable<Circuit> circuits) =>
        [.. circuits.Where(c => c.Kind != CircuitKind.Feeder).Select(c => new KeptCircuit(c.Key, c.Boxes))];

    /// <summary>The division with its circuits and the places of their boxes.</summary>
    public static (Division Division, ImmutableArray<Circuit> Circuits, Survey Survey) Whole(Job job)
    {
        var house = Framing.Frame(job);
        var survey = Surveying.Survey(house, job);
        var circuits = Dividing.Divide(house, survey, job, CodeBook.For(job));
        return (new()
        {
            Name = Division.ByHand,
            Circuits = Of(circuits),
        }, circuits,
            survey);
    }

    /// <summary>What no wire can do, whatever the rules say of it.</summary>
    /// <exception cref="ChangeRefusedException">The circuit is a feeder, in another building, or of another voltage.</exception>
    public static void MustTake(Survey survey, ImmutableArray<Circuit> circuits, IEnumerable<Box> boxes, Circuit circuit)
    {
        if (circuit.Kind == CircuitKind.Feeder)
        {
            throw new ChangeRefusedException("A feeder supplies a panel; boxes go on the branch circuits of that panel.");
        }

        foreach (var box in boxes)
        {
            var own = circuits.First(c => c.Boxes.Contains(box.Id));
            var building = circuit.Boxes.Select(b => survey[b]).FirstOrDefault(b => b.HasOutlet) ?? survey[circuit.Boxes[0]];
            if (survey[box.Id].Place.Structure != building.Place.Structure)
            {
                throw new ChangeRefusedException(
                    $"{survey[box.Id].Name} is in another building: a circuit stays in the building of its panel, the feeder goes "
                    + $"between them.");
            }

            if (own.Load.Volts != circuit.Load.Volts && own != circuit)
            {
                throw new ChangeRefusedException(
                    $"{survey[box.Id].Name} works at {own.Load.Volts} and that circuit is of {circuit.Load.Volts}: no breaker serves "
                    + $"both.");
            }
        }
    }

    /// <summary>The box and all that cannot be parted from it.</summary>
    public static ImmutableArray<BoxId> Together(Survey survey, BoxId box)
    {
        var bundles = Bundles.Tie(survey);
        return bundles.FirstOrDefault(b => b.Boxes.Any(x => x.Box.Id == box)) is { } bundle ? [.. bundle.Boxes.Select(b => b.Box.Id)]
            : throw new ChangeRefusedException($"Box “{box}” is not in this job any more.");
    }

    public static IEnumerable<KeptCircuit> Apart(Division division, ImmutableArray<BoxId> boxes) =>
        division.Circuits.Select(c => c with { Boxes = c.Boxes.RemoveAll(boxes.Contains) }).Where(c => !c.Boxes.IsEmpty);

    public static Job ByHand(Job job, Division division) => KeepDivision.With(job, division with { Name = Division.ByHand }) with
    { Follows = Division.ByHand };
}
