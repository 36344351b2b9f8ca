namespace Circuitum.Core.Jobs;

/// <summary>What covers something else, so that it has to be right before; in the order in which they
/// come.</summary>
public enum Closing
{
    /// <summary>A slab is poured.</summary>
    Pour,

    /// <summary>A trench is filled.</summary>
    Trench,

    /// <summary>Insulation and board go on.</summary>
    Walls,

    /// <summary>Devices and plates are on, and the house is switched on.</summary>
    Trim,
}

/// <summary>The day on which something is covered.</summary>
/// <param name="Closing">What covers it.</param>
/// <param name="Day">The day it is to be, by the calendar of the site.</param>
public sealed record ClosingDay(Closing Closing, DateOnly Day);

/// <summary>A line of the walk that a crew looks at beside what the plan asks for, from job to job.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Closing">Before what.</param>
/// <param name="Text">What must be so, 1 to 120 characters.</param>
public sealed record CrewLine(Id<CrewLine> Id, Closing Closing, string Text)
{
    /// <summary>It is looked at in every room; otherwise once for the whole house.</summary>
    public bool InEveryRoom { get; init; }
}
