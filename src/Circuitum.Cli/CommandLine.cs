using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Boards;
using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Lines;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Searches;
using Circuitum.Core.Units;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Formats;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;
using Circuitum.Formats.Offers;
using Circuitum.Formats.Pdf;
using Circuitum.Formats.Photographs;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Cli;

/// <summary>The same core without a browser. Exit codes: 0 done, 1 red tags (check), 2 wrong use, 3 a file that cannot be taken.</summary>
public static class CommandLine
{
    private const string Usage = """
        circuitum plan FILE -o DIR      plan a job; write schedule, pull list, tags, plan and a drawing of each level
        circuitum check FILE            print the tags; exit 1 when any is red
        circuitum convert FILE -o FILE  rewrite a job file in the usual form
        circuitum lay-out FILE -o FILE  place every box the rules ask for that is not there; write the job
        circuitum house FILE            print the house of a job as text, to be read back or compared
        circuitum draw TEXT -o FILE [BOOK]
                                        start a job with a house that is there as text, under the newest book unless told; write it
        circuitum divide FILE -o FILE [SECONDS]
                                        look for a better division of the circuits, 30 s unless told; write the job that follows it
        circuitum board LIST -o DIR     plan a metric board from a point list; write schedules, points and material; exit 1 when a tag
                                        is red
        circuitum schema                print the JSON Schema of a job file
        circuitum backup DATABASE -o FILE
                                        copy a server's job file whole, while it runs or not
        circuitum restore FILE -o DATABASE
                                        put a backup in an empty place, to be served from there
        circuitum archive DATABASE KEY -o FILE.zip
                                        everything of one job in open files: revisions, drawings, site, photographs, papers
        circuitum bring FILE.zip -o DATABASE
                                        bring a job in from its archive, as a job of its own
        circuitum people DATABASE       who has an account on a server that is shared
        circuitum recover DATABASE NAME
                                        a link to a new password for somebody, once, within a day

        An aid for planning. The adopted code and the local authority decide; licensed work where the law says so.
        """;

    /// <summary>Runs one command.</summary>
    public static int Run(IReadOnlyList<string> args, TextWriter output, TextWriter errors)
    {
        // What a command reads and says is in what its job is drawn in.
        using var written = Writing.In(Measure.Feet);
        try
        {
            return args switch
            {
                ["plan", var file, "-o", var folder] => Plan(Read(file), folder, output),
                ["check", var file] => Check(Read(file), output),
                ["convert", var file, "-o", var target] => Convert(Read(file), target, output),
                ["lay-out", var file, "-o", var target] => LayOutByRule(Read(file), target, output),
                ["house", var file] => Say(output, HouseText.Write(Read(file)).TrimEnd(), 0),
                ["draw", var text, "-o", var target] => Draw(text, Editions.Newest(RuleFamily.UnitedStates), target, output),
                ["draw", var text, "-o", var target, var book] => Draw(text, Editions.TryParse(book, out var edition) ? edition
                    : throw new FormatException($"“{book}” is no book: {Editions.Keys}."), target, output),
                ["divide", var file, "-o", var target] => Divide(Read(file), target, 30, output),
                ["divide", var file, "-o", var target, var seconds] when int.TryParse(seconds, NumberStyles.None,
                    CultureInfo.InvariantCulture, out var time) && time is >= 1 and <= 3600 => Divide(Read(file), target, time, output),
                ["board", var list, "-o", var folder] => Board(list, folder, output),
                ["backup", var database, "-o", var target] => Say(output, $"{target}: {Told(Backups.Write(database, target))}", 0),
                ["restore", var backup, "-o", var database] => Say(output, $"{database}: {Told(Backups.Restore(backup, database))}", 0),
                ["archive", var database, var key, "-o", var target] => Archive(database, key, target, output, errors),
                ["bring", var archive, "-o", var database] => Bring(archive, database, output),
                ["people", var database] => People(database, output),
                ["recover", var database, var name] => Recover(database, name, output, errors),
                ["schema"] => Say(output, JobSchema.Write().TrimEnd(), 0),
                ["help" or "--help" or "-h"] => Say(output, Usage, 0),
                _ => Say(errors, Usage, 2),
            };
        }
        catch (Exception e) when (e is JobFileException or PreparationException or FormatException)
        {
            return Say(errors, e.Message, 3);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return Say(errors, e.Message, 3);
        }
    }

