using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Formats.Csv;
using MiniExcelLibs;

namespace Circuitum.Formats.Xlsx;

/// <summary>Writes the schedule as a workbook, a sheet for each panel; every cell is text or a number, none a formula.</summary>
public static class ScheduleXlsx
{
    /// <summary>The workbook.</summary>
    public static byte[] Write(Plan plan)
    {
        var columns = CsvFiles.ScheduleColumns.Split(',');
        var sheets = plan.Panels.ToDictionary(p => $"Panel {p.Panel.Id}", p => (object)CsvFiles.ScheduleLines(p)
            .Select(line => columns.Zip(line)
                .ToDictionary(x => x.First,
                    x => (object)(decimal.TryParse(x.Second.ToString(), System.Globalization.NumberStyles.AllowDecimalPoint,
                        System.Globalization.CultureInfo.InvariantCulture, out var number) ? number : x.Second.ToString()!))).ToList());
        using var stream = new MemoryStream();
        stream.SaveAs(sheets);
        return stream.ToArray();
    }
}
