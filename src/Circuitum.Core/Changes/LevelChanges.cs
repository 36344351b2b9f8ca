using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Sets a level's heights, joists and the air above and below it.</summary>
public sealed record SetLevel(LevelId Level, string Name, Length CeilingHeight, Joists CeilingJoists, Joists? FloorJoists, bool AtticAbove,
    Celsius AmbientAbove, Celsius AmbientBelow) : HouseChange
{
    /// <summary>Below grade; null where its rooms' uses say it.</summary>
    public bool? Basement { get; init; }

    /// <summary>Its unfinished rooms can never be finished.</summary>
    public bool NeverFinished { get; init; }

    /// <summary>The way cable takes on it; null for the crew's own.</summary>
    public CableWay? Way { get; init; }

    /// <inheritdoc/>
    protected override bool KeepsWalls => true;

    /// <inheritdoc/>
    protected override Job Draw(Job job, out string phrase)
    {
        var level = Find(job, Level);
        phrase = $"Change level {Name.Trim()}";
        return With(job, level with
        {
            Name = Name.Trim(),
            CeilingHeight = CeilingHeight,
            CeilingJoists = CeilingJoists,
            FloorJoists = FloorJoists,
            AtticAbove = AtticAbove,
            AmbientAbove = AmbientAbove,
            AmbientBelow = AmbientBelow,
            Basement = Basement,
            NeverFinished = NeverFinished,
            Way = Way,
        });
    }
}

/// <summary>Puts a storey on top of a building; its joists are those of the level below until they are set.</summary>
public sealed record AddLevel(StructureId Structure, string Name) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var structure = LevelChanges.Find(job, Structure);
        var below = structure.Levels[^1];
        var id = Ids.Free(Ids.Slug(Name, "level"), job.Levels.Select(l => l.Id.Value));
        var level = below with
        {
            Id = new(id),
            Name = Name.Trim(),
            Rooms = [],
            Obstructions = [],
            Reservations = [],
            Chases = [],
            FloorJoists = Floor(below.CeilingJoists),
            Underlay = null
        };
        phrase = $"Add level {level.Name} to {structure.Name}";
        return LevelChanges.With(job,
            structure with
            {
                Levels = [.. structure.Levels.RemoveAt(structure.Levels.Length - 1),
                below with { AtticAbove = false, AmbientAbove = new(30), CeilingJoists = Floor(below.CeilingJoists) }, level]
            });
    }

    // What was under the roof carries a floor now, and trusses of a roof do not.
    private static Joists Floor(Joists ceiling) => ceiling.Kind == JoistKind.RoofTruss ? ceiling with { Kind = JoistKind.Sawn } : ceiling;
}

/// <summary>Takes an empty level off the top of a building.</summary>
public sealed record DeleteLevel(LevelId Level) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var level = HouseChange.Find(job, Level);
        var structure = job.Structures.First(s => s.Levels.Contains(level));
        if (!level.Rooms.IsEmpty || structure.Levels[^1] != level || structure.Levels.Length == 1)
        {
            throw new ChangeRefusedException("Only an empty level at the top of a building can be taken off. Delete its rooms first.");
        }

        phrase = $"Delete level {level.Name}";
        return LevelChanges.With(job, structure with { Levels = structure.Levels.Remove(level) });
    }
}

/// <summary>Puts an outbuilding on the site: one room, the trench that feeds it, and a panel where one is wanted. Without one it is fed by
/// one branch circuit, 225.30.</summary>
/// <param name="Name">Its name.</param>
/// <param name="East">Inside of the house's north-west corner to its own, east.</param>
/// <param name="South">And south.</param>
/// <param name="Use">Use of its room.</param>
/// <param name="Width">Inside, east to west.</param>
/// <param name="Depth">Inside, north to south.</param>
/// <param name="From">The panel that feeds it.</param>
/// <param name="Rating">Bus of its panel; null for none.</param>
/// <param name="Cover">Depth of the trench.</param>
public sealed record AddStructure(string Name, Length East, Length South, RoomUse Use, Length Width, Length Depth, PanelId From,
    Amps? Rating, Length Cover) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var feeding = job.Panels.FirstOrDefault(p => p.Id == From)
            ?? throw new ChangeRefusedException($"There is no panel {From} to feed it from.");
        var home = job.Structures.First(s => s.Levels.SelectMany(l => l.Rooms).Any(r => r.Id == feeding.Room));
        var id = Ids.Free(Ids.Slug(Name, "building"), job.Structures.Select(s => s.Id.Value));
        var roomId = HouseChange.NewRoomId(job, Name);
        var origin = home.Origin.By(East, South);
        var level = new Level
        {
            Id = new(Ids.Free($"{id}-level", job.Levels.Select(l => l.Id.Value))),
            Name = Name.Trim(),
            CeilingHeight = Length.FromFeet(8),
            CeilingJoists = new(JoistRun.NorthSouth, Length.FromInches(24), Length.FromInches(5.5m)),
            AtticAbove = false,
            Rooms = [],
        };
        var structure = new Structure
        {
            Id = new(id),
            Name = Name.Trim(),
            Origin = origin,
            Accessory = true,
            Underfloor = Underfloor.Slab,
            Levels = [level]
        };
        var room = new Room { Id = roomId, Name = Name.Trim(), Use = Use, Corners = [] };
        var placed = RoomFitting.At(job with { Structures = job.Structures.Add(structure) }, level, room, new(Length.Zero, Length.Zero),
            Width, Depth);
        phrase = $"Add {structure.Name} {East.Abs()} {(East < Length.Zero ? "west" : "east")}, {South.Abs()} "
            + $"{(South < Length.Zero ? "north" : "south")} of {home.Name}";
        return placed with
        {
            Panels = Rating is not Amps bus ? placed.Panels : placed.Panels.Add(new()
            {
                Id = new(Letter(job)),
                Room = roomId,
                Wall = 1,
                Offset = Width / 2,
                Rating = bus,
                Spaces = 12,
                FedFrom = From,
            }),
            Trenches = placed.Trenches.Add(new(new(Ids.Numbered("trench", job.Trenches.Select(t => t.Id.Value))), home.Id, structure.Id,
                LevelChanges.Straight(home, structure with { Levels = [HouseChange.Find(placed, level.Id)] }), Cover)),
        };
    }

    private static string Letter(Job job) => Enumerable.Range(0, 26).Select(i => ((char)('A' + i)).ToString())
        .FirstOrDefault(l => job.Panels.All(p => p.Id.Value != l))
        ?? throw new ChangeRefusedException("All 26 letters name a panel already.");
}

