using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Edge;
using Circuitum.Web.Live;
using Circuitum.Web.Files;
using Circuitum.Web.Meter;
using Circuitum.Web.QuickSums;
using Circuitum.Web.Sharing;
using Circuitum.Web.Site;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

Demo.Begin();
var builder = WebApplication.CreateBuilder(args);
// Styles, scripts and fonts are served, compressed, from the build itself.
builder.WebHost.UseStaticWebAssets();
builder.Services.AddRazorPages(pages => pages.Conventions.AddPageRoute("/Find", Gate.Door));
builder.Services.Configure<MvcOptions>(options =>
{
    options.ModelBinderProviders.Insert(0, new TypedTextProvider());
    options.Filters.Add<WhatWasSent>();
});
// No page has a secret that stays the same beside what was sent to it: what is compressed tells nothing.
builder.Services.AddResponseCompression(options => options.EnableForHttps = true);
builder.Services.AddHttpContextAccessor();
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddDbContextFactory<JobsDb>(options => Databases.Use(options, builder.Configuration.JobFile()));
builder.Services.AddSingleton<JobRevisions>();
builder.Services.AddSingleton<Demo>();
builder.Services.AddSingleton<Planning>();
builder.Services.AddSingleton<KeptPlans>();
builder.Services.AddSingleton<Workbench>();
builder.Services.AddSingleton<SentBenches>();
builder.Services.AddSingleton<DistanceMeter>();
builder.Services.AddSingleton<RuleSets>();
builder.Services.AddSingleton<Looks>();
builder.Services.AddSingleton<SiteEntries>();
builder.Services.AddSingleton<Photographs>();
builder.Services.AddSingleton<Sheets>();
builder.Services.AddSingleton<Offers>();
builder.Services.AddSingleton<KeptBoards>();
builder.Services.AddSingleton<PracticeRecord>();
builder.Services.AddSingleton<Milestones>();
builder.Services.AddSingleton<TouchedParts>();
builder.Services.AddSingleton<Drawings>();
builder.Services.AddSingleton<CrewRules>();
builder.Services.AddSingleton<DivisionSearches>();
builder.Services.AddSingleton<Standing>();
builder.Services.AddSingleton<LiveJobs>();
builder.Services.AddSingleton<Figures>();
builder.Services.AddSingleton<HealthReport>();
builder.Services.AddHostedService<Housekeeping>();
builder.Services.AddSingleton<BackupSchedule>();
builder.Services.AddHostedService(services => services.GetRequiredService<BackupSchedule>());

builder.Services.Configure<FormOptions>(options =>
{
    options.ValueCountLimit = 2000;
    options.KeyLengthLimit = 200;
    options.ValueLengthLimit = 64 * 1024;
    options.MultipartBodyLengthLimit = Doorway.LargestUpload;
    // A file is held in memory, a few at once (see Doorway): nothing of it is left on the disk when the program is killed.
    options.MemoryBufferThreshold = (int)Doorway.LargestUpload;
});
builder.WebHost.ConfigureKestrel(options =>
{
    options.AddServerHeader = false;
    options.Limits.MaxRequestBodySize = Doorway.LargestUpload;
    options.Limits.MaxConcurrentConnections = 1000;
});

Shared shared;
try
{
    shared = builder.AddSharing();
    builder.AddLogs(builder.Configuration["Logs"] is { Length: > 0 } logs ? logs : shared.Logs);
}
catch (PreparationException e)
{
    return Starting.End(e.Message);
}

var app = builder.Build();
app.UseResponseCompression();
var figures = app.Services.GetRequiredService<Figures>();
app.Use((context, next) => figures.MeasureAsync(context, () => next(context)));
app.UseMiddleware<Guard>();
app.UseSharing(shared);
app.UseMiddleware<Doorway>();
app.UseMiddleware<Drawn>();
app.MapStaticAssets();
app.MapPlanFiles();
app.MapMeter();
app.MapQuickSums();
app.MapSite();
app.MapLive();
HealthReport.MapHealth(app);
app.MapRazorPages();

return await Starting.RunAsync(app);

/// <summary>The entry point, named for the tests.</summary>
public partial class Program;
