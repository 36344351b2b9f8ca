using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Files;
using Circuitum.Web.Sharing;

namespace Circuitum.Web.Edge;

/// <summary>Whatever is asked of a job is answered as its book has it. What its house is drawn in is what a form sends, and what is said;
/// where its points go to boards in conduit, the pages of circuits in cable are not there, and lead to the boards.</summary>
public sealed class Drawn(RequestDelegate next, Workbench bench)
{
    // Pages of a house whose points go to boards.
    private static readonly HashSet<string> OfBoards = new(StringComparer.OrdinalIgnoreCase)
    {
        "job/{key}/house", "job/{key}/boxes", "job/{key}/metric", "job/{key}/metric/site", "job/{key}/history", "job/{key}/share",
        "job/{key}/events", "job/{key}/rules",
        "job/{key}/metric/photographs", "job/{key}/site/entries", "job/{key}/site/photographs",
        "job/{key}/site/photographs/{fingerprint}",
    };

    // Its files: the job and the house, as anybody can read them.
    private static readonly HashSet<string> Files = new(StringComparer.OrdinalIgnoreCase)
    {
        PlanFileEndpoints.JobFile, PlanFileEndpoints.WholeJob, PlanFileEndpoints.HouseText,
    };

    /// <summary>Answers one request.</summary>
    public async Task InvokeAsync(HttpContext context)
    {
        if (context.GetRouteValue("key") is not string key || Gate.PatternOf(context) is not { } pattern
            || !pattern.StartsWith("job/{key}/", StringComparison.OrdinalIgnoreCase) || await GlanceAsync(key) is not { } plan)
        {
            using var unsaid = Writing.In(Measure.Feet);
            await next(context);
            return;
        }

        var job = plan.Job;
        using var written = job.AsWritten();
        if (!plan.Book.FeedsBoards || OfBoards.Contains(pattern)
            || (context.GetRouteValue("name") is string name && Files.Contains(name)))
        {
            await next(context);
        }
        else if (HttpMethods.IsGet(context.Request.Method) && !pattern.Contains("{name}", StringComparison.Ordinal))
        {
            context.Response.Redirect(pattern == "job/{key}/site" ? $"/job/{key}/metric/site" : $"/job/{key}/metric");
        }
        else
        {
            await Guard.AnswerAsync(context, StatusCodes.Status404NotFound,
                $"{job.Name} is planned by the {job.Edition.Family().Words()}: its points go to boards, at /job/{key}/metric, and "
                + "it has no circuits in cable.");
        }
    }

    // Of a job that cannot be opened the files can be fetched all the same, and its pages say what is wrong with it.
    private async Task<Plan?> GlanceAsync(string key)
    {
        try
        {
            return await bench.GlanceAsync(new(key));
        }
        catch (SpoiledJobException)
        {
            return null;
        }
    }
}
