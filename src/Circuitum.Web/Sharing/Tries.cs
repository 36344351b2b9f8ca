using System.Globalization;
using System.Threading.RateLimiting;
using Circuitum.Web.Edge;
using Microsoft.AspNetCore.RateLimiting;

namespace Circuitum.Web.Sharing;

/// <summary>How often somebody may try to be let in: from one address thirty times in five minutes, whatever the name.</summary>
public static class Tries
{
    /// <summary>What the pages name it by.</summary>
    public const string Policy = "tries";

    /// <summary>Most from one address in <see cref="Window"/>.</summary>
    public const int Most = 30;

    /// <summary>For how long they are counted.</summary>
    public static TimeSpan Window { get; } = TimeSpan.FromMinutes(5);

    /// <summary>Sets it up.</summary>
    public static void Configure(RateLimiterOptions options)
    {
        options.AddPolicy(Policy, context => HttpMethods.IsPost(context.Request.Method)
            ? RateLimitPartition.GetFixedWindowLimiter(context.Connection.RemoteIpAddress?.ToString() ?? "",
                _ => new() { PermitLimit = Most, Window = Window })
            : RateLimitPartition.GetNoLimiter("read"));
        options.OnRejected = async (rejected, _) =>
        {
            rejected.HttpContext.Response.Headers.RetryAfter = ((int)Window.TotalSeconds).ToString(CultureInfo.InvariantCulture);
            await Guard.AnswerAsync(rejected.HttpContext, StatusCodes.Status429TooManyRequests,
                "It was tried too often from here. Wait five minutes, then try again.");
        };
    }
}
