using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;

namespace Circuitum.Web.Bench;

/// <summary>What landing a breaker on another space would do.</summary>
/// <param name="Move">The move; null when it cannot be.</param>
/// <param name="Before">The plan as it stands.</param>
/// <param name="After">The plan afterwards.</param>
/// <param name="Refused">Why it cannot be.</param>
public sealed record LandView(MoveBreaker? Move, Plan Before, Plan? After, string? Refused);
