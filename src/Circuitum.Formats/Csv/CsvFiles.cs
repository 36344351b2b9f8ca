using System.Globalization;
using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.LowVoltage;
using Circuitum.Core.Panels;
using Circuitum.Core.Plans;
using Circuitum.Core.Reasons;
using Circuitum.Core.Site;
using Circuitum.Core.Takeoff;
using Circuitum.Core.Units;
using CsvHelper;
using CsvHelper.Configuration;

namespace Circuitum.Formats.Csv;

/// <summary>Writes the open CSV lists of a plan. Cells that a spreadsheet would run as a formula are written as text.</summary>
public static class CsvFiles
{
    private static readonly CsvConfiguration Configuration = new(CultureInfo.InvariantCulture)
    {
        NewLine = "\n",
        InjectionOptions = InjectionOptions.Escape,
        // What separates cells in some countries, and what begins a row, is held together by quotes.
        ShouldQuote = cell => ConfigurationFunctions.ShouldQuote(cell) || cell.Field?.IndexOfAny([';', '\t', '\r', '\n']) >= 0,
    };

    /// <summary>Header of the schedule.</summary>
    public const string ScheduleColumns =
        "panel,space,poles,circuit,description,breaker_amps,breaker_kind,cable,conductor_awg,home_run_ft,load_va,leg";

    /// <summary>schedule.csv: a line for each breaker, by panel and space; what is on feed-through lugs and what finds no space
    /// last.</summary>
    public static string Schedule(Plan plan) => Write(ScheduleColumns, plan.Panels.SelectMany(ScheduleLines));

    internal static IEnumerable<object[]> ScheduleLines(PanelSchedule panel) =>
        panel.Circuits.Select(c => (c.Space, Line: ScheduleLine(panel, c)))
        .Concat(panel.Panel.Taken.Select(t => ((PanelSpace?)t.Space, Line: ScheduleLine(panel, t))))
        .OrderBy(x => x.Item1 ?? int.MaxValue).Select(x => x.Line);

    /// <summary>home-runs.csv: a line for each home run, by panel and space, as the schedule has them.</summary>
    public static string HomeRunList(Plan plan) =>
        Write("number,circuit,description,breaker_amps,breaker_kind,cable,length_ft,to,room,beside",
            plan.Panels.SelectMany(p => HomeRuns.Of(plan, p)).Select(l => new object[]
    {
        l.Number, l.Landed.Key, l.Landed.Description, l.Landed.Breaker.Value.ToString("0.##", CultureInfo.InvariantCulture), l.Landed.Mark,
            l.Cable, l.Length.WholeFeetUp, l.To, l.Room, l.Beside,
    }));

    /// <summary>pull-list.csv: a line for each run.</summary>
    public static string PullList(Plan plan) => Write("run,circuit,kind,cable,from,to,length_ft,label_from,label_to",
        plan.Takeoff.Pulls.Select(p => new object[] { p.Run, p.Circuit, Words.Of(p.Kind), p.Cable, p.From, p.To, p.Length.WholeFeetUp,
            p.LabelFrom, p.LabelTo }));

    /// <summary>material.csv: cable with its waste, and everything that holds, joins and guards it.</summary>
    public static string Material(Plan plan) =>
        Write("item,unit,quantity,for,phase", Hardware.Of(plan).Select(m => new object[] { m.Item, m.Unit, m.Quantity, m.For,
            Words.Of(m.Phase) }));

    /// <summary>material-by-box.csv: what every place takes, room by room, so that it can be set out on the floor.</summary>
    public static string MaterialByBox(Plan plan) => Write("room,box,circuit,box_item,devices,cover", ByBox(plan).Select(m => new object[]
    {
        m.Place.Room.Room.Name, m.Place.Name, plan.CircuitOf(m.Place.Box.Id) is { } circuit
            && plan.Landed(circuit.Circuit.Key) is { } landed ? landed.SpaceText : "", m.Box, string.Join(" + ", m.Devices), m.Cover ?? "",
    }));

    internal static IEnumerable<PlaceMaterial> ByBox(Plan plan) => plan.Survey.Boxes.GroupBy(b => b.Room).SelectMany(g => g)
        .Select(b => Hardware.At(plan, b));

