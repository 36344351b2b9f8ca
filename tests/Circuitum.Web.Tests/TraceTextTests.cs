using Circuitum.Core.Jobs;
using Circuitum.Core.Wiring;
using Circuitum.Web.Bench;

namespace Circuitum.Web.Tests;

public sealed class TraceTextTests
{
    [Theory]
    [InlineData("Kitchen island", "Kitchen island")]
    [InlineData("Family room receptacle 2", "Family room rec. 2")]
    [InlineData("Grandmother's room receptacle 12", "Grandmother's r…rec. 12")]
    public void A_long_name_keeps_the_number_at_its_end(string name, string shown)
    {
        Assert.Equal(shown, TraceText.Short(name));
        Assert.InRange(shown.Length, 1, TraceText.Longest + 1);
    }

    // Stations of a chain: which device, if any, each resets at.
    private static List<Station> Chain(params string?[] resets) =>
        [.. resets.Select((r, i) =>
            new Station(new($"b{i}"), $"b{i}", null, "12-2", new(0), new(120), new(false, r is null ? null : new(r)),
                i == resets.Length - 1))];

    [Fact]
    public void A_stretch_behind_one_device_is_bracketed_once()
    {
        Assert.Equal([(1, 3, new("b1"))], TraceText.Guarded(Chain(null, "b1", "b1", "b1")));
        Assert.Equal([(0, 0, new("b0")), (1, 2, new("b1"))], TraceText.Guarded(Chain("b0", "b1", "b1")));
        Assert.Equal([(0, 1, new BoxId("b0")), (3, 3, new BoxId("b3"))], TraceText.Guarded(Chain("b0", "b0", null, "b3")));
        Assert.Empty(TraceText.Guarded(Chain(null, null)));
        Assert.Empty(TraceText.Guarded([]));
    }
}
