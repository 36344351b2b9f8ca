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

    /// <summary>From the corner to its center.</summary>
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

    /// <summary>It is on the feed-through lugs of the panel that feeds it.</summary>
    public bool ByLugs { get; init; }

    /// <summary>The panel; what its card does not ask, its label and what stands in it, stays as it is in the job.</summary>
    /// <param name="job">The job.</param>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Panel Read(Job job)
    {
        var (room, number) = HouseEntry.Numbered(Wall);
        PanelId id = new((Id ?? "").Trim());
        var was = job.Panels.FirstOrDefault(p => p.Id == id);
        return new()
        {
            Id = id,
            Listing = was?.Listing ?? new(),
            Taken = was?.Taken ?? [],
            Room = new(room),
            Wall = number,
            Offset = Length.Parse(Offset),
            Top = Length.Parse(Top),
            Rating = Entry.Amps(Rating),
            Spaces = Entry.Count(Spaces),
            FedFrom = string.IsNullOrEmpty(FedFrom) ? null : new PanelId(FedFrom),
            Existing = Existing,
            ByLugs = ByLugs && !string.IsNullOrEmpty(FedFrom),
        };
    }
}
