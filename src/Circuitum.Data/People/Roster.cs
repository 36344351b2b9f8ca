using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>Somebody on the list.</summary>
/// <param name="Name">Their name.</param>
/// <param name="Role">What they may do.</param>
/// <param name="IsHere">False where they are not here any more.</param>
public sealed record Listed(string Name, MemberRole Role, bool IsHere);

/// <summary>Who has an account, for whoever has the job file itself. They have everything in it: this takes from nobody what they
/// had.</summary>
public sealed class Roster(IDbContextFactory<JobsDb> databases, TimeProvider time)
{
    /// <summary>Everybody, by name.</summary>
    public async Task<IReadOnlyList<Listed>> ListAsync()
    {
        await using var db = await databases.CreateDbContextAsync();
        return [.. (await db.Users.AsNoTracking().OrderBy(m => m.NormalizedUserName).ToListAsync())
            .Select(m => new Listed(m.UserName!, m.Role, m.Left is null))];
    }

    /// <summary>A code that sets a new password for somebody, who is here again if they had left. Null where nobody has the name, or too
    /// many links are open.</summary>
    public async Task<string?> RecoverAsync(string name)
    {
        await using var db = await databases.CreateDbContextAsync();
        var normalized = name.ToUpperInvariant();
        if (await db.Users.FirstOrDefaultAsync(m => m.NormalizedUserName == normalized) is not { } member)
        {
            return null;
        }

        member.Left = null;
        await db.SaveChangesAsync();
        return await new Invitations(databases, time).MakeAsync(member.Role, "", member.UserName!, Invitations.StandsShort, member.Id);
    }
}
