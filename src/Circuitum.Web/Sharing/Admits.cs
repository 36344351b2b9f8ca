using Circuitum.Data.People;
using Microsoft.Extensions.Primitives;

namespace Circuitum.Web.Sharing;

/// <summary>Whom an address admits on a server that is shared; each admits those after it too.</summary>
public enum Admits
{
    /// <summary>Whoever comes.</summary>
    Anyone,

    /// <summary>Whoever has a link to that job, and everybody with an account.</summary>
    Guest,

    /// <summary>Everybody with an account.</summary>
    Crew,

    /// <summary>Who plans.</summary>
    Lead,

    /// <summary>The owner.</summary>
    Owner,

    /// <summary>Nobody: it is for a server that one person has for himself.</summary>
    Nobody,
}

/// <summary>Whom each address admits. What is not listed admits the owner alone, so that a page that is new is closed until it is
/// listed.</summary>
public static class Addresses
{
    // By the pattern of its route: who reads it, and who sends something to it.
    private static readonly Dictionary<string, (Admits Read, Admits Send)> Listed = new(StringComparer.OrdinalIgnoreCase)
    {
        ["css/plan.css"] = (Admits.Anyone, Admits.Nobody),
        ["sign-in"] = (Admits.Anyone, Admits.Anyone),
        ["invitation/{code}"] = (Admits.Anyone, Admits.Anyone),
        ["guest/{code}"] = (Admits.Anyone, Admits.Anyone),
        [Gate.Door] = (Admits.Anyone, Admits.Nobody),
        [""] = (Admits.Crew, Admits.Lead),
        ["Index"] = (Admits.Crew, Admits.Lead),
        ["account"] = (Admits.Crew, Admits.Crew),
        ["people"] = (Admits.Owner, Admits.Owner),
        ["health"] = (Admits.Owner, Admits.Nobody),
        ["health.json"] = (Admits.Owner, Admits.Nobody),
        ["new"] = (Admits.Lead, Admits.Lead),
        ["help/{name?}"] = (Admits.Guest, Admits.Nobody),
        ["bench/{name?}"] = (Admits.Crew, Admits.Crew),
        ["api/bench/{name}"] = (Admits.Crew, Admits.Nobody),
        ["api/bench/openapi.json"] = (Admits.Crew, Admits.Nobody),
        [Board] = (Admits.Crew, Admits.Crew),
        ["metric-board/{key}/site"] = (Admits.Crew, Admits.Crew),
        ["learn"] = (Admits.Crew, Admits.Crew),
        ["learn/{id}"] = (Admits.Crew, Admits.Crew),
        ["meter"] = (Admits.Lead, Admits.Lead),
        ["meter/readings"] = (Admits.Lead, Admits.Nobody),
        ["drawing/{name}.svg"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/house"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/boxes"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/circuits"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/runs"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/panel"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/prove"] = (Admits.Guest, Admits.Crew),
        ["job/{key}/site"] = (Admits.Guest, Admits.Crew),
        ["job/{key}/site/entries"] = (Admits.Nobody, Admits.Crew),
        ["job/{key}/site/photographs"] = (Admits.Nobody, Admits.Crew),
        ["job/{key}/site/photographs/{fingerprint}"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/events"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/file/{name}"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/ruling/{topic}.pdf"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/walls"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/metric"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/metric/site"] = (Admits.Guest, Admits.Crew),
        ["job/{key}/metric/photographs"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/places/{panel}"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/prints/{panel}"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/find/{panel?}"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/material"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/load"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/marks"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/editions"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/divisions"] = (Admits.Guest, Admits.Lead),
        ["job/{key}/rules"] = (Admits.Crew, Admits.Lead),
        ["job/{key}/box/{id}"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/make-up/{panel}"] = (Admits.Guest, Admits.Nobody),
        ["job/{key}/history"] = (Admits.Crew, Admits.Lead),
        ["job/{key}/money"] = (Admits.Lead, Admits.Lead),
        ["job/{key}/share"] = (Admits.Lead, Admits.Lead),
    };

    // Acts of the list of jobs that stand apart.
    private static readonly Dictionary<string, Admits> OnList = new(StringComparer.OrdinalIgnoreCase)
    {
        ["Delete"] = Admits.Owner,
        ["Backup"] = Admits.Owner,
        ["Who"] = Admits.Nobody,
    };

    // Acts of metric boards that stand apart: whoever is of the crew works one out, and who plans keeps it.
    private static readonly Dictionary<string, Admits> OnBoard = new(StringComparer.OrdinalIgnoreCase)
    {
        ["Save"] = Admits.Lead,
        ["Delete"] = Admits.Owner,
    };

    private static readonly Dictionary<string, Admits> None = [];

    private const string Board = "metric-board/{key?}";

    // What a firm's estimates are in; and the job itself, with what the firm pays for a breaker.
    private static readonly Dictionary<string, Admits> OfFirm = new(StringComparer.OrdinalIgnoreCase)
    {
        [Files.PlanFileEndpoints.WholeJob] = Admits.Lead,
        [Files.AsBuilt.Name] = Admits.Lead,
        [Files.AsBuilt.Pdf] = Admits.Lead,
        [Files.PlanFileEndpoints.JobFile] = Admits.Crew,
    };

    /// <summary>The patterns that are listed.</summary>
    public static IEnumerable<string> Patterns => Listed.Keys;

    /// <summary>Whom an address admits.</summary>
    /// <param name="pattern">The pattern of its route, without the slash before it.</param>
    /// <param name="sends">Whether something is sent to it.</param>
    /// <param name="handler">The handlers that are named: of several the first, as the page itself takes it.</param>
    /// <param name="file">The file that is asked for; may be empty.</param>
    public static Admits Of(string pattern, bool sends, StringValues handler, string file)
    {
        if (!Listed.TryGetValue(pattern, out var listed))
        {
            return Admits.Owner;
        }

        var isList = pattern.Length == 0 || pattern.Equals("Index", StringComparison.OrdinalIgnoreCase);
        var apart = isList ? OnList : pattern.Equals(Board, StringComparison.OrdinalIgnoreCase) ? OnBoard : None;
        return sends ? apart.TryGetValue(handler.FirstOrDefault() ?? "", out var act) ? act : listed.Send
            : OfFirm.TryGetValue(file, out var firm) ? firm : listed.Read;
    }

    /// <summary>Whether somebody is among those whom an address admits.</summary>
    /// <param name="admits">Whom it admits.</param>
    /// <param name="who">Who comes; null for who is not signed in.</param>
    /// <param name="job">The job that the address names; null where it names none.</param>
    public static bool Lets(this Admits admits, Someone? who, string? job) => admits switch
    {
        Admits.Anyone => true,
        Admits.Nobody => false,
        _ => who switch
        {
            Someone.Guest guest => admits == Admits.Guest && (job is null || guest.Job.Value == job),
            Someone.OfTheCrew member => admits == Admits.Guest || member.Role >= Role(admits),
            _ => false,
        },
    };

    private static MemberRole Role(Admits admits) => admits switch
    {
        Admits.Crew => MemberRole.Crew,
        Admits.Lead => MemberRole.Lead,
        Admits.Owner => MemberRole.Owner,
        _ => throw new ArgumentOutOfRangeException(nameof(admits), admits, "It is for no role."),
    };
}
