using System.Security.Cryptography;
using Microsoft.AspNetCore.Identity;

namespace Circuitum.Data.People;

/// <summary>What somebody may do on a server that is shared; each may do what those before may.</summary>
public enum MemberRole
{
    /// <summary>Reads every job, keeps the record on site, proves.</summary>
    Crew = 1,

    /// <summary>Plans: changes jobs, starts them, prices them, lets guests look.</summary>
    Lead = 2,

    /// <summary>Says who is here, deletes jobs, takes backups.</summary>
    Owner = 3,
}

/// <summary>Somebody with an account. What they did stands under their id, and their name is read when it is shown.</summary>
public sealed class Member : IdentityUser
{
    /// <summary>What every id begins with; no name that is typed does.</summary>
    public const char Mark = '@';

    /// <summary>Longest name, as in a margin of the history.</summary>
    public const int LongestName = 24;

    /// <summary>Somebody new, with an id that nobody has.</summary>
    public Member() => Id = Mark + Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(8));

    /// <summary>What they may do.</summary>
    public MemberRole Role { get; set; } = MemberRole.Crew;

    /// <summary>Since when they are here, milliseconds since 1970 UTC.</summary>
    public long Since { get; set; }

    /// <summary>Since when they are not here any more; null while they are. Their name stays theirs.</summary>
    public long? Left { get; set; }
}
