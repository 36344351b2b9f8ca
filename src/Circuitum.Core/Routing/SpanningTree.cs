using Circuitum.Core.Units;

namespace Circuitum.Core.Routing;

/// <summary>The least that joins places into one piece.</summary>
internal static class SpanningTree
{
    /// <summary>Sum of the least spanning tree, by Prim; one place or none needs nothing.</summary>
    public static Length Least<T>(List<T> places, Func<T, T, Length> between)
    {
        var left = Enumerable.Range(0, places.Count).Skip(1).ToList();
        var near = places.ConvertAll(p => between(places[0], p));
        var sum = Length.Zero;
        while (left.Count > 0)
        {
            var next = left.MinBy(i => near[i]);
            left.Remove(next);
            sum += near[next];
            left.ForEach(i => near[i] = Length.Min(near[i], between(places[next], places[i])));
        }

        return sum;
    }
}
