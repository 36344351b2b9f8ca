using System.Text;
using Circuitum.Core;
using Circuitum.Core.Plans;
using Circuitum.Core.Takeoff;

namespace Circuitum.Formats;

/// <summary>Labels as plain text for a label printer: one label a block, its lines at most 32 characters, blocks parted by a form
/// feed.</summary>
public static class LabelText
{
    /// <summary>Characters on a line of the tape.</summary>
    public const int Width = 32;

    /// <summary>The text of every label of a kind.</summary>
    public static string Write(Plan plan, LabelKind kind) => string.Join('\f', Labels.Of(plan, kind).Select(Block));

    private static string Block(Label label)
    {
        var text = new StringBuilder();
        foreach (var line in label.Lines.Prepend(label.Big).SelectMany(Fold))
        {
            text.Append(line).Append('\n');
        }

        return text.ToString();
    }

    // The tape knows plain characters only.
    private static IEnumerable<string> Fold(string text)
    {
        var plain = text.Replace("×", "x", StringComparison.Ordinal).Replace(" · ", "; ", StringComparison.Ordinal)
            .Replace("→", ">", StringComparison.Ordinal);
        plain = string.Concat(plain.Select(c => c is >= ' ' and <= '~' ? c : '?'));
        return WordWrap.Lines(plain.Split(' ').SelectMany(w => w.Chunk(Width).Select(c => new string(c))), line => line.Length <= Width);
    }
}
