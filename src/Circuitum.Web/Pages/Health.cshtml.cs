using Circuitum.Web.Edge;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Circuitum.Web.Pages;

/// <summary>How the server does, for its owner.</summary>
public sealed class HealthModel(HealthReport report) : PageModel
{
    /// <summary>How it does.</summary>
    public Health Health { get; private set; } = null!;

    /// <summary>Shows it.</summary>
    public async Task OnGetAsync() => Health = await report.OfAsync();
}
