using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Tags;
using Circuitum.Core.Units;

namespace Circuitum.Core.Checks;

/// <summary>Room to work at a panel: as wide, deep and high before it as the book asks (110.26), and the space over it to 6 ft kept for
/// it.</summary>
internal static class WorkingSpace
{
    private static readonly Length CabinetHalf = Length.FromInches(7.25m);

    public static IEnumerable<Tag> Check(Checked plan, FramedRoom room, Panel panel)
    {
        var subject = Subject.Panel(panel.Id);
        var asked = plan.Book.Service;
        Length width = asked.WorkingWidth.Length, depth = asked.WorkingDepth.Length;
        var side = room.Sides[panel.Wall - 1];
        if (panel.Offset < CabinetHalf || panel.Offset > side.Clear - CabinetHalf
            || side.Openings.Any(o => o.From < panel.Offset + CabinetHalf && o.To > panel.Offset - CabinetHalf))
        {
            yield return new(Severity.Red, Stage.Panel, subject, "framing", $"Panel {panel.Id} has no wall behind it.",
                $"It is 14-1/2 in wide at {panel.Offset} on a wall of {side.Clear}. Move it clear of corners and openings.");
            yield break;
        }

        var fixtures = room.Room.Fixtures.Select(f => (f.Kind, At: room.Footprint(f))).ToList();
        // The width need not be centred on it: any stretch that holds the cabinet will do.
        Length first = Length.Max(Length.Zero, panel.Offset + CabinetHalf - width),
            last = Length.Min(panel.Offset - CabinetHalf, side.Clear - width);
        var starts = fixtures.SelectMany(f => new[] { side.Offset(f.At.NorthWest), side.Offset(f.At.SouthEast) })
            .SelectMany(o => new[] { o, o - width }).Append(first).Append(last).Append(panel.Offset - (width / 2))
            .Where(s => s >= first && s <= last).ToList();
        var free = starts.Any(s => fixtures.TrueForAll(f => !Meet(Before(side, s, width, depth), f.At)) && Inside(room, Before(side, s,
            width, depth)));
        if (!free)
        {
            var where = Length.Max(first, Length.Min(last, panel.Offset - (width / 2)));
            var inWay = fixtures.Where(f => Meet(Before(side, where, width, depth), f.At)).Select(f => Words.Of(f.Kind)).FirstOrDefault();
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.WorkingSpaceClear),
                inWay is null ? $"There is no room to work before panel {panel.Id}." : $"The {inWay} stands in front of panel {panel.Id}.",
                $"{asked.WorkingWidth} wide and {asked.WorkingDepth} deep stay clear; the wall is {side.Clear} clear and the "
                    + $"panel at {panel.Offset}.");
        }

        // An existing dwelling's service to 200 A is let off.
        var level = plan.House.LevelOf(panel.Room).Level;
        if ((level.CeilingHeight < asked.Headroom.Length || room.Room.Use == RoomUse.CrawlSpace)
            && !(plan.Job.Service.Existing && panel.Rating.Value <= 200))
        {
            yield return new(Severity.Red, Stage.Panel, subject, plan.Book.Cite(RuleId.Headroom),
                $"There is no headroom before panel {panel.Id}.",
                room.Room.Use == RoomUse.CrawlSpace
                    ? $"Nobody stands upright in a crawl space; {asked.Headroom} are asked. Move the panel."
                    : $"The ceiling is at {level.CeilingHeight}; {asked.Headroom} are asked. Move the panel.");
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

    private static (Point NorthWest, Point SouthEast) Before(RoomSide side, Length start, Length width, Length depth) =>
        Ordered(side.At(start), side.Into(side.At(start + width), depth));

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
