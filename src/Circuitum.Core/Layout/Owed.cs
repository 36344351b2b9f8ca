using Circuitum.Core.House;
using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;

namespace Circuitum.Core.Layout;

/// <summary>Something a rule asks for in a room and that is not there.</summary>
/// <param name="Room">Where.</param>
/// <param name="Cite">Rule of the book, or the name of the practice.</param>
/// <param name="Headline">What is missing, one sentence.</param>
/// <param name="Arithmetic">The sum, and what to do.</param>
/// <param name="Answer">Puts it there.</param>
internal sealed record Owed(RoomId Room, Citation Cite, string Headline, string Arithmetic, Action<Draft> Answer)
{
    /// <summary>Red where the book asks, amber where the crew does.</summary>
    public Severity Severity { get; init; } = Severity.Red;

    /// <summary>Words on the button that puts it there.</summary>
    public string Act { get; init; } = "Place it";

    /// <summary>Tells two things of one section in one room apart.</summary>
    public string Part { get; init; } = "";

    /// <summary>What it hangs on, when that is not the room.</summary>
    public Subject? On { get; init; }
}

/// <summary>Everything that rules ask for and that is missing, in the order a crew lays it out.</summary>
internal static class Owing
{
    public static IEnumerable<Owed> Find(Draft draft) =>
        WantedOutlets.Find(draft)
            .Concat(ApplianceOutlets.Find(draft))
            .Concat(CounterOutlets.Find(draft))
            .Concat(WallOutlets.Find(draft))
            .Concat(RequiredOutlets.Find(draft))
            .Concat(OutdoorOutlets.Find(draft))
            .Concat(Alarms.Find(draft))
            .Concat(DisposerSwitches.Find(draft))
            .Concat(SwitchedLights.Find(draft))
            .Concat(HungLights.Find(draft))
            .Concat(Entrances.Find(draft))
            .Where(o => draft.Book.Proposes(o.Cite));
}
