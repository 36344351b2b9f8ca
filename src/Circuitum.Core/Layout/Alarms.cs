using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Smoke alarms in each bedroom, outside each sleeping area and on each level (R314.3); carbon monoxide alarms outside sleeping
/// areas where fuel burns or a garage adjoins (R315.2, R315.3).</summary>
internal static class Alarms
{
    public static IEnumerable<Owed> Find(Draft draft)
    {
        foreach (var structure in draft.House.Structures.Where(s => !s.Structure.Accessory))
        {
            var rooms = structure.Levels.SelectMany(l => l.Rooms).ToList();
            foreach (var bedroom in rooms.Where(r => r.Room.Use == RoomUse.Bedroom))
            {
                if (!HasAlarm(draft, bedroom))
                {
                    yield return new(bedroom.Room.Id, draft.Book.Cite(RuleId.SmokeAlarms), $"{bedroom.Room.Name} has no smoke alarm.",
                        "One in each bedroom, interconnected, on the house’s supply with a battery.",
                        d => Place(d, bedroom, DeviceKind.SmokeAlarm))
                    { Act = "Place an alarm" };
                }

                // R315.3: inside the bedroom too, where something burns in it or in a bath of its own.
                if (!HasMonoxide(draft, bedroom) && (Burns(bedroom)
                    || Doorways.Of(draft.House, bedroom).Any(d => d.Other is { Room.Use: RoomUse.Bath } bath && Burns(bath))))
                {
                    yield return new(bedroom.Room.Id, draft.Book.Cite(RuleId.CarbonMonoxideAlarms),
                        $"{bedroom.Room.Name} has no carbon monoxide alarm.", "A fireplace burns in it, or in a bath of its own.",
                        d => MakeMonoxide(d, bedroom))
                    {
                        Part = "monoxide",
                        Act = "Place an alarm",
                    };
                }
            }

            var outside = rooms.Where(r => r.Room.Use == RoomUse.Bedroom).SelectMany(b => Doorways.Of(draft.House, b)).Select(d => d.Other)
                .OfType<FramedRoom>()
                .Where(r => r.Room.Use is not (RoomUse.Closet or RoomUse.Bath or RoomUse.Bedroom)).DistinctBy(r => r.Room.Id).ToList();
            var fuel = structure.Structure.FuelBurning || rooms.Exists(Burns);
            var monoxide = fuel || rooms.Exists(r => r.Room.Use == RoomUse.Garage);
            foreach (var room in outside)
            {
                if (!HasAlarm(draft, room))
                {
                    yield return new(room.Room.Id, draft.Book.Cite(RuleId.SmokeAlarms),
                        $"{room.Room.Name}, outside the bedrooms, has no smoke alarm.", "One outside each sleeping area.",
                        d => Place(d, room, monoxide ? DeviceKind.SmokeCoAlarm : DeviceKind.SmokeAlarm))
                    { Act = "Place an alarm" };
                }

                if (monoxide && !HasMonoxide(draft, room))
                {
                    yield return new(room.Room.Id, draft.Book.Cite(RuleId.CarbonMonoxideAlarms),
                        $"{room.Room.Name}, outside the bedrooms, has no carbon monoxide alarm.", fuel
                        ? "Something in this house burns fuel." : "A garage adjoins this house.",
                        d => MakeMonoxide(d, room))
                    { Act = "Place an alarm" };
                }
            }

            foreach (var level in structure.Levels.Where(l => l.Rooms.Any(r => r.Room.Use is not (RoomUse.CrawlSpace or RoomUse.Garage))))
            {
                if (!level.Rooms.Any(r => HasAlarm(draft, r)))
                {
                    var room = level.Rooms.OrderBy(r => r.Room.Use switch
                    {
                        RoomUse.Hall => 0,
                        // Nothing hangs where the stair is open to the one above.
                        RoomUse.Stair => Stairs.Top(draft.House, r) == r ? 1 : 9,
                        RoomUse.Family => 2,
                        RoomUse.Dining => 3,
                        RoomUse.Kitchen or RoomUse.Bath or RoomUse.Garage or RoomUse.Sauna => 9,
                        _ => 4
                    }).First();
                    yield return new(room.Room.Id, draft.Book.Cite(RuleId.SmokeAlarms),
                        $"{structure.Structure.Name}, {level.Level.Name.ToLowerInvariant()} has no smoke alarm.",
                        "At least one on each level.", d => Place(d, room, DeviceKind.SmokeAlarm))
                    {
                        Part = "level",
                        Act = "Place an alarm"
                    };
                }
            }
        }
    }

    private static bool Burns(FramedRoom room) => room.Room.Fixtures.Any(f => f is { Kind: FixtureKind.Fireplace, Electric: false }
        or { BurnsFuel: true });

    private static bool HasMonoxide(Draft draft, FramedRoom room) =>
        draft.In(room.Room.Id).Any(b => b.Devices.Any(d => d.Kind == DeviceKind.SmokeCoAlarm));

    private static bool HasAlarm(Draft draft, FramedRoom room) => draft.In(room.Room.Id).Any(b => b.Devices.Any(d => d.Kind.IsAlarm()));

    private static void MakeMonoxide(Draft draft, FramedRoom room)
    {
        var alarm = draft.In(room.Room.Id).FirstOrDefault(b => b.Devices.Any(d => d.Kind == DeviceKind.SmokeAlarm));
        if (alarm is null)
        {
            Place(draft, room, DeviceKind.SmokeCoAlarm);
            return;
        }

        draft.Replace(alarm with
        {
            Devices = [.. alarm.Devices.Select(d => d.Kind == DeviceKind.SmokeAlarm ? d with { Kind = DeviceKind.SmokeCoAlarm } : d)]
        });
    }

    // Off the lamp in the middle, still well out of the corners where air stands.
    private static void Place(Draft draft, FramedRoom room, DeviceKind kind)
    {
        var (a, b) = Outline.Largest(room.Inside);
        var centre = room.Centre;
        var others = draft.In(room.Room.Id).Where(x => x.Mount == Mount.Ceiling).Select(draft.At).ToList();
        Length off = Length.FromInches(30), wall = Length.FromInches(12);
        var near = new[] { centre.By(Length.Zero, off), centre.By(off, Length.Zero), centre.By(Length.Zero, -off),
            centre.By(-off, Length.Zero), centre.By(Length.Zero, off / 2), centre.By(off / 2, Length.Zero),
            centre.By(Length.Zero, off * 2), centre.By(off * 2, Length.Zero) }
            .Where(Fits).ToList();
        var quiet = near.Concat(Grid(a, b, wall).Where(Fits).OrderBy(p => p.SquareTo(centre))).Where(IsQuiet).Cast<Point?>()
            .FirstOrDefault();
        draft.OnCeiling(room, "a", quiet ?? near.Cast<Point?>().FirstOrDefault() ?? centre, new Device { Kind = kind });

        bool Fits(Point p) => p.X >= a.X + wall && p.X <= b.X - wall && p.Y >= a.Y + wall && p.Y <= b.Y - wall
            && others.TrueForAll(o => o.SquareTo(p) >= wall);
        bool IsQuiet(Point p) => AlarmPlaces.NearRange(draft.House, room, p) is null
            && AlarmPlaces.NearBath(draft.House, room, p) is null;
    }

    private static IEnumerable<Point> Grid(Point a, Point b, Length step)
    {
        for (var x = a.X + step; x <= b.X - step; x += step)
        {
            for (var y = a.Y + step; y <= b.Y - step; y += step)
            {
                yield return new(x, y);
            }
        }
    }
}
