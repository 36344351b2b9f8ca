namespace Circuitum.Tests.Support;

/// <summary>Numbers by lot of the textbook (Numerical Recipes): the same on every machine and with every library.</summary>
internal sealed class Draw(uint seed)
{
    private uint state = seed * 2654435761;

    /// <summary>From 0 to one less than <paramref name="most"/>.</summary>
    public int Below(int most)
    {
        state = (state * 1664525) + 1013904223;
        return (int)((state >> 8) % (uint)most);
    }
}
