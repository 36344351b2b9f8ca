namespace Circuitum.Core.Jobs;

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

    /// <summary>An outlet of low voltage.</summary>
    LowVoltage,

    /// <summary>A place that low voltage goes home to.</summary>
    LowVoltageHome,

    /// <summary>A trench between two buildings.</summary>
    Trench,

    /// <summary>A pipe.</summary>
    Pipe,

    /// <summary>A reel of cable in the van.</summary>
    Reel,
}
