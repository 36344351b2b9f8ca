using System.Collections.Immutable;

namespace Circuitum.Core.Routing;

/// <summary>What one insulated conductor of a cable is there for.</summary>
public enum Carried
{
    /// <summary>Constant feed.</summary>
    Hot,

    /// <summary>The other leg of 240 V.</summary>
    SecondLeg,

    /// <summary>The circuit's neutral.</summary>
    Neutral,

    /// <summary>Hot while the switch of a light is on.</summary>
    Switched,

    /// <summary>Hot while a fan's own control is on.</summary>
    Fan,

    /// <summary>One of two travelers.</summary>
    TravelerOne,

    /// <summary>The other traveler.</summary>
    TravelerTwo,

    /// <summary>Signal between alarms.</summary>
    Signal,

    /// <summary>Constant feed of another circuit in the same cable.</summary>
    OtherHot,

    /// <summary>That circuit's own neutral.</summary>
    OtherNeutral,
}

/// <summary>Counts current-carrying conductors.</summary>
public static class CurrentCarrying
{
    /// <summary>Current-carrying conductors of one cable: 310.15(E) (2017: 310.15(B)(5)). A neutral that carries only the difference of two
    /// legs does not
    /// count, one that carries what a single leg carries does; travelers are never both live and count once; a signal carries nothing to
    /// speak of.</summary>
    /// <param name="carries">The cable's insulated conductors.</param>
    /// <param name="loop">A switch loop: its neutral is there for a later device (404.2(C)) and idle.</param>
    public static int In(ImmutableArray<Carried> carries, bool loop = false)
    {
        var count = carries.Count(c => c is Carried.Hot or Carried.SecondLeg or Carried.Switched or Carried.Fan or Carried.OtherHot
            or Carried.OtherNeutral);
        if (carries.Contains(Carried.TravelerOne))
        {
            count++;
        }

        var balances = carries.Contains(Carried.SecondLeg)
            || (carries.Contains(Carried.OtherHot) && !carries.Contains(Carried.OtherNeutral));
        return carries.Contains(Carried.Neutral) && !balances && !loop ? count + 1 : count;
    }
}
