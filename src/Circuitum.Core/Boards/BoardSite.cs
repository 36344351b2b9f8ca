using System.Collections.Immutable;
using Circuitum.Core.Site;
using Circuitum.Core.Units;

namespace Circuitum.Core.Boards;

/// <summary>What is done to a circuit on site, in this order.</summary>
public enum BoardStep
{
    /// <summary>Its conduit lies in walls and slab, and was looked at before plaster and pour.</summary>
    Conduit,

    /// <summary>Its singles are drawn in.</summary>
    DrawnIn,

    /// <summary>Its points and its way are connected.</summary>
    Connected,

    /// <summary>The protective conductor to the farthest point is measured.</summary>
    Continuity,

    /// <summary>The ends of a ring are measured before it is joined.</summary>
    Ends,

    /// <summary>Its insulation is measured.</summary>
    Insulation,

    /// <summary>A residual-current device is opened by its tester.</summary>
    Trips,
}

/// <summary>The steps in words.</summary>
public static class BoardSteps
{
    /// <summary>As a column is headed: conduit laid.</summary>
    public static string Words(this BoardStep step) => step switch
    {
        BoardStep.Conduit => "conduit laid",
        BoardStep.DrawnIn => "drawn in",
        BoardStep.Connected => "connected",
        BoardStep.Continuity => "earth read",
        BoardStep.Ends => "ring’s ends read",
        BoardStep.Insulation => "insulation read",
        _ => "opened by the tester",
    };

    /// <summary>While it is to be done: conduit to lay.</summary>
    public static string ToDo(this BoardStep step) => step switch
    {
        BoardStep.Conduit => "conduit to lay",
        BoardStep.DrawnIn => "to draw in",
        BoardStep.Connected => "to connect",
        BoardStep.Continuity => "earth to read",
        BoardStep.Ends => "ring’s ends to read",
        BoardStep.Insulation => "insulation to read",
        _ => "to open by the tester",
    };
}

/// <summary>One fact about a board, written down on site: appended, never changed. Taking a step back is another.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Subject">The circuit or the section, by what it is for and where it begins.</param>
/// <param name="Step">What was done.</param>
/// <param name="At">When.</param>
/// <param name="Who">Who did it.</param>
/// <param name="As">The circuit as it was then, in words.</param>
/// <param name="Reading">What a tester showed; empty where nothing was read.</param>
/// <param name="TakesBack">The entry it takes back; null where it does something.</param>
public sealed record BoardEntry(EntryId Id, string Subject, BoardStep Step, Instant At, string Who, string As, string Reading,
    EntryId? TakesBack);

/// <summary>A step of a circuit as it stands.</summary>
/// <param name="Step">Which.</param>
/// <param name="Done">The entry that did it; null while it is to be done.</param>
/// <param name="Wrong">What is wrong by its reading.</param>
/// <param name="Otherwise">As what it was done, where the plan has it otherwise now; empty where not.</param>
public sealed record BoardStepState(BoardStep Step, BoardEntry? Done, ImmutableArray<string> Wrong, string Otherwise);

/// <summary>A circuit, a residual-current device or a feeder on site.</summary>
/// <param name="Board">Its board.</param>
/// <param name="Section">Its section; of a feeder the first behind it.</param>
/// <param name="Way">The circuit; null for the device of the section, and for a feeder.</param>
/// <param name="Subject">How entries name it.</param>
/// <param name="Words">As it is now, in words.</param>
/// <param name="Steps">In their order.</param>
public sealed record BoardLine(MetricBoard Board, BoardSection Section, BoardWay? Way, string Subject, string Words,
    ImmutableArray<BoardStepState> Steps)
{
    /// <summary>What feeds the board, where this line is of it.</summary>
    public Feeder? Feeder { get; init; }

    /// <summary>What it is called on its board: way 7, the device, the feeder.</summary>
    public string Called => Feeder is not null ? "the feeder" : Way is { } way ? $"way {way.Numbers}" : "the device";

    /// <summary>What is wrong with it by a reading.</summary>
    /// <param name="step">The test.</param>
    /// <param name="reading">What was typed.</param>
    /// <exception cref="FormatException">It is no reading of this test; the message says what is.</exception>
    public ImmutableArray<string> Wrong(BoardStep step, string reading) => Feeder is { } feeder
        ? BoardReading.Wrong(feeder, step, reading) : BoardReading.Wrong(step, Way?.Sized, reading);
}

/// <summary>Boards on site: what is done, what is to be done, and what was done that the plan has no more.</summary>
/// <param name="Lines">Section by section: its device, then its circuits.</param>
/// <param name="Gone">What was done to circuits that are in no plan now, as it was done.</param>
public sealed record BoardSite(ImmutableArray<BoardLine> Lines, ImmutableArray<BoardEntry> Gone)
{
    /// <summary>Steps that are done.</summary>
    public int Done => Lines.Sum(l => l.Steps.Count(s => s.Done is not null));

