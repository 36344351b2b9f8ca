using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Protection;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using Circuitum.Core.Wiring;

namespace Circuitum.Core.Site;

/// <summary>A device or breaker that opens on a fault, with what became of it.</summary>
/// <param name="Subject">The box of a device, or the circuit of a breaker.</param>
/// <param name="Number">A14.</param>
/// <param name="Name">Where it is: Bath receptacle 1; the breaker in panel A.</param>
/// <param name="What">What it is: GFCI; AF+GF breaker.</param>
/// <param name="Protects">Every outlet that goes dead with it, by name.</param>
/// <param name="Events">Tests, failures and replacements, the newest first.</param>
public sealed record DeviceLife(Subject Subject, string Number, string Name, string What, ImmutableArray<string> Protects,
    ImmutableArray<SiteEntry> Events)
{
    /// <summary>How long a test holds: a month, as the makers' instructions have it.</summary>
    public static TimeSpan Monthly { get; } = TimeSpan.FromDays(30);

    /// <summary>The last test that it passed; null before the first, and after it was replaced.</summary>
    public SiteEntry? LastTested => Events.TakeWhile(e => e.Step != SiteStep.Replaced).FirstOrDefault(e => e.Step == SiteStep.Tested);

    /// <summary>That it failed, and was neither replaced nor passed a test since; null where all is well.</summary>
    public SiteEntry? Trouble => Events.FirstOrDefault() is { Step: SiteStep.WouldNotLatch } failed ? failed : null;

    /// <summary>A test is owed at that time.</summary>
    public bool IsDue(Instant now) => LastTested is not { } last || last.When.After(Monthly) <= now;
}

/// <summary>The life of every GFCI and AFCI of a plan: what it protects, when it was tested, what failed and was replaced.</summary>
public static class DeviceLives
{
    /// <summary>Every one, in the order of the panels; a breaker before the devices of its circuit.</summary>
    public static ImmutableArray<DeviceLife> Of(Plan plan, SiteRecord record)
    {
        var events = record.Standing.Where(e => e.Step.IsOfLife()).ToLookup(e => e.Subject);
        ImmutableArray<SiteEntry> Of(Subject subject) => [.. events[subject].Reverse()];
        var lives = ImmutableArray.CreateBuilder<DeviceLife>();
        foreach (var landed in plan.Panels.SelectMany(p => p.Circuits))
        {
            var number = Labels.NumberOf(plan, landed.Key);
            if (landed.Mark.Length > 0)
            {
                var subject = Subject.Circuit(landed.Key);
                lives.Add(new(subject, number, $"The breaker of {landed.Description}", $"{landed.Mark} breaker",
                    [.. landed.Boxes.Select(b => plan.Survey[b].Name)], Of(subject)));
            }

            foreach (var (box, device) in landed.Wired.Devices.OrderBy(d => d.Key.Value, StringComparer.Ordinal))
            {
                var subject = Subject.Box(box);
                lives.Add(new(subject, number, plan.Survey[box].Name, Protecting.Words(device.Kind),
                    GoesDead(plan, landed.Wired, box), Of(subject)));
            }
        }

        return lives.ToImmutable();
    }

    /// <summary>The outlets that a device takes with it when it opens, its own among them, by name.</summary>
    internal static ImmutableArray<string> GoesDead(Plan plan, WiredCircuit circuit, BoxId device) =>
        [.. circuit.Circuit.Boxes.Where(b => circuit.Outlets[b].ResetAt == device || circuit.Outlets[b].AfciResetAt == device)
            .Select(b => plan.Survey[b].Name)];
}
