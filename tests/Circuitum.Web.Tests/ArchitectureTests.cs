using NetArchTest.Rules;

namespace Circuitum.Web.Tests;

/// <summary>Arrows point one way: Web, Cli → Data, Formats → Core.</summary>
public sealed class ArchitectureTests
{
    private static readonly System.Reflection.Assembly Core = typeof(Core.Plans.Planner).Assembly;
    private static readonly System.Reflection.Assembly Data = typeof(Data.JobsDb).Assembly;
    private static readonly System.Reflection.Assembly Formats = typeof(Formats.PlanFolder).Assembly;
    private static readonly System.Reflection.Assembly Cli = typeof(Cli.CommandLine).Assembly;

    private static readonly string Source =
        Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "..", "..", "..", "..", "..", "src", "Circuitum.Core"));

    private static void Free(System.Reflection.Assembly assembly, params string[] of)
    {
        var result = Types.InAssembly(assembly).ShouldNot().HaveDependencyOnAny(of).GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void The_core_knows_nobody_and_does_no_IO_and_reads_no_clock()
    {
        Assert.DoesNotContain(Core.GetReferencedAssemblies(), a => a.Name!.StartsWith("Circuitum", StringComparison.Ordinal)
            || a.Name.StartsWith("Microsoft", StringComparison.Ordinal));
        Free(Core, "System.IO", "System.Net", "System.DateTime", "System.DateTimeOffset", "System.TimeProvider", "System.Random",
            "System.Console", "System.Diagnostics.Stopwatch");
    }

    [Fact]
    public void Data_and_formats_know_only_the_core()
    {
        Free(Data, "Circuitum.Formats", "Circuitum.Web", "Circuitum.Cli");
        Free(Formats, "Circuitum.Data", "Circuitum.Web", "Circuitum.Cli");
    }

    [Fact]
    public void The_command_line_knows_no_web() => Free(Cli, "Circuitum.Web", "Microsoft.AspNetCore");

    // Every room of the core, each reading only what stands before it. A new folder has its place here before it is built.
    private static readonly string[] Rooms =
    [
        "Units", "Reasons", "Jobs", "Rules", "House", "Problems", "Layout", "Circuits", "Changes", "Lines", "Tags", "Demand", "Routing",
        "LowVoltage", "Conductors", "Protection",
        "Wiring", "Panels", "Checks", "Plans", "Takeoff", "Site", "Pricing", "Proving", "Training", "Rulings", "Searches", "Boards",
    ];

    [Fact]
    public void Each_room_of_the_core_reads_only_what_stands_before_it()
    {
        var wrong = new List<string>();
        for (var i = 0; i < Rooms.Length; i++)
        {
            var room = Types.InAssembly(Core).That().ResideInNamespace($"Circuitum.Core.{Rooms[i]}");
            foreach (var later in Rooms[(i + 1)..])
            {
                var result = room.ShouldNot().HaveDependencyOn($"Circuitum.Core.{later}").GetResult();
                wrong.AddRange((result.FailingTypeNames ?? []).Select(t => $"{t} reads {later}"));
            }
        }

        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }

    [Fact]
    public void Every_room_of_the_core_is_on_the_list() =>
        Assert.Equal(Rooms.Order(StringComparer.Ordinal), Directory.GetDirectories(Source).Select(Path.GetFileName)
            .Where(d => d is not ("bin" or "obj")).Order(StringComparer.Ordinal));

    [Fact] // the seam for further families of rules: no stage asks which year it is
    public void Only_the_rules_of_a_family_tell_its_editions_apart()
    {
        var asking = Directory.GetFiles(Source, "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal)
                && Path.GetFileName(Path.GetDirectoryName(f)) is not ("Us" or "Jobs"))
            .Where(f => File.ReadAllText(f).Contains("Edition.Y", StringComparison.Ordinal));
        Assert.Empty(asking);
    }
}
