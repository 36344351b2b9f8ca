using Circuitum.Core.Jobs;

namespace Circuitum.Core.Problems;

/// <summary>What is wrong with a service as it is written.</summary>
internal static class ServiceProblems
{
    public static IEnumerable<JobProblem> Find(Service service)
    {
        foreach (var (name, value, low, high) in new (string, decimal?, decimal, decimal)[]
        {
            ("service.future", service.Future.Value, 0, 100_000),
            ("service.heatingControls", service.HeatingControls, 1, 60),
            ("service.measuredPeak", service.MeasuredPeak?.Value, 10, 400),
            ("service.existingArea", service.ExistingArea.Value, 0, 20_000),
            ("service.rods", service.Rods, 0, 6),
            ("service.inlet", service.Inlet?.Value, 15, 100),
        })
        {
            if (value < low || value > high)
            {
                yield return new(name, $"must lie from {low} to {high}; it is {value:0.##}");
            }
        }
    }
}
