using System.Text.Json.Nodes;
using Circuitum.Inspector;

namespace Circuitum.Formats.Tests.Inspection;

/// <summary>Faults that are planted in what the program wrote, each with the check that must find it.</summary>
internal static class PlantedFaults
{
    /// <summary>Every fault: its name, the check, the number of the house, and what is changed in its papers.</summary>
    public static IReadOnlyList<(string Name, string Check, int House, Action<Papers> Plant)> All { get; } =
    [
        ("a box is on no circuit", "once", 1, p => Drop(Circuit(p, "g-bed2-r-1"), "boxes", "g-bed2-r-1")),
        ("a box is on two circuits", "once", 1, p => Circuit(p, "m-dryer")["boxes"]!.AsArray().Add("g-bed2-r-1")),
        ("a circuit has a box that nobody drew", "once", 1, p => Circuit(p, "m-dryer")["boxes"]!.AsArray().Add("ghost")),
        ("a cable is left out", "reached", 1, p => Runs(p, "g-bed2-r-1").RemoveAt(Runs(p, "g-bed2-r-1").Count - 1)),
        ("a cable ends at a box of another circuit", "reached", 1, p => Runs(p, "g-bed2-r-1")[1]!["to"] = "m-dryer"),
        ("the schedule says another breaker", "schedule", 1, p => p.Schedule[2]["breaker_amps"] = "25"),
        ("the schedule says another space", "schedule", 1, p => p.Schedule[2]["space"] = "41"),
        ("the schedule says another cable", "schedule", 1, p => p.Schedule[2]["cable"] = "14-2"),
        ("the schedule describes another room", "schedule", 1, p => p.Schedule[2]["description"] = "Attic"),
        ("the schedule has a line too many", "schedule", 1, p => p.Schedule.Add(new(p.Schedule[1]) { ["circuit"] = "another" })),
        ("the footage is short", "feet", 1, p => p.Plan["footageFt"] = p.Plan.Number("footageFt") - 10),
        ("a cable is shorter than its way", "feet", 1, p => Runs(p, "m-dryer")[0]!["lengthFt"] = 5),
        ("the pull list cuts another length", "feet", 1, p => p.PullList[3]["length_ft"] = "2"),
        ("the pull list leaves a cable out", "feet", 1, p => p.PullList.RemoveAt(3)),
        ("a home run is shorter in its list", "feet", 1, p => p.HomeRuns[1]["length_ft"] = "2"),
        ("too little cable is bought", "bought", 1, p => p.Material.First(m => m["item"] == "12-2")["quantity"] = "100"),
        ("a lamp on a small-appliance circuit", "small appliance", 1, p => Move(p, "g-hall-l-1", "g-kitchen-r-1")),
        ("a small-appliance circuit of 15 A", "small appliance", 1, p => Circuit(p, "g-kitchen-r-1")["breakerAmps"] = 15),
        ("a bath receptacle on 15 A", "bath", 1, p => Circuit(p, "g-bath-r-1")["breakerAmps"] = 15),
        ("a bath receptacle with a bedroom", "bath", 1, p => Move(p, "g-bed2-r-1", "g-bath-r-1")),
        ("a laundry receptacle with a lamp", "laundry", 1, p => Move(p, "g-hall-l-1", "g-laundry-r-1")),
        ("a garage receptacle with a lamp", "garage", 4, p => Move(p, "g-hall-l-1", "g-garage-r-1")),
        ("all counters on one circuit", "two counters", 1, p => MoveAll(p, "g-kitchen-c-")),
        ("a breaker over what the plate allows", "MOCP", 2, p => Circuit(p, "m-heatpump")["breakerAmps"] = 60),
        ("a water heater too large for its circuit", "load", 1, p => Plate(p, "m-waterheater")["load"] = 9000),
        ("a heater fastened in place among the lights", "fastened", 1, p => Device(p, "g-hall-l-1", "space-heater", 1500, false)),
        ("a tool of 18 A by cord among receptacles", "cord", 1, p => Device(p, "g-bed2-r-1", "other", 2200, true)),
        ("a lamp on the charger's circuit", "individual", 4, p => Move(p, "g-garage-l-1", "m-vehiclecharger")),
        ("general circuits that do not carry the area", "general", 1, p => Everywhere(p, c => c["breakerAmps"] = 2)),
        ("14 AWG behind 20 A", "small conductors", 1, p => Runs(p, "g-kitchen-r-1")[0]!["gauge"] = "14"),
        ("nine cables through one sealed hole", "ampacity", 4, Crowd),
        ("an attic of 70 °C", "ampacity", 1, p => Runs(p, "g-bed2-r-1")[0]!["path"]![0]!["ambientC"] = 70),
        ("a heat pump on 14 AWG", "MCA", 2, p => Runs(p, "m-heatpump")[0]!["gauge"] = "14"),
        ("a feeder with a ground of 14", "ground", 1, p => Runs(p, null, "feeder-G")[0]!["ground"] = "14"),
        ("a feeder with two wires", "feeder", 1, p => Runs(p, null, "feeder-G")[0]!["carries"] = new JsonArray("hot", "second leg")),
        ("nonmetallic cable in the earth", "wet", 1, Bury),
        ("nonmetallic cable in a slab", "wet", 1, p => Runs(p, "g-bed2-r-1")[0]!["path"]![0]!["space"] = "slab"),
        ("a cable that hangs through a room", "air", 1, Hang),
        ("a trench of 6 in", "cover", 1, p => p.Job["trenches"]![0]!["depth"] = "6\""),
        ("a box that is too small", "fill", 1, p => Box(p, "g-kitchen-r-1")["volumeIn3"] = 10),
        ("armored cable into a box of plastic", "metal box", 1, p => Runs(p, "g-kitchen-r-1")[0]!["jacket"] = "armoured"),
        ("a box that is counted short", "fill told", 1, p => Box(p, "g-kitchen-r-1")["neededIn3"] = 6),
        ("a bedroom without arc-fault protection", "AFCI", 1, p => Box(p, "g-bed2-r-1")["afci"] = null),
        ("a bath receptacle without ground-fault protection", "GFCI", 1, p => Box(p, "g-bath-r-1")["gfci"] = null),
        ("a counter receptacle without it", "GFCI", 1, p => Box(p, "g-kitchen-c-1")["gfci"] = null),
        ("a garage receptacle without it", "GFCI", 4, p => Box(p, "g-garage-r-1")["gfci"] = null),
        ("a heat pump outdoors without it", "GFCI", 2, p => Box(p, "m-heatpump")["gfci"] = null),
        ("a breaker that is not what it is said to be", "protected", 1, p => Circuit(p, "g-bed2-r-1")["breakerKind"] = ""),
        ("a device that stands behind what it is to protect", "protected", 1, p => Box(p, "g-bed2-r-1")["afci"] = "m-dryer"),
        ("two circuits in one space", "space", 1, p => Circuit(p, "g-bed2-r-1")["spaces"] = new JsonArray(Circuit(p,
            "g-bath-r-1")["spaces"]![0]!
            .DeepClone())),
        ("a two-pole breaker on one space", "poles", 1, p => Circuit(p, "m-dryer")["spaces"]!.AsArray().RemoveAt(1)),
        ("a two-pole breaker that lies apart", "poles", 1, p => Circuit(p, "m-dryer")["spaces"]![1] = 60),
        ("a leg that carries more than is told", "balance", 1, p => p.Plan["panels"]![0]!["legAVa"] = 100),
        ("two that share a neutral on one leg", "legs", 1, OneLeg),
        ("a bedroom wall without a receptacle", "wall", 1, p => Undraw(p, "g-bed2-r-")),
        ("a counter without a receptacle", "counter", 1, p => Undraw(p, "g-kitchen-c-")),
        ("a bath without a receptacle", "owed", 1, p => Undraw(p, "g-bath-r-")),
        ("a garage with nothing but its machines' receptacles", "owed", 4, p => Undraw(p, "g-garage-r-")),
        ("a hall without a light", "light", 1, p => Undraw(p, "g-hall-l-")),
        ("a bedroom without an alarm", "alarm", 1, p => Undraw(p, "g-bed3-a-")),
        ("a sum that does not come out", "sum", 1, p => p.Plan["service"]!["standard"]![0]!["countedVa"] = 1),
        ("an area by inside dimensions", "area", 1, p => p.Plan["floorAreaSqFt"] = p.Plan.Number("floorAreaSqFt") * .95),
        ("lighting of half the house", "lighting load", 1, Halve),
        ("a range that no method counts", "counted", 1, p => Plate(p, "m-range")["name"] = "Forgotten range"),
    ];

