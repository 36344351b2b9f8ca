namespace Circuitum.Core.Units;

/// <summary>A place on the plan: X to the east, Y to the south, from the structure's north-west reference.</summary>
public readonly record struct Point(Length X, Length Y)
{
    /// <summary>Moved by so much.</summary>
    public Point By(Length dx, Length dy) => new(X + dx, Y + dy);

    /// <summary>Distance walked square to the walls.</summary>
    public Length SquareTo(Point other) => (X - other.X).Abs() + (Y - other.Y).Abs();

    /// <summary>At a height.</summary>
    public Point3 At(Length z) => new(X, Y, z);
}

/// <summary>A place in the frame: plan position and height above the structure's first floor.</summary>
public readonly record struct Point3(Length X, Length Y, Length Z)
{
    /// <summary>The plan position.</summary>
    public Point Plan => new(X, Y);

    /// <summary>Distance along X, Y and Z.</summary>
    public Length SquareTo(Point3 other) => Plan.SquareTo(other.Plan) + (Z - other.Z).Abs();

    /// <summary>Distance as the crow flies, rounded down to 1/64 in.</summary>
    public Length StraightTo(Point3 other)
    {
        double dx = (X - other.X).Sixtyfourths, dy = (Y - other.Y).Sixtyfourths, dz = (Z - other.Z).Sixtyfourths;
        return new((int)Math.Sqrt((dx * dx) + (dy * dy) + (dz * dz)));
    }
}
