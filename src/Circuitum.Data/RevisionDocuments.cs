using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>How a revision's document lies in the database.</summary>
/// <param name="Bytes">Packed: the whole of it, or what makes it of the one before.</param>
/// <param name="IsDifference">Which.</param>
internal readonly record struct Laid(byte[] Bytes, bool IsDifference);

/// <summary>Documents of revisions: one of <see cref="WholeEvery"/> lies whole, the others as what makes them of the one before.</summary>
internal sealed class RevisionDocuments
{
    /// <summary>So often a document lies whole: so many steps are read again at most.</summary>
    public const int WholeEvery = 64;

    // The newest of the jobs that are worked on, so that a step reads nothing before it is written.
    private const int MostKept = 16;
    private readonly ConcurrentDictionary<string, (int Number, string Text)> newest = new();

    /// <summary>Lays a document.</summary>
    /// <param name="number">Its revision.</param>
    /// <param name="before">The document of the revision before; null for the first.</param>
    /// <param name="document">The document.</param>
    public static Laid Lay(int number, string? before, string document)
    {
        if (before is null || number % WholeEvery == 1)
        {
            return new(Packed.Pack(document), false);
        }

        // What changes all of it is shorter whole. And what could not be read again is never written.
        var (old, wanted) = (before.Split('\n'), document.Split('\n'));
        var difference = Difference.Of(old, wanted);
        return !Difference.Apply(old, difference).AsSpan().SequenceEqual(wanted)
            || (difference.Length * 4 > document.Length && Packed.Pack(document).Length <= difference.Length)
            ? new(Packed.Pack(document), false) : new(difference, true);
    }

    /// <summary>Lays the document after the newest of a job.</summary>
    public async Task<Laid> LayAsync(JobsDb db, string job, int number, string document) =>
        Lay(number, number % WholeEvery == 1 ? null : await BeforeAsync(db, job, number - 1), document);

    private async Task<string?> BeforeAsync(JobsDb db, string job, int number)
    {
        try
        {
            return newest.TryGetValue(job, out var kept) && kept.Number == number ? kept.Text : await ReadAsync(db, job, number);
        }
        catch (DamagedDocumentException)
        {
            // What is made of it must not need it.
            return null;
        }
    }

    /// <summary>A document was written.</summary>
    public void Written(string job, int number, string document)
    {
        if (newest.Count >= MostKept && !newest.ContainsKey(job))
        {
            newest.Clear();
        }

        newest[job] = (number, document);
    }

    /// <summary>Reads one; null where there is none.</summary>
    public static async Task<string?> ReadAsync(JobsDb db, string job, int number)
    {
        var rows = await db.Revisions.AsNoTracking().Where(r => r.JobKey == job && r.Number <= number && r.Number > number - WholeEvery)
            .OrderByDescending(r => r.Number).Select(r => new { r.Number, r.IsDifference }).ToListAsync();
        if (rows.Count == 0 || rows[0].Number != number)
        {
            return null;
        }

        if (rows.Find(r => !r.IsDifference) is not { Number: var from })
        {
            throw new DamagedDocumentException(new InvalidDataException("No revision before it lies whole."));
        }

        string[] lines = [];
        await foreach (var (_, read) in LinesAsync(db, job, from, number))
        {
            lines = read;
        }

        return string.Join('\n', lines);
    }

    /// <summary>Reads all of a job from a revision on, one after the other.</summary>
    public static async IAsyncEnumerable<(int Number, string Document)> AllAsync(JobsDb db, string job, int from = 1)
    {
        // The last before it that lies whole by its number is where the others are made from.
        var whole = from - ((from - 1) % WholeEvery);
        await foreach (var (number, lines) in LinesAsync(db, job, whole, int.MaxValue))
        {
            if (number >= from)
            {
                yield return (number, string.Join('\n', lines));
            }
        }
    }

    private static async IAsyncEnumerable<(int Number, string[] Lines)> LinesAsync(JobsDb db, string job, int from, int to)
    {
        string[] lines = [];
        await foreach (var row in db.Revisions.AsNoTracking().Where(r => r.JobKey == job && r.Number >= from && r.Number <= to)
            .OrderBy(r => r.Number).Select(r => new { r.Number, r.IsDifference, r.Document }).AsAsyncEnumerable())
        {
            lines = row.IsDifference ? Difference.Apply(lines, row.Document) : Packed.Unpack(row.Document).Split('\n');
            yield return (row.Number, lines);
        }
    }
}
