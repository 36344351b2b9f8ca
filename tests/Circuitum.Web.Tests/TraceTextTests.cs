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
}
