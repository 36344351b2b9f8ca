using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using Circuitum.Data;
using Circuitum.Web.Edge;

namespace Circuitum.Web.Sharing;

/// <summary>How this server is shared: SHARE names nothing, and it is one person's on loopback without accounts; or a network, and
/// everybody signs in.</summary>
public sealed class Shared
{
    /// <summary>SHARE=lan: every address that the machine has.</summary>
    public const string Lan = "lan";

    /// <summary>SHARE=proxy:name: plain on loopback, behind a proxy of this name that speaks HTTPS.</summary>
    public const string Behind = "proxy:";

    private const int UsualPort = 5080;

    private Shared(string how, string database, int port, string? certificate, string? certificateKey)
    {
        How = how;
        Port = port;
        Certificate = certificate;
        CertificateKey = certificateKey;
        Folder = Path.GetFullPath(database) + ".share";
        Hosts = !Is ? [] : How == Lan ? [.. LanAddresses(), Dns.GetHostName()] : [Name(How)];
    }

    /// <summary>Reads what the server was started with.</summary>
    /// <exception cref="PreparationException">It cannot be so; the message says what to do.</exception>
    public static Shared Of(IConfiguration settings)
    {
        var how = (settings["Share"] ?? "").Trim();
        var port = settings["Port"] is { Length: > 0 } text
            ? int.TryParse(text, System.Globalization.CultureInfo.InvariantCulture, out var number) && number is > 0 and <= 65535 ? number
                : throw new PreparationException($"PORT={text} is no port: it is a number from 1 to 65535.")
            : UsualPort;
        if (how.Length > 0 && how != Lan && Uri.CheckHostName(Name(how)) == UriHostNameType.Unknown)
        {
            throw new PreparationException(
                $"SHARE={how} is neither “lan”, an address, a name, nor “proxy:” and a name. SHARE=lan listens on every address of this "
                + "machine.");
        }

        return new(how, settings.JobFile(), port, settings["Certificate"], settings["Certificate_Key"]);
    }

    /// <summary>As it was said.</summary>
    public string How { get; }

    /// <summary>Everybody signs in.</summary>
    public bool Is => How.Length > 0;

    /// <summary>A proxy before it speaks HTTPS.</summary>
    public bool IsBehindProxy => How.StartsWith(Behind, StringComparison.Ordinal);

    /// <summary>Where it listens.</summary>
    public int Port { get; }

    /// <summary>The firm's own certificate; null where one is made.</summary>
    public string? Certificate { get; }

    /// <summary>Its key, where that is a file of its own.</summary>
    public string? CertificateKey { get; }

    /// <summary>What sharing needs to keep beside the job file: certificate and keys, for the owner of the file alone.</summary>
    public string Folder { get; }

    /// <summary>Where its logs are; null where it is not shared.</summary>
    public string? Logs => Is ? Path.Combine(Folder, "logs") : null;

    /// <summary>The addresses and names by which it is reached, the first for people.</summary>
    public IReadOnlyList<string> Hosts { get; }

    /// <summary>What it listens on.</summary>
    public IPAddress Listens => IsBehindProxy ? IPAddress.Loopback
        : IPAddress.TryParse(How, out var address) ? address : IPAddress.IPv6Any;

    /// <summary>The address for people.</summary>
    public string Address => IsBehindProxy ? $"https://{Hosts[0]}"
        : $"https://{Bracketed(Hosts[0])}{(Port == 443 ? "" : $":{Port}")}";

    /// <summary>A link for somebody elsewhere: by the name that whoever makes it uses, unless only this machine knows that.</summary>
    public string Link(HostString by, string path) =>
        by.Host is "localhost" or "127.0.0.1" or "[::1]" ? $"{Address}{path}" : $"https://{by}{path}";

    private static string Name(string how) => how.StartsWith(Behind, StringComparison.Ordinal) ? how[Behind.Length..] : how;

    private static string Bracketed(string host) => host.Contains(':', StringComparison.Ordinal) ? $"[{host}]" : host;

    // Those of a network that others are on: neither loopback nor what only this machine's own links know.
    private static IEnumerable<string> LanAddresses() => NetworkInterface.GetAllNetworkInterfaces()
        .Where(n => n.OperationalStatus == OperationalStatus.Up && n.NetworkInterfaceType != NetworkInterfaceType.Loopback)
        .SelectMany(n => n.GetIPProperties().UnicastAddresses).Select(a => a.Address)
        .Where(a => a.AddressFamily == AddressFamily.InterNetwork && !IPAddress.IsLoopback(a)).Select(a => a.ToString()).Distinct();
}
