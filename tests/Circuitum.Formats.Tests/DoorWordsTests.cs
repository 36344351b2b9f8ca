using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Formats.JobFile;

namespace Circuitum.Formats.Tests;

/// <summary>What is written in the doors of the demos' panels.</summary>
public sealed class DoorWordsTests
{
    private static IEnumerable<string> Doors(string demo, Edition edition) => Planner.Plan(JobFiles.Read(File.ReadAllText(Path.Combine(
        AppContext.BaseDirectory, "demo", $"{demo}.circuitum.json"))) with
    { Edition = edition }).Panels.SelectMany(p => p.Circuits)
        .Select(c => c.Description);

    [Theory] // neighboring counter receptacles are on circuits apart: three circuits lie among each other at one counter
    [InlineData("fernhollow", "Kitchen counter 1, 3", "Kitchen counter 4", "Kitchen counter: counter 2, island")]
    [InlineData("tarn-hollow", "Kitchen counter 1, 4", "Kitchen counter 2, 5", "Kitchen counter 3")]
    [InlineData("quarrel-bend", "Kitchen counter 1, 6", "Kitchen counter 2, 3", "Kitchen counter 4, 5")]
    public void A_counter_of_three_circuits_is_told_outlet_by_outlet(string demo, params string[] words) =>
        Assert.Equal(words, Doors(demo, Edition.Canada2021).Where(d => d.StartsWith("Kitchen counter", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal));
}
