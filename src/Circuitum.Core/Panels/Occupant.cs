using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Panels;

/// <summary>What stands in a space: a breaker of the plan, or one that stood there before. One of the two is null.</summary>
/// <param name="Landed">The circuit of the plan.</param>
/// <param name="Stood">What stood there.</param>
public sealed record Occupant(Landed? Landed, TakenSpace? Stood)
{
    /// <summary>What it takes.</summary>
    public IEnumerable<PanelSpace> Spaces => Landed?.Spaces ?? Stood!.Spaces;

    /// <summary>The upper space, or the half, that it takes.</summary>
    public PanelSpace Space => Spaces.First();

    /// <summary>1 or 2.</summary>
    public int Poles => Landed?.Poles ?? Stood!.Poles;

    /// <summary>What a stranger reads.</summary>
    public string Description => Landed?.Description ?? Stood!.Description;

    /// <summary>Its breaker.</summary>
    public Amps Rating => Landed?.Breaker ?? Stood!.Rating;
}
