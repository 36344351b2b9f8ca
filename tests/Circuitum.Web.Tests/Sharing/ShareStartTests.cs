using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Circuitum.Web.Sharing;
using Microsoft.Extensions.Configuration;

namespace Circuitum.Web.Tests.Sharing;

/// <summary>A server that is shared, as a process of its own: certificate, first owner, proxy, and what it says of itself.</summary>
public sealed class ShareStartTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("circuitum-share-").FullName;

    private string Database => Path.Combine(folder, "jobs.db");

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private static Shared Of(string how, params (string Name, string Value)[] more) => Shared.Of(new ConfigurationBuilder()
        .AddInMemoryCollection([new("Share", how), .. more.Select(m => KeyValuePair.Create(m.Name, (string?)m.Value))]).Build());

    [Fact]
    public void Settings_say_where_it_listens_and_by_which_names()
    {
        Assert.False(Of("").Is);
        Assert.Empty(Of("").Hosts);
        Assert.Equal("https://wiring.example:5080", Of("wiring.example").Address);
        Assert.Equal("https://10.0.0.5", Of("10.0.0.5", ("Port", "443")).Address);
        Assert.Equal(IPAddress.Parse("10.0.0.5"), Of("10.0.0.5").Listens);
        Assert.Equal("https://[fd00::5]:5080", Of("fd00::5").Address);
        var behind = Of("proxy:wiring.example", ("Port", "5081"));
        Assert.Equal("https://wiring.example", behind.Address);
        Assert.Equal(IPAddress.Loopback, behind.Listens);
        Assert.Equal(["wiring.example"], behind.Hosts);
        Assert.Contains(Dns.GetHostName(), Of("lan").Hosts);
        // A link that somebody makes at the machine itself is of use to others.
        Assert.Equal("https://wiring.example:5080/guest/x", Of("wiring.example").Link(new("localhost", 5080), "/guest/x"));
        Assert.Equal("https://office:5080/guest/x", Of("wiring.example").Link(new("office", 5080), "/guest/x"));
        foreach (var (how, port) in new[] { ("no such name!", "1"), ("proxy:", "1"), ("lan", "0"), ("lan", "65536"), ("lan", "a") })
        {
            Assert.Throws<Data.PreparationException>(() => Of(how, ("Port", port)));
        }
    }

    [Fact]
    public void A_certificate_is_made_once_for_all_names_and_anew_before_it_ends()
    {
        var shared = Of("wiring.example", ("Database", Database));
        var clock = new SetClock { Now = new(2026, 11, 30, 8, 0, 0, TimeSpan.Zero) };
        using var made = Certificates.Of(shared, clock);
        Assert.True(made.HasPrivateKey);
        Assert.True(made.MatchesHostname("wiring.example", false, false));
        Assert.True(made.MatchesHostname("localhost", false, false));
        Assert.False(made.MatchesHostname("elsewhere.example", false, false));
        Assert.InRange((made.NotAfter - made.NotBefore).TotalDays, 700, 825);
        clock.Now += TimeSpan.FromDays(700);
        using var same = Certificates.Of(shared, clock);
        Assert.Equal(Certificates.Fingerprint(made), Certificates.Fingerprint(same));
        Assert.Matches("^([0-9A-F]{2}:){31}[0-9A-F]{2}$", Certificates.Fingerprint(made));
        clock.Now += TimeSpan.FromDays(75);
        using var next = Certificates.Of(shared, clock);
        Assert.NotEqual(Certificates.Fingerprint(made), Certificates.Fingerprint(next));
        // Another name of the machine is not in it.
        using var renamed = Certificates.Of(Of("office.example", ("Database", Database)), clock);
        Assert.True(renamed.MatchesHostname("office.example", false, false));
        if (!OperatingSystem.IsWindows())
        {
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite,
                File.GetUnixFileMode(Path.Combine(shared.Folder, "certificate.key")));
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, File.GetUnixFileMode(shared.Folder));
        }
    }

    [Fact]
    public async Task It_shows_the_firms_own_certificate_and_the_first_owner_comes_in_once()
    {
        var (file, key) = (Path.Combine(folder, "own.pem"), Path.Combine(folder, "own.key"));
        using var pair = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        using var own = new CertificateRequest("CN=The firm", pair, HashAlgorithmName.SHA256)
            .CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(90));
        await File.WriteAllTextAsync(file, own.ExportCertificatePem());
        await File.WriteAllTextAsync(key, pair.ExportPkcs8PrivateKeyPem());
        using var server = ServerProcess.Share(Database, "lan", "--Certificate", file, "--Certificate_Key", key);
        using var http = await server.AnswersAsync(shown => shown.Thumbprint == own.Thumbprint, "/sign-in");
        Assert.Contains(server.Said, l => l.Contains(Certificates.Fingerprint(own), StringComparison.Ordinal));
        var first = new Uri(server.Said.First(l => l.Contains("/invitation/", StringComparison.Ordinal)).Trim()).AbsolutePath;
        var visitor = new Visitor(http);
        Assert.Contains("owner", await visitor.GetAsync(first), StringComparison.Ordinal);
        var made = await visitor.PostAsync(first, inPlace: false, ("name", "Odile"), ("password", SharedHost.Password));
        Assert.Equal(HttpStatusCode.Redirect, made.Status);
        var cookie = Assert.Single(made.Response.Headers.GetValues("Set-Cookie"), c => c.StartsWith(Gate.Cookie, StringComparison.Ordinal));
        foreach (var part in new[] { "secure", "httponly", "samesite=lax", "path=/" })
        {
            Assert.Contains(part, cookie, StringComparison.OrdinalIgnoreCase);
        }

        Assert.Contains("Odile, owner", await visitor.GetAsync("/"), StringComparison.Ordinal);
        await visitor.GetAsync(first, HttpStatusCode.NotFound);
        server.Kill();
        await server.EndedAsync();

        // Once there is an owner, nobody is made one by starting it again; who was signed in still is.
        using var again = ServerProcess.Share(Database, "lan", "--Certificate", file, "--Certificate_Key", key);
        using var later = await again.AnswersAsync(_ => true, "/sign-in");
        Assert.DoesNotContain(again.Said, l => l.Contains("/invitation/", StringComparison.Ordinal));
        later.DefaultRequestHeaders.Add("Cookie", cookie.Split(';')[0]);
        Assert.Contains("Odile, owner", await later.GetStringAsync("/"), StringComparison.Ordinal);
        again.Kill();
        await again.EndedAsync();
        // What it wrote down: who came, and nothing that opens anything.
        var log = string.Concat(Directory.GetFiles(Path.Combine(Database + ".share", "logs")).Select(Read));
        Assert.Contains("Account made", log, StringComparison.Ordinal);
        Assert.DoesNotContain(first.Split('/')[^1], log, StringComparison.Ordinal);
        Assert.DoesNotContain(SharedHost.Password, log, StringComparison.Ordinal);
        Assert.DoesNotContain(cookie.Split('=', ';')[1], log, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Behind_a_proxy_it_believes_the_proxy_and_answers_to_its_name()
    {
        using var server = ServerProcess.Share(Database, "proxy:wiring.example");
        using var http = await server.AnswersAsync(_ => true, "/sign-in", "wiring.example");
        var first = new Uri(server.Said.First(l => l.Contains("/invitation/", StringComparison.Ordinal)).Trim());
        Assert.Equal("wiring.example", first.Host);
        using var asked = await http.GetAsync(first.AbsolutePath);
        Assert.Equal(HttpStatusCode.OK, asked.StatusCode);
        Assert.Contains("secure", Assert.Single(asked.Headers.GetValues("Set-Cookie")), StringComparison.OrdinalIgnoreCase);
        using var plain = new HttpClient { BaseAddress = http.BaseAddress };
        plain.DefaultRequestHeaders.Host = "wiring.example";
        var without = await plain.GetAsync("/sign-in");
        Assert.Equal(HttpStatusCode.BadRequest, without.StatusCode);
        Assert.Contains("X-Forwarded-Proto", await without.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        http.DefaultRequestHeaders.Host = "elsewhere.example";
        Assert.Equal(HttpStatusCode.BadRequest, (await http.GetAsync("/sign-in")).StatusCode);
    }

    [Theory]
    [InlineData("--Certificate", "none.pem", "CERTIFICATE names a PEM file")]
    [InlineData("--Port", "none", "is no port")]
    public async Task What_it_cannot_be_started_with_is_said_in_a_sentence(string setting, string value, string says)
    {
        using var server = ServerProcess.Share(Database, "lan", setting, value);
        var (code, errors) = await server.EndedAsync();
        Assert.Equal(1, code);
        Assert.Contains("Circuitum did not start.", errors, StringComparison.Ordinal);
        Assert.Contains(says, errors, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", errors, StringComparison.Ordinal);
    }

    private static string Read(string file)
    {
        using var reader = new StreamReader(new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite));
        return reader.ReadToEnd();
    }

    private sealed class SetClock : TimeProvider
    {
        public DateTimeOffset Now { get; set; }

        public override DateTimeOffset GetUtcNow() => Now;
    }
}
