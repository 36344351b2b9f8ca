using Circuitum.Core;
using Circuitum.Core.House;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Wiring;

namespace Circuitum.Web.Bench;

/// <summary>What a change would do, or why it cannot be.</summary>
public sealed record EffectView(DivisionEffect? Effect, string? Refused);

/// <summary>What happens when somebody plugs in; the answer is null while nothing is chosen.</summary>
public sealed record PluggedView(Plan Plan, PlacedBox At, PlugIn? Answer, IReadOnlyList<Plugged> Plugged);

/// <summary>A chain of dimensions, as drawn and as typed.</summary>
/// <param name="Drawn">As the house is drawn; null where what was typed cannot be read.</param>
/// <param name="Check">Beside what was typed; null where nothing was.</param>
/// <param name="Refused">Why it cannot be read.</param>
public sealed record ChainView(DimensionChain? Drawn, ChainCheck? Check, string? Refused);
