using Circuitum.Cli;
using Circuitum.Formats.Csv;
using Circuitum.Formats.JobFile;

namespace Circuitum.Web.Tests;

public sealed class CommandLineTests : IDisposable
{
    private static readonly string Demo = Path.Combine(AppContext.BaseDirectory, "demo", "fernhollow.circuitum.json");
    private readonly string folder = Directory.CreateTempSubdirectory("circuitum-cli-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private static (int Code, string Output, string Errors) Run(params string[] arguments)
    {
        using StringWriter output = new(), errors = new();
        return (CommandLine.Run(arguments, output, errors), output.ToString(), errors.ToString());
    }

    [Fact]
    public void Lay_out_places_what_the_rules_ask_for_and_says_how_many()
    {
        var target = Path.Combine(folder, "laid.circuitum.json");
        var (code, said, _) = Run("lay-out", Demo, "-o", target);
        Assert.Equal(0, code);
        Assert.StartsWith("Lay out the job by rule: ", said, StringComparison.Ordinal);
        Assert.StartsWith("Nothing is missing", Run("lay-out", target, "-o", target).Output, StringComparison.Ordinal);
        Assert.DoesNotContain("210.52", Run("check", target).Output, StringComparison.Ordinal);
    }

    [Fact]
    public void A_board_is_planned_from_its_list_and_a_list_that_cannot_be_read_writes_nothing()
    {
        var (list, target) = (Path.Combine(folder, "villa.board.txt"), Path.Combine(folder, "boards"));
        File.WriteAllText(list, Core.Boards.Villa.Text);
        var (code, said, _) = Run("board", list, "-o", target);
        Assert.Equal(1, code);
        Assert.Contains("red: Board A, way", said, StringComparison.Ordinal);
        Assert.EndsWith("2 boards, 66,628 W connected", said.TrimEnd(), StringComparison.Ordinal);
        Assert.Equal(["board-material.csv", "board-points.csv", "board-schedule.csv", "boards.pdf"],
            Directory.GetFiles(target).Select(Path.GetFileName).Order(StringComparer.Ordinal));
        File.WriteAllText(list, "hall, 3 m: fountain");
        var (refused, _, errors) = Run("board", list, "-o", Path.Combine(folder, "none"));
        Assert.Equal(3, refused);
        Assert.Contains("Line 1: “fountain” is not known", errors, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Path.Combine(folder, "none")));
    }

    [Fact] // a job whose points go to boards: its four files, the same three red tags by plan and by check, and nothing to divide
    public void A_house_of_boards_is_planned_and_checked_as_boards()
    {
        var (villa, target) = (Path.Combine(Path.GetDirectoryName(Demo)!, "saltbush.circuitum.json"), Path.Combine(folder, "villa"));
        var (code, said, _) = Run("plan", villa, "-o", target);
        Assert.Equal(1, code);
        Assert.Equal(["board-material.csv", "board-points.csv", "board-schedule.csv", "boards.pdf"],
            Directory.GetFiles(target).Select(Path.GetFileName).Order(StringComparer.Ordinal));
        var (wrong, checkedSo, _) = Run("check", villa);
        Assert.Equal(1, wrong);
        string[] Red(string text) => [.. text.Split('\n').Where(l => l.StartsWith("red", StringComparison.Ordinal))];
        Assert.Equal(3, Red(said).Length);
        Assert.Equal(Red(said), Red(checkedSo));
        var (refused, _, errors) = Run("divide", villa, "-o", Path.Combine(folder, "none.json"));
        Assert.Equal(3, refused);
        Assert.Contains("it has no circuits in cable to divide", errors, StringComparison.Ordinal);
    }

    [Fact]
    public void Plan_writes_every_file_and_they_agree_with_the_core()
    {
        var target = Path.Combine(folder, "out");
        Assert.Equal(0, Run("plan", Demo, "-o", target).Code);
        string[] owed = ["box-labels.pdf", "box-labels.txt", "cable-labels.pdf", "cable-labels.txt", "ground.dxf", "ground.svg",
            "home-runs.csv", "home-runs.pdf", "house.txt", "material-by-box.csv", "material.csv", "material.xlsx",
            "orchids.dxf", "orchids.svg", "plan.json", "pull-list.csv", "schedule.csv",
            "schedule.pdf", "schedule.xlsx", "space-labels.pdf", "space-labels.txt", "tags.csv", "upper.dxf", "upper.svg"];
        Assert.Equal(owed, Directory.GetFiles(target).Select(Path.GetFileName).Order(StringComparer.Ordinal));
        using var file = File.OpenRead(Demo);
        Assert.Equal(CsvFiles.Schedule(Core.Plans.Planner.Plan(JobFiles.Read(file))),
            File.ReadAllText(Path.Combine(target, "schedule.csv")));
    }

