using System.Collections.Immutable;
using Circuitum.Core;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Plans;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Formats.Tests.Golden;

/// <summary>Forty houses that are the same every time: drawn by a fixed number each, laid out by the rules, with schools, frames, buildings
/// and pipes taken in turn.</summary>
internal static class GoldenHouses
{
    public const int Count = 40;

    /// <summary>House number 1 to 40.</summary>
    public static Job Number(int number)
    {
        var draw = new Draw((uint)number);
        var job = DrawnHouses.Jobs.Generate(new PCG((uint)number, (ulong)number), null, out _) with
        {
            Name = $"House {number}",
            Edition = (Edition)(2017 + (3 * (number % 3))),
            Schools = CrewSchools.Number(number),
        };
        if (number % 5 == 0)
        {
            job = job with
            {
                Amendments = [new(AmendedRule.OutletsPerGeneralCircuit, 12, "Local code 4-1"),
                new(AmendedRule.NoAfciInKitchenAndLaundry, null, "Local code 4-2")]
            };
        }

        job = Framed(job, number);
        job = LayOut.Everything.On(job).Job ?? job;
        job = Equipped(job, draw, 3 + (number % 6));
        if (number % 3 == 1)
        {
            job = WithShed(job, number % 2 == 0);
        }

        if (number % 4 == 2)
        {
            job = job with
            {
                Panels = job.Panels.Add(Houses.Panel(job.Rooms.Last().Id.Value, 30) with
                {
                    Id = new("B"),
                    FedFrom = new("A"),
                    Rating = 100.Amps()
                })
            };
        }

        return number % 7 == 3 ? Piped(job) : job;
    }

    // Every fourth house stands on steel studs, every sixth has insulated panels, every eighth furred masonry.
    private static Job Framed(Job job, int n)
    {
        var framing = n % 4 == 1 ? WallFraming.MetalStud : n % 6 == 0 ? WallFraming.InsulatedPanel : n % 8 == 3 ? WallFraming.MasonryFurred
            : (WallFraming?)null;
        var walls = framing == WallFraming.MetalStud ? [1, 2, 3, 4] : new[] { 1, 3 };
        var framed = framing is not { } kind ? job : job.WithRooms(r => r with
        {
            Builds = [.. walls.Select(w =>
                new WallBuild { Wall = w, Framing = kind, ChaseHeights = kind == WallFraming.InsulatedPanel && n % 12 == 0
                    ? [14.Inches(), 44.Inches()] : [] })],
        });
        return JobProblems.First(framed) is null ? framed : job;
    }

    private static Job WithRooms(this Job job, Func<Room, Room> change) => job with
    {
        Structures = [.. job.Structures.Select(s =>
            s with { Levels = [.. s.Levels.Select(l => l with { Rooms = [.. l.Rooms.Select(change)] })] })],
    };

    // The library as it was when the houses were first written down: what comes into it later would deal every house anew.
    private static readonly ImmutableArray<Nameplate> Library =
        [.. EquipmentLibrary.All.Where(p => p.Appliance is not (Appliance.FloorHeating or Appliance.SolarInverter
            or Appliance.HydromassageTub or Appliance.HotTub or Appliance.TanklessHeater) && p.Name != "Central vacuum")];

    // Ordinary equipment in rooms by lot; what does not fit its wall is left out.
    private static Job Equipped(Job job, Draw draw, int pieces)
    {
        for (var i = 0; i < pieces; i++)
        {
            var plate = Library[draw.Below(Library.Length)];
            var room = job.Rooms.ElementAt(draw.Below(job.Rooms.Count()));
            var kind = !plate.Cord ? DeviceKind.Equipment : plate.Volts.Value == 240 ? DeviceKind.ApplianceReceptacle : DeviceKind.Single;
            var box = Houses.Appliance($"m{i}", room.Id.Value, 1 + draw.Below(4), 8 + draw.Below(60),
                plate with { Name = $"{plate.Name} {i}" }, kind);
            var with = job.With(box);
            job = JobProblems.First(with) is null ? with : job;
        }

        return job;
    }

    private static Job WithShed(Job job, bool panel)
    {
        var shed = Houses.WithShed(Houses.ShedPanel).Structures[1] with { Origin = new(240.Feet(), Length.Zero) };
        var with = job with
        {
            Structures = job.Structures.Add(shed),
            Trenches = [new(new("t"), job.Structures[0].Id, shed.Id, [new(40.Feet(), 6.Feet()), new(240.Feet(), 6.Feet())], 24.Inches())],
            Panels = panel ? job.Panels.Add(Houses.ShedPanel) : job.Panels,
        };
        with = with.With(Houses.On("shed-r", "shop", 1, 40), Houses.Ceiling("shed-l", "shop", 60, 60),
            Houses.Switch("shed-s", "shop", 3, 40, DeviceKind.Switch, "shed-l"));
        return JobProblems.First(with) is null ? with : job;
    }

    // The first two home runs that a pipe may hold share one.
    private static Job Piped(Job job)
    {
        foreach (var circuit in Planner.Plan(job).Circuits.Where(c => c.Circuit.Poles == 2).Take(2))
        {
            job = new PutInPipe(circuit.Circuit.Key, new("P1")).On(job).Job ?? job;
        }

        return job;
    }
}
