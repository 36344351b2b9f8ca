using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Sizes the equipment grounding conductor.</summary>
public static class Grounding
{
    /// <summary>Table 250.122 by the device's rating; where the circuit conductors are larger than they need be, the ground grows in the
    /// same
    /// proportion of circular mils, 250.122(B), and is never larger than they are.</summary>
    /// <param name="rating">The overcurrent device.</param>
    /// <param name="installed">The circuit conductor pulled, copper.</param>
    /// <param name="needed">The circuit conductor that would have done.</param>
    /// <param name="book">The rules.</param>
    /// <param name="metal">Of all of them; copper as usual.</param>
    public static Gauge For(Amps rating, Gauge installed, Gauge needed, CodeBook book, Metal metal = Metal.Copper)
    {
        var table = book.Conductors.EquipmentGround(rating, metal);
        if (installed <= needed)
        {
            return table <= installed ? table : installed;
        }

        var mils = book.Conductors.CircularMil(table)
            * (book.Conductors.CircularMil(installed) / (decimal)book.Conductors.CircularMil(needed));
        return book.Conductors.Sizes.First(g => book.Conductors.CircularMil(g) >= mils || g >= installed);
    }
}
