using System.Globalization;
using Circuitum.Core.Site;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>What a phone says of a fact that it kept while there was no signal; nothing where it was sent at once.</summary>
public sealed record KeptOnPhone
{
    // A phone that was put away for longer than a season has a wrong clock.
    private static readonly TimeSpan Longest = TimeSpan.FromDays(400);

    /// <summary>Its id there: sent twice, it is one.</summary>
    public string? Id { get; init; }

    /// <summary>When it was pressed, milliseconds of Unix time.</summary>
    public string? At { get; init; }

    /// <summary>The id it is written down by; one of its own where the phone gave none.</summary>
    public EntryId EntryId => Core.Site.EntryId.TryParse(Id) ?? new(Guid.NewGuid());

    /// <summary>When it was done: as the phone says, but never later than now, and now where the phone says nothing that can be.</summary>
    public Instant Before(TimeProvider clock)
    {
        var now = clock.GetUtcNow();
        return new(long.TryParse(At, NumberStyles.None, CultureInfo.InvariantCulture, out var at)
            && at <= now.ToUnixTimeMilliseconds() && at > (now - Longest).ToUnixTimeMilliseconds() ? at : now.ToUnixTimeMilliseconds());
    }
}
