using System.Globalization;
using Circuitum.Core.Boards;
using Circuitum.Core.Rules.Gulf;
using PdfSharp.Pdf;

namespace Circuitum.Formats.Pdf;

/// <summary>The schedules of metric boards on A4, black and white: for the door of each, with points, material and what is to be looked
/// at.</summary>
public static class BoardPdf
{
    /// <summary>The cautions that stand on it.</summary>
    public const string Caution =
        "Electricity kills and burns. Open, lock and tag the supply, then prove it dead with a tester that was itself proved on a live "
        + "source. The terminals ahead of the incomer stay live, and a residual-current device protects nobody between a phase and the "
        + "neutral. The authority’s rules decide; this plan is an aid and can be wrong. Licensed work where the law says so.";

    private static readonly double[] Columns = [0, 32, 60, 94, 124, 156, 370, 408, 442, 474];

    /// <summary>The document.</summary>
    public static byte[] Write(BoardPlan plan)
    {
        using var document = new PdfDocument();
        document.Info.Title = $"Boards, {plan.Brief.Name}";
        var to = new Pages(document, $"{plan.Brief.Name} · {MetricRules.Called}", Paper.A4);
        to.Turn();
        to.Say(plan.Brief.Name, 18, bold: true);
        to.Say($"{MetricRules.Called} · {(plan.Brief.Fed.ThreePhase ? $"three phases, {MetricRules.ToNeutral} and {MetricRules.Between}"
            : $"one phase, {MetricRules.ToNeutral}")} · conduits at {plan.Brief.Fed.Ambient} · {plan.Connected} connected", 9.5);
        if (plan.SubMain is { } main)
        {
            to.Say($"Sub-main board: incomer {main.Incomer.Value}, {plan.WholePoles} poles. "
                + string.Join(" ", plan.Boards.Select(b => $"{b.Name}: {Fed(b.Feeder!)}.")), 9.5);
        }

        plan.Boards.ToList().ForEach(b => Board(to, plan, b));
        Tags(to, plan);
        Points(to, plan);
        to.Head("Material");
        foreach (var line in BoardMaterial.Of(plan))
        {
            to.Cells([0, 90, 430], [line.Group, line.Item, string.Create(CultureInfo.InvariantCulture,
                $"{line.Quantity:#,0} {line.Unit}")]);
        }

        to.Room(60);
        to.Say(Caution, 7.5);
        to.Finish();
        using var stream = new MemoryStream();
        document.Save(stream, false);
        return stream.ToArray();
    }

    /// <summary>A feeder in words: breaker 63 A, 5 m of 16 mm², earth 16 mm², 0.4 % lost.</summary>
    public static string Fed(Feeder feeder) => $"breaker {feeder.Breaker.Value}, {feeder.Length.Metres.ToString("0.#",
        CultureInfo.InvariantCulture)} m of {feeder.Size.Value}, earth {feeder.Earth}, {feeder.Drop} lost";

    private static void Board(Pages to, BoardPlan plan, MetricBoard board)
    {
        to.Room(160);
        to.Head($"{board.Name}: {board.Serves}");
        var loads = board.Loads;
        to.Say($"Incomer {board.Incomer.Value}, {plan.WholePoles} poles · {board.Used} of {board.Holds} ways taken, "
            + $"{board.Holds - board.Used} free · running "
            + string.Join(", ", loads.Running.Select((w, i) => $"L{i + 1} {w}")) + $" · neutral {loads.Neutral}", 9);
        foreach (var section in board.Sections)
        {
            to.Room(60);
            to.Say($"Section {section.Letter}: residual-current device {section.Rating.Value}, {section.Milliamps} mA, "
                + $"{plan.WholePoles} poles", 9.5, bold: true);
            to.Cells(Columns, ["Way", "Ph.", "MCB", "mm²", "Earth", "Feeds", "W", "Ib", "Iz", "Drop"], bold: true);
            foreach (var way in section.Ways)
            {
                var sized = way.Sized;
                to.Cells(Columns, [way.Numbers, way.Phase == 0 ? "1 2 3" : $"L{way.Phase}", $"{sized.Rated.Curve}{sized.Rating.Figure}",
                    sized.Size.Value.Figure, sized.Earth.Figure,
                    $"{way.Circuit.Words}: {string.Join(", ", way.Circuit.Rooms)} ({way.Circuit.Marks})" + (sized.RingEnds is { } ends
                        ? $"; ends of the ring {ends.Phase}, earth {ends.Earth}" : ""),
                    way.Circuit.Watts.Value.ToString("0", CultureInfo.InvariantCulture), Tenths(sized.Rated.Current.Value),
                    Tenths(sized.Carries.Value), board.DropTo(way).ToString()]);
            }
        }
    }

    private static void Tags(Pages to, BoardPlan plan)
    {
        var tags = BoardChecks.Of(plan);
        if (tags.IsEmpty)
        {
            return;
        }

        to.Head("To be looked at");
        foreach (var tag in tags)
        {
            to.Cells([0, 46, 210], [tag.Severity.ToString().ToLowerInvariant(), tag.Where, $"{tag.Headline} {tag.Arithmetic} "
                + $"({tag.Cite})"]);
        }
    }

    private static void Points(Pages to, BoardPlan plan)
    {
        to.Head("Points");
        to.Cells([0, 40, 160, 330, 390], ["Point", "Room", "What", "W", "Board, way"], bold: true);
        foreach (var (board, way, point) in plan.Boards.SelectMany(b => b.Ways.SelectMany(w => w.Circuit.Points.Select(p => (b, w, p))))
            .OrderBy(p => p.p.Room).ThenBy(p => p.p.Number))
        {
            to.Cells([0, 40, 160, 330, 390], [point.Mark, point.Of.Name, point.Point.Name,
                point.Point.Watts.Value.ToString("0", CultureInfo.InvariantCulture), $"{board.Name}, {way.Numbers}"]);
        }
    }

    private static string Tenths(decimal value) => value.ToString("0.#", CultureInfo.InvariantCulture);
}
