using Microsoft.AspNetCore.Routing.Template;
using Microsoft.AspNetCore.WebUtilities;

namespace Circuitum.Web.Sharing;

/// <summary>What whoever looks at a page may do from it, so that it offers nothing else.</summary>
public static class Permits
{
    private static readonly object Asked = new();
    private static readonly IReadOnlyList<(string Pattern, TemplateMatcher Matcher)> Patterns =
        [.. Addresses.Patterns.Select(p => (p, new TemplateMatcher(TemplateParser.Parse(p), [])))];

    /// <summary>Whether something may be sent to an address of ours.</summary>
    public static bool Send(HttpContext context, string address) => Is(context, address, sends: true);

    /// <summary>Whether an address of ours may be read.</summary>
    public static bool Read(HttpContext context, string address) => Is(context, address, sends: false);

    private static bool Is(HttpContext context, string address, bool sends)
    {
        if (!context.RequestServices.GetRequiredService<Shared>().Is)
        {
            return true;
        }

        // A page asks the same of many forms and links.
        if (context.Items[Asked] is not Dictionary<(string, bool), bool> asked)
        {
            context.Items[Asked] = asked = [];
        }

        return asked.TryGetValue((address, sends), out var known) ? known : asked[(address, sends)] = Find(context, address, sends);
    }

    private static bool Find(HttpContext context, string address, bool sends)
    {
        var (path, query) = address.IndexOf('?', StringComparison.Ordinal) is >= 0 and var at ? (address[..at], address[at..])
            : (address, "");
        foreach (var (pattern, matcher) in Patterns)
        {
            var values = new RouteValueDictionary();
            if (matcher.TryMatch(path, values))
            {
                var handler = QueryHelpers.ParseQuery(query).GetValueOrDefault("handler");
                return Addresses.Of(pattern, sends, handler, values["name"]?.ToString() ?? "")
                    .Lets(Known.Of(context), values["key"]?.ToString());
            }
        }

        return false;
    }
}
