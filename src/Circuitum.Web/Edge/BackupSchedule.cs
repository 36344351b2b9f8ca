using Circuitum.Data;

namespace Circuitum.Web.Edge;

/// <summary>Writes a backup every day to the folder that was named with BACKUPS, while the program runs; what cannot be written is tried
/// again within the hour.</summary>
public sealed partial class BackupSchedule(IConfiguration settings, TimeProvider clock, ILogger<BackupSchedule> log) : BackgroundService
{
    private static readonly TimeSpan Round = TimeSpan.FromHours(1);
    private static readonly TimeSpan Settled = TimeSpan.FromSeconds(20);

    /// <summary>The folder; null where none was named.</summary>
    public string? Folder { get; } = settings["Backups"] is { Length: > 0 } folder ? Path.GetFullPath(folder) : null;

    /// <summary>Why the last could not be written; null where it could.</summary>
    public string? Trouble { get; private set; }

    /// <summary>The day of the newest backup; null while there is none.</summary>
    public DateOnly? Newest => Folder is null ? null : BackupRotation.Of(Folder).Select(b => (DateOnly?)b.Day).FirstOrDefault();

    /// <summary>Makes the backup of this day where it is due.</summary>
    public void Make()
    {
        if (Folder is null)
        {
            return;
        }

        try
        {
            if (BackupRotation.Make(settings.JobFile(), Folder, DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime))
                is { } contents)
            {
                Written(Folder, contents.Jobs, contents.Revisions);
            }

            Trouble = null;
        }
        catch (PreparationException e)
        {
            Trouble = e.Message;
            NotWritten(e, e.Message);
        }
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        try
        {
            // The first page goes before the first backup.
            await Task.Delay(Settled, clock, stoppingToken);
            using var timer = new PeriodicTimer(Round, clock);
            do
            {
                Make();
            }
            while (await timer.WaitForNextTickAsync(stoppingToken));
        }
        catch (OperationCanceledException)
        {
            // The program ends.
        }
    }

    [LoggerMessage(LogLevel.Information, "Backup written to {Folder}: {Jobs} jobs, {Revisions} revisions")]
    private partial void Written(string folder, int jobs, int revisions);

    [LoggerMessage(LogLevel.Error, "{Why}")]
    private partial void NotWritten(Exception exception, string why);
}
