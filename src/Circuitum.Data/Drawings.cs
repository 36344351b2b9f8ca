using System.Security.Cryptography;
using System.Text;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>Drawings to lay under plans, kept once however often they are brought in.</summary>
public sealed class Drawings(IDbContextFactory<JobsDb> databases)
{
    /// <summary>What a drawing is found by.</summary>
    public static string FingerprintOf(string document) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(document)));

    /// <summary>Keeps a drawing; its fingerprint.</summary>
    public async Task<string> KeepAsync(string document)
    {
        var fingerprint = FingerprintOf(document);
        await using var db = await databases.CreateDbContextAsync();
        if (!await db.Drawings.AnyAsync(d => d.Fingerprint == fingerprint))
        {
            db.Add(new StoredDrawing { Fingerprint = fingerprint, Document = Packed.Pack(document) });
            try
            {
                await db.SaveChangesAsync();
            }
            catch (DbUpdateException e) when (e.InnerException is SqliteException)
            {
                // Someone kept the same drawing meanwhile: it is there.
            }
        }

        return fingerprint;
    }

    /// <summary>Whether the newest revision of a job has a drawing under it.</summary>
    public async Task<bool> IsOfAsync(JobKey job, string fingerprint)
    {
        await using var db = await databases.CreateDbContextAsync();
        var number = await db.Revisions.Where(r => r.JobKey == job.Value).Select(r => (int?)r.Number).MaxAsync() ?? 0;
        return fingerprint.Length == 64 && await RevisionDocuments.ReadAsync(db, job.Value, number) is { } newest
            && newest.Contains(fingerprint, StringComparison.Ordinal);
    }

    /// <summary>A drawing by its fingerprint, or null.</summary>
    public async Task<string?> FindAsync(string fingerprint)
    {
        await using var db = await databases.CreateDbContextAsync();
        var packed = await db.Drawings.Where(d => d.Fingerprint == fingerprint).Select(d => d.Document).FirstOrDefaultAsync();
        return packed is null ? null : Packed.Unpack(packed);
    }
}
