using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Mvc;

namespace Circuitum.Web.Pages;

/// <summary>The service: both methods side by side, line by line, and what it needs.</summary>
public sealed class LoadModel(Workbench bench) : JobPage(bench)
{
    /// <summary>The service as planned.</summary>
    public ServicePlan Plan => Open.Plan.Service;

    /// <summary>What people decide about it.</summary>
    public Service Service => Open.Plan.Job.Service;

    /// <summary>The sums shown side by side.</summary>
    public IEnumerable<(string Name, LoadSum Sum)> Sums => new (string, LoadSum?)[]
    {
        ("Standard method, Part III", Plan.Standard), (Service.Existing ? "Optional method, existing dwelling (220.83)" : "Optional method (220.82)", Plan.Optional), ("By measured demand (220.87)", Plan.Measured),
    }.Where(s => s.Item2 is not null).Select(s => (s.Item1, s.Item2!));

    /// <summary>Sets the service.</summary>
    public Task<IActionResult> OnPostServiceAsync(ServiceFields fields, int from) => ChangeAsync(from, () => Task.FromResult<JobChange>(new SetService(fields.Read())));

    /// <inheritdoc/>
    protected override Task ReadAsync() => Task.CompletedTask;
}
