using System.IO.Compression;
using System.Text;

namespace Circuitum.Data;

/// <summary>Text as it lies in the database: UTF-8, Brotli.</summary>
internal static class Packed
{
    public static byte[] Pack(string document)
    {
        using var packed = new MemoryStream();
        using (var brotli = new BrotliStream(packed, CompressionLevel.Fastest))
        {
            brotli.Write(Encoding.UTF8.GetBytes(document));
        }

        return packed.ToArray();
    }

    public static string Unpack(byte[] packed)
    {
        try
        {
            using var brotli = new BrotliStream(new MemoryStream(packed), CompressionMode.Decompress);
            using var reader = new StreamReader(brotli, Encoding.UTF8);
            return reader.ReadToEnd();
        }
        catch (Exception e) when (e is InvalidOperationException or InvalidDataException)
        {
            throw new DamagedDocumentException(e);
        }
    }
}
