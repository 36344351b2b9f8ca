using Circuitum.Core.Conductors;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;

namespace Circuitum.Core.Tests;

/// <summary>What grounds, bonds and shuts off is bought: RuleId.BuildingElectrode, BuildingDisconnect, BondedPipe, LockedOff,
/// CableAlongFurring,
/// OutOfTheEarth, FanBoxes, PullBoxes, WaterPipeBond, GarageSeparation.</summary>
public sealed class ServiceMaterialTests
{
    private static List<MaterialLine> Of(Job job) => [.. Hardware.Of(Planner.Plan(job))];

    private static int Count(Job job, string item) => Of(job).Where(m => m.Item.StartsWith(item, StringComparison.Ordinal)).Sum(m =>
        m.Quantity);

    private static Job Den => Houses.Row(("den", RoomUse.Den, 20)).With(Houses.On("r", "den", 1, 60), Houses.Ceiling("l", "den", 60, 60));

    [Fact] // a service of 200 A on 4/0 aluminium: 4 copper (Table 250.66), to rods no larger than 6
    public void The_service_is_grounded_and_bonded()
    {
        var job = Den with { Service = new() { Rods = 2, FootingSteel = true, GasPipe = true, WaterPipe = false } };
        Assert.Equal(2, Count(job, "Ground rods"));
        Assert.Contains(Of(job), m => m.Item.StartsWith("Electrode conductor to the rods, 6 copper", StringComparison.Ordinal));
        Assert.Contains(Of(job), m => m.Item.StartsWith("Electrode conductor to footing steel, 4 copper", StringComparison.Ordinal));
        Assert.Equal(1, Count(job, "Bonding jumper to the gas pipe"));
        Assert.Equal(1, Count(job, "Bridge for bonding"));
        Assert.Equal(0, Count(job with { Service = job.Service with { Existing = true } }, "Ground rods"));
    }

    [Theory] // RuleId.WaterPipeBond, by the service's size like the electrode's; the conductor to a pipe that is an electrode bonds it
    [InlineData(true, false, 1)]
    [InlineData(true, true, 0)]
    [InlineData(false, false, 0)]
    public void Metal_water_pipe_is_bonded(bool metal, bool electrode, int jumpers) =>
        Assert.Equal(jumpers, Count(Den with { Service = new() { MetalWater = metal, WaterPipe = electrode } },
            "Bonding jumper to the metal water pipe, 4 copper"));

    [Theory] // RuleId.GarageSeparation: a receptacle on either face of the wall between, whose cable comes up through its sole plate
    [InlineData("g", 2, 1)]
    [InlineData("d", 4, 1)]
    [InlineData("d", 2, 0)]
    [InlineData("g", 1, 0)]
    public void What_passes_the_separation_of_a_garage_is_sealed(string room, int wall, int boxes)
    {
        var job = (Houses.Row(("g", RoomUse.Garage, 20), ("d", RoomUse.Den, 20)) with { Schools = new() { Way = CableWay.FromBelow } })
            .With(Houses.On("r", room, wall, 60));
        Assert.Equal(boxes, Drops(job));
        Assert.Equal(2 * boxes, Count(job, "Sealed places"));
        // A lamp in the garage's ceiling is one more, with what is bored for it in that wall.
        var lit = job.With(Houses.Ceiling("l", "g", 60, 60));
        Assert.Equal(boxes + 1 + Drops(lit), Count(lit, "Sealed places"));
    }

    // Holes in the plates of the wall between.
    private static int Drops(Job job)
    {
        var plan = Planner.Plan(job);
        return plan.Holes.All.Count(h => h.Spot.Kind == MemberKind.Plate
            && plan.House.Structures[0].Levels[0].Walls[h.Spot.Member].Rooms.Length == 2);
    }

    [Theory] // 314.28(A): 8 times the trade size straight, 6 times where it turns
    [InlineData("3/4", 6, 4.5)]
    [InlineData("1", 8, 6)]
    [InlineData("1-1/4", 10, 7.5)]
    [InlineData("2", 16, 12)]
    public void A_pull_has_its_length(string trade, double straight, double turned)
    {
        Assert.Equal(Length.FromInches((decimal)straight), PullLengths.Straight(trade));
        Assert.Equal(Length.FromInches((decimal)turned), PullLengths.Turned(trade));
    }

    [Theory] // 230.67 and 230.85 since 2020
    [InlineData(Edition.Y2017, 0)]
    [InlineData(Edition.Y2020, 1)]
    [InlineData(Edition.Y2023, 1)]
    public void Surge_protection_and_the_emergency_disconnect_come_with_their_edition(Edition edition, int each)
    {
        Assert.Equal(each, Count(Den with { Edition = edition }, "Surge protector"));
        Assert.Equal(each, Count(Den with { Edition = edition }, "Emergency disconnect"));
    }

