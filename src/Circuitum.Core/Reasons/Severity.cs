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
