namespace Circuitum.Core.Training;

/// <summary>Draws by a number: the same number draws the same, on any machine and in any version.</summary>
internal static class Lot
{
    /// <summary>One of a count.</summary>
    /// <param name="seed">The lot.</param>
    /// <param name="draw">Which draw of it, from 0.</param>
    /// <param name="count">From how many, at least 1.</param>
    public static int Of(int seed, int draw, int count)
    {
        // Steele, Lea and Flood: Fast splittable pseudorandom number generators (2014), the finisher of SplitMix64.
        var z = unchecked(((ulong)seed * 0x9E3779B97F4A7C15) + ((ulong)draw * 0xD1B54A32D192ED03));
        z = unchecked((z ^ (z >> 30)) * 0xBF58476D1CE4E5B9);
        z = unchecked((z ^ (z >> 27)) * 0x94D049BB133111EB);
        return (int)((z ^ (z >> 31)) % (ulong)count);
    }
}
