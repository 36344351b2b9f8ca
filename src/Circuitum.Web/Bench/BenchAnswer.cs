using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.ObjectPool;

namespace Circuitum.Web.Bench;

/// <summary>The bench as it is sent to a window that shows one already: whole, or what differs from the one that it names.</summary>
/// <param name="bench">The bench, drawn whole.</param>
/// <param name="sent">What windows have.</param>
public sealed class BenchAnswer(PartialViewResult bench, SentBenches sent) : IActionResult
{
    /// <summary>Header of a request: the answer that the window has, or any other word where it has none. Of an answer: the one that it
    /// tells the differences from.</summary>
    public const string Of = "Bench-Of";

    /// <summary>Header of an answer: its name.</summary>
    public const string Is = "Bench-Is";

    /// <inheritdoc/>
    public async Task ExecuteResultAsync(ActionContext context)
    {
        var (request, response) = (context.HttpContext.Request, context.HttpContext.Response);
        var before = request.Headers[Of].ToString();
        if (before.Length == 0)
        {
            await bench.ExecuteResultAsync(context);
            return;
        }

        var (body, whole) = (response.Body, Streams.Get());
        response.Body = whole;
        try
        {
            await bench.ExecuteResultAsync(context);
        }
        finally
        {
            response.Body = body;
        }

        var text = whole.GetBuffer().AsMemory(0, (int)whole.Length);
        var (name, differs) = sent.Next(before, text.Span);
        response.Headers[Is] = name;
        if (differs is not null)
        {
            response.Headers[Of] = before;
            response.ContentType = "application/json";
        }

        await body.WriteAsync(differs ?? text, context.HttpContext.RequestAborted);
        Streams.Return(whole);
    }

    // A bench is larger than what is collected cheaply: the same few streams are drawn into again and again.
    private static readonly ObjectPool<MemoryStream> Streams = ObjectPool.Create(new Emptied());

    private sealed class Emptied : PooledObjectPolicy<MemoryStream>
    {
        public override MemoryStream Create() => new();

        public override bool Return(MemoryStream obj)
        {
            obj.SetLength(0);
            return true;
        }
    }
}
