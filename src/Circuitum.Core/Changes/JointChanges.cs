using Circuitum.Core.Jobs;

namespace Circuitum.Core.Changes;

/// <summary>Sets a box for nothing but joints and holds it on a circuit, so that its cable passes there and goes on as another.</summary>
/// <param name="Box">The box.</param>
/// <param name="Circuit">The circuit.</param>
public sealed record AddJoint(Box Box, CircuitKey Circuit) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Box(Box.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        FreePlace.For(job, Box);
        phrase = $"Join the cable of {Circuit.Words} in {Called(job, Box)}";
        return job with { Boxes = job.Boxes.Add(Box), Pins = job.Pins with { Boxes = job.Pins.Boxes.Add(new(Box.Id, Circuit)) } };
    }
}
