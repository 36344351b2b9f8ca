using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Room to work at a panel, 110.26: 30 in wide and 36 in deep before it, and the space over it to 6 ft kept for it.</summary>
internal static class WorkingSpace
{
    /// <summary>110.26(A)(2): 30 in or the equipment's width.</summary>
    public static Length Width { get; } = Length.FromInches(30);

    /// <summary>110.26(A)(1), condition 1 at 150 V or less to ground.</summary>
    public static Length Depth { get; } = Length.FromInches(36);

    private static readonly Length Headroom = Length.FromInches(78);

    private static readonly Length CabinetHalf = Length.FromInches(7.25m);

    public static IEnumerable<Tag> Check(Checked plan, FramedRoom room, Panel panel)
    {
        var subject = Subject.Panel(panel.Id);
        var side = room.Sides[panel.Wall - 1];
        if (panel.Offset < CabinetHalf || panel.Offset > side.Clear - CabinetHalf
            || side.Openings.Any(o => o.From < panel.Offset + CabinetHalf && o.To > panel.Offset - CabinetHalf))
        {
            yield return new(Severity.Red, Stage.Panel, subject, "framing", $"Panel {panel.Id} has no wall behind it.",
                $"It is 14-1/2 in wide at {panel.Offset} on a wall of {side.Clear}. Move it clear of corners and openings.");
            yield break;
        }

        var fixtures = room.Room.Fixtures.Select(f => (f.Kind, At: room.Footprint(f))).ToList();
        // The 30 in need not be centred on it: any stretch that holds the cabinet will do.
        Length first = Length.Max(Length.Zero, panel.Offset + CabinetHalf - Width),
            last = Length.Min(panel.Offset - CabinetHalf, side.Clear - Width);
        var starts = fixtures.SelectMany(f => new[] { side.Offset(f.At.NorthWest), side.Offset(f.At.SouthEast) })
            .SelectMany(o => new[] { o, o - Width }).Append(first).Append(last).Append(panel.Offset - (Width / 2))
            .Where(s => s >= first && s <= last).ToList();
        var free = starts.Any(s => fixtures.TrueForAll(f => !Meet(Before(side, s), f.At)) && Inside(room, Before(side, s)));
        if (!free)
        {
            var where = Length.Max(first, Length.Min(last, panel.Offset - (Width / 2)));
            var inWay = fixtures.Where(f => Meet(Before(side, where), f.At)).Select(f => Words.Of(f.Kind)).FirstOrDefault();
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.WorkingSpaceClear),
                inWay is null ? $"There is no room to work before panel {panel.Id}." : $"The {inWay} stands in front of panel {panel.Id}.",
                $"30 in wide and 36 in deep stay clear; the wall is {side.Clear} clear and the panel at {panel.Offset}.");
        }

        // 110.26(A)(3): 6-1/2 ft; an existing dwelling's service to 200 A is let off.
        var level = plan.House.LevelOf(panel.Room).Level;
        if ((level.CeilingHeight < Headroom || room.Room.Use == RoomUse.CrawlSpace)
            && !(plan.Job.Service.Existing && panel.Rating.Value <= 200))
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.Headroom),
                $"There is no headroom before panel {panel.Id}.",
                room.Room.Use == RoomUse.CrawlSpace ? "Nobody stands upright in a crawl space; 6-1/2 ft are asked. Move the panel."
                    : $"The ceiling is at {level.CeilingHeight}; 6-1/2 ft are asked. Move the panel.");
        }

        var over = plan.House.LevelOf(panel.Room).Level.Obstructions.FirstOrDefault(o => o.Kind is ObstructionKind.Duct
            or ObstructionKind.PlumbingWall or ObstructionKind.Shaft
            && Meet(Cabinet(side, panel), (o.Corner, o.Corner.By(o.Width, o.Depth))));
        if (over is not null)
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.DedicatedSpace),
                $"{over.Name} runs over panel {panel.Id}.",
                "The space over it to 6 ft or the ceiling is kept for electrical equipment. Move one of them.");
        }
    }

    private static (Point NorthWest, Point SouthEast) Before(RoomSide side, Length start) =>
        Ordered(side.At(start), side.Into(side.At(start + Width), Depth));

    private static (Point NorthWest, Point SouthEast) Cabinet(RoomSide side, Panel panel) =>
        Ordered(side.At(panel.Offset - CabinetHalf), side.Into(side.At(panel.Offset + CabinetHalf), Length.FromInches(6)));

    private static (Point NorthWest, Point SouthEast) Ordered(Point a, Point b) =>
        (new(Length.Min(a.X, b.X), Length.Min(a.Y, b.Y)), new(Length.Max(a.X, b.X), Length.Max(a.Y, b.Y)));

    private static bool Meet((Point NorthWest, Point SouthEast) a, (Point NorthWest, Point SouthEast) b) =>
        a.NorthWest.X < b.SouthEast.X && b.NorthWest.X < a.SouthEast.X && a.NorthWest.Y < b.SouthEast.Y && b.NorthWest.Y < a.SouthEast.Y;

    private static bool Inside(FramedRoom room, (Point NorthWest, Point SouthEast) a) =>
        Outline.Contains(room.Inside, a.NorthWest) && Outline.Contains(room.Inside, a.SouthEast)
            && Outline.Contains(room.Inside, new(a.NorthWest.X, a.SouthEast.Y))
            && Outline.Contains(room.Inside, new(a.SouthEast.X, a.NorthWest.Y));
}