    [Fact]
    public void A_house_goes_out_as_text_and_begins_another_job()
    {
        var (code, text, _) = Run("house", Demo);
        Assert.Equal(0, code);
        string written = Path.Combine(folder, "ours.house.txt"), job = Path.Combine(folder, "ours.circuitum.json");
        File.WriteAllText(written, text);
        Assert.Equal(0, Run("draw", written, "-o", job).Code);
        Assert.Equal(text.Split('\n')[1..], Run("house", job).Output.Split('\n')[1..]);
        Assert.Equal("ours", JobFiles.Read(File.ReadAllText(job)).Name);

        File.WriteAllText(written, "moat 4-0 x 4-0 all around");
        var (refused, _, errors) = Run("draw", written, "-o", Path.Combine(folder, "none.json"));
        Assert.Equal(3, refused);
        Assert.Contains("Line 1, “moat 4-0 x 4-0 all around”", errors, StringComparison.Ordinal);
        Assert.False(File.Exists(Path.Combine(folder, "none.json")));
        Assert.Contains("“us-1066” is no book", Run("draw", written, "-o", job, "us-1066").Errors, StringComparison.Ordinal);
    }

    [Fact]
    public void Check_prints_tags_and_fails_on_red()
    {
        var (code, output, _) = Run("check", Demo);
        Assert.Equal(1, code);
        Assert.Contains("red    circuit:laundry  210.11(C)(3)", output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_job_is_taken_out_whole_and_brought_in_elsewhere()
    {
        string zip = Path.Combine(folder, "demo.zip"), other = Path.Combine(folder, "other.db");
        using (var host = new BenchHost())
        {
            await host.AtAsync("/job/demo/boxes");
            Assert.Equal(0, Run("archive", host.Database, "demo", "-o", zip).Code);
            var (code, _, errors) = Run("archive", host.Database, "nothing", "-o", Path.Combine(folder, "none.zip"));
            Assert.Equal(3, code);
            Assert.Contains("has no job nothing", errors, StringComparison.Ordinal);
            Assert.False(File.Exists(Path.Combine(folder, "none.zip")));
        }

        var (brought, said, _) = Run("bring", zip, "-o", other);
        Assert.Equal(0, brought);
        Assert.Matches("brought in as /job/[0-9a-f]{12}/house", said);
        Assert.Equal(3, Run("bring", Demo, "-o", other).Code);
    }

    [Fact]
    public void Convert_keeps_the_job()
    {
        var target = Path.Combine(folder, "again.circuitum.json");
        Assert.Equal(0, Run("convert", Demo, "-o", target).Code);
        using FileStream a = File.OpenRead(Demo), b = File.OpenRead(target);
        Assert.Equal(JobFiles.Write(JobFiles.Read(a)), JobFiles.Write(JobFiles.Read(b)));
    }

    [Fact]
    public void A_bad_file_is_told_in_one_line_and_writes_nothing()
    {
        var bad = Path.Combine(folder, "bad.json");
        File.WriteAllText(bad, "{");
        var (code, output, errors) = Run("plan", bad, "-o", Path.Combine(folder, "out"));
        Assert.Equal((3, ""), (code, output));
        Assert.StartsWith("Line 1", errors, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Path.Combine(folder, "out")));
        Assert.Equal(3, Run("check", Path.Combine(folder, "not-there.json")).Code);
    }

    [Theory]
    [InlineData(2)]
    [InlineData(2, "plan")]
    [InlineData(2, "plan", "x.json")]
    [InlineData(0, "help")]
    public void Wrong_use_shows_how(int code, params string[] arguments)
    {
        var result = Run(arguments);
        Assert.Equal(code, result.Code);
        Assert.Contains("circuitum plan FILE -o DIR", result.Output + result.Errors, StringComparison.Ordinal);
    }
}
