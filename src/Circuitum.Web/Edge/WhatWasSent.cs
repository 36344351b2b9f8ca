using System.Reflection;
using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;

namespace Circuitum.Web.Edge;

/// <summary>A page that answers a refusal in its own way: what was typed stays, and one sentence says why nothing was done.</summary>
public interface IRefuses
{
    /// <summary>The answer.</summary>
    Task<IActionResult> RefusedAsync(string sentence);
}

/// <summary>What a handler needs must have been sent, and be of its kind: a missing field is a sentence, never a default that somebody
/// relies on.</summary>
public sealed class WhatWasSent : IAsyncPageFilter
{
    private static readonly NullabilityInfoContext Nullability = new();
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<ParameterInfo, bool> Needed = new();

    /// <inheritdoc/>
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    /// <inheritdoc/>
    public async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        if (context.HandlerMethod is { } handler && Missing(handler, context) is { } sentence)
        {
            context.Result = await RefusedAsync(context.HandlerInstance, context.HttpContext, sentence);
            return;
        }

        var done = await next();
        if (done is { Exception: FormatException or ChangeRefusedException or OverflowException, ExceptionHandled: false })
        {
            done.ExceptionHandled = true;
            done.Result = await RefusedAsync(context.HandlerInstance, context.HttpContext, done.Exception is OverflowException
                ? "A number in this form is larger than any house needs. Nothing was changed." : done.Exception.Message);
        }
    }

    private static string? Missing(HandlerMethodDescriptor handler, PageHandlerExecutingContext context)
    {
        foreach (var parameter in handler.Parameters.Select(p => p.ParameterInfo).Where(IsNeeded))
        {
            var sent = context.ModelState.TryGetValue(parameter.Name!, out var entry);
            if (!context.HandlerArguments.TryGetValue(parameter.Name!, out var value) || value is null)
            {
                return $"This form did not send “{parameter.Name}”. Nothing was changed; open the page again.";
            }

            if (parameter.ParameterType.IsValueType && (!sent || entry!.Errors.Count > 0))
            {
                return sent ? $"“{Printed.Told(entry!.AttemptedValue ?? "", 40)}” is no {Kind(parameter.ParameterType)} for “"
                    + $"{parameter.Name}”. Nothing was changed."
                    : $"This form did not send “{parameter.Name}”. Nothing was changed; open the page again.";
            }
        }

        return null;
    }

    private static string Kind(Type type) => type == typeof(int) ? "whole number" : "value";

    private static bool IsNeeded(ParameterInfo parameter) => Needed.GetOrAdd(parameter, p =>
    {
        // A box that is not ticked is not sent.
        if (p.HasDefaultValue || p.ParameterType == typeof(bool) || p.ParameterType == typeof(CancellationToken))
        {
            return false;
        }

        lock (Nullability)
        {
            return p.ParameterType.IsValueType ? Nullable.GetUnderlyingType(p.ParameterType) is null : !p.ParameterType.IsArray
                && Nullability.Create(p).WriteState == NullabilityState.NotNull;
        }
    });

    private static async Task<IActionResult> RefusedAsync(object page, HttpContext context, string sentence)
    {
        if (page is IRefuses refuses)
        {
            return await refuses.RefusedAsync(sentence);
        }

        await Guard.AnswerAsync(context, StatusCodes.Status422UnprocessableEntity, sentence);
        return new EmptyResult();
    }
}
