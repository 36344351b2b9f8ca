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
/// <param name="Optional">220.82, for comparison where the feeder does not carry the whole dwelling; null in an outbuilding, which it does
/// not know.</param>
/// <param name="CarriesDwelling">It carries the whole dwelling: the optional method and 310.12 are open to it.</param>
/// <param name="Method">What it is sized by.</param>
public sealed record FeederLoad(PanelId Panel, LoadList List, LoadSum Standard, LoadSum? Optional, bool CarriesDwelling, LoadMethod Method)
{
    /// <summary>The sum that it is sized by.</summary>
    public LoadSum Chosen => Method == LoadMethod.Optional ? Optional! : Standard;

    /// <summary>The loads of every feeder of a job, by the panel it feeds.</summary>
    public static ImmutableDictionary<PanelId, FeederLoad> Of(ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job,
        CodeBook book) =>
        job.Panels.Where(p => p.FedFrom is not null).ToImmutableDictionary(p => p.Id, p => Of(p, circuits, house, survey, job, book));

    private static FeederLoad Of(Panel panel, ImmutableArray<Circuit> circuits, FramedHouse house, Survey survey, Job job, CodeBook book)
    {
        var list = Listing.OfFeeder(panel, circuits, house, survey, job, book);
        if (Listing.InOutbuilding(panel, house))
        {
            var feeder = circuits.First(c => c.Feeds == panel.Id);
            return new(panel.Id, list,
                new(LoadMethod.Standard, book.Supply.Between,
                    [.. AllOfIt(feeder, job.Behind(panel.Id).SelectMany(id => job.Panels.First(p => p.Id == id).Taken), survey, book)]),
                null, false, LoadMethod.Standard);
        }

        var whole = Listing.CarriesDwelling(panel, circuits, house, survey, job);
        var standard = StandardMethod.Of(list, book);
        // Part III leaves 125 per cent of what runs three hours to 215.2 and 215.3; heat is at 100 by 220.51.
        var vehicles = list.Sum(LoadKind.Vehicle);
        var continuous = vehicles.Value == 0 ? standard
            : standard with
            {
                Lines =
                standard.Lines.Add(new("vehicle charging runs three hours", $"{vehicles} × 25 %", new(vehicles.Value / 4),
                    book.Cite(RuleId.FeederContinuous, RuleId.VehicleContinuous), new(0)))
            };
        return new(panel.Id, list, continuous, OptionalMethod.Of(list, book), whole, whole ? job.Service.Method : LoadMethod.Standard);
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
