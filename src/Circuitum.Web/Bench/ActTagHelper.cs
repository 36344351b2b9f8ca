using System.Globalization;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Circuitum.Web.Bench;

/// <summary>A form for one thing a person does on the bench: &lt;act does="Move"&gt;. It posts to that handler, comes back to the same
/// view, and
/// says which revision it is done to.</summary>
[HtmlTargetElement("act")]
public sealed class ActTagHelper : TagHelper
{
    /// <summary>The handler, without its OnPost and Async.</summary>
    public string Does { get; set; } = "";

    /// <summary>The bench; what the page shows where it is not said.</summary>
    public BenchView? View { get; set; }

    /// <summary>Where it stands.</summary>
    [ViewContext, HtmlAttributeNotBound]
    public ViewContext ViewContext { get; set; } = null!;

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var view = View ?? (BenchView)ViewContext.ViewData.Model!;
        output.TagName = "form";
        output.Attributes.SetAttribute("method", "post");
        output.Attributes.SetAttribute("action", view.Act(Does));
        var from = new TagBuilder("input") { TagRenderMode = TagRenderMode.SelfClosing };
        from.MergeAttributes(new Dictionary<string, string?>
        {
            ["type"] = "hidden",
            ["name"] = "from",
            ["value"] = view.Job.Revision.ToString(CultureInfo.InvariantCulture),
        });
        output.PreContent.AppendHtml(from);
    }
}
