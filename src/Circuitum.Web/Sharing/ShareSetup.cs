using System.Net;
using Circuitum.Data;
using Circuitum.Data.People;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;

namespace Circuitum.Web.Sharing;

/// <summary>What a server needs so that it can be shared, and what it says when it starts to be.</summary>
public static class ShareSetup
{
    /// <summary>Adds it.</summary>
    /// <exception cref="PreparationException">It cannot be shared so; the message says why.</exception>
    public static Shared AddSharing(this WebApplicationBuilder builder)
    {
        var shared = Shared.Of(builder.Configuration);
        builder.Services.AddSingleton(shared);
        builder.Services.AddSingleton<Sessions>();
        builder.Services.AddSingleton<Invitations>();
        builder.Services.AddSingleton<GuestLinks>();
        builder.Services.AddSingleton<Doors>();
        builder.Services.AddScoped<SignIns>();
        builder.Services.AddIdentityCore<Member>(Passwords.Configure)
            .AddEntityFrameworkStores<JobsDb>();
        // OWASP's count for PBKDF2 with SHA-512.
        builder.Services.Configure<Microsoft.AspNetCore.Identity.PasswordHasherOptions>(options => options.IterationCount = 210_000);
        builder.Services.AddRateLimiter(Tries.Configure);
        if (!shared.Is)
        {
            if (builder.Configuration["Port"] is not null && builder.Configuration["urls"] is null)
            {
                builder.WebHost.UseUrls(string.Create(System.Globalization.CultureInfo.InvariantCulture,
                    $"http://127.0.0.1:{shared.Port}"));
            }

            return shared;
        }

        Private.Folder(shared.Folder);
        if (!shared.IsBehindProxy)
        {
            builder.Services.AddSingleton(new Shown(Certificates.Of(shared, TimeProvider.System)));
        }

        builder.Services.AddDataProtection().SetApplicationName("Circuitum")
            .PersistKeysToFileSystem(new DirectoryInfo(Path.Combine(shared.Folder, "keys")));
        builder.Services.AddAntiforgery(options =>
        {
            options.Cookie.Name = "__Host-form";
            options.Cookie.SecurePolicy = CookieSecurePolicy.Always;
            options.Cookie.Path = "/";
        });
        builder.Services.Configure<ForwardedHeadersOptions>(options =>
            options.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto);
        builder.WebHost.ConfigureKestrel((context, options) =>
        {
            if (shared.IsBehindProxy)
            {
                options.ListenLocalhost(shared.Port);
                return;
            }

            void Https(Microsoft.AspNetCore.Server.Kestrel.Core.ListenOptions listen) =>
                listen.UseHttps(options.ApplicationServices.GetRequiredService<Shown>().Certificate);
            if (shared.Listens.Equals(IPAddress.IPv6Any))
            {
                options.ListenAnyIP(shared.Port, Https);
            }
            else
            {
                options.Listen(shared.Listens, shared.Port, Https);
            }
        });
        return shared;
    }

    /// <summary>Puts the gate before everything else.</summary>
    public static void UseSharing(this WebApplication app, Shared shared)
    {
        if (shared.IsBehindProxy)
        {
            app.UseForwardedHeaders();
        }

        app.UseMiddleware<Gate>();
        app.UseRateLimiter();
    }

    /// <summary>Says where it is, what to compare its certificate with, and how the first owner comes in.</summary>
    /// <param name="services">The server’s.</param>
    /// <param name="to">Where to.</param>
    /// <param name="codes">Whether a phone can look at what is written: not where it goes to a file.</param>
    public static async Task SayAsync(IServiceProvider services, TextWriter to, bool codes)
    {
        var shared = services.GetRequiredService<Shared>();
        if (!shared.Is)
        {
            return;
        }

        await to.WriteLineAsync($"Circuitum is shared at {shared.Address}");
        if (!shared.IsBehindProxy)
        {
            var own = shared.Certificate is null ? ", made by itself, of which a browser warns once," : "";
            var fingerprint = Certificates.Fingerprint(services.GetRequiredService<Shown>().Certificate);
            await to.WriteLineAsync($"Its certificate{own} has the fingerprint (SHA-256)\n  {fingerprint}");
        }

        if (await FirstAsync(services, shared) is not { } first)
        {
            await to.WriteLineAsync(codes ? QrCodes.Lines(shared.Address) : "");
            return;
        }

        await to.WriteLineAsync($"Nobody has an account yet. The owner makes the first one, within a day, once, at\n  {first}");
        await to.WriteLineAsync(codes ? QrCodes.Lines(first) : "");
    }

    private sealed record Shown(System.Security.Cryptography.X509Certificates.X509Certificate2 Certificate) : IDisposable
    {
        public void Dispose() => Certificate.Dispose();
    }

    // Each start gives out a new one, and the one before ends.
    private static async Task<string?> FirstAsync(IServiceProvider services, Shared shared)
    {
        await using var scope = services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<JobsDb>();
        if (db.Users.Any(m => m.Role == MemberRole.Owner && m.Left == null))
        {
            return null;
        }

        var invitations = services.GetRequiredService<Invitations>();
        await invitations.WithdrawFirstAsync();
        return await invitations.MakeAsync(MemberRole.Owner, "", "", Invitations.StandsShort) is { } code
            ? $"{shared.Address}/invitation/{code}" : null;
    }
}
