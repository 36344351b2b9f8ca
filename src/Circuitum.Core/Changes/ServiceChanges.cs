using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>Sets what people decide about the service.</summary>
public sealed record SetService(Service Service) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        phrase = "Change the service";
        return job with { Service = Service };
    }
}
