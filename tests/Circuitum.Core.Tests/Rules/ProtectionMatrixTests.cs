using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Protection;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>Every room use × every kind of device × every edition, worked from 210.8 and 210.12. A cell is 2017, 2020, 2023: 1 where it is
/// asked for.</summary>
public sealed class ProtectionMatrixTests
{
    // GFCI, 210.8(A) for receptacles of 120 V and, from 2020, of 240 V; (C), in 2017 (E), for lights in crawl spaces; (F) from 2020 for
    // what is hard-wired outdoors,
    // and from 2023 in garages. 210.12 (AFCI) goes by the room alone and covers 120 V only.
    //                         receptacle      receptacle within   receptacle    light    fan    alarm   switch   hard-wired
    // room            AFCI  plain  counter   6 ft sink    tub       240 V                                         240 V
    private const string Table = """
        Kitchen            111   001    111       111        111      001          000     000    000     000      000
        Dining             111   000    000       111        111      000          000     000    000     000      000
        Pantry             111   000    000       111        111      000          000     000    000     000      000
        Family             111   000    000       111        111      000          000     000    000     000      000
        Bedroom            111   000    000       111        111      000          000     000    000     000      000
        Den                111   000    000       111        111      000          000     000    000     000      000
        Bath               000   111    111       111        111      011          000     000    000     000      000
        Hall               111   000    000       111        111      000          000     000    000     000      000
        Stair              111   000    000       111        111      000          000     000    000     000      000
        Entry              111   000    000       111        111      000          000     000    000     000      000
        Mudroom            111   000    000       111        111      000          000     000    000     000      000
        Laundry            111   111    111       111        111      011          000     000    000     000      000
        Closet             111   000    000       111        111      000          000     000    000     000      000
        Sauna              000   011    011       111        111      011          000     000    000     000      000
        Utility            000   000    000       111        111      000          000     000    000     000      000
        Garage             000   111    111       111        111      011          000     001    000     000      001
        FinishedBasement   111   011    011       111        111      011          000     000    000     000      000
        UnfinishedBasement 000   111    111       111        111      011          000     000    000     000      000
        CrawlSpace         000   111    111       111        111      011          111     000    000     000      000
        Greenhouse         000   111    111       111        111      011          000     001    000     000      001
        """;

    // Outdoors, whatever the room behind the wall: no AFCI; receptacles in every edition, what is hard-wired from 2020, lights never.
    private const string Outdoors = "111 111 111 111 011 000 011 000 000 011";

    // By equipment, in a room that asks nothing of itself: 210.8(D), in 2020 422.5(A); 625.54.
    private const string Equipment = """
        Dishwasher     111
        SumpPump       011
        Range          001
        Oven           001
        Cooktop        001
        Dryer          001
        Microwave      001
        Refrigerator   000
        Freezer        000
        Disposer       000
        Washer         000
        RangeHood      000
        DoorOpener     000
        VehicleCharger 111
        """;

    private static readonly Edition[] Editions = [Edition.Y2017, Edition.Y2020, Edition.Y2023];

    private static readonly Dictionary<DeviceKind, string> Columns = new()
    {
        [DeviceKind.Duplex] = "receptacle",
        [DeviceKind.Single] = "receptacle",
        [DeviceKind.GfciReceptacle] = "receptacle",
        [DeviceKind.AfciReceptacle] = "receptacle",
        [DeviceKind.HalfSwitched] = "receptacle",
        [DeviceKind.ApplianceReceptacle] = "240 V",
        [DeviceKind.Lamp] = "light",
        [DeviceKind.Can] = "light",
        [DeviceKind.Pendant] = "light",
        [DeviceKind.VanityLight] = "light",
        [DeviceKind.ClosetLight] = "light",
        [DeviceKind.OutdoorLight] = "light",
        [DeviceKind.Strip] = "light",
        [DeviceKind.Flood] = "light",
        [DeviceKind.CeilingFan] = "light",
        [DeviceKind.BathFan] = "fan",
        [DeviceKind.SmokeAlarm] = "alarm",
        [DeviceKind.SmokeCoAlarm] = "alarm",
        [DeviceKind.Switch] = "switch",
        [DeviceKind.Dimmer] = "switch",
        [DeviceKind.ThreeWay] = "switch",
        [DeviceKind.FourWay] = "switch",
        [DeviceKind.Timer] = "switch",
        [DeviceKind.FanControl] = "switch",
        [DeviceKind.OccupancySensor] = "switch",
        [DeviceKind.Disconnect] = "switch",
        [DeviceKind.Equipment] = "hard-wired",
        [DeviceKind.IndoorHead] = "hard-wired",
    };

    private static readonly string[] Order = ["receptacle", "counter", "sink", "tub", "240 V", "light", "fan", "alarm", "switch",
        "hard-wired"];

    public static TheoryData<RoomUse, string, string[]> Rows()
    {
        var rows = new TheoryData<RoomUse, string, string[]>();
        foreach (var row in Read(Table))
        {
            rows.Add(Enum.Parse<RoomUse>(row[0]), row[1], row[2..]);
        }

        return rows;
    }

    private static string Names<T>() where T : struct, Enum => string.Join(' ', Enum.GetNames<T>().Order());

    private static IEnumerable<string[]> Read(string table) =>
        table.Split('\n').Select(r => r.Split(' ', StringSplitOptions.RemoveEmptyEntries));

