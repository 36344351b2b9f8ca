using Circuitum.Core.Changes;
using Circuitum.Core.Circuits;
using Circuitum.Core.Jobs;
using Circuitum.Core.Searches;
using Circuitum.Core.Units;
using Circuitum.Formats.JobFile;
using Circuitum.Tests.Support;
using CsCheck;

namespace Circuitum.Formats.Tests;

/// <summary>Divisions, aims, prices and schools of single places in the job file.</summary>
public sealed class DivisionFileTests
{
    private static readonly string OneRoom = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "one-room.circuitum.json"));

    private static string With(string members) =>
        OneRoom.Replace("\"edition\": 2020", $"\"edition\": 2020, {members}", StringComparison.Ordinal);

    [Fact] // written and read again, the division is the same and so is the plan that follows it
    public void A_kept_division_comes_back_and_is_followed_alike() => RandomHouses.Small.Sample(job =>
    {
        var kept = new KeepDivision(Redivide.Find(job, "Better", 50).Division, Follow: true).On(job).Job!;
        var again = JobFiles.Read(JobFiles.Write(kept));
        Assert.Equal((kept.Follows, kept.Divisions.Single()), (again.Follows, again.Divisions.Single()));
        Assert.Equal(PlanFile.PlanFiles.Write(Core.Plans.Planner.Plan(kept)), PlanFile.PlanFiles.Write(Core.Plans.Planner.Plan(again)));
    }, iter: 25);

    [Fact]
    public void Aims_prices_and_schools_of_places_come_back()
    {
        var job = JobFiles.Read(OneRoom);
        var room = job.Rooms.First().Id;
        var set = job with
        {
            Aims = new() { Cable = new(50), Breaker = 45.Feet(), WantedFill = new(70) },
            Prices = new() { AfciBreaker = new(39.5m) },
            Schools = job.Schools with { Gfci = GfciWay.LeastCost, TwoCircuits = TwoCircuits.Multiwire },
            RoomSchools = [new() { Room = room, Lighting = LightsAndReceptacles.Together }],
            CircuitSchools = [new() { Circuit = new("x"), Afci = AfciWay.FirstOutlet }],
            HouseRules = job.HouseRules with { ListedForFirstOutlet = true },
        };
        var again = JobFiles.Read(JobFiles.Write(set));
        Assert.Equal((set.Aims, set.Prices, set.Schools, set.HouseRules), (again.Aims, again.Prices, again.Schools, again.HouseRules));
        Assert.Equal(set.RoomSchools.Single(), again.RoomSchools.Single());
        Assert.Equal(set.CircuitSchools.Single(), again.CircuitSchools.Single());
    }

    [Theory]
    [InlineData("there is no division “Ghost”", "\"follows\": \"Ghost\"")]
    [InlineData("is on two circuits",
        "\"divisions\": [{\"name\": \"A\", \"circuits\": [{\"key\": \"x\", \"boxes\": [\"r1\"]}, {\"key\": \"y\", \"boxes\": [\"r1\"]}]}]")]
    [InlineData("stands there twice",
        "\"divisions\": [{\"name\": \"A\", \"circuits\": [{\"key\": \"x\", \"boxes\": [\"r1\"]}, {\"key\": \"x\", \"boxes\": [\"r2\"]}]}]")]
    [InlineData("this name is used twice", "\"divisions\": [{\"name\": \"A\", \"circuits\": []}, {\"name\": \"A\", \"circuits\": []}]")]
    [InlineData("give it a name of 1 to 40 characters", "\"divisions\": [{\"name\": \" \", \"circuits\": []}]")]
    [InlineData("'boxes'", "\"divisions\": [{\"name\": \"A\", \"circuits\": [{\"key\": \"x\"}]}]")]
    [InlineData("aims.breaker", "\"aims\": {\"breaker\": \"501'\"}")]
    [InlineData("aims.cable", "\"aims\": {\"cable\": 401}")]
    [InlineData("aims.wantedFill", "\"aims\": {\"wantedFill\": 19}")]
    [InlineData("prices.breaker", "\"prices\": {\"breaker\": -1}")]
    [InlineData("is no room of this job", "\"roomSchools\": [{\"room\": \"ghost\", \"lighting\": \"together\"}]")]
    [InlineData("not one the format knows here", "\"roomSchools\": [{\"room\": \"workroom\", \"lighting\": \"sideways\"}]")]
    [InlineData("“colour” is no member", "\"aims\": {\"colour\": 3}")]
    public void What_contradicts_itself_gets_one_message(string says, string members) =>
        Assert.Contains(says, Assert.Throws<JobFileException>(() => JobFiles.Read(With(members))).Message, StringComparison.Ordinal);

    [Theory] // either side of every bound
    [InlineData("\"aims\": {\"breaker\": \"500'\", \"cable\": 400, \"wantedFill\": 20}")]
    [InlineData("\"aims\": {\"breaker\": 0, \"cable\": 0, \"wantedFill\": 100, \"darkness\": 0, \"crowding\": 0, \"crossing\": 0, "
        + "\"lone\": 0, \"leavingRoom\": 0}")]
    [InlineData("\"prices\": {\"breaker\": 0, \"gfciReceptacle\": 10000}")]
    public void What_lies_on_the_bound_is_read_and_planned(string members) =>
        Assert.NotEmpty(Core.Plans.Planner.Plan(JobFiles.Read(With(members))).Circuits);

    [Fact] // boxes of a kept division that the job has no more are left out, not refused
    public void A_division_that_names_a_box_gone_is_read_without_it()
    {
        var job = JobFiles.Read(
            With("\"divisions\": [{\"name\": \"A\", \"circuits\": [{\"key\": \"x\", \"boxes\": [\"r1\", \"ghost\"]}]}], \"follows\": "
                + "\"A\""));
        Assert.Equal(new CircuitKey("x"), Core.Plans.Planner.Plan(job).CircuitOf(new("r1"))!.Circuit.Key);
    }
}
