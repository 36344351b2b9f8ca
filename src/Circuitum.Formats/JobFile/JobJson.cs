using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Formats.JobFile;

/// <summary>How a job's values are written in JSON.</summary>
public static class JobJson
{
    /// <summary>camelCase names, kebab-case words, unknown members refused, defaults left out.</summary>
    public static JsonSerializerOptions Options { get; } = Make();

    private static JsonSerializerOptions Make()
    {
        var options = new JsonSerializerOptions
        {
            PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            RespectNullableAnnotations = true,
            RespectRequiredConstructorParameters = true,
            WriteIndented = true,
            NewLine = "\n",
            MaxDepth = 16,
            Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { LeaveOutDefaults, NameTheRules } },
        };
        options.Converters.Add(new EditionConverter());
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false));
        options.Converters.Add(new PointConverter());
        options.Converters.Add(new PanelSpaceConverter());
        options.Converters.Add(new TextConverter<Length>(Length.Parse));
        options.Converters.Add(new TextConverter<Gauge>(Gauge.Parse));
        options.Converters.Add(new TextConverter<BoxId>(t => new(t)));
        options.Converters.Add(new TextConverter<RunId>(RunId.Parse));
        options.Converters.Add(new TextConverter<Id<Opening>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<Want>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<Reservation>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<Chase>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<Trench>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<Pipe>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<LowVoltageOutlet>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<LowVoltageHome>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<Hold>>(t => new(t)));
        options.Converters.Add(new TextConverter<Id<CrewLine>>(t => new(t)));
        options.Converters.Add(new TextConverter<RoomId>(t => new(t)));
        options.Converters.Add(new TextConverter<LevelId>(t => new(t)));
        options.Converters.Add(new TextConverter<StructureId>(t => new(t)));
        options.Converters.Add(new TextConverter<PanelId>(t => new(t)));
        options.Converters.Add(new TextConverter<CircuitKey>(t => new(t)));
        options.Converters.Add(new NumberConverter<Amps>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<Volts>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<VoltAmps>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<CubicInches>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<SquareFeet>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<Percent>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<Money>(v => new(v), a => a.Value));
        options.Converters.Add(new NumberConverter<Celsius>(v => new(v), a => a.Degrees));
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }

    // What equals the value a fresh object has is not written, so that hand-made files stay short.
    private static void LeaveOutDefaults(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object || type.Type.Namespace != typeof(Job).Namespace)
        {
            return;
        }

        var fresh = type.Type.GetConstructor(Type.EmptyTypes) is null ? null : Activator.CreateInstance(type.Type);
        foreach (var property in type.Properties.Where(p => !p.IsRequired && p.Get is not null))
        {
            var get = property.Get!;
            var usual = fresh is null ? null : get(fresh);
            property.ShouldSerialize = (_, value) => value is not null && !value.Equals(usual)
                && !(value is System.Collections.ICollection { Count: 0 });
        }
    }

    // A job says its book as "rules"; files of before there were families said it as "edition", and are read as they were.
    private static void NameTheRules(JsonTypeInfo type)
    {
        if (type.Type != typeof(Job))
        {
            return;
        }

        var rules = type.Properties.First(p => p.PropertyType == typeof(Edition));
        rules.Name = Rules;
        // One of the two is enough; a job with neither is told so when it is looked through.
        rules.IsRequired = false;
        var before = type.CreateJsonPropertyInfo(typeof(Edition), "edition");
        before.Set = rules.Set;
        before.ShouldSerialize = (_, _) => false;
        type.Properties.Add(before);
    }

    /// <summary>Name of the member that says the book.</summary>
    internal const string Rules = "rules";

    private sealed class TextConverter<T>(Func<string, T> read) : JsonConverter<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var number = reader.TokenType == JsonTokenType.Number && typeof(T) == typeof(Length);
            var text = number ? reader.GetDecimal().ToString(System.Globalization.CultureInfo.InvariantCulture)
                : reader.TokenType == JsonTokenType.String ? reader.GetString()!
                : throw new JsonException($"Here stands a {reader.TokenType}; write a text.");
            try
            {
                return read(text);
            }
            catch (FormatException e)
            {
                throw new JsonException(e.Message, e);
            }
        }

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value is Length length ? length.Exactly() : value!.ToString());
    }

    private sealed class NumberConverter<T>(Func<decimal, T> read, Func<T, decimal> write) : JsonConverter<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType == JsonTokenType.Number && reader.TryGetDecimal(out var value) ? read(value)
                : throw new JsonException($"Here stands a {reader.TokenType}; write a number.");

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteNumberValue(write(value));
    }

    // A whole space is a number, half of one a text: 14, "14a".
    private sealed class PanelSpaceConverter : JsonConverter<PanelSpace>
    {
        public override PanelSpace Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType == JsonTokenType.Number && reader.TryGetInt32(out var number) ? number
            : reader.TokenType == JsonTokenType.String && PanelSpace.TryParse(reader.GetString(), out var space) ? space
            : throw new JsonException("A space is written 14, or \"14a\" and \"14b\" for the halves of a tandem breaker.");

        public override void Write(Utf8JsonWriter writer, PanelSpace value, JsonSerializerOptions options)
        {
            if (value.IsHalf)
            {
                writer.WriteStringValue(value.ToString());
            }
            else
            {
                writer.WriteNumberValue(value.Number);
            }
        }
    }

    // {"family":"canada","edition":2021}; files of before there were families say a year alone.
    private sealed class EditionConverter : JsonConverter<Edition>
    {
        public override Edition Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var said = reader.TokenType == JsonTokenType.Number && reader.TryGetInt32(out var alone)
                ? new(RuleFamily.UnitedStates.Key(), alone)
                : reader.TokenType == JsonTokenType.StartObject ? JsonSerializer.Deserialize<Book>(ref reader, options) : null;
            var known = said is null ? [] : Editions.All.Where(e => e.Family().Key() == said.Family && e.Year() == said.Edition).ToList();
            return known.Count == 1 ? known[0] : throw new JsonException("This is no book that this version knows; write "
                + string.Join(" or ", Editions.All.Select(e => $"{{\"family\":\"{e.Family().Key()}\",\"edition\":{e.Year()}}}")) + ".");
        }

        public override void Write(Utf8JsonWriter writer, Edition value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, new Book(value.Family().Key(), value.Year()), options);

        internal sealed record Book(string Family, int Edition);
    }

    private sealed class PointConverter : JsonConverter<Point>
    {
        public override Point Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            if (reader.TokenType != JsonTokenType.StartArray)
            {
                throw new JsonException("A point is written [\"12-6\", \"0\"].");
            }

            var pair = new List<Length>();
            while (reader.Read() && reader.TokenType != JsonTokenType.EndArray)
            {
                if (pair.Count == 2 || !Length.TryParse(reader.TokenType == JsonTokenType.String ? reader.GetString() : null,
                    out var length))
                {
                    throw new JsonException("A point is two lengths, [\"12-6\", \"0\"].");
                }

                pair.Add(length);
            }

            return pair.Count == 2 ? new(pair[0], pair[1]) : throw new JsonException("A point is two lengths, [\"12-6\", \"0\"].");
        }

        public override void Write(Utf8JsonWriter writer, Point value, JsonSerializerOptions options)
        {
            writer.WriteStartArray();
            writer.WriteStringValue(value.X.Exactly());
            writer.WriteStringValue(value.Y.Exactly());
            writer.WriteEndArray();
        }
    }
}
