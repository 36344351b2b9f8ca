namespace Circuitum.Web.Bench;

/// <summary>Fits names under a station.</summary>
public static class TraceText
{
    /// <summary>Most letters that fit between two stations.</summary>
    public const int Longest = 22;

    /// <summary>The name, with receptacle written rec. where that helps, else cut in its middle: the number at its end tells boxes apart.</summary>
    public static string Short(string name)
    {
        if (name.Length <= Longest)
        {
            return name;
        }

        var brief = name.Replace("receptacle", "rec.", StringComparison.Ordinal);
        return brief.Length <= Longest ? brief : $"{brief[..(Longest - 7)].TrimEnd()}…{brief[^7..].TrimStart()}";
    }
}
