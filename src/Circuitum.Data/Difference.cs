using System.IO.Compression;
using System.Text;

namespace Circuitum.Data;

/// <summary>What makes one text of another, line by line: stretches of the one that stay, and what stands between them. A step of a job
/// touches a few lines of some thousand, so that this is a hundredth of the text.</summary>
internal static class Difference
{
    /// <summary>Packs what makes <paramref name="after"/> of <paramref name="before"/>.</summary>
    public static byte[] Of(string before, string after) => Of(before.Split('\n'), after.Split('\n'));

    /// <summary>The same of their lines.</summary>
    public static byte[] Of(string[] old, string[] wanted)
    {
        var places = new Dictionary<string, List<int>>(old.Length, StringComparer.Ordinal);
        for (var i = 0; i < old.Length; i++)
        {
            if (!places.TryGetValue(old[i], out var at))
            {
                places[old[i]] = at = [];
            }

            at.Add(i);
        }

        using var packed = new MemoryStream();
        using (var brotli = new BrotliStream(packed, CompressionLevel.Optimal))
        using (var writer = new BinaryWriter(brotli, Encoding.UTF8))
        {
            Write(writer, old, wanted, places);
        }

        return packed.ToArray();
    }

    /// <summary>Makes the text again.</summary>
    /// <exception cref="DamagedDocumentException">It is of another text, or damaged.</exception>
    public static string[] Apply(string[] before, byte[] packed)
    {
        try
        {
            using var reader = new BinaryReader(new BrotliStream(new MemoryStream(packed), CompressionMode.Decompress), Encoding.UTF8);
            var after = new List<string>(before.Length + 16);
            for (var left = reader.Read7BitEncodedInt(); left > 0; left--)
            {
                for (var lines = reader.Read7BitEncodedInt(); lines > 0; lines--)
                {
                    after.Add(reader.ReadString());
                }

                var from = reader.Read7BitEncodedInt();
                after.AddRange(before.AsSpan(from, reader.Read7BitEncodedInt()));
            }

            return [.. after];
        }
        catch (Exception e) when (e is ArgumentException or IOException or FormatException or InvalidOperationException
            or InvalidDataException)
        {
            throw new DamagedDocumentException(e);
        }
    }

    private static void Write(BinaryWriter writer, string[] old, string[] wanted, Dictionary<string, List<int>> places)
    {
        var steps = new List<(int NewFrom, int NewCount, int OldFrom, int OldCount)>();
        var (next, told) = (0, 0);
        for (var i = 0; i < wanted.Length;)
        {
            var (from, count) = Longest(old, wanted, i, next, places);
            if (count == 0)
            {
                i++;
                continue;
            }

            steps.Add((told, i - told, from, count));
            i += count;
            (next, told) = (from + count, i);
        }

        if (told < wanted.Length)
        {
            steps.Add((told, wanted.Length - told, 0, 0));
        }

        writer.Write7BitEncodedInt(steps.Count);
        foreach (var (newFrom, newCount, oldFrom, oldCount) in steps)
        {
            writer.Write7BitEncodedInt(newCount);
            for (var i = newFrom; i < newFrom + newCount; i++)
            {
                writer.Write(wanted[i]);
            }

            writer.Write7BitEncodedInt(oldFrom);
            writer.Write7BitEncodedInt(oldCount);
        }
    }

    // Where it goes on as it stood, that is taken; otherwise the longest of the nearest places that have the line.
    private static (int From, int Count) Longest(string[] old, string[] wanted, int at, int next, Dictionary<string, List<int>> places)
    {
        if (next < old.Length && old[next] == wanted[at])
        {
            return (next, Same(old, wanted, next, at));
        }

        if (!places.TryGetValue(wanted[at], out var candidates))
        {
            return (0, 0);
        }

        const int Looked = 8;
        var first = candidates.BinarySearch(next);
        first = Math.Max(0, (first < 0 ? ~first : first) - (Looked / 2));
        return candidates.Skip(first).Take(Looked).Select(c => (c, Same(old, wanted, c, at))).MaxBy(c => c.Item2);
    }

    private static int Same(string[] old, string[] wanted, int from, int at)
    {
        var count = 0;
        while (from + count < old.Length && at + count < wanted.Length && old[from + count] == wanted[at + count])
        {
            count++;
        }

        return count;
    }
}
