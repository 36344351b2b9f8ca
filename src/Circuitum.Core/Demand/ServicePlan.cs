using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>A service of one rating.</summary>
/// <param name="Rating">The rating.</param>
/// <param name="Left">Amperes left on it.</param>
/// <param name="Conductor">Its ungrounded conductors.</param>
/// <param name="Electrode">Its grounding electrode conductor, copper.</param>
public sealed record ServiceSize(Amps Rating, Amps Left, Figure<Gauge> Conductor, Figure<Gauge> Electrode);

/// <summary>The service: its load by both methods and what carries it.</summary>
/// <param name="List">What it carries.</param>
/// <param name="Standard">Part III, or the one method of a book that has one.</param>
/// <param name="Optional">220.82, or 220.83 where the service stood before; null where a book has one method.</param>
/// <param name="Measured">220.87, where a year's peak is known.</param>
/// <param name="Method">What it is sized by.</param>
/// <param name="Sizes">The smallest that carries it and the next one up; empty where none to 400 A does.</param>
/// <param name="Panel">The panel on the service, as it is rated.</param>
public sealed record ServicePlan(LoadList List, LoadSum Standard, LoadSum? Optional, LoadSum? Measured, LoadMethod Method,
    ImmutableArray<ServiceSize> Sizes, ServiceSize Panel)
{
    /// <summary>The sum that the service is sized by.</summary>
    public LoadSum Chosen => Method == LoadMethod.Optional ? Measured ?? Optional! : Standard;
}

/// <summary>Sizes the service.</summary>
public static class ServiceSizing
{
    /// <summary>The service of a job by what it carries.</summary>
    /// <param name="circuits">Every circuit.</param>
    /// <param name="house">The house.</param>
    /// <param name="survey">The boxes.</param>
    /// <param name="job">The job.</param>
    /// <param name="book">The edition.</param>
    public static ServicePlan Of(ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var list = Listing.OfService(circuits, house, survey, job, book);
        var service = job.Service;
        if (book.Demand.Basic is { } basic)
        {
            return Plan(list, BasicMethod.OfDwelling(list, basic, book), null, null, LoadMethod.Standard, job, book);
        }

        var (standard, optional) = (StandardMethod.WithContinuous(list, book.Cite(RuleId.ServiceContinuous), book),
            service.Existing ? OptionalMethod.OfExisting(list, service.NewClimate, book) : OptionalMethod.Of(list, book));
        // What stood there is in the measured peak; what is drawn comes on top, unless it was measured too.
        var measured = service.MeasuredPeak is Amps peak
            ? OptionalMethod.OfMeasured(peak, service.DrawnWasMeasured ? null : Listing.OfDrawn(circuits, house, survey, job, book),
                service.Future, book) : null;
        return Plan(list, standard, optional, measured, service.Method, job, book);
    }

    private static ServicePlan Plan(LoadList list, LoadSum standard, LoadSum? optional, LoadSum? measured, LoadMethod method, Job job,
        CodeBook book)
    {
        var chosen = method == LoadMethod.Optional ? measured ?? optional! : standard;
        var metal = job.Service.Metal == FeederMetal.Aluminium ? Metal.Aluminium : Metal.Copper;
        ServiceSize Size(Amps rating) => SizeOf(rating, chosen.Current, metal, book);
        return new(list, standard, optional, measured, method,
            [.. book.Service.Ratings.Where(r => r >= chosen.Current && r >= book.Service.Least).Take(2).Select(Size)],
            Size(job.Panels.First(p => p.FedFrom is null).Rating));
    }

    private static ServiceSize SizeOf(Amps rating, Amps load, Metal metal, CodeBook book)
    {
        var why = Because.Of("Why this conductor");
        Gauge conductor;
        if (book.Service.DwellingConductor(rating, metal) is Gauge listed)
        {
            conductor = listed;
            why = why.Book($"carries the whole dwelling's load; {book.Service.WholeDwelling} of {rating}",
                $"{listed} {(metal == Metal.Copper ? "copper" : "aluminum")}", book.Cite(RuleId.DwellingConductors).With("its table"));
        }
        else
        {
            // No table, or a rating that it has not: the 75 °C column, 83 per cent.
            var needed = book.Service.WholeDwelling * rating;
            conductor = book.Conductors.Sizes.FirstOrDefault(
                g => book.Conductors.Ampacity(g, metal, Column.C75) is Amps able && able >= needed, book.Conductors.Sizes[^1]);
            why = why.Book($"{book.Service.WholeDwelling} of {rating}, 75 °C column", $"{needed}: {conductor}",
                book.Cite(RuleId.DwellingConductors, RuleId.AmpacityTable));
        }

        var electrode = book.Service.ElectrodeConductor(conductor, metal);
        var whyElectrode = Because.Of("Why this electrode conductor")
            .Book($"service conductors of {conductor} {(metal == Metal.Copper ? "copper" : "aluminum")}", $"{electrode} copper",
                book.Cite(RuleId.ElectrodeConductor));
        return new(rating, rating - load, new(conductor, why), new(electrode, !book.Has(RuleId.ElectrodeConductorLimits) ? whyElectrode
            : whyElectrode.Book("to rods alone no larger than 6 copper, to footing steel no larger than 4", "",
                book.Cite(RuleId.ElectrodeConductorLimits))));
    }
}
