using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>An invitation that can still be taken.</summary>
/// <param name="Id">Row number.</param>
/// <param name="Role">What whoever takes it may do.</param>
/// <param name="MemberId">Whose password it sets; null where it makes an account.</param>
/// <param name="For">Whom it is for; may be empty.</param>
/// <param name="Until">When it ends.</param>
public sealed record Invitation(int Id, MemberRole Role, string? MemberId, string For, DateTimeOffset Until);

/// <summary>Links that make an account or set a new password: each is taken once, or ends.</summary>
public sealed class Invitations(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>How long an invitation stands.</summary>
    public static TimeSpan Stands { get; } = TimeSpan.FromDays(7);

    /// <summary>How long a way to a new password, and the first owner's address, stand.</summary>
    public static TimeSpan StandsShort { get; } = TimeSpan.FromDays(1);

    /// <summary>Most that are open at once.</summary>
    public const int MostOpen = 200;

    /// <summary>Makes one; its code is told here and nowhere again. Null where too many are open.</summary>
    /// <param name="role">What whoever takes it may do.</param>
    /// <param name="madeBy">Who makes it; empty for the machine itself.</param>
    /// <param name="forWhom">Whom it is for.</param>
    /// <param name="stands">How long it stands.</param>
    /// <param name="member">Whose password it sets; null to make an account.</param>
    public async Task<string?> MakeAsync(MemberRole role, string madeBy, string forWhom, TimeSpan stands, string? member = null)
    {
        await using var db = await databases.CreateDbContextAsync();
        if (await Open(db).CountAsync() >= MostOpen)
        {
            return null;
        }

        var (code, now) = (Codes.New(), Now);
        db.Add(new StoredInvitation
        {
            CodeHash = Codes.Hash(code),
            Role = role,
            MemberId = member,
            For = forWhom,
            MadeBy = madeBy,
            At = now,
            Until = now + (long)stands.TotalMilliseconds,
        });
        await db.SaveChangesAsync();
        return code;
    }

    /// <summary>The invitation of a code; null where there is none that can be taken.</summary>
    public async Task<Invitation?> FindAsync(string code)
    {
        await using var db = await databases.CreateDbContextAsync();
        var hash = Codes.Hash(code);
        return await Open(db).FirstOrDefaultAsync(i => i.CodeHash == hash) is { } row ? Read(row) : null;
    }

    /// <summary>Takes it, in one statement: of two who come at once, one is told true.</summary>
    public async Task<bool> TakeAsync(int id)
    {
        await using var db = await databases.CreateDbContextAsync();
        var now = Now;
        return await Open(db).Where(i => i.Id == id).ExecuteUpdateAsync(s => s.SetProperty(i => i.Closed, now)) == 1;
    }

    /// <summary>Opens one again that was taken, and of which nothing came.</summary>
    public async Task GiveBackAsync(int id)
    {
        await using var db = await databases.CreateDbContextAsync();
        await db.Invitations.Where(i => i.Id == id).ExecuteUpdateAsync(s => s.SetProperty(i => i.Closed, (long?)null));
    }

    /// <summary>Withdraws one; false where it was taken, or has ended.</summary>
    public Task<bool> WithdrawAsync(int id) => TakeAsync(id);

    /// <summary>Withdraws what the machine itself gave out, so that only the newest address of a first owner works.</summary>
    public async Task WithdrawFirstAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        var now = Now;
        await db.Invitations.Where(i => i.MadeBy == "" && i.MemberId == null && i.Closed == null)
            .ExecuteUpdateAsync(s => s.SetProperty(i => i.Closed, now));
    }

    /// <summary>Those that can be taken, the newest first.</summary>
    public async Task<IReadOnlyList<Invitation>> OpenAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        return [.. (await Open(db).OrderByDescending(i => i.Id).ToListAsync()).Select(Read)];
    }

    private long Now => time.GetUtcNow().ToUnixTimeMilliseconds();

    private IQueryable<StoredInvitation> Open(JobsDb db)
    {
        var now = Now;
        return db.Invitations.AsNoTracking().Where(i => i.Closed == null && i.Until > now);
    }

    private static Invitation Read(StoredInvitation row) =>
        new(row.Id, row.Role, row.MemberId, row.For, DateTimeOffset.FromUnixTimeMilliseconds(row.Until));
}
