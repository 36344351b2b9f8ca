using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Circuitum.Data;

namespace Circuitum.Web.Sharing;

/// <summary>The certificate that the server shows: the firm's own, or one that it makes for itself and keeps.</summary>
public static class Certificates
{
    // Longest that phones take a certificate which somebody trusted by hand (825 days), and some days less.
    private static readonly TimeSpan Stands = TimeSpan.FromDays(800);
    private static readonly TimeSpan RenewedBefore = TimeSpan.FromDays(30);
    private const string Made = "certificate.pem";
    private const string MadeKey = "certificate.key";

    /// <summary>The certificate.</summary>
    /// <exception cref="PreparationException">The firm's own cannot be read; the message says which and why.</exception>
    public static X509Certificate2 Of(Shared shared, TimeProvider clock) => shared.Certificate is { Length: > 0 } own
        ? Own(own, shared.CertificateKey) : Kept(shared, clock);

    /// <summary>What a person compares: SHA-256, in pairs.</summary>
    public static string Fingerprint(X509Certificate2 certificate) =>
        string.Join(':', certificate.GetCertHash(HashAlgorithmName.SHA256).Select(b => b.ToString("X2",
            System.Globalization.CultureInfo.InvariantCulture)));

    private static X509Certificate2 Own(string file, string? key)
    {
        try
        {
            return Usable(key is { Length: > 0 } ? X509Certificate2.CreateFromPemFile(file, key)
                : Path.GetExtension(file) is ".pfx" or ".p12" ? X509CertificateLoader.LoadPkcs12FromFile(file, null)
                : X509Certificate2.CreateFromPemFile(file));
        }
        catch (Exception e) when (e is CryptographicException or IOException or UnauthorizedAccessException)
        {
            throw new PreparationException(
                $"The certificate {Path.GetFullPath(file)} cannot be read ({e.Message.TrimEnd('.')}). CERTIFICATE names a PEM file with "
                + "its key in it or in CERTIFICATE_KEY, or a .pfx without a password.", e);
        }
    }

    private static X509Certificate2 Kept(Shared shared, TimeProvider clock)
    {
        var (file, key) = (Path.Combine(shared.Folder, Made), Path.Combine(shared.Folder, MadeKey));
        if (File.Exists(file) && File.Exists(key))
        {
            var kept = Own(file, key);
            if (clock.GetUtcNow().UtcDateTime < kept.NotAfter.ToUniversalTime() - RenewedBefore && shared.Hosts.All(h => Names(kept, h)))
            {
                return kept;
            }
        }

        Private.Folder(shared.Folder);
        using var pair = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        using var made = Make(shared.Hosts, pair, clock.GetUtcNow());
        Private.Write(file, made.ExportCertificatePem());
        Private.Write(key, pair.ExportPkcs8PrivateKeyPem());
        return Own(file, key);
    }

    private static X509Certificate2 Make(IEnumerable<string> hosts, ECDsa pair, DateTimeOffset now)
    {
        var request = new CertificateRequest("CN=Circuitum", pair, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(
            X509KeyUsageFlags.DigitalSignature | X509KeyUsageFlags.KeyCertSign, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new("1.3.6.1.5.5.7.3.1")], true));
        var names = new SubjectAlternativeNameBuilder();
        foreach (var host in hosts.Append("localhost").Append("127.0.0.1").Distinct(StringComparer.OrdinalIgnoreCase))
        {
            if (IPAddress.TryParse(host, out var address))
            {
                names.AddIpAddress(address);
            }
            else
            {
                names.AddDnsName(host);
            }
        }

        request.CertificateExtensions.Add(names.Build());
        return request.CreateSelfSigned(now.AddDays(-1), now + Stands);
    }

    private static bool Names(X509Certificate2 certificate, string host) => certificate.MatchesHostname(host, allowWildcards: false,
        allowCommonName: false);

    // A key that came from text is usable for a server only once it is in a container.
    private static X509Certificate2 Usable(X509Certificate2 read)
    {
        using (read)
        {
            return X509CertificateLoader.LoadPkcs12(read.Export(X509ContentType.Pkcs12), null);
        }
    }
}