    /// <summary>The same for a house that is laid out by the Canadian method.</summary>
    public static IReadOnlyList<(string Name, string Check, int House, Action<Papers> Plant)> Canadian { get; } =
    [
        ("thirteen outlets and more", "twelve", 1, p => MoveAll(p, "g-bed")),
        ("counters on one circuit", "neighbors", 1, p => MoveAll(p, "g-kitchen-c-")),
        ("a counter circuit of 15 A", "counter circuit", 1, p => Circuit(p, "g-kitchen-c-1")["breakerAmps"] = 15),
        ("a lamp on a counter circuit", "counter circuit", 1, p => Move(p, "g-hall-l-1", "g-kitchen-c-1")),
        ("a lamp with the refrigerator", "refrigerator", 1, p => Device(p, "g-hall-l-1", "refrigerator", 700, true)),
        ("14 AWG behind 30 A", "ampacity", 1, p => Runs(p, "m-dryer")[0]!["gauge"] = "14"),
        ("an attic of 85 °C", "ampacity", 1, p => Runs(p, "g-kitchen-c-1")[0]!["path"]![0]!["ambientC"] = 85),
        ("a dryer 300 ft away", "drop", 1, p => Runs(p, "m-dryer")[0]!["lengthFt"] = 300),
        ("a counter receptacle at the sink without ground-fault protection", "GFCI", 1, p => Unguard(p, "gfci")),
        ("a bedroom without arc-fault protection", "AFCI", 1, p => Box(p, "g-bed2-r-1")["afci"] = null),
        ("a box that is too small", "fill", 1, p => Box(p, "g-kitchen-r-1")["volumeIn3"] = 4),
        ("a bedroom wall without a receptacle", "wall", 1, p => Undraw(p, "g-bed2-r-")),
        ("a counter without a receptacle", "counter", 1, p => Undraw(p, "g-kitchen-c-")),
        ("a sum that does not come out", "sum", 1, p => p.Plan["service"]!["standardVa"] = 1),
        ("a house of half its size", "area", 1, p => p.Plan["service"]!["standard"]![0]!["countedVa"] = 5000),
        ("a water heater that nobody counts", "others", 1, p => Plate(p, "m-waterheater")["load"] = 90_000),
    ];

