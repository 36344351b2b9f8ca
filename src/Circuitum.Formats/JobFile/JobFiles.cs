using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using Circuitum.Core.Jobs;
using Circuitum.Core.Problems;
using Circuitum.Core.Units;

namespace Circuitum.Formats.JobFile;

/// <summary>A job file that cannot be taken: one message that names the place and says what to do.</summary>
public sealed class JobFileException(string message) : Exception(Printed.Told(message, 400));

/// <summary>Reads and writes *.circuitum.json.</summary>
public static class JobFiles
{
    /// <summary>Name in every file's "format".</summary>
    public const string Format = "circuitum-job";

    /// <summary>The version this program writes and reads.</summary>
    public const int Version = 1;

    /// <summary>Largest file taken, 5 MB.</summary>
    public const int MostBytes = 5 * 1024 * 1024;

    /// <summary>Reads a job and makes sure that it can be planned.</summary>
    /// <exception cref="JobFileException">The file is too large, no JSON, of another format or version, or contradicts itself.</exception>
    public static Job Read(Stream stream)
    {
        using var buffer = new MemoryStream();
        var chunk = new byte[81920];
        for (int read; (read = stream.Read(chunk)) > 0;)
        {
            buffer.Write(chunk, 0, read);
            if (buffer.Length > MostBytes)
            {
                throw new JobFileException(
                    "The file is larger than 5 MB. A job of a whole house is a few hundred kB; check that this is the right file.");
            }
        }

        return Read(buffer.ToArray());
    }

    /// <summary>Reads a job from text.</summary>
    /// <exception cref="JobFileException">As for a stream.</exception>
    public static Job Read(string text) => Read(Encoding.UTF8.GetBytes(text));

    /// <summary>Writes a job; reading it gives the same job.</summary>
    public static string Write(Job job)
    {
        using var written = Writing.In(job.Schools.Drawn);
        return JsonSerializer.Serialize(new Envelope { Format = Format, Version = Version, Job = job }, JobJson.Options) + "\n";
    }

    /// <summary>Writes a job that is about to be kept; null when what is written does not read back to the same job.</summary>
    /// <remarks>Compared as text: a job that is written alike is alike. Contradictions are looked for where the job is planned.</remarks>
    /// <param name="job">The job.</param>
    /// <param name="before">The job that it was made from and that was kept so: what both hold unchanged was read back then. Null to read
    /// back all of it.</param>
    public static string? WriteWhole(Job job, Job? before = null) => ReadsBack(before is null ? job : Changed(job, before)) ? Write(job)
        : null;

    // Parts of a job are written one after the other and none tells how another is written: those that did not change need no second look.
    private static Job Changed(Job job, Job before)
    {
        var known = before.Boxes.ToHashSet<object>(ReferenceEqualityComparer.Instance);
        return job with
        {
            Boxes = [.. job.Boxes.Where(b => !known.Contains(b))],
            Structures = job.Structures == before.Structures ? [] : job.Structures,
            Divisions = job.Divisions == before.Divisions ? [] : job.Divisions,
            Written = job.Written == before.Written ? [] : job.Written,
        };
    }

    private static bool ReadsBack(Job job)
    {
        using var bare = Writing.In(Measure.Feet);
        var written = Write(job);
        try
        {
            return Write(JsonSerializer.Deserialize<Envelope>(written, JobJson.Options)!.Job) == written;
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException or FormatException or OverflowException)
        {
            return false;
        }
    }

    private static Job Read(byte[] bytes)
    {
        // A number without a unit is inches in every job file, whatever the house is drawn in.
        using var bare = Writing.In(Measure.Feet);
        var start = bytes.AsSpan().StartsWith(Encoding.UTF8.Preamble) ? Encoding.UTF8.Preamble.Length : 0;
        var utf8 = bytes.AsSpan(start);
        if (!System.Text.Unicode.Utf8.IsValid(utf8))
        {
            throw new JobFileException("This file is not UTF-8 text. A job file is JSON text; check that this is the right file.");
        }

        try
        {
            CheckHead(utf8);
            var envelope = JsonSerializer.Deserialize<Envelope>(utf8, JobJson.Options)!;
            return JobProblems.First(envelope.Job) is { } problem ? throw new JobFileException($"At {problem.Where}: {problem.What}.")
                : envelope.Job;
        }
        catch (JsonException e)
        {
            throw new JobFileException($"Line {(e.LineNumber ?? 0) + 1}, at {e.Path ?? "the start"}: {Plain(e.Message)}");
        }
        catch (InvalidOperationException)
        {
            // An escape that stands for half a character: valid JSON, but no text.
            throw new JobFileException("A text in this file holds an escape that is no character. Write it again.");
        }
        catch (OverflowException)
        {
            throw new JobFileException("A length in this file is farther than any house reaches. Check its numbers.");
        }
    }

    // Format and version first: a file of a later version would otherwise be blamed for its first new member.
    private static void CheckHead(ReadOnlySpan<byte> utf8)
    {
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = 16 });
        string? format = null;
        int? version = null;
        var member = Head.Other;
        var lists = new Stack<bool>();
        while (reader.Read())
        {
            switch (reader.TokenType)
            {
                case JsonTokenType.StartArray or JsonTokenType.StartObject:
                    lists.Push(reader.TokenType == JsonTokenType.StartArray);
                    break;
                case JsonTokenType.EndArray or JsonTokenType.EndObject:
                    lists.Pop();
                    break;
                case JsonTokenType.Null when lists.TryPeek(out var list) && list:
                    throw new JobFileException(
                        $"Line {1 + utf8[..(int)reader.TokenStartIndex].Count((byte)'\n')}: a list holds nothing (null) where something "
                        + $"is listed. Take it out.");
            }

            format = member == Head.Format && reader.TokenType == JsonTokenType.String ? reader.GetString() : format;
            version = member == Head.Version && reader.TokenType == JsonTokenType.Number && reader.TryGetInt32(out var v) ? v : version;
            member = reader.CurrentDepth != 1 || reader.TokenType != JsonTokenType.PropertyName ? Head.Other
                : reader.ValueTextEquals("format") ? Head.Format : reader.ValueTextEquals("version") ? Head.Version : Head.Other;
        }

        if (format != Format)
        {
            throw new JobFileException($"This is no job file: it should begin {{\"format\":\"{Format}\",\"version\":{Version}.");
        }

        if (version != Version)
        {
            throw new JobFileException(
                $"This file has version {version?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "none"}; this program "
                + $"reads version {Version}.");
        }
    }

    // The serialiser names .NET types and repeats the path; a person needs neither.
    private static string Plain(string message)
    {
        var cut = message.IndexOf(" Path: ", StringComparison.Ordinal);
        var text = cut > 0 ? message[..cut] : message;
        return text.StartsWith("The JSON value could not be converted", StringComparison.Ordinal)
            ? "this value is not one the format knows here."
            : text.Contains("could not be mapped to any .NET member", StringComparison.Ordinal)
            ? $"“{text.Split('\'')[1]}” is no member the format knows here."
            : text.Contains("was missing required properties", StringComparison.Ordinal)
            ? $"required and missing: {text[(text.LastIndexOf(':') + 1)..].Trim(' ', '.')}."
            : text.Replace(" LineNumber:", " Line:", StringComparison.Ordinal);
    }

    // The member of the file's head whose value comes next.
    private enum Head
    {
        Other,
        Format,
        Version,
    }

    private sealed record Envelope
    {
        [JsonPropertyOrder(-2)]
        public required string Format { get; init; }

        [JsonPropertyOrder(-1)]
        public required int Version { get; init; }

        public required Job Job { get; init; }
    }
}
