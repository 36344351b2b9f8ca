using System.Net;
using System.Text.RegularExpressions;
using Circuitum.Data.People;
using Circuitum.Web.Edge;
using Circuitum.Web.Sharing;

namespace Circuitum.Web.Tests.Sharing;

/// <summary>Every page, file and form of a shared server, as a browser and as somebody with bad intent sees them.</summary>
public sealed partial class WalkTests : IDisposable
{
    // What may be kept by a browser or a proxy: it is the same for everybody, or belongs to who asked and never changes.
    private static readonly string[] Kept = ["/css/plan.css"];

    private static readonly string[] Addresses = ["/", "/account", "/people", "/health", "/health.json", "/new", "/help", "/help/house",
        "/bench", "/bench/drop", "/api/bench/openapi.json", "/metric-board", "/metric-board/none", "/learn", "/learn/outlet", "/meter",
        "/sign-in",
            "/css/plan.css",
        "/job/demo/house", "/job/demo/boxes?on=box:f-r2", "/job/demo/circuits", "/job/demo/runs", "/job/demo/panel", "/job/demo/prove",
        "/job/demo/site", "/job/demo/site?view=test", "/job/demo/walls", "/job/demo/metric", "/job/demo/metric/site",
        "/job/demo/metric/photographs",
        "/job/demo/places/A", "/job/demo/prints/A", "/job/demo/find",
        "/job/demo/material", "/job/demo/load", "/job/demo/marks", "/job/demo/editions", "/job/demo/divisions", "/job/demo/rules",
        "/job/demo/make-up/A", "/job/demo/history", "/job/demo/money", "/job/demo/share", "/job/demo/box/f-r2",
        "/job/demo/file/job.circuitum.json", "/job/demo/file/schedule.pdf", "/job/demo/file/schedule.csv", "/job/demo/file/site.csv",
        "/job/demo/file/ground.svg", "/job/demo/file/ground.dxf", "/job/demo/file/material.xlsx", "/job/demo/file/whole-job.zip",
        "/invitation/none", "/guest/none", "/door/none/A", "/no-such-page"];

    private readonly SharedHost shared = new();

    public void Dispose() => shared.Dispose();

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do_with_it()
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        var wrong = new List<string>();
        var forms = 0;
        foreach (var address in Addresses)
        {
            using var answer = await owner.Http.GetAsync(address);
            void Must(bool holds, string what)
            {
                if (!holds)
                {
                    wrong.Add($"{address}: {what}");
                }
            }

            string Header(string name) => answer.Headers.TryGetValues(name, out var values)
                || answer.Content.Headers.TryGetValues(name, out values) ? string.Join(", ", values) : "";
            Must((int)answer.StatusCode < 500, $"status {answer.StatusCode}");
            var policy = Header("Content-Security-Policy");
            Must(policy.Contains("default-src 'self'", StringComparison.Ordinal) && policy.Contains("object-src 'none'",
                StringComparison.Ordinal) && policy.Contains("frame-ancestors 'none'", StringComparison.Ordinal)
                && policy.Contains("form-action 'self'", StringComparison.Ordinal)
                && policy.Contains("base-uri 'none'", StringComparison.Ordinal)
                && !policy.Contains("unsafe", StringComparison.Ordinal), $"policy {policy}");
            Must(Header("X-Content-Type-Options") == "nosniff", "nosniff");
            Must(Header("Referrer-Policy") == "same-origin", "referrer");
            Must(Header("Cross-Origin-Opener-Policy") == "same-origin", "opener");
            Must(Header("Cross-Origin-Resource-Policy") == "same-origin", "resource");
            Must(Header("Strict-Transport-Security").StartsWith("max-age=31536000", StringComparison.Ordinal), "transport");
            Must(Header("Permissions-Policy").Contains("geolocation=()", StringComparison.Ordinal), "permissions");
            Must(Header("Server").Length == 0 && Header("X-Powered-By").Length == 0, "says what it is made of");
            Must(Kept.Contains(address) || Header("Cache-Control").StartsWith("no-store", StringComparison.Ordinal),
                $"kept: {Header("Cache-Control")}");
            Must(Header("Access-Control-Allow-Origin").Length == 0, "open to other sites");
            Must(answer.Content.Headers.ContentType?.CharSet is "utf-8"
                || answer.Content.Headers.ContentType?.MediaType?.StartsWith("text/", StringComparison.Ordinal) != true, "charset");
            if (answer.Content.Headers.ContentDisposition is { } disposition)
            {
                Must(SafeName().IsMatch((disposition.FileName ?? "").Trim('"')), $"file name {disposition.FileName}");
            }

            foreach (var cookie in answer.Headers.TryGetValues("Set-Cookie", out var cookies) ? cookies : [])
            {
                Must(cookie.StartsWith("__Host-", StringComparison.Ordinal) && cookie.Contains("secure", StringComparison.OrdinalIgnoreCase)
                    && cookie.Contains("httponly", StringComparison.OrdinalIgnoreCase)
                    && cookie.Contains("samesite", StringComparison.OrdinalIgnoreCase), $"cookie {cookie.Split('=')[0]}");
            }

            if (answer.Content.Headers.ContentType?.MediaType == "text/html")
            {
                var page = await answer.Content.ReadAsStringAsync();
                foreach (Match form in PostForm().Matches(page))
                {
                    forms++;
                    // By a field of its own, or on the bench by the header that every act carries.
                    Must(form.Groups["body"].Value.Contains("__RequestVerificationToken", StringComparison.Ordinal)
                        || page.Contains("RequestVerificationToken&quot;", StringComparison.Ordinal)
                        || page.Contains("\"RequestVerificationToken\"", StringComparison.Ordinal),
                        $"form without a token {form.Value[..80]}");
                }

                Must(!InlineScript().IsMatch(page), "script in the page");
                Must(!InlineHandler().IsMatch(page), "handler in the page");
            }
        }

