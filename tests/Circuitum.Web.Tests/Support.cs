using System.Net;
using System.Net.Http.Headers;
using System.Text.RegularExpressions;
using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Formats.JobFile;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;

namespace Circuitum.Web.Tests;

/// <summary>The application over a database of its own.</summary>
public sealed class BenchHost : WebApplicationFactory<Program>
{
    private readonly string folder = Directory.CreateTempSubdirectory("circuitum-test-").FullName;

    public string Database => Path.Combine(folder, "jobs.db");

    /// <summary>What else it is started with.</summary>
    public IReadOnlyList<(string Name, string Value)> Settings { get; init; } = [];

    public JobRevisions Revisions => Services.GetRequiredService<JobRevisions>();

    /// <summary>A job, the first demo unless another is named, as its newest revision has it.</summary>
    public async Task<Job> NewestAsync(string key = "demo")
    {
        var all = await Revisions.OfAsync(new(key));
        return JobFiles.Read((await Revisions.DocumentAsync(new(key), all[^1].Number))!);
    }

    /// <summary>A visitor who looks at an address.</summary>
    public async Task<Visitor> AtAsync(string address)
    {
        var visitor = Visit();
        await visitor.GetAsync(address);
        return visitor;
    }

    public Visitor Visit() => new(CreateClient(new() { AllowAutoRedirect = false, BaseAddress = new(Settled) }));

    // Whoever signs in does it by HTTPS: the cookies go no other way.
    private string Settled => Settings.Any(s => s.Name == "Share") ? "https://localhost" : "http://localhost";

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("Database", Database).UseSetting("Logging:LogLevel:Default", "Warning");
        foreach (var (name, value) in Settings)
        {
            builder.UseSetting(name, value);
        }
    }

    // The first host of a process prepares its file as a server does; the others begin with a copy of what that one had then. Starts from
    // nothing, and from old files, have tests of their own.
    protected override IHost CreateHost(IHostBuilder builder)
    {
        if (File.Exists(Database))
        {
            return base.CreateHost(builder);
        }

        lock (Begun)
        {
            if (!File.Exists(Begun.Path))
            {
                // What a setting adds at the start is not for the others.
                if (Settings.Count > 0)
                {
                    return base.CreateHost(builder);
                }

                var first = base.CreateHost(builder);
                using var prepared = new SqliteConnection($"Data Source={Database};Pooling=False");
                prepared.Open();
                using var copy = prepared.CreateCommand();
                copy.CommandText = $"VACUUM INTO '{Begun.Path}'";
                copy.ExecuteNonQuery();
                return first;
            }
        }

        File.Copy(Begun.Path, Database);
        return base.CreateHost(builder);
    }

    private sealed class Beginning
    {
        public Beginning() => AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);

        private readonly string folder = Directory.CreateTempSubdirectory("circuitum-begun-").FullName;

        public string Path => System.IO.Path.Combine(folder, "jobs.db");
    }

    private static readonly Beginning Begun = new();

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        try
        {
            Directory.Delete(folder, recursive: true);
        }
        catch (IOException)
        {
            // A search that still runs may write its journal beside the file that is taken away; a folder left in the temporary place harms
            // nobody.
        }
    }
}

/// <summary>Hosts of tests watch no files: one machine gives few watchers, and a suite starts hundreds of hosts.</summary>
internal static class NoWatchers
{
    [System.Runtime.CompilerServices.ModuleInitializer]
    internal static void SetUp()
    {
        Environment.SetEnvironmentVariable("DOTNET_USE_POLLING_FILE_WATCHER", "true");
        Environment.SetEnvironmentVariable("DOTNET_hostBuilder__reloadConfigOnChange", "false");
    }
}

/// <summary>A browser without a screen: it keeps cookies, the token and the revision of the page it looks at.</summary>
public sealed partial class Visitor(HttpClient http)
{
    private string token = "";

    public int Revision { get; set; }

    public HttpClient Http => http;

    public async Task<string> GetAsync(string address, HttpStatusCode status = HttpStatusCode.OK)
    {
        var response = await http.GetAsync(address);
        Assert.Equal(status, response.StatusCode);
        return await LookAsync(response);
    }

    public Task<(HttpStatusCode Status, string Text, HttpResponseMessage Response)> PostAsync(string address,
        params (string Name, string Value)[] fields) => PostAsync(address, inPlace: true, fields);

    public async Task<(HttpStatusCode Status, string Text, HttpResponseMessage Response)> PostAsync(string address, bool inPlace,
        params (string Name, string Value)[] fields)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, address)
        {
            Content = new FormUrlEncodedContent([.. fields.Select(f => new KeyValuePair<string, string>(f.Name, f.Value)),
                .. fields.Any(f => f.Name == "from") ? []
                : new[] { new KeyValuePair<string, string>("from",
                    Revision.ToString(System.Globalization.CultureInfo.InvariantCulture)) }]),
        };
        request.Headers.Add("RequestVerificationToken", token);
        if (inPlace)
        {
            request.Headers.Add("HX-Request", "true");
        }

        var response = await http.SendAsync(request);
        return (response.StatusCode, await LookAsync(response), response);
    }

    public Task<(HttpStatusCode Status, string Text)> BringAsync(byte[] file, string name = "job.circuitum.json") =>
        SendFileAsync("/", "/?handler=Bring", "file", name, file, "application/json");

    /// <summary>Sends one file by the form of a page.</summary>
    public async Task<(HttpStatusCode Status, string Text)> SendFileAsync(string page, string address, string field, string name,
        byte[] file, string type = "text/csv")
    {
        using var form = new MultipartFormDataContent {
            { new StringContent(FormToken().Match(await http.GetStringAsync(page)).Groups[1].Value), "__RequestVerificationToken" } };
        var part = new ByteArrayContent(file);
        part.Headers.ContentType = new MediaTypeHeaderValue(type);
        form.Add(part, field, name);
        var response = await http.PostAsync(address, form);
        return (response.StatusCode, WebUtility.HtmlDecode(await response.Content.ReadAsStringAsync()));
    }

    private async Task<string> LookAsync(HttpResponseMessage response)
    {
        var text = await response.Content.ReadAsStringAsync();
        if ((BenchToken().Match(text) is { Success: true } bench ? bench : FormToken().Match(text)) is { Success: true } found)
        {
            token = found.Groups[1].Value;
        }

        if (RevisionOf().Match(text) is { Success: true } revision)
        {
            Revision = int.Parse(revision.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture);
        }

        return WebUtility.HtmlDecode(text);
    }

    [GeneratedRegex("""RequestVerificationToken":"([^"]+)""")]
    private static partial Regex BenchToken();

    [GeneratedRegex("""name="__RequestVerificationToken" type="hidden" value="([^"]+)""")]
    private static partial Regex FormToken();

    [GeneratedRegex("""data-revision="(\d+)""")]
    private static partial Regex RevisionOf();
}
