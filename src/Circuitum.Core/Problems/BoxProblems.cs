using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

// What is wrong with boards, boxes and what is in them.
public static partial class JobProblems
{
    private static IEnumerable<JobProblem> Boards(Job job)
    {
        if (job.Panels.Count(p => p.FedFrom is null) != 1)
        {
            yield return new("panels", "exactly one panel is fed by the service; the others name fedFrom");
        }

        var rooms = job.RoomsById();
        var panels = job.Panels.Select(p => p.Id).ToHashSet();
        foreach (var panel in job.Panels)
        {
            var where = $"panels “{panel.Id}”";
            if (panel.FedFrom is PanelId from && (!panels.Contains(from) || from == panel.Id || FeedsItself(job, panel)))
            {
                yield return new(where + ".fedFrom", $"“{from}” is no panel that can feed this one");
            }

            if (panel.ByLugs && panel.FedFrom is null)
            {
                yield return new(where + ".byLugs", "the panel on the service is fed by no other panel's lugs");
            }

            if (panel.Spaces is < 4 or > 84 || panel.Spaces % 2 != 0)
            {
                yield return new(where + ".spaces", "an even number from 4 to 84");
            }

            if (panel.Rating.Value is < 30 or > 400)
            {
                yield return new(where + ".rating", "must lie from 30 to 400 A");
            }

            if (panel.Top < Length.FromFeet(3) || panel.Top > Length.FromFeet(8))
            {
                yield return new(where + ".top", $"must lie from {Limit.Feet(3, 8)}");
            }

            foreach (var problem in OnWall(where, rooms, panel.Room, panel.Wall, panel.Offset))
            {
                yield return problem;
            }
        }
    }

    private static IEnumerable<JobProblem> BoxProblems(Job job, CodeBook book)
    {
        var rooms = job.RoomsById();
        var boxes = job.Boxes.Select(b => b.Id).ToHashSet();
        for (var i = 0; i < job.Boxes.Length; i++)
        {
            var box = job.Boxes[i];
            var where = $"boxes[{i}] “{box.Id}”";
            if (!rooms.TryGetValue(box.Room, out var room))
            {
                yield return new(where + ".room", $"room “{box.Room}” is not in the house");
                continue;
            }

            if (box.Mount == Mount.Wall)
            {
                foreach (var problem in OnWall(where, rooms, box.Room, box.Wall, box.Offset))
                {
                    yield return problem;
                }
            }
            else if (box.X.Abs() > Longest || box.Y.Abs() > Longest || !Inside(room, box.X, box.Y))
            {
                yield return new(where, $"X {box.X}, Y {box.Y} lies outside “{room.Name}”");
            }

            if (box.Height is Length height && (height < Length.Zero || height > Length.FromFeet(20)))
            {
                yield return new(where + ".height", $"must lie from {Limit.Feet(0, 20)}; it is {height}");
            }

            if (box.OnPad is Length pad && (pad < Length.Zero || pad > Length.FromFeet(10) || !box.Outside || box.Mount != Mount.Wall
                || !box.Devices.Any(d => d.Kind == DeviceKind.Equipment)))
            {
                yield return new(where + ".onPad", $"equipment outdoors stands on a pad {Limit.Feet(0, 10)} from its wall; it is {pad}");
            }

            if (box.Volume is CubicInches volume && volume.Value is < 4 or > 400)
            {
                yield return new(where + ".volume", "must lie from 4 to 400 in³");
            }

            if (box.Devices.Length is 0 or > 6)
            {
                yield return new(where + ".devices", "a box has 1 to 6 devices");
            }

            foreach (var device in box.Devices)
            {
                foreach (var problem in DeviceProblems(where, device, boxes, book))
                {
                    yield return problem;
                }
            }
        }
    }

