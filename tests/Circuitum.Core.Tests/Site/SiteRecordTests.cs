using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Routing;
using Circuitum.Core.Site;
using Circuitum.Core.Units;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Core.Tests;

/// <summary>Entries from several phones, in any order and some of them twice, fold to one record.</summary>
public sealed class SiteRecordTests
{
    private static readonly Instant Noon = new(1_777_896_000_000);

    private static SiteEntry Entry(int id, string box = "k-1", SiteStep step = SiteStep.MadeUp, int minute = 0, int? back = null) =>
        new(Id(id), new(SubjectKind.Box, box), step, Noon.After(TimeSpan.FromMinutes(minute)), Noon.After(TimeSpan.FromMinutes(minute)),
            "Ida", 3)
        {
            TakesBack = back is int b ? Id(b) : null,
        };

    private static EntryId Id(int n) => new(new Guid(n, 0, 0, new byte[8]));

    private static readonly Gen<SiteEntry> Entries = Gen.Select(Gen.Int[1, 12], Gen.Int[0, 2], Gen.Int[0, 1], Gen.Int[-3000, 3000],
        Gen.Int[0, 24], (id, box, step, minute, back) => Entry(id, $"b{box}", step == 0 ? SiteStep.MadeUp : SiteStep.Tested, minute,
            back is > 0 and <= 12 && back != id ? back : null));

    [Fact] // one entry a phone and id: what two phones hold, shuffled, repeated and in parts, is the same record
    public void It_is_the_same_in_any_order_and_however_often() =>
        Gen.Select(Entries.Array[0, 30], Gen.Int).Sample((some, seed) =>
        {
            var entries = some.GroupBy(e => e.Id).Select(g => g.First()).ToList();
            var random = new Random(seed);
            var one = SiteRecord.Of(entries);
            var other = SiteRecord.Of(entries.Concat(entries.Where(_ => random.Next(2) == 0)).OrderBy(_ => random.Next()).ToList());
            var parts = SiteRecord.Of(SiteRecord.Of(entries.Take(entries.Count / 2)).Entries.Concat(entries.Skip(entries.Count / 2)));
            return one.Entries.SequenceEqual(other.Entries) && one.Standing.SequenceEqual(other.Standing)
                && one.Entries.SequenceEqual(parts.Entries) && one.Standing.SequenceEqual(parts.Standing);
        }, iter: 2000);

    [Fact]
    public void A_step_is_done_until_it_is_taken_back_and_can_be_done_again()
    {
        var box = new Subject(SubjectKind.Box, "k-1");
        Assert.True(SiteRecord.Of([Entry(1)]).Is(box, SiteStep.MadeUp));
        Assert.False(SiteRecord.Of([Entry(1)]).Is(box, SiteStep.Tested));
        Assert.False(SiteRecord.Of([Entry(2, back: 1, minute: 5), Entry(1)]).Is(box, SiteStep.MadeUp));
        Assert.True(SiteRecord.Of([Entry(2, back: 1, minute: 5), Entry(1), Entry(3, minute: 9)]).Is(box, SiteStep.MadeUp));
    }

    [Fact] // a phone whose clock is a day behind takes back what another did: the clock does not undo it
    public void A_slow_clock_takes_back_all_the_same() =>
        Assert.False(SiteRecord.Of([Entry(1), Entry(2, back: 1, minute: -1440)]).Is(new(SubjectKind.Box, "k-1"), SiteStep.MadeUp));

    [Fact] // two people do it: it is done by the first, and one taking back his own leaves the other's
    public void Two_who_did_it_are_two()
    {
        var both = SiteRecord.Of([Entry(2, minute: 4), Entry(1)]);
        Assert.Equal(Id(1), both.Of(new(SubjectKind.Box, "k-1"), SiteStep.MadeUp)!.Id);
        Assert.Equal(Id(2), SiteRecord.Of([.. both.Entries, Entry(3, back: 1, minute: 6)])
            .Of(new(SubjectKind.Box, "k-1"), SiteStep.MadeUp)!.Id);
    }

    [Fact] // taking back names a step of a box: it cannot reach another's
    public void Taking_back_reaches_only_its_own_subject() =>
        Assert.True(SiteRecord.Of([Entry(1), Entry(2, "k-2", back: 1), Entry(3, step: SiteStep.Tested, back: 1)])
            .Is(new(SubjectKind.Box, "k-1"), SiteStep.MadeUp));

    [Fact] // a clock a day ahead: the server's is believed; two minutes are let pass; behind is possible, for there may be no signal
    public void A_clock_that_is_ahead_is_not_believed()
    {
        var ahead = Entry(1) with { At = Noon.After(TimeSpan.FromDays(1)) };
        Assert.True(ahead.IsAhead);
        Assert.Equal(Noon, ahead.When);
        var close = Entry(1) with { At = Noon.After(TimeSpan.FromMinutes(2)) };
        Assert.False(close.IsAhead);
        Assert.Equal(Noon.After(TimeSpan.FromMinutes(2)), close.When);
        Assert.Equal(Noon.After(TimeSpan.FromDays(-1)), (Entry(1) with { At = Noon.After(TimeSpan.FromDays(-1)) }).When);
    }

    [Theory]
    [InlineData("6f9619ff-8b86-d011-b42d-00cf4fc964ff", true)]
    [InlineData("00000000-0000-0000-0000-000000000000", false)]
    [InlineData("6f9619ff8b86d011b42d00cf4fc964ff", false)]
    [InlineData("one", false)]
    [InlineData(null, false)]
    public void Ids_are_read(string? text, bool read) => Assert.Equal(read, EntryId.TryParse(text) is not null);

    [Fact]
    public void Every_step_has_its_subject_and_its_order()
    {
        Assert.Equal("Pulled Labeled Inspected", string.Join(' ', SiteSteps.Of(SubjectKind.Run)));
        Assert.Equal("MadeUp Inspected Trimmed Tested", string.Join(' ', SiteSteps.Of(SubjectKind.Box)));
        Assert.Equal("Landed Torqued Tested", string.Join(' ', SiteSteps.Of(SubjectKind.Circuit)));
        Assert.Empty(SiteSteps.Of(SubjectKind.Room));
        Assert.Equal("made up", SiteStep.MadeUp.Words());
    }

    [Fact] // hand: 2, −1, 7, 3 ft of four jumpers: the lower middle is 2
    public void Used_footage_is_told_by_its_middle()
    {
        var plan = Planner.Plan(BuiltHouses.Number(3));
        var jumpers = plan.Takeoff.Pulls.Where(l => l.Kind == RunKind.Jumper).Take(4).ToList();
        int[] more = [2, -1, 7, 3];
        var record = SiteRecord.Of(jumpers.Select((l, i) => new SiteEntry(Id(i + 1), Subject.Run(l.Run), SiteStep.Pulled, Noon, Noon, "Ida",
            1)
        {
            Used = Length.FromFeet(l.Length.WholeFeetUp + more[i]),
        }));
        var used = Assert.Single(UsedFootage.Of(plan, record));
        Assert.Equal((4, 2, -1, 7), (used.Measured, used.Median.Sixtyfourths / 768, used.Least.Sixtyfourths / 768,
            used.Most.Sixtyfourths / 768));
    }
}
