namespace Circuitum.Formats.Svg;

/// <summary>The three tags, each with its own shape so that colour is never alone: a hanging tag, a diamond, a square with two
/// bars.</summary>
public static class TagSymbols
{
    /// <summary>Symbols tag-red, tag-amber and tag-hold, to be used by reference.</summary>
    public const string Definitions = """
        <symbol id="tag-red" viewBox="0 0 12 16"><path d="M1.5 1h9v10L6 15.4 1.5 11z" fill="#B3261E" stroke="#7C1510"/>
        <circle cx="6" cy="4" r="1.4" fill="#FCFBF7"/></symbol>
        <symbol id="tag-amber" viewBox="0 0 14 14"><path d="M7 .8L13.2 7 7 13.2.8 7z" fill="#F2C94C" stroke="#8A5A00"/>
        <path d="M7 4v3.6M7 9v1.4" stroke="#5C3B00" stroke-width="1.5"/></symbol>
        <symbol id="tag-hold" viewBox="0 0 14 14"><rect x="1" y="1" width="12" height="12" rx="1" fill="#DCE6F1" stroke="#3B5678"/>
        <path d="M5.2 4v6M8.8 4v6" stroke="#3B5678" stroke-width="1.7"/></symbol>
        """;
}
