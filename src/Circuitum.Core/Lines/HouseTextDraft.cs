using System.Collections.Immutable;
using Circuitum.Core.Changes;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>A house as its text is read: outlines first, since what is on a wall is measured from a corner that its neighbors
/// decide.</summary>
internal sealed class HouseTextDraft
{
    private readonly Job before;
    private readonly List<Structure> structures;
    private readonly List<(RoomId Room, HouseTextLine Said, int Number, string Line)> items = [];
    private readonly List<(HouseTextLine.Dug Said, int Number, string Line)> trenches = [];
    private readonly HashSet<RoomId> taken = [];
    // Rooms with a line below them; the others keep what is in them.
    private readonly HashSet<RoomId> told = [];
    private readonly HashSet<RoomId> built = [];
    private readonly HashSet<LevelId> storeys = [];
    private readonly HashSet<StructureId> buildings = [];
    private int structure;
    private LevelId level;
    private RoomId? room;

    public HouseTextDraft(Job job, LevelId first)
    {
        before = job;
        structures = [.. job.Structures];
        structure = Math.Max(0, structures.FindIndex(s => s.Levels.Any(l => l.Id == first)));
        level = first;
    }

    public List<(LevelId Level, int Number, string Line)> Spoken { get; } = [];

    public bool KeepsWalls { get; private set; } = true;

    public int Rooms => taken.Count;

    public int Openings => items.Count(i => i.Said is HouseTextLine.Cut);

    public int Things => items.Count(i => i.Said is HouseTextLine.Thing);

    public ImmutableArray<Structure> Structures => [.. structures.Select(s => s with
    {
        // A room of which the text says what is in it, and not how its walls are framed, is framed as usual.
        Levels = [.. s.Levels.Select(l => l with
        {
            Rooms = [.. l.Rooms.Select(r => told.Contains(r.Id) && !built.Contains(r.Id) ? r with { Builds = [] } : r)],
        })],
    })];

    public void Take(HouseTextLine said, int number, string line)
    {
        switch (said)
        {
            case HouseTextLine.Building building:
                Building(building);
                break;
            case HouseTextLine.Storey storey:
                Storey(storey.Facts);
                break;
            case HouseTextLine.Over around:
                Change(l => l with { Obstructions = l.Obstructions.Add(around.Obstruction) });
                break;
            case HouseTextLine.Outline outline:
                Outline(outline);
                break;
            case HouseTextLine.Dug trench:
                trenches.Add((trench, number, line));
                break;
            case HouseTextLine.Spoke spoke:
                Spoken.Add((level, number, spoke.Line));
                break;
            case HouseTextLine.Built wall:
                told.Add(Above());
                var first = built.Add(Above());
                Change(l => l with
                {
                    Rooms = [.. l.Rooms.Select(r => r.Id == Above() ? Built(first ? r with { Builds = [] } : r, wall) : r)],
                });
                break;
            default:
                told.Add(Above());
                items.Add((Above(), said, number, line));
                break;
        }
    }

    private RoomId Above() => room ?? throw new ChangeRefusedException("A line with a dash belongs to the room above it, and there is "
        + $"none. Name the room first, like “{HouseText.Examples[3].Line}”.");

    private static Room Built(Room room, HouseTextLine.Built said)
    {
        var build = said.Build with { Wall = Wall(room, said.On) };
        return room with { Builds = [.. room.Builds.Where(b => b.Wall != build.Wall), build] };
    }

    // A job without rooms takes the building, and its storeys, for its own.
    private void Building(HouseTextLine.Building said)
    {
        room = null;
        var bare = structures.TrueForAll(s => s.Levels.All(l => l.Rooms.IsEmpty)) && buildings.Count == 0;
        structure = bare ? 0 : structures.FindIndex(s => s.Name == said.Called && !buildings.Contains(s.Id));
        if (structure < 0)
        {
            structure = structures.Count;
            structures.Add(new()
            {
                Id = new(Ids.Free(Ids.Slug(said.Called, "building"), structures.Select(s => s.Id.Value))),
                Name = said.Called,
                Origin = said.Origin,
                Underfloor = said.Underfloor,
                Levels = [],
            });
        }

        var was = structures[structure];
        buildings.Add(was.Id);
        structures[structure] = was with
        {
            Name = said.Called,
            Origin = said.Origin,
            Underfloor = said.Underfloor,
            DampUnderfloor = said.Damp,
            Accessory = said.Apart,
            FuelBurning = said.BurnsFuel,
            Levels = was.Levels.All(l => l.Rooms.IsEmpty) ? [] : was.Levels,
        };
        level = structures[structure].Levels is [var lowest, ..] ? lowest.Id : level;
    }

