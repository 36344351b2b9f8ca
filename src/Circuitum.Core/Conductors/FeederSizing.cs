using System.Collections.Immutable;
using Circuitum.Core.Demand;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Routing;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Conductors;

/// <summary>Sizes the feeder of a panel: four wires in cable inside a building, in pipe to another one (225.39, 250.32).</summary>
public static class FeederSizing
{
    /// <summary>Sizes one feeder in its pipe by the load it carries.</summary>
    /// <param name="routed">The feeder with its run.</param>
    /// <param name="raceway">The pipe it is pulled in; null for cable.</param>
    /// <param name="places">Where cable lies at its worst.</param>
    /// <param name="feeding">What it carries.</param>
    /// <param name="largestBehind">The largest breaker behind it: it is no smaller.</param>
    /// <param name="job">The job.</param>
    /// <param name="book">Its code book.</param>
    internal static SizedCircuit Size(RoutedCircuit routed, Raceway? raceway, IReadOnlyList<Sizing.WorstPlace> places, FeederLoad feeding,
        Amps largestBehind, Job job, CodeBook book)
    {
        var run = routed.HomeRun!;
        var load = routed.Circuit.Load;
        var amps = feeding.Current;
        var why = Because.Of("Why this breaker");
        foreach (var line in feeding.Chosen.Lines)
        {
            why = why.Book($"{line.Text}: {line.Sum}", line.Counted.ToString(), line.Cite);
        }

        why = why.Book($"carried at {book.Supply.Between}", $"{feeding.Chosen.Total}, {feeding.Chosen.Current}",
            book.Cite(RuleId.FeederConductors, RuleId.FeederProtection));
        if (amps > feeding.Chosen.Current)
        {
            why = why.Book("one leg carries more than half: its circuits cannot be shared out evenly", amps.ToString(),
                book.Cite(RuleId.FeederContinuous, RuleId.FeederProtection));
        }

        var rating = book.StandardAtLeast(amps) ?? amps;
        var least = book.Service.LeastOfBuilding;
        if (rating < least && run.From.Place.Structure != run.To.Place.Structure)
        {
            rating = least;
            why = why.Book("an outbuilding's disconnect and feeder of more than two circuits", least.ToString(),
                book.Cite(RuleId.BuildingOfMany));
        }

        if (rating < largestBehind)
        {
            rating = largestBehind;
            why = why.House("no smaller than the largest breaker behind it, which would never open first", largestBehind.ToString(),
                "good practice");
        }

        var panel = job.Panels.First(p => p.Id == routed.Circuit.Feeds);
        var usual = new Amps(Math.Min(job.HouseRules.LeastFeeder, panel.Rating.Value));
        if (rating < usual && run.From.Place.Structure == run.To.Place.Structure)
        {
            rating = usual;
            why = why.House("the smallest feeder that the crew pulls inside a building, and no more than the panel is rated for",
                usual.ToString(), "smallest feeder");
        }

        if (routed.Circuit.ByLugs)
        {
            rating = job.Panels.First(p => p.Id == routed.Circuit.Panel).Rating;
            why = why.Book($"no breaker of its own: on feed-through lugs behind the main of panel {routed.Circuit.Panel}",
                rating.ToString(), book.Cite(RuleId.FeederProtection, RuleId.WhereProtected));
        }
        else if (job.Pins.Breakers.FirstOrDefault(p => p.Circuit == routed.Circuit.Key) is { } pinned)
        {
            rating = pinned.Rating;
            why = why.Pin("held by a person", rating.ToString());
        }

        var metal = job.Schools.FeederMetal == FeederMetal.Aluminium ? Metal.Aluminium : Metal.Copper;
        Figure<Amps> Able(Gauge gauge)
        {
            if (raceway is null)
            {
                return Sizing.Worst(gauge, places, book, run.Jacket, metal);
            }

            var worst = raceway.Worst(run, book.Conductors.BundledBeyond.Length);
            return Ampacities.InRaceway(gauge, worst.CurrentCarrying, worst.Ambient, raceway.Pipe.Marked75
                || book.Conductors.TerminatesAt75(rating, gauge) ? Column.C75 : Column.C60, book, metal, worst.Where);
        }

        // 310.12: what carries a whole dwelling may have 83 per cent of its rating, from 100 A.
        var dwelling = feeding.CarriesDwelling && book.Service.EasesWholeDwelling(rating);
        var share = book.Service.WholeDwelling * rating;
        Percent Lost(Gauge g) => VoltageDrop.Share(VoltageDrop.Of(amps, g, run.Length.Value, book, metal), load.Volts);
        bool Carries(Amps able) => dwelling ? able >= share : able >= amps && book.Protects(rating, able, false);
        var needed = book.Conductors.Sizes.Where(g => book.Conductors.Ampacity(g, metal, Column.C90) is not null)
            .First(g => book.Conductors.Next(g) is null || (Carries(Able(g).Value)
            && book.SuitsSmallConductor(rating, g, metal)));
        var gauge = needed;
        var conductorWhy = Because.Of("Why this conductor");
        if (job.Pins.Cables.FirstOrDefault(p => p.Circuit == routed.Circuit.Key) is { } pin)
        {
            gauge = book.Conductors.Ampacity(pin.Gauge, metal, Column.C90) is null ? needed : pin.Gauge;
            conductorWhy = conductorWhy.Pin("held by a person", gauge.Words);
        }
        else
        {
            if (raceway is null && job.Built.GaugeOf(run.Id) is { } pulled && pulled > needed)
            {
                gauge = pulled;
                conductorWhy = Sizing.PulledAlready(conductorWhy, gauge);
            }

            if (book.MostDrop is { } most && Lost(gauge) > most.Branch)
            {
                // Where the loss of a feeder is a rule, it grows until it holds.
                var less = gauge;
                gauge = book.Conductors.Sizes.First(g => book.Conductors.Next(g) is null || (g > less && !(Lost(g) > most.Branch)));
                conductorWhy = conductorWhy.Book($"{Lost(less).OneDecimal} is lost with {less}; at most {most.Branch.OneDecimal}",
                    gauge.Words, book.Cite(RuleId.VoltageDropLimit));
            }
        }

        var ampacity = Able(gauge);
        var ground = Grounding.For(rating, gauge, needed, book, metal);
        var lost = VoltageDrop.Of(amps, gauge, run.Length.Value, book, metal);
        var drop = VoltageDrop.Share(lost, load.Volts);
        return new()
        {
            Routed = routed,
            Book = book,
            Measure = job.Schools.Measure,
            Metal = metal,
            Breaker = new(rating, routed.Circuit.ByLugs ? why
                : why.Book("next standard size", rating.ToString(), book.Cite(RuleId.StandardRatings))),
            Gauge = new(gauge, dwelling
                ? conductorWhy.Then(ampacity.Why).Book($"carries the whole dwelling: {book.Service.WholeDwelling} of {rating}",
                    $"{share} ≤ {ampacity.Value}", book.Cite(RuleId.DwellingConductors))
                : conductorWhy.Then(ampacity.Why)
                .Book("carries the load; the next standard size up is allowed", $"{amps} ≤ {ampacity.Value}, breaker {rating}",
                    book.Cite(RuleId.NextSizeUp))),
            HomeRunGauge = gauge,
            Ampacity = ampacity,
            VoltsAtPanel = load.Volts,
            VoltsAt = [],
            Through = ImmutableDictionary<RunId, Amps>.Empty.Add(run.Id, amps),
            Drop = new(drop, Because.Of("Why these volts")
                .Book($"2 × {amps} × {run.Length.Value.Roughly(job.Schools.Measure)} of {gauge}"
                    + $"{(metal == Metal.Copper ? "" : " aluminum")}",
                    $"{lost}, {drop}", book.Cite(RuleId.ConductorProperties))),
            Ground = raceway is null ? null : ground,
            GroundNeeded = raceway is null && metal == Metal.Copper ? ground : null,
            Jacket = run.Jacket,
            Feeding = feeding,
        };
    }
}
