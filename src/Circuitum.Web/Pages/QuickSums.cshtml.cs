using Circuitum.Web.QuickSums;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>Quick sums: one at a time, worked out from the address, so that it can be passed on.</summary>
public sealed class QuickSumsModel : PageModel
{
    /// <summary>The sum shown.</summary>
    public QuickSum Sum { get; private set; } = null!;

    /// <summary>What is typed.</summary>
    public Typed Typed { get; private set; } = null!;

    /// <summary>What came out; null when something cannot be read.</summary>
    public SumAnswer? Answer { get; private set; }

    /// <summary>What cannot be read.</summary>
    public string? Problem { get; private set; }

    /// <summary>Shows a sum.</summary>
    public IActionResult OnGet(string? name)
    {
        if (AllSums.Find(name ?? AllSums.List[0].Name) is not { } sum)
        {
            return NotFound();
        }

        (Sum, Typed) = (sum, new(sum, field => Request.Query[field]));
        try
        {
            Answer = sum.Work(Typed);
        }
        catch (FormatException e)
        {
            (Problem, Response.StatusCode) = (e.Message, StatusCodes.Status422UnprocessableEntity);
        }

        return Page();
    }
}
