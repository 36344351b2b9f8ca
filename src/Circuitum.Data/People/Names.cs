using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data.People;

/// <summary>Names of those who did things: a member's id becomes the name they have now, a name that was typed stays as text.</summary>
public sealed class Names
{
    private const string Unknown = "somebody who is not here any more";
    private static readonly Names None = new(new Dictionary<string, string>());
    private readonly IReadOnlyDictionary<string, string> members;

    private Names(IReadOnlyDictionary<string, string> members) => this.members = members;

    /// <summary>The name as it is shown. A name that was typed once and that a member has is told apart.</summary>
    public string Of(string who) => who.StartsWith(Member.Mark) ? members.GetValueOrDefault(who, Unknown)
        : members.Values.Contains(who, StringComparer.OrdinalIgnoreCase) ? $"{who} (typed)" : who;

    /// <summary>A name as it leaves for another place, where nobody has an id.</summary>
    public string AsText(string who) => who.StartsWith(Member.Mark) ? Of(who) : who;

    /// <summary>A name as it comes from elsewhere: text, and nobody's id.</summary>
    public static string Typed(string who) => who.TrimStart(Member.Mark);

    /// <summary>The names of all members.</summary>
    internal static async Task<Names> AllAsync(JobsDb db) => new(await db.Users.AsNoTracking().Select(m => new { m.Id, m.UserName })
        .ToDictionaryAsync(m => m.Id, m => m.UserName ?? ""));

    /// <summary>The names that some rows need; nothing is asked where all were typed.</summary>
    internal static async Task<Names> OfAsync(JobsDb db, IEnumerable<string> who) => who.Any(w => w.StartsWith(Member.Mark))
        ? await AllAsync(db)
        : None;

    /// <summary>The name of one.</summary>
    internal static async Task<string> OneAsync(JobsDb db, string who) => !who.StartsWith(Member.Mark) ? who
        : await db.Users.Where(m => m.Id == who).Select(m => m.UserName).FirstOrDefaultAsync() ?? Unknown;
}
