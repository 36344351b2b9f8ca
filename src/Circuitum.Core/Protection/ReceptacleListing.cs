using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Units;

namespace Circuitum.Core.Protection;

/// <summary>What a receptacle must be listed for, and of what rating.</summary>
/// <param name="TamperResistant">406.12.</param>
/// <param name="WeatherResistant">406.9(A) and (B).</param>
/// <param name="InUseCover">406.9(B): wet places, cover good while something is plugged in.</param>
/// <param name="Rating">Its contacts.</param>
/// <param name="Why">Each with its section.</param>
public sealed record ReceptacleListing(bool TamperResistant, bool WeatherResistant, bool InUseCover, Amps Rating,
    ImmutableArray<string> Why)
{
    private static readonly Length OutOfReach = Length.FromInches(66);

    /// <summary>What the 125 V receptacle in a box must be; null where the box has none.</summary>
    public static ReceptacleListing? For(PlacedBox box, ProtectedCircuit circuit, Schools schools)
    {
        return box.Box.Devices.FirstOrDefault(d => d.Kind.IsGeneralReceptacle()) is { } device ? For(box, device, circuit, schools) : null;
    }

    /// <summary>What one 125 V receptacle of a box must be.</summary>
    public static ReceptacleListing For(PlacedBox box, Device device, ProtectedCircuit circuit, Schools schools)
    {
        var book = circuit.Sized.Book;
        var why = ImmutableArray.CreateBuilder<string>();
        var dedicated = device.Plate?.Appliance is Appliance.Refrigerator or Appliance.Freezer or Appliance.Dishwasher
            or Appliance.Disposer or Appliance.Microwave or Appliance.Washer && device.Kind == DeviceKind.Single;
        // Garages and accessory buildings of a dwelling are named with it.
        var tamper = box.Height + BoxSpace.Contacts <= OutOfReach && !dedicated;
        why.Add(tamper ? $"tamper-resistant, {book.Cite(RuleId.TamperResistant)}" : dedicated
            ? $"not tamper-resistant: one appliance not easily moved, {book.Cite(RuleId.TamperException)}"
            : $"not tamper-resistant: more than 5'-6\" up, {book.Cite(RuleId.TamperException)}");
        var damp = box.Room.Room.Use is RoomUse.Greenhouse or RoomUse.Sauna;
        var weather = box.Box.Outside || damp;
        if (weather)
        {
            why.Add(box.Box.Outside ? $"weather-resistant with a cover good while in use, {book.Cite(RuleId.WetListed)}"
                : $"weather-resistant, {book.Cite(RuleId.DampListed)}");
        }

        var (rating, because) = Rated(device, circuit, schools);
        why.Add(because);
        return new(tamper, weather, box.Box.Outside, rating, why.ToImmutable());
    }

    /// <summary>A receptacle that is the only one on its circuit: one contact device on one yoke (article 100).</summary>
    public static bool IsAlone(Device device, Circuit circuit) => device.Kind == DeviceKind.Single && circuit.Boxes.Length == 1;

    // 210.21(B)(1): alone, no less than the circuit; Table 210.21(B)(3): with others, 15 or 20 A on 20 A.
    private static (Amps Rating, string Why) Rated(Device device, ProtectedCircuit circuit, Schools schools)
    {
        var (breaker, book) = (circuit.Sized.Breaker.Value, circuit.Sized.Book);
        if (device.Rating is Amps own)
        {
            return (own, $"{own}, as set");
        }

        return circuit.Circuit.Load.Split
            ? (breaker, $"{breaker}, split: the link between the brass screws broken off, a leg on either; the silver one stays, "
                + $"{book.Cite(RuleId.Multiwire)}")
            : breaker.Value <= 15 ? (15.Amps(), $"15 A on 15 A, {book.Cite(RuleId.ReceptacleRating)}")
            : breaker > book.Division.MostForSmallReceptacles
                ? (breaker, $"{breaker} with a T-slot on {breaker}, {book.Cite(RuleId.ReceptacleRating)}")
            : IsAlone(device, circuit.Circuit) ? (20.Amps(), $"20 A: alone on a {breaker} circuit, {book.Cite(RuleId.SingleReceptacle)}")
            : schools.FifteenOnTwenty == FifteenOnTwenty.AlwaysMatch ? (20.Amps(),
                "20 A on 20 A, crew's way: receptacles match their circuit")
            : (15.Amps(), $"15 A: one of two or more on 20 A, {book.Cite(RuleId.ReceptacleRating)}");
    }
}
