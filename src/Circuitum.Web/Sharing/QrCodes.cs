using QRCoder;

namespace Circuitum.Web.Sharing;

/// <summary>Links as codes that a phone looks at.</summary>
public static class QrCodes
{
    private const int Dot = 4;

    /// <summary>As a drawing.</summary>
    public static string Svg(string text)
    {
        using var generator = new QRCodeGenerator();
        using var code = generator.CreateQrCode(text, QRCodeGenerator.ECCLevel.M);
        using var drawing = new SvgQRCode(code);
        return drawing.GetGraphic(Dot);
    }

    /// <summary>As lines of text, dark on light, for the window where the server was started.</summary>
    public static string Lines(string text)
    {
        using var generator = new QRCodeGenerator();
        using var code = generator.CreateQrCode(text, QRCodeGenerator.ECCLevel.L);
        using var drawing = new AsciiQRCode(code);
        return drawing.GetGraphicSmall();
    }
}
