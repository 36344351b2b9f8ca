using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>A panel as typed.</summary>
public sealed record PanelFields
{
    /// <summary>Its letter.</summary>
    public string? Id { get; init; }

    /// <summary>The wall it hangs on: room and number.</summary>
    public string Wall { get; init; } = "";

    /// <summary>Corner to its middle.</summary>
    public string Offset { get; init; } = "";

    /// <summary>Floor to its top.</summary>
    public string Top { get; init; } = "6-0";

    /// <summary>Main or bus.</summary>
    public string Rating { get; init; } = "";

    /// <summary>Full-size spaces.</summary>
    public string Spaces { get; init; } = "";

    /// <summary>The panel that feeds it; empty for the service.</summary>
    public string? FedFrom { get; init; }

    /// <summary>It stands there already.</summary>
    public bool Existing { get; init; }

    /// <summary>The panel.</summary>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Panel Read()
    {
        var (room, number) = HouseEntry.Numbered(Wall);
        return new()
        {
            Id = new((Id ?? "").Trim()), Room = new(room), Wall = number, Offset = Length.Parse(Offset), Top = Length.Parse(Top), Rating = Entry.Amps(Rating), Spaces = Entry.Count(Spaces),
            FedFrom = string.IsNullOrEmpty(FedFrom) ? null : new PanelId(FedFrom), Existing = Existing,
        };
    }
}
