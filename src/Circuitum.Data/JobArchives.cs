using System.Globalization;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using Circuitum.Data.People;
using Microsoft.EntityFrameworkCore;

namespace Circuitum.Data;

/// <summary>Everything of one job in one archive of open files: every revision, the drawings under it, the record of the site with its
/// photographs, estimates and change orders, names of revisions, what was printed. It comes back from it the same, under a key of its
/// own.</summary>
public static partial class JobArchives
{
    /// <summary>Most bytes of one file in it.</summary>
    public const long MostOfFile = 12L * 1024 * 1024;

    /// <summary>Most bytes of all files in it, unpacked.</summary>
    public const long MostOfAll = 4L * 1024 * 1024 * 1024;

    private const string Format = "circuitum-archive";
    private const int Version = 1;
    // The site of the metric boards of a house that is drawn; archives of before have none.
    private const string BoardSite = "board-site.json";

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
    };

    /// <summary>Writes the archive of a job; false where there is no such job.</summary>
    /// <param name="databases">The database.</param>
    /// <param name="job">The job.</param>
    /// <param name="to">Where to; it is left open.</param>
    public static async Task<bool> WriteAsync(IDbContextFactory<JobsDb> databases, JobKey job, Stream to)
    {
        await using var db = await databases.CreateDbContextAsync();
        // One moment of the job, whatever is done to it meanwhile.
        await using var moment = await db.Database.BeginTransactionAsync();
        var key = job.Value;
        var names = await Names.AllAsync(db);
        List<ArchivedRevision> revisions = [.. (await db.Revisions.AsNoTracking().Where(r => r.JobKey == key).OrderBy(r => r.Number)
            .Select(r => new ArchivedRevision(r.Number, r.Kind, r.About, r.At, r.Who, r.Phrase, r.JobName)).ToListAsync())
            .Select(r => r with { Who = names.AsText(r.Who) })];
        if (revisions.Count == 0)
        {
            return false;
        }

        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        await AddJsonAsync(zip, "archive.json", new ArchiveHead(Format, Version, revisions[^1].JobName));
        await AddJsonAsync(zip, "revisions.json", revisions);
        var drawings = new HashSet<string>();
        await foreach (var (number, document) in RevisionDocuments.AllAsync(db, key))
        {
            drawings.UnionWith(Fingerprints().Matches(document).Select(m => m.Value));
            await zip.AddAsync(NameOf(number), Encoding.UTF8.GetBytes(document));
        }

        foreach (var fingerprint in drawings.Order(StringComparer.Ordinal))
        {
            if (await db.Drawings.Where(d => d.Fingerprint == fingerprint).Select(d => d.Document).FirstOrDefaultAsync() is { } drawing)
            {
                await zip.AddAsync($"drawings/{fingerprint}", Encoding.UTF8.GetBytes(Packed.Unpack(drawing)));
            }
        }

        await AddJsonAsync(zip, "site.json", (await db.SiteEntries.AsNoTracking().Where(e => e.JobKey == key).OrderBy(e => e.At)
            .ThenBy(e => e.Id).Select(e => new ArchivedEntry(e.Id, e.Subject, e.Step, e.At, e.Received, e.Who, e.Revision, e.Line, e.Note,
                e.Photograph, e.TakesBack, e.AsName, e.AsWhat, e.AsCut, e.Used, e.Reel, e.Reading)).ToListAsync())
            .Select(e => e with { Who = names.AsText(e.Who) }));
        foreach (var fingerprint in await db.Photographs.Where(p => p.JobKey == key).Select(p => p.Fingerprint).Order().ToListAsync())
        {
            await zip.AddAsync($"photographs/{fingerprint}", await db.Photographs
                .Where(p => p.JobKey == key && p.Fingerprint == fingerprint).Select(p => p.Picture).SingleAsync(),
                CompressionLevel.NoCompression);
        }

        await AddJsonAsync(zip, "offers.json", (await db.Offers.AsNoTracking().Where(o => o.JobKey == key).OrderBy(o => o.Number)
            .Select(o => new ArchivedOffer(o.Number, o.At, o.Who, o.Document)).ToListAsync())
            .Select(o => o with { Who = names.AsText(o.Who) }));
        await AddJsonAsync(zip, "milestones.json", (await db.Milestones.AsNoTracking().Where(m => m.JobKey == key).OrderBy(m => m.Number)
            .ThenBy(m => m.Name).Select(m => new ArchivedMilestone(m.Number, m.Name, m.At, m.Who)).ToListAsync())
            .Select(m => m with { Who = names.AsText(m.Who) }));
        await AddJsonAsync(zip, "sheets.json", (await db.Sheets.AsNoTracking().Where(s => s.JobKey == key).OrderBy(s => s.Id)
            .Select(s => new ArchivedSheet(s.Panel, s.Revision, s.Paper, s.At, s.Who)).ToListAsync())
            .Select(s => s with { Who = names.AsText(s.Who) }));
        await AddJsonAsync(zip, BoardSite, (await db.BoardEntries.AsNoTracking().Where(e => e.BoardKey == key).OrderBy(e => e.At)
            .ThenBy(e => e.Id).Select(e => new ArchivedBoardEntry(e.Id, e.Subject, e.Step, e.At, e.Who, e.AsWhat, e.Reading, e.TakesBack))
            .ToListAsync()).Select(e => e with { Who = names.AsText(e.Who) }));
        await AddJsonAsync(zip, "look.json", await db.Looks.AsNoTracking().Where(l => l.JobKey == key).Select(l => l.At).ToListAsync());
        return true;
    }

    /// <summary>Brings a job in from its archive, all of it or nothing; its new key.</summary>
    /// <param name="databases">The database.</param>
    /// <param name="time">The clock.</param>
    /// <param name="from">The archive.</param>
    /// <param name="document">Looks at the newest document; throws a <see cref="FormatException"/> that says what is wrong with it.</param>
    /// <param name="picture">Looks at a photograph in the same way: its media type by its content, and what of it is kept.</param>
    /// <param name="offer">Looks at an estimate or a change order in the same way.</param>
    /// <exception cref="FormatException">It is no such archive, or not a sound one; the message says what and where.</exception>
    public static async Task<JobKey> ReadAsync(IDbContextFactory<JobsDb> databases, TimeProvider time, Stream from,
        Action<string> document, Func<byte[], (string MediaType, byte[] Picture)> picture, Action<string> offer)
    {
        using var archive = new Opened(from);
        var head = archive.Read<ArchiveHead>("archive.json");
        if (head.Format != Format || head.Version != Version)
        {
            throw new FormatException($"This is no archive of a job that this version reads: it says {head.Format}, {head.Version}.");
        }

        var key = JobKey.New(time).Value;
        var revisions = archive.Read<List<ArchivedRevision>>("revisions.json");
        CheckOrder(revisions);
        await using var db = await databases.CreateDbContextAsync();
        await using var all = await db.Database.BeginTransactionAsync();
        db.Add(new StoredJob { Key = key, IsDemo = false, StartedAt = time.GetUtcNow().ToUnixTimeMilliseconds() });
        string? before = null;
        foreach (var r in revisions)
        {
            var text = archive.Text(NameOf(r.Number));
            if (r.Number == revisions.Count)
            {
                document(text);
            }

            var laid = RevisionDocuments.Lay(r.Number, before, text);
            before = text;
            db.Add(new StoredRevision
            {
                JobKey = key,
                Number = r.Number,
                Kind = r.Kind,
                About = r.About,
                At = r.At,
                Who = Names.Typed(r.Who),
                Phrase = r.Phrase,
                JobName = r.JobName,
                Document = laid.Bytes,
                IsDifference = laid.IsDifference,
            });
            await SaveAsync(db, r.Number % 200 == 0);
        }

        await SaveAsync(db, true);
        await DrawingsAsync(db, archive);
        foreach (var name in archive.Names("photographs/"))
        {
            var (type, bytes) = picture(archive.Bytes($"photographs/{name}"));
            if (Convert.ToHexStringLower(SHA256.HashData(bytes)) != name)
            {
                throw new FormatException($"The photograph {name} is not the one that was kept under that name.");
            }

            db.Add(new StoredPhotograph { JobKey = key, Fingerprint = name, MediaType = type, Picture = bytes });
            await SaveAsync(db, true);
        }

        try
        {
            AddRest(db, archive, key, offer);
            await SaveAsync(db, true);
        }
        catch (Exception e) when (e is DbUpdateException or InvalidOperationException)
        {
            throw new FormatException("Two things in the archive have the same number or id. Nothing was kept.", e);
        }

        await all.CommitAsync();
        return new(key);
    }

    private static void AddRest(JobsDb db, Opened archive, string key, Action<string> offer)
    {
        var offers = archive.Read<List<ArchivedOffer>>("offers.json");
        offers.ForEach(o => offer(o.Document));
        db.AddRange(archive.Read<List<ArchivedEntry>>("site.json").Select(e => e.For(key)));
        db.AddRange(offers.Select(o => new StoredOffer
        { JobKey = key, Number = o.Number, At = o.At, Who = Names.Typed(o.Who), Document = o.Document }));
        db.AddRange(archive.Read<List<ArchivedMilestone>>("milestones.json").Select(m => new StoredMilestone
        { JobKey = key, Number = m.Number, Name = m.Name, At = m.At, Who = Names.Typed(m.Who) }));
        db.AddRange(archive.Read<List<ArchivedSheet>>("sheets.json").Select(s => new StoredSheet
        { JobKey = key, Panel = s.Panel, Revision = s.Revision, Paper = s.Paper, At = s.At, Who = Names.Typed(s.Who) }));
        db.AddRange(archive.Has(BoardSite) ? archive.Read<List<ArchivedBoardEntry>>(BoardSite).Select(e => e.For(key)) : []);
        db.AddRange(archive.Read<List<long>>("look.json").Take(1).Select(at => new StoredLook { JobKey = key, At = at }));
    }

    private static async Task DrawingsAsync(JobsDb db, Opened archive)
    {
        foreach (var name in archive.Names("drawings/"))
        {
            var drawing = archive.Text($"drawings/{name}");
            if (Drawings.FingerprintOf(drawing) != name)
            {
                throw new FormatException($"The drawing {name} is not the one that was kept under that name.");
            }

            if (!await db.Drawings.AnyAsync(d => d.Fingerprint == name))
            {
                db.Add(new StoredDrawing { Fingerprint = name, Document = Packed.Pack(drawing) });
                await SaveAsync(db, true);
            }
        }
    }

    // What is saved is let go of: a job of twenty thousand revisions is not held in memory.
    private static async Task SaveAsync(JobsDb db, bool now)
    {
        if (now)
        {
            await db.SaveChangesAsync();
            db.ChangeTracker.Clear();
        }
    }

    // Undo and redo must be of something: a list that cannot be replayed would not open.
    private static void CheckOrder(List<ArchivedRevision> revisions)
    {
        if (revisions.Count == 0 || revisions[0].Kind != RevisionKind.Start
            || revisions.Select((r, i) => r.Number == i + 1 && Enum.IsDefined(r.Kind)).Contains(false))
        {
            throw new FormatException("revisions.json does not begin with a start and count on from 1.");
        }

        try
        {
            Timeline.Of([.. revisions.Select(r => new Revision(r.Number, r.Kind, r.About, DateTimeOffset.FromUnixTimeMilliseconds(r.At),
                r.Who, r.Phrase))]);
        }
        catch (Exception e) when (e is InvalidOperationException or ArgumentOutOfRangeException)
        {
            throw new FormatException("revisions.json undoes what was not done, or has a time that is none.", e);
        }
    }

    private static string NameOf(int number) => string.Create(CultureInfo.InvariantCulture, $"revisions/{number:000000}.circuitum.json");

    private static Task AddJsonAsync<T>(ZipArchive zip, string name, T content) =>
        zip.AddAsync(name, JsonSerializer.SerializeToUtf8Bytes(content, Json));

    [GeneratedRegex("(?<![0-9a-f])[0-9a-f]{64}(?![0-9a-f])")]
    private static partial Regex Fingerprints();

    private sealed record ArchiveHead(string Format, int Version, string Name);

    private sealed record ArchivedRevision(int Number, RevisionKind Kind, int About, long At, string Who, string Phrase, string JobName);

    private sealed record ArchivedOffer(int Number, long At, string Who, string Document);

    private sealed record ArchivedMilestone(int Number, string Name, long At, string Who);

    private sealed record ArchivedSheet(string Panel, int Revision, string Paper, long At, string Who);

    private sealed record ArchivedEntry(Guid Id, string Subject, string Step, long At, long Received, string Who, int Revision, string Line,
        string Note, string? Photograph, Guid? TakesBack, string? AsName, string? AsWhat, int? AsCut, int? Used,
        string? Reel = null, string? Reading = null)
    {
        public StoredSiteEntry For(string key) => new()
        {
            JobKey = key,
            Id = Id,
            Subject = Subject,
            Step = Step,
            At = At,
            Received = Received,
            Who = Names.Typed(Who),
            Revision = Revision,
            Line = Line,
            Note = Note,
            Photograph = Photograph,
            TakesBack = TakesBack,
            AsName = AsName,
            AsWhat = AsWhat,
            AsCut = AsCut,
            Used = Used,
            Reel = Reel,
            Reading = Reading,
        };
    }

    private sealed record ArchivedBoardEntry(Guid Id, string Subject, string Step, long At, string Who, string As, string Reading,
        Guid? TakesBack)
    {
        public StoredBoardEntry For(string key) => new()
        {
            BoardKey = key,
            Id = Id,
            Subject = Subject,
            Step = Step,
            At = At,
            Who = Names.Typed(Who),
            AsWhat = As,
            Reading = Reading,
            TakesBack = TakesBack,
        };
    }

    // An archive of which nothing is believed: what a file says of its size least of all.
    private sealed class Opened : IDisposable
    {
        private readonly ZipArchive zip;
        private long read;

        public Opened(Stream from)
        {
            try
            {
                zip = new(from, ZipArchiveMode.Read, leaveOpen: true);
                _ = zip.Entries.Count;
            }
            catch (Exception e) when (IsDamage(e))
            {
                throw new FormatException("This is no archive: a .zip that “Everything of this job” wrote is asked for.", e);
            }
        }

        public void Dispose() => zip.Dispose();

        // What a reader of archives throws at bytes that are none, by what it stumbles over.
        private static bool IsDamage(Exception e) =>
            e is InvalidDataException or IOException or ArgumentException or NotSupportedException;

        public IReadOnlyList<string> Names(string folder) => [.. zip.Entries.Select(e => e.FullName)
            .Where(n => n.StartsWith(folder, StringComparison.Ordinal) && Fingerprints().IsMatch(n) && n.Length == folder.Length + 64)
            .Select(n => n[folder.Length..]).Distinct()];

        public bool Has(string name) => zip.Entries.Any(e => e.FullName == name);

        public string Text(string name)
        {
            try
            {
                return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(Bytes(name));
            }
            catch (DecoderFallbackException e)
            {
                throw new FormatException($"{name} is no text.", e);
            }
        }

        public T Read<T>(string name)
        {
            try
            {
                return JsonSerializer.Deserialize<T>(Bytes(name), Json) is { } value ? value
                    : throw new FormatException($"{name} is empty.");
            }
            catch (JsonException e)
            {
                throw new FormatException($"{name} cannot be read: {e.Message}", e);
            }
        }

        public byte[] Bytes(string name)
        {
            if (zip.GetEntry(name) is not { } entry)
            {
                throw new FormatException($"The archive has no {name}.");
            }

            try
            {
                using var from = entry.Open();
                using var into = new MemoryStream();
                var part = new byte[64 * 1024];
                for (var got = from.Read(part); got > 0; got = from.Read(part))
                {
                    into.Write(part, 0, got);
                    if (into.Length > MostOfFile || (read += got) > MostOfAll)
                    {
                        throw new FormatException($"{name} is larger than what such an archive holds.");
                    }
                }

                return into.ToArray();
            }
            catch (Exception e) when (IsDamage(e))
            {
                throw new FormatException($"{name} is damaged.", e);
            }
        }
    }
}
