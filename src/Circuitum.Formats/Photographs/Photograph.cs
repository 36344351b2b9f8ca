using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;

namespace Circuitum.Formats.Photographs;

/// <summary>
/// A photograph as it is kept: JPEG, PNG or WebP by what is in it, without what a camera writes beside the picture (where it was taken, by
/// which phone, when, a thumbnail of what was cut away). Nothing is decoded: the parts of the container are walked, and those that
/// draw are kept.
/// </summary>
/// <param name="MediaType">image/jpeg, image/png or image/webp.</param>
/// <param name="Bytes">The picture.</param>
public sealed record Photograph(string MediaType, byte[] Bytes)
{
    /// <summary>Largest as sent, 10 MB; a phone's picture shrunk to 1600 pixels has a third of one.</summary>
    public const int MostBytes = 10 * 1024 * 1024;

    private const string NoPicture = "That is no picture that is kept here: send a JPEG, PNG or WebP.";

    // ISO/IEC 10918-1: markers, and those that have no length.
    private const byte Marker = 0xFF, StartOfImage = 0xD8, EndOfImage = 0xD9, StartOfScan = 0xDA, App0 = 0xE0, App15 = 0xEF, Comment = 0xFE;

    // ISO/IEC 15948: the chunks that draw; all others (text, time, Exif) are left out.
    private static readonly HashSet<string> Drawing = ["IHDR", "PLTE", "IDAT", "IEND", "tRNS", "gAMA", "cHRM", "sRGB", "sBIT", "bKGD"];

    private static readonly byte[] PngSignature = [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A];

    /// <summary>What it is found by: SHA-256 of the picture, 64 hexadecimal digits.</summary>
    public string Fingerprint => Convert.ToHexStringLower(SHA256.HashData(Bytes));

    /// <summary>Reads what was sent.</summary>
    /// <exception cref="FormatException">It is no such picture, is cut off, or too large; the message says so.</exception>
    public static Photograph Read(ReadOnlySpan<byte> sent)
    {
        if (sent.Length > MostBytes)
        {
            throw new FormatException($"A photograph has at most {MostBytes / 1024 / 1024} MB.");
        }

        return sent.Length > 3 && sent[0] == Marker && sent[1] == StartOfImage ? new("image/jpeg", Jpeg(sent))
            : sent.StartsWith(PngSignature) ? new("image/png", Png(sent))
            : sent.Length > 12 && sent[..4].SequenceEqual("RIFF"u8) && sent[8..12].SequenceEqual("WEBP"u8) ? new("image/webp", Webp(sent))
            : throw new FormatException(NoPicture);
    }

    // Segments up to the scan; of those that applications write none is needed to draw but the JFIF header and the colors' transform.
    private static byte[] Jpeg(ReadOnlySpan<byte> sent)
    {
        var kept = new MemoryStream(sent.Length);
        kept.Write(sent[..2]);
        var at = 2;
        while (true)
        {
            if (at + 4 > sent.Length || sent[at] != Marker)
            {
                throw Cut();
            }

            var marker = sent[at + 1];
            if (marker == Marker)
            {
                at++;
                continue;
            }

            var length = BinaryPrimitives.ReadUInt16BigEndian(sent[(at + 2)..]);
            if (length < 2 || at + 2 + length > sent.Length)
            {
                throw Cut();
            }

            var segment = sent.Slice(at, length + 2);
            if (marker == StartOfScan)
            {
                // From here to the end of the image is coded picture; what stands behind its end is cut off.
                var rest = sent[at..];
                var end = rest.LastIndexOf([Marker, EndOfImage]);
                kept.Write(end < 0 ? throw Cut() : rest[..(end + 2)]);
                return kept.ToArray();
            }

            if (marker is not ((>= App0 and <= App15) or Comment) || marker == App0 || segment[4..].StartsWith("Adobe"u8))
            {
                kept.Write(segment);
            }

            at += length + 2;
        }
    }

    private static byte[] Png(ReadOnlySpan<byte> sent)
    {
        var kept = new MemoryStream(sent.Length);
        kept.Write(sent[..8]);
        for (var at = 8; ;)
        {
            if (at + 12 > sent.Length)
            {
                throw Cut();
            }

            var length = BinaryPrimitives.ReadUInt32BigEndian(sent[at..]);
            if (length > MostBytes || at + 12 + (int)length > sent.Length)
            {
                throw Cut();
            }

            var name = Encoding.ASCII.GetString(sent.Slice(at + 4, 4));
            if (at == 8 != (name == "IHDR"))
            {
                throw new FormatException(NoPicture);
            }

            if (Drawing.Contains(name))
            {
                kept.Write(sent.Slice(at, 12 + (int)length));
            }

            if (name == "IEND")
            {
                return kept.ToArray();
            }

            at += 12 + (int)length;
        }
    }

    // RFC 9649: Exif and XMP are chunks of their own, and two bits of the extended header say that they are there.
    private static byte[] Webp(ReadOnlySpan<byte> sent)
    {
        var declared = BinaryPrimitives.ReadUInt32LittleEndian(sent[4..]);
        if (declared < 12 || declared > MostBytes || 8 + (int)declared > sent.Length)
        {
            throw Cut();
        }

        var chunks = sent[12..(8 + (int)declared)];
        var kept = new MemoryStream(sent.Length);
        kept.Write(sent[..12]);
        var draws = false;
        while (chunks.Length >= 8)
        {
            var length = BinaryPrimitives.ReadUInt32LittleEndian(chunks[4..]);
            var padded = 8 + length + (length & 1);
            if (padded > chunks.Length)
            {
                throw Cut();
            }

            var chunk = chunks[..(int)padded].ToArray();
            var name = Encoding.ASCII.GetString(chunk, 0, 4);
            if (name == "VP8X" && length >= 1)
            {
                chunk[8] &= unchecked((byte)~0x0C);
            }

            draws |= name is "VP8 " or "VP8L" or "ANMF";
            if (name is "VP8 " or "VP8L" or "VP8X" or "ALPH" or "ANIM" or "ANMF" or "ICCP")
            {
                kept.Write(chunk);
            }

            chunks = chunks[(int)padded..];
        }

        var picture = draws && chunks.IsEmpty ? kept.ToArray() : throw Cut();
        BinaryPrimitives.WriteUInt32LittleEndian(picture.AsSpan(4), (uint)(picture.Length - 8));
        return picture;
    }

    private static FormatException Cut() => new("The picture is cut off or damaged; send it again.");
}
