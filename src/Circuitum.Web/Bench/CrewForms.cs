using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Web.Bench;

/// <summary>Reads what a crew decides from the forms that ask for it: every number and every school by its declaration.</summary>
public static class CrewForms
{
    /// <summary>A set of numbers as typed.</summary>
    /// <param name="form">What was sent.</param>
    /// <param name="prefix">What the names of its fields begin with.</param>
    /// <param name="numbers">The numbers.</param>
    /// <param name="set">The set they are of.</param>
    /// <exception cref="FormatException">One of them is missing or is none; the message says which.</exception>
    public static TSet Numbers<TSet>(IFormCollection form, string prefix, IEnumerable<CrewNumber<TSet>> numbers, TSet set) =>
        numbers.Aggregate(set, (so, number) => form.TryGetValue(prefix + number.Field, out var text)
            ? number.With(so, Number(number.Kind, text.ToString()))
            : throw new FormatException($"This form did not send “{number.Words}”. Nothing was changed; open the page again."));

    /// <summary>A job's schools with what was chosen; what is not sent stays as it is.</summary>
    /// <exception cref="FormatException">An answer is not on its list.</exception>
    public static Schools Schools(IFormCollection form, Schools now) =>
        SchoolList.All.Aggregate(now, (so, school) => Answer(form, school) is { } answer ? school.With(so, answer) : so);

    /// <summary>What a room has of its own; an empty answer goes by the job's.</summary>
    /// <exception cref="FormatException">An answer is not on its list.</exception>
    public static RoomSchools OfRoom(IFormCollection form, RoomId room) =>
        SchoolList.OfRooms.Aggregate(new RoomSchools { Room = room }, (so, school) => school.WithRoom!(so, Answer(form, school)));

    /// <summary>What a circuit has of its own; an empty answer goes by the job's.</summary>
    /// <exception cref="FormatException">An answer is not on its list.</exception>
    public static CircuitSchools OfCircuit(IFormCollection form, CircuitKey circuit) =>
        SchoolList.OfCircuits.Aggregate(new CircuitSchools { Circuit = circuit },
            (so, school) => school.WithCircuit!(so, Answer(form, school)));

    private static Enum? Answer(IFormCollection form, School school) => form[school.Field].ToString() is { Length: > 0 } text
        ? school.Read(text) : null;

    private static decimal Number(NumberKind kind, string text) => kind switch
    {
        NumberKind.Length => Length.Parse(text).Inches,
        NumberKind.Share => Entry.Percent(text).Value,
        NumberKind.Money => Entry.Money(text).Value,
        _ => Entry.Count(text),
    };
}
