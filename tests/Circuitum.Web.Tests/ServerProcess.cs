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

    private ServerProcess(string database, string address)
    {
        Address = address;
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = AppContext.BaseDirectory
        };
        foreach (var argument in new[] { "exec", Path.Combine(AppContext.BaseDirectory, "Circuitum.Web.dll"), "--urls", address,
            "--Database", database, "--Logging:LogLevel:Default", "Warning" })
        {
            start.ArgumentList.Add(argument);
        }

        process = Process.Start(start)!;
        process.OutputDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        errors = process.StandardError.ReadToEndAsync();
    }

    public string Address { get; }

    public static ServerProcess Start(string database, string? address = null) =>
        new(database, address ?? $"http://127.0.0.1:{FreePort()}");

    /// <summary>A client of it, once it answers.</summary>
    public async Task<HttpClient> AnswersAsync()
    {
        var http = new HttpClient(new SocketsHttpHandler { UseCookies = true }) { BaseAddress = new(Address) };
        var patience = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                await http.GetStringAsync("/");
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
