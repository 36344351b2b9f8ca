using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>An inspector apart from the program: reads what it wrote and works the sums again by tables and a geometry of his
/// own.</summary>
public static class Inspection
{
    /// <summary>What is wrong and not told: faults that a tag of the plan names, on the same thing by the same section, are left
    /// out.</summary>
    public static List<Finding> Of(Papers papers)
    {
        var tags = papers.Plan.Each("tags").Where(t => t.Text("severity") is "red" or "amber").Select(t => (t.Text("rule"),
            t.Text("subject")))
            .ToList();
        return [.. All(papers).Where(f => f.Article.Length == 0
            || !tags.Exists(t => t.Item1.Contains(f.Article, StringComparison.Ordinal) && f.Subjects.Contains(t.Item2)))];
    }

    private static IEnumerable<Finding> All(Papers papers)
    {
        var house = new Surveyed(papers.Job);
        var site = new Site(papers, house);
        return papers.IsCanadian ? Lists.Check(papers).Concat(Boards.Check(site)).Concat(Canadian.Check(site))
            : Lists.Check(papers).Concat(Branches.Check(site)).Concat(Cables.Check(site)).Concat(Fill.Check(site))
            .Concat(Guards.Check(site))
            .Concat(Boards.Check(site)).Concat(Placing.Check(site)).Concat(ServiceSum.Check(site));
    }
}

/// <summary>A box as the job has it and where the plan put it.</summary>
internal sealed record SiteBox(JsonObject Box, SurveyedRoom Room, JsonObject Circuit, JsonObject Planned)
{
    public string Id => Box.Text("id");

    public string Use => Room.Use;

    public bool Outside => Box.Says("outside");

    public IEnumerable<JsonObject> Devices => Box.Each("devices");

    public IEnumerable<JsonObject> Plates => Devices.Select(d => d["plate"]).OfType<JsonObject>();

    public string Mount => Box.Text("mount", "wall");

    public bool Counter => Box.Says("servesCounter");

    /// <summary>Receptacles without a machine of their own.</summary>
    public bool IsGeneralReceptacle => Devices.Any(d => d["plate"] is null && Site.IsReceptacle(d));

    public bool IsJoint => Devices.All(d => d.Text("kind") == "joint-box");

    public bool HasLight => Devices.Any(d => d.Text("kind") is "lamp" or "can" or "pendant" or "vanity-light" or "closet-light"
        or "outdoor-light" or "strip" or "flood" or "ceiling-fan");
}

/// <summary>The papers with their parts joined: which box is where and on what.</summary>
internal sealed class Site
{
    public Site(Papers papers, Surveyed house)
    {
        (Papers, House) = (papers, house);
        var circuitOf = papers.Circuits.SelectMany(c => c.Circuit.Texts("boxes").Select(b => (b, c.Circuit))).GroupBy(x => x.b)
            .ToDictionary(g => g.Key, g => g.First().Circuit);
        var planned = papers.Plan.Each("boxes").ToDictionary(b => b.Text("box"));
        Boxes = [.. papers.Job.Each("boxes").Where(b => circuitOf.ContainsKey(b.Text("id")) && planned.ContainsKey(b.Text("id")))
            .Select(b => new SiteBox(b, house.Room(b.Text("room")), circuitOf[b.Text("id")], planned[b.Text("id")]))];
        Runs = [.. papers.Circuits.SelectMany(c => c.Circuit.Each("runs").Select(r => (c.Circuit, r)))];
    }

    public Papers Papers { get; }

    public Surveyed House { get; }

    public List<SiteBox> Boxes { get; }

    public List<(JsonObject Circuit, JsonObject Run)> Runs { get; }

    public int Edition => Papers.Edition;

    public IEnumerable<SiteBox> On(JsonObject circuit) => Boxes.Where(b => b.Circuit == circuit);

    public bool Amended(string rule) => Papers.Job.Each("amendments").Any(a => a.Text("rule") == rule);

    public static bool IsReceptacle(JsonObject device) => device.Text("kind") is "duplex" or "single" or "gfci-receptacle"
        or "appliance-receptacle" or "half-switched" or "afci-receptacle";

    /// <summary>What runs lead to from the places where one begins.</summary>
    public static HashSet<string> Reached(IEnumerable<string> from, IReadOnlyList<JsonObject> runs)
    {
        var reached = from.ToHashSet();
        while (runs.Any(r => reached.Contains(r.Text("from")) && reached.Add(r.Text("to"))))
        {
        }

        return reached;
    }

    public static bool IsFeeder(JsonObject circuit) => circuit.Each("runs").Any(r => r.Text("kind") == "feeder");

    public static string Of(JsonObject circuit) => "circuit:" + circuit.Text("circuit");
}
