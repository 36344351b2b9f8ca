using System.Globalization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>The weights of the aims as typed.</summary>
public sealed record AimFields
{
    /// <summary>Cable.</summary>
    public string Cable { get; init; } = "";

    /// <summary>A breaker.</summary>
    public string Breaker { get; init; } = "";

    /// <summary>Darkness.</summary>
    public string Darkness { get; init; } = "";

    /// <summary>Crowding.</summary>
    public string Crowding { get; init; } = "";

    /// <summary>The wanted fill.</summary>
    public string WantedFill { get; init; } = "";

    /// <summary>A floor crossed.</summary>
    public string Crossing { get; init; } = "";

    /// <summary>Into another room.</summary>
    public string LeavingRoom { get; init; } = "";

    /// <summary>The weights themselves.</summary>
    /// <exception cref="FormatException">One of them is none; the message quotes it.</exception>
    public Aims Read() => new()
    {
        Cable = Entry.Percent(Cable),
        Breaker = Length.Parse(Breaker),
        Darkness = Length.Parse(Darkness),
        Crowding = Length.Parse(Crowding),
        WantedFill = Entry.Percent(WantedFill),
        Crossing = Length.Parse(Crossing),
        LeavingRoom = Length.Parse(LeavingRoom),
    };
}

/// <summary>Prices of what protects, as typed.</summary>
public sealed record PriceFields
{
    /// <summary>Breaker.</summary>
    public string Breaker { get; init; } = "";

    /// <summary>AFCI breaker.</summary>
    public string AfciBreaker { get; init; } = "";

    /// <summary>GFCI breaker.</summary>
    public string GfciBreaker { get; init; } = "";

    /// <summary>Dual-function breaker.</summary>
    public string DualBreaker { get; init; } = "";

    /// <summary>GFCI receptacle.</summary>
    public string GfciReceptacle { get; init; } = "";

    /// <summary>AFCI receptacle.</summary>
    public string AfciReceptacle { get; init; } = "";

    /// <summary>Receptacle with both.</summary>
    public string DualReceptacle { get; init; } = "";

    /// <summary>Plain receptacle.</summary>
    public string Receptacle { get; init; } = "";

    /// <summary>The prices themselves.</summary>
    /// <exception cref="FormatException">One of them is none; the message quotes it.</exception>
    public DevicePrices Read() => new()
    {
        Breaker = Money(Breaker),
        AfciBreaker = Money(AfciBreaker),
        GfciBreaker = Money(GfciBreaker),
        DualBreaker = Money(DualBreaker),
        GfciReceptacle = Money(GfciReceptacle),
        AfciReceptacle = Money(AfciReceptacle),
        DualReceptacle = Money(DualReceptacle),
        Receptacle = Money(Receptacle),
    };

    private static Money Money(string text) => decimal.TryParse(text.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) && value < 100_000
        ? new(value)
        : throw new FormatException($"“{text}” is no price; write it like 46 or 46.50.");
}