    private static IEnumerable<JobProblem> DeviceProblems(string where, Device device, HashSet<BoxId> boxes, CodeBook book)
    {
        if (device.Load is VoltAmps load && load.Value is < 0 or > 50_000)
        {
            yield return new($"{where} {device.Kind}", "load must lie from 0 to 50,000 VA");
        }

        if (device.Rating is Amps rating && (rating.Value is not (15 or 20) || !device.Kind.IsGeneralReceptacle()))
        {
            yield return new($"{where} {device.Kind}", "a 125 V receptacle is rated 15 or 20 A");
        }

        foreach (var twice in device.Controls.GroupBy(c => c).Where(g => g.Count() > 1))
        {
            yield return new($"{where} {device.Kind}", $"controls “{twice.Key}” twice; name it once");
        }

        foreach (var target in device.Controls.Where(c => !boxes.Contains(c)))
        {
            yield return new($"{where} {device.Kind}", $"controls “{target}”, which is no box of this job");
        }

        if (device.Kind is DeviceKind.Equipment or DeviceKind.ApplianceReceptacle && device.Plate is null)
        {
            yield return new($"{where} {device.Kind}", "needs a nameplate");
        }

        if (device.Plate is not { } plate)
        {
            yield break;
        }

        if (!book.Supply.Offered.Contains(plate.Volts))
        {
            yield return new($"{where} “{plate.Name}”",
                $"volts must be {string.Join(" or ", book.Supply.Offered.Select(v => v.Value))}; it is {plate.Volts.Value}");
        }

        if (plate.Load.Value is < 1 or > 50_000)
        {
            yield return new($"{where} “{plate.Name}”", "load must lie from 1 to 50,000 VA");
        }

        if (plate.Name.Trim().Length is 0 or > 40)
        {
            yield return new($"{where} {device.Kind}", "the nameplate needs a name of 1 to 40 characters");
        }

        if (plate.Mca is not null != plate.Mocp is not null || plate.Mca is Amps mca
            && (mca.Value is <= 0 or > 400 || plate.Mocp!.Value < mca || plate.Mocp > 400.Amps()))
        {
            yield return new($"{where} “{plate.Name}”", "give MCA and MOCP together, MOCP not below MCA, both up to 400 A");
        }

        if (plate.Breaker is Amps breaker && (plate.Mca is not null || breaker.Value is < 15 or > 400
            || book.StandardAtLeast(breaker) != breaker))
        {
            yield return new($"{where} “{plate.Name}”", plate.Mca is null
                ? "the breaker it asks for must be a standard one from 15 to 400 A (15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80 …)"
                : "give MCA and MOCP, or the breaker it asks for, not both");
        }
    }

    private static IEnumerable<JobProblem> OnWall(string where, Dictionary<RoomId, Room> rooms, RoomId id, int wall, Length offset)
    {
        if (!rooms.TryGetValue(id, out var room))
        {
            yield return new(where + ".room", $"room “{id}” is not in the house");
        }
        else if (wall < 1 || wall > room.Corners.Length)
        {
            yield return new(where + ".wall", $"wall {wall} is not there; “{room.Name}” has walls 1 to {room.Corners.Length}");
        }
        else if (offset < Length.Zero || offset > Span(room, wall))
        {
            yield return new(where + ".offset",
                $"{offset} is not on wall {wall} of “{room.Name}”, which is {Span(room, wall)} on its center line");
        }
    }

    private static bool FeedsItself(Job job, Panel panel)
    {
        var at = panel;
        for (var steps = 0; at?.FedFrom is PanelId from; steps++)
        {
            if (steps > job.Panels.Length)
            {
                return true;
            }

            at = job.Panels.FirstOrDefault(p => p.Id == from);
        }

        return false;
    }

    private static bool Inside(Room room, Length x, Length y)
    {
        var at = new Point(room.Corners.Min(c => c.X) + x, room.Corners.Min(c => c.Y) + y);
        return House.Outline.Contains(room.Corners, at);
    }
}
