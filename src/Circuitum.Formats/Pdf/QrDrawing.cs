using PdfSharp.Drawing;
using QRCoder;

namespace Circuitum.Formats.Pdf;

/// <summary>Draws a QR code in squares, so that it prints sharp at any size.</summary>
internal static class QrDrawing
{
    /// <summary>Longest text that one code holds at this correction.</summary>
    public const int MostBytes = 1400;

    /// <summary>Draws the code with its quiet border.</summary>
    /// <param name="g">The page.</param>
    /// <param name="text">At most <see cref="MostBytes"/> bytes of UTF-8.</param>
    /// <param name="x">Its left, points.</param>
    /// <param name="y">Its top, points.</param>
    /// <param name="size">Its side, points.</param>
    public static void Draw(XGraphics g, string text, double x, double y, double size)
    {
        using var generator = new QRCodeGenerator();
        using var code = generator.CreateQrCode(text, QRCodeGenerator.ECCLevel.L, forceUtf8: true);
        var modules = code.ModuleMatrix;
        var each = size / modules.Count;
        for (var row = 0; row < modules.Count; row++)
        {
            // A run of dark modules is one rectangle: fewer objects, and no hairlines between them.
            for (var column = 0; column < modules.Count; column++)
            {
                if (!modules[row][column])
                {
                    continue;
                }

                var from = column;
                while (column + 1 < modules.Count && modules[row][column + 1])
                {
                    column++;
                }

                g.DrawRectangle(XBrushes.Black, x + (from * each), y + (row * each), (column - from + 1) * each, each);
            }
        }
    }
}
