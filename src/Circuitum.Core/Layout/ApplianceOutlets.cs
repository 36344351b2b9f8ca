using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>What is drawn into a room and runs on electricity has an outlet: a load that no circuit carries is missing in every
/// sum.</summary>
internal static class ApplianceOutlets
{
    // An outlet is the appliance's own where it is behind it or within a cord's easy reach of its ends.
    private static readonly Length Beside = Length.FromFeet(3);

    /// <summary>The equipment that a fixture is; null where it takes no current, or burns fuel.</summary>
    public static Appliance? Of(Fixture fixture) => fixture.BurnsFuel ? null : fixture.Kind switch
    {
        FixtureKind.Range => Appliance.Range,
        FixtureKind.Refrigerator => Appliance.Refrigerator,
        FixtureKind.Dishwasher => Appliance.Dishwasher,
        FixtureKind.Dryer => Appliance.Dryer,
        FixtureKind.WaterHeater => Appliance.WaterHeater,
        FixtureKind.AirHandler => Appliance.AirHandler,
        FixtureKind.SaunaHeater => Appliance.SaunaHeater,
        _ => null,
    };

    /// <summary>Drawn appliances without an outlet. A washer is the laundry's (210.50(C)).</summary>
    public static IEnumerable<Owed> Find(Draft draft)
    {
        foreach (var room in draft.House.Rooms)
        {
            foreach (var kind in room.Room.Fixtures.Select((f, i) => (Fixture: f, Number: i + 1))
                .Where(f => Of(f.Fixture) is not null).GroupBy(f => f.Fixture.Kind))
            {
                var fed = draft.In(room.Room.Id).Count(b => IsFor(b, kind.First().Fixture));
                // The one that has none near it is the one that is missing.
                foreach (var (fixture, number) in kind
                    .OrderBy(f => draft.In(room.Room.Id).Any(b => IsFor(b, f.Fixture) && IsAt(b, f.Fixture)) ? 0 : 1).Skip(fed))
                {
                    yield return Missing(draft, room, fixture, number);
                }
            }
        }
    }

    /// <summary>The box that feeds a fixture: of its equipment, behind it or beside it; null where there is none.</summary>
    public static Box? Feeding(IEnumerable<Box> boxes, RoomId room, Fixture fixture) =>
        boxes.FirstOrDefault(b => b.Room == room && IsFor(b, fixture) && IsAt(b, fixture));

    private static Owed Missing(Draft draft, FramedRoom room, Fixture fixture, int number)
    {
        var plate = EquipmentLibrary.Typical(Of(fixture)!.Value);
        return new(room.Room.Id, draft.Book.Cite(RuleId.DrawnAppliance), $"{room.Room.Name}: the {Words.Of(fixture.Kind)} has no outlet.",
            $"It is drawn and on no circuit. {plate.Load} at {plate.Volts} is typical and stands until its own plate is read.",
            d => Place(d, room, fixture, plate))
        {
            Part = $"{fixture.Kind}-{number}",
            On = Subject.Fixture(room.Room.Id, number),
            Act = $"Feed the {Words.Of(fixture.Kind)}",
        };
    }

    // A refrigerator is fed by its own plate or by any receptacle behind it; a range also where cooktop or oven stand for it.
    private static bool IsFor(Box box, Fixture fixture) => box.Devices.Any(d => d.Plate?.Appliance is { } appliance
        && (appliance == Of(fixture) || (fixture.Kind == FixtureKind.Range && appliance is Appliance.Cooktop or Appliance.Oven)))
        || (fixture.Kind == FixtureKind.Refrigerator && box.Wall == fixture.Wall && box.Mount == Mount.Wall
            && box.Devices.Any(d => d.Plate is null && d.Kind.IsGeneralReceptacle())
            && box.Offset >= fixture.Offset && box.Offset <= fixture.Offset + fixture.Width);

    private static bool IsAt(Box box, Fixture fixture) => fixture.Wall is null ? box.Mount != Mount.Wall
        : box.Mount == Mount.Wall && box.Wall == fixture.Wall && box.Offset >= fixture.Offset - Beside
            && box.Offset <= fixture.Offset + fixture.Width + Beside;

    private static void Place(Draft draft, FramedRoom room, Fixture fixture, Nameplate plate)
    {
        var device = EquipmentLibrary.Fed(plate);
        Box On(BoxId id) => new() { Id = id, Room = room.Room.Id, Devices = [device] };
        if (fixture.Wall is not int wall)
        {
            draft.Add(room, "r", id => On(id) with
            { Mount = Mount.Floor, X = fixture.X + (fixture.Width / 2), Y = fixture.Y + (fixture.Depth / 2) });
            return;
        }

        var height = Surveying.UsualHeight(On(new("x")) with { Wall = wall }, draft.Rules);
        Length middle = fixture.Offset + (fixture.Width / 2), end = fixture.Offset + fixture.Width;
        var places = draft.Places(room, height);
        // Behind it; where nothing may stand behind it, or is in the way, beside it.
        if ((places.Nearest(room.Sides[wall - 1], middle, fixture.Offset, end)
            ?? places.Nearest(room.Sides[wall - 1], middle, fixture.Offset - Beside, end + Beside)) is Length at)
        {
            draft.Add(room, "r", id => On(id) with { Wall = wall, Offset = at });
        }
    }
}
