using System.Globalization;
using System.Text.Json.Nodes;

namespace Circuitum.Inspector;

/// <summary>Do the papers agree: every box on one circuit and reached, every list with the plan, every sum of feet.</summary>
internal static class Lists
{
    public static IEnumerable<Finding> Check(Papers papers) => Once(papers).Concat(Reached(papers)).Concat(Schedule(papers))
        .Concat(Feet(papers)).Concat(Bought(papers));

    private static IEnumerable<Finding> Once(Papers papers)
    {
        var on = papers.Circuits.SelectMany(c => c.Circuit.Texts("boxes")).ToLookup(b => b);
        var drawn = papers.Job.Each("boxes").Select(b => b.Text("id")).ToHashSet();
        return drawn.Where(b => on[b].Count() != 1)
            .Select(b => new Finding("once", "", ["box:" + b], $"{b} is on {on[b].Count()} circuits"))
            .Concat(on.Where(b => !drawn.Contains(b.Key)).Select(b => new Finding("once", "", ["box:" + b.Key], $"{b.Key} is not drawn")));
    }

    // From the panel along the runs: nothing is left out, and nothing comes from elsewhere.
    private static IEnumerable<Finding> Reached(Papers papers)
    {
        foreach (var (panel, circuit) in papers.Circuits.Where(c => !Site.IsFeeder(c.Circuit)))
        {
            var boxes = circuit.Texts("boxes");
            var runs = circuit.Each("runs").ToList();
            var guests = runs.Where(r => r.Text("ridesIn").Length > 0).Select(r => r.Text("from"));
            var reached = Site.Reached(guests.Prepend("panel-" + panel), runs);
            foreach (var box in boxes.Where(b => !reached.Contains(b)))
            {
                yield return new("reached", "", ["box:" + box], $"no cable of {circuit.Text("circuit")} reaches {box}");
            }

            foreach (var run in runs.Where(r => !boxes.Contains(r.Text("to"))))
            {
                yield return new("reached", "", [Site.Of(circuit)], $"{run.Text("run")} ends at {run.Text("to")}, which is not on it");
            }
        }
    }

    private static IEnumerable<Finding> Schedule(Papers papers)
    {
        var rows = papers.Schedule.ToLookup(r => (r["panel"], r["circuit"]));
        foreach (var (panel, circuit) in papers.Circuits.Where(c => c.Circuit.Texts("spaces").Count > 0))
        {
            var row = rows[(panel, circuit.Text("circuit"))].FirstOrDefault();
            var spaces = string.Join('/', circuit.Texts("spaces"));
            if (row is null || row["space"] != spaces || row["breaker_amps"] != circuit.Text("breakerAmps")
                || row["breaker_kind"] != circuit.Text("breakerKind") || row["cable"] != circuit.Text("cable")
                || row["description"].TrimStart('\'') != circuit.Text("description").TrimStart('\''))
            {
                yield return new("schedule", "", [Site.Of(circuit)], $"the schedule's line of {circuit.Text("circuit")} is another");
            }
        }

        var planned = papers.Circuits.Select(c => c.Circuit.Text("circuit")).ToHashSet();
        if (papers.Schedule.Exists(r => r["circuit"].Length > 0 && !planned.Contains(r["circuit"].TrimStart('\''))))
        {
            yield return new("schedule", "", [], "the schedule has lines of no circuit");
        }
    }

    private static IEnumerable<Finding> Feet(Papers papers)
    {
        var pulled = papers.PullList.ToDictionary(r => r["run"].TrimStart('\''));
        double sum = 0;
        foreach (var run in papers.Circuits.SelectMany(c => c.Circuit.Each("runs")))
        {
            sum += run.Number("lengthFt");
            var legs = run.Each("path").Sum(l => l.Place("from").Zip(l.Place("to"), (a, b) => (a - b) * (a - b)) is var d
                ? Math.Sqrt(d.Sum()) : 0);
            if (run.Number("lengthFt") * 12 < legs)
            {
                yield return new("feet", "", [], $"{run.Text("run")} is {run.Text("lengthFt")} ft and its way {legs / 12:0.0} ft");
            }

            if (!pulled.TryGetValue(run.Text("run").TrimStart('\''), out var row) || row["length_ft"] != run.Text("lengthFt")
                || row["cable"] != run.Text("cable"))
            {
                yield return new("feet", "", [], $"the pull list has not {run.Text("run")} as it is");
            }
        }

        if (Math.Abs(sum - papers.Plan.Number("footageFt")) > .5)
        {
            yield return new("feet", "", [], $"the runs are {sum} ft together, told {papers.Plan.Text("footageFt")}");
        }

        foreach (var circuit in papers.Circuits.Select(c => c.Circuit))
        {
            var home = circuit.Each("runs").FirstOrDefault();
            var row = papers.HomeRuns.Find(r => r["circuit"] == circuit.Text("circuit"));
            // What comes in another circuit's cable has no length of its own to pull.
            if (home is not null && row is not null && home.Text("ridesIn").Length == 0 && row["length_ft"] != home.Text("lengthFt"))
            {
                yield return new("feet", "", [Site.Of(circuit)],
                    $"the home run of {circuit.Text("circuit")} has another length in its list");
            }
        }
    }

    // Cable by kind: at least what the runs are cut from, at most a quarter more.
    private static IEnumerable<Finding> Bought(Papers papers)
    {
        var cut = papers.Circuits.SelectMany(c => c.Circuit.Each("runs")).Where(r => r.Text("jacket") != "loose")
            .GroupBy(r => r.Text("cable")).ToDictionary(g => g.Key, g => g.Sum(r => r.Number("lengthFt")));
        foreach (var (cable, feet) in cut)
        {
            var bought = papers.Material.Where(m => m["unit"] == "ft" && m["item"] == cable)
                .Sum(m => double.Parse(m["quantity"], CultureInfo.InvariantCulture));
            if (bought < feet || bought > (feet * 1.25) + 3)
            {
                yield return new("bought", "", [], $"{feet} ft of {cable} are cut and {bought} ft bought");
            }
        }
    }
}
