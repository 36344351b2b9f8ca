using Circuitum.Data;

namespace Circuitum.Web.Edge;

/// <summary>Which file the jobs are in.</summary>
internal static class JobFileSetting
{
    /// <summary>As it was started with, else the usual one.</summary>
    public static string JobFile(this IConfiguration settings) => settings["Database"] ?? Databases.Usual;
}
