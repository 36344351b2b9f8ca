using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Web.Bench;
using Xunit.Abstractions;

namespace Circuitum.Web.Tests;

/// <summary>The finder on the houses that ship: every fault of the two small ones, five hundred of the large one.</summary>
public sealed class ProvedDemosTests(ITestOutputHelper output)
{
    [Theory]
    [InlineData("demo-crawl", int.MaxValue)]
    [InlineData("demo-basement", int.MaxValue)]
    [InlineData("demo", 500)]
    public void The_true_fault_is_always_among_the_suspects(string key, int most)
    {
        var house = new HouseNetwork(Planner.Plan(Demo.Read(new(key))));
        var finders = house.Branches.Select(c => new Finder(house, c.Key)).ToList();
        var faults = finders.SelectMany(f => f.Suspects.Select(s => (Finder: f, s.Suspect, s.Looks))).ToList();
        var every = Math.Max(1, faults.Count / most);
        var (counts, bits) = (new List<int>(), 0.0);
        foreach (var (finder, fault, looks) in faults.Where((_, i) => i % every == 0).Take(most))
        {
            var seen = new List<Seen>();
            while (finder.Next(seen) is { } next)
            {
                seen.Add(new(next.Test, looks[finder.Tests.IndexOf(next.Test)]));
            }

            var left = finder.Explain(seen).Select(e => e.Suspect).ToHashSet();
            Assert.Contains(fault, left);
            counts.Add(seen.Count);
            bits += Math.Log2((double)finder.Suspects.Length / left.Count);
        }

        counts.Sort();
        output.WriteLine($"{key}: {counts.Count} of {faults.Count} faults, median {counts[counts.Count / 2]}, worst {counts[^1]} tests, "
            + $"mean {counts.Average():0.0} against {bits / counts.Count:0.0} bits");
        Assert.True(counts.Count >= Math.Min(most, 500));
        Assert.InRange(counts[counts.Count / 2], 1, 9);
    }
}
