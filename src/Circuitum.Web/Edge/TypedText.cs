using Circuitum.Core.Jobs;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace Circuitum.Web.Edge;

/// <summary>Reads every text of every form alike: on one line, without stray spaces, its direction closed. What is left empty is nothing
/// where a handler can do without it.</summary>
public sealed class TypedText : IModelBinder
{
    /// <inheritdoc/>
    public Task BindModelAsync(ModelBindingContext bindingContext)
    {
        var sent = bindingContext.ValueProvider.GetValue(bindingContext.ModelName);
        if (sent == ValueProviderResult.None)
        {
            return Task.CompletedTask;
        }

        var text = Printed.Of(sent.FirstValue ?? "");
        bindingContext.Result = ModelBindingResult.Success(text.Length == 0 && !bindingContext.ModelMetadata.IsRequired ? null : text);
        return Task.CompletedTask;
    }
}

/// <summary>Offers it for every text.</summary>
public sealed class TypedTextProvider : IModelBinderProvider
{
    /// <inheritdoc/>
    public IModelBinder? GetBinder(ModelBinderProviderContext context) => context.Metadata.ModelType == typeof(string) ? new TypedText()
        : null;
}
