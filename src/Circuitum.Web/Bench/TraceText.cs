using Circuitum.Core.Jobs;
using Circuitum.Core.Wiring;

namespace Circuitum.Web.Bench;

/// <summary>Fits names under a station.</summary>
public static class TraceText
{
    /// <summary>Most letters that fit between two stations.</summary>
    public const int Longest = 22;

    /// <summary>Stretches of stations that one ground-fault device protects: from, to, and the device.</summary>
    public static IEnumerable<(int From, int To, BoxId At)> Guarded(IReadOnlyList<Station> stations)
    {
        for (var i = 0; i < stations.Count; i++)
        {
            if (stations[i].Reset.At is not { } at)
            {
                continue;
            }

            var to = i;
            while (to + 1 < stations.Count && stations[to + 1].Reset.At == at)
            {
                to++;
            }

            yield return (i, to, at);
            i = to;
        }
    }

    /// <summary>The name, with receptacle written rec. where that helps, else cut in its middle: the number at its end tells boxes
    /// apart.</summary>
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
