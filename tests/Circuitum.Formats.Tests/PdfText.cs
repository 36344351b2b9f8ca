using System.Diagnostics;
using System.Text;

namespace Circuitum.Formats.Tests;

/// <summary>What a PDF says, in the order it was drawn.</summary>
internal static class PdfText
{
    /// <summary>All of it.</summary>
    public static string Of(byte[] pdf)
    {
        var file = Path.GetTempFileName();
        try
        {
            File.WriteAllBytes(file, pdf);
            using var run = Process.Start(new ProcessStartInfo("pdftotext", ["-raw", file, "-"])
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
                StandardOutputEncoding = Encoding.UTF8,
            })!;
            var text = run.StandardOutput.ReadToEnd();
            run.WaitForExit();
            Assert.Equal(0, run.ExitCode);
            return text;
        }
        finally
        {
            File.Delete(file);
        }
    }

    /// <summary>Without spaces and line ends, which a page puts where it has room.</summary>
    public static string Tight(string text) => string.Concat(text.Where(c => !char.IsWhiteSpace(c)));
}
