using Circuitum.Core.Units;

namespace Circuitum.Core.Pricing;

/// <summary>On what terms a crew offers its work.</summary>
/// <param name="Rate">For an hour of one person.</param>
/// <param name="Markup">Put on the material.</param>
/// <param name="Tax">Sales tax on lines that are taxed, with their markup and after the discount.</param>
/// <param name="Discount">Taken off the whole before tax.</param>
/// <param name="Deposit">Of the total, when the offer is signed.</param>
public sealed record Terms(Money Rate, Percent Markup, Percent Tax, Percent Discount, Percent Deposit)
{
    /// <summary>Most characters of <see cref="Words"/>.</summary>
    public const int MostWords = 400;

    /// <summary>Most characters of <see cref="Sign"/>.</summary>
    public const int MostSign = 4;

    /// <summary>Made up, to begin with: 75 an hour, a fifth on the material, no tax, no discount, a third ahead. Every crew sets its
    /// own.</summary>
    public static Terms Usual { get; } = new(new(75), new(20), new(0), new(0), new(33))
    {
        Words = "Good for 30 days. The rest is due when the rough-in has passed and when the panel is labelled, half each.",
    };

    /// <summary>Whose prices; empty for the cheapest of each thing.</summary>
    public string Supplier { get; init; } = "";

    /// <summary>Sign of what the crew counts in.</summary>
    public string Sign { get; init; } = "$";

    /// <summary>When the rest is due, how long the offer stands.</summary>
    public string Words { get; init; } = "";

    /// <summary>Why these terms cannot be: a sentence; null where they can.</summary>
    public string? Problem() =>
        Rate < Money.Zero || Rate > new Money(1000) ? $"An hour at {Rate}? It is 0 to 1,000."
        : Beyond(Markup, 300) ? $"A markup of {Markup}? It is 0 to 300 %."
        : Beyond(Tax, 50) ? $"A tax of {Tax}? It is 0 to 50 %."
        : Beyond(Discount, 100) ? $"A discount of {Discount}? It is 0 to 100 %."
        : Beyond(Deposit, 100) ? $"A deposit of {Deposit}? It is 0 to 100 %."
        : Sign.Length > MostSign ? $"“{Sign}” is no sign of money; at most {MostSign} characters."
        : Words.Length > MostWords ? $"The terms have {Words.Length} characters; at most {MostWords}." : null;

    private static bool Beyond(Percent share, decimal most) => share.Value < 0 || share.Value > most;
}
