using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>An opening as typed.</summary>
public sealed record OpeningFields
{
    /// <summary>Kind.</summary>
    public string Kind { get; init; } = "";

    /// <summary>Corner to jamb.</summary>
    public string Offset { get; init; } = "";

    /// <summary>Width; the usual one of its kind when empty.</summary>
    public string? Width { get; init; }

    /// <summary>Sill of a window.</summary>
    public string? Sill { get; init; }

    /// <summary>Hinge side.</summary>
    public string? Hinge { get; init; }

    /// <summary>Swings away from the room.</summary>
    public bool SwingsOut { get; init; }

    /// <summary>Whether a deck lies outside: yes, no, or empty where nothing is said.</summary>
    public string? Deck { get; init; }

    /// <summary>The opening.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Opening Read(string id, int wall)
    {
        var kind = Entry.Choice<OpeningKind>(Kind);
        return new()
        {
            Id = new(id),
            Kind = kind,
            Wall = wall,
            Offset = Length.Parse(Offset),
            Width = string.IsNullOrWhiteSpace(Width) ? UsualSizes.Of(kind)
                : Length.Parse(Width),
            Sill = string.IsNullOrWhiteSpace(Sill) ? Length.FromInches(36) : Length.Parse(Sill),
            Hinge = string.IsNullOrEmpty(Hinge)
                ? default : Entry.Choice<Hinge>(Hinge),
            SwingsOut = SwingsOut,
            Deck = Deck switch
            {
                null or "" => null,
                "yes" => true,
                "no" => false,
                _ => throw new FormatException($"Outside it there is a deck or none, not “{Deck}”."),
            },
        };
    }
}
