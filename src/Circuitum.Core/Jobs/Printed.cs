using System.Globalization;
using System.Text;

namespace Circuitum.Core.Jobs;

/// <summary>Text that can stand on a label, a sheet and a drawing: whole characters that print, on one line, in a direction that ends where
/// the text ends.</summary>
public static class Printed
{
    /// <summary>Longest text that is not told otherwise, in UTF-16 units: a name, a note, an authority.</summary>
    public const int Longest = 120;

    // Explicit directional embeddings, overrides and isolates, and what ends them (Unicode Standard Annex 9).
    private const char EndEmbedding = '\u202C';
    private const char EndIsolate = '\u2069';

    /// <summary>Why a text cannot be printed, as the end of a sentence about it; null when it can.</summary>
    public static string? Problem(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            var c = text[i];
            if (char.IsSurrogate(c))
            {
                if (!char.IsHighSurrogate(c) || i + 1 == text.Length || !char.IsLowSurrogate(text[i + 1]))
                {
                    return "holds half a character; write it again";
                }

                if ((char.ConvertToUtf32(c, text[++i]) & 0xFFFE) == 0xFFFE)
                {
                    return "holds a code that is no character; write it again";
                }

                continue;
            }

            if (char.IsControl(c) || c is '\u2028' or '\u2029')
            {
                return string.Create(CultureInfo.InvariantCulture,
                    $"holds a line break or a control character (U+{(int)c:X4}); write it on one line");
            }

            if (c is '\uFFFE' or '\uFFFF' or '\uFEFF' or (>= '\uFDD0' and <= '\uFDEF'))
            {
                return string.Create(CultureInfo.InvariantCulture, $"holds a code that is no character (U+{(int)c:X4}); write it again");
            }
        }

        var (open, stray) = Directions(text);
        return stray ? "ends a direction of writing that it did not begin; write it again"
            : open.Count > 0 ? "begins a direction of writing and does not end it; write it again" : null;
    }

    /// <summary>What was typed, as it is kept: on one line, single spaces, every direction of writing closed. What cannot be printed even
    /// so is left for <see cref="Problem"/>.</summary>
    public static string Of(string typed)
    {
        var line = new StringBuilder(typed.Length);
        var space = false;
        foreach (var c in typed)
        {
            if (char.IsWhiteSpace(c))
            {
                space = line.Length > 0;
                continue;
            }

            if (space)
            {
                line.Append(' ');
                space = false;
            }

            line.Append(c);
        }

        return Closed(line.ToString());
    }

    /// <summary>At most so many UTF-16 units of a text, never half a character.</summary>
    public static string Cut(string text, int most) => text.Length <= most ? text
        : text[..(char.IsHighSurrogate(text[most - 1]) ? most - 1 : most)];

    /// <summary>What people wrote, as a sentence about it may quote it: its beginning, and a mark for what does not print.</summary>
    public static string Told(string text, int most = 240)
    {
        var cut = Cut(text, most);
        var plain = Problem(cut) is null ? cut : string.Concat(cut.Select(c => Prints(c) ? c : '\uFFFD'));
        return cut.Length < text.Length ? plain + "…" : plain;
    }

    // By itself, whatever stands beside it.
    private static bool Prints(char c) => !char.IsControl(c) && !char.IsSurrogate(c)
        && c is not ('\u2028' or '\u2029' or (>= '\u202A' and <= '\u202E') or (>= '\u2066' and <= '\u2069')
        or '\uFEFF' or '\uFFFE' or '\uFFFF' or (>= '\uFDD0' and <= '\uFDEF'));

    private static string Closed(string text) => Directions(text).Open is { Count: > 0 } open ? text + string.Concat(open) : text;

    // What would end each direction that is open at the end of a text, the innermost first; stray when one is ended that was not begun.
    private static (Stack<char> Open, bool Stray) Directions(string text)
    {
        var open = new Stack<char>();
        var stray = false;
        foreach (var c in text)
        {
            switch (c)
            {
                case '\u202A' or '\u202B' or '\u202D' or '\u202E':
                    open.Push(EndEmbedding);
                    break;
                case '\u2066' or '\u2067' or '\u2068':
                    open.Push(EndIsolate);
                    break;
                case EndEmbedding or EndIsolate when open.Count > 0 && open.Peek() == c:
                    open.Pop();
                    break;
                case EndEmbedding or EndIsolate:
                    stray = true;
                    break;
            }
        }

        return (open, stray);
    }
}
