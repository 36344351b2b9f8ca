using System.Globalization;

namespace Circuitum.Inspector;

/// <summary>Panels: spaces, legs, feeders.</summary>
internal static class Boards
{
    public static IEnumerable<Finding> Check(Site site)
    {
        foreach (var panel in site.Papers.Plan.Each("panels"))
        {
            var id = panel.Text("panel");
            var board = site.Papers.Job.Each("panels").First(p => p.Text("id") == id);
            var taken = new Dictionary<string, string>();
            double a = 0, b = 0;
            foreach (var circuit in panel.Each("circuits"))
            {
                var spaces = circuit.Texts("spaces");
                if (spaces.Count == 0)
                {
                    yield return new("space", "408.", ["panel:" + id, Site.Of(circuit)], $"{circuit.Text("circuit")} has no space");
                    continue;
                }

                var poles = circuit.Number("volts") == 240 ? 2 : 1;
                foreach (var space in spaces)
                {
                    if (!taken.TryAdd(space, circuit.Text("circuit")))
                    {
                        yield return new("space", "", ["panel:" + id], $"space {space} of {id} is taken twice");
                    }

                    if (Number(space) > board.Number("spaces"))
                    {
                        yield return new("space", "408.", ["panel:" + id, Site.Of(circuit)], $"{id} has no space {space}");
                    }
                }

                if (spaces.Count != poles || (poles == 2 && Number(spaces[1]) - Number(spaces[0]) != 2
                    && !spaces.TrueForAll(s => s.EndsWith('a') || s.EndsWith('b'))))
                {
                    yield return new("poles", "", [Site.Of(circuit)], $"{circuit.Text("circuit")} in {string.Join('/', spaces)}");
                }

                if (circuit.Text("sharesNeutralWith") is { Length: > 0 } other
                    && panel.Each("circuits").FirstOrDefault(c => c.Text("circuit") == other) is { } partner
                    && OnA(partner.Texts("spaces")[0]) == OnA(spaces[0]))
                {
                    yield return new("legs", "210.4", [Site.Of(circuit)],
                        $"{circuit.Text("circuit")} and {other} share a neutral and a leg");
                }

                var load = circuit.Number("loadVa");
                (a, b) = poles == 2 ? (a + (load / 2), b + (load / 2)) : OnA(spaces[0]) ? (a + load, b) : (a, b + load);
            }

            if (!site.Papers.Job.Each("panels").Any(p => p.Each("taken").Any())
                && (Math.Abs(a - panel.Number("legAVa")) > 2 || Math.Abs(b - panel.Number("legBVa")) > 2))
            {
                yield return new("balance", "", ["panel:" + id], $"{id}: {a:0} and {b:0} VA, told {panel.Text("legAVa")} and "
                    + panel.Text("legBVa"));
            }
        }

        foreach (var panel in site.Papers.Job.Each("panels").Where(p => p.Text("fedFrom").Length > 0 && !p.Says("byLugs")))
        {
            var feeder = site.Papers.Circuits.Select(c => c.Circuit).FirstOrDefault(c => c.Text("circuit") == "feeder-" + panel.Text("id"));
            if (feeder is null)
            {
                yield return new("feeder", "", ["panel:" + panel.Text("id")], $"nothing feeds {panel.Text("id")}");
                continue;
            }

            if (feeder.Each("runs").First().Texts("carries").Count is var wires && wires < 3)
            {
                yield return new("feeder", "250.32", [Site.Of(feeder)], $"{feeder.Text("circuit")} has {wires} conductors and a ground");
            }

            var own = panel["listing"]?["mainLugs"]?.GetValue<bool>() == true;
            if (own && feeder.Number("breakerAmps") > panel.Number("rating"))
            {
                yield return new("feeder", "408.36", [Site.Of(feeder), "panel:" + panel.Text("id")],
                    $"{feeder.Text("breakerAmps")} A on a panel of {panel.Text("rating")}");
            }
        }
    }

    private static int Number(string space) => int.Parse(space.TrimEnd('a', 'b'), CultureInfo.InvariantCulture);

    // Rows alternate: 1 and 2 on A, 3 and 4 on B; a tandem's two halves lie on the leg of their space.
    private static bool OnA(string space) => (Number(space) - 1) / 2 % 2 == 0;
}
