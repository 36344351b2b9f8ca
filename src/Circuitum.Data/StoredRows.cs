namespace Circuitum.Data;

/// <summary>A job's row: only what never changes.</summary>
public sealed class StoredJob
{
    /// <summary>Key in addresses, 1 to 24 letters, digits and dashes.</summary>
    public required string Key { get; init; }

    /// <summary>True for the demo, which can be reset.</summary>
    public bool IsDemo { get; init; }

    /// <summary>When it was started, milliseconds since 1970 UTC.</summary>
    public required long StartedAt { get; init; }
}

/// <summary>One revision's row: written once, never changed.</summary>
public sealed class StoredRevision
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>From 1, without gaps.</summary>
    public required int Number { get; init; }

    /// <summary>What kind of step it was.</summary>
    public required RevisionKind Kind { get; init; }

    /// <summary>The change that an undo or redo is about; 0 otherwise.</summary>
    public required int About { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>What was done, one phrase.</summary>
    public required string Phrase { get; init; }

    /// <summary>The job's name at this revision.</summary>
    public required string JobName { get; init; }

    /// <summary>The job document, packed: whole, or what makes it of the revision before.</summary>
    public required byte[] Document { get; init; }

    /// <summary>True where it is what makes it of the revision before.</summary>
    public bool IsDifference { get; init; }
}

/// <summary>A crew's set of rules: saving one of the same name again adds a row, and the newest counts.</summary>
public sealed class StoredRuleSet
{
    /// <summary>Row number.</summary>
    public int Id { get; init; }

    /// <summary>Its name, 1 to 40 characters.</summary>
    public required string Name { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>The set, as text.</summary>
    public required string Document { get; init; }
}

/// <summary>A schedule that was printed: written once, never changed.</summary>
public sealed class StoredSheet
{
    /// <summary>Row number.</summary>
    public int Id { get; init; }

    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>The panel.</summary>
    public required string Panel { get; init; }

    /// <summary>The revision that was printed.</summary>
    public required int Revision { get; init; }

    /// <summary>Its paper.</summary>
    public required string Paper { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }
}

/// <summary>A drawing to lay under plans, found by the fingerprint of what is in it.</summary>
public sealed class StoredDrawing
{
    /// <summary>SHA-256 of its text, 64 hexadecimal digits.</summary>
    public required string Fingerprint { get; init; }

    /// <summary>Its lines, UTF-8, Brotli.</summary>
    public required byte[] Document { get; init; }
}

/// <summary>A job whose circuits somebody has looked at: from then on they stand.</summary>
public sealed class StoredLook
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>When first, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }
}

/// <summary>A fact written down on site: written once, never changed.</summary>
public sealed class StoredSiteEntry
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>Its id, made where it was written down.</summary>
    public required Guid Id { get; init; }

    /// <summary>kind:id of the run, box or circuit.</summary>
    public required string Subject { get; init; }

    /// <summary>The step, by its name.</summary>
    public required string Step { get; init; }

    /// <summary>When, by the clock it was written by, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>When the server had it.</summary>
    public required long Received { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>The revision it was done by.</summary>
    public required int Revision { get; init; }

    /// <summary>The line of the walk that it is about, or empty.</summary>
    public required string Line { get; init; }

    /// <summary>A word about it.</summary>
    public required string Note { get; init; }

    /// <summary>Fingerprint of a photograph.</summary>
    public string? Photograph { get; init; }

    /// <summary>The entry it takes back.</summary>
    public Guid? TakesBack { get; init; }

    /// <summary>Where a run went, or what a circuit feeds.</summary>
    public string? AsName { get; init; }

    /// <summary>The cable, or the space.</summary>
    public string? AsWhat { get; init; }

    /// <summary>What was cut, sixty-fourths of an inch.</summary>
    public int? AsCut { get; init; }

    /// <summary>What was really used, sixty-fourths of an inch.</summary>
    public int? Used { get; init; }

    /// <summary>The reel it was cut from.</summary>
    public string? Reel { get; init; }

    /// <summary>What a tester showed.</summary>
    public string? Reading { get; init; }
}

