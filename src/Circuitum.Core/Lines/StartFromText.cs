using Circuitum.Core.Changes;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Lines;

/// <summary>Starts a job with a house that is there as text, in the place of a first room.</summary>
public static class StartFromText
{
    /// <summary>The job that the answers make with that house. Its buildings, storeys and rooms are the text's; where the text has only
    /// rooms they stand on the ground level of the answers. The panel hangs where the text says, or in the likeliest room.</summary>
    /// <param name="answers">What a new job begins with; its first room is not drawn.</param>
    /// <param name="text">Lines of a house's text, or lines as they are said over the plan.</param>
    /// <exception cref="ChangeRefusedException">An answer is out of its range, or a line is not understood; the message says
    /// which.</exception>
    public static Job Start(NewJob answers, string text)
    {
        var empty = answers.Empty();
        // A number without a unit is what the house will be drawn in.
        using var written = empty.AsWritten();
        var drawn = new DrawHouse(empty.Structures[0].Levels[0].Id, text) { Usual = answers.Panel(new("room"), 1, Length.Zero) }.On(empty);
        return drawn.Job ?? throw new ChangeRefusedException(drawn.Refusal!);
    }
}
