using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.RegularExpressions;
using Circuitum.Web.Help;

namespace Circuitum.Web.Tests;

/// <summary>What a stranger meets first: help, and how much has to come over the wire for it.</summary>
public sealed partial class BeginningTests : IDisposable
{
    private readonly BenchHost host = new();

    public void Dispose() => host.Dispose();

    [Theory]
    [InlineData("reset", "“Set the doors”", false)]
    [InlineData("home run", "the cable from the panel to the first box of a circuit", true)]
    [InlineData("MULTIWIRE neutral", "share one neutral", true)]
    public async Task Help_finds_the_lines_that_hold_every_word(string asked, string line, bool found)
    {
        var page = WebUtility.HtmlDecode(await host.Visit().GetAsync($"/help?q={Uri.EscapeDataString(asked)}"));
        Assert.Equal(found, page.Contains(line, StringComparison.Ordinal));
    }

    [Fact]
    public void Every_key_of_the_sheet_stands_in_help()
    {
        var root = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../src/Circuitum.Web"));
        var sheet = Key().Matches(File.ReadAllText(Path.Combine(root, "Pages/Shared/_Keys.cshtml")).Split("<h3>")[0])
            .Select(m => m.Groups[1].Value).Where(k => k is not ("←" or "→" or "?")).ToList();
        Assert.True(sheet.Count > 15);
        var help = string.Join(' ', HelpPages.Find("keys")!.Terms.Select(t => t.Term));
        Assert.All(sheet, key => Assert.Contains(key, help, StringComparison.Ordinal));
    }

    // What the first page asks for, packed as the server packs what it publishes. Fonts are packed already.
    [Fact]
    public async Task The_first_page_comes_in_150_kilobytes()
    {
        var root = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../src/Circuitum.Web/wwwroot"));
        var page = await host.Visit().GetAsync("/job/demo/house");
        var total = Packed(Encoding.UTF8.GetBytes(page));
        foreach (var file in Directory.EnumerateFiles(Path.Combine(root, "js"))
            .Append(Path.Combine(root, "css/site.css")).Append(Path.Combine(root, "lib/htmx.min.js")))
        {
            total += Packed(await File.ReadAllBytesAsync(file));
        }

        total += Directory.EnumerateFiles(Path.Combine(root, "lib"), "*.woff2").Sum(f => new FileInfo(f).Length);
        Assert.InRange(total, 60_000, 150_000);
    }

    private static long Packed(byte[] bytes)
    {
        using var packed = new MemoryStream();
        using (var gzip = new GZipStream(packed, CompressionLevel.Optimal, leaveOpen: true))
        {
            gzip.Write(bytes);
        }

        return packed.Length;
    }

    [GeneratedRegex("<kbd>([^<]+)</kbd>")]
    private static partial Regex Key();
}
