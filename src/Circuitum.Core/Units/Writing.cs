namespace Circuitum.Core.Units;

/// <summary>What devices are called.</summary>
public enum Parlance
{
    /// <summary>Receptacles, three-way switches, cans.</summary>
    American,

    /// <summary>Sockets, two-way switches, downlights.</summary>
    International,
}

/// <summary>What lengths are written and read in where a text says no unit, feet and inches or meters; and what devices are called. It
/// flows with the work, as a culture does, so that a sentence made deep in a stage speaks as the drawing beside it.</summary>
public static class Writing
{
    private static readonly AsyncLocal<Hand?> Flowing = new();

    /// <summary>What is written in now; feet and inches where nobody said.</summary>
    public static Measure Measure => Flowing.Value?.Measure ?? Measure.Feet;

    /// <summary>What devices are called now; American where nobody said.</summary>
    public static Parlance Parlance => Flowing.Value?.Parlance ?? Parlance.American;

    /// <summary>Writes so until it is disposed.</summary>
    /// <param name="measure">The measure.</param>
    /// <param name="parlance">What devices are called.</param>
    public static Scope In(Measure measure, Parlance parlance = Parlance.American)
    {
        var before = Flowing.Value;
        Flowing.Value = new() { Measure = measure, Parlance = parlance };
        return new(before);
    }

    /// <summary>From here on what is opened in this flow is written so; without a scope around it nothing happens.</summary>
    /// <param name="measure">The measure.</param>
    /// <param name="parlance">What devices are called.</param>
    public static void Turn(Measure measure, Parlance parlance = Parlance.American)
    {
        if (Flowing.Value is { } hand)
        {
            (hand.Measure, hand.Parlance) = (measure, parlance);
        }
    }

    /// <summary>An end of writing so.</summary>
    public readonly struct Scope : IDisposable
    {
        private readonly Hand? before;

        internal Scope(Hand? before) => this.before = before;

        /// <summary>Writes as before.</summary>
        public void Dispose() => Flowing.Value = before;
    }

    // Shared by whoever the flow branches to, so that a request speaks in the measure of the job that it opens on the way.
    internal sealed class Hand
    {
        public Measure Measure { get; set; }

        public Parlance Parlance { get; set; }
    }
}
