using System.Text.Json;
using Circuitum.Core.House;
using Circuitum.Core.Plans;
using Circuitum.Core.Wiring;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

/// <summary>What goes dark when a breaker opens, counted by hand off the demo's job file; the browser test holds the script to the same.
/// </summary>
public sealed class DarknessTwinTests
{
    private static readonly Plan Plan = Planner.Plan(Demo.Read());

    [Fact]
    public void An_opened_breaker_leaves_dark_what_was_counted()
    {
        using var twins = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "twins.json")));
        Assert.All(twins.RootElement.GetProperty("darkness").EnumerateArray(), twin =>
        {
            var circuit = Plan.Circuits.Single(c => c.Circuit.Key.Value == twin.GetProperty("circuit").GetString());
            var level = Plan.House.Levels.Single(l => l.Level.Id.Value == twin.GetProperty("level").GetString());
            Assert.Equal(twin.GetProperty("note").GetString(), Note(Darkness.When(circuit, Plan.Survey), level));
        });
    }

    private static string Note(IEnumerable<DarkRoom> rooms, FramedLevel level)
    {
        var here = rooms.Where(r => level.Rooms.Contains(r.Room)).ToList();
        var dead = new[]
        {
            Many(here.Sum(r => r.Lights.Count), "light"), Many(here.Sum(r => r.Receptacles.Count), "receptacle"),
        }.OfType<string>();
        return $"{string.Join(", ", dead)} dead, {Many(here.Count(r => r.IsDark), "room") ?? "no room"} dark";
    }

    private static string? Many(int count, string what) => count == 0 ? null : $"{count} {what}{(count == 1 ? "" : "s")}";
}