    private static int Board(string list, string folder, TextWriter output) =>
        Boards(BoardPlanner.Plan(BoardText.Read(File.ReadAllText(list))), folder, output);

    private static int Boards(BoardPlan plan, string folder, TextWriter output)
    {
        Directory.CreateDirectory(folder);
        File.WriteAllBytes(Path.Combine(folder, "boards.pdf"), BoardPdf.Write(plan));
        File.WriteAllText(Path.Combine(folder, "board-schedule.csv"), BoardCsv.Schedule(plan));
        File.WriteAllText(Path.Combine(folder, "board-points.csv"), BoardCsv.Points(plan));
        File.WriteAllText(Path.Combine(folder, "board-material.csv"), BoardCsv.Material(plan));
        var red = Told(BoardChecks.Of(plan), output);
        return Say(output, $"{folder}: {plan.Boards.Length} board{(plan.Boards.Length == 1 ? "" : "s")}, {plan.Connected} connected",
            red ? 1 : 0);
    }

    // True where one of them is red.
    private static bool Told(IReadOnlyCollection<BoardTag> tags, TextWriter output)
    {
        foreach (var tag in tags)
        {
            output.WriteLine($"{tag.Severity.ToString().ToLowerInvariant()}: {tag.Where}: {tag.Headline} {tag.Arithmetic} ({tag.Cite})");
        }

        return tags.Any(t => t.Severity == Severity.Red);
    }

    private static BoardPlan BoardsOf(Plan plan) => PointsOfHouse.TooMany(plan) is { } problem ? throw new FormatException(problem)
        : PointsOfHouse.Boards(plan) ?? throw new FormatException($"Nothing is laid out in {plan.Job.Name} yet: its boards follow.");

    private static int Archive(string database, string key, string target, TextWriter output, TextWriter errors)
    {
        if (!File.Exists(database))
        {
            return Say(errors, $"There is no file {database}.", 3);
        }

        bool written;
        using (var to = new FileStream(target, FileMode.CreateNew))
        {
            written = JobArchives.WriteAsync(new OneDatabase(database), new(key), to).GetAwaiter().GetResult();
        }

        if (!written)
        {
            File.Delete(target);
            return Say(errors, $"{database} has no job {key}. The key stands in the address of a job: /job/KEY/house.", 3);
        }

        return Say(output, $"{target}: everything of {key}", 0);
    }

    private static int Bring(string archive, string database, TextWriter output)
    {
        using var from = File.OpenRead(archive);
        var databases = new OneDatabase(database);
        new JobRevisions(databases, TimeProvider.System).PrepareAsync().GetAwaiter().GetResult();
        var key = JobArchives.ReadAsync(databases, TimeProvider.System, from, d => JobFiles.Read(d),
            p => Photograph.Read(p) is var photograph ? (photograph.MediaType, photograph.Bytes) : default, o => OfferFiles.Read(o))
            .GetAwaiter().GetResult();
        return Say(output, $"{database}: brought in as /job/{key}/house", 0);
    }

    private static int People(string database, TextWriter output)
    {
        foreach (var listed in new Roster(Prepared(database), TimeProvider.System).ListAsync().GetAwaiter().GetResult())
        {
            output.WriteLine($"{listed.Name}, {listed.Role.ToString().ToLowerInvariant()}{(listed.IsHere ? "" : ", not here any more")}");
        }

        return 0;
    }

    private static int Recover(string database, string name, TextWriter output, TextWriter errors) =>
        new Roster(Prepared(database), TimeProvider.System).RecoverAsync(name).GetAwaiter().GetResult() is { } code
            ? Say(output, $"Within a day, once, at the server’s own address: /invitation/{code}", 0)
            : Say(errors, $"No link was made: nobody in {database} has the name {name}, or too many links are open. “circuitum people "
                + $"{database}” lists who has an account.", 3);

    private static OneDatabase Prepared(string database)
    {
        if (!File.Exists(database))
        {
            throw new FormatException($"There is no file {database}.");
        }

        var databases = new OneDatabase(database);
        new JobRevisions(databases, TimeProvider.System).PrepareAsync().GetAwaiter().GetResult();
        return databases;
    }

    // The one file that a command is about.
    private sealed class OneDatabase : IDbContextFactory<JobsDb>
    {
        private readonly DbContextOptions<JobsDb> options;

        public OneDatabase(string file)
        {
            var builder = new DbContextOptionsBuilder<JobsDb>();
            Databases.Use(builder, file);
            options = builder.Options;
        }

        public JobsDb CreateDbContext() => new(options);
    }

