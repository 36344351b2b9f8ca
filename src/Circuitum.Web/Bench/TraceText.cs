namespace Circuitum.Web.Bench;

/// <summary>Fits names under a station.</summary>
public static class TraceText
{
    /// <summary>Most letters that fit between two stations.</summary>
    public const int Longest = 22;

    /// <summary>The name, cut where it would run into its neighbour.</summary>
    public static string Short(string name) => name.Length <= Longest ? name : name[..(Longest - 1)].TrimEnd() + "…";
}
