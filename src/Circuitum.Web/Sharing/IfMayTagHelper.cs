using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Circuitum.Web.Sharing;

/// <summary>A link to what not everybody may read: &lt;a if-may="link" href="…"&gt; is left out for who may not; with
/// if-may="text" its words stay.</summary>
[HtmlTargetElement("a", Attributes = "if-may")]
public sealed class IfMayTagHelper : TagHelper
{
    /// <summary>Keeps the words of a link that leads nowhere.</summary>
    private const string Text = "text";

    /// <summary>What stays of it.</summary>
    public string IfMay { get; set; } = "";

    /// <summary>Where it stands.</summary>
    [ViewContext, HtmlAttributeNotBound]
    public ViewContext ViewContext { get; set; } = null!;

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var address = output.Attributes["href"].Value.ToString()!.Split('#')[0];
        if (Permits.Read(ViewContext.HttpContext, address))
        {
            return;
        }

        if (IfMay == Text)
        {
            output.TagName = "span";
            output.Attributes.Clear();
        }
        else
        {
            output.SuppressOutput();
        }
    }
}
