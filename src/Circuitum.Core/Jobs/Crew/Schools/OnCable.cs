namespace Circuitum.Core.Jobs;

/// <summary>What branch circuits are pulled in where a choice is.</summary>
public enum CableKind
{
    /// <summary>Nonmetallic-sheathed cable where it may be.</summary>
    Nonmetallic,

    /// <summary>Armored cable everywhere it may be, its boxes of metal.</summary>
    Armoured,
}

/// <summary>Size of the home run against voltage drop.</summary>
public enum HomeRunSize
{
    /// <summary>The circuit's own size.</summary>
    Own,

    /// <summary>One size larger; the breaker still by the smallest conductor.</summary>
    OneLarger,
}

/// <summary>The way cables take between boxes.</summary>
public enum CableWay
{
    /// <summary>Along the studs for jumpers, overhead for home runs: whichever costs less.</summary>
    LeastLabour,

    /// <summary>Overhead and down, always.</summary>
    Overhead,

    /// <summary>From below, through the crawl space or basement, where there is one.</summary>
    FromBelow,
}

/// <summary>Neat or short.</summary>
public enum CableLay
{
    /// <summary>Squared turns; home runs share lanes where it costs nothing.</summary>
    Squared,

    /// <summary>Least footage: straight across a floor or an attic where nothing is in the way.</summary>
    Shortest,
}

/// <summary>Whether a box may feed two ways.</summary>
public enum FeedBranches
{
    /// <summary>Where the box has room for a third cable and it saves enough.</summary>
    WhereThereIsRoom,

    /// <summary>One in, one out.</summary>
    Never,
}

/// <summary>How several cables down one bay are held.</summary>
public enum CableColumn
{
    /// <summary>In stackers, spaced from each other.</summary>
    Stackers,

    /// <summary>Tied behind a staple, the cables of one hole together: in contact, so that 334.80 and Table 310.15(C)(1) count
    /// them.</summary>
    Ties,

    /// <summary>Staple over staple, spaced.</summary>
    StapleOverStaple,
}

/// <summary>What a feeder inside one building is pulled in. In the ground it is always in pipe.</summary>
public enum FeederWay
{
    /// <summary>In cable of four wires, as most houses have it.</summary>
    Cable,

    /// <summary>In a pipe of its own.</summary>
    Pipe,
}

/// <summary>Metal of feeders.</summary>
public enum FeederMetal
{
    /// <summary>Copper.</summary>
    Copper,

    /// <summary>Aluminium, its terminals listed for it (110.14).</summary>
    Aluminium,
}