    [Theory] // RuleId.DwellingFeederSurge, DwellingFeederDisconnect: since 2023, and not for a shed; the service has one of each too
    [InlineData(Edition.Y2020, false, 1)]
    [InlineData(Edition.Y2023, false, 2)]
    [InlineData(Edition.Y2023, true, 1)]
    public void A_second_dwelling_is_protected_like_a_service(Edition edition, bool shed, int each)
    {
        var job = Houses.WithShed(Houses.ShedPanel).With(Houses.On("r", "shop", 1, 40)) with { Edition = edition };
        job = job with { Structures = [job.Structures[0], job.Structures[1] with { Accessory = shed }] };
        Assert.Equal(each, Count(job, "Surge protector"));
        Assert.Equal(each, Count(job, "Emergency disconnect"));
    }

    [Fact] // behind a feeder two rods of its own; behind one branch circuit none, but something to shut it off with
    public void Another_building_has_its_electrode_or_its_disconnect()
    {
        var fed = Houses.WithShed(Houses.ShedPanel).With(Houses.On("r", "shop", 1, 40));
        int Rods(Job job) => Of(job).Where(m => m.Item.StartsWith("Ground rods", StringComparison.Ordinal)
            && m.For.StartsWith("Shed", StringComparison.Ordinal)).Sum(m => m.Quantity);
        Assert.Equal(2, Rods(fed));
        Assert.Equal(0, Count(fed, "Disconnect where"));
        Assert.Equal(2, Count(fed, "PVC schedule 80"));
        var branch = Houses.WithShed(null).With(Houses.On("r", "shop", 1, 40));
        Assert.Equal(0, Rods(branch));
        Assert.Equal(1, Count(branch, "Disconnect where"));
        Assert.Equal(0, Count(Houses.WithShed(null), "Disconnect where"));
    }

    [Theory] // in the panel's room it is in sight; elsewhere its breaker is locked off, unless a disconnect is built in
    [InlineData("den", false, 0)]
    [InlineData("far", false, 1)]
    [InlineData("far", true, 0)]
    public void A_water_heater_out_of_sight_has_its_breaker_locked_off(string room, bool own, int locks) =>
        Assert.Equal(locks, Count(Houses.Row(("den", RoomUse.Utility, 12), ("far", RoomUse.Utility, 12)).With(Houses.Appliance("w", room, 1,
            60,
            Houses.Plate(Appliance.WaterHeater, 240, 4500) with { OwnDisconnect = own })), "Lock-offs"));

    [Fact] // from 84 in of ceiling to 14 in of receptacle the whole drop lies in furring of 1-1/2 in
    public void Drops_in_furring_are_guarded_along_their_length()
    {
        var wood = Den;
        var furred = wood with
        {
            Structures = [wood.Structures[0] with
            {
                Levels = [wood.Structures[0].Levels[0] with
                {
                    Rooms = [wood.Structures[0].Levels[0].Rooms[0] with
                    {
                        Builds = [new() { Wall = 1, Framing = WallFraming.MasonryFurred }],
                    }],
                }],
            }],
            Schools = new() { Way = CableWay.Overhead },
        };
        Assert.Equal(0, Count(wood, "Steel strip"));
        Assert.InRange(Count(furred, "Steel strip"), 7, 8);
    }

    [Theory] // habitable rooms from 2020; a bath's lamp is no place for a fan
    [InlineData(RoomUse.Den, Edition.Y2017, 0)]
    [InlineData(RoomUse.Den, Edition.Y2020, 1)]
    [InlineData(RoomUse.Bedroom, Edition.Y2023, 1)]
    [InlineData(RoomUse.Bath, Edition.Y2023, 0)]
    public void A_lamp_where_a_fan_may_hang_has_a_box_for_one(RoomUse use, Edition edition, int boxes) =>
        Assert.Equal(boxes, Count(Houses.Row(("x", use, 20)).With(Houses.Ceiling("l", "x", 60, 60)) with { Edition = edition },
            "Ceiling box rated for a fan"));

    [Fact] // 19 kW for three hours are 99 A: 100 A on 2 or 1 AWG, which no table of volumes counts
    public void A_box_for_large_conductors_goes_by_the_pull()
    {
        var job = Den.With(Houses.Appliance("car", "den", 1, 120, Houses.Plate(Appliance.VehicleCharger, 240,
            19_000) with
        { Continuous = true }));
        // 2 of 1 AWG (0.1562 in²) and 6 AWG (0.0507) are 0.3631 in²: 40 % of 1 in EMT are 0.346, of 1-1/4 in 0.598; 6 × 1-1/4 = 7-1/2 in.
        Assert.Contains(Of(job), m => m.Item == "Box for 1 AWG, at least 7 1/2\" across (314.28(A))");
        Assert.DoesNotContain(Of(job), m => m.Item.Contains("at least 0", StringComparison.Ordinal));
    }
}