/// <summary>Moves a building on the site; its trench follows, straight.</summary>
public sealed record MoveStructure(StructureId Structure, Length East, Length South, Length Cover) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var structure = LevelChanges.Find(job, Structure);
        var trench = job.Trenches.FirstOrDefault(t => t.To == Structure)
            ?? throw new ChangeRefusedException($"No trench leads to {structure.Name}; the others are told from the house.");
        var home = LevelChanges.Find(job, trench.From);
        var moved = structure with { Origin = home.Origin.By(East, South) };
        phrase = $"Move {structure.Name}";
        return LevelChanges.With(job, moved) with
        { Trenches = job.Trenches.Replace(trench, trench with { Path = LevelChanges.Straight(home, moved), Depth = Cover }) };
    }
}

/// <summary>Says what a building stands on and whether fuel burns in it.</summary>
public sealed record SetStructure(StructureId Structure, string Name, Underfloor Underfloor, bool FuelBurning, bool DampUnderfloor)
    : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var structure = LevelChanges.Find(job, Structure);
        phrase = $"Change {Name.Trim()}";
        return LevelChanges.With(job, structure with
        {
            Name = Name.Trim(),
            Underfloor = Underfloor,
            FuelBurning = FuelBurning,
            DampUnderfloor = DampUnderfloor && Underfloor != Underfloor.Slab,
        });
    }
}

/// <summary>What the changes of levels and buildings share.</summary>
internal static class LevelChanges
{
    public static Structure Find(Job job, StructureId id) => job.Structures.FirstOrDefault(s => s.Id == id)
        ?? throw new ChangeRefusedException($"Building “{id}” is not in this job any more.");

    public static Job With(Job job, Structure structure) =>
        job with { Structures = [.. job.Structures.Select(s => s.Id == structure.Id ? structure : s)] };

    // From wall to wall between the middles of the two outlines' bounds, square at one corner where they do not face each other.
    public static ImmutableArray<Point> Straight(Structure from, Structure to)
    {
        var (a, b) = (Bounds(from), Bounds(to));
        Length low = Length.Max(a.West, b.West), high = Length.Min(a.East, b.East);
        if (low < high)
        {
            var x = (low + high) / 2;
            return b.North >= a.South ? [new(x, a.South), new(x, b.North)] : [new(x, a.North), new(x, b.South)];
        }

        (low, high) = (Length.Max(a.North, b.North), Length.Min(a.South, b.South));
        if (low < high)
        {
            var y = (low + high) / 2;
            return b.West >= a.East ? [new(a.East, y), new(b.West, y)] : [new(a.West, y), new(b.East, y)];
        }

        var middle = (b.West + b.East) / 2;
        var level = (a.North + a.South) / 2;
        var start = middle > a.East ? a.East : a.West;
        return [new(start, level), new(middle, level), new(middle, b.North >= a.South ? b.North : b.South)];
    }

    private static (Length West, Length North, Length East, Length South) Bounds(Structure structure)
    {
        var corners = structure.Levels.SelectMany(l => l.Rooms).SelectMany(r => r.Corners)
            .Select(c => c.By(structure.Origin.X, structure.Origin.Y)).ToList();
        return (corners.Min(c => c.X), corners.Min(c => c.Y), corners.Max(c => c.X), corners.Max(c => c.Y));
    }
}
