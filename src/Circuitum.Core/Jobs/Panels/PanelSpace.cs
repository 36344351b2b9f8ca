using System.Globalization;

namespace Circuitum.Core.Jobs;

/// <summary>Which part of a space a breaker takes.</summary>
public enum SpaceHalf
{
    /// <summary>All of it.</summary>
    Whole,

    /// <summary>The upper half, a.</summary>
    Upper,

    /// <summary>The lower half, b.</summary>
    Lower,
}

/// <summary>A place in a panel: a space, or half of one where a tandem breaker stands.</summary>
/// <param name="Number">1 to 84.</param>
/// <param name="Half">What it takes of it.</param>
public readonly record struct PanelSpace(int Number, SpaceHalf Half = SpaceHalf.Whole) : IComparable<PanelSpace>
{
    /// <summary>Most spaces of a panel.</summary>
    public const int Most = 84;

    /// <summary>True for half a space.</summary>
    public bool IsHalf => Half != SpaceHalf.Whole;

    /// <summary>Both halves of the space.</summary>
    public IEnumerable<PanelSpace> Halves => [this with { Half = SpaceHalf.Upper }, this with { Half = SpaceHalf.Lower }];

    /// <summary>What a breaker takes whose upper pole stands here: two poles take the space below on the same side as well.</summary>
    /// <param name="poles">1 or 2.</param>
    public IEnumerable<PanelSpace> Taking(int poles) => poles == 2 ? [this, Number + 2] : [this];

    /// <summary>True when two breakers cannot stand in both.</summary>
    public bool Overlaps(PanelSpace other) => Number == other.Number && (Half == other.Half || !IsHalf || !other.IsHalf);

    /// <summary>A whole space.</summary>
    public static implicit operator PanelSpace(int number) => new(number);

    /// <summary>A space as it is typed: 14, 14a, 14B.</summary>
    /// <param name="text">What is typed.</param>
    /// <param name="space">The space; any number but below 1000.</param>
    public static bool TryParse(string? text, out PanelSpace space)
    {
        var plain = (text ?? "").Trim().ToLowerInvariant();
        var half = plain.EndsWith('a') ? SpaceHalf.Upper : plain.EndsWith('b') ? SpaceHalf.Lower : SpaceHalf.Whole;
        var digits = half == SpaceHalf.Whole ? plain : plain[..^1];
        var read = int.TryParse(digits, NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number < 1000;
        space = read ? new(number, half) : default;
        return read;
    }

    /// <summary>A space as it is typed.</summary>
    /// <exception cref="FormatException">It is none; the message says how to write it.</exception>
    public static PanelSpace Parse(string? text) => TryParse(text, out var space) ? space
        : throw new FormatException($"“{text}” is no space; write 14, or 14a and 14b for the halves of a tandem breaker.");

    /// <inheritdoc/>
    public int CompareTo(PanelSpace other) => (Number, Half).CompareTo((other.Number, other.Half));

    /// <summary>14, 14a.</summary>
    public override string ToString() => Number.ToString(CultureInfo.InvariantCulture)
        + Half switch { SpaceHalf.Upper => "a", SpaceHalf.Lower => "b", _ => "" };
}