/// <summary>A photograph of a job, found by the fingerprint of what is in it: kept once.</summary>
public sealed class StoredPhotograph
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>SHA-256 of the picture, 64 hexadecimal digits.</summary>
    public required string Fingerprint { get; init; }

    /// <summary>image/jpeg, image/png or image/webp.</summary>
    public required string MediaType { get; init; }

    /// <summary>The picture.</summary>
    public required byte[] Picture { get; init; }
}

/// <summary>A price list that was brought in: written once, and the newest counts.</summary>
public sealed class StoredPriceList
{
    /// <summary>Row number.</summary>
    public int Id { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>The list, as CSV.</summary>
    public required string Document { get; init; }
}

/// <summary>A name of a revision: given once and never changed.</summary>
public sealed class StoredMilestone
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>The name, once a job.</summary>
    public required string Name { get; init; }

    /// <summary>The revision.</summary>
    public required int Number { get; init; }

    /// <summary>When it was named, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who named it.</summary>
    public required string Who { get; init; }
}

/// <summary>An exercise that somebody did: never changed.</summary>
public sealed class StoredPractice
{
    /// <summary>Row number.</summary>
    public int Id { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>Which exercise.</summary>
    public required string Exercise { get; init; }

    /// <summary>The lot it was drawn by.</summary>
    public required int Seed { get; init; }

    /// <summary>Joints made, or looks taken, or choices tried.</summary>
    public required int Steps { get; init; }

    /// <summary>How often it was switched on, or said.</summary>
    public required int Tries { get; init; }

    /// <summary>How often somebody would have been hurt.</summary>
    public required int Harm { get; init; }

    /// <summary>Hints read.</summary>
    public required int Hints { get; init; }
}

/// <summary>An estimate or a change order that was written: never changed.</summary>
public sealed class StoredOffer
{
    /// <summary>The job.</summary>
    public required string JobKey { get; init; }

    /// <summary>From 1, by job.</summary>
    public required int Number { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>The whole of it, as text.</summary>
    public required string Document { get; init; }
}

/// <summary>A point list of metric boards: each keeping of one is a row, written once.</summary>
public sealed class StoredBoard
{
    /// <summary>Key in addresses.</summary>
    public required string Key { get; init; }

    /// <summary>From 1, by board.</summary>
    public required int Number { get; init; }

    /// <summary>What the work is called.</summary>
    public required string Name { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>The list, as text.</summary>
    public required string Document { get; init; }
}

/// <summary>A fact about a metric board, written down on site: never changed.</summary>
public sealed class StoredBoardEntry
{
    /// <summary>The board.</summary>
    public required string BoardKey { get; init; }

    /// <summary>Its id.</summary>
    public required Guid Id { get; init; }

    /// <summary>The circuit or the section.</summary>
    public required string Subject { get; init; }

    /// <summary>The step, by its name.</summary>
    public required string Step { get; init; }

    /// <summary>When, milliseconds since 1970 UTC.</summary>
    public required long At { get; init; }

    /// <summary>Who.</summary>
    public required string Who { get; init; }

    /// <summary>The circuit as it was then, in words.</summary>
    public required string AsWhat { get; init; }

    /// <summary>What a tester showed; empty where nothing was read.</summary>
    public required string Reading { get; init; }

    /// <summary>The entry it takes back.</summary>
    public Guid? TakesBack { get; init; }
}

/// <summary>What a revision did.</summary>
public enum RevisionKind
{
    /// <summary>The job was started or brought in.</summary>
    Start,

    /// <summary>A change.</summary>
    Change,

    /// <summary>A change was undone.</summary>
    Undo,

    /// <summary>An undone change was done again.</summary>
    Redo,
}
