using System.Diagnostics;
using Circuitum.Data;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Edge;

/// <summary>What was found when the program started, to be told on the job list.</summary>
public sealed class Standing
{
    /// <summary>What is wrong with the job file; null when nothing is.</summary>
    public string? Trouble { get; set; }
}

/// <summary>Starts the program a stage at a time, a line for what takes long, and ends with a sentence where it cannot.</summary>
public static class Starting
{
    // Exit code of a start that a person must do something about.
    private const int NotStarted = 1;

    /// <summary>Prepares the job file and serves until told to stop; the exit code.</summary>
    public static async Task<int> RunAsync(WebApplication app)
    {
        try
        {
            var since = Stopwatch.StartNew();
            var prepared = await app.Services.GetRequiredService<JobRevisions>().PrepareAsync(Say);
            if (prepared.Missing > 0)
            {
                var trouble = $"{prepared.Missing} saved revisions are missing from the job file. Its log (the file ending in -wal) was "
                    + $"lost, or the file was copied while a server was running. Stop the program and put both files, or a backup, in "
                    + $"place before going on.";
                app.Services.GetRequiredService<Standing>().Trouble = trouble;
                Say(trouble);
            }

            await app.Services.GetRequiredService<Demo>().LoadOnceAsync();
            if (since.Elapsed > TimeSpan.FromSeconds(2))
            {
                Say(string.Create(System.Globalization.CultureInfo.InvariantCulture,
                    $"the job file is ready after {since.Elapsed.TotalSeconds:0.0} s"));
            }

            await Sharing.ShareSetup.SayAsync(app.Services, Console.Out, !Console.IsOutputRedirected);
            app.Lifetime.ApplicationStopped.Register(() => Databases.Close(app.Configuration.JobFile()));
            await app.RunAsync();
            return 0;
        }
        catch (PreparationException e)
        {
            return End(e.Message);
        }
        catch (IOException e) when (e.InnerException is Microsoft.AspNetCore.Connections.AddressInUseException)
        {
            return End("The address is in use: another program, or another Circuitum, listens there. End it, or start with another PORT.");
        }
        catch (Exception e) when (StorageTrouble.Behind(e) is { } trouble)
        {
            return End(trouble.Sentence);
        }
    }

    private static void Say(string line) => Console.WriteLine($"Circuitum: {line}");

    /// <summary>Ends with a sentence; the exit code.</summary>
    public static int End(string sentence)
    {
        Console.Error.WriteLine($"Circuitum did not start. {sentence}");
        return NotStarted;
    }
}