    private static void Unguard(Papers papers, string protection)
    {
        foreach (var box in papers.Plan.Each("boxes").Where(b => b.Text("box").StartsWith("g-kitchen-c-", StringComparison.Ordinal)))
        {
            box[protection] = null;
        }
    }

    private static JsonObject Circuit(Papers papers, string box) => papers.Circuits.First(c => c.Circuit.Texts("boxes")
        .Contains(box)).Circuit;

    private static JsonArray Runs(Papers papers, string? box, string? circuit = null) =>
        (box is null ? papers.Circuits.First(c => c.Circuit.Text("circuit") == circuit).Circuit : Circuit(papers, box))["runs"]!.AsArray();

    private static JsonObject Box(Papers papers, string box) => papers.Plan.Each("boxes").First(b => b.Text("box") == box);

    private static JsonObject Drawn(Papers papers, string box) => papers.Job.Each("boxes").First(b => b.Text("id") == box);

    private static JsonNode Plate(Papers papers, string box) => Drawn(papers, box)["devices"]![0]!["plate"]!;

    private static void Device(Papers papers, string box, string appliance, int load, bool cord) => Drawn(papers, box)["devices"]!.AsArray()
        .Add(new JsonObject
        {
            ["kind"] = cord ? "single" : "equipment",
            ["plate"] = new JsonObject
            {
                ["appliance"] = appliance,
                ["name"] = "Planted",
                ["volts"] = 120,
                ["load"] = load,
                ["cord"] = cord
            },
        });

