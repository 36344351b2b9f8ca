using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.House;

/// <summary>A wall as it is framed.</summary>
/// <param name="Framing">What it is made of.</param>
/// <param name="Spacing">Studs, furring or vertical chases on centres.</param>
/// <param name="ChaseHeights">Horizontal chases of an insulated panel, above the floor.</param>
public sealed record WallFrame(WallFraming Framing, Length Spacing, ImmutableArray<Length> ChaseHeights)
{
    /// <summary>The first upright chase from the wall's start on its center line, less than <see cref="Spacing"/>.</summary>
    public Length FirstChase { get; init; }

    /// <summary>Across a chase; as panels are usually made, 1-1/2 in.</summary>
    public Length ChaseWidth { get; init; } = Length.FromInches(1.5m);

    /// <summary>Studs stand at 16 in on centres from the wall's start, the usual layout (R602.3).</summary>
    public static Length UsualSpacing { get; } = Length.FromInches(16);

    /// <summary>2×6 studs on a wall to the weather.</summary>
    public static WallFrame Exterior { get; } = new(WallFraming.Wood2x6, UsualSpacing, []);

    /// <summary>2×4 studs between rooms.</summary>
    public static WallFrame Interior { get; } = new(WallFraming.Wood2x4, UsualSpacing, []);

    /// <summary>Over all, board included: studs of 3-1/2, 5-1/2 or 3-5/8 in with 1/2 in board on both faces, an 8 in block with furring and
    /// board,
    /// an insulated panel of 6-1/2 in with board inside.</summary>
    public Length Thickness => Framing switch
    {
        WallFraming.Wood2x6 => Length.FromInches(6.5m),
        WallFraming.MetalStud => Length.FromInches(4.625m),
        WallFraming.MasonryFurred => Length.FromInches(8.875m),
        WallFraming.InsulatedPanel => Length.FromInches(7),
        _ => Length.FromInches(4.5m),
    };

    /// <summary>Wood studs, to be bored.</summary>
    public bool IsWood => Framing is WallFraming.Wood2x4 or WallFraming.Wood2x6;

    /// <summary>Its bays are open from plate to plate, so that cable can rise in any of them.</summary>
    public bool HasOpenBays => Framing is not (WallFraming.MasonryFurred or WallFraming.InsulatedPanel);

    /// <summary>Cable can run along it from bay to bay.</summary>
    public bool RunsAlong => Framing != WallFraming.MasonryFurred && (Framing != WallFraming.InsulatedPanel || !ChaseHeights.IsEmpty);

    /// <summary>Depth of the studs, face to face without the board; of furring 1-1/2 in.</summary>
    public Length StudDepth => Framing switch
    {
        WallFraming.Wood2x6 => Length.FromInches(5.5m),
        WallFraming.MetalStud => Length.FromInches(3.625m),
        WallFraming.MasonryFurred => Length.FromInches(1.5m),
        WallFraming.InsulatedPanel => Length.FromInches(6.5m),
        _ => Length.FromInches(3.5m),
    };

    /// <summary>The height that cable runs along it at: the crew's, or the level chase nearest to that.</summary>
    public Length RunHeight(Length bored) => Framing == WallFraming.InsulatedPanel && !ChaseHeights.IsEmpty
        ? ChaseHeights.MinBy(h => ((h - bored).Abs(), h.Sixtyfourths)) : bored;

    /// <summary>As a person's entry says it.</summary>
    public static WallFrame Of(WallBuild build)
    {
        var frame = new WallFrame(build.Framing, build.Spacing, build.ChaseHeights);
        return build.ChaseWidth is { } width ? frame with { ChaseWidth = width } : frame;
    }

    /// <summary>With its upright chases counted on from one of them.</summary>
    /// <param name="chase">Along the center line from the wall's start; before or behind the wall too.</param>
    public WallFrame WithChaseAt(Length chase)
    {
        var rest = chase.Sixtyfourths % Spacing.Sixtyfourths;
        return this with { FirstChase = new(rest < 0 ? rest + Spacing.Sixtyfourths : rest) };
    }

    /// <summary>The upright chase of an insulated panel that lies nearest to a place along a wall.</summary>
    /// <param name="along">From the wall's start.</param>
    /// <param name="run">How long the wall is.</param>
    public Length NearestChase(Length along, Length run)
    {
        int step = Spacing.Sixtyfourths, first = FirstChase.Sixtyfourths, last = Math.Max(0, (run.Sixtyfourths - first) / step);
        return new(first + (Math.Clamp((along.Sixtyfourths - first + (step / 2)) / step, 0, last) * step));
    }
}
