using Circuitum.Core.Jobs;

namespace Circuitum.Core.Problems;

/// <summary>What is wrong with the texts of a job: each must be printable, and none is so long that it spoils a page.</summary>
internal static class JobTexts
{
    public static IEnumerable<JobProblem> Find(Job job)
    {
        foreach (var (where, text, most) in Of(job))
        {
            if (text is null)
            {
                continue;
            }

            if (text.Length > most)
            {
                yield return new(where, $"has at most {most} characters; this one has {text.Length}");
            }
            else if (Printed.Problem(text) is { } problem)
            {
                yield return new(where, problem);
            }
        }

        foreach (var line in job.CrewLines.Where(l => l.Text.Trim().Length == 0))
        {
            yield return new($"crewLines “{line.Id}”", "say in 1 to 120 characters what must be so");
        }

        foreach (var (where, _) in Keys(job).Where(k => k.Key.Value.Length == 0))
        {
            yield return new(where, "names no circuit; write its key, or take the entry out");
        }
    }

    // Ids that are pointed at are held by what they point at; these are the texts that a job says itself.
    private static IEnumerable<(string Where, string? Text, int Most)> Of(Job job)
    {
        yield return ("name", job.Name, Printed.Longest);
        foreach (var amendment in job.Amendments)
        {
            yield return ("amendments", amendment.By, Printed.Longest);
        }

        foreach (var line in job.CrewLines)
        {
            yield return ("crewLines", line.Text, Printed.Longest);
        }

        foreach (var structure in job.Structures)
        {
            yield return ($"structures “{structure.Id}”.name", structure.Name, Printed.Longest);
            foreach (var level in structure.Levels)
            {
                yield return ($"levels “{level.Id}”.name", level.Name, Printed.Longest);
                yield return ($"levels “{level.Id}”.underlay", level.Underlay?.Name, Printed.Longest);
                foreach (var room in level.Rooms)
                {
                    yield return ($"rooms “{room.Id}”.name", room.Name, Printed.Longest);
                    yield return ($"rooms “{room.Id}”.group", room.Group, Printed.Longest);
                }

                foreach (var obstruction in level.Obstructions)
                {
                    yield return ($"levels “{level.Id}”, an obstruction", obstruction.Name, Printed.Longest);
                }

                foreach (var kept in level.Reservations)
                {
                    yield return ($"reservations “{kept.Id}”", kept.For, Printed.Longest);
                }

                foreach (var chase in level.Chases)
                {
                    yield return ($"chases “{chase.Id}”", chase.For, Printed.Longest);
                }
            }
        }

        foreach (var panel in job.Panels)
        {
            var l = panel.Listing;
            foreach (var text in new[] { l.Family, l.LugTorque, l.BreakerTorque,
                l.BarTorque }.Concat(panel.Taken.Select(t => t.Description)))
            {
                yield return ($"panels “{panel.Id}”", text, Printed.Longest);
            }
        }

        foreach (var box in job.Boxes)
        {
            yield return ($"boxes “{box.Id}”.name", box.Name, Printed.Longest);
            foreach (var device in box.Devices)
            {
                yield return ($"boxes “{box.Id}”, its plate", device.Plate?.Name, Printed.Longest);
            }
        }

        foreach (var want in job.Wants)
        {
            yield return ($"wants “{want.Id}”", want.Name, Printed.Longest);
        }

        foreach (var outlet in job.LowVoltage)
        {
            yield return ($"lowVoltage “{outlet.Id}”", outlet.Name, Printed.Longest);
        }

        foreach (var hold in job.Holds)
        {
            foreach (var text in new[] { hold.Subject, hold.What, hold.Who, hold.By })
            {
                yield return ($"holds “{hold.Id}”", text, Printed.Longest);
            }
        }

        foreach (var division in job.Divisions)
        {
            yield return ("divisions", division.Name, Printed.Longest);
        }

        foreach (var (where, key) in Keys(job))
        {
            yield return (where, key.Value, Printed.Longest);
        }

        foreach (var written in job.Written)
        {
            yield return ("written", written.Panel.Value, Printed.Longest);
        }

        foreach (var lies in job.Built.Runs)
        {
            yield return ("built.runs", lies.Run.ToString(), 2 * Printed.Longest);
        }

        foreach (var landed in job.Built.Landed)
        {
            yield return ("built.landed", landed.Panel.Value, Printed.Longest);
        }

        foreach (var box in job.Divisions.SelectMany(d => d.Circuits).SelectMany(c => c.Boxes))
        {
            yield return ("divisions", box.Value, Printed.Longest);
        }

        foreach (var way in job.Pins.Ways)
        {
            yield return ("pins.ways", way.Run.ToString(), 2 * Printed.Longest);
        }

        foreach (var said in job.Pins.Descriptions)
        {
            yield return ("pins.descriptions", said.Text, Printed.Longest);
            yield return ("pins.descriptions", said.Instead, 2 * Printed.Longest);
        }

        foreach (var family in job.Pins.Families)
        {
            yield return ("pins.families", family.Family, Printed.Longest);
        }

        yield return ("follows", job.Follows, Printed.Longest);
    }

    private static IEnumerable<(string Where, CircuitKey Key)> Keys(Job job) =>
    [
        .. job.CircuitSchools.Select(c => ("circuitSchools", c.Circuit)),
        .. job.Pipes.SelectMany(p => p.Circuits).Select(c => ("pipes", c)),
        .. job.Written.Select(w => ("written", w.Circuit)),
        .. job.Built.Landed.Select(w => ("built.landed", w.Circuit)),
        .. job.Divisions.SelectMany(d => d.Circuits).Select(c => ("divisions", c.Key)),
        .. job.Pins.Boxes.Select(p => ("pins.boxes", p.Circuit)),
        .. job.Pins.Spaces.Select(p => ("pins.spaces", p.Circuit)),
        .. job.Pins.Breakers.Select(p => ("pins.breakers", p.Circuit)),
        .. job.Pins.Cables.Select(p => ("pins.cables", p.Circuit)),
        .. job.Pins.Panels.Select(p => ("pins.panels", p.Circuit)),
        .. job.Pins.Descriptions.Select(p => ("pins.descriptions", p.Circuit)),
        .. job.Pins.Families.Select(p => ("pins.families", p.Circuit)),
        .. job.Pins.Together.SelectMany(p => new[] { ("pins.together", p.One), ("pins.together", p.Other) }),
    ];
}
