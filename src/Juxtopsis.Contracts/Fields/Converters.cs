using System.Text.Json;
using System.Text.Json.Serialization;
using Juxtopsis.Contracts.Evaluating;
using Juxtopsis.Core.Measuring;
using Juxtopsis.Core.Rigs;
using CoreConventions = Juxtopsis.Core.Rigs.Conventions;

namespace Juxtopsis.Contracts.Fields;

/// <summary>Conventions on the wire.</summary>
internal sealed class ConventionsConverter : JsonConverter<CoreConventions>
{
    private static readonly FieldObject<CoreConventions> Fields = new(ConventionFields.All);

    public override CoreConventions Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var conventions = ConventionFields.All.Untouched;
        Fields.Read(ref reader, ref conventions, []);
        return conventions;
    }

    public override void Write(Utf8JsonWriter writer, CoreConventions value, JsonSerializerOptions options)
    {
        writer.WriteStartObject();
        Fields.Write(writer, value);
        writer.WriteEndObject();
    }
}

/// <summary>The setup of a test on the wire.</summary>
internal sealed class TestSetupConverter : JsonConverter<TestSetup>
{
    private static readonly FieldObject<TestSetup> Fields = new(TestFields.Setup);

    public override TestSetup Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var setup = TestFields.Setup.Untouched;
        Fields.Read(ref reader, ref setup, []);
        return setup;
    }

    public override void Write(Utf8JsonWriter writer, TestSetup value, JsonSerializerOptions options)
    {
        writer.WriteStartObject();
        Fields.Write(writer, value);
        writer.WriteEndObject();
    }
}

/// <summary>A reading of a test on the wire.</summary>
internal sealed class TestReadingConverter : JsonConverter<TestReading>
{
    private static readonly FieldObject<TestReading> Fields = new(TestFields.Reading);

    public override TestReading Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var reading = TestFields.Reading.Untouched;
        Fields.Read(ref reader, ref reading, []);
        return reading;
    }

    public override void Write(Utf8JsonWriter writer, TestReading value, JsonSerializerOptions options)
    {
        writer.WriteStartObject();
        Fields.Write(writer, value);
        writer.WriteEndObject();
    }
}

/// <summary>A scene on the wire: its fields, and a photograph.</summary>
internal sealed class SceneConverter : JsonConverter<SceneInput>
{
    private static readonly FieldObject<Scene> Fields = new(SceneFields.All);

    public override SceneInput Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var scene = SceneFields.All.Untouched;
        PhotoInput? photo = null;
        var others = new Once();
        Fields.Read(ref reader, ref scene, [], (ref Utf8JsonReader r) =>
        {
            if (!others.Is(ref r, "photo"))
            {
                return false;
            }

            photo = JsonSerializer.Deserialize(ref r, WireJson.Default.PhotoInput);
            return true;
        });
        return new(scene) { Photo = photo };
    }

    public override void Write(Utf8JsonWriter writer, SceneInput value, JsonSerializerOptions options)
    {
        writer.WriteStartObject();
        Fields.Write(writer, value.Scene);
        writer.WritePropertyName("photo");
        JsonSerializer.Serialize(writer, value.Photo!, WireJson.Default.PhotoInput);
        writer.WriteEndObject();
    }
}

/// <summary>A rig on the wire: its name, its fields, a distance of its own, and the parts that its numbers came from.</summary>
internal sealed class RigConverter : JsonConverter<RigInput>
{
    private static readonly FieldObject<Rig> Fields = new(RigFields.All);

    public override RigInput Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        var rig = RigFields.All.Untouched;
        var read = new RigInput(rig);
        var others = new Once();
        Fields.Read(ref reader, ref rig, read.Faults, (ref Utf8JsonReader r) =>
        {
            if (others.Is(ref r, "id"))
            {
                read.Id = r.TokenType == JsonTokenType.String ? r.GetString()! : throw MemberException.OtherKind("id");
            }
            else if (others.Is(ref r, "name"))
            {
                read.Name = r.TokenType == JsonTokenType.String ? r.GetString()! : throw MemberException.OtherKind("name");
            }
            else if (others.Is(ref r, SceneFields.OwnDistance.Key))
            {
                read.SubjectDistanceMm = FieldObject<double?>.Number(ref r, SceneFields.OwnDistance.Key, mayBeUnknown: true);
            }
            else if (others.Is(ref r, "chain"))
            {
                read.Chain = JsonSerializer.Deserialize(ref r, WireJson.Default.ChainInput);
            }
            else
            {
                return false;
            }

            return true;
        });
        read.Rig = rig;
        return read;
    }

    public override void Write(Utf8JsonWriter writer, RigInput value, JsonSerializerOptions options)
    {
        writer.WriteStartObject();
        writer.WriteString("id", value.Id);
        writer.WriteString("name", value.Name);
        Fields.Write(writer, value.Rig);
        writer.WritePropertyName(SceneFields.OwnDistance.Key);
        JsonSerializer.Serialize(writer, value.SubjectDistanceMm, WireJson.Default.NullableDouble);
        writer.WritePropertyName("chain");
        JsonSerializer.Serialize(writer, value.Chain!, WireJson.Default.ChainInput);
        writer.WriteEndObject();
    }
}

/// <summary>Members by name, each once.</summary>
internal sealed class Once
{
    private readonly HashSet<string> seen = [];

    /// <summary>Whether the reader is at a member; then it goes on to its value.</summary>
    public bool Is(ref Utf8JsonReader reader, string name)
    {
        if (!reader.ValueTextEquals(name))
        {
            return false;
        }

        if (!seen.Add(name))
        {
            throw MemberException.Twice(name);
        }

        reader.Read();
        return true;
    }
}
