namespace Circuitum.Core.Jobs;

/// <summary>Stable id of a box.</summary>
public readonly record struct BoxId(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a room.</summary>
public readonly record struct RoomId(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a level of a structure.</summary>
public readonly record struct LevelId(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a building.</summary>
public readonly record struct StructureId(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a panel.</summary>
public readonly record struct PanelId(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>A circuit's key, made from the room or box it serves, so that pins keep their meaning when the plan is made again.</summary>
public readonly record struct CircuitKey(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}
