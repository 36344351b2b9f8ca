using System.Buffers.Binary;
using System.Text;
using Circuitum.Formats.Photographs;
using CsCheck;

namespace Circuitum.Formats.Tests;

/// <summary>Photographs are kept by what is in them, without what a camera writes beside the picture.</summary>
public sealed class PhotographTests
{
    private static readonly byte[] Place = Encoding.ASCII.GetBytes("Exif\0\0GPS 47.1 N 8.2 E of this very house");

    private static byte[] Segment(byte marker, byte[] body) => [0xFF, marker, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2),
        .. body];

    private static byte[] Jpeg(params byte[][] segments) =>
        [0xFF, 0xD8, .. segments.SelectMany(s => s), .. Segment(0xDA, [1, 1, 0, 0, 63, 0]), 0x12, 0xFF, 0x00, 0x34, 0xFF, 0xD9];

    private static byte[] Chunk(string name, params byte[] body)
    {
        var length = new byte[4];
        BinaryPrimitives.WriteInt32BigEndian(length, body.Length);
        return [.. length, .. Encoding.ASCII.GetBytes(name), .. body, 1, 2, 3, 4];
    }

    private static byte[] Png(params byte[][] chunks) => [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A, .. Chunk("IHDR", new byte[13]),
        .. chunks.SelectMany(c => c), .. Chunk("IDAT", 9, 9), .. Chunk("IEND")];

    private static byte[] Riff(string name, params byte[] body)
    {
        var length = new byte[4];
        BinaryPrimitives.WriteInt32LittleEndian(length, body.Length);
        return [.. Encoding.ASCII.GetBytes(name), .. length, .. body, .. body.Length % 2 == 1 ? new byte[1] : []];
    }

    private static byte[] Webp(params byte[][] chunks)
    {
        byte[] all = [.. "WEBP"u8, .. chunks.SelectMany(c => c)];
        var length = new byte[4];
        BinaryPrimitives.WriteInt32LittleEndian(length, all.Length);
        return [.. "RIFF"u8, .. length, .. all];
    }

    private static bool Has(byte[] bytes, string words) => bytes.AsSpan().IndexOf(Encoding.ASCII.GetBytes(words)) >= 0;

    [Fact] // Exif, XMP and a comment go, with what hangs behind the end; the JFIF header and the tables stay
    public void A_jpeg_loses_where_it_was_taken()
    {
        var jfif = Segment(0xE0, Encoding.ASCII.GetBytes("JFIF\0"));
        var tables = Segment(0xDB, [1, 2, 3]);
        byte[] sent = [.. Jpeg(jfif, Segment(0xE1, Place), tables, Segment(0xFE, Encoding.ASCII.GetBytes("made by a phone"))),
            .. Encoding.ASCII.GetBytes("a motion clip behind it")];
        var kept = Photograph.Read(sent);
        Assert.Equal("image/jpeg", kept.MediaType);
        Assert.Equal(Jpeg(jfif, tables), kept.Bytes);
        Assert.Equal(kept.Bytes, Photograph.Read(kept.Bytes).Bytes);
        Assert.Equal(64, kept.Fingerprint.Length);
    }

    [Fact] // the colors' transform of an Adobe segment is needed to draw
    public void A_jpeg_keeps_what_its_colors_need()
    {
        var sent = Jpeg(Segment(0xEE, Encoding.ASCII.GetBytes("Adobe\0d\0\0\0\0\u0001")));
        Assert.Equal(sent, Photograph.Read(sent).Bytes);
    }

    [Fact]
    public void A_png_loses_its_words()
    {
        var kept = Photograph.Read(Png(Chunk("eXIf", Place), Chunk("tEXt", Place), Chunk("gAMA", 0, 0, 1, 1), Chunk("tIME", new byte[7])));
        Assert.Equal("image/png", kept.MediaType);
        Assert.Equal(Png(Chunk("gAMA", 0, 0, 1, 1)), kept.Bytes);
    }

    [Fact] // the extended header says no more that Exif (8) and XMP (4) are there; alpha (16) stays
    public void A_webp_loses_its_exif()
    {
        var kept = Photograph.Read(Webp(Riff("VP8X", 0x1C, 0, 0, 0, 1, 0, 0, 1, 0, 0), Riff("VP8 ", 5, 5, 5), Riff("EXIF", Place)));
        Assert.Equal("image/webp", kept.MediaType);
        Assert.Equal(Webp(Riff("VP8X", 0x10, 0, 0, 0, 1, 0, 0, 1, 0, 0), Riff("VP8 ", 5, 5, 5)), kept.Bytes);
    }

    [Fact]
    public void What_is_no_picture_is_refused()
    {
        foreach (var sent in new[] { "", "GIF89a and so on, quite long", "<svg xmlns='http://www.w3.org/2000/svg'/>", "%PDF-1.7 ........",
            "RIFF....AVI .........", "PK and what follows it" })
        {
            Assert.Throws<FormatException>(() => Photograph.Read(Encoding.ASCII.GetBytes(sent)));
        }

        Assert.Contains("10 MB", Assert.Throws<FormatException>(() => Photograph.Read(new byte[Photograph.MostBytes + 1])).Message,
            StringComparison.Ordinal);
    }

    [Fact] // cut anywhere, each is refused; the end of a JPEG is the last end there is, so only a cut before it shows
    public void What_is_cut_off_is_refused()
    {
        foreach (var whole in new[] { Jpeg(Segment(0xDB, [1, 2, 3])), Png(), Webp(Riff("VP8 ", 5, 5, 5)) })
        {
            for (var length = 0; length < whole.Length; length++)
            {
                Assert.Throws<FormatException>(() => Photograph.Read(whole.AsSpan(0, length)));
            }
        }
    }

    [Fact] // 20 000 pictures with one byte changed, or noise behind a true beginning: read without a place, or refused in a sentence
    public void Damage_never_ends_in_anything_but_a_sentence() =>
        Gen.Select(Gen.Int[0, 2], Gen.Int[0, 400], Gen.Byte, Gen.Byte.Array[0, 40]).Sample((kind, at, value, noise) =>
        {
            byte[] whole = kind switch
            {
                0 => Jpeg(Segment(0xE1, Place), Segment(0xDB, noise)),
                1 => Png(Chunk("tEXt", Place), Chunk("IDAT", noise)),
                _ => Webp(Riff("VP8 ", noise), Riff("EXIF", Place)),
            };
            if (at < whole.Length)
            {
                whole[at] = value;
            }

            try
            {
                return Photograph.Read(whole).Bytes.Length <= whole.Length;
            }
            catch (FormatException e)
            {
                return e.Message.EndsWith('.');
            }
        }, iter: 20_000);

    [Fact]
    public void No_place_is_left_in_any_of_them()
    {
        Assert.All(new[] { Jpeg(Segment(0xE1, Place)), Png(Chunk("iTXt", Place)), Webp(Riff("VP8 ", 1), Riff("XMP ", Place)) },
            sent => Assert.False(Has(Photograph.Read(sent).Bytes, "GPS")));
    }
}
