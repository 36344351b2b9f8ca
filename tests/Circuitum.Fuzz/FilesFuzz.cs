using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Formats;
using Circuitum.Formats.Csv;
using Circuitum.Formats.Drawings;
using Circuitum.Formats.JobFile;
using Xunit.Abstractions;

namespace Circuitum.Fuzz;

/// <summary>Files mutated by structure and by byte: each is taken and can then be planned and written out, or is refused with one short
/// sentence.</summary>
public sealed class FilesFuzz(ITestOutputHelper output)
{
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);
    private const int LongestSentence = 600;

    private static string Path(string name) => System.IO.Path.Combine(AppContext.BaseDirectory, name);

    private static readonly string[] Jobs = [.. new[] { "demo/one-room.circuitum.json", "demo/fernhollow.circuitum.json" }
        .Concat(Directory.GetFiles(Path("bad"), "*.json")).Select(f => File.ReadAllText(System.IO.Path.IsPathRooted(f) ? f : Path(f)))];

    [Fact]
    public void Files_that_once_ended_the_server_or_could_never_be_opened()
    {
        foreach (var file in Directory.GetFiles(Path("bad"), "*.json"))
        {
            Take(File.ReadAllText(file), write: true);
        }
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void Job_files_mutated_by_structure(int seed)
    {
        var random = new Random(Effort.Seed(seed));
        var taken = 0;
        var tries = Effort.Times(600);
        for (var i = 0; i < tries; i++)
        {
            var root = JsonNode.Parse(Jobs[random.Next(Jobs.Length)])!;
            for (var changes = random.Next(1, 4); changes > 0; changes--)
            {
                Mutation.Once(root, random);
            }

            taken += Take(root.ToJsonString(), write: i % 10 == 0) ? 1 : 0;
        }

        output.WriteLine($"{taken} of {tries} taken and planned");
        Assert.True(taken > tries / 20, $"only {taken} of {tries} were taken: the mutations are too wild to prove anything");
    }

    [Fact]
    public void Job_files_mutated_by_byte()
    {
        var random = new Random(Effort.Seed(3));
        for (var i = 0; i < Effort.Times(1500); i++)
        {
            TakeBytes(Bytes(Encoding.UTF8.GetBytes(Jobs[random.Next(Jobs.Length)]), random), write: false);
        }
    }

    [Fact]
    public void Drawings_mutated()
    {
        var random = new Random(Effort.Seed(4));
        var plan = Planner.Plan(JobFiles.Read(Jobs[1]));
        var level = plan.House.Levels.First().Level.Id;
        byte[][] drawings =
        [
            Encoding.UTF8.GetBytes(Circuitum.Formats.Dxf.DxfWriter.Write(plan, level)),
            PlanFolder.Of(plan).First(d => d.Name.EndsWith(".svg", StringComparison.Ordinal)).Write(),
            File.ReadAllBytes(Path("bad/bomb.dxf")),
        ];
        var read = 0;
        for (var i = 0; i < Effort.Times(500); i++)
        {
            read += Draw(Bytes(drawings[random.Next(drawings.Length)], random)) ? 1 : 0;
        }

        output.WriteLine($"{read} drawings read");
        Assert.True(read > 20, $"only {read} were read: the mutations are too wild to prove anything");
    }

    [Theory]
    [MemberData(nameof(DearDrawings))]
    public void Drawings_that_would_take_for_ever_are_refused(string name)
    {
        var drawing = name switch
        {
            "bomb" => File.ReadAllBytes(Path("bad/bomb.dxf")),
            "300 bombs" => Encoding.UTF8.GetBytes(File.ReadAllText(Path("bad/bomb.dxf"))
                .Replace("0\nENDSEC\n0\nEOF", string.Concat(Enumerable.Repeat("0\nINSERT\n2\nB0\n10\n0\n20\n0\n", 300))
                    + "0\nENDSEC\n0\nEOF", StringComparison.Ordinal)),
            "one path" => Encoding.UTF8.GetBytes(
                $"<svg xmlns=\"http://www.w3.org/2000/svg\"><path d=\"{string.Concat(Enumerable.Repeat("M0 0", 1_200_000))}\"/></svg>"),
            "closings" => Encoding.UTF8.GetBytes(
                $"<svg xmlns=\"http://www.w3.org/2000/svg\"><path d=\"M0 0{new string('Z', 4_900_000)}\"/></svg>"),
            _ => Encoding.UTF8.GetBytes(
                $"0\nSECTION\n2\nENTITIES\n0\nMTEXT\n10\n0\n20\n0\n1\n{string.Concat(Enumerable.Repeat("\\A", 2_000_000))}"
                + $"\n0\nENDSEC\n0\nEOF\n"),
        };
        var since = Stopwatch.StartNew();
        Draw(drawing);
        Assert.InRange(since.Elapsed, TimeSpan.Zero, TimeSpan.FromSeconds(5));
    }

    public static TheoryData<string> DearDrawings => ["bomb", "300 bombs", "one path", "closings", "texts"];

    [Fact]
    public void Typed_schedules_mutated()
    {
        var random = new Random(Effort.Seed(5));
        var plan = Planner.Plan(JobFiles.Read(Jobs[1]));
        var sheet = Encoding.UTF8.GetBytes(CsvFiles.Schedule(plan));
        for (var i = 0; i < Effort.Times(2000); i++)
        {
            var bytes = Bytes(sheet, random);
            try
            {
                ScheduleReader.Read(bytes, new PanelId("A"));
            }
            catch (FormatException e)
            {
                Assert.InRange(e.Message.Length, 1, LongestSentence);
            }
        }
    }

    private static bool Draw(byte[] bytes)
    {
        try
        {
            var drawing = DrawingFiles.Read(bytes);
            Laws.IsXml(DrawingFiles.Svg(drawing));
            Assert.Equal(DrawingFiles.Write(drawing), DrawingFiles.Write(DrawingFiles.Open(DrawingFiles.Write(drawing))));
            foreach (var layer in drawing.Layers.Take(3))
            {
                Told(() => DrawnRooms.Of(drawing, layer.Name, DrawnOn.Centre));
            }

            return true;
        }
        catch (DrawingException e)
        {
            Assert.InRange(e.Message.Length, 1, LongestSentence);
            return false;
        }
    }

    private static void Told(Action act)
    {
        try
        {
            act();
        }
        catch (DrawingException e)
        {
            Assert.InRange(e.Message.Length, 1, LongestSentence);
        }
    }

    private static bool Take(string file, bool write) => TakeBytes(Encoding.UTF8.GetBytes(file), write);

    private static bool TakeBytes(byte[] file, bool write)
    {
        Job job;
        try
        {
            job = JobFiles.Read(new MemoryStream(file));
        }
        catch (JobFileException e)
        {
            Assert.InRange(e.Message.Length, 1, LongestSentence);
            Assert.Null(Printed.Problem(e.Message.ReplaceLineEndings(" ")));
            return false;
        }

        try
        {
            var since = Stopwatch.StartNew();
            var plan = Laws.Hold(job);
            // Once more where the machine may have been away: a house of ordinary size is planned at once.
            Assert.True(since.Elapsed < Longest || Timed(job) < Longest, "takes long to plan");
            if (write)
            {
                Laws.Write(plan);
            }

            return true;
        }
        catch (Exception e) when (e is not Xunit.Sdk.XunitException)
        {
            var kept = System.IO.Path.Combine(System.IO.Path.GetTempPath(),
                $"circuitum-fuzz-{(uint)Encoding.UTF8.GetString(file).GetHashCode(StringComparison.Ordinal)}.json");
            File.WriteAllBytes(kept, file);
            throw new InvalidOperationException($"{e.GetType().Name}: {e.Message} (the file is kept as {kept})", e);
        }
    }

    private static TimeSpan Timed(Job job)
    {
        var since = Stopwatch.StartNew();
        Planner.Plan(job);
        return since.Elapsed;
    }

    private static byte[] Bytes(byte[] file, Random random)
    {
        var bytes = file.ToList();
        for (var changes = random.Next(1, 5); changes > 0 && bytes.Count > 0; changes--)
        {
            var at = random.Next(bytes.Count);
            switch (random.Next(9))
            {
                case 0:
                    bytes[at] = (byte)random.Next(256);
                    break;
                case 1:
                    bytes.RemoveRange(at, Math.Min(bytes.Count - at, random.Next(1, 40)));
                    break;
                case 2:
                    bytes.InsertRange(at, bytes.GetRange(at, Math.Min(bytes.Count - at, random.Next(1, 60))));
                    break;
                case 3 or 4 or 5 or 6 or 7:
                    bytes[at] = (byte)"0123456789-\",:{}[]"[random.Next(18)];
                    break;
                default:
                    bytes.RemoveRange(at, bytes.Count - at);
                    break;
            }
        }

        return [.. bytes];
    }
}
