using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>Who a browser is signed in as.</summary>
public abstract record Someone
{
    private Someone()
    {
    }

    /// <summary>Somebody with an account.</summary>
    public sealed record OfTheCrew(string Id, string Name, MemberRole Role) : Someone;

    /// <summary>Whoever has a link to one job.</summary>
    public sealed record Guest(JobKey Job, string For, DateTimeOffset Until) : Someone;
}

/// <summary>A browser that is signed in.</summary>
/// <param name="Key">What is kept of its key: the hash.</param>
/// <param name="Device">What it is, in words.</param>
/// <param name="Begun">When it began.</param>
/// <param name="Last">When it was last used, to some minutes.</param>
public sealed record Session(string Key, string Device, DateTimeOffset Begun, DateTimeOffset Last);

/// <summary>Browsers that are signed in. Each request asks here, so that what was ended is ended at once, whoever ended it.</summary>
public sealed class Sessions(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>How long a session that nobody uses stands: a crew that comes back after two weeks of holiday signs in anew.</summary>
    public static TimeSpan Idle { get; } = TimeSpan.FromDays(14);

    /// <summary>How long a session stands at most.</summary>
    public static TimeSpan Longest { get; } = TimeSpan.FromDays(90);

    // The time of use is written no oftener: a phone that ticks boxes would write the same row all day.
    private static readonly long Fine = (long)TimeSpan.FromMinutes(5).TotalMilliseconds;

    /// <summary>Begins a member's; the key for the browser.</summary>
    public Task<string> BeginAsync(string member, string device) => BeginAsync(member, null, device);

    /// <summary>Begins a guest's; the key for the browser.</summary>
    public Task<string> BeginAsync(GuestLink link, string device) => BeginAsync(null, link.Id, device);

    /// <summary>Who has a key, as they are now; null where it stands for nobody any more.</summary>
    public async Task<Someone?> FindAsync(string key)
    {
        await using var db = await databases.CreateDbContextAsync();
        var (hash, now) = (Codes.Hash(key), Now);
        var found = await (from s in Standing(db)
                           where s.KeyHash == hash
                           from m in db.Users.Where(m => m.Id == s.MemberId && m.Left == null).DefaultIfEmpty()
                           from g in db.GuestLinks.Where(g => g.Id == s.GuestLinkId && g.Ended == null && g.Until > now).DefaultIfEmpty()
                           select new
                           {
                               s.Last,
                               Member = m == null ? null : new { m.Id, m.UserName, m.Role },
                               Link = g == null ? null : new { g.JobKey, g.For, g.Until },
                           }).FirstOrDefaultAsync();
        if (found is not null && now - found.Last > Fine)
        {
            await db.Sessions.Where(s => s.KeyHash == hash).ExecuteUpdateAsync(s => s.SetProperty(x => x.Last, now));
        }

        return found switch
        {
            { Member: { } m } => new Someone.OfTheCrew(m.Id, m.UserName!, m.Role),
            { Link: { } g } => new Someone.Guest(new(g.JobKey), g.For, DateTimeOffset.FromUnixTimeMilliseconds(g.Until)),
            _ => null,
        };
    }

    /// <summary>The sessions of a member that stand, the last used first.</summary>
    public async Task<IReadOnlyList<Session>> OfAsync(string member)
    {
        await using var db = await databases.CreateDbContextAsync();
        var rows = await Standing(db).Where(s => s.MemberId == member).OrderByDescending(s => s.Last).ThenBy(s => s.KeyHash).ToListAsync();
        return [.. rows.Select(s => new Session(s.KeyHash, s.Device, DateTimeOffset.FromUnixTimeMilliseconds(s.Begun),
            DateTimeOffset.FromUnixTimeMilliseconds(s.Last)))];
    }

    /// <summary>How many of each member stand; who has none is not in it.</summary>
    public async Task<IReadOnlyDictionary<string, int>> CountsAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        return await Standing(db).Where(s => s.MemberId != null).GroupBy(s => s.MemberId!)
            .Select(g => new { g.Key, Count = g.Count() }).ToDictionaryAsync(g => g.Key, g => g.Count);
    }

    /// <summary>Ends the one that has a key.</summary>
    public async Task EndAsync(string key)
    {
        await using var db = await databases.CreateDbContextAsync();
        var hash = Codes.Hash(key);
        await db.Sessions.Where(s => s.KeyHash == hash).ExecuteDeleteAsync();
    }

    /// <summary>Ends one of a member's, named by what is kept of its key; false where it is none of theirs.</summary>
    public async Task<bool> EndAsync(string member, string kept)
    {
        await using var db = await databases.CreateDbContextAsync();
        return await db.Sessions.Where(s => s.MemberId == member && s.KeyHash == kept).ExecuteDeleteAsync() == 1;
    }

    /// <summary>Ends all of a member's.</summary>
    /// <param name="member">The member.</param>
    /// <param name="besides">A key that stays.</param>
    public async Task EndAllAsync(string member, string? besides = null)
    {
        await using var db = await databases.CreateDbContextAsync();
        var stays = besides is null ? "" : Codes.Hash(besides);
        await db.Sessions.Where(s => s.MemberId == member && s.KeyHash != stays).ExecuteDeleteAsync();
    }

    private async Task<string> BeginAsync(string? member, int? link, string device)
    {
        await using var db = await databases.CreateDbContextAsync();
        var key = Codes.New();
        var now = Now;
        // What nobody can use any more goes when somebody comes.
        var (idle, longest) = (now - (long)Idle.TotalMilliseconds, now - (long)Longest.TotalMilliseconds);
        await db.Sessions.Where(s => s.Last <= idle || s.Begun <= longest).ExecuteDeleteAsync();
        db.Add(new StoredSession
        { KeyHash = Codes.Hash(key), MemberId = member, GuestLinkId = link, Device = device, Begun = now, Last = now });
        await db.SaveChangesAsync();
        return key;
    }

    private IQueryable<StoredSession> Standing(JobsDb db)
    {
        var (idle, longest) = (Now - (long)Idle.TotalMilliseconds, Now - (long)Longest.TotalMilliseconds);
        return db.Sessions.AsNoTracking().Where(s => s.Last > idle && s.Begun > longest);
    }

    private long Now => time.GetUtcNow().ToUnixTimeMilliseconds();
}