    private void Storey(Level facts)
    {
        room = null;
        var building = structures[structure];
        if (building.Levels.FirstOrDefault(l => l.Name == facts.Name && !storeys.Contains(l.Id)) is { } stands)
        {
            level = stands.Id;
            Change(_ => facts with
            {
                Id = stands.Id,
                Rooms = stands.Rooms,
                Obstructions = [],
                Reservations = stands.Reservations,
                Chases = stands.Chases,
                Underlay = stands.Underlay,
            });
        }
        else
        {
            level = new(Ids.Free(Ids.Slug(facts.Name, "level"), structures.SelectMany(s => s.Levels).Select(l => l.Id.Value)));
            structures[structure] = building with { Levels = building.Levels.Add(facts with { Id = level }) };
        }

        storeys.Add(level);
    }

    private void Outline(HouseTextLine.Outline said)
    {
        var on = structures.SelectMany(s => s.Levels).FirstOrDefault(l => l.Id == level)
            ?? throw new ChangeRefusedException($"Say its level first, like “{HouseText.Examples[1].Line}”.");
        var stands = on.Rooms.FirstOrDefault(r => r.Name == said.Called && !taken.Contains(r.Id));
        var id = stands?.Id ?? new(Ids.Free(Ids.Slug(said.Called, "room"), structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms)
            .Select(r => r.Id.Value)));
        taken.Add(id);
        room = id;
        KeepsWalls &= stands is null || stands.Corners.Length == said.Corners.Length;
        var drawn = (stands ?? new() { Id = id, Name = said.Called, Use = said.Use, Corners = [] }) with
        {
            Use = said.Use,
            Corners = said.Corners,
            KeepsWidth = said.KeepsWidth,
            KeepsDepth = said.KeepsDepth,
        };
        Change(l => l with { Rooms = stands is null ? l.Rooms.Add(drawn) : l.Rooms.Replace(stands, drawn) });
    }

    private void Change(Func<Level, Level> change)
    {
        for (var i = 0; i < structures.Count; i++)
        {
            structures[i] = structures[i] with { Levels = [.. structures[i].Levels.Select(l => l.Id == level ? change(l) : l)] };
        }
    }

    /// <summary>What is on the walls and in the rooms of the text, and the trenches, once the outlines stand.</summary>
    public Job Filled(Job job)
    {
        // Where a room has other walls than it had, those that stood brought their framing along.
        foreach (var said in Structures.SelectMany(s => s.Levels).SelectMany(l => l.Rooms).Where(r => told.Contains(r.Id)))
        {
            job = HouseChange.With(job, HouseChange.Find(job, said.Id).Room with { Builds = said.Builds });
        }

        var house = Framing.Frame(job);
        var was = before.Rooms.ToDictionary(r => r.Id);
        var ids = new HashSet<string>(job.Rooms.Where(r => !told.Contains(r.Id)).SelectMany(r => r.Openings).Select(o => o.Id.Value));
        foreach (var id in told)
        {
            var old = was.GetValueOrDefault(id);
            List<(HouseTextLine Said, int Number, string Line)> own = [.. items.Where(i => i.Room == id).Select(i => (i.Said, i.Number,
                i.Line))];
            var framed = house.Room(id);
            var openings = own.Where(i => i.Said is HouseTextLine.Cut).Select((i, n) => DrawHouse.Told(i.Number, i.Line, () =>
                Opening(framed, (HouseTextLine.Cut)i.Said, old?.Openings.ElementAtOrDefault(n), ids))).ToImmutableArray();
            var things = own.Where(i => i.Said is HouseTextLine.Thing).Select(i => DrawHouse.Told(i.Number, i.Line, () =>
                Fixture(framed, (HouseTextLine.Thing)i.Said))).ToImmutableArray();
            job = HouseChange.With(job, HouseChange.Find(job, id).Room with { Openings = openings, Fixtures = things });
            job = Kept(job, framed, own);
        }

        return Trenches(Panels(job, house));
    }

    // The opening that stood there in the room's list goes on under its id.
    private static Opening Opening(FramedRoom room, HouseTextLine.Cut said, Opening? stood, HashSet<string> ids)
    {
        var side = Side(room, said.On);
        var far = WallWords.End(room.Room, side.Number);
        if (said.Hinged.Length > 0 && said.Hinged != far && said.Hinged != Near(far))
        {
            throw new ChangeRefusedException($"That wall has a {Near(far)} and a {far} end; it cannot be hinged {said.Hinged}.");
        }

        var id = stood?.Kind == said.Opening.Kind && !ids.Contains(stood.Id.Value) ? stood.Id.Value
            : Ids.Numbered($"{room.Room.Id}-o", ids);
        ids.Add(id);
        return said.Opening with
        {
            Id = new(id),
            Wall = side.Number,
            Offset = WallWords.FromEnd(side, room.Room, said.At, said.Opening.Width),
            Hinge = said.Hinged == far ? Hinge.End : Hinge.Start,
        };
    }

    private static string Near(string far) => far switch { "east" => "west", "west" => "east", "north" => "south", _ => "north" };

    private static Fixture Fixture(FramedRoom room, HouseTextLine.Thing said)
    {
        if (said.On is not { } on)
        {
            return said.Fixture;
        }

        var side = Side(room, on);
        return said.Fixture with
        {
            Wall = side.Number,
            Offset = WallWords.FromEnd(side, room.Room, said.At, said.Fixture.Width),
        };
    }

    // Kept bays and spare ways of a room are the text's, as its openings are.
    private static Job Kept(Job job, FramedRoom room, List<(HouseTextLine Said, int Number, string Line)> own)
    {
        var (on, _) = HouseChange.Find(job, room.Room.Id);
        job = HouseChange.With(job, on with
        {
            Reservations = on.Reservations.RemoveAll(r => r.Room == room.Room.Id),
            Chases = on.Chases.RemoveAll(c => c.Room == room.Room.Id),
        });
        foreach (var (said, number, line) in own)
        {
            job = DrawHouse.Told(number, line, () => said switch
            {
                HouseTextLine.Kept kept when Side(room, kept.On) is var side => new ReserveBays(new()
                {
                    Id = new(ReserveBays.FreeId(job)),
                    For = kept.For,
                    Room = room.Room.Id,
                    Wall = side.Number,
                    Offset = WallWords.FromEnd(side, room.Room, kept.At, kept.Width),
                    Width = kept.Width,
                }).Unchecked(job, out _),
                HouseTextLine.Spare spare when Side(room, spare.On) is var side => new LeaveChase(new()
                {
                    Id = new(LeaveChase.FreeId(job)),
                    For = spare.For,
                    Room = room.Room.Id,
                    Wall = side.Number,
                    Offset = WallWords.FromEnd(side, room.Room, spare.At, Length.Zero),
                    Cord = spare.Cord,
                }).Unchecked(job, out _),
                _ => job,
            });
        }

        return job;
    }

    private Job Panels(Job job, FramedHouse house)
    {
        foreach (var (room, said, number, line) in items)
        {
            if (said is HouseTextLine.Board board)
            {
                job = DrawHouse.Told(number, line, () => new SetPanel(Board(job, house.Room(room), board)).Unchecked(job, out _));
            }
        }

        return job;
    }

    // What its label says and what stands in it is not in the text, and stays.
    private static Panel Board(Job job, FramedRoom room, HouseTextLine.Board said)
    {
        var side = Side(room, said.On);
        var panel = job.Panels.FirstOrDefault(p => p.Id.Value == said.Id)
            ?? new() { Id = new(said.Id), Room = room.Room.Id, Wall = 1, Offset = Length.Zero, Rating = said.Rating, Spaces = said.Spaces };
        return panel with
        {
            Room = room.Room.Id,
            Wall = side.Number,
            Offset = WallWords.FromEnd(side, room.Room, said.At, Length.Zero),
            Rating = said.Rating,
            Spaces = said.Spaces,
            Top = said.Top ?? panel.Top,
            FedFrom = said.FedFrom is { } from ? new(from) : null,
            ByLugs = said.ByLugs,
            Existing = said.Existing,
        };
    }

    private Job Trenches(Job job)
    {
        foreach (var (said, number, line) in trenches)
        {
            var standing = job.Structures;
            var ends = DrawHouse.Told(number, line, () => new[] { said.From, said.To }
                .Select(name => standing.FirstOrDefault(s => s.Name == name)?.Id
                    ?? throw new ChangeRefusedException($"There is no building {name}.")).ToList());
            var stands = job.Trenches.FirstOrDefault(t => t.From == ends[0] && t.To == ends[1]);
            var trench = new Trench(stands?.Id ?? new(Ids.Numbered("trench", job.Trenches.Select(t => t.Id.Value))), ends[0], ends[1],
                said.Path, said.Depth)
            { DataPipe = said.DataPipe, UnderDrive = said.UnderDrive };
            job = job with { Trenches = stands is null ? job.Trenches.Add(trench) : job.Trenches.Replace(stands, trench) };
        }

        return job;
    }

    private static RoomSide Side(FramedRoom room, string wall) => room.Sides[Wall(room.Room, wall) - 1];

    private static int Wall(Room room, string words)
    {
        var named = Enumerable.Range(1, room.Corners.Length).Where(w => WallWords.Of(room, w).Equals(words,
            StringComparison.OrdinalIgnoreCase) || words.Equals($"wall {w}", StringComparison.OrdinalIgnoreCase)).ToList();
        return named is [var one] ? one : throw new ChangeRefusedException(
            Enumerable.Range(1, room.Corners.Length)
                .Where(w => words.Equals(room.SideOf(w), StringComparison.OrdinalIgnoreCase)).ToList() is { Count: > 1 } several
                ? $"{room.Name} has several walls to the {words.ToLowerInvariant()}: say {string.Join(" or ", several.Select(w =>
                    $"“wall {w}”"))}." : $"{room.Name} has no {words}.");
    }
}
