using Circuitum.Data.People;

namespace Circuitum.Web.Sharing;

/// <summary>What each role may do, in a sentence.</summary>
public static class Roles
{
    /// <summary>Says it.</summary>
    public static string Says(MemberRole role) => role switch
    {
        MemberRole.Owner => "does everything, and says who is here",
        MemberRole.Lead => "plans: changes jobs, prices them, lets guests read",
        _ => "reads every job, keeps the record on site",
    };
}
