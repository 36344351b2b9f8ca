using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Circuitum.Web.Sharing;

/// <summary>A form that whoever looks may not send is shown with what stands in it, and cannot be filled in.</summary>
[HtmlTargetElement("form", Attributes = "method")]
[HtmlTargetElement("act")]
public sealed class ReadOnlyFormTagHelper(Shared shared) : TagHelper
{
    // After the others: the address it is sent to is theirs.
    private const int Last = 10000;

    /// <summary>Where it stands.</summary>
    [ViewContext, HtmlAttributeNotBound]
    public ViewContext ViewContext { get; set; } = null!;

    /// <inheritdoc/>
    public override int Order => Last;

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        if (!shared.Is || !Text(output, "method").Equals("post", StringComparison.OrdinalIgnoreCase))
        {
            return;
        }

        var request = ViewContext.HttpContext.Request;
        var action = Text(output, "action") is { Length: > 0 } own ? own : request.Path + request.QueryString;
        if (!Permits.Send(ViewContext.HttpContext, action))
        {
            output.PreContent.AppendHtml("<fieldset disabled class=\"read-only\">");
            output.PostContent.AppendHtml("</fieldset>");
        }
    }

    private static string Text(TagHelperOutput output, string attribute) => output.Attributes[attribute]?.Value?.ToString() ?? "";
}
