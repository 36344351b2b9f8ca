using System.Globalization;
using Circuitum.Core.Changes;
using Circuitum.Core.Conductors;
using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
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
    public IEnumerable<LoadSumView> Sums => new (string Name, LoadSum? Sum)[]
    {
        (Plan.Optional is null ? $"From the floor area ({Open.Plan.Book.Cite(RuleId.LeastService)})" : "Standard method, Part III",
            Plan.Standard),
            (Service.Existing ? $"Optional method, existing dwelling ({Open.Plan.Book.Cite(RuleId.ExistingDwelling)})"
                : $"Optional method ({Open.Plan.Book.Cite(RuleId.OptionalMethod)})", Plan.Optional),
            ($"By measured demand ({Open.Plan.Book.Cite(RuleId.MeasuredDemand)})", Plan.Measured),
    }.Where(s => s.Sum is not null)
        .Select(s => new LoadSumView(s.Name, s.Sum!, s.Sum == Plan.Chosen, s.Sum == Plan.Standard ? Neutral(s.Sum!, Open.Plan.Book)
            : null));

    /// <summary>The feeders, as they are sized.</summary>
    public IEnumerable<SizedCircuit> Feeders => Open.Plan.Circuits.Select(c => c.Sized).Where(s => s.Feeding is not null);

    /// <summary>The sums of a feeder side by side.</summary>
    public static IEnumerable<LoadSumView> SumsOf(FeederLoad feeder, CodeBook book)
    {
        yield return new(book.Demand.Basic is not null && feeder.List.Area.Value > 0
            ? $"From the floor area ({book.Cite(RuleId.LeastService)})" : feeder.Optional is null ? "All of it"
                : "Standard method, Part III", feeder.Standard,
            feeder.Chosen == feeder.Standard, Neutral(feeder.Standard, book));
        if (feeder.Optional is { } optional)
        {
            yield return new(feeder.CarriesDwelling ? $"Optional method ({book.Cite(RuleId.OptionalMethod)})"
                : "Optional method, for comparison", optional, feeder.Chosen == optional, null);
        }
    }

    private static string Neutral(LoadSum sum, CodeBook book) =>
        book.Demand.Basic is not null
        ? $"Neutral: {sum.NeutralCurrent.Value.ToString("0.0", CultureInfo.InvariantCulture)} A ({book.Cite(RuleId.NeutralLoad)})."
        : $"Neutral: {sum.NeutralCurrent.Value.ToString("0.0", CultureInfo.InvariantCulture)} A, range and dryer at 70 %, nothing of what "
        + $"has {book.Supply.Between} alone ({book.Cite(RuleId.NeutralLoad)}).";

    /// <summary>Sets the service.</summary>
    public Task<IActionResult> OnPostServiceAsync(ServiceFields fields, int from) =>
        ChangeAsync(from, () => Task.FromResult<JobChange>(new SetService(fields.Read())));

    /// <inheritdoc/>
    protected override Task ReadAsync() => Task.CompletedTask;
}
