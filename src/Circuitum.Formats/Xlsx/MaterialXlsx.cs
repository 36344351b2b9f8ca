using Circuitum.Core;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;
using Circuitum.Formats.Csv;
using MiniExcelLibs;

namespace Circuitum.Formats.Xlsx;

/// <summary>Writes the material list as a workbook: by phase as a supply house delivers it, by room, and by box as it is set out; every
/// cell is text or a number, none a formula.</summary>
public static class MaterialXlsx
{
    /// <summary>The workbook.</summary>
    public static byte[] Write(Plan plan)
    {
        using var stream = new MemoryStream();
        stream.SaveAs(new Dictionary<string, object>
        {
            ["By phase"] = Hardware.Of(plan).Where(m => m.Quantity > 0).OrderBy(m => m.Phase).Select(m => new
            {
                phase = Words.Of(m.Phase),
                item = m.Item,
                quantity = m.Quantity,
                unit = m.Unit,
                how_counted = m.For,
            }),
            ["By room"] = CsvFiles.ByBox(plan).GroupBy(m => m.Place.Room).SelectMany(room => room
                .SelectMany(m => m.Devices.Append(m.Box).Concat(m.Cover is { } cover ? [cover] : [])).GroupBy(item => item)
                .OrderBy(item => item.Key, StringComparer.Ordinal)
                .Select(item => new { room = room.Key.Room.Name, item = item.Key, quantity = item.Count() })),
            ["By box"] = CsvFiles.ByBox(plan).Select(m => new
            {
                room = m.Place.Room.Room.Name,
                box = m.Place.Name,
                box_item = m.Box,
                devices = string.Join(" + ", m.Devices),
                cover = m.Cover ?? "",
            }),
        });
        return stream.ToArray();
    }
}
