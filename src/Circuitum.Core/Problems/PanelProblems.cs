using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Problems;

/// <summary>What is wrong with a panel's listing, the breakers in it, and what is written of its spaces.</summary>
internal static class PanelProblems
{
    public static IEnumerable<JobProblem> Find(Job job) => job.Panels.SelectMany(Listing).Concat(job.Panels.SelectMany(Taken))
        .Concat(Kept(job));

    private static IEnumerable<JobProblem> Listing(Panel panel)
    {
        var l = panel.Listing;
        foreach (var (name, value, low, high) in new (string, decimal?, decimal, decimal)[]
        {
            ("bus", l.Bus?.Value, 30, 400), ("neutralTerminals", l.NeutralTerminals, 2, 120),
                ("groundTerminals", l.GroundTerminals, 2, 120),
            ("groundsUnderScrew", l.GroundsUnderScrew, 1, 3), ("knockouts", l.Knockouts, 1, 80),
                ("circuits", l.Circuits, panel.Spaces, 2 * PanelSpace.Most),
        })
        {
            if (value < low || value > high)
            {
                yield return new($"panels “{panel.Id}”.listing.{name}", $"must lie from {low} to {high}; it is {value:0.##}");
            }
        }

        if (l.TandemSpaces.Any(s => s < 1 || s > panel.Spaces) || l.TandemSpaces.Distinct().Count() != l.TandemSpaces.Length)
        {
            yield return new($"panels “{panel.Id}”.listing.tandemSpaces", $"spaces 1 to {panel.Spaces}, each once");
        }

        foreach (var (name, text, most) in new[] { ("family", l.Family, 30), ("lugTorque", l.LugTorque, 40),
            ("breakerTorque", l.BreakerTorque, 40), ("barTorque", l.BarTorque, 40) })
        {
            if (text is not null && text.Trim().Length is var length && (length == 0 || length > most))
            {
                yield return new($"panels “{panel.Id}”.listing.{name}", $"1 to {most} characters, or nothing");
            }
        }
    }

    private static IEnumerable<JobProblem> Taken(Panel panel)
    {
        foreach (var taken in panel.Taken)
        {
            if (taken.Poles is not (1 or 2) || (taken.Poles == 2 && taken.Space.IsHalf) || taken.Space.Number < 1
                || taken.Spaces.Max(s => s.Number) > panel.Spaces)
            {
                yield return new($"panels “{panel.Id}”.taken, space {taken.Space}",
                    $"one or two poles in spaces 1 to {panel.Spaces}; half a space takes one");
            }

            if (taken.Rating.Value is < 10 or > 400 || taken.Load.Value is < 0 or > 50_000 || taken.Description.Trim().Length is 0 or > 56)
            {
                yield return new($"panels “{panel.Id}”.taken, space {taken.Space}",
                    "a rating of 10 to 400 A, a load to 50,000 VA, and a description of 1 to 56 characters");
            }
        }

        var taking = panel.Taken.SelectMany(t => t.Spaces).Order().ToList();
        foreach (var twice in taking.Where((s, i) => taking.Take(i).Any(s.Overlaps)))
        {
            yield return new($"panels “{panel.Id}”.taken, space {twice}", "holds two breakers; a space holds one");
        }
    }

    private static IEnumerable<JobProblem> Kept(Job job)
    {
        foreach (var written in job.Written.Where(w => w.Space.Number is < 1 or > PanelSpace.Most))
        {
            yield return new($"written “{written.Circuit}”", "a space lies from 1 to 84");
        }

        foreach (var landed in job.Built.Landed.Where(w => w.Space.Number is < 1 or > PanelSpace.Most))
        {
            yield return new($"built.landed “{landed.Circuit}”", "a space lies from 1 to 84");
        }

        foreach (var twice in job.Built.Landed.GroupBy(w => w.Circuit).Where(g => g.Count() > 1))
        {
            yield return new($"built.landed “{twice.Key}”", "is landed twice");
        }

        foreach (var twice in job.Written.GroupBy(w => w.Circuit).Where(g => g.Count() > 1))
        {
            yield return new($"written “{twice.Key}”", "is written twice");
        }

        foreach (var said in job.Pins.Descriptions.Where(d => d.Text.Trim().Length is 0 or > DescriptionPin.Longest))
        {
            yield return new($"pins.descriptions “{said.Circuit}”", $"a description has 1 to {DescriptionPin.Longest} characters");
        }

        foreach (var family in job.Pins.Families.Where(f => f.Family.Trim().Length is 0 or > 30))
        {
            yield return new($"pins.families “{family.Circuit}”", "a line of breakers has 1 to 30 characters");
        }
    }
}
