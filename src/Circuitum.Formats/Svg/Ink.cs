namespace Circuitum.Formats.Svg;

/// <summary>Remembers where ink already is, so that labels never collide. Inches of the house.</summary>
internal sealed class Ink
{
    private readonly List<(double Left, double Top, double Right, double Bottom)> taken = [];

    public void Take(decimal x, decimal y, decimal halfWidth, decimal halfHeight) =>
        taken.Add(((double)(x - halfWidth), (double)(y - halfHeight), (double)(x + halfWidth), (double)(y + halfHeight)));

    /// <summary>The same ink, to which more can be added.</summary>
    public Ink Copy()
    {
        var copy = new Ink();
        copy.taken.AddRange(taken);
        return copy;
    }

    /// <summary>The first of the places where a label fits; null when none does.</summary>
    public (decimal X, decimal Y)? Fit(IEnumerable<(decimal X, decimal Y)> places, decimal halfWidth, decimal halfHeight)
    {
        double wide = (double)halfWidth, high = (double)halfHeight;
        foreach (var (x, y) in places)
        {
            if (IsFree((double)x, (double)y, wide, high))
            {
                Take(x, y, halfWidth, halfHeight);
                return (x, y);
            }
        }

        return null;
    }

    private bool IsFree(double x, double y, double wide, double high)
    {
        foreach (var t in taken)
        {
            if (x - wide < t.Right && x + wide > t.Left && y - high < t.Bottom && y + high > t.Top)
            {
                return false;
            }
        }

        return true;
    }
}
