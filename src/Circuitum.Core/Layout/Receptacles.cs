using Circuitum.Core.Jobs;

namespace Circuitum.Core.Layout;

/// <summary>What kind of receptacle a place asks for.</summary>
public static class Receptacles
{
    private static readonly Units.Length High = Units.Length.FromInches(66);

    /// <summary>Tamper-resistant in dwellings (406.12; not above 5-1/2 ft, nor the single of an appliance's own space), weather-resistant with a cover outdoors
    /// (406.9(B): in use covered where wet) and in damp places (406.9(A)).</summary>
    public static string Owed(PlacedBox box)
    {
        var owed = new List<string>();
        if (!box.Accessory && box.Height <= High && !box.Box.Devices.Any(d => d.Kind == DeviceKind.Single && d.Plate is not null))
        {
            owed.Add("tamper-resistant, 406.12");
        }

        if (box.Box.Outside)
        {
            owed.Add("weather-resistant, in-use cover, 406.9(B)");
        }
        else if (box.Room.Room.Use is RoomUse.Greenhouse or RoomUse.Sauna)
        {
            owed.Add("weather-resistant, covered, 406.9(A)");
        }

        return owed.Count == 0 ? "no special kind asked" : string.Join("; ", owed);
    }
}
