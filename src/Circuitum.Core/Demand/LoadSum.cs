using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>One line of a load calculation.</summary>
/// <param name="Text">What is counted.</param>
/// <param name="Sum">Its arithmetic.</param>
/// <param name="Counted">What it adds.</param>
/// <param name="Cite">The section.</param>
/// <param name="Neutral">What it adds to the neutral (220.61).</param>
public sealed record LoadLine(string Text, string Sum, VoltAmps Counted, Citation Cite, VoltAmps Neutral)
{
    /// <summary>The citation as it is printed.</summary>
    public string Section => Cite.Text;
}

/// <summary>A load calculation, line by line.</summary>
/// <param name="Method">Which.</param>
/// <param name="Volts">Between the legs.</param>
/// <param name="Lines">In the order of the sum.</param>
public sealed record LoadSum(LoadMethod Method, Volts Volts, ImmutableArray<LoadLine> Lines)
{
    /// <summary>What the service is sized for.</summary>
    public VoltAmps Total => Lines.Select(l => l.Counted).Total();

    /// <summary>At the volts between the legs.</summary>
    public Amps Current => Total / Volts;

    /// <summary>What the neutral is sized for, 220.61, before the 70 per cent above 200 A.</summary>
    public Amps NeutralCurrent
    {
        get
        {
            var amps = (Lines.Select(l => l.Neutral).Total() / Volts).Value;
            return new(amps > 200 ? 200 + ((amps - 200) * .7m) : amps);
        }
    }
}
