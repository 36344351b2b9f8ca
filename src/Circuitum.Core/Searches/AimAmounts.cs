using Circuitum.Core.Units;

namespace Circuitum.Core.Searches;

/// <summary>What a division comes to, aim by aim, all branch circuits together.</summary>
/// <param name="Cable">Chains from panel to last box by their cheapest ways, holes counted as footage; switch legs, make-up and waste are
/// not in it.</param>
/// <param name="Breakers">Branch circuits.</param>
/// <param name="Darkness">Outlets: for each circuit what each room and the house lose when it opens, squared over what they have.</param>
/// <param name="Crowding">Hundredths of a rating beyond the wanted fill, summed.</param>
/// <param name="Crossings">Floors crossed from box to box.</param>
/// <param name="RoomsLeft">Times that a circuit goes on into another room.</param>
/// <param name="Lone">Breakers for one outlet alone; one for two counts half.</param>
/// <param name="Broken">Rules about company that it breaks where another division would keep them.</param>
/// <param name="Weight">All of it by the crew's weights, in feet of cable.</param>
public sealed record AimAmounts(Length Cable, int Breakers, decimal Darkness, Percent Crowding, int Crossings, int RoomsLeft, decimal Lone,
    int Broken, Length Weight);

/// <summary>A division found, beside the one that stands.</summary>
/// <param name="Division">The best found so far.</param>
/// <param name="Standing">What stands now.</param>
/// <param name="Found">What was found.</param>
/// <param name="Bound">No division weighs less, in feet of cable: proven. Null while the proof is not done.</param>
/// <param name="Step">Steps of the search done.</param>
/// <param name="Steps">Steps asked for.</param>
public sealed record Redivision(Jobs.Division Division, AimAmounts Standing, AimAmounts Found, Length? Bound, int Step, int Steps)
{
    /// <summary>How far the best found is from the bound, of itself, in per cent; zero when it is proven the best, null while there is no
    /// bound.</summary>
    public Percent? Gap => Bound is not { } bound ? null
        : new(Found.Weight <= Length.Zero ? 0 : decimal.Round((Found.Weight - bound).Sixtyfourths * 100m / Found.Weight.Sixtyfourths, 2));

    /// <summary>It weighs less than what stands.</summary>
    public bool IsBetter => Found.Broken < Standing.Broken || (Found.Broken == Standing.Broken && Found.Weight < Standing.Weight);
}
