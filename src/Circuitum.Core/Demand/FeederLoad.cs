using System.Collections.Immutable;
using Circuitum.Core.Circuits;
using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Layout;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Demand;

/// <summary>The load of a feeder.</summary>
/// <param name="Panel">The panel it feeds.</param>
/// <param name="List">What it carries.</param>
/// <param name="Standard">Part III; all of it where the panel is in an outbuilding.</param>
/// <param name="Optional">Null where a book has one method; else 220.82, for comparison where the feeder does not carry the whole
/// dwelling; null in an outbuilding, which it does
/// not know.</param>
/// <param name="CarriesDwelling">It carries the whole dwelling: the optional method and 310.12 are open to it.</param>
/// <param name="Method">What it is sized by.</param>
public sealed record FeederLoad(PanelId Panel, LoadList List, LoadSum Standard, LoadSum? Optional, bool CarriesDwelling, LoadMethod Method)
{
    /// <summary>The sum that it is sized by.</summary>
    public LoadSum Chosen => Method == LoadMethod.Optional ? Optional! : Standard;

    /// <summary>What the heavier leg carries when the circuits from leg to neutral are shared out as evenly as they can be: one of them may
    /// be more than half of them all.</summary>
    public Amps HeavierLeg { get; init; }

    /// <summary>What each ungrounded conductor must carry (215.2(A)(1), 215.3).</summary>
    public Amps Current => HeavierLeg > Chosen.Current ? HeavierLeg : Chosen.Current;

    /// <summary>The loads of every feeder of a job, by the panel it feeds.</summary>
    public static ImmutableDictionary<PanelId, FeederLoad> Of(ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job,
        CodeBook book) =>
        job.Panels.Where(p => p.FedFrom is not null).ToImmutableDictionary(p => p.Id, p => Of(p, circuits, house, survey, job, book));

    private static FeederLoad Of(Panel panel, ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var list = Listing.OfFeeder(panel, circuits, house, survey, job, book);
        var behind = job.Behind(panel.Id).ToHashSet();
        var oneLeg = circuits.Where(c => c.Kind != CircuitKind.Feeder && c.Poles == 1 && behind.Contains(c.Panel)).ToList();
        if (Listing.InOutbuilding(panel, house))
        {
            var feeder = circuits.First(c => c.Feeds == panel.Id);
            var all = new LoadSum(LoadMethod.Standard, book.Supply.Between,
                [.. AllOfIt(feeder, behind.SelectMany(id => job.Panels.First(p => p.Id == id).Taken), survey, book)]);
            return new(panel.Id, list, all, null, false, LoadMethod.Standard) { HeavierLeg = Heavier(all, oneLeg, new(0)) };
        }

        var whole = Listing.CarriesDwelling(panel, circuits, house, survey, job);
        if (book.Demand.Basic is { } basic)
        {
            var sum = whole ? BasicMethod.OfDwelling(list, basic, book) : BasicMethod.Of(list, basic, book);
            return new(panel.Id, list, sum, null, whole, LoadMethod.Standard)
            {
                HeavierLeg = whole ? default : Heavier(sum, oneLeg.FindAll(c => c.Kind == CircuitKind.Individual),
                    list.Area.Value > 0 ? sum.Lines[0].Counted : new(0)),
            };
        }

        var standard = StandardMethod.WithContinuous(list, book.Cite(RuleId.FeederContinuous), book);
        return new(panel.Id, list, standard, OptionalMethod.Of(list, book), whole, whole ? job.Service.Method : LoadMethod.Standard)
        {
            // What carries the dwelling has lights on both legs, and demand factors that know no legs.
            HeavierLeg = whole ? default : Heavier(standard, oneLeg.FindAll(c => c.Kind == CircuitKind.Individual),
                StandardMethod.GeneralLoad(list, book).Value > 0 ? standard.Lines[0].Counted : new(0)),
        };
    }

    // All between the legs lies on both; the rest is even but for what one circuit has more than all others together.
    private static Amps Heavier(LoadSum sum, IReadOnlyList<Circuit> oneLeg, VoltAmps shared)
    {
        var largest = oneLeg.Select(c => c.Load.Required * c.Load.Volts).DefaultIfEmpty().MaxBy(l => l.Value);
        var rest = oneLeg.Select(c => c.Load.Connected).Total() + shared;
        return new VoltAmps(sum.Total.Value + Math.Max(0, (2 * largest.Value) - rest.Value)) / sum.Volts;
    }

    // An outbuilding has no demand factors of its own: all of it, as 215.2 and 220.50 add to it.
    private static IEnumerable<LoadLine> AllOfIt(Circuit feeder, IEnumerable<TakenSpace> before, Survey survey, CodeBook book)
    {
        var (load, stood) = (feeder.Load, before.Select(t => t.Load).Total());
        // 220.61: nothing of what has 240 V alone.
        var neutral = load.Items.Where(i => survey[i.Box].Plates.FirstOrDefault(p => p.Name == i.Name) is not { Neutral: false } p
            || !book.Supply.IsAcross(p.Volts)).Select(i => i.Load).Total();
        yield return new("everything the panel feeds", load.Connected.ToString(), load.Connected, book.Cite(RuleId.FeederLoads), neutral);
        if (stood.Value > 0)
        {
            yield return new("what stood there before", stood.ToString(), stood, book.Cite(RuleId.FeederLoads), stood);
        }

        var continuous = load.Items.Where(i => i.Continuous).Select(i => i.Load).Total();
        if (continuous.Value > 0)
        {
            yield return new("what runs three hours", $"{continuous} × 25 %", new(continuous.Value / 4),
                book.Cite(RuleId.FeederContinuous), new(0));
        }

        if (load.Items.Where(i => survey[i.Box].Plates.Any(p => p.Motor && p.Name == i.Name)).MaxBy(i => i.Load.Value) is { } motor)
        {
            yield return new($"largest motor, {motor.Name}", $"{motor.Load} × 25 %", new(motor.Load.Value / 4),
                book.Cite(RuleId.LargestMotor), new(0));
        }
    }
}
