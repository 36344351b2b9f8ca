using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Rules;

/// <summary>The boxes there are, by how they are made: metal ones by Table 314.16(A), others as the trade sells them.</summary>
public static class UsualBoxes
{
    // Nonmetallic boxes by gang, and round ones for ceilings, in³: what the trade sells, not what a book says.
    private static readonly decimal[][] NailOn = [[13, 18, 20, 22], [18, 20, 22.5m], [32, 34], [44, 45], [56, 68]];
    private static readonly decimal[][] CutIn = [[9, 16], [14, 18, 20], [25, 30], [36, 42], [49]];

    // Table 314.16(A), in³ for each gang: device boxes 3 × 2 in, 2-1/2, 2-3/4 and 3-1/2 in deep.
    private static readonly (decimal Volume, string Deep)[] Device = [(12.5m, "2-1/2"), (14, "2-3/4"), (18, "3-1/2")];

    // Table 314.16(A): octagons of 4 in, squares of 4 in and 4-11/16 in.
    private static readonly (decimal Volume, string Deep)[] Octagons = [(15.5m, "1-1/2"), (21.5m, "2-1/8")];
    private static readonly (decimal Volume, string Side, string Deep)[] Squares =
        [(21, "4 in", "1-1/2"), (30.3m, "4 in", "2-1/8"), (42, "4-11/16 in", "2-1/8")];

    /// <summary>The smallest box of a make and so many gangs that holds a volume; null when none does. No gangs means a ceiling
    /// box.</summary>
    /// <param name="make">How it is made.</param>
    /// <param name="gangs">Device places, 0 to 6.</param>
    /// <param name="needed">What it must hold.</param>
    public static CubicInches? Smallest(BoxMake make, int gangs, CubicInches needed) => Of(make, gangs)
        .Where(s => s >= needed.Value).Select(s => (CubicInches?)new CubicInches(s)).FirstOrDefault();

    /// <summary>The box that is taken: the smallest of its make, or where no nailed one holds it a metal square with a ring of one or two
    /// gangs or a round one; null when none does.</summary>
    /// <param name="make">How it is made.</param>
    /// <param name="gangs">Device places, 0 to 6.</param>
    /// <param name="needed">What it must hold.</param>
    public static CubicInches? Taken(BoxMake make, int gangs, CubicInches needed) => Smallest(make, gangs, needed)
        ?? (make == BoxMake.NailOn && gangs <= 2
            ? Squares.Where(s => s.Volume >= needed.Value && s.Deep == "2-1/8" && (gangs < 2 || s.Side != "4 in"))
                .Select(s => (CubicInches?)new CubicInches(s.Volume)).FirstOrDefault()
            : null);

    /// <summary>The largest box of a make and so many gangs; null where there is none.</summary>
    /// <param name="make">How it is made.</param>
    /// <param name="gangs">Device places, 0 to 6.</param>
    public static CubicInches? Largest(BoxMake make, int gangs) => Of(make, gangs) is { Length: > 0 } sizes ? new CubicInches(sizes[^1])
        : null;

    /// <summary>A box as it is asked for at the counter: by its volume, or what it is where a metal square has it.</summary>
    public static string Words(CubicInches volume) => SquareOf(volume) is { } square ? $"{volume}, a {square} square with a ring"
        : volume.ToString();

    /// <summary>A box of metal by what it is; null where none of its make has this volume.</summary>
    /// <param name="make">How it is made; a square serves where nothing nailed holds enough.</param>
    /// <param name="gangs">Device places, 0 to 6.</param>
    /// <param name="volume">What it holds.</param>
    /// <param name="ring">A ring for what hangs before it; none under a blank cover.</param>
    public static string? MetalNamed(BoxMake make, int gangs, CubicInches volume, bool ring = true)
    {
        if ((make == BoxMake.Square || (make == BoxMake.NailOn && SquareOf(volume) is not null)) && gangs <= 2
            && Squares.FirstOrDefault(s => s.Volume == volume.Value) is { Side: { } side } square)
        {
            var before = !ring ? "" : $" with a {(gangs switch { 0 => "round", 1 => "one-gang", _ => "two-gang" })} ring";
            return $"{side} square box {square.Deep} deep{before}, {volume}";
        }

        return !make.IsMetal() ? null
            : gangs == 0 ? Octagons.FirstOrDefault(o => o.Volume == volume.Value) is { Deep: { } octagon }
                ? $"4 in octagon box {octagon} deep, {volume}" : null
            : Device.FirstOrDefault(d => d.Volume * gangs == volume.Value) is { Deep: { } deep }
                ? $"Metal device box {deep} deep{(gangs == 1 ? "" : $", {gangs} ganged")}, {volume}" : null;
    }

    // The side of the metal square, 2-1/8 in deep, that has a volume; null for what nonmetallic boxes have.
    private static string? SquareOf(CubicInches volume) =>
        Squares.FirstOrDefault(s => s.Deep == "2-1/8" && s.Volume == volume.Value).Side;

    private static decimal[] Of(BoxMake make, int gangs) => make switch
    {
        BoxMake.NailOn => gangs < NailOn.Length ? NailOn[gangs] : [],
        BoxMake.CutIn => gangs < CutIn.Length ? CutIn[gangs] : [],
        BoxMake.Square when gangs is 1 or 2 => [.. Squares.Select(s => s.Volume)],
        BoxMake.Square when gangs == 0 => [.. Octagons.Select(o => o.Volume), .. Squares.Skip(1).Select(s => s.Volume)],
        _ when gangs == 0 => [.. Octagons.Select(o => o.Volume)],
        _ => [.. Device.Select(d => d.Volume * gangs)],
    };
}
