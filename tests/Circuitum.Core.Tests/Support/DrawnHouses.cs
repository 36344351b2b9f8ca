using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;
using CsCheck;

namespace Circuitum.Tests.Support;

/// <summary>Houses as framers leave them, drawn by lot: two rows of rooms with doors, windows, fixtures, and no box yet.</summary>
internal static class DrawnHouses
{
    private static readonly RoomUse[] Uses =
    [
        RoomUse.Kitchen, RoomUse.Bedroom, RoomUse.Bath, RoomUse.Hall, RoomUse.Laundry, RoomUse.Den, RoomUse.Garage, RoomUse.Closet,
        RoomUse.Dining, RoomUse.Family, RoomUse.Entry, RoomUse.Bedroom,
    ];

    private sealed record Lot(int Use, int Feet, int Door, int Window, int Sill, int Fixture);

    public static Gen<Job> Jobs { get; } = Gen.Select(
        Gen.Select(Gen.Int[0, Uses.Length - 1], Gen.Int[6, 22], Gen.Int[0, 100], Gen.Int[0, 100], Gen.Int[0, 48], Gen.Int[0, 100],
            (u, f, d, w, s, x) => new Lot(u, f, d, w, s, x)).Array[2, 9],
        Gen.Int[8, 15], Gen.Int[0, 2],
        (lots, deep, edition) => Make(lots, deep, (Edition)(2017 + (3 * edition))));

    private static Job Make(Lot[] lots, int deep, Edition edition)
    {
        var rooms = ImmutableArray.CreateBuilder<Room>();
        Length x = Length.Zero, y = Length.Zero;
        for (var i = 0; i < lots.Length; i++)
        {
            if (i == (lots.Length + 1) / 2)
            {
                (x, y) = (Length.Zero, Length.FromFeet(deep));
            }

            rooms.Add(Room(lots[i], i, x, y, deep));
            x += Length.FromFeet(lots[i].Feet);
        }

        return Houses.House(rooms.ToImmutable()) with
        { Edition = edition, Panels = [Houses.Panel("room0", 84) with { Offset = 24.Inches() }] };
    }

    // Clear of corners by a foot, so that every opening fits whichever wall turns out to be thicker.
    private static Room Room(Lot lot, int number, Length x, Length y, int deep)
    {
        var use = Uses[lot.Use];
        var wide = lot.Feet * 12;
        var openings = ImmutableArray.CreateBuilder<Opening>();
        if (lot.Door < 90)
        {
            openings.Add(new()
            {
                Id = new($"d{number}"),
                Kind = lot.Door % 3 == 0 ? OpeningKind.Cased : OpeningKind.Door,
                Wall = lot.Door % 2 == 0 ? 3 : 1,
                Offset = (12 + (lot.Door * (wide - 60) / 100)).Inches(),
                Width = 32.Inches(),
                Hinge = (Hinge)(lot.Door % 2),
                SwingsOut = lot.Door % 5 == 0
            });
        }

        if (lot.Window < 80)
        {
            openings.Add(new()
            {
                Id = new($"w{number}"),
                Kind = OpeningKind.Window,
                Wall = lot.Door % 2 == 0 ? 1 : 3,
                Offset = 14.Inches(),
                Width = Math.Min(wide - 40, 36 + lot.Window).Inches(),
                Sill = lot.Sill.Inches()
            });
        }

        var fixtures = ImmutableArray.CreateBuilder<Fixture>();
        switch (use)
        {
            case RoomUse.Kitchen:
                fixtures.Add(new()
                {
                    Kind = FixtureKind.Counter,
                    Wall = 4,
                    Offset = 20.Inches(),
                    Width = 60.Inches(),
                    Depth = 25.Inches()
                });
                fixtures.Add(new()
                {
                    Kind = FixtureKind.Sink,
                    Wall = 4,
                    Offset = (20 + (lot.Fixture / 4)).Inches(),
                    Width = 30.Inches(),
                    Depth = 20.Inches()
                });
                fixtures.Add(new() { Kind = FixtureKind.Range, Wall = 2, Offset = 30.Inches(), Width = 30.Inches(), Depth = 26.Inches() });
                if (wide > 144)
                {
                    fixtures.Add(new()
                    {
                        Kind = FixtureKind.Island,
                        X = 60.Inches(),
                        Y = 40.Inches(),
                        Width = (24 + (lot.Fixture / 3))
                        .Inches(),
                        Depth = 30.Inches()
                    });
                }

                break;
            case RoomUse.Bath:
                fixtures.Add(new() { Kind = FixtureKind.Vanity, Wall = 4, Offset = 10.Inches(), Width = 36.Inches(), Depth = 21.Inches() });
                fixtures.Add(new() { Kind = FixtureKind.Tub, Wall = 2, Offset = 10.Inches(), Width = 60.Inches(), Depth = 20.Inches() });
                break;
            case RoomUse.Family or RoomUse.Den when lot.Fixture > 60:
                fixtures.Add(new()
                {
                    Kind = FixtureKind.Fireplace,
                    Wall = 2,
                    Offset = 24.Inches(),
                    Width = 48.Inches(),
                    Depth = 20.Inches()
                });
                break;
            case RoomUse.Laundry:
                fixtures.Add(new() { Kind = FixtureKind.Washer, Wall = 4, Offset = 6.Inches(), Width = 28.Inches(), Depth = 30.Inches() });
                break;
        }

        return Houses.Rectangle($"room{number}", use, x, y, Length.FromFeet(lot.Feet), Length.FromFeet(deep)) with
        { Openings = openings.ToImmutable(), Fixtures = fixtures.ToImmutable() };
    }
}
