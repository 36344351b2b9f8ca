using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Circuitum.Web.Tests;

/// <summary>One way in for every act: the job is opened once, saved by one statement, and answered in one wording.</summary>
public sealed class ActTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Fact] // is this still the newest; write it where it is
    public async Task An_edit_takes_two_trips_to_the_database()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "15\""));
        using var trips = new Trips(host.Database);
        var (status, _, _) = await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "16\""));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Collection(trips.Commands, first => Assert.StartsWith("SELECT", first, StringComparison.Ordinal),
            second => Assert.StartsWith("INSERT INTO Revisions", second, StringComparison.Ordinal));
    }

    [Fact]
    public async Task The_bench_and_the_pages_beside_it_say_the_same_of_who_came_first()
    {
        var visitor = await host.AtAsync("/job/demo/boxes");
        var other = await host.AtAsync("/job/demo/boxes");
        // Aims touch no box: each is a clash only with its own kind.
        (string, string)[] Aims(int feet) => [.. Core.Jobs.AimNumbers.All.Select(n => ($"aims.{n.Field}",
            n.Show(new() { Breaker = Core.Units.Length.FromFeet(feet) }))), ("from", "1")];
        await other.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "15\""));
        var (stage, there, _) = await visitor.PostAsync("/job/demo/boxes?handler=Height", ("box", "f-r2"), ("height", "16\""));
        await other.PostAsync("/job/demo/rules?handler=Aims", inPlace: false, Aims(20));
        var (page, beside, _) = await visitor.PostAsync("/job/demo/rules?handler=Aims", inPlace: false, Aims(40));
        Assert.Equal((HttpStatusCode.Conflict, HttpStatusCode.Conflict), (stage, page));
        Assert.All([there, beside],
            text => Assert.Contains("was first with revision", WebUtility.HtmlDecode(text), StringComparison.Ordinal));
    }

    // Commands that were sent to one database file.
    private sealed class Trips : IObserver<DiagnosticListener>, IObserver<KeyValuePair<string, object?>>, IDisposable
    {
        private readonly ConcurrentQueue<string> commands = new();
        private readonly List<IDisposable> listening = [];
        private readonly string database;

        public Trips(string database)
        {
            this.database = Path.GetFullPath(database);
            listening.Add(DiagnosticListener.AllListeners.Subscribe(this));
        }

        public IEnumerable<string> Commands => commands;

        public void Dispose() => listening.ForEach(l => l.Dispose());

        public void OnCompleted()
        {
        }

        public void OnError(Exception error)
        {
        }

        public void OnNext(DiagnosticListener value)
        {
            if (value.Name == "Microsoft.EntityFrameworkCore")
            {
                listening.Add(value.Subscribe(this));
            }
        }

        public void OnNext(KeyValuePair<string, object?> value)
        {
            // The watch for a lost log counts rows now and then, by itself and later: it is no part of an edit.
            if (value.Key == RelationalEventId.CommandExecuting.Name
                && value.Value is CommandEventData { Command: { Connection.DataSource: { } source } command }
                && Path.GetFullPath(source) == database && !command.CommandText.Contains("rowid", StringComparison.Ordinal))
            {
                commands.Enqueue(command.CommandText.TrimStart());
            }
        }
    }
}