    /// <summary>Steps altogether.</summary>
    public int All => Lines.Sum(l => l.Steps.Length);

    /// <summary>A board is put on by sections: one may be when its circuits are connected and every reading is as it should be.</summary>
    public ImmutableArray<string> BeforeOn(BoardSection section) => [.. Lines
        .Where(l => l.Section == section || (l.Feeder is not null && l.Board.Sections.Contains(section))).SelectMany(l => l.Steps
        .Where(s => s.Step != BoardStep.Trips && (s.Done is null || s.Wrong.Length > 0 || s.Otherwise.Length > 0))
        .Select(s => $"{l.Called}: {(s.Done is null ? s.Step.ToDo() : s.Step.Words())}"
            + (s.Wrong.Length > 0 ? " and wrong" : s.Done is null ? "" : " before the plan was changed")))];

    /// <summary>Boards as they stand by what was written down; the order in which it came is of no matter.</summary>
    public static BoardSite Of(BoardPlan plan, IEnumerable<BoardEntry> entries)
    {
        var all = entries.DistinctBy(e => e.Id).ToList();
        var back = all.Select(e => e.TakesBack).OfType<EntryId>().ToHashSet();
        var stand = all.Where(e => e.TakesBack is null && !back.Contains(e.Id)).OrderBy(e => e.At).ThenBy(e => e.Id)
            .GroupBy(e => (e.Subject, e.Step)).ToDictionary(g => g.Key, g => g.Last());
        BoardLine Stands(BoardLine line, IEnumerable<BoardStep> steps) => line with
        {
            Steps = [.. steps.Select(step => stand.GetValueOrDefault((line.Subject, step)) is not { } done ? new(step, null, [], "")
                : new BoardStepState(step, done, done.Reading.Length > 0 ? line.Wrong(step, done.Reading) : [],
                    done.As != line.Words ? done.As : ""))],
        };

        var lines = ImmutableArray.CreateBuilder<BoardLine>();
        foreach (var board in plan.Boards)
        {
            if (board.Feeder is { } feeder)
            {
                lines.Add(Stands(new(board, board.Sections[0], null, $"Feeder {board.Name}", WordsOf(feeder), []) { Feeder = feeder },
                    OfFeeder));
            }

            foreach (var section in board.Sections)
            {
                string device = SubjectOf(board, section), rated = $"{section.Rating.Value}, {section.Milliamps} mA";
                lines.Add(Stands(new(board, section, null, device, rated, []), [BoardStep.Trips]));
                foreach (var way in section.Ways)
                {
                    lines.Add(Stands(new(board, section, way, SubjectOf(way.Circuit), WordsOf(way), []), StepsOf(way.Sized)));
                }
            }
        }

        var known = lines.Select(l => l.Subject).ToHashSet();
        return new(lines.ToImmutable(), [.. stand.Values.Where(e => !known.Contains(e.Subject)).OrderBy(e => e.Subject,
            StringComparer.Ordinal).ThenBy(e => e.Step)]);
    }

    /// <summary>What is done to a circuit.</summary>
    public static IEnumerable<BoardStep> StepsOf(SizedWay way) => Enum.GetValues<BoardStep>()
        .Where(s => s != BoardStep.Trips && (s != BoardStep.Ends || way.RingEnds is not null));

    // It has no ends, and nothing of it opens by residual current.
    private static ImmutableArray<BoardStep> OfFeeder { get; } =
        [BoardStep.Conduit, BoardStep.DrawnIn, BoardStep.Connected, BoardStep.Continuity, BoardStep.Insulation];

    /// <summary>How entries name a circuit: by its use and its first point, so that rooms may come before it.</summary>
    public static string SubjectOf(BoardCircuit circuit) =>
        $"{circuit.Use} {circuit.Points[0].Of.Name} {circuit.Points[0].Number}";

    /// <summary>How entries name the device of a section.</summary>
    public static string SubjectOf(MetricBoard board, BoardSection section) => $"Device {board.Name} {section.Letter}";

    /// <summary>A circuit in words: what lies there, and must lie otherwise when it changes.</summary>
    public static string WordsOf(BoardWay way) => $"{way.Circuit.Words} {way.Circuit.Marks}, {way.Sized.Rated.Curve}"
        + $"{way.Sized.Rating.Figure}, {way.Sized.Size.Value}";

    // What feeds a board, in words.
    private static string WordsOf(Feeder feeder) => $"from the sub-main board, {feeder.Breaker.Value}, {feeder.Size.Value}";
}
