using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>An estimate or a change order as it was written.</summary>
/// <param name="Number">Its number in the job, from 1.</param>
/// <param name="Document">The whole of it.</param>
/// <param name="Who">Who wrote it.</param>
/// <param name="At">When.</param>
public sealed record WrittenOffer(int Number, string Document, string Who, DateTimeOffset At);

/// <summary>A price list as it was brought in.</summary>
/// <param name="Document">The list, as CSV.</param>
/// <param name="Who">Who brought it.</param>
/// <param name="At">When.</param>
public sealed record BroughtPrices(string Document, string Who, DateTimeOffset At);

/// <summary>The crew's price list, and the estimates and change orders of every job. All of it is written once and never changed: what an
/// owner signed is what is read again.</summary>
public sealed class Offers(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Most offers of one job.</summary>
    public const int MostOfJob = 500;

    /// <summary>Most price lists kept.</summary>
    public const int MostLists = 1000;

    /// <summary>The newest price list; null while none was brought in.</summary>
    public async Task<BroughtPrices?> PricesAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.PriceLists.AsNoTracking().OrderByDescending(p => p.Id).FirstOrDefaultAsync() is { } row
            ? new(row.Document, await Names.OneAsync(db, row.Who), DateTimeOffset.FromUnixTimeMilliseconds(row.At)) : null;
    }

    /// <summary>Brings in a price list. False when there are as many as are kept.</summary>
    public async Task<bool> BringAsync(string document, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        if (await db.PriceLists.CountAsync() >= MostLists)
        {
            return false;
        }

        db.Add(new StoredPriceList { At = time.GetUtcNow().ToUnixTimeMilliseconds(), Who = who, Document = document });
        await db.SaveChangesAsync();
        return true;
    }

    /// <summary>The offers of a job, the newest first.</summary>
    public async Task<IReadOnlyList<WrittenOffer>> OfAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await db.Offers.AsNoTracking().Where(o => o.JobKey == job.Value).OrderByDescending(o => o.Number).ToListAsync();
        var names = await Names.OfAsync(db, rows.Select(o => o.Who));
        return [.. rows.Select(row => Read(row, names.Of(row.Who)))];
    }

    /// <summary>The newest offer of any job, for its terms; null while none was written.</summary>
    public async Task<WrittenOffer?> NewestAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Offers.AsNoTracking().OrderByDescending(o => o.At).FirstOrDefaultAsync() is { } row
            ? Read(row, await Names.OneAsync(db, row.Who)) : null;
    }

    /// <summary>Writes an offer under the next number of its job, in one statement, so that two who write at once get two numbers. Null
    /// when the job is gone or has as many as it may.</summary>
    public async Task<int?> WriteAsync(JobKey job, string document, string who)
    {
        await using var db = await databases.CreateDbContextAsync();
        var number = await db.Database.SqlQuery<int>($"""
            INSERT INTO Offers (JobKey, Number, At, Who, Document)
            SELECT Key, (SELECT COALESCE(MAX(Number), 0) + 1 FROM Offers WHERE JobKey = {job.Value}),
            {time.GetUtcNow().ToUnixTimeMilliseconds()}, {who}, {document} FROM Jobs
            WHERE Key = {job.Value} AND (SELECT COUNT(*) FROM Offers WHERE JobKey = {job.Value}) < {MostOfJob}
            RETURNING Number AS Value
            """).ToListAsync();
        return number.Count == 1 ? number[0] : null;
    }

    /// <summary>Another job is in its place: it was offered nothing.</summary>
    public async Task ForgetAsync(JobKey job)
    {
        await using var db = await databases.CreateDbContextAsync();
        await db.Offers.Where(o => o.JobKey == job.Value).ExecuteDeleteAsync();
    }

    private static WrittenOffer Read(StoredOffer row, string who) =>
        new(row.Number, row.Document, who, DateTimeOffset.FromUnixTimeMilliseconds(row.At));
}
