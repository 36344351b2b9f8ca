using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>A job on the supply of its book: its plates name volts that are offered there.</summary>
internal static class OnSupply
{
    // What a small plug carries: more is made for two legs where there are two.
    private static readonly VoltAmps OfAPlug = new(1800);

    /// <summary>The job under a book, drawn and fed as that book has it.</summary>
    /// <param name="job">The job.</param>
    /// <param name="edition">The book it comes under.</param>
    public static Job Of(Job job, Edition edition)
    {
        var moved = job with { Edition = edition };
        return Settled(CodeBook.For(moved).FeedsBoards ? moved with
        {
            Metric = job.Metric ?? new(),
            Schools = InMetres(job.Schools),
        } : moved);
    }

    /// <summary>A crew's ways where houses are drawn and conduit is measured in meters.</summary>
    public static Schools InMetres(Schools schools) => schools with { Measure = Measure.Metres, Drawn = Measure.Metres };

    /// <summary>The job with volts on every plate that its supply has. Equipment of the library is made for two legs; a plate that says
    /// volts of this supply stays as it is.</summary>
    public static Job Settled(Job job)
    {
        var book = CodeBook.For(job);
        bool Other(Device device) => device.Plate is { } plate && !book.Supply.Offered.Contains(plate.Volts);
        return !job.Boxes.Any(b => b.Devices.Any(Other)) ? job : job with
        {
            Boxes = [.. job.Boxes.Select(b => !b.Devices.Any(Other) ? b : b with
            {
                Devices = [.. b.Devices.Select(d => Other(d) ? Settled(d, book) : d)],
            })],
        };
    }

    private static Device Settled(Device device, CodeBook book)
    {
        var plate = device.Plate!;
        if (!book.FeedsBoards)
        {
            return device with
            {
                Plate = plate with { Volts = plate.Cord && plate.Load <= OfAPlug ? book.Supply.ToNeutral : book.Supply.Between },
            };
        }

        // One phase brings what a house has; what takes more than a plug has a connection of its own.
        return device with
        {
            Kind = device.Kind == DeviceKind.ApplianceReceptacle ? DeviceKind.Equipment : device.Kind,
            Plate = !plate.Assumed ? plate with { Volts = book.Supply.ToNeutral } : plate with
            {
                Volts = book.Supply.ToNeutral,
                Mca = null,
                Mocp = null,
                Name = plate.Appliance switch
                {
                    Appliance.Range => "Cooker",
                    Appliance.Cooktop => "Hob",
                    Appliance.HeatPump => "Split unit",
                    _ => plate.Name,
                },
            },
        };
    }
}