    /// <summary>low-voltage.csv: a line for each outlet of low voltage.</summary>
    public static string LowVoltage(Plan plan) => Write("number,outlet,room,kind,cable,cables,length_ft,home", plan.LowVoltage.Outlets
        .Select(o => (Outlet: o, Run: plan.LowVoltage.RunOf(o.Outlet.Id))).Select(x => new object[]
        {
            x.Outlet.Number, x.Outlet.Name, x.Outlet.Room.Room.Name, Words.Of(x.Outlet.Outlet.Kind), x.Outlet.Outlet.Kind.Cable(),
            x.Outlet.Outlet.Cables, x.Run is { } run ? run.Length.Value.WholeFeetUp : "", x.Run?.Home.Name ?? "",
        }));

    /// <summary>pre-drill.csv: holes to bore while insulated panels are set.</summary>
    public static string PreDrilled(Plan plan) =>
        Write("wall,where,from_start,above_floor,from_west,from_north,cables,bit", PreDrill.Of(plan).Select(h => new object[]
        {
            h.Wall, h.Where, h.FromStart.ToString(), h.Above.ToString(), h.FromWest.ToString(), h.FromNorth.ToString(), h.Cables,
            h.Bit.ToString(),
        }));

    /// <summary>tags.csv: a line for each tag.</summary>
    public static string Tags(Plan plan) => Write("severity,rule,subject,message",
        plan.Tags.Select(t => new object[] { t.Severity.ToString().ToLowerInvariant(), t.Rule, t.Subject,
            $"{t.Headline} {t.Arithmetic}" }));

    /// <summary>site.csv: a line for each entry of the record on site, in the order it was done; what is taken back stands in it
    /// too.</summary>
    public static string Site(SiteRecord record) => Write(
        "id,at,received,who,revision,subject,step,line,name,what,cut_ft,used,note,photograph,takes_back,reel,reading",
        record.Entries.Select(e => new object[]
        {
            e.Id, Time(e.At), Time(e.Received), e.Who, e.Revision, e.Subject, e.Step.Words(), e.Line, e.As?.Name ?? "", e.As?.What ?? "",
            e.As is { Cut: var cut } && cut > Length.Zero ? cut.WholeFeetUp : "", e.Used?.ToString() ?? "", e.Note, e.Photograph ?? "",
            e.TakesBack?.ToString() ?? "", e.Reel ?? "", e.Reading?.Words ?? "",
        }));

    private static string Time(Instant at) =>
        DateTimeOffset.FromUnixTimeMilliseconds(at.UnixMilliseconds).ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture);

    private static object[] ScheduleLine(PanelSchedule panel, Landed landed)
    {
        var sized = landed.Sized;
        var leg = landed.Space is null ? "" : landed.Poles == 2 ? "AB" : landed.Leg.ToString()!;
        return
        [
            panel.Panel.Id, landed.SpaceText, landed.Poles, landed.Key, landed.Description,
            landed.Breaker.Figure,
            landed.Mark, sized.Cable, sized.HomeRunGauge, sized.Routed.HomeRun?.Length.Value.WholeFeetUp ?? 0,
            decimal.Round(landed.Load.Connected.Value).ToString("0", CultureInfo.InvariantCulture), leg,
        ];
    }

    // What stood there has no circuit of the plan, and nothing is known of its cable.
    private static object[] ScheduleLine(PanelSchedule panel, TakenSpace stood) =>
    [
        panel.Panel.Id, string.Join('/', stood.Spaces), stood.Poles, "", stood.Description,
        stood.Rating.Value.ToString("0.##", CultureInfo.InvariantCulture), "", "", "", "",
        decimal.Round(stood.Load.Value).ToString("0", CultureInfo.InvariantCulture), stood.Poles == 2 ? "AB"
            : SpaceNumbers.LegOf(stood.Space.Number).ToString(),
    ];

    internal static string Write(string columns, IEnumerable<object[]> rows)
    {
        using var text = new StringWriter { NewLine = "\n" };
        using var csv = new CsvWriter(text, Configuration);
        foreach (var column in columns.Split(','))
        {
            csv.WriteField(column);
        }

        csv.NextRecord();
        foreach (var row in rows)
        {
            foreach (var cell in row)
            {
                csv.WriteField(Convert.ToString(cell, CultureInfo.InvariantCulture));
            }

            csv.NextRecord();
        }

        csv.Flush();
        return text.ToString();
    }
}
