using Circuitum.Core.Units;
using Circuitum.Web.Meter;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>The simulated distance meter's own face.</summary>
public sealed class MeterModel(DistanceMeter meter) : PageModel
{
    /// <summary>What was typed last.</summary>
    public string Distance { get; private set; } = "12-6";

    /// <summary>What the device types after a reading.</summary>
    public string Then { get; private set; } = "next";

    /// <summary>The reading just taken.</summary>
    public Reading? Last { get; private set; }

    /// <summary>Why none was taken, or null.</summary>
    public string? Problem { get; private set; }

    /// <summary>Takes a reading.</summary>
    public IActionResult OnPost(string? distance, string? then)
    {
        (Distance, Then) = (distance ?? "", then ?? "next");
        if (!Length.TryParse(distance, out var length) || length <= Length.Zero || length > Length.FromFeet(200))
        {
            Problem = $"“{distance}” is no distance such a meter measures, up to 200 ft; write it like 12'-6 1/2\" or 150.5\".";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        Last = meter.Take(length, Then);
        return Page();
    }
}
