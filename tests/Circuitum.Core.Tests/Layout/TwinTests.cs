using Circuitum.Core.Rules;
using System.Text.Json;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Units;

namespace Circuitum.Core.Tests.Layout;

/// <summary>What the scripts work out under the hand as well: the browser test reads the same file.</summary>
public sealed class TwinTests
{
    public static TheoryData<string> Walls() => [.. Twins("coverage").Select(t => t.GetProperty("of").GetString()!)];

    [Theory]
    [MemberData(nameof(Walls))]
    public void A_wall_is_cut_into_what_each_receptacle_serves(string of)
    {
        var twin = Twins("coverage").Single(t => t.GetProperty("of").GetString() == of);
        var space = new WallSpace(new("room"), In(twin.GetProperty("clear")), [],
            [.. twin.GetProperty("at").EnumerateArray().Select(In)], twin.GetProperty("closed").GetBoolean())
        {
            Counter = twin.GetProperty("reach").GetInt32() == 24,
            Within = twin.GetProperty("reach").GetInt32() == 24 ? CodeBook.For(Edition.Y2020).Outlets.CounterReach
                : CodeBook.For(Edition.Y2020).Outlets.WallReach,
            AskedFrom = CodeBook.For(Edition.Y2020).Outlets.NarrowestWall,
        };
        Assert.Equal(twin.GetProperty("reach").GetDecimal(), space.Reach.Inches);
        Assert.Equal(twin.GetProperty("cut").EnumerateArray().Select(c => (In(c[0]), In(c[1]), c[2].GetBoolean())), space.Stretches());
    }

    private static Length In(JsonElement inches) => Length.FromInches(inches.GetDecimal());

    private static List<JsonElement> Twins(string what) => [.. JsonDocument
        .Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "twins.json"))).RootElement.GetProperty(what).EnumerateArray()];
}
