using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>A nameplate as typed.</summary>
public sealed record PlateFields
{
    /// <summary>What it is.</summary>
    public string Appliance { get; init; } = "";

    /// <summary>As people call it.</summary>
    public string? Name { get; init; }

    /// <summary>What the supply offers.</summary>
    public string Volts { get; init; } = "";

    /// <summary>VA, kW, or amperes at its volts.</summary>
    public string Load { get; init; } = "";

    /// <summary>Three hours or more.</summary>
    public bool Continuous { get; init; }

    /// <summary>Cord and plug.</summary>
    public bool Cord { get; init; }

    /// <summary>A motor.</summary>
    public bool Motor { get; init; }

    /// <summary>A circuit of its own by instruction.</summary>
    public bool Individual { get; init; }

    /// <summary>Needs a neutral.</summary>
    public bool Neutral { get; init; }

    /// <summary>A disconnect is built in.</summary>
    public bool OwnDisconnect { get; init; }

    /// <summary>The breaker it asks for by number.</summary>
    public string? Breaker { get; init; }

    /// <summary>Minimum circuit ampacity.</summary>
    public string? Mca { get; init; }

    /// <summary>Largest device.</summary>
    public string? Mocp { get; init; }

    /// <summary>The plate.</summary>
    /// <param name="supply">What feeds it.</param>
    /// <exception cref="FormatException">A field cannot be read; the message quotes it.</exception>
    public Nameplate Read(SupplySystem supply)
    {
        var volts = new Volts(Entry.Count(Volts));
        return new()
        {
            Appliance = Entry.Choice<Appliance>(Appliance),
            Name = (Name ?? "").Trim(),
            Volts = volts,
            Load = Entry.VoltAmps(Load, current => supply.Load(current, volts)),
            Continuous = Continuous,
            Cord = Cord,
            Motor = Motor,
            Individual = Individual,
            Neutral = Neutral,
            OwnDisconnect = OwnDisconnect,
            Breaker = string.IsNullOrWhiteSpace(Breaker) ? null : Entry.Amps(Breaker),
            Mca = string.IsNullOrWhiteSpace(Mca) ? null : Entry.Amps(Mca),
            Mocp = string.IsNullOrWhiteSpace(Mocp) ? null : Entry.Amps(Mocp),
        };
    }
}
