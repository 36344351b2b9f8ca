using System.Collections.Immutable;
using Circuitum.Core.Jobs;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Proving;

namespace Circuitum.Web.Proving;

/// <summary>A reading before board, as it is walked to and ticked.</summary>
/// <param name="Circuit">Its circuit.</param>
/// <param name="Where">Where one goes, in words.</param>
/// <param name="Must">What it must show.</param>
/// <param name="Subject">What it is ticked at: the device's box, or the cable.</param>
/// <param name="Line">The line of the record.</param>
public sealed record BoardReading(Landed Circuit, string Where, string Must, Subject Subject, string Line);

/// <summary>The readings before board over the whole house, room by room as one walks; the panels last.</summary>
public sealed class BoardWalk
{
    private readonly Plan plan;

    /// <summary>Gathers them.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="dead">Nothing is live; on a temporary supply else.</param>
    public BoardWalk(Plan plan, bool dead)
    {
        this.plan = plan;
        var boards = ProvedPlans.CircuitsOf(plan).Select(c =>
        {
            var (finder, readings) = dead ? ProvedPlans.DeadOf(plan, c.Key)
                : (ProvedPlans.FinderOf(plan, c.Key), ProvedPlans.ReadingsOf(plan, c.Key));
            return (Circuit: c, Finder: finder, Readings: readings);
        }).ToList();
        AllProved = boards.TrueForAll(b => b.Readings.Proved);
        Unseen = [.. boards.SelectMany(b => b.Readings.Unseen.Select(s => (b.Circuit, s)))];
        var order = plan.Survey.Boxes.GroupBy(b => b.Room).OrderBy(r => r.Key.Structure).ThenBy(r => r.Key.Level).SelectMany(room => room)
            .Select((b, i) => (b.Box.Id, i)).ToDictionary(x => x.Id, x => x.i);
        Stops = [.. boards.SelectMany(b => b.Readings.Tests.Select(t => (Test: t, Reading: Of(b.Circuit, t,
                b.Finder.AsPlanned[b.Finder.Tests.IndexOf(t)]))))
            .OrderBy(r => r.Test.Box is { } box ? order[box] : int.MaxValue)
            .GroupBy(r => r.Test.Box is { } box ? plan.Survey[box].Room.Room.Name : "At the panels")
            .Select(g => (g.Key, g.Select(r => r.Reading).ToImmutableArray()))];
    }

    /// <summary>No readings of less effort show as much, on any circuit.</summary>
    public bool AllProved { get; }

    /// <summary>Faults that none of them shows.</summary>
    public ImmutableArray<(Landed Circuit, Suspect Suspect)> Unseen { get; }

    /// <summary>Room by room.</summary>
    public ImmutableArray<(string Room, ImmutableArray<BoardReading> Readings)> Stops { get; }

    /// <summary>How many there are.</summary>
    public int Count => Stops.Sum(s => s.Readings.Length);

    private BoardReading Of(Landed circuit, Test test, Finding shows) => new(circuit, ProveWords.Of(test, plan),
        shows == Finding.Works && (test.By != LookBy.Standing || test is { Run: null, Box: not null }) ? ProveWords.MustShow(test, plan)
            : ProveWords.Of(shows, test),
        test.Run is { } run ? Subject.Run(run) : test.Box is { } box ? Subject.Box(box) : Subject.Circuit(circuit.Key),
        // Lasting while the box and the cable are: which reading of them it is.
        $"reading {test.By} {(test.Run is { } at && plan.FindRun(at) is var (_, found) ? found.To.Box == test.Box ? "far" : "near"
            : test.Gang?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "breaker")}".ToLowerInvariant());
}
