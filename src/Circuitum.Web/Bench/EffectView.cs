using Circuitum.Core;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Wiring;

namespace Circuitum.Web.Bench;

/// <summary>What a change would do, or why it cannot be.</summary>
public sealed record EffectView(DivisionEffect? Effect, string? Refused);

/// <summary>What happens when somebody plugs in; the answer is null while nothing is chosen.</summary>
public sealed record PluggedView(Plan Plan, PlacedBox At, PlugIn? Answer, IReadOnlyList<Plugged> Plugged);
