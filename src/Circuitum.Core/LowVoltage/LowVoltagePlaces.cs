using System.Collections.Immutable;
using System.Globalization;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;

namespace Circuitum.Core.LowVoltage;

/// <summary>Where low voltage stands in the frame, and what it is called.</summary>
internal static class LowVoltagePlaces
{
    public static ImmutableArray<PlacedLowVoltage> Outlets(FramedHouse house, Job job)
    {
        // What would be called the same is numbered in the order of the job.
        var called = job.LowVoltage.Select(o => o.Called(house.Room(o.Room).Room)).ToList();
        var many = called.GroupBy(n => n).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet();
        var next = new Dictionary<string, int>();
        return
        [
            .. job.LowVoltage.Select((o, i) =>
            {
                var height = o.Height ?? o.Kind.UsualHeight(job.HouseRules);
                var name = many.Contains(called[i]) ? $"{called[i]} {next[called[i]] = next.GetValueOrDefault(called[i]) + 1}" : called[i];
                var place = o.Mount == Mount.Wall ? Surveying.OnWall(house, o.Room, o.Wall, o.Offset, height) : Surveying.Over(house,
                    o.Room, o.X, o.Y, o.Mount);
                return new PlacedLowVoltage(o, house.Room(o.Room), place, height, name,
                    string.Create(CultureInfo.InvariantCulture, $"LV{i + 1}"));
            }),
        ];
    }

    public static ImmutableArray<PlacedHome> Homes(FramedHouse house, Job job) =>
    [
        .. job.LowVoltageHomes.Select(h => new PlacedHome(h, house.Room(h.Room),
            Surveying.OnWall(house, h.Room, h.Wall, h.Offset, h.Top), Called(job, house, h))),
    ];

    private static string Called(Job job, FramedHouse house, LowVoltageHome home)
    {
        var same = job.LowVoltageHomes.Where(h => h.Room == home.Room && h.Kind == home.Kind).ToList();
        return $"{house.Room(home.Room).Room.Name} low-voltage {Words.Of(home.Kind)}"
            + (same.Count > 1 ? string.Create(CultureInfo.InvariantCulture, $" {same.IndexOf(home) + 1}") : "");
    }
}
