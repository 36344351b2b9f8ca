using System.Collections.Immutable;
using Circuitum.Core.Jobs;

namespace Circuitum.Core.Site;

/// <summary>What is done on site, in the order of the trade.</summary>
public enum SiteStep
{
    /// <summary>The cable lies in the frame.</summary>
    Pulled,

    /// <summary>Both its ends say what it is.</summary>
    Labeled,

    /// <summary>The joints of a box are made.</summary>
    MadeUp,

    /// <summary>An inspector, or whoever closes the wall, has seen it.</summary>
    Inspected,

    /// <summary>The circuit is on its breaker.</summary>
    Landed,

    /// <summary>Its terminals have the marked torque.</summary>
    Torqued,

    /// <summary>It was tested.</summary>
    Tested,

    /// <summary>Devices and plates are on.</summary>
    Trimmed,

    /// <summary>A line of the walk was seen and is right.</summary>
    Passed,

    /// <summary>A line of the walk is wrong: the note says what, and who mends it. It stands until it is taken back as mended.</summary>
    Correction,

    /// <summary>A photograph was taken of it while it was open.</summary>
    Photographed,

    /// <summary>A protective device would not latch, or did not open when its button was pressed.</summary>
    WouldNotLatch,

    /// <summary>A protective device was replaced by a new one.</summary>
    Replaced,

    /// <summary>A fault was looked for on a circuit: the note says what was seen and what it may be.</summary>
    Searched,

    /// <summary>Something on a photograph was circled: the line is a <see cref="Ring"/>, the note says what it is.</summary>
    Circled,

    /// <summary>A trench is open, to its depth.</summary>
    Dug,

    /// <summary>A trench is filled again.</summary>
    Filled,

    /// <summary>A pipe lies from end to end.</summary>
    Laid,

    /// <summary>A reel stands in the van with so much on it.</summary>
    Counted,

    /// <summary>A reel is empty, or gone.</summary>
    Finished,

    /// <summary>An outlet, or the bars of a panel, was read with a tester.</summary>
    Metered,
}

/// <summary>Which steps there are for what.</summary>
public static class SiteSteps
{
    /// <summary>The steps of a run, a box, a circuit, low voltage, a trench or a pipe, in order; none for anything else.</summary>
    public static ImmutableArray<SiteStep> Of(SubjectKind kind) => kind switch
    {
        SubjectKind.Run => [SiteStep.Pulled, SiteStep.Labeled, SiteStep.Inspected],
        SubjectKind.Box => [SiteStep.MadeUp, SiteStep.Inspected, SiteStep.Trimmed, SiteStep.Tested],
        SubjectKind.Circuit => [SiteStep.Landed, SiteStep.Torqued, SiteStep.Tested],
        SubjectKind.LowVoltage => [SiteStep.Pulled, SiteStep.Labeled, SiteStep.Trimmed, SiteStep.Tested],
        SubjectKind.Trench => [SiteStep.Dug, SiteStep.Inspected, SiteStep.Filled],
        SubjectKind.Pipe => [SiteStep.Laid, SiteStep.Inspected],
        SubjectKind.Reel => [SiteStep.Counted, SiteStep.Finished],
        _ => [],
    };

    /// <summary>It belongs to the life of a protective device, and happens again and again.</summary>
    public static bool IsOfLife(this SiteStep step) => step is SiteStep.Tested or SiteStep.WouldNotLatch or SiteStep.Replaced;

    /// <summary>What a photograph may be of.</summary>
    public static bool IsSeenBy(this SubjectKind kind) =>
        kind is SubjectKind.Room or SubjectKind.Wall or SubjectKind.Box or SubjectKind.Run or SubjectKind.Panel or SubjectKind.Structure;

    /// <summary>It is about a line of the walk, and names it.</summary>
    public static bool IsOfWalk(this SiteStep step) => step is SiteStep.Passed or SiteStep.Correction;

    /// <summary>A tester may be held to it.</summary>
    public static bool IsMetered(this SubjectKind kind) => kind is SubjectKind.Box or SubjectKind.Panel;

    /// <summary>The step as it is said: made up.</summary>
    public static string Words(this SiteStep step) => step switch
    {
        SiteStep.MadeUp => "made up",
        SiteStep.Passed => "seen",
        SiteStep.WouldNotLatch => "would not latch",
        SiteStep.Searched => "fault looked for",
        SiteStep.Metered => "read",
        _ => step.ToString().ToLowerInvariant(),
    };
}