        Assert.Empty(wrong);
        Assert.True(forms > 40, $"{forms} forms");
    }

    [Fact]
    public async Task Nothing_is_sent_without_the_token_of_the_page()
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        foreach (var address in Addresses.Where(a => !a.Contains("/file/", StringComparison.Ordinal) && a is not ("/css/plan.css"
            or "/health.json" or "/api/bench/openapi.json" or "/no-such-page" or "/door/none/A")))
        {
            using var sent = await owner.Http.PostAsync(address, new FormUrlEncodedContent([KeyValuePair.Create("from", "1")]));
            Assert.True(sent.StatusCode is HttpStatusCode.BadRequest or HttpStatusCode.Forbidden, $"{address}: {sent.StatusCode}");
        }

        // Those that take none: a browser says where the page that sends it comes from.
        foreach (var (address, type) in new[] { ("/job/demo/site/entries", "application/json"),
            ("/job/demo/site/photographs?id=1&revision=1", "image/jpeg") })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, address) { Content = new StringContent("[]") };
            request.Content.Headers.ContentType = new(type);
            request.Headers.Add("Sec-Fetch-Site", "cross-site");
            Assert.Equal(HttpStatusCode.Forbidden, (await owner.Http.SendAsync(request)).StatusCode);
            Assert.Equal(HttpStatusCode.UnsupportedMediaType,
                (await owner.Http.PostAsync(address, new FormUrlEncodedContent([]))).StatusCode);
        }
    }

    [Theory]
    [InlineData("PUT")]
    [InlineData("DELETE")]
    [InlineData("PATCH")]
    [InlineData("OPTIONS")]
    [InlineData("TRACE")]
    [InlineData("CONNECT")]
    [InlineData("PROPFIND")]
    public async Task Other_methods_are_not_done(string method)
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        foreach (var address in new[] { "/", "/job/demo/house", "/job/demo/file/plan.json", "/css/plan.css", "/people" })
        {
            using var request = new HttpRequestMessage(new(method), address);
            using var answer = await owner.Http.SendAsync(request);
            Assert.True(answer.StatusCode is HttpStatusCode.MethodNotAllowed or HttpStatusCode.Forbidden,
                $"{address}: {answer.StatusCode}");
        }
    }

    [Theory]
    [InlineData("elsewhere.example")]
    [InlineData("127.0.0.1.elsewhere.example")]
    public async Task Other_host_names_are_not_answered(string host)
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        using var request = new HttpRequestMessage(HttpMethod.Get, "/sign-in");
        request.Headers.TryAddWithoutValidation("Host", host);
        Assert.Equal(HttpStatusCode.BadRequest, (await owner.Http.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task What_is_larger_than_it_takes_is_refused()
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        foreach (var (address, bytes) in new[] { ("/sign-in", Doorway.LargestForm + 1), ("/people?handler=Invite", Doorway.LargestForm + 1),
            ("/?handler=Bring", Doorway.LargestUpload + 1), ("/job/demo/site/photographs", Doorway.LargestPhotograph + 1) })
        {
            using var sent = await owner.Http.PostAsync(address, new ByteArrayContent(new byte[bytes]));
            Assert.True(sent.StatusCode == HttpStatusCode.RequestEntityTooLarge, $"{address}: {sent.StatusCode}");
        }

        // Whoever is not signed in is not even read.
        var stranger = shared.Host.Visit();
        using var large = await stranger.Http.PostAsync("/?handler=Bring", new ByteArrayContent(new byte[Doorway.LargestUpload + 1]));
        Assert.Equal(HttpStatusCode.Unauthorized, large.StatusCode);
    }

    [Theory]
    [InlineData("/job/demo/file/../../../../etc/passwd")]
    [InlineData("/job/demo/file/..%2f..%2fetc%2fpasswd")]
    [InlineData("/drawing/..%2f..%2fx.svg")]
    [InlineData("/job/demo%2f..%2fdemo-crawl/house")]
    [InlineData("/job/demo/site/photographs/..%2f..%2fx")]
    public async Task A_name_in_an_address_leads_to_no_file(string address)
    {
        var owner = await shared.ComesAsync(MemberRole.Owner, "Odile");
        using var answer = await owner.Http.GetAsync(address);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.DoesNotContain("root:", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public void The_cookie_of_a_session_is_held_to_this_host() =>
        Assert.StartsWith("__Host-", Gate.Cookie, StringComparison.Ordinal);

    [GeneratedRegex("^[A-Za-z0-9 ._-]{1,80}$")]
    private static partial Regex SafeName();

    [GeneratedRegex("<form(?=[^>]*method=\"post\")[^>]*>(?<body>.*?)</form>", RegexOptions.Singleline | RegexOptions.ExplicitCapture)]
    private static partial Regex PostForm();

    [GeneratedRegex("<script(?![^>]*\\bsrc=)[^>]*>")]
    private static partial Regex InlineScript();

    [GeneratedRegex("<[a-z][^>]*\\son[a-z]+=\"", RegexOptions.IgnoreCase)]
    private static partial Regex InlineHandler();
}
