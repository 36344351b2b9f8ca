using System.Security.Cryptography;
using System.Text;

namespace Circuitum.Data.People;

/// <summary>Codes that open something once they are known: 160 bits, of which only a hash is kept.</summary>
public static class Codes
{
    private const int Bytes = 20;

    // Without 0, 1, i, l, o and u: a code may be read aloud, or off a paper.
    private const string Letters = "23456789abcdefghjkmnpqrstvwxyz";

    /// <summary>A new code, 33 letters and digits (4.9 bits each).</summary>
    public static string New() => RandomNumberGenerator.GetString(Letters, (int)Math.Ceiling(Bytes * 8 / Math.Log2(Letters.Length)));

    /// <summary>What is kept of a code.</summary>
    public static string Hash(string code) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(code)));
}
