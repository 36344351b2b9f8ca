using Circuitum.Core.Jobs;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Units;

namespace Circuitum.Core.Takeoff;

/// <summary>What low voltage takes: its cable, its rings and boxes, its labels, its holes.</summary>
internal static class LowVoltageMaterial
{
    /// <summary>Its lines before the walls are closed.</summary>
    public static IEnumerable<MaterialLine> Rough(Plan plan)
    {
        var (low, waste) = (plan.LowVoltage, plan.Job.HouseRules.Waste);
        foreach (var cable in low.Runs.GroupBy(r => r.Outlet.Outlet.Kind.Cable()).OrderBy(g => g.Key, StringComparer.Ordinal))
        {
            var (cut, pulls) = (cable.Select(r => r.Footage).Total(), cable.Sum(r => r.Outlet.Outlet.Cables));
            yield return Hardware.Long(plan, cable.Key, new((int)(cut.Sixtyfourths * (1 + (waste.Value / 100)))),
                $"{pulls} pull{(pulls == 1 ? "" : "s")} of low voltage, {cut.Cut(plan.Job.Schools.Measure)} cut, waste {waste}");
        }

        foreach (var line in Hardware.Counted(low.Outlets.Select(o => o.Outlet.Ring()).OfType<string>(), "low voltage, never with power")
            .Concat(Hardware.Counted(low.Homes.Select(h => h.Home.Kind == LowVoltageHomeKind.Can
                ? "Flush can for low voltage, between two studs" : "Backboard for low voltage"), "where low voltage goes home to")))
        {
            yield return line;
        }

        var labels = low.Runs.Sum(r => 2 * r.Outlet.Outlet.Cables);
        if (labels > 0)
        {
            yield return new("Labels for low voltage", "each", labels, "one on each end of every cable");
        }

        foreach (var holes in low.Holes.GroupBy(h => (h.Spot.Kind, h.Bit)).OrderBy(g => g.Key.Kind).ThenBy(g => g.Key.Bit.Sixtyfourths))
        {
            yield return new($"Holes of {holes.Key.Bit} in {Words.Of(holes.Key.Kind)}s for low voltage", "holes", holes.Count(),
                "its own: power goes through none of them");
        }
    }

    /// <summary>Its lines after paint.</summary>
    public static IEnumerable<MaterialLine> Trim(Plan plan) =>
        Hardware.Counted(plan.LowVoltage.Outlets.Select(o => o.Outlet.Cover()).OfType<string>(), "low voltage");
}
