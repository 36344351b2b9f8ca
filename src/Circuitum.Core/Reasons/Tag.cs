using System.Collections.Immutable;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Reasons;

/// <summary>What a tag means for the work.</summary>
public enum Severity
{
    /// <summary>The code book would fail it.</summary>
    Red,

    /// <summary>Poor practice, or a house rule of the crew broken.</summary>
    Amber,

    /// <summary>Waiting for a fact.</summary>
    Hold,
}

/// <summary>The stage on whose strip a tag is counted.</summary>
public enum Stage
{
    /// <summary>What is framed.</summary>
    House,

    /// <summary>What goes where.</summary>
    Boxes,

    /// <summary>What shares a breaker.</summary>
    Circuits,

    /// <summary>How it gets there.</summary>
    Runs,

    /// <summary>Where it lands.</summary>
    Panel,
}

/// <summary>What a tag or a selection points at.</summary>
/// <param name="Kind">room, box, circuit, run, panel.</param>
/// <param name="Id">Its stable id.</param>
public readonly record struct Subject(SubjectKind Kind, string Id)
{
    /// <summary>A box.</summary>
    public static Subject Box(BoxId id) => new(SubjectKind.Box, id.Value);

    /// <summary>A room.</summary>
    public static Subject Room(RoomId id) => new(SubjectKind.Room, id.Value);

    /// <summary>A circuit.</summary>
    public static Subject Circuit(CircuitKey key) => new(SubjectKind.Circuit, key.Value);

    /// <summary>A panel.</summary>
    public static Subject Panel(PanelId id) => new(SubjectKind.Panel, id.Value);

    /// <summary>A run of cable.</summary>
    public static Subject Run(string id) => new(SubjectKind.Run, id);

    /// <summary>An opening.</summary>
    public static Subject Opening(string id) => new(SubjectKind.Opening, id);

    /// <summary>A want.</summary>
    public static Subject Want(string id) => new(SubjectKind.Want, id);

    /// <summary>A level.</summary>
    public static Subject Level(LevelId id) => new(SubjectKind.Level, id.Value);

    /// <summary>A building.</summary>
    public static Subject Structure(StructureId id) => new(SubjectKind.Structure, id.Value);

    /// <summary>Stud bays kept for another trade.</summary>
    public static Subject Bays(string id) => new(SubjectKind.Bays, id);

    /// <summary>A spare chase.</summary>
    public static Subject Chase(string id) => new(SubjectKind.Chase, id);

    /// <summary>A wall of a room, by its number from 1.</summary>
    public static Subject Wall(RoomId room, int number) => new(SubjectKind.Wall, $"{room}.{number}");

    /// <summary>A fixture of a room, by its place in the room's list from 1.</summary>
    public static Subject Fixture(RoomId room, int number) => new(SubjectKind.Fixture, $"{room}.{number}");

    /// <summary>An obstruction of a level, by its place in the level's list from 1.</summary>
    public static Subject Obstruction(LevelId level, int number) => new(SubjectKind.Obstruction, $"{level}.{number}");

    /// <summary>For a subject told by its place in a list: what it belongs to and the place; null for others.</summary>
    public (string Of, int Number)? Numbered =>
        Id.LastIndexOf('.') is > 0 and var dot && int.TryParse(Id.AsSpan(dot + 1), System.Globalization.NumberStyles.None, System.Globalization.CultureInfo.InvariantCulture, out var number) ? (Id[..dot], number) : null;

    /// <summary>kind:id, as written in addresses.</summary>
    public override string ToString() => $"{Kind.ToString().ToLowerInvariant()}:{Id}";

    /// <summary>Reads kind:id; null when it is neither.</summary>
    public static Subject? TryParse(string? text)
    {
        var parts = text?.Split(':', 2) ?? [];
        return parts.Length == 2 && parts[0].All(char.IsAsciiLetter) && parts[1].Length is > 0 and <= 80 && Enum.TryParse<SubjectKind>(parts[0], ignoreCase: true, out var kind) && Enum.IsDefined(kind)
            ? new Subject(kind, parts[1])
            : null;
    }
}

/// <summary>Kinds of subject.</summary>
public enum SubjectKind
{
    /// <summary>A room.</summary>
    Room,

    /// <summary>A box.</summary>
    Box,

    /// <summary>A circuit.</summary>
    Circuit,

    /// <summary>A run of cable.</summary>
    Run,

    /// <summary>A panel.</summary>
    Panel,

    /// <summary>A wall of a room.</summary>
    Wall,

    /// <summary>An opening in a wall.</summary>
    Opening,

    /// <summary>A fixture.</summary>
    Fixture,

    /// <summary>An obstruction.</summary>
    Obstruction,

    /// <summary>A want.</summary>
    Want,

    /// <summary>A level.</summary>
    Level,

    /// <summary>A building.</summary>
    Structure,

    /// <summary>Stud bays kept for another trade.</summary>
    Bays,

    /// <summary>A spare chase.</summary>
    Chase,
}

/// <summary>A change to the job that would clear a tag, with the words on its button.</summary>
public sealed record Fix(string Label, JobChange Change);

/// <summary>What a check hangs on a subject.</summary>
/// <param name="Severity">Red, amber or hold.</param>
/// <param name="Stage">Where it is counted.</param>
/// <param name="Subject">What it hangs on.</param>
/// <param name="Cite">Rule of the book, or the house rule.</param>
/// <param name="Headline">What is wrong, one sentence.</param>
/// <param name="Arithmetic">The sum, and what to do.</param>
public sealed record Tag(Severity Severity, Stage Stage, Subject Subject, Citation Cite, string Headline, string Arithmetic)
{
    /// <summary>The citation as it is printed.</summary>
    public string Rule => Cite.Text;

    /// <summary>Changes that would clear it; may be empty.</summary>
    public ImmutableArray<Fix> Fixes { get; init; } = [];
}
