using Circuitum.Core.Jobs;
using Circuitum.Data;
using Circuitum.Data.People;
using Circuitum.Web.Sharing;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Web.Pages.Sharing;

/// <summary>Somebody on the list.</summary>
public sealed record Person(string Id, string Name, MemberRole Role, DateTimeOffset Since, int Sessions);

/// <summary>A link that was just made.</summary>
/// <param name="Title">What it is.</param>
/// <param name="Says">What it does, and until when.</param>
/// <param name="Address">The link.</param>
public sealed record MadeLink(string Title, string Says, string Address);

/// <summary>Who is on this server: for its owner.</summary>
public sealed class PeopleModel(UserManager<Member> members, Sessions sessions, Invitations invitations, Shared shared,
    SiteEntries site, Bench.KeptPlans plans, TimeProvider clock) : PageModel
{
    /// <summary>Who looks.</summary>
    public Someone.OfTheCrew Me => (Someone.OfTheCrew)Known.Of(HttpContext)!;

    /// <summary>Who is here.</summary>
    public IReadOnlyList<Person> All { get; private set; } = [];

    /// <summary>Who was.</summary>
    public IReadOnlyList<Person> Gone { get; private set; } = [];

    /// <summary>Links that nobody took yet.</summary>
    public IReadOnlyList<Invitation> Open { get; private set; } = [];

    /// <summary>The link that was just made.</summary>
    public MadeLink? Made { get; private set; }

    /// <summary>What was done.</summary>
    public string? Said { get; private set; }

    /// <summary>Why nothing was done.</summary>
    public string? Problem { get; private set; }

    /// <summary>Shows them.</summary>
    public Task OnGetAsync() => ReadAsync();

    /// <summary>Makes a link for somebody new.</summary>
    public async Task<IActionResult> OnPostInviteAsync([Bind(Prefix = "for")] string? forWhom, MemberRole role)
    {
        var whom = forWhom ?? "";
        if (!Enum.IsDefined(role) || Bench.Crew.Problem(whom) is not null)
        {
            return await RefuseAsync(Bench.Crew.Problem(whom) ?? "There is no such role.");
        }

        if (await invitations.MakeAsync(role, Me.Id, whom, Invitations.Stands) is not { } code)
        {
            return await RefuseAsync($"There are {Invitations.MostOpen} links already that nobody took. Withdraw some.");
        }

        Made = new(whom.Length > 0 ? $"A link for {whom}" : "The link",
            $"Makes one account as {Known.Word(role)}, once, within {Invitations.Stands.Days} days.", AddressOf(code));
        return await ShowAsync(null);
    }

    /// <summary>Withdraws a link.</summary>
    public async Task<IActionResult> OnPostWithdrawAsync(int id) =>
        await ShowAsync(await invitations.WithdrawAsync(id) ? "The link is withdrawn." : "It was taken, or had ended.");

    /// <summary>Makes a link to a new password.</summary>
    public async Task<IActionResult> OnPostRenewAsync(string member)
    {
        if (await OtherAsync(member) is not { } other)
        {
            return await RefuseAsync("There is nobody like that here.");
        }

        if (await invitations.MakeAsync(other.Role, Me.Id, other.UserName!, Invitations.StandsShort, other.Id) is not { } code)
        {
            return await RefuseAsync($"There are {Invitations.MostOpen} links already that nobody took. Withdraw some.");
        }

        Made = new($"A new password for {other.UserName}", "Sets a new password, once, within a day. The old one stands until then.",
            AddressOf(code));
        return await ShowAsync(null);
    }

    /// <summary>Gives somebody another role.</summary>
    public async Task<IActionResult> OnPostRoleAsync(string member, MemberRole role)
    {
        if (await OtherAsync(member) is not { } other || !Enum.IsDefined(role))
        {
            return await RefuseAsync("There is nobody like that here.");
        }

        other.Role = role;
        await members.UpdateAsync(other);
        return await ShowAsync($"{other.UserName} is {Known.Word(role)} now.");
    }

    /// <summary>Gives somebody another name: what they did is shown under it from now on.</summary>
    public async Task<IActionResult> OnPostNameAsync(string member, string? name)
    {
        if (await OtherAsync(member) is not { } other)
        {
            return await RefuseAsync("There is nobody like that here.");
        }

        var (was, given) = (other.UserName, Bench.Crew.Plain(name));
        if (SignIns.Problem(name ?? "") is { } problem)
        {
            return await RefuseAsync(problem);
        }

        if (await members.FindByNameAsync(given) is { } has && has.Id != other.Id)
        {
            return await RefuseAsync($"Somebody has the name “{given}” already.");
        }

        await members.SetUserNameAsync(other, given);
        site.Renamed();
        plans.Clear();
        return await ShowAsync($"{was} is {given} now, in everything that was done too.");
    }

    /// <summary>Signs somebody out everywhere.</summary>
    public async Task<IActionResult> OnPostSignOutAsync(string member)
    {
        if (await OtherAsync(member) is not { } other)
        {
            return await RefuseAsync("There is nobody like that here.");
        }

        await sessions.EndAllAsync(other.Id);
        return await ShowAsync($"{other.UserName} is signed out everywhere.");
    }

    /// <summary>Somebody is not here any more.</summary>
    public async Task<IActionResult> OnPostLeaveAsync(string member)
    {
        if (await OtherAsync(member) is not { } other)
        {
            return await RefuseAsync("There is nobody like that here.");
        }

        other.Left = clock.GetUtcNow().ToUnixTimeMilliseconds();
        await members.UpdateAsync(other);
        await members.RemovePasswordAsync(other);
        await sessions.EndAllAsync(other.Id);
        return await ShowAsync($"{other.UserName} is signed out and does not get in any more. What they did keeps their name.");
    }

    /// <summary>Somebody is here again.</summary>
    public async Task<IActionResult> OnPostReturnAsync(string member)
    {
        if (await members.FindByIdAsync(member) is not { Left: not null } other)
        {
            return await RefuseAsync("There is nobody like that.");
        }

        other.Left = null;
        await members.UpdateAsync(other);
        return await ShowAsync($"{other.UserName} is here again, and needs a link to a new password.");
    }

    // Nobody takes the server from himself: there would be nobody to give it back.
    private async Task<Member?> OtherAsync(string id) =>
        id != Me.Id && await members.FindByIdAsync(id) is { Left: null } other ? other : null;

    private string AddressOf(string code) => shared.Link(Request.Host, $"/invitation/{code}");

    private async Task<IActionResult> RefuseAsync(string problem)
    {
        Problem = problem;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        await ReadAsync();
        return Page();
    }

    private async Task<IActionResult> ShowAsync(string? said)
    {
        Said = said;
        await ReadAsync();
        return Page();
    }

    private async Task ReadAsync()
    {
        var signedIn = await sessions.CountsAsync();
        var all = new List<(Person Person, bool Left)>();
        foreach (var m in await members.Users.AsNoTracking().OrderBy(m => m.NormalizedUserName).ToListAsync())
        {
            all.Add((new(m.Id, Printed.Of(m.UserName!), m.Role, DateTimeOffset.FromUnixTimeMilliseconds(m.Since),
                signedIn.GetValueOrDefault(m.Id)), m.Left is not null));
        }

        All = [.. all.Where(p => !p.Left).Select(p => p.Person)];
        Gone = [.. all.Where(p => p.Left).Select(p => p.Person)];
        Open = await invitations.OpenAsync();
    }
}
