using System.Collections.Immutable;

namespace Circuitum.Core.Reasons;

/// <summary>Where a step's figure comes from.</summary>
public enum Source
{
    /// <summary>A section or table of the code book.</summary>
    Book,

    /// <summary>A local amendment of the book.</summary>
    Local,

    /// <summary>A house rule of the crew.</summary>
    HouseRule,

    /// <summary>A person's pin.</summary>
    Pin,

    /// <summary>A person's entry in the job: a nameplate, a distance.</summary>
    Job,

    /// <summary>Counted or measured from the plan itself.</summary>
    Plan,

    /// <summary>A typical value, to be replaced by the real one.</summary>
    Assumed,
}

/// <summary>One step of a reason: what was done, what came out, and on whose word.</summary>
/// <param name="Text">The step in trade words.</param>
/// <param name="Value">What came out, with its unit; empty where the text says all.</param>
/// <param name="From">Whose word it is.</param>
/// <param name="Word">The rule of the book, or the house rule or school; none for sums.</param>
public sealed record Step(string Text, string Value, Source From, Citation Word)
{
    /// <summary>The citation as it is printed; empty for sums.</summary>
    public string Cite => Word.Text;
}

/// <summary>Why a figure is what it is: the chain of steps that made it.</summary>
public sealed record Because(string Question, ImmutableArray<Step> Steps)
{
    /// <summary>An empty chain for a question.</summary>
    public static Because Of(string question) => new(question, []);

    /// <summary>Adds a step from the code book.</summary>
    public Because Book(string text, string value, Citation rule) => Add(text, value, Source.Book, rule);

    /// <summary>Adds a step from a local amendment, cited as its authority wants it.</summary>
    public Because Local(string text, string value, Citation rule) => Add(text, value, Source.Local, rule);

    /// <summary>Adds a step from a house rule.</summary>
    public Because House(string text, string value, Citation rule) => Add(text, value, Source.HouseRule, rule);

    /// <summary>Adds a step from a person's entry.</summary>
    public Because Job(string text, string value) => Add(text, value, Source.Job, Citation.None);

    /// <summary>Adds a step from a pin.</summary>
    public Because Pin(string text, string value) => Add(text, value, Source.Pin, "pinned");

    /// <summary>Adds a step counted from the plan.</summary>
    public Because Plan(string text, string value) => Add(text, value, Source.Plan, Citation.None);

    /// <summary>Adds a step with a typical value.</summary>
    public Because Assume(string text, string value) => Add(text, value, Source.Assumed, "assumed");

    /// <summary>Adds all steps of another chain.</summary>
    public Because Then(Because other) => this with { Steps = Steps.AddRange(other.Steps) };

    private Because Add(string text, string value, Source from, Citation cite) =>
        this with { Steps = Steps.Add(new Step(text, value, from, cite)) };

    /// <summary>Value equality over the steps, so that plans can be compared.</summary>
    public bool Equals(Because? other) => other is not null && Question == other.Question && Steps.SequenceEqual(other.Steps);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Question, Steps.Length);
}

/// <summary>A decided value with its reason.</summary>
public sealed record Figure<T>(T Value, Because Why);
