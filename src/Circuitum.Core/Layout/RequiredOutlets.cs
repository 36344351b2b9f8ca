using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>Receptacles that must be in one kind of place: basins, laundries, garages, basements, outbuildings, halls, foyers, beside HVAC
/// equipment.</summary>
internal static class RequiredOutlets
{
    private static readonly Length ThreeFeet = Length.FromFeet(3);

    // A basin is about this wide in its vanity.
    private static readonly Length BasinHalf = Length.FromInches(10);

    // The tallest usual vanity: a receptacle is at most 12 in below its top.
    private static readonly Length BasinTop = Length.FromInches(36);

    public static IEnumerable<Owed> Find(Draft draft) => Basins(draft).Concat(Rooms(draft)).Concat(Foyers(draft)).Concat(Equipment(draft))
        .Concat(Disconnects(draft)).Concat(Washers(draft));

    private static IEnumerable<Owed> Basins(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => r.Room.Use == RoomUse.Bath))
        {
            for (var i = 0; i < room.Room.Fixtures.Length; i++)
            {
                var basin = room.Room.Fixtures[i];
                if (basin.Kind is not (FixtureKind.Vanity or FixtureKind.Sink) || basin.Wall is null || draft.In(room.Room.Id)
                    .Any(b => ServesBasin(draft, room, basin, b)))
                {
                    continue;
                }

                yield return new(room.Room.Id, draft.Book.Cite(RuleId.BasinReceptacle),
                    $"{room.Room.Name}: no receptacle within {draft.Book.Outlets.BasinReach} of the basin.",
                    "On a wall or cabinet beside it, at most 12 in below the counter.",
                    d => PlaceAtBasin(d, room, basin))
                { Part = $"{i + 1}" };
            }
        }
    }

    private static bool ServesBasin(Draft draft, FramedRoom room, Fixture basin, Box box) =>
        !box.Outside && box.Mount == Mount.Wall && box.Devices.Any(d => d.Kind.IsGeneralReceptacle())
            && draft.Height(box) >= BasinTop - Length.FromInches(12)
            && FromBasin(room, basin, draft.At(box)) <= draft.Book.Outlets.BasinReach.Length;

    private static Length FromBasin(FramedRoom room, Fixture basin, Point at)
    {
        var side = room.Sides[basin.Wall!.Value - 1];
        var middle = basin.Offset + (basin.Width / 2);
        var half = Length.Min(BasinHalf, basin.Width / 2);
        return Outline.StraightTo(side.At(middle - half), side.Into(side.At(middle + half), basin.Depth), at);
    }

    // Straight from a place to the nearest point of a rectangle.
    private static void PlaceAtBasin(Draft draft, FramedRoom room, Fixture basin)
    {
        var places = draft.Places(room, draft.Rules.CounterHeight);
        var side = room.Sides[basin.Wall!.Value - 1];
        var middle = basin.Offset + (basin.Width / 2);
        var half = Length.Min(BasinHalf, basin.Width / 2);
        Length reach = Length.FromInches(30), off = Length.FromInches(4), near = draft.Book.Outlets.BasinReach.Length;
        var next = room.Sides[side.Number % room.Sides.Length];
        var before = room.Sides[(side.Number + room.Sides.Length - 2) % room.Sides.Length];
        var offered = new (RoomSide Side, Length? At)[]
        {
            (side, places.Nearest(side, middle + half + off, middle + half, middle + half + reach)),
            (side, places.Nearest(side, middle - half - off, middle - half - reach, middle - half)),
            (next, side.Clear - middle < reach ? places.Nearest(next, Length.FromInches(10), Length.Zero, reach) : null),
            (before, middle < reach ? places.Nearest(before, before.Clear - Length.FromInches(10), before.Clear - reach, before.Clear)
                : null),
        };
        bool Wet((RoomSide Side, Length? At) place) => draft.Book.Outlets.KeepsReceptaclesOffTubs
            && InTubZone(room, place.Side.At(place.At!.Value), draft.Book.Outlets);
        Length Far((RoomSide Side, Length? At) place) => FromBasin(room, basin, place.Side.At(place.At!.Value));
        var best = offered.Where(o => o.At is not null && Far(o) <= near).OrderBy(o => Wet(o) ? 1 : 0).FirstOrDefault();
        if (best.At is null || Wet(best))
        {
            // Beside it the tub is too near: anywhere near enough to the basin that is far enough off the tub, the nearest to the basin.
            var dry = room.Sides.SelectMany(s => Enumerable.Range(0, s.Clear.WholeFeetUp * 6).Select(i => Length.FromInches(2 * i))
                    .Select(wish => (Side: s, At: places.Nearest(s, wish, wish - Length.FromInches(6), wish + Length.FromInches(6)))))
                .Where(o => o.At is not null && Far(o) <= near && !Wet(o)).OrderBy(Far).FirstOrDefault();
            best = dry.At is null ? best : dry;
        }

        if (best.At is Length at)
        {
            draft.Add(room, "r",
                id => new()
                {
                    Id = id,
                    Room = room.Room.Id,
                    Wall = best.Side.Number,
                    Offset = at,
                    Height = draft.Rules.CounterHeight,
                    Devices = [new() { Kind = DeviceKind.Duplex }]
                });
        }
    }

    /// <summary>Some free wall near enough to a basin lies clear of the tub or shower.</summary>
    public static bool HasPlaceOffTub(FramedRoom room, OutletRules rules) => room.Room.Fixtures
        .Where(f => f.Kind is FixtureKind.Vanity or FixtureKind.Sink && f.Wall is not null)
        .Any(basin => room.Sides.Any(side => Enumerable.Range(0, side.Clear.WholeFeetUp * 12).Select(i => Length.FromInches(i))
            .Where(at => at <= side.Clear && !side.Openings.Any(o => at >= o.From && at <= o.To))
            .Any(at => FromBasin(room, basin, side.At(at)) <= rules.BasinReach.Length && !InTubZone(room, side.At(at), rules))));

    /// <summary>Too near to a tub or shower.</summary>
    public static bool InTubZone(FramedRoom room, Point at, OutletRules rules) => room.Tubs
        .Any(f => room.Off(f, at) < rules.OffTubs.Length);

    private static IEnumerable<Owed> Rooms(Draft draft)
    {
        foreach (var room in draft.House.Rooms)
        {
            var general = draft.In(room.Room.Id)
                .Count(b => !b.Outside && draft.Height(b) + BoxSpace.Contacts <= Length.FromInches(66)
                    && b.Devices.Any(d => d.Plate is null && d.Kind.IsGeneralReceptacle()));
            // One of 125 V, a washer's own among them; a dryer's of 250 V is none.
            var any = draft.In(room.Room.Id).Any(b => b.Devices.Any(d => d.Kind.IsGeneralReceptacle()));
            var length = Outline.CentreLine(room.Inside);
            var accessory = draft.House.Structures[room.Structure].Structure.Accessory;
            var bays = room.Room.Use == RoomUse.Garage && (!accessory || HasPower(draft, room))
                ? Math.Max(1, room.Sides.SelectMany(s => s.Openings).Where(o => o.Opening.Kind == OpeningKind.GarageDoor)
                    .Sum(o => o.Opening.Width >= Length.FromFeet(12) ? 2 : 1)) : 0;
            if (general < bays)
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.GarageReceptacle),
                    $"{room.Room.Name}: {bays} vehicle bay{(bays == 1 ? "" : "s")}, "
                    + $"{(general == 0 ? "no receptacle" : $"{general} receptacle{(general == 1 ? "" : "s")}")}.",
                    "One for each bay, at most 5-1/2 ft high.", d => Spread(d, room, bays - general, Length.FromInches(48)));
            }
            else if (room.Room.Use == RoomUse.Laundry && !any)
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.LaundryReceptacle),
                    $"{room.Room.Name}: no receptacle for the laundry.",
                    $"At least one, within 6 ft of the machine ({draft.Book.Cite(RuleId.LaundryWithinReach)}).",
                    d => AtFixture(d, room, FixtureKind.Washer));
            }
            else if (room.Room.Use == RoomUse.UnfinishedBasement && general == 0)
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.BasementReceptacle), $"{room.Room.Name}: no receptacle.",
                    "At least one in each unfinished portion, beyond those for equipment.", d => Spread(d, room, 1, Length.FromInches(48)));
            }
            else if (room.Room.Use == RoomUse.Utility && general == 0 && !accessory && draft.Book.Has(RuleId.UtilityRoomReceptacle))
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.UtilityRoomReceptacle), $"{room.Room.Name}: no receptacle.",
                    "At least one in each utility room, beyond those for equipment.", d => Spread(d, room, 1, Length.FromInches(48)));
            }
            else if (accessory && general == 0 && !draft.House.Structures[room.Structure].Levels.SelectMany(l => l.Rooms)
                .Any(r => draft.In(r.Room.Id).Any(b => b.Devices.Any(x => x.Plate is null && x.Kind.IsGeneralReceptacle()))))
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.AccessoryReceptacle),
                    $"{room.Room.Name}: an outbuilding with power and no receptacle.", "At least one.",
                    d => Spread(d, room, 1, Length.FromInches(48)));
            }
            else if (room.Room.Use == RoomUse.Hall && length >= draft.Book.Outlets.HallFrom.Length && general == 0)
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.HallReceptacle),
                    $"{room.Room.Name}: a hall of {draft.Book.Outlets.HallFrom} or more without a receptacle.",
                    $"{length} ≥ {draft.Book.Outlets.HallFrom.Length}: at least one.",
                    d => Spread(d, room, 1, d.Rules.ReceptacleHeight));
            }
        }
    }

    /// <summary>Something in the building of a room is fed: it has a panel or a box.</summary>
    public static bool HasPower(Draft draft, FramedRoom room) =>
        draft.House.Structures[room.Structure].Levels.SelectMany(l => l.Rooms).Any(r => draft.In(r.Room.Id).Count > 0
            || draft.Start.Panels.Any(p => p.Room == r.Room.Id));

    private static IEnumerable<Owed> Foyers(Draft draft)
    {
        foreach (var room in draft.House.Rooms.Where(r => r.Room.Use == RoomUse.Entry && Outline.Area(r.Inside).Value > 60))
        {
            foreach (var space in WallSpaces.Measure(room, draft.In(room.Room.Id), draft.Book.Outlets)
                .Where(s => s.Clear >= ThreeFeet && s.Receptacles.IsEmpty))
            {
                yield return new(room.Room.Id, draft.Book.Cite(RuleId.FoyerReceptacles),
                    $"{room.Room.Name}: a wall of a foyer without a receptacle.",
                    $"{decimal.Round(Outline.Area(room.Inside).Value, 0)} ft² > 60; each wall space of 3 ft or more, this one is "
                    + $"{space.Clear}.", d => Middle(d, room, space))
                {
                    Part = $"{space.Pieces[0].Wall}-{space.Pieces[0].From.Sixtyfourths}",
                };
            }
        }
    }

    private static IEnumerable<Owed> Equipment(Draft draft)
    {
        foreach (var unit in draft.Boxes.Where(EquipmentReach.IsEquipment).ToList())
        {
            var room = draft.House.Room(unit.Room);
            if (!draft.Boxes.Exists(b => EquipmentReach.Serves(draft.House, unit, b, draft.At)))
            {
                yield return new(unit.Room, draft.Book.Cite(RuleId.EquipmentReceptacle),
                    $"No receptacle within 25 ft of {unit.Devices.First(d => d.Plate is not null).Plate!.Name}.",
                    "On the same level, for whoever services it.", d => Beside(d, room, unit))
                { Part = unit.Id.Value };
            }
        }
    }

    // A washer in a closet, a hall or a bath makes a laundry area of it; in a laundry its receptacle may stand too far off.
    private static IEnumerable<Owed> Washers(Draft draft)
    {
        foreach (var room in draft.House.Rooms)
        {
            var washers = room.Room.Fixtures.Where(f => f.Kind == FixtureKind.Washer).ToList();
            var receptacles = draft.In(room.Room.Id).Where(b => b.Devices.Any(d => d.Kind.IsGeneralReceptacle())).ToList();
            var laundry = room.Room.Use == RoomUse.Laundry;
            if (washers.Count > 0 && !(laundry && receptacles.Count == 0)
                && !receptacles.Exists(b => washers.Exists(w => LaundryAreas.Serves(room, w, draft.At(b)))))
            {
                yield return new(room.Room.Id, draft.Book.Cite(laundry ? RuleId.LaundryWithinReach : RuleId.LaundryReceptacle),
                    $"{room.Room.Name}: no receptacle {(laundry ? "within 6 ft of" : "for")} the washer.",
                    $"At least one, within 6 ft of the machine ({draft.Book.Cite(RuleId.LaundryWithinReach)}).",
                    d => AtFixture(d, room, FixtureKind.Washer))
                { Part = "washer" };
            }
        }
    }

    // Within sight of an outdoor unit (440.14), of electric heat with its blower (424.19), of a motor (430.102(B)): beside it, within reach
    // and not behind it. A panel in the same room within 50 ft is in sight (Article 100).
    private static IEnumerable<Owed> Disconnects(Draft draft)
    {
        var worked = draft.Boxes.ShutOff();
        foreach (var unit in draft.Boxes.Where(b => !worked.Contains(b.Id)).ToList())
        {
            if (unit.Devices.Select(d => AsksDisconnect(unit, d)).FirstOrDefault(r => r is not null) is not { } rule
                || (!unit.Outside && draft.Start.Panels.Any(p => p.Room == unit.Room)))
            {
                continue;
            }

            yield return new(unit.Room, draft.Book.Cite(rule),
                $"{unit.Devices.First(d => d.Plate is not null).Plate!.Name} has no disconnect within sight.",
                IsHotTub(unit) ? "Within sight of it, and at least 5 ft from the water."
                    : unit.Outside ? "Within sight and reach of the unit, on its wall and not behind it."
                    : "Within sight of it, at most 50 ft off; one that is built in counts: the plate says so.", d => PlaceDisconnect(d,
                        unit))
            {
                Part = unit.Id.Value,
                On = Subject.Box(unit.Id),
                Act = "Place a disconnect beside it",
            };
        }
    }

    private static RuleId? AsksDisconnect(Box unit, Device device) => device is
    {
        Kind: DeviceKind.Equipment,
        Plate: { OwnDisconnect: false } plate
    }
        ? plate.Appliance switch
        {
            Appliance.HeatPump when unit.Outside => RuleId.EquipmentDisconnect,
            Appliance.AirHandler => RuleId.HeatingDisconnect,
            Appliance.Pump => RuleId.MotorDisconnect,
            Appliance.HotTub => RuleId.HotTubDisconnect,
            _ => null,
        }
        : null;

    private static bool IsHotTub(Box unit) => unit.Devices.Any(d => d.Plate is { Appliance: Appliance.HotTub });

    private static void PlaceDisconnect(Draft draft, Box unit)
    {
        var room = draft.House.Room(unit.Room);
        if (unit.Mount != Mount.Wall)
        {
            // Beside it where it stands, in the attic or on the floor, wherever the room has 2 ft to a side.
            Length beside = Length.FromInches(24), none = Length.Zero;
            var places = new[] { (beside, none), (-beside, none), (none, beside), (none, -beside) }
                .Select(s => (X: unit.X + s.Item1, Y: unit.Y + s.Item2))
                .Where(p => Outline.Contains(room.Inside, room.NorthWest.By(p.X, p.Y))).ToList();
            if (places.Count > 0)
            {
                draft.Add(room, "x", id => new()
                {
                    Id = id,
                    Room = unit.Room,
                    Mount = unit.Mount,
                    X = places[0].X,
                    Y = places[0].Y,
                    Devices = [new() { Kind = DeviceKind.Disconnect, Controls = [unit.Id] }],
                });
            }

            return;
        }

        var side = room.Sides[unit.Wall - 1];
        // Out of reach of who sits in a hot tub; beside anything else.
        var tub = IsHotTub(unit);
        Length height = Length.FromInches(48), least = tub ? Length.FromFeet(5) : Length.Zero,
            off = tub ? Length.FromFeet(6) : Length.FromInches(24), reach = tub ? Length.FromFeet(12) : Length.FromFeet(4);
        var onWall = draft.Places(room, height);
        if ((onWall.Nearest(side, unit.Offset + off, unit.Offset + least, unit.Offset + reach)
            ?? onWall.Nearest(side, unit.Offset - off, unit.Offset - reach, unit.Offset - least)) is Length at)
        {
            draft.Add(room, "x", id => new()
            {
                Id = id,
                Room = unit.Room,
                Wall = unit.Wall,
                Offset = at,
                Height = height,
                Outside = unit.Outside,
                Devices = [new() { Kind = DeviceKind.Disconnect, Controls = [unit.Id] }],
            });
        }
    }

    private static void Beside(Draft draft, FramedRoom room, Box unit)
    {
        var wall = unit.Mount == Mount.Wall ? unit.Wall : 1;
        var height = unit.Outside ? Length.FromInches(24) : draft.Rules.ReceptacleHeight;
        var side = room.Sides[wall - 1];
        if (draft.Places(room, height).Nearest(side, unit.Offset + Length.FromInches(30), Length.Zero, side.Clear) is Length at)
        {
            draft.Add(room, "r",
                id => new()
                {
                    Id = id,
                    Room = unit.Room,
                    Wall = wall,
                    Offset = at,
                    Outside = unit.Outside,
                    Devices = [new() { Kind = DeviceKind.Duplex }]
                });
        }
    }

    private static void Middle(Draft draft, FramedRoom room, WallSpace space)
    {
        var spots = draft.Places(room, draft.Rules.ReceptacleHeight).Along(space, space.Clear);
        if (spots.Count > 0)
        {
            var (wall, offset) = space.At(spots.OrderBy(s => s.Against).ThenBy(s => (s.At - (space.Clear / 2)).Abs()).First().At);
            draft.OnWall(room, "r", wall, offset, new Device { Kind = DeviceKind.Duplex });
            return;
        }

        WallOutlets.OnFloor(draft, room, space, space.Clear / 2);
    }

    private static void AtFixture(Draft draft, FramedRoom room, FixtureKind kind)
    {
        if (room.Room.Fixtures.FirstOrDefault(f => f.Kind == kind && f.Wall is not null) is { Wall: int wall } fixture
            && draft.Places(room, Length.FromInches(42))
            .Nearest(room.Sides[wall - 1], fixture.Offset + (fixture.Width / 2), fixture.Offset - Length.FromFeet(3),
                fixture.Offset + fixture.Width + Length.FromFeet(3)) is Length at)
        {
            draft.Add(room, "r",
                id => new()
                {
                    Id = id,
                    Room = room.Room.Id,
                    Wall = wall,
                    Offset = at,
                    Height = Length.FromInches(42),
                    Devices = [new() { Kind = DeviceKind.Duplex }]
                });
            return;
        }

        Spread(draft, room, 1, Length.FromInches(42));
    }

    // One to a free stretch, the longest first, in its middle.
    private static void Spread(Draft draft, FramedRoom room, int count, Length height)
    {
        for (var i = 0; i < count; i++)
        {
            var places = draft.Places(room, height);
            var stretch = room.Sides.SelectMany(s => places.Free(s, Length.Zero, s.Clear).Select(f => (Side: s, f.From, f.To)))
                .OrderByDescending(f => f.To - f.From).FirstOrDefault();
            if (stretch.Side is null || places.Nearest(stretch.Side, (stretch.From + stretch.To) / 2, stretch.From, stretch.To)
                is not Length at)
            {
                return;
            }

            draft.Add(room, "r",
                id => new()
                {
                    Id = id,
                    Room = room.Room.Id,
                    Wall = stretch.Side.Number,
                    Offset = at,
                    Height = height == draft.Rules.ReceptacleHeight ? null : height,
                    Devices = [new() { Kind = DeviceKind.Duplex }]
                });
        }
    }
}
