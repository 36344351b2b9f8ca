using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rulings;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Data;
using Circuitum.Formats;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Drawings;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Svg;
using Circuitum.Web.Bench;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Web.Files;

/// <summary>Files that leave the program: the job, its plan and lists, and the drawing's style sheet.</summary>
public static class PlanFileEndpoints
{
    /// <summary>Everything of a job, among its files.</summary>
    public const string WholeJob = "whole-job.zip";

    /// <summary>The job, as it was saved.</summary>
    public const string JobFile = "job.circuitum.json";

    /// <summary>A page of labels for the runs that are pulled next.</summary>
    public const string NextLabels = "next-labels.pdf";

    /// <summary>The house as text, to be read back or compared.</summary>
    public const string HouseText = "house.txt";

    private static readonly string[] Read = ["GET", "HEAD"];

    /// <summary>Maps them.</summary>
    public static void MapPlanFiles(this IEndpointRouteBuilder app)
    {
        // In a layer of its own, below the page's: see the order at the top of site.css.
        app.MapGet("/css/plan.css", (HttpContext context) =>
        {
            context.Response.Headers.CacheControl = "public, max-age=300";
            return Results.Text($"@layer drawing {{\n{DrawingStyle.Sheet}\n{DrawingStyle.MakeUp}\n}}", "text/css; charset=utf-8");
        });
        app.MapMethods("/job/{key}/file/{name}", Read, SendAsync);
        app.MapMethods("/drawing/{name}.svg", Read, DrawAsync);
        app.MapMethods("/job/{key}/ruling/{topic}.pdf", Read, RuleAsync);
    }

    // Found by what is in it, so what was once seen never changes.
    private static async Task<IResult> DrawAsync(string name, Drawings drawings, HttpContext context)
    {
        if (await drawings.FindAsync(name) is not { } kept)
        {
            return Results.NotFound();
        }

        context.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.Text(DrawingFiles.Svg(DrawingFiles.Open(kept)), "image/svg+xml");
    }

    private static async Task<IResult> SendAsync(string key, string name, Workbench bench, JobRevisions revisions,
        Photographs photographs, Offers offers, IDbContextFactory<JobsDb> databases, TimeProvider time,
        PullManner? order)
    {
        // As it was saved, planned or not: a job can always be got out.
        if (name == JobFile)
        {
            var job = new JobKey(key);
            return await revisions.DocumentAsync(job, await revisions.NewestAsync(job)) is { } document
                ? Results.Bytes(System.Text.Encoding.UTF8.GetBytes(document), TypeOf(name), $"{job}.circuitum.json") : Results.NotFound();
        }

        // Everything there is of it, planned or not.
        if (name == WholeJob)
        {
            var to = Passing.File();
            if (await JobArchives.WriteAsync(databases, new(key), to))
            {
                to.Position = 0;
                return Results.Stream(to, TypeOf(name), $"{key} {WholeJob}");
            }

            await to.DisposeAsync();
            return Results.NotFound();
        }

        if (await bench.OpenAsync(new JobKey(key)) is not { } open)
        {
            return Results.NotFound();
        }

        if (name == "site.csv")
        {
            return Results.Text(CsvFiles.Site(open.Site), TypeOf(name));
        }

        if (name == NextLabels)
        {
            var next = PullOrder.Next(open.Plan, open.Site, order ?? default, LabelPdf.PerPage / 2);
            return Results.Bytes(LabelPdf.Write(open.Plan, [.. Labels.Of(open.Plan, next)], "labels of what is pulled next"), TypeOf(name));
        }

        var today = DateOnly.FromDateTime(time.GetLocalNow().DateTime);
        if (name == AsBuilt.Name)
        {
            return Results.Stream(await AsBuilt.WriteAsync(open, photographs, offers, today), TypeOf(name), $"{open.Key} {AsBuilt.Name}");
        }

        if (name == AsBuilt.Pdf)
        {
            return Results.Bytes(await AsBuilt.BookAsync(open, photographs, offers, today), TypeOf(name));
        }

        // What is looked at opens in the browser; lists are kept.
        return PlanFolder.Of(open.Plan).FirstOrDefault(f => f.Name == name) is not { } file ? Results.NotFound()
            : Path.GetExtension(name) is ".pdf" or ".svg" ? Results.Bytes(file.Write(), TypeOf(name))
            : Results.Bytes(file.Write(), TypeOf(name), name == HouseText ? $"{open.Key}.{name}" : file.Name);
    }

    // On a topic of a circuit, or on the tag that hangs on a subject by a rule.
    private static async Task<IResult> RuleAsync(string key, string topic, string? on, string? rule, Workbench bench)
    {
        if (await bench.OpenAsync(new JobKey(key)) is not { Plan: var plan } || Subject.TryParse(on) is not { } subject)
        {
            return Results.NotFound();
        }

        if (topic == "tag")
        {
            return plan.Tags.FirstOrDefault(t => t.Subject == subject && t.Cite.Key == rule) is { } tag
                ? Results.Bytes(RulingPdf.Write(plan, TagRulings.On(plan, tag)), "application/pdf") : Results.NotFound();
        }

        return subject.Kind == SubjectKind.Circuit && plan.Landed(new(subject.Id)) is { } landed && CircuitRulings.Topics(landed)
            .Cast<RulingTopic?>().FirstOrDefault(t => AddressOf(t!.Value) == topic) is { } asked
            ? Results.Bytes(RulingPdf.Write(plan, CircuitRulings.On(plan, landed, asked)), "application/pdf")
            : Results.NotFound();
    }

    /// <summary>half-rating, shared-baths: a topic as it stands in an address.</summary>
    public static string AddressOf(RulingTopic topic) => Words.Of(topic).Replace(' ', '-');

    private static string TypeOf(string name) => Path.GetExtension(name) switch
    {
        ".csv" => "text/csv; charset=utf-8",
        ".txt" => "text/plain; charset=utf-8",
        ".xlsx" => "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
        ".pdf" => "application/pdf",
        ".svg" => "image/svg+xml",
        ".dxf" => "image/vnd.dxf",
        ".zip" => "application/zip",
        _ => "application/json",
    };
}