    private static void Drop(JsonObject circuit, string list, string item)
    {
        var items = circuit[list]!.AsArray();
        items.RemoveAt(items.ToList().FindIndex(i => i!.ToString() == item));
    }

    private static void Move(Papers papers, string box, string to)
    {
        var target = Circuit(papers, to);
        Drop(Circuit(papers, box), "boxes", box);
        target["boxes"]!.AsArray().Add(box);
    }

    private static void MoveAll(Papers papers, string stem)
    {
        var boxes = papers.Job.Each("boxes").Select(b => b.Text("id")).Where(id => id.StartsWith(stem, StringComparison.Ordinal)).ToList();
        foreach (var box in boxes.Skip(1).Where(b => Circuit(papers, b) != Circuit(papers, boxes[0])))
        {
            Move(papers, box, boxes[0]);
        }
    }

    private static void Everywhere(Papers papers, Action<JsonObject> change)
    {
        foreach (var circuit in papers.Circuits.Select(c => c.Circuit).ToList())
        {
            change(circuit);
        }
    }

    private static void Crowd(Papers papers)
    {
        var hole = papers.Plan.Each("holes").First(h => h.Says("sealed") && h.Texts("runs").Contains("@A~" + "m-freezer"));
        foreach (var run in papers.Circuits.SelectMany(c => c.Circuit.Each("runs")).Select(r => r.Text("run")).Take(40))
        {
            hole["runs"]!.AsArray().Add(run);
        }
    }

    // Eight feet in from both walls of the living room.
    private static void Hang(Papers papers) => Runs(papers, "g-bed2-r-1")[0]!["path"]!.AsArray().Add(new JsonObject
    {
        ["space"] = "stud-bay",
        ["from"] = new JsonArray("8'-0\"", "8'-0\"", "0\""),
        ["to"] = new JsonArray("8'-0\"", "8'-0\"", "8'-0\""),
        ["ambientC"] = 30,
    });

    private static void Bury(Papers papers)
    {
        var run = Runs(papers, null, "feeder-G")[0]!;
        (run["jacket"], run["pipe"]) = ("nonmetallic", null);
    }

    private static void OneLeg(Papers papers)
    {
        var one = papers.Circuits.First(c => c.Circuit.Text("sharesNeutralWith").Length > 0).Circuit;
        var other = papers.Circuits.First(c => c.Circuit.Text("circuit") == one.Text("sharesNeutralWith")).Circuit;
        other["spaces"] = new JsonArray(((int)one["spaces"]![0]!.GetValue<int>() - 1) / 4 * 4 % 40 + 41);
        one["spaces"] = new JsonArray(((other["spaces"]![0]!.GetValue<int>() - 1) / 4 * 4) + 2);
    }

    private static void Undraw(Papers papers, string stem)
    {
        var boxes = papers.Job["boxes"]!.AsArray();
        foreach (var box in boxes.Where(b => b!.Text("id").StartsWith(stem, StringComparison.Ordinal)).ToList())
        {
            boxes.Remove(box);
        }
    }

    private static void Halve(Papers papers)
    {
        var service = papers.Plan["service"]!;
        var line = service["standard"]![0]!;
        var taken = line.Number("countedVa") / 2;
        line["countedVa"] = line.Number("countedVa") - taken;
        service["standardVa"] = service.Number("standardVa") - taken;
    }
}