    [Fact]
    public void The_table_has_every_room_and_every_device() =>
        Assert.Equal((Names<RoomUse>(), Names<DeviceKind>()),
            (string.Join(' ', Read(Table).Select(r => r[0]).Order()),
                // A joint box is no outlet: nothing is asked of it anywhere, which a test of its own shows.
                string.Join(' ', Columns.Keys.Append(DeviceKind.JointBox).Select(k => k.ToString()).Order())));

    [Theory]
    [MemberData(nameof(Rows))]
    public void Room_by_device_by_edition(RoomUse room, string afci, string[] gfci)
    {
        foreach (var (kind, column) in Columns)
        {
            // A head by itself stands at 120 V; equipment here is of 240 V.
            var only120 = column is "240 V" or "hard-wired" && kind != DeviceKind.IndoorHead ? "000" : afci;
            Assert.Equal((kind, only120, gfci[Array.IndexOf(Order, column)]), (kind, Afci(Placed(room, kind)), Gfci(Placed(room, kind))));
            Assert.Equal((kind, "000", Outdoors.Split(' ')[Array.IndexOf(Order, column)]),
                (kind, Afci(Placed(room, kind, outside: true)), Gfci(Placed(room, kind, outside: true))));
        }

        Assert.Equal(("counter", gfci[1]), ("counter", Gfci(Placed(room, DeviceKind.Duplex, counter: true))));
        Assert.Equal(("sink", gfci[2]), ("sink", Gfci(Placed(room, DeviceKind.Duplex, near: FixtureKind.Sink))));
        Assert.Equal(("tub", gfci[3]), ("tub", Gfci(Placed(room, DeviceKind.Duplex, near: FixtureKind.Tub))));
    }

    [Fact]
    public void Equipment_by_edition_where_the_room_asks_nothing()
    {
        foreach (var row in Read(Equipment))
        {
            var appliance = Enum.Parse<Appliance>(row[0]);
            var big = appliance is Appliance.Range or Appliance.Oven or Appliance.Cooktop or Appliance.Dryer or Appliance.VehicleCharger;
            var outlet = new Outlet(RoomUse.Utility, false, true, false, false, false, false, false, (big ? 240 : 120).Volts(),
                (big ? 50 : 20).Amps(), appliance);
            Assert.Equal((appliance, row[1]), (appliance, Gfci([outlet])));
        }
    }

    [Theory] // 210.8(D) of 2023: to 60 A
    [InlineData(60, "001")]
    [InlineData(70, "000")]
    public void A_hard_wired_range_turns_at_60_A(int rating, string gfci) =>
        Assert.Equal(gfci, Gfci(
            [new Outlet(RoomUse.Utility, false, false, false, false, false, false, false, 240.Volts(), rating.Amps(), Appliance.Range)]));

    // 6 ft from the fixture's edge is within, a sixteenth more is not; plan distance in a room of 20 ft.
    [Theory]
    [InlineData(72, "111")]
    [InlineData(73, "000")]
    public void Six_feet_from_a_sinks_edge(int inches, string gfci)
    {
        // Both stand on the same wall, the box's mouth flush with the basin's back: the way is along the wall.
        var job = Houses.House([Houses.Rectangle("room", RoomUse.Den, Length.Zero, Length.Zero, 20.Feet(), 12.Feet())
            with { Fixtures = [new() { Kind = FixtureKind.Sink, Wall = 1, Offset = 12.Inches(), Width = 24.Inches(),
                Depth = 20.Inches() }] }])
            .With(Houses.On("r", "room", 1, 36 + inches));
        Assert.Equal(gfci, Gfci(Protecting.Outlets(Surveying.Survey(Framing.Frame(job), job)[new("r")], 120.Volts(), 20.Amps(),
            CodeBook.For(job))));
    }

    private static string Afci(IEnumerable<Outlet> outlets) =>
        string.Concat(Editions.Select(e => outlets.Any(o => CodeBook.For(e).Protection.Afci(o) is not null) ? '1' : '0'));

    private static string Gfci(IEnumerable<Outlet> outlets) =>
        string.Concat(Editions.Select(e => outlets.Any(o => CodeBook.For(e).Protection.Gfci(o) is not null) ? '1' : '0'));

    // Through the survey, as a plan asks it: 20 A circuits of 120 V, 30 A of 240 V.
    private static List<Outlet> Placed(RoomUse use, DeviceKind kind, bool outside = false, bool counter = false, FixtureKind? near = null)
    {
        var high = kind is DeviceKind.ApplianceReceptacle or DeviceKind.Equipment;
        var box = Houses.On("b", "room", 3, 40, kind) with
        {
            Outside = outside,
            ServesCounter = counter,
            Devices = [new() { Kind = kind, Plate = high ? Houses.Plate(Appliance.Other, 240, 3000) : null }],
        };
        var room = Houses.Rectangle("room", use, Length.Zero, Length.Zero, 16.Feet(), 12.Feet());
        var job = Houses.House(
            [near is { } fixture
                ? room with { Fixtures =
                    [new() { Kind = fixture, Wall = 3, Offset = 20.Inches(), Width = 30.Inches(), Depth = 20.Inches() }] } : room])
            .With(box);
        return [.. Protecting.Outlets(Surveying.Survey(Framing.Frame(job), job)[box.Id], (high ? 240 : 120).Volts(),
            (high ? 30 : 20).Amps(), CodeBook.For(job))];
    }
}
