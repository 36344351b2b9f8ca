namespace Circuitum.Data.People;

/// <summary>A link that makes an account, or sets a new password of one: once, until a time.</summary>
public sealed class StoredInvitation
{
    /// <summary>Row number.</summary>
    public int Id { get; init; }

    /// <summary>Hash of its code.</summary>
    public required string CodeHash { get; init; }

    /// <summary>What whoever takes it may do.</summary>
    public required MemberRole Role { get; init; }

    /// <summary>Whose password it sets; null where it makes an account.</summary>
    public string? MemberId { get; init; }

    /// <summary>Whom it is for, as the owner wrote it; may be empty.</summary>
    public required string For { get; init; }

    /// <summary>Who made it: a member's id, or empty for the machine itself.</summary>
    public required string MadeBy { get; init; }

    /// <summary>When it was made, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>When it ends, milliseconds since 1970 UTC.</summary>
    public required long Until { get; init; }

    /// <summary>When it was taken or withdrawn; null while it is open.</summary>
    public long? Closed { get; set; }
}

/// <summary>A link by which whoever has it reads one job, until a time.</summary>
public sealed class StoredGuestLink
{
    /// <summary>Row number.</summary>
    public int Id { get; init; }

    /// <summary>Hash of its code.</summary>
    public required string CodeHash { get; init; }

    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>Whom it is for, as it was written.</summary>
    public required string For { get; init; }

    /// <summary>Who made it.</summary>
    public required string MadeBy { get; init; }

    /// <summary>When it was made, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>When it ends, milliseconds since 1970 UTC.</summary>
    public required long Until { get; init; }

    /// <summary>When it was ended before its time; null where it was not.</summary>
    public long? Ended { get; set; }
}

/// <summary>The code on the doors of a job's panels.</summary>
public sealed class StoredDoor
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>The code.</summary>
    public required string Code { get; init; }

    /// <summary>Who opened them.</summary>
    public required string MadeBy { get; init; }
}

/// <summary>A browser that is signed in, as a member or by a guest's link.</summary>
public sealed class StoredSession
{
    /// <summary>Hash of the key that the browser keeps.</summary>
    public required string KeyHash { get; init; }

    /// <summary>The member; null for a guest.</summary>
    public string? MemberId { get; init; }

    /// <summary>The guest's link; null for a member.</summary>
    public int? GuestLinkId { get; init; }

    /// <summary>What it is, in words: Firefox on Android.</summary>
    public required string Device { get; init; }

    /// <summary>When it began, milliseconds since 1970 UTC.</summary>
    public required long Begun { get; init; }

    /// <summary>When it was last used, to some minutes, milliseconds since 1970 UTC.</summary>
    public required long Last { get; set; }
}
