using PdfSharp.Drawing;

namespace Circuitum.Formats.Pdf;

/// <summary>Sheets that a schedule is printed on.</summary>
public enum Paper
{
    /// <summary>8-1/2 by 11 in.</summary>
    Letter,

    /// <summary>210 by 297 mm.</summary>
    A4,

    /// <summary>5-1/2 by 8-1/2 in, for the pocket of a panel's door.</summary>
    Door,
}

/// <summary>Sizes of sheets.</summary>
internal static class Papers
{
    /// <summary>Width and height.</summary>
    public static (XUnit Width, XUnit Height) SizeOf(Paper paper) => paper switch
    {
        Paper.A4 => (XUnit.FromMillimeter(210), XUnit.FromMillimeter(297)),
        Paper.Door => (XUnit.FromInch(5.5), XUnit.FromInch(8.5)),
        _ => (XUnit.FromInch(8.5), XUnit.FromInch(11)),
    };
}
