namespace Circuitum.Core.Reasons;

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
