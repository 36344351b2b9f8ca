using System.Net;
using Circuitum.Data.People;
using Microsoft.Extensions.DependencyInjection;

namespace Circuitum.Web.Tests.Sharing;

/// <summary>A server that is shared, and people who come to it.</summary>
public sealed class SharedHost : IDisposable
{
    public const string Password = "crate lantern seven moss";

    public SharedHost(params (string Name, string Value)[] settings) => Host = new() { Settings = [("Share", "lan"), .. settings] };

    public BenchHost Host { get; }

    public Invitations Invitations => Host.Services.GetRequiredService<Invitations>();

    public GuestLinks Links => Host.Services.GetRequiredService<GuestLinks>();

    public Sessions Sessions => Host.Services.GetRequiredService<Sessions>();

    /// <summary>Somebody who takes an invitation and is signed in.</summary>
    public async Task<Visitor> ComesAsync(MemberRole role, string name)
    {
        var code = await Invitations.MakeAsync(role, "", "", Invitations.Stands);
        var visitor = Host.Visit();
        await visitor.GetAsync($"/invitation/{code}");
        var made = await visitor.PostAsync($"/invitation/{code}", inPlace: false, ("name", name), ("password", Password));
        Assert.Equal(HttpStatusCode.Redirect, made.Status);
        return visitor;
    }

    /// <summary>Somebody who has a link to a job.</summary>
    public async Task<Visitor> GuestAsync(string job)
    {
        var code = await Links.MakeAsync(new(job), "inspector", TimeSpan.FromDays(7), "crew");
        var visitor = Host.Visit();
        await visitor.GetAsync($"/guest/{code}");
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.PostAsync($"/guest/{code}", inPlace: false)).Status);
        return visitor;
    }

    public void Dispose() => Host.Dispose();
}
