namespace Circuitum.Formats;

/// <summary>Folds words into lines.</summary>
internal static class WordWrap
{
    /// <summary>Lines that fit; a word that fits nowhere stands alone on its line.</summary>
    public static IEnumerable<string> Lines(IEnumerable<string> words, Func<string, bool> fits)
    {
        var line = "";
        foreach (var word in words)
        {
            var next = line.Length == 0 ? word : line + " " + word;
            if (line.Length > 0 && !fits(next))
            {
                yield return line;
                next = word;
            }

            line = next;
        }

        yield return line;
    }
}
