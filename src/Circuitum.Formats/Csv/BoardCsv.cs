using System.Globalization;
using Circuitum.Core.Boards;

namespace Circuitum.Formats.Csv;

/// <summary>Writes the open CSV lists of metric boards.</summary>
public static class BoardCsv
{
    /// <summary>Header of the schedule.</summary>
    public const string ScheduleColumns = "board,section,rcd_ma,rcd_amps,way,phase,poles,curve,breaker_amps,phase_mm2,earth_mm2,conduit_mm,"
        + "length_m,feeds,rooms,points,watts,amps,carries_amps,drop_percent";

    /// <summary>board-schedule.csv: a line for each way.</summary>
    public static string Schedule(BoardPlan plan) => CsvFiles.Write(ScheduleColumns, plan.Boards.SelectMany(b => b.Sections
        .SelectMany(s => s.Ways.Select(w => new object[]
        {
            b.Name, s.Letter, s.Milliamps, s.Rating.Value.Figure, w.Numbers, w.Phases, w.Sized.Rated.Poles, w.Sized.Rated.Curve,
            w.Sized.Rating.Figure, w.Sized.Size.Value.Figure, w.Sized.Earth.Figure,
            w.Sized.Conduit?.ToString(CultureInfo.InvariantCulture) ?? "",
            Tenths(w.Circuit.Conduit.Metres), w.Circuit.Words, string.Join("; ", w.Circuit.Rooms),
            string.Join(" ", w.Circuit.Points.Select(p => p.Mark)), Tenths(w.Circuit.Watts.Value), Hundredths(w.Sized.Rated.Current.Value),
            Hundredths(w.Sized.Carries.Value), Hundredths(b.DropTo(w).Value),
        }))));

    /// <summary>board-points.csv: a line for each point, by its number.</summary>
    public static string Points(BoardPlan plan) => CsvFiles.Write("point,room,what,watts,assumed,board,way,breaker_amps,phase",
        plan.Boards.SelectMany(b => b.Ways.SelectMany(w => w.Circuit.Points.Select(p => (Board: b, Way: w, Point: p))))
        .OrderBy(p => p.Point.Room).ThenBy(p => p.Point.Number).Select(p => new object[]
        {
            p.Point.Mark, p.Point.Of.Name, p.Point.Point.Name, Tenths(p.Point.Point.Watts.Value), p.Point.Point.Assumed ? "yes" : "no",
            p.Board.Name, p.Way.Numbers, p.Way.Sized.Rating.Figure, p.Way.Phases,
        }));

    /// <summary>board-material.csv: what is bought.</summary>
    public static string Material(BoardPlan plan) => CsvFiles.Write("group,item,quantity,unit",
        BoardMaterial.Of(plan).Select(m => new object[] { m.Group, m.Item, m.Quantity, m.Unit }));

    private static string Tenths(decimal value) => value.ToString("0.#", CultureInfo.InvariantCulture);

    private static string Hundredths(decimal value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
