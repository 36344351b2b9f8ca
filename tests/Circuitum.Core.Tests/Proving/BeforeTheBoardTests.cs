using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;
using Circuitum.Tests.Support;
using Xunit.Abstractions;

namespace Circuitum.Core.Tests;

/// <summary>The readings before board: they show what they claim, fault by fault, and no set of less effort does.</summary>
public sealed class BeforeTheBoardTests(ITestOutputHelper output)
{
    [Theory]
    [InlineData(1)]
    [InlineData(5)]
    [InlineData(12)]
    public void Every_fault_that_can_be_seen_is_seen_by_one_of_the_readings(int number)
    {
        var house = new HouseNetwork(Planner.Plan(BuiltHouses.Number(number)));
        var (readings, places, proved) = (0, 0, 0);
        foreach (var circuit in house.Branches)
        {
            var finder = new Finder(house, circuit.Key);
            var set = BeforeTheBoard.Of(finder);
            var at = set.Tests.Select(t => finder.Tests.IndexOf(t)).ToList();
            foreach (var (suspect, looks) in finder.Suspects)
            {
                Assert.Equal(!set.Unseen.Contains(suspect), at.Exists(t => looks[t] != finder.AsPlanned[t]));
            }

            Assert.DoesNotContain(Test.Reset, set.Tests);
            // None of them is for nothing.
            Assert.All(at, one => Assert.Contains(finder.Suspects, s => at.TrueForAll(t => t == one
                ? s.Looks[t] != finder.AsPlanned[t] : s.Looks[t] == finder.AsPlanned[t])));
            (readings, places, proved) = (readings + at.Count, places + finder.Tests.Length, proved + (set.Proved ? 1 : 0));
        }

        output.WriteLine($"{readings} readings of {places} places, {proved} of {house.Branches.Count()} circuits proved least");
        Assert.Equal(house.Branches.Count(), proved);
    }

    [Theory] // every set of places of a small circuit, one by one
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void No_set_of_less_effort_does_by_trying_all(int outlets)
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 24)).With([.. Enumerable.Range(0, outlets).Select(i =>
            Houses.On($"r{i}", "a", 1, 30 + (i * 60)))]);
        var house = new HouseNetwork(Planner.Plan(job));
        var finder = new Finder(house, house.Branches.Single().Key);
        var set = BeforeTheBoard.Of(finder);
        var places = Enumerable.Range(0, finder.Tests.Length).Where(t => finder.Tests[t] != Test.Reset
            && finder.Tests[t].By == LookBy.Standing).ToList();
        var asked = finder.Suspects.Where(s => !set.Unseen.Contains(s.Suspect)).ToList();
        var least = Enumerable.Range(0, 1 << places.Count).Select(bits => places.Where((_, i) => ((bits >> i) & 1) == 1).ToList())
            .Where(some => asked.TrueForAll(s => some.Exists(t => s.Looks[t] != finder.AsPlanned[t])))
            .Min(some => some.Sum(t => finder.Tests[t].Effort));
        Assert.Equal(least, set.Effort);
        Assert.True(set.Proved);
    }

    [Theory] // three outlets in a row, dead: the home run with nothing joined, and through to the last box with a jumper there
    [InlineData(1)]
    [InlineData(3)]
    public void A_dead_row_takes_a_reading_open_and_one_through(int outlets)
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 24)).With([.. Enumerable.Range(0, outlets).Select(i =>
            Houses.On($"r{i}", "a", 1, 30 + (i * 60)))]);
        var house = new HouseNetwork(Planner.Plan(job));
        var circuit = house.Branches.Single();
        var set = BeforeTheBoard.Of(Finder.OnDeadCircuit(house, circuit.Key));
        var last = circuit.Circuit.Boxes.Single(b => circuit.Boxes[b].IsEnd);
        Assert.Equal([(LookBy.Apart, null), (LookBy.Jumper, (BoxId?)last)], set.Tests.Select(t => (t.By, t.Box)));
        Assert.True(set.Proved);
        // Every conductor that is parted or nailed to another is seen, neutral on ground among them, and every one left out of a joint
        // that it goes on by; what is not on the last device's screw is none.
        Assert.DoesNotContain(set.Unseen, s => s.Fault is Fault.Parted or Fault.Nailed
            || (s.Fault is Fault.LeftOut { Box: { } box } && box != last));
    }

    [Fact] // one outlet at the end of one cable: a tester in it sees every conductor of it
    public void A_lone_outlet_takes_one_reading()
    {
        var job = Houses.Row(("a", RoomUse.Bedroom, 12)).With(Houses.On("r", "a", 1, 60));
        var house = new HouseNetwork(Planner.Plan(job));
        var set = BeforeTheBoard.Of(new(house, house.Branches.Single().Key));
        Assert.Equal(new Test(new BoxId("r"), 0, null), Assert.Single(set.Tests));
        // A tester does not see whether neutral and ground touch.
        Assert.All(set.Unseen, s => Assert.IsType<Fault.Nailed>(s.Fault));
    }
}
