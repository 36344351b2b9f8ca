using System.Collections.Immutable;

namespace Circuitum.Core.Jobs;

/// <summary>A question on which crews differ, declared once: its words, its answers, and where it may be answered otherwise than for the
/// whole job.</summary>
/// <param name="Field">Its name in a form and in a job file.</param>
/// <param name="Words">The question in short.</param>
/// <param name="Of">The answer of a crew.</param>
/// <param name="With">A crew's schools with another answer.</param>
/// <param name="Answers">What can be answered, the default first.</param>
public sealed record School(string Field, string Words, Func<Schools, Enum> Of, Func<Schools, Enum, Schools> With,
    ImmutableArray<(Enum Answer, string Words)> Answers)
{
    /// <summary>The answer of a room of its own, or nothing; null where rooms have none.</summary>
    public Func<RoomSchools, Enum?>? OfRoom { get; private init; }

    /// <summary>A room's schools with an answer of its own, or without.</summary>
    public Func<RoomSchools, Enum?, RoomSchools>? WithRoom { get; private init; }

    /// <summary>The answer of a circuit of its own, or nothing; null where circuits have none.</summary>
    public Func<CircuitSchools, Enum?>? OfCircuit { get; private init; }

    /// <summary>A circuit's schools with an answer of its own, or without.</summary>
    public Func<CircuitSchools, Enum?, CircuitSchools>? WithCircuit { get; private init; }

    /// <summary>Uses of rooms in which it is asked.</summary>
    public Func<RoomUse, bool> AskedIn { get; private init; } = _ => false;

    /// <summary>The words of an answer.</summary>
    public string WordsOf(Enum answer) => Answers.First(a => a.Answer.Equals(answer)).Words;

    /// <summary>An answer by its name.</summary>
    /// <exception cref="FormatException">It is not on the list.</exception>
    public Enum Read(string text) => Answers.Select(a => a.Answer)
        .FirstOrDefault(a => string.Equals(a.ToString(), text, StringComparison.OrdinalIgnoreCase))
        ?? throw new FormatException($"“{Printed.Told(text, 40)}” is no answer to “{Words}”.");

    /// <summary>It may be answered otherwise in a room.</summary>
    internal School InRooms(Func<RoomSchools, Enum?> of, Func<RoomSchools, Enum?, RoomSchools> with, Func<RoomUse, bool>? askedIn = null) =>
        this with { OfRoom = of, WithRoom = with, AskedIn = askedIn ?? (_ => true) };

    /// <summary>It may be answered otherwise on a circuit.</summary>
    internal School OnCircuits(Func<CircuitSchools, Enum?> of, Func<CircuitSchools, Enum?, CircuitSchools> with) =>
        this with { OfCircuit = of, WithCircuit = with };
}
