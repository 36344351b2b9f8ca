namespace Circuitum.Core.Jobs;

/// <summary>Lasting id of one kind of thing in a job: an opening's is no pipe's.</summary>
/// <typeparam name="TOf">What it names.</typeparam>
public readonly record struct Id<TOf>
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public Id(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <inheritdoc/>
    public override string ToString() => Value;
}
