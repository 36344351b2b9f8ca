using System.IO.Compression;

namespace Circuitum.Data;

/// <summary>Files put into an archive.</summary>
public static class ZipEntries
{
    /// <summary>Adds a file.</summary>
    /// <param name="zip">The archive, being made.</param>
    /// <param name="name">The file's name in it.</param>
    /// <param name="content">What it holds.</param>
    /// <param name="level">How hard it is packed; what is packed already need not be.</param>
    public static async Task AddAsync(this ZipArchive zip, string name, byte[] content, CompressionLevel level = CompressionLevel.Fastest)
    {
        var entry = zip.CreateEntry(name, level);
        await using var into = await entry.OpenAsync();
        await into.WriteAsync(content);
    }
}