    private static int Plan(Job job, string folder, TextWriter output)
    {
        var plan = Planner.Plan(job);
        if (plan.Book.FeedsBoards)
        {
            return Boards(BoardsOf(plan), folder, output);
        }

        Directory.CreateDirectory(folder);
        foreach (var file in PlanFolder.Of(plan))
        {
            File.WriteAllBytes(Path.Combine(folder, file.Name), file.Write());
            output.WriteLine(Path.Combine(folder, file.Name));
        }

        output.WriteLine($"{plan.Circuits.Length} circuits, {plan.Footage.WholeFeetUp} ft of cable, {Count(plan, Severity.Red)} red, "
            + $"{Count(plan, Severity.Amber)} amber, {Count(plan, Severity.Hold)} on hold");
        return 0;
    }

    private static int Draw(string text, Edition book, string target, TextWriter output)
    {
        try
        {
            var job = StartFromText.Start(new() { Name = Printed.Cut(Path.GetFileName(text).Split('.')[0], 60), Edition = book },
                File.ReadAllText(text));
            File.WriteAllText(target, JobFiles.Write(job));
            return Say(output, $"{target}: {job.Rooms.Count()} rooms", 0);
        }
        catch (ChangeRefusedException refused)
        {
            throw new FormatException($"{text}: {refused.Message}", refused);
        }
    }

    private static int Check(Job job, TextWriter output)
    {
        var plan = Planner.Plan(job);
        foreach (var tag in plan.Tags)
        {
            output.WriteLine($"{tag.Severity.ToString().ToLowerInvariant(),-5}  {tag.Subject}  {tag.Rule}: {tag.Headline} "
                + $"{tag.Arithmetic}");
        }

        return (plan.Book.FeedsBoards && Told(BoardChecks.Of(BoardsOf(plan)), output)) || Count(plan, Severity.Red) > 0 ? 1 : 0;
    }

    private static int Convert(Job job, string target, TextWriter output)
    {
        File.WriteAllText(target, JobFiles.Write(job));
        output.WriteLine(target);
        return 0;
    }

    private static int LayOutByRule(Job job, string target, TextWriter output)
    {
        var outcome = LayOut.Everything.On(job);
        File.WriteAllText(target, JobFiles.Write(outcome.Job ?? job));
        output.WriteLine(outcome.Refusal ?? outcome.Phrase);
        return 0;
    }

    private static int Divide(Job job, string target, int seconds, TextWriter output)
    {
        const string Name = "Better division";
        if (CodeBook.For(job).FeedsBoards)
        {
            throw new FormatException(
                $"{job.Name} is planned by the {job.Edition.Family().Words()}: it has no circuits in cable to divide.");
        }

        using var time = new CancellationTokenSource(TimeSpan.FromSeconds(seconds));
        var found = Redivide.Find(job, Name, int.MaxValue / 2, stop: time.Token);
        foreach (var (what, amounts) in new[] { ("stands", found.Standing), ("found", found.Found) })
        {
            output.WriteLine($"{what,-7} {amounts.Weight.WholeFeetUp} ft by the aims: cable {amounts.Cable.WholeFeetUp} ft, "
                + $"{amounts.Breakers} breakers, darkness {amounts.Darkness:0.0} outlets, crowding {amounts.Crowding}, "
                + $"{amounts.Crossings} floors crossed, {amounts.RoomsLeft} rooms left, "
                + $"{amounts.Lone:0.#} lone outlets, {amounts.Broken} rules broken");
        }

        output.WriteLine(found.Bound is { } bound
            ? $"proven: none below {bound.WholeFeetUp} ft; the one found is at most {found.Gap} from the best"
            : "stopped before a bound was proven");
        File.WriteAllText(target, JobFiles.Write(new KeepDivision(found.Division, Follow: true).On(job).Job ?? job));
        output.WriteLine(target);
        return 0;
    }

    private static Job Read(string file)
    {
        using var stream = File.OpenRead(file);
        var job = JobFiles.Read(stream);
        job.TurnWriting();
        return job;
    }

    private static string Told(BackupContents held) =>
        $"{held.Jobs} jobs, {held.Revisions} revisions, {held.Drawings} drawings, {held.RuleSets} rule sets";

    private static int Count(Plan plan, Severity severity) => plan.Tags.Count(t => t.Severity == severity);

    private static int Say(TextWriter to, string text, int code)
    {
        to.WriteLine(text);
        return code;
    }
}
