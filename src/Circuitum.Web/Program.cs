using Circuitum.Data;
using Circuitum.Web.Bench;
using Circuitum.Web.Files;
using Circuitum.Web.Meter;
using Circuitum.Web.QuickSums;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.EntityFrameworkCore;

var builder = WebApplication.CreateBuilder(args);
// Styles, scripts and fonts are served, compressed, from the build itself.
builder.WebHost.UseStaticWebAssets();
builder.Services.AddRazorPages();
builder.Services.AddResponseCompression();
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddDbContextFactory<JobsDb>(options => options.UseSqlite($"Data Source={builder.Configuration["Database"] ?? "circuitum.db"}"));
builder.Services.AddSingleton<JobRevisions>();
builder.Services.AddSingleton<Demo>();
builder.Services.AddSingleton<Workbench>();
builder.Services.AddSingleton<DistanceMeter>();
builder.Services.AddSingleton<RuleSets>();
builder.Services.AddSingleton<Sheets>();
builder.Services.AddSingleton<Drawings>();
builder.Services.AddSingleton<CrewRules>();
builder.Services.AddSingleton<DivisionSearches>();

// A job file is at most 5 MB; what is larger is read far enough to be told so, and no farther.
builder.Services.Configure<FormOptions>(options => options.MultipartBodyLengthLimit = 64 * 1024 * 1024);
builder.WebHost.ConfigureKestrel(options => options.Limits.MaxRequestBodySize = 64 * 1024 * 1024);

var app = builder.Build();
app.UseResponseCompression();
app.UseExceptionHandler("/problem/500");
app.UseStatusCodePagesWithReExecute("/problem/{0}");
app.Use((context, next) =>
{
    context.Response.Headers.ContentSecurityPolicy = "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";
    context.Response.Headers.XContentTypeOptions = "nosniff";
    context.Response.Headers["Referrer-Policy"] = "same-origin";
    return next(context);
});
app.MapStaticAssets();
app.MapPlanFiles();
app.MapMeter();
app.MapQuickSums();
app.MapRazorPages();

await app.Services.GetRequiredService<JobRevisions>().PrepareAsync();
await app.Services.GetRequiredService<Demo>().LoadOnceAsync();
app.Run();

/// <summary>The entry point, named for the tests.</summary>
public partial class Program;
