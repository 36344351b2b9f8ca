using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>A level as typed.</summary>
public sealed record LevelFields
{
    /// <summary>Its id.</summary>
    public string Level { get; init; } = "";

    /// <summary>Name.</summary>
    public string? Name { get; init; }

    /// <summary>Floor to ceiling.</summary>
    public string CeilingHeight { get; init; } = "";

    /// <summary>Direction of the ceiling's joists.</summary>
    public string Run { get; init; } = "";

    /// <summary>What they are; sawn where it is left out.</summary>
    public string? Kind { get; init; }

    /// <summary>Their spacing.</summary>
    public string Spacing { get; init; } = "";

    /// <summary>Their depth.</summary>
    public string JoistDepth { get; init; } = "";

    /// <summary>Direction of the floor's joists; empty on a slab.</summary>
    public string? FloorRun { get; init; }

    /// <summary>What they are; sawn where it is left out.</summary>
    public string? FloorKind { get; init; }

    /// <summary>Their spacing.</summary>
    public string? FloorSpacing { get; init; }

    /// <summary>Their depth.</summary>
    public string? FloorDepth { get; init; }

    /// <summary>An attic is above.</summary>
    public bool Attic { get; init; }

    /// <summary>Ambient above.</summary>
    public string Above { get; init; } = "";

    /// <summary>Ambient below.</summary>
    public string? Below { get; init; }

    /// <summary>Below grade: yes, no, or empty where its rooms say it.</summary>
    public string? Basement { get; init; }

    /// <summary>Its unfinished rooms can never be finished.</summary>
    public bool NeverFinished { get; init; }

    /// <summary>The way cable takes on it; empty for the crew's own.</summary>
    public string? Way { get; init; }

    /// <summary>The change.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public JobChange Read(Job job) =>
        new SetLevel(new(Level), Name ?? "", Length.Parse(CeilingHeight),
            new(Entry.Choice<JoistRun>(Run), Length.Parse(Spacing), Length.Parse(JoistDepth)) { Kind = Entry.Choice(Kind, JoistKind.Sawn) },
            string.IsNullOrEmpty(FloorRun) ? null
            : new(Entry.Choice<JoistRun>(FloorRun), Length.Parse(FloorSpacing ?? ""), Length.Parse(FloorDepth ?? ""))
            { Kind = Entry.Choice(FloorKind, JoistKind.Sawn) }, Attic,
            Entry.Celsius(Above), string.IsNullOrWhiteSpace(Below) ? new(30) : Entry.Celsius(Below))
        {
            Basement = Basement switch { "true" => true, "false" => false, _ => null },
            NeverFinished = NeverFinished,
            Way = string.IsNullOrEmpty(Way) ? null : Entry.Choice<CableWay>(Way),
        };
}
