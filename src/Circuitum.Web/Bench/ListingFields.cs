using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>What a panel's label says, as it is typed: an empty field was not read off.</summary>
public sealed record ListingFields
{
    /// <summary>Line of breakers.</summary>
    public string? Family { get; init; }

    /// <summary>Main lugs.</summary>
    public bool MainLugs { get; init; }

    /// <summary>Feed-through lugs.</summary>
    public bool FeedThrough { get; init; }

    /// <summary>Neutral and ground as found.</summary>
    public bool? Bonded { get; init; }

    /// <summary>Circuits by the label.</summary>
    public string? Circuits { get; init; }

    /// <summary>Spaces listed for tandem breakers: 17-24, 30.</summary>
    public string? TandemSpaces { get; init; }

    /// <summary>Rating of the bus.</summary>
    public string? Bus { get; init; }

    /// <summary>Terminals of the neutral bar.</summary>
    public string? NeutralTerminals { get; init; }

    /// <summary>Terminals of the ground bar.</summary>
    public string? GroundTerminals { get; init; }

    /// <summary>Small grounds under one screw.</summary>
    public string? GroundsUnderScrew { get; init; }

    /// <summary>Knockouts.</summary>
    public string? Knockouts { get; init; }

    /// <summary>Torque of lugs.</summary>
    public string? LugTorque { get; init; }

    /// <summary>Torque of breakers.</summary>
    public string? BreakerTorque { get; init; }

    /// <summary>Torque of the bars.</summary>
    public string? BarTorque { get; init; }

    /// <summary>The listing.</summary>
    /// <exception cref="FormatException">Something typed is no number; the message quotes it.</exception>
    public PanelListing Read() => new()
    {
        Family = Text(Family),
        MainLugs = MainLugs,
        FeedThrough = FeedThrough,
        Bonded = Bonded,
        Circuits = Count(Circuits),
        TandemSpaces = Entry.Spaces(TandemSpaces),
        Bus = Text(Bus) is { } bus ? Entry.Amps(bus) : null,
        NeutralTerminals = Count(NeutralTerminals),
        GroundTerminals = Count(GroundTerminals),
        GroundsUnderScrew = Count(GroundsUnderScrew) ?? 1,
        Knockouts = Count(Knockouts),
        LugTorque = Text(LugTorque),
        BreakerTorque = Text(BreakerTorque),
        BarTorque = Text(BarTorque),
    };

    private static string? Text(string? typed) => string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();

    private static int? Count(string? typed) => Text(typed) is { } text ? Entry.Count(text) : null;
}
