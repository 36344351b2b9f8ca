using Circuitum.Data;
using Serilog;
using Serilog.Core;
using Serilog.Events;
using Serilog.Extensions.Logging;
using Serilog.Formatting.Compact;

namespace Circuitum.Web.Edge;

/// <summary>What the server writes down of itself: for a crew’s server, or where LOGS names a folder, in files by the day, one record a
/// line. No address with a code in it, no password and no key of a session is in any of them.</summary>
public static class Logs
{
    /// <summary>Days that are kept.</summary>
    public const int Days = 14;

    private const long LargestFile = 10 * 1024 * 1024;

    // Parts of an address after these open something.
    private static readonly string[] Secret = ["/invitation/", "/guest/", "/door/"];

    /// <summary>Adds them.</summary>
    public static void AddLogs(this WebApplicationBuilder builder, string? folder)
    {
        // The framework writes whole addresses at the level below.
        builder.Logging.AddFilter("Microsoft.AspNetCore", LogLevel.Warning);
        builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.Warning);
        // Keys of forms are kept beside the job file, for its owner alone.
        builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
        if (folder is null)
        {
            return;
        }

        try
        {
            Directory.CreateDirectory(folder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PreparationException(
                $"The folder of the logs, {Path.GetFullPath(folder)}, cannot be made ({e.Message.TrimEnd('.')}). Name another with LOGS.",
                e);
        }

        var log = new LoggerConfiguration().MinimumLevel.Is(LogEventLevel.Information).Enrich.FromLogContext().Enrich.With<Masked>()
            .WriteTo.File(new CompactJsonFormatter(), Path.Combine(folder, "circuitum-.log"), rollingInterval: RollingInterval.Day,
                retainedFileCountLimit: Days, fileSizeLimitBytes: LargestFile, rollOnFileSizeLimit: true, shared: false)
            .CreateLogger();
        builder.Logging.AddSerilog(log, dispose: true);
        builder.Logging.AddFilter<SerilogLoggerProvider>("Circuitum", LogLevel.Information);
        builder.Logging.AddFilter<SerilogLoggerProvider>("Microsoft", LogLevel.Warning);
        builder.Logging.AddFilter<SerilogLoggerProvider>("Microsoft.Hosting.Lifetime", LogLevel.Information);
        builder.Logging.AddFilter<SerilogLoggerProvider>("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
    }

    /// <summary>An address as it may stand in a log.</summary>
    public static string Shown(PathString path) => Shown(path.Value ?? "");

    private static string Shown(string text)
    {
        foreach (var before in Secret)
        {
            if (text.StartsWith(before, StringComparison.OrdinalIgnoreCase))
            {
                return before + "…";
            }
        }

        return text;
    }

    // The framework gives each record the address that was asked for.
    private sealed class Masked : ILogEventEnricher
    {
        private const string Property = "RequestPath";

        public void Enrich(LogEvent logEvent, ILogEventPropertyFactory propertyFactory)
        {
            if (logEvent.Properties.TryGetValue(Property, out var value) && value is ScalarValue { Value: string path })
            {
                logEvent.AddOrUpdateProperty(propertyFactory.CreateProperty(Property, Shown(path)));
            }
        }
    }
}
