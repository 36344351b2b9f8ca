using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Circuitum.Data;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Web.Tests;

/// <summary>The server as a process of its own, so that it can be killed.</summary>
public sealed class ServerProcess : IDisposable
{
    private readonly Process process;
    private readonly Task<string> errors;
    private readonly System.Collections.Concurrent.ConcurrentQueue<string> said = new();

    private ServerProcess(string database, string address, params string[] settings)
    {
        Address = address;
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = AppContext.BaseDirectory
        };
        string[] listens = settings.Length == 0 ? ["--urls", address] : settings;
        foreach (var argument in new[] { "exec", Path.Combine(AppContext.BaseDirectory, "Circuitum.Web.dll"),
            "--Database", database, "--Logging:LogLevel:Default", "Warning" }.Concat(listens))
        {
            start.ArgumentList.Add(argument);
        }

        process = Process.Start(start)!;
        process.OutputDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
        process.BeginOutputReadLine();
        errors = process.StandardError.ReadToEndAsync();
    }

    public string Address { get; }

    /// <summary>What it said so far.</summary>
    public IReadOnlyList<string> Said => [.. said];

    /// <summary>One that is shared, on a port of its own.</summary>
    public static ServerProcess Share(string database, string how, params string[] more)
    {
        var port = FreePort();
        return new(database, $"{(how.StartsWith("proxy:", StringComparison.Ordinal) ? "http" : "https")}://127.0.0.1:{port}",
            ["--Share", how, "--Port", port.ToString(System.Globalization.CultureInfo.InvariantCulture), .. more]);
    }

    public static ServerProcess Start(string database, string? address = null) =>
        new(database, address ?? $"http://127.0.0.1:{FreePort()}");

    /// <summary>A client of it, once it answers.</summary>
    /// <param name="trusts">Looks at the certificate it shows; null where a known authority has to have signed it.</param>
    /// <param name="page">The page that has to answer.</param>
    /// <param name="proxied">The name by which a proxy before it is known.</param>
    public async Task<HttpClient> AnswersAsync(Func<System.Security.Cryptography.X509Certificates.X509Certificate2, bool>? trusts = null,
        string page = "/", string? proxied = null)
    {
        var handler = new SocketsHttpHandler { UseCookies = true, AllowAutoRedirect = trusts is null };
        if (trusts is not null)
        {
            handler.SslOptions.RemoteCertificateValidationCallback = (_, shown, _, _) =>
                trusts((System.Security.Cryptography.X509Certificates.X509Certificate2)shown!);
        }

        var http = new HttpClient(handler) { BaseAddress = new(Address) };
        if (proxied is not null)
        {
            http.DefaultRequestHeaders.Add("X-Forwarded-Proto", "https");
            http.DefaultRequestHeaders.Host = proxied;
        }

        var patience = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                await http.GetStringAsync(page);
                return http;
            }
            catch (HttpRequestException) when (patience.Elapsed < TimeSpan.FromSeconds(60) && !process.HasExited)
            {
                await Task.Delay(50);
            }
        }
    }

    public void Kill() => process.Kill();

    /// <summary>Its exit code and what it said of it.</summary>
    public async Task<(int Code, string Errors)> EndedAsync()
    {
        await process.WaitForExitAsync();
        return (process.ExitCode, await errors);
    }

    public void Dispose()
    {
        if (!process.HasExited)
        {
            process.Kill();
            process.WaitForExit();
        }

        process.Dispose();
    }

    private static int FreePort()
    {
        using var socket = new TcpListener(IPAddress.Loopback, 0);
        socket.Start();
        return ((IPEndPoint)socket.LocalEndpoint).Port;
    }
}

/// <summary>A database file, opened as the server opens it.</summary>
public sealed class DatabaseAt(string file) : IDbContextFactory<JobsDb>
{
    public JobsDb CreateDbContext()
    {
        var options = new DbContextOptionsBuilder<JobsDb>();
        Databases.Use(options, file);
        return new(options.Options);
    }
}
