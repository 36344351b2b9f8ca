using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Plans;
using Circuitum.Core.Site;
using Circuitum.Core.Units;

namespace Circuitum.Web.Site;

/// <summary>An entry as a phone sends it: everything is text that nobody has looked at.</summary>
/// <param name="Id">Its id, made on the phone.</param>
/// <param name="Subject">kind:id.</param>
/// <param name="Step">The step.</param>
/// <param name="At">When, ISO 8601 with its offset.</param>
/// <param name="Revision">The revision that the phone had.</param>
/// <param name="TakesBack">The entry taken back.</param>
/// <param name="Used">What was used, as the trade writes it.</param>
/// <param name="Note">A word about it.</param>
/// <param name="Line">The line of the walk.</param>
/// <param name="Reel">The reel that a cable was cut from.</param>
/// <param name="What">The cable on a reel that is counted; what is on it is written as what is used of a cable.</param>
/// <param name="Reading">What a tester showed.</param>
public sealed record SentEntry(string? Id, string? Subject, string? Step, string? At, int Revision, string? TakesBack, string? Used,
    string? Note, string? Line = null, string? Reel = null, string? What = null, string? Reading = null)
{
    /// <summary>Fingerprint of the picture that came with it; never read from what was sent.</summary>
    [JsonIgnore]
    public string? Photograph { get; init; }

    /// <summary>Longest reel that stands in a van: 5000 ft.</summary>
    public static Length LongestReel { get; } = Length.FromFeet(5000);

    /// <summary>Longest cable that anyone measures: 2000 ft.</summary>
    public static Length Longest { get; } = Length.FromFeet(2000);

    /// <summary>Most entries sent at once; a phone with more sends them in turn.</summary>
    public const int MostAtOnce = 500;

    // Before 2000 and after 2100 no phone is right.
    private static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly DateTimeOffset Latest = new(2100, 1, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { MaxDepth = 6 };

    /// <summary>Reads what was sent.</summary>
    /// <exception cref="FormatException">It is no list of entries, or too long a one; the message says so.</exception>
    public static async Task<IReadOnlyList<SentEntry>> ReadAsync(Stream body, CancellationToken gone)
    {
        try
        {
            var sent = await JsonSerializer.DeserializeAsync<List<SentEntry?>>(body, Json, gone);
            var entries = (sent ?? []).OfType<SentEntry>().ToList();
            return sent is null || entries.Count < sent.Count ? throw new FormatException("What was sent is no list of entries.")
                : entries.Count > MostAtOnce
                    ? throw new FormatException($"{sent.Count} entries at once are too many; send {MostAtOnce}, then the next.") : entries;
        }
        catch (JsonException unread)
        {
            throw new FormatException("What was sent is no list of entries.", unread);
        }
    }

    /// <summary>The entry, held against the plan it was made by.</summary>
    /// <param name="plan">The plan of its revision.</param>
    /// <param name="received">Now.</param>
    /// <param name="who">Who sends it.</param>
    /// <exception cref="FormatException">It cannot be kept; the message says why.</exception>
    public SiteEntry Read(Plan plan, Instant received, string who)
    {
        var subject = Core.Jobs.Subject.TryParse(Subject)
            ?? throw new FormatException($"“{Told(Subject)}” is nothing that a plan has.");
        if (!Enum.TryParse<SiteStep>(Step, out var step) || step.ToString() != Step || !IsDoneTo(subject.Kind, step))
        {
            throw new FormatException($"“{Told(Step)}” is nothing that is done to a {Called(subject.Kind)}.");
        }

        var note = Printed.Of(Note ?? "");
        if (note.Length > SiteEntry.LongestNote || Printed.Problem(note) is not null)
        {
            throw new FormatException($"A note has at most {SiteEntry.LongestNote} characters that print.");
        }

        var line = LineOf(subject.Kind, step);
        var id = EntryId.TryParse(Id) ?? throw new FormatException("The entry has no id.");
        EntryId? back = TakesBack is null ? null
            : EntryId.TryParse(TakesBack) ?? throw new FormatException("It takes back an entry that has no id.");
        if (step == SiteStep.Circled && back is null && note.Length == 0)
        {
            throw new FormatException("What is circled? A word says it.");
        }

        if (step == SiteStep.Correction && back is null && note.Length == 0)
        {
            throw new FormatException("What is wrong? A correction says it in a word.");
        }

        var measure = plan.Job.Schools.Measure;
        return new(id, subject, step, Time(), received, who, Revision)
        {
            Line = line,
            Photograph = back is null ? Photograph : null,
            Note = note,
            TakesBack = back,
            As = back is not null ? null : subject.Kind == SubjectKind.Reel ? AsReel(subject, step, measure) : AsDone(plan, subject, step),
            Used = string.IsNullOrWhiteSpace(Used) || subject.Kind == SubjectKind.Reel ? null : Measured(Used, Longest, measure),
            Reel = back is null && step == SiteStep.Pulled && !string.IsNullOrWhiteSpace(Reel) ? NameOfReel(Reel) : null,
            Reading = back is not null || step != SiteStep.Metered ? null : TestReading.Parse(Reading ?? ""),
        };
    }

    private static string NameOfReel(string sent) => Printed.Of(sent.Trim()) is { Length: > 0 and <= ReelStock.LongestName } name
        && Printed.Problem(name) is null ? name
        : throw new FormatException($"“{Told(sent)}” is no name of a reel; it has 1 to {ReelStock.LongestName} characters.");

    // A reel is what the crew says it is: the plan knows none.
    private AsDone? AsReel(Subject reel, SiteStep step, Measure measure)
    {
        if (NameOfReel(reel.Id) != reel.Id)
        {
            throw new FormatException($"“{Told(reel.Id)}” is no name of a reel.");
        }

        if (step != SiteStep.Counted)
        {
            return null;
        }

        var cable = Printed.Of((What ?? "").Trim());
        return cable.Length is 0 or > ReelStock.LongestName || Printed.Problem(cable) is not null
            ? throw new FormatException($"Which cable is on reel {reel.Id}? Write it like 12-2.")
            : new(reel.Id, cable, Measured(Used ?? "", LongestReel, measure));
    }

    // A line of the walk where it is about one, a place on a photograph where something on it is circled, and nothing otherwise.
    private string LineOf(SubjectKind kind, SiteStep step)
    {
        var line = Line ?? "";
        if (step == SiteStep.Metered && kind == SubjectKind.Panel)
        {
            return PanelBars.Find(line)?.Line ?? throw new FormatException($"“{Told(line)}” is between no bars of a panel.");
        }

        if (step == SiteStep.Circled)
        {
            return Ring.TryParse(line)?.ToString() ?? throw new FormatException($"“{Told(line)}” is no place on a photograph.");
        }

        return step.IsOfWalk() == line.Length > 0 && line.Length <= SiteEntry.LongestLine && Printed.Problem(line) is null ? line
            : throw new FormatException($"“{Told(line)}” is no line of the walk.");
    }

    // A photograph comes by itself, with its picture; only that it is taken back comes with the others.
    private bool IsDoneTo(SubjectKind kind, SiteStep step) => step.IsOfWalk()
        || (step == SiteStep.Photographed && kind.IsSeenBy() && (TakesBack is not null || Photograph is not null))
        || (step == SiteStep.Circled && kind.IsSeenBy())
        || (step == SiteStep.Metered && kind.IsMetered())
        || (step.IsOfLife() && kind is (SubjectKind.Box or SubjectKind.Circuit)) || SiteSteps.Of(kind).Contains(step);

    private Instant Time() =>
        DateTimeOffset.TryParse(At, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at) && at > Earliest
            && at < Latest
            ? new(at.ToUnixTimeMilliseconds()) : throw new FormatException($"“{Told(At)}” is no time; set the phone’s clock.");

    // On site a bare number is feet, as it stands on the jacket; meters where the crew works in them.
    private static Length Measured(string used, Length longest, Measure measure) =>
        Length.Parse(used.Length > 0 && used.All(c => char.IsAsciiDigit(c) || c == '.')
            ? used + (measure == Measure.Metres ? " m" : "'") : used) is var length && length > Length.Zero && length <= longest ? length
        : throw new FormatException($"“{Told(used)}” is no length of cable, more than nothing and at most {longest}.");

    // What it was by that plan; a subject that the plan never had is none.
    private static AsDone? AsDone(Plan plan, Subject subject, SiteStep step)
    {
        switch (subject.Kind)
        {
            case SubjectKind.Run when subject.AsRun is { } run && plan.FindRun(run) is not null:
                var line = plan.Takeoff.Pulls.First(l => l.Run == run);
                return step == SiteStep.Pulled ? new($"{line.From} → {line.To}", line.Cable, line.Length) : null;
            case SubjectKind.Circuit when plan.Landed(new(subject.Id)) is { } landed:
                return step == SiteStep.Landed ? new(landed.Description, $"{landed.Panel}{landed.SpaceText}", Length.Zero) : null;
            case SubjectKind.LowVoltage or SubjectKind.Trench or SubjectKind.Pipe when OtherWork.Find(plan, subject) is { } work:
                return step is SiteStep.Pulled or SiteStep.Dug or SiteStep.Laid ? new($"{work.Number}, {work.Name}", work.What, work.Long)
                    : null;
            case SubjectKind.Wall when subject.Numbered is var (of, number)
                && plan.House.Rooms.FirstOrDefault(r => r.Room.Id.Value == of)?.Sides.ElementAtOrDefault(number - 1) is not null:
            case SubjectKind.Room when plan.House.Rooms.Any(r => r.Room.Id.Value == subject.Id):
            case SubjectKind.Panel when plan.Panels.Any(p => p.Panel.Id.Value == subject.Id):
            case SubjectKind.Structure when plan.House.Structures.Any(s => s.Structure.Id.Value == subject.Id):
            case SubjectKind.Box when plan.Survey.Find(new(subject.Id)) is not null:
                return null;
            default:
                throw new FormatException(
                    $"The plan of that revision has no {Called(subject.Kind)} “{Told(subject.Id)}”.");
        }
    }

    private static string Called(SubjectKind kind) => kind switch
    {
        SubjectKind.LowVoltage => "low-voltage outlet",
        SubjectKind.LowVoltageHome => "low-voltage can",
        SubjectKind.Structure => "building",
        _ => kind.ToString().ToLowerInvariant(),
    };

    private static string Told(string? text) => Printed.Cut(Printed.Of(text ?? ""), 60);
}
