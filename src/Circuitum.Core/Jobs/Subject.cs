using System.Globalization;

namespace Circuitum.Core.Jobs;

/// <summary>What a tag or a selection points at.</summary>
/// <param name="Kind">room, box, circuit, run, panel.</param>
/// <param name="Id">Its stable id.</param>
public readonly record struct Subject(SubjectKind Kind, string Id)
{
    /// <summary>Characters of the longest id: a run's, or a circuit's that is made of the names of rooms.</summary>
    public const int Longest = 160;

    /// <summary>A box.</summary>
    public static Subject Box(BoxId id) => new(SubjectKind.Box, id.Value);

    /// <summary>A room.</summary>
    public static Subject Room(RoomId id) => new(SubjectKind.Room, id.Value);

    /// <summary>A circuit.</summary>
    public static Subject Circuit(CircuitKey key) => new(SubjectKind.Circuit, key.Value);

    /// <summary>A panel.</summary>
    public static Subject Panel(PanelId id) => new(SubjectKind.Panel, id.Value);

    /// <summary>A run of cable.</summary>
    public static Subject Run(RunId id) => new(SubjectKind.Run, id.ToString());

    /// <summary>An opening.</summary>
    public static Subject Opening(Id<Opening> id) => new(SubjectKind.Opening, id.Value);

    /// <summary>A want.</summary>
    public static Subject Want(Id<Want> id) => new(SubjectKind.Want, id.Value);

    /// <summary>A level.</summary>
    public static Subject Level(LevelId id) => new(SubjectKind.Level, id.Value);

    /// <summary>A building.</summary>
    public static Subject Structure(StructureId id) => new(SubjectKind.Structure, id.Value);

    /// <summary>Stud bays kept for another trade.</summary>
    public static Subject Bays(Id<Reservation> id) => new(SubjectKind.Bays, id.Value);

    /// <summary>A spare chase.</summary>
    public static Subject Chase(Id<Chase> id) => new(SubjectKind.Chase, id.Value);

    /// <summary>An outlet of low voltage.</summary>
    public static Subject LowVoltage(Id<LowVoltageOutlet> id) => new(SubjectKind.LowVoltage, id.Value);

    /// <summary>A place that low voltage goes home to.</summary>
    public static Subject LowVoltageHome(Id<LowVoltageHome> id) => new(SubjectKind.LowVoltageHome, id.Value);

    /// <summary>A trench.</summary>
    public static Subject Trench(Id<Trench> id) => new(SubjectKind.Trench, id.Value);

    /// <summary>A pipe.</summary>
    public static Subject Pipe(Id<Pipe> id) => new(SubjectKind.Pipe, id.Value);

    /// <summary>A wall of a room, by its number from 1.</summary>
    public static Subject Wall(RoomId room, int number) => new(SubjectKind.Wall, $"{room}.{number}");

    /// <summary>A fixture of a room, by its place in the room's list from 1.</summary>
    public static Subject Fixture(RoomId room, int number) => new(SubjectKind.Fixture, $"{room}.{number}");

    /// <summary>A reel, as it is marked.</summary>
    public static Subject Reel(string name) => new(SubjectKind.Reel, name);

    /// <summary>An obstruction of a level, by its place in the level's list from 1.</summary>
    public static Subject Obstruction(LevelId level, int number) => new(SubjectKind.Obstruction, $"{level}.{number}");

    /// <summary>The run it points at; null for anything else.</summary>
    public RunId? AsRun => Kind == SubjectKind.Run && RunId.TryParse(Id, out var run) ? run : null;

    /// <summary>For a subject told by its place in a list: what it belongs to and the place; null for others.</summary>
    public (string Of, int Number)? Numbered =>
        Id.LastIndexOf('.') is > 0 and var dot && int.TryParse(Id.AsSpan(dot + 1), NumberStyles.None, CultureInfo.InvariantCulture,
            out var number) ? (Id[..dot], number) : null;

    /// <summary>kind:id, as written in addresses.</summary>
    public override string ToString() => $"{Kind.ToString().ToLowerInvariant()}:{Id}";

    /// <summary>Reads kind:id; null when it is neither.</summary>
    public static Subject? TryParse(string? text)
    {
        var parts = text?.Split(':', 2) ?? [];
        return parts.Length == 2 && parts[0].All(char.IsAsciiLetter) && parts[1].Length is > 0 and <= Longest
            && Enum.TryParse<SubjectKind>(parts[0], ignoreCase: true, out var kind) && Enum.IsDefined(kind)
            ? new Subject(kind, parts[1])
            : null;
    }
}
