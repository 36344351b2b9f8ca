using Circuitum.Core.Jobs;
using Circuitum.Core.Site;

namespace Circuitum.Core.Tests;

/// <summary>A circle on a photograph, as it stands in the line of an entry.</summary>
public sealed class RingTests
{
    private static readonly EntryId Shot = new(new Guid("00000000-0000-0000-0000-000000000007"));

    [Theory]
    [InlineData("00000000-0000-0000-0000-000000000007 40 55", 40, 55)]
    [InlineData("00000000-0000-0000-0000-000000000007 0 100", 0, 100)]
    public void It_is_read_as_it_is_written(string line, int across, int down)
    {
        Assert.Equal(new Ring(Shot, across, down), Ring.TryParse(line));
        Assert.Equal(line, new Ring(Shot, across, down).ToString());
        Assert.True(line.Length <= SiteEntry.LongestLine);
    }

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("00000000-0000-0000-0000-000000000007 40")]
    [InlineData("00000000-0000-0000-0000-000000000007 40 101")]
    [InlineData("00000000-0000-0000-0000-000000000007 -1 50")]
    [InlineData("00000000-0000-0000-0000-000000000007 040 50")]
    [InlineData("00000000-0000-0000-0000-000000000007 4.5 50")]
    [InlineData("00000000-0000-0000-0000-000000000007  40 50")]
    [InlineData("00000000-0000-0000-0000-000000000000 40 50")]
    [InlineData("7 40 50")]
    public void What_is_no_place_is_none(string? line) => Assert.Null(Ring.TryParse(line));

    [Fact]
    public void A_photograph_has_its_own_circles_and_none_that_was_taken_away()
    {
        var other = new EntryId(new Guid("00000000-0000-0000-0000-000000000008"));
        SiteEntry Entry(int id, string line, string note) => new(new(new Guid(id, 0, 0, new byte[8])), Subject.Room(new("kitchen")),
            SiteStep.Circled, new(id), new(id), "Wren", 1)
        { Line = line, Note = note };
        var one = Entry(1, new Ring(Shot, 10, 20).ToString(), "no plate");
        var two = Entry(2, new Ring(Shot, 30, 40).ToString(), "splice");
        var record = SiteRecord.Of([one, two, Entry(3, new Ring(other, 5, 5).ToString(), "elsewhere"),
            Entry(4, one.Line, "") with { TakesBack = one.Id }]);
        Assert.Equal([new CircledThing(two, new(Shot, 30, 40))], record.Circled(Shot));
        Assert.Single(record.Circled(other));
        Assert.Empty(record.Photographs(Subject.Room(new("kitchen"))));
    }
}
