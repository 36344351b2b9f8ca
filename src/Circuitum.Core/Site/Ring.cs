using System.Globalization;

namespace Circuitum.Core.Site;

/// <summary>A circle around something on a photograph.</summary>
/// <param name="Photograph">The entry by which the photograph was taken.</param>
/// <param name="Across">Its middle from the left, percent of the picture’s width, 0 to 100.</param>
/// <param name="Down">Its middle from the top, percent of the picture’s height, 0 to 100.</param>
public readonly record struct Ring(EntryId Photograph, int Across, int Down)
{
    private const int Whole = 100;

    /// <summary>Reads one as it stands in an entry’s line; null when it is none.</summary>
    public static Ring? TryParse(string? line) => (line ?? "").Split(' ') is [var photograph, var across, var down]
        && EntryId.TryParse(photograph) is { } id && Percent(across) is { } x && Percent(down) is { } y ? new(id, x, y) : null;

    /// <inheritdoc/>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Photograph} {Across} {Down}");

    private static int? Percent(string text) => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var percent)
        && percent <= Whole && text == percent.ToString(CultureInfo.InvariantCulture) ? percent : null;
}

/// <summary>Something that is circled.</summary>
/// <param name="Entry">The entry that says so; its note says what it is.</param>
/// <param name="Ring">Where.</param>
public sealed record CircledThing(SiteEntry Entry, Ring Ring);
