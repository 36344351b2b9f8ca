using Circuitum.Core.Jobs;
using Circuitum.Data.People;
using Circuitum.Web.Bench;
using Microsoft.AspNetCore.Identity;

namespace Circuitum.Web.Sharing;

/// <summary>What came of somebody who wants to be let in.</summary>
/// <param name="Member">Who it is; null where nobody is let in.</param>
/// <param name="Problem">Why not; null where somebody is.</param>
public sealed record SignedIn(Member? Member, string? Problem);

/// <summary>Makes accounts and lets those in who have one.</summary>
public sealed partial class SignIns(UserManager<Member> members, Sessions sessions, Invitations invitations, TimeProvider clock,
    ILogger<SignIns> log)
{
    // The same for a name that nobody has, a wrong password and a locked account: who guesses learns nothing.
    private const string NotLetIn =
        "That name and that password do not go together, or they were tried too often: then wait five minutes. Whoever invited you can "
        + "give you a way to a new password.";

    // Compared with where there is no such name, so that this takes as long.
    private static readonly Member Nobody = new() { UserName = "nobody" };
    private static readonly Lazy<string> NobodysHash = new(() => new PasswordHasher<Member>().HashPassword(Nobody, Codes.New()));

    /// <summary>Lets in who has the password.</summary>
    public async Task<SignedIn> InAsync(string name, string password)
    {
        var member = await members.FindByNameAsync(Printed.Of(name));
        if (member is null || member.Left is not null || await members.IsLockedOutAsync(member))
        {
            members.PasswordHasher.VerifyHashedPassword(Nobody, NobodysHash.Value, password);
            Refused(member?.UserName is null ? "a name that nobody has" : member.Id);
            return new(null, NotLetIn);
        }

        if (!await members.CheckPasswordAsync(member, password))
        {
            await members.AccessFailedAsync(member);
            Refused(member.Id);
            return new(null, NotLetIn);
        }

        await members.ResetAccessFailedCountAsync(member);
        LetIn(member.Id);
        return new(member, null);
    }

    /// <summary>Takes an invitation: makes the account, or sets the password of one that is there.</summary>
    public async Task<SignedIn> TakeAsync(Invitation invitation, string name, string password)
    {
        if (invitation.MemberId is { } id)
        {
            return await RenewAsync(invitation, id, password);
        }

        if (Problem(name) is { } wrong)
        {
            return new(null, wrong);
        }

        var given = Crew.Plain(name);
        if (await members.FindByNameAsync(given) is not null)
        {
            return new(null, $"Somebody here has the name “{given}” already. Add what tells you apart.");
        }

        if (Passwords.Problem(given, password) is { } weak)
        {
            return new(null, weak);
        }

        if (!await invitations.TakeAsync(invitation.Id))
        {
            return new(null, "This invitation was taken a moment ago, or has ended. Ask for another.");
        }

        var member = new Member { UserName = given, Role = invitation.Role, Since = clock.GetUtcNow().ToUnixTimeMilliseconds() };
        if (await members.CreateAsync(member, password) is { Succeeded: false } failed)
        {
            await invitations.GiveBackAsync(invitation.Id);
            return new(null, string.Join(" ", failed.Errors.Select(e => e.Description)));
        }

        Came(member.Id, member.Role);
        return new(member, null);
    }

    /// <summary>Sets another password for who knows the one that stands; every other browser of theirs is signed out.</summary>
    /// <returns>Why not; null where it is done.</returns>
    public async Task<string?> ChangeAsync(string id, string standing, string wanted, string? besides)
    {
        if (await members.FindByIdAsync(id) is not { Left: null } member || !await members.CheckPasswordAsync(member, standing))
        {
            return "That is not the password that stands. Nothing was changed.";
        }

        if (Passwords.Problem(member.UserName!, wanted) is { } weak)
        {
            return weak;
        }

        var changed = await members.ChangePasswordAsync(member, standing, wanted);
        if (changed.Succeeded)
        {
            await sessions.EndAllAsync(id, besides);
        }

        return changed.Succeeded ? null : string.Join(" ", changed.Errors.Select(e => e.Description));
    }

    private async Task<SignedIn> RenewAsync(Invitation invitation, string id, string password)
    {
        if (await members.FindByIdAsync(id) is not { Left: null } member)
        {
            return new(null, "Whoever this was for is not here any more.");
        }

        if (Passwords.Problem(member.UserName!, password) is { } weak)
        {
            return new(null, weak);
        }

        if (!await invitations.TakeAsync(invitation.Id))
        {
            return new(null, "This link was used a moment ago, or has ended. Ask for another.");
        }

        // The old one ends everywhere, and with it whoever had it.
        await members.RemovePasswordAsync(member);
        await members.AddPasswordAsync(member, password);
        await members.SetLockoutEndDateAsync(member, null);
        await members.ResetAccessFailedCountAsync(member);
        await sessions.EndAllAsync(id);
        Renewed(id);
        return new(member, null);
    }

    /// <summary>Why a name cannot be an account's; null where it can.</summary>
    public static string? Problem(string name) => Crew.Plain(name).Length == 0 ? "Say the name that the others know you by."
        : Crew.Problem(name);

    [LoggerMessage(LogLevel.Information, "Signed in: {Who}")]
    private partial void LetIn(string who);

    [LoggerMessage(LogLevel.Information, "Account made: {Who}, {Role}")]
    private partial void Came(string who, MemberRole role);

    [LoggerMessage(LogLevel.Information, "New password: {Who}")]
    private partial void Renewed(string who);

    [LoggerMessage(LogLevel.Warning, "Not let in: {Who}")]
    private partial void Refused(string who);
}
