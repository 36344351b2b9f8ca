namespace Circuitum.Core.Jobs;

/// <summary>Stable id of a box.</summary>
public readonly record struct BoxId
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public BoxId(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a room.</summary>
public readonly record struct RoomId
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public RoomId(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a level of a structure.</summary>
public readonly record struct LevelId
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public LevelId(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a building.</summary>
public readonly record struct StructureId
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public StructureId(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Stable id of a panel.</summary>
public readonly record struct PanelId
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public PanelId(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>A circuit's key, made from the room or box it serves, so that pins keep their meaning when the plan is made again.</summary>
public readonly record struct CircuitKey
{
    /// <summary>An id of that text.</summary>
    /// <exception cref="FormatException">There is no text.</exception>
    public CircuitKey(string value) => Value = Ids.Given(value);

    /// <summary>Its text.</summary>
    public string Value { get; }

    /// <summary>As a sentence names it: “kitchen appliances 1”.</summary>
    public string Words => $"“{Value.Replace('-', ' ')}”";

    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>Makes ids that people can read.</summary>
public static class Ids
{
    // What a form or a file left out must not become an id: it would be stored as nothing, and nothing cannot be read back.
    internal static string Given(string? value) => value ?? throw new FormatException("What this names was not sent. Open the page again.");

    /// <summary>Bedroom 2 becomes bedroom-2; at most 32 characters; the stem where nothing of the name can stand in an id.</summary>
    public static string Slug(string name, string stem)
    {
        var letters = new string([.. name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : ' ')]);
        var slug = string.Join('-', letters.Split(' ', StringSplitOptions.RemoveEmptyEntries));
        return slug.Length == 0 ? stem : slug.Length > 32 ? slug[..32].TrimEnd('-') : slug;
    }

    /// <summary>The stem itself where it is free, else with the next number.</summary>
    public static string Free(string stem, IEnumerable<string> used)
    {
        var taken = used.ToHashSet();
        return taken.Contains(stem) ? Numbered(stem, taken) : stem;
    }

    /// <summary>The stem with the first number that is free, from 1.</summary>
    public static string Numbered(string stem, IEnumerable<string> used)
    {
        var taken = used as HashSet<string> ?? used.ToHashSet();
        var cut = stem.Length > 34 ? stem[..34].TrimEnd('-') : stem;
        return Enumerable.Range(1, taken.Count + 1).Select(n => $"{cut}-{n}").First(id => !taken.Contains(id));
    }
}
