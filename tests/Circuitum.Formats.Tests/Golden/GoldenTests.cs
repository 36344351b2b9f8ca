using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Formats.JobFile;

namespace Circuitum.Formats.Tests.Golden;

/// <summary>The plans of both demos, of two of them read by the Canadian method, and of forty houses stand as they are kept in
/// tests/golden. What is meant to move is written anew with GOLDEN=write.</summary>
[Trait("Category", "Golden")]
public sealed class GoldenTests
{
    private static readonly bool Writes = Environment.GetEnvironmentVariable("GOLDEN") == "write";

    public static TheoryData<string> Houses =>
        [.. new[] { "fernhollow", "one-room", "fernhollow-canada", "tarn-hollow-canada" }.Concat(Enumerable.Range(1,
            GoldenHouses.Count).Select(n => $"house-{n:00}"))];

    [Theory, MemberData(nameof(Houses))]
    public void Stands(string name)
    {
        var demo = !name.StartsWith("house-", StringComparison.Ordinal);
        var found = GoldenText.Of(Planner.Plan(JobOf(name, demo)), demo);
        var file = Path.Combine(Folder, name + ".txt");
        if (Writes)
        {
            File.WriteAllText(file, found);
            return;
        }

        var moved = Moved(File.ReadAllText(file), found);
        Assert.True(moved.Length == 0,
            $"{name}: {string.Join("; ", moved)}. Where that is meant: GOLDEN=write ./test golden, and say in the commit what moved and "
            + $"why.");
    }

    [Fact] // each of what the files are to hold still is in some house
    public void The_houses_have_what_the_rules_turn_on()
    {
        var jobs = Enumerable.Range(1, GoldenHouses.Count).Select(GoldenHouses.Number).ToList();
        Assert.All(Editions.Of(RuleFamily.UnitedStates), e => Assert.Contains(jobs, j => j.Edition == e));
        Assert.All(Enum.GetValues<GfciWay>(), w => Assert.Contains(jobs, j => j.Schools.Gfci == w));
        Assert.All(new[] { WallFraming.MetalStud, WallFraming.InsulatedPanel, WallFraming.MasonryFurred },
            f => Assert.Contains(jobs, j => j.Rooms.Any(r => r.Builds.Any(b => b.Framing == f))));
        Assert.True(jobs.Count(j => j.Structures.Length > 1) >= 8);
        Assert.True(jobs.Count(j => j.Panels.Length > 1) >= 10);
        Assert.True(jobs.Count(j => !j.Pipes.IsEmpty) >= 3);
        var plans = jobs.ConvertAll(j => Planner.Plan(j));
        Assert.True(plans.Sum(p => p.Circuits.Count(c => c.Circuit.SharesNeutralWith is not null)) >= 4);
        Assert.True(plans.Average(p => p.Circuits.Length) >= 10);
    }

    private static string Folder
    {
        get
        {
            var folder = new DirectoryInfo(AppContext.BaseDirectory);
            while (!File.Exists(Path.Combine(folder.FullName, "Circuitum.slnx")))
            {
                folder = folder.Parent!;
            }

            return Path.Combine(folder.FullName, "tests", "golden");
        }
    }

    // A demo read by the Canadian method.
    private const string Canada = "-canada";

    private static Job JobOf(string name, bool demo)
    {
        if (!demo)
        {
            return GoldenHouses.Number(int.Parse(name["house-".Length..], System.Globalization.CultureInfo.InvariantCulture));
        }

        var canada = name.EndsWith(Canada, StringComparison.Ordinal);
        var demoName = canada ? name[..^Canada.Length] : name;
        using var file = File.OpenRead(Path.Combine(AppContext.BaseDirectory, "demo", demoName + ".circuitum.json"));
        var job = JobFiles.Read(file);
        return canada ? job with { Edition = Edition.Canada2021 } : job;
    }

    // One phrase for each section that moved, with the first lines of it.
    private static string[] Moved(string kept, string found)
    {
        var (before, after) = (Sections(kept), Sections(found));
        return [.. before.Keys.Union(after.Keys)
            .Select(section => (section, Phrase(before.GetValueOrDefault(section, []), after.GetValueOrDefault(section, []))))
            .Where(m => m.Item2 is not null).Select(m => $"{m.section} moved: {m.Item2}")];
    }

    private static string? Phrase(string[] before, string[] after)
    {
        string[] gone = [.. before.Except(after)], come = [.. after.Except(before)];
        if (gone.Length == 0 && come.Length == 0)
        {
            return before.SequenceEqual(after) ? null : "the same lines in another order";
        }

        return $"{gone.Length} lines gone, {come.Length} come, first “{gone.FirstOrDefault()}” → “{come.FirstOrDefault()}”";
    }

    private static Dictionary<string, string[]> Sections(string text) =>
        text.Split("\n\n", StringSplitOptions.RemoveEmptyEntries).Select(s => s.Split('\n')).ToDictionary(l => l[0], l => l[1..]);
}
