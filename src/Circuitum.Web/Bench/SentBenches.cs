using System.IO.Hashing;
using System.Security.Cryptography;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using Microsoft.Extensions.Caching.Memory;

namespace Circuitum.Web.Bench;

/// <summary>What windows were sent of the bench lately, each answer by a name that only its window knows. Of the text itself only marks of
/// its pieces are kept: enough to tell a window which of them stand in the next answer too.</summary>
public sealed class SentBenches : IDisposable
{
    /// <summary>Most answers that are remembered, the one unused longest goes first; to one that is forgotten the whole is sent.</summary>
    public const int Most = 100;

    // Pieces end where an element begins, so that one that moved is one piece; shorter ones cost more to name than to send.
    private const int LeastPiece = 64;

    // Marks of one run of the program: nobody can make two texts of one mark.
    private readonly long seed = BitConverter.ToInt64(RandomNumberGenerator.GetBytes(8));
    private readonly MemoryCache sent = new(new MemoryCacheOptions { SizeLimit = Most });

    /// <summary>The next answer to a window as it is to be sent.</summary>
    /// <param name="before">Name of the answer that the window has, or any other word.</param>
    /// <param name="text">The whole answer, as UTF-8.</param>
    /// <returns>The name of this answer, and what differs as JSON: place and length of what stands in the one before, in UTF-16 units, and
    /// text that does not; null where that is not known or saves less than half.</returns>
    public (string Name, byte[]? Differs) Next(string before, ReadOnlySpan<byte> text)
    {
        var pieces = Pieces(text);
        var differs = sent.TryGetValue(before, out Piece[]? old) ? Differs(text, pieces, old!) : null;
        var name = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        sent.Set(name, pieces, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = TimeSpan.FromHours(1) });
        sent.Remove(before);
        return (name, differs?.Length < text.Length / 2 ? differs : null);
    }

    /// <inheritdoc/>
    public void Dispose() => sent.Dispose();

    private static byte[] Differs(ReadOnlySpan<byte> text, Piece[] pieces, Piece[] old)
    {
        var places = new Dictionary<(ulong, int), int>();
        foreach (var piece in old)
        {
            places.TryAdd((piece.Mark, piece.Length), piece.At);
        }

        using var stream = new MemoryStream();
        using (var json = new Utf8JsonWriter(stream, new JsonWriterOptions { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping }))
        {
            json.WriteStartArray();
            for (var i = 0; i < pieces.Length;)
            {
                var (first, at) = (pieces[i], Place(pieces[i], places));
                while (++i < pieces.Length && Place(pieces[i], places) is var next
                    && (at < 0 ? next < 0 : next == at + pieces[i].At - first.At))
                {
                }

                var last = pieces[i - 1];
                if (at < 0)
                {
                    json.WriteStringValue(text[first.Byte..(last.Byte + last.Bytes)]);
                }
                else
                {
                    json.WriteNumberValue(at);
                    json.WriteNumberValue(last.At + last.Length - first.At);
                }
            }

            json.WriteEndArray();
        }

        return stream.ToArray();
    }

    private static int Place(Piece piece, Dictionary<(ulong, int), int> places) => places.GetValueOrDefault((piece.Mark, piece.Length), -1);

    private Piece[] Pieces(ReadOnlySpan<byte> text)
    {
        var pieces = new List<Piece>();
        for (int start = 0, at = 0; start < text.Length;)
        {
            var rest = text[start..];
            var next = rest.Length > LeastPiece ? rest[LeastPiece..].IndexOfAny((byte)'<', (byte)'\n') : -1;
            var piece = next < 0 ? rest : rest[..(LeastPiece + next)];
            var length = Encoding.UTF8.GetCharCount(piece);
            pieces.Add(new(XxHash3.HashToUInt64(piece, seed), at, length, start, piece.Length));
            (start, at) = (start + piece.Length, at + length);
        }

        return [.. pieces];
    }

    // Its mark, its place and length in UTF-16 units as scripts count, and in bytes.
    private readonly record struct Piece(ulong Mark, int At, int Length, int Byte, int Bytes);
}
